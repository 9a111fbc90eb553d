import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { randomLcg } from 'd3-random';
import { editOf } from '../../../tests/helpers/randomEdit';
import type { Boat } from '../document';
import { applyEdits } from '../edit';
import { KeramosError } from '../error';
import { runToEnd } from '../job';
import { groupedLedger, ledgerOf } from './ledger';
import { scheduleSum } from './scheduleSum';

/** A boat after some random edits that it accepts. */
function randomlyEdited(from: Boat, { seed, count }: { seed: number; count: number }): Boat {
  const random = randomLcg(seed / 101);
  const number = () => Math.floor(random() * 1e6);
  let boat = from;
  for (let i = 0; i < count; i++) {
    const edit = editOf(boat, number(), number(), number());
    try {
      if (edit) boat = applyEdits(boat, [edit]).boat;
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
    }
  }
  return boat;
}

/** Everything that a ledger promises of any two schedules. */
function holdsOf(before: Boat, after: Boat) {
  const [was, is] = [scheduleSum(before), scheduleSum(after)];
  const ledger = runToEnd(ledgerOf(before, after));
  expect(ledger.mass.before).toBeCloseTo(was.mass, 9);
  expect(ledger.mass.after).toBeCloseTo(is.mass, 9);
  expect(ledger.steps.reduce((sum, { mass }) => sum + mass, 0)).toBeCloseTo(is.mass - was.mass, 6);
  for (const { id, reserveFactor } of was.zones) expect(ledger.reserves[id]).toBe(reserveFactor);
  const last = ledger.steps.at(-1)?.reserves ?? ledger.reserves;
  for (const { id, reserveFactor } of is.zones) expect(last[id], id).toBe(reserveFactor);
  // By material it adds up as well, in kilograms and in the reserve of any zone that stays proven.
  const [zone] = was.zones;
  const groups = groupedLedger(ledger, (reserves) => reserves[zone!.id] ?? null);
  expect(groups.reduce((sum, { mass }) => sum + mass, 0)).toBeCloseTo(is.mass - was.mass, 6);
  if (groups.every(({ moved }) => moved !== null))
    expect(groups.reduce((sum, { moved }) => sum + moved!, 0)).toBeCloseTo(
      (last[zone!.id] ?? 0) - zone!.reserveFactor!,
      6,
    );
  return ledger;
}

describe('the ledger of two schedules', () => {
  it('of one and the same is empty', () => {
    expect(holdsOf(merrow(), merrow()).steps).toEqual([]);
  });
  it('names a layer that goes, one that comes, one that changes, and one that covers other zones', () => {
    const before = merrow();
    const [hull] = before.parts;
    const [, , bx, tx] = hull!.layers;
    const { boat: after } = applyEdits(before, [
      { type: 'layer.remove', layerId: tx!.id },
      { type: 'layer.set', layerId: bx!.id, patch: { angleDeg: 45 } },
      { type: 'layer.cover', layerId: hull!.layers[4]!.id, zoneId: hull!.zones[0]!.id, covered: true },
      { type: 'layer.add', partId: hull!.id, layer: { ...bx!, id: 'fresh' }, index: 6 },
    ]);
    const { steps } = holdsOf(before, after);
    const titles = steps.map(({ title }) => title).join(' | ');
    expect(titles).toContain('TX 900 goes');
    expect(titles).toContain('BX45 600 becomes BX45 600 45°');
    expect(titles).toContain('BX45 600 comes');
    expect(titles).toContain('BX0 600 into Bottom forward');
    const gone = steps.find(({ title }) => title.includes('TX 900 goes'))!;
    expect(gone.mass).toBeLessThan(-5);
    expect(gone.part).toBe('Hull');
  });
  it.each([
    ['Merrow 84', merrow()],
    ['Brant 56', brant()],
  ])('%s: adds up after any edits', (_, before) => {
    for (const seed of [3, 11, 27]) {
      const after = randomlyEdited(before, { seed, count: 12 });
      holdsOf(before, after);
      holdsOf(after, before);
    }
  });
});

describe('what a schedule comes to', () => {
  it('is what Weights and Check say', () => {
    const sum = scheduleSum(merrow());
    expect(sum.mass).toBeCloseTo(676.15, 1);
    expect(sum.zones.find(({ name }) => name === 'Side forward')!.layers.slice(0, 2)).toEqual(['GEL', 'CSM 300']);
    expect(sum.pieces).toBeGreaterThan(60);
  });
});
