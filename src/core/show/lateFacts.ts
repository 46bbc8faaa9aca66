import { z } from 'zod';
import { same } from '../fields/json';
import { factSchema, subjectOf, type Fact } from './facts';

/** A note that was made while the server was not heard, and what was noted otherwise about the same meanwhile. */
export const factClashSchema = z.object({ mine: factSchema, theirs: factSchema });
export type FactClash = z.infer<typeof factClashSchema>;

/** The answer to notes that came late and meet others. */
export const factClashAnswerSchema = z.object({ error: z.string(), notes: z.array(factClashSchema).min(1) });

/** What a client that sends notes late says of itself. */
export const lateSchema = z.strictObject({
  /** How many facts of the show it had heard of when the first of them was made. */
  heardOf: z.int().min(0),
  /** Ids of facts that it noted itself since, which are no surprise to it. */
  own: z.array(z.string().max(100)).max(20_000),
});
export type Late = z.infer<typeof lateSchema>;

/** The answer to notes that were taken: how many of them were new, and how many facts the show has now. */
export const notedSchema = z.object({ added: z.int(), noted: z.int() });
export type Noted = z.infer<typeof notedSchema>;

/**
 * Where notes that come late say something else than what was noted meanwhile: of each thing the last word of either side. That both say the
 * same is no clash, however often each changed its mind.
 *
 * @param late oldest first
 * @param meanwhile what the maker of the late ones has not heard of, oldest first
 * @param own ids of facts that are the maker's own
 */
export function clashesOf(
  late: readonly Fact[],
  meanwhile: readonly Fact[],
  own: ReadonlySet<string>,
): FactClash[] {
  const latest = (facts: readonly Fact[]) => new Map(facts.map((fact) => [subjectOf(fact), fact]));
  const theirs = latest(meanwhile.filter(({ id }) => !own.has(id)));
  return [...latest(late)].flatMap(([subject, mine]) => {
    const other = theirs.get(subject);
    return other && !same(other.value, mine.value) ? [{ mine, theirs: other }] : [];
  });
}
