import 'server-only';
import type Database from 'better-sqlite3';
import { SHOW_VERSION } from '@/core/show/schema';
import { itemAt } from '@/core/units/there';

/** A copy is kept every so many changes, so that opening a show reads at most these. */
const CHANGES_PER_COPY = 200;
/** Or when the changes since the last copy weigh more than this and more than a part of the copy. */
const LEAST_BYTES = 256 * 1024;
const PART_OF_COPY = 0.5;

/** Whether the changes since the last copy are so many, or so large, that another one is worth its room. */
export function snapshotDue(db: Database.Database, showId: string): boolean {
  const copy = db
    .prepare<[string], { sequence: number; bytes: number }>(
      'SELECT sequence, octet_length(document) AS bytes FROM snapshots WHERE show_id = ? ORDER BY sequence DESC LIMIT 1',
    )
    .get(showId)!;
  const since = db
    .prepare<[string, number], { count: number; bytes: number | null }>(
      'SELECT COUNT(*) AS count, SUM(octet_length(change)) AS bytes FROM changes WHERE show_id = ? AND sequence > ?',
    )
    .get(showId, copy.sequence)!;
  return (
    since.count >= CHANGES_PER_COPY || (since.bytes ?? 0) > Math.max(LEAST_BYTES, copy.bytes * PART_OF_COPY)
  );
}

/** Keeps a copy of a show and thins the older ones. @param document of the show after that change, as UTF-8 where that is at hand */
export function keepSnapshot(
  db: Database.Database,
  showId: string,
  sequence: number,
  document: string | Uint8Array,
): void {
  db.prepare(
    'INSERT INTO snapshots (show_id, sequence, document, version) VALUES (?, ?, CAST(? AS TEXT), ?)',
  ).run(showId, sequence, document, SHOW_VERSION);
  const copies = db
    .prepare<[string], { sequence: number; version: number }>(
      'SELECT sequence, version FROM snapshots WHERE show_id = ? ORDER BY sequence',
    )
    .all(showId);
  const remove = db.prepare('DELETE FROM snapshots WHERE show_id = ? AND sequence = ?');
  for (const gone of thinned(copies)) remove.run(showId, gone);
}

/**
 * Which copies are given up: the further back, the fewer are kept, so that their number grows with the logarithm of the changes while
 * no earlier state is further from a copy than from the present. The first of each version always stays.
 *
 * @param copies by ascending sequence
 */
function thinned(copies: readonly { sequence: number; version: number }[]): number[] {
  const gone: number[] = [];
  const now = copies.at(-1)?.sequence ?? 0;
  let later = copies.length - 1;
  for (let i = copies.length - 2; i > 0; i -= 1) {
    const earlier = itemAt(copies, i - 1);
    const firstOfVersion = itemAt(copies, i).version !== earlier.version;
    // Without this one, the next kept copy before `later` would be `earlier`.
    if (!firstOfVersion && itemAt(copies, later).sequence - earlier.sequence <= (now - earlier.sequence) / 2)
      gone.push(itemAt(copies, i).sequence);
    else later = i;
  }
  return gone;
}
