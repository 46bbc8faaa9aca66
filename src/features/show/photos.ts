import { keepPhoto as send } from './client';

/** The longest side of a photo that is kept: enough to see every bulb, small enough for a phone. */
const LONGEST_SIDE_PX = 4096;

export interface KeptPhoto {
  photoId: string;
  /** Height over width. */
  aspect: number;
}

/** A photo as small as it is kept. */
export interface SmallPhoto {
  photo: Blob;
  /** Height over width. */
  aspect: number;
}

export function photoUrl(photoId: string): string {
  return `/api/photos/${photoId}`;
}

/**
 * Makes a photo small enough to be kept.
 *
 * @param step told what is being done, in words
 * @throws Error with a sentence when the file is no photo
 */
export async function smallPhoto(
  file: File,
  step: (words: string) => void,
  signal: AbortSignal,
): Promise<SmallPhoto> {
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
    const photo = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.86 });
    signal.throwIfAborted();
    return { photo, aspect: height / width };
  } finally {
    bitmap.close();
  }
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
  const { photo, aspect } = await smallPhoto(file, step, signal);
  step('Keeping the photo');
  return { photoId: await send(photo, signal), aspect };
}
