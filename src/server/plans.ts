import 'server-only';
import { PlanCache } from '@/core/plan/cache';
import { planShow, type Plan } from '@/core/plan/plan';
import type { Revision } from '@/core/show/revision';

const MOST_PLANS = 4;
const plans = new Map<string, { sequence: number; plan: Plan; cache: PlanCache }>();

/** The plan of a revision. The latest few shows keep theirs, since one screen asks several questions of a plan. */
export function planOf({ id, sequence, show }: Revision): Plan {
  const known = plans.get(id);
  plans.delete(id);
  const cache = known?.cache ?? new PlanCache();
  const plan = known?.sequence === sequence && known.plan.show === show ? known.plan : planShow(show, cache);
  plans.set(id, { sequence, plan, cache });
  const oldest = plans.keys().next().value;
  if (plans.size > MOST_PLANS && oldest !== undefined) plans.delete(oldest);
  return plan;
}
