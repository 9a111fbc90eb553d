import { readFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { randomLcg } from 'd3-random';
import { calculate } from '../../src/core/calc';
import { boatCost, USUAL_RATES } from '../../src/core/cost';
import { evaluateDetails } from '../../src/core/detail/kinds';
import { boatFromJson, boatToJson, newLayer, type Boat } from '../../src/core/document';
import { applyEdits, boundariesOf, moveBoundary, type Edit } from '../../src/core/edit';
import {
  analysePanel,
  analyseZone,
  evaluateStiffeners,
  evaluateZone,
  makeEvaluator,
  marginBand,
  probeZone,
} from '../../src/core/evaluate';
import { kitPieces, USUAL_CUTTING, type At } from '../../src/core/kit';
import { laminateStiffness, type Ply } from '../../src/core/laminate';
import { runToEnd } from '../../src/core/job';
import { GENERIC_MATERIALS } from '../../src/core/material';
import { layerMoves, loadIntegerSolver, optimiseBoat, takeMaterials } from '../../src/core/option';
import { floatIn, massesOf, swamped } from '../../src/core/weight';
import { largeBoat } from '../../tests/helpers/largeBoat';
import { note, sample } from './report';

/** One zone of exactly so many layers. */
function oneZone(layers: number): Boat {
  const boat = largeBoat(Math.ceil(layers * 1.6), 1);
  const [part] = boat.parts;
  const covering = part!.layers.filter(({ zones }) => zones.length > 0).slice(0, layers);
  if (covering.length !== layers) throw new Error(`${covering.length} layers instead of ${layers}`);
  return { ...boat, parts: [{ ...part!, layers: covering }] };
}

/** An angle or a thickness that no sample had before, on one layer after the other. */
function changeOf(boat: Boat, i: number): Edit {
  const layers = boat.parts[0]!.layers;
  const layer = layers[1 + ((i * 7) % (layers.length - 2))]!;
  const patch =
    layer.thickness === null ? { angleDeg: ((i * 0.7310586) % 180) - 90 } : { thickness: 0.01 + (i % 9973) * 1e-6 };
  return { type: 'layer.set', layerId: layer.id, patch };
}

function zones(): void {
  let boat = oneZone(40);
  const states: Boat[] = [];
  for (let i = 0; i < 2600; i++) states.push((boat = applyEdits(boat, [changeOf(boat, i)]).boat));
  const of = (state: Boat) => evaluateZone(state, state.parts[0]!, state.parts[0]!.zones[0]!);
  note(
    'Evaluate a zone of 40 layers, a changed layer each time',
    sample(2000, (i) => of(states[i]!), 600),
    'ms',
    { limit: 0.1, of: 'median' },
  );
  note(
    'The same, nothing known: materials, fabrics and layers all new',
    sample(150, () => of(structuredClone(boat)), 20),
    'ms',
  );
  note(
    'The same with its edit',
    sample(800, (i) => of((boat = applyEdits(boat, [changeOf(boat, 5000 + i)]).boat))),
    'ms',
  );
  for (const layers of [40, 400]) {
    let large = oneZone(layers);
    note(
      `Analysis of ${layers} layers: ply by ply, five criteria to the last ply`,
      sample(
        layers === 40 ? 40 : 5,
        (i) => {
          large = applyEdits(large, [changeOf(large, 9000 + i)]).boat;
          analyseZone(large, large.parts[0]!, large.parts[0]!.zones[0]!, 'tsaiWu');
        },
        2,
      ),
      'ms',
    );
  }
}

function edits(): void {
  for (const [layers, columns] of [
    [60, 16],
    [399, 64],
  ] as const) {
    const evaluate = makeEvaluator();
    let boat = largeBoat(layers, columns);
    const size = `${layers} × ${columns}`;
    const take = (edit: Edit) => evaluate((boat = applyEdits(boat, [edit]).boat));
    note(`All zones of ${size}, nothing known`, [sample(1, () => evaluate(boat), 0)[0]!], 'ms');
    const count = layers === 60 ? 300 : 30;
    const inBudget = layers === 60 ? ({ limit: 16, of: 'p95' } as const) : undefined;
    note(
      `Turn a layer of ${size} and evaluate`,
      sample(count, (i) => take(changeOf(boat, i))),
      'ms',
      inBudget,
    );
    const extra = boat.parts[0]!.layers[5]!;
    note(
      `Add and remove a layer of ${size} and evaluate`,
      sample(count, (i) =>
        take(
          i % 2 === 0
            ? { type: 'layer.add', partId: 'hull', layer: { ...extra, id: 'extra' }, index: 5 }
            : { type: 'layer.remove', layerId: 'extra' },
        ),
      ),
      'ms',
      inBudget,
    );
    note(
      `Take a layer of ${size} out of a zone and back, and evaluate`,
      sample(count, (i) => take({ type: 'layer.cover', layerId: 'l1', zoneId: 'z3', covered: i % 2 === 1 })),
      'ms',
      inBudget,
    );
    if (layers > 60) continue;
    const part = boat.parts[0]!;
    const evaluations = evaluate(boat);
    note(
      `What each layer of a zone of ${size} buys, in the worker`,
      sample(2, (i) => layerMoves({ boat, part, zone: part.zones[i]!, evaluations, scope: 'layer' }), 1),
      'ms',
    );
    note(
      `Document of ${size} out and in`,
      sample(10, () => boatFromJson(boatToJson(boat)), 2),
      'ms',
    );
  }
}

function demo(): void {
  const boat = boatFromJson(readFileSync('data/demo/merrow-84.json', 'utf8'));
  const evaluate = makeEvaluator();
  evaluate(boat);
  const bulkhead = boundariesOf(boat).find(({ kind }) => kind === 'bulkhead')!;
  note(
    'Drag a bulkhead of Merrow 84: geometry, panels and margins',
    sample(120, (i) => evaluate(applyEdits(boat, moveBoundary(boat, bulkhead, bulkhead.x + 0.00073 * i)).boat), 20),
    'ms',
    { limit: 100, of: 'p95' },
  );
  const part = boat.parts[0]!;
  const zone = part.zones[0]!;
  note(
    'Panel analysis of one zone, in the worker',
    sample(8, () => analysePanel(boat, part, zone, { terms: 16 }), 2),
    'ms',
  );
  note(
    'Band of one zone, 400 draws, in the worker',
    sample(8, (i) => marginBand(boat, part, zone, { seed: i, draws: 400 }), 2),
    'ms',
  );
  note(
    'All stiffeners of Merrow 84',
    sample(8, () => evaluateStiffeners({ ...boat }), 2),
    'ms',
  );
}

/** What an edit under Weights asks for: everything that weighs, the boat afloat, cost and hours. */
function weights(): void {
  const boat = boatFromJson(readFileSync('data/demo/merrow-84.json', 'utf8'));
  const evaluate = makeEvaluator();
  const [item] = boat.items;
  const changed = (i: number): Boat => ({ ...boat, items: [{ ...item!, mass: 500 + i }, ...boat.items.slice(1)] });
  const details = evaluateDetails(boat);
  const weigh = (own: Boat) => massesOf(own, evaluate(own), details);
  note(
    'Everything that weighs in Merrow 84, an item changed',
    sample(60, (i) => weigh(changed(i)), 10),
    'ms',
    { limit: 16, of: 'p95' },
  );
  note(
    'Merrow 84 afloat in one condition, an item changed',
    sample(60, (i) => floatIn(boat, weigh(changed(i)), 'full'), 10),
    'ms',
  );
  note(
    'Merrow 84 full of water',
    sample(20, (i) => swamped(boat, weigh(changed(i)), { openable: true, foamDensity: 35 }), 4),
    'ms',
  );
  note(
    'Cost and hours of Merrow 84, an item changed',
    sample(60, (i) => boatCost(changed(i), evaluate(boat), details, { rates: USUAL_RATES, offers: [] }), 10),
    'ms',
  );
}

const PEER = `
import json, sys, time
try:
    import numpy as np
except ImportError:
    print('none'); sys.exit()
n, k = 2000, 40
rng = np.random.default_rng(1)
t = rng.uniform(2e-4, 1e-3, (n, k)); a = np.radians(rng.uniform(-90, 90, (n, k)))
def run():
    E1, E2, nu, G = 38e9, 9e9, 0.28, 3.5e9
    d = 1 - nu * nu * E2 / E1
    Q = np.array([E1 / d, E2 / d, nu * E2 / d, G]); c, s = np.cos(a), np.sin(a)
    q11 = Q[0]*c**4 + 2*(Q[2]+2*Q[3])*s*s*c*c + Q[1]*s**4; q22 = Q[0]*s**4 + 2*(Q[2]+2*Q[3])*s*s*c*c + Q[1]*c**4
    q12 = (Q[0]+Q[1]-4*Q[3])*s*s*c*c + Q[2]*(s**4+c**4); q66 = (Q[0]+Q[1]-2*Q[2]-2*Q[3])*s*s*c*c + Q[3]*(s**4+c**4)
    q16 = (Q[0]-Q[2]-2*Q[3])*s*c**3 + (Q[2]-Q[1]+2*Q[3])*c*s**3
    q26 = (Q[0]-Q[2]-2*Q[3])*c*s**3 + (Q[2]-Q[1]+2*Q[3])*s*c**3
    q = np.stack([q11, q12, q16, q12, q22, q26, q16, q26, q66], -1).reshape(n, k, 3, 3)
    top = np.cumsum(t, 1) - t.sum(1, keepdims=True) / 2; z = top - t / 2
    A = np.einsum('nk,nkij->nij', t, q); B = np.einsum('nk,nkij->nij', t * z, q)
    D = np.einsum('nk,nkij->nij', t * (z*z + t*t/12), q)
    return np.linalg.inv(np.block([[A, B], [B, D]]))
run(); s = time.perf_counter(); run(); run(); run(); print((time.perf_counter() - s) / 3 / n * 1000)
`;

/** The same sums and the same inverse by vectorised numpy, where it is installed: milliseconds a stack. */
function peer(): void {
  const plies = (i: number): Ply[] =>
    Array.from({ length: 40 }, (_, k) => ({
      thickness: 2e-4 + ((i * 31 + k * 17) % 800) * 1e-6,
      angleDeg: ((i * 0.917 + k * 7.3) % 180) - 90,
      E1: 38e9,
      E2: 9e9,
      nu12: 0.28,
      G12: 3.5e9,
    }));
  const stacks = Array.from({ length: 2500 }, (_, i) => plies(i));
  note(
    'A, B, D and their inverse of 40 new plies',
    sample(2000, (i) => laminateStiffness(stacks[i]!), 500),
    'ms',
  );
  const { stdout } = spawnSync('python3', ['-c', PEER], { encoding: 'utf8' });
  const own = Number(stdout?.trim());
  if (Number.isFinite(own) && stdout?.trim())
    note('The same by vectorised numpy, a stack of two thousand at once', [own], 'ms');
  else console.log('numpy is not installed: no peer in this run');
}

/** A part of as many zones as a large hull has: the zones of one over and over, under other names. */
function wideHull(boat: Boat, zones: number): Boat {
  const [hull] = boat.parts as [Boat['parts'][number]];
  const many = Array.from({ length: zones }, (_, i) => {
    const zone = hull.zones[i % hull.zones.length]!;
    const { geometry } = zone;
    const breadth = geometry.panelBreadth * (0.85 + 0.03 * (i % 10));
    return {
      ...zone,
      id: `wide-${i}`,
      name: `Wide ${i}`,
      region: null,
      overridden: [],
      geometry: { ...geometry, panelBreadth: breadth },
    };
  });
  return { ...boat, details: [], supports: [], parts: [{ ...hull, zones: many, layers: [], groups: [], joins: [] }] };
}

/** The search for a schedule: stacks a second, time and gap for Merrow's hull and for 16 zones of up to 60 layers. */
export async function searchBench(): Promise<void> {
  const solve = await loadIntegerSolver();
  const fabrics = ['csm-300', 'bx45-600', 'bx0-600', 'bx45-800'];
  const merrow = takeMaterials(
    boatFromJson(readFileSync('data/demo/merrow-84.json', 'utf8')),
    [...fabrics, 'pvc-80'],
    GENERIC_MATERIALS,
  );
  const run = (boat: Boat, maxLayers: number) => {
    const began = performance.now();
    const { evaluated, gap } = runToEnd(
      optimiseBoat(
        {
          boat,
          partId: boat.parts[0]!.id,
          choices: { fabrics, angles: [0], cores: ['pvc-80'], maxLayers },
          weights: { mass: 1, cost: 0, hours: 0, pieces: 0 },
          effort: { budget: 60_000, gap: 0.005 },
        },
        { solve },
      ),
    );
    return { milliseconds: performance.now() - began, evaluated, gap };
  };
  run(merrow, 14);
  for (const [what, boat, layers] of [
    ['Merrow 84’s hull, four fabrics and a core', merrow, 14],
    ['16 zones of up to 60 layers', wideHull(merrow, 16), 60],
  ] as const) {
    const { milliseconds, evaluated, gap } = run(boat, layers);
    note(`Lightest schedule: ${what}`, [milliseconds / 1000], 's', { limit: 10, of: 'median' });
    note(`Its gap to the proven bound`, [gap * 100], '%', { limit: 2, of: 'median' });
    note(`Stacks looked at a second for it`, [(1000 * evaluated) / milliseconds], '/s');
  }
}

/** Random stacks with a core against every check of a zone, as the search looks at them: µs for each, in batches. */
function triedStacks(): void {
  const fabrics = ['csm-300', 'bx45-600', 'bx0-600', 'bx45-800'];
  const boat = takeMaterials(
    boatFromJson(readFileSync('data/demo/merrow-84.json', 'utf8')),
    [...fabrics, 'pvc-80'],
    GENERIC_MATERIALS,
  );
  const zone = boat.parts[0]!.zones[0]!;
  const lay = (material: string, id: string, thickness: number | null) =>
    newLayer({ id, material, angleDeg: 0, thickness, zones: [zone.id] });
  const cloth = fabrics.flatMap((fabric) => Array.from({ length: 9 }, (_, i) => lay(fabric, `${fabric}-${i}`, null)));
  const cores = [10, 15, 20, 25, 30].map((millimetres) => lay('pvc-80', `core-${millimetres}`, millimetres / 1000));
  const random = randomLcg(0.3);
  const one = <T>(of: readonly T[]) => of[Math.floor(random() * of.length)]!;
  const skin = (most: number) => Array.from({ length: 1 + Math.floor(random() * most) }, () => one(cloth));
  const batches = Array.from({ length: 60 }, () =>
    Array.from({ length: 1000 }, () => [...skin(5), one(cores), ...skin(4)]),
  );
  const probe = probeZone(boat, zone, 1.1);
  note(
    'One stack against every check of a zone, as the search does it (20 µs are 50,000 a second)',
    sample(40, (i) => batches[i]!.forEach((layers) => probe.failing(layers)), 20),
    'µs',
    { limit: 20, of: 'median' },
  );
}

/** A full strip cut up by random straight lines into convex pieces: nothing is shorter than the strip. */
function cutStrip(width: number, length: number, { count, seed }: { count: number; seed: number }): At[][] {
  const random = randomLcg(seed);
  let pieces: At[][] = [
    [
      [0, 0],
      [width, 0],
      [width, length],
      [0, length],
    ],
  ];
  const area = (ring: At[]) => {
    const next = (i: number) => ring[(i + 1) % ring.length]!;
    return Math.abs(ring.reduce((sum, [x, y], i) => sum + x * next(i)[1] - next(i)[0] * y, 0)) / 2;
  };
  while (pieces.length < count) {
    pieces.sort((a, b) => area(b) - area(a));
    const [largest, ...rest] = pieces as [At[], ...At[][]];
    const mean = (axis: 0 | 1) => largest.reduce((sum, point) => sum + point[axis] / largest.length, 0);
    const middle: At = [mean(0), mean(1)];
    const angle = random() * Math.PI;
    const side = ([x, y]: At) => (x - middle[0]) * Math.cos(angle) + (y - middle[1]) * Math.sin(angle);
    const half = (sign: number) =>
      largest.flatMap((a, i): At[] => {
        const b = largest[(i + 1) % largest.length]!;
        const [p, q] = [sign * side(a), sign * side(b)];
        const t = p / (p - q);
        const kept: At[] = p >= 0 ? [a] : [];
        return p * q < 0 ? [...kept, [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])]] : kept;
      });
    pieces = [...rest, half(1), half(-1)];
  }
  return pieces;
}

/** A strip of 8 m cut into a hundred rectangles, whole millimetres. */
function cutRectangles(seed: number): { id: string; width: number; length: number }[] {
  const random = randomLcg(seed);
  let boxes = [{ w: 1.27, h: 8 }];
  while (boxes.length < 100) {
    boxes.sort((a, b) => b.w * b.h - a.w * a.h);
    const [{ w, h }, ...rest] = boxes as [{ w: number; h: number }, ...typeof boxes];
    const share = 0.3 + 0.4 * random();
    const at = Math.round(1000 * share * Math.max(w, h)) / 1000;
    boxes = w > h ? [...rest, { w: at, h }, { w: w - at, h }] : [...rest, { w, h: at }, { w, h: h - at }];
  }
  return boxes.map(({ w, h }, i) => ({ id: `r${i}`, width: w, length: h }));
}

/** Pieces on the roll, by the calculations with the seconds that the budget gives: how far from a known optimum. */
function kit(): void {
  const lay = (name: string, input: Record<string, unknown>, optimum: number) => {
    const began = performance.now();
    const { length } = calculate(name, input) as { length: number };
    return { over: 100 * (length / optimum - 1), seconds: (performance.now() - began) / 1000 };
  };
  for (const count of [12, 25, 50]) {
    const pieces = cutStrip(1.27, 2, { count, seed: 0.37 }).map((outline, i) => ({ id: `p${i}`, outline }));
    const { over, seconds } = lay('kit.nestPolygons', { stripWidth: 1.27, pieces, seconds: 20 }, 2);
    const budget = (limit: number) => (count === 25 ? ({ limit, of: 'median' } as const) : undefined);
    note(`A full strip cut into ${count} polygons: over the optimum`, [over], '%', budget(20));
    note(`Time for it`, [seconds], 's', budget(20));
  }
  const nests = [0.61, 0.62, 0.13, 0.77, 0.35].map((seed) =>
    lay('kit.nestRectangles', { stripWidth: 1.27, pieces: cutRectangles(seed), allowRotation: false, seconds: 5 }, 8),
  );
  note(
    'Five full strips cut into 100 rectangles: over the optimum',
    nests.map(({ over }) => over),
    '%',
    { limit: 2, of: 'median' },
  );
  note(
    'Time for each',
    nests.map(({ seconds }) => seconds),
    's',
    { limit: 5, of: 'median' },
  );
  const boat = boatFromJson(readFileSync('data/demo/merrow-84.json', 'utf8'));
  const evaluations = makeEvaluator()(boat);
  const details = evaluateDetails(boat);
  const input = { boat, evaluations, details, cutting: USUAL_CUTTING };
  note(
    'Every piece of Merrow 84',
    sample(3, () => kitPieces({ ...input, boat: { ...boat } }), 1),
    'ms',
  );
}

/** Core alone, on one thread. */
export async function benchCore(): Promise<void> {
  zones();
  edits();
  demo();
  weights();
  kit();
  triedStacks();
  await searchBench();
  peer();
}
