import { create } from 'zustand';
import type { Choices } from '@/core/devices/foresight';
import type { Edit, SingleEdit } from '@/core/show/edits/registry';
import type { Facts } from '@/core/show/facts';
import { asksBeforeMoving } from '@/core/show/handedOut';
import { newId } from '@/core/fields/fields';
import type { Show } from '@/core/show/schema';
import type { Planner } from '@/workers/plan/planner';
import { tellWhatMoves } from './movedNotice';
import type { ShowStore } from './showState';

interface Asking {
  /** A change that waits for a decision, with both ways of making it. */
  choices: Choices | null;
  /** Shows the choices; answers with the way that was chosen, or null where the show is to stay as it is. */
  ask: (choices: Choices) => Promise<Edit | null>;
  answer: (edit: Edit | null) => void;
}

/** The question whether a change is to be made that moves addresses. */
export const useForesight = create<Asking>((set) => ({
  choices: null,
  ask: (choices) =>
    new Promise((resolve) =>
      set({
        choices,
        answer: (edit) => {
          set({ choices: null, answer: () => {} });
          resolve(edit);
        },
      }),
    ),
  answer: () => {},
}));

/** Edits by which counts, threading or ports change; notes, names and drawings move no address. */
const MOVING: ReadonlySet<SingleEdit['type']> = new Set([
  'setShape',
  'setThreading',
  'putRun',
  'putRuns',
  'takeOffRun',
  'pinRuns',
  'swapPorts',
  'setSkippedPixels',
  'setRunAddress',
  'removeProp',
  'moveProp',
  'changeProp',
  'changeController',
  'moveController',
  'removeController',
  'changePixelType',
  'setAddressing',
] as const);

/** Whether an edit is one of those that may move addresses. */
function mayMove(edit: Edit): boolean {
  const edits = edit.type === 'batch' ? edit.edits : [edit];
  return edits.some((each) => MOVING.has(each.type));
}

/** Decisions under way for each store: one is asked after the other. */
const underWay = new WeakMap<ShowStore, Promise<void>>();

/**
 * Makes an edit. One that may move addresses which are in use is seen at once and kept when it is known that it moves none, or when the
 * question is answered.
 *
 * @param made what follows when it is made
 * @throws ShowError when the edit does not fit the show
 */
export function editOrAsk(store: ShowStore, planner: Planner, edit: Edit, made?: () => void): void {
  const { show, facts } = store.getState();
  const moves = mayMove(edit);
  const held = moves && asksBeforeMoving(show.addressing, facts) ? store.getState().hold(edit) : null;
  if (!held) {
    if (moves) tellWhatMoves(store, edit);
    store.getState().edit(edit);
    made?.();
    return;
  }
  const before = underWay.get(store) ?? Promise.resolve();
  underWay.set(
    store,
    // The earlier decision tells its own result.
    before.catch(() => {}).then(() => decide(store, planner, held, edit, made)),
  );
}

async function decide(store: ShowStore, planner: Planner, held: string, edit: Edit, made?: () => void) {
  const choices = await foresightOf(store, planner, held, edit);
  const way = choices ? await useForesight.getState().ask(choices) : edit;
  if (store.getState().decide(held, way) && way) made?.();
}

/** Moves of an edit that is held; null where it moves nothing. */
async function foresightOf(store: ShowStore, planner: Planner, held: string, edit: Edit) {
  for (;;) {
    const shows = store.getState().around(held);
    if (!shows) return null;
    // An edit that cannot be foreseen is made all the same: planning tells its own trouble.
    const choices = await planner
      .ask(
        'foresight',
        shows.before,
        { edit, today: new Date().toISOString().slice(0, 10) },
        { edited: shows.after },
      )
      .catch(() => null);
    // Others may have changed what it is laid on.
    if (store.getState().around(held)?.before === shows.before) return choices;
  }
}

/**
 * A choice as one edit that also notes what has to be typed into devices. What a device holds is what was ticked as typed last, or else
 * what it held before the change that is still to be typed.
 */
export function withTasks(show: Show, facts: Facts, { edit, foresight }: Choices['tidy']): Edit {
  const edits = edit.type === 'batch' ? edit.edits : [edit];
  const gone = new Set(
    edits.flatMap((each) => (each.type === 'removeController' ? [each.controllerId] : [])),
  );
  const open = new Map(show.tasks.map((task) => [`${task.controllerId} ${task.field}`, task]));
  const tasks = foresight.values
    .filter((value) => !gone.has(value.controllerId))
    .map((value) => {
      const earlier = open.get(`${value.controllerId} ${value.field}`);
      const typed = earlier && facts.isTyped(value.controllerId, value.field, earlier.new);
      return { ...value, id: newId('value'), old: earlier && !typed ? earlier.old : value.old };
    });
  if (tasks.length === 0) return edit;
  return {
    type: 'batch',
    label: edit.type === 'batch' ? edit.label : 'Change, with values to type again',
    edits: [...edits, { type: 'addTasks', tasks }],
  };
}
