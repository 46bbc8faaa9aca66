import { expose, transfer } from 'comlink';
import { PlanCache } from '@/core/plan/cache';
import { buffersOf } from '@/core/plan/pixelTable';
import { planShow } from '@/core/plan/plan';
import type { Show } from '@/core/show/schema';

const cache = new PlanCache();

const planner = {
  plan(show: Show, progress: (part: number) => void) {
    const { show: _, ...plan } = planShow(show, cache, progress);
    return transfer(plan, buffersOf(plan.pixels));
  },
};

export type PlanWorker = typeof planner;

expose(planner);
