import { z } from 'zod';
import { backdropSchema } from '../props/backdrop';

/** The drawing of the site: how large it is, what lies behind it, and how cables are cut. */
export const siteSchema = z.strictObject({
  widthMm: z.number().min(100).max(10_000_000),
  heightMm: z.number().min(100).max(10_000_000),
  backdrop: backdropSchema.optional(),
  /** Added to a straight distance for the way that a cable takes. */
  detourPercent: z.number().min(0).max(500),
  /** Added at both ends together, for going up and down and for plugs. */
  endsMm: z.number().min(0).max(100_000),
});
export type Site = z.infer<typeof siteSchema>;

export const USUAL_SITE: Site = { widthMm: 30_000, heightMm: 18_000, detourPercent: 20, endsMm: 1000 };
