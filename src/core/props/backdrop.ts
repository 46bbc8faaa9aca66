import { z } from 'zod';

/** A photo behind a drawing: which one, and where it lies. */
export const backdropSchema = z.strictObject({
  photoId: z.string().regex(/^[a-f0-9]{32}$/, 'the id of a photo'),
  /** Lower left corner of the photo. */
  leftMm: z.number(),
  bottomMm: z.number(),
  widthMm: z.number().min(1).max(10_000_000),
  /** Height over width. */
  aspect: z.number().min(0.001).max(1000),
});
export type Backdrop = z.infer<typeof backdropSchema>;
