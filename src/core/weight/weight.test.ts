import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { applyEdits } from '../edit';
import { evaluateDetails } from '../detail/kinds';
import { joinAt, neighboursOf, withJoin } from '../lines';
import { makeEvaluator, stiffenerMasses } from '../evaluate';
import { boatWeight, DETAILS, rollUp, STIFFENERS, weightWorking } from '.';
import { LAPS } from './boatWeight';

const item = fc.record({
  mass: fc.double({ min: 0.1, max: 100, noNaN: true }),
  centreX: fc.double({ min: -5, max: 10, noNaN: true }),
  centreZ: fc.double({ min: -1, max: 4, noNaN: true }),
});

describe('roll-up', () => {
  it('lies within its items, and does not mind how they are grouped', () => {
    fc.assert(
      fc.property(fc.array(item, { minLength: 2, maxLength: 12 }), fc.nat(), (items, cut) => {
        const all = rollUp(items);
        expect(all.centreX!).toBeGreaterThanOrEqual(Math.min(...items.map((i) => i.centreX)) - 1e-9);
        expect(all.centreX!).toBeLessThanOrEqual(Math.max(...items.map((i) => i.centreX)) + 1e-9);
        const at = 1 + (cut % (items.length - 1));
        const groups = [rollUp(items.slice(0, at)), rollUp(items.slice(at))].map(({ mass, centreX, centreZ }) => ({
          mass,
          centreX: centreX!,
          centreZ: centreZ!,
        }));
        const grouped = rollUp(groups);
        expect(grouped.mass).toBeCloseTo(all.mass, 9);
        expect(grouped.centreX).toBeCloseTo(all.centreX!, 8);
        expect(grouped.centreZ).toBeCloseTo(all.centreZ!, 8);
      }),
    );
  });
  it('has no centre without mass', () => expect(rollUp([])).toEqual({ mass: 0, centreX: null, centreZ: null }));
});

describe('weight of a boat', () => {
  const boat = merrow();
  const evaluations = makeEvaluator()(boat);
  const weight = boatWeight(boat, evaluations, evaluateDetails(boat));
  it('adds up by matter, zone and part', () => {
    for (const part of weight.parts) {
      for (const zone of part.zones)
        expect(zone.fibre + zone.resin + zone.core + zone.coating).toBeCloseTo(zone.mass, 9);
      expect(part.zones.reduce((sum, zone) => sum + zone.mass, 0)).toBeCloseTo(part.mass, 9);
    }
    expect(weight.parts.reduce((sum, part) => sum + part.mass, 0)).toBeCloseTo(weight.mass, 9);
    expect(weight.over).toBeCloseTo(weight.mass - boat.brief.weightTarget, 9);
  });
  it('grows with a zone by its area', () => {
    const [zone] = boat.parts[0]!.zones;
    const { boat: larger } = applyEdits(boat, [
      {
        type: 'zone.set',
        zoneId: zone!.id,
        patch: { geometry: { ...zone!.geometry, area: zone!.geometry.area * 2 }, overridden: ['area'] },
      },
    ]);
    expect(boatWeight(larger, makeEvaluator()(larger), evaluateDetails(larger)).mass - weight.mass).toBeCloseTo(
      weight.parts[0]!.zones[0]!.mass,
      6,
    );
  });
  it('counts details, stiffeners, laps and run-outs, each as parts of their own and none twice', () => {
    const details = evaluateDetails(boat);
    const own = weight.parts.find(({ partId }) => partId === DETAILS)!;
    expect(own.mass).toBeCloseTo(
      details.reduce((sum, { total }) => sum + total, 0),
      9,
    );
    expect(own.zones.find(({ zoneId }) => zoneId === 'bitt')!.centreX).toBe(
      boat.details.find(({ id }) => id === 'bitt')!.x,
    );
    expect(weight.parts.find(({ partId }) => partId === STIFFENERS)!.zones.length).toBe(stiffenerMasses(boat).length);
    expect(weight.mass - boatWeight(boat, evaluations, []).mass).toBeCloseTo(own.mass, 9);
    const [hull] = boat.parts;
    const keel = neighboursOf(boat, hull!).find(({ a, b }) => a === b)!;
    const { boat: lapped } = applyEdits(boat, [
      { type: 'part.set', partId: hull!.id, patch: { joins: withJoin(hull!, { ...joinAt(hull!, keel), lap: 0.15 }) } },
    ]);
    const after = boatWeight(lapped, makeEvaluator()(lapped), details);
    const laps = after.parts[0]!.zones.find(({ zoneId }) => zoneId.endsWith(LAPS))!;
    expect(after.mass - weight.mass).toBeCloseTo(laps.mass, 9);
    expect(laps.fibre + laps.resin).toBeCloseTo(laps.mass, 9);
    expect(laps.mass).toBeGreaterThan(1);
  });
  it('has a working that ends in its figures', () => {
    const steps = weightWorking(weight).flatMap((part) => part.steps);
    expect(steps.map(({ value }) => value)).toEqual([weight.mass, weight.over, weight.centreX, weight.centreZ]);
    const masses = steps[0]!.inputs.reduce((sum, { value }) => sum + value, 0);
    expect(masses).toBeCloseTo(weight.mass, 9);
  });
});
