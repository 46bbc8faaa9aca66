import { UNIVERSE_SLOTS, slotsPerUniverse, unitChannels, type Packing } from '../catalogue/packing';
import type { Corner } from '../threading/view';
import { itemAt } from '../units/there';

/**
 * The picture map: the sender's pixels run row by row over the whole wall from a corner. It knows nothing of panels.
 */
export interface PictureMap {
  /** Size of the whole wall, in pixels. */
  width: number;
  height: number;
  corner: Corner;
}

const fromRight = (corner: Corner) => corner === 'topRight' || corner === 'bottomRight';
const fromBottom = (corner: Corner) => corner === 'bottomLeft' || corner === 'bottomRight';

/** Place in the sender's order, from 0, of a screen pixel. */
export function pictureIndex({ width, height, corner }: PictureMap, x: number, y: number): number {
  return (fromBottom(corner) ? height - 1 - y : y) * width + (fromRight(corner) ? width - 1 - x : x);
}

/** The screen pixel at a place in the sender's order. */
export function pictureXy({ width, height, corner }: PictureMap, index: number): [x: number, y: number] {
  const column = index % width;
  const row = (index - column) / width;
  return [fromRight(corner) ? width - 1 - column : column, fromBottom(corner) ? height - 1 - row : row];
}

export interface PictureTotals {
  pixels: number;
  channels: number;
  universes: number;
  lastUniverse: number;
  /** Channels of the wall in its last universe. */
  channelsInLast: number;
  /** The universe and channel at which the next thing could begin. */
  nextUniverse: number;
  nextChannel: number;
  /** Places in the sender's order, from 0, of pixels that lie across two universes. */
  straddling: number[];
  straddlingCount: number;
}

/**
 * The part of the channel space that a picture takes when it starts at a universe and channel.
 *
 * @param most how many straddling pixels are listed; all are counted
 */
export function pictureTotals(
  pixels: number,
  packing: Packing,
  startUniverse: number,
  startChannel: number,
  most = 200,
): PictureTotals {
  const channels = pixels * 3;
  const size = slotsPerUniverse(packing);
  const unit = unitChannels(packing, 3);
  const roomIn = (slot: number) => Math.floor((size - slot) / unit) * unit;
  const straddling: number[] = [];
  let straddlingCount = 0;
  let universe = startUniverse;
  let slot = startChannel - 1;
  let [lastUniverse, channelsInLast, universes] = [startUniverse, 0, 0];
  for (let channel = 0; channel < channels;) {
    const take = Math.min(roomIn(slot), channels - channel);
    if (take > 0) {
      universes += 1;
      [lastUniverse, channelsInLast] = [universe, take];
      channel += take;
      slot += take;
      if (channel % 3 !== 0 && channel < channels) {
        straddlingCount += 1;
        if (straddling.length < most) straddling.push(Math.floor(channel / 3));
      }
    }
    if (channel < channels) {
      universe += 1;
      slot = 0;
      if (universe > startUniverse + channels + 1)
        throw new RangeError('No pixel fits a universe this small.');
    }
  }
  const full = roomIn(slot) <= 0;
  return {
    pixels,
    channels,
    universes,
    lastUniverse,
    channelsInLast,
    nextUniverse: full ? universe + 1 : universe,
    nextChannel: full ? 1 : slot + 1,
    straddling,
    straddlingCount,
  };
}

/** Colours of one channel each, as a fill is sent. */
export const FILLS = ['red', 'green', 'blue'] as const;
export type Fill = (typeof FILLS)[number];

/**
 * The colours of a wall when sender and receiver disagree about the channels of a universe and one pure colour is sent.
 *
 * The sender's channel c goes out in universe floor(c / s), slot c mod s. The receiver reads its own channel i from universe
 * floor(i / r), slot i mod r; slots that nobody sent stay dark.
 *
 * @returns a byte for each pixel in the sender's order: bit 0 red, bit 1 green, bit 2 blue
 */
export function disagreement(pixels: number, sent: number, received: number, fill: Fill): Uint8Array {
  const channels = pixels * 3;
  const wanted = FILLS.indexOf(fill);
  const seen = new Uint8Array(pixels);
  for (let i = 0; i < channels; i += 1) {
    const universe = Math.floor(i / received);
    const slot = i - universe * received;
    const source = universe * sent + slot;
    if (slot < sent && source < channels && source % 3 === wanted) seen[Math.floor(i / 3)]! |= 1 << (i % 3);
  }
  return seen;
}

interface Band {
  firstPixel: number;
  pixelCount: number;
  /** `red`, `yellow`, `dark`, … */
  colour: string;
}

const COLOUR_WORDS = ['dark', 'red', 'green', 'yellow', 'blue', 'magenta', 'cyan', 'white'];

/** Pixels in a row that show the same. */
interface Stretch {
  bits: number;
  pixelCount: number;
}

/** Stretches of one colour of what is seen; pixels in which two universes meet are left to their neighbours' band. */
export function bandsOf(seen: Uint8Array, least = 3): Band[] {
  return bandsFrom(
    (function* () {
      for (const bits of seen) yield { bits, pixelCount: 1 };
    })(),
    least,
  );
}

/** As `bandsOf` of `disagreement`, at a cost that grows with universes and not with pixels. */
export function bandsOfDisagreement(
  pixels: number,
  sent: number,
  received: number,
  fill: Fill,
  least = 3,
): Band[] {
  return bandsFrom(stretchesOfDisagreement(pixels, sent, received, fill), least);
}

/** Inside one universe of the receiver all whole pixels that were sent show the same; only those at its borders are looked at singly. */
function* stretchesOfDisagreement(
  pixels: number,
  sent: number,
  received: number,
  fill: Fill,
): Generator<Stretch> {
  const channels = pixels * 3;
  const wanted = FILLS.indexOf(fill);
  const bitsOf = (pixel: number) => {
    let bits = 0;
    for (let i = 3 * pixel; i < 3 * pixel + 3; i += 1) {
      const universe = Math.floor(i / received);
      const slot = i - universe * received;
      const source = universe * sent + slot;
      if (slot < sent && source < channels && source % 3 === wanted) bits |= 1 << (i % 3);
    }
    return bits;
  };
  let pixel = 0;
  for (let universe = 0; pixel < pixels; universe += 1) {
    const from = universe * received;
    // Slots that were sent, as far as there are channels to send.
    const filled = Math.min(sent, received, Math.max(0, channels - universe * sent));
    for (const end of [from + filled, from + received]) {
      const whole = Math.min(pixels, Math.floor(end / 3));
      for (; pixel < whole && 3 * pixel < from; pixel += 1) yield { bits: bitsOf(pixel), pixelCount: 1 };
      if (whole > pixel) {
        yield { bits: bitsOf(pixel), pixelCount: whole - pixel };
        pixel = whole;
      }
      // The pixel in which what was sent, or the universe, ends.
      if (pixel < pixels && 3 * pixel < end) {
        yield { bits: bitsOf(pixel), pixelCount: 1 };
        pixel += 1;
      }
    }
  }
}

function bandsFrom(stretches: Iterable<Stretch>, least: number): Band[] {
  const bands: Band[] = [];
  const add = ({ bits, pixelCount }: Stretch, firstPixel: number) => {
    const last = bands.at(-1);
    const colour = itemAt(COLOUR_WORDS, bits);
    if (last && (pixelCount < least || last.colour === colour)) last.pixelCount += pixelCount;
    else bands.push({ firstPixel, pixelCount, colour });
  };
  let first = 0;
  let open = null as Stretch | null;
  for (const { bits, pixelCount } of stretches) {
    if (open?.bits === bits) open.pixelCount += pixelCount;
    else {
      if (open) add(open, first);
      first += open?.pixelCount ?? 0;
      open = { bits, pixelCount };
    }
  }
  if (open) add(open, first);
  return bands;
}

/** The fix for a disagreement, in one sentence; null where there is none. */
export function disagreementWords(sent: number, received: number): string | null {
  if (sent === received) return null;
  const step = received - sent;
  return `Universe u starts ${Math.abs(step)} × (u − 1) channels too ${step > 0 ? 'late' : 'early'} in the receiver, so colours rotate and the picture creeps sideways, worse towards the end. Set both ends to the same: the receiver to ${sent} (then nothing else moves), or the sender to ${received}${received === UNIVERSE_SLOTS ? ' (a pixel may then lie across two universes)' : ''}.`;
}
