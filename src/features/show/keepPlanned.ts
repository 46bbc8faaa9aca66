import { same } from '@/core/fields/json';
import { messageOf } from '@/core/units/messageOf';
import type { Planner } from '@/workers/plan/planner';
import type { ShowStore } from './showState';

/**
 * Keeps the plan of a store up to date, and what follows from it: plans the latest show, one at a time, where what was overtaken while
 * one was planned is left out; then looks for what is worth a look in it, which holds up no plan. Returns a way to stop.
 */
export function keepPlanned(store: ShowStore, planner: Pick<Planner, 'plan' | 'findings'>): () => void {
  let planning = false;
  let stopped = false;

  const failed = (error: unknown) => {
    if (!stopped)
      store.setState({
        planError: `The show could not be planned: ${messageOf(error)}`,
        planning: null,
      });
  };

  const find = async () => {
    const { plan, facts } = store.getState();
    if (!plan) return;
    try {
      const findings = await planner.findings(plan.show, facts.all);
      const now = store.getState();
      if (!findings || stopped || now.plan !== plan || now.facts !== facts) return;
      // Most edits leave them as they were, and then nothing is drawn anew.
      if (!same(findings, now.findings)) store.setState({ findings });
    } catch (error) {
      failed(error);
    }
  };

  const plan = async () => {
    const { show } = store.getState();
    // Word of progress may come after the plan itself: it travels another way.
    let underWay = true;
    try {
      const planned = await planner.plan(show, (part) => {
        if (underWay && !stopped) store.setState({ planning: part });
      });
      if (!stopped) store.setState({ plan: planned, planError: null, planning: null });
    } catch (error) {
      failed(error);
    } finally {
      underWay = false;
    }
    return store.getState().show === show;
  };

  const replan = async () => {
    if (planning) return;
    planning = true;
    // One that could not be planned does not stand in the way of the next.
    while (!stopped && !(await plan()));
    planning = false;
  };
  const unsubscribe = store.subscribe((state, before) => {
    if (state.plan !== before.plan || state.facts !== before.facts) void find();
    if (state.show !== before.show) void replan();
  });
  void replan();
  return () => {
    stopped = true;
    unsubscribe();
  };
}
