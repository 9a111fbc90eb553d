import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import {
  alignTo,
  applyEdits,
  changeLaminate,
  difference,
  followParent,
  keepAsLaminate,
  layAs,
  layLaminate,
  takeIntoLaminate,
  takeState,
  usesOf,
  type Edit,
} from '.';
import { newLayer, type Boat } from '../document';
import { boat, fresh, hull, id } from '../../../tests/helpers/hull';

describe('laminates', () => {
  const deck = boat.parts.find(({ name }) => name === 'Deck')!;
  const kept = boat.references.find((reference) => reference.id === 'deck-inner-450')!;
  const liner = boat.parts.find(({ name }) => name === 'Liner')!;
  const laid = applyEdits(
    boat,
    layLaminate(liner, kept, { zones: [liner.zones[0]!.id], index: liner.layers.length }, fresh()),
  ).boat;
  it('know where they are laid, and a change where they are defined goes to every place that follows', () => {
    expect(usesOf(laid, kept).map(({ part, how, differs }) => `${part} ${how} ${differs}`)).toEqual([
      'Deck laid false',
      'Liner laid false',
    ]);
    const { edits, follow, stay } = changeLaminate(
      laid,
      { ...kept, layers: [...kept.layers.map((layer) => ({ ...layer, angleDeg: 45 })), kept.layers[0]!] },
      fresh(),
    );
    expect([follow, stay]).toEqual([2, 0]);
    const { boat: changed, inverse } = applyEdits(laid, edits);
    expect(
      usesOf(
        changed,
        changed.references.find((reference) => reference.id === kept.id)!,
      ).every(({ differs }) => !differs),
    ).toBe(true);
    expect(changed.parts.find(({ name }) => name === 'Deck')!.layers.length).toBe(deck.layers.length + 1);
    expect(applyEdits(changed, inverse).boat).toEqual(laid);
  });
  it('a place changed on its own stays as it is, gives its change to the rest, or takes the laminate back', () => {
    const group = deck.groups.find(({ laminate }) => laminate === kept.id)!;
    const layer = deck.layers.find((one) => one.group === group.id)!;
    const apart = applyEdits(laid, [{ type: 'layer.set', layerId: layer.id, patch: { angleDeg: 30 } }]).boat;
    expect(usesOf(apart, kept).map(({ differs }) => differs)).toEqual([true, false]);
    expect(changeLaminate(apart, { ...kept, layers: kept.layers.slice(0, 1) }, fresh())).toMatchObject({
      follow: 1,
      stay: 1,
    });
    const deckNow = apart.parts.find(({ name }) => name === 'Deck')!;
    const given = applyEdits(apart, takeIntoLaminate(apart, deckNow, group, fresh())!.edits).boat;
    expect(given.parts.find(({ name }) => name === 'Liner')!.layers.some(({ angleDeg }) => angleDeg === 30)).toBe(true);
    expect(applyEdits(apart, layAs(deckNow, group.id, kept.layers, fresh())).boat).toEqual(laid);
  });
  it('are kept from a group', () => {
    const group = hull.groups.find(({ name }) => name === 'Outer skin')!;
    const { boat: next } = applyEdits(
      boat,
      keepAsLaminate(boat, hull, group, { id: 'outer', name: 'Outer', note: '' }),
    );
    expect(usesOf(next, next.references.at(-1)!)).toMatchObject([
      { part: 'Hull', place: 'Outer skin', how: 'laid', differs: false },
    ]);
  });
});

describe('variants', () => {
  const change = (state: Boat, ...edits: Edit[]) => applyEdits(state, edits).boat;
  it('follow layers, cover, order, brief and lists, and keep what is their own', () => {
    const own = change(
      boat,
      { type: 'layer.set', layerId: id(4), patch: { angleDeg: 30 } },
      {
        type: 'layer.add',
        partId: hull.id,
        layer: newLayer({ id: 'own', material: 'bx45-600', zones: [hull.zones[0]!.id] }),
        index: 6,
      },
      { type: 'layer.cover', layerId: id(5), zoneId: hull.zones[0]!.id, covered: true },
    );
    const parent = change(
      boat,
      { type: 'layer.set', layerId: id(4), patch: { angleDeg: 90 } },
      { type: 'layer.cover', layerId: id(5), zoneId: hull.zones[1]!.id, covered: true },
      { type: 'layer.remove', layerId: id(12) },
      { type: 'layer.move', layerId: id(21), index: 19 },
      { type: 'brief.set', patch: { loadedMass: 3900 } },
      { type: 'support.remove', id: 'floor-4' },
    );
    const next = followParent(boat, parent, own);
    const layers = next.parts[0]!.layers;
    expect(layers.find((layer) => layer.id === id(4))!.angleDeg).toBe(30);
    expect(layers.find((layer) => layer.id === id(5))!.zones).toEqual(
      hull.zones
        .slice(0, 2)
        .map((zone) => zone.id)
        .concat(hull.layers[4]!.zones),
    );
    expect(layers.some((layer) => layer.id === id(12))).toBe(false);
    expect(layers.findIndex((layer) => layer.id === 'own')).toBe(layers.findIndex((layer) => layer.id === id(6)) + 1);
    expect([next.brief.loadedMass, next.supports.length]).toEqual([3900, boat.supports.length - 1]);
    expect(difference(parent, next).every(({ place }) => place === 'Hull')).toBe(true);
    expect(followParent(parent, parent, next)).toBe(next);
    const taken = takeState(own, next, 'Merrow 84');
    const { boat: there, inverse } = applyEdits(own, [taken]);
    expect(there).toEqual(next);
    expect(applyEdits(there, inverse).boat).toEqual(own);
  });
  it('cannot follow where parent and variant contradict each other, and say so', () => {
    const zone = hull.zones[0]!.id;
    const own = change(
      boat,
      {
        type: 'reference.add',
        item: {
          id: 'r',
          name: 'Own',
          note: '',
          layers: [{ material: 'bx45-600', angleDeg: 0, thickness: null, role: 'structure' }],
        },
        index: 0,
      },
      { type: 'zone.set', zoneId: zone, patch: { match: 'r' } },
    );
    const base = change(boat, { type: 'reference.add', item: own.references[0]!, index: 0 });
    expect(() =>
      followParent(base, boat, change(base, { type: 'zone.set', zoneId: zone, patch: { match: 'r' } })),
    ).toThrow('asks for a laminate that is not in this boat');
  });
});

describe('boats that do not descend from one another', () => {
  it('are compared part by part, zone by zone, and by their common run of layers', () => {
    const other = brant();
    const aligned = alignTo(boat, other);
    expect(aligned.parts.find(({ name }) => name === 'Hull')!.id).toBe(hull.id);
    expect(difference(boat, aligned).length).toBeGreaterThan(3);
    expect(alignTo(boat, change())).toBe(change());
  });
  const twin = merrow();
  const change = () => twin;
});
