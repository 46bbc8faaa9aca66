import type { Plan } from '../plan/planned';
import { fewestRuns } from '../threading/split';
import type { Mend } from './check';

/**
 * Splits the prop of a run into the fewest runs of which each has so many places on the wire at most, its skipped pixels counted; no
 * mend where a single strand is longer.
 *
 * @param index of the run in the plan
 */
export function splitToFit(plan: Plan, index: number, places: number): Mend[] {
  const run = plan.runs[index]!;
  const prop = plan.show.props[run.prop]!;
  const lengths = plan.props[run.prop]!.strands.map((strand) => strand.pixelCount);
  const runs = fewestRuns(lengths, places - (run.wire?.skippedPixels ?? 0));
  if (runs === null || runs <= plan.props[run.prop]!.runCount) return [];
  return [
    {
      label: `Split ${prop.name} into ${runs} runs`,
      edit: { type: 'setThreading', propId: prop.id, threading: { ...prop.threading, runs } },
    },
  ];
}
