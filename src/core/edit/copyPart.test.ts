import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { checkBoat, newBoat, type Boat } from '../document';
import { makeEvaluator } from '../evaluate';
import { applyEdits, copyPart, describeEdits } from '.';

const counter = () => {
  let n = 0;
  return () => `copy-${++n}`;
};
const idOf = (boat: Boat, name: string) => boat.parts.find((part) => part.name === name)!.id;

describe('a part copied from another boat', () => {
  const [from, to] = [merrow(), brant()];
  const edits = copyPart(to, from, idOf(from, 'Liner'), counter());
  const { boat, inverse } = applyEdits(to, edits);
  const copied = boat.parts.at(-1)!;

  it('comes whole, with materials and ribs, under ids of its own, and is undone exactly', () => {
    const source = from.parts.find(({ name }) => name === 'Liner')!;
    expect(copied.name).toBe('Liner');
    expect(copied.layers.map(({ material }) => material)).toEqual(source.layers.map(({ material }) => material));
    const places = (part: typeof source) =>
      part.layers.map(({ zones }) => zones.map((id) => part.zones.findIndex((zone) => zone.id === id)));
    expect(places(copied)).toEqual(places(source));
    const known = new Set(from.parts.flatMap((part) => [part.id, ...part.zones.map(({ id }) => id)]));
    expect([copied.id, ...copied.zones.map(({ id }) => id)].some((id) => known.has(id))).toBe(false);
    for (const { material } of copied.layers) expect(boat.materials.some(({ id }) => id === material)).toBe(true);
    checkBoat(boat);
    expect(applyEdits(boat, inverse).boat).toEqual(to);
  });
  it('is evaluated by the brief of the boat that it came to', () => {
    const [there, here] = [makeEvaluator()(from), makeEvaluator()(boat)];
    const source = from.parts.find(({ name }) => name === 'Liner')!;
    copied.zones.forEach((zone, i) => {
      const [a, b] = [there.get(source.zones[i]!.id)!, here.get(zone.id)!];
      expect(b.governing).not.toBeNull();
      // The same fabrics by hand take more resin than infused.
      expect(b.fibreWeightFraction).toBeLessThan(a.fibreWeightFraction);
    });
  });
  it('takes along the ribs of its zones with their sections, and no other support', () => {
    const both = applyEdits(from, copyPart(from, to, idOf(to, 'Deck'), counter())).boat;
    const theirs = to.supports.filter(
      (one) => one.kind === 'rib' && to.parts[1]!.zones.some(({ id }) => id === one.zone),
    );
    const ribs = both.supports.slice(from.supports.length);
    expect(ribs.map(({ name }) => name)).toEqual(theirs.map(({ name }) => name));
    expect(ribs.length).toBeGreaterThan(1);
    expect(ribs.every((one) => one.kind === 'rib' && both.parts.at(-1)!.zones.some(({ id }) => id === one.zone))).toBe(
      true,
    );
  });
  it('lies for the measures of this boat, where it had a place; a small part keeps its size', () => {
    const both = applyEdits(from, copyPart(from, to, idOf(to, 'Deck'), counter())).boat;
    expect(both.parts.at(-1)!.zones[0]!.region).toMatchObject({ from: expect.closeTo((3.15 * 8.4) / 5.6, 6) });
    const small = { ...from, parts: from.parts.map((part) => ({ ...part, kind: 'small' as const })) };
    const pads = applyEdits(to, copyPart(to, small, idOf(from, 'Liner'), counter())).boat.parts.at(-1)!;
    expect(pads.zones[1]!.region).toMatchObject({
      length: 1.9,
      breadth: 0.42,
      x: expect.closeTo((4.2 * 5.6) / 8.4, 6),
    });
  });
  it('on a surface that this boat lacks is refused, with what is lacking', () => {
    expect(() => applyEdits(to, copyPart(to, from, idOf(from, 'Deck'), counter()))).toThrow(
      'Wheelhouse front has no surface: the deck has no coachroof',
    );
  });
  it('twice is called apart, and within one boat too', () => {
    const again = applyEdits(
      boat,
      copyPart(boat, from, idOf(from, 'Liner'), () => `again-${Math.random()}`),
    ).boat;
    expect(again.parts.map(({ name }) => name).slice(-2)).toEqual(['Liner', 'Liner 2']);
    const own = applyEdits(from, copyPart(from, from, idOf(from, 'Liner'), counter())).boat;
    expect(own.parts.at(-1)!.name).toBe('Liner 2');
    expect(own.materials).toEqual(from.materials);
  });
  it('that is not there, or has no place on the boat, is refused in words', () => {
    expect(() => copyPart(to, from, 'gone', counter())).toThrow('Merrow 84 has no such part');
    const bare = { ...newBoat('Bare'), hull: null, parts: [], supports: [] };
    expect(() => applyEdits(bare, copyPart(bare, from, idOf(from, 'Liner'), counter()))).toThrow(
      'give the boat a hull shape first',
    );
  });
});

describe('parts and zones in another order', () => {
  it('keep all they have; layers name their zones in the new order; and back again', () => {
    const boat = merrow();
    const [hull] = boat.parts;
    const last = hull!.zones.at(-1)!;
    const moved = applyEdits(boat, [
      { type: 'part.move', partId: hull!.id, index: 2 },
      { type: 'zone.move', zoneId: last.id, index: 0 },
    ]);
    expect(moved.boat.parts.map(({ name }) => name)).toEqual(['Deck', 'Bulkheads', 'Hull', 'Liner']);
    const after = moved.boat.parts[2]!;
    expect(after.zones[0]!.id).toBe(last.id);
    for (const layer of after.layers) {
      const order = layer.zones.map((id) => after.zones.findIndex((zone) => zone.id === id));
      expect(order).toEqual([...order].sort((a, b) => a - b));
    }
    const [was, is] = [boat, moved.boat].map((one) => makeEvaluator()(one));
    for (const [id, { governing, laminatedArealWeight }] of was!)
      expect(is!.get(id)).toMatchObject({
        laminatedArealWeight,
        governing: { reserveFactor: governing!.reserveFactor },
      });
    expect(applyEdits(moved.boat, moved.inverse).boat).toEqual(boat);
    expect(describeEdits(boat, [{ type: 'part.move', partId: hull!.id, index: 2 }])).toBe('moved part Hull to place 3');
  });
  it('beyond the end stand last', () => {
    const boat = merrow();
    const { boat: after } = applyEdits(boat, [{ type: 'part.move', partId: boat.parts[0]!.id, index: 99 }]);
    expect(after.parts.at(-1)!.name).toBe('Hull');
  });
});
