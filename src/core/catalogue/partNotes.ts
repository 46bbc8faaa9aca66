import { z } from 'zod';

export const OUTCOMES = ['works', 'fails', 'odd'] as const;
export type Outcome = (typeof OUTCOMES)[number];

export const OUTCOME_WORDS: Record<Outcome, string> = {
  works: 'works',
  fails: 'failed',
  odd: 'to know',
};

/** Experience with a part, good or bad: shown wherever the part is used. */
const partNoteSchema = z.strictObject({
  outcome: z.enum(OUTCOMES),
  text: z.string().min(1).max(300),
  who: z.string().max(80).optional(),
  when: z.iso.date().optional(),
});
export type PartNote = z.infer<typeof partNoteSchema>;

export const partNotesSchema = z.array(partNoteSchema).max(50).optional();
