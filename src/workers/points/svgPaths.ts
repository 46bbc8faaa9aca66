import svgpath from 'svgpath';
import { addCubic, type Outline } from '@/core/props/points/outline';
import { PointsError } from '@/core/props/points/pointList';
import { itemAt } from '@/core/units/there';
import { pairOf } from '@/core/units/tuple';

/** One command of a path with absolute coordinates, of M, L, H, V, C, Q and Z. */
export type Segment = readonly [command: string, ...numbers: number[]];

/** x' = a x + c y + e, y' = b x + d y + f. */
type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

/** The commands of path data; damaged data is followed up to the fault, as browsers do. Cost is in proportion to its length. */
export function parsePath(data: string): Segment[] {
  const path = svgpath(withCommands(data)).abs().unshort().unarc();
  const segments: Segment[] = [];
  // The pen is where the command before left it, which the drawing of some commands depends on.
  path.iterate((segment, _index, x, y) => {
    const [command, ...numbers] = segment;
    segments.push(
      command === 'H'
        ? ['L', itemAt(numbers, 0), y]
        : command === 'V'
          ? ['L', x, itemAt(numbers, 0)]
          : [command, ...numbers],
    );
  });
  return segments;
}

/** Number of parameters of a command. Arcs are left as they are: their flags need no space between. */
const ARITY: Record<string, number> = { M: 2, L: 2, T: 2, H: 1, V: 1, S: 4, Q: 4, C: 6 };
const NUMBER = /[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/gi;
/** Commands with more numbers than this are repeated in the data. */
const LONG = 600;
const MOST_ARC_LETTERS = 200_000;

/**
 * The same data with commands repeated that are only said once for thousands of points: the parser takes numbers from the front
 * of a list, which for long ones takes time by the square of their length.
 */
function withCommands(data: string): string {
  return data.replace(/([a-z])([^a-df-z]*)/gi, (whole, command: string, rest: string) => {
    if (rest.length < LONG * 2) return whole;
    const arity = ARITY[command.toUpperCase()];
    if (!arity) {
      if (rest.length > MOST_ARC_LETTERS)
        throw new PointsError('This drawing is too fine to follow. Simplify its paths.');
      return whole;
    }
    const numbers = rest.match(NUMBER) ?? [];
    const pieces: string[] = [];
    // Numbers after a move without a command of their own are a line.
    const next = command === 'M' ? 'L' : command === 'm' ? 'l' : command;
    for (let i = 0; i < numbers.length; i += arity)
      pieces.push(`${i === 0 ? command : next}${numbers.slice(i, i + arity).join(' ')}`);
    return pieces.join('');
  });
}

/** Transformations together, from the innermost outwards. One that cannot be read does nothing, as in browsers. */
export function matrixOf(transforms: readonly string[]): Matrix {
  if (transforms.length === 0) return [1, 0, 0, 1, 0, 0];
  // The images of three points say everything of an affine map.
  let path = svgpath('M0 0L1 0L0 1');
  for (const transform of transforms) path = path.transform(transform);
  const points: [number, number][] = [];
  path.abs().iterate((segment) => {
    points.push([segment[1] as number, segment[2] as number]);
  });
  const [[e, f], [ax, ay], [cx, cy]] = points as [[number, number], [number, number], [number, number]];
  return [ax - e, ay - f, cx - e, cy - f, e, f];
}

/** The parts of a path as lines through points. */
export function flatten(
  segments: readonly Segment[],
  [a, b, c, d, e, f]: Matrix,
  tolerance: number,
): Outline[] {
  const outlines: Outline[] = [];
  let points: number[] = [];
  const end = (closed: boolean) => {
    const last = points.length - 2;
    // A path that goes back to its start by a line of its own, and is closed then, has that corner once.
    if (closed && last > 0 && points[0] === points[last] && points[1] === points[last + 1])
      points.splice(last, 2);
    if (points.length > 2) outlines.push({ points, closed });
    points = [];
  };
  // The start of a part: a command that follows its end goes on from there.
  let [startX, startY] = [0, 0];
  for (const [command, ...own] of segments) {
    const numbers = own.map((_, i) =>
      i % 2 === 0
        ? a * itemAt(own, i) + c * itemAt(own, i + 1) + e
        : b * itemAt(own, i - 1) + d * itemAt(own, i) + f,
    );
    if (command === 'M') {
      end(false);
      [startX, startY] = [itemAt(numbers, 0), itemAt(numbers, 1)];
      points.push(startX, startY);
      continue;
    }
    if (command === 'Z') {
      end(true);
      continue;
    }
    if (points.length === 0) points.push(startX, startY);
    if (command === 'C')
      addCubic(points, numbers as [number, number, number, number, number, number], tolerance);
    else if (command === 'Q') {
      const [x, y] = pairOf(points.slice(-2));
      const [qx, qy, toX, toY] = numbers as [number, number, number, number];
      // A quadratic curve is the cubic whose control points lie two thirds of the way to its own.
      addCubic(
        points,
        [
          x + ((qx - x) * 2) / 3,
          y + ((qy - y) * 2) / 3,
          toX + ((qx - toX) * 2) / 3,
          toY + ((qy - toY) * 2) / 3,
          toX,
          toY,
        ],
        tolerance,
      );
    } else points.push(itemAt(numbers, 0), itemAt(numbers, 1));
  }
  end(false);
  return outlines;
}
