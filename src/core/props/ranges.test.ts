import fc from 'fast-check';
import type { PixelRange } from './extras';
import {
  RANGE_CONVENTIONS,
  coverageOf,
  laidEndToEnd,
  rangeProblems,
  rangesForOrphans,
  readRange,
  wordsUnder,
  writeRange,
} from './ranges';

const range = (name: string, firstPixel: number, pixelCount: number): PixelRange => ({
  name,
  firstPixel,
  pixelCount,
});
const anyRanges = fc.array(
  fc
    .record({ firstPixel: fc.integer({ min: 1, max: 120 }), pixelCount: fc.integer({ min: 1, max: 60 }) })
    .map(({ firstPixel, pixelCount }) => range(`${firstPixel}`, firstPixel, pixelCount)),
  { maxLength: 6 },
);

it('writes pixels 11 to 20 in every convention', () => {
  const written = Object.fromEntries(
    RANGE_CONVENTIONS.map((convention) => [convention.id, writeRange(range('x', 11, 10), convention)]),
  );
  expect(written).toEqual({
    '0-exclusive': [10, 20],
    '0-inclusive': [10, 19],
    '0-length': [10, 10],
    '1-inclusive': [11, 20],
    '1-exclusive': [11, 21],
    '1-length': [11, 10],
  });
});

it('reads what it writes, in every convention', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 5000 }),
      fc.integer({ min: 1, max: 5000 }),
      fc.constantFrom(...RANGE_CONVENTIONS),
      fc.nat(5000),
      (firstPixel, pixelCount, convention, before) => {
        const written = writeRange({ firstPixel, pixelCount }, convention, before);
        expect(readRange(...written, convention, before)).toEqual({
          firstPixel,
          pixelCount,
        });
      },
    ),
  );
  expect(readRange(5, 5, RANGE_CONVENTIONS[0]!)).toBeNull();
  expect(readRange(-1, 5, RANGE_CONVENTIONS[0]!)).toBeNull();
});

it('covers every pixel of the prop as a count pixel by pixel does', () => {
  fc.assert(
    fc.property(anyRanges, fc.integer({ min: 1, max: 150 }), (ranges, pixelCount) => {
      const stretches = coverageOf(ranges, pixelCount);
      let next = 1;
      for (const stretch of stretches) {
        expect(stretch.firstPixel).toBe(next);
        for (let pixel = next; pixel < next + stretch.pixelCount; pixel += 1) {
          const holders = ranges.flatMap((each, i) =>
            each.firstPixel <= pixel && pixel < each.firstPixel + each.pixelCount ? [i] : [],
          );
          expect(stretch.ranges).toEqual(holders);
        }
        next += stretch.pixelCount;
      }
      expect(next).toBeGreaterThan(pixelCount);
    }),
  );
});

it('names overlaps, orphans, what is outside and a wrong sum', () => {
  expect(rangeProblems([range('Hull', 1, 60), range('Mast', 51, 20)], 100).map((p) => p.message)).toEqual([
    'Hull and Mast both hold pixels 51 to 60 (counted from 0: 50 to 59).',
    'Pixels 71 to 100 (counted from 0: 70 to 99) are in no range.',
    'The ranges hold 80 pixels together; there are 100.',
  ]);
  expect(rangeProblems([range('Hull', 1, 101)], 100).map((p) => p.message)).toEqual([
    'Hull reaches past the end: pixel 101 (counted from 0: 100) is not there.',
    'The ranges hold 101 pixels together; there are 100.',
  ]);
  expect(rangeProblems([range('Hull', 1, 60), range('Mast', 61, 40)], 100)).toEqual([]);
  expect(rangeProblems([], 100)).toEqual([]);
});

it('names pixels as they were typed: index 25 from 0, LED 350 behind another prop on one device', () => {
  const said = (firstIndex: 0 | 1, before = 0) =>
    rangeProblems([range('Hull', 1, 25), range('Mast', 27, 74)], 100, wordsUnder({ firstIndex }, before))[0]!
      .message;
  expect(said(0)).toBe('Index 25 (pixel 26 of the prop, counted from 1) is in no range.');
  expect(said(1)).toBe('Pixel 26 is in no range.');
  expect(said(0, 350)).toBe('Index 375 (pixel 26 of the prop, counted from 1) is in no range.');
  expect(writeRange(range('all', 1, 350), RANGE_CONVENTIONS[1]!, 350)).toEqual([350, 699]);
});

it('lays any ranges end to end so that nothing is odd any more', () => {
  fc.assert(
    fc.property(anyRanges, fc.integer({ min: 1, max: 150 }), (ranges, pixelCount) => {
      expect(rangeProblems(laidEndToEnd(ranges, pixelCount), pixelCount)).toEqual([]);
      const filled = rangesForOrphans(ranges, pixelCount);
      expect(rangeProblems(filled, pixelCount).filter(({ kind }) => kind === 'orphans')).toEqual([]);
    }),
  );
});
