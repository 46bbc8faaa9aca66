import type { Cell, Table } from './table';
import type { Block } from './block';
import { itemAt } from '../units/there';

/** A table with nothing in it that has to be computed: it can go from thread to thread. */
interface PlainTable {
  name: string;
  forDevices: boolean;
  columns: { id: string; head: string; unit?: string; meaning: string; as?: 'figure' | 'address' | 'key' }[];
  rows: Cell[][];
  keys: (string | number)[];
}

export type PlainBlock =
  Exclude<Block, { is: 'table' }> | (Omit<Extract<Block, { is: 'table' }>, 'table'> & { table: PlainTable });

/** Blocks as they go from thread to thread. */
export function plainBlocks(blocks: readonly Block[]): PlainBlock[] {
  return blocks.map((block) => (block.is === 'table' ? { ...block, table: plainTable(block.table) } : block));
}

function plainTable({ name, forDevices, columns, rows, keyOf }: Table<never>): PlainTable {
  return {
    name,
    forDevices: forDevices === true,
    columns: columns.map(({ id, head, unit, meaning, as }) => ({
      id,
      head,
      meaning,
      ...(unit !== undefined && { unit }),
      ...(as && { as }),
    })),
    rows: rows.map((row, i) => columns.map((column) => column.of(row, i))),
    keys: rows.map((row, i) => keyOf(row, i)),
  };
}

/** A table of which every cell is there already. */
export function tableOfPlain({ name, forDevices, columns, rows, keys }: PlainTable): Table<Cell[]> {
  return {
    name,
    ...(forDevices && { forDevices: true as const }),
    columns: columns.map((column, i) => ({ ...column, of: (row) => row[i] ?? null })),
    rows,
    keyOf: (_, index) => itemAt(keys, index),
  };
}
