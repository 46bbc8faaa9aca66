import type { LaidShow } from '../plan/planned';
import { itemAt, valueIn } from '../units/there';

/** Things that power ties together, by indices in the lists of the show. */
export interface PowerGroup {
  props: number[];
  controllers: number[];
  feeds: number[];
}

/**
 * The parts of a show that power ties together: by a lead that is tapped at several things, by a controller that passes on what feeds
 * it, by the pair of wires to a row of fuses. What only shares a supply is apart, since a supply holds its voltage whatever hangs on it;
 * but parts on several supplies that share one are not: current may go out by one part and come back by the other. What no lead goes to is
 * in none.
 */
export function powerGroups({ show }: LaidShow): PowerGroup[] {
  const parent = new Map<string, string>();
  const rootOf = (key: string): string => {
    let root = key;
    while (parent.get(root) !== root) root = valueIn(parent, root);
    return root;
  };
  const join = (one: string, other: string) => {
    for (const key of [one, other]) if (!parent.has(key)) parent.set(key, key);
    parent.set(rootOf(other), rootOf(one));
  };
  const rows = new Set(show.supplies.filter((supply) => supply.fuseRow).map(({ id }) => id));
  const endsOf = show.feeds.map(({ from, pieces }) => [
    ...pieces.map(({ to }) =>
      to.kind === 'controller' ? `controller ${to.controllerId}` : `prop ${to.propId}`,
    ),
    ...(from.kind === 'port' ? [`controller ${from.controllerId}`] : []),
    ...(from.kind === 'supply' && rows.has(from.supplyId) ? [`row of ${from.supplyId}`] : []),
  ]);
  for (const ends of endsOf) for (const end of ends) join(itemAt(ends, 0), end);

  // Supplies of each part so far; those of a part on several of them tie it to others that are on several.
  const suppliesOf = new Map<string, Set<string>>();
  show.feeds.forEach(({ from }, feed) => {
    if (from.kind !== 'supply') return;
    const root = rootOf(itemAt(itemAt(endsOf, feed), 0));
    suppliesOf.set(root, (suppliesOf.get(root) ?? new Set()).add(from.supplyId));
  });
  for (const [root, supplies] of suppliesOf)
    if (supplies.size > 1) for (const id of supplies) join(root, `grounds of ${id}`);

  const groups = new Map<string, PowerGroup>();
  const groupOf = (key: string): PowerGroup => {
    const root = rootOf(key);
    let group = groups.get(root);
    if (!group) groups.set(root, (group = { props: [], controllers: [], feeds: [] }));
    return group;
  };
  endsOf.forEach((ends, feed) => groupOf(itemAt(ends, 0)).feeds.push(feed));
  const gather = (list: 'props' | 'controllers', word: string) =>
    show[list].forEach(({ id }, index) => {
      const key = `${word} ${id}`;
      if (parent.has(key)) groupOf(key)[list].push(index);
    });
  gather('props', 'prop');
  gather('controllers', 'controller');
  return [...groups.values()];
}
