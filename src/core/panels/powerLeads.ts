import { isThere, type WallCells } from './chains';
import { itemAt } from '../units/there';

/** A lead from a fuse to one panel, or with two ends to a pair of neighbours. */
interface PowerLead {
  /** Cells of the panels: row * columns + column. */
  cells: number[];
  kind: 'pair across' | 'pair down' | 'single';
}

/**
 * Leads with two ends feed two neighbours of a row. What is left over in a row of odd length is paired with what is left
 * over right below it; the rest has a lead of its own.
 */
export function powerLeads({
  columns,
  rows,
  missing,
}: Pick<WallCells, 'columns' | 'rows' | 'missing'>): PowerLead[] {
  const leads: PowerLead[] = [];
  const left = new Set<number>();
  const has = (column: number, row: number) => isThere({ columns, rows, missing }, { column, row });
  for (let row = 0; row < rows; row += 1)
    for (let column = 0; column < columns; column += 1) {
      if (!has(column, row)) continue;
      const cell = row * columns + column;
      if (column + 1 < columns && has(column + 1, row)) {
        leads.push({ cells: [cell, cell + 1], kind: 'pair across' });
        column += 1;
      } else left.add(cell);
    }
  for (const cell of left) {
    if (left.has(cell + columns)) {
      leads.push({ cells: [cell, cell + columns], kind: 'pair down' });
      left.delete(cell + columns);
    } else leads.push({ cells: [cell], kind: 'single' });
  }
  return leads.sort((a, b) => itemAt(a.cells, 0) - itemAt(b.cells, 0));
}
