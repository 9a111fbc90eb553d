import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { evaluateDetails } from '../detail/kinds';
import { makeEvaluator } from '../evaluate';
import { boatWeight, materialList } from '.';

describe.each([merrow(), brant()])('what $name takes of each material', (boat) => {
  const evaluations = makeEvaluator()(boat);
  const without = { ...boat, details: [] };
  it('weighs what the boat weighs, details left out', () => {
    const list = materialList(without, evaluations, []);
    const total = list.reduce((sum, { mass }) => sum + mass, 0);
    expect(total).toBeCloseTo(boatWeight(without, evaluations, []).mass, 6);
  });
  it('has the layers of details by their size, with both sides of a pair', () => {
    const details = evaluateDetails(boat);
    const area = (uses: ReturnType<typeof materialList>) => uses.reduce((sum, use) => sum + (use.area ?? 0), 0);
    const added = area(materialList(boat, evaluations, details)) - area(materialList(without, evaluations, []));
    const laid = details.reduce(
      (sum, { detail, layers }) =>
        sum + detail.number * layers.reduce((own, { length, breadth, count }) => own + length * breadth * count, 0),
      0,
    );
    expect(added).toBeCloseTo(laid, 9);
  });
  it('tells cores of one kind apart by their thickness, and names the resin last', () => {
    const list = materialList(boat, evaluations, evaluateDetails(boat));
    expect(list.at(-1)!.material.id).toBe(boat.brief.resin);
    const keys = list.map(({ material, thickness }) => `${material.id} ${thickness}`);
    expect(new Set(keys).size).toBe(keys.length);
  });
});
