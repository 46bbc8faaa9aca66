import fc from 'fast-check';
import { PortClock } from './portClock';

/** Pictures at a steady rate, as they are offered and put out. */
function run(rateHz: number, frameMs: number, seconds: number): PortClock {
  const clock = new PortClock(frameMs);
  for (let frame = 0; frame < rateHz * seconds; frame += 1) {
    const now = (1000 * frame) / rateHz;
    while (clock.due(now));
    clock.offer(now);
  }
  return clock;
}

it.each([
  // 450 pixels take 13.8 ms: 72 a second, so that 40 all go out and 100 do not.
  [40, 13.8, 40, 0],
  [100, 13.8, 72, 27],
  // 30 ms a picture at 40 a second: 33 of them go out.
  [40, 30, 33, 6],
])('of %d pictures a second that take %d ms each puts out %d', (rate, frameMs, shown, dropped) => {
  const clock = run(rate, frameMs, 1);
  expect([clock.shown, clock.dropped]).toEqual([shown, dropped]);
});

it('puts out what the wire has time for, and accounts for every picture', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 120 }),
      fc.double({ min: 0.5, max: 200, noNaN: true }),
      (rate, ms) => {
        const clock = run(rate, ms, 2);
        const waiting = clock.isBehind ? 1 : 0;
        expect(clock.shown + clock.dropped + waiting).toBe(2 * rate);
        expect(clock.shown).toBeLessThanOrEqual(Math.floor(2000 / ms) + 1);
        expect(clock.shown).toBeGreaterThanOrEqual(Math.min(2 * rate, Math.floor(2000 / ms)) - 1);
      },
    ),
  );
});
