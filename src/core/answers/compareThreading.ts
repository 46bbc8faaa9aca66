import { crossingsOf } from './seams';
import { boundsOf } from '../geometry/bounds';
import { frameTimeUs, mostPixelsAtRate, type Signal } from '../catalogue/signal';
import { kindOf, threadProp, type Prop, withThreading } from '../props/registry';

import { countOf } from '../units/number';
import { formatLength, type Lengths } from '../units/length';
import { fewestRuns } from '../threading/split';
import type { Threaded } from '../threading/thread';
import { itemAt } from '../units/there';

export interface SchemeLimits {
  signal: Signal;
  channelsPerPixel: number;
  /** Limits of a port of the controller. */
  mostPixelsPerPort: number;
  wantedRateHz: number;
  /** Reach of a hand above the ground of the prop. */
  reachMm: number;
}

/** One way to thread a prop, with what it costs. */
export interface Scheme {
  threading: Prop['threading'];
  words: string;
  /** The word for a strand under this threading. */
  strandWord: string;
  isCurrent: boolean;
  threaded: Threaded;
  ports: number;
  longestRunPixels: number;
  shortestRunPixels: number;
  jumpers: number;
  longestJumperMm: number;
  jumpersMm: number;
  /** Data lines that cross a seam, for each seam of the prop. */
  plugsPerSeam: number[];
  plugs: number;
  /** Ends of runs and loops between strands: the places where power can be fed in. */
  feedPlaces: number;
  feedPlacesFromGround: number;
  feedPlacesAtEdge: number;
  /** Frame rate of the longest run. */
  frameRateHz: number;
  /** The longest run fits the port and shows the wanted pictures a second. */
  fits: boolean;
}

/**
 * The ways to thread a prop that are worth comparing: each order with the fewest runs that a port takes at the wanted rate,
 * each with a run per strand, and the one that is chosen now.
 */
export function compareSchemes(prop: Prop, limits: SchemeLimits): Scheme[] {
  const kind = kindOf(prop);
  const most = mostPixelsPerRun(limits);
  const seen = new Map<string, Scheme>();
  const add = (threading: Prop['threading']) => {
    // A panel wall is one run, whatever a port takes.
    if (!kind.threadingSchema.safeParse(threading).success) return;
    const scheme = measure(prop, threading, limits);
    // A number of runs and a list of strands may come to the same.
    const key = JSON.stringify([
      { ...threading, runs: 0 },
      scheme.threaded.runs.map((run) => run.firstPixel),
    ]);
    const known = seen.get(key);
    if (!known) seen.set(key, scheme);
    else if (scheme.isCurrent) seen.set(key, { ...known, isCurrent: true, threading });
  };
  for (const order of kind.alternatives?.(prop.shape, prop.threading) ?? [prop.threading]) {
    const { strands } = threadProp(withThreading(prop, { ...order, runs: 1 }));
    if (strands.length === 0) continue;
    const lengths = strands.map((strand) => strand.pixelCount);
    add({ ...order, runs: fewestRuns(lengths, most) ?? Math.min(500, lengths.length) });
    if (lengths.length > 1 && lengths.length <= 500) add({ ...order, runs: lengths.length });
  }
  add(prop.threading);
  return [...seen.values()].sort(
    (a, b) =>
      Number(b.fits) - Number(a.fits) ||
      a.ports - b.ports ||
      // A plug at a seam is undone and done again every season.
      a.plugs - b.plugs ||
      a.jumpersMm - b.jumpersMm ||
      b.feedPlacesFromGround - a.feedPlacesFromGround,
  );
}

/** The most pixels of a port at the wanted rate and by its own limit. */
export function mostPixelsPerRun(limits: SchemeLimits): number {
  return Math.min(
    limits.mostPixelsPerPort,
    mostPixelsAtRate(limits.signal, limits.channelsPerPixel, limits.wantedRateHz),
  );
}

function measure(prop: Prop, threading: Prop['threading'], limits: SchemeLimits): Scheme {
  const kind = kindOf(prop);
  const threaded = threadProp(withThreading(prop, threading));
  const counts = threaded.runs.map((run) => run.pixelCount);
  const longestRunPixels = Math.max(0, ...counts);
  const lengths = threaded.jumpers.map((jumper) => jumper.lengthMm);
  const plugsPerSeam = (kind.seams?.(prop.shape) ?? []).map((seam) => crossingsOf(threaded, seam).length);
  const frameRateHz = 1_000_000 / frameTimeUs(limits.signal, longestRunPixels, limits.channelsPerPixel);
  const places = feedPlaces(threaded, limits.reachMm);
  return {
    threading,
    words: kind.threadingWords(threading),
    strandWord: kind.strandWord(threading),
    isCurrent: JSON.stringify(threading) === JSON.stringify(prop.threading),
    threaded,
    ports: threaded.runs.length,
    longestRunPixels,
    shortestRunPixels: counts.length === 0 ? 0 : Math.min(...counts),
    jumpers: lengths.length,
    longestJumperMm: Math.max(0, ...lengths),
    jumpersMm: lengths.reduce((sum, length) => sum + length, 0),
    plugsPerSeam,
    plugs: plugsPerSeam.reduce((sum, count) => sum + count, 0),
    ...places,
    frameRateHz,
    fits: longestRunPixels <= mostPixelsPerRun(limits),
  };
}

/**
 * Places where power can be fed in beside the data: both ends of every run, and every loop between two strands. A loop can
 * be reached where one of its two ends can.
 */
function feedPlaces({ xMm, yMm, runs, jumpers, strands, pixelCount }: Threaded, reachMm: number) {
  const none = { feedPlaces: 0, feedPlacesFromGround: 0, feedPlacesAtEdge: 0 };
  const box = boundsOf(xMm, yMm);
  if (!box || pixelCount === 0) return none;
  const first = itemAt(strands, 0);
  const spacing =
    first.pixelCount > 1
      ? Math.hypot(
          xMm[first.firstPixel + 1]! - xMm[first.firstPixel]!,
          yMm[first.firstPixel + 1]! - yMm[first.firstPixel]!,
        )
      : 1;
  const low = (i: number) => yMm[i]! - box.bottomMm <= reachMm;
  const outside = (i: number) =>
    Math.min(xMm[i]! - box.leftMm, box.rightMm - xMm[i]!, yMm[i]! - box.bottomMm, box.topMm - yMm[i]!) <
    spacing / 2 + 0.5;
  const places = [
    ...runs.flatMap((run) => [[run.firstPixel], [run.firstPixel + run.pixelCount - 1]]),
    ...jumpers.map((jumper) => [jumper.fromPixel, jumper.toPixel]),
  ];
  return {
    feedPlaces: places.length,
    feedPlacesFromGround: places.filter((ends) => ends.some(low)).length,
    feedPlacesAtEdge: places.filter((ends) => ends.some(outside)).length,
  };
}

interface Recommendation {
  scheme: Scheme;
  /** Why, in one line, with what it costs. */
  why: string;
}

/** The scheme with the fewest ports that fits, among those the one with the fewest plugs at seams, and then with the shortest jumpers. */
export function recommendScheme(schemes: readonly Scheme[], lengths: Lengths): Recommendation | null {
  const best = schemes[0];
  if (!best) return null;
  if (!best.fits)
    return {
      scheme: best,
      why: `Even one ${best.strandWord} a run is too long for a port at this rate: lower the rate, or make the ${best.strandWord}s shorter.`,
    };
  const jumpers =
    best.jumpers === 0
      ? 'no jumpers'
      : `${formatLength(Math.round(best.jumpersMm), lengths)} of jumpers, the longest ${formatLength(Math.round(best.longestJumperMm), lengths)}`;
  const withoutLoops = schemes.find((other) => other.fits && other.jumpers === 0 && other !== best);
  const trade = withoutLoops
    ? `a port for each ${withoutLoops.strandWord} would need no jumper, but ${countOf(withoutLoops.ports, 'port')}`
    : best.jumpers > 0
      ? 'the price is data that runs through every loop: a broken joint darkens all after it'
      : 'nothing to trade: there is one way to go';
  return {
    scheme: best,
    why: `Fewest ports (${best.ports}) with ${best.plugsPerSeam.length > 0 ? `${countOf(best.plugs, 'plug')} at the seams and ` : ''}${jumpers}; ${trade}.`,
  };
}
