import { describe, expect, it } from 'vitest';
import { merrow, zoneOf } from '../../../tests/helpers/merrow';
import { CRITERIA, limitingStrains, type Criterion } from '../laminate';
import { analyseZone, failureWorking, analyseStack, throughThickness } from '.';
import { applyEdits } from '../edit';
import type { Boat, ZoneLoad } from '../document';

const boat = merrow();
const names = boat.parts.flatMap((part) => part.zones.map((zone) => zone.name));
const loaded = (load: ZoneLoad, name = 'Bottom forward'): [Boat, string] => [
  applyEdits(boat, [{ type: 'zone.set', zoneId: zoneOf(boat, name)[1].id, patch: { load } }]).boat,
  name,
];
const analyse = (state: Boat, name: string, criterion: Criterion = 'maxStrain') =>
  analyseZone(state, ...zoneOf(state, name), criterion);

describe('laminate analysis of a zone', () => {
  it.each(names)('%s: balances its load, has every criterion, and last ply is not before first', (name) => {
    const { response, load, plies, criteria, failure, polar, stiffness } = analyse(boat, name);
    const moment = [0, 1, 2].map((i) => {
      let z = -stiffness.thickness / 2;
      return plies.reduce((sum, ply, k) => {
        const [a, b] = [response.plies[k]!.bottom.stress[i]!, response.plies[k]!.top.stress[i]!];
        const part = ply.thickness * (((a + b) / 2) * (z + ply.thickness / 2) + ((b - a) * ply.thickness) / 12);
        z += ply.thickness;
        return sum + part;
      }, 0);
    });
    const scale = Math.max(...load.M.map(Math.abs));
    moment.forEach((m, i) => expect(Math.abs(m - load.M[i]!)).toBeLessThan(1e-6 * scale));
    expect(criteria.map((c) => c.criterion)).toEqual(Object.keys(CRITERIA));
    for (const { first, last } of criteria) expect(last).toBeGreaterThanOrEqual(first);
    expect(criteria.find((c) => c.criterion === 'maxStrain')!.first).toBeCloseTo(failure.reserveFactor, 9);
    expect(polar[0]!.modulus).toBeGreaterThan(0);
  });
  it('the derived load is the edge moment of the pack, mould face in tension', () => {
    const load = analyseStack(boat, ...zoneOf(boat, 'Bottom forward'), 'tsaiWu').load;
    expect(load.M[1]).toBeLessThan(0);
    const points = throughThickness(analyse(boat, 'Bottom forward'), 'stress', 1);
    expect(points[0]!.value).toBeGreaterThan(0);
    expect(points.at(-1)!.value).toBeLessThan(0);
  });
  it('a reserve factor is on the whole load: half of it with twice the load', () => {
    const load: ZoneLoad = { N: [2e5, -1e5, 3e4], M: [0, 100, 0], V: 1e4 };
    const twice: ZoneLoad = { N: [4e5, -2e5, 6e4], M: [0, 200, 0], V: 2e4 };
    for (const criterion of Object.keys(CRITERIA) as Criterion[])
      expect(analyse(...loaded(twice), criterion).failure.reserveFactor).toBeCloseTo(
        analyse(...loaded(load), criterion).failure.reserveFactor / 2,
        9,
      );
    const [one, two] = [analyse(...loaded(load)).sandwich!, analyse(...loaded(twice)).sandwich!];
    one.forEach((check, i) => expect(two[i]!.reserveFactor).toBeCloseTo(check.reserveFactor / 2, 9));
  });
  it('knock-downs take their part off, and each can be left out', () => {
    const reserve = (patch: Partial<Boat['brief']['knockDowns']>) =>
      analyse(
        applyEdits(boat, [{ type: 'brief.set', patch: { knockDowns: { ...boat.brief.knockDowns, ...patch } } }]).boat,
        'Bottom forward',
      ).failure.reserveFactor;
    const none = reserve({ characteristic: false, wet: false, process: false });
    expect(reserve({ characteristic: false, process: false }) / none).toBeCloseTo(0.9, 6);
    expect(reserve({ characteristic: false, wet: false, process: false, fatigue: true }) / none).toBeCloseTo(0.42, 6);
    expect(reserve({})).toBeLessThan(reserve({ wet: false }));
  });
  it('heat and repeated load take their part off the core as well', () => {
    const limits = (patch: Partial<Boat['brief']['knockDowns']>) => {
      const knockDowns = { ...boat.brief.knockDowns, ...patch };
      const load = { N: [-3e4, 0, 0], M: [0, 0, 0], V: 1e3 } as const satisfies ZoneLoad;
      const { sandwich } = analyse(
        applyEdits(boat, [
          { type: 'brief.set', patch: { knockDowns } },
          { type: 'zone.set', zoneId: zoneOf(boat, 'Foredeck')[1].id, patch: { load } },
        ]).boat,
        'Foredeck',
      );
      return Object.fromEntries(sandwich!.map(({ id, reserveFactor }) => [id, reserveFactor]));
    };
    const [cool, hot, worked] = [limits({}), limits({ hot: true }), limits({ fatigue: true })];
    // Its core is a cross-linked foam: 0.65 by heat; a skin wrinkles by the cube root of E Ec Gc.
    expect(hot.coreShear! / cool.coreShear!).toBeCloseTo(0.65, 9);
    expect(hot.wrinklingInner! / cool.wrinklingInner!).toBeCloseTo(0.65 ** (2 / 3), 9);
    expect(hot.crimping! / cool.crimping!).toBeCloseTo(0.65, 9);
    expect(worked.coreShear! / cool.coreShear!).toBeCloseTo(0.45, 9);
    expect(worked.wrinklingInner).toBe(cool.wrinklingInner);
  });
  it('a symmetric stack stays flat when it cools, an unsymmetric one warps', () => {
    const [liner, pan] = zoneOf(boat, 'Liner pan');
    const { warp } = analyseZone(
      boat,
      { ...liner, layers: liner.layers.filter(({ material }) => material.startsWith('csm')) },
      pan,
      'maxStrain',
    );
    for (const rise of [warp.along, warp.across, warp.twist]) expect(Math.abs(rise)).toBeLessThan(1e-9);
    // Stitched 0/90 keeps its order in both skins, so even a mirrored schedule warps by a tenth of a millimetre.
    expect(Math.abs(analyse(boat, 'Engine bulkhead').warp.across)).toBeLessThan(2e-4);
    expect(
      Math.abs(analyse(boat, 'Foredeck').warp.across) + Math.abs(analyse(boat, 'Foredeck').warp.along),
    ).toBeGreaterThan(1e-4);
  });
  it('names the layer that cannot be computed', () => {
    const [part, zone] = zoneOf(boat, 'Bottom aft');
    const only = (keep: (id: string) => boolean) => () =>
      analyseZone(boat, { ...part, layers: part.layers.filter((l) => keep(l.material)) }, zone, 'maxStrain');
    expect(only(() => false)).toThrow('No layer covers Bottom aft');
    expect(only((id) => id === 'pvc-80')).toThrow(/Layer \d+ \(PVC 80\) is a core with no skin/);
    expect(only((id) => id === 'pvc-80' || id === 'tx-900')).toThrow(/no inner skin/);
  });
  it('own tests stand in front of computed figures, property by property', () => {
    const [part, zone] = zoneOf(boat, 'Keel band');
    const fabric = structuredClone(boat.materials.find((m) => m.id === 'bx45-600')!) as Extract<
      Boat['materials'][number],
      { kind: 'fabric' }
    >;
    fabric.components[0]!.measured = [
      { property: 'E1', value: 4.2e10, origin: 'dataSheet', n: null, spread: null, process: null },
      { property: 'E1', value: 4e10, origin: 'yardTest', n: 6, spread: 0.04, process: 'infusion' },
      { property: 'Xt', value: 9e8, origin: 'yardTest', n: 6, spread: 0.05, process: 'infusion' },
      { property: 'Xt', value: 7e8, origin: 'yardTest', n: 6, spread: 0.05, process: 'handLayUp' },
    ];
    const { boat: tested } = applyEdits(boat, [{ type: 'material.put', material: fabric }]);
    const ply = analyseZone(tested, part, zone, 'maxStress').plies.find((p) => p.name === 'BX45 600')!;
    expect(ply.E1).toBe(4e10);
    // Characteristic value with the tests' own spread, wet vinylester, infusion.
    expect(ply.strength!.Xt).toBeCloseTo(9e8 * (1 - 2 * 0.05) * 0.9 * 0.96, 0);
  });
});

describe('the working of a failure', () => {
  const analysis = analyse(boat, 'Bottom forward');
  it.each(Object.keys(CRITERIA) as Criterion[])(
    '%s: ends in the reserve factor that is shown, from the state and the limits of the ply it names',
    (criterion) => {
      const own = analyse(boat, 'Bottom forward', criterion);
      const [reserve] = failureWorking(own, criterion);
      const step = reserve!.steps[0]!;
      expect(step.value).toBe(own.failure.reserveFactor);
      expect(step.quantity).toContain(`layer ${own.layerOf[own.failure.ply]! + 1}`);
      const values = reserve!.steps.flatMap(({ inputs }) => inputs.map(({ value }) => value));
      for (const value of values) expect(Number.isFinite(value)).toBe(true);
      const ply = own.plies[own.failure.ply]!;
      expect(values).toContain(criterion === 'maxStrain' ? limitingStrains(ply)!.e1t : ply.strength!.Xt);
    },
  );
  it('starts from the load the zone was analysed under', () => {
    const inputs = failureWorking(analysis, 'maxStrain').flatMap(({ steps }) => steps.flatMap((step) => step.inputs));
    for (const M of analysis.load.M) expect(inputs.some(({ value, unit }) => unit === 'N' && value === M)).toBe(true);
  });
});
