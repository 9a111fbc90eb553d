import { expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { newBoat, particularsOf } from '../document';
import { shapeFor } from '../geometry';
import { applyEdits, followParticulars } from '.';

const tern = newBoat('Tern');
const zone = (boat: typeof tern, id: string) => boat.parts.flatMap(({ zones }) => zones).find((one) => one.id === id)!;

it('a new boat made longer stays one boat: waterline, freeboards, draft, ends, bulkhead and floors follow', () => {
  const { boat, inverse } = applyEdits(tern, followParticulars(tern, { hullLength: 9 }));
  expect(boat.brief).toMatchObject({ hullLength: 9, waterlineLength: 7.95, maximumBeam: 2.2 });
  expect(boat.hull).toEqual(shapeFor(particularsOf(boat.brief), 'motor'));
  expect(boat.hull).toMatchObject({ draft: expect.closeTo(0.54, 9), freeboardMid: expect.closeTo(0.81, 9) });
  expect(zone(boat, 'side').region).toMatchObject({ from: -1, to: 10 });
  expect(zone(boat, 'bulkhead-1').region).toMatchObject({ x: 5.4 });
  expect(boat.supports).toMatchObject([{ x: 2.7 }, { to: 10 }, { x: 2.7 }]);
  expect(zone(boat, 'bottom').geometry.area).toBeGreaterThan(1.4 * zone(tern, 'bottom').geometry.area);
  expect(applyEdits(boat, inverse).boat).toEqual(tern);
});
it('beam at the chine and transom follow the greatest beam, and propulsion takes its form along', () => {
  const { boat } = applyEdits(tern, followParticulars(tern, { maximumBeam: 3 }));
  expect(boat.brief.chineBeam).toBe(2.46);
  expect(boat.hull).toMatchObject({ transomBeam: 2.7 });
  const { boat: sail } = applyEdits(tern, followParticulars(tern, { kind: 'sail' }));
  expect(sail.hull).toMatchObject({ form: 'roundBilge', transomRakeDeg: -5 });
});
it('what was typed over stays, each figure by itself', () => {
  if (tern.hull?.source !== 'particulars') throw new Error('a new boat is drawn');
  const { boat: typed } = applyEdits(tern, [
    { type: 'hull.set', hull: { ...tern.hull, freeboardMid: 0.7 } },
    { type: 'brief.set', patch: { waterlineLength: 5.2 } },
    { type: 'zone.set', zoneId: 'bulkhead-1', patch: { region: { surface: 'section', x: 3.4, top: null } } },
  ]);
  const { boat } = applyEdits(typed, followParticulars(typed, { hullLength: 8 }));
  expect(boat.brief.waterlineLength).toBe(5.2);
  expect(boat.hull).toMatchObject({ freeboardMid: 0.7, draft: 0.48 });
  expect(zone(boat, 'bulkhead-1').region).toMatchObject({ x: 3.4 });
  expect(zone(boat, 'deck-main').region).toMatchObject({ to: 9 });
});
it('a figure of the same edit is what was typed, and other edits of the brief are what they were', () => {
  const both = followParticulars(tern, { hullLength: 9, waterlineLength: 8.6 });
  expect(both[0]).toEqual({ type: 'brief.set', patch: { hullLength: 9, waterlineLength: 8.6 } });
  const patch = { posture: 'weightFirst' as const };
  expect(followParticulars(tern, patch)).toEqual([{ type: 'brief.set', patch }]);
  const demo = merrow();
  expect(followParticulars(demo, { weightTarget: 700 })).toHaveLength(1);
});
