import { FREEFORM_LIMITS } from '../freeform';
import { groupDigits } from '../../units/number';
import { PointsError, roundedMm, type PointList } from './pointList';

export interface TableOptions {
  mmPerUnit: number;
  /** Screens count y downwards; the product counts up. */
  yDown: boolean;
}

const AXES = ['x', 'y', 'z'] as const;

/**
 * Reads points from the lines of a table, in data order: x, y and perhaps z in the first columns, or wherever a heading of
 * that name stands. An empty line ends a piece. Hand in lines one by one, so that a long file can show its progress.
 */
export class TableReader {
  private readonly list: PointList & { zMm: number[] } = { xMm: [], yMm: [], zMm: [], pieces: [] };
  private column: { x: number; y: number; z: number } | null = null;
  private inPiece = 0;

  constructor(private readonly options: TableOptions) {}

  /** @throws PointsError with the number of the line, what stands there and what is allowed */
  line(cells: readonly string[], line: number): void {
    if (cells.every((cell) => cell.trim() === '')) return this.endPiece();
    if (!this.column) {
      this.column = headingOf(cells, line);
      if (this.column) return;
      this.column = { x: 0, y: 1, z: cells.length > 2 ? 2 : -1 };
    }
    if (this.list.xMm.length >= FREEFORM_LIMITS.points)
      throw new PointsError(
        `Line ${groupDigits(line)} is one too many: a free-form prop holds at most ${groupDigits(FREEFORM_LIMITS.points)} points. Split the file into several props.`,
        line,
      );
    const { mmPerUnit, yDown } = this.options;
    this.list.xMm.push(roundedMm(this.number(cells, 'x', line) * mmPerUnit));
    this.list.yMm.push(roundedMm(this.number(cells, 'y', line) * mmPerUnit * (yDown ? -1 : 1)));
    this.list.zMm.push(this.column.z === -1 ? 0 : roundedMm(this.number(cells, 'z', line) * mmPerUnit));
    this.inPiece += 1;
  }

  /** The points of all lines. @throws PointsError when there are none */
  finish(): PointList {
    this.endPiece();
    const { xMm, yMm, zMm, pieces } = this.list;
    if (xMm.length === 0)
      throw new PointsError('There is no point in this file: x and y are wanted, a line for each.');
    return { xMm, yMm, pieces, ...(zMm.some((z) => z !== 0) ? { zMm } : {}) };
  }

  private endPiece(): void {
    if (this.inPiece > 0) this.list.pieces.push(this.inPiece);
    this.inPiece = 0;
  }

  private number(cells: readonly string[], axis: 'x' | 'y' | 'z', line: number): number {
    const cell = cells[this.column![axis]];
    const text = (cell ?? '').trim();
    // Tables from countries with a decimal comma part their columns by semicolons.
    const value = text === '' ? NaN : Number(text.replace(',', '.'));
    if (!Number.isFinite(value))
      throw new PointsError(
        `Line ${groupDigits(line)}: ${axis} is ${text === '' ? 'missing' : `“${text.slice(0, 40)}”`}; a number is needed there, such as 120.5.`,
        line,
      );
    if (Math.abs(value * this.options.mmPerUnit) > FREEFORM_LIMITS.mostMm)
      throw new PointsError(
        `Line ${groupDigits(line)}: ${axis} is ${text.slice(0, 40)}, which is more than a kilometre away. Is the unit right?`,
        line,
      );
    return value;
  }
}

/** The columns of x, y and z, if a line is a heading. */
function headingOf(cells: readonly string[], line: number): { x: number; y: number; z: number } | null {
  const words = cells.map((cell) => cell.trim().toLowerCase());
  if (words.every((word) => word === '' || Number.isFinite(Number(word.replace(',', '.'))))) return null;
  const [x, y, z] = AXES.map((axis) => words.findIndex((word) => new RegExp(`^${axis}\\b`).test(word)));
  if (x === -1 || y === -1)
    throw new PointsError(
      `Line ${groupDigits(line)} is “${cells.join(', ').slice(0, 60)}”: neither numbers nor a heading with x and y.`,
      line,
    );
  return { x: x!, y: y!, z: z! };
}
