/** The longest side of a photo that is kept: enough to see every bulb, small enough for a phone. */
const LONGEST_SIDE_PX = 4096;

export interface KeptPhoto {
  photoId: string;
  /** Height over width. */
  aspect: number;
}

export function photoUrl(photoId: string): string {
  return `/api/photos/${photoId}`;
}

/**
 * Makes a photo small enough, keeps it on the server and gives its id.
 *
 * @param step told what is being done, in words
 * @throws Error with a sentence when the file is no photo or the server does not take it
 */
export async function keepPhoto(
  file: File,
  step: (words: string) => void,
  signal: AbortSignal,
): Promise<KeptPhoto> {
  step('Reading the photo');
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    throw new Error(
      `“${file.name}” is not a photo that this browser can read. JPEG, PNG and WebP files are.`,
    );
  }
  try {
    const { width, height } = bitmap;
    const scale = Math.min(1, LONGEST_SIDE_PX / Math.max(width, height));
    step(
      scale < 1 ? `Making ${Math.round((width * height) / 1e6)} megapixels smaller` : 'Preparing the photo',
    );
    signal.throwIfAborted();
    const canvas = new OffscreenCanvas(
      Math.max(1, Math.round(width * scale)),
      Math.max(1, Math.round(height * scale)),
    );
    const context = canvas.getContext('2d')!;
    context.imageSmoothingQuality = 'high';
    context.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.86 });
    signal.throwIfAborted();
    step('Keeping the photo');
    const answer = await fetch('/api/photos', { method: 'POST', body: blob, signal });
    const body = (await answer.json()) as { photoId: string; error?: string };
    if (!answer.ok) throw new Error(body.error ?? 'The photo could not be kept.');
    return { photoId: body.photoId, aspect: height / width };
  } finally {
    bitmap.close();
  }
}
