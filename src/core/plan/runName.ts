import type { LaidShow } from './planned';
import { propAt, plannedAt, runAt } from './records';

/** `Tower run 2`, or the prop's name alone where there is one run. `run` is an index of the plan. */
export function runName(plan: LaidShow, run: number): string {
  const { prop, number } = runAt(plan, run);
  const { name } = propAt(plan, prop);
  return plannedAt(plan, prop).runCount > 1 ? `${name} run ${number}` : name;
}
