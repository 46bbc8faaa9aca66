import type { Lengths } from '../units/length';
import { textOf, type Explained } from '../figures/explained';
import { groupDigits } from '../units/number';

/** Text that is good or bad news, has a word below it, or is a number that explains itself. */
export interface Told {
  text: string;
  why?: Explained;
  note?: string;
  mood?: 'good' | 'bad' | 'quiet';
}

/** The content of a cell: null where there is nothing to say. */
export type Cell = string | number | Explained | Told | null;

export interface Column<Row> {
  /** By which the screen and other programs know it; once in a table. */
  id: string;
  head: string;
  /** Below the head: a unit, or from where it is measured. */
  unit?: string;
  /** Its content, for somebody who does not know the head. */
  meaning: string;
  /** Figures stand in columns of their own type; what is typed or looked for stands out. */
  as?: 'figure' | 'address' | 'key';
  of: (row: Row, index: number) => Cell;
}

/** A table as data: what is on the screen, in a file and on paper is made from this alone. */
export interface Table<Row> {
  /** Its rows, for somebody who cannot see it. */
  name: string;
  /** It holds values that are typed into a device or a sender: who copies it has them. */
  forDevices?: true;
  columns: readonly Column<Row>[];
  rows: readonly Row[];
  keyOf: (row: Row, index: number) => string | number;
}

/** Columns of which some depend on what there is. */
export function columnsOf<Row>(
  ...columns: (Column<Row> | readonly Column<Row>[] | false | null | undefined)[]
): Column<Row>[] {
  return columns.flatMap((column) => column || []);
}

export function isExplained(cell: Cell): cell is Explained {
  return cell !== null && typeof cell === 'object' && 'name' in cell;
}

/** A cell as it is read: `1,008`, `7 m`, `–` for nothing. */
export function cellWords(cell: Cell, lengths: Lengths): string {
  if (cell === null || cell === '') return '–';
  if (typeof cell === 'string') return cell;
  if (typeof cell === 'number') return groupDigits(cell);
  return isExplained(cell) ? textOf(cell, lengths) : cell.text;
}

/** A cell as it goes into a file: numbers as numbers, nothing as nothing. */
export function cellValue(cell: Cell, lengths: Lengths): string | number {
  if (cell === null) return '';
  if (typeof cell !== 'object') return cell;
  if (isExplained(cell)) return textOf(cell, lengths);
  return cell.note === undefined ? cell.text : `${cell.text} (${cell.note})`;
}

/** `Cable (mm)`: a head as it stands in one line. */
function headOf({ head, unit }: Pick<Column<never>, 'head' | 'unit'>): string {
  return unit === undefined ? head : `${head} (${unit})`;
}

/** The table row by row as it goes into a file, its heads first. */
export function* fileRows<Row>(
  { columns, rows }: Table<Row>,
  lengths: Lengths,
): Generator<(string | number)[]> {
  yield columns.map(headOf);
  for (const [index, row] of rows.entries())
    yield columns.map((column) => cellValue(column.of(row, index), lengths));
}
