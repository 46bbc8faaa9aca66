'use client';

import type { TextInputProps } from '@mantine/core';
import {
  formatLength,
  parseLength,
  parseSpacing,
  spacingReadings,
  type LengthUnit,
  type Reading,
  type Lengths,
} from '@/core/units/length';
import { groupDigits, parseWhole } from '@/core/units/number';
import { ParsedField } from './ParsedField';
import { useLengths } from '../lengths';

type Field<Value> = Omit<TextInputProps, 'value' | 'onChange' | 'error'> & {
  value: Value;
  onCommit: (value: Value) => boolean | void;
};

/** A whole number between two bounds. Arrow up and down step by one. */
export function WholeField({
  least,
  most,
  what,
  value,
  onCommit,
  readings,
  ...rest
}: Field<number> & {
  least: number;
  most: number;
  what: string;
  /** Other readings of a number; the field asks about them. */
  readings?: (text: string) => readonly Reading<number>[];
}) {
  return (
    <ParsedField
      inputMode="numeric"
      value={value}
      {...(readings && {
        readings: (text) =>
          readings(text).filter((reading) => reading.value >= least && reading.value <= most),
      })}
      format={groupDigits}
      parse={(text) => parseWhole(text, least, most, what)}
      stepBy={(number, by) => Math.min(Math.max(number + by, least), most)}
      onCommit={onCommit}
      {...rest}
    />
  );
}

/** A whole number that may be left unsaid: an empty field is null. */
export function MaybeWholeField({
  least,
  most,
  what,
  ...rest
}: Field<number | null> & { least: number; most: number; what: string }) {
  return (
    <ParsedField
      inputMode="numeric"
      format={(value: number | null) => (value === null ? '' : groupDigits(value))}
      parse={(text) =>
        text.trim() === '' ? { ok: true as const, value: null } : parseWhole(text, least, most, what)
      }
      {...rest}
    />
  );
}

/** Whole numbers one after another, such as `7, 14` or `12 + 8`; an empty field is an empty list. */
export function WholeListField({
  least,
  most,
  mostNumbers,
  what,
  separator = ', ',
  ...rest
}: Field<number[]> & { least: number; most: number; mostNumbers: number; what: string; separator?: string }) {
  return (
    <ParsedField
      format={(numbers) => numbers.join(separator)}
      parse={(text) => {
        const numbers: number[] = [];
        for (const word of text.split(/[\s,;+]+/).filter((each) => each !== '')) {
          const parsed = parseWhole(word, least, most, `Each number of “${what}”`);
          if (!parsed.ok) return parsed;
          numbers.push(parsed.value);
        }
        if (numbers.length > mostNumbers)
          return {
            ok: false,
            message: `${what}: at most ${mostNumbers} numbers; these are ${numbers.length}.`,
          };
        return { ok: true, value: numbers };
      }}
      {...rest}
    />
  );
}

/** The largest number that somebody who means metres types without a unit. */
const MOST_BARE_METRES = 100;

/**
 * The unit that a bare number is taken to have: millimetres, or inches where the show has those; metres or feet where the value that stood
 * there was written in them and the number is a small one. The field shows at once what was read.
 */
function bareUnitBeside(valueMm: number, text: string, lengths: Lengths): LengthUnit {
  const isImperial = lengths === 'imperial';
  const isSmall = Number(text.replace(',', '.')) <= MOST_BARE_METRES;
  if (isImperial) return isSmall && /ft/.test(formatLength(valueMm, lengths)) ? 'ft' : 'in';
  return isSmall && valueMm >= 1000 ? 'm' : 'mm';
}

type LengthFieldProps = Field<number> & {
  leastMm: number;
  mostMm: number;
  what: string;
  bareUnit?: LengthUnit;
  /** From pixel to pixel, which is also said by how many there are to a length. */
  isSpacing?: boolean;
};

/** A length that may go the other way: `-20 mm`. */
function parseSigned(text: string, bare: LengthUnit): ReturnType<typeof parseLength> {
  const [, minus, rest] = /^\s*([-−]?)(.*)$/.exec(text)!;
  const parsed = parseLength(rest!, bare);
  // No zero has a sign.
  return parsed.ok && minus ? { ...parsed, value: 0 - parsed.value } : parsed;
}

/** A length as people write it; below zero only where the least is. Kept in millimetres. */
export function LengthField({
  leastMm,
  mostMm,
  what,
  bareUnit,
  isSpacing = false,
  ...rest
}: LengthFieldProps) {
  const lengths = useLengths();
  return (
    <ParsedField
      format={(lengthMm) => formatLength(lengthMm, lengths)}
      readings={(text) =>
        isSpacing
          ? spacingReadings(
              text,
              bareUnit ?? bareUnitBeside(rest.value, text.trim(), lengths),
              lengths,
            ).filter((reading) => reading.value >= leastMm && reading.value <= mostMm)
          : []
      }
      parse={(text) => {
        const bare = bareUnit ?? bareUnitBeside(rest.value, text.trim(), lengths);
        const parsed = isSpacing
          ? parseSpacing(text, bare)
          : leastMm < 0
            ? parseSigned(text, bare)
            : parseLength(text, bare);
        if (!parsed.ok || (parsed.value >= leastMm && parsed.value <= mostMm)) return parsed;
        return {
          ok: false,
          message: `${what} is from ${formatLength(leastMm, lengths)} to ${formatLength(mostMm, lengths)}; “${text.trim()}” is ${formatLength(parsed.value, lengths)}.`,
        };
      }}
      {...rest}
    />
  );
}

/** A name: 1 to 80 letters, spaces at the ends cut off. */
export function NameField(props: Field<string>) {
  return (
    <ParsedField
      format={(name: string) => name}
      parse={(text) => {
        const name = text.trim().replace(/\s+/g, ' ');
        if (name === '') return { ok: false, message: 'A name is needed here.' };
        if (name.length > 80)
          return { ok: false, message: `A name has at most 80 letters; this one has ${name.length}.` };
        return { ok: true, value: name };
      }}
      {...props}
    />
  );
}
