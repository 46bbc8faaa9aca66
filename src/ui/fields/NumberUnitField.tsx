'use client';

import type { TextInputProps } from '@mantine/core';
import { ParsedField } from './ParsedField';

interface NumberUnitFieldProps extends Omit<TextInputProps, 'value' | 'onChange' | 'error'> {
  /** Written behind the number, and understood there: `A`, `V`, `mm`. */
  unit: string;
  least: number;
  most: number;
  value: number;
  /** Added to the refusal of a number out of bounds: what a plausible one is. */
  hint?: string;
  onCommit: (value: number) => boolean | void;
}

/** A number with a unit; a comma is a decimal point, thousandths of the unit are understood (`350 mA`). */
export function NumberUnitField({ unit, least, most, value, hint, onCommit, ...rest }: NumberUnitFieldProps) {
  return (
    <ParsedField
      inputMode="decimal"
      value={value}
      format={(number) => `${Number(number.toFixed(4))} ${unit}`}
      parse={(text) => {
        const found = /^\s*(\d+(?:[.,]\d+)?|[.,]\d+)\s*([a-zµ°%]*)\s*$/i.exec(text);
        const word = found?.[2] ?? '';
        const scale =
          word === '' || word.toLowerCase() === unit.toLowerCase()
            ? 1
            : word.toLowerCase() === `m${unit.toLowerCase()}`
              ? 0.001
              : NaN;
        const number = Number(found?.[1]?.replace(',', '.')) * scale;
        if (Number.isNaN(number) || number < least || number > most)
          return {
            ok: false,
            message: `From ${least} to ${most} ${unit}; “${text.trim()}” is not.${hint ? ` ${hint}` : ''}`,
          };
        return { ok: true, value: number };
      }}
      onCommit={onCommit}
      {...rest}
    />
  );
}
