import { describe, expect, it } from 'vitest';
import type { Ply } from '../laminate';
import { stackCompatibility } from '.';

const ply = (name: string, angleDeg: number, E1: number, strain: number, thickness = 1e-3): Ply => ({
  name,
  angleDeg,
  thickness,
  E1,
  E2: E1 / 5,
  G12: E1 / 12,
  nu12: 0.3,
  failureStrain: { e1t: strain, e1c: strain, e2t: 0.005, e2c: 0.012, g12: 0.02 },
});
const carbon = ply('carbon', 0, 125e9, 0.013, 0.6e-3);
const glass = ply('glass', 0, 38e9, 0.022, 1.2e-3);

describe('which fibres carry a pull', () => {
  it('unlike fibres side by side: the stiff one goes first, at its own stretch (closed solution)', () => {
    const { members, result } = stackCompatibility([carbon, glass], 0)!;
    expect(members.map(({ name }) => name)).toEqual(['carbon at 0°', 'glass at 0°']);
    expect(result.firstToFail).toBe('carbon at 0°');
    expect(result.loadAtFirstFailure).toBeCloseTo(0.013 * (125e9 * 0.6e-3 + 38e9 * 1.2e-3), 0);
    expect(result.naiveSum).toBeCloseTo(125e9 * 0.013 * 0.6e-3 + 38e9 * 0.022 * 1.2e-3, 0);
    expect(result.honestCapacity).toBeLessThan(result.naiveSum);
  });
  it('plies of one name and direction are one member; a core and what has no strength are none', () => {
    const bare: Ply = { ...glass, name: 'unknown' };
    delete bare.failureStrain;
    const { members } = stackCompatibility([glass, { ...carbon, name: 'foam', role: 'core' }, bare, glass], 0)!;
    expect(members).toHaveLength(1);
    expect(members[0]!.area).toBeCloseTo(2.4e-3, 12);
    expect(stackCompatibility([bare], 0)).toBeNull();
  });
  it('turning the stack and the pull together changes nothing, and a pull has no sense of direction', () => {
    const stack = [carbon, { ...glass, angleDeg: 45 }, { ...glass, angleDeg: -45 }, { ...glass, angleDeg: 90 }];
    const loads = ([turn, by]: [number, number]) => {
      const found = stackCompatibility(
        stack.map((one) => ({ ...one, angleDeg: one.angleDeg + turn })),
        turn + by,
      )!;
      return [found.result.loadAtFirstFailure, found.result.naiveSum, found.members.length];
    };
    const straight = loads([0, 0]);
    for (const turned of [loads([30, 0]), loads([-75, 0]), loads([0, 180]), loads([20, -180])])
      turned.forEach((value, i) => expect(value / straight[i]!).toBeCloseTo(1, 9));
  });
  it('across its fibres a ply has its transverse modulus and cracks at its transverse strain', () => {
    const { members } = stackCompatibility([carbon], 90)!;
    expect(members[0]!.name).toBe('carbon at 90°');
    expect(members[0]!.E).toBeCloseTo(25e9, -3);
    expect(members[0]!.failureStrain).toBeCloseTo(0.005, 12);
  });
});
