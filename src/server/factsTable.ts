import 'server-only';
import type Database from 'better-sqlite3';
import { currentFacts, type Fact } from '@/core/show/facts';
import { ownJson } from '@/core/fields/parseJson';

interface FactRow {
  number: number;
  id: string;
  kind: Fact['kind'];
  list: Fact['list'];
  record_id: string;
  field: string;
  value: string;
  unit: string | null;
  by_whom: string | null;
  noted_at: string;
  change_id: string | null;
}

/** Facts on site, by show. They are only ever added. */
export class FactsTable {
  constructor(private readonly db: Database.Database) {}

  /** Adds facts that are not there yet, which are those given back: a fact that is sent twice is kept once. */
  add(showId: string, facts: readonly Fact[]): Fact[] {
    const insert = this.db.prepare(
      `INSERT INTO facts (show_id, id, kind, list, record_id, field, value, unit, by_whom, noted_at, change_id)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?) ON CONFLICT (show_id, id) DO NOTHING`,
    );
    return facts.filter(
      (fact) =>
        insert.run(
          showId,
          fact.id,
          fact.kind,
          fact.list,
          fact.recordId,
          fact.field,
          JSON.stringify(fact.value),
          fact.unit ?? null,
          fact.by ?? null,
          fact.at,
          fact.changeId ?? null,
        ).changes > 0,
    );
  }

  /** All facts of a show, oldest first. */
  all(showId: string): Fact[] {
    return this.db
      .prepare<[string], FactRow>('SELECT * FROM facts WHERE show_id = ? ORDER BY number')
      .all(showId)
      .map(factOf);
  }

  /** Those after the first so many, oldest first. */
  after(showId: string, count: number): Fact[] {
    return this.db
      .prepare<[string, number], FactRow>(
        'SELECT * FROM facts WHERE show_id = ? ORDER BY number LIMIT -1 OFFSET ?',
      )
      .all(showId, count)
      .map(factOf);
  }

  /** The facts that count. */
  current(showId: string): Fact[] {
    return currentFacts(
      this.db
        .prepare<[string], FactRow>(
          `SELECT * FROM facts WHERE number IN (
             SELECT MAX(number) FROM facts WHERE show_id = ? GROUP BY kind, list, record_id, field
           ) ORDER BY number`,
        )
        .all(showId)
        .map(factOf),
    );
  }

  /** Number of facts, with those that do not count any more. */
  count(showId: string): number {
    return this.db
      .prepare<[string], { count: number }>('SELECT COUNT(*) AS count FROM facts WHERE show_id = ?')
      .get(showId)!.count;
  }

  remove(showId: string): void {
    this.db.prepare('DELETE FROM facts WHERE show_id = ?').run(showId);
  }
}

function factOf(row: FactRow): Fact {
  return {
    id: row.id,
    kind: row.kind,
    list: row.list,
    recordId: row.record_id,
    field: row.field,
    value: ownJson<Fact['value']>(row.value),
    ...(row.unit !== null && { unit: row.unit }),
    ...(row.by_whom !== null && { by: row.by_whom }),
    at: row.noted_at,
    ...(row.change_id !== null && { changeId: row.change_id }),
  };
}
