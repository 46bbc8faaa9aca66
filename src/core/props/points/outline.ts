import { FREEFORM_LIMITS } from '../freeform';
import { PointsError, roundedMm, tooManyPoints, type PointList } from './pointList';
import { itemAt } from '../../units/there';

/** A line through points, in the units of its drawing: x0, y0, x1, y1, … */
export interface Outline {
  points: number[];
  closed: boolean;
}

interface LayOptions {
  mmPerUnit: number;
  spacingMm: number;
  /** `even` moves the spacing a little, so that pixels divide each outline without a rest; `exact` leaves the rest at its end. */
  spread: 'even' | 'exact';
  /** The drawing counts y downwards. */
  yDown: boolean;
}

/** Length of an outline in the units of its drawing, the way back to its start included where it is closed. */
export function outlineLength({ points, closed }: Outline): number {
  let length = 0;
  for (let i = 2; i < points.length; i += 2)
    length += Math.hypot(
      itemAt(points, i) - itemAt(points, i - 2),
      itemAt(points, i + 1) - itemAt(points, i - 1),
    );
  return closed && points.length > 2
    ? length +
        Math.hypot(
          itemAt(points, 0) - itemAt(points, points.length - 2),
          itemAt(points, 1) - itemAt(points, points.length - 1),
        )
    : length;
}

/**
 * Lays pixels along outlines, each outline a piece, from its start in its direction. Outlines too short for a spacing get one
 * pixel at their start.
 *
 * @throws PointsError when that makes more points than a free-form prop holds
 */
export function layAlong(outlines: readonly Outline[], options: LayOptions): PointList {
  const { mmPerUnit, spacingMm, spread, yDown } = options;
  const list: PointList = { xMm: [], yMm: [], pieces: [] };
  const counts = outlines.map((outline) =>
    pixelsOn(outlineLength(outline) * mmPerUnit, outline.closed, options),
  );
  const total = counts.reduce((sum, count) => sum + count, 0);
  if (total > FREEFORM_LIMITS.points) throw new PointsError(tooManyPoints(total));
  if (outlines.length > FREEFORM_LIMITS.pieces)
    throw new PointsError(
      `A free-form prop holds at most ${FREEFORM_LIMITS.pieces} pieces, and this drawing has ${outlines.length} outlines. Join them in the drawing, or split it.`,
    );
  outlines.forEach((outline, i) => {
    const count = itemAt(counts, i);
    const length = outlineLength(outline);
    const gaps = outline.closed ? count : count - 1;
    const step = spread === 'even' && gaps > 0 ? length / gaps : spacingMm / mmPerUnit;
    for (const [x, y] of walk(outline, step, count)) {
      list.xMm.push(roundedMm(x * mmPerUnit));
      list.yMm.push(roundedMm((yDown ? -y : y) * mmPerUnit));
    }
    list.pieces.push(count);
  });
  return list;
}

/** Pixels on a length: a closed outline has as many as gaps, an open one has one more. */
function pixelsOn(lengthMm: number, closed: boolean, { spacingMm, spread }: LayOptions): number {
  const gaps = spread === 'even' ? Math.round(lengthMm / spacingMm) : Math.floor(lengthMm / spacingMm + 1e-6);
  return Math.max(1, closed ? gaps : gaps + 1);
}

/** Places on an outline at every `step`, from its start. */
function* walk(
  { points, closed }: Outline,
  step: number,
  count: number,
): Generator<readonly [number, number]> {
  const corners = closed ? [...points, itemAt(points, 0), itemAt(points, 1)] : points;
  let corner = 0;
  let passed = 0;
  let segment = lengthFrom(corners, corner);
  for (let i = 0; i < count; i += 1) {
    const at = i * step;
    while (at > passed + segment && corner + 4 < corners.length) {
      passed += segment;
      corner += 2;
      segment = lengthFrom(corners, corner);
    }
    const part = segment === 0 ? 0 : Math.min(1, (at - passed) / segment);
    const [x, y] = [itemAt(corners, corner), itemAt(corners, corner + 1)];
    const [nextX, nextY] = [corners[corner + 2] ?? x, corners[corner + 3] ?? y];
    yield [x + (nextX - x) * part, y + (nextY - y) * part];
  }
}

function lengthFrom(corners: readonly number[], corner: number): number {
  return corner + 3 < corners.length
    ? Math.hypot(
        itemAt(corners, corner + 2) - itemAt(corners, corner),
        itemAt(corners, corner + 3) - itemAt(corners, corner + 1),
      )
    : 0;
}

/** Adds a cubic curve to a line through points, as chords that stray from it by at most about `tolerance`. */
export function addCubic(
  points: number[],
  [x1, y1, x2, y2, x, y]: readonly [number, number, number, number, number, number],
  tolerance: number,
): void {
  const x0 = itemAt(points, points.length - 2);
  const y0 = itemAt(points, points.length - 1);
  // A cubic strays from n chords by at most (sqrt(3) / 18) * |second difference of its control points| / n^2 or less.
  const bend = Math.max(
    Math.hypot(x0 - 2 * x1 + x2, y0 - 2 * y1 + y2),
    Math.hypot(x1 - 2 * x2 + x, y1 - 2 * y2 + y),
  );
  const chords = Math.min(500, Math.max(1, Math.ceil(Math.sqrt((0.75 * bend) / tolerance))));
  for (let i = 1; i <= chords; i += 1) {
    const t = i / chords;
    const s = 1 - t;
    const [a, b, c, d] = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t];
    points.push(a * x0 + b * x1 + c * x2 + d * x, a * y0 + b * y1 + c * y2 + d * y);
  }
}
