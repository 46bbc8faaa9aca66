import { create } from 'zustand';
import { foresee, type Choices } from '@/core/devices/foresight';
import { PlanCache } from '@/core/plan/cache';
import { planShow } from '@/core/plan/plan';
import type { Edit, SingleEdit } from '@/core/show/edits/registry';
import type { Facts } from '@/core/show/facts';
import { newId } from '@/core/fields/fields';
import type { Show } from '@/core/show/schema';

interface Asking {
  /** A change that waits for a decision, with both ways of making it. */
  choices: Choices | null;
  /** What follows when it is made. */
  made: () => void;
  ask: (choices: Choices, made: () => void) => void;
  close: () => void;
}

/** The question whether a change is to be made that moves addresses. */
export const useForesight = create<Asking>((set) => ({
  choices: null,
  made: () => {},
  ask: (choices, made) => set({ choices, made }),
  close: () => set({ choices: null, made: () => {} }),
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
