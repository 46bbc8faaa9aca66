import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { screen } from '../props/screen';
import { backwards, withFit } from './backwards';
import { frameTicks, screenCuts } from './cuts';
import {
  asOwnPieces,
  dataOrder,
  frameLights,
  framePieces,
  framePixels,
  frameStretches,
  wirePixels,
} from './frame';
import { conventionNumbers, mirrored, type Convention } from './numbers';
import { namedRanges } from './ranges';
import { EDGE_PIECES, pictureSize, screenShapeSchema, type OwnPiece, type ScreenShape } from './shape';
import { SCREEN_CORNERS, SCREEN_SIDES, SCREEN_STARTS } from './sides';
import { zoneSides, zonesOf } from './zones';
import { USUAL_ZONES } from './zoneWish';

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

const anyOwnPiece: fc.Arbitrary<OwnPiece> = fc.record(
  {
    side: fc.constantFrom(...SCREEN_SIDES),
    runs: fc.constantFrom('along', 'outwards', 'inwards'),
    atMm: fc.integer({ min: -50, max: 400 }),
    lengthMm: fc.integer({ min: 20, max: 600 }),
    insetMm: fc.integer({ min: -100, max: 60 }),
    installed: fc.integer({ min: 0, max: 40 }),
  },
  { requiredKeys: ['side', 'runs', 'atMm', 'lengthMm', 'insetMm'] },
);

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
    corners: fc.option(
      fc.dictionary(
        fc.constantFrom(...SCREEN_CORNERS),
        fc.constantFrom({ style: 'bent' as const, lossMm: 0 }, { style: 'pieces' as const, lossMm: 12 }),
      ),
      { nil: undefined },
    ),
    ownPieces: fc.option(fc.array(anyOwnPiece, { minLength: 1, maxLength: 7 }), { nil: undefined, freq: 3 }),
    unusedTail: fc.constantFrom(0, 0, 4),
    start: fc.constantFrom(...SCREEN_STARTS),
    startOffset: fc.integer({ min: 0, max: 40 }),
    direction: fc.constantFrom('clockwise' as const, 'counterclockwise' as const),
    hiddenFirst: fc.integer({ min: 0, max: 3 }),
    installed: fc.dictionary(fc.constantFrom(...EDGE_PIECES), fc.integer({ min: 1, max: 60 }), {
      maxKeys: 2,
    }),
  })
  .map(
    ({ diagonalMm, aspect, gap, offsetMm, lossMm, installed, corners, ownPieces, ...rest }): ScreenShape => ({
      ...rest,
      ...(corners && { corners }),
      ...(ownPieces && { ownPieces }),
      size: { by: 'diagonal', diagonalMm, aspectWidth: aspect[0]!, aspectHeight: aspect[1]! },
      ...(gap !== undefined && rest.sides.includes('bottom') && { standGap: { lengthMm: gap, offsetMm } }),
      corner: { style: lossMm === 0 ? 'bent' : 'cut', lossMm },
      installed,
    }),
  )
  .filter((shape) => screenShapeSchema.safeParse(shape).success && framePixels(shape) > 0);

it('gives each lit index one zone, hidden ones none, and without overlap the zones of a side tile it', () => {
  fc.assert(
    fc.property(anyScreen, fc.boolean(), (shape, sharedCorners) => {
      const zones = zonesOf(shape, { ...USUAL_ZONES, sharedCorners });
      expect(zones.map(({ index }) => index)).toEqual(
        Array.from({ length: framePixels(shape) }, (_, i) => i + shape.hiddenFirst),
      );
      expect(zoneSides(shape)).toHaveLength(zones.length);
      for (const { x0, x1, y0, y1 } of zones) {
        expect(x1).toBeGreaterThan(x0);
        expect(y1).toBeGreaterThan(y0);
        for (const edge of [x0, x1, y0, y1]) expect(edge >= 0 && edge <= 1).toBe(true);
      }
      const order = dataOrder(shape);
      const lights = frameLights(framePieces(shape));
      for (const side of ['top', 'bottom'] as const) {
        // Lights at one place share their zone.
        const own = zones
          .filter((_, i) => lights[order[i]!]!.side === side)
          .sort((a, b) => a.x0 - b.x0)
          .filter((zone, i, all) => i === 0 || zone.x0 - all[i - 1]!.x0 > 1e-9);
        own.forEach((zone, i) => expect(zone.x0).toBeCloseTo(own[i - 1]?.x1 ?? 0, 9));
        if (own.length > 0) expect(own.at(-1)!.x1).toBeCloseTo(1, 9);
      }
    }),
    { numRuns: tries(200) },
  );
});

it('mirrors twice to the same, once to the other side', () => {
  fc.assert(
    fc.property(anyScreen, (shape) => {
      const twice = mirrored(mirrored(shape));
      // Pieces of one's own are measured from corners: twice taken away, a hair of rounding is left.
      expect({ ...twice, ownPieces: undefined }).toEqual({ ...shape, ownPieces: undefined });
      framePieces(shape).forEach((piece, i) => {
        const again = framePieces(twice)[i]!;
        expect(again).toMatchObject({ side: piece.side, pixels: piece.pixels, words: piece.words });
        for (const k of [0, 1] as const) {
          expect(again.from[k]).toBeCloseTo(piece.from[k], 6);
          expect(again.to[k]).toBeCloseTo(piece.to[k], 6);
        }
      });
      // Seen from behind the first light is where the mirror of the plan has it.
      const [front, back] = [shape, mirrored(shape)].map(
        (each) => frameLights(framePieces(each))[dataOrder(each)[0]!]!,
      );
      // Halves of an odd bottom are rounded to one side.
      const isParted = shape.ownPieces !== undefined;
      if (shape.start !== 'bottomMiddle' && !isParted) {
        expect(back!.xMm).toBeCloseTo(-front!.xMm, 3);
        expect(back!.yMm).toBeCloseTo(front!.yMm, 3);
      }
    }),
    { numRuns: tries(200) },
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
      expect(numbers.onWire).toBe(wirePixels(shape));
      expect(numbers.corners[convention.corner]).toBe(least);
      if (total > 2) {
        const step = (((numbers.of[1]! - numbers.of[0]!) % total) + total) % total;
        expect(step).toBe(numbers.isReversed ? total - 1 : 1);
      }
    }),
    { numRuns: tries(200) },
  );
});

it('cuts from rolls, bridges what is not bent, and says what one roll frames', () => {
  const { standGap: _, ...whole } = club();
  const bent = screenCuts(whole, 5000);
  expect(bent.stripMm).toBeCloseTo((166 * 1000) / 60, 6);
  expect([bent.bridges.length, bent.rolls]).toEqual([0, 1]);
  expect(bent.leftMm).toBeCloseTo(5000 - 2766.67, 1);
  const cut = screenCuts({ ...whole, corner: { style: 'cut', lossMm: 5 } }, 1000);
  expect(cut.bridges).toHaveLength(4);
  // 53, 29, and 53 and 29 of which one is cut where the data begins: 883, 483, 483, 450 and 433 mm.
  expect(cut.rolls).toBe(3);
  // Sides of a 16:9 are 0.8716 and 0.4903 of the diagonal: 2.7238 d less 160 mm is a roll.
  expect(bent.largestDiagonalMm).toBeCloseTo(5160 / 2.72377, 0);
  expect(frameTicks(club(), 154)).toEqual([
    { words: 'top 54 = bottom 42 and 11 for the stand', isRight: true },
    { words: 'left 29 = right 29', isRight: true },
    { words: 'pieces 154 = run 154', isRight: true },
  ]);
  const other = { ...whole, installed: { left: 30 }, countedOnWire: 166, hiddenFirst: 1 };
  expect(frameTicks(other, 168).slice(1)).toEqual([
    { words: 'left 30 = right 29', isRight: false },
    { words: 'pieces 167 and 1 dark = run 168', isRight: true },
    { words: 'run 168 = counted on the wire 166', isRight: false },
  ]);
});

it('cuts the strip of dark lights too, in front of the first that is seen and behind the last', () => {
  const shape = club({ hiddenFirst: 3, unusedTail: 1 });
  const { cuts, stripMm } = screenCuts(shape, 5000);
  expect(cuts.reduce((sum, { pixels }) => sum + pixels, 0)).toBe(154);
  // 158 on the wire, 60 a metre.
  expect(stripMm).toBeCloseTo(2633.333, 3);
  expect(cuts.map(({ hiddenBefore }) => hiddenBefore)).toEqual([3, 0, 0, 0, 0]);
  expect(cuts.map(({ hiddenBehind }) => hiddenBehind)).toEqual([0, 0, 0, 0, 1]);
  // The room beside the strip is that of the lights that are seen.
  const bare = screenCuts(club(), 5000);
  expect(cuts.map(({ spareMm }) => spareMm)).toEqual(bare.cuts.map(({ spareMm }) => spareMm));
  // Four dark lights of a strip that is cut by threes take two marks more.
  const byThrees = screenCuts(club({ pixelsPerCut: 3, hiddenFirst: 4 }), 5000).cuts[0]!;
  expect(byThrees.marks).toBe(byThrees.pixels / 3 + 2);
});

it('loses no light to a hundredth of a pitch, and says that the room is a hair shorter', () => {
  /** A screen whose top is so wide, with strip all around it at its very edge. */
  const wide = (widthMm: number) => {
    const { standGap: _, ...whole } = club({
      insetMm: 0,
      size: { by: 'diagonal', diagonalMm: widthMm * Math.hypot(1, 9 / 16), aspectWidth: 16, aspectHeight: 9 },
    });
    return whole;
  };
  // 44 lights at 60 a metre take 733.333 mm; a hundredth of a pitch is 0.167 mm.
  expect([733.4, 733.25, 733.17, 733.1].map((mm) => counts(wide(mm)).top)).toEqual([44, 44, 44, 43]);
  const facts = (mm: number) => screen.facts(wide(mm), undefined).find(({ name }) => /top/.test(name))!.note;
  expect(facts(733.4)).toBe('733.4 mm');
  expect(facts(733.25)).toBe('733.3 mm, 0.08 mm less than the strip');
});

it('cuts a side in two where the data begins within it, and bridges what is not bent, with the wires of its chip', () => {
  const { standGap: _, ...whole } = club({ corner: { style: 'cut', lossMm: 0 } });
  const { cuts, bridges } = screenCuts(whole, 5000, { chip: 'APA102' });
  expect(cuts.map(({ words, pixels }) => `${words}: ${pixels}`)).toEqual([
    'bottom, from where the data begins: 27',
    'left, seen from the front: 29',
    'top: 54',
    'right, seen from the front: 29',
    'bottom, up to where the data began: 27',
  ]);
  expect(bridges).toHaveLength(4);
  expect(bridges[0]).toMatchObject({ from: cuts[0]!.words, to: cuts[1]!.words });
  expect(bridges[0]!.wires).toEqual(['plus', 'ground', 'data', 'clock']);
  // One strip: its two ends meet where the data begins, and nothing else is cut.
  expect(screenCuts({ ...whole, corner: { style: 'bent', lossMm: 0 } }, 5000).bridges).toEqual([]);
  // Over the stand nothing runs on.
  const stand = screenCuts(club({ start: 'topLeft' }), 5000);
  expect(stand.bridges.map(({ from, to, reachMm }) => [from, to, Math.round(reachMm)])).toEqual([
    ['bottom, right of the stand', 'bottom, left of the stand', 180],
  ]);
});

it('says of each corner what it costs', () => {
  const { standGap: _, ...whole } = club({
    corners: { topLeft: { style: 'pieces', lossMm: 30 }, topRight: { style: 'cut', lossMm: 0 } },
  });
  // 911.9 and 495.5 mm less 30: 52 and 27 pixels instead of 54 and 29.
  expect(counts(whole)).toEqual({ top: 52, right: 29, bottom: 54, left: 27 });
  expect(
    screenCuts(whole, 5000).corners.map(({ corner, style, lostPixels }) => [corner, style, lostPixels]),
  ).toEqual([
    ['topLeft', 'pieces', 4],
    ['topRight', 'cut', 0],
    ['bottomRight', 'bent', 0],
    ['bottomLeft', 'bent', 0],
  ]);
});

it('lays pieces as somebody wants them: a ledge below and a bump-out', () => {
  const own = asOwnPieces(club());
  expect(framePixels({ ...club(), ownPieces: own })).toBe(154);
  // Down 60 mm, 300 mm along below the picture, and up again.
  const ledge: OwnPiece[] = [
    { side: 'bottom', runs: 'outwards', atMm: 300, lengthMm: 60, insetMm: 20 },
    { side: 'bottom', runs: 'along', atMm: 300, lengthMm: 300, insetMm: -40 },
    { side: 'bottom', runs: 'inwards', atMm: 600, lengthMm: 60, insetMm: -40 },
  ];
  const shape = { ...club(), ownPieces: ledge };
  expect(screenShapeSchema.safeParse(shape).success).toBe(true);
  const { widthMm, heightMm } = pictureSize(shape);
  const [down, along, up] = framePieces(shape);
  expect([down!.pixels, along!.pixels, up!.pixels]).toEqual([3, 18, 3]);
  expect(down!.from).toEqual([widthMm / 2 - 300, -heightMm / 2 + 20]);
  expect(down!.to).toEqual([widthMm / 2 - 300, -heightMm / 2 - 40]);
  expect(up!.to[0]).toBeCloseTo(widthMm / 2 - 600, 6);
  // Bent, they are one strip.
  expect(screenCuts({ ...shape, start: 'bottomRight' }, 5000).bridges).toEqual([]);
  // The flank is at one place of the picture, so its lights share a zone.
  const zones = zonesOf({ ...shape, start: 'bottomRight' });
  expect(zones[0]).toMatchObject({ x0: zones[1]!.x0, x1: zones[1]!.x1 });
});

it('says from counted pixels which strip and inset they fit, and which sides cannot be right together', () => {
  const { standGap: _, ...whole } = club();
  expect(backwards(whole)).toBeNull();
  // 29 at the right are more than 500 mm less than a pixel: an inset above (535.5 - 500) / 2 mm; 54 at the top: no more than 25.97.
  const counted = { ...whole, insetMm: 0, installed: { top: 54, right: 29, bottom: 54, left: 29 } };
  const { fits, disagree } = backwards(counted)!;
  expect(disagree).toBeNull();
  const sixty = fits.find(({ pixelsPerMetre }) => pixelsPerMetre === 60)!;
  expect(sixty.leastInsetMm).toBeCloseTo((535.47 - (1000 * 29.99) / 60) / 2, 1);
  expect(sixty.mostInsetMm).toBeCloseTo((951.94 - (1000 * 53.99) / 60) / 2, 1);
  const taken = withFit(counted, sixty);
  const { installed: __, ...planned } = taken;
  expect(counts(planned)).toEqual(counts(counted));
  expect(backwards({ ...whole, installed: { left: 30 } })!.disagree).toContain(
    'left has 30 and right 29, though both are equally long',
  );
});

it('finds back the strip and the inset of any frame from its counts', () => {
  fc.assert(
    fc.property(anyScreen, (shape) => {
      const { installed: _, ownPieces: __, ...planned } = shape;
      const installed = Object.fromEntries(framePieces(planned).map(({ name, pixels }) => [name, pixels]));
      const fit = backwards({ ...planned, installed } as ScreenShape)!.fits.find(
        ({ pixelsPerMetre }) => pixelsPerMetre === planned.pixelsPerMetre,
      )!;
      expect(fit.leastInsetMm).toBeLessThanOrEqual(planned.insetMm + 1e-6);
      expect(fit.mostInsetMm).toBeGreaterThanOrEqual(planned.insetMm - 1e-6);
    }),
    { numRuns: tries(200) },
  );
});

it('names every light that is seen by its side, and what is dark by its end', () => {
  fc.assert(
    fc.property(anyScreen, (shape) => {
      const ranges = namedRanges(shape);
      const named = (names: readonly string[]) =>
        ranges
          .filter(({ name }) => names.includes(name))
          .flatMap(({ from, lights }) => Array.from({ length: lights }, (_, i) => from + i))
          .sort((a, b) => a - b);
      expect(named([...SCREEN_SIDES, 'hidden', 'tail'])).toEqual(
        Array.from({ length: wirePixels(shape) }, (_, i) => i),
      );
      expect(frameStretches(shape).reduce((sum, { pixels }) => sum + pixels, 0)).toBe(framePixels(shape));
    }),
    { numRuns: tries(100) },
  );
  // A film of 2.39 : 1 on 16 : 9 leaves (535.5 - 951.9 / 2.39) / 2 = 68.6 mm: the top, the bottom, and 2 of each side above and below.
  const box = namedRanges(club({ start: 'topLeft' })).filter(({ name }) => name === 'letterbox');
  expect(box.reduce((sum, { lights }) => sum + lights, 0)).toBe(54 + 42 + 4 * 3);
  expect(namedRanges(club({ start: 'topLeft' })).filter(({ name }) => name === 'standGap')).toEqual([
    { name: 'standGap', from: 54 + 29 + 20, to: 54 + 29 + 20, lights: 1 },
    { name: 'standGap', from: 54 + 29 + 21, to: 54 + 29 + 21, lights: 1 },
  ]);
});
