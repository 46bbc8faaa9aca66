import 'server-only';
import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';

/** Where everything is kept: RAPID_LANTERN_DATA, or `data` in the project. */
export function dataFolder(): string {
  return path.resolve(/* turbopackIgnore: true */ process.env.RAPID_LANTERN_DATA ?? 'data');
}

// Route handlers may be loaded more than once in one process; the open database must not be.
const shared = globalThis as { rapidLanternDatabase?: Database.Database };

/** The database of this process, opened and brought up to date at the first call. */
export function database(): Database.Database {
  return (shared.rapidLanternDatabase ??= openDatabase(dataFolder()));
}

/**
 * Opens the database in a folder, creating both where needed, and runs the migrations that it has not seen.
 *
 * @throws Error with one sentence when the folder cannot be written
 */
export function openDatabase(folder: string): Database.Database {
  try {
    fs.mkdirSync(folder, { recursive: true });
    const db = new Database(path.join(folder, 'rapid-lantern.sqlite'));
    db.pragma('journal_mode = WAL');
    db.pragma('foreign_keys = ON');
    // An answered edit survives a power cut, not only a crash of this program.
    db.pragma('synchronous = FULL');
    db.pragma('busy_timeout = 5000');
    migrate(db, path.resolve(/* turbopackIgnore: true */ 'src/server/migrations'));
    return db;
  } catch (error) {
    throw new Error(`The data folder ${folder} cannot be used: ${(error as Error).message}.`, {
      cause: error,
    });
  }
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
