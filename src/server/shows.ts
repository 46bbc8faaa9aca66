import 'server-only';
import type Database from 'better-sqlite3';
import {
  ChangeClash,
  applyChange,
  applyChanges,
  changeBetween,
  inverseOf,
  touchedBy,
  type ShowChange,
} from '@/core/show/changes';
import { applyEdit, assertSound, labelOf, type Edit } from '@/core/show/edits/registry';
import type { Fact } from '@/core/show/facts';
import { clashesOf, firstMissed, type Late } from '@/core/show/lateFacts';
import { idWords } from '@/core/fields/fields';
import { ShowError } from '@/core/fields/problem';
import { withOrder, type ShowFile } from '@/core/show/read';
import type { Confirmation, HistoryEntry, MadeChange, ShowSummary, Steps } from '@/core/show/revision';
import { SHOW_VERSION, type Show } from '@/core/show/schema';
import type { ArchiveHead } from './archive/format';
import { keepHistory, readHistory, versionOf, type HistoryRows } from './archive/historyTables';
import { ChangesTable, changeOf, madeOf, textOf, type Author } from './changesTable';
import { clashOf, clashOfTouched } from './clash';
import { write } from './database';
import { FactsTable } from './factsTable';
import { fileAfter } from './oldPatches';
import { documentText, parseInSteps } from './documents';
import { PhotoRepository, photosIn } from './photos';
import { Shared, type ShowEvent } from './shared';
import { FactsClash, MustReload, NoSuchChange, NoSuchShow, NothingThere } from './showErrors';
import { keepSnapshot, snapshotDue } from './snapshots';

/** A document of this size takes a while to be parsed. */
const LARGE_BYTES = 1024 * 1024;
/** Large documents that stay in memory. */
const MOST_DOCUMENTS = 8;

interface ShowRow {
  id: string;
  name: string;
  sequence: number;
  version: number;
  undo_floor: number;
}

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

  constructor(
    private readonly db: Database.Database,
    private readonly shared: Shared = new Shared(),
    private readonly now: () => Date = () => new Date(),
  ) {
    this.changes = new ChangesTable(db);
    this.facts = new FactsTable(db);
    this.photos = new PhotoRepository(db, now);
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
    return this.row(id).name;
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
      const id = this.freeId(name);
      const at = this.now().toISOString();
      this.db
        .prepare(
          'INSERT INTO shows (id, name, sequence, version, created_at, changed_at) VALUES (?, ?, 0, ?, ?, ?)',
        )
        .run(id, name, SHOW_VERSION, at, at);
      keepSnapshot(this.db, id, 0, document);
      this.photos.noteUses(id, photoIds);
      this.noteFacts(id, facts);
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
      const id = this.isFree(showId) ? showId : this.freeId(name);
      const at = this.now().toISOString();
      const sequence = history.changes.length;
      this.db
        .prepare(
          'INSERT INTO shows (id, name, sequence, version, undo_floor, created_at, changed_at) VALUES (?, ?, ?, ?, ?, ?, ?)',
        )
        .run(id, name, sequence, versionOf(history), history.undoFloor, at, at);
      keepHistory(this.db, id, history, document);
      this.photos.noteUses(id, photoIds);
      this.noteFacts(
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
    return readHistory(this.db, id, this.row(id).undo_floor);
  }

  /** A show with all that a window needs to open it. @throws NoSuchShow */
  open(id: string, window: string | null): KeptShow {
    const row = this.row(id);
    const copy = this.latestCopy(id);
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
    const row = this.row(id);
    if (this.shared.documents.get(id)?.sequence === row.sequence) return;
    const copy = this.latestCopy(id);
    if (copy.document.byteLength < LARGE_BYTES) return;
    const show = await parseInSteps(copy.document);
    // Others may have changed it meanwhile.
    const now = this.row(id);
    const later = this.changes.after(id, copy.sequence);
    this.remember(id, now.sequence, applyChanges(show, later.map(changeOf)));
  }

  /** The show as it is, and its sequence number. @throws NoSuchShow */
  get(id: string): { sequence: number; show: Show } {
    const row = this.row(id);
    return { sequence: row.sequence, show: this.document(row) };
  }

  /** The show as it was after an earlier change. @throws NoSuchShow, NoSuchChange outside 0..current */
  at(id: string, sequence: number): Show {
    const row = this.row(id);
    if (!Number.isInteger(sequence) || sequence < 0 || sequence > row.sequence)
      throw new NoSuchChange(`The show has changes 0 to ${row.sequence}; ${sequence} is outside.`);
    return this.rebuild(id, sequence);
  }

  /** All that was noted about a show, oldest first. @throws NoSuchShow */
  factsOf(id: string): Fact[] {
    this.row(id);
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
      const current = this.document(row);
      const missed = this.changes.after(id, author.base);
      const before = applyChanges(
        current,
        missed.toReversed().map((each) => inverseOf(changeOf(each))),
      );
      const after = applyEdit(before, edit);
      const change = changeBetween(before, after);
      if (change.length === 0) return null;
      const label = labelOf(before, edit);
      this.refuseGone(id, change);
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
      const current = this.document(row);
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
      this.row(id);
      if (late) {
        const clashes = clashesOf(facts, late, this.facts.after(id, firstMissed(late) ?? 0));
        if (clashes.length > 0) throw new FactsClash(clashes);
      }
      return this.noteFacts(id, facts);
    });
    if (added.length > 0) this.tell(id, { is: 'noted', facts: added, noted: this.facts.count(id) });
    return added;
  }

  /** Changes after a sequence number, oldest first, without what they change. @throws NoSuchShow */
  history(id: string, after = 0): HistoryEntry[] {
    this.row(id);
    return this.changes.history(id, after);
  }

  /** Changes that a window is missing. @throws NoSuchShow, MustReload */
  since(id: string, window: string | null, after: number): Confirmation {
    const row = this.row(id);
    if (after > row.sequence || after < this.firstReadable(row)) throw new MustReload();
    return this.confirmation(row, window, after);
  }

  /** Removes a show with all that belongs to it; this cannot be undone. @throws NoSuchShow */
  remove(id: string): void {
    write(this.db, () => {
      this.row(id);
      this.photos.forgetShow(id);
      this.facts.remove(id);
      for (const table of ['changes', 'snapshots', 'gone_records'])
        this.db.prepare(`DELETE FROM ${table} WHERE show_id = ?`).run(id);
      this.db.prepare('UPDATE shows SET removed_at = ? WHERE id = ?').run(this.now().toISOString(), id);
    });
    this.shared.documents.delete(id);
    this.tell(id, { is: 'removed' });
  }

  /**
   * Calls back with what happens to a show, and counts a window as open as long as somebody listens for it. Returns a way to stop.
   */
  listen(id: string, window: string | null, listener: (event: ShowEvent) => void): () => void {
    const { listeners, windows } = this.shared;
    const all = listeners.get(id) ?? new Set();
    listeners.set(id, all.add(listener));
    const open = windows.get(id) ?? new Map<string, number>();
    if (window !== null) windows.set(id, open.set(window, (open.get(window) ?? 0) + 1));
    return () => {
      all.delete(listener);
      if (all.size === 0) listeners.delete(id);
      if (window === null) return;
      const left = (open.get(window) ?? 1) - 1;
      if (left > 0) open.set(window, left);
      else open.delete(window);
      if (open.size === 0) windows.delete(id);
    };
  }

  private reverse(id: string, author: Author, kind: 'undo' | 'redo', changeId?: string): Confirmation {
    return this.change(id, author, (row) => {
      const target = changeId ?? this.steps(row, author.window)[kind][0]?.id;
      if (target === undefined) throw new NothingThere(kind);
      const step = this.changes.byId(id, target);
      if (!step) throw new NoSuchChange(`The show has no change “${target}”.`);
      const latest = this.changes.latestOf(id, step.root);
      if (
        latest.sequence !== step.sequence ||
        (step.kind === 'undo') !== (kind === 'redo') ||
        step.kind === 'upgrade'
      )
        throw new NoSuchChange(
          `“${step.label}” cannot be ${kind === 'undo' ? 'taken back: it is not done any more' : 'done again: it is done'}.`,
        );
      if (step.sequence <= row.undo_floor)
        throw new NoSuchChange(
          `“${step.label}” is from before the show was brought up to a newer version; what was made before that stays.`,
        );
      const change = inverseOf(changeOf(step));
      const show = laid(this.document(row), change);
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
      const row = this.row(id);
      if (this.changes.byId(id, author.changeId)) return null;
      if (author.base > row.sequence || author.base < this.firstReadable(row)) throw new MustReload();
      const next = make(row);
      if (!next) return null;
      assertSound(next.show, this.document(row));
      const sequence = row.sequence + 1;
      const text = JSON.stringify(next.change);
      this.append(id, author, { ...next, sequence, root: next.root ?? sequence, change: text });
      for (const each of next.change)
        if ('removed' in each && each.list !== 'patch')
          this.db
            .prepare('INSERT OR IGNORE INTO gone_records (show_id, list, record_id) VALUES (?, ?, ?)')
            .run(id, each.list, each.id);
      this.photos.noteUses(id, photosIn(text));
      if (snapshotDue(this.db, id)) keepSnapshot(this.db, id, sequence, documentText(next.show));
      const { kind, label, change, show } = next;
      return { show, made: { sequence, id: author.changeId, kind, label, window: author.window, change } };
    });
    if (appended) {
      this.remember(id, appended.made.sequence, appended.show);
      this.tell(id, { is: 'changed', changes: [appended.made] });
    }
    return this.confirmation(this.row(id), author.window, author.base);
  }

  private append(
    id: string,
    author: Author,
    row: Parameters<ChangesTable['append']>[2] & { show: Show },
  ): void {
    const at = this.now().toISOString();
    this.changes.append(id, author, row, at);
    this.db
      .prepare('UPDATE shows SET name = ?, sequence = ?, changed_at = ? WHERE id = ?')
      .run(row.show.name, row.sequence, at, id);
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

  /** @throws ShowError when a record would be given an id that another one had */
  private refuseGone(id: string, change: ShowChange): void {
    const gone = this.db.prepare(
      'SELECT 1 FROM gone_records WHERE show_id = ? AND list = ? AND record_id = ?',
    );
    for (const each of change)
      if ('added' in each && gone.get(id, each.list, each.id))
        throw new ShowError(
          `The id “${each.id}” belonged to something that was removed. Ids are not used again: give it another one.`,
        );
  }

  /** The row of a show, brought up to the version of this program. @throws NoSuchShow */
  private row(id: string): ShowRow {
    const row = this.db
      .prepare<[string], ShowRow>(
        'SELECT id, name, sequence, version, undo_floor FROM shows WHERE id = ? AND removed_at IS NULL',
      )
      .get(id);
    if (!row) throw new NoSuchShow(id);
    return row.version < SHOW_VERSION ? this.upgrade(row) : row;
  }

  /** Brings an older show up to date: a change of its own, with a copy, before which nothing can be taken back. */
  private upgrade({ id, sequence, version }: ShowRow): ShowRow {
    const { show, facts } = this.rebuildFile(id, sequence);
    return write(this.db, () => {
      const next = sequence + 1;
      this.append(
        id,
        { changeId: `upgrade-${version}-${SHOW_VERSION}`, window: null, base: sequence },
        {
          sequence: next,
          kind: 'upgrade',
          label: `Brought up from version ${version} of the show file to ${SHOW_VERSION}`,
          root: next,
          change: '[]',
          show,
        },
      );
      this.db
        .prepare('UPDATE shows SET version = ?, undo_floor = ? WHERE id = ?')
        .run(SHOW_VERSION, next, id);
      keepSnapshot(this.db, id, next, documentText(show));
      this.noteFacts(id, facts);
      return { id, name: show.name, sequence: next, version: SHOW_VERSION, undo_floor: next };
    });
  }

  /** The first sequence number from which on changes can be laid on one another. */
  private firstReadable(row: ShowRow): number {
    return row.undo_floor;
  }

  private latestCopy(id: string): { sequence: number; document: Buffer } {
    return this.db
      .prepare<[string], { sequence: number; document: Buffer }>(
        'SELECT sequence, CAST(document AS BLOB) AS document FROM snapshots WHERE show_id = ? ORDER BY sequence DESC LIMIT 1',
      )
      .get(id)!;
  }

  private document({ id, sequence }: ShowRow): Show {
    const known = this.shared.documents.get(id);
    if (known?.sequence === sequence) return known.show;
    const show = this.rebuild(id, sequence);
    this.remember(id, sequence, show);
    return show;
  }

  private remember(id: string, sequence: number, show: Show): void {
    const { documents } = this.shared;
    documents.delete(id);
    documents.set(id, { sequence, show });
    const oldest = documents.keys().next().value;
    if (documents.size > MOST_DOCUMENTS && oldest !== undefined) documents.delete(oldest);
  }

  private rebuild(id: string, sequence: number): Show {
    return this.rebuildFile(id, sequence).show;
  }

  /** The show file after a change; an old one with the notes that it held. */
  private rebuildFile(id: string, sequence: number): ShowFile {
    const copy = this.db
      .prepare<[string, number], { sequence: number; version: number; document: string }>(
        'SELECT sequence, version, document FROM snapshots WHERE show_id = ? AND sequence <= ? ORDER BY sequence DESC LIMIT 1',
      )
      .get(id, sequence)!;
    const later = this.changes.after(id, copy.sequence).filter((each) => each.sequence <= sequence);
    // A change of version is a copy of its own, so that what follows a copy is written as the copy is.
    return fileAfter(
      JSON.parse(copy.document),
      copy.version,
      later.map((each) => each.change),
    );
  }

  private noteFacts(id: string, facts: readonly Fact[]): Fact[] {
    const added = this.facts.add(id, facts);
    this.photos.noteUses(id, photosIn(JSON.stringify(added.map((fact) => fact.value))));
    return added;
  }

  /** An id made from a name that no show has or had. */
  private freeId(name: string): string {
    const base = idWords(name);
    let id = base;
    for (let number = 2; !this.isFree(id); number += 1) id = `${base}-${number}`;
    return id;
  }

  private isFree(id: string): boolean {
    // `new` is the address of the page that makes one.
    return id !== 'new' && this.db.prepare('SELECT 1 FROM shows WHERE id = ?').get(id) === undefined;
  }

  private tell(id: string, event: ShowEvent): void {
    for (const listener of this.shared.listeners.get(id) ?? []) listener(event);
  }
}

/** @throws ShowClash when a record is not as the change says */
function laid(show: Show, change: ShowChange): Show {
  try {
    return applyChange(show, change);
  } catch (error) {
    if (error instanceof ChangeClash) throw clashOf(error, show);
    throw error;
  }
}
