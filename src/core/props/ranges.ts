import { groupDigits } from '../units/number';
import type { PixelRange } from './extras';
import { capitalised } from '../units/words';
import { itemAt } from '../units/there';

/**
 * The way in which a microcontroller's page writes a stretch of LEDs. `end` is the last one of it (inclusive), the first one after
 * it (exclusive), or there is a length instead.
 */
export interface RangeConvention {
  id: string;
  firstIndex: 0 | 1;
  end: 'inclusive' | 'exclusive' | 'length';
  words: string;
}

export const RANGE_CONVENTIONS: readonly RangeConvention[] = (
  [
    [0, 'exclusive'],
    [0, 'inclusive'],
    [0, 'length'],
    [1, 'inclusive'],
    [1, 'exclusive'],
    [1, 'length'],
  ] as const
).map(([firstIndex, end]) => ({
  id: `${firstIndex}-${end}`,
  firstIndex,
  end,
  words: `from ${firstIndex}, ${end === 'length' ? 'start and length' : end === 'inclusive' ? 'last one inside' : 'stop is the one after'}`,
}));

/**
 * The two numbers of a range as a convention writes them.
 *
 * @param before LEDs of the device before the first pixel of the prop, where the device counts all that it has
 */
export function writeRange(
  { firstPixel, pixelCount }: Pick<PixelRange, 'firstPixel' | 'pixelCount'>,
  { firstIndex, end }: RangeConvention,
  before = 0,
): [start: number, second: number] {
  const start = before + firstPixel - 1 + firstIndex;
  if (end === 'length') return [start, pixelCount];
  return [start, start + pixelCount - (end === 'inclusive' ? 1 : 0)];
}

/** The range that two numbers mean under a convention; null where they mean none. `before` as for `writeRange`. */
export function readRange(
  start: number,
  second: number,
  { firstIndex, end }: RangeConvention,
  before = 0,
): { firstPixel: number; pixelCount: number } | null {
  const firstPixel = start - before - firstIndex + 1;
  const pixelCount = end === 'length' ? second : second - start + (end === 'inclusive' ? 1 : 0);
  return firstPixel >= 1 && pixelCount >= 1 ? { firstPixel, pixelCount } : null;
}

/** Consecutive pixels that are in the same ranges; `ranges` holds their places in the list. */
interface CoverageStretch {
  firstPixel: number;
  pixelCount: number;
  ranges: number[];
}

/**
 * The part of a prop that the ranges cover, and beyond it, from the first pixel on, without gaps.
 *
 * @param pixelCount pixels of the prop
 */
export function coverageOf(ranges: readonly PixelRange[], pixelCount: number): CoverageStretch[] {
  const borders = new Set([1, pixelCount + 1]);
  for (const range of ranges) {
    borders.add(range.firstPixel);
    borders.add(range.firstPixel + range.pixelCount);
  }
  const sorted = [...borders].sort((a, b) => a - b);
  return sorted.slice(0, -1).map((firstPixel, i) => ({
    firstPixel,
    pixelCount: itemAt(sorted, i + 1) - firstPixel,
    ranges: ranges.flatMap((range, index) =>
      range.firstPixel <= firstPixel && firstPixel < range.firstPixel + range.pixelCount ? [index] : [],
    ),
  }));
}

interface RangeProblem {
  kind: 'overlap' | 'orphans' | 'outside' | 'sum';
  message: string;
  /** The pixels that it is about. */
  firstPixel: number;
  pixelCount: number;
}

/** Name of the pixels of a prop from a first one, counted from 1, and their number. */
type PixelWords = (firstPixel: number, pixelCount: number) => string;

/** As a convention counts them, and by their place in the prop where that is another number. */
export function wordsUnder({ firstIndex }: Pick<RangeConvention, 'firstIndex'>, before = 0): PixelWords {
  const shift = before + firstIndex - 1;
  return (firstPixel, pixelCount) => {
    const place = pixelsWords(firstPixel, pixelCount);
    if (shift === 0) return place;
    const [from, to] = [firstPixel + shift, firstPixel + shift + pixelCount - 1].map(groupDigits);
    return `${pixelCount === 1 ? `index ${from}` : `indices ${from} to ${to}`} (${place} of the prop, counted from 1)`;
  };
}

/** The reader may count from 1 or from 0. */
const bothWays: PixelWords = (firstPixel, pixelCount) => {
  const [from, to] = [firstPixel - 1, firstPixel + pixelCount - 2].map(groupDigits);
  return `${pixelsWords(firstPixel, pixelCount)} (counted from 0: ${pixelCount === 1 ? from : `${from} to ${to}`})`;
};

/**
 * Everything that is odd about a list of ranges that are to cover a prop once.
 *
 * @param wordsOf what pixels are called; both ways where it is left out
 */
export function rangeProblems(
  ranges: readonly PixelRange[],
  pixelCount: number,
  wordsOf: PixelWords = bothWays,
): RangeProblem[] {
  if (ranges.length === 0) return [];
  const problems: RangeProblem[] = [];
  for (const stretch of coverageOf(ranges, pixelCount)) {
    const about = { firstPixel: stretch.firstPixel, pixelCount: stretch.pixelCount };
    const pixels = wordsOf(stretch.firstPixel, stretch.pixelCount);
    const names = stretch.ranges.map((index) => itemAt(ranges, index).name);
    if (stretch.firstPixel > pixelCount) {
      if (names.length > 0)
        problems.push({
          kind: 'outside',
          ...about,
          message: `${names.join(' and ')} reach${names.length === 1 ? 'es' : ''} past the end: ${pixels} ${stretch.pixelCount === 1 ? 'is' : 'are'} not there.`,
        });
    } else if (names.length > 1)
      problems.push({
        kind: 'overlap',
        ...about,
        message: `${names.slice(0, -1).join(', ')} and ${names.at(-1)} both hold ${pixels}.`,
      });
    else if (names.length === 0)
      problems.push({
        kind: 'orphans',
        ...about,
        message: `${capitalised(pixels)} ${stretch.pixelCount === 1 ? 'is' : 'are'} in no range.`,
      });
  }
  const sum = ranges.reduce((total, range) => total + range.pixelCount, 0);
  if (sum !== pixelCount)
    problems.push({
      kind: 'sum',
      firstPixel: 1,
      pixelCount,
      message: `The ranges hold ${groupDigits(sum)} pixels together; there are ${groupDigits(pixelCount)}.`,
    });
  return problems;
}

function pixelsWords(firstPixel: number, pixelCount: number): string {
  return pixelCount === 1
    ? `pixel ${groupDigits(firstPixel)}`
    : `pixels ${groupDigits(firstPixel)} to ${groupDigits(firstPixel + pixelCount - 1)}`;
}

/** The same ranges one after another from the first pixel, in their order; what is left over makes the last one longer. */
export function laidEndToEnd(ranges: readonly PixelRange[], pixelCount: number): PixelRange[] {
  let next = 1;
  const laid: PixelRange[] = [];
  for (const range of [...ranges].sort((a, b) => a.firstPixel - b.firstPixel)) {
    const room = pixelCount - next + 1;
    if (room <= 0) break;
    const count = Math.min(range.pixelCount, room);
    laid.push({ ...range, firstPixel: next, pixelCount: count });
    next += count;
  }
  const last = laid.at(-1);
  if (last && next <= pixelCount) last.pixelCount += pixelCount - next + 1;
  return laid;
}

/** A range for each stretch without one, named by its number. */
export function rangesForOrphans(ranges: readonly PixelRange[], pixelCount: number): PixelRange[] {
  const added = coverageOf(ranges, pixelCount).flatMap((stretch) =>
    stretch.ranges.length === 0 && stretch.firstPixel <= pixelCount
      ? [{ firstPixel: stretch.firstPixel, pixelCount: stretch.pixelCount }]
      : [],
  );
  return [
    ...ranges,
    ...added.map((stretch, i) => ({ name: `Range ${ranges.length + i + 1}`, ...stretch })),
  ].sort((a, b) => a.firstPixel - b.firstPixel);
}
