import { aFeed, aSupply, drawing, toPixel, typed } from '../../../tests/unit/power';
import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import type { BoardPower } from '../catalogue/boardPower';
import type { Show } from '../show/schema';
import { capsOf, estimateWords } from './caps';
import { powerReport } from './report';
import { FULL_WHITE } from './shown';

const rgb = aShow().pixelTypes.find((type) => type.id === 'rgb')!;
const FIVE = { ...drawing(rgb, 60), volts: 5 };

/** Pixels of 60 mA on a brick of 5 V through a board that takes something itself. */
const brick = (count: number, ratedAmps: number, ownAmps: number, power: BoardPower = {}): Show =>
  aShow({
    props: [aLine('wreath', count)],
    pixelTypes: aShow().pixelTypes.map((each) => (each.id === 'rgb' ? FIVE : each)),
    supplies: [aSupply({ volts: 5, ratedAmps: typed(ratedAmps) })],
    controllers: [aController({ power: { ownAmps: typed(ownAmps), ...power } })],
    patch: [{ propId: 'wreath', run: 1, controllerId: 'a', port: 1, skippedPixels: 0 }],
    feeds: [
      aFeed([{ lengthMm: 1, wire: 'awg10', to: { kind: 'controller', controllerId: 'a' } }]),
      aFeed([toPixel('wreath', 1)], { from: { kind: 'port', controllerId: 'a', port: 1 } }),
    ],
  });

it('caps a travelling wreath of 24 on a brick of 1 A beside a board of 80 mA', () => {
  const { supplies, controllers, lifted } = capsOf(planShow(brick(24, 1, 0.08)));
  expect(supplies[0]!.load.otherAmps).toBeCloseTo(0.08, 9);
  expect(supplies[0]!.load.whiteAmps).toBeCloseTo(1.44, 9);
  expect(supplies[0]!.atFull).toEqual({ rating: 15, hours: 12 });
  expect(controllers[0]!.percent).toEqual({ rating: 63, hours: 50 });
  expect(controllers[0]!.limiterMa).toEqual({ rating: 920, hours: 720 });
  expect(controllers[0]!.pixelMa).toBeCloseTo(60, 6);
  expect(lifted).toBeNull();
});

it('caps a club screen of 154 beside a small computer on a supply of 8 A', () => {
  const show = brick(154, 8, 0);
  const others = [{ name: 'Small computer', amps: typed(2.5), by: 'inlet' as const }];
  const { supplies } = capsOf(planShow({ ...show, supplies: [{ ...show.supplies[0]!, others }] }));
  expect(supplies[0]!.load.whiteAmps).toBeCloseTo(9.24, 6);
  expect(supplies[0]!.cap.rating.percent).toBe(59);
  expect(supplies[0]!.cap.hours.percent).toBe(42);
});

it('types more into a limiter that takes a pixel to draw more, so that the same flows', () => {
  const plain = capsOf(planShow(brick(24, 1, 0.08))).controllers[0]!;
  const other = capsOf(planShow(brick(24, 1, 0.08, { limiterPixelMa: typed(30) }))).controllers[0]!;
  expect(other.percent).toEqual(plain.percent);
  expect(other.limiterMa).toEqual({ rating: 460, hours: 360 });
});

it.each([
  ['that knows the draw', {}, 0.72],
  ['that takes half of it for a pixel', { limiterPixelMa: typed(30) }, 0.36],
])('a limiter %s keeps full white within its total', (_, more, amps) => {
  const show = brick(24, 1, 0.08, { limiterAmps: typed(amps), ...more });
  const report = powerReport(planShow(show), FULL_WHITE);
  expect(report.runs[0]!.amps).toBeCloseTo(0.72, 6);
  expect(report.supplies[0]).toMatchObject({ wantedAmps: expect.closeTo(0.8, 6), isOver: false });
  // A value to type does not follow from one that was typed.
  const { controllers } = capsOf(planShow(show));
  expect(controllers[0]!.limited).toEqual({ level: expect.closeTo(0.5, 6), amps: expect.closeTo(0.72, 6) });
  expect(controllers[0]!.whiteAmps).toBeCloseTo(1.44, 9);
});

it('dims no further than its limiter has to: one colour is within its total', () => {
  const show = brick(24, 1, 0.08, { limiterAmps: typed(0.72) });
  const red = powerReport(planShow(show), { ...FULL_WHITE, light: 'R' });
  expect(red.runs[0]!.amps).toBeCloseTo(24 * 0.02, 6);
});

it('says what opens and what sags once a program no longer keeps the level', () => {
  const show = { ...brick(24, 1, 0.08), power: { levelPercent: 40, whiteBy: 'all' as const } };
  const fused = { ...show, feeds: show.feeds.map((feed) => ({ ...feed, fuseAmps: 1 as const })) };
  expect(capsOf(planShow(fused)).lifted).toEqual({ percent: 40, openFuses: [0, 1], saggingSupplies: [0] });
  const limited = brick(24, 1, 0.08, { limiterAmps: typed(0.72) });
  expect(capsOf(planShow({ ...limited, power: show.power })).lifted).toEqual({
    percent: 40,
    openFuses: [],
    saggingSupplies: [],
  });
});

it('compares what a device says of itself, and explains it', () => {
  const [cap] = capsOf(planShow(brick(24, 1, 0.08))).controllers;
  expect(estimateWords(cap!, undefined)).toBeNull();
  expect(estimateWords(cap!, 1.42)).toMatch(/agrees/);
  expect(estimateWords(cap!, 0.84)).toMatch(/42 % less.*35 mA a pixel, the plan has 60 mA/);
});

it('types less where chips take something while dark, since a limiter does not know of it', () => {
  const show = brick(24, 1, 0.08);
  const idle = {
    ...FIVE,
    electric: { ...FIVE.electric, draw: { idle: typed(1), R: typed(20), G: typed(20), B: typed(19) } },
  };
  const pixelTypes = show.pixelTypes.map((each) => (each.id === 'rgb' ? idle : each));
  const [cap] = capsOf(planShow({ ...show, pixelTypes })).controllers;
  // (920 - 24) / (1440 - 24) of 24 pixels of 60 mA.
  expect(cap).toMatchObject({ pixelMa: 60, percent: { rating: 63 }, limiterMa: { rating: 911 } });
  const limited = { limiterAmps: typed(0.911), limiterPixelMa: typed(60) };
  const made = {
    ...show,
    pixelTypes,
    controllers: [{ ...show.controllers[0]!, power: { ownAmps: typed(0.08), ...limited } }],
  };
  const { wantedAmps } = powerReport(planShow(made), FULL_WHITE).supplies[0]!;
  expect(wantedAmps).toBeLessThanOrEqual(1);
  expect(wantedAmps).toBeGreaterThan(0.998);
});

it('tells what pixels draw that channels are kept free for, as a figure of its own', () => {
  const show = brick(24, 4, 0.08);
  const patch = show.patch.map((entry) => ({ ...entry, spareChannels: 31 }));
  const [cap] = capsOf(planShow({ ...show, patch })).supplies;
  // Ten of three channels; one channel is left over.
  expect(cap!.reserved).toEqual({ pixels: 10, amps: expect.closeTo(0.6, 9) });
  expect(cap!.load.whiteAmps).toBeCloseTo(1.44, 9);
});
