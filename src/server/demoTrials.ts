import { predictTrial, type Trial, type TrialLayer } from '@/core/trial';
import type { StoreContext } from './context';
import { readBoat } from './stores/boats';
import { keepYardFact } from './stores/yardFacts';

const cloth = (material: string, angleDeg: number): TrialLayer => ({ material, angleDeg, thickness: null });
const core = (thickness: number): TrialLayer => ({ material: 'pvc-80', angleDeg: 0, thickness });

/** A hatch as three people would stand on it: each sample a layer less than the one before, until one breaks. */
const SAMPLES: {
  name: string;
  layers: TrialLayer[];
  strength: number;
  how: Trial['breaks'][number]['kind'];
  on: string;
}[] = [
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
    how: 'shear',
    on: '2026-10-06',
  },
  {
    name: 'B',
    layers: [cloth('bx0-450', 0), cloth('bx45-450', 0), core(0.015), cloth('bx45-450', 0), cloth('bx0-450', 0)],
    strength: 1.03,
    how: 'shear',
    on: '2026-10-13',
  },
  {
    name: 'C',
    layers: [cloth('bx0-450', 0), cloth('bx45-300', 0), core(0.01), cloth('bx45-300', 0), cloth('bx0-450', 0)],
    strength: 0.94,
    how: 'shear',
    on: '2026-10-20',
  },
  {
    name: 'D',
    layers: [cloth('bx0-450', 0), core(0.01), cloth('bx0-450', 0)],
    strength: 0.9,
    how: 'wrinkle',
    on: '2026-10-27',
  },
];
const SET_UP = { boat: 'merrow-84', series: 'Hatch 7', test: 'three' as const, span: 0.5, width: 0.15 };
/** N */
const TARGET = 1100;

/** A series that was broken on purpose, to be seen whole in five minutes. */
export async function seedDemoTrials(context: StoreContext): Promise<void> {
  const { boat } = await readBoat(context, SET_UP.boat);
  for (const [k, { name, layers, strength, how, on }] of SAMPLES.entries()) {
    const expected = predictTrial(boat, { ...SET_UP, layers });
    const broke = Math.round(expected.failure * strength);
    const stiffness = expected.stiffness * (0.97 + 0.01 * k);
    const points = Array.from({ length: 21 }, (_, i): [number, number] => {
      const load = (broke * i) / 20;
      // A little softer towards the end, and the last figure of the gauge scatters.
      const bent = (load / stiffness) * (1 + 0.08 * (i / 20) ** 3) + 2e-5 * Math.sin(7 * i + k);
      return [Math.round(load), Math.round(1e6 * Math.max(0, bent)) / 1e6];
    });
    const body: Trial = {
      ...SET_UP,
      name,
      layers,
      arealWeight: Math.round(100 * expected.arealWeight * 1.02) / 100,
      points,
      window: null,
      breaks: [
        { kind: 'crack', load: Math.round(0.86 * broke), where: 'a tick, not seen' },
        { kind: how, load: broke, where: 'under the load' },
      ],
      target: TARGET,
      mostDeflection: 0.02,
      on,
      note: '',
    };
    const fact = { id: `demo-hatch-${name}`, corrects: null, void: false, kind: 'trial', body };
    await keepYardFact({ ...context, actor: 'M. Aske' }, fact);
  }
}
