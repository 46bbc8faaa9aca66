/** The keys of a record whose keys are known. */
export function keysOf<Key extends string>(record: Readonly<Record<Key, unknown>>): Key[] {
  return Object.keys(record) as Key[];
}

/** A record with a value for each of some keys. */
export function recordOf<Key extends string, Value>(
  keys: readonly Key[],
  valueOf: (key: Key) => Value,
): Record<Key, Value> {
  return Object.fromEntries(keys.map((key) => [key, valueOf(key)])) as Record<Key, Value>;
}
