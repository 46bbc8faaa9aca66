import { z } from 'zod';

/** Counting of a screen that was read; absent fields count as the plan does. */
export const countingSchema = z.strictObject({
  /** Its numbers of universes are all so much higher than those of the plan: -1 where it counts from 0. */
  universesShifted: z.literal([-1, 1]).optional(),
  /** Its first channel is 0. */
  channelsFrom: z.literal(0).optional(),
  /** Its count of pixels includes the hidden ones, though it puts them on the wire by itself. */
  hiddenCounted: z.literal(true).optional(),
});
export type Counting = z.infer<typeof countingSchema>;

/** Offset of its universes from those of the plan. */
export const universeShift = (counting: Counting): number => counting.universesShifted ?? 0;

/** Offset of its channels. */
export const channelShift = (counting: Counting): number => (counting.channelsFrom === 0 ? -1 : 0);
