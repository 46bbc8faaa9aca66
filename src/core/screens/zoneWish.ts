import { z } from 'zod';

const share = z.number().min(0.01).max(0.5);

/** The part of the picture that each pixel takes its colour from. */
export const zoneWishSchema = z.strictObject({
  /** Depth into the picture, as a share of its height (top, bottom) or width (left, right). */
  depth: z.strictObject({ top: share, right: share, bottom: share, left: share }),
  /** Each zone is longer by so much of itself at both ends. */
  overlap: z.number().min(0).max(1),
  /** The corners belong to both sides that meet there; else to the top and the bottom alone. */
  sharedCorners: z.boolean(),
});
export type ZoneWish = z.infer<typeof zoneWishSchema>;

export const USUAL_ZONES: ZoneWish = {
  depth: { top: 0.08, right: 0.05, bottom: 0.08, left: 0.05 },
  overlap: 0,
  sharedCorners: true,
};
