import { readdirSync, readFileSync } from 'node:fs';
import { beforeAll, describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../../tests/helpers/merrow';
import { boatFromJson, checkBoat, type Boat } from '../../document';
import { cautionsOf } from '../../caution';
import { applyEdits } from '../../edit';
import { evaluateStiffeners, makeEvaluator, targetOf } from '../../evaluate';
import { runToEnd } from '../../job';
import { GENERIC_MATERIALS } from '../../material';
import { reaches } from '../../quantity';
import { USUAL_HABITS, type Habits } from '../habits';
import { loadIntegerSolver } from '../integerSolver';
import type { SolveInteger } from './coupleZones';
import { isSolid } from './habitSpace';
import { propose } from './propose';

let solve: SolveInteger;
beforeAll(async () => {
  solve = await loadIntegerSolver();
});

const templates = readdirSync('data/templates').map((file): [string, Boat] => {
  const { document, ...rest } = JSON.parse(readFileSync(`data/templates/${file}`, 'utf8')) as { document?: unknown };
  return [file, boatFromJson(JSON.stringify(document ?? rest))];
});
const boats: [string, Boat][] = [['Merrow 84', merrow()], ['Brant 56', brant()], ...templates];
const run = (boat: Boat, habits: Habits = USUAL_HABITS[boat.brief.process]) =>
  runToEnd(propose({ boat, partIds: null, habits, shelf: GENERIC_MATERIALS }, { solve }));

describe('a first proposal', () => {
  it.each(boats)(
    '%s: every zone reaches the target, and the schedule reads like one that a yard would lay',
    (_, boat) => {
      const habits = USUAL_HABITS[boat.brief.process];
      const proposal = run(boat);
      expect(proposal.refused).toEqual([]);
      const { boat: after, inverse } = applyEdits(boat, proposal.edits);
      checkBoat(after);
      const evaluations = makeEvaluator()(after);
      const target = targetOf(boat);
      for (const part of after.parts)
        for (const zone of part.zones) {
          const { governing, unproven, layers } = evaluations.get(zone.id)!;
          expect(reaches(governing!.reserveFactor, target), zone.name).toBe(true);
          expect(unproven, zone.name).toEqual([]);
          // A core only where the habits have one, with cloth on both of its faces.
          const cored = layers.findIndex(({ material }) => material.kind === 'core');
          if (isSolid(after, part, zone, habits.rules)) expect(cored, zone.name).toBe(-1);
          if (cored >= 0) {
            const side = (some: typeof layers) => some.filter(({ material }) => material.kind === 'fabric').length;
            expect(side(layers.slice(0, cored)), zone.name).toBeGreaterThan(0);
            expect(side(layers.slice(cored + 1)), zone.name).toBeGreaterThan(0);
          }
          // Coat and skin coat lie against the mould.
          if (['hull', 'deck', 'liner', 'small'].includes(part.kind)) {
            const first = [...(habits.coat ? [habits.coat.material] : []), ...habits.skin];
            expect(layers.slice(0, first.length).map(({ material }) => material.id)).toEqual(first);
          }
        }
      for (const part of after.parts) {
        const cloths = new Set(part.layers.map(({ material }) => material));
        expect(cloths.size, part.name).toBeLessThanOrEqual(7);
        // Layers run on: most rows of a part of several zones cover more than one.
        if (part.zones.length > 3) {
          const shared = part.layers.filter(({ zones }) => zones.length > 1).length;
          expect(shared / part.layers.length, part.name).toBeGreaterThan(0.4);
        }
      }
      for (const { governing, section } of evaluateStiffeners(after))
        if (section && governing) expect(reaches(governing.reserveFactor, 1)).toBe(true);
      // A detail that fails is named, and fails by something that no stack mends.
      expect(proposal.below.length).toBeLessThanOrEqual(1);
      // What comes off again is laid last.
      for (const { layers } of after.parts) {
        const off = layers.findIndex(({ role }) => role === 'comesOff');
        if (off >= 0) expect(layers.slice(off).every(({ role }) => role === 'comesOff')).toBe(true);
      }
      // Nothing that our own cautions would call a danger to these layers.
      const rules = cautionsOf(after, evaluations).filter(({ rule }) => rule.severity === 'danger');
      expect(rules.map(({ rule, detail }) => `${rule.id}: ${detail}`)).toEqual([]);
      // Every part is within a hundredth of the bound that was proven for it by itself.
      for (const { gap, name } of proposal.parts) expect(gap, name).toBeLessThan(0.01);
      // One action, taken back whole.
      expect(applyEdits(after, inverse).boat.parts).toEqual(boat.parts);
    },
  );

  it('is the same every time', () => {
    expect(run(brant()).edits).toEqual(run(brant()).edits);
  });
  it('lays what a detail asks for, and says so', () => {
    const { heavierFor, changes } = run(merrow());
    expect(heavierFor.flatMap(({ details }) => details)).toContain('A-frame foot');
    const foot = changes.find(({ name }) => name === 'A-frame foot');
    expect(foot === undefined || reaches(foot.after!, 1.1)).toBe(true);
  });

  const habits = USUAL_HABITS.infusion;
  const rules = (change: Partial<Habits['rules']>): Habits => ({ ...habits, rules: { ...habits.rules, ...change } });
  it.each([
    ['no cloth light enough', rules({ ply: { least: 2, most: 3 } }), 'leave no cloth for the single skin'],
    ['a cloth that is nowhere', { ...habits, outer: ['nowhere'] }, 'neither the boat nor the Shelf has'],
    ['a core that is a cloth', { ...habits, core: { ...habits.core, material: 'csm-300' } }, 'is no core'],
    ['a cloth that is a core', { ...habits, single: ['pvc-80'] }, 'is no fabric'],
    ['too few layers', rules({ mostLayers: 1, solid: ['bottom', 'side', 'transom', 'deck'] }), 'No stack of these'],
  ])('refuses %s, and says why', (_, own, reason) => {
    const boat = merrow();
    const hull = boat.parts[0]!.id;
    expect(() =>
      runToEnd(propose({ boat, partIds: [hull], habits: own, shelf: GENERIC_MATERIALS }, { solve })),
    ).toThrow(reason);
  });
  it.each([
    ['symmetric', rules({ symmetric: true })],
    ['no two alike together', rules({ inTurn: false, alike: 1, mostLayers: 8, solidKeel: false })],
    ['mat on both faces of the core', rules({ tie: 'csm-225' })],
    ['one layer may end at a line', rules({ mostDropped: 4 })],
    ['a dense core under hardware', rules({ hardware: 'pvc-200' })],
    // The first zone of the part is one of those without.
    ['no core in the deck', rules({ solid: ['deck'] })],
  ] as const)('keeps to a habit: %s', (what, own) => {
    const boat = merrow();
    const deck = boat.parts.find(({ kind }) => kind === 'deck')!;
    const { edits } = runToEnd(propose({ boat, partIds: [deck.id], habits: own, shelf: GENERIC_MATERIALS }, { solve }));
    const after = applyEdits(boat, edits).boat.parts.find(({ id }) => id === deck.id)!;
    const hardware = boat.details.filter(({ kind }) => kind === 'bolted').map(({ zone }) => zone);
    for (const zone of after.zones) {
      if (what.startsWith('a dense')) {
        const cores = after.layers.filter(
          ({ thickness, material, zones }) => thickness && zones.includes(zone.id) && material.startsWith('pvc'),
        );
        expect(cores.map(({ material }) => material)).toEqual([hardware.includes(zone.id) ? 'pvc-200' : 'pvc-80']);
        continue;
      }
      if (what.startsWith('no core')) {
        const cored = after.layers.some(({ material, zones }) => zones.includes(zone.id) && material === 'pvc-80');
        expect(cored, zone.name).toBe(zone.location !== 'deck');
        continue;
      }
      const ids = after.layers.filter(({ zones }) => zones.includes(zone.id)).map(({ material }) => material);
      const core = ids.indexOf('pvc-80');
      if (core < 0) continue;
      const [outer, inner] = [ids.slice(2, core), ids.slice(core + 1)];
      if (what === 'symmetric') expect([...outer].sort()).toEqual([...inner].sort());
      if (what.startsWith('no two')) for (let i = 1; i < ids.length; i++) expect(ids[i]).not.toBe(ids[i - 1]);
      if (what.startsWith('mat')) expect([ids[core - 1], ids[core + 1]]).toEqual(['csm-225', 'csm-225']);
    }
  });
});
