import 'server-only';
import type Database from 'better-sqlite3';
import { idWords } from '@/core/fields/fields';
import { ShowError } from '@/core/fields/problem';
import type { ShowChange } from '@/core/show/changes';

/** @throws ShowError when a record would be given an id that another one had */
export function refuseGone(db: Database.Database, id: string, change: ShowChange): void {
  const gone = db.prepare('SELECT 1 FROM gone_records WHERE show_id = ? AND list = ? AND record_id = ?');
  for (const each of change)
    if ('added' in each && gone.get(id, each.list, each.id))
      throw new ShowError(
        `The id “${each.id}” belonged to something that was removed. Ids are not used again: give it another one.`,
      );
}

/** Keeps the ids of records that a change removes: they are not used again. */
export function noteGone(db: Database.Database, id: string, change: ShowChange): void {
  const note = db.prepare('INSERT OR IGNORE INTO gone_records (show_id, list, record_id) VALUES (?, ?, ?)');
  for (const each of change) if ('removed' in each && each.list !== 'patch') note.run(id, each.list, each.id);
}

/** An id made from a name that no show has or had. */
export function freeId(db: Database.Database, name: string): string {
  const base = idWords(name);
  let id = base;
  for (let number = 2; !isFree(db, id); number += 1) id = `${base}-${number}`;
  return id;
}

/** Whether no show has or had an id. */
export function isFree(db: Database.Database, id: string): boolean {
  // `new` is the address of the page that makes one.
  return id !== 'new' && db.prepare('SELECT 1 FROM shows WHERE id = ?').get(id) === undefined;
}
