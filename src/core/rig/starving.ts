import { electricOf } from '../catalogue/electric';
import type { Feed } from '../catalogue/feed';
import { usual } from '../figures/figure';
import type { Plan } from '../plan/planned';
import { isPanelled } from '../props/registry';
import { FULL_WHITE } from '../power/shown';
import { solveTried } from '../power/solvePower';
import { STARVED } from './chain';
import { markRun, runIndex, runsOf, type OnRun } from './fault';
import type { Rig } from './rig';
import { byId } from '../units/there';
import { propAt, runAt } from '../plan/records';

const SUPPLY = 'rig-supply';

/** Runs of single pixels that are long enough for their end to matter. */
export const strungRuns = (plan: Plan): OnRun[] =>
  runsOf(plan).filter((place) => {
    const run = runAt(plan, runIndex(plan, place));
    return run.pixelCount > 1 && !isPanelled(propAt(plan, run.prop));
  });

/** A run that hangs on a supply of these volts at its first pixel alone, solved with everything at full white. @returns volts by pixel */
function voltsFedOnce(plan: Plan, { propId, run }: OnRun, volts: number): Float64Array {
  const index = runIndex(plan, { propId, run });
  const lead: Feed = {
    id: 'rig-lead',
    name: 'Lead',
    from: { kind: 'supply', supplyId: SUPPLY },
    pieces: [{ lengthMm: 1, wire: 'awg10', to: { kind: 'pixel', propId, run, pixel: 1 } }],
  };
  const supply = { id: SUPPLY, name: 'Supply', volts, ratedAmps: usual(200) };
  const tried: Plan = { ...plan, show: { ...plan.show, supplies: [supply], feeds: [lead], cuts: [] } };
  const [solved] = solveTried(tried, () => true, FULL_WHITE);
  const first = solved?.wiring.firstLoadOfRun.get(index);
  const { pixelCount } = runAt(plan, index);
  return first === undefined
    ? new Float64Array(pixelCount).fill(volts)
    : solved!.solution.loadVolts.slice(first, first + pixelCount);
}

/** The display with a run that is fed so. @param volts of its supply; those that its pixels want where that is left out */
export function fedOnce(rig: Rig, place: OnRun, volts?: number): Rig {
  const { plan } = rig;
  const run = plan.runs[runIndex(plan, place)];
  if (!run?.wire) return rig;
  const type = byId(plan.show.pixelTypes, propAt(plan, run.prop).pixelTypeId);
  const darkV = volts ?? type.volts;
  const fullV = voltsFedOnce(plan, place, darkV);
  const marked = markRun(rig, place, STARVED);
  return {
    ...marked,
    chains: marked.chains.map((chain) => {
      if (chain.controller !== run.wire!.controller || chain.port !== run.wire!.port) return chain;
      const volts = Float64Array.from(chain.pixel, (pixel) => fullV[pixel - run.firstPixel] ?? darkV);
      return { ...chain, volts: { electric: electricOf(type), darkV, fullV: volts } };
    }),
  };
}
