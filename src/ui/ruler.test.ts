import fc from 'fast-check';
import { aController, aGrid, aLine, aShow, onPorts } from '../../tests/unit/shows';
import { planShow } from '@/core/plan/plan';
import { blocksOf } from './drawRuler';
import { channelAt, clampScale, reveal, wholeScale, xOf, zoomScale } from './rulerScale';
import { TRUE_LENGTHS, shortened } from './rulerWarp';

const scale = fc.record({
  first: fc.double({ min: 1, max: 20_000, noNaN: true }),
  unitsPerPx: fc.double({ min: 0.01, max: 40, noNaN: true }),
  warp: fc.constant(TRUE_LENGTHS),
});

it('shows all channels, the first at the left and the last at the right', () => {
  const whole = wholeScale(24_150, 1248);
  expect(xOf(whole, 1)).toBe(0);
  expect(xOf(whole, 24_151)).toBeCloseTo(1248, 6);
  expect(channelAt(whole, 0)).toBe(1);
  expect(channelAt(whole, 1247.99)).toBe(24_150);
});

it('finds the channel under each place again', () => {
  fc.assert(
    fc.property(scale, fc.integer({ min: 1, max: 20_000 }), (at, channel) => {
      expect(channelAt(at, xOf(at, channel + 0.5))).toBe(channel);
    }),
  );
});

it('keeps the channel under the pointer where it is, and stays among the channels there are', () => {
  fc.assert(
    fc.property(
      scale,
      fc.integer({ min: 0, max: 1000 }),
      fc.double({ min: 0.2, max: 5, noNaN: true }),
      (at, x, factor) => {
        const zoomed = zoomScale(at, x, factor);
        expect(zoomed.first + x * zoomed.unitsPerPx).toBeCloseTo(at.first + x * at.unitsPerPx, 5);
        const clamped = clampScale(zoomed, 20_000, 1000);
        expect(clamped.first).toBeGreaterThanOrEqual(1);
        expect(clamped.first + 1000 * clamped.unitsPerPx).toBeLessThanOrEqual(20_001 + 1e-6);
      },
    ),
  );
});

it('moves just so far that a selection is seen', () => {
  const at = { first: 1000, unitsPerPx: 1, warp: TRUE_LENGTHS };
  expect(reveal(at, 1200, 1203, 500)).toBe(at);
  for (const channel of [20, 3000]) {
    const moved = reveal(at, channel, channel + 2, 500);
    expect(moved.unitsPerPx).toBe(1);
    expect(xOf(moved, channel)).toBeGreaterThanOrEqual(0);
    expect(xOf(moved, channel + 3)).toBeLessThanOrEqual(500);
  }
});

it('joins the spans of a run to one block, and keeps skipped pixels apart', () => {
  const show = onPorts(
    aShow({
      props: [aLine('rail', 400), aGrid('net', 4, 5)],
      controllers: [aController({ skippedPixelsTakeChannels: true })],
    }),
    ['rail', 1, 1, 2],
    ['net', 1, 2],
  );
  expect(
    blocksOf(planShow(show)).map(({ prop, first, last, skipped }) => [prop, first, last, skipped]),
  ).toEqual([
    [0, 1, 6, true],
    [0, 7, 1206, false],
    [1, 1207, 1266, false],
  ]);
});

describe('long stretches drawn shorter', () => {
  const stretches = fc
    .array(fc.integer({ min: 1, max: 100_000 }), { minLength: 1, maxLength: 30 })
    .map((lengths) => {
      const starts = [1];
      for (const length of lengths) starts.push(starts[starts.length - 1]! + length);
      return { starts: starts.slice(0, -1), end: starts[starts.length - 1]! };
    });

  it('finds every channel again, in order', () => {
    fc.assert(
      fc.property(stretches, fc.double({ min: 0, max: 1, noNaN: true }), ({ starts, end }, part) => {
        const warp = shortened(starts, end);
        const channel = 1 + Math.floor(part * (end - 2));
        expect(warp.channelOf(warp.unitOf(channel + 0.5))).toBeCloseTo(channel + 0.5, 3);
        expect(warp.unitOf(channel + 1)).toBeGreaterThan(warp.unitOf(channel));
      }),
    );
  });

  it('keeps short stretches as long as they are, and gives a long one one limit more for each doubling', () => {
    const warp = shortened([1, 151, 151 + 600 * 8], 151 + 600 * 8 + 90);
    expect(warp.unitOf(151) - warp.unitOf(1)).toBe(150);
    expect(warp.unitOf(151 + 4800) - warp.unitOf(151)).toBeCloseTo(600 * 4, 6);
    expect(warp.unitOf(151 + 4890) - warp.unitOf(151 + 4800)).toBeCloseTo(90, 6);
  });

  it('leaves a string of fifty beside a wall of thirty thousand room to be clicked', () => {
    const warp = shortened([1, 151], 151 + 92_160);
    const whole = wholeScale(150 + 92_160, 1248, warp);
    expect(xOf(whole, 151) - xOf(whole, 1)).toBeGreaterThan(30);
    expect(xOf(wholeScale(150 + 92_160, 1248), 151)).toBeLessThan(3);
  });
});
