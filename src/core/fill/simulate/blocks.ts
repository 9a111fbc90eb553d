/** Nodes gathered in blocks, numbered so that neighbours have numbers near each other. */
export interface Blocks {
  of: Int32Array;
  count: number;
  /** Neighbouring blocks differ by no more than this. */
  band: number;
}

/** Edges along one side of a block. */
const ACROSS = 5;

/** Squares of some edges a side, row by row along the longer side of the part. */
export function squareBlocks(x: Float64Array, y: Float64Array, size: number): Blocks {
  const [x0, y0] = [Math.min(...x), Math.min(...y)];
  const side = ACROSS * size;
  const [columns, rows] = [Math.floor((Math.max(...x) - x0) / side) + 1, Math.floor((Math.max(...y) - y0) / side) + 1];
  const wide = Math.min(columns, rows);
  const of = Int32Array.from(x, (own, i) => {
    const [a, b] = [Math.floor((own - x0) / side), Math.floor((y[i]! - y0) / side)];
    return columns >= rows ? a * wide + b : b * wide + a;
  });
  return { of, count: columns * rows, band: wide + 1 };
}

/**
 * A symmetric matrix of narrow band in its Cholesky factors, solved for one side after the other. Rows of nothing
 * (blocks without a wet node) give nothing.
 */
export class BandSolver {
  private readonly rows: Float64Array;
  private readonly width: number;
  constructor(
    private readonly n: number,
    band: number,
  ) {
    this.width = band + 1;
    this.rows = new Float64Array(n * this.width);
  }
  /** Adds to the entry of two rows; once for both. */
  add(i: number, j: number, value: number): void {
    const [high, low] = i >= j ? [i, j] : [j, i];
    const k = high * this.width + (high - low);
    this.rows[k] = this.rows[k]! + value;
  }
  /** To its factors; a row that the others already make up is left out. */
  factor(): void {
    const { n, width, rows } = this;
    for (let i = 0; i < n; i++) {
      const least = Math.max(0, i - width + 1);
      for (let j = least; j <= i; j++) {
        let sum = rows[i * width + (i - j)]!;
        for (let k = Math.max(least, j - width + 1); k < j; k++)
          sum -= rows[i * width + (i - k)]! * rows[j * width + (j - k)]!;
        if (i === j) rows[i * width] = sum > 1e-12 * Math.max(1e-300, rows[i * width]!) ? Math.sqrt(sum) : Infinity;
        else rows[i * width + (i - j)] = sum / rows[j * width]!;
      }
    }
  }
  /** Solves in place. */
  solve(b: Float64Array): void {
    const { n, width, rows } = this;
    for (let i = 0; i < n; i++) {
      let sum = b[i]!;
      for (let k = Math.max(0, i - width + 1); k < i; k++) sum -= rows[i * width + (i - k)]! * b[k]!;
      b[i] = sum / rows[i * width]!;
    }
    for (let i = n - 1; i >= 0; i--) {
      let sum = b[i]!;
      for (let k = i + 1; k < Math.min(n, i + width); k++) sum -= rows[k * width + (k - i)]! * b[k]!;
      b[i] = sum / rows[i * width]!;
    }
  }
}
