'use client';

import { notifications } from '@mantine/notifications';
import { createContext, useContext, useEffect, useState, type ReactNode } from 'react';
import { useStore } from 'zustand';
import type { Plan } from '@/core/plan/planned';
import type { Prop } from '@/core/props/registry';
import { ShowError } from '@/core/fields/problem';
import type { Edit } from '@/core/show/edits/registry';
import type { Note } from '@/core/show/facts';
import { watchShow } from '@/workers/events/watch';
import { startPlanner } from '@/workers/planner';
import { httpClient } from './client';
import { foresightOf, useForesight } from './foresight';
import { keepPlanned } from './keepPlanned';
import { OpeningShow, ShowProblem } from './OpeningShow';
import { createShowStore, type ShowState, type ShowStore } from './store';
import { windowId } from './windowId';

const ShowContext = createContext<ShowStore | null>(null);

/** Opens a show for the parts of the interface below it. Give it the show's id as key: one provider opens one show. */
export function ShowProvider({ id, children }: { id: string; children: ReactNode }) {
  const [store, setStore] = useState<ShowStore | null>(null);
  const [problem, setProblem] = useState<string | null>(null);

  useEffect(() => {
    const window = windowId();
    const client = httpClient(window);
    let left = false;
    client.open(id).then(
      (opened) => left || setStore(createShowStore(opened, { client, notify, window })),
      (error: Error) => left || setProblem(error.message),
    );
    return () => {
      left = true;
    };
  }, [id]);

  if (problem !== null) return <ShowProblem message={problem} />;
  if (!store) return <OpeningShow />;
  return <OpenShow store={store}>{children}</OpenShow>;
}

function OpenShow({ store, children }: { store: ShowStore; children: ReactNode }) {
  useEffect(() => {
    const planner = startPlanner();
    const stopPlanning = keepPlanned(store, planner);
    const stopWatching = watchShow(
      store.getState().id,
      windowId(),
      (message) => void store.getState().heard(message),
    );
    const beforeUnload = (event: BeforeUnloadEvent) => {
      if (store.getState().waiting.length > 0) event.preventDefault();
    };
    window.addEventListener('beforeunload', beforeUnload);
    return () => {
      window.removeEventListener('beforeunload', beforeUnload);
      stopWatching();
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

function told(work: () => void): boolean {
  try {
    work();
    return true;
  } catch (error) {
    if (!(error instanceof ShowError)) throw error;
    notifications.show({ message: error.message, color: 'red', autoClose: 8000 });
    return false;
  }
}

/** Answers false where a change cannot be done. True is no word that it is done, as it may wait for an answer: `made` is called then. */
type MakeEdit = (edit: Edit, made?: () => void) => boolean;

/** Changes the show without asking, whatever it moves. */
export function useEditAtOnce(): MakeEdit {
  const store = useShowStore();
  return (edit, made) =>
    told(() => {
      store.getState().edit(edit);
      made?.();
    });
}

/**
 * Changes the show; what cannot be done is told in its sentence. Where addresses are in use, a change that moves some is shown first,
 * and made when that is answered: what is to follow goes into `made`, which is called only then.
 */
export function useEdit(): MakeEdit {
  const store = useShowStore();
  return (edit, made) =>
    told(() => {
      const choices = foresightOf(store.getState().show, edit);
      if (choices) return useForesight.getState().ask(choices, () => made?.());
      store.getState().edit(edit);
      made?.();
    });
}

/** Notes what was seen or done on site. */
export function useNote(): (...notes: Note[]) => void {
  const store = useShowStore();
  return (...notes) => store.getState().note(notes);
}
