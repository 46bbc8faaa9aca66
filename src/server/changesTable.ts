import type Database from 'better-sqlite3';
import type { ShowChange } from '@/core/show/changes';
import type { HistoryEntry, MadeChange, Step, Steps } from '@/core/show/revision';
import { SHOW_VERSION } from '@/core/show/schema';
import { ownJson } from '@/core/fields/parseJson';

/** Author of a change: the window, the change that it had last, and an id by which the change is recognised when it is sent twice. */
export interface Author {
  changeId: string;
  window: string | null;
  /** Sequence number of the show that was changed. */
  base: number;
}

/** A change as it is kept. */
interface ChangeRow {
  sequence: number;
  id: string;
  kind: MadeChange['kind'];
  label: string;
  window: string | null;
  /** Sequence number of the edit that it makes, takes back or brings again. */
  root: number;
  /** Form of `change`: 1 as the first version did, from 2 on as a `ShowChange`. */
  version: number;
  change: string;
}

const COLUMNS = 'sequence, id, kind, label, window, root, version, change';
/** Number of next changes that a window can take back; it asks again after each. */
const MOST_STEPS = 5;

/** The changes of all shows. Rows are only ever added, until their show is removed. */
export class ChangesTable {
  constructor(private readonly db: Database.Database) {}

  append(
    showId: string,
    { changeId, window }: Author,
    row: Pick<ChangeRow, 'sequence' | 'kind' | 'label' | 'root' | 'change'>,
    madeAt: string,
  ): void {
    this.db
      .prepare(
        `INSERT INTO changes (show_id, sequence, id, kind, label, window, root, version, change, made_at)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
      )
      .run(
        showId,
        row.sequence,
        changeId,
        row.kind,
        row.label,
        window,
        row.root,
        SHOW_VERSION,
        row.change,
        madeAt,
      );
  }

  /** Those after a sequence number, oldest first. */
  after(showId: string, sequence: number): ChangeRow[] {
    return this.db
      .prepare<[string, number], ChangeRow>(
        `SELECT ${COLUMNS} FROM changes WHERE show_id = ? AND sequence > ? ORDER BY sequence`,
      )
      .all(showId, sequence);
  }

  byId(showId: string, changeId: string): ChangeRow | undefined {
    return this.db
      .prepare<[string, string], ChangeRow>(`SELECT ${COLUMNS} FROM changes WHERE show_id = ? AND id = ?`)
      .get(showId, changeId);
  }

  /** The latest word about an edit: itself, or what took it back or brought it again. */
  latestOf(showId: string, root: number): ChangeRow {
    return this.db
      .prepare<[string, number], ChangeRow>(
        `SELECT ${COLUMNS} FROM changes WHERE show_id = ? AND root = ? ORDER BY sequence DESC LIMIT 1`,
      )
      .get(showId, root)!;
  }

  /** Those after a sequence number, oldest first, without what they change. */
  history(showId: string, after: number): HistoryEntry[] {
    return this.db
      .prepare<[string, number], HistoryEntry>(
        'SELECT sequence, id, kind, label, window, made_at AS madeAt FROM changes WHERE show_id = ? AND sequence > ? ORDER BY sequence',
      )
      .all(showId, after);
  }

  /**
   * The steps that a window can undo and redo, the next first: its own changes, and below the first of these the changes of windows that
   * are not open any more and of callers that have no window.
   *
   * @param floor changes up to this one stay
   * @param others windows that are open besides
   */
  steps(showId: string, floor: number, window: string | null, others: readonly string[]): Steps {
    const parameters = { id: showId, floor, window, others: JSON.stringify(others), most: MOST_STEPS };
    const owned = `show_id = @id AND sequence > @floor AND (
        window = @window OR (
          (window IS NULL OR window NOT IN (SELECT value FROM json_each(@others)))
          AND sequence < coalesce((SELECT MIN(sequence) FROM changes WHERE show_id = @id AND window = @window), 1e18)
        )
      )
      AND NOT EXISTS (
        SELECT 1 FROM changes AS later
        WHERE later.show_id = made.show_id AND later.root = made.root AND later.sequence > made.sequence
      )`;
    const steps = (sql: string) =>
      this.db
        .prepare<typeof parameters, Step>(
          `SELECT id, label FROM changes AS made WHERE ${owned} AND ${sql} ORDER BY sequence DESC LIMIT @most`,
        )
        .all(parameters);
    return {
      undo: steps("kind IN ('edit', 'redo')"),
      // A new edit of the same window leaves what was taken back before it behind.
      redo: steps(`kind = 'undo' AND NOT EXISTS (
        SELECT 1 FROM changes AS newer
        WHERE newer.show_id = made.show_id AND newer.kind = 'edit' AND newer.window IS made.window
        AND newer.sequence > made.sequence
      )`),
    };
  }
}

export function changeOf(row: ChangeRow): ShowChange {
  return ownJson<ShowChange>(row.change);
}

/** A kept change as it is sent. */
export function madeOf(row: ChangeRow): MadeChange {
  const { sequence, id, kind, label, window } = row;
  return { sequence, id, kind, label, window, change: changeOf(row) };
}

/** JSON of the same, with what the row holds as JSON put in as it is. */
export function textOf({ sequence, id, kind, label, window, change }: ChangeRow): string {
  return `${JSON.stringify({ sequence, id, kind, label, window }).slice(0, -1)},"change":${change}}`;
}
