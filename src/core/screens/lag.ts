import { serialRate } from '../catalogue/network';
import type { PixelType } from '../catalogue/pixelType';
import { channelsPerPixel } from '../catalogue/pixelType';
import { given } from '../figures/explained';
import { frameTimeUs, signalOf } from '../catalogue/signal';
import { countOf, groupDigits } from '../units/number';
import { BAUDS, NETWORK_MS, type LinkWish } from './linkWish';

/** A link with its pixels, and what a picture waits for before it. */
interface LagWish extends LinkWish {
  pixels: number;
  pixelType: PixelType;
  /** Time that a pixel takes to come to a new colour, as set. */
  smoothingMs: number;
}

export const LAG_PARTS = ['capture', 'processing', 'smoothing', 'link', 'chips'] as const;
export type LagPart = (typeof LAG_PARTS)[number];

interface Lag {
  /** In ms, from what is on the line of the picture to what lights. */
  parts: Record<LagPart, number>;
  /** The sum of the parts, in ms. */
  totalMs: number;
  /** Lights behind the picture that is seen, in ms: less than 0 where they are ahead of it. As worked out, or from what was filmed. */
  behindMs: number;
  isMeasured: boolean;
  /** Pictures a second that get through. */
  rateHz: number;
  bottleneck: LagPart;
  /** The smallest change that reaches the wanted rate; null where it is reached. */
  change: string | null;
}

const linkMs = (pixels: number, baud: number) =>
  1000 / serialRate(given('pixels', pixels, 'pixels'), given('baud', baud, 'baud')).value;

/** A pin of the computer that captures has nothing between. */
function linkMsOf(link: LinkWish['link'], pixels: number): number {
  switch (link.kind) {
    case 'serial':
      return linkMs(pixels, link.baud);
    case 'network':
      return link.isWireless ? NETWORK_MS.wireless : NETWORK_MS.wired;
    case 'pin':
      return 0;
  }
}

/** Adds up what a picture waits for on its way to the lights. A share of the capture, half a picture on average, is counted whole: its worst. */
export function lagOf(wish: LagWish): Lag {
  const { pixels, pixelType, captureHz, processingMs, smoothingMs, link, wantedHz } = wish;
  const chipsMs = frameTimeUs(signalOf(pixelType), pixels, channelsPerPixel(pixelType)) / 1000;
  const onLink = linkMsOf(link, pixels);
  const parts = {
    capture: 1000 / captureHz,
    processing: processingMs,
    smoothing: smoothingMs,
    link: onLink,
    chips: chipsMs,
  };
  const totalMs = Object.values(parts).reduce((sum, each) => sum + each, 0);
  const apart = link.kind !== 'serial' || link.receivesWhileLit;
  // Rate of each step; a board that cannot receive while it lights does one after the other.
  const rates: [LagPart, number][] = [
    ['capture', captureHz],
    ['processing', processingMs > 0 ? 1000 / processingMs : Infinity],
    ['link', link.kind === 'serial' ? 1000 / (apart ? onLink : onLink + chipsMs) : Infinity],
    ['chips', 1000 / chipsMs],
  ];
  const [bottleneck, rateHz] = rates.reduce((least, each) => (each[1] < least[1] ? each : least));
  const workedOutMs = totalMs - wish.screenDelayMs;
  return {
    parts,
    totalMs,
    // A filmed lag holds all that nobody can look up; a setting that is changed since changes it by as much as what is worked out.
    behindMs: wish.measured ? wish.measured.behindMs + workedOutMs - wish.measured.workedOutMs : workedOutMs,
    isMeasured: wish.measured !== undefined,
    rateHz,
    bottleneck,
    change: changesFor(
      rates.filter(([, hz]) => hz < wantedHz - 1e-9).map(([part]) => part),
      wish,
      apart,
    ),
  };
}

/** A lag that was filmed, in ms, with what is worked out for the settings that it was filmed with: it takes the place of the assumed share. */
export function withMeasuredLag(wish: LagWish, behindMs: number): NonNullable<LinkWish['measured']> {
  const { totalMs } = lagOf(wish);
  return { behindMs, workedOutMs: totalMs - wish.screenDelayMs };
}

/** A setting that could come next, and what is to be expected of it. */
interface NextSetting {
  words: string;
  behindMs: number;
  rateHz: number;
}

/** Each single change that is usual, with the lag and the rate to expect: those that change nothing are left out. */
export function nextSettings(wish: LagWish): NextSetting[] {
  const now = lagOf(wish);
  const { link } = wish;
  const tried: [string, Partial<LagWish>][] = [];
  if (link.kind === 'serial') {
    const baud = BAUDS.find((each) => each > link.baud);
    if (baud) tried.push([`${groupDigits(baud)} baud, at both ends`, { link: { ...link, baud } }]);
    if (!link.receivesWhileLit)
      tried.push(['a board that receives while it lights', { link: { ...link, receivesWhileLit: true } }]);
  } else if (link.kind === 'network' && link.isWireless)
    tried.push(['a cable instead of radio', { link: { kind: 'network', isWireless: false } }]);
  if (wish.smoothingMs > 0)
    tried.push([
      `smoothing of ${Math.round(wish.smoothingMs / 2)} ms`,
      { smoothingMs: Math.round(wish.smoothingMs / 2) },
    ]);
  if (wish.captureHz < 60)
    tried.push([
      `capture of ${Math.min(60, wish.captureHz * 2)} pictures a second`,
      { captureHz: Math.min(60, wish.captureHz * 2) },
    ]);
  if (wish.processingMs > 1)
    tried.push(['a captured picture of half the width and height', { processingMs: wish.processingMs / 4 }]);
  return tried
    .map(([words, change]) => {
      const { behindMs, rateHz } = lagOf({ ...wish, ...change });
      return { words, behindMs, rateHz };
    })
    .filter(
      ({ behindMs, rateHz }) =>
        Math.abs(behindMs - now.behindMs) > 0.05 || Math.abs(rateHz - now.rateHz) > 0.05,
    );
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
