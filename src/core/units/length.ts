/**
 * Lengths as builders write them. Everything is kept in millimetres; what the builder typed decides only
 * how it is read, never how it is stored.
 */

export type LengthUnit = 'mm' | 'cm' | 'm' | 'in' | 'ft';

export type Parsed<T> = { ok: true; value: T } | { ok: false; message: string };

const MM_PER_UNIT: Record<LengthUnit, number> = { mm: 1, cm: 10, m: 1000, in: 25.4, ft: 304.8 };

const UNIT_WORDS: Record<string, LengthUnit> = {
  mm: 'mm',
  cm: 'cm',
  m: 'm',
  metre: 'm',
  metres: 'm',
  meter: 'm',
  meters: 'm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  '″': 'in',
  '”': 'in',
  ft: 'ft',
  foot: 'ft',
  feet: 'ft',
  "'": 'ft',
  '′': 'ft',
  '’': 'ft',
};

const TERM =
  /\s*(?:(\d+)\s+(\d+)\/(\d+)|(\d+)\/(\d+)|(\d+(?:[.,]\d+)?|[.,]\d+))\s*(mm|cm|met(?:re|er)s?|m|inch(?:es)?|in|feet|foot|ft|["″”'′’])?\s*/iy;

/**
 * Reads a length: `1.2 m`, `33`, `3 ft 6 in`, `3' 6 1/2"`, `42"`, `4,5 cm`.
 *
 * @param text what was typed
 * @param bareUnit the unit of a number that has none
 * @returns millimetres, or a sentence that says what is accepted. Negative lengths are refused.
 */
export function parseLength(text: string, bareUnit: LengthUnit = 'mm'): Parsed<number> {
  const refuse = (): Parsed<number> => ({
    ok: false,
    message: `“${text.trim()}” is not a length. Write it as 1.2 m, 45 cm, 33 mm, 3 ft 6 in or 42".`,
  });
  const source = text.trim();
  if (source === '') return { ok: false, message: 'A length is needed here, such as 1.2 m or 3 ft 6 in.' };
  if (source.startsWith('-'))
    return { ok: false, message: `“${source}” is below zero. A length is zero or more.` };

  let totalMm = 0;
  let previous: LengthUnit | undefined;
  TERM.lastIndex = 0;
  while (TERM.lastIndex < source.length) {
    const term = TERM.exec(source);
    if (!term) return refuse();
    const [, whole, over, under, onlyOver, onlyUnder, decimal, word] = term;
    const denominator = Number(under ?? onlyUnder ?? 1);
    if (denominator === 0) return refuse();
    const amount =
      decimal !== undefined
        ? Number(decimal.replace(',', '.'))
        : Number(whole ?? 0) + Number(over ?? onlyOver) / denominator;
    // After feet a bare number means inches, as people write 5' 6.
    const unit = word ? UNIT_WORDS[word.toLowerCase()] : previous === 'ft' ? 'in' : bareUnit;
    if (!unit) return refuse();
    // Only feet and inches, or metres and centimetres, are said together, the larger one first.
    if (previous && MM_PER_UNIT[unit] >= MM_PER_UNIT[previous]) return refuse();
    totalMm += amount * MM_PER_UNIT[unit];
    previous = unit;
  }
  return Number.isFinite(totalMm) ? { ok: true, value: totalMm } : refuse();
}

/** A length for reading: millimetres below 1 m, metres above. Imperial gives feet and inches. */
export function formatLength(lengthMm: number, system: 'metric' | 'imperial' = 'metric'): string {
  if (system === 'imperial') {
    const inches = lengthMm / MM_PER_UNIT.in;
    if (inches < 12) return `${trim(inches, 2)} in`;
    const rounded = Math.round(inches * 10) / 10;
    const feet = Math.floor(rounded / 12);
    const rest = trim(rounded - feet * 12, 1);
    return rest === '0' ? `${feet} ft` : `${feet} ft ${rest} in`;
  }
  return lengthMm < 1000 ? `${trim(lengthMm, 1)} mm` : `${trim(lengthMm / 1000, 3)} m`;
}

/** A number with at most `digits` decimals and no trailing zeros. */
function trim(value: number, digits: number): string {
  return String(Number(value.toFixed(digits)));
}
