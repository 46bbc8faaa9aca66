import 'server-only';
import type Database from 'better-sqlite3';
import type { Fact } from '@/core/show/facts';
import { SHOW_VERSION, type Show } from '@/core/show/schema';
import type { Author, ChangesTable } from './changesTable';
import { write } from './database';
import { documentText } from './documents';
import type { FactsTable } from './factsTable';
import { photosIn, type PhotoRepository } from './photos';
import type { ShowDocuments } from './showDocuments';
import { NoSuchChange, NoSuchShow } from './showErrors';
import { keepSnapshot } from './snapshots';

export interface ShowRow {
  id: string;
  name: string;
  sequence: number;
  version: number;
  /** Number of the change that brought it to its version: what was made before that stays. */
  undo_floor: number;
}

/** The rows of shows, each of the version of this program. */
export class ShowRows {
  constructor(
    private readonly db: Database.Database,
    private readonly changes: ChangesTable,
    private readonly facts: FactsTable,
    private readonly photos: PhotoRepository,
    private readonly documents: ShowDocuments,
    private readonly now: () => Date,
  ) {}

  /** The row of a show, brought up to the version of this program. @throws NoSuchShow */
  row(id: string): ShowRow {
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
    const { show, facts } = this.documents.fileAt(id, sequence);
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

  /** Appends a change. */
  append(id: string, author: Author, row: Parameters<ChangesTable['append']>[2] & { show: Show }): void {
    const at = this.now().toISOString();
    this.changes.append(id, author, row, at);
    this.db
      .prepare('UPDATE shows SET name = ?, sequence = ?, changed_at = ? WHERE id = ?')
      .run(row.show.name, row.sequence, at, id);
  }

  /** Adds facts. @returns those that are new */
  noteFacts(id: string, facts: readonly Fact[]): Fact[] {
    const added = this.facts.add(id, facts);
    this.photos.noteUses(id, photosIn(JSON.stringify(added.map((fact) => fact.value))));
    return added;
  }

  /** @throws NoSuchChange where a step cannot be undone or redone any more */
  assertReversible(
    row: ShowRow,
    step: NonNullable<ReturnType<ChangesTable['byId']>>,
    kind: 'undo' | 'redo',
  ): void {
    const latest = this.changes.latestOf(row.id, step.root);
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
  }
}
