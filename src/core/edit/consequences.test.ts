import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { boatFromJson, checkBoat } from '../document';
import { applyEdits } from './applyEdits';

const demo = boatFromJson(readFileSync('data/demo/merrow-84.json', 'utf8'));
/** Without what stands on the liner, which would keep it. */
const merrow = applyEdits(
  demo,
  demo.supports.flatMap(({ kind, id }) => (kind === 'rib' ? [{ type: 'support.remove' as const, id }] : [])),
).boat;

describe('what goes with what', () => {
  it('plans of a part go with it, and come back when that is undone', () => {
    const { boat, inverse } = applyEdits(merrow, [{ type: 'part.remove', partId: 'liner' }]);
    expect(boat.fillPlans).toHaveLength(merrow.fillPlans.length);
    const own = {
      ...merrow.fillPlans[0]!,
      id: 'p-liner',
      part: 'liner',
      skin: 'liner-pan',
      bare: [{ zone: 'liner-pan' }],
    };
    const cure = { ...merrow.curePlans[0]!, id: 'c-liner', part: 'liner' };
    const with2 = { ...merrow, fillPlans: [...merrow.fillPlans, own], curePlans: [...merrow.curePlans, cure] };
    const gone = applyEdits(with2, [{ type: 'part.remove', partId: 'liner' }]);
    expect(gone.boat.fillPlans).toHaveLength(merrow.fillPlans.length);
    expect(gone.boat.curePlans).toHaveLength(merrow.curePlans.length);
    expect(() => checkBoat(gone.boat)).not.toThrow();
    expect(applyEdits(gone.boat, gone.inverse).boat).toEqual(with2);
    expect(applyEdits(boat, inverse).boat).toEqual(merrow);
  });
  it('a zone that goes is let go of by plans that lay no mesh over it', () => {
    const zone = merrow.parts.find(({ id }) => id === 'liner')!.zones[1]!.id;
    const own = { ...merrow.fillPlans[0]!, id: 'p-liner', part: 'liner', skin: 'liner-pan', bare: [{ zone }] };
    const before = { ...merrow, fillPlans: [own] };
    const { boat, inverse } = applyEdits(before, [{ type: 'zone.remove', zoneId: zone }]);
    expect(boat.fillPlans[0]!.bare).toEqual([]);
    expect(applyEdits(boat, inverse).boat).toEqual(before);
  });
});
