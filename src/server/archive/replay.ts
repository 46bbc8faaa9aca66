import { ShowError } from '@/core/fields/problem';
import { same } from '@/core/fields/json';
import { showChangeSchema } from '@/core/show/changes';
import { readOlderFile } from '@/core/plan/keptAddresses';
import { SHOW_VERSION, type Show } from '@/core/show/schema';
import { OF_RECORDS, fileAfter } from '../oldPatches';
import { ARCHIVE_FILES, type KeptHistory } from './format';
import { isSameFile } from './sameFile';
import { itemAt } from '@/core/units/there';
import { messageOf } from '@/core/units/messageOf';

const wrong = (words: string) => new ShowError(`${ARCHIVE_FILES.history}: ${words}`);

/**
 * The show that a history leads to, every step of it made anew. Nothing of a history is believed: copies are checked as shows, changes have
 * to fit one another, and each version has to begin with what the one before led to.
 *
 * @throws ShowError with a sentence
 */
export function replayed({ copies, changes, undoFloor }: KeptHistory): Show {
  const last = changes.length;
  changes.forEach(({ sequence, root }, i) => {
    if (sequence !== i + 1) throw wrong(`change ${i + 1} of it has the number ${sequence}.`);
    if (root > sequence)
      throw wrong(`change ${sequence} is said to be of change ${root}, which comes later.`);
  });
  if (new Set(changes.map(({ id }) => id)).size < last) throw wrong('two changes have the same id.');
  if (undoFloor > last)
    throw wrong(`it has ${last} changes; that none up to ${undoFloor} can be taken back.`);
  if (itemAt(copies, 0).sequence !== 0) throw wrong('it does not begin with the show as it was made.');
  let show: Show | null = null;
  copies.forEach((copy, i) => {
    const next = copies[i + 1];
    const until = next?.sequence ?? last;
    if (until < copy.sequence || (next && next.sequence === copy.sequence) || copy.sequence > last)
      throw wrong('its copies are not in order.');
    if (copy.version > SHOW_VERSION || (next && next.version <= copy.version))
      throw wrong(
        `a copy is of version ${copy.version}, which is newer than this program or than what follows.`,
      );
    const began = checked(copy.document);
    if (show && !isSameFile(show, began))
      throw wrong(`the copy at change ${copy.sequence} is not what the changes before it lead to.`);
    if (copy.version === SHOW_VERSION && !same(began, copy.document))
      throw wrong('a copy in it is not written as this program keeps shows.');
    show = after(copy, changes.slice(copy.sequence, until));
  });
  return show!;
}

/** @throws ShowError that says that it is of the history */
function checked(document: unknown): Show {
  try {
    // Reading may bring a copy up to date in place; the document itself stays as it was kept.
    return readOlderFile(structuredClone(document)).show;
  } catch (error) {
    throw error instanceof ShowError ? wrong(`a copy in it is no show. ${error.message}`) : error;
  }
}

function after(copy: KeptHistory['copies'][number], own: KeptHistory['changes']): Show {
  for (const { sequence, version, change, kind } of own) {
    // The change of version is written by the version that it leads to.
    if (version !== copy.version && kind !== 'upgrade')
      throw wrong(`change ${sequence} is of version ${version}, in the midst of version ${copy.version}.`);
    if (copy.version >= OF_RECORDS && !showChangeSchema.safeParse(change).success)
      throw wrong(`change ${sequence} is no change of records.`);
  }
  try {
    return fileAfter(
      // Changes of old versions are written into it.
      structuredClone(copy.document),
      copy.version,
      own.map(({ change }) => JSON.stringify(change)),
    ).show;
  } catch (error) {
    throw wrong(`its changes from ${copy.sequence + 1} on do not fit. ${messageOf(error)}`);
  }
}
