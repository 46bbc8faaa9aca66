import { addressWords } from './addressWords';
import { spansOfRun } from './planIndex';
import type { Plan } from './planned';

/** The first and the last channel of some runs, skipped pixels left out: `U5 ch 1` and `U7 ch 492`. */
export function endsOf(plan: Plan, runs: readonly number[]): Ends | null {
  const spans = runs.flatMap((run) => spansOfRun(plan, run)).filter((span) => span.runChannel >= 0);
  const [head] = spans;
  if (!head) return null;
  // Pins and other controllers may put a later run first.
  let [first, last] = [head, head];
  for (const span of spans) {
    if (span.startShowChannel < first.startShowChannel) first = span;
    if (span.startShowChannel >= last.startShowChannel) last = span;
  }
  return {
    firstRun: first.run,
    start: addressWords(first.universe, first.startChannel),
    end: addressWords(last.universe, last.startChannel + last.channelCount - 1),
    firstShowChannel: first.startShowChannel,
    lastShowChannel: last.startShowChannel + last.channelCount - 1,
  };
}

interface Ends {
  /** Index of the run that the first channel belongs to. */
  firstRun: number;
  start: string;
  end: string;
  firstShowChannel: number;
  lastShowChannel: number;
}
