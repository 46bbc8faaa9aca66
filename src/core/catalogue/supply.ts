import { z } from 'zod';
import { figureSchema } from '../figures/figure';
import { idSchema, nameSchema } from '../fields/fields';
import { orderSchema } from '../fields/order';
import { partNotesSchema } from './partNotes';

export const SUPPLY_LIMITS = { leastVolts: 3, mostVolts: 48, leastAmps: 0.05, mostAmps: 200 };

/** What feeds pixels. Its mains side is closed and certified, and is never planned here. */
export const supplySchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** Where on site it stands. */
  placeId: idSchema.optional(),
  volts: z.number().min(SUPPLY_LIMITS.leastVolts).max(SUPPLY_LIMITS.mostVolts),
  ratedAmps: figureSchema(z.number().min(SUPPLY_LIMITS.leastAmps).max(SUPPLY_LIMITS.mostAmps)),
  /** What else hangs on it: a small computer, a shared regulator. */
  others: z
    .array(z.strictObject({ name: nameSchema, amps: figureSchema(z.number().min(0).max(60)) }))
    .max(20)
    .optional(),
  notes: partNotesSchema,
  order: orderSchema,
});
export type Supply = z.infer<typeof supplySchema>;

/** What runs for hours takes no more than this share of the rating. */
export const LOADING = 0.8;

/** Ratings in which supplies are sold, by their voltage, in amps. */
const SOLD: Readonly<Record<number, readonly number[]>> = {
  5: [2, 3, 4, 6, 8, 10, 15, 20, 30, 40, 60],
  12: [1, 2, 3, 5, 8.3, 12.5, 16.7, 29, 50],
};
/** Ones that are closed and need no enclosure end about here. */
export const MOST_CLOSED_AMPS = 15;

export function ratingsSoldAt(volts: number): readonly number[] {
  return SOLD[volts] ?? SOLD[12]!;
}

/** The smallest rating sold that carries a load for hours; null where none does. */
export function supplyFor(volts: number, loadAmps: number): number | null {
  return ratingsSoldAt(volts).find((amps) => amps * LOADING >= loadAmps - 1e-9) ?? null;
}
