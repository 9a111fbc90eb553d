import { describe, expect, it } from 'vitest';
import { brant, merrow, zoneOf } from '../../../tests/helpers/merrow';
import { applyEdits } from '../edit';
import { evaluateZone, makeEvaluator, targetOf } from '../evaluate';
import { runToEnd } from '../job';
import { reaches } from '../quantity';
import { whyNotLess } from './whyNotLess';

describe.each([
  ['Merrow 84', merrow(), 'Side forward'],
  ['Merrow 84', merrow(), 'Foredeck'],
  ['Brant 56', brant(), 'Topside aft'],
] as const)('%s: why not less', (_, boat, name) => {
  const [part, zone] = zoneOf(boat, name);
  const evaluations = makeEvaluator()(boat);
  const found = runToEnd(whyNotLess({ boat, partId: part.id, zoneId: zone.id, evaluations }, 0));
  it(`${zone.name}: every stack is lighter, the nearest first, and fails by what is said or would do`, () => {
    expect(found.length).toBeGreaterThan(3);
    expect(found.map(({ weight }) => weight)).toEqual(found.map(({ weight }) => weight).sort((a, b) => b - a));
    for (const { weight, fails, problem, edits, title } of found) {
      const after = applyEdits(boat, edits).boat;
      const e = evaluateZone(
        after,
        after.parts.find(({ id }) => id === part.id)!,
        zone,
      );
      const kg = (e.laminatedArealWeight - evaluations.get(zone.id)!.laminatedArealWeight) * zone.geometry.area;
      expect(weight, title).toBeLessThan(0);
      expect(weight, title).toBeCloseTo(kg * part.number, 9);
      const will = problem === null && reaches(e.governing!.reserveFactor, targetOf(boat));
      expect(fails.length === 0 && problem === null, title).toBe(will);
      if (fails.length > 0) expect(fails[0]!.reserveFactor).toBeLessThan(targetOf(boat));
    }
  });
  it('never takes out coat or skin coat', () => {
    for (const { edits } of found) {
      const after = applyEdits(boat, edits).boat;
      const codes = makeEvaluator()(after)
        .get(zone.id)!
        .layers.map(({ material }) => material.kind);
      expect(codes[0]).toBe('coating');
    }
  });
});
