'use client';

import { notifications } from '@mantine/notifications';
import { createContext, useCallback, useContext, useEffect, useRef, useState, type ReactNode } from 'react';
import { useStore } from 'zustand';
import type { Plan } from '@/core/plan/planned';
import type { Prop } from '@/core/props/registry';
import { WriteLengths } from '@/ui/lengths';
import { ShowError } from '@/core/fields/problem';
import type { Edit } from '@/core/show/edits/registry';
import type { Note } from '@/core/show/facts';
import { handedOut } from '@/core/show/handedOut';
import { HandingOut, type HandOut } from '@/ui/handingOut';
import { watchShow } from '@/workers/events/watch';
import { startPlanner, type Planner } from '@/workers/plan/planner';
import type { Answer, Asked, Question } from '@/workers/plan/questions';
import { httpClient } from './client';
import { editOrAsk } from './foresight';
import { keepPlanned } from './keepPlanned';
import { browserOutbox } from './outbox';
import { OpeningShow, ShowProblem } from './OpeningShow';
import { createShowStore } from './store';
import { type ShowState, type ShowStore } from './showState';
import { windowId } from './windowId';
import { itemAt } from '@/core/units/there';
import { propAt } from '@/core/plan/records';
import { messageOf } from '@/core/units/messageOf';

/** The store of an open show, with its planner. */
interface OpenedShow {
  store: ShowStore;
  planner: Planner;
}

const ShowContext = createContext<OpenedShow | null>(null);

/** Opens a show for the parts of the interface below it. Give it the show's id as key: one provider opens one show. */
export function ShowProvider({ id, children }: { id: string; children: ReactNode }) {
  const [opened, setOpened] = useState<OpenedShow | null>(null);
  const [problem, setProblem] = useState<string | null>(null);

  useEffect(() => {
    const window = windowId();
    const client = httpClient(window);
    const planner = startPlanner();
    let left = false;
    const outbox = typeof indexedDB === 'undefined' ? null : browserOutbox();
    Promise.all([client.open(id), outbox?.waiting(id) ?? []]).then(
      ([show, waiting]) =>
        left ||
        setOpened({
          store: createShowStore(show, { client, notify, window, outbox, left: waiting }),
          planner,
        }),
      (error: Error) => left || setProblem(error.message),
    );
    return () => {
      left = true;
      planner.stop();
    };
  }, [id]);

  if (problem !== null) return <ShowProblem message={problem} />;
  if (!opened) return <OpeningShow />;
  return <OpenShow opened={opened}>{children}</OpenShow>;
}

function OpenShow({ opened, children }: { opened: OpenedShow; children: ReactNode }) {
  const { store, planner } = opened;
  const handOut = useCallback<HandOut>(
    (way, what) => {
      const { id, facts, note } = store.getState();
      // Once is enough to know that values are out.
      if (!facts.find('told', 'show', id, way)) note([handedOut(id, way, what)]);
    },
    [store],
  );
  useEffect(() => {
    const stopPlanning = keepPlanned(store, planner);
    const stopWatching = watchShow(
      store.getState().id,
      windowId(),
      (message) => void store.getState().heard(message),
    );
    const beforeUnload = (event: BeforeUnloadEvent) => {
      const { waiting, notes } = store.getState();
      // Notes outlast the page, where the browser keeps them.
      if (waiting.length > 0 || (notes.waiting.length > 0 && !notes.isKept)) event.preventDefault();
    };
    const hurry = () => store.getState().hurry();
    window.addEventListener('online', hurry);
    window.addEventListener('beforeunload', beforeUnload);
    // Also of the browser's own command.
    const beforePrint = () => handOut('printed', itemAt(document.title.split(' · '), 0));
    window.addEventListener('beforeprint', beforePrint);
    return () => {
      window.removeEventListener('beforeprint', beforePrint);
      window.removeEventListener('online', hurry);
      window.removeEventListener('beforeunload', beforeUnload);
      stopWatching();
      stopPlanning();
    };
  }, [store, planner, handOut]);

  const lengths = useStore(store, (state) => state.show.lengths);
  return (
    <ShowContext value={opened}>
      <HandingOut value={handOut}>
        <WriteLengths value={lengths}>{children}</WriteLengths>
      </HandingOut>
    </ShowContext>
  );
}

/** For tests, which bring a store and a planner of their own. */
export const OpenedShowProvider = ShowContext.Provider;

export function notify(message: string): void {
  notifications.show({ message, autoClose: 4000 });
}

function useOpened(): OpenedShow {
  const opened = useContext(ShowContext);
  if (!opened) throw new Error('This part of the interface needs an open show around it.');
  return opened;
}

export function useShowStore(): ShowStore {
  return useOpened().store;
}

export function useShow<Part>(select: (state: ShowState) => Part): Part {
  return useStore(useShowStore(), select);
}

/**
 * A prop as it is edited, which may be ahead of the plan. What an edit starts from must come from here: two changes in quick
 * succession would otherwise both start from the plan, and the second undo the first.
 */
export function useLatestProp(plan: Plan, index: number): Prop {
  const planned = propAt(plan, index);
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

/**
 * Changes the show; what cannot be done is told in its sentence. Where addresses are in use, a change that moves some is kept only when
 * that is answered: what is to follow goes into `made`, which is called only then.
 */
export function useEdit(): MakeEdit {
  const { store, planner } = useOpened();
  return (edit, made) => told(() => editOrAsk(store, planner, edit, made));
}

/**
 * Answers a question that takes other plans, about the show as it is. Null while it is not answered; what is asked no more is left.
 *
 * @param asked is to be the same object as long as the question is the same
 * @param afterMs how long the question has to stand before it is asked
 * @param progress told how much is done, from 0 to 1; is to be the same function
 */
export function useAnswer<Name extends Question>(
  name: Name,
  asked: Asked<Name>,
  afterMs = 0,
  progress?: (part: number) => void,
): Answer<Name> | null {
  const { planner } = useOpened();
  const show = useShow((state) => state.show);
  const [answered, setAnswered] = useState<Answer<Name> | null>(null);
  /** The next question, once the one under way is answered: only the last of those that came meanwhile. */
  const underWay = useRef<{ next: (() => void) | null } | null>(null);
  useEffect(() => {
    let left = false;
    const ask = () => {
      if (left) return;
      if (underWay.current) {
        underWay.current.next = ask;
        return;
      }
      const mine = { next: null as (() => void) | null };
      underWay.current = mine;
      planner
        .ask(name, show, asked, progress && { progress })
        .then(
          // An earlier answer is better than nothing while the latest is worked out.
          (answer) => setAnswered(() => answer),
          (error: Error) => left || notify(`That could not be worked out: ${error.message}`),
        )
        .finally(() => {
          underWay.current = null;
          mine.next?.();
        });
    };
    const timer = setTimeout(ask, afterMs);
    return () => {
      left = true;
      clearTimeout(timer);
    };
  }, [planner, name, show, asked, afterMs, progress]);
  return answered;
}

/** Asks a question once, about the show as it is. Null where it could not be answered, which is told. */
export function useAsk() {
  const { planner, store } = useOpened();
  return async <Name extends Question>(name: Name, asked: Asked<Name>): Promise<Answer<Name> | null> => {
    try {
      return await planner.ask(name, store.getState().show, asked);
    } catch (error) {
      notify(`That could not be worked out: ${messageOf(error)}`);
      return null;
    }
  };
}

/** Notes a photo, which goes as soon as the server is heard. */
export function useNotePhoto(): (photo: Blob, note: Note) => void {
  const store = useShowStore();
  return (photo, note) => store.getState().notePhoto(photo, note);
}

/** Notes what was seen or done on site. */
export function useNote(): (...notes: Note[]) => void {
  const store = useShowStore();
  return (...notes) => store.getState().note(notes);
}
