import { KIND_WORDS, logEntry, type LogEntry } from '../../log/entry';
import type { FactKind, Facts } from '../../show/facts';
import type { Show } from '../../show/schema';
import type { Table } from '../../pages/table';

/** Facts with sheets of their own, tick by tick, or that only say that something was printed. */
const ELSEWHERE: ReadonlySet<FactKind> = new Set(['tick', 'deviceStep', 'told'] as const);

/** Measurements, tests, photos and decisions, oldest first. */
export function loggedEntries(show: Show, facts: Facts): LogEntry[] {
  return facts.all.filter(({ kind }) => !ELSEWHERE.has(kind)).map((fact) => logEntry(show, fact));
}

export function logTable(entries: readonly LogEntry[]): Table<LogEntry> {
  return {
    name: 'Log',
    rows: entries,
    keyOf: ({ fact }) => fact.id,
    columns: [
      {
        id: 'when',
        head: 'When',
        unit: 'UTC',
        meaning: 'when it was noted, by the clock of who noted it',
        as: 'figure',
        // Facts from a show file of the first version have no time.
        of: ({ fact: { at } }) => (at.startsWith('1970') ? null : at.slice(0, 16).replace('T', ' ')),
      },
      { id: 'kind', head: 'Kind', meaning: 'what kind of note it is', of: ({ kind }) => KIND_WORDS[kind] },
      {
        id: 'about',
        head: 'About',
        meaning: 'what it is about, by its name of today',
        as: 'key',
        of: ({ thing, isGone }) => (isGone ? { text: thing, note: 'not in the show any more' } : thing),
      },
      { id: 'what', head: 'What', meaning: 'what was noted', of: ({ what }) => what },
      {
        id: 'value',
        head: 'Value or reason',
        meaning: 'a value as it was typed, or why',
        of: ({ value }) => value,
      },
      { id: 'by', head: 'By', meaning: 'by whom, where that was said', of: ({ fact }) => fact.by ?? null },
    ],
  };
}
