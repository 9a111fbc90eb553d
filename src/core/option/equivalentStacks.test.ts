import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { laminateStiffness, type Ply } from '../laminate';
import { equivalentStacks, type EquivalentStacksInput, type FamilyMember } from './equivalentStacks';

interface Case {
  id: string;
  input: EquivalentStacksInput;
  equivalent: { leastMass: number | null; count: number };
}
const CASES = JSON.parse(readFileSync('tests/cases/option.json', 'utf8')) as Case[];

/** Every stack, one after the other, by lamination theory in full: what the search must not differ from. */
function everyStack({ plies, family, match, maxLayers }: EquivalentStacksInput) {
  const reference = laminateStiffness(plies);
  const all: { layers: string[]; mass: number; ratio: number }[] = [];
  const grow = (chosen: FamilyMember[]) => {
    if (chosen.length > 0) {
      const { A, D } = laminateStiffness(chosen.map((one) => ({ ...one, angleDeg: 0 })));
      const bending = Math.min(D[0][0] / reference.D[0][0], D[1][1] / reference.D[1][1]);
      const membrane = Math.min(A[0][0] / reference.A[0][0], A[1][1] / reference.A[1][1]);
      const ratio = { bending, membrane, both: Math.min(bending, membrane), panel: NaN }[match];
      const mass = chosen.reduce((sum, one) => sum + one.dryArealWeight / one.fibreWeightFraction, 0);
      if (ratio >= 1 - 1e-9) all.push({ layers: chosen.map(({ id }) => id), mass, ratio });
    }
    if (chosen.length < maxLayers) for (const one of family) grow([...chosen, one]);
  };
  grow([]);
  return all.sort((a, b) => a.mass - b.mass || a.layers.length - b.layers.length);
}

describe('stacks as stiff as a reference', () => {
  it.each(CASES.map((one) => [one.id, one] as const))(
    '%s: the lightest is the published one',
    (_, { input, equivalent }) => {
      const { solutions, exhaustive } = equivalentStacks(input);
      expect(exhaustive).toBe(true);
      expect(solutions).toHaveLength(Math.min(20, equivalent.count));
      if (equivalent.leastMass !== null) expect(solutions[0]!.mass).toBeCloseTo(equivalent.leastMass, 9);
    },
  );
  it('are those of an exhaustive search by lamination theory, for 50 random families', () => {
    const member = fc.record({
      thickness: fc.double({ min: 2e-4, max: 2e-3, noNaN: true }),
      E1: fc.double({ min: 5e9, max: 6e10, noNaN: true }),
      E2: fc.double({ min: 5e9, max: 3e10, noNaN: true }),
      G12: fc.double({ min: 2e9, max: 6e9, noNaN: true }),
      nu12: fc.constant(0.2),
      dryArealWeight: fc.double({ min: 0.2, max: 1.2, noNaN: true }),
      fibreWeightFraction: fc.double({ min: 0.3, max: 0.7, noNaN: true }),
    });
    fc.assert(
      fc.property(
        fc.array(member, { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 1, max: 5 }),
        fc.constantFrom('bending' as const, 'membrane' as const, 'both' as const),
        fc.integer({ min: 1, max: 4 }),
        (members, maxLayers, match, plies) => {
          const family = members.map((one, i) => ({ ...one, id: `f${i}` }));
          const reference: Ply[] = Array.from({ length: plies }, (_, i) => ({ ...family[0]!, angleDeg: i * 30 }));
          const input = { plies: reference, family, match, maxLayers };
          const { solutions } = equivalentStacks(input);
          const all = everyStack(input);
          expect(solutions).toHaveLength(Math.min(20, all.length));
          solutions.forEach(({ mass, layers, ratio }, i) => {
            expect(mass).toBeCloseTo(all[i]!.mass, 9);
            const same = all.find((one) => one.layers.join() === layers.join())!;
            expect(ratio).toBeCloseTo(same.ratio, 6);
          });
          expect(new Set(solutions.map(({ layers }) => layers.join())).size).toBe(solutions.length);
        },
      ),
      { numRuns: 50, seed: 15 },
    );
  });
  const glass: FamilyMember = {
    id: 'glass',
    thickness: 0.0008,
    E1: 18e9,
    E2: 18e9,
    nu12: 0.15,
    G12: 3.5e9,
    dryArealWeight: 0.6,
    fibreWeightFraction: 0.5,
  };
  const reference: Ply[] = Array.from({ length: 8 }, () => ({ ...glass, angleDeg: 0 }));
  it('of the same fabric are the same number of layers, and with a core far fewer', () => {
    const solid = equivalentStacks({ plies: reference, family: [glass], match: 'bending', maxLayers: 10 });
    expect(solid.solutions[0]!.layers).toHaveLength(8);
    const core = { E1: 7e7, E2: 7e7, nu12: 0.3, G12: 2.7e7, density: 80, thicknesses: [0.005, 0.01] };
    const [best] = equivalentStacks({
      plies: reference,
      core,
      family: [glass],
      match: 'bending',
      maxLayers: 10,
    }).solutions;
    // By hand: one sheet on either side of 10 mm has 2 × 18e9 × 0.8e-3 × 5.4e-3² ≈ 840 N m; eight of them solid,
    // 6.4 mm, have 18e9 × 6.4e-3³ / 12 ≈ 393.
    expect(best).toMatchObject({ layers: ['glass', 'glass'], coreAfter: 1 });
    expect(best!.mass).toBeLessThan(0.5 * solid.solutions[0]!.mass);
  });
  it('must be as strong where every ply has strengths', () => {
    const strong = { Xt: 3e8, Xc: 2.5e8, Yt: 3e8, Yc: 2.5e8, S: 6e7 };
    const weak = { Xt: 1e8, Xc: 8e7, Yt: 1e8, Yc: 8e7, S: 2e7 };
    const plies = reference.map((ply) => ({ ...ply, strength: strong }));
    const rated = { plies, match: 'membrane' as const, maxLayers: 10 };
    expect(equivalentStacks({ ...rated, family: [{ ...glass, strength: strong }] }).solutions[0]!.layers).toHaveLength(
      8,
    );
    expect(equivalentStacks({ ...rated, family: [{ ...glass, strength: weak }] }).solutions).toEqual([]);
  });
  it('of nothing, from nothing, or for a panel without sides are refused', () => {
    const input = { plies: reference, family: [glass], match: 'bending' as const, maxLayers: 3 };
    expect(() => equivalentStacks({ ...input, plies: [] })).toThrow('The reference is empty');
    expect(() => equivalentStacks({ ...input, family: [] })).toThrow('The family is empty');
    expect(() => equivalentStacks({ ...input, family: [glass, glass] })).toThrow('same id');
    expect(() => equivalentStacks({ ...input, match: 'panel' })).toThrow('length and breadth');
  });
});
