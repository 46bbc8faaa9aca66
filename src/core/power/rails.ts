import { electricOf } from '../catalogue/electric';
import type { Figure } from '../figures/figure';
import { pixelTypeOf, propAt, runAt } from '../plan/records';
import type { Plan } from '../plan/planned';
import { valueIn } from '../units/there';
import type { SolvedGroup } from './solvePower';

/** A piece of the conductors of a run, from one pixel to the next. */
export interface LoadedRail {
  amps: number;
  conductor: 'plus' | 'ground';
  /** From 1, in the run. */
  afterPixel: number;
  /** The most that each conductor carries, and what that stands on. */
  carries: Figure<number>;
  /** So many pieces, plus and ground apart, have more than that. */
  hot: number;
}

/** More flows in the conductors of a run than they carry. */
export const isRailHot = ({ rail }: { rail: LoadedRail | null }): boolean => rail !== null && rail.hot > 0;

/** Sums of many pixels are rounded. */
export const ROUNDING_AMPS = 1e-6;

/** The fullest piece of the conductors of each run in a group, by the index of the run. */
export function railsOf(plan: Plan, { group, wiring, solution }: SolvedGroup): Map<number, LoadedRail> {
  const rails = new Map<number, LoadedRail>();
  const carriesOf = new Map(
    group.props.map((prop) => [prop, electricOf(pixelTypeOf(plan.show, propAt(plan, prop))).railCarriesAmps]),
  );
  const look = (conductor: LoadedRail['conductor'], pixels: Int32Array) =>
    pixels.forEach((pixel, wire) => {
      const amps = Math.abs(solution.wireAmps[wire] ?? 0);
      const run = pixel < 0 ? undefined : plan.pixels.run[pixel];
      if (run === undefined || amps === 0) return;
      const { prop, firstPixel } = runAt(plan, run);
      const carries = valueIn(carriesOf, prop);
      const known = rails.get(run);
      const hot = (known?.hot ?? 0) + (amps > carries.value + ROUNDING_AMPS ? 1 : 0);
      if (known && amps <= known.amps + 1e-9) known.hot = hot;
      else rails.set(run, { amps, conductor, afterPixel: pixel - firstPixel + 1, carries, hot });
    });
  look('plus', wiring.railPixel);
  look('ground', wiring.groundPixel);
  return rails;
}
