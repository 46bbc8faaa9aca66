import { z } from 'zod';

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
  const body: unknown = await response.json();
  if (!response.ok) throw new Error((body as { error?: string }).error ?? 'That could not be looked up.');
  return answerSchema.parse(body);
}
