'use client';

import { notifications } from '@mantine/notifications';
import { createContext, useContext, useEffect, useState, type ReactNode } from 'react';
import { useStore } from 'zustand';
import type { Plan } from '@/core/plan/plan';
import type { Prop } from '@/core/props/registry';
import { ShowError } from '@/core/show/problem';
import type { Edit } from '@/core/show/edits/registry';
import type { Revision } from '@/core/show/revision';
import { startPlanner } from '@/workers/planner';
import { httpClient } from './client';
import { foresightOf, useForesight } from './foresight';
import { createShowStore, keepPlanned, type ShowState, type ShowStore } from './store';

const ShowContext = createContext<ShowStore | null>(null);

/** Opens a show for the parts of the interface below it. Give it the show's id as key: one provider opens one show. */
export function ShowProvider({ initial, children }: { initial: Revision; children: ReactNode }) {
  const [store] = useState(() => createShowStore(initial, { client: httpClient, notify }));

  useEffect(() => {
    const planner = startPlanner();
    const stopPlanning = keepPlanned(store, planner);
    const events = new EventSource(`/api/shows/${store.getState().revision.id}/events`);
    events.onmessage = ({ data }: MessageEvent<string>) =>
      void store.getState().heard((JSON.parse(data) as { sequence: number }).sequence);
    events.addEventListener('removed', () => void store.getState().heard(null));
    const beforeUnload = (event: BeforeUnloadEvent) => {
      if (store.getState().waiting.length > 0) event.preventDefault();
    };
    window.addEventListener('beforeunload', beforeUnload);
    return () => {
      window.removeEventListener('beforeunload', beforeUnload);
      events.close();
      stopPlanning();
      planner.stop();
    };
  }, [store]);

  return <ShowContext value={store}>{children}</ShowContext>;
}

/** For tests and for parts that bring a store of their own. */
export const ShowStoreProvider = ShowContext.Provider;

export function notify(message: string): void {
  notifications.show({ message, autoClose: 4000 });
}

export function useShowStore(): ShowStore {
  const store = useContext(ShowContext);
  if (!store) throw new Error('This part of the interface needs an open show around it.');
  return store;
}

export function useShow<Part>(select: (state: ShowState) => Part): Part {
  return useStore(useShowStore(), select);
}

/**
 * A prop as it is edited, which may be ahead of the plan. What an edit starts from must come from here: two changes in quick
 * succession would otherwise both start from the plan, and the second undo the first.
 */
export function useLatestProp(plan: Plan, index: number): Prop {
  const planned = plan.show.props[index]!;
  return useShow((state) => state.show.props.find((each) => each.id === planned.id)) ?? planned;
}

function told<Result>(work: () => Result): Result | false {
  try {
    return work();
  } catch (error) {
    if (!(error instanceof ShowError)) throw error;
    notifications.show({ message: error.message, color: 'red', autoClose: 8000 });
    return false;
  }
}

/** Changes the show without asking, whatever it moves. */
export function useEditAtOnce(): (edit: Edit) => boolean {
  const store = useShowStore();
  return (edit) =>
    told(() => {
      store.getState().edit(edit);
      return true;
    });
}

/**
 * Changes the show; what cannot be done is told in its sentence, and the answer says whether it was done. Where addresses are in
 * use, a change that moves some is shown first, and made when that is answered.
 */
export function useEdit(): (edit: Edit) => boolean {
  const store = useShowStore();
  return (edit) =>
    told(() => {
      const choices = foresightOf(store.getState().show, edit);
      if (choices) useForesight.getState().ask(choices);
      else store.getState().edit(edit);
      return true;
    });
}
