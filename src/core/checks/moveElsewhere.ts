import { portName } from '../catalogue/controller';
import { homesFor } from '../answers/ports/freePorts';
import type { Plan } from '../plan/planned';
import { runName } from '../plan/runName';
import type { Mend } from './check';
import { itemAt } from '../units/there';
import { propAt, runAt, controllerAt } from '../plan/records';

/**
 * Puts runs on free ports that take them whole; no mend where there are too few.
 *
 * @param indices of the runs in the plan
 * @param notOn index of a controller that they may not go to
 */
export function moveElsewhere(plan: Plan, indices: readonly number[], notOn?: number): Mend[] {
  const homes = indices.length > 0 ? homesFor(plan, indices, notOn) : undefined;
  if (!homes) return [];
  const names = homes.map(({ controller, port }) => portName(controllerAt(plan, controller), port));
  const what = indices.length === 1 ? runName(plan, itemAt(indices, 0)) : `${indices.length} runs`;
  return [
    {
      label: `Move ${what} to ${portsWords(names)}`,
      edit: {
        type: 'putRuns',
        runs: homes.map(({ controller, port }, i) => {
          const run = runAt(plan, itemAt(indices, i));
          return {
            propId: propAt(plan, run.prop).id,
            run: run.number,
            controllerId: controllerAt(plan, controller).id,
            port,
          };
        }),
      },
    },
  ];
}

/** `A3`, `A3, A4, B1`, `7 ports from A3`. */
export function portsWords(names: readonly string[]): string {
  return names.length <= 3 ? names.join(', ') : `${names.length} ports from ${names[0]}`;
}
