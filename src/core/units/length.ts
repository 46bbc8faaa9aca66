/**
 * Lengths as builders write them. Everything is kept in millimetres; what the builder typed decides only
 * how it is read, never how it is stored.
 */

export type LengthUnit = 'mm' | 'cm' | 'm' | 'in' | 'ft' | 'yd';

export type Parsed<T> = { ok: true; value: T } | { ok: false; message: string };

const MM_PER_UNIT: Record<LengthUnit, number> = { mm: 1, cm: 10, m: 1000, in: 25.4, ft: 304.8, yd: 914.4 };

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
  yd: 'yd',
  yard: 'yd',
  yards: 'yd',
  ft: 'ft',
  foot: 'ft',
  feet: 'ft',
  "'": 'ft',
  '′': 'ft',
  '’': 'ft',
};

/** Fractions that keyboards and phones make of one letter. */
const FRACTIONS: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

const TERM =
  /\s*(?:(\d+)\s+(\d+)\/(\d+)|(\d+)\/(\d+)|(\d{1,3}(?:,\d{3})+(?![\d.,])|\d+(?:[.,]\d+)?|[.,]\d+))\s*(mm|cm|met(?:re|er)s?|m|inch(?:es)?|in|feet|foot|ft|yards?|yd|["″”'′’])?\s*/iy;

/** `1,500`: our own way to part thousands, or a decimal comma with three digits behind it. */
const THOUSANDS = /^\d{1,3}(,\d{3})+$/;

/**
 * Reads a length: `1.2 m`, `33`, `3 ft 6 in`, `3' 6 1/2"`, `42"`, `4,5 cm`, `3m20`, `1½ in`, `7 yd`, `1,500 mm`.
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
  const source = text
    .trim()
    .replace(/(\d)?([½¼¾⅛⅜⅝⅞])/g, (_, digit: string | undefined, letter: string) =>
      digit === undefined ? FRACTIONS[letter]! : `${digit} ${FRACTIONS[letter]!}`,
    );
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
    const unit = word ? UNIT_WORDS[word.toLowerCase()] : followingUnit(previous, decimal, bareUnit);
    if (!unit) return refuse();
    if (decimal !== undefined && THOUSANDS.test(decimal) && unit !== 'mm')
      return { ok: false, message: bothReadings(text.trim(), decimal, unit) };
    const amount =
      decimal !== undefined
        ? Number(THOUSANDS.test(decimal) ? decimal.replaceAll(',', '') : decimal.replace(',', '.'))
        : Number(whole ?? 0) + Number(over ?? onlyOver) / denominator;
    // Only feet and inches, or metres and centimetres, are said together, the larger one first.
    if (previous && MM_PER_UNIT[unit] >= MM_PER_UNIT[previous]) return refuse();
    totalMm += amount * MM_PER_UNIT[unit];
    previous = unit;
  }
  return Number.isFinite(totalMm) ? { ok: true, value: totalMm } : refuse();
}

/** The unit of a number without one: inches after feet, as in 5' 6; after metres two digits are centimetres, as in 3m20, and three millimetres. */
function followingUnit(
  previous: LengthUnit | undefined,
  decimal: string | undefined,
  bareUnit: LengthUnit,
): LengthUnit | undefined {
  if (previous === undefined) return bareUnit;
  if (previous === 'ft') return 'in';
  if (previous === 'yd') return 'ft';
  if (previous !== 'm' || !decimal) return undefined;
  return /^\d{2}$/.test(decimal) ? 'cm' : /^\d{3}$/.test(decimal) ? 'mm' : undefined;
}

/** The length that a field asks for, as far as a number without a unit is read by it. */
export interface AskedLength {
  /** The value that stands there now; 0 where none does. */
  standsMm: number;
  leastMm: number;
  mostMm: number;
  /** From pixel to pixel. */
  isSpacing?: boolean;
}

/** Fields up to this length ask for something small: a spacing, a gap, an inset. */
const MOST_SMALL_MM = 5000;
/** A larger number is meant in the smaller unit: nobody measures a prop as 120 m. */
const MOST_BARE = 100;

/**
 * The unit in which a number without one is read, by the same rule in every field: small things in millimetres (inches); larger ones in
 * whichever of millimetres and metres (inches and feet) comes nearer to the length that stands there, as a ratio.
 */
export function bareUnitFor(text: string, asked: AskedLength, lengths: Lengths): LengthUnit {
  const [small, large] = lengths === 'imperial' ? (['in', 'ft'] as const) : (['mm', 'm'] as const);
  const number = Math.abs(Number(text.trim().replace(',', '.').replace('−', '-')));
  if (asksForSmall(asked) || !(number > 0) || number > MOST_BARE) return small;
  const fits = (unit: LengthUnit) =>
    number * MM_PER_UNIT[unit] >= asked.leastMm && number * MM_PER_UNIT[unit] <= asked.mostMm;
  if (!fits(large)) return small;
  if (!fits(small)) return large;
  const aboutMm = Math.abs(asked.standsMm) || Math.sqrt(Math.max(1, asked.leastMm) * asked.mostMm);
  const ratio = (unit: LengthUnit) => Math.abs(Math.log((number * MM_PER_UNIT[unit]) / aboutMm));
  return ratio(large) < ratio(small) ? large : small;
}

/** Whether a field asks for something small, where a number without a unit has one reading only. */
export function asksForSmall({ mostMm, isSpacing }: AskedLength): boolean {
  return isSpacing === true || mostMm <= MOST_SMALL_MM;
}

function bothReadings(text: string, decimal: string, unit: LengthUnit): string {
  return `“${text}” can be ${decimal.replaceAll(',', '')} ${unit} or ${decimal.replace(',', '.')} ${unit}: write it without the comma, or with a point.`;
}

/**
 * Reads a distance from pixel to pixel: as a length, or by how many there are: `30/m`, `30 per m`, `30 px/m`, `10 a foot`.
 *
 * @returns millimetres, or a sentence
 */
export function parseSpacing(text: string, bareUnit: LengthUnit = 'mm'): Parsed<number> {
  const match =
    /^\s*(\d+(?:[.,]\d+)?)\s*(?:px|pixels?|leds?)?\s*(?:\/|per|a|an)\s*(mm|cm|met(?:re|er)s?|m|inch|in|foot|ft|yard|yd)\s*$/i.exec(
      text,
    );
  if (!match) return parseLength(text, bareUnit);
  const count = Number(match[1]!.replace(',', '.'));
  const unit = UNIT_WORDS[match[2]!.toLowerCase()];
  if (!unit || count <= 0)
    return {
      ok: false,
      message: `“${text.trim()}” is not so many to a length. Write it as 30/m, or as a distance such as 33 mm.`,
    };
  return { ok: true, value: MM_PER_UNIT[unit] / count };
}

/** Pixels a metre in which strips are sold. */
const SOLD_PER_METRE: ReadonlySet<number> = new Set([30, 48, 60, 72, 96, 120, 144]);

export interface Reading<Value> {
  words: string;
  value: Value;
}

/** Both readings of a bare number that may be millimetres or pixels a metre; none where it can be meant in one way only. */
export function spacingReadings(text: string, bareUnit: LengthUnit, lengths: Lengths): Reading<number>[] {
  const number = Number(text.trim());
  if (bareUnit !== 'mm' || !SOLD_PER_METRE.has(number)) return [];
  return [
    { words: `${formatLength(number, lengths)} apart`, value: number },
    { words: `${number} a metre: ${formatLength(1000 / number, lengths)} apart`, value: 1000 / number },
  ];
}

/** From here on a count that is sold as so many a metre is more likely that than the number of pixels on a length. */
const LEAST_DOUBTFUL_MM = 2000;

/** Both readings of a number of pixels on a length that may be meant as so many a metre; none where it can be meant in one way only. */
export function countReadings(text: string, lengthMm: number, lengths: Lengths): Reading<number>[] {
  const number = Number(text.trim());
  if (!SOLD_PER_METRE.has(number) || lengthMm < LEAST_DOUBTFUL_MM) return [];
  const onLength = Math.round((number * lengthMm) / 1000);
  return [
    { words: `${number} on ${formatLength(lengthMm, lengths)}`, value: number },
    { words: `${number} a metre: ${onLength} on it`, value: onLength },
  ];
}

export const LENGTH_SYSTEMS = ['metric', 'imperial'] as const;
type LengthSystem = (typeof LENGTH_SYSTEMS)[number];
/** The system in which a show writes its lengths; metric where it says nothing. */
export type Lengths = LengthSystem | undefined;

/** Below this a tape in inches shows nothing useful, and pitches are sold by the millimetre everywhere. */
const LEAST_INCHES_MM = 12;
const PARTS_OF_INCH = 16;

/**
 * A length for reading, to what a tape shows: millimetres below 1 m and metres above, with the decimals of pitches; or feet, inches
 * and sixteenths: 259 mm is 10 3/16 in.
 */
export function formatLength(lengthMm: number, lengths: Lengths): string {
  if (lengthMm <= -0.05) return `-${formatLength(-lengthMm, lengths)}`;
  if (lengths === 'imperial' && (lengthMm >= LEAST_INCHES_MM || lengthMm < 0.05))
    return inFeetAndInches(lengthMm);
  return lengthMm < 1000 ? `${trim(lengthMm, 1)} mm` : `${trim(lengthMm / 1000, 3)} m`;
}

function inFeetAndInches(lengthMm: number): string {
  const parts = Math.round((lengthMm / MM_PER_UNIT.in) * PARTS_OF_INCH);
  const feet = Math.floor(parts / (12 * PARTS_OF_INCH));
  const inches = Math.floor(parts / PARTS_OF_INCH) - 12 * feet;
  let [over, under] = [parts % PARTS_OF_INCH, PARTS_OF_INCH];
  while (over > 0 && over % 2 === 0) [over, under] = [over / 2, under / 2];
  const rest = [
    inches > 0 || (over === 0 && feet === 0) ? `${inches}` : '',
    over > 0 ? `${over}/${under}` : '',
  ]
    .filter(Boolean)
    .join(' ');
  return [feet > 0 ? `${feet} ft` : '', rest === '' ? '' : `${rest} in`].filter(Boolean).join(' ');
}

/** A number with at most `digits` decimals and no trailing zeros. */
function trim(value: number, digits: number): string {
  return String(Number(value.toFixed(digits)));
}
