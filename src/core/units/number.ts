import type { Parsed } from './length';

/** Reads a whole number as typed in a field; thousands may be parted by commas, spaces or apostrophes. */
export function parseWhole(text: string, least: number, most: number, what: string): Parsed<number> {
  const allowed = `${what} is a whole number from ${groupDigits(least)} to ${groupDigits(most)}`;
  const source = text.trim();
  if (source === '') return { ok: false, message: `${allowed}; the field was empty.` };
  const plain = source.replace(/(?<=\d)[,' ’](?=\d{3}(\D|$))/g, '');
  const value = /^[+-]?\d+(\.0+)?$/.test(plain) ? Number(plain) : NaN;
  if (!Number.isFinite(value) || value < least || value > most)
    return { ok: false, message: `${allowed}; “${source}” is not.` };
  return { ok: true, value };
}

/** 24150 → `24,150`. The same on every machine, whatever its locale. */
export function groupDigits(value: number): string {
  return String(value).replace(/(?<=\d)(?=(\d{3})+$)/g, ',');
}

/** `1 pixel`, `2 pixels`, `1,008 pixels`. */
export function countOf(count: number, singular: string, plural = `${singular}s`): string {
  return `${groupDigits(count)} ${count === 1 ? singular : plural}`;
}
