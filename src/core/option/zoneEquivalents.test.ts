import { describe, expect, it } from 'vitest';
import { brant, merrow, zoneOf } from '../../../tests/helpers/merrow';
import type { Boat } from '../document';
import { applyEdits } from '../edit';
import { makeEvaluator, membraneStrength, targetOf } from '../evaluate';
import { runToEnd } from '../job';
import { GENERIC_MATERIALS } from '../material';
import { reaches } from '../quantity';
import { zoneEquivalentsJob, type ZoneMatch } from './zoneEquivalents';

const ask = (boat: Boat, name: string, match: ZoneMatch) => {
  const [part, zone] = zoneOf(boat, name);
  const input = { boat, partId: part.id, zoneId: zone.id, match, shelf: GENERIC_MATERIALS };
  return { part, zone, ...runToEnd(zoneEquivalentsJob(input, 0)) };
};

describe('what else a zone could be laid of', () => {
  it.each([
    ['Merrow 84', merrow(), 'Side forward', 'target'],
    ['Brant 56', brant(), 'Topside aft', 'reserve'],
    ['Merrow 84', merrow(), 'Foredeck', 'bending'],
    ['Merrow 84', merrow(), 'Side forward', 'strength'],
  ] as const)('%s: what is said of each is what the boat is once it is taken', (_, boat, name, match) => {
    const { zone, part, now, found, tried } = ask(boat, name, match);
    expect(found.length).toBeGreaterThan(6);
    expect(tried).toBeGreaterThan(found.length);
    expect(found.map(({ mass }) => mass)).toEqual(found.map(({ mass }) => mass).sort((a, b) => a - b));
    const before = makeEvaluator()(boat);
    for (const one of found) {
      const { boat: taken, inverse } = applyEdits(boat, one.edits);
      const after = makeEvaluator()(taken);
      const e = after.get(zone.id)!;
      expect(e.laminatedArealWeight).toBeCloseTo(one.mass, 9);
      expect(e.unproven.length > 0 ? null : e.governing!.reserveFactor).toBe(one.reserveFactor);
      if (match === 'target') expect(reaches(one.reserveFactor!, targetOf(boat))).toBe(true);
      if (match === 'reserve') expect(reaches(one.reserveFactor!, now.reserveFactor!)).toBe(true);
      if (match === 'bending')
        for (const i of [0, 1] as const)
          expect(e.stiffness!.D[i][i]).toBeGreaterThanOrEqual(before.get(zone.id)!.stiffness!.D[i][i] * (1 - 1e-9));
      if (match === 'strength') {
        const [was, is] = [boat, taken].map((one) => membraneStrength(one, ...zoneOf(one, name))!);
        for (const axis of [0, 1] as const) expect(is![axis]).toBeGreaterThanOrEqual(was![axis] * (1 - 1e-9));
      }
      // Other zones of the part keep their layers, and one undo takes it back.
      for (const other of part.zones.filter(({ id }) => id !== zone.id))
        expect(after.get(other.id)!.laminatedArealWeight).toBeCloseTo(before.get(other.id)!.laminatedArealWeight, 9);
      expect(applyEdits(taken, inverse).boat.parts).toEqual(boat.parts);
    }
  });
  it('keeps coating and skin coat, and offers solid, cored and other fibres', () => {
    const boat = merrow();
    const { found, zone } = ask(boat, 'Side forward', 'target');
    const { boat: taken } = applyEdits(boat, found[0]!.edits);
    const codes = makeEvaluator()(taken)
      .get(zone.id)!
      .layers.map(({ material }) => material.code);
    expect(codes.slice(0, 2)).toEqual(['GEL', 'CSM 300']);
    expect(new Set(found.map(({ family }) => family)).size).toBeGreaterThan(2);
    expect(found.some(({ core }) => core === null)).toBe(true);
    // By the same search, no heavier than what somebody laid by hand, if that meets the target.
    expect(found[0]!.mass).toBeLessThan(makeEvaluator()(boat).get(zone.id)!.laminatedArealWeight);
  });
  it('can be taken twice in a row', () => {
    const boat = merrow();
    const once = applyEdits(boat, ask(boat, 'Side forward', 'target').found[0]!.edits).boat;
    const twice = applyEdits(once, ask(once, 'Side forward', 'reserve').found[0]!.edits).boat;
    const ids = twice.parts.flatMap(({ layers }) => layers.map(({ id }) => id));
    expect(new Set(ids).size).toBe(ids.length);
  });
  it('refuses a zone in which nothing is laid', () => {
    const boat = merrow();
    const [part, zone] = zoneOf(boat, 'Side forward');
    const bare = applyEdits(
      boat,
      part.layers.map(({ id }) => ({ type: 'layer.remove', layerId: id })),
    ).boat;
    const input = { boat: bare, partId: part.id, zoneId: zone.id, match: 'target', shelf: GENERIC_MATERIALS } as const;
    expect(() => runToEnd(zoneEquivalentsJob(input, 0))).toThrow('Nothing is laid in Side forward');
  });
});
