import { z } from 'zod';
import { splitEvenly } from './split';

/** The most runs that a prop can be split into. */
export const MOST_RUNS = 500;

/**
 * The split of a prop into runs: a number of them, as even as cuts between strands allow; or the strands of each run, one
 * after another, as the builder wants them.
 */
export const runsSchema = z.union(
  [z.int().min(1).max(MOST_RUNS), z.array(z.int().min(1).max(10_000)).min(1).max(MOST_RUNS)],
  { error: `a number of runs from 1 to ${MOST_RUNS}, or a list of how many strands each run has` },
);
export type Runs = z.infer<typeof runsSchema>;

/** The number of runs asked for; a prop with fewer strands has fewer. */
export function wantedRuns(runs: Runs): number {
  return Array.isArray(runs) ? runs.length : runs;
}

/**
 * Index of the first strand of each run.
 *
 * @param lengths pixels per strand, in data order
 */
export function runStarts(lengths: readonly number[], runs: Runs): number[] {
  if (!Array.isArray(runs)) return splitEvenly(lengths, runs);
  const starts: number[] = [];
  let strand = 0;
  for (const strands of runs) {
    // Strands that were taken away leave runs without any; those that were added belong to the last run.
    if (strand < lengths.length) starts.push(strand);
    strand += strands;
  }
  return starts;
}

/** `3 runs`, or `3 runs of 4, 4 and 2 strands`. */
export function runsWords(runs: Runs): string {
  const count = wantedRuns(runs);
  const lead = count === 1 ? '1 run' : `${count} runs`;
  return Array.isArray(runs) && count > 1 ? `${lead} (${runs.join(' + ')} strands)` : lead;
}
