import type { KeptHistory } from './format';
import type { HistoryRows } from './historyTables';
import { itemAt } from '@/core/units/there';
import { ownJson } from '@/core/fields/parseJson';

/** A history as the file of an archive. The same history always gives the same text. */
export function historyText({ undoFloor, copies, changes, gone }: HistoryRows): string {
  const copyTexts = copies.map(
    ({ document, ...copy }) =>
      // Documents lie in lines for those that read them in steps; here they are one text.
      `${JSON.stringify(copy).slice(0, -1)},"document":${JSON.stringify(JSON.parse(document))}}`,
  );
  const changeTexts = changes.map(
    ({ change, ...row }) => `${JSON.stringify(row).slice(0, -1)},"change":${change}}`,
  );
  return `{"undoFloor":${undoFloor},"copies":[\n${copyTexts.join(',\n')}\n],"changes":[\n${changeTexts.join(',\n')}\n],"gone":${JSON.stringify(gone)}}\n`;
}

/** A history as it goes into tables. */
export function historyRows({ undoFloor, copies, changes, gone }: KeptHistory): HistoryRows {
  return {
    undoFloor,
    copies: copies.map((copy) => ({ ...copy, document: JSON.stringify(copy.document) })),
    changes: changes.map((each) => ({ ...each, change: JSON.stringify(each.change) })),
    gone,
  };
}

/** Rows in one piece that is read at once. */
const ROWS_BYTES = 1024 * 1024;

/** The rows in pieces of JSON, so that whoever takes them has time for others between. */
export function* rowPieces({ copies, changes, ...rest }: HistoryRows): Generator<string> {
  yield JSON.stringify({ ...rest, copies });
  let from = 0;
  let bytes = 0;
  for (let i = 0; i < changes.length; i += 1) {
    bytes += itemAt(changes, i).change.length;
    if (bytes < ROWS_BYTES && i + 1 < changes.length) continue;
    yield JSON.stringify(changes.slice(from, i + 1));
    [from, bytes] = [i + 1, 0];
  }
}

/** The rows again, read piece by piece as they come. @param next null at the end */
export async function rowsOfPieces(next: () => Promise<string | null>): Promise<HistoryRows> {
  const first = ownJson<Omit<HistoryRows, 'changes'>>((await next())!);
  const changes: HistoryRows['changes'] = [];
  for (let piece = await next(); piece !== null; piece = await next())
    changes.push(...ownJson<HistoryRows['changes']>(piece));
  return { ...first, changes };
}
