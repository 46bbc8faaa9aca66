import fc from 'fast-check';
import { aShow } from '../../../tests/unit/shows';
import { SHIPPED_PIXEL_TYPES } from '../catalogue/pixelType';
import { applyEdit } from '../show/edits/registry';
import { OUTLINES, START_SIDES, dealtOut, frameLegs, type FrameWishes } from './frames';
import type { Leg } from './leg';
import { line } from './line';
import type { PropOf } from './registry';

const WINDOW: FrameWishes = {
  outline: 'window',
  widthMm: 900,
  heightMm: 1200,
  pixels: { by: 'total', count: 50 },
  corner: 'runsOn',
  start: 'left',
  turn: 'clockwise',
};
const counts = (legs: readonly Leg[] | null) =>
  legs!.map(({ pixels }) => (pixels.by === 'count' ? pixels.count : null));
const pixelsOf = (legs: readonly Leg[]) => line.pixels({ legs: [...legs] }).value;
/** The end of the line that starts at 0, 0. */
const endOf = (legs: readonly Leg[]) =>
  legs.reduce(
    ([x, y], { lengthMm, headingDeg }) => [
      x! + lengthMm * Math.cos((headingDeg * Math.PI) / 180),
      y! + lengthMm * Math.sin((headingDeg * Math.PI) / 180),
    ],
    [0, 0],
  );

it('spreads a string of fifty over four sides', () => {
  // 4.2 m in all: 14.3, 25, 39.3 and 50 pixels have passed at the corners.
  expect(counts(frameLegs(WINDOW))).toEqual([14, 11, 14, 11]);
});

it('counts what corners eat as part of the string', () => {
  const legs = frameLegs({ ...WINDOW, corner: 'eatsPixel' })!;
  expect(pixelsOf(legs)).toBe(50);
  expect(counts(legs).reduce((sum, count) => sum! + count!, 0)).toBe(47);
  expect(frameLegs({ ...WINDOW, corner: 'eatsPixel', pixels: { by: 'total', count: 3 } })).toBeNull();
});

it('starts where it is told to and goes round either way', () => {
  const headings = (change: Partial<FrameWishes>) =>
    frameLegs({ ...WINDOW, ...change })!.map(({ headingDeg }) => (headingDeg + 360) % 360);
  expect(headings({})).toEqual([90, 0, 270, 180]);
  expect(headings({ start: 'bottom' })).toEqual([180, 90, 0, 270]);
  // From the upper left down, along the bottom to the right, up, and back.
  expect(headings({ turn: 'counterClockwise' })).toEqual([270, 0, 90, 180]);
  expect(headings({ outline: 'door', start: 'right' })).toEqual([90, 180, 270]);
  expect(headings({ outline: 'post', start: 'top' })).toEqual([270]);
});

it('makes a gable of two slopes and an arch of uprights and half a circle', () => {
  const gable = frameLegs({ ...WINDOW, outline: 'gable', widthMm: 6000, heightMm: 2250 })!;
  // 3 : 2.25 : 3.75.
  expect(gable.map(({ lengthMm }) => lengthMm)).toEqual([3750, 3750]);
  const arch = frameLegs({ ...WINDOW, outline: 'arch', widthMm: 1400, heightMm: 2300 })!;
  expect(arch[0]!.lengthMm).toBe(1600);
  const curve = arch.slice(1, -1).reduce((sum, { lengthMm }) => sum + lengthMm, 0);
  // Chords are a little shorter than the half circle: pi * 700.
  expect(curve / (Math.PI * 700)).toBeGreaterThan(0.995);
  expect(curve / (Math.PI * 700)).toBeLessThan(1);
});

const anyWishes: fc.Arbitrary<FrameWishes> = fc
  .record({
    outline: fc.constantFrom(...OUTLINES),
    widthMm: fc.integer({ min: 10, max: 50_000 }),
    heightMm: fc.integer({ min: 10, max: 50_000 }),
    pixels: fc.oneof(
      fc.record({ by: fc.constant('total' as const), count: fc.integer({ min: 1, max: 5000 }) }),
      fc.record({ by: fc.constant('spacing' as const), spacingMm: fc.integer({ min: 5, max: 500 }) }),
    ),
    corner: fc.constantFrom('runsOn' as const, 'eatsPixel' as const, 'jumper' as const),
    turn: fc.constantFrom('clockwise' as const, 'counterClockwise' as const),
    side: fc.nat(3),
  })
  .map(({ side, ...rest }) => {
    const sides = START_SIDES[rest.outline];
    return { ...rest, start: sides[side % sides.length]! };
  });

it('keeps the total, ends where its outline ends, and is a line that a show takes', () => {
  fc.assert(
    fc.property(anyWishes, (wishes) => {
      const legs = frameLegs(wishes);
      if (!legs) return;
      expect(line.shapeSchema.safeParse({ legs }).success).toBe(true);
      if (wishes.pixels.by === 'total') expect(pixelsOf(legs)).toBe(wishes.pixels.count);
      const [x, y] = endOf(legs);
      const isPost = wishes.outline === 'post';
      const across = isPost || wishes.outline === 'window' ? 0 : wishes.widthMm;
      expect(Math.abs(x!)).toBeCloseTo(across, 3);
      expect(Math.abs(y!)).toBeCloseTo(isPost ? wishes.heightMm : 0, 3);
    }),
  );
});

it('deals out all of a number, never a whole one off', () => {
  fc.assert(
    fc.property(
      fc.nat(10_000),
      fc.array(fc.double({ min: 0.1, max: 1000, noNaN: true }), { minLength: 1, maxLength: 40 }),
      (total, shares) => {
        const dealt = dealtOut(total, shares);
        const whole = shares.reduce((sum, share) => sum + share, 0);
        expect(dealt.reduce((sum, count) => sum + count, 0)).toBe(total);
        dealt.forEach((count, i) => {
          expect(count).toBeGreaterThanOrEqual(0);
          expect(Math.abs(count - (total * shares[i]!) / whole)).toBeLessThanOrEqual(1 + 1e-9);
        });
      },
    ),
  );
});

it('lets bends that ate a pixel run on when the pixels are of another type', () => {
  const [bullet, strip] = [SHIPPED_PIXEL_TYPES[0]!, SHIPPED_PIXEL_TYPES[2]!];
  const prop = {
    id: 'window',
    name: 'Window',
    placeId: 'site',
    pixelTypeId: strip.id,
    kind: 'line',
    shape: { legs: frameLegs({ ...WINDOW, corner: 'eatsPixel' })! },
    threading: { firstPixel: 'start', runs: 1 },
  } as PropOf<'line'>;
  const show = { ...aShow({ props: [prop] }), pixelTypes: [strip, bullet] };
  const change = { type: 'changeProp' as const, propId: 'window', change: { pixelTypeId: bullet.id } };
  const changed = applyEdit(show, change).props[0] as PropOf<'line'>;
  expect(changed.shape.legs.some(({ corner }) => corner === 'eatsPixel')).toBe(false);
  expect(changed.pixelTypeId).toBe(bullet.id);
  // The same type again takes nothing away.
  const same = applyEdit(show, { ...change, change: { pixelTypeId: strip.id } });
  expect((same.props[0] as PropOf<'line'>).shape).toEqual(prop.shape);
});

it('fits as many spacings into a leg as it holds, to a hundredth of one', () => {
  const leg = (lengthMm: number) => ({
    lengthMm,
    headingDeg: 0,
    pixels: { by: 'spacing' as const, spacingMm: 100 },
  });
  // 30 spacings of 100 mm: 1 mm may be missing, as much as a tape is off; 1.1 mm may not.
  expect([3000, 2999.1, 2999, 2998.9, 3099].map((mm) => pixelsOf([leg(mm)]))).toEqual([30, 30, 30, 29, 31]);
});
