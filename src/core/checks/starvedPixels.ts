import { namedLeads } from '../catalogue/feed';
import { electricOf } from '../catalogue/electric';
import type { Plan } from '../plan/planned';
import { isPanelled } from '../props/registry';
import { proposeFeeds } from '../power/proposeFeeds';
import { plannedShown, standingReports, type FedRun } from '../power/report';
import { formatVolts } from '../units/electric';
import { countOf } from '../units/number';
import { defineCheck, type Mend } from './check';
import { itemAt, byId } from '../units/there';
import { propAt, plannedAt } from '../plan/records';

/** A proposal is tried for so many props, of at most so many pixels; more would hold up the other findings. */
const MOST_MENDED = 4;
const MOST_PIXELS = 1000;

export const starvedPixels = defineCheck(
  'starved-pixels',
  'Every pixel that a lead goes to gets the volts that its colours need, at the level that is planned.',
  (plan) => {
    const low = new Map<number, FedRun[]>();
    for (const run of standingReports(plan).planned.runs)
      if (run.below > 0) low.set(run.prop, [...(low.get(run.prop) ?? []), run]);
    return [...low].map(([prop, runs], i) => {
      const { id, name } = propAt(plan, prop);
      const worst = runs.reduce((least, run) => (run.lowestVolts! < least.lowestVolts! ? run : least));
      const below = runs.reduce((sum, run) => sum + run.below, 0);
      const { levelPercent } = { levelPercent: 100, ...plan.show.power };
      const panelled = isPanelled(propAt(plan, prop));
      const word = panelled ? 'panel' : 'pixel';
      const where = worst.run === null ? '' : ` of run ${worst.run}`;
      return {
        rank: 'willLookWrong' as const,
        stage: 'power',
        propId: id,
        message: `${name}: ${word} ${worst.lowestAt}${where} gets ${formatVolts(worst.lowestVolts!)} at ${levelPercent} % white and needs ${formatVolts(worst.leastVolts)}; ${countOf(below, word)} get too little. ${panelled ? 'They flicker or go dark.' : fadeWords(plan, prop)}`,
        mends: panelled || i >= MOST_MENDED ? [] : moreLeads(plan, prop),
      };
    });
  },
);

/** The look of pixels with too few volts: colours fade one after another, or all alike. */
function fadeWords(plan: Plan, prop: number): string {
  const type = byId(plan.show.pixelTypes, propAt(plan, prop).pixelTypeId);
  const { knees } = electricOf(type);
  return knees.R.kneeV < knees.B.kneeV && type.colourOrder.includes('R')
    ? 'White turns yellow there, then red.'
    : 'They grow dim.';
}

/** The leads that are missing, as the leads that are there: from the same supply, as long and as thick. */
function moreLeads(plan: Plan, prop: number): Mend[] {
  if (plannedAt(plan, prop).pixelCount > MOST_PIXELS) return [];
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
    shown: plannedShown(plan.show),
    leastVolts: null,
    supplyId: like.from.supplyId,
    leadMm: lengthMm,
    wire,
  };
  const made = proposeFeeds(plan, prop, { ...wish, reach: 'loops' }, 0);
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
