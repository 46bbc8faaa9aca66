import 'server-only';
import type Database from 'better-sqlite3';
import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer';
import { applyToDraft, assertSound, labelOf, type Edit } from '@/core/show/edits/registry';
import { newId } from '@/core/show/fields';
import type { HistoryEntry, Revision, ShowSummary } from '@/core/show/revision';
import type { Show } from '@/core/show/schema';

enablePatches();

/** A full copy of the show is kept every so many changes, so that opening a show reads at most this many. */
const CHANGES_PER_SNAPSHOT = 50;

/** There is no show with this id. */
export class NoSuchShow extends Error {
  constructor(id: string) {
    super(`There is no show “${id}”.`);
    this.name = 'NoSuchShow';
  }
}

/** The client edited an older revision than the current one. */
export class StaleRevision extends Error {
  constructor(
    readonly current: Revision,
    readonly missed: HistoryEntry[],
  ) {
    super(
      `The show is at change ${current.sequence} by now: ${missed.map((entry) => entry.label).join('; ') || 'it was changed elsewhere'}.`,
    );
    this.name = 'StaleRevision';
  }
}

/** There is nothing to take back, or nothing to bring again. */
export class NothingThere extends Error {
  constructor(readonly what: 'undo' | 'redo') {
    super(what === 'undo' ? 'There is nothing to undo.' : 'There is nothing to redo.');
    this.name = 'NothingThere';
  }
}

interface ShowRow {
  id: string;
  name: string;
  sequence: number;
  undo_top: number | null;
  redo_top: number | null;
}

interface EditRow {
  sequence: number;
  kind: 'edit' | 'undo' | 'redo';
  label: string;
  patches: string;
  inverse: string;
  undo_below: number | null;
  redo_below: number | null;
}

/** A change to be appended to the chain, and what the two stacks look like after it. */
interface Change {
  kind: EditRow['kind'];
  label: string;
  show: Show;
  patches: Patch[];
  inverse: Patch[];
  undoTop: (sequence: number) => number | null;
  redoTop: (sequence: number) => number | null;
}

/** By show, who wants to hear of each new sequence number; null tells that the show was removed. */
export type Listeners = Map<string, Set<(sequence: number | null) => void>>;

/** The shows in a database. One writer: every change is a transaction of its own and is on disk when it returns. */
export class ShowRepository {
  /** Documents by show, valid for one sequence number; the database always decides which is current. */
  private readonly documents = new Map<string, { sequence: number; show: Show }>();

  constructor(
    private readonly db: Database.Database,
    private readonly listeners: Listeners = new Map(),
    private readonly now: () => Date = () => new Date(),
  ) {}

  list(): ShowSummary[] {
    return this.db
      .prepare<[], ShowSummary>(
        'SELECT id, name, sequence, changed_at AS changedAt FROM shows ORDER BY changed_at DESC, id',
      )
      .all();
  }

  /** Keeps a show under a new id made from its name. `show` must have been read by `readShow`. */
  create(show: Show): Revision {
    const id = this.write(() => {
      const taken = this.db.prepare<[], { id: string }>('SELECT id FROM shows').all();
      const free = newId(show.name, taken.map((row) => row.id).concat('new'));
      const at = this.now().toISOString();
      this.db
        .prepare('INSERT INTO shows (id, name, sequence, created_at, changed_at) VALUES (?, ?, 0, ?, ?)')
        .run(free, show.name, at, at);
      this.snapshot(free, 0, show);
      return free;
    });
    return this.get(id);
  }

  /** @throws NoSuchShow */
  get(id: string): Revision {
    const row = this.row(id);
    const label = (sequence: number | null) => (sequence === null ? null : this.edit(id, sequence).label);
    return {
      id,
      sequence: row.sequence,
      show: this.document(row),
      undoLabel: label(row.undo_top),
      redoLabel: label(row.redo_top),
    };
  }

  /** The show as it was after an earlier change. @throws NoSuchShow, RangeError outside 0..current */
  at(id: string, sequence: number): Show {
    const row = this.row(id);
    if (!Number.isInteger(sequence) || sequence < 0 || sequence > row.sequence)
      throw new RangeError(`The show has changes 0 to ${row.sequence}; ${sequence} is outside.`);
    return this.rebuild(id, sequence);
  }

  /** @throws NoSuchShow, StaleRevision, ShowError (and nothing is changed) */
  apply(id: string, baseSequence: number, edit: Edit): Revision {
    return this.change(id, baseSequence, (row) => {
      const before = this.document(row);
      const [show, patches, inverse] = produceWithPatches(before, (draft) => {
        // The edits are written against plain shows; a draft behaves as one.
        applyToDraft(draft as Show, edit);
      });
      assertSound(show, before);
      return {
        kind: 'edit',
        label: labelOf(before, edit),
        show,
        patches,
        inverse,
        undoTop: (sequence) => sequence,
        redoTop: () => null,
      };
    });
  }

  /** @throws NoSuchShow, StaleRevision, NothingThere */
  undo(id: string, baseSequence: number): Revision {
    return this.change(id, baseSequence, (row) => {
      if (row.undo_top === null) throw new NothingThere('undo');
      const target = this.edit(id, row.undo_top);
      return {
        ...this.reverse(row, target),
        kind: 'undo',
        undoTop: () => target.undo_below,
        redoTop: (sequence) => sequence,
      };
    });
  }

  /** @throws NoSuchShow, StaleRevision, NothingThere */
  redo(id: string, baseSequence: number): Revision {
    return this.change(id, baseSequence, (row) => {
      if (row.redo_top === null) throw new NothingThere('redo');
      const target = this.edit(id, row.redo_top);
      return {
        ...this.reverse(row, target),
        kind: 'redo',
        undoTop: (sequence) => sequence,
        redoTop: () => target.redo_below,
      };
    });
  }

  /** Changes after a sequence number, oldest first. @throws NoSuchShow */
  history(id: string, after = 0): HistoryEntry[] {
    this.row(id);
    return this.db
      .prepare<[string, number], HistoryEntry>(
        'SELECT sequence, kind, label, made_at AS madeAt FROM edits WHERE show_id = ? AND sequence > ? ORDER BY sequence',
      )
      .all(id, after);
  }

  /** Removes a show and its whole history; this cannot be undone. @throws NoSuchShow */
  remove(id: string): void {
    this.write(() => {
      this.row(id);
      this.db.prepare('DELETE FROM shows WHERE id = ?').run(id);
    });
    this.documents.delete(id);
    this.tell(id, null);
  }

  /** Calls back with each new sequence number of a show, and null when it is removed. Returns a way to stop. */
  listen(id: string, listener: (sequence: number | null) => void): () => void {
    const all = this.listeners.get(id) ?? new Set();
    this.listeners.set(id, all.add(listener));
    return () => {
      all.delete(listener);
      if (all.size === 0) this.listeners.delete(id);
    };
  }

  private change(id: string, baseSequence: number, make: (row: ShowRow) => Change): Revision {
    const made = this.write(() => {
      const row = this.row(id);
      if (row.sequence !== baseSequence)
        throw new StaleRevision(this.get(id), this.history(id, Math.min(baseSequence, row.sequence)));
      const change = make(row);
      const next = row.sequence + 1;
      const at = this.now().toISOString();
      this.db
        .prepare(
          `INSERT INTO edits (show_id, sequence, kind, label, patches, inverse, undo_below, redo_below, made_at)
           VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)`,
        )
        .run(
          id,
          next,
          change.kind,
          change.label,
          JSON.stringify(change.patches),
          JSON.stringify(change.inverse),
          row.undo_top,
          row.redo_top,
          at,
        );
      this.db
        .prepare(
          'UPDATE shows SET name = ?, sequence = ?, undo_top = ?, redo_top = ?, changed_at = ? WHERE id = ?',
        )
        .run(change.show.name, next, change.undoTop(next), change.redoTop(next), at, id);
      if (next % CHANGES_PER_SNAPSHOT === 0) this.snapshot(id, next, change.show);
      return { sequence: next, show: change.show };
    });
    this.documents.set(id, made);
    this.tell(id, made.sequence);
    return this.get(id);
  }

  private reverse(row: ShowRow, target: EditRow): Pick<Change, 'label' | 'show' | 'patches' | 'inverse'> {
    const patches = JSON.parse(target.inverse) as Patch[];
    const inverse = JSON.parse(target.patches) as Patch[];
    return { label: target.label, show: applyPatches(this.document(row), patches), patches, inverse };
  }

  private row(id: string): ShowRow {
    const row = this.db
      .prepare<[string], ShowRow>('SELECT id, name, sequence, undo_top, redo_top FROM shows WHERE id = ?')
      .get(id);
    if (!row) throw new NoSuchShow(id);
    return row;
  }

  private edit(id: string, sequence: number): EditRow {
    return this.db
      .prepare<[string, number], EditRow>(
        `SELECT sequence, kind, label, patches, inverse, undo_below, redo_below
         FROM edits WHERE show_id = ? AND sequence = ?`,
      )
      .get(id, sequence)!;
  }

  private document({ id, sequence }: ShowRow): Show {
    const known = this.documents.get(id);
    if (known?.sequence === sequence) return known.show;
    const show = this.rebuild(id, sequence);
    this.documents.set(id, { sequence, show });
    return show;
  }

  private rebuild(id: string, sequence: number): Show {
    const snapshot = this.db
      .prepare<[string, number], { sequence: number; document: string }>(
        'SELECT sequence, document FROM snapshots WHERE show_id = ? AND sequence <= ? ORDER BY sequence DESC LIMIT 1',
      )
      .get(id, sequence)!;
    const later = this.db
      .prepare<[string, number, number], { patches: string }>(
        'SELECT patches FROM edits WHERE show_id = ? AND sequence > ? AND sequence <= ? ORDER BY sequence',
      )
      .all(id, snapshot.sequence, sequence);
    return later.reduce(
      (show, { patches }) => applyPatches(show, JSON.parse(patches) as Patch[]),
      JSON.parse(snapshot.document) as Show,
    );
  }

  private snapshot(id: string, sequence: number, show: Show): void {
    this.db
      .prepare('INSERT INTO snapshots (show_id, sequence, document) VALUES (?, ?, ?)')
      .run(id, sequence, JSON.stringify(show));
  }

  private write<Result>(work: () => Result): Result {
    return this.db.transaction(work).immediate();
  }

  private tell(id: string, sequence: number | null): void {
    for (const listener of this.listeners.get(id) ?? []) listener(sequence);
  }
}
