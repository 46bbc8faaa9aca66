import 'server-only';
import type Database from 'better-sqlite3';
import { applyChanges, changeBetween, inverseOf, touchedBy, type ShowChange } from '@/core/show/changes';
import { applyEdit, assertSound, labelOf, type Edit } from '@/core/show/edits/registry';
import type { Fact } from '@/core/show/facts';
import { clashesOf, firstMissed, type Late } from '@/core/show/lateFacts';
import { withOrder, type ShowFile } from '@/core/show/read';
import type { Confirmation, HistoryEntry, MadeChange, ShowSummary, Steps } from '@/core/show/revision';
import { SHOW_VERSION, type Show } from '@/core/show/schema';
import type { ArchiveHead } from './archive/format';
import { keepHistory, readHistory, versionOf, type HistoryRows } from './archive/historyTables';
import { ChangesTable, changeOf, madeOf, textOf, type Author } from './changesTable';
import { clashOfTouched, laid } from './clash';
import { write } from './database';
import { FactsTable } from './factsTable';
import { documentText, parseInSteps } from './documents';
import { PhotoRepository, photosIn } from './photos';
import { Shared, type ShowEvent } from './shared';
import { ShowDocuments } from './showDocuments';
import { ShowRows, type ShowRow } from './showRows';
import { freeId, isFree, noteGone, refuseGone } from './showIds';
import { FactsClash, MustReload, NoSuchChange, NothingThere } from './showErrors';
import { keepSnapshot, snapshotDue } from './snapshots';

/** A document of this size takes a while to be parsed. */
const LARGE_BYTES = 1024 * 1024;
/** A show as it is kept: a copy, the changes since, and what was noted. Nothing of it is read on the way. */
interface KeptShow {
  id: string;
  sequence: number;
  steps: Steps;
  copyOf: number;
  /** UTF-8 JSON. */
  document: Buffer;
  /** JSON of `MadeChange`. */
  changes: string[];
  facts: Fact[];
  /** Number of facts, with those that do not count any more. */
  noted: number;
}

/** The shows in a database. One writer: every change is a transaction of its own and is on disk when it returns. */
export class ShowRepository {
  private readonly changes: ChangesTable;
  private readonly facts: FactsTable;
  private readonly photos: PhotoRepository;
  private readonly documents: ShowDocuments;
  private readonly rows: ShowRows;

  constructor(
    private readonly db: Database.Database,
    private readonly shared: Shared = new Shared(),
    private readonly now: () => Date = () => new Date(),
  ) {
    this.changes = new ChangesTable(db);
    this.facts = new FactsTable(db);
    this.photos = new PhotoRepository(db, now);
    this.documents = new ShowDocuments(db, this.changes, shared);
    this.rows = new ShowRows(db, this.changes, this.facts, this.photos, this.documents, now);
  }

  list(): ShowSummary[] {
    return this.db
      .prepare<[], ShowSummary>(
        'SELECT id, name, sequence, changed_at AS changedAt FROM shows WHERE removed_at IS NULL ORDER BY changed_at DESC, id',
      )
      .all();
  }

  /** The name of a show, without opening it. @throws NoSuchShow */
  nameOf(id: string): string {
    return this.rows.row(id).name;
  }

  /** Number of the latest change, and how many facts there are; null where there is no such show. */
  standing(id: string): { sequence: number; noted: number } | null {
    const row = this.db
      .prepare<[string], { sequence: number }>(
        'SELECT sequence FROM shows WHERE id = ? AND removed_at IS NULL',
      )
      .get(id);
    return row ? { sequence: row.sequence, noted: this.facts.count(id) } : null;
  }

  /** Keeps a show that was read by `readShowFile` and gives its new id, which is made from its name. */
  create({ show, facts }: ShowFile): string {
    const document = documentText(withOrder(show));
    return this.keep(show.name, document, facts, photosIn(document));
  }

  /**
   * The same for a document that was checked elsewhere.
   *
   * @param document of a sound show, by `documentText`
   * @param photoIds the photos that it names
   */
  keep(
    name: string,
    document: string | Uint8Array,
    facts: readonly Fact[],
    photoIds: readonly string[],
  ): string {
    return write(this.db, () => {
      const id = freeId(this.db, name);
      const at = this.now().toISOString();
      this.db
        .prepare(
          'INSERT INTO shows (id, name, sequence, version, created_at, changed_at) VALUES (?, ?, 0, ?, ?, ?)',
        )
        .run(id, name, SHOW_VERSION, at, at);
      keepSnapshot(this.db, id, 0, document);
      this.photos.noteUses(id, photoIds);
      this.rows.noteFacts(id, facts);
      return id;
    });
  }

  /**
   * A show that was archived, with its history, in one go. It has its old id where that is free.
   *
   * @param document of the show as the history leads to it, by `documentText`
   * @param photoIds all that it names, in its history and its facts too
   * @returns its id
   */
  keepArchived(
    { showId, name }: Pick<ArchiveHead, 'showId' | 'name'>,
    document: string | Uint8Array,
    history: HistoryRows,
    facts: readonly Fact[],
    photoIds: readonly string[],
  ): string {
    return write(this.db, () => {
      const id = isFree(this.db, showId) ? showId : freeId(this.db, name);
      const at = this.now().toISOString();
      const sequence = history.changes.length;
      this.db
        .prepare(
          'INSERT INTO shows (id, name, sequence, version, undo_floor, created_at, changed_at) VALUES (?, ?, ?, ?, ?, ?, ?)',
        )
        .run(id, name, sequence, versionOf(history), history.undoFloor, at, at);
      keepHistory(this.db, id, history, document);
      this.photos.noteUses(id, photoIds);
      this.rows.noteFacts(
        id,
        // Facts about the show itself are about this one.
        facts.map((fact) =>
          fact.list === 'show' && fact.recordId === showId ? { ...fact, recordId: id } : fact,
        ),
      );
      return id;
    });
  }

  /** Every change of a show, for an archive. @throws NoSuchShow */
  historyOf(id: string): HistoryRows {
    return readHistory(this.db, id, this.rows.row(id).undo_floor);
  }

  /** A show with all that a window needs to open it. @throws NoSuchShow */
  open(id: string, window: string | null): KeptShow {
    const row = this.rows.row(id);
    const copy = this.documents.latestCopy(id);
    return {
      id,
      sequence: row.sequence,
      steps: this.steps(row, window),
      copyOf: copy.sequence,
      document: copy.document,
      changes: this.changes.after(id, copy.sequence).map(textOf),
      facts: this.facts.current(id),
      noted: this.facts.count(id),
    };
  }

  /**
   * Gets a large show ready to be changed, without others having to wait for it: what is changed has to be in memory, and parsing
   * millions of points at once would hold everything up.
   */
  async getReady(id: string): Promise<void> {
    const row = this.rows.row(id);
    if (this.shared.documents.get(id)?.sequence === row.sequence) return;
    const copy = this.documents.latestCopy(id);
    if (copy.document.byteLength < LARGE_BYTES) return;
    const show = await parseInSteps(copy.document);
    // Others may have changed it meanwhile.
    const now = this.rows.row(id);
    const later = this.changes.after(id, copy.sequence);
    this.documents.remember(id, now.sequence, applyChanges(show, later.map(changeOf)));
  }

  /** The show as it is, and its sequence number. @throws NoSuchShow */
  get(id: string): { sequence: number; show: Show } {
    const row = this.rows.row(id);
    return { sequence: row.sequence, show: this.documents.of(row) };
  }

  /** The show as it was after an earlier change. @throws NoSuchShow, NoSuchChange outside 0..current */
  at(id: string, sequence: number): Show {
    const row = this.rows.row(id);
    if (!Number.isInteger(sequence) || sequence < 0 || sequence > row.sequence)
      throw new NoSuchChange(`The show has changes 0 to ${row.sequence}; ${sequence} is outside.`);
    return this.documents.fileAt(id, sequence).show;
  }

  /** All that was noted about a show, oldest first. @throws NoSuchShow */
  factsOf(id: string): Fact[] {
    this.rows.row(id);
    return this.facts.all(id);
  }

  /**
   * Makes an edit. One that was made on an older show is laid on the current one, if none of the records that it touches was
   * touched since; an edit that changes nothing makes no change.
   *
   * @throws NoSuchShow, MustReload, ShowClash, ShowError (and nothing is changed)
   */
  apply(id: string, author: Author, edit: Edit): Confirmation {
    return this.change(id, author, (row) => {
      const current = this.documents.of(row);
      const missed = this.changes.after(id, author.base);
      const before = applyChanges(
        current,
        missed.toReversed().map((each) => inverseOf(changeOf(each))),
      );
      const after = applyEdit(before, edit);
      const change = changeBetween(before, after);
      if (change.length === 0) return null;
      const label = labelOf(before, edit);
      refuseGone(this.db, id, change);
      if (missed.length === 0) return { kind: 'edit', label, root: null, change, show: after };
      const mine = touchedBy(change);
      for (const each of missed.toReversed()) {
        const met = [...touchedBy(changeOf(each))].find((record) => mine.has(record));
        if (met) throw clashOfTouched(met, before, after, current, each.label);
      }
      return { kind: 'edit', label, root: null, change, show: laid(current, change) };
    });
  }

  /**
   * Takes back a change.
   *
   * @param changeId of an edit, or of a redo, that is done; by default the next one of the window
   * @throws NoSuchShow, NothingThere, NoSuchChange, ShowClash where others changed the same since, ShowError
   */
  undo(id: string, author: Author, changeId?: string): Confirmation {
    return this.reverse(id, author, 'undo', changeId);
  }

  /** Brings again what an undo took back. @param changeId of the undo; by default the next one of the window. Throws as `undo` */
  redo(id: string, author: Author, changeId?: string): Confirmation {
    return this.reverse(id, author, 'redo', changeId);
  }

  /**
   * Makes the show what it was after an earlier change: a change of its own, which can be taken back.
   *
   * @param words what the history calls that state
   * @throws NoSuchShow, NoSuchChange, MustReload, ShowError where rules have come since that it does not keep
   */
  restore(id: string, author: Author, sequence: number, words: string): Confirmation {
    return this.change(id, author, (row) => {
      const current = this.documents.of(row);
      const show = this.at(id, sequence);
      const change = changeBetween(current, show);
      // Records that come back keep their ids: they are the same things.
      return change.length === 0
        ? null
        : { kind: 'edit', label: `Back to ${words}`, root: null, change, show };
    });
  }

  /**
   * Adds facts; those that are there already are left out.
   *
   * @param late where they were made while this server was not heard, what their maker had heard of by then
   * @returns those that are new
   * @throws NoSuchShow, FactsClash where they say something else than what was noted meanwhile (and nothing is added)
   */
  note(id: string, facts: readonly Fact[], late: Late | null = null): Fact[] {
    const added = write(this.db, () => {
      this.rows.row(id);
      if (late) {
        const clashes = clashesOf(facts, late, this.facts.after(id, firstMissed(late) ?? 0));
        if (clashes.length > 0) throw new FactsClash(clashes);
      }
      return this.rows.noteFacts(id, facts);
    });
    if (added.length > 0) this.shared.tell(id, { is: 'noted', facts: added, noted: this.facts.count(id) });
    return added;
  }

  /** Changes after a sequence number, oldest first, without what they change. @throws NoSuchShow */
  history(id: string, after = 0): HistoryEntry[] {
    this.rows.row(id);
    return this.changes.history(id, after);
  }

  /** Changes that a window is missing. @throws NoSuchShow, MustReload */
  since(id: string, window: string | null, after: number): Confirmation {
    const row = this.rows.row(id);
    if (after > row.sequence || after < row.undo_floor) throw new MustReload();
    return this.confirmation(row, window, after);
  }

  /** Removes a show with all that belongs to it; this cannot be undone. @throws NoSuchShow */
  remove(id: string): void {
    write(this.db, () => {
      this.rows.row(id);
      this.photos.forgetShow(id);
      this.facts.remove(id);
      for (const table of ['changes', 'snapshots', 'gone_records'])
        this.db.prepare(`DELETE FROM ${table} WHERE show_id = ?`).run(id);
      this.db.prepare('UPDATE shows SET removed_at = ? WHERE id = ?').run(this.now().toISOString(), id);
    });
    this.shared.documents.delete(id);
    this.shared.tell(id, { is: 'removed' });
  }

  /** Calls back with what happens to a show; see `Shared.listen`. */
  listen(id: string, window: string | null, listener: (event: ShowEvent) => void): () => void {
    return this.shared.listen(id, window, listener);
  }

  private reverse(id: string, author: Author, kind: 'undo' | 'redo', changeId?: string): Confirmation {
    return this.change(id, author, (row) => {
      const target = changeId ?? this.steps(row, author.window)[kind][0]?.id;
      if (target === undefined) throw new NothingThere(kind);
      const step = this.changes.byId(id, target);
      if (!step) throw new NoSuchChange(`The show has no change “${target}”.`);
      this.rows.assertReversible(row, step, kind);
      const change = inverseOf(changeOf(step));
      const show = laid(this.documents.of(row), change);
      return { kind, label: step.label, root: step.root, change, show };
    });
  }

  /** Appends the change that `make` gives, unless it was appended before; null makes none. */
  private change(
    id: string,
    author: Author,
    make: (row: ShowRow) => {
      kind: MadeChange['kind'];
      label: string;
      root: number | null;
      change: ShowChange;
      show: Show;
    } | null,
  ): Confirmation {
    const appended = write(this.db, (): { made: MadeChange; show: Show } | null => {
      const row = this.rows.row(id);
      if (this.changes.byId(id, author.changeId)) return null;
      if (author.base > row.sequence || author.base < row.undo_floor) throw new MustReload();
      const next = make(row);
      if (!next) return null;
      assertSound(next.show, this.documents.of(row));
      const sequence = row.sequence + 1;
      const text = JSON.stringify(next.change);
      this.rows.append(id, author, { ...next, sequence, root: next.root ?? sequence, change: text });
      noteGone(this.db, id, next.change);
      this.photos.noteUses(id, photosIn(text));
      if (snapshotDue(this.db, id)) keepSnapshot(this.db, id, sequence, documentText(next.show));
      const { kind, label, change, show } = next;
      return { show, made: { sequence, id: author.changeId, kind, label, window: author.window, change } };
    });
    if (appended) {
      this.documents.remember(id, appended.made.sequence, appended.show);
      this.shared.tell(id, { is: 'changed', changes: [appended.made] });
    }
    return this.confirmation(this.rows.row(id), author.window, author.base);
  }

  private steps(row: ShowRow, window: string | null): Steps {
    const open = [...(this.shared.windows.get(row.id)?.keys() ?? [])];
    return this.changes.steps(
      row.id,
      row.undo_floor,
      window,
      open.filter((each) => each !== window),
    );
  }

  private confirmation(row: ShowRow, window: string | null, after: number): Confirmation {
    const changes = this.changes.after(row.id, after).map(madeOf);
    return { sequence: row.sequence, steps: this.steps(row, window), changes };
  }
}
