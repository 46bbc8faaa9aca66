import fc from 'fast-check';
import { currentReadings, formatAmps, parseCurrent, parseVolts } from './electric';

const value = (text: string, volts = 12, bare: 'mA' | 'A' = 'mA') => {
  const parsed = parseCurrent(text, volts, bare);
  return parsed.ok ? parsed.value : null;
};

it.each([
  ['60 mA', 0.06],
  ['60', 0.06],
  ['0,06 A', 0.06],
  ['.72 W', 0.06],
  ['6 amps', 6],
  ['-1 A', null],
  ['1,500 mA', 1.5],
  ['12,345 mA', 12.345],
  ['1,5 A', 1.5],
  ['0,300 A', 0.3],
  ['1,500 A', null],
  ['1,500 W', null],
  ['60 px', null],
  ['', null],
])('%s is %s A at 12 V', (text, amps) => {
  if (amps === null) expect(value(text)).toBeNull();
  else expect(value(text)).toBeCloseTo(amps, 12);
});

it('what is written is read again', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.001, max: 60, noNaN: true }), (amps) => {
      expect(Math.abs(value(formatAmps(amps))! - amps)).toBeLessThanOrEqual(Math.max(0.00005, amps * 0.006));
    }),
  );
});

it('asks about watts that were meant as amps', () => {
  // 0.015 W a colour would be 1.25 mA at 12 V.
  const readings = currentReadings('0.015 W', 12, 'mA', { least: 0.004, most: 0.04 });
  expect(readings[0]).toMatchObject({ value: 0.00125 });
  expect(readings.map((each) => each.words)).toContain('15 mA, in A');
  expect(currentReadings('15 mA', 12, 'mA', { least: 0.004, most: 0.04 })).toEqual([]);
  expect(currentReadings('60 mA', 5, 'mA', { least: 0.004, most: 0.04 }).map((each) => each.words)).toContain(
    '20 mA, of three colours together',
  );
});

it('a voltage is one within bounds', () => {
  expect(parseVolts('5 V', 3, 48)).toEqual({ ok: true, value: 5 });
  expect(parseVolts('1000 V', 3, 48).ok).toBe(false);
});

it('asks where a comma can part thousands or be a point', () => {
  expect(parseCurrent('1,500 W', 12, 'A')).toEqual({
    ok: false,
    message: '“1,500 W” can be 1500 W or 1.500 W: write it without the comma, or with a point.',
  });
  expect(parseVolts('12,500', 3, 48)).toMatchObject({
    ok: false,
    message: expect.stringContaining('12.500'),
  });
  expect(parseVolts('12,5', 3, 48)).toEqual({ ok: true, value: 12.5 });
});
