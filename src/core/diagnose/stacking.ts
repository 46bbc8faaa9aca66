import { weigh, type Evidence } from './evidence';
import { UNKNOWN } from './perceive';
import type { Scope, Seen } from './scope';
import { SHARE_OF_COUNT } from './suspects';
import { View } from './view';
import { faultsOf, pictureOf, type Way } from './ways';
import { agreement } from './wireView';

/** A search, as far as more faults are laid on its ways. */
export interface Search {
  scope: Scope;
  evidence: readonly Evidence[];
  /** Ways with one fault at most, with their weights. */
  singles: readonly Way[];
  planned: View;
  viewOf: (faults: View['faults']) => View;
  anywhereOn: (view: View, prior: number) => Iterable<Way>;
}

/** Displays with something the matter to which more is added, where one thing does not explain all. */
export const BASES = 12;
export const TRIPLE_BASES = 5;
/** Faults with a fixed place that are added to each. */
const ADDED = 60;
/** Suspects that fall so far behind the likeliest are not followed to the end. */
const HOPELESS = 1e-4;
/** Ways with more than one fault that are kept. */
export const KEPT = 600;

/**
 * The ways that something is stacked on: those that come nearest to explaining all, and those that explain what the nearest leaves open.
 * Of faults at a place of a wire two of a kind stand for the others.
 */
function basesOf(evidence: readonly Evidence[], onto: readonly Way[], most: number): Way[] {
  const ordered = [...onto].sort((a, b) => b.weight - a.weight);
  const [nearest] = ordered;
  if (!nearest) return [];
  const bases: Way[] = [];
  const taken = new Map<string, number>();
  const take = (ways: readonly Way[], upTo: number) => {
    for (const way of ways) {
      if (bases.length >= upTo) return;
      if (bases.includes(way)) continue;
      if (way.anywhere) {
        const kind = `${JSON.stringify(way.view.faults)} ${way.anywhere.kind}`;
        const before = taken.get(kind) ?? 0;
        if (before >= 2) continue;
        taken.set(kind, before + 1);
      }
      bases.push(way);
    }
  };
  take(ordered, Math.ceil(most / 2));
  const open = evidence
    .map(({ trial, seen }) => {
      const picture = pictureOf(nearest, trial);
      const rest = onlyWhere(seen, (at) => picture[at] !== seen[at]);
      return { trial, rest, count: rest.reduce((sum, code) => sum + (code === UNKNOWN ? 0 : 1), 0) };
    })
    .filter(({ count }) => count > 0);
  const fills = (way: Way) =>
    open.reduce((sum, { trial, rest, count }) => {
      const said = agreement(pictureOf(way, trial), rest) - (rest.length - count);
      return sum + said / count;
    }, 0);
  // Pictures of faults at a place take longest: a few of them are looked at.
  const offered = [
    ...ordered.filter(({ anywhere }) => !anywhere),
    ...ordered.filter(({ anywhere }) => anywhere).slice(0, 80),
  ];
  take(
    offered
      .map((way) => ({ way, fills: fills(way) }))
      .filter((each) => each.fills > 0.2)
      .sort((a, b) => b.fills - a.fills || b.way.prior - a.way.prior)
      .map(({ way }) => way),
    most,
  );
  return bases;
}

/** Adds one fault more to the ways that come nearest to explaining what was seen. */
export function stacked(search: Search, onto: readonly Way[], faults: 2 | 3, most: number): Way[] {
  const { scope, evidence, singles, planned } = search;
  const isBase = (way: Way) => faultsOf(scope, way).length === faults - 1;
  const bases = basesOf(evidence, onto.filter(isBase), most);
  const fixed = singles
    .filter((way) => !way.anywhere && way.view !== planned)
    .sort((a, b) => b.weight - a.weight);
  const made = new Map<string, Way>();
  let bestYet = 0;
  const ratio = SHARE_OF_COUNT[faults] / SHARE_OF_COUNT[1];
  for (const base of bases) {
    const own = faultsOf(scope, base);
    const view = search.viewOf(own);
    const prior = (base.prior / (faults === 2 ? SHARE_OF_COUNT[1] : SHARE_OF_COUNT[2])) * ratio;
    const ways: Way[] = [...search.anywhereOn(view, prior * SHARE_OF_COUNT[1])];
    weigh(evidence, ways);
    let most = ways.reduce((max, { weight }) => Math.max(max, weight), bestYet);
    // A fault that changes nothing in the trials explains nothing.
    const changes = (way: Way) => evidence.some(({ trial }) => way.view.key(trial) !== planned.key(trial));
    let added = 0;
    for (const each of fixed) {
      const [fault] = each.view.faults;
      if (added >= ADDED) break;
      if (!changes(each) || own.some((one) => JSON.stringify(one) === JSON.stringify(fault))) continue;
      added += 1;
      const way: Way = {
        view: new View(scope, [...own, fault!], view),
        anywhere: null,
        place: 0,
        prior: (prior * each.prior) / SHARE_OF_COUNT[1],
        weight: 0,
      };
      weigh(evidence, [way], most * HOPELESS);
      most = Math.max(most, way.weight);
      ways.push(way);
    }
    bestYet = Math.max(bestYet, most);
    for (const way of ways.sort((a, b) => b.weight - a.weight).slice(0, KEPT / 4)) {
      if (way.weight === 0) continue;
      const key = faultsOf(scope, way)
        .map((fault) => JSON.stringify(fault))
        .sort()
        .join();
      const known = made.get(key);
      if (!known || known.weight < way.weight) made.set(key, way);
    }
  }
  return [...made.values()];
}

/** Somebody can name only a part of the picture: the rest is unknown. */
function onlyWhere(seen: Seen, isKnown: (at: number) => boolean): Seen {
  return seen.map((code, at) => (isKnown(at) ? code : UNKNOWN));
}
