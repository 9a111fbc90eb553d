import { describe, expect, it } from 'vitest';
import { brant, merrow, zoneOf } from '../../../tests/helpers/merrow';
import { USUAL_RATES } from '../cost';
import { evaluateDetail } from '../detail/kinds';
import type { Boat } from '../document';
import { applyEdits } from '../edit';
import { evaluateStiffeners, makeEvaluator, targetOf } from '../evaluate';
import { runToEnd } from '../job';
import { GENERIC_MATERIALS } from '../material';
import { reaches } from '../quantity';
import { bondedLinerJob } from './bondedLiner';

const yard = { rates: USUAL_RATES, offers: [] };
const ask = (boat: Boat, name: string) => {
  const [part, zone] = zoneOf(boat, name);
  const input = { boat, partId: part.id, zoneId: zone.id, shelf: GENERIC_MATERIALS, yard };
  return { part, zone, ...runToEnd(bondedLinerJob(input, 0)) };
};

describe('a zone as a single skin on a bonded liner', () => {
  it.each([
    ['Merrow 84', 'Side forward', merrow()],
    ['Merrow 84', 'Foredeck', merrow()],
    ['Brant 56', 'Topside aft', brant()],
  ] as const)('%s, %s: skin, ribs and bond hold once it is taken, and weigh what is said', (_, name, boat) => {
    const { part, zone, found } = ask(boat, name);
    expect(found.length).toBeGreaterThan(3);
    const target = targetOf(boat);
    for (const one of found) {
      const { boat: taken, inverse } = applyEdits(boat, one.edits);
      const e = makeEvaluator()(taken).get(zone.id)!;
      expect(e.layers.some(({ material }) => material.kind === 'core')).toBe(false);
      expect(e.unproven).toEqual([]);
      expect(reaches(e.governing!.reserveFactor, target)).toBe(true);
      const ribs = evaluateStiffeners(taken).filter(({ section }) => section?.id === one.section.id);
      expect(ribs).toHaveLength(one.ribs);
      for (const { governing, problem } of ribs) {
        expect(problem).toBeNull();
        if (governing) expect(reaches(governing.reserveFactor, target)).toBe(true);
      }
      const bond = evaluateDetail(taken, taken.details.at(-1)!);
      expect(reaches(bond.governing!.reserveFactor, target)).toBe(true);
      // The bond is as long as the ribs are.
      const length = ribs.reduce((sum, { geometry }) => sum + geometry!.length, 0);
      expect((bond.detail as { bondLength: number }).bondLength).toBeCloseTo(length, 3);
      const mass = ribs.reduce((sum, rib) => sum + rib.mass, 0) + bond.total;
      expect(one.mass).toBeCloseTo(e.laminatedArealWeight * zone.geometry.area * part.number + mass, 9);
      expect(applyEdits(taken, inverse).boat).toEqual(boat);
    }
  });
  it('lays a thinner skin the more ribs hold it, and says why a zone without place has none', () => {
    const { found } = ask(merrow(), 'Side forward');
    const skins = found.filter(({ run }) => run === 'along').sort((a, b) => a.ribs - b.ribs);
    for (let i = 1; i < skins.length; i++) expect(skins[i]!.skinMass).toBeLessThan(skins[i - 1]!.skinMass);
    const boat = merrow();
    const [part, zone] = zoneOf(boat, 'Side forward');
    const placeless: Boat = {
      ...boat,
      parts: boat.parts.map((one) =>
        one.id === part.id
          ? { ...one, zones: one.zones.map((own) => (own.id === zone.id ? { ...own, region: null } : own)) }
          : one,
      ),
    };
    const input = { boat: placeless, partId: part.id, zoneId: zone.id, shelf: GENERIC_MATERIALS, yard };
    expect(() => runToEnd(bondedLinerJob(input, 0))).toThrow(/has no place on the boat/);
  });
});
