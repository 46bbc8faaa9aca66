import { z } from 'zod';

export const MOST_LEGS = 200;
export const MOST_PIXELS_PER_LEG = 10_000;
export const MOST_LEG_MM = 1_000_000;

const legPixelsSchema = z.discriminatedUnion('by', [
  /** A count of 0 is a bare stretch: the line goes on, without pixels. */
  z.strictObject({ by: z.literal('count'), count: z.int().min(0).max(MOST_PIXELS_PER_LEG) }),
  z.strictObject({ by: z.literal('spacing'), spacingMm: z.number().min(1).max(5000) }),
]);

export const legSchema = z.strictObject({
  lengthMm: z.number().min(1).max(MOST_LEG_MM),
  /** Direction of the leg, front view: 0 to the right, 90 up, 180 to the left, 270 down. */
  headingDeg: z.number().min(-360).max(360),
  pixels: legPixelsSchema,
  /**
   * The corner between this leg and the next. Absent: the strip runs on. A bend that eats a pixel has one folded into the
   * corner: it is on the wire and has its channels, and is not seen.
   */
  corner: z.enum(['eatsPixel', 'jumper']).optional(),
});

export type Leg = z.infer<typeof legSchema>;

/**
 * Distance between neighbouring pixels of a leg.
 *
 * A leg of n pixels gives each n-th part of its length to one pixel, which sits in the middle of its part. So the spacing
 * carries on round a corner between two legs of the same pitch.
 */
export function legSpacingMm(leg: Leg): number {
  return leg.pixels.by === 'count' ? leg.lengthMm / Math.max(1, leg.pixels.count) : leg.pixels.spacingMm;
}
