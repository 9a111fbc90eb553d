import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { evaluateDetails } from '../detail/kinds';
import { coverOf, templateFromJson, type Boat, type Zone } from '../document';
import { boatCost, USUAL_RATES } from '../cost';
import { makeEvaluator } from '../evaluate';
import { drawnBesides, USUAL_FILLING } from '../fill';
import { GENERIC_MATERIALS } from '../material';
import { newBoatFrom } from '../option';
import { materialList } from '../weight';
import { kitPieces, mixingPlan, purchaseList, USUAL_CUTTING, USUAL_MIXING } from '.';

/** Of what is cut, the most that laps, trim and joints may come to over what is laid. */
const MOST = 1.7;

describe.each([merrow(), brant()])('the kit of $name', (boat) => {
  const evaluations = makeEvaluator()(boat);
  const details = evaluateDetails(boat);
  const { pieces } = kitPieces({ boat, evaluations, details, cutting: USUAL_CUTTING });
  const laid = materialList(boat, evaluations, details).filter(
    ({ material, area }) => (material.kind === 'fabric' || material.kind === 'core') && area !== null,
  );
  it('has no less of any cloth or core than is laid, and not much more', () => {
    expect(laid.length).toBeGreaterThan(5);
    for (const { material, thickness, area } of laid) {
      const own = pieces.filter((piece) => {
        return piece.material === material.id && (material.kind === 'fabric' || piece.thickness === thickness);
      });
      const cut = own.reduce((sum, piece) => sum + piece.count * piece.area, 0);
      const of = `${material.name}, ${thickness ?? ''}`;
      // Outlines are polygons: chords of curved edges, on both sides of a joint.
      expect(cut / area!, of).toBeGreaterThan(0.98);
      expect(cut / area!, of).toBeLessThan(MOST);
    }
  });
  it('has nothing that is not laid', () => {
    const known = new Set(laid.map(({ material }) => material.id));
    expect(pieces.filter(({ material, kind }) => kind !== 'box' && !known.has(material))).toEqual([]);
  });
});

describe.each(['keel-yacht', 'planing-motor-boat', 'small-part'])('a new boat from %s', (name) => {
  const { boat: source } = templateFromJson(readFileSync(`data/templates/${name}.json`, 'utf8'));
  it.each(['handLayUp', 'infusion'] as const)('by %s is cut, mixed and bought without a word against it', (process) => {
    const order = { name: 'Teal', particulars: {}, process, layup: 'first', parts: null } as const;
    const { boat } = newBoatFrom(source, order, GENERIC_MATERIALS);
    const evaluations = makeEvaluator()(boat);
    const details = evaluateDetails(boat);
    const { pieces, problems } = kitPieces({ boat, evaluations, details, cutting: USUAL_CUTTING });
    const drawn = drawnBesides(boat, evaluations, USUAL_FILLING);
    const plan = mixingPlan(boat, evaluations, USUAL_MIXING, { details, drawn });
    expect([...problems, ...plan.problems]).toEqual([]);
    expect(plan.besides > 0).toBe(process === 'infusion');
    const cost = boatCost(boat, evaluations, details, { rates: USUAL_RATES, offers: [] });
    const list = purchaseList(cost, plan, { cutting: USUAL_CUTTING, pieces, materials: boat.materials });
    for (const { name: what, need } of list) expect(need, what).toBeGreaterThan(0);
  });
});

describe('zones that lie on one another in an overhang', () => {
  const { boat } = templateFromJson(readFileSync('data/templates/keel-yacht.json', 'utf8'));
  const kit = (of: Boat) => {
    const evaluations = makeEvaluator()(of);
    return kitPieces({ boat: of, evaluations, details: [], cutting: USUAL_CUTTING });
  };
  it('are cut once: the kit is no smaller for it than what they cover', () => {
    const [hull] = coverOf(boat);
    expect(hull!.twice).toBeGreaterThan(0.5);
    expect(kit(boat).problems).toEqual([]);
    const zones = boat.parts[0]!.zones.reduce((sum, { geometry }) => sum + geometry.area, 0);
    const whole = kit(boat).counts.find(({ partId, covers }) => partId === boat.parts[0]!.id && covers > 0.9 * zones)!;
    expect(whole.covers + hull!.twice).toBeCloseTo(zones, 6);
  });
  it('still are found short where an outline is too small', () => {
    const larger = (zone: Zone): Zone => ({ ...zone, geometry: { ...zone.geometry, area: 1.2 * zone.geometry.area } });
    const parts = boat.parts.map((part) => ({ ...part, zones: part.zones.map(larger) }));
    expect(kit({ ...boat, parts }).problems.join()).toMatch(/an outline is too small/);
  });
});
