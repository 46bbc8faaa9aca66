import { z } from 'zod';
import { ORDER_ALLOWED, readOrder } from '../../colours/order';
import { groupDigits, parseWhole } from '../../units/number';

/** The values that a setting may have: how they are kept, and how they are read from what somebody typed or copied. */
export interface Values<Value extends string | number> {
  schema: z.ZodType<Value>;
  /** Null for a text that is none of them. */
  read: (text: string) => Value | null;
  /** In a sentence: `a whole number from 1 to 512`. */
  allowed: string;
  /** All of them, where they are few. */
  choices?: readonly Value[];
}

/** Whole numbers in a range. */
export function whole(least: number, most: number): Values<number> {
  return {
    schema: z.int().min(least).max(most),
    read: (text) => {
      const parsed = parseWhole(text, least, most, '');
      return parsed.ok ? parsed.value : null;
    },
    allowed: `a whole number from ${groupDigits(least)} to ${groupDigits(most)}`,
  };
}

/** A few words. @param others words that mean one of them, in small letters */
export function oneOf<Value extends string>(
  choices: readonly Value[],
  others: Readonly<Record<string, Value>> = {},
): Values<Value> {
  return {
    schema: z.literal(choices),
    read: (text) => {
      const word = text.trim().toLowerCase();
      return choices.find((each) => each === word) ?? others[word] ?? null;
    },
    allowed: choices.join(' or '),
    choices,
  };
}

/** Letters of colours in the order in which they are sent. */
export const colourOrders: Values<string> = {
  schema: z.string().refine((text) => readOrder(text) === text, ORDER_ALLOWED),
  read: readOrder,
  allowed: ORDER_ALLOWED,
};
