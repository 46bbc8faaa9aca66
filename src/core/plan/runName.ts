import type { LaidShow } from './planned';

/** `Tower run 2`, or the prop's name alone where there is one run. `run` is an index of the plan. */
export function runName(plan: LaidShow, run: number): string {
  const { prop, number } = plan.runs[run]!;
  const { name } = plan.show.props[prop]!;
  return plan.props[prop]!.runCount > 1 ? `${name} run ${number}` : name;
}
