import { z } from 'zod';

/** Stock at hand, prices, and pace of work; absent where none are set. */
export const partsBookSchema = z.strictObject({
  /** Written behind prices. */
  currency: z.string().trim().min(1).max(6).optional(),
  /** At the builder's own pace, for one joint that is soldered, sealed and tried. */
  minutesPerJoint: z.number().min(0.1).max(240).optional(),
  /** Bought beyond what the plan takes, in percent, of what breaks or gets lost. */
  sparePercent: z.number().min(0).max(200).optional(),
  items: z
    .array(
      z.strictObject({
        /** Id of the part in the parts list. */
        part: z.string().min(1).max(120),
        have: z.number().min(0).max(1_000_000).optional(),
        /** Price of one, or of one metre. */
        price: z.number().min(0).max(1_000_000).optional(),
        /** In place of the share of the show. */
        spare: z.number().min(0).max(1_000_000).optional(),
      }),
    )
    .max(5000)
    .optional(),
});
export type PartsBook = z.infer<typeof partsBookSchema>;
export type PartsItem = NonNullable<PartsBook['items']>[number];

export const USUAL_MINUTES_PER_JOINT = 6;
export const USUAL_SPARE_PERCENT = 5;
