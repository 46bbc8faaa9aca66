import type { Planner } from '@/workers/planner';
import type { ShowStore } from './store';

/**
 * Keeps the plan of a store up to date: plans the latest show with the latest facts, one at a time; what was overtaken while one was
 * planned is left out. Returns a way to stop.
 */
export function keepPlanned(store: ShowStore, planner: Planner): () => void {
  let planning = false;
  let stopped = false;

  const plan = async () => {
    const { show, facts } = store.getState();
    // Word of progress may come after the plan itself: it travels another way.
    let underWay = true;
    try {
      const planned = await planner.plan(show, facts.all, (part) => {
        if (underWay && !stopped) store.setState({ planning: part });
      });
      if (!stopped) store.setState({ ...planned, planError: null, planning: null });
    } catch (error) {
      if (!stopped)
        store.setState({
          planError: `The show could not be planned: ${(error as Error).message}`,
          planning: null,
        });
    } finally {
      underWay = false;
    }
    const now = store.getState();
    return now.show === show && now.facts === facts;
  };

  const replan = async () => {
    if (planning) return;
    planning = true;
    // One that could not be planned does not stand in the way of the next.
    while (!stopped && !(await plan()));
    planning = false;
  };
  const unsubscribe = store.subscribe((state, before) => {
    if (state.show !== before.show || state.facts !== before.facts) void replan();
  });
  void replan();
  return () => {
    stopped = true;
    unsubscribe();
  };
}
