import 'server-only';
import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { dataFolder } from './dataFolder';
import { messageOf } from '@/core/units/messageOf';
import { placeInProcess } from './process';

/** Nothing can be kept at the moment; the sentence says why, and what to do about it. */
export class CannotKeep extends Error {
  constructor(message: string, options?: ErrorOptions) {
    super(message, options);
    this.name = 'CannotKeep';
  }
}

// Route handlers may be loaded more than once in one process; the open database must not be.
const place = placeInProcess<Database.Database>('database');

/** The database of this process, opened and brought up to date at the first call. @throws CannotKeep */
export function database(): Database.Database {
  return (place.kept ??= openDatabase(dataFolder()));
}

/** The number by which the file system knows the file that is open, by database. */
const openedFile = new WeakMap<Database.Database, number>();

/**
 * Opens the database in a folder, creating both where needed, and runs the migrations that it has not seen.
 *
 * @throws CannotKeep when the folder cannot be written, or the file is no database of ours
 */
export function openDatabase(folder: string): Database.Database {
  const file = path.join(folder, 'rapid-lantern.sqlite');
  try {
    fs.mkdirSync(folder, { recursive: true });
    const db = new Database(file);
    db.pragma('journal_mode = WAL');
    db.pragma('foreign_keys = ON');
    // An answered edit survives a power cut, not only a crash of this program.
    db.pragma('synchronous = FULL');
    db.pragma('busy_timeout = 5000');
    migrate(db, path.resolve(/* turbopackIgnore: true */ 'src/server/migrations'));
    openedFile.set(db, fs.statSync(file).ino);
    return db;
  } catch (error) {
    throw new CannotKeep(
      isNoDatabase(error)
        ? `The file ${file} is not a database that can be read: it is damaged, or another program's. Move it away, or put a copy from before in its place, and start again.`
        : `The data folder ${folder} cannot be used: ${messageOf(error)}.`,
      { cause: error },
    );
  }
}

function isNoDatabase(error: unknown): boolean {
  return ['SQLITE_NOTADB', 'SQLITE_CORRUPT'].includes((error as { code?: string }).code ?? '');
}

/**
 * Writes what `work` writes, whole or not at all, on disk when this returns.
 *
 * @throws CannotKeep when the disk is full or cannot be written, or the file is not where it was
 */
export function write<Result>(db: Database.Database, work: () => Result): Result {
  // Writes into a file that was moved away or removed would be reported as saved, and never be seen again.
  const opened = openedFile.get(db);
  if (opened !== undefined && inodeOf(db.name) !== opened)
    throw new CannotKeep(
      `The database ${db.name} is not where it was: it was moved, removed or replaced while the program runs. Put it back, or start the program again.`,
    );
  try {
    return db.transaction(work).immediate();
  } catch (error) {
    throw diskProblem(error) ?? error;
  }
}

function inodeOf(file: string): number | null {
  return fs.statSync(file, { throwIfNoEntry: false })?.ino ?? null;
}

/** A sentence for what SQLite says of the disk; null for any other error. */
function diskProblem(error: unknown): CannotKeep | null {
  const code = (error as { code?: string }).code ?? '';
  if (code === 'SQLITE_FULL')
    return new CannotKeep(
      'The disk is full, so nothing can be saved. Make room; what is on screen is sent again.',
      {
        cause: error,
      },
    );
  if (code.startsWith('SQLITE_READONLY') || code.startsWith('SQLITE_CANTOPEN'))
    return new CannotKeep(
      'The data folder cannot be written, so nothing can be saved. Give the program the right to write there; what is on screen is sent again.',
      { cause: error },
    );
  if (code.startsWith('SQLITE_IOERR') || code.startsWith('SQLITE_CORRUPT') || code === 'SQLITE_NOTADB')
    return new CannotKeep(
      `The disk or the database file fails (${messageOf(error)}), so nothing can be saved. Keep this page open, and look after the disk.`,
      { cause: error },
    );
  if (code.startsWith('SQLITE_BUSY'))
    return new CannotKeep('Another program holds the database; what is on screen is sent again.', {
      cause: error,
    });
  return null;
}

/** Runs numbered .sql files in order, each once and whole. SQLite's own user_version says how far it got. */
function migrate(db: Database.Database, folder: string): void {
  const files = fs
    .readdirSync(folder)
    .filter((name) => /^\d{4}-.*\.sql$/.test(name))
    .sort();
  for (const file of files) {
    const number = Number(file.slice(0, 4));
    db.transaction(() => {
      if ((db.pragma('user_version', { simple: true }) as number) >= number) return;
      db.exec(fs.readFileSync(path.join(folder, file), 'utf8'));
      db.pragma(`user_version = ${number}`);
    }).immediate();
  }
}
