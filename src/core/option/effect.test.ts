import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { evaluateDetails } from '../detail/kinds';
import type { Boat } from '../document';
import { applyEdits } from '../edit';
import { evaluateStiffeners, makeEvaluator } from '../evaluate';
import { boatWeight } from '../weight';
import { effectOf, standingOf } from '.';

const without = (boat: Boat, layerId: string) => applyEdits(boat, [{ type: 'layer.remove', layerId }]).boat;
const massOf = (boat: Boat) => boatWeight(boat, makeEvaluator()(boat), evaluateDetails(boat)).mass;

describe('what a change does to the whole boat', () => {
  it.each([
    ['Merrow 84', merrow()],
    ['Brant 56', brant()],
  ])(
    '%s less any one layer: the mass is that of Weights, and every margin that moves is told with both its values',
    (_, boat) => {
      for (const layer of boat.parts[0]!.layers.slice(2, 8)) {
        const after = without(boat, layer.id);
        const { mass, changes } = effectOf(boat, after);
        expect(mass).toEqual({ before: massOf(boat), after: massOf(after) });
        expect(mass.after).toBeLessThan(mass.before);
        const [was, is] = [makeEvaluator()(boat), makeEvaluator()(after)];
        const told = new Map(changes.filter(({ of }) => of === 'zone').map((change) => [change.id, change]));
        for (const [id, { governing, unproven }] of is) {
          const before = was.get(id)!.governing!.reserveFactor;
          const now = unproven.length > 0 ? null : (governing?.reserveFactor ?? null);
          if (now !== null && Math.abs(now / before - 1) < 1e-3) expect(told.has(id)).toBe(false);
          else expect(told.get(id)).toMatchObject({ before, after: now });
        }
      }
    },
  );
  it('the price counts each part as often as it is made; with one price missing it is not known', () => {
    const boat = brant();
    const priced: Boat = {
      ...boat,
      materials: boat.materials.map((one) =>
        'price' in one ? { ...one, price: { value: 10, origin: 'generic' } } : one,
      ),
    };
    const layer = priced.parts[0]!.layers[3]!;
    const { cost } = effectOf(priced, without(priced, layer.id));
    expect(cost.before).toBeGreaterThan(cost.after!);
    const twice: Boat = { ...priced, parts: priced.parts.map((part) => ({ ...part, number: 2 })) };
    expect(effectOf(twice, twice).cost.before).toBeCloseTo(2 * cost.before!, 6);
    const unpriced: Boat = {
      ...priced,
      materials: priced.materials.map((one) =>
        one.id === layer.material ? ({ ...one, price: null } as typeof one) : one,
      ),
    };
    expect(effectOf(unpriced, unpriced).cost).toEqual({ before: null, after: null });
  });
});

describe('the standing of a boat in a list', () => {
  it('counts every zone, stiffener and detail that fails, as their own screens do', () => {
    for (const boat of [merrow(), brant()]) {
      const weak: Boat = {
        ...boat,
        brief: {
          ...boat.brief,
          maxSpeedKnots: boat.brief.kind === 'motor' ? 34 : 7,
          loadedMass: 1.8 * boat.brief.loadedMass,
        },
      };
      const { zones, stiffenersFailing, detailsFailing, mass } = standingOf(weak);
      const reserves = [...makeEvaluator()(weak).values()].map(({ governing }) => governing?.reserveFactor ?? 1);
      expect(zones.failing).toBe(reserves.filter((reserve) => reserve < 1).length);
      expect(zones.failing).toBeGreaterThan(0);
      expect(stiffenersFailing).toBe(
        evaluateStiffeners(weak).filter(({ governing }) => (governing?.reserveFactor ?? 1) < 1).length,
      );
      expect(detailsFailing).toBe(
        evaluateDetails(weak).filter(({ governing, problem }) => problem || (governing?.reserveFactor ?? 1) < 1).length,
      );
      expect(mass).toBeCloseTo(massOf(weak), 9);
    }
  });
  it('has a fair profile from the transom to the stem, the keel under the sheer', () => {
    const { outline } = standingOf(merrow());
    expect(outline!.keel).toHaveLength(outline!.sheer.length);
    outline!.keel.forEach(([x, z], i) => {
      expect(x).toBeCloseTo(outline!.sheer[i]![0], 9);
      expect(z).toBeLessThanOrEqual(outline!.sheer[i]![1] + 1e-9);
      if (i > 0) expect(x).toBeGreaterThan(outline!.keel[i - 1]![0]);
    });
    expect(outline!.house).toMatchObject({ from: 3, to: 5.2 });
  });
});
