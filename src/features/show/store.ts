import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Finding } from '@/core/checks/check';
import type { Plan } from '@/core/plan/planned';
import { applyChanges, changeBetween } from '@/core/show/changes';
import { applyEdit, labelOf, type Edit } from '@/core/show/edits/registry';
import type { ShowMessage } from '@/core/show/events';
import { Facts, type Fact, type Note } from '@/core/show/facts';
import { newId } from '@/core/fields/fields';
import { same } from '@/core/fields/json';
import { ShowError } from '@/core/fields/problem';
import type { Clash, Confirmation, MadeChange, Steps } from '@/core/show/revision';
import type { Show } from '@/core/show/schema';
import { Clashed, Refused, type Change, type Opened, type ShowClient } from './client';
import { NO_NOTES, NoteQueue, type NotesState } from './noteQueue';
import type { WaitingNote } from './outbox';
import type { Outbox } from './outbox';
import { lastOf, byId } from '@/core/units/there';

/** Whether what is on screen is on disk. */
export type Saving = 'saved' | 'saving' | 'unreachable' | 'clash' | 'removed';

/** A change of ours that meets one made elsewhere; it waits for an answer. */
interface OpenClash {
  /** What the history would call ours. */
  mine: string;
  /** What happened elsewhere, in a sentence. */
  message: string;
  clash: Clash;
}

type Asked = { kind: 'edit'; edit: Edit } | { kind: 'undo' } | { kind: 'redo' };

/** Something that is on its way to the server. */
interface Waiting {
  /** By which the server recognises it when it is sent twice. */
  id: string;
  asked: Asked;
  /** The show that an edit leads to, laid on what is confirmed and on what waits before it; null where that is not known. */
  after: Show | null;
  /** An edit that is seen, and sent only when it is decided. */
  held?: boolean;
}

export interface ShowState {
  id: string;
  /** The latest change that this window has, and the show after it. */
  sequence: number;
  confirmed: Show;
  /** What can be taken back and done again, the next first. */
  steps: Steps;
  /** The show as on screen: the confirmed one with what is still on its way. */
  show: Show;
  /** What was noted on site, with what is still on its way. */
  facts: Facts;
  /** Oldest first. */
  waiting: readonly Waiting[];
  /** What was noted and is on its way. */
  notes: NotesState;
  /** Whether news come in: while they do not, others may do what is not seen here. */
  isHeard: boolean;
  saving: Saving;
  /** Why nothing can be saved at the moment, where the server says so. */
  trouble: string | null;
  clash: OpenClash | null;
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
  /**
   * Changes the show at once, and saves it only when it is decided; what is done meanwhile waits behind it.
   *
   * @returns by what it is known in `around` and `decide`; null where the edit changes nothing
   * @throws ShowError, and nothing is changed
   */
  hold: (edit: Edit) => string | null;
  /** The shows before and after an edit that is held; null when it is held no more. */
  around: (held: string) => { before: Show; after: Show } | null;
  /** Saves what was held, or another edit in its place, or takes it back. @returns false when it is held no more */
  decide: (held: string, edit: Edit | null) => boolean;
  /** Notes what was seen or done; it is outside of undo. */
  note: (notes: readonly Note[]) => void;
  /** Notes a photo, which may take its time. @param note with a value to which the id of the photo comes */
  notePhoto: (photo: Blob, note: Note) => void;
  /** Of what was noted otherwise elsewhere while the server was not heard, what counts. @param mine ids of our facts that do */
  resolveNotes: (mine: ReadonlySet<string>) => void;
  /** The line may be there again. */
  hurry: () => void;
  undo: () => void;
  redo: () => void;
  /** Puts our change on top of the other one, or lets it go. What waits behind it stays either way. */
  resolve: (choice: 'mine' | 'theirs') => Promise<void>;
  /** Something happened to the show, here or elsewhere. */
  heard: (message: ShowMessage) => Promise<void>;
}

export type ShowStore = StoreApi<ShowState>;

interface Surroundings {
  client: ShowClient;
  /** Tells the builder something that needs no answer. */
  notify: (message: string) => void;
  /** Id of this window, by which its own changes are known. */
  window: string;
  retryAfterMs?: number;
  /** Where notes that wait outlast this page; null keeps them nowhere. */
  outbox?: Outbox | null;
  /** What an earlier page left there. */
  left?: readonly WaitingNote[];
}

/**
 * The state of one open show. Edits appear at once and are sent one after another. The server lays them on what others did meanwhile;
 * whatever comes back, from here or elsewhere, is laid under what still waits. Undo and redo are the server's, so they appear when it
 * has answered.
 */
export function createShowStore(opened: Opened, around: Surroundings): ShowStore {
  const { client, notify, window, retryAfterMs = 2000, outbox = null, left = [] } = around;
  let sending = false;
  let removed = false;
  let editsFail = false;
  let editsTrouble: string | null = null;
  let wake: (() => void) | null = null;
  /** Of all that came from the server, the latest word on what can be undone. */
  let stepsOf = opened.sequence;
  /** How many facts of the server this window has heard of. */
  let noted = opened.noted;
  /** Steps that cannot be taken back, since others went on from there. */
  const passedOver = new Set<string>();

  return createStore<ShowState>((set, get) => {
    const enqueue = (asked: Asked, after: Show | null, held = false): string => {
      const id = newId('change');
      set({ waiting: [...get().waiting, { id, asked, after, held }] });
      void send();
      return id;
    };

    /** @returns null where the edit changes nothing: a double click, or what is there already, makes no entry in the history */
    const make = (edit: Edit, held: boolean): string | null => {
      const show = applyEdit(get().show, edit);
      if (show === get().show || changeBetween(get().show, show).length === 0) return null;
      set({ show });
      return enqueue({ kind: 'edit', edit }, show, held);
    };

    const settle = () => {
      const { waiting, clash, notes } = get();
      const isIdle = waiting.every((each) => each.held) && notes.waiting.length === 0;
      const fails = editsFail || notes.isUnreachable;
      const saving: Saving = removed
        ? 'removed'
        : clash || notes.clashes.length > 0
          ? 'clash'
          : isIdle
            ? 'saved'
            : fails
              ? 'unreachable'
              : 'saving';
      set({ saving, trouble: fails && !isIdle ? (editsTrouble ?? notes.trouble) : null });
    };

    /** Edits get through, or they do not. */
    const reach = (fails: boolean, trouble: string | null = null) => {
      editsFail = fails;
      editsTrouble = trouble;
      settle();
    };

    const retryLater = () =>
      new Promise<void>((resume) => {
        wake = resume;
        setTimeout(resume, retryAfterMs);
      });

    const queue = new NoteQueue(
      {
        showId: opened.id,
        client,
        outbox,
        retryAfterMs,
        heardOf: () => noted,
        changed: (notes) => {
          set({ notes });
          settle();
        },
        taken: (answer) => {
          // Where others noted something in between, the stream tells of it.
          if (answer.noted - answer.added === noted) noted = answer.noted;
        },
        seen: (fact) => set({ facts: get().facts.with([fact]) }),
        refused: notify,
        anew: () => reopen(),
        removed: () => {
          removed = true;
          settle();
        },
      },
      left,
    );
    if (left.length > 0) queueMicrotask(() => queue.hurry());

    const send = async () => {
      if (sending || get().clash || removed) return;
      sending = true;
      try {
        for (let next = get().waiting[0]; next; next = get().waiting[0]) {
          settle();
          if (next.held) return;
          const change = changeOf(next);
          if (!change) continue;
          try {
            await take(await client.change(get().id, next.id, get().sequence, change));
            drop(next);
            reach(false);
          } catch (error) {
            if (!(await recovered(error, next))) return;
          }
        }
      } finally {
        sending = false;
        settle();
      }
    };

    /** What to send; undo and redo name what they take back, which is known only now. */
    const changeOf = (next: Waiting): Change | null => {
      const { asked } = next;
      if (asked.kind === 'edit') return asked;
      const step = get().steps[asked.kind].find(({ id }) => !passedOver.has(id));
      if (step) return { kind: asked.kind, takesBack: step.id };
      drop(next);
      notify(asked.kind === 'undo' ? 'There is nothing to undo.' : 'There is nothing to do again.');
      return null;
    };

    /** Whether to go on after a change was not taken. */
    const recovered = async (error: unknown, next: Waiting): Promise<boolean> => {
      const { asked } = next;
      if (error instanceof Clashed) {
        await catchUp();
        if (asked.kind === 'edit') {
          const mine = labelOf(get().confirmed, asked.edit);
          set({ clash: { mine, message: error.message, clash: error.clash } });
          settle();
          return false;
        }
        const step = get().steps[asked.kind].find(({ id }) => !passedOver.has(id));
        if (step) passedOver.add(step.id);
        drop(next);
        notify(error.message);
        return true;
      }
      if (error instanceof Refused && error.status === 409) {
        // The server cannot lay changes on what this window has: it is opened anew, below what still waits.
        await reopen();
        return true;
      }
      // A phone that has to enter the code again keeps what it has.
      if (error instanceof Refused && error.status < 500 && error.status !== 401) {
        if (error.status === 404) {
          removed = true;
          settle();
          return false;
        }
        drop(next);
        await catchUp();
        relay();
        notify(error.message);
        return true;
      }
      reach(true, error instanceof Refused ? error.message : null);
      await retryLater();
      return true;
    };

    const drop = (gone: Waiting) => set({ waiting: get().waiting.filter((each) => each.id !== gone.id) });

    const adopt = ({ show, sequence, steps, facts, noted: count }: Opened) => {
      stepsOf = sequence;
      noted = count;
      set({ confirmed: show, sequence, steps, facts: new Facts(facts).with(queue.facts) });
      relay();
    };

    /** Fetches what this window is missing. Where the server cannot be reached, the next news or answer brings it. */
    const catchUp = async () => {
      try {
        await take(await client.since(get().id, get().sequence));
      } catch (error) {
        if (error instanceof Refused && error.status === 409) await reopen();
      }
    };

    /** Takes the show anew, below what still waits. */
    const reopen = async () => {
      try {
        adopt(await client.open(get().id));
      } catch {
        await retryLater();
      }
    };

    const take = async ({ sequence, steps, changes }: Confirmation) => {
      if (sequence >= stepsOf) {
        stepsOf = sequence;
        set({ steps });
      }
      await absorb(changes);
    };

    /** Lays changes that the server has on what is confirmed, and what waits on top. Those that are known are passed over. */
    const absorb = async (changes: readonly MadeChange[]) => {
      const fresh = changes.filter((each) => each.sequence > get().sequence);
      const [first] = fresh;
      if (!first) return;
      if (first.sequence !== get().sequence + 1) return catchUp();
      const { confirmed, waiting } = get();
      const [own] = waiting;
      const last = lastOf(fresh);
      set({ sequence: last.sequence });
      if (
        fresh.length === 1 &&
        own?.id === first.id &&
        own.after &&
        same(changeBetween(confirmed, own.after), first.change)
      ) {
        // What is on screen already need not be planned and drawn again.
        set({ confirmed: own.after, waiting: waiting.slice(1) });
        return;
      }
      const made = new Set(fresh.map((each) => each.id));
      for (const each of waiting)
        if (made.has(each.id) && (each.asked.kind === 'undo' || each.asked.kind === 'redo'))
          notify(`${each.asked.kind === 'undo' ? 'Undone' : 'Done again'}: ${byId(fresh, each.id).label}`);
      const theirs = fresh.filter((each) => each.window !== window);
      if (theirs.length > 0) notify(`Changed elsewhere: ${lastOf(theirs).label}.`);
      set({
        confirmed: applyChanges(
          confirmed,
          fresh.map((each) => each.change),
        ),
        waiting: waiting.filter((each) => !made.has(each.id)),
      });
      relay();
    };

    /** Puts what still waits on top of what is confirmed; what does not fit any more is named. */
    const relay = () => {
      let show = get().confirmed;
      const kept: Waiting[] = [];
      get().waiting.forEach((each, i) => {
        if (each.asked.kind !== 'edit') return kept.push(each);
        try {
          const after = applyEdit(show, each.asked.edit);
          show = after;
          kept.push({ ...each, after });
        } catch (error) {
          if (!(error instanceof ShowError)) throw error;
          // The first may be on its way, and the server is the one to say what becomes of it.
          if (i === 0 && sending) kept.push({ ...each, after: null });
          else notify(`Not possible any more: ${labelOf(show, each.asked.edit)}. ${error.message}`);
        }
      });
      set({ show, waiting: kept });
    };

    return {
      id: opened.id,
      sequence: opened.sequence,
      confirmed: opened.show,
      steps: opened.steps,
      show: opened.show,
      facts: new Facts(opened.facts).with(queue.facts),
      waiting: [],
      notes: left.length > 0 ? queue.now : NO_NOTES,
      isHeard: true,
      saving: left.length > 0 ? 'saving' : 'saved',
      trouble: null,
      clash: null,
      plan: null,
      findings: [],
      planError: null,
      planning: null,

      edit: (edit) => void make(edit, false),
      hold: (edit) => make(edit, true),
      around: (held) => {
        const { waiting, confirmed } = get();
        const index = waiting.findIndex((each) => each.id === held);
        const after = waiting[index]?.after;
        const before = waiting.slice(0, Math.max(0, index)).findLast((each) => each.after)?.after;
        return after ? { before: before ?? confirmed, after } : null;
      },
      decide: (held, edit) => {
        const { waiting } = get();
        const own = waiting.find((each) => each.id === held);
        if (own?.asked.kind !== 'edit') return false;
        const decided: Waiting = { ...own, held: false, ...(edit && { asked: { kind: 'edit', edit } }) };
        set({ waiting: waiting.flatMap((each) => (each !== own ? [each] : edit ? [decided] : [])) });
        // What is as it was shown need not be planned and drawn again.
        if (edit !== own.asked.edit) relay();
        void send();
        return true;
      },
      note: (notes) => {
        const at = new Date().toISOString();
        const facts = notes.map((note): Fact => ({ ...note, id: newId('fact'), at }));
        if (facts.length === 0) return;
        set({ facts: get().facts.with(facts) });
        queue.add({ kind: 'note', facts });
      },
      notePhoto: (photo, note) =>
        queue.add({
          kind: 'photo',
          photo,
          fact: { ...note, id: newId('fact'), at: new Date().toISOString() },
        }),
      resolveNotes: (mine) => queue.resolve(mine),
      hurry: () => {
        wake?.();
        queue.hurry();
      },
      undo: () => enqueue({ kind: 'undo' }, null),
      redo: () => enqueue({ kind: 'redo' }, null),
      resolve: async (choice) => {
        const [first] = get().waiting;
        if (!get().clash || !first) return;
        set({ clash: null });
        settle();
        await catchUp();
        if (choice === 'theirs') drop(first);
        // Sent anew under another id, and made on what is there now.
        else set({ waiting: [{ ...first, id: newId('change') }, ...get().waiting.slice(1)] });
        relay();
        await send();
      },
      heard: async (message) => {
        // Of what is not heard of the server, nothing is known but that.
        if (message.is === 'unheard') return set({ isHeard: false });
        if (!get().isHeard) {
          set({ isHeard: true });
          get().hurry();
        }
        if (message.is === 'removed') removed = true;
        else if (message.is === 'noted') {
          if (message.noted <= noted) return;
          if (message.noted - message.facts.length > noted) await reopen();
          else {
            noted = message.noted;
            // What waits here comes after what is there.
            set({ facts: get().facts.with(message.facts).with(queue.facts) });
          }
        } else if (message.is === 'changed') await absorb(message.changes);
        // Between two streams something may have been missed.
        else if (message.noted > noted) await reopen();
        else if (message.sequence > get().sequence) await catchUp();
        settle();
      },
    };
  });
}
