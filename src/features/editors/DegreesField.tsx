'use client';

import type { TextInputProps } from '@mantine/core';
import { ParsedField } from '@/ui/fields/ParsedField';

interface DegreesFieldProps extends Omit<TextInputProps, 'value' | 'onChange' | 'error' | 'step'> {
  value: number;
  least: number;
  most: number;
  what: string;
  onCommit: (degrees: number) => boolean | void;
}

/** An angle in degrees, with or without its sign. */
export function DegreesField({ least, most, what, ...rest }: DegreesFieldProps) {
  return (
    <ParsedField
      format={(degrees: number) => words(degrees)}
      parse={(text) => {
        const value = Number(
          text
            .trim()
            .replace(/\s*(°|deg|degrees)$/i, '')
            .replace(',', '.')
            .replace('−', '-'),
        );
        if (text.trim() === '' || !Number.isFinite(value) || value < least || value > most)
          return {
            ok: false,
            message: `${what} is from ${words(least)} to ${words(most)}; “${text.trim()}” is not.`,
          };
        return { ok: true, value };
      }}
      {...rest}
    />
  );
}

function words(degrees: number): string {
  return `${String(degrees).replace('-', '−')}°`;
}
