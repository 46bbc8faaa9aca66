import { expose, transfer } from 'comlink';
import { findingsOf } from '@/core/checks/registry';
import { PlanCache } from '@/core/plan/cache';
import { planShow } from '@/core/plan/plan';
import type { PlannedProp } from '@/core/plan/planned';
import { Facts, type Fact } from '@/core/show/facts';
import type { Show } from '@/core/show/schema';
import { buffersOfMessage, packPlan } from './planMessage';
import { withChanges, type ShowChanges } from './showChanges';

const cache = new PlanCache();
let latest: Show | null = null;
let sent: readonly PlannedProp[] = [];

const planner = {
  /**
   * @param changes what makes the show from the one of the call before
   * @param facts what was noted on site
   */
  plan(changes: ShowChanges, facts: readonly Fact[], progress: (part: number) => void) {
    latest = withChanges(latest, changes);
    const plan = planShow(latest, cache, progress);
    const findings = findingsOf(plan, new Facts(facts));
    const message = packPlan(plan, sent);
    sent = plan.props;
    return transfer({ message, findings }, buffersOfMessage(message));
  },
};

export type PlanWorker = typeof planner;

expose(planner);
