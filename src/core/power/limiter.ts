import { coloursOf, electricOf, type Electric } from '../catalogue/electric';
import type { Plan } from '../plan/planned';
import { litBy, rampsOf, type Shown } from './shown';
import { itemAt, valueIn } from '../units/there';

/** A limiter inside a device: it dims all of its pixels alike, so that what it takes them to draw stays within its total. */
export interface Limiter {
  /** Index of its controller in the show. */
  controller: number;
  amps: number;
  /** Current that it takes for a pixel at full white; null where it is set to the real one. */
  pixelAmps: number | null;
  /** Pixels behind it, without those that stay dark. */
  parts: readonly { electric: Electric; colourOrder: string; count: number }[];
}

/** The limiters of a show, and by `prop id run number` the one that each run is behind. */
export function limitersOf({ show, props, runs }: Plan): ReadonlyMap<string, Limiter> {
  const limiterOf = new Map<string, Limiter>();
  const made = new Map<string, Limiter & { parts: Limiter['parts'][number][] }>();
  show.controllers.forEach(({ id, power }, controller) => {
    if (power?.limiterAmps)
      made.set(id, {
        controller,
        amps: power.limiterAmps.value,
        pixelAmps: power.limiterPixelMa ? power.limiterPixelMa.value / 1000 : null,
        parts: [],
      });
  });
  if (made.size === 0) return limiterOf;
  const indexOf = new Map(show.props.map((prop, index) => [prop.id, index]));
  const typeOf = new Map(show.pixelTypes.map((type) => [type.id, type]));
  for (const { propId, run, controllerId } of show.patch) {
    const limiter = made.get(controllerId);
    const index = indexOf.get(propId);
    const planned = index === undefined ? undefined : props[index];
    if (!limiter || !planned || run > planned.runCount) continue;
    const { firstPixel, pixelCount } = itemAt(runs, planned.firstRun + run - 1);
    const start = firstPixel - planned.firstPixel;
    let dark = 0;
    for (const pixel of planned.hiddenPixels) if (pixel >= start && pixel < start + pixelCount) dark += 1;
    const type = valueIn(typeOf, itemAt(show.props, index!).pixelTypeId);
    limiter.parts.push({
      electric: electricOf(type),
      colourOrder: type.colourOrder,
      count: pixelCount - dark,
    });
    limiterOf.set(`${propId} ${run}`, limiter);
  }
  return limiterOf;
}

/** The level that is left of what is shown, as a limiter lets it through: 0 where even dark is too much. */
export function limitedLevel({ amps, pixelAmps, parts }: Limiter, shown: Shown): number {
  let [always, lit] = [0, 0];
  for (const { electric, colourOrder, count } of parts) {
    const full = { ...shown, level: 1 };
    if (pixelAmps !== null) {
      // It knows bytes and one figure a pixel, and spreads that evenly over the colours.
      const share = litBy(full, colourOrder).length / coloursOf({ colourOrder }).length;
      lit += count * pixelAmps * share;
      continue;
    }
    const [idle, ...colours] = rampsOf(electric, colourOrder, full);
    always += count * idle!.amps;
    lit += count * colours.reduce((sum, ramp) => sum + ramp.amps, 0);
  }
  return lit === 0 ? shown.level : Math.max(0, Math.min(shown.level, (amps - always) / lit));
}
