import type Database from 'better-sqlite3';
import { SHOW_VERSION } from '@/core/show/schema';
import { keepSnapshot } from '../snapshots';
import type { KeptHistory } from './format';
import { lastOf } from '@/core/units/there';

/** A history as it lies in tables: documents and changes as JSON, which nothing on the way has to read. */
export interface HistoryRows {
  undoFloor: number;
  copies: { sequence: number; version: number; document: string }[];
  changes: (Omit<KeptHistory['changes'][number], 'change'> & { change: string })[];
  gone: KeptHistory['gone'];
}

/** Every change of a show, and the copies with which its versions begin: the others only save time. */
export function readHistory(db: Database.Database, showId: string, undoFloor: number): HistoryRows {
  const copies = db
    .prepare<[string], HistoryRows['copies'][number]>(
      'SELECT sequence, version, document FROM snapshots WHERE show_id = ? ORDER BY sequence',
    )
    .all(showId)
    .filter((copy, i, all) => copy.version !== all[i - 1]?.version);
  const changes = db
    .prepare<[string], HistoryRows['changes'][number]>(
      'SELECT sequence, id, kind, label, window, root, version, made_at AS madeAt, change FROM changes WHERE show_id = ? ORDER BY sequence',
    )
    .all(showId);
  const gone = db
    .prepare<[string], HistoryRows['gone'][number]>(
      'SELECT list, record_id AS recordId FROM gone_records WHERE show_id = ? ORDER BY list, record_id',
    )
    .all(showId);
  return { undoFloor, copies, changes, gone };
}

/** In which version of the show file a history ends. */
export function versionOf({ copies }: Pick<HistoryRows, 'copies'>): number {
  return lastOf(copies).version;
}

/**
 * Writes a history that was checked.
 *
 * @param document of the show that it leads to; one of an earlier version is brought up to date when it is opened
 */
export function keepHistory(
  db: Database.Database,
  showId: string,
  history: HistoryRows,
  document: string | Uint8Array,
): void {
  const { copies, changes, gone } = history;
  const isOfToday = versionOf(history) === SHOW_VERSION;
  const insertCopy = db.prepare(
    'INSERT INTO snapshots (show_id, sequence, document, version) VALUES (?, ?, ?, ?)',
  );
  for (const copy of copies)
    if (!isOfToday || copy.sequence < changes.length)
      insertCopy.run(showId, copy.sequence, copy.document, copy.version);
  const insertChange = db.prepare(
    `INSERT INTO changes (show_id, sequence, id, kind, label, window, root, version, change, made_at)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
  );
  for (const each of changes)
    insertChange.run(
      showId,
      each.sequence,
      each.id,
      each.kind,
      each.label,
      each.window,
      each.root,
      each.version,
      each.change,
      each.madeAt,
    );
  const insertGone = db.prepare(
    'INSERT OR IGNORE INTO gone_records (show_id, list, record_id) VALUES (?, ?, ?)',
  );
  for (const { list, recordId } of gone) insertGone.run(showId, list, recordId);
  if (isOfToday) keepSnapshot(db, showId, changes.length, document);
}
