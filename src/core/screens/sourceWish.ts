import { z } from 'zod';

/** The source of the picture, as far as it decides how the picture is captured. */
export const sourceWishSchema = z.strictObject({
  /** Players, boxes, consoles. */
  sources: z.int().min(1).max(8),
  /** Some of them play copy-protected films. */
  isProtected: z.boolean(),
  /** Some of them send 4K, or more than 60 pictures a second. */
  isLarge: z.boolean(),
  isHdr: z.boolean(),
  /** Programs that are built into the screen are watched as well. */
  usesBuiltIn: z.boolean(),
  /** One remote switches everything on and off. */
  usesRemote: z.boolean(),
  /** The capture device takes what the screen takes, and passes it on. */
  capturePassesOn: z.boolean(),
});
export type SourceWish = z.infer<typeof sourceWishSchema>;

export const USUAL_SOURCES: SourceWish = {
  sources: 2,
  isProtected: true,
  isLarge: true,
  isHdr: false,
  usesBuiltIn: false,
  usesRemote: true,
  capturePassesOn: false,
};
