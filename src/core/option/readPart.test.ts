import { describe, expect, it } from 'vitest';
import { brant, zoneOf } from '../../../tests/helpers/merrow';
import { applyEdits } from '../edit';
import { makeEvaluator } from '../evaluate';
import { GENERIC_MATERIALS } from '../material';
import { readPart, type Reading, type ReadPartInput } from './readPart';

const boat = brant();
const [part, zone] = zoneOf(boat, 'Bottom aft');
const none: Reading = {
  at: [0.5, 0.5],
  thickness: null,
  coating: null,
  core: null,
  layers: null,
  fibre: null,
  note: '',
};
const ask = (readings: Partial<Reading>[], change: Partial<ReadPartInput> = {}) =>
  readPart({
    boat,
    partId: part.id,
    zoneId: zone.id,
    readings: readings.map((one) => ({ ...none, ...one })),
    cloths: ['csm-450', 'wr-600'],
    cores: ['pvc-80'],
    shelf: GENERIC_MATERIALS,
    ...change,
  });
/** What a stack of so many mats and rovings is thick and holds of fibre, by the same lay-up. */
const made = (mats: number, rovings: number) => {
  const layers = [
    ...Array.from({ length: mats }, (_, i) => ['csm-450', i] as const),
    ...Array.from({ length: rovings }, (_, i) => ['wr-600', i] as const),
  ].map(([material, i]) => ({ ...part.layers[1]!, id: `t-${material}-${i}`, material, zones: [zone.id] }));
  const { boat: bare } = applyEdits(
    { ...boat, materials: [...new Map([...boat.materials, ...GENERIC_MATERIALS].map((m) => [m.id, m])).values()] },
    part.layers.map(({ id }) => ({ type: 'layer.remove' as const, layerId: id })),
  );
  const laid = applyEdits(
    bare,
    layers.map((layer, index) => ({ type: 'layer.add' as const, partId: part.id, layer, index })),
  ).boat;
  const e = makeEvaluator()(laid).get(zone.id)!;
  return { thickness: e.thickness, fibre: e.dryArealWeight, mass: e.laminatedArealWeight };
};
const counts = (layers: { material: string; count: number }[]) =>
  Object.fromEntries(layers.map(({ material, count }) => [material, count]));

describe('reading an existing part', () => {
  it.each([
    [3, 2],
    [5, 4],
    [2, 1],
  ])('finds %i mats and %i rovings from thickness, layers and burnt-off fibre', (mats, rovings) => {
    const { thickness, fibre, mass } = made(mats, rovings);
    const read = ask([
      { thickness: thickness + 0.0005, coating: 0.0005, layers: mats + rovings, fibre },
      { thickness: thickness + 0.0006, coating: 0.0005 },
    ]);
    expect(counts(read.candidates[0]!.layers)).toEqual({ 'csm-450': mats, 'wr-600': rovings });
    expect(read.candidates.reduce((sum, { likelihood }) => sum + likelihood, 0)).toBeLessThanOrEqual(1 + 1e-9);
    expect(read.candidates[0]!.mass).toBeCloseTo(mass, 6);
    expect(read.band.mass[0]).toBeLessThanOrEqual(mass + 1e-9);
    expect(read.band.mass[1]).toBeGreaterThanOrEqual(mass - 1e-9);
    expect(read.suspicions).toEqual([]);
  });
  it('of one thickness alone has many, and a wide band', () => {
    const { thickness, mass, fibre } = made(4, 3);
    const one = ask([{ thickness }], { cores: [] });
    const more = ask([{ thickness, layers: 7, fibre }], { cores: [] });
    expect(one.candidates[0]!.likelihood).toBeLessThan(more.candidates[0]!.likelihood);
    const width = ([low, high]: [number, number]) => high - low;
    expect(width(one.band.mass)).toBeGreaterThan(width(more.band.mass));
    expect(one.band.mass[0]).toBeLessThanOrEqual(mass);
    expect(one.band.mass[1]).toBeGreaterThan(mass);
    // By hand: the likelihoods of two stacks stand as exp(−½ Δ misfit), misfit ((t − t')/σ)², σ = hypot(0.2 mm, 8 %).
    const [a, b] = one.candidates as [(typeof one.candidates)[0], (typeof one.candidates)[0]];
    const misfit = (t: number) => ((thickness - t) / Math.hypot(0.0002, 0.08 * thickness)) ** 2;
    expect(b.likelihood / a.likelihood).toBeCloseTo(Math.exp((misfit(a.thickness) - misfit(b.thickness)) / 2), 9);
  });
  it('knows a sandwich by its core', () => {
    const { thickness } = made(2, 2);
    const { candidates } = ask([{ thickness: thickness + 0.02, core: 0.02, layers: 4 }]);
    expect(candidates[0]!.layers.at(-1)).toMatchObject({
      material: 'pvc-80',
      code: expect.stringContaining('0.02') as string,
    });
    expect(candidates[0]!.rows.filter(({ material }) => material === 'pvc-80')).toHaveLength(1);
  });
  it('can be taken over as the layers of the zone', () => {
    const { thickness, fibre } = made(3, 2);
    const [best] = ask([{ thickness, fibre, layers: 5 }]).candidates;
    expect(new Set(best!.rows.map(({ id }) => id)).size).toBe(best!.rows.length);
    expect(best!.rows.every(({ zones }) => zones.includes(zone.id))).toBe(true);
  });
  it('says what is suspicious', () => {
    const { thickness, fibre } = made(3, 2);
    expect(ask([{ thickness: 0.006, coating: 0.004 }]).suspicions[0]).toMatch(/67 % of the thickness is coating/);
    expect(ask([{ thickness: 0.004 }, { thickness: 0.008 }]).suspicions.join()).toContain('scatters by 47 %');
    expect(
      ask([
        { thickness: 0.025, core: 0.02 },
        { thickness: 0.03, core: 0.025 },
      ]).suspicions.join(),
    ).toContain('taken up water');
    expect(ask([{ thickness, fibre: 0.5 * fibre, layers: 5 }]).suspicions.join()).toContain('rich in resin, or voids');
  });
  it('names the place where the part is thickest', () => {
    expect(ask([{ thickness: 0.004 }, { thickness: 0.006 }, { layers: 3 }]).thickest).toBe(1);
  });
  it.each([
    ['nothing read', [{}], {}, 'Nothing is read yet'],
    ['coating thicker than the part', [{ thickness: 0.002, coating: 0.003 }], {}, 'as thick as the whole part'],
    ['no cloth', [{ thickness: 0.004 }], { cloths: [] }, 'No cloth may have been laid'],
    ['a core that is none of those ticked', [{ thickness: 0.03, core: 0.02 }], { cores: [] }, 'A core was read'],
    ['a zone that is gone', [{ thickness: 0.004 }], { zoneId: 'gone' }, 'This zone is gone'],
  ])('refuses %s', (_, readings, change, reason) => {
    expect(() => ask(readings, change)).toThrow(reason);
  });
});
