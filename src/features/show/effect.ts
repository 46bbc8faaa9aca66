import { comparePlans, type Moved } from '@/core/devices/foresight';
import { PlanCache } from '@/core/plan/cache';
import { planShow } from '@/core/plan/plan';
import type { Plan } from '@/core/plan/planned';
import { applyEdit, type Edit } from '@/core/show/edits/registry';
import { ShowError } from '@/core/fields/problem';
import type { Show } from '@/core/show/schema';
import { countOf } from '@/core/units/number';

/** What an edit would do to addresses, before it is made. */
export interface Effect {
  /** In a line: how many runs move, and how much has to be typed again. */
  words: string;
  /** The first few runs with new addresses. */
  moved: readonly Moved[];
}

const MOST_NAMED = 4;
const cache = new PlanCache();

/** @param plan the latest plan, which may be of an earlier show */
export function effectOf(show: Show, plan: Plan | null, edit: Edit): Effect {
  try {
    const before = plan?.show === show ? plan : planShow(show, cache);
    const { moved, values } = comparePlans(before, planShow(applyEdit(show, edit), cache));
    if (moved.length === 0 && values.length === 0) return { words: 'No address moves.', moved: [] };
    return {
      words: `${countOf(moved.length, 'run')} moved, ${countOf(values.length, 'value')} to type`,
      moved: moved.slice(0, MOST_NAMED),
    };
  } catch (error) {
    if (!(error instanceof ShowError)) throw error;
    return { words: error.message, moved: [] };
  }
}
