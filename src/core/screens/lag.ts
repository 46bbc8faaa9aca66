import { serialRate } from '../catalogue/network';
import type { PixelType } from '../catalogue/pixelType';
import { channelsPerPixel } from '../catalogue/pixelType';
import { given } from '../figures/explained';
import { frameTimeUs, signalOf } from '../protocols/signal';
import { countOf, groupDigits } from '../units/number';

/** How lights follow a picture. */
export interface LagWish {
  pixels: number;
  pixelType: PixelType;
  /** Pictures a second that the capture gives. */
  captureHz: number;
  /** Of one captured picture, in ms. */
  processingMs: number;
  /** How long a light takes to come to a new colour, as it is set, in ms. */
  smoothingMs: number;
  link: { kind: 'serial'; baud: number; receivesWhileLit: boolean } | { kind: 'network'; ms: number };
  wantedHz: number;
}

export const LAG_PARTS = ['capture', 'processing', 'smoothing', 'link', 'chips'] as const;
export type LagPart = (typeof LAG_PARTS)[number];

export interface Lag {
  /** In ms, from what happens on the screen to what lights. */
  parts: Record<LagPart, number>;
  totalMs: number;
  /** Pictures a second that get through. */
  rateHz: number;
  bottleneck: LagPart;
  /** The smallest change that reaches the wanted rate; null where it is reached. */
  change: string | null;
}

const BAUDS = [115_200, 230_400, 460_800, 500_000, 921_600, 1_000_000, 2_000_000];

const linkMs = (pixels: number, baud: number) =>
  1000 / serialRate(given('pixels', pixels, 'pixels'), given('baud', baud, 'baud')).value;

/** Adds up what a picture waits for on its way to the lights. A share of the capture, half a picture on average, is counted whole: its worst. */
export function lagOf(wish: LagWish): Lag {
  const { pixels, pixelType, captureHz, processingMs, smoothingMs, link, wantedHz } = wish;
  const chipsMs = frameTimeUs(signalOf(pixelType), pixels, channelsPerPixel(pixelType)) / 1000;
  const onLink = (baud: number) => linkMs(pixels, baud);
  const link_ = link.kind === 'serial' ? onLink(link.baud) : link.ms;
  const parts = {
    capture: 1000 / captureHz,
    processing: processingMs,
    smoothing: smoothingMs,
    link: link_,
    chips: chipsMs,
  };
  const apart = link.kind === 'network' || link.receivesWhileLit;
  // What each step allows; a board that cannot receive while it lights does one after the other.
  const rates: [LagPart, number][] = [
    ['capture', captureHz],
    ['processing', processingMs > 0 ? 1000 / processingMs : Infinity],
    ['link', link.kind === 'serial' ? 1000 / (apart ? link_ : link_ + chipsMs) : Infinity],
    ['chips', 1000 / chipsMs],
  ];
  const [bottleneck, rateHz] = rates.reduce((least, each) => (each[1] < least[1] ? each : least));
  return {
    parts,
    totalMs: Object.values(parts).reduce((sum, each) => sum + each, 0),
    rateHz,
    bottleneck,
    change: changesFor(
      rates.filter(([, hz]) => hz < wantedHz - 1e-9).map(([part]) => part),
      wish,
      apart,
    ),
  };
}

/** Whatever is lifted, the next that is too slow would hold it: all of them are named, and the lights parted once for all. */
function changesFor(slow: readonly LagPart[], wish: LagWish, apart: boolean): string | null {
  const { pixels, pixelType, wantedHz, link, captureHz } = wish;
  const chipsMs = (count: number) =>
    frameTimeUs(signalOf(pixelType), count, channelsPerPixel(pixelType)) / 1000;
  const timeAt = (baud: number) => (count: number) => linkMs(count, baud) + (apart ? 0 : chipsMs(count));
  /** The fewest parts of which each takes no longer than a picture may; infinite where a single pixel does. */
  const partsFor = (timeMs: (count: number) => number): number => {
    for (let parts = 2; parts <= pixels; parts += 1)
      if (1000 / timeMs(Math.ceil(pixels / parts)) >= wantedHz) return parts;
    return Infinity;
  };
  const says: string[] = [];
  let parts = 1;
  for (const part of slow) {
    if (part === 'capture')
      says.push(`Capture ${Math.ceil(wantedHz)} pictures a second; now there are ${captureHz}.`);
    else if (part === 'processing')
      says.push('Capture a smaller picture: zones need no more than some pixels each.');
    else if (part === 'link' && link.kind === 'serial') {
      const baud = BAUDS.find((each) => each > link.baud && 1000 / timeAt(each)(pixels) >= wantedHz);
      if (baud) says.push(`Set the line to ${groupDigits(baud)} baud, at both ends.`);
      else parts = Math.max(parts, partsFor(timeAt(link.baud)));
    } else parts = Math.max(parts, partsFor(chipsMs));
  }
  if (parts === Infinity) says.push(`Be content with fewer than ${wantedHz} pictures a second.`);
  else if (parts > 1) says.push(`Part the ${countOf(pixels, 'pixel')} over ${parts} outputs.`);
  return says.length === 0 ? null : says.join(' ');
}

/** The captured picture that suffices: at least two of its pixels along and across every zone, in steps of 16. */
export function sufficientCapture(zones: readonly { x0: number; x1: number; y0: number; y1: number }[]): {
  width: number;
  height: number;
} {
  const least = (sizes: readonly number[]) => Math.min(...sizes.filter((size) => size > 0), 1);
  const steps = (size: number) => 16 * Math.ceil(2 / least([size]) / 16);
  return {
    width: steps(least(zones.map(({ x0, x1 }) => x1 - x0))),
    height: steps(least(zones.map(({ y0, y1 }) => y1 - y0))),
  };
}
