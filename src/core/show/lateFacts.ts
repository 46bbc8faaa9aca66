import { z } from 'zod';
import { same } from '../fields/json';
import { factSchema, subjectOf, type Fact } from './facts';

/** A note that was made while the server was not heard, and what was noted otherwise about the same meanwhile. */
const factClashSchema = z.object({ mine: factSchema, theirs: factSchema });
export type FactClash = z.infer<typeof factClashSchema>;

/** The answer to notes that came late and meet others. */
export const factClashAnswerSchema = z.object({ error: z.string(), notes: z.array(factClashSchema).min(1) });

/** The account that a client gives of itself when it sends notes late. */
export const lateSchema = z.strictObject({
  /** For each fact that is sent, how many facts of the show it had heard of when it was made; null for one that is not late. */
  heardOf: z.array(z.int().min(0).nullable()),
  /** Ids of facts that it noted itself since, which are no surprise to it. */
  own: z.array(z.string().max(100)).max(20_000),
});
export type Late = z.infer<typeof lateSchema>;

/** The answer to notes that were taken: how many of them were new, and how many facts the show has now. */
export const notedSchema = z.object({ added: z.int(), noted: z.int() });
export type Noted = z.infer<typeof notedSchema>;

/** From which fact on the maker of late ones may have missed some; null where none is late. */
export function firstMissed({ heardOf }: Late): number | null {
  const counts = heardOf.filter((count) => count !== null);
  return counts.length === 0 ? null : Math.min(...counts);
}

/**
 * Clashes between notes that come late and those made meanwhile: of each thing the last word of either side. That both say the
 * same is no clash, however often each changed its mind.
 *
 * @param facts as they are sent, oldest first, with what their maker says of each in `late`
 * @param missed what is kept from `firstMissed` on, oldest first
 */
export function clashesOf(facts: readonly Fact[], late: Late, missed: readonly Fact[]): FactClash[] {
  const first = firstMissed(late);
  if (first === null) return [];
  const subjects = missed.map(subjectOf);
  const own = new Set([...late.own, ...facts.map(({ id }) => id)]);
  const latest = new Map(
    facts.map((fact, i) => [subjectOf(fact), { fact, heardOf: late.heardOf[i] ?? null }]),
  );
  return [...latest].flatMap(([subject, { fact: mine, heardOf }]) => {
    if (heardOf === null) return [];
    const theirs = missed.findLast(
      (each, i) => first + i >= heardOf && !own.has(each.id) && subjects[i] === subject,
    );
    return theirs && !same(theirs.value, mine.value) ? [{ mine, theirs }] : [];
  });
}
