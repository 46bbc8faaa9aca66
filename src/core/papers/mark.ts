import type { Lengths } from '../units/length';
import type { Plan } from '../plan/planned';
import { digestOf, NO_FACTS } from '../show/facts';
import { shortCode } from './labels/code';
import type { Block } from '../pages/block';
import type { Sheet, SheetsAsked } from '../pages/sheet';
import { sheetsOf } from './sheets';
import { cellValue, type Table } from '../pages/table';

const MARK_LETTERS = 5;

/**
 * The content of a sheet, folded into a few letters: the same letters as long as nothing on it changes. Ticks and readings are left out, since
 * they come after printing and change no value. `41-K7QF2`: the revision that was printed, and the letters.
 */
export function markOf(sheet: Sheet, revision: number): string {
  return `${revision}-${contentMark(sheet)}`;
}

function contentMark(sheet: Sheet): string {
  return shortCode(
    `${sheet.id} ${digestOf(sheet.blocks().map((block) => contentOf(block, sheet.lengths)))}`,
    MARK_LETTERS,
  );
}

function contentOf(block: Block, lengths: Lengths): unknown {
  if (block.is === 'table') return tableContent(block.table, lengths);
  // The link of a code may change without the print beside it.
  if (block.is === 'labels')
    return block.labels.labels.map(({ name, words, arrow, code }) => [name, words, arrow, code]);
  return block;
}

function tableContent({ columns, rows }: Table<never>, lengths: Lengths): unknown {
  return rows.map((row, i) => columns.map((column) => cellValue(column.of(row, i), lengths)));
}

/** The marks of sheets without what was noted since: facts change no mark. */
export function markedSheets(plan: Plan, asked: SheetsAsked): ReadonlyMap<string, Sheet> {
  return new Map(sheetsOf(plan, NO_FACTS, asked).map((sheet) => [sheet.id, sheet]));
}

interface TypedMark {
  revision: number;
  letters: string;
}

/** A mark as it was typed off paper; null for what is none. */
export function readMark(text: string): TypedMark | null {
  const read = /^(\d{1,9})-?([0-9A-Z]{5})$/.exec(
    text.toUpperCase().replace(/\s/g, '').replace(/[‐–—]/g, '-'),
  );
  return read ? { revision: Number(read[1]), letters: read[2]! } : null;
}

/** The sheet of a plan that has these letters; null where none has. */
export function sheetWithMark(plan: Plan, asked: SheetsAsked, letters: string): Sheet | null {
  for (const sheet of markedSheets(plan, asked).values()) if (contentMark(sheet) === letters) return sheet;
  return null;
}

/** Differences of a sheet now from when it was printed, line by line. */
export function changesSince(before: Sheet, now: Sheet): string[] {
  const [old, fresh] = [linesOf(before), linesOf(now)];
  const [had, has] = [new Set(old), new Set(fresh)];
  return [
    ...old.filter((line) => !has.has(line)).map((line) => `no more: ${line}`),
    ...fresh.filter((line) => !had.has(line)).map((line) => `now: ${line}`),
  ];
}

function linesOf(sheet: Sheet): string[] {
  return sheet.blocks().flatMap((block): string[] => {
    switch (block.is) {
      case 'table':
        return block.table.rows.map((row, i) =>
          block.table.columns
            .map((column) => cellValue(column.of(row, i), sheet.lengths))
            .filter((value) => value !== '')
            .join(' · '),
        );
      case 'steps':
        return block.steps.map(({ words }) => words);
      case 'labels':
        return block.labels.labels.map(({ name, words }) => `${name}: ${words}`);
      case 'words':
      case 'heading':
      case 'caution':
        return [block.words];
      case 'drawing':
        // That a drawing differs is said by the mark; what differs in it stands in the lines beside it.
        return [];
      default:
        return [];
    }
  });
}
