/**
 * How chips are told their colours, by part number. The figures are the usual ones of the data sheets and stand until the
 * builder replaces them.
 */
export type Signal =
  /** One data wire at a fixed bit rate, then a pause in which the chips take over what they got. */
  | { kind: 'oneWire'; bitUs: number; latchUs: number }
  /** A data and a clock wire at a rate that the controller chooses. */
  | { kind: 'clocked'; clockHz: number };

const FAST_LATCH_US = 300;
/** WS2811 in its slow mode and its like send at half the rate. */
const SLOW_CHIPS = new Set(['WS2811S', 'TM1804', 'UCS1903S']);
const CLOCKED_CHIPS = new Set(['APA102', 'APA107', 'SK9822', 'HD107S', 'LPD8806', 'WS2801']);

/** The signal of a chip by its part number; what is not known counts as the usual one-wire chip at 800 kHz. */
export function signalOf(chip: string): Signal {
  const part = chip.trim().toUpperCase();
  if (CLOCKED_CHIPS.has(part)) return { kind: 'clocked', clockHz: 4_000_000 };
  return { kind: 'oneWire', bitUs: SLOW_CHIPS.has(part) ? 2.5 : 1.25, latchUs: FAST_LATCH_US };
}

/**
 * Time for one picture on a port.
 *
 * One wire: pixels * channels * 8 bits at the bit time, and the latch pause. Clocked (APA102 class): 32 bits a pixel, 32 to
 * start and at least half a bit a pixel to end.
 *
 * @returns microseconds
 */
export function frameTimeUs(signal: Signal, pixels: number, channelsPerPixel: number): number {
  if (signal.kind === 'clocked')
    return ((32 * pixels + 32 + Math.ceil(pixels / 2)) * 1_000_000) / signal.clockHz;
  return pixels * channelsPerPixel * 8 * signal.bitUs + signal.latchUs;
}

/** Pictures a second that a port can show at most; no limit without pixels. */
export function mostFrameRateHz(signal: Signal, pixels: number, channelsPerPixel: number): number {
  return pixels === 0 ? Infinity : 1_000_000 / frameTimeUs(signal, pixels, channelsPerPixel);
}

/** The most pixels that a port can refresh at a rate. */
export function mostPixelsAtRate(signal: Signal, channelsPerPixel: number, rateHz: number): number {
  const availableUs = 1_000_000 / rateHz;
  const most =
    signal.kind === 'clocked'
      ? ((availableUs * signal.clockHz) / 1_000_000 - 32) / 32.5
      : (availableUs - signal.latchUs) / (channelsPerPixel * 8 * signal.bitUs);
  // A pixel that fits but for rounding still fits; the end of a clocked frame is rounded up to whole bits.
  const pixels = Math.max(0, Math.floor(most + 1e-9));
  return pixels > 0 && frameTimeUs(signal, pixels, channelsPerPixel) > availableUs + 1e-6
    ? pixels - 1
    : pixels;
}
