import { z } from 'zod';
import { ShowDraft } from '../draft';
import { problemsAcross } from '../integrity';
import { ShowError } from '../../fields/problem';
import { zodProblems } from '../../fields/zodProblems';
import { LISTS } from '../records';
import { MOST_RECORDS, showSchema, type Show } from '../schema';
import * as controllerTypes from './controllerTypes';
import * as controllers from './controllers';
import * as devices from './devices';
import type { EditDefinition } from './definition';
import * as joints from './joints';
import * as papers from './papers';
import * as patch from './patch';
import * as pixelTypes from './pixelTypes';
import * as places from './places';
import * as power from './power';
import * as props from './props';
import * as wholeShow from './show';

const definitions = {
  ...wholeShow,
  ...places,
  ...pixelTypes,
  ...props,
  ...controllers,
  ...controllerTypes,
  ...devices,
  ...patch,
  ...joints,
  ...papers,
  ...power.edits,
};

type Definitions = typeof definitions;
export type SingleEdit = {
  [Name in keyof Definitions]: z.infer<Definitions[Name]['schema']>;
}[keyof Definitions];

/** Several edits that belong together: one entry in the history, one undo. */
interface EditBatch {
  type: 'batch';
  label: string;
  edits: SingleEdit[];
}
export type Edit = SingleEdit | EditBatch;

const schemas = Object.values(definitions).map((definition) => definition.schema);
const singleEditSchema = z.discriminatedUnion('type', schemas as unknown as [z.core.$ZodTypeDiscriminable]);

const editSchema = z.discriminatedUnion('type', [
  singleEditSchema,
  z.strictObject({
    type: z.literal('batch'),
    label: z.string().min(1).max(200),
    edits: z.array(singleEditSchema).min(1).max(10_000),
  }),
]) as unknown as z.ZodType<Edit>;

/** Reads an edit from outside. @throws ShowError with a sentence for each thing that is wrong */
export function readEdit(input: unknown): Edit {
  const parsed = editSchema.safeParse(input);
  if (!parsed.success) throw new ShowError(zodProblems(parsed.error, input));
  return parsed.data;
}

function definitionOf(edit: SingleEdit): EditDefinition {
  return definitions[edit.type] as unknown as EditDefinition;
}

/** The name of an edit in the history of this show. */
export function labelOf(show: Show, edit: Edit): string {
  return edit.type === 'batch' ? edit.label : definitionOf(edit).label(show, edit);
}

/**
 * The show after an edit. The given show stays as it is, and what the edit leaves alone is the same object in both; an edit that
 * changes nothing gives the very show back.
 *
 * @param before a sound show
 * @throws ShowError when the edit does not fit the show, or the show would not be sound with it
 */
export function applyEdit(before: Show, edit: Edit): Show {
  const draft = new ShowDraft(before);
  if (edit.type === 'batch') for (const single of edit.edits) definitionOf(single).apply(draft, single);
  else definitionOf(edit).apply(draft, edit);
  if (draft.show === before) return before;
  assertSound(draft.show, before);
  return draft.show;
}

/**
 * Checks a show after an edit.
 *
 * @param before the show before the edit, which was sound: what both hold as the very same object is not read again, so that
 *   a change to one prop among thousands costs one prop. What spans several parts is checked across the whole show.
 * @throws ShowError with the sentences
 */
export function assertSound(show: Show, before: Show): void {
  const fits = LISTS.every((list) => show[list].length <= MOST_RECORDS[list]);
  const read = fits && showSchema.safeParse(changedParts(show, before)).success;
  // Only the whole show knows the places of what is wrong.
  const whole = read ? null : showSchema.safeParse(show);
  const problems = whole?.error ? zodProblems(whole.error, show) : problemsAcross(show);
  if (problems.length > 0) throw new ShowError(problems);
}

/** The show with only those items in its lists that `before` does not hold. */
function changedParts(show: Show, before: Show): Record<string, unknown> {
  const known: Record<string, unknown> = { ...before };
  return Object.fromEntries(
    Object.entries(show).map(([name, part]: [string, unknown]) => {
      const earlier = known[name];
      if (!Array.isArray(part) || !Array.isArray(earlier)) return [name, part];
      const same = new Set<unknown>(earlier);
      return [name, part.filter((item) => !same.has(item))];
    }),
  );
}
