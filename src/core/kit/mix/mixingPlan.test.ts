import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../../tests/helpers/merrow';
import { boatCost, USUAL_RATES } from '../../cost';
import { evaluateDetails } from '../../detail/kinds';
import type { Boat } from '../../document';
import { makeEvaluator, stiffenerMasses } from '../../evaluate';
import { coreBonding, materialList } from '../../weight';
import type { Resin } from '../../material';
import { USUAL_CUTTING } from '../cutting';
import { purchaseList } from '../purchaseList';
import { kitPieces } from '../pieces/pieces';
import { batchesOf } from './batches';
import { USUAL_MIXING } from './mixing';
import { mixingPlan } from './mixingPlan';
import { potLifeAt } from './potLife';

const plan = (boat: Boat, change = {}) => mixingPlan(boat, makeEvaluator()(boat), { ...USUAL_MIXING, ...change });

describe('batches of resin', () => {
  it('are none for no resin, and refused where nobody lays them', () => {
    const base = { resinMass: 0, maximumBatch: 2, workingMinutes: 20, wetOutRate: 0.3, hardenerShare: 0.3 };
    expect(batchesOf(base).batches).toEqual([]);
    expect(() => batchesOf({ ...base, wetOutRate: 0 })).toThrow(/give more than 0/);
    // Pots of a thimble: a slip of the unit, and more batches than a list can hold.
    for (const maximumBatch of [1e-6, 1e-300])
      expect(() => batchesOf({ ...base, resinMass: 6, maximumBatch })).toThrow(/More than 5000 batches/);
    // 6 kg in pots of 2 kg are three, not four for a rounding.
    expect(batchesOf({ ...base, resinMass: 0.1 + 0.2 + 5.7, wetOutRate: 9 }).batches).toHaveLength(3);
  });
});

describe('the mixing plan', () => {
  it.each([
    ['Merrow 84', merrow()],
    ['Brant 56', brant()],
  ])('%s: every batch inside its pot and its working time, all layers wetted once', (...[, boat]) => {
    const { stages, leftOver, problems } = plan(boat);
    expect(problems).toEqual([]);
    for (const stage of stages.filter(({ kind }) => kind !== 'paste')) {
      const wetted = new Map<number, number>();
      for (const batch of stage.batches) {
        expect(batch.resin).toBeLessThanOrEqual(stage.hardener.largest + 1e-9);
        expect(batch.usedUp - batch.startMinute).toBeLessThanOrEqual(stage.workingMinutes + 1e-6);
        for (const { layerNumber, share } of batch.wets)
          wetted.set(layerNumber, (wetted.get(layerNumber) ?? 0) + share);
      }
      for (const share of wetted.values()) expect(share).toBeCloseTo(1, 6);
    }
    const pastes = stages.filter(({ kind }) => kind === 'paste');
    for (const stage of pastes)
      for (const batch of stage.batches) {
        expect(batch.resin).toBeLessThanOrEqual(USUAL_MIXING.largestPaste + 1e-9);
        expect(batch.usedUp - batch.startMinute).toBeLessThanOrEqual(stage.workingMinutes + 1e-6);
      }
    // Resin with its hardener is what is mixed, no more: a third of epoxy's batch is hardener.
    for (const { batches, mixed } of stages)
      expect(batches.reduce((sum, one) => sum + one.resin + one.hardener, 0)).toBeCloseTo(mixed, 9);
    for (const stage of stages.filter(({ kind }) => kind !== 'paste'))
      expect(stage.mixed).toBeCloseTo(stage.stays * (1 + USUAL_MIXING.waste), 9);
    expect(leftOver).toBeCloseTo(USUAL_MIXING.waste * stages.reduce((sum, one) => sum + one.stays, 0), 9);
    // What stays, thickened or not, is the resin of the whole boat as her list of materials has it, and her coats.
    const evaluations = makeEvaluator()(boat);
    const details = evaluateDetails(boat);
    const whole = mixingPlan(boat, evaluations, USUAL_MIXING, { details }).stages.filter(
      ({ hardener }) => hardener.share > 0,
    );
    const list = materialList(boat, evaluations, details);
    const listed = list
      .filter(({ material }) => material.id === boat.brief.resin || material.kind === 'coating')
      .reduce((sum, { mass }) => sum + mass, 0);
    expect(whole.reduce((sum, one) => sum + one.stays, 0)).toBeCloseTo(listed, 6);
    const beside = whole.filter(({ partId, kind }) => partId === null && kind === 'laminate');
    const byHand = stiffenerMasses(boat).length + details.filter(({ mass }) => mass.resin > 0).length;
    expect(beside).toHaveLength(byHand);
  });
  it('mixes for the flanges of stiffeners that are glued on, each by itself, what they weigh and its waste', () => {
    const own = merrow();
    const adhesive = own.materials.find(({ kind }) => kind === 'adhesive')!.id;
    const boat = { ...own, sections: own.sections.map((one) => ({ ...one, adhesive })) };
    const stages = (of: Boat) => plan(of).stages.filter(({ name }) => name === 'Bond of its flanges');
    expect(stages(own)).toEqual([]);
    const glued = stiffenerMasses(boat).filter(({ glue }) => glue > 0);
    expect(glued.length).toBeGreaterThan(2);
    expect(stages(boat).map(({ part, stays }) => [part, stays])).toEqual(
      glued.map(({ support, glue }) => [support.name, glue]),
    );
    for (const { mixed, stays } of stages(boat)) expect(mixed).toBeGreaterThan(stays);
  });
  it('needs more batches, or a slower hardener, in a warm shop', () => {
    const count = (temperature: number) =>
      plan(brant(), { temperature }).stages.reduce((sum, { batches }) => sum + batches.length, 0);
    expect(count(32)).toBeGreaterThanOrEqual(count(15));
    const usual = USUAL_MIXING.hardeners.filter(({ name }) => !/slow|quick/.test(name));
    const minutes = (temperature: number) => plan(brant(), { temperature, hardeners: usual }).stages[0]!.workingMinutes;
    expect(minutes(30)).toBeLessThan(minutes(15));
  });
  it('works a gelcoat by the pot life of coats, whatever the resin is', () => {
    const coat = (coatPotLife: number) => {
      const { stages } = plan(brant(), { coatPotLife, temperature: 25 });
      return stages.find(({ kind }) => kind === 'coating')!;
    };
    // At 25 °C, of the usual hardener, the share that is used: worked by hand.
    expect(coat(12).workingMinutes).toBeCloseTo(12 * coat(12).hardener.potLife * USUAL_MIXING.workingShare, 6);
    expect(coat(20).workingMinutes).toBeGreaterThan(coat(12).workingMinutes);
  });
  it('mixes paste for beads, bonds and fillets of details, and the bedding of cores by hand', () => {
    for (const boat of [merrow(), brant()]) {
      const details = evaluateDetails(boat);
      const { stages } = mixingPlan(boat, makeEvaluator()(boat), USUAL_MIXING, { details });
      const pastes = stages.filter(({ kind }) => kind === 'paste');
      const asked = details.flatMap(({ pastes: own, problem }) => (problem === null ? own : []));
      const bedded = boat.brief.process === 'infusion' ? [] : coreBonding(boat, makeEvaluator()(boat));
      expect(pastes).toHaveLength(asked.length + bedded.length);
      const sum = (all: readonly { mass: number }[]) => all.reduce((total, { mass }) => total + mass, 0);
      expect(pastes.reduce((total, { stays }) => total + stays, 0)).toBeCloseTo(sum(asked) + sum(bedded), 9);
      for (const { mixed, batches } of pastes)
        expect(batches.reduce((all, { resin, hardener }) => all + resin + hardener, 0)).toBeCloseTo(mixed, 9);
      // What is paste of a detail is no more than what it weighs besides cloth and resin.
      for (const { pastes: own, mass } of details) expect(sum(own)).toBeLessThanOrEqual(mass.other + 1e-9);
    }
    const glued = [merrow(), brant()]
      .flatMap((boat) => evaluateDetails(boat))
      .filter(({ pastes }) => pastes.length > 0);
    expect(glued.length).toBeGreaterThan(0);
  });
  it('tells pot lives as the Shelf does at 15 and 25 °C', () => {
    const resin = merrow().materials.find((one): one is Resin => one.kind === 'resin')!;
    expect(potLifeAt(resin, 15)).toBeCloseTo(resin.potLife15.value, 6);
    expect(potLifeAt(resin, 25)).toBeCloseTo(resin.potLife25.value, 6);
    expect(potLifeAt(resin, 20)).toBeCloseTo(Math.sqrt(resin.potLife15.value * resin.potLife25.value), 6);
  });
  it('mixes nothing for prepreg, and says what has no hardener', () => {
    const boat = brant();
    const dry: Boat = { ...boat, brief: { ...boat.brief, process: 'prepreg' } };
    expect(plan(dry).problems.join()).toMatch(/prepreg comes with its resin/);
    expect(() => plan(boat, { hardeners: [] })).toThrow(/No hardener for/);
  });
});

describe('the purchase list', () => {
  it('has enough whole rolls and sheets, and the hardener of every batch', () => {
    const boat = merrow();
    const evaluations = makeEvaluator()(boat);
    const details = evaluateDetails(boat);
    const cost = boatCost(boat, evaluations, details, { rates: USUAL_RATES, offers: [] });
    const mixing = mixingPlan(boat, evaluations, USUAL_MIXING);
    const { pieces } = kitPieces({ boat, evaluations, details, cutting: USUAL_CUTTING });
    const list = purchaseList(cost, mixing, { cutting: USUAL_CUTTING, pieces, materials: boat.materials });
    // Never less cloth than the pieces themselves, nor than the costs reckon with.
    for (const { material, area, waste } of cost.materials) {
      if (material.kind !== 'fabric' || area === null) continue;
      const own = list.find(({ name }) => name === material.name)!;
      const cut = pieces.filter((piece) => piece.material === material.id);
      const taken = own.need * (material.width.value - 2 * USUAL_CUTTING.selvage);
      expect(taken).toBeGreaterThan(cut.reduce((sum, piece) => sum + piece.area * piece.count, 0));
      expect(taken).toBeGreaterThanOrEqual(area * (1 + waste) - 1e-9);
    }
    for (const { kind, name, packs } of list) if (kind === 'core') expect(packs!.count, name).toBeGreaterThan(0);
    for (const { kind, need, packs, name } of list) {
      if (kind !== 'cloth') continue;
      const roll = boat.materials.find((one) => one.name === name) as { rollLength: { value: number } };
      expect(packs!.count * roll.rollLength.value).toBeGreaterThanOrEqual(need - 1e-6);
    }
    const hardener = list.filter(({ kind }) => kind === 'hardener').reduce((sum, { need }) => sum + need, 0);
    expect(hardener).toBeCloseTo(mixing.hardener, 9);
    expect(list.some(({ kind }) => kind === 'consumable')).toBe(true);
  });
});
