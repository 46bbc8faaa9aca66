import { keepPhoto as send } from './client';

/** The longest side of a photo that is kept: enough to see every bulb, small enough for a phone. */
const LONGEST_SIDE_PX = 4096;
const QUALITY = 0.86;

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
    const [widthPx, heightPx] = [width, height].map((side) => Math.max(1, Math.round(side * scale)));
    const photo = await drawn(bitmap, widthPx!, heightPx!);
    signal.throwIfAborted();
    return { photo, aspect: height / width };
  } finally {
    bitmap.close();
  }
}

/** A picture at a size, as JPEG. */
async function drawn(bitmap: ImageBitmap, widthPx: number, heightPx: number): Promise<Blob> {
  const fill = (context: CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D) => {
    context.imageSmoothingQuality = 'high';
    context.drawImage(bitmap, 0, 0, widthPx, heightPx);
  };
  if (typeof OffscreenCanvas !== 'undefined') {
    const canvas = new OffscreenCanvas(widthPx, heightPx);
    fill(canvas.getContext('2d')!);
    return canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
  }
  // Phones of some years ago have none that is off the screen.
  const canvas = Object.assign(document.createElement('canvas'), { width: widthPx, height: heightPx });
  fill(canvas.getContext('2d')!);
  return new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('This browser cannot make the photo smaller.'))),
      'image/jpeg',
      QUALITY,
    ),
  );
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
