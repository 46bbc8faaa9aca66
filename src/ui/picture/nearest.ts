import type { Bounds } from '@/core/geometry/bounds';

/**
 * Finds the point nearest to a place. Points are sorted into square cells by a counting sort, some few points to a cell,
 * so a search looks at few of them however many there are.
 */
export class NearestPoint {
  private readonly columns: number;
  private readonly rows: number;
  private readonly cellMm: number;
  /** Points of cell k are `order[start[k]]` to `order[start[k + 1] - 1]`. */
  private readonly start: Uint32Array;
  private readonly order: Uint32Array;

  constructor(
    private readonly xMm: ArrayLike<number>,
    private readonly yMm: ArrayLike<number>,
    private readonly bounds: Bounds,
  ) {
    const count = xMm.length;
    const width = Math.max(bounds.rightMm - bounds.leftMm, 1);
    const height = Math.max(bounds.topMm - bounds.bottomMm, 1);
    this.cellMm = Math.max(Math.sqrt((width * height * 4) / count), Math.max(width, height) / 2000);
    this.columns = Math.floor(width / this.cellMm) + 1;
    this.rows = Math.floor(height / this.cellMm) + 1;
    const cellOf = new Uint32Array(count);
    this.start = new Uint32Array(this.columns * this.rows + 1);
    for (let i = 0; i < count; i += 1) {
      cellOf[i] = this.row(yMm[i]!) * this.columns + this.column(xMm[i]!);
      this.start[cellOf[i]! + 1]! += 1;
    }
    for (let k = 1; k < this.start.length; k += 1) this.start[k]! += this.start[k - 1]!;
    const next = this.start.slice();
    this.order = new Uint32Array(count);
    for (let i = 0; i < count; i += 1) this.order[next[cellOf[i]!]!++] = i;
  }

  /** Index of the nearest point within a radius, or -1. */
  find(xMm: number, yMm: number, radiusMm: number): number {
    let best = -1;
    let bestSquare = radiusMm * radiusMm;
    const [left, right] = [this.column(xMm - radiusMm), this.column(xMm + radiusMm)];
    const [low, high] = [this.row(yMm - radiusMm), this.row(yMm + radiusMm)];
    for (let row = low; row <= high; row += 1) {
      for (let column = left; column <= right; column += 1) {
        const cell = row * this.columns + column;
        for (let k = this.start[cell]!; k < this.start[cell + 1]!; k += 1) {
          const point = this.order[k]!;
          const square = (this.xMm[point]! - xMm) ** 2 + (this.yMm[point]! - yMm) ** 2;
          if (square <= bestSquare) {
            best = point;
            bestSquare = square;
          }
        }
      }
    }
    return best;
  }

  private column(xMm: number): number {
    return Math.min(Math.max(Math.floor((xMm - this.bounds.leftMm) / this.cellMm), 0), this.columns - 1);
  }

  private row(yMm: number): number {
    return Math.min(Math.max(Math.floor((yMm - this.bounds.bottomMm) / this.cellMm), 0), this.rows - 1);
  }
}
