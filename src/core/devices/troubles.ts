import type { LaidShow } from '../plan/planned';
import { portsOfController, spansOfRun } from '../plan/planIndex';
import { controllerAt, runAt, wireOfRun } from '../plan/records';
import { toldUniverse } from '../addressing/numbering';
import { UNIVERSES_PER_SUB_NET, type SubNetsTold } from '../catalogue/controllers/telling';
import { universesOf } from '../protocols/registry';
import { itemAt } from '../units/there';
import { readingOf, sizeConflictOf, type Gap, type SizeConflict } from './readingOn';
import { tellingOfController } from './tellingOn';
import { linkOf } from '../catalogue/link';
import { endsOfUniverses } from './universeSizes';

/** A demand of a layout that nothing typed into its device brings about. Runs are indices in the plan. */
export type Untellable =
  | { is: 'gap'; gap: Gap }
  | { is: 'size'; conflict: SizeConflict }
  /** Hidden pixels where the device puts none. */
  | { is: 'hidden'; run: number; port: number }
  /** A run of pixels with another number of channels than the first of the device. */
  | { is: 'pixelSize'; runs: readonly number[]; channels: readonly number[] }
  /** A universe in another Art-Net sub-net than the first of its ports, of which it takes one. Universes are those of the show. */
  | { is: 'subNet'; run: number; first: number; universe: number }
  /** A run of pixels with a number of channels that it does not know. */
  | { is: 'pixelChannels'; run: number };

const known = new WeakMap<LaidShow, (readonly Untellable[] | undefined)[]>();

/** Everything about a controller that it cannot be told, one of each sort and a gap for each port. @param controller its index in the show */
export function untellableOf(plan: LaidShow, controller: number): readonly Untellable[] {
  let ofPlan = known.get(plan);
  if (!ofPlan) known.set(plan, (ofPlan = []));
  return (ofPlan[controller] ??= find(plan, controller));
}

function find(plan: LaidShow, controller: number): Untellable[] {
  const device = controllerAt(plan, controller);
  // A receiver card is told nothing.
  if (linkOf(plan.show, device) === 'raw') return [];
  const telling = tellingOfController(plan, controller);
  const reading = readingOf(plan, controller);
  const found: Untellable[] = [];
  const portsTold = new Set<number>();
  for (const gap of reading.gaps) {
    const { port } = wireOfRun(plan, gap.run);
    if (!portsTold.has(port)) found.push({ is: 'gap', gap });
    portsTold.add(port);
  }
  const conflict = sizeConflictOf(
    plan,
    reading,
    telling.universeSizes.value,
    endsOfUniverses(plan, controller),
  );
  if (conflict) found.push({ is: 'size', conflict });
  const crossing = subNetCrossedOn(plan, controller, telling.subNets.value);
  if (crossing) found.push(crossing);
  const ports = portsOfController(plan, controller);
  const runs = ports.flatMap((port) => port.runs);
  const hidden = device.skippedPixelsTakeChannels ? undefined : hiddenOtherwise(plan, controller);
  if (hidden) found.push(hidden);
  const channelsOf = (run: number) => runAt(plan, run).channelsPerPixel;
  const unlike = runs.filter((run) => channelsOf(run) !== channelsOf(itemAt(runs, 0)));
  if (telling.pixelSizes.value === 'ofDevice' && unlike.length > 0)
    found.push({
      is: 'pixelSize',
      runs: unlike,
      channels: [...new Set(runs.map(channelsOf))].sort((a, b) => a - b),
    });
  const unknown = runs.find((run) => !telling.pixelChannels.value.includes(channelsOf(run)));
  if (unknown !== undefined) found.push({ is: 'pixelChannels', run: unknown });
  return found;
}

/** The first universe that lies in another sub-net than those of the ports with which it shares one. */
function subNetCrossedOn(plan: LaidShow, controller: number, told: SubNetsTold): Untellable | undefined {
  const device = controllerAt(plan, controller);
  if (told === 'free' || !universesOf(device)?.partsOf) return undefined;
  const subNetOf = (universe: number) => Math.floor(toldUniverse(device, universe) / UNIVERSES_PER_SUB_NET);
  const firstOf = new Map<number, number>();
  for (const { port, runs } of portsOfController(plan, controller)) {
    const group = told === 'ofDevice' ? 0 : Math.floor((port - 1) / 4);
    for (const run of runs)
      for (const { universe } of spansOfRun(plan, run)) {
        if (universe === null) continue;
        const first = firstOf.get(group) ?? universe;
        firstOf.set(group, first);
        if (subNetOf(universe) !== subNetOf(first)) return { is: 'subNet', run, first, universe };
      }
  }
  return undefined;
}

/** The first run with hidden pixels before it that the device does not put there. */
function hiddenOtherwise(plan: LaidShow, controller: number): Untellable | undefined {
  const { hides, starts } = tellingOfController(plan, controller);
  if (hides.value === 'anywhere') return undefined;
  for (const { port, runs } of portsOfController(plan, controller))
    for (const [i, run] of runs.entries())
      if (
        wireOfRun(plan, run).skippedPixels > 0 &&
        (hides.value === 'never' || (i > 0 && starts.value !== 'run'))
      )
        return { is: 'hidden', run, port };
  return undefined;
}
