import type { Corner } from './view';

/** An order in which the cells of a grid are visited. */
interface CellOrder {
  /** The corner in which it begins, as seen from the front. */
  firstPixel: Corner;
  along: 'rows' | 'columns';
  pattern: 'straight' | 'serpentine';
}

/** Cells (row * columns + column, from 0 at the top left) in the order of a walk over all of them. */
export function cellOrder(columns: number, rows: number, order: CellOrder): number[] {
  const fromRight = order.firstPixel === 'topRight' || order.firstPixel === 'bottomRight';
  const fromBottom = order.firstPixel === 'bottomLeft' || order.firstPixel === 'bottomRight';
  const byRows = order.along === 'rows';
  const [lines, places] = byRows ? [rows, columns] : [columns, rows];
  const [lineTurned, placeTurned] = byRows ? [fromBottom, fromRight] : [fromRight, fromBottom];
  const cells: number[] = [];
  for (let i = 0; i < lines; i += 1) {
    const line = lineTurned ? lines - 1 - i : i;
    const turned = placeTurned !== (order.pattern === 'serpentine' && i % 2 === 1);
    for (let k = 0; k < places; k += 1) {
      const place = turned ? places - 1 - k : k;
      cells.push(byRows ? line * columns + place : place * columns + line);
    }
  }
  return cells;
}
