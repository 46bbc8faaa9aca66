import { ShowError } from '../fields/problem';
import type { PlanCache } from '../plan/cache';
import { layShow } from '../plan/plan';
import type { LaidShow } from '../plan/planned';
import { applyEdit, type Edit } from '../show/edits/registry';
import { countOf } from '../units/number';
import { comparePlans, type Moved } from './foresight';

/** Effect of an edit on addresses, before it is made. */
interface Effect {
  /** In a line: how many runs move, and how much has to be typed again; or why it cannot be done. */
  words: string;
  /** The first few runs with new addresses. */
  moved: readonly Moved[];
}

const MOST_NAMED = 4;

/** @param before the plan of the show that would be edited */
export function effectOf(before: LaidShow, edit: Edit, cache?: PlanCache): Effect {
  try {
    const { moved, renumbered, values } = comparePlans(before, layShow(applyEdit(before.show, edit), cache));
    if (moved.length + renumbered.length + values.length === 0)
      return { words: 'No address moves.', moved: [] };
    const shown =
      renumbered.length > 0 ? `, ${countOf(renumbered.length, 'run')} with other show channels` : '';
    return {
      words: `${countOf(moved.length, 'run')} moved, ${countOf(values.length, 'value')} to type${shown}`,
      moved: moved.slice(0, MOST_NAMED),
    };
  } catch (error) {
    if (!(error instanceof ShowError)) throw error;
    return { words: error.message, moved: [] };
  }
}
