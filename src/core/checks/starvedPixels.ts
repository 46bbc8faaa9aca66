import { electricOf } from '../catalogue/electric';
import type { Plan } from '../plan/planned';
import { isPanelled } from '../props/registry';
import { plannedShown, standingReports, type FedRun } from '../power/report';
import { formatVolts } from '../units/electric';
import { countOf } from '../units/number';
import { defineCheck } from './check';
import { MOST_FED_MORE, moreLeads } from './moreLeads';
import { byId } from '../units/there';
import { propAt } from '../plan/records';

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
        mends: panelled || i >= MOST_FED_MORE ? [] : moreLeads(plan, prop, plannedShown(plan.show)),
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
