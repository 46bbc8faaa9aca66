import { z } from 'zod';
import { showChangeSchema } from './changes';
import { factSchema } from './facts';
import { idSchema } from '../fields/fields';

/** `undo` takes back an `edit`, and `redo` brings it again; `upgrade` is the program's own, to a newer version of the show file. */
export const CHANGE_KINDS = ['edit', 'undo', 'redo', 'upgrade'] as const;

/** A change of a show as it is kept and sent. */
const madeChangeSchema = z.object({
  /** Changes are numbered from 1; 0 is the show as it was imported. */
  sequence: z.int().min(1),
  /** Made by whoever made the change, so that it is recognised when it is sent twice. */
  id: idSchema,
  kind: z.enum(CHANGE_KINDS),
  label: z.string(),
  /** The window in which it was made; null for callers over HTTP that have none. */
  window: idSchema.nullable(),
  change: showChangeSchema,
});
export type MadeChange = z.infer<typeof madeChangeSchema>;

/** A change that can be taken back or brought again. */
const stepSchema = z.object({ id: idSchema, label: z.string() });
export type Step = z.infer<typeof stepSchema>;

/** Changes that a window can undo and redo, the next one first. */
const stepsSchema = z.object({ undo: z.array(stepSchema), redo: z.array(stepSchema) });
export type Steps = z.infer<typeof stepsSchema>;

/** A show as it is opened: a copy of some time ago, and the changes since. */
export interface OpenedShow {
  id: string;
  sequence: number;
  steps: Steps;
  /** The change that the copy shows. The copy itself was checked when it was kept. */
  copyOf: number;
  show: unknown;
  changes: MadeChange[];
  facts: z.infer<typeof factSchema>[];
  /** Number of facts, with those that do not count any more. */
  noted: number;
}

/** The answer to a change: all that the one who made it has not got yet, its own as the last. */
export const confirmationSchema = z.object({
  sequence: z.int().min(0),
  steps: stepsSchema,
  changes: z.array(madeChangeSchema),
});
export type Confirmation = z.infer<typeof confirmationSchema>;

export const historyEntrySchema = z.object({
  sequence: z.int(),
  id: z.string(),
  kind: z.enum(CHANGE_KINDS),
  label: z.string(),
  window: z.string().nullable(),
  madeAt: z.string(),
});
export type HistoryEntry = z.infer<typeof historyEntrySchema>;

/** A record that was changed elsewhere in the meantime, and both values. */
const clashSchema = z.object({
  list: z.string(),
  id: z.string(),
  /** Name of the record, and the field where it is one; both values in words. */
  name: z.string(),
  field: z.string().nullable(),
  mine: z.string(),
  theirs: z.string(),
  /** The name of the other change in the history; null where that is not one alone. */
  change: z.string().nullable(),
});
export type Clash = z.infer<typeof clashSchema>;

/** The answer to a change that meets what was changed elsewhere, and where they meet. */
export const clashAnswerSchema = z.object({ error: z.string(), clash: clashSchema });

export const refusalSchema = z.object({
  error: z.string(),
  problems: z.array(z.object({ path: z.string(), message: z.string() })),
});

/** A show in the list of those that are kept. */
export interface ShowSummary {
  id: string;
  name: string;
  sequence: number;
  changedAt: string;
}
