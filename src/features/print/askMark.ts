import { z } from 'zod';
import { refusalOf } from '../show/client';

const answerSchema = z.object({
  sheet: z.string(),
  name: z.string(),
  revision: z.number(),
  now: z.number(),
  isCurrent: z.boolean(),
  changes: z.array(z.string()),
});
export type MarkAnswer = z.infer<typeof answerSchema>;

/** Asks whether a sheet that was printed still holds. @throws Error with a sentence */
export async function askMark(showId: string, mark: string): Promise<MarkAnswer> {
  const response = await fetch(`/api/shows/${showId}/printed/${encodeURIComponent(mark.trim())}`);
  if (!response.ok) throw await refusalOf(response);
  return answerSchema.parse(await response.json());
}
