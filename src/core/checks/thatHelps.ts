import { PlanCache } from '../plan/cache';
import { layShow } from '../plan/plan';
import type { LaidShow, Plan } from '../plan/planned';
import { applyEdit } from '../show/edits/registry';
import type { Mend } from './check';

/** Findings of one plan try their mends on the same geometry. */
const caches = new WeakMap<Plan, PlanCache>();

/**
 * The first of some mends that does away with what it is for, tried on the show: what cannot be told from the plan as it is. None
 * where no mend does.
 */
export function thatHelps(plan: Plan, mends: readonly Mend[], isGone: (after: LaidShow) => boolean): Mend[] {
  let cache = caches.get(plan);
  if (!cache) caches.set(plan, (cache = new PlanCache()));
  const found = mends.find((mend) => isGone(layShow(applyEdit(plan.show, mend.edit), cache)));
  return found ? [found] : [];
}
