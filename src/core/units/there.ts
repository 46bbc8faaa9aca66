/**
 * Reads of things that must be there, by place, id or key. Each throws a sentence where it is not, so that a wrong index ends where it is made rather
 * than as a lost number further on. Loops over typed arrays read them directly.
 */

/** @throws RangeError where nothing is at that place */
export function itemAt<Item>(list: readonly Item[], index: number): Item {
  const item = list[index];
  if (item === undefined) throw new RangeError(`There is nothing at ${index} of ${list.length}.`);
  return item;
}

/** @throws RangeError where the list is empty */
export function lastOf<Item>(list: readonly Item[]): Item {
  return itemAt(list, list.length - 1);
}

/** @throws RangeError where nothing has that id */
export function byId<Item extends { id: string }>(list: readonly Item[], id: string): Item {
  const item = list.find((each) => each.id === id);
  if (item === undefined) throw new RangeError(`There is nothing with the id ${id} among ${list.length}.`);
  return item;
}

/** @throws RangeError where nothing is kept under that key */
export function valueIn<Key, Value>(map: ReadonlyMap<Key, Value>, key: Key): Value {
  const value = map.get(key);
  if (value === undefined) throw new RangeError(`There is nothing under ${String(key)}.`);
  return value;
}
