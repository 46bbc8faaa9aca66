import { classOf } from '../../catalogue/controllers/registry';
import { isPanelled } from '../../props/registry';
import { dataTroublesFrom } from '../dataLines';
import { drivenPixels } from '../../devices/drivenPixels';
import type { Plan } from '../../plan/planned';
import { runAt, controllerAt, propOfRun } from '../../plan/records';

/** A port of a controller: the controller's index in the show, and the port's number from 1. */
export interface PortPlace {
  controller: number;
  port: number;
}

/** Checks ask for the free ports of one plan once for every run that wants another place. */
const known = new WeakMap<Plan, readonly PortPlace[]>();

/** Whether a controller is of a kind that drives what a prop is made of; one of no kind may drive anything. */
export function drives(plan: Plan, controller: number, panelled: boolean): boolean {
  const { typeId } = controllerAt(plan, controller);
  const type = plan.show.controllerTypes.find((each) => each.id === typeId);
  return !type || (classOf(type).drivesPanels ?? false) === panelled;
}

/** Ports that hold no run, in the order of controllers and numbers. One that is reserved is not offered. */
export function freePorts(plan: Plan): readonly PortPlace[] {
  const before = known.get(plan);
  if (before) return before;
  const used = new Set(plan.ports.map(({ controller, port }) => `${controller} ${port}`));
  const free = plan.show.controllers.flatMap(({ ports, portOptions = [] }, controller) => {
    const reserved = new Set(portOptions.flatMap((each) => (each.reserved ? each.port : [])));
    return Array.from({ length: ports }, (_, i) => ({ controller, port: i + 1 })).filter(
      ({ port }) => !used.has(`${controller} ${port}`) && !reserved.has(port),
    );
  });
  known.set(plan, free);
  return free;
}

/**
 * Free ports for some runs, each the first that takes its run whole and whose data cable brings the fewest warnings; undefined when there
 * are too few.
 *
 * @param runs indices of the plan's runs, in the order in which they choose
 * @param notOn index of a controller that none of them may go to
 */
export function homesFor(plan: Plan, runs: readonly number[], notOn?: number): PortPlace[] | undefined {
  const free = freePorts(plan).filter(({ controller }) => controller !== notOn);
  const homes: PortPlace[] = [];
  for (const run of runs) {
    const pixels = drivenPixels(plan, run) + (runAt(plan, run).wire?.skippedPixels ?? 0);
    const panels = isPanelled(propOfRun(plan, run));
    const troubles = new Map<number, number>();
    let at = -1;
    let least = Infinity;
    for (const [i, { controller }] of free.entries()) {
      const { mostPixelsPerPort } = controllerAt(plan, controller);
      if (mostPixelsPerPort < pixels || !drives(plan, controller, panels)) continue;
      // Panels have ribbons.
      const own = troubles.get(controller) ?? (panels ? 0 : dataTroublesFrom(plan, controller, run));
      troubles.set(controller, own);
      if (own < least) [at, least] = [i, own];
      if (least === 0) break;
    }
    if (at === -1) return undefined;
    homes.push(...free.splice(at, 1));
  }
  return homes;
}
