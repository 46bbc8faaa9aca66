import type { Anchors } from './kind';
import { itemAt, lastOf } from '../units/there';

/** A place on the ground or on a board, about the middle of the drawing, and how to find it without a square. */
export interface StakePlace {
  /** From 1, in the order of the strands or pixels. */
  number: number;
  xMm: number;
  yMm: number;
  /** From the middle. */
  radiusMm: number;
  /** Straight to the next one; null at the last of an open row. */
  toNextMm: number | null;
  /** The same along the circle about the middle; null where the two are not on one. */
  toNextArcMm: number | null;
  /** Along the two tapes that are hooked to the reference stakes. */
  tapeAMm: number;
  tapeBMm: number;
}

export interface SettingOut {
  places: StakePlace[];
  /** Numbers of the stakes at which the tapes are hooked. */
  referenceA: number;
  referenceB: number;
  /** Between the two reference stakes: measure this first. */
  baseMm: number;
}

/** Places after which two neighbours belong to different circles, so that no spacing is said from one to the other. */
type RowLengths = readonly number[];

/**
 * The place of every stake, by x and y from the middle and by two tapes from two stakes that stand already.
 *
 * Two tapes meet at two places, one on either side of the line between the stakes. `yMm` says on which side a stake is.
 *
 * @param references numbers of two stakes, from 1; left out, the two that are farthest apart among the first of each quarter
 * @param rows how many places follow one another on each circle or line; all on one if left out
 * @param closed whether the last of a row has the first as its neighbour
 */
export function setOut(
  anchors: Pick<Anchors, 'xMm' | 'yMm'>,
  {
    references,
    rows = [anchors.xMm.length],
    closed = false,
  }: { references?: readonly [number, number]; rows?: RowLengths; closed?: boolean } = {},
): SettingOut {
  const { xMm, yMm } = anchors;
  const count = xMm.length;
  const distance = (a: number, b: number) =>
    Math.hypot(itemAt(xMm, a) - itemAt(xMm, b), itemAt(yMm, a) - itemAt(yMm, b));
  const inRange = (n: number) => n >= 1 && n <= count;
  const [a, b] =
    references && references.every(inRange) && references[0] !== references[1]
      ? [references[0] - 1, references[1] - 1]
      : goodReferences(count, distance);
  const places: StakePlace[] = [];
  let first = 0;
  for (const length of rows) {
    for (let i = first; i < Math.min(first + length, count); i += 1) {
      const isLast = i === first + length - 1;
      const next = isLast ? (closed && length > 2 ? first : null) : i + 1;
      places.push({
        number: i + 1,
        xMm: itemAt(xMm, i),
        yMm: itemAt(yMm, i),
        radiusMm: Math.hypot(itemAt(xMm, i), itemAt(yMm, i)),
        toNextMm: next === null || next >= count ? null : distance(i, next),
        toNextArcMm:
          next === null || next >= count
            ? null
            : arcMm(itemAt(xMm, i), itemAt(yMm, i), itemAt(xMm, next), itemAt(yMm, next)),
        tapeAMm: distance(a, i),
        tapeBMm: distance(b, i),
      });
    }
    first += length;
  }
  return { places, referenceA: a + 1, referenceB: b + 1, baseMm: count === 0 ? 0 : distance(a, b) };
}

/** One rope, knotted into a triangle with its loop over the pole, by which every place is found from the one before. */
export interface KnottedRope {
  /** From the loop to the first knot, and from the second knot back to the loop. */
  radiusMm: number;
  /** From the first knot to the second. */
  chordMm: number;
  totalMm: number;
  /** Straight from the last place to the first: what to check when all stand; null for fewer than three. */
  closingMm: number | null;
}

/** The rope of places that are on one circle about the middle and equally far apart; null where they are not. */
export function knottedRope({ places }: Pick<SettingOut, 'places'>): KnottedRope | null {
  const [first] = places;
  if (!first || places.length < 2 || first.toNextMm === null || first.radiusMm < 1) return null;
  const last = lastOf(places);
  const near = (a: number, b: number) => Math.abs(a - b) < 0.5;
  const isEven = places.every(
    (place) =>
      near(place.radiusMm, first.radiusMm) &&
      (place.toNextMm === null ? place === last : near(place.toNextMm, first.toNextMm!)),
  );
  if (!isEven) return null;
  return {
    radiusMm: first.radiusMm,
    chordMm: first.toNextMm,
    totalMm: 2 * first.radiusMm + first.toNextMm,
    closingMm: places.length < 3 ? null : Math.hypot(last.xMm - first.xMm, last.yMm - first.yMm),
  };
}

/** Along the circle about the middle from one place to another: 2 * r * asin(chord / (2 * r)). */
function arcMm(x1: number, y1: number, x2: number, y2: number): number | null {
  const radius = Math.hypot(x1, y1);
  if (radius < 1 || Math.abs(radius - Math.hypot(x2, y2)) > 0.01 * radius) return null;
  return 2 * radius * Math.asin(Math.min(1, Math.hypot(x2 - x1, y2 - y1) / (2 * radius)));
}

/**
 * Two tapes cross cleanly at about a right angle. Two stakes a quarter of a circle apart serve all the others well, while
 * two that are opposite leave those near the line between them undetermined.
 */
function goodReferences(count: number, distance: (a: number, b: number) => number): [number, number] {
  if (count < 2) return [0, Math.max(0, count - 1)];
  const quarter = Math.max(1, Math.round(count / 4));
  // On a straight row any two do; the ends give the longest base.
  const ends: [number, number] = [0, count - 1];
  const straight = Math.abs(distance(0, quarter) + distance(quarter, count - 1) - distance(0, count - 1)) < 1;
  return straight ? ends : [0, quarter];
}

/**
 * The size of a ring on which this many places have this spacing.
 *
 * Along the curve: D = n * s / pi; straight across: D = s / sin(pi / n).
 *
 * @returns the diameter in millimetres; null for fewer than 3 places across, which make no ring
 */
export function ringDiameterMm(
  count: number,
  spacingMm: number,
  measured: 'alongTheCurve' | 'straightAcross',
): number | null {
  if (count < 1 || (measured === 'straightAcross' && count < 3)) return null;
  return measured === 'alongTheCurve' ? (count * spacingMm) / Math.PI : spacingMm / Math.sin(Math.PI / count);
}

/** The number of places of at least this spacing on a ring of a diameter. */
export function placesOnRing(
  diameterMm: number,
  spacingMm: number,
  measured: 'alongTheCurve' | 'straightAcross',
): number {
  if (measured === 'alongTheCurve') return Math.floor((Math.PI * diameterMm) / spacingMm + 1e-9);
  return spacingMm > diameterMm ? 1 : Math.floor(Math.PI / Math.asin(spacingMm / diameterMm) + 1e-9);
}
