import { z } from 'zod';
import { groupDigits } from '../units/number';
import { factSchema, type Fact } from './facts';
import { problemsAcross } from './integrity';
import { isObject } from '../fields/json';
import { inOrder, isOrdered, type Ordered } from '../fields/order';
import { ShowError, pathWords, valueWords, type Problem } from '../fields/problem';
import { LISTS } from './records';
import { SHOW_FORMAT, SHOW_VERSION, showSchema, type Show } from './schema';
import { UPGRADES } from './upgrades';

/** More problems than this help nobody. */
const MOST_PROBLEMS = 20;

/** What a show file holds: the show, and what was noted on site about it. */
export interface ShowFile {
  show: Show;
  facts: Fact[];
}

/** More than 5,000,000 points take in a file, each with three coordinates of ten letters. */
export const MOST_FILE_BYTES = 192 * 1024 * 1024;

/** The most facts that a file may carry. */
export const MOST_FACTS = 200_000;

/** All that a show file may hold. */
export const fileSchema = showSchema.extend({ facts: z.array(factSchema).max(MOST_FACTS).optional() });

/**
 * Checks everything about a show file and brings an older version up to date.
 *
 * @param input parsed JSON from anywhere
 * @throws ShowError with a sentence for each thing that is wrong, and its place in the file
 */
export function readShowFile(input: unknown): ShowFile {
  const upgraded = upToDate(input);
  const parsed = fileSchema.safeParse(upgraded);
  if (!parsed.success) throw new ShowError(zodProblems(parsed.error, upgraded));
  const { facts = [], ...file } = parsed.data;
  const show: Show = file;
  const problems = problemsAcross(show);
  if (problems.length > 0) throw new ShowError(problems.slice(0, MOST_PROBLEMS));
  return { show: withOrder(show), facts };
}

/** The show of a show file, by itself. @throws ShowError as `readShowFile` */
export function readShow(input: unknown): Show {
  return readShowFile(input).show;
}

/** As `readShowFile`, from the text of a file. */
export function readShowFileText(text: string): ShowFile {
  return readShowFile(parseJson(text, 'This file is not JSON, so it is not a show file'));
}

/** As `readShow`, from the text of a file. */
export function readShowText(text: string): Show {
  return readShowFileText(text).show;
}

/**
 * JSON from anywhere.
 *
 * @param lead how the refusal of what is not JSON begins
 * @throws ShowError also where it is nested deeper than anything that is allowed
 */
export function parseJson(text: string, lead: string): unknown {
  if (nestedDeeperThan(text, DEEPEST))
    throw new ShowError(`${lead}: its lists and objects are nested more than ${DEEPEST} deep.`);
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    throw new ShowError(`${lead} (${(error as Error).message}).`);
  }
}

/** A show is some ten deep. What is much deeper would only exhaust the stack of whatever walks through it. */
const DEEPEST = 60;

function nestedDeeperThan(text: string, deepest: number): boolean {
  let depth = 0;
  let inString = false;
  for (let i = 0; i < text.length; i += 1) {
    const code = text.charCodeAt(i);
    if (inString) {
      if (code === 92) i += 1;
      else if (code === 34) inString = false;
    } else if (code === 34) inString = true;
    else if (code === 91 || code === 123) {
      depth += 1;
      if (depth > deepest) return true;
    } else if (code === 93 || code === 125) depth -= 1;
  }
  return false;
}

/** The show with an order key on every record; the lists stand as they stood. */
export function withOrder(show: Show): Show {
  if (LISTS.every((list) => isOrdered(show[list]))) return show;
  const next: Record<string, unknown> = { ...show };
  for (const list of LISTS) next[list] = inOrder<Ordered>(show[list]);
  return next as unknown as Show;
}

/** The text of a show file: the same show always gives the same text. The lists themselves say the order of what is in them. */
export function writeShowText(show: Show, facts: readonly Fact[] = []): string {
  const file = showSchema.parse(show) as Record<string, unknown>;
  for (const list of LISTS) file[list] = show[list].map(({ order: _, ...record }) => record);
  return `${JSON.stringify({ ...file, ...(facts.length > 0 && { facts }) }, null, 2)}\n`;
}

/** Brings what is a show file up to this version; what is none is refused. */
function upToDate(input: unknown): Record<string, unknown> {
  if (!isObject(input))
    throw new ShowError(`A show file holds one JSON object; this one holds ${valueWords(input)}.`);
  let show = input;
  if (show.format !== SHOW_FORMAT)
    throw new ShowError([
      {
        path: 'format',
        message: `This is not a show file: its “format” is ${valueWords(show.format)} and must be "${SHOW_FORMAT}".`,
      },
    ]);
  let version = show.version;
  for (let upgrade = UPGRADES[Number(version)]; upgrade; upgrade = UPGRADES[Number(version)]) {
    show = upgrade(show);
    version = show.version;
  }
  if (version !== SHOW_VERSION)
    throw new ShowError([
      {
        path: 'version',
        message: `This show file has version ${valueWords(version)}; this program reads versions 1 to ${SHOW_VERSION}.`,
      },
    ]);
  return show;
}

/** Zod's findings as sentences that name the place, the value and what is allowed. */
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
