import { fuseOhm, type FuseAmps } from '../catalogue/fuse';
import { ohmOf } from '../catalogue/wire';
import { pixelTypeOf, propAt, runAt } from '../plan/records';
import type { Draft, Fed } from './propDraft';
import type { PowerWiring } from './wiring';

/** A fuse opens within seconds at so many times its rating. */
const OPENS_AT = 2;

interface FarShort {
  of: Fed;
  amps: number;
  fuseAmps: FuseAmps;
  opens: boolean;
}

/**
 * The current that a dead short at the far end of each lead's part draws through that lead alone, and whether its fuse opens within seconds. The far
 * end is half way to the next lead, or the end of the stretch.
 */
export function shortsOf(
  { plan, prop, wish }: Draft,
  fed: readonly Fed[],
  { network, railPixel }: PowerWiring,
): FarShort[] {
  const { volts } = pixelTypeOf(plan.show, propAt(plan, prop));
  const ohmAfter = new Map<number, number>();
  railPixel.forEach((pixel, wire) => pixel >= 0 && ohmAfter.set(pixel, network.wires.ohm[wire] ?? 0));
  return fed.flatMap((of) => {
    const { stretch, leads } = of;
    const { firstPixel } = runAt(plan, stretch.run);
    const railOhm = (from: number, to: number): number => {
      let ohm = 0;
      for (let pixel = Math.min(from, to); pixel < Math.max(from, to); pixel += 1)
        ohm += ohmAfter.get(firstPixel + pixel - 1) ?? 0;
      return ohm;
    };
    return leads.flatMap(({ pixel, wire, fuseAmps }, i): FarShort[] => {
      if (fuseAmps === null) return [];
      const [last, next] = [leads[i - 1], leads[i + 1]];
      const low = last ? Math.ceil((last.pixel + pixel) / 2) : stretch.from;
      const high = next ? Math.floor((pixel + next.pixel) / 2) : stretch.to;
      const ohm = 2 * (ohmOf(wire, wish.leadMm) + Math.max(railOhm(low, pixel), railOhm(pixel, high)));
      const amps = volts / (ohm + fuseOhm(fuseAmps));
      return [{ of, amps, fuseAmps, opens: amps >= OPENS_AT * fuseAmps }];
    });
  });
}
