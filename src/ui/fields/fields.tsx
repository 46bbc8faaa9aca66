'use client';

import type { TextInputProps } from '@mantine/core';
import {
  asksForSmall,
  bareUnitFor,
  formatLength,
  parseLength,
  parseSpacing,
  spacingReadings,
  type LengthUnit,
  type Reading,
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

type LengthFieldProps = Field<number> & {
  leastMm: number;
  mostMm: number;
  what: string;
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

/** A number that says no unit. */
const BARE = /^[-−]?(\d+([.,]\d+)?|[.,]\d+)$/;

/** A length as people write it; below zero only where the least is. Kept in millimetres. */
export function LengthField({ leastMm, mostMm, what, isSpacing = false, ...rest }: LengthFieldProps) {
  const lengths = useLengths();
  const asked = { standsMm: rest.value, leastMm, mostMm, isSpacing };
  const isAllowed = (lengthMm: number) => lengthMm >= leastMm && lengthMm <= mostMm;
  return (
    <ParsedField
      format={(lengthMm) => formatLength(lengthMm, lengths)}
      readings={(text) =>
        isSpacing
          ? spacingReadings(text, bareUnitFor(text, asked, lengths), lengths).filter(({ value }) =>
              isAllowed(value),
            )
          : []
      }
      readAs={(text, lengthMm) =>
        BARE.test(text.trim()) && !asksForSmall(asked)
          ? `${text.trim()} is read as ${formatLength(lengthMm, lengths)}.`
          : null
      }
      parse={(text) => {
        const bare = bareUnitFor(text, asked, lengths);
        const parsed = isSpacing
          ? parseSpacing(text, bare)
          : leastMm < 0
            ? parseSigned(text, bare)
            : parseLength(text, bare);
        if (!parsed.ok || isAllowed(parsed.value)) return parsed;
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
