import { standingWords } from '../figures/figure';
import { propAt } from '../plan/records';
import { isRailHot } from '../power/rails';
import { standingReports } from '../power/report';
import { formatAmps } from '../units/electric';
import { FULL_WHITE } from '../power/shown';
import { defineCheck } from './check';
import { MOST_FED_MORE, moreLeads } from './moreLeads';

export const stringConductors = defineCheck(
  'string-conductors',
  'The conductors of a string or strip carry what flows from pixel to pixel at full white, plus and ground each.',
  (plan) => {
    const tried = new Set<number>();
    return standingReports(plan).worst.runs.flatMap((fed) => {
      const { rail, run, prop } = fed;
      if (!rail || run === null || !isRailHot(fed)) return [];
      // The leads of a proposal are for all runs of a prop.
      const isFirst = !tried.has(prop) && tried.size < MOST_FED_MORE;
      tried.add(prop);
      const { id, name } = propAt(plan, prop);
      return [
        {
          rank: 'canBurn' as const,
          stage: 'power' as const,
          propId: id,
          message: `${name} run ${run}: ${formatAmps(rail.amps)} flow in its own ${rail.conductor} conductor after pixel ${rail.afterPixel} at full white, and that carries ${formatAmps(rail.carries.value)} (${standingWords(rail.carries)}). It gets hot, and a fuse that lets so much through does not protect it. Bring power in at more places, so that less flows from pixel to pixel, or set a limiter in the device. Local codes decide.`,
          mends: isFirst ? moreLeads(plan, prop, FULL_WHITE) : [],
        },
      ];
    });
  },
);
