import { z } from 'zod';

/** A place on the drawing of the site. */
export const sitePlaceSchema = z.strictObject({
  xMm: z.number().min(-10_000_000).max(10_000_000),
  yMm: z.number().min(-10_000_000).max(10_000_000),
  /** Counter-clockwise. */
  turnDeg: z.number().min(-360).max(360),
});
export type SitePlace = z.infer<typeof sitePlaceSchema>;

/** The same for what has no front. */
export const controllerPlaceSchema = sitePlaceSchema.omit({ turnDeg: true });
