import { z } from 'zod';
import { FAULT_KINDS, priorOf, type Fault } from '../rig/faults/registry';
import type { Facts, Note } from '../show/facts';
import type { Raise } from './raised';

/** Frequencies in words, with the weight of each. */
export const OFTEN = [
  { words: 'often', weight: 8 },
  { words: 'now and then', weight: 4 },
  { words: 'seldom', weight: 1.5 },
  { words: 'rarely', weight: 0.5 },
  { words: 'never here', weight: 0.02 },
] as const;

const FIELD = 'priors';
const schema = z.record(z.string(), z.number().min(0.001).max(100));

/** Weights that were set for this show in place of the usual ones; what is no kind of fault is left out. */
export function notedPriors(facts: Facts): ReadonlyMap<Fault['kind'], number> {
  const read = schema.safeParse(facts.ofKind('decision').findLast(({ field }) => field === FIELD)?.value);
  const kinds = new Set<string>(FAULT_KINDS.map(({ kind }) => kind));
  return new Map(
    Object.entries(read.data ?? {}).filter(([kind]) => kinds.has(kind)) as [Fault['kind'], number][],
  );
}

/** The same with another weight for one kind; the usual one takes it out. */
export function priorsNote(facts: Facts, showId: string, kind: Fault['kind'], weight: number): Note {
  const next = new Map(notedPriors(facts));
  if (weight === priorOf(kind).weight) next.delete(kind);
  else next.set(kind, weight);
  return {
    kind: 'decision',
    list: 'show',
    recordId: showId,
    field: FIELD,
    value: next.size === 0 ? null : Object.fromEntries(next),
  };
}

/** Frequencies set for this show, as factors on the usual ones. */
export function priorRaises(facts: Facts): Raise[] {
  return [...notedPriors(facts)].map(([kind, weight]) => ({
    kind,
    factor: weight / priorOf(kind).weight,
    why: 'how often things are the matter was set for this show',
  }));
}
