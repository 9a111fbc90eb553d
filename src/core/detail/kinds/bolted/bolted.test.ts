import fc from 'fast-check';
import { wordsIn } from '../../../quantity';
import { describe, expect, it } from 'vitest';
import { merrow } from '../../../../../tests/helpers/merrow';
import { GENERIC_MATERIALS } from '../../../material';
import { evaluateDetail, newDetail, type DetailOf } from '..';

const demo = merrow();
// A yard that has every kind of material.
const own = new Set(demo.materials.map(({ id }) => id));
const boat = { ...demo, materials: [...demo.materials, ...GENERIC_MATERIALS.filter(({ id }) => !own.has(id))] };
const zone = boat.parts.flatMap(({ zones }) => zones).find(({ name }) => name === 'Foredeck')!;
const solid = boat.parts.flatMap(({ zones }) => zones).find(({ name }) => name === 'Keel band')!;
const metal = boat.materials.find(({ kind }) => kind === 'metal')!.id;
const wood = boat.materials.find(({ kind }) => kind === 'wood')!.id;
const load = boat.loads[0]!.id;
const fitting = { ...newDetail(boat, 'bolted', 'fitting', zone), load } as DetailOf<'bolted'>;
const judge = (patch: Partial<DetailOf<'bolted'>> = {}) => evaluateDetail(boat, { ...fitting, ...patch });
const reserveOf = (patch: Partial<DetailOf<'bolted'>>, id: string) =>
  judge(patch).checks.find((check) => check.id === id)!.reserveFactor;
const ids = (patch: Partial<DetailOf<'bolted'>>) => judge(patch).checks.map(({ id }) => id);

describe('a bolted fitting', () => {
  it.each<[string, Partial<DetailOf<'bolted'>>, RegExp]>([
    ['no load case', { load: null }, /give the fitting a load case/],
    [
      'holes too close',
      {
        bolts: [
          [0, 0],
          [0.015, 0],
        ],
      },
      /two holes stand 15 mm apart; 2 diameters, 20 mm/,
    ],
    [
      'a bolt off its base',
      {
        bolts: [
          [0, 0],
          [0.2, 0],
        ],
      },
      /a bolt at 200 mm, 0 mm lies off its base/,
    ],
    [
      'a patch smaller than the base',
      { sheets: [{ ...fitting.sheets[0]!, length: 0.1, breadth: 0.1 }] },
      /a patch of 100 mm × 100 mm is smaller than the base/,
    ],
    ['a core left under the bolts', { core: 'none' }, /has a core of .* under the bolts: replace it/],
    ['an insert that is none', { core: 'highDensity', insert: null }, /Insert: choose a core of this boat/],
    ['wood that is none', { core: 'plywood', insert: metal }, /Insert: choose a wood of this boat/],
    ['bolts of no metal', { boltMetal: 'nothing' }, /Bolts: choose a metal of this boat/],
  ])('is refused with %s', (_what, patch, words) => {
    const { problem, checks } = judge(patch);
    expect(wordsIn(problem!, 'metric')).toMatch(words);
    expect(checks).toEqual([]);
  });

  it('asks nothing of a core where the zone has none', () => {
    const { problem } = evaluateDetail(boat, { ...fitting, zone: solid.id, core: 'none' });
    expect(problem).toBeNull();
  });

  it('checks what it is made of', () => {
    expect(ids({})).toEqual(expect.arrayContaining(['bearing', 'netTension', 'shearOut', 'bolt', 'patchBond']));
    expect(ids({})).not.toContain('plate');
    expect(ids({ plate: { metal, thickness: 0.006, length: 0.2, breadth: 0.15 } })).toContain('plate');
    expect(ids({ tapped: { metal, thickness: 0.01 } })).toContain('thread');
    expect(ids({ preload: 5000 })).toContain('preload');
    expect(ids({ sheets: [] })).not.toContain('patchBond');
  });

  it('is never helped by what weakens it', () => {
    fc.assert(
      fc.property(fc.double({ min: 1.05, max: 2, noNaN: true }), (more) => {
        expect(reserveOf({ boltDiameter: 0.01 * more }, 'bolt')).toBeGreaterThan(reserveOf({}, 'bolt'));
        expect(reserveOf({ edgeDistance: 0.04 * more }, 'shearOut')).toBeGreaterThanOrEqual(reserveOf({}, 'shearOut'));
        expect(reserveOf({ preload: 4000 * more }, 'preload')).toBeLessThan(reserveOf({ preload: 4000 }, 'preload'));
        const sheets = fitting.sheets.map((sheet) => ({ ...sheet, length: sheet.length * more }));
        expect(reserveOf({ sheets }, 'patchBond')).toBeGreaterThan(reserveOf({}, 'patchBond'));
      }),
      { numRuns: 12 },
    );
  });

  it('shares the force among its bolts', () => {
    const six: [number, number][] = [-0.06, 0, 0.06].flatMap((x): [number, number][] => [
      [x, -0.04],
      [x, 0.04],
    ]);
    expect(reserveOf({ bolts: six }, 'bearing')).toBeGreaterThan(reserveOf({}, 'bearing'));
  });

  it('weighs what it brings, as often as it is there', () => {
    const [one, two] = [judge({ number: 1 }), judge({ number: 2 })];
    expect(two.total).toBeCloseTo(2 * one.total, 9);
    expect(judge({ plate: { metal, thickness: 0.01, length: 0.2, breadth: 0.2 } }).mass.other).toBeGreaterThan(
      one.mass.other,
    );
    expect(one.mass.core).toBeLessThan(0);
  });

  it('says what is done, in order, and what to mind', () => {
    const { steps, cautions, path } = judge({ edgeDistance: 0.02, core: 'plywood', insert: wood });
    expect(steps[0]).toMatch(/^Take the core out over the base/);
    expect(steps.at(-1)).toMatch(/^Bed in sealant, tighten in two passes/);
    expect(cautions.map(({ title }) => title)).toEqual(
      expect.arrayContaining(['Plywood takes water', 'Close to the edge']),
    );
    expect(path[0]!.check).toBeNull();
    expect(path.at(-1)!.text).toBe('Foredeck');
    expect(judge({ tapped: { metal, thickness: 0.01 } }).steps.at(-1)).toMatch(/thread locking/);
  });
});
