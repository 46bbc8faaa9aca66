import { coloursOf, electricOf, type DrawPart } from '../catalogue/electric';
import type { Plan } from '../plan/planned';
import { lightAt, litBy, type Shown } from './shown';
import { solvePropPower } from './solvePower';

/** Of each pixel of a prop, in its data order. */
export interface PropPower {
  volts: Float32Array;
  /** How far the ground of the pixel stands above that of the supply. */
  liftVolts: Float32Array;
  amps: Float32Array;
  /** Light of red, green, blue and white, each 0 to 255, one after another; what is not lit is 0. */
  light: Uint8Array;
  /** 1 where no supply reaches. */
  unfed: Uint8Array;
}

const PARTS = ['R', 'G', 'B', 'W'] as const satisfies readonly DrawPart[];

/** What each pixel of a prop gets and gives while all show the same; null where no lead goes to it, and for panels. */
export function propPower(plan: Plan, prop: number, shown: Shown): PropPower | null {
  const solved = solvePropPower(plan, prop, shown);
  if (!solved) return null;
  const { wiring, solution } = solved;
  const { firstPixel, pixelCount } = plan.props[prop]!;
  const { volts, liftVolts, amps, light, unfed } = empty(pixelCount);
  const type = plan.show.pixelTypes.find((each) => each.id === plan.show.props[prop]!.pixelTypeId)!;
  const electric = electricOf(type);
  const lit = new Set<DrawPart>(litBy(shown, type.colourOrder));
  const colours = coloursOf(type).filter((colour) => lit.has(colour));
  const { pixelOfLoad, network } = wiring;
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
        255 * shown.level * lightAt(electric, colour, volts[pixel]!),
      );
  }
  return seen === 0 ? null : { volts, liftVolts, amps, light, unfed };
}

const empty = (count: number): PropPower => ({
  volts: new Float32Array(count),
  liftVolts: new Float32Array(count),
  amps: new Float32Array(count),
  light: new Uint8Array(4 * count),
  unfed: new Uint8Array(count),
});
