import fc from 'fast-check';
import { arrowOf, cellBeside } from './boardKeys';

const KEYS = ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'];
const board = { columns: 4, rows: 3 };

it('goes where the arrow points, as it is seen', () => {
  expect(cellBeside({ column: 1, row: 1 }, 'ArrowRight', board, false)).toEqual({ column: 2, row: 1 });
  expect(cellBeside({ column: 1, row: 1 }, 'ArrowRight', board, true)).toEqual({ column: 0, row: 1 });
  expect(cellBeside({ column: 1, row: 1 }, 'ArrowUp', board, true)).toEqual({ column: 1, row: 0 });
  expect(cellBeside({ column: 1, row: 1 }, 'Enter', board, false)).toBeNull();
  expect(arrowOf('a')).toBeNull();
});

it('never leaves the board, and comes back by the opposite arrow unless it was at the edge', () => {
  const opposite = new Map([...KEYS.entries()].map(([i, key]) => [key, KEYS[i ^ 1]!]));
  fc.assert(
    fc.property(
      fc.nat(3),
      fc.nat(2),
      fc.constantFrom(...KEYS),
      fc.boolean(),
      (column, row, key, mirrored) => {
        const next = cellBeside({ column, row }, key, board, mirrored)!;
        expect(next.column).toBeGreaterThanOrEqual(0);
        expect(next.column).toBeLessThan(board.columns);
        expect(next.row).toBeGreaterThanOrEqual(0);
        expect(next.row).toBeLessThan(board.rows);
        const moved = next.column !== column || next.row !== row;
        if (moved) expect(cellBeside(next, opposite.get(key)!, board, mirrored)).toEqual({ column, row });
      },
    ),
  );
});
