/** Each of a few things changed: as many come out as went in. */
export function mapTuple<Of extends readonly unknown[], To>(
  tuple: Of,
  change: (item: Of[number], index: number) => To,
): { -readonly [Place in keyof Of]: To } {
  return tuple.map(change) as { -readonly [Place in keyof Of]: To };
}

/** @throws RangeError where there are more than two, or fewer */
export function pairOf<Item>(list: readonly Item[]): [Item, Item] {
  const [one, other] = list;
  if (one === undefined || other === undefined || list.length !== 2)
    throw new RangeError(`These are ${list.length}, where two belong together.`);
  return [one, other];
}
