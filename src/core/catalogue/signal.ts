import type { PixelType, Timing } from './pixelType';
import {
  computed,
  difference,
  fromFigure,
  given,
  product,
  quotient,
  roundedDown,
  roundedUp,
  sum,
  type Explained,
  type Place,
} from '../figures/explained';
import { usual } from '../figures/figure';

const USUAL_OF_CLASS = 'data sheets of its class';
const FAST_LATCH_US = 300;
/** WS2811 in its slow mode and its like send at half the rate. */
const SLOW_CHIPS = new Set(['WS2811S', 'TM1804', 'UCS1903S']);
const CLOCKED_CHIPS = new Set(['APA102', 'APA107', 'SK9822', 'HD107S', 'LPD8806', 'WS2801']);

/** Signal of chips, with its source. */
export interface Signal {
  timing: Timing;
  place?: Place;
}

/**
 * The signal of a type of pixel: as it says itself, or else the usual one of its chip by part number. What is not known counts as the
 * usual one-wire chip at 800 kHz.
 */
export function signalOf({ chip, timing }: Pick<PixelType, 'chip' | 'timing'>): Signal {
  return { timing: timing ?? usualTiming(chip), place: { stage: 'build', list: 'pixelTypes' } };
}

export function usualTiming(chip: string): Timing {
  const part = chip.trim().toUpperCase();
  if (CLOCKED_CHIPS.has(part)) return { kind: 'clocked', clockHz: usual(4_000_000, USUAL_OF_CLASS) };
  return {
    kind: 'oneWire',
    bitUs: usual(SLOW_CHIPS.has(part) ? 2.5 : 1.25, USUAL_OF_CLASS),
    latchUs: usual(FAST_LATCH_US, 'new parts; old ones take 50 µs'),
  };
}

const aSecond = given('a second', 1_000_000, 'us');
const bitsOfColour = given('bits a channel', 8, 'number');

function timesOf({ timing, place }: Signal) {
  if (timing.kind === 'clocked') {
    const { value, ...standing } = timing.clockHz;
    return {
      kind: timing.kind,
      clock: fromFigure('clock', { ...standing, value: value / 1_000_000 }, 'mhz', place),
    };
  }
  return {
    kind: timing.kind,
    bit: fromFigure('time of a bit', timing.bitUs, 'us', place),
    latch: fromFigure('latch pause', timing.latchUs, 'us', place),
  };
}

/**
 * Time for one picture on a port, in microseconds.
 *
 * One wire: pixels * channels * 8 bits at the bit time, and the latch pause. Clocked (APA102 class): 32 bits a pixel, 32 to
 * start and at least half a bit a pixel to end.
 */
export function frameTime(signal: Signal, pixels: Explained, channelsPerPixel: Explained): Explained {
  const times = timesOf(signal);
  if (times.kind === 'oneWire')
    return computed(
      'frame time',
      'us',
      sum(product(pixels, channelsPerPixel, bitsOfColour, times.bit), times.latch),
      { rule: 'One-wire chips: a bit after the other, then a pause in which they take over what they got.' },
    );
  const bits = sum(
    product(given('bits a pixel', 32, 'number'), pixels),
    given('start of the frame', 32, 'number'),
    roundedUp(quotient(pixels, given('pixels a bit of its end', 2, 'number'))),
  );
  return computed('frame time', 'us', quotient(bits, times.clock), {
    rule: 'Chips with a clock wire: 32 bits a pixel, a start frame, and half a bit a pixel to end.',
  });
}

/** Pictures a second that a port can show at most. */
export function frameRate(time: Explained): Explained {
  return computed('frame rate', 'perSecond', quotient(aSecond, time));
}

/** The most pixels that a port can refresh at a rate. */
function pixelsAtRate(signal: Signal, channelsPerPixel: Explained, rate: Explained): Explained {
  const times = timesOf(signal);
  const period = quotient(aSecond, rate);
  const name = 'most pixels at the rate';
  if (times.kind === 'oneWire') {
    const room = difference(period, times.latch);
    const pixels = roundedDown(quotient(room, product(channelsPerPixel, bitsOfColour, times.bit)));
    return pixels.value >= 0 ? computed(name, 'pixels', pixels) : given(name, 0, 'pixels');
  }
  const bits = difference(product(period, times.clock), given('start of the frame', 32, 'number'));
  const most = roundedDown(quotient(bits, given('bits a pixel with its part of the end', 32.5, 'number')));
  if (most.value <= 0) return given(name, 0, 'pixels');
  // The end of a frame is whole bits, so that of an odd number of pixels the last may not fit.
  const taken = frameTime(signal, given('pixels', most.value, 'pixels'), channelsPerPixel).value;
  return computed(
    name,
    'pixels',
    taken > period.value + 1e-6 ? difference(most, given('for whole bits at the end', 1, 'pixels')) : most,
  );
}

const plain = (pixels: number, channels: number) =>
  [given('pixels', pixels, 'pixels'), given('channels a pixel', channels, 'number')] as const;

/** As `frameTime`, where nobody asks how. */
export function frameTimeUs(signal: Signal, pixels: number, channelsPerPixel: number): number {
  return frameTime(signal, ...plain(pixels, channelsPerPixel)).value;
}

/** Pictures a second that a port can show at most; no limit without pixels. */
export function mostFrameRateHz(signal: Signal, pixels: number, channelsPerPixel: number): number {
  return pixels === 0 ? Infinity : 1_000_000 / frameTimeUs(signal, pixels, channelsPerPixel);
}

/** As `pixelsAtRate`, where nobody asks how. */
export function mostPixelsAtRate(signal: Signal, channelsPerPixel: number, rateHz: number): number {
  const [, channels] = plain(0, channelsPerPixel);
  return pixelsAtRate(signal, channels, given('pictures a second', rateHz, 'number')).value;
}
