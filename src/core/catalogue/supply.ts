import { z } from 'zod';
import { figureSchema } from '../figures/figure';
import { idSchema, nameSchema } from '../fields/fields';
import { orderSchema } from '../fields/order';
import { MOST_LEAD_MM } from './feed';
import { fuseAmpsSchema } from './fuse';
import { partNotesSchema } from './partNotes';
import { wireIdSchema } from './wire';

export const SUPPLY_LIMITS = { leastVolts: 3, mostVolts: 48, leastAmps: 0.05, mostAmps: 200 };

/** Power of a small computer from a supply of pixels. */
export const FED_BY = ['inlet', 'header', 'hat', 'regulator'] as const;
export const FED_BY_WORDS: Record<(typeof FED_BY)[number], { label: string; means: string }> = {
  inlet: {
    label: 'its own inlet, by a lead of its own',
    means:
      'Its inlet has a fuse and a filter. Below about 4.75 V it slows down or restarts, so keep this lead short and thick.',
  },
  header: {
    label: 'pins of its header',
    means:
      'The pins go round its fuse: a slip of the plug or a spike ends the board. Its own inlet must stay empty then.',
  },
  hat: {
    label: 'a board on top of it',
    means:
      'The top board feeds it through the header. Its own inlet must stay empty, and both count on this supply.',
  },
  regulator: {
    label: 'a regulator that others share',
    means: 'The regulator carries all of them: add up what hangs on it, and look up what it gives.',
  },
};

/** A supply of pixels. Its mains side is closed and certified, and is never planned here. */
export const supplySchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** Its place on site. */
  placeId: idSchema.optional(),
  volts: z.number().min(SUPPLY_LIMITS.leastVolts).max(SUPPLY_LIMITS.mostVolts),
  ratedAmps: figureSchema(z.number().min(SUPPLY_LIMITS.leastAmps).max(SUPPLY_LIMITS.mostAmps)),
  /** Other loads: a small computer, a shared regulator. */
  others: z
    .array(
      z.strictObject({
        name: nameSchema,
        amps: figureSchema(z.number().min(0).max(60)),
        /** Wiring of that load, each way with its own weak point. */
        by: z.enum(FED_BY).optional(),
      }),
    )
    .max(20)
    .optional(),
  /** A row of fused positions, one for each lead, that one pair of wires feeds; absent where leads begin at the supply itself. */
  fuseRow: z
    .strictObject({
      positions: z.int().min(1).max(64),
      wire: wireIdSchema,
      /** One way. */
      lengthMm: z.number().min(1).max(MOST_LEAD_MM),
      /** The pair that feeds it; absent while there is none. */
      fuseAmps: fuseAmpsSchema.optional(),
    })
    .optional(),
  notes: partNotesSchema,
  order: orderSchema,
});
export type Supply = z.infer<typeof supplySchema>;
export type FuseRow = NonNullable<Supply['fuseRow']>;

/** A continuous load takes no more than this share of the rating. */
export const LOADING = 0.8;

/** Ratings in which supplies of the usual voltages are sold, in amps. */
const SOLD: Readonly<Record<number, readonly number[]>> = {
  5: [2, 3, 4, 6, 8, 10, 15, 20, 30, 40, 60],
  12: [1, 2, 3, 5, 8.3, 12.5, 16.7, 29, 50],
};
/** The others are sold by watts. */
const SOLD_WATTS = [50, 75, 100, 150, 200, 300, 350, 600];

/** Closed ones, which need no enclosure, end about here: below 7 V by their amps, above by their watts. */
const MOST_CLOSED_AMPS = 15;
const MOST_CLOSED_WATTS = 200;

/** Up to here supplies are those of 5 V. */
const MOST_LOW_VOLTS = 7;

/** In amps, rounded down to a tenth where only the watts are usual. */
function ratingsSoldAt(volts: number): readonly number[] {
  return (
    SOLD[volts < MOST_LOW_VOLTS ? 5 : volts] ??
    SOLD_WATTS.map((watts) => Math.floor((10 * watts) / volts + 1e-9) / 10)
  );
}

/** Whether a supply of a rating is sold closed and certified, with a mains lead. */
export function isSoldClosed(volts: number, amps: number): boolean {
  // 16.7 A at 12 V are 200 W, rounded up.
  return volts < MOST_LOW_VOLTS ? amps <= MOST_CLOSED_AMPS : Math.floor(volts * amps) <= MOST_CLOSED_WATTS;
}

/** The largest that is sold closed, in amps. */
export function largestClosed(volts: number): number {
  return Math.max(...ratingsSoldAt(volts).filter((amps) => isSoldClosed(volts, amps)));
}

/** The smallest rating sold that carries a load for hours; null where none does. */
export function supplyFor(volts: number, loadAmps: number): number | null {
  return ratingsSoldAt(volts).find((amps) => amps * LOADING >= loadAmps - 1e-9) ?? null;
}
