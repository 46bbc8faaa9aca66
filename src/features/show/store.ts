import { produce } from 'immer';
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Finding } from '@/core/checks/check';
import type { Plan } from '@/core/plan/plan';
import { applyToDraft, assertSound, labelOf, type Edit } from '@/core/show/edits/registry';
import { ShowError } from '@/core/show/problem';
import type { HistoryEntry, Revision } from '@/core/show/revision';
import type { Show } from '@/core/show/schema';
import type { Planner } from '@/workers/planner';
import { Overtaken, Refused, type Change, type ShowClient } from './client';

/** Whether what is on screen is on disk. */
export type Saving = 'saved' | 'saving' | 'unreachable' | 'overtaken' | 'removed';

/** Changes of ours that stand against changes made elsewhere. */
export interface Conflict {
  current: Revision;
  missed: readonly HistoryEntry[];
  mine: readonly string[];
}

/** A change on its way, and the show that it leads to; undo and redo lead where only the server knows. */
export interface Waiting {
  change: Change;
  after: Show | null;
}

export interface ShowState {
  /** The revision that the server confirmed last. */
  revision: Revision;
  /** The show as on screen: the confirmed one with what is still on its way. */
  show: Show;
  /** Changes on their way to the server, oldest first. */
  waiting: readonly Waiting[];
  saving: Saving;
  conflict: Conflict | null;
  /** The plan of the latest show that has been planned; it carries that show, which may be a moment older than `show`. */
  plan: Plan | null;
  /** What is worth a look in the plan. */
  findings: readonly Finding[];
  /** Set when planning failed, which a builder should hear of. */
  planError: string | null;
  /** How much of the plan of the latest show is made, from 0 to 1; null while none is being made. */
  planning: number | null;

  /** Changes the show at once and saves it. @throws ShowError, and nothing is changed */
  edit: (edit: Edit) => void;
  undo: () => void;
  redo: () => void;
  /** Puts our waiting changes on top of what others did, or lets them go. */
  resolve: (choice: 'mine' | 'theirs') => void;
  /** The server has a change with this sequence number; null when the show was removed. */
  heard: (sequence: number | null) => Promise<void>;
}

export type ShowStore = StoreApi<ShowState>;

interface Surroundings {
  client: ShowClient;
  /** Tells the builder something that needs no answer. */
  notify: (message: string) => void;
  retryAfterMs?: number;
}

/**
 * The state of one open show. Edits appear at once and are sent one after another, each with the sequence number that
 * it was made on. Undo and redo are the server's, so they appear when it has answered.
 */
export function createShowStore(initial: Revision, around: Surroundings): ShowStore {
  const { client, notify, retryAfterMs = 2000 } = around;
  let sending = false;

  return createStore<ShowState>((set, get) => {
    const enqueue = (change: Change, after: Show | null) => {
      set({ waiting: [...get().waiting, { change, after }] });
      void send();
    };

    const send = async () => {
      if (sending || get().conflict || get().saving === 'removed') return;
      sending = true;
      try {
        for (let next = get().waiting[0]; next; next = get().waiting[0]) {
          const { revision } = get();
          const { change, after } = next;
          set({ saving: get().saving === 'unreachable' ? 'unreachable' : 'saving' });
          try {
            const confirmed = await client.change(revision.id, revision.sequence, change);
            const waiting = get().waiting.slice(1);
            if ('show' in confirmed) adopt(confirmed, waiting);
            else
              set({
                revision: { ...confirmed, show: after! },
                waiting,
                saving: waiting.length > 0 ? 'saving' : 'saved',
              });
            if (change.kind !== 'edit')
              notify(
                change.kind === 'undo'
                  ? `Undone: ${revision.undoLabel}`
                  : `Done again: ${revision.redoLabel}`,
              );
          } catch (error) {
            if (error instanceof Overtaken) return overtaken(error);
            if (error instanceof Refused && error.status < 500) {
              // The server knows better than our copy: what it refused cannot stand, nor what was built on it.
              adopt(revision, []);
              notify(error.message);
              if (error.status === 404) set({ saving: 'removed' });
              return;
            }
            set({ saving: 'unreachable' });
            await new Promise((resume) => setTimeout(resume, retryAfterMs));
          }
        }
        set({ saving: 'saved' });
      } finally {
        sending = false;
      }
    };

    const overtaken = ({ current, missed }: Overtaken) => {
      const mine = get().waiting.map(({ change }) =>
        change.kind === 'edit' ? labelOf(get().revision.show, change.edit) : change.kind,
      );
      set({ saving: 'overtaken', conflict: { current, missed, mine } });
    };

    /** Takes a confirmed revision and puts what is still waiting on top; what does not fit any more is named. */
    const adopt = (revision: Revision, waiting: readonly Waiting[]) => {
      let show = revision.show;
      const kept: Waiting[] = [];
      for (const { change } of waiting) {
        let after: Show | null = null;
        // Undo and redo depend on what the server will answer to the changes before them.
        if (change.kind === 'edit' && kept.every((each) => each.change.kind === 'edit')) {
          try {
            after = show = edited(show, change.edit);
          } catch (error) {
            if (!(error instanceof ShowError)) throw error;
            notify(`Not possible any more: ${labelOf(show, change.edit)}. ${error.message}`);
            continue;
          }
        }
        kept.push({ change, after });
      }
      // What the server confirms is as a rule what is on screen already, and need not be planned and drawn again.
      const shown = get().show;
      set({
        revision,
        waiting: kept,
        show: JSON.stringify(shown) === JSON.stringify(show) ? shown : show,
        saving: kept.length > 0 ? 'saving' : 'saved',
      });
    };

    return {
      revision: initial,
      show: initial.show,
      waiting: [],
      saving: 'saved',
      conflict: null,
      plan: null,
      findings: [],
      planError: null,
      planning: null,

      edit: (edit) => {
        // A double click must not make an entry in the history that changes nothing.
        const show = edited(get().show, edit);
        if (show === get().show) return;
        set({ show });
        enqueue({ kind: 'edit', edit }, show);
      },
      undo: () => {
        if (get().revision.undoLabel !== null || get().waiting.length > 0) enqueue({ kind: 'undo' }, null);
        else notify('There is nothing to undo.');
      },
      redo: () => {
        if (get().revision.redoLabel !== null) enqueue({ kind: 'redo' }, null);
        else notify('There is nothing to do again.');
      },
      resolve: (choice) => {
        const { conflict, waiting } = get();
        if (!conflict) return;
        set({ conflict: null });
        adopt(conflict.current, choice === 'mine' ? waiting : []);
        void send();
      },
      heard: async (sequence) => {
        if (sequence === null) {
          set({ saving: 'removed' });
          return;
        }
        const { revision, waiting, conflict } = get();
        // With changes of our own on the way, the server's answer to them will tell.
        if (sequence <= revision.sequence || waiting.length > 0 || conflict) return;
        const current = await client.get(revision.id).catch(() => null);
        if (!current || get().waiting.length > 0 || current.sequence <= get().revision.sequence) return;
        adopt(current, []);
        notify(`Changed in another window: ${current.undoLabel ?? 'the show'}.`);
      },
    };
  });
}

/** The show after an edit; what the edit leaves alone is the same object in both, so that little is read and drawn again. */
function edited(show: Show, edit: Edit): Show {
  const next = produce(show, (draft) => {
    applyToDraft(draft as Show, edit);
  });
  if (next !== show) assertSound(next, show);
  return next;
}

/**
 * Keeps the plan of a store up to date: plans the latest show, one at a time; shows that were overtaken while one was
 * planned are left out. Returns a way to stop.
 */
export function keepPlanned(store: ShowStore, planner: Planner): () => void {
  let planning = false;
  let stopped = false;
  const replan = async () => {
    if (planning) return;
    planning = true;
    try {
      for (let show = store.getState().show, done: Show | null = null; show !== done && !stopped;) {
        // Word of progress may come after the plan itself: it travels another way.
        let underWay = true;
        const planned = await planner.plan(show, (planning) => {
          if (underWay && !stopped) store.setState({ planning });
        });
        underWay = false;
        if (stopped) return;
        done = show;
        store.setState({ ...planned, planError: null, planning: null });
        show = store.getState().show;
      }
    } catch (error) {
      if (!stopped)
        store.setState({
          planError: `The show could not be planned: ${(error as Error).message}`,
          planning: null,
        });
    } finally {
      planning = false;
    }
  };
  const unsubscribe = store.subscribe((state, before) => {
    if (state.show !== before.show) void replan();
  });
  void replan();
  return () => {
    stopped = true;
    unsubscribe();
  };
}
