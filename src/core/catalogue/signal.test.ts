import fc from 'fast-check';
import { frameTimeUs, mostFrameRateHz, mostPixelsAtRate, signalOf } from './signal';

const oneWire = signalOf({ chip: 'WS2811' });

it('takes 30 µs an RGB pixel and 40 µs an RGBW pixel, and the latch', () => {
  expect(frameTimeUs(oneWire, 680, 3)).toBeCloseTo(20_400 + 300);
  expect(Math.floor(mostFrameRateHz(oneWire, 680, 3))).toBe(48);
  expect(frameTimeUs(oneWire, 100, 4)).toBeCloseTo(4000 + 300);
});

it('holds 823 RGB pixels at 40 pictures a second, 1,656 at 20, and half of the bits when slow', () => {
  expect(mostPixelsAtRate(oneWire, 3, 40)).toBe(823);
  expect(mostPixelsAtRate(oneWire, 3, 20)).toBe(1656);
  expect(mostPixelsAtRate(signalOf({ chip: 'ws2811s' }), 3, 40)).toBe(411);
});

it('sends 32 bits a pixel where there is a clock wire', () => {
  // (32 * 100 + 32 + 50) bits at 4 MHz.
  expect(frameTimeUs(signalOf({ chip: 'APA102' }), 100, 3)).toBeCloseTo(820.5);
});

it('never promises a pixel more than the rate allows, nor one less', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('WS2811', 'WS2811S', 'APA102', 'no such part'),
      fc.constantFrom(1, 3, 4),
      fc.integer({ min: 10, max: 120 }),
      (chip, channels, rateHz) => {
        const signal = signalOf({ chip });
        const most = mostPixelsAtRate(signal, channels, rateHz);
        expect(mostFrameRateHz(signal, most, channels)).toBeGreaterThanOrEqual(rateHz - 1e-6);
        // Half a bit a pixel ends a clocked frame, rounded up: one pixel of slack.
        expect(mostFrameRateHz(signal, most + 2, channels)).toBeLessThan(rateHz);
      },
    ),
  );
});
