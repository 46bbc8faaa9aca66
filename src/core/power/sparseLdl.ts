/**
 * A symmetric positive definite matrix that is factored again and again with other values at the same places, as L D Lᵀ. Rows are
 * eliminated in the order in which they are numbered, so whoever numbers them decides how much room the factor takes: chains in their
 * order, whatever many others hang on last.
 *
 * The method is the up-looking factorisation along the elimination tree (Liu 1990; Davis, "Direct Methods for Sparse Linear Systems",
 * 2006, chapter 4). Nothing is allocated after the pattern is known.
 */
export class SparseLdl {
  /** Rows of the upper triangle by columns, the diagonal last in each. */
  private readonly columnStart: Int32Array;
  private readonly rowOf: Int32Array;
  private readonly values: Float64Array;
  private readonly diagonalAt: Int32Array;
  /** Index of the value of each pair. */
  private readonly pairAt: Int32Array;

  private readonly parent: Int32Array;
  private readonly factorStart: Int32Array;
  private readonly factorRow: Int32Array;
  private readonly factorValue: Float64Array;
  private readonly pivots: Float64Array;
  private readonly filled: Int32Array;
  private readonly seenAt: Int32Array;
  private readonly pattern: Int32Array;
  private readonly work: Float64Array;

  /**
   * @param size number of rows.
   * @param first @param second for each pair of rows that touch each other its two rows, in any order; a pair may be named more than once.
   */
  constructor(
    readonly size: number,
    first: Int32Array,
    second: Int32Array,
  ) {
    const pairs = first.length;
    const count = new Int32Array(size + 1);
    for (let pair = 0; pair < pairs; pair += 1) count[Math.max(first[pair]!, second[pair]!) + 1]! += 1;
    for (let row = 0; row < size; row += 1) count[row + 1]! += count[row]! + 1;
    this.columnStart = count;
    this.rowOf = new Int32Array(count[size]!);
    this.values = new Float64Array(count[size]!);
    this.pairAt = new Int32Array(pairs);
    this.diagonalAt = new Int32Array(size);
    const next = count.slice(0, size);
    for (let pair = 0; pair < pairs; pair += 1) {
      const low = Math.min(first[pair]!, second[pair]!);
      const high = Math.max(first[pair]!, second[pair]!);
      const at = next[high]!;
      next[high] = at + 1;
      this.rowOf[at] = low;
      this.pairAt[pair] = at;
    }
    for (let row = 0; row < size; row += 1) {
      this.diagonalAt[row] = next[row]!;
      this.rowOf[next[row]!] = row;
    }

    this.parent = new Int32Array(size).fill(-1);
    this.seenAt = new Int32Array(size).fill(-1);
    this.filled = new Int32Array(size);
    for (let k = 0; k < size; k += 1) {
      this.seenAt[k] = k;
      for (let p = this.columnStart[k]!; p < this.columnStart[k + 1]!; p += 1)
        for (let i = this.rowOf[p]!; this.seenAt[i] !== k; i = this.parent[i]!) {
          if (this.parent[i] === -1) this.parent[i] = k;
          this.filled[i]! += 1;
          this.seenAt[i] = k;
        }
    }
    this.factorStart = new Int32Array(size + 1);
    for (let k = 0; k < size; k += 1) this.factorStart[k + 1] = this.factorStart[k]! + this.filled[k]!;
    this.factorRow = new Int32Array(this.factorStart[size]!);
    this.factorValue = new Float64Array(this.factorStart[size]!);
    this.pivots = new Float64Array(size);
    this.pattern = new Int32Array(size);
    this.work = new Float64Array(size);
  }

  /** Numbers below the diagonal of the factor: what its memory and its time are in proportion to. */
  get factorSize(): number {
    return this.factorRow.length;
  }

  clear(): void {
    this.values.fill(0);
  }

  addDiagonal(row: number, value: number): void {
    this.values[this.diagonalAt[row]!]! += value;
  }

  /** @param pair its place in the list that the matrix was made with. */
  addPair(pair: number, value: number): void {
    this.values[this.pairAt[pair]!]! += value;
  }

  /** Factors the values. @returns false where the matrix is not positive definite. */
  factor(): boolean {
    const { size, columnStart, rowOf, values, parent, factorStart, factorRow, factorValue } = this;
    const { filled, seenAt, pattern, work, pivots } = this;
    filled.fill(0);
    seenAt.fill(-1);
    for (let k = 0; k < size; k += 1) {
      // The rows of the factor that reach row k, gathered along the tree, in the order of elimination.
      let top = size;
      seenAt[k] = k;
      for (let p = columnStart[k]!; p < columnStart[k + 1]!; p += 1) {
        let i = rowOf[p]!;
        work[i]! += values[p]!;
        let length = 0;
        for (; seenAt[i] !== k; i = parent[i]!) {
          pattern[length] = i;
          length += 1;
          seenAt[i] = k;
        }
        while (length > 0) {
          length -= 1;
          top -= 1;
          pattern[top] = pattern[length]!;
        }
      }
      let pivot = work[k]!;
      work[k] = 0;
      for (; top < size; top += 1) {
        const i = pattern[top]!;
        const value = work[i]!;
        work[i] = 0;
        const end = factorStart[i]! + filled[i]!;
        for (let p = factorStart[i]!; p < end; p += 1) work[factorRow[p]!]! -= factorValue[p]! * value;
        const scaled = value / pivots[i]!;
        pivot -= scaled * value;
        factorRow[end] = k;
        factorValue[end] = scaled;
        filled[i]! += 1;
      }
      if (!(pivot > 0)) {
        work.fill(0);
        return false;
      }
      pivots[k] = pivot;
    }
    return true;
  }

  /** Solves with what was factored last. @param vector the right side, which the answer replaces. */
  solve(vector: Float64Array): void {
    const { size, factorStart, factorRow, factorValue, pivots } = this;
    for (let k = 0; k < size; k += 1) {
      const value = vector[k]!;
      if (value === 0) continue;
      for (let p = factorStart[k]!; p < factorStart[k + 1]!; p += 1)
        vector[factorRow[p]!]! -= factorValue[p]! * value;
    }
    for (let k = 0; k < size; k += 1) vector[k]! /= pivots[k]!;
    for (let k = size - 1; k >= 0; k -= 1) {
      let value = vector[k]!;
      for (let p = factorStart[k]!; p < factorStart[k + 1]!; p += 1)
        value -= factorValue[p]! * vector[factorRow[p]!]!;
      vector[k] = value;
    }
  }
}
