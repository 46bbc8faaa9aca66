import { nowAndThen } from '../prior';
import { z } from 'zod';
import { rewireRun, strandsOf } from '../rewire';
import { defineFault, nameOfRun, ofRun, onRun, runsOf, type OnRun } from '../fault';

interface StrandsExchanged extends OnRun {
  kind: 'strandsExchanged';
  /** This one and the next. */
  strand: number;
}

export const strandsExchanged = defineFault<StrandsExchanged>({
  kind: 'strandsExchanged',
  name: 'Two strands exchanged',
  layer: 'place',
  prior: nowAndThen('strands are hung in the dark'),
  schema: z.strictObject({
    kind: z.literal('strandsExchanged'),
    ...onRun,
    strand: z.int().min(1).max(100_000),
  }),
  sentence: (plan, fault) =>
    `Strands ${fault.strand} and ${fault.strand + 1} of ${nameOfRun(plan, fault)} hang in each other’s place.`,
  places: (plan) =>
    runsOf(plan).flatMap((place) => {
      const strands = strandsOf(plan, place).length;
      return strands < 2
        ? []
        : [{ kind: 'strandsExchanged' as const, ...place, strand: Math.floor(strands / 2) }];
    }),
  everywhere: (plan, propId) =>
    runsOf(plan)
      .filter((place) => place.propId === propId)
      .flatMap((place) =>
        Array.from({ length: Math.max(0, strandsOf(plan, place).length - 1) }, (_, i) => ({
          kind: 'strandsExchanged' as const,
          ...place,
          strand: i + 1,
        })),
      ),
  touches: ofRun,
  apply: (rig, fault) =>
    rewireRun(rig, fault, (count) => {
      const places = Array.from({ length: count }, (_, i) => i);
      const [one, other] = strandsOf(rig.plan, fault).slice(fault.strand - 1, fault.strand + 1);
      if (!one || !other) return places;
      const moved = [
        ...places.slice(other.first, other.first + other.length),
        ...places.slice(one.first, one.first + one.length),
      ];
      places.splice(one.first, moved.length, ...moved);
      return places;
    }),
});
