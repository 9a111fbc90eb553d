import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { bookOf, pliesOf } from '../evaluate';
import { layOwn } from '../detail/kinds';
import { laminateStiffness } from '../laminate';
import { nextTrials, predictTrial, readTrial, recommend, trialSchema, type Trial, type TrialLayer } from '.';

const boat = merrow();
const cloth = (material: string, angleDeg = 0): TrialLayer => ({ material, angleDeg, thickness: null });
const core: TrialLayer = { material: 'pvc-80', angleDeg: 0, thickness: 0.015 };
const sandwich = [cloth('bx0-450'), core, cloth('bx0-450')];
const setUp = { test: 'three' as const, span: 0.5, width: 0.1 };
const trial = (own: Partial<Trial> = {}): Trial => ({
  boat: 'b',
  series: 'S',
  name: 'A',
  layers: sandwich,
  ...setUp,
  arealWeight: 4,
  points: [],
  window: null,
  breaks: [],
  target: 1000,
  mostDeflection: null,
  on: '2026-11-30',
  note: '',
  ...own,
});

describe('what a sample should do', () => {
  it('by hand: a solid strip bends by P L³ / 48 D b and its own shear, and breaks in its outer ply', () => {
    const layers = Array.from({ length: 6 }, () => cloth('bx0-450'));
    const found = predictTrial(boat, { ...setUp, layers });
    const plies = pliesOf(bookOf(boat, 0), layOwn(bookOf(boat, 0), layers));
    const D = 1 / laminateStiffness(plies).compliance[3]![3]!;
    const bending = (48 * D * 0.1) / 0.5 ** 3;
    // Shear adds a little to the deflection, never takes.
    expect(found.stiffness).toBeLessThan(bending);
    expect(found.stiffness).toBeGreaterThan(0.97 * bending);
    // The resin of its outermost 90° gives way first, on the stretched side.
    expect(found.ways.map(({ how }) => how)).toEqual(['tension']);
  });
  it('by hand: the core of a sandwich shears at 2 τ d b', () => {
    const found = predictTrial(boat, { ...setUp, layers: sandwich });
    const laid = layOwn(bookOf(boat, 0), sandwich);
    const d = 0.015 + laid[0]!.thickness;
    const strength = boat.materials.find(({ id }) => id === 'pvc-80')!;
    if (strength.kind !== 'core') throw new Error('no core');
    const shear = found.ways.find(({ how }) => how === 'shear')!;
    expect(shear.load).toBeCloseTo(2 * strength.shearStrength.value * d * 0.1, 3);
    expect(found.failure).toBe(Math.min(...found.ways.map(({ load }) => load)));
    expect(found.notChecked.join()).toContain('crushing of the core');
  });
  it('loads at the thirds bend it less and break its skins later than one in the middle', () => {
    const [three, four] = (['three', 'four'] as const).map((test) =>
      predictTrial(boat, { ...setUp, layers: sandwich, test }),
    );
    const skin = (of: typeof three) => of!.ways.find(({ how }) => how === 'wrinkle')!.load;
    expect(skin(four) / skin(three)).toBeCloseTo(1.5, 9);
    expect(four!.stiffness).toBeGreaterThan(three!.stiffness);
  });
  it('in tension is as strong as it is wide, and half as stiff at twice the length', () => {
    const of = (span: number, width: number) =>
      predictTrial(boat, { test: 'tension', layers: [cloth('bx0-450')], span, width });
    expect(of(0.2, 0.05).failure / of(0.2, 0.025).failure).toBeCloseTo(2, 9);
    expect(of(0.4, 0.05).stiffness / of(0.2, 0.05).stiffness).toBeCloseTo(0.5, 9);
  });
  it('refuses a core without a skin, and what the boat does not have', () => {
    expect(() => predictTrial(boat, { ...setUp, layers: [core, cloth('bx0-450')] })).toThrow('skin on both sides');
    expect(() => predictTrial(boat, { ...setUp, layers: [cloth('nothing')] })).toThrow('no fabric or core');
  });
});

describe('the next sample', () => {
  it('is this one with a layer more or less, or another core, by weight; none twice, none that cannot stand', () => {
    const next = nextTrials(boat, { ...setUp, layers: sandwich });
    expect(next.map(({ says }) => says).sort()).toEqual([
      'core of 12 mm',
      'core of 19 mm',
      'layer 1 twice, BX0 450 at 0°',
      'layer 3 twice, BX0 450 at 0°',
    ]);
    const weights = next.map(({ prediction }) => prediction.arealWeight);
    expect(weights).toEqual([...weights].sort((a, b) => a - b));
  });
});

describe('what was read', () => {
  const line = (n: number, slope: number): [number, number][] =>
    Array.from({ length: n }, (_, i): [number, number] => [100 * i, (100 * i) / slope]);
  it('is stiff by its first half, on the way up only', () => {
    const points = [...line(11, 5e4), [300, 0.05] as [number, number]];
    const found = readTrial(trial({ points, target: 800 }));
    expect(found.stiffness!.slope).toBeCloseTo(5e4, 6);
    expect(found.atTarget).toBeCloseTo(0.016, 9);
    expect(found.highest).toBe(1000);
  });
  it('tells the first crack from the break', () => {
    const breaks: Trial['breaks'] = [
      { kind: 'crack', load: 700, where: '' },
      { kind: 'shear', load: 950, where: 'left of the load' },
    ];
    expect(readTrial(trial({ points: line(11, 5e4), breaks }))).toMatchObject({
      firstCrack: 700,
      failure: { load: 950, how: 'shear' },
    });
  });
  it('says nothing of a stiffness by two points', () => {
    expect(readTrial(trial({ points: line(2, 5e4) })).stiffness).toBeNull();
  });
});

describe('what a series proves', () => {
  const tried = (id: string, own: Partial<Trial>) => {
    const of = trial({ name: id, ...own });
    return { id, trial: of, prediction: predictTrial(boat, of), result: readTrial(of) };
  };
  const broke = (load: number) => ({
    points: Array.from({ length: 11 }, (_, i): [number, number] => [(load * i) / 10, (load * i) / 1e6]),
    breaks: [{ kind: 'shear' as const, load, where: '' }],
  });
  it('is the lightest that bore the target; what is far too strong asks for one layer less', () => {
    const found = recommend([
      tried('A', { arealWeight: 6, ...broke(2200) }),
      tried('B', { arealWeight: 4, ...broke(1200) }),
      tried('C', { arealWeight: 3, ...broke(700) }),
      tried('D', { arealWeight: 2 }),
    ]);
    expect(found.standing).toEqual({ A: 'tooStrong', B: 'meets', C: 'fails', D: 'open' });
    expect(found.best).toBe('B');
    expect(found.says.join(' ')).toContain('C did not hold: that is the bound below');
  });
  it('one that bends too far fails however much it bears, and one that was not loaded so far says nothing', () => {
    const bent = tried('A', { ...broke(1500), mostDeflection: 0.0001 });
    const early = tried('B', { points: broke(600).points });
    expect(recommend([bent, early]).standing).toEqual({ A: 'fails', B: 'open' });
    expect(recommend([bent, early]).best).toBeNull();
  });
  it('never counts on more than the mean of what broke', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 500, max: 3000 }), { minLength: 2, maxLength: 6 }), (loads) => {
        const { factor } = recommend(loads.map((load, i) => tried(`s${i}`, broke(load))));
        expect(factor!.n).toBe(loads.length);
        expect(factor!.bound!).toBeLessThanOrEqual(factor!.mean + 1e-9);
      }),
      { numRuns: 20 },
    );
  });
});

it('is read by its own description, and refused without a layer', () => {
  expect(trialSchema.safeParse(trial()).success).toBe(true);
  expect(trialSchema.safeParse(trial({ layers: [] })).success).toBe(false);
  expect(trialSchema.safeParse({ ...trial(), span: -1 }).success).toBe(false);
});
