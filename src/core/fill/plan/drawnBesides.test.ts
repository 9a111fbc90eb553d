import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { boatFromJson, newFillPlan, shapeOf, type Boat, type FillPlan } from '../../document';
import { evaluateDetails } from '../../detail/kinds';
import { boatCost, USUAL_RATES } from '../../cost';
import { makeEvaluator } from '../../evaluate';
import { joinAt, neighboursOf } from '../../lines';
import { lapAreas } from '../../weight';
import { kitPieces, mixingPlan, purchaseList, USUAL_CUTTING, USUAL_MIXING } from '../../kit';
import { drawnBesides, fillCase, resinToHave, skinsOf, USUAL_FILLING } from '..';

const read = boatFromJson(readFileSync('data/demo/merrow-84.json', 'utf8'));
/** Infused, with an overlap of 120 mm at every line. */
const bare: Boat = {
  ...read,
  brief: { ...read.brief, process: 'infusion' },
  parts: read.parts.map((part) => ({
    ...part,
    joins: neighboursOf(read, part).map((line) => ({ ...joinAt(part, line), lap: 0.12 })),
  })),
};
const plansFor = (boat: Boat): FillPlan[] =>
  boat.parts.flatMap((part) =>
    skinsOf(shapeOf(boat), part).map((skin): FillPlan => {
      const [zone] = skin.zones;
      const [a, b] = zone!.outline;
      const plan = newFillPlan({
        id: `${part.id}-${skin.id}`,
        name: 'P',
        part: part.id,
        skin: skin.id,
        celsius: 20,
        target: 1800,
      });
      const line = { id: 'l', name: 'Feed', role: 'feed', opens: 'start', at: 0, closes: null } as const;
      return { ...plan, lines: [{ ...line, points: [[...a!], [...b!]] }] };
    }),
  );
const boat: Boat = { ...bare, fillPlans: plansFor(bare) };
const evaluations = makeEvaluator()(boat);
const drawn = drawnBesides(boat, evaluations, USUAL_FILLING);
const details = evaluateDetails(boat);
const plan = mixingPlan(boat, evaluations, USUAL_MIXING, { details, drawn });

describe('what a fill draws besides the laminate', () => {
  it('is what the plan of lines says: a fill is mixed for as much as it is to have ready', () => {
    for (const part of boat.parts) {
      const fills = plan.stages.filter(({ kind, partId }) => kind === 'fill' && partId === part.id);
      if (fills.length === 0) continue;
      const ready = boat.fillPlans
        .filter((one) => one.part === part.id)
        .map((one) => resinToHave(fillCase({ boat, plan: one, filling: USUAL_FILLING, evaluations }), null));
      const total = ready.reduce((sum, one) => sum + one.total, 0);
      expect(fills).toHaveLength(part.number);
      for (const { mixed, cautions } of fills) {
        expect(mixed / total).toBeCloseTo(1, 9);
        expect(cautions.join()).not.toMatch(/feed lines/);
      }
    }
    expect(plan.besides).toBeGreaterThan(0);
  });
  it('counts overlaps, on the boat and in the fill', () => {
    const [hull] = boat.parts;
    const laps = lapAreas(boat, hull!, evaluations).reduce((sum, { laid, area }) => sum + area * laid.resinMass, 0);
    expect(laps).toBeGreaterThan(1);
    const without: Boat = { ...boat, parts: boat.parts.map((part) => ({ ...part, joins: [] })) };
    const stays = (of: Boat) =>
      mixingPlan(of, evaluations, USUAL_MIXING).stages.find(
        ({ kind, partId }) => kind === 'fill' && partId === hull!.id,
      )!.stays;
    expect(stays(boat) - stays(without)).toBeCloseTo(laps, 9);
  });
  it('by hand for one flat zone: 1 mm of mesh, half of it room, and 0.15 kg of peel ply on each m²', () => {
    const filling = {
      ...USUAL_FILLING,
      media: { ...USUAL_FILLING.media, thickness: 0.001, porosity: 0.5 },
      peelPly: 0.15,
      spiral: 0,
    };
    const [hull] = boat.parts;
    const area = hull!.zones.reduce((sum, { geometry }) => sum + geometry.area, 0);
    const resin = boat.materials.find(({ id }) => id === boat.brief.resin) as { density: { value: number } };
    const found = drawnBesides(boat, evaluations, filling).get(hull!.id)!;
    expect(found.mass).toBeCloseTo(area * (0.0005 * resin.density.value + 0.15), 9);
  });
  it('without a plan has mesh everywhere, and says that lines are not in it', () => {
    const none = { ...boat, fillPlans: [] };
    const found = drawnBesides(none, evaluations, USUAL_FILLING);
    for (const [id, { mass, notes }] of found) {
      expect(mass).toBeLessThanOrEqual(drawn.get(id)!.mass);
      expect(notes.join()).toMatch(/feed lines is not in it/);
    }
    const [first] = mixingPlan(none, evaluations, USUAL_MIXING, { drawn: found }).stages.filter(
      ({ kind }) => kind === 'fill',
    );
    expect(first!.cautions.join()).toMatch(/feed lines/);
  });
  it('is nothing by hand', () => {
    const byHand: Boat = { ...boat, brief: { ...boat.brief, process: 'handLayUp' } };
    expect(drawnBesides(byHand, makeEvaluator()(byHand), USUAL_FILLING).size).toBe(0);
  });
  it('is bought: no less resin and hardener on the list than in the batches', () => {
    const cost = boatCost(boat, evaluations, details, { rates: USUAL_RATES, offers: [] });
    const { pieces } = kitPieces({ boat, evaluations, details, cutting: USUAL_CUTTING });
    const list = purchaseList(cost, plan, { cutting: USUAL_CUTTING, pieces, materials: boat.materials });
    const own = boat.materials.find(({ id }) => id === boat.brief.resin)!.name;
    const bought = list.find(({ name, kind }) => kind === 'resin' && name === own)!;
    const inBatches = plan.stages
      .filter(({ kind, hardener }) => kind !== 'coating' && hardener.share > 0)
      .flatMap(({ batches }) => batches)
      .reduce((sum, { resin }) => sum + resin, 0);
    expect(bought.need).toBeGreaterThanOrEqual(inBatches - 1e-9);
    const hardener = list.filter(({ kind }) => kind === 'hardener').reduce((sum, { need }) => sum + need, 0);
    expect(hardener).toBeCloseTo(plan.hardener, 6);
  });
});
