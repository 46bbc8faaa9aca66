import type { Parsed, Reading } from './length';

const WATT = /^w(att)?s?$/i;
const MILLI = /^m(illi)?a(mps?)?$/i;
const AMP = /^a(mps?|mperes?)?$/i;
const VOLT = /^v(olts?)?$/i;

const NUMBER = /^([+-]?(?:[1-9]\d{0,2}(?:,\d{3})+(?![\d.,])|\d+(?:[.,]\d+)?|[.,]\d+))\s*([a-zA-Z]*)$/;
/** `1,500`: thousands that are parted, or a decimal comma with three digits behind it. */
const THOUSANDS = /^[+-]?[1-9]\d{0,2}(?:,\d{3})+$/;

interface NumberAndUnit {
  value: number;
  unit: string;
  /** That it can be read in two ways; null where it cannot. */
  doubt: string | null;
}

function numberAndUnit(text: string): NumberAndUnit | null {
  const match = NUMBER.exec(text.trim());
  if (!match) return null;
  const [, number, unit] = match as unknown as [string, string, string];
  if (!THOUSANDS.test(number)) return { value: Number(number.replace(',', '.')), unit, doubt: null };
  const whole = number.replaceAll(',', '');
  const isClear = MILLI.test(unit) || number.split(',').length > 2;
  return {
    value: Number(whole),
    unit,
    // Nobody measures thousandths of a milliamp.
    doubt: isClear
      ? null
      : `“${text.trim()}” can be ${`${whole} ${unit}`.trim()} or ${`${number.replace(',', '.')} ${unit}`.trim()}: write it without the comma, or with a point.`,
  };
}

/**
 * A current as people write it, in amps: `60 mA`, `0.06 A`, or in watts at some volts: `0.3 W`.
 *
 * @param bareUnit what a number without a unit is in
 */
export function parseCurrent(text: string, volts: number, bareUnit: 'mA' | 'A'): Parsed<number> {
  const read = numberAndUnit(text);
  const unit = read?.unit === '' ? bareUnit : (read?.unit ?? '');
  if (read?.doubt) return { ok: false, message: read.doubt };
  if (read && read.value >= 0) {
    if (MILLI.test(unit)) return { ok: true, value: read.value / 1000 };
    if (AMP.test(unit)) return { ok: true, value: read.value };
    if (WATT.test(unit)) return { ok: true, value: read.value / volts };
  }
  return {
    ok: false,
    message: `“${text.trim()}” is no current. Write it as 60 mA, 0.06 A, or in watts as 0.3 W.`,
  };
}

/** A voltage as people write it. */
export function parseVolts(text: string, least: number, most: number): Parsed<number> {
  const read = numberAndUnit(text);
  if (read?.doubt) return { ok: false, message: read.doubt };
  const fits =
    read && (read.unit === '' || VOLT.test(read.unit)) && read.value >= least && read.value <= most;
  return fits
    ? { ok: true, value: read.value }
    : { ok: false, message: `A voltage from ${least} to ${most} V is needed; “${text.trim()}” is not.` };
}

/** `60 mA`, `1.25 A`: milliamps below one amp, to what a meter shows. */
export function formatAmps(amps: number): string {
  if (Math.abs(amps) < 0.9995) return `${Number((amps * 1000).toFixed(Math.abs(amps) < 0.01 ? 2 : 1))} mA`;
  return `${Number(amps.toFixed(2))} A`;
}

/** `0.72 W`. */
export function formatWatts(watts: number): string {
  return `${Number(watts.toFixed(watts < 10 ? 2 : 1))} W`;
}

/** `4.87 V`. */
export function formatVolts(volts: number): string {
  return `${volts.toFixed(2)} V`;
}

/**
 * Other readings of a current that is not plausible as it stands; none for one that is. The usual slips:
 * amps taken for milliamps, watts for amps, the figure of one colour for three, or of three for one.
 *
 * @param text as typed
 * @param range in amps, plausible for this
 */
export function currentReadings(
  text: string,
  volts: number,
  bareUnit: 'mA' | 'A',
  range: { least: number; most: number },
): Reading<number>[] {
  const read = numberAndUnit(text);
  const parsed = parseCurrent(text, volts, bareUnit);
  if (!read || !parsed.ok || (parsed.value >= range.least && parsed.value <= range.most)) return [];
  const asTyped = { words: `${formatAmps(parsed.value)}, as it stands`, value: parsed.value };
  const slips = [
    { words: 'in mA', value: read.value / 1000 },
    { words: 'in A', value: read.value },
    { words: 'in W', value: read.value / volts },
    { words: 'of three colours together', value: parsed.value / 3 },
    { words: 'of one colour of three', value: parsed.value * 3 },
  ].filter(({ value }) => value >= range.least && value <= range.most);
  const found = slips.filter(
    ({ value }, i) => slips.findIndex((other) => Math.abs(other.value - value) < 1e-9) === i,
  );
  return [asTyped, ...found.map(({ words, value }) => ({ words: `${formatAmps(value)}, ${words}`, value }))];
}
