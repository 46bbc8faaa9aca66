import { z } from 'zod';
import { factSchema, type Fact } from './facts';
import { problemsAcross } from './integrity';
import { isObject } from '../fields/json';
import { parseJson } from '../fields/parseJson';
import { MOST_PROBLEMS, zodProblems } from '../fields/zodProblems';
import { inOrder, isOrdered, type Ordered } from '../fields/order';
import { ShowError, valueWords } from '../fields/problem';
import { LISTS } from './records';
import { SHOW_FORMAT, SHOW_VERSION, showSchema, type Show } from './schema';
import { UPGRADES } from './upgrades';

/** The content of a show file: the show, and what was noted on site about it. */
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

/** The sentence about a file that cannot be parsed. */
export const NO_JSON = 'This file is not JSON, so it is not a show file';

/** As `readShowFile`, from the text of a file. */
export function readShowFileText(text: string): ShowFile {
  return readShowFile(parseJson(text, NO_JSON));
}

/** As `readShow`, from the text of a file. */
export function readShowText(text: string): Show {
  return readShowFileText(text).show;
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
