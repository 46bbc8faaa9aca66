import { coloursOf, electricOf, type DrawPart } from '../catalogue/electric';
import type { Plan } from '../plan/planned';
import { ROUNDING_AMPS } from './rails';
import { lightAt, litBy, type Shown } from './shown';
import { solvePropPower } from './solvePower';
import { levelOf } from './wiring';
import { itemAt, byId } from '../units/there';
import { propAt, plannedAt } from '../plan/records';

/** Volts of each pixel of a prop, in its data order. */
export interface PropPower {
  volts: Float32Array;
  /** Volts of the ground of the pixel above that of the supply. */
  liftVolts: Float32Array;
  amps: Float32Array;
  /** Light of red, green, blue and white, each 0 to 255, one after another; what is not lit is 0. */
  light: Uint8Array;
  /** Along the plus rail to the next pixel of its run, in the direction of data; 0 behind the last and where plus is cut. */
  railAmps: Float32Array;
  /** 1 where more flows to the next pixel, in plus or in ground, than the conductor carries. */
  hot: Uint8Array;
  /** 1 where no supply reaches. */
  unfed: Uint8Array;
}

const PARTS = ['R', 'G', 'B', 'W'] as const satisfies readonly DrawPart[];

/** Volts and light of each pixel of a prop while all show the same; null where no feed goes to it, and for panels. */
export function propPower(plan: Plan, prop: number, shown: Shown): PropPower | null {
  const solved = solvePropPower(plan, prop, shown);
  if (!solved) return null;
  const { wiring, solution } = solved;
  const { firstPixel, pixelCount } = plannedAt(plan, prop);
  const made = empty(pixelCount);
  const { volts, liftVolts, amps, railAmps, hot, light, unfed } = made;
  const type = byId(plan.show.pixelTypes, propAt(plan, prop).pixelTypeId);
  const electric = electricOf(type);
  const lit = new Set<DrawPart>(litBy(shown, type.colourOrder));
  const colours = coloursOf(type).filter((colour) => lit.has(colour));
  const { pixelOfLoad, network, kinds } = wiring;
  const { kind: kindOfLoad } = network.loads;
  const levels = kinds.map((kind) => (kind.kind === 'pixel' ? levelOf(kind, shown) : 0));
  let seen = 0;
  for (let load = 0; load < pixelOfLoad.length; load += 1) {
    const pixel = pixelOfLoad[load]! - firstPixel;
    if (pixelOfLoad[load]! < 0 || pixel < 0 || pixel >= pixelCount) continue;
    seen += 1;
    volts[pixel] = solution.loadVolts[load]!;
    liftVolts[pixel] = solution.nodeVolts[network.loads.minus[load]!]!;
    amps[pixel] = solution.loadAmps[load]!;
    unfed[pixel] = solution.unfed[load]!;
    for (const colour of colours)
      light[4 * pixel + PARTS.indexOf(colour)] = Math.round(
        255 * itemAt(levels, kindOfLoad[load]!) * lightAt(electric, colour, volts[pixel]!),
      );
  }
  if (seen === 0) return null;
  const carriesAmps = electric.railCarriesAmps.value;
  const eachOf = (rail: Int32Array, take: (pixel: number, amps: number) => void) =>
    rail.forEach((pixel, wire) => {
      const own = pixel - firstPixel;
      if (pixel < 0 || own < 0 || own >= pixelCount) return;
      const flowing = solution.wireAmps[wire] ?? 0;
      take(own, flowing);
      if (Math.abs(flowing) > carriesAmps + ROUNDING_AMPS) hot[own] = 1;
    });
  eachOf(wiring.railPixel, (pixel, flowing) => {
    railAmps[pixel] = flowing;
  });
  eachOf(wiring.groundPixel, () => {});
  return made;
}

const empty = (count: number): PropPower => ({
  volts: new Float32Array(count),
  liftVolts: new Float32Array(count),
  amps: new Float32Array(count),
  railAmps: new Float32Array(count),
  hot: new Uint8Array(count),
  light: new Uint8Array(4 * count),
  unfed: new Uint8Array(count),
});
