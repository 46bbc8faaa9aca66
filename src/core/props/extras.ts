import { z } from 'zod';
import { NEW_UNIVERSE, packingSchema } from '../catalogue/packing';
import { nameSchema } from '../fields/fields';
import { sitePlaceSchema } from '../geometry/sitePlace';
import { stockSchema } from '../catalogue/stock';

/** A named stretch of a prop's pixels in data order. */
const pixelRangeSchema = z.strictObject({
  name: nameSchema,
  /** In the data order of the prop, from 1. */
  firstPixel: z.int().min(1).max(10_000_000),
  pixelCount: z.int().min(1).max(10_000_000),
});
export type PixelRange = z.infer<typeof pixelRangeSchema>;

/** Fields of any prop besides its shape. Each is absent until it is said. */
export const propExtrasSchema = z.strictObject({
  /** Stretches that a stand-alone microcontroller, or the builder, calls by name. */
  ranges: z.array(pixelRangeSchema).max(500).optional(),
  /** Which batch of pixels is where: two batches differ in tint. */
  batches: z.array(pixelRangeSchema).max(500).optional(),
  /** Its packing, where it does not keep to its controller. */
  packing: packingSchema.optional(),
  newUniverse: z.enum(NEW_UNIVERSE).optional(),
  /** Its stock: strings or strip. */
  stock: stockSchema.optional(),
  /** From the outermost pixels to the frame around them. */
  frameClearanceMm: z.number().min(0).max(100_000).optional(),
  /** Middle of the prop on the drawing of the site. */
  site: sitePlaceSchema.optional(),
});
