import { portName } from '../catalogue/controller';
import { homesFor } from '../answers/ports/freePorts';
import type { Plan } from '../plan/planned';
import type { Mend } from './check';
import { runName } from '../plan/runName';

/**
 * Puts a run on a free port that takes it whole; no mend where there is none.
 *
 * @param index of the run in the plan
 * @param notOn index of a controller that it may not go to
 */
export function moveElsewhere(plan: Plan, index: number, notOn?: number): Mend[] {
  const run = plan.runs[index]!;
  const prop = plan.show.props[run.prop]!;
  const home = homesFor(plan, [index], notOn)?.[0];
  if (!home) return [];
  const controller = plan.show.controllers[home.controller]!;
  return [
    {
      label: `Move ${runName(plan, index)} to ${portName(controller, home.port)}`,
      edit: {
        type: 'putRun',
        propId: prop.id,
        run: run.number,
        controllerId: controller.id,
        port: home.port,
      },
    },
  ];
}
