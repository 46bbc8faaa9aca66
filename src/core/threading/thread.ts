import { runStarts, type Runs } from './runs';
import type { Strand } from './strands';
import { itemAt } from '../units/there';

/** Positions in millimetres, prop-local, as seen from the front: x right, y up, z towards the audience. */
export interface Points {
  xMm: Float32Array;
  yMm: Float32Array;
  zMm: Float32Array;
}

interface ThreadedStrand {
  number: number;
  /** Place of its first pixel in the prop's data order, from 0. */
  firstPixel: number;
  pixelCount: number;
}

interface ThreadedRun {
  firstPixel: number;
  pixelCount: number;
  firstStrand: number;
  strandCount: number;
}

/** A wire from the last pixel of one strand to the first of the next in the same run. */
interface Jumper {
  fromPixel: number;
  toPixel: number;
  /** Distance between the two pixels in a straight line. */
  lengthMm: number;
}

export interface Threaded extends Points {
  pixelCount: number;
  /** Index into `strands` for every pixel in data order. */
  strandOfPixel: Uint32Array;
  strands: ThreadedStrand[];
  runs: ThreadedRun[];
  jumpers: Jumper[];
  /** Places in the data order of pixels that are on the wire but not seen, such as one folded into a corner. */
  hiddenPixels: Uint32Array;
}

/**
 * Lays the data line through a prop's points.
 *
 * @param points the prop's points in its own numbering
 * @param strands in data order and direction; together they visit every point once
 * @param runs how to split it, always between strands
 * @param isJoined whether data runs on from one strand to the next, by their numbers, so that nothing has to be jumped
 * @param hiddenPoints points that are not seen
 * @returns the points in data order, with runs, strands and the jumpers between strands of one run
 */
export function thread(
  points: Points,
  strands: readonly Strand[],
  wantedRuns: Runs,
  isJoined: (from: number, to: number) => boolean = () => false,
  hiddenPoints: ArrayLike<number> = [],
): Threaded {
  const filled = strands.filter((strand) => strand.count > 0);
  const pixelCount = filled.reduce((sum, strand) => sum + strand.count, 0);
  const xMm = new Float32Array(pixelCount);
  const yMm = new Float32Array(pixelCount);
  const zMm = new Float32Array(pixelCount);
  const strandOfPixel = new Uint32Array(pixelCount);
  const threaded: ThreadedStrand[] = [];
  const isHidden = hiddenPoints.length > 0 ? new Uint8Array(points.xMm.length) : null;
  for (let i = 0; i < hiddenPoints.length; i += 1) isHidden![hiddenPoints[i]!] = 1;
  const hidden: number[] = [];

  let pixel = 0;
  filled.forEach((strand, index) => {
    threaded.push({ number: strand.number, firstPixel: pixel, pixelCount: strand.count });
    let point = strand.firstPoint;
    for (let i = 0; i < strand.count; i += 1, pixel += 1, point += strand.step) {
      xMm[pixel] = points.xMm[point]!;
      yMm[pixel] = points.yMm[point]!;
      zMm[pixel] = points.zMm[point]!;
      strandOfPixel[pixel] = index;
      if (isHidden?.[point]) hidden.push(pixel);
    }
  });

  const starts = runStarts(
    filled.map((strand) => strand.count),
    wantedRuns,
  );
  const runs = starts.map((firstStrand, i): ThreadedRun => {
    const endStrand = starts[i + 1] ?? threaded.length;
    const firstPixel = itemAt(threaded, firstStrand).firstPixel;
    const endPixel = threaded[endStrand]?.firstPixel ?? pixelCount;
    return {
      firstPixel,
      pixelCount: endPixel - firstPixel,
      firstStrand,
      strandCount: endStrand - firstStrand,
    };
  });

  const jumpers: Jumper[] = [];
  for (const run of runs) {
    for (let s = run.firstStrand + 1; s < run.firstStrand + run.strandCount; s += 1) {
      if (isJoined(itemAt(threaded, s - 1).number, itemAt(threaded, s).number)) continue;
      const toPixel = itemAt(threaded, s).firstPixel;
      const fromPixel = toPixel - 1;
      const lengthMm = Math.hypot(
        xMm[toPixel]! - xMm[fromPixel]!,
        yMm[toPixel]! - yMm[fromPixel]!,
        zMm[toPixel]! - zMm[fromPixel]!,
      );
      jumpers.push({ fromPixel, toPixel, lengthMm });
    }
  }
  return {
    pixelCount,
    xMm,
    yMm,
    zMm,
    strandOfPixel,
    strands: threaded,
    runs,
    jumpers,
    hiddenPixels: Uint32Array.from(hidden),
  };
}
