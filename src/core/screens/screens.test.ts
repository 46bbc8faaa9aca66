import fc from 'fast-check';
import { aShow } from '../../../tests/unit/shows';
import { screenCuts } from './cuts';
import {
  dataOrder,
  FRAME_PIECES,
  frameLights,
  framePieces,
  framePixels,
  pictureSize,
  SCREEN_SIDES,
  SCREEN_STARTS,
  screenShapeSchema,
  type ScreenShape,
} from './frame';
import { lagOf } from './lag';
import { conventionNumbers, mirrored, type Convention } from './numbers';
import { USUAL_ZONES, zonesOf } from './zones';

/** The club screen: 43 inch 16:9, strip of 60 a metre 20 mm inside, from the middle of the bottom, a stand of 180 mm. */
const club = (change: Partial<ScreenShape> = {}): ScreenShape => ({
  size: { by: 'diagonal', diagonalMm: 43 * 25.4, aspectWidth: 16, aspectHeight: 9 },
  insetMm: 20,
  pixelsPerMetre: 60,
  pixelsPerCut: 1,
  sides: [...SCREEN_SIDES],
  standGap: { lengthMm: 180, offsetMm: 0 },
  corner: { style: 'bent', lossMm: 0 },
  start: 'bottomMiddle',
  startOffset: 0,
  direction: 'clockwise',
  hiddenFirst: 0,
  ...change,
});

const counts = (shape: ScreenShape) =>
  Object.fromEntries(framePieces(shape).map(({ name, pixels }) => [name, pixels]));

it('frames a 43 inch screen as it was worked out by hand', () => {
  const { widthMm, heightMm } = pictureSize(club());
  expect([widthMm, heightMm].map((mm) => mm.toFixed(1))).toEqual(['951.9', '535.5']);
  const { standGap: _, ...whole } = club();
  expect(counts(whole)).toEqual({ top: 54, right: 29, bottom: 54, left: 29 });
  expect(framePixels(whole)).toBe(166);
  expect(counts(club())).toEqual({ top: 54, right: 29, bottomRight: 21, bottomLeft: 21, left: 29 });
  expect(framePixels(club())).toBe(154);
  expect(framePieces(club())[2]!.lengthMm).toBeCloseTo(366, 1);
});

it('frames a 65 inch screen without its bottom', () => {
  // 1439.0 x 809.4 mm; 1399.0 and 769.4 mm of strip: 83 and 46 pixels.
  const big = club({
    size: { by: 'diagonal', diagonalMm: 65 * 25.4, aspectWidth: 16, aspectHeight: 9 },
    sides: ['top', 'left', 'right'],
  });
  const { standGap: _, ...shape } = big;
  expect(counts(shape)).toEqual({ top: 83, right: 46, left: 46 });
});

it('cuts groups whole, and takes what was installed where that was said', () => {
  const { standGap: _, ...shape } = club({ pixelsPerCut: 3 });
  expect(counts(shape)).toEqual({ top: 54, right: 27, bottom: 54, left: 27 });
  const seen = { ...shape, installed: { top: 53 } };
  expect(framePieces(seen)[0]).toMatchObject({ planned: 54, pixels: 53 });
});

it('says from where to where data runs: clockwise from the stand, and the other way', () => {
  const order = dataOrder(club());
  const lights = frameLights(framePieces(club()));
  // Clockwise the bottom is gone along from right to left: the left of the stand comes first.
  expect(order[0]).toBe(54 + 29 + 21);
  expect(lights[order[0]!]!.xMm).toBeLessThan(0);
  expect(lights[order[21]!]!.side).toBe('left');
  const back = dataOrder(club({ direction: 'counterclockwise' }));
  expect(lights[back[0]!]!.xMm).toBeGreaterThan(0);
  expect(lights[back[21]!]!.side).toBe('right');
  expect(dataOrder(club({ startOffset: 3 }))[0]).toBe(order[3]);
});

const anyScreen = fc
  .record({
    diagonalMm: fc.integer({ min: 400, max: 3000 }),
    aspect: fc.constantFrom([16, 9], [21, 9], [4, 3], [9, 16]),
    insetMm: fc.integer({ min: 0, max: 50 }),
    pixelsPerMetre: fc.constantFrom(30, 60, 96, 144),
    pixelsPerCut: fc.constantFrom(1, 3),
    sides: fc.constantFrom<ScreenShape['sides'][]>(
      [...SCREEN_SIDES],
      ['top', 'left', 'right'],
      ['top', 'right', 'bottom'],
    ),
    gap: fc.option(fc.integer({ min: 10, max: 120 }), { nil: undefined }),
    offsetMm: fc.integer({ min: -20, max: 20 }),
    lossMm: fc.constantFrom(0, 8),
    start: fc.constantFrom(...SCREEN_STARTS),
    startOffset: fc.integer({ min: 0, max: 40 }),
    direction: fc.constantFrom('clockwise' as const, 'counterclockwise' as const),
    hiddenFirst: fc.integer({ min: 0, max: 3 }),
    installed: fc.dictionary(fc.constantFrom(...FRAME_PIECES), fc.integer({ min: 1, max: 60 }), {
      maxKeys: 2,
    }),
  })
  .map(({ diagonalMm, aspect, gap, offsetMm, lossMm, installed, ...rest }): ScreenShape => ({
    ...rest,
    size: { by: 'diagonal', diagonalMm, aspectWidth: aspect[0]!, aspectHeight: aspect[1]! },
    ...(gap !== undefined && rest.sides.includes('bottom') && { standGap: { lengthMm: gap, offsetMm } }),
    corner: { style: lossMm === 0 ? 'bent' : 'cut', lossMm },
    installed,
  }))
  .filter((shape) => screenShapeSchema.safeParse(shape).success && framePixels(shape) > 0);

it('gives each lit index one zone, hidden ones none, and without overlap the zones of a side tile it', () => {
  fc.assert(
    fc.property(anyScreen, fc.boolean(), (shape, sharedCorners) => {
      const zones = zonesOf(shape, { ...USUAL_ZONES, sharedCorners });
      expect(zones.map(({ index }) => index)).toEqual(
        Array.from({ length: framePixels(shape) }, (_, i) => i + shape.hiddenFirst),
      );
      for (const { x0, x1, y0, y1 } of zones) {
        expect(x1).toBeGreaterThan(x0);
        expect(y1).toBeGreaterThan(y0);
        for (const edge of [x0, x1, y0, y1]) expect(edge >= 0 && edge <= 1).toBe(true);
      }
      const order = dataOrder(shape);
      const lights = frameLights(framePieces(shape));
      for (const side of ['top', 'bottom'] as const) {
        const own = zones.filter((_, i) => lights[order[i]!]!.side === side).sort((a, b) => a.x0 - b.x0);
        own.forEach((zone, i) => expect(zone.x0).toBeCloseTo(own[i - 1]?.x1 ?? 0, 9));
        if (own.length > 0) expect(own.at(-1)!.x1).toBeCloseTo(1, 9);
      }
    }),
    { numRuns: 200 },
  );
});

it('mirrors twice to the same, once to the other side', () => {
  fc.assert(
    fc.property(anyScreen, (shape) => {
      expect(mirrored(mirrored(shape))).toEqual(shape);
      // Seen from behind the first light is where the mirror of the plan has it.
      const [front, back] = [shape, mirrored(shape)].map(
        (each) => frameLights(framePieces(each))[dataOrder(each)[0]!]!,
      );
      // Halves of an odd bottom are rounded to one side.
      if (shape.start !== 'bottomMiddle') {
        expect(back!.xMm).toBeCloseTo(-front!.xMm, 3);
        expect(back!.yMm).toBeCloseTo(front!.yMm, 3);
      }
    }),
    { numRuns: 200 },
  );
});

it('numbers of any convention name every light once, follow its direction, and say where the data begins', () => {
  const anyConvention: fc.Arbitrary<Convention> = fc.record({
    corner: fc.constantFrom('topLeft', 'topRight', 'bottomRight', 'bottomLeft'),
    direction: fc.constantFrom('clockwise', 'counterclockwise'),
    firstIndex: fc.constantFrom(0, 1),
    countsHidden: fc.boolean(),
  });
  fc.assert(
    fc.property(anyScreen, anyConvention, (shape, convention) => {
      const numbers = conventionNumbers(shape, convention);
      const total = framePixels(shape);
      const least = convention.firstIndex + (convention.countsHidden ? shape.hiddenFirst : 0);
      expect([...numbers.of].sort((a, b) => a - b)).toEqual(
        Array.from({ length: total }, (_, i) => least + i),
      );
      expect(numbers.of[0]).toBe(numbers.firstLight);
      expect(Object.values(numbers.counts).reduce((sum, each) => sum + each, 0)).toBe(total);
      expect(numbers.onWire).toBe(total + shape.hiddenFirst);
      expect(numbers.corners[convention.corner]).toBe(least);
      if (total > 2) {
        const step = (((numbers.of[1]! - numbers.of[0]!) % total) + total) % total;
        expect(step).toBe(numbers.isReversed ? total - 1 : 1);
      }
    }),
    { numRuns: 200 },
  );
});

it('cuts from rolls, bridges what is not bent, and says what one roll frames', () => {
  const { standGap: _, ...whole } = club();
  const bent = screenCuts(whole, 5000);
  expect(bent.stripMm).toBeCloseTo((166 * 1000) / 60, 6);
  expect([bent.bridges, bent.rolls]).toEqual([0, 1]);
  expect(bent.leftMm).toBeCloseTo(5000 - 2766.67, 1);
  const cut = screenCuts({ ...whole, corner: { style: 'cut', lossMm: 5 } }, 1000);
  expect(cut.bridges).toBe(3);
  // 53, 29, 53, 29: 883, 483, 883, 483 mm.
  expect(cut.rolls).toBe(3);
  // Sides of a 16:9 are 0.8716 and 0.4903 of the diagonal: 2.7238 d less 160 mm is a roll.
  expect(bent.largestDiagonalMm).toBeCloseTo(5160 / 2.72377, 0);
  const { checks } = screenCuts(club(), 5000);
  expect(checks).toEqual([
    { words: 'top 54 = bottom 42 and 11 for the stand', isRight: true },
    { words: 'left 29 = right 29', isRight: true },
  ]);
  const other = screenCuts({ ...whole, installed: { left: 30 } }, 5000);
  expect(other.checks[1]).toEqual({ words: 'left 30 = right 29', isRight: false });
});

it('tells how far lights are behind, what holds them up, and the speed of the line that is enough', () => {
  const strip = { ...aShow().pixelTypes.find(({ id }) => id === 'rgb')!, chip: 'WS2812B' as const };
  const wish = {
    pixels: 154,
    pixelType: strip,
    captureHz: 60,
    processingMs: 3,
    smoothingMs: 100,
    wantedHz: 60,
  };
  const line = (receivesWhileLit: boolean, baud = 230_400) => ({
    kind: 'serial' as const,
    baud,
    receivesWhileLit,
  });
  const lag = lagOf({ ...wish, link: line(true) });
  // 10 bits for each of 6 + 3 * 154 bytes.
  expect(lag.parts.link).toBeCloseTo(20.3, 1);
  expect(lag.rateHz).toBeCloseTo(49.2, 1);
  expect([lag.bottleneck, lag.change]).toEqual(['link', 'Set the line to 460,800 baud, at both ends.']);
  expect(lagOf({ ...wish, link: line(false) }).rateHz).toBeCloseTo(39.6, 1);
  expect(lagOf({ ...wish, link: line(true, 460_800) }).change).toBeNull();
  // All that is too slow is named, and what is offered reaches the rate.
  const slow = lagOf({ ...wish, captureHz: 30, link: line(true) });
  expect(slow.change).toBe(
    'Capture 60 pictures a second; now there are 30. Set the line to 460,800 baud, at both ends.',
  );
  const long = { ...wish, pixels: 1200, link: line(true, 2_000_000) };
  const parts = Number(/over (\d+) outputs/.exec(lagOf(long).change!)![1]);
  expect(lagOf({ ...long, pixels: Math.ceil(1200 / parts) }).change).toBeNull();
  expect(lag.totalMs).toBeCloseTo(1000 / 60 + 3 + 100 + lag.parts.link + lag.parts.chips, 6);
});

it.each([
  ['an inch of nothing', { size: { by: 'diagonal', diagonalMm: 0, aspectWidth: 16, aspectHeight: 9 } }],
  ['no aspect', { size: { by: 'diagonal', diagonalMm: 1000, aspectWidth: 16, aspectHeight: 0 } }],
  ['a gap wider than the screen', { standGap: { lengthMm: 950, offsetMm: 0 } }],
  ['a gap on a corner', { standGap: { lengthMm: 180, offsetMm: 400 } }],
  ['an inset that eats the sides', { insetMm: 400 }],
  ['a side twice', { sides: ['top', 'top'] }],
])('refuses %s', (_, change) => {
  expect(screenShapeSchema.safeParse({ ...club(), ...change }).success).toBe(false);
});
