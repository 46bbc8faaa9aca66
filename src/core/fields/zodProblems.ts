import type { z } from 'zod';
import { groupDigits } from '../units/number';
import { pathWords, valueWords, type Problem } from './problem';

/** More problems than this help nobody. */
export const MOST_PROBLEMS = 20;

/** The findings of a schema as sentences that name the place, the value and what is allowed. */
export function zodProblems(error: z.ZodError, input: unknown): Problem[] {
  return error.issues.slice(0, MOST_PROBLEMS).map((issue) => {
    const path = pathWords(issue.path);
    const value = valueAt(input, issue.path);
    const owner = ownerName(input, issue.path);
    const where = path === '' ? 'The file' : `${owner ? `${owner}: ` : ''}${path}`;
    return { path, message: sentence(where, value, issue) };
  });
}

function sentence(where: string, value: unknown, issue: z.core.$ZodIssue): string {
  const found = `${where} is ${valueWords(value)}`;
  switch (issue.code) {
    case 'invalid_type':
      return value === undefined
        ? `${where} is missing; ${typeWords(issue.expected)} is needed there.`
        : `${found}; ${typeWords(issue.expected)} is needed there.`;
    case 'too_small':
      if (issue.origin === 'string')
        return `${where} is empty; at least ${groupDigits(Number(issue.minimum))} letter is needed.`;
      if (issue.origin === 'array')
        return `${where} is empty; at least ${groupDigits(Number(issue.minimum))} is needed.`;
      return `${found}; the least allowed is ${groupDigits(Number(issue.minimum))}.`;
    case 'too_big':
      if (issue.origin === 'string')
        return `${where} is too long; at most ${groupDigits(Number(issue.maximum))} letters are allowed.`;
      if (issue.origin === 'array')
        return `${where} is too long a list; at most ${groupDigits(Number(issue.maximum))} are allowed.`;
      return `${found}; the most allowed is ${groupDigits(Number(issue.maximum))}.`;
    case 'invalid_value':
      return `${value === undefined ? `${where} is missing` : found}; allowed: ${optionsWords(issue.values)}.`;
    case 'unrecognized_keys':
      return `${where} holds ${issue.keys.map((key) => `“${key}”`).join(', ')}, which the show file does not know.`;
    case 'invalid_union':
      return unionSentence(where, value, issue);
    case 'invalid_format':
      return `${found}; ${issue.message.replace(/^Invalid string: /, '')} is needed.`;
    default:
      return `${found}; ${issue.message}.`;
  }
}

function unionSentence(
  where: string,
  value: unknown,
  issue: z.core.$ZodIssue & { code: 'invalid_union' },
): string {
  const found = value === undefined ? `${where} is missing` : `${where} is ${valueWords(value)}`;
  const options = 'options' in issue && Array.isArray(issue.options) ? issue.options : [];
  return options.length > 0
    ? `${found}; allowed: ${optionsWords(options as unknown[])}.`
    : `${found}; ${issue.message === 'Invalid input' ? 'it fits none of the forms allowed there' : `${issue.message} is needed there`}.`;
}

function optionsWords(values: readonly unknown[]): string {
  return `${values
    .slice(0, 12)
    .map((value) => JSON.stringify(value))
    .join(', ')}${values.length > 12 ? `, … (${values.length} in all)` : ''}`;
}

const TYPE_WORDS: Record<string, string> = {
  int: 'a whole number',
  number: 'a number',
  string: 'a text',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object',
};

function typeWords(expected: string): string {
  return TYPE_WORDS[expected] ?? expected;
}

function valueAt(input: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (value, key) =>
      typeof value === 'object' && value !== null ? (value as Record<PropertyKey, unknown>)[key] : undefined,
    input,
  );
}

/** The name of the innermost thing on the way that has one, so that a builder recognises it. */
function ownerName(input: unknown, path: readonly PropertyKey[]): string | undefined {
  for (let depth = path.length - 1; depth > 0; depth -= 1) {
    const holder = valueAt(input, path.slice(0, depth));
    const name =
      typeof holder === 'object' && holder !== null ? (holder as { name?: unknown }).name : undefined;
    if (typeof name === 'string') return name;
  }
  return undefined;
}
