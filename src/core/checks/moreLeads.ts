import { namedLeads } from '../catalogue/feed';
import type { Plan } from '../plan/planned';
import { plannedAt, propAt } from '../plan/records';
import { proposeFeeds } from '../power/proposeFeeds';
import type { Shown } from '../power/shown';
import { countOf } from '../units/number';
import { itemAt } from '../units/there';
import type { Mend } from './check';

/** A proposal is tried for so many props, of at most so many pixels; more would hold up the other findings. */
export const MOST_FED_MORE = 4;
const MOST_PIXELS = 1000;

/**
 * The leads that are missing under a light, as the leads that are there: from the same supply, as long and as thick where that carries
 * their load. They are brought to the loops between strands, or anywhere where those are not enough.
 */
export function moreLeads(plan: Plan, prop: number, shown: Shown): Mend[] {
  if (plannedAt(plan, prop).pixelCount > MOST_PIXELS) return [];
  let ofPlan = known.get(plan);
  if (!ofPlan) known.set(plan, (ofPlan = new Map()));
  // Two checks ask for the same leads where full white is planned for.
  const key = `${prop} ${shown.light} ${shown.level} ${shown.whiteBy}`;
  let mends = ofPlan.get(key);
  if (!mends) ofPlan.set(key, (mends = proposed(plan, prop, shown)));
  return mends;
}

const known = new WeakMap<Plan, Map<string, Mend[]>>();

function proposed(plan: Plan, prop: number, shown: Shown): Mend[] {
  const { id, name } = propAt(plan, prop);
  const like = plan.show.feeds.find(
    ({ from, groundOnly, pieces }) =>
      from.kind === 'supply' &&
      !groundOnly &&
      pieces.some(({ to }) => to.kind === 'pixel' && to.propId === id),
  );
  if (like?.from.kind !== 'supply') return [];
  const { lengthMm, wire } = itemAt(like.pieces, 0);
  const wish = {
    shown,
    leastVolts: null,
    supplyId: like.from.supplyId,
    leadMm: lengthMm,
    wire,
  };
  let made = proposeFeeds(plan, prop, { ...wish, reach: 'loops' }, 0);
  if (!made.isEnough) made = proposeFeeds(plan, prop, { ...wish, reach: 'any' }, 0);
  if (!made.isEnough || made.feeds.length === 0) return [];
  const words = countOf(made.feeds.length, 'lead');
  return [
    {
      label: `Add ${words}`,
      edit: {
        type: 'batch',
        label: `Feed ${name} with ${words} more`,
        edits: namedLeads(plan.show.feeds, made.feeds, (i) => freeId(plan, id, i)).map((feed) => ({
          type: 'addFeed',
          feed,
        })),
      },
    },
  ];
}

/** An id that no lead has: a mend says the same each time it is worked out. */
function freeId(plan: Plan, propId: string, i: number): string {
  const taken = new Set(plan.show.feeds.map((feed) => feed.id));
  const base = `lead-${propId}`.slice(0, 50);
  let number = taken.size + i + 1;
  while (taken.has(`${base}-${number}`)) number += 1000;
  return `${base}-${number}`;
}
