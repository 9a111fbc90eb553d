import { beforeAll, describe, expect, it } from 'vitest';
import { merrow } from '../../../../tests/helpers/merrow';
import { applyEdits } from '../../edit';
import { makeEvaluator, targetOf } from '../../evaluate';
import { runToEnd } from '../../job';
import { GENERIC_MATERIALS } from '../../material';
import { reaches } from '../../quantity';
import { USUAL_HABITS } from '../habits';
import { loadIntegerSolver } from '../integerSolver';
import { takeMaterials } from '../takeMaterials';
import type { SolveInteger } from './coupleZones';
import { habitCosts } from './habitCosts';
import { slopes, tradeOff } from './tradeOff';

let solve: SolveInteger;
beforeAll(async () => {
  solve = await loadIntegerSolver();
});

const deckInput = () => {
  const boat = takeMaterials(merrow(), ['bx45-450', 'carbon-bx45-400', 'csm-300', 'pvc-80'], GENERIC_MATERIALS);
  const deck = boat.parts.find(({ kind }) => kind === 'deck')!;
  const zoneIds = deck.zones.slice(0, 3).map(({ id }) => id);
  return {
    boat,
    partId: deck.id,
    zoneIds,
    choices: { fabrics: ['csm-300', 'bx45-450', 'carbon-bx45-400'], angles: [0], cores: ['pvc-80'], maxLayers: 6 },
  };
};

describe('the trade of mass against price', () => {
  it('is a curve on which every point holds, none is better in both, and each opens as edits', () => {
    const input = deckInput();
    const points = runToEnd(tradeOff(input, 'mass-cost', solve));
    expect(points.length).toBeGreaterThan(1);
    for (let i = 1; i < points.length; i++) {
      expect(points[i]!.mass).toBeGreaterThan(points[i - 1]!.mass);
      expect(points[i]!.cost!).toBeLessThan(points[i - 1]!.cost!);
    }
    for (const slope of slopes(points, 'mass-cost')) expect(slope).toBeGreaterThan(0);
    for (const { answer, mass, cost } of points) {
      const after = applyEdits(input.boat, answer.edits).boat;
      const part = after.parts.find(({ id }) => id === input.partId)!;
      const evaluations = makeEvaluator()(after);
      const zones = part.zones.filter(({ id }) => input.zoneIds.includes(id));
      const sum = (pick: (e: { laminatedArealWeight: number; cost: number | null }) => number) =>
        zones.reduce((total, { id, geometry }) => total + pick(evaluations.get(id)!) * geometry.area * part.number, 0);
      expect(sum((e) => e.laminatedArealWeight)).toBeCloseTo(mass, 6);
      expect(sum((e) => e.cost!)).toBeCloseTo(cost!, 6);
      for (const { id } of zones)
        expect(reaches(evaluations.get(id)!.governing!.reserveFactor, targetOf(after))).toBe(true);
    }
  });
});

describe('what a habit costs', () => {
  it('is what the same parts would come to without it, never less than nothing', () => {
    const boat = merrow();
    const deck = boat.parts.find(({ kind }) => kind === 'deck')!;
    const habits = USUAL_HABITS.infusion;
    const input = {
      boat,
      partIds: [deck.id],
      habits: { ...habits, rules: { ...habits.rules, tie: 'csm-300-emulsion', inTurn: true } },
      shelf: GENERIC_MATERIALS,
    };
    const costs = runToEnd(habitCosts(input, solve));
    const tie = costs.find(({ habit }) => habit === 'tie')!;
    expect(tie.saves!).toBeGreaterThan(5);
    for (const { saves, habit } of costs) expect(saves!, habit).toBeGreaterThan(-0.5);
    expect(costs.map(({ saves }) => saves)).toEqual(costs.map(({ saves }) => saves).sort((a, b) => b! - a!));
  });
});
