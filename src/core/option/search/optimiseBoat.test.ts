import { beforeAll, describe, expect, it } from 'vitest';
import { randomLcg, randomInt } from 'd3-random';
import { brant, merrow } from '../../../../tests/helpers/merrow';
import { hoursOfLayer, USUAL_RATES } from '../../cost';
import type { Boat, Part } from '../../document';
import { applyEdits } from '../../edit';
import { evaluateZone, makeEvaluator, targetOf } from '../../evaluate';
import { runToEnd } from '../../job';
import { piecesOf } from '../../lines';
import { GENERIC_MATERIALS } from '../../material';
import { reaches } from '../../quantity';
import { loadIntegerSolver } from '../integerSolver';
import { takeMaterials } from '../takeMaterials';
import type { SolveInteger } from './coupleZones';
import { optimiseBoat, spaceOfChoices, type OptimiseInput } from './optimiseBoat';
import { readyPart } from './readyPart';
import { gridEdits } from './gridEdits';
import { rowsOf, type Stack, type StackSpace } from './stackSpace';

let solve: SolveInteger;
beforeAll(async () => {
  solve = await loadIntegerSolver();
});

/** Every stack of a space, one by one. */
function everyStack(space: StackSpace): Stack[] {
  const counts = (n: number, most: number): number[][] =>
    n === 0 ? [[]] : counts(n - 1, most).flatMap((some) => Array.from({ length: most + 1 }, (_, k) => [...some, k]));
  const within = (stack: Stack) => [...stack.outer, ...stack.inner].reduce((a, b) => a + b, 0) <= space.most;
  const outer = counts(space.outer.length, space.most);
  const inner = counts(space.inner.length, space.most);
  const none = space.inner.map(() => 0);
  const solid = outer.flatMap((o) =>
    (space.runsOn ? inner : [none]).map((i): Stack => ({ outer: o, core: null, inner: i })),
  );
  const cored = space.cores.flatMap(({ thicknesses }, c) =>
    thicknesses.flatMap((_, t) =>
      outer.flatMap((o) => inner.map((i): Stack => ({ outer: o, core: [c, t], inner: i }))),
    ),
  );
  return [...solid, ...cored].filter(within);
}

/** The least objective by trying everything: each zone alone, or all zones together where they hang together. */
function byHand(input: OptimiseInput): number {
  const space = spaceOfChoices(input);
  const target = input.target ?? targetOf(input.boat);
  const question = {
    boat: input.boat,
    partId: input.partId,
    zoneIds: input.zoneIds ?? null,
    free: input.free ?? null,
    spaceOf: () => space,
    weights: input.weights,
    target,
    mostDropped: null,
    mostMaterials: null,
    stock: new Map<string, number>(),
    effort: { budget: 1, list: 1, gap: 0, tidy: 0 },
    solve,
  };
  const { part, zones, places, layerOf, meets } = readyPart(question);
  const lists = zones.map((zone) =>
    everyStack(space).flatMap((stack) => {
      const rows = rowsOf(stack, space);
      const laid: Part = {
        ...part,
        layers: rows.map((row) => ({ ...layerOf(row), zones: [zone.id] })),
        groups: [],
        joins: [],
      };
      const e = evaluateZone(input.boat, laid, zone);
      if (e.problem !== null || e.unproven.length > 0 || !e.governing || !reaches(e.governing.reserveFactor, target))
        return [];
      const area = zone.geometry.area * part.number;
      const { mass, cost, hours } = input.weights;
      const own = USUAL_RATES.processes[input.boat.brief.process];
      const worked = e.layers.reduce((sum, { material }) => sum + hoursOfLayer(zone, material, own, USUAL_RATES), 0);
      return [
        {
          stack,
          rows,
          value: area * (mass * e.laminatedArealWeight + cost * (e.cost ?? 0) + hours * worked),
        },
      ];
    }),
  );
  if (input.weights.pieces === 0 && input.mostDropped === undefined)
    return lists.reduce((sum, list) => sum + Math.min(...list.map(({ value }) => value)), 0);
  let least = Infinity;
  const choose = (at: number, chosen: (typeof lists)[number], value: number) => {
    if (value >= least) return;
    if (at < zones.length) {
      for (const one of lists[at]!) choose(at + 1, [...chosen, one], value + one.value);
      return;
    }
    const ends = ([a, b]: readonly [number, number]) =>
      [...chosen[a]!.stack.outer, ...chosen[a]!.stack.inner].reduce(
        (sum, count, i) => sum + Math.abs(count - [...chosen[b]!.stack.outer, ...chosen[b]!.stack.inner][i]!),
        0,
      );
    if (input.mostDropped !== undefined && meets.some((pair) => ends(pair) > input.mostDropped!)) return;
    let pieces = 0;
    if (input.weights.pieces > 0) {
      const edits = gridEdits(part, new Map(zones.map(({ id }, z) => [id, chosen[z]!.rows])), { places, layerOf });
      const after = applyEdits(input.boat, edits).boat;
      pieces = piecesOf(
        after,
        after.parts.find(({ id }) => id === part.id)!,
      ).reduce((sum, { count }) => sum + count, 0);
    }
    least = Math.min(least, value + input.weights.pieces * pieces);
  };
  choose(0, [], 0);
  return least;
}

/** A boat cut down to one part of a few zones with nothing laid. */
function smallBoat(from: Boat, partIndex: number, zoneIndices: number[]): Boat {
  const part = from.parts[partIndex]!;
  const zones = part.zones.filter((_, i) => zoneIndices.includes(i));
  return {
    ...from,
    details: [],
    supports: from.supports.filter((support) => !JSON.stringify(support).includes('"zone"')),
    parts: [{ ...part, zones, layers: [], groups: [], joins: [] }],
  };
}

const FABRICS = ['csm-300', 'csm-450', 'bx45-450', 'bx45-600', 'bx0-600', 'wr-600', 'cloth-200'];
const CORES = ['pvc-80', 'pvc-60', 'pvc-100', 'balsa-150'];

describe('the best schedule of a part', () => {
  const shelf = new Set(GENERIC_MATERIALS.map(({ id }) => id));
  const fabrics = FABRICS.filter((id) => shelf.has(id));
  const cores = CORES.filter((id) => shelf.has(id));

  it.each(Array.from({ length: 50 }, (_, i) => [i + 1]))('is what trying everything finds, problem %i', (seed) => {
    const source = randomLcg(seed / 97);
    const pick = (to: number) => randomInt.source(source)(0, to)();
    const from = [merrow(), brant()][pick(2)]!;
    const partIndex = pick(2);
    const count = from.parts[partIndex]!.zones.length;
    // Half of them hang together: by drops, or by pieces.
    const kind = ['mass', 'hours', 'cost', 'drops', 'pieces'][seed % 5]!;
    const many = kind === 'pieces' || kind === 'drops' ? 2 : 1 + pick(3);
    const start = pick(count - many + 1);
    const own = smallBoat(
      from,
      partIndex,
      Array.from({ length: many }, (_, i) => start + i),
    );
    const chosen = [...new Set([fabrics[pick(fabrics.length)]!, fabrics[pick(fabrics.length)]!])];
    const core = cores[pick(cores.length)]!;
    const withCore = pick(3) > 0;
    const boat = takeMaterials(own, [...chosen, core], GENERIC_MATERIALS);
    const input: OptimiseInput = {
      boat,
      partId: boat.parts[0]!.id,
      choices: {
        fabrics: chosen,
        angles: [0],
        ...(withCore && { cores: [core], coreThicknesses: [0.012, 0.02, 0.03] }),
        maxLayers: kind === 'pieces' ? 3 : 4,
      },
      weights: {
        mass: kind === 'cost' || kind === 'hours' ? 0 : 1,
        cost: kind === 'cost' ? 1 : 0,
        hours: kind === 'hours' ? 1 : 0,
        pieces: kind === 'pieces' ? 0.5 : 0,
      },
      target: [0.3, 0.5, 0.8][pick(3)]!,
      ...(kind === 'drops' && { mostDropped: pick(3) }),
    };
    const least = byHand(input);
    const run = () => runToEnd(optimiseBoat(input, { solve }));
    if (least === Infinity) return expect(run).toThrow(/holds in|go together/);
    const answer = run();
    expect(answer.after.objective).toBeCloseTo(least, 6);
    expect(answer.proven).toBe(true);
    expect(answer.bound).toBeLessThanOrEqual(least * (1 + 1e-9));
    const after = applyEdits(boat, answer.edits).boat;
    for (const e of makeEvaluator()(after).values())
      expect(reaches(e.governing!.reserveFactor, input.target!)).toBe(true);
    // Twice the same.
    expect(run().edits).toEqual(answer.edits);
  });
});
