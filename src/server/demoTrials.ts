import type { Boat } from '@/core/document';
import { predictTrial, type Trial, type TrialLayer } from '@/core/trial';
import type { StoreContext } from './context';
import { readBoat } from './stores/boats';
import { keepYardFact } from './stores/yardFacts';

const cloth = (material: string, angleDeg: number): TrialLayer => ({ material, angleDeg, thickness: null });
const core = (thickness: number): TrialLayer => ({ material: 'pvc-80', angleDeg: 0, thickness });

interface Sample {
  name: string;
  layers: TrialLayer[];
  strength: number;
  on: string;
}
type Setting = Pick<Trial, 'boat' | 'series' | 'test' | 'span' | 'width' | 'target' | 'mostDeflection'>;

/** A hatch as three people would stand on it: each sample a layer less than the one before, until one breaks. */
const SAMPLES: Sample[] = [
  {
    name: 'A',
    layers: [
      cloth('bx0-450', 0),
      cloth('bx45-450', 0),
      cloth('bx0-450', 0),
      core(0.015),
      cloth('bx0-450', 0),
      cloth('bx45-450', 0),
      cloth('bx0-450', 0),
    ],
    strength: 1.08,
    on: '2026-10-06',
  },
  {
    name: 'B',
    layers: [cloth('bx0-450', 0), cloth('bx45-450', 0), core(0.015), cloth('bx45-450', 0), cloth('bx0-450', 0)],
    strength: 1.03,
    on: '2026-10-13',
  },
  {
    name: 'C',
    layers: [cloth('bx0-450', 0), cloth('bx45-300', 0), core(0.01), cloth('bx45-300', 0), cloth('bx0-450', 0)],
    strength: 0.94,
    on: '2026-10-20',
  },
  {
    name: 'D',
    layers: [cloth('bx0-450', 0), core(0.01), cloth('bx0-450', 0)],
    strength: 0.9,
    on: '2026-10-27',
  },
];
const HATCH: Setting = {
  boat: 'merrow-84',
  series: 'Hatch 7',
  test: 'three',
  span: 0.5,
  width: 0.15,
  target: 1900,
  mostDeflection: 0.035,
};

/** Coupons of the cloth that the launch is laid of: torn, by so much of what was expected. */
const COUPONS = [0.97, 1.02, 0.94, 0.99, 0.96];
const COUPON: Setting = {
  boat: 'merrow-84',
  series: 'Coupons of biaxial 450',
  test: 'tension',
  span: 0.15,
  width: 0.025,
  target: 8000,
  mostDeflection: null,
};

/** A sample that broke at its strength times what is expected, with the little that a gauge scatters. */
function broken(boat: Boat, setting: Setting, { name, layers, strength, on }: Sample, k: number): Trial {
  const expected = predictTrial(boat, { ...setting, layers });
  const broke = Math.round(expected.failure * strength);
  const stiffness = expected.stiffness * (0.97 + 0.01 * k);
  const bend = broke / stiffness;
  const points = Array.from({ length: 21 }, (_, i): [number, number] => {
    // A little softer towards the end.
    const bent = bend * (i / 20) * (1 + 0.08 * (i / 20) ** 3) + 0.001 * bend * Math.sin(7 * i + k);
    return [Math.round((broke * i) / 20), Math.round(1e7 * Math.max(0, bent)) / 1e7];
  });
  return {
    ...setting,
    name,
    layers,
    arealWeight: Math.round(100 * expected.arealWeight * 1.02) / 100,
    points,
    window: null,
    breaks: [
      { kind: 'crack', load: Math.round(0.97 * strength * expected.firstCrack), where: 'a tick, not seen' },
      { kind: expected.how, load: broke, where: setting.test === 'tension' ? 'between the grips' : 'under the load' },
    ],
    on,
    note: '',
  };
}

/** Two series that were broken on purpose: one to be seen whole in five minutes, one that teaches a strength. */
export async function seedDemoTrials(context: StoreContext): Promise<void> {
  const { boat } = await readBoat(context, HATCH.boat);
  const coupons = COUPONS.map((strength, i): Sample => {
    const layers = Array.from({ length: 4 }, () => cloth('bx0-450', 0));
    return { name: String(i + 1), layers, strength, on: `2026-09-${21 + i}` };
  });
  const all = [...coupons.map((one) => ({ setting: COUPON, one })), ...SAMPLES.map((one) => ({ setting: HATCH, one }))];
  for (const [k, { setting, one }] of all.entries()) {
    const id = `demo-${setting === HATCH ? 'hatch' : 'coupon'}-${one.name}`;
    const fact = { id, corrects: null, void: false, kind: 'trial', body: broken(boat, setting, one, k % 5) };
    await keepYardFact({ ...context, actor: 'M. Aske' }, fact);
  }
}
