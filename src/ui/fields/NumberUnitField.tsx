'use client';

import type { TextInputProps } from '@mantine/core';
import type { Parsed } from '@/core/units/length';
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

interface Range {
  unit: string;
  least: number;
  most: number;
  hint?: string | undefined;
}

function parseNumber(text: string, { unit, least, most, hint }: Range): Parsed<number> {
  const found = /^\s*([-−]?)(\d+(?:[.,]\d+)?|[.,]\d+)\s*([a-zµΩ°%]*)\s*$/i.exec(text);
  const word = found?.[3] ?? '';
  const scale =
    word === '' || word.toLowerCase() === unit.toLowerCase()
      ? 1
      : word.toLowerCase() === `m${unit.toLowerCase()}`
        ? 0.001
        : NaN;
  const number = Number(found?.[2]?.replace(',', '.')) * scale * (found?.[1] ? -1 : 1);
  if (Number.isNaN(number) || number < least || number > most)
    return {
      ok: false,
      message: `From ${least} to ${most} ${unit}; “${text.trim()}” is not.${hint ? ` ${hint}` : ''}`,
    };
  return { ok: true, value: number };
}

const formatNumber = (number: number, unit: string) => `${Number(number.toFixed(4))} ${unit}`;

/** A number with a unit; a comma is a decimal point, thousandths of the unit are understood (`350 mA`). */
export function NumberUnitField({ unit, least, most, value, hint, onCommit, ...rest }: NumberUnitFieldProps) {
  return (
    <ParsedField
      inputMode="decimal"
      value={value}
      format={(number) => formatNumber(number, unit)}
      parse={(text) => parseNumber(text, { unit, least, most, hint })}
      onCommit={onCommit}
      {...rest}
    />
  );
}

interface MaybeUnitFieldProps extends Omit<NumberUnitFieldProps, 'value' | 'onCommit'> {
  value: number | null;
  onCommit: (value: number | null) => boolean | void;
}

/** The same for one that may be left unsaid: an empty field is null. */
export function MaybeUnitField({ unit, least, most, value, hint, onCommit, ...rest }: MaybeUnitFieldProps) {
  return (
    <ParsedField
      inputMode="decimal"
      value={value}
      format={(number: number | null) => (number === null ? '' : formatNumber(number, unit))}
      parse={(text) =>
        text.trim() === ''
          ? { ok: true as const, value: null }
          : parseNumber(text, { unit, least, most, hint })
      }
      onCommit={onCommit}
      {...rest}
    />
  );
}
