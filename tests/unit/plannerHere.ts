import { findingsOf } from '@/core/checks/registry';
import { PlanCache } from '@/core/plan/cache';
import { planShow } from '@/core/plan/plan';
import { Facts } from '@/core/show/facts';
import type { Planner } from '@/workers/plan/planner';
import { answer } from '@/workers/plan/questions';

/** A planner without a thread of its own. */
export function plannerHere(): Planner {
  const cache = new PlanCache();
  return {
    plan: async (show) => planShow(show, cache),
    findings: async (show, facts) => findingsOf(planShow(show, cache), new Facts(facts)),
    ask: async (name, show, asked, { edited, progress = () => {} } = {}) =>
      answer(
        name,
        {
          plan: planShow(show, cache),
          edited: edited ? planShow(edited, cache) : null,
          whole: () => planShow(show, cache),
          cache,
          progress,
        },
        asked,
      ),
    stop: () => {},
  };
}
