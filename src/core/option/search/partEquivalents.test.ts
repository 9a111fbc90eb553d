import { expect, it } from 'vitest';
import { merrow } from '../../../../tests/helpers/merrow';
import { applyEdits } from '../../edit';
import { makeEvaluator, targetOf } from '../../evaluate';
import { runToEnd } from '../../job';
import { GENERIC_MATERIALS } from '../../material';
import { reaches } from '../../quantity';
import { loadIntegerSolver } from '../integerSolver';
import { partEquivalents } from './partEquivalents';

it('lays a whole part of other fibres, solid and cored, each as it is said and every zone proven', async () => {
  const boat = merrow();
  const deck = boat.parts.find(({ kind }) => kind === 'deck')!;
  const input = { boat, partId: deck.id, shelf: GENERIC_MATERIALS };
  const { now, found, none } = runToEnd(partEquivalents(input, await loadIntegerSolver()));
  expect(found.length).toBeGreaterThan(3);
  expect(found.map(({ mass }) => mass)).toEqual(found.map(({ mass }) => mass).sort((a, b) => a - b));
  expect(new Set(found.map(({ family }) => family)).size).toBeGreaterThan(2);
  for (const one of found) {
    const after = applyEdits(boat, one.edits).boat;
    const evaluations = makeEvaluator()(after);
    const mass = deck.zones.reduce(
      (sum, { id, geometry }) => sum + evaluations.get(id)!.laminatedArealWeight * geometry.area * deck.number,
      0,
    );
    expect(mass).toBeCloseTo(one.mass, 6);
    for (const { id } of deck.zones)
      expect(reaches(evaluations.get(id)!.governing!.reserveFactor, targetOf(boat))).toBe(true);
    const codes = evaluations.get(deck.zones[0]!.id)!.layers.map(({ material }) => material.code);
    expect(codes.slice(0, 2)).toEqual(['GEL', 'CSM 300']);
  }
  expect(now.mass).toBeGreaterThan(found[0]!.mass);
  for (const { reason } of none) expect(reason.length).toBeGreaterThan(10);
});
