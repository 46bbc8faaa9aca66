import { wrap } from 'comlink';
import type { Plan } from '@/core/plan/plan';
import type { Show } from '@/core/show/schema';
import type { PlanWorker } from './plan.worker';

/** Plans shows; `stop` ends whatever it runs on. */
export interface Planner {
  plan: (show: Show) => Promise<Plan>;
  stop: () => void;
}

/** A planner in a thread of its own, so that planning never holds up the interface. */
export function startPlanner(): Planner {
  const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
  const remote = wrap<PlanWorker>(worker);
  return {
    plan: (show) => remote.plan(show) as unknown as Promise<Plan>,
    stop: () => worker.terminate(),
  };
}
