import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { evaluateDetails } from '../detail/kinds';
import type { Boat } from '../document';
import { makeEvaluator } from '../evaluate';
import type { Material } from '../material';
import { materialList } from '../weight';
import {
  asKnown,
  boatCost,
  breakPrice,
  hoursByStep,
  layerCosts,
  shapeFactor,
  unitsOf,
  USUAL_RATES,
  workHours,
  type Offer,
  type Rates,
} from '.';

const evaluate = makeEvaluator();
const boat = merrow();
const cost = (own: Boat, offers: readonly Offer[] = [], rates: Rates = USUAL_RATES) =>
  boatCost(own, evaluate(own), evaluateDetails(own), { rates, offers });
const offer = (more: Partial<Offer>): Offer => ({
  material: 'bx45-600',
  supplier: 'Made-up Fabrics',
  by: 'weight',
  price: 5,
  currency: 'EUR',
  date: '2026-11-01',
  breaks: [],
  waste: null,
  width: null,
  length: null,
  ...more,
});
const fabric = boat.materials.find(({ id }) => id === 'bx45-600') as Material;
const laid = materialList(boat, evaluate(boat), evaluateDetails(boat));
const of = (own: ReturnType<typeof cost>, id: string) => own.materials.find(({ material }) => material.id === id)!;

describe('a price', () => {
  const need = { material: fabric, area: 50, mass: 30, thickness: null };
  it.each([
    ['weight', {}, 30],
    ['area', {}, 50],
    ['length', { width: 1.25 }, 40],
    ['roll', { width: 1.25, length: 80 }, 0.5],
    ['piece', { width: 1, length: 2 }, 25],
    ['volume', {}, null],
  ] as const)('by %s counts so many', (by, more, units) => {
    expect(unitsOf(offer({ by, ...more }), need)).toBe(units);
  });
  it('by the metre takes the width of the roll from the Shelf', () => {
    expect(unitsOf(offer({ by: 'length' }), need)).toBeCloseTo(50 / 1.27, 9);
    const core = boat.materials.find(({ kind }) => kind === 'core')!;
    expect(unitsOf(offer({ by: 'roll' }), { material: core, area: 5, mass: 6, thickness: 0.02 })).toBeNull();
    expect(unitsOf(offer({ by: 'volume' }), { material: core, area: 5, mass: 6, thickness: 0.02 })).toBeCloseTo(0.1, 9);
  });
  it('breaks at its steps, and not before', () => {
    const steps = {
      price: 5,
      breaks: [
        { from: 100, price: 4 },
        { from: 500, price: 3 },
      ],
    };
    expect([1, 99, 100, 499, 500].map((units) => breakPrice(steps, units))).toEqual([5, 5, 4, 4, 3]);
  });
});

describe('what a boat costs', () => {
  it('buys what is laid and what is cut away, at the price of its offer', () => {
    const bought = of(cost(boat, [offer({ waste: 0.2 })]), 'bx45-600');
    const use = laid.find(({ material }) => material.id === 'bx45-600')!;
    // A roll of 75 m loses 0.6 m at its end.
    expect(bought.units).toBeCloseTo(use.mass * (1 + 0.2 + 0.6 / 75), 9);
    expect(bought.cost).toBeCloseTo(5 * bought.units!, 9);
  });
  it('of a series reaches a price break sooner', () => {
    const own = (series: number) => ({ ...boat, brief: { ...boat.brief, series } });
    const breaks = [{ from: 400, price: 4 }];
    const [one, ten] = [1, 10].map((series) => of(cost(own(series), [offer({ breaks })]), 'bx45-600'));
    expect([one!.price, ten!.price]).toEqual([5, 4]);
  });
  it('turns other money into its own, and leaves out what it has no rate for', () => {
    const dear = [offer({ currency: 'GBP', price: 4 })];
    const bare = cost(boat, dear);
    expect(of(bare, 'bx45-600').cost).toBeNull();
    expect(bare.unpriced.join()).toContain('GBP');
    const rated = { ...USUAL_RATES, exchange: [{ currency: 'GBP', rate: 1.25 }] };
    expect(of(cost(boat, dear, rated), 'bx45-600').price).toBeCloseTo(5, 9);
  });
  it('adds up, and shares moulds among their boats', () => {
    const parts = boat.parts.map((part, i) => (i === 0 ? { ...part, mould: { price: 12_000, boats: 8 } } : part));
    const { totals, unpriced } = cost({ ...boat, parts });
    const { hours, cost: whole, ...rest } = totals;
    expect(whole).toBeCloseTo(
      Object.values(rest).reduce((sum, one) => sum + one, 0),
      6,
    );
    expect(totals.moulds).toBe(1500);
    expect(totals.labour).toBeCloseTo(hours * USUAL_RATES.labour, 6);
    expect(unpriced).not.toContain('Mould of Hull');
    expect(unpriced).toContain('Mould of Deck');
  });
  it('grows with every layer that is added, in money and in hours', () => {
    // A detail cuts its hole through whatever lies there.
    const plain = { ...boat, details: [] };
    const base = cost(plain);
    fc.assert(
      fc.property(fc.constantFrom(...boat.parts.filter(({ layers }) => layers.length > 1)), fc.nat(), (part, n) => {
        const layer = part.layers[n % part.layers.length]!;
        const more = { ...part, layers: [...part.layers, { ...layer, id: 'one-more' }] };
        const then = cost({ ...plain, parts: boat.parts.map((one) => (one.id === part.id ? more : one)) });
        expect(then.totals.cost).toBeGreaterThan(base.totals.cost);
        expect(then.totals.hours).toBeGreaterThanOrEqual(base.totals.hours);
      }),
      { numRuns: 12 },
    );
  });
  it('by infusion saves resin and buys bags; by hand it is the other way round', () => {
    const by = (process: Boat['brief']['process']) => cost({ ...boat, brief: { ...boat.brief, process } });
    const [infused, hand] = [by('infusion'), by('handLayUp')];
    const resin = (own: typeof infused) => of(own, boat.brief.resin).mass;
    expect(resin(infused)).toBeLessThan(resin(hand));
    expect(infused.totals.consumables).toBeGreaterThan(hand.totals.consumables);
    const step = (own: typeof infused, name: string) =>
      hoursByStep(own.hours).find((one) => one.step === name)?.hours ?? 0;
    expect(step(infused, 'lay')).toBeLessThan(step(hand, 'lay'));
    expect(step(hand, 'bag')).toBe(0);
  });
  it('is known less well by generic prices than by offers of a day', () => {
    const all = laid.map(({ material }) => offer({ material: material.id, by: 'weight', price: 4 }));
    const free = { ...USUAL_RATES, scatterHours: 0 };
    expect(cost(boat, all, free).scatter.cost).toBeLessThan(cost(boat, [], free).scatter.cost);
  });
});

describe('the cost of a layer', () => {
  it('is its share of what is bought: layers, overlaps, stiffeners and details make the whole', () => {
    const plain: Boat = {
      ...boat,
      details: [],
      supports: boat.supports.map((support) => ({ ...support, section: null })),
      parts: boat.parts.map((part) => ({ ...part, joins: [] })),
    };
    const own = cost({ ...plain, brief: { ...plain.brief, coreBond: 0, kerfShare: 0 } });
    const layers = layerCosts(plain, evaluate(plain), own.materials);
    const sum = layers.reduce((total, layer) => total + layer.cost!, 0);
    expect(sum).toBeCloseTo(own.totals.materials, 6);
    expect(layers.filter(({ area }) => area > 0).every((layer) => layer.cost! > 0)).toBe(true);
  });
  it('of a material without a price is not known, and not nothing', () => {
    const materials = boat.materials.map((one) =>
      one.id === 'bx45-600' ? { ...one, price: null } : one,
    ) as Material[];
    const own = { ...boat, materials };
    const layers = layerCosts(own, evaluate(own), cost(own).materials);
    expect(layers.filter(({ code }) => code === 'BX45 600').every((layer) => layer.cost === null)).toBe(true);
    expect(layers.some((layer) => layer.cost !== null)).toBe(true);
  });
});

describe('hours', () => {
  it('of a flat panel by hand are its area times its layers times the rate', () => {
    const own = brant();
    const part = own.parts.find(({ zones }) => zones.length > 0)!;
    const zone = { ...part.zones[0]!, geometry: { ...part.zones[0]!.geometry, area: 2, crown: 0 } };
    const layers = part.layers.filter(({ role }) => role === 'structure').slice(0, 2);
    const one: Boat = {
      ...own,
      items: [],
      spaces: [],
      details: [],
      supports: [],
      parts: [{ ...part, joins: [], zones: [zone], layers: layers.map((l) => ({ ...l, zones: [zone.id] })) }],
    };
    const hours = workHours(one, evaluate(one), [], USUAL_RATES);
    const rates = USUAL_RATES.processes.handLayUp;
    const kinds = evaluate(one)
      .get(zone.id)!
      .layers.map(({ material }) => material);
    const cloths = kinds.filter(({ kind }) => kind === 'fabric').length;
    const step = (name: string) => hours.find((h) => h.step === name)?.hours ?? 0;
    expect(step('mould')).toBeCloseTo(2 * rates.mould, 9);
    expect(step('cut')).toBeCloseTo(2 * cloths * rates.cut, 9);
    expect(step('lay')).toBeGreaterThanOrEqual(2 * cloths * Math.min(rates.layMat, rates.layWoven) - 1e-9);
    expect(step('join')).toBe(0);
  });
  it('go up where a place is curved or small', () => {
    const at = (crown: number, area: number) =>
      shapeFactor({ geometry: { ...boat.parts[0]!.zones[0]!.geometry, crown, area, panelBreadth: 1 } }, USUAL_RATES);
    expect([at(0, 2), at(0.05, 2), at(0.2, 2), at(0, 0.1)]).toEqual([1, 1.2, 1.6, 1.6]);
  });
  it('double with every rate', () => {
    const twice = (value: unknown): unknown => {
      if (typeof value === 'number') return 2 * value;
      return value;
    };
    const own = USUAL_RATES.processes.infusion;
    const faster = Object.fromEntries(
      Object.entries(own).map(([key, value]) => [
        key,
        ['debulkEvery', 'consumables'].includes(key) ? value : twice(value),
      ]),
    ) as typeof own;
    const rates: Rates = {
      ...USUAL_RATES,
      stiffener: 2 * USUAL_RATES.stiffener,
      detail: 2 * USUAL_RATES.detail,
      detailMass: 2 * USUAL_RATES.detailMass,
      fitPart: 2 * USUAL_RATES.fitPart,
      processes: { ...USUAL_RATES.processes, infusion: faster },
    };
    const bare = { ...boat, items: [] };
    expect(cost(bare, [], rates).totals.hours).toBeCloseTo(2 * cost(bare).totals.hours, 6);
  });
});

describe('a figure as it is known', () => {
  it('is no finer than a tenth of its scatter', () => {
    expect(asKnown(34_217, 2500)).toBe(34_200);
    expect(asKnown(187.3, 0)).toBeCloseTo(187.3, 9);
    expect(asKnown(0, 5)).toBe(0);
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 1e6, noNaN: true }),
        fc.double({ min: 0.1, max: 1e5, noNaN: true }),
        (v, s) => {
          expect(Math.abs(asKnown(v, s) - v)).toBeLessThanOrEqual(Math.max(s / 10, v / 1000) / 2 + 1e-9);
        },
      ),
    );
  });
});
