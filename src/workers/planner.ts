import { proxy, wrap } from 'comlink';
import type { Plan } from '@/core/plan/plan';
import type { Show } from '@/core/show/schema';
import type { PlanWorker } from './plan.worker';

/** Plans shows; `stop` ends whatever it runs on. */
export interface Planner {
  /** @param progress told how much is done, from 0 to 1 */
  plan: (show: Show, progress: (part: number) => void) => Promise<Plan>;
  stop: () => void;
}

/** A planner in a thread of its own, so that planning never holds up the interface. */
export function startPlanner(): Planner {
  const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
  const remote = wrap<PlanWorker>(worker);
  return {
    // The show is not sent back: the caller has it, and copying thousands of props takes longer than planning them.
    plan: async (show, progress) => ({ ...(await remote.plan(show, proxy(progress))), show }),
    stop: () => worker.terminate(),
  };
}
