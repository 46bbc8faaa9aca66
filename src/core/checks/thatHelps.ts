import { PlanCache } from '../plan/cache';
import { layShow } from '../plan/plan';
import type { LaidShow, Plan } from '../plan/planned';
import { applyEdit } from '../show/edits/registry';
import type { Mend } from './check';

/** So many problems of one check have ways out that are tried: each lays the show anew. The next ones have theirs once these are mended. */
export const MOST_TRIED = 12;

/** Findings of one plan try their mends on the same geometry. */
const caches = new WeakMap<Plan, PlanCache>();

/**
 * The first of some mends that does away with what it is for, tried on the show: what cannot be told from the plan as it is. None
 * where no mend does.
 */
export function thatHelps(plan: Plan, mends: Iterable<Mend>, isGone: (after: LaidShow) => boolean): Mend[] {
  let cache = caches.get(plan);
  if (!cache) caches.set(plan, (cache = new PlanCache()));
  for (const mend of mends) if (isGone(layShow(applyEdit(plan.show, mend.edit), cache))) return [mend];
  return [];
}
