import { activeArea, type Frame } from './pipeline';

/** Findings from a still of the capture device. */
export interface StillReport {
  /**
   * `black`: nothing of a picture; `pale`: as a picture in HDR whose tones nobody mapped; `picture`: nothing against it, the rest is for the
   * eye.
   */
  looks: 'black' | 'pale' | 'picture';
  /** Black at each side, to be cropped, in pixels of the still. */
  crop: { left: number; right: number; top: number; bottom: number };
}

/** A still is looked at in about so many places. */
const PLACES = 40_000;
/** Pale: the brightest hundredth stays below this byte, and colours below this share of theirs. */
const PALE_BRIGHTEST = 190;
const PALE_COLOUR = 0.22;

/** @param threshold brighter than this byte is picture */
export function stillReport(frame: Frame, threshold: number): StillReport {
  const { width, height, rgba } = frame;
  const active = activeArea(frame, threshold);
  const crop = {
    left: Math.round(active.x0 * width),
    right: Math.round((1 - active.x1) * width),
    top: Math.round(active.y0 * height),
    bottom: Math.round((1 - active.y1) * height),
  };
  const step = Math.max(1, Math.floor(Math.sqrt((width * height) / PLACES)));
  const brightness: number[] = [];
  let colour = 0;
  for (let y = crop.top; y < height - crop.bottom; y += step)
    for (let x = crop.left; x < width - crop.right; x += step) {
      const at = 4 * (y * width + x);
      const [red, green, blue] = [rgba[at]!, rgba[at + 1]!, rgba[at + 2]!];
      const most = Math.max(red, green, blue);
      brightness.push(most);
      colour += most === 0 ? 0 : (most - Math.min(red, green, blue)) / most;
    }
  brightness.sort((a, b) => a - b);
  const brightest = brightness[Math.floor(0.99 * (brightness.length - 1))] ?? 0;
  if (brightest <= threshold) return { looks: 'black', crop: { left: 0, right: 0, top: 0, bottom: 0 } };
  const isPale = brightest < PALE_BRIGHTEST && colour / brightness.length < PALE_COLOUR;
  return { looks: isPale ? 'pale' : 'picture', crop };
}

/** The place of a fault according to a still, and its consequences. */
export const STILL_WORDS: Record<StillReport['looks'], { says: string; next: string }> = {
  black: {
    says: 'Black: the capture gets no picture, so nothing is wrong with the lights.',
    next: 'With protected sources the devices did not agree: switch all off, and on again from the screen backwards. Then go down the ladder below.',
  },
  pale: {
    says: 'Dull and with little colour: this may be a scene of that kind, or a picture in HDR whose tones nobody mapped.',
    next: 'Take a still of something bright and colourful. If it is as dull, have the second output map its tones, or switch HDR off for the source.',
  },
  picture: {
    says: 'The capture has a picture. If it is the one on the screen, what is wrong is behind it: zones, counts, order or the link.',
    next: 'If it hangs or lags behind the screen, lower the captured size; if its edges are black, crop them as below.',
  },
};

/** Fixes for a capture device that is missing, the least effort first. */
export const CAPTURE_LADDER: readonly { step: string; why: string }[] = [
  { step: 'Untick the capture, save, tick it again, save', why: 'the program lets go of a device only then' },
  { step: 'Close every other program that shows its picture', why: 'one at a time may hold it' },
  {
    step: 'Put its plug into another socket, a fast one',
    why: 'a slow socket or a hub gives too little for its picture',
  },
  {
    step: 'Choose another size or another format of its picture',
    why: 'not every size that it offers works',
  },
  {
    step: 'Restart the small computer with the device plugged in',
    why: 'some are found only when it starts',
  },
  {
    step: 'Try it on another computer',
    why: 'if it is missing there too, the device or its cable is broken',
  },
];
