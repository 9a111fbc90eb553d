import fc from 'fast-check';
import { inverse, Matrix } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { inverse3 } from './inverse3';
import type { Matrix3 } from './ply';

const entry = fc.double({ min: -1e3, max: 1e3, noNaN: true });
const row = fc.tuple(entry, entry, entry);

describe('inverse of a 3 × 3 matrix', () => {
  it('is that of a general solver', () => {
    fc.assert(
      fc.property(row, row, row, (a, b, c) => {
        const matrix: Matrix3 = [a, b, c].map((values, i) =>
          values.map((value, j) => (i === j ? value + 4e3 : value)),
        ) as Matrix3;
        const own = inverse3(matrix).flat();
        const general = inverse(new Matrix(matrix)).to1DArray();
        own.forEach((value, i) => expect(value).toBeCloseTo(general[i]!, 12));
      }),
    );
  });
  it('of a diagonal one has the reciprocals', () => {
    expect(
      inverse3([
        [2, 0, 0],
        [0, 4, 0],
        [0, 0, 5],
      ]).map((values, i) => values[i]),
    ).toEqual([0.5, 0.25, 0.2]);
  });
  it('is refused where there is none', () => {
    expect(() =>
      inverse3([
        [1, 2, 3],
        [2, 4, 6],
        [0, 0, 1],
      ]),
    ).toThrow('no stiffness');
  });
});
