import 'server-only';
import type Database from 'better-sqlite3';
import type { ShowFile } from '@/core/show/read';
import type { Show } from '@/core/show/schema';
import type { ChangesTable } from './changesTable';
import { fileAfter } from './oldPatches';
import type { Shared } from './shared';

/** Large documents that stay in memory. */
const MOST_DOCUMENTS = 8;

/** A show after one of its changes. */
interface At {
  id: string;
  sequence: number;
}

/** Documents of shows, made from the copies in the database and the changes since. The latest stay in memory. */
export class ShowDocuments {
  constructor(
    private readonly db: Database.Database,
    private readonly changes: ChangesTable,
    private readonly shared: Shared,
  ) {}

  /** The latest copy of a show, as UTF-8 JSON, and the change after which it was made. */
  latestCopy(id: string): { sequence: number; document: Buffer } {
    return this.db
      .prepare<[string], { sequence: number; document: Buffer }>(
        'SELECT sequence, CAST(document AS BLOB) AS document FROM snapshots WHERE show_id = ? ORDER BY sequence DESC LIMIT 1',
      )
      .get(id)!;
  }

  /** The show after a change. It may be shared: nobody writes to it. */
  of({ id, sequence }: At): Show {
    const known = this.shared.documents.get(id);
    if (known?.sequence === sequence) return known.show;
    const show = this.fileAt(id, sequence).show;
    this.remember(id, sequence, show);
    return show;
  }

  /** Keeps a show in memory, in place of the one that was used least. */
  remember(id: string, sequence: number, show: Show): void {
    const { documents } = this.shared;
    documents.delete(id);
    documents.set(id, { sequence, show });
    const oldest = documents.keys().next().value;
    if (documents.size > MOST_DOCUMENTS && oldest !== undefined) documents.delete(oldest);
  }

  /** The show file after a change; an old one with the notes that it held. */
  fileAt(id: string, sequence: number): ShowFile {
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
}
