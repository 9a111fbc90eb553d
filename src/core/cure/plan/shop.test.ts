import { readFileSync } from 'node:fs';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boatFromJson, newCurePlan, type CurePlan, type CureStep } from '../../document';
import { makeEvaluator } from '../../evaluate';
import type { Resin } from '../../material';
import {
  airOf,
  curedBy,
  cureOutcome,
  glassTransition,
  inShopOf,
  resinCure,
  USUAL_CURING,
  zoneCure,
  type Cured,
} from '..';

const boat = boatFromJson(readFileSync('data/demo/brant-56.json', 'utf8'));
const resin = boat.materials.find((one): one is Resin => one.kind === 'resin' && one.id === boat.brief.resin)!;
const cure = resinCure(resin, USUAL_CURING);
const HOUR = 3600;
const planOf = (more: Partial<CurePlan> & { steps: CureStep[] }): CurePlan =>
  newCurePlan({ id: 'c', name: 'C', part: 'hull', start: 20, ...more });
const cured = (plan: CurePlan): Cured => {
  const found = curedBy(boat, plan, USUAL_CURING);
  if (typeof found === 'string') throw new Error(found);
  return found;
};

describe('the same card in another shop', () => {
  const tent = planOf({
    place: 'tent',
    steps: [
      { rate: 10, to: 20, hold: 12 * HOUR },
      { rate: 5, to: 40, hold: 16 * HOUR },
      { rate: 10, to: 18, hold: 0 },
    ],
  });
  it('keeps what a tent heats to, and moves all that is the shop’s own: worked by hand', () => {
    const at = (celsius: number) => {
      const { start, steps } = inShopOf(celsius, tent);
      return [start, ...steps.map(({ to }) => to)];
    };
    expect(at(20)).toEqual([20, 20, 40, 20]);
    expect(at(28)).toEqual([28, 28, 40, 28]);
    expect(at(12)).toEqual([12, 12, 40, 12]);
    // Hotter than the tent was to be: it is no cooler inside than about it.
    expect(at(44)).toEqual([44, 44, 44, 44]);
  });
  it('heats nothing in the open shop: a colder one is cold all day', () => {
    const steps = [
      { rate: 2, to: 26, hold: 6 * HOUR },
      { rate: 2, to: 16, hold: 6 * HOUR },
    ];
    const { start, steps: found } = inShopOf(12, planOf({ place: 'shop', steps }));
    expect([start, ...found.map(({ to }) => to)]).toEqual([12, 12, 12]);
  });
  it('is never cooler in a hotter shop nor warmer in a colder one, and keeps rates and holds', () => {
    const step = fc.record({
      rate: fc.integer({ min: 1, max: 60 }),
      to: fc.integer({ min: 5, max: 120 }),
      hold: fc.integer({ min: 0, max: 90_000 }),
    });
    const place = fc.constantFrom('shop' as const, 'tent' as const, 'oven' as const);
    fc.assert(
      fc.property(
        fc.record({
          place,
          start: fc.integer({ min: 5, max: 35 }),
          steps: fc.array(step, { minLength: 1, maxLength: 5 }),
        }),
        fc.integer({ min: 0, max: 45 }),
        (more, celsius) => {
          const plan = planOf(more);
          const moved = inShopOf(celsius, plan);
          const warmer = celsius >= plan.start;
          expect(moved.start).toBe(celsius);
          moved.steps.forEach((own, i) => {
            const { to, ...rest } = plan.steps[i]!;
            expect(own).toMatchObject(rest);
            if (warmer) expect(own.to).toBeGreaterThanOrEqual(Math.max(to, celsius));
            else expect(own.to).toBeLessThanOrEqual(to);
          });
        },
      ),
    );
  });
});

describe('a hotter and a colder shop', () => {
  const plan = planOf({ place: 'shop', steps: [{ rate: 10, to: 20, hold: 36 * HOUR }] });
  const [planned, hot, cold] = [20, 28, 12].map((celsius) => cured(inShopOf(celsius, plan)).zones);
  it('heats every zone further where it is hotter, which is the side that burns', () => {
    hot!.forEach((zone, i) => {
      const peak = (one: typeof zone) => Math.max(...one.shots.map((shot) => shot.peak));
      expect(peak(zone), zone.name).toBeGreaterThan(peak(planned![i]!));
      expect(peak(planned![i]!), zone.name).toBeGreaterThan(peak(cold![i]!));
    });
  });
  it('gels every zone later where it is colder, and cures it less, which is the side that stays soft', () => {
    cold!.forEach((zone, i) => {
      expect(zone.gel ?? Infinity, zone.name).toBeGreaterThan(planned![i]!.gel!);
      expect(planned![i]!.gel!, zone.name).toBeGreaterThan(hot![i]!.gel!);
      expect(zone.degree, zone.name).toBeLessThan(planned![i]!.degree);
    });
  });
  it('comes to what its worst zone comes to', () => {
    for (const zones of [planned!, hot!, cold!]) {
      const { nearest, gel, demould, degree } = cureOutcome(zones);
      expect(degree).toBe(Math.min(...zones.map((zone) => zone.degree)));
      for (const { limits, gel: own, demould: taken, name } of zones) {
        for (const { limit, hottest } of limits)
          expect(limit - hottest, name).toBeGreaterThanOrEqual(nearest.limit - nearest.hottest);
        if (gel !== null) expect(own!, name).toBeLessThanOrEqual(gel);
        if (taken === null) expect(demould).toBeNull();
        else if (demould !== null) expect(taken, name).toBeLessThanOrEqual(demould);
      }
    }
  });
  it('of one zone that never gels says never of the whole, whatever the others do', () => {
    const [first, ...rest] = planned!;
    expect(cureOutcome([{ ...first!, gel: null }, ...rest]).gel).toBeNull();
    expect(cureOutcome([...rest, { ...first!, demould: null, warm: true }])).toMatchObject({
      demould: null,
      warm: true,
    });
    expect(cureOutcome([{ ...first!, demould: null, warm: false }, ...rest]).warm).toBe(false);
  });
});

describe('when a part may be demoulded', () => {
  const zone = boat.parts[0]!.zones.find(({ id }) => id === 'keel-band')!;
  const evaluation = makeEvaluator()(boat).get(zone.id)!;
  const by = (steps: CureStep[]) =>
    zoneCure(evaluation, {
      zone,
      plan: planOf({ place: 'oven', steps }),
      cure,
      curing: USUAL_CURING,
      bagged: false,
    })!;
  const day = { rate: 10, to: 20, hold: 72 * HOUR };
  const stiff = ({ degree, hottest }: { degree: number; hottest: number }) =>
    degree >= cure.family.demould && glassTransition(cure, degree) >= hottest + USUAL_CURING.stiffer;
  it('is from when on it stays stiff: a last step that softens it again leaves it in the mould', () => {
    const cool = by([day]);
    expect(cool.demould).not.toBeNull();
    expect(cool.warm).toBe(false);
    // The same three days, and at the end warmer than any glass transition of the resin: taken out then, it would sag.
    const softened = by([day, { rate: 60, to: Math.ceil(cure.tgFull) + 5, hold: 600 }]);
    expect(softened.course.moments.some(stiff)).toBe(true);
    expect(softened.degree).toBeGreaterThanOrEqual(cure.family.demould);
    expect(softened).toMatchObject({ demould: null, warm: true });
  });
  it('comes back when it has cooled, and not before', () => {
    const steps = [day, { rate: 60, to: Math.ceil(cure.tgFull) + 5, hold: 600 }, { rate: 60, to: 20, hold: 2 * HOUR }];
    const { demould, warm, course } = by(steps);
    const [, , , , coolsFrom] = airOf({ start: 20, steps });
    expect(warm).toBe(false);
    expect(demould!).toBeGreaterThan(coolsFrom!.time);
    for (const moment of course.moments) if (moment.time >= demould!) expect(stiff(moment)).toBe(true);
    expect(stiff(course.moments.findLast(({ time }) => time < demould!)!)).toBe(false);
  });
  it('of a part of which one go is not cured is no matter of cooling', () => {
    const warm = { rate: 60, to: 60, hold: 600 };
    const goes = zoneCure(evaluation, {
      zone,
      plan: planOf({ place: 'oven', shot: 0.002, steps: [{ rate: 10, to: 20, hold: HOUR }, warm] }),
      cure,
      curing: USUAL_CURING,
      bagged: false,
    })!;
    expect(goes.shots.length).toBeGreaterThan(1);
    expect(goes).toMatchObject({ demould: null, warm: goes.degree >= cure.family.demould });
  });
  it('is never of what is not cured, however cold it lies', () => {
    const raw = by([{ rate: 10, to: 8, hold: 2 * HOUR }]);
    expect(raw).toMatchObject({ demould: null, warm: false });
    expect(raw.degree).toBeLessThan(cure.family.demould);
  });
});
