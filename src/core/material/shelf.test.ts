import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  GENERIC_MATERIALS,
  columnsOf,
  fabricArealWeight,
  knockDownChain,
  MATERIAL_KINDS,
  questionMaterial,
  readRow,
  resinCompatibility,
  writeRow,
} from '.';
import type { Core, Fabric, Fibre, Material, MaterialKind, Resin } from '.';
import { fabricAsLaid } from '../laminate';

const find = <T extends Material>(id: string) => structuredClone(GENERIC_MATERIALS.find((m) => m.id === id)) as T;
const fibres = GENERIC_MATERIALS.filter((m): m is Fibre => m.kind === 'fibre');
const fibreMap = new Map(fibres.map((f) => [f.id, f]));
const cells = (material: Material) =>
  Object.fromEntries(columnsOf(material.kind).map(({ key }, i) => [key, String(writeRow(material)[i])]));
const others = (material: Material) => GENERIC_MATERIALS.filter(({ id }) => id !== material.id);

describe('the Shelf as tables', () => {
  it.each(GENERIC_MATERIALS.map((m) => [m.id, m] as const))('%s comes back from its row as it was', (_id, material) => {
    expect(readRow(material.kind, cells(material), fibres)).toEqual({ ok: true, material });
  });
  it('keeps tested origins, samples and spread, and measured plies', () => {
    const fabric = find<Fabric>('bx45-600');
    fabric.width = { value: 1.27, origin: 'yardTest', n: 4, spread: 0.01 };
    fabric.components[0]!.arealWeight = { value: 0.607, origin: 'yardTest', n: 12, spread: 0.02 };
    fabric.components[0]!.measured = [
      { property: 'Xt', value: 7.2e8, origin: 'yardTest', n: 6, spread: 0.05, process: 'infusion' },
    ];
    expect(readRow('fabric', cells(fabric), fibres)).toEqual({ ok: true, material: fabric });
  });
  it('keeps a resin’s own law of cure, and refuses what is none', () => {
    const resin = find<Resin>('epoxy-infusion');
    resin.cure = {
      A1: 1e4,
      E1: 5e4,
      A2: 2e5,
      E2: 5e4,
      m: 1,
      n: 1.5,
      heat: 4e5,
      tgFull: 95,
      source: 'Scan of batch 12',
    };
    expect(readRow('resin', cells(resin), fibres)).toEqual({ ok: true, material: resin });
    for (const cure of ['{', '{"A1":-1}', '7'])
      expect(readRow('resin', { ...cells(resin), cure }, fibres)).toMatchObject({ ok: false, column: 'cure' });
  });
  it('understands entries with their own units and says which column is wrong', () => {
    const foam = cells(find('pvc-80'));
    expect(readRow('core', { ...foam, density: '5 lb/ft3' }, fibres)).toMatchObject({
      ok: true,
      material: { density: { value: expect.closeTo(80.09, 1) as number } },
    });
    expect(readRow('core', { ...foam, density: 'heavy' }, fibres)).toMatchObject({ ok: false, column: 'density' });
    expect(readRow('core', { ...foam, density: '80 g/cm3' }, fibres)).toMatchObject({
      ok: false,
      column: 'density',
      message: expect.stringContaining('between {{density! 10}} and {{density! 1200}}') as string,
    });
    expect(readRow('core', { ...foam, name: '' }, fibres)).toMatchObject({ ok: false, column: 'name' });
    expect(readRow('core', { ...foam, family: 'cheese' }, fibres)).toMatchObject({ ok: false, column: 'family' });
    expect(
      readRow('fabric', { ...cells(find('bx45-600')), components: 'unobtainium | stitched | 600 | 1 | 0:100' }, fibres),
    ).toMatchObject({ ok: false, column: 'components' });
  });
  it('never throws, whatever stands in the cells', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(MATERIAL_KINDS) as MaterialKind[])),
        fc.array(fc.string(), { maxLength: 20 }),
        (kind, texts) => {
          const row = Object.fromEntries(
            columnsOf(kind).map(({ key }, i) => [key, texts[i % Math.max(1, texts.length)] ?? '']),
          );
          const result = readRow(kind, row, fibres);
          if (!result.ok) expect(result.message).not.toBe('');
        },
      ),
    );
  });
});

describe('questions before a material is taken', () => {
  it.each(GENERIC_MATERIALS.map((m) => [m.id, m] as const))('%s is not questioned for its figures', (_id, material) => {
    expect(questionMaterial(material, others(material)).filter((q) => !q.includes('already'))).toEqual([]);
  });
  it('asks about twins and about figures that look like a slip of units', () => {
    const twin = { ...find<Fabric>('bx45-600'), id: 'other' };
    expect(questionMaterial(twin, GENERIC_MATERIALS)[0]).toContain('on the Shelf already');
    const light = find<Fabric>('bx45-600');
    light.id = 'light';
    light.code = 'L';
    light.name = 'Light';
    light.components[0]!.arealWeight.value = 0.018;
    expect(questionMaterial(light, others(light)).join()).toContain('ounces per square yard');
    const foam = { ...find<Core>('pvc-80'), id: 'foam', name: 'Foam', code: 'F' };
    foam.shearStrength = { value: 1e5 * 0.9, origin: 'dataSheet' };
    expect(questionMaterial(foam, others(foam)).join()).toContain('Shear strength');
  });
});

describe('what goes with what', () => {
  it('epoxy suits polystyrene, polyester does not; emulsion mats are the other way round', () => {
    const verdict = (resin: string, name: string) => {
      const { cores, binders } = resinCompatibility(find<Resin>(resin), GENERIC_MATERIALS);
      return [...cores, ...binders].find((item) => item.name.includes(name))!.verdict;
    };
    expect(verdict('epoxy-hand', 'Extruded polystyrene')).toBe('suits');
    expect(verdict('polyester-iso', 'Extruded polystyrene')).toBe('never');
    expect(verdict('polyester-iso', 'Linear PVC')).toBe('withCare');
    expect(verdict('epoxy-hand', 'emulsion')).toBe('never');
    expect(verdict('vinylester', 'emulsion')).toBe('suits');
  });
});

describe('a fabric as it is laid', () => {
  const laid = (id: string, process: Parameters<typeof fabricAsLaid>[3] = 'infusion') =>
    fabricAsLaid(find<Fabric>(id), fibreMap, find<Resin>('vinylester'), process);
  it('is stiffest and strongest along its fibres, and alike in every direction for a mat', () => {
    const ud = laid('ud-600').directions;
    expect(ud[0]!.modulus).toBeGreaterThan(2 * ud[2]!.modulus);
    expect(ud[0]!.strength).toBeGreaterThan(5 * ud[2]!.strength);
    const mat = laid('csm-450').directions;
    for (const { modulus, strength } of mat) {
      expect(modulus / mat[0]!.modulus).toBeCloseTo(1, 9);
      // Maximum strain has a limit of its own for shear, so 45° may differ a little.
      expect(Math.abs(strength / mat[0]!.strength - 1)).toBeLessThan(0.1);
    }
  });
  it('weighs less the more fibre the process packs, and keeps its fibre', () => {
    const weights = (['handLayUp', 'wetBag', 'infusion', 'prepreg'] as const).map((process) =>
      laid('bx45-600', process),
    );
    for (const w of weights) {
      expect(w.dryWeight).toBeCloseTo(fabricArealWeight(find<Fabric>('bx45-600')) + 0.006, 9);
      expect(w.laminatedWeight).toBeCloseTo(w.dryWeight + w.resinWeight, 9);
    }
    expect(weights.map((w) => w.laminatedWeight)).toEqual(weights.map((w) => w.laminatedWeight).sort((a, b) => b - a));
  });
  it('knock-downs multiply and a tested spread counts for the characteristic value', () => {
    const fabric = find<Fabric>('bx45-600');
    const on = { characteristic: true, wet: false, hot: false, fatigue: false, process: false };
    const factor = () =>
      knockDownChain(
        fabric.components[0]!,
        { fibre: fibres[0]!, resin: find<Resin>('vinylester'), process: 'infusion' },
        on,
      ).factor;
    expect(factor()).toBeCloseTo(1 - 2 * 0.08, 9);
    fabric.components[0]!.measured = [
      { property: 'Xt', value: 7e8, origin: 'yardTest', n: 5, spread: 0.03, process: null },
    ];
    expect(factor()).toBeCloseTo(1 - 2 * 0.03, 9);
  });
});
