import { proxy, wrap } from 'comlink';
import type { Finding } from '@/core/checks/check';
import type { Plan, PlannedProp } from '@/core/plan/planned';
import type { Fact } from '@/core/show/facts';
import type { Show } from '@/core/show/schema';
import type { PlanWorker } from './plan.worker';
import { unpackPlan } from './planMessage';
import { changesBetween } from './showChanges';

/** A plan and what is worth a look in it. */
export interface Planned {
  plan: Plan;
  findings: readonly Finding[];
}

/** Plans shows, one after another; `stop` ends whatever it runs on. */
export interface Planner {
  /**
   * @param facts what was noted on site
   * @param progress told how much is done, from 0 to 1
   */
  plan: (show: Show, facts: readonly Fact[], progress: (part: number) => void) => Promise<Planned>;
  stop: () => void;
}

/** A planner in a thread of its own, so that planning never holds up the interface. */
export function startPlanner(): Planner {
  const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
  const remote = wrap<PlanWorker>(worker);
  let sent: Show | null = null;
  let received: readonly PlannedProp[] = [];
  return {
    plan: async (show, facts, progress) => {
      const changes = changesBetween(sent, show);
      sent = show;
      const { message, findings } = await remote.plan(changes, facts, proxy(progress));
      const plan = unpackPlan(message, show, received);
      received = plan.props;
      return { plan, findings };
    },
    stop: () => worker.terminate(),
  };
}
