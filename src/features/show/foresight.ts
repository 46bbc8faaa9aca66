import { create } from 'zustand';
import { foresee, type Choices } from '@/core/addressing/foresight';
import { PlanCache } from '@/core/plan/cache';
import { planShow } from '@/core/plan/plan';
import type { Edit, SingleEdit } from '@/core/show/edits/registry';
import { newId } from '@/core/show/fields';
import type { Show } from '@/core/show/schema';

/** A change that waits for a decision, with both ways of making it. */
export const useForesight = create<{ choices: Choices | null; ask: (choices: Choices | null) => void }>(
  (set) => ({
    choices: null,
    ask: (choices) => set({ choices }),
  }),
);

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

/** Geometry of the shows that were looked at last, so that foresight plans only what changes. */
const cache = new PlanCache();

/**
 * What a change would move, where the show asks for that; null where it may be made at once.
 *
 * @throws ShowError when the edit does not fit the show
 */
export function foresightOf(show: Show, edit: Edit): Choices | null {
  if (!show.addressing.askBeforeMoving) return null;
  const edits = edit.type === 'batch' ? edit.edits : [edit];
  if (!edits.some((each) => MOVING.has(each.type))) return null;
  const choices = foresee(show, planShow(show, cache), edit, cache);
  return choices.tidy.foresight.moved.length + choices.tidy.foresight.values.length > 0 ? choices : null;
}

/** A choice as one edit that also notes what has to be typed into devices. */
export function withTasks(show: Show, { edit, foresight }: Choices['tidy']): Edit {
  const gone = new Set(
    (edit.type === 'batch' ? edit.edits : [edit]).flatMap((each) =>
      each.type === 'removeController' ? [each.controllerId] : [],
    ),
  );
  const values = foresight.values.filter((value) => !gone.has(value.controllerId)).slice(0, 5000);
  if (values.length === 0) return edit;
  const taken = (show.tasks ?? []).map((task) => task.id);
  const tasks = values.map((value, i) => {
    const id = newId(`${value.port || value.controllerId} ${value.what} ${taken.length + i}`, taken);
    return { ...value, id, done: false };
  });
  const edits = edit.type === 'batch' ? edit.edits : [edit];
  return {
    type: 'batch',
    label: edit.type === 'batch' ? edit.label : 'Change, with values to type again',
    edits: [...edits, { type: 'addTasks', tasks }],
  };
}
