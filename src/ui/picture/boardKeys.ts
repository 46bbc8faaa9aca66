/** A place on a board of cells, both from 0 at the top left as seen from the front. */
interface BoardCell {
  column: number;
  row: number;
}

/** Direction of an arrow key on a drawing, to the right and up; null for any other key. */
export function arrowOf(key: string): { right: number; up: number } | null {
  switch (key) {
    case 'ArrowLeft':
      return { right: -1, up: 0 };
    case 'ArrowRight':
      return { right: 1, up: 0 };
    case 'ArrowUp':
      return { right: 0, up: 1 };
    case 'ArrowDown':
      return { right: 0, up: -1 };
    default:
      return null;
  }
}

/**
 * The cell that an arrow key leads to, within the board; null for any other key.
 *
 * @param mirrored the board is seen from its other side, where left and right are exchanged
 */
export function cellBeside(
  { column, row }: BoardCell,
  key: string,
  board: { columns: number; rows: number },
  mirrored: boolean,
): BoardCell | null {
  const arrow = arrowOf(key);
  const within = (value: number, count: number) => Math.min(Math.max(value, 0), count - 1);
  return (
    arrow && {
      column: within(column + (mirrored ? -arrow.right : arrow.right), board.columns),
      row: within(row - arrow.up, board.rows),
    }
  );
}

export function isDelete(key: string): boolean {
  return key === 'Delete' || key === 'Backspace';
}
