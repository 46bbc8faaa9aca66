import { ShowError } from '@/core/fields/problem';
import { readOlderFileText } from '@/core/plan/keptAddresses';
import { MOST_FACTS } from '@/core/show/read';
import { parseJson } from '@/core/fields/parseJson';
import { zodProblems } from '@/core/fields/zodProblems';
import { isSameFile } from './sameFile';
import { documentText } from '../documents';
import type { CheckedFile } from '../checkedFile';
import { photosIn } from '../photos';
import { ARCHIVE_FILES, historySchema, type ArchiveHead } from './format';
import { replayed } from './replay';
import { historyRows, rowPieces } from './texts';

/**
 * Checks an archive but for its photos: the show file, the history, and that the one is what the other leads to.
 *
 * @returns what is known of it, its document, and its history in pieces
 * @throws ShowError with sentences
 */
export function* checkedArchive(head: ArchiveHead, showText: string, history: string): Generator<string> {
  const { show: told, facts } = readOlderFileText(showText);
  if (facts.length > MOST_FACTS) throw new ShowError('It holds more notes than a show may have.');
  const input = parseJson(history, `${ARCHIVE_FILES.history} is not JSON`);
  const parsed = historySchema.safeParse(input);
  if (!parsed.success)
    throw new ShowError(
      zodProblems(parsed.error, input).map((problem) => ({
        ...problem,
        message: `${ARCHIVE_FILES.history}: ${problem.message}`,
      })),
    );
  const show = replayed(parsed.data);
  if (parsed.data.changes.length !== head.sequence || show.name !== head.name)
    throw new ShowError(
      `${ARCHIVE_FILES.head} tells of “${head.name}” after ${head.sequence} changes; ${ARCHIVE_FILES.history} leads to “${show.name}” after ${parsed.data.changes.length}.`,
    );
  if (!isSameFile(show, told))
    throw new ShowError(
      `${ARCHIVE_FILES.show} is not the show to which ${ARCHIVE_FILES.history} leads: one of them was changed.`,
    );
  const ids = facts.map(({ id }) => id);
  if (new Set(ids).size < ids.length) throw new ShowError('Two notes of it have the same id.');
  const document = documentText(show);
  const rows = historyRows(parsed.data);
  const named = [
    document,
    JSON.stringify(facts.map(({ value }) => value)),
    ...rows.copies.map((copy) => copy.document),
    ...rows.changes.map(({ change }) => change),
  ];
  const photoIds = [...new Set(named.flatMap(photosIn))];
  yield JSON.stringify({ name: show.name, facts, photoIds } satisfies CheckedFile);
  yield document;
  yield* rowPieces(rows);
}
