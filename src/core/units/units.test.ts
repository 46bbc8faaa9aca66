import fc from 'fast-check';
import {
  bareUnitFor,
  countReadings,
  formatLength,
  parseLength,
  parseSpacing,
  spacingReadings,
  type AskedLength,
  type Lengths,
} from './length';
import { countOf, groupDigits, parseWhole } from './number';

describe('parseLength', () => {
  it.each([
    ['1.2 m', 1200],
    ['1,2m', 1200],
    ['45cm', 450],
    ['33', 33],
    ['3 ft 6 in', 1066.8],
    ['3\' 6 1/2"', 1079.5],
    ['42"', 1066.8],
    ["5' 6", 1676.4],
    ['1 m 20 cm', 1200],
    ['1/2 in', 12.7],
    ['0', 0],
  ])('reads %s', (text, expected) => {
    expect(parseLength(text)).toEqual({ ok: true, value: expect.closeTo(expected, 6) });
  });

  it.each(['', 'wide', '-3 m', '3 kg', '6 in 3 ft', '1/0 in', 'NaN', '1e9', '3 3'])(
    'refuses %p with a sentence',
    (text) => {
      const parsed = parseLength(text);
      expect(parsed).toMatchObject({ ok: false, message: expect.stringMatching(/\.$/) });
    },
  );

  it.each([
    ['1,500 mm', 1500],
    ['12,500', 12_500],
    ['3m20', 3200],
    ['3 m 205', 3205],
    ['½ in', 12.7],
    ['1½ in', 38.1],
    ['1 ½"', 38.1],
    ['7 yd', 6400.8],
    ['2 yd 1', 2133.6],
    [`2' 3"`, 685.8],
    ['4,5 cm', 45],
  ])('reads %p as %p mm', (text, lengthMm) => {
    const parsed = parseLength(text);
    expect(parsed.ok && parsed.value).toBeCloseTo(lengthMm);
  });

  it.each(['3 m 3 m', '2 in 1 ft', '20 cm 1 m', '5 ft 6 ft'])(
    'takes each unit of %p once, the larger first',
    (text) => {
      expect(parseLength(text).ok).toBe(false);
    },
  );
  it.each(['3m5', '1,250 m', '3m2005'])('asks what %p is rather than guess', (text) => {
    expect(parseLength(text).ok).toBe(false);
  });

  it.each([
    ['30/m', 1000 / 30],
    ['30 per m', 1000 / 30],
    ['60 px/m', 1000 / 60],
    ['30 LEDs a metre', 1000 / 30],
    ['10/ft', 30.48],
    ['33 mm', 33],
    ['2 in', 50.8],
  ])('reads the spacing %p as %p mm', (text, spacingMm) => {
    const parsed = parseSpacing(text);
    expect(parsed.ok && parsed.value).toBeCloseTo(spacingMm);
  });

  it('writes what a tape shows: millimetres and metres, or feet, inches and sixteenths', () => {
    expect(formatLength(259, 'imperial')).toBe('10 3/16 in');
    expect(formatLength(2590.8, 'imperial')).toBe('8 ft 6 in');
    expect(formatLength(304.8, 'imperial')).toBe('1 ft');
    expect(formatLength(3 * 304.8 + 12.7, 'imperial')).toBe('3 ft 1/2 in');
    // Rounded up to the next foot rather than to twelve inches.
    expect(formatLength(304.7, 'imperial')).toBe('1 ft');
    expect(formatLength(0, 'imperial')).toBe('0 in');
    // Pitches are sold by the millimetre everywhere.
    expect(formatLength(5, 'imperial')).toBe('5 mm');
    expect(formatLength(259, undefined)).toBe('259 mm');
  });

  it('reads back what it writes, in both systems', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5_000_000 }), (tenths) => {
        const lengthMm = tenths / 10;
        for (const system of ['metric', 'imperial'] as const) {
          const back = parseLength(formatLength(lengthMm, system), 'mm');
          expect(back.ok && Math.abs(back.value - lengthMm)).toBeLessThanOrEqual(
            system === 'metric' ? 0.5001 : 1.28,
          );
        }
      }),
    );
  });
});

describe('whole numbers', () => {
  it('accepts thousands as people part them', () => {
    for (const text of ['24150', '24,150', "24'150", '24 150', ' 24150 '])
      expect(parseWhole(text, 1, 99_999, 'The count')).toEqual({ ok: true, value: 24150 });
  });

  it.each(['0', '-4', 'NaN', 'ten', '1e3', '1000000', '', '2.5', '1,2'])(
    'refuses %p and says what is allowed',
    (text) => {
      const parsed = parseWhole(text, 1, 10_000, 'The count');
      expect(parsed).toMatchObject({ ok: false, message: expect.stringContaining('from 1 to 10,000') });
    },
  );

  it('groups digits and counts in words', () => {
    expect(groupDigits(1234567)).toBe('1,234,567');
    expect(countOf(1, 'pixel')).toBe('1 pixel');
    expect(countOf(1008, 'pixel')).toBe('1,008 pixels');
  });
});

describe('a number that may be meant in two ways', () => {
  it('is asked about where strips are sold by it', () => {
    expect(spacingReadings('30', 'mm', undefined).map((each) => each.value)).toEqual([30, 1000 / 30]);
    expect(spacingReadings('31', 'mm', undefined)).toEqual([]);
    expect(spacingReadings('30 mm', 'mm', undefined)).toEqual([]);
    expect(countReadings('60', 7000, undefined)).toEqual([
      { words: '60 on 7 m', value: 60 },
      { words: '60 a metre: 420 on it', value: 420 },
    ]);
  });
  it('is taken as it stands where it is no such number, or on a short piece', () => {
    expect(countReadings('50', 7000, undefined)).toEqual([]);
    expect(countReadings('30', 900, undefined)).toEqual([]);
  });
});

describe('a number without a unit', () => {
  const width = { standsMm: 900, leastMm: 1, mostMm: 50_000 };
  it.each<[string, AskedLength, Lengths, string]>([
    // Metres where millimetres are not allowed, or are further from what stands there.
    ['0.8', width, undefined, 'm'],
    ['3.6', width, undefined, 'm'],
    ['12', width, undefined, 'm'],
    ['80', width, undefined, 'mm'],
    ['800', width, undefined, 'mm'],
    // 900 / sqrt(1000) = 28.46: there both readings are as far away.
    ['28.4', width, undefined, 'm'],
    ['28.5', width, undefined, 'mm'],
    ['12', { ...width, standsMm: 20 }, undefined, 'mm'],
    // Too long in metres, too short in millimetres.
    ['60', { ...width, standsMm: 40_000 }, undefined, 'mm'],
    ['60', { ...width, standsMm: 40_000, mostMm: 60_000 }, undefined, 'm'],
    ['60', { standsMm: 200, leastMm: 100, mostMm: 100_000 }, undefined, 'm'],
    // A spacing, a gap: always in the small unit.
    ['0.8', { ...width, isSpacing: true }, undefined, 'mm'],
    ['2', { standsMm: 4000, leastMm: 0, mostMm: 5000 }, undefined, 'mm'],
    ['2', { standsMm: 4000, leastMm: 0, mostMm: 5001 }, undefined, 'm'],
    // Nothing stands there yet: the middle of the range, as a ratio, which is 1 m here.
    ['3', { standsMm: 0, leastMm: 1, mostMm: 1_000_000 }, undefined, 'm'],
    ['40', { standsMm: 0, leastMm: 1, mostMm: 1_000_000 }, undefined, 'mm'],
    ['-3', { standsMm: -2000, leastMm: -10_000, mostMm: 10_000 }, undefined, 'm'],
    ['0', width, undefined, 'mm'],
    ['100', { ...width, standsMm: 50_000, mostMm: 1_000_000 }, undefined, 'm'],
    ['101', { ...width, standsMm: 50_000, mostMm: 1_000_000 }, undefined, 'mm'],
    ['1,5', width, undefined, 'm'],
    ['3 m 20', width, undefined, 'mm'],
    ['4', { ...width, standsMm: 1200 }, 'imperial', 'ft'],
    ['42', { ...width, standsMm: 1200 }, 'imperial', 'in'],
  ])('%s with %j (%s) is read in %s', (text, asked, lengths, unit) => {
    expect(bareUnitFor(text, asked, lengths)).toBe(unit);
  });
});
