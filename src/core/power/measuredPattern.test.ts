import fc from 'fast-check';
import { patternPercent } from './measuredPattern';

// 50 pixels of 60 mA at full white that take 1 mA dark: 0.05 A dark, 3 A white.
const fifty = { count: 50, darkAmps: 0.001, whiteAmps: 0.06 };

it('tells what a pattern draws of full white, above what is drawn while dark', () => {
  // (1 - 0.05) / (3 - 0.05) = 32.203 %, rounded up.
  expect(patternPercent(1, fifty)).toEqual({ ok: true, value: 32.3 });
  expect(patternPercent(3, fifty)).toEqual({ ok: true, value: 100 });
  expect(patternPercent(0.05, fifty)).toEqual({ ok: true, value: 0 });
});

it.each([3.1, 0.02])('does not take %d A, which these cannot draw', (amps) => {
  expect(patternPercent(amps, fifty)).toEqual({
    ok: false,
    message: expect.stringContaining('50 mA, and 3 A at full white'),
  });
});

it('never says less than was measured, and at most a tenth of a percent more', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 5000 }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (count, share) => {
        const [least, most] = [count * fifty.darkAmps, count * fifty.whiteAmps];
        const amps = least + share * (most - least);
        const read = patternPercent(amps, { ...fifty, count });
        if (!read.ok) throw new Error(read.message);
        expect(read.value).toBeGreaterThanOrEqual(100 * share - 1e-4);
        expect(read.value).toBeLessThan(100 * share + 0.1001);
      },
    ),
  );
});
