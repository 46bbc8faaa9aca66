import { PlanCache } from '@/core/plan/cache';
import { planShow } from '@/core/plan/plan';
import type { Plan } from '@/core/plan/planned';
import type { Show } from '@/core/show/schema';

const MOST_PLANS = 2;

/** The plans that were asked for last. */
export class Plans {
  private readonly plans = new Map<string, { sequence: number; plan: Plan; cache: PlanCache }>();

  of(showId: string, sequence: number, show: Show, progress: (part: number) => void): Plan {
    const known = this.plans.get(showId);
    this.plans.delete(showId);
    const cache = known?.cache ?? new PlanCache();
    const plan = known?.sequence === sequence ? known.plan : planShow(show, cache, progress);
    this.plans.set(showId, { sequence, plan, cache });
    const oldest = this.plans.keys().next().value;
    if (this.plans.size > MOST_PLANS && oldest !== undefined) this.plans.delete(oldest);
    return plan;
  }
}
