import { expose, transfer } from 'comlink';
import { findingsOf } from '@/core/checks/registry';
import { PlanCache } from '@/core/plan/cache';
import { buffersOf } from '@/core/plan/pixelTable';
import { planShow } from '@/core/plan/plan';
import type { Show } from '@/core/show/schema';
import { withChanges, type ShowChanges } from './showChanges';

const cache = new PlanCache();
let latest: Show | null = null;

const planner = {
  /** @param changes what makes the show from the one of the call before */
  plan(changes: ShowChanges, progress: (part: number) => void) {
    latest = withChanges(latest, changes);
    const whole = planShow(latest, cache, progress);
    const findings = findingsOf(whole);
    // The show is not sent back: the caller has it.
    const { show: _, ...plan } = whole;
    return transfer({ plan, findings }, buffersOf(plan.pixels));
  },
};

export type PlanWorker = typeof planner;

expose(planner);
