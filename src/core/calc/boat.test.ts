import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { BRANT_FILE, MERROW_FILE } from '../../../tests/helpers/files';
import { boatFromJson } from '../document';
import { evaluateZone } from '../evaluate';
import { hullFigures } from '../geometry';
import { calculate } from '.';

interface Evaluated {
  zones: {
    id: string;
    reserveFactor: number | null;
    governs: string | null;
    checks: { id: string; panel: string; reserveFactor: number | null }[];
  }[];
  stiffeners: { id: string }[];
  details: { id: string; reserveFactor: number | null; checks: { id: string; reserveFactor: number | null }[] }[];
  mass: number;
  centre: number[];
}
const documentIn = (file: string) => JSON.parse(readFileSync(file, 'utf8')) as Record<string, unknown>;

describe('a boat through the contract', () => {
  it.each([MERROW_FILE, BRANT_FILE])('%s is evaluated as on screen, every check with the panel it is from', (file) => {
    const boat = boatFromJson(readFileSync(file, 'utf8'));
    const found = calculate('boat.evaluate', { boat: documentIn(file) }) as Evaluated;
    expect(found.zones).toHaveLength(boat.parts.flatMap(({ zones }) => zones).length);
    for (const part of boat.parts)
      for (const zone of part.zones) {
        const [one, own] = [found.zones.find(({ id }) => id === zone.id)!, evaluateZone(boat, part, zone)];
        expect(one.reserveFactor).toBeCloseTo(own.governing!.reserveFactor, 9);
        expect(one.checks.map(({ id }) => id)).toEqual(own.checks.map(({ id }) => id));
        expect(one.reserveFactor).toBe(Math.min(...one.checks.map(({ reserveFactor }) => reserveFactor ?? Infinity)));
        if (zone.region !== null) expect(one.checks.every(({ panel }) => panel !== '')).toBe(true);
      }
    expect(found.details.every(({ checks }) => checks.length > 0)).toBe(true);
    expect(found.mass).toBeGreaterThan(200);
    expect(found.centre).toHaveLength(3);
  });
  it('gives the zones that are asked for, and refuses one that is not there', () => {
    const boat = documentIn(MERROW_FILE);
    const { zones } = calculate('boat.evaluate', { boat, zones: ['keel-band'] }) as Evaluated;
    expect(zones.map(({ id }) => id)).toEqual(['keel-band']);
    expect(() => calculate('boat.evaluate', { boat, zones: ['nowhere'] })).toThrow('no zone "nowhere"');
    expect(() => calculate('boat.evaluate', { boat: { format: 'x' } })).toThrow();
  });
  it('takes edits, and refuses those that do not hold together with the boat left as it was', () => {
    const boat = documentIn(MERROW_FILE);
    const edits = [{ type: 'brief.set', patch: { weightTarget: 700 } }];
    const { boat: after } = calculate('boat.apply', { boat, edits }) as { boat: { boat: { brief: object } } };
    expect(after.boat.brief).toMatchObject({ weightTarget: 700 });
    expect(JSON.parse(JSON.stringify(boat))).toEqual(documentIn(MERROW_FILE));
    expect(() => calculate('boat.apply', { boat, edits: [{ type: 'layer.remove', layerId: 'none' }] })).toThrow();
    expect(() => calculate('boat.apply', { boat, edits: [{ type: 'nonsense' }] })).toThrow();
  });
});

describe('a core of cells', () => {
  const face = { thickness: 0.002, angleDeg: 0, E1: 20e9, E2: 20e9, nu12: 0.1, G12: 3e9 };
  const core = { thickness: 0.02, angleDeg: 0, E1: 0, E2: 0, nu12: 0.3, G12: 0, G13: 40e6, G23: 20e6, role: 'core' };
  it('without modulus in its plane leaves bending to the skins: E t d²/2 and their own', () => {
    const { A, D } = calculate('laminate.stiffness', { plies: [face, core, face] }) as { A: number[][]; D: number[][] };
    const Q = 20e9 / (1 - 0.1 ** 2);
    expect(A[0]![0]! / (2 * Q * 0.002)).toBeCloseTo(1, 9);
    expect(D[0]![0]! / (Q * ((0.002 * 0.022 ** 2) / 2 + (2 * 0.002 ** 3) / 12))).toBeCloseTo(1, 9);
  });
  it('is a core: a ply without modulus is refused', () => {
    expect(() => calculate('laminate.stiffness', { plies: [{ ...face, E1: 0 }] })).toThrow('at least 1 Pa');
  });
});

describe('a hull given by sections', () => {
  const box = (x: number, breadth: number) => ({
    x,
    points: [[0, 0] as const, [breadth, 0] as const, [breadth, 1] as const],
  });
  it('is refused when it does not go forwards', () =>
    expect(() => hullFigures([box(1, 1), box(1, 1)])).toThrow('not forward'));
  it('of other counts of points is joined at the same share of the girth', () => {
    const fine = {
      x: 2,
      points: [[0, 0] as const, [0.5, 0] as const, [1, 0] as const, [1, 0.5] as const, [1, 1] as const],
    };
    const found = hullFigures([box(0, 1), fine], { waterline: 0.5 });
    expect(found.skinArea).toBeCloseTo(8, 9);
    expect(found.volume).toBeCloseTo(2, 9);
  });
  it('has no volume above its waterline, and all of it below', () => {
    expect(hullFigures([box(0, 1), box(2, 1)], { waterline: -0.1 }).volume).toBe(0);
    expect(hullFigures([box(0, 1), box(2, 1)], { waterline: 5 }).volume).toBeCloseTo(4, 9);
  });
});
