import { aShow } from '../../../tests/unit/shows';
import { lagOf, nextSettings, withMeasuredLag } from './lag';
import { screenShapeSchema, type ScreenShape } from './shape';
import { SCREEN_SIDES } from './sides';

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

it('tells how far lights are behind, what holds them up, and the speed of the line that is enough', () => {
  const strip = { ...aShow().pixelTypes.find(({ id }) => id === 'rgb')!, chip: 'WS2812B' as const };
  const wish = {
    pixels: 154,
    pixelType: strip,
    captureHz: 60,
    processingMs: 3,
    smoothingMs: 100,
    wantedHz: 60,
    screenDelayMs: 0,
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
  // A pin of the computer itself has nothing between, and no rate to set.
  const pin = lagOf({ ...wish, link: { kind: 'pin' } });
  expect(pin.parts.link).toBe(0);
  expect(pin.totalMs).toBeCloseTo(lag.totalMs - lag.parts.link, 6);
  expect(lagOf({ ...wish, pixels: 1200, link: { kind: 'pin' } }).change).toMatch(
    /^Part the 1,200 pixels over \d outputs\.$/,
  );
  expect(
    nextSettings({ ...wish, link: { kind: 'pin' } })
      .map(({ words }) => words)
      .join(),
  ).not.toContain('baud');
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

it('tells lights that lag from such that are ahead, takes a filmed lag for the assumed one, and expects the next from it', () => {
  const strip = { ...aShow().pixelTypes.find(({ id }) => id === 'rgb')!, chip: 'WS2812B' as const };
  const wish = {
    ...{ pixels: 154, pixelType: strip, captureHz: 60, processingMs: 3, smoothingMs: 0, wantedHz: 60 },
    screenDelayMs: 90,
    link: { kind: 'serial' as const, baud: 230_400, receivesWhileLit: true },
  };
  const assumed = lagOf(wish);
  expect(assumed.behindMs).toBeCloseTo(assumed.totalMs - 90, 9);
  expect(assumed.behindMs).toBeLessThan(0);
  const filmed = { ...wish, measured: withMeasuredLag(wish, 25) };
  expect(lagOf(filmed)).toMatchObject({ behindMs: 25, isMeasured: true });
  // 468 bytes at twice the rate: 10.2 ms sooner, and the filmed figure with it.
  const faster = nextSettings(filmed).find(({ words }) => words.startsWith('460,800 baud'))!;
  expect(faster.behindMs).toBeCloseTo(25 - lagOf(wish).parts.link / 2, 6);
  expect(faster.rateHz).toBeGreaterThan(60 - 1e-9);
  // Measured again after a change, it is as measured.
  expect(lagOf({ ...filmed, measured: withMeasuredLag(filmed, 40) }).behindMs).toBeCloseTo(40, 9);
});

it.each([
  ['an inch of nothing', { size: { by: 'diagonal', diagonalMm: 0, aspectWidth: 16, aspectHeight: 9 } }],
  ['no aspect', { size: { by: 'diagonal', diagonalMm: 1000, aspectWidth: 16, aspectHeight: 0 } }],
  ['a gap wider than the screen', { standGap: { lengthMm: 950, offsetMm: 0 } }],
  ['a gap on a corner', { standGap: { lengthMm: 180, offsetMm: 400 } }],
  ['an inset that eats the sides', { insetMm: 400 }],
  ['a curve of more than half a circle', { curveRadiusMm: 302 }],
  ['no piece of its own', { ownPieces: [] }],
  ['a side twice', { sides: ['top', 'top'] }],
])('refuses %s', (_, change) => {
  expect(screenShapeSchema.safeParse({ ...club(), ...change }).success).toBe(false);
});
