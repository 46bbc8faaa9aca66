import { SCENES } from './scenes';
import { byId } from '@/core/units/there';

/** Size of captured frames: small ones suffice. */
export const [CAPTURED_WIDTH, CAPTURED_HEIGHT] = [320, 180];

/** A file that takes longer to be opened than anybody waits is not opened. */
const MOST_FILE_BYTES = 500 * 1024 * 1024;

/** Source of the pictures of a preview. */
export type PictureSource =
  | { kind: 'scene'; id: string }
  | { kind: 'image'; name: string; image: ImageBitmap }
  | { kind: 'video'; name: string; video: HTMLVideoElement; url: string };

/**
 * Opens a file of the user's, which stays in the browser.
 *
 * @throws a sentence where it is too large, or nothing that this browser can show
 */
export async function openPicture(file: File): Promise<PictureSource> {
  if (file.size > MOST_FILE_BYTES)
    throw new Error(
      `“${file.name}” has ${Math.round(file.size / 1024 / 1024)} MB; at most 500 MB are opened, and a short piece of it shows the same.`,
    );
  if (file.type.startsWith('video/')) {
    const video = document.createElement('video');
    video.muted = true;
    video.loop = true;
    const url = URL.createObjectURL(file);
    video.src = url;
    try {
      await video.play();
      return { kind: 'video', name: file.name, video, url };
    } catch {
      URL.revokeObjectURL(url);
      throw new Error(`“${file.name}” is no video that this browser can show.`);
    }
  }
  try {
    return { kind: 'image', name: file.name, image: await createImageBitmap(file) };
  } catch {
    throw new Error(`“${file.name}” is no picture that this browser can read.`);
  }
}

/** Lets go of files and videos of a source. */
export function closePicture(source: PictureSource): void {
  if (source.kind === 'image') source.image.close();
  if (source.kind === 'video') {
    source.video.pause();
    URL.revokeObjectURL(source.url);
  }
}

/** Draws the picture of a moment. @returns how long a video took to give it, in ms; 0 for what is there already */
export async function drawPicture(
  context: CanvasRenderingContext2D,
  source: PictureSource,
  timeS: number,
): Promise<number> {
  const [width, height] = [CAPTURED_WIDTH, CAPTURED_HEIGHT];
  if (source.kind === 'scene') {
    byId(SCENES, source.id).draw(context, width, height, timeS);
    return 0;
  }
  if (source.kind === 'image') {
    context.drawImage(source.image, 0, 0, width, height);
    return 0;
  }
  const began = performance.now();
  const picture = await createImageBitmap(source.video);
  const decodedMs = performance.now() - began;
  context.drawImage(picture, 0, 0, width, height);
  picture.close();
  return decodedMs;
}
