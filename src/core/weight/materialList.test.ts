import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { evaluateDetails } from '../detail/kinds';
import { makeEvaluator } from '../evaluate';
import { boatWeight, coreBonding, materialList, unlisted } from '.';

describe.each([merrow(), brant()])('what $name takes of each material', (boat) => {
  const evaluations = makeEvaluator()(boat);
  const without = { ...boat, details: [] };
  const total = (uses: ReturnType<typeof materialList>) => uses.reduce((sum, { mass }) => sum + mass, 0);
  const bedded = coreBonding(boat, evaluations).reduce((sum, { mass }) => sum + mass, 0);
  it('weighs what the boat weighs, details left out', () => {
    expect(total(materialList(without, evaluations, []))).toBeCloseTo(
      boatWeight(without, evaluations, []).mass + bedded,
      6,
    );
  });
  it('weighs what the boat weighs with details, and the core that they take out', () => {
    const details = evaluateDetails(boat);
    const listed = total(materialList(boat, evaluations, details));
    const out = details.reduce((sum, { detail, mass, brings }) => {
      const isCore = ({ material }: { material: string }) =>
        boat.materials.find(({ id }) => id === material)!.kind === 'core';
      const inserted = brings.filter(isCore).reduce((own, one) => own + one.mass, 0);
      return detail.kind === 'bolted' ? sum + inserted - mass.core : sum;
    }, 0);
    const solid = unlisted(boat, details).reduce((sum, { mass }) => sum + mass, 0);
    expect(listed + solid - out).toBeCloseTo(boatWeight(boat, evaluations, details).mass + bedded, 6);
  });
  it('has details by their number: twice the fittings take twice the cloth, metal and glue', () => {
    const twice = { ...boat, details: boat.details.map((one) => ({ ...one, number: 2 * one.number })) };
    const bare = total(materialList(without, evaluations, []));
    const more = (own: typeof boat) => total(materialList(own, evaluations, evaluateDetails(own))) - bare;
    expect(more(twice)).toBeCloseTo(2 * more(boat), 6);
  });
  it('tells cores of one kind apart by their thickness, and names the resin last', () => {
    const list = materialList(boat, evaluations, evaluateDetails(boat));
    expect(list.at(-1)!.material.id).toBe(boat.brief.resin);
    const keys = list.map(({ material, thickness }) => `${material.id} ${thickness}`);
    expect(new Set(keys).size).toBe(keys.length);
  });
});
