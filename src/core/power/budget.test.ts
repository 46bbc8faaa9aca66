import { electricOf } from '../catalogue/electric';
import { SHIPPED_PIXEL_TYPES } from '../catalogue/pixelType';
import { bothOf, capOn, pixelsOn } from './budget';
import { FULL_WHITE, fullAmps } from './shown';

it('a travelling wreath of 24 pixels of 60 mA on a USB brick of 1 A, its board 80 mA', () => {
  const { rating, hours } = bothOf(1);
  const load = { otherAmps: 0.08, idleAmps: 0, whiteAmps: 24 * 0.06 };
  expect(pixelsOn(rating, 0.08, 0.06)).toBe(15);
  expect(pixelsOn(hours, 0.08, 0.06)).toBe(12);
  expect(capOn(rating, load)).toEqual({ percent: 63, limiterMa: 920 });
  expect(capOn(hours, load)).toEqual({ percent: 50, limiterMa: 720 });
});

it('a club screen of 154 pixels on 5 V 8 A beside a small computer of 2.5 A', () => {
  const load = { otherAmps: 2.5, idleAmps: 0, whiteAmps: 154 * 0.06 };
  expect(load.whiteAmps).toBeCloseTo(9.24, 9);
  expect(capOn(8, load).percent).toBe(59);
  expect(capOn(6.4, load).percent).toBe(42);
});

it('what pixels take while dark is kept, since it is not dimmed', () => {
  // 100 pixels of 60 mA, of which 1 is their chip's: 0.1 A of 6 are not dimmed.
  expect(capOn(3, { otherAmps: 0, idleAmps: 0.1, whiteAmps: 6 }).percent).toBe(Math.floor((100 * 2.9) / 5.9));
  expect(capOn(0.05, { otherAmps: 0, idleAmps: 0.1, whiteAmps: 6 }).percent).toBe(0);
  expect(capOn(60, { otherAmps: 0, idleAmps: 0.1, whiteAmps: 6 })).toEqual({ percent: 100, limiterMa: 6000 });
});

it('60 mA are 60 mA, whatever a pixel is made of: 7 of them beside a board of 80 mA on 0.5 A, 32 on 2 A', () => {
  const types = SHIPPED_PIXEL_TYPES.filter((type) => electricOf(type).draw.idle?.basis === 'default');
  expect(types.length).toBeGreaterThan(3);
  for (const type of types) {
    const whiteMa = 1000 * fullAmps(electricOf(type), type.colourOrder, FULL_WHITE);
    // A light of one colour takes a third of one of three.
    expect(3 * whiteMa).toBeCloseTo(Math.round(3 * whiteMa), 9);
    for (const figure of Object.values(electricOf(type).draw)) expect(figure.source).not.toMatch(/\d\.\d{2}/);
  }
  const strip = types.find(({ id }) => id === 'strip-5v-ws2812b')!;
  const each = fullAmps(electricOf(strip), strip.colourOrder, FULL_WHITE);
  expect([pixelsOn(0.5, 0.08, each), pixelsOn(2, 0.08, each)]).toEqual([7, 32]);
});
