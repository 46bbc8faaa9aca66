import { z } from 'zod';

/** How a screen counts that was read; what is absent is counted as the plan tells it. */
export const countingSchema = z.strictObject({
  /** Its numbers of universes are all so much higher than those of the plan: -1 where it counts from 0. */
  universesShifted: z.literal([-1, 1]).optional(),
  /** Its first channel is 0. */
  channelsFrom: z.literal(0).optional(),
  /** Its count of pixels includes the hidden ones, though it puts them on the wire by itself. */
  hiddenCounted: z.literal(true).optional(),
});
export type Counting = z.infer<typeof countingSchema>;

/** How much higher its numbers of universes are than those of the plan. */
export const universeShift = (counting: Counting): number => counting.universesShifted ?? 0;

/** How much higher its channels are. */
export const channelShift = (counting: Counting): number => (counting.channelsFrom === 0 ? -1 : 0);
