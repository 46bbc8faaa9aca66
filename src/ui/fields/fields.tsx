'use client';

import type { TextInputProps } from '@mantine/core';
import { formatLength, parseLength, type LengthUnit } from '@/core/units/length';
import { groupDigits, parseWhole } from '@/core/units/number';
import { ParsedField } from './ParsedField';

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
  ...rest
}: Field<number> & { least: number; most: number; what: string }) {
  return (
    <ParsedField
      inputMode="numeric"
      value={value}
      format={groupDigits}
      parse={(text) => parseWhole(text, least, most, what)}
      stepBy={(number, by) => Math.min(Math.max(number + by, least), most)}
      onCommit={onCommit}
      {...rest}
    />
  );
}

/** A length as people write it; a number without a unit is in `bareUnit`. Kept in millimetres. */
export function LengthField({
  leastMm,
  mostMm,
  what,
  bareUnit = 'mm',
  ...rest
}: Field<number> & { leastMm: number; mostMm: number; what: string; bareUnit?: LengthUnit }) {
  return (
    <ParsedField
      format={formatLength}
      parse={(text) => {
        const parsed = parseLength(text, bareUnit);
        if (!parsed.ok || (parsed.value >= leastMm && parsed.value <= mostMm)) return parsed;
        return {
          ok: false,
          message: `${what} is from ${formatLength(leastMm)} to ${formatLength(mostMm)}; “${text.trim()}” is ${formatLength(parsed.value)}.`,
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
