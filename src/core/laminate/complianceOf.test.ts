import fc from 'fast-check';
import { inverse, Matrix } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { complianceOf } from './complianceOf';
import { laminateFailure, type Criterion, CRITERIA } from './failure';
import type { Ply } from './ply';
import { progressiveFailure } from './progressive';
import { stiffnessSums } from './stiffnessSums';

const ply = fc.record({
  thickness: fc.double({ min: 1e-4, max: 2e-3, noNaN: true }),
  angleDeg: fc.integer({ min: -90, max: 90 }),
  kind: fc.constantFrom('glass', 'carbon', 'mat'),
});
const MATERIALS: Record<string, Omit<Ply, 'thickness' | 'angleDeg'>> = {
  glass: { E1: 38e9, E2: 9e9, nu12: 0.28, G12: 3.5e9, strength: { Xt: 7e8, Xc: 4.5e8, Yt: 3e7, Yc: 1.1e8, S: 5e7 } },
  carbon: { E1: 120e9, E2: 8e9, nu12: 0.3, G12: 4e9, strength: { Xt: 1.5e9, Xc: 9e8, Yt: 3e7, Yc: 1.4e8, S: 6e7 } },
  mat: { E1: 8e9, E2: 8e9, nu12: 0.33, G12: 3e9, strength: { Xt: 9e7, Xc: 1.2e8, Yt: 9e7, Yc: 1.2e8, S: 5e7 } },
};
const stacks = fc
  .array(ply, { minLength: 2, maxLength: 14 })
  .map((plies): Ply[] => plies.map(({ kind, ...rest }) => ({ ...MATERIALS[kind]!, ...rest })));

describe('the inverse of the stiffness', () => {
  it('is that of a general solver, and symmetric', () => {
    fc.assert(
      fc.property(stacks, (plies) => {
        const { A, B, D } = stiffnessSums(plies);
        const rows = [0, 1, 2, 3, 4, 5].map((i) => (i < 3 ? [...A[i]!, ...B[i]!] : [...B[i - 3]!, ...D[i - 3]!]));
        const general = inverse(new Matrix(rows));
        const own = complianceOf(A, B, D);
        for (let i = 0; i < 6; i++)
          for (let j = 0; j < 6; j++) {
            const scale = Math.sqrt(own[i]![i]! * own[j]![j]!);
            expect(Math.abs(own[i]![j]! - general.get(i, j)) / scale).toBeLessThan(1e-9);
            expect(own[i]![j]).toBe(own[j]![i]);
          }
      }),
      { numRuns: 300 },
    );
  });
  it('refuses a stack that some load meets without stiffness', () => {
    const zero: [[number, number, number], [number, number, number], [number, number, number]] = [
      [0, 0, 0],
      [0, 0, 0],
      [0, 0, 0],
    ];
    expect(() => complianceOf(zero, zero, zero)).toThrow('no stiffness against some of the loads');
  });
});

describe('progressive failure in numbers', () => {
  it('begins where first-ply failure does, by every criterion', () => {
    fc.assert(
      fc.property(stacks, fc.constantFrom(...(Object.keys(CRITERIA) as Criterion[])), (plies, criterion) => {
        const load = { N: [2e5, -5e4, 3e4] as [number, number, number], M: [40, 15, -5] as [number, number, number] };
        const first = laminateFailure(plies, load, criterion).reserveFactor;
        const { firstPly, lastPly, sequence } = progressiveFailure(plies, load, criterion);
        expect(firstPly).toBeCloseTo(first, 9);
        expect(lastPly).toBeGreaterThanOrEqual(firstPly);
        // Every ply fails at most once.
        const failed = sequence.flatMap(({ plies: together }) => together);
        expect(new Set(failed).size).toBe(failed.length);
      }),
      { numRuns: 200 },
    );
  });
});
