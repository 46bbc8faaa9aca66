import { z } from 'zod';
import { showSchema } from './schema';

/** A show as it stands after one of its changes; what the server answers and the interface works on. */
export const revisionSchema = z.object({
  id: z.string(),
  /** Number of the latest change; 0 for a show as it was imported. */
  sequence: z.int().min(0),
  show: showSchema,
  /** What the next undo would take back, and the next redo bring again; null when there is nothing. */
  undoLabel: z.string().nullable(),
  redoLabel: z.string().nullable(),
});
export type Revision = z.infer<typeof revisionSchema>;

/**
 * The short answer to an edit: who made it on the very revision that the server had needs no copy of the show, which is the same on
 * both sides.
 */
export const confirmationSchema = revisionSchema.omit({ show: true });
export type Confirmation = z.infer<typeof confirmationSchema>;

export const historyEntrySchema = z.object({
  sequence: z.int(),
  kind: z.enum(['edit', 'undo', 'redo']),
  label: z.string(),
  madeAt: z.string(),
});
export type HistoryEntry = z.infer<typeof historyEntrySchema>;

/** The answer to a change that was made to an older revision: the current one, and what it missed. */
export const staleAnswerSchema = z.object({
  error: z.string(),
  current: revisionSchema,
  missed: z.array(historyEntrySchema),
});

export const refusalSchema = z.object({
  error: z.string(),
  problems: z.array(z.object({ path: z.string(), message: z.string() })),
});

export const showSummarySchema = z.object({
  id: z.string(),
  name: z.string(),
  sequence: z.int(),
  changedAt: z.string(),
});
export type ShowSummary = z.infer<typeof showSummarySchema>;
