import type { z } from 'zod';
import { ShowError } from '../problem';
import type { Show } from '../schema';

/**
 * A named change to a show. `apply` writes into a draft of the show; whoever calls it hands in a copy (or an immer
 * draft), checks the result as a whole and keeps the original, so that a change is either complete or did not happen.
 */
export interface EditDefinition<Schema extends z.ZodType = z.ZodType> {
  schema: Schema;
  /** What the history calls it, in the builder's words. `show` is the show before the change. */
  label: (show: Show, edit: z.infer<Schema>) => string;
  apply: (draft: Show, edit: z.infer<Schema>) => void;
}

export function defineEdit<Schema extends z.ZodType>(
  definition: EditDefinition<Schema>,
): EditDefinition<Schema> {
  return definition;
}

/** The item with an id, or a sentence that it is not there. */
export function need<Item extends { id: string }>(items: Item[], id: string, what: string): Item {
  const item = items.find((each) => each.id === id);
  if (!item) throw new ShowError(`There is no ${what} “${id}” in this show any more.`);
  return item;
}

/** The name of an item for a label; its id if it is not there. */
export function nameOf(items: readonly { id: string; name: string }[], id: string): string {
  return items.find((each) => each.id === id)?.name ?? id;
}

export function insertAt<Item>(items: Item[], item: Item, index = items.length): void {
  items.splice(Math.min(Math.max(index, 0), items.length), 0, item);
}

/** Moves the item with an id to a place in the list, counted after it has been taken out. */
export function moveTo<Item extends { id: string }>(items: Item[], item: Item, index: number): void {
  items.splice(items.indexOf(item), 1);
  insertAt(items, item, index);
}
