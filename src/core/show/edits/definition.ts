import type { z } from 'zod';
import type { ShowDraft } from '../draft';
import type { Show } from '../schema';

/**
 * A named change to a show. `apply` writes into a draft; whoever calls it checks the result as a whole and keeps the show before,
 * so that a change is either complete or did not happen.
 */
export interface EditDefinition<Schema extends z.ZodType = z.ZodType> {
  schema: Schema;
  /** Its name in the history, in the builder's words. `show` is the show before the change. */
  label: (show: Show, edit: z.infer<Schema>) => string;
  /** @throws ShowError when the edit does not fit the show */
  apply: (draft: ShowDraft, edit: z.infer<Schema>) => void;
}

export function defineEdit<Schema extends z.ZodType>(
  definition: EditDefinition<Schema>,
): EditDefinition<Schema> {
  return definition;
}

/** The name of an item for a label; its id if it is not there. */
export function nameOf(items: readonly { id: string; name: string }[], id: string): string {
  return items.find((each) => each.id === id)?.name ?? id;
}

/** Up to three names, and how many more. */
export function namesOf(items: readonly { name: string }[]): string {
  const named = items
    .slice(0, 3)
    .map((item) => item.name)
    .join(', ');
  return items.length > 3 ? `${named} and ${items.length - 3} more` : named;
}

/** Fields of an edit as they are set: null, where it means that nothing is said any more, takes the field away. */
export function saidOf<Change extends object>(
  change: Change,
  nullMeansGone: (field: string) => boolean = () => true,
): { [Field in keyof Change]: Exclude<Change[Field], null> } {
  return Object.fromEntries(
    Object.entries(change).map(([field, value]) => [
      field,
      value === null && nullMeansGone(field) ? undefined : value,
    ]),
  ) as { [Field in keyof Change]: Exclude<Change[Field], null> };
}
