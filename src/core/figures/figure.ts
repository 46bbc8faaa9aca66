import { z } from 'zod';
import { listOf } from '../units/words';
import { itemAt } from '../units/there';

/** Bases of a figure, from the weakest to the strongest. */
export const BASES = ['default', 'heard', 'typed', 'dataSheet', 'measured'] as const;
type Basis = (typeof BASES)[number];

export const BASIS_WORDS: Record<Basis, string> = {
  default: 'usual figure',
  heard: 'heard from others',
  typed: 'typed in',
  dataSheet: 'data sheet',
  measured: 'measured',
};

const standingFields = {
  basis: z.enum(BASES),
  /** Which data sheet, manual or rule of thumb. */
  source: z.string().max(200).optional(),
  who: z.string().max(80).optional(),
  when: z.iso.date().optional(),
  /** The measurement: with which meter, at what level, on how many. */
  how: z.string().max(200).optional(),
};
/** Basis of a figure. */
export type Standing = z.infer<z.ZodObject<typeof standingFields, z.core.$strict>>;

/** A value together with what it stands on. */
export type Figure<Value> = Standing & { value: Value };

export function figureSchema<Value extends z.ZodType>(value: Value) {
  return z.strictObject({ value, ...standingFields });
}

/** A value to start from, which stands until the builder knows better. */
export function usual<Value>(value: Value, source?: string): Figure<Value> {
  return { value, basis: 'default', ...(source === undefined ? {} : { source }) };
}

/**
 * The figure with another value. What was said of the old one need not be true of the new: it counts as typed until more is said of it;
 * who typed a data sheet's figure wrong and mends it says so again.
 */
export function retyped<Value>(figure: Figure<Value> | undefined, value: Value): Figure<Value> {
  return figure && Object.is(figure.value, value) ? figure : { value, basis: 'typed' };
}

/** `measured by Ada, 2026-11-02: at full white`, `usual figure: Fast Ethernet`. */
export function standingWords({ basis, source, who, when, how }: Standing): string {
  const about = [who && `by ${who}`, when].filter(Boolean).join(', ');
  const more = [source, how].filter(Boolean).join('; ');
  return `${BASIS_WORDS[basis]}${about && ` ${about}`}${more && `: ${more}`}`;
}

/** Bases of a total over several figures: `all measured`, or `mixed: measured and usual figure`. Empty without figures. */
export function basesWords(standings: readonly Standing[]): string {
  const bases = BASES.filter((basis) => standings.some((each) => each.basis === basis)).reverse();
  if (bases.length === 0) return '';
  const words = bases.map((basis) => BASIS_WORDS[basis]);
  return words.length === 1 ? itemAt(words, 0) : `mixed: ${listOf(words)}`;
}
