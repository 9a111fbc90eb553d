import { describe, expect, it } from 'vitest';
import type { z } from 'zod';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { boatCost, ratesSchema, USUAL_RATES, type Rates } from '@/core/cost';
import { curedBy, curingSchema, inShopOf, USUAL_CURING, type Curing } from '@/core/cure';
import { evaluateDetails } from '@/core/detail/kinds';
import { newCurePlan, type Boat } from '@/core/document';
import { KeramosError } from '@/core/error';
import { makeEvaluator } from '@/core/evaluate';
import {
  bagOf,
  dropTest,
  fillCase,
  fillingSchema,
  resinToHave,
  stackFlow,
  thickerBy,
  USUAL_FILLING,
  WHAT_IFS,
  whatIf,
  type Filling,
  type WhatIf,
} from '@/core/fill';
import { runToEnd } from '@/core/job';
import {
  cutPlan,
  cuttingSchema,
  kitPieces,
  mixingPlan,
  mixingSchema,
  sheetPlan,
  USUAL_CUTTING,
  USUAL_MIXING,
  type Cutting,
  type Mixing,
} from '@/core/kit';
import { GENERIC_MATERIALS, PROCESSES, type Core, type Fabric, type Process, type Resin } from '@/core/material';

/** Every number of a setting, by where it stands. */
type Path = readonly (string | number)[];
const numbersOf = (value: unknown, at: Path = []): Path[] => {
  if (typeof value === 'number') return [at];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, own]) =>
    numbersOf(own, [...at, Array.isArray(value) ? Number(key) : key]),
  );
};
const read = (value: unknown, path: Path): number =>
  path.reduce<unknown>((own, key) => (own as Record<string | number, unknown>)[key], value) as number;
function written<T>(value: T, [key, ...rest]: Path, number: number): T {
  if (key === undefined) return number as T;
  const copy = (Array.isArray(value) ? [...value] : { ...value }) as Record<string | number, unknown>;
  copy[key] = written(copy[key], rest, number);
  return copy as T;
}
/** Other values of a number that the setting may have. */
function others<T>(schema: z.ZodType<T>, usual: T, path: Path): T[] {
  const now = read(usual, path);
  return [1.5 * now, 0.6 * now, now + 1, now - 1, 4 * now, 0.2 * now, now + 0.05, 0.98]
    .filter((number) => number !== now)
    .map((number) => written(usual, path, number))
    .filter((body) => schema.safeParse(body).success);
}
/** Numbers of a setting that change nothing of what is reckoned by it, whatever they are. */
function withoutBearing<T>(schema: z.ZodType<T>, usual: T, reckoned: (body: T, path: Path) => unknown): string[] {
  const known = new Map<string, string>();
  return numbersOf(usual).flatMap((path) => {
    const key = String(path[0]) + String(path[1]);
    const base = known.get(key) ?? JSON.stringify(reckoned(usual, path));
    known.set(key, base);
    const bears = others(schema, usual, path).some((body) => JSON.stringify(reckoned(body, path)) !== base);
    return bears ? [] : [path.map((one) => (typeof one === 'number' ? 'n' : one)).join('.')];
  });
}

const evaluate = makeEvaluator();
const boats = [merrow(), brant()];
const by = (boat: Boat, process: Process): Boat => ({ ...boat, brief: { ...boat.brief, process } });
/** The boat laid in a resin of another family. */
const inResin = (boat: Boat, family: Resin['family']): Boat => {
  const resin = GENERIC_MATERIALS.find((one): one is Resin => one.kind === 'resin' && one.family === family)!;
  const materials = boat.materials.some(({ id }) => id === resin.id) ? boat.materials : [...boat.materials, resin];
  return { ...boat, materials, brief: { ...boat.brief, resin: resin.id } };
};
const attempt = (work: () => unknown): unknown => {
  try {
    return work();
  } catch (error) {
    if (error instanceof KeramosError) return error.text;
    throw error;
  }
};

describe('every number that a yard may set has some bearing, and none is only for show', () => {
  it('rates: on what a boat costs and how long it takes, by one process or another', () => {
    const states = boats.flatMap((boat) =>
      (Object.keys(PROCESSES) as Process[]).map((process) => {
        const own = by(boat, process);
        return { own, evaluations: evaluate(own), details: evaluateDetails(own) };
      }),
    );
    const costs = (rates: Rates) =>
      states.map(({ own, evaluations, details }) => boatCost(own, evaluations, details, { rates, offers: [] }));
    // No place of the samples is tight; where nothing is debulked neither its hours nor how often count alone.
    expect(withoutBearing(ratesSchema, USUAL_RATES, costs)).toEqual([
      'shapeTight',
      ...['handLayUp', 'wetBag', 'infusion'].flatMap((process) =>
        ['debulk', 'debulkEvery'].map((key) => `processes.${process}.${key}`),
      ),
    ]);
  });
  it('cutting: on pieces, on how they lie, on the time, on sheets', () => {
    const boat = boats[1]!;
    const evaluations = evaluate(boat);
    const details = evaluateDetails(boat);
    const fabric = boat.materials.find((one): one is Fabric => one.kind === 'fabric' && one.id === 'wr-600-m300')!;
    const cut = (cutting: Cutting) => {
      const { pieces } = kitPieces({ boat, evaluations, details, cutting });
      const own = pieces.filter(({ material }) => material === fabric.id);
      const core = boat.materials.find(
        (one): one is Core => one.kind === 'core' && pieces.some(({ material }) => material === one.id),
      )!;
      const input = { material: fabric, pieces: own, cutting, cloth: [], looks: 0, seed: 1, clothPrice: 4, labour: 40 };
      return [
        pieces.map(({ outline, count }) => [outline, count]),
        attempt(() => runToEnd(cutPlan(input))),
        attempt(() =>
          sheetPlan(
            core,
            pieces.filter(({ material }) => material === core.id),
            cutting,
          ),
        ),
      ];
    };
    // Who carries a piece stands on the laying cards.
    expect(withoutBearing(cuttingSchema, USUAL_CUTTING, cut)).toEqual(['alone']);
  });
  it('mixing: on batches, by hand or drawn in, each hardener where it is the one there is', () => {
    const states = new Map<string, [Boat, ReturnType<typeof evaluate>, ReturnType<typeof evaluateDetails>]>();
    const stateOf = (boat: Boat, process: Process, family: Resin['family'] | null) => {
      const key = `${boat.name} ${process} ${family}`;
      const made = family ? inResin(by(boat, process), family) : by(boat, process);
      const state = states.get(key) ?? [made, evaluate(made), evaluateDetails(made)];
      states.set(key, state);
      return state;
    };
    const plan = (mixing: Mixing, [list, n]: Path) => {
      const [only] = list === 'hardeners' ? [mixing.hardeners[Number(n)]!] : [];
      const own = only ? { ...mixing, hardeners: [only] } : mixing;
      return boats.flatMap((boat) =>
        (['handLayUp', 'infusion'] as const).map((process) => {
          const [laid, evaluations, details] = stateOf(boat, process, only?.family ?? null);
          return attempt(() => mixingPlan(laid, evaluations, own, { details }));
        }),
      );
    };
    expect([...new Set(withoutBearing(mixingSchema, USUAL_MIXING, plan))]).toEqual([]);
  });
  it('filling: on how resin runs, what it takes, what may go otherwise, and the bag', () => {
    const boat = boats[0]!;
    /** The boat with every cloth of a family, or of carbon; with every core a mat that resin runs in. */
    const changed = (of: (material: Boat['materials'][number]) => Boat['materials'][number]): Boat => ({
      ...boat,
      materials: boat.materials.map(of),
    });
    const laid = new Map<Boat, ReturnType<typeof evaluate>>();
    const flows = (own: Boat, filling: Filling) => {
      const resin = own.materials.find((one): one is Resin => one.kind === 'resin' && one.id === own.brief.resin)!;
      const evaluations = laid.get(own) ?? evaluate(own);
      laid.set(own, evaluations);
      return own.parts.flatMap(({ zones }) =>
        zones.map((zone) => stackFlow(evaluations.get(zone.id)!, { zone, filling, resin, mesh: true })),
      );
    };
    const cored = (of: (core: Core) => Core) => changed((one) => (one.kind === 'core' ? of(one) : one));
    const variants = [
      boat,
      cored((core) => ({ ...core, family: 'flowMat' })),
      cored((core) => ({ ...core, forms: ['grooved'] })),
    ];
    const families = new Map(
      USUAL_FILLING.fabrics.map(({ family }) => [
        family,
        changed((one) => (one.kind === 'fabric' ? { ...one, family } : one)),
      ]),
    );
    const evaluations = evaluate(boat);
    const plan = boat.fillPlans[0]!;
    const filled = (filling: Filling, [list, n]: Path) => {
      const ofFamily = list === 'fabrics' && families.get(filling.fabrics[Number(n)]!.family);
      const own = fillCase({ boat, plan, filling, evaluations });
      const reading = { start: 1500, end: 1900, minutes: 10, startCelsius: null, endCelsius: null };
      return [
        [...variants, ...(ofFamily ? [ofFamily] : [])].map((one) => flows(one, filling)),
        own.flow,
        resinToHave(own, {
          course: [
            { time: 0, volume: 0 },
            { time: 900, volume: 0.05 },
          ],
          resinVolume: 0.05,
          fillTime: 900,
        } as never),
        bagOf(own),
        (Object.keys(WHAT_IFS) as WhatIf[]).map((kind) => whatIf(kind, own)),
        [...thickerBy(Float64Array.of(0.3), filling.springBack)],
        [5400, 300].map((gel) => dropTest(reading, { volume: 0.02, gel, filling })),
      ];
    };
    // The margin is asked by the screen, the pressure is that of a plan that begins; the sample holds no carbon.
    expect([...new Set(withoutBearing(fillingSchema, USUAL_FILLING, filled))].sort()).toEqual([
      'carbon',
      'margin',
      'vacuum',
    ]);
  });
  it('cure: on gel, heat and demoulding, each family where the boat is laid in it', () => {
    const [hull] = boats[1]!.parts;
    const transom = hull!.zones.find(({ id }) => id === 'transom')!;
    const boat: Boat = { ...boats[1]!, details: [], fillPlans: [], parts: [{ ...hull!, zones: [transom] }] };
    const cures = (curing: Curing, [list, n]: Path) => {
      const family = list === 'families' ? USUAL_CURING.families[Number(n)]!.family : null;
      const laid = family ? inResin(boat, family) : boat;
      // One that cures by its two pot lives: a law of its own goes before the list.
      const materials = laid.materials.map((one) => (one.kind === 'resin' ? { ...one, cure: null } : one));
      const day = { rate: 10, to: 20, hold: 86_400 };
      const warm = { rate: 20, to: 45, hold: 20_000 };
      return (['shop', 'tent', 'oven'] as const).map((place) => {
        const steps = place === 'shop' ? [day] : [day, warm];
        const plan = newCurePlan({ id: 'c', name: 'C', part: hull!.id, place, start: 20, steps });
        const shops = place === 'shop' ? [inShopOf(curing.hotShop, plan), inShopOf(curing.coldShop, plan)] : [];
        return [plan, ...shops].map((one) => {
          const found = curedBy({ ...laid, materials }, one, curing);
          return typeof found === 'string' ? found : found.zones.map(({ course: _, ...zone }) => zone);
        });
      });
    };
    // Hardness is what a reading of it is held against.
    expect([...new Set(withoutBearing(curingSchema, USUAL_CURING, cures))]).toEqual(['families.n.hardness']);
  });
});
