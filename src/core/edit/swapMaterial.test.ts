import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { materialsOfDetail } from '../detail/kinds/schema';
import type { Boat } from '../document';
import { GENERIC_MATERIALS } from '../material';
import { effectOf } from '../option';
import { applyEdits, layersOf, swapMaterial, type SwapScope } from '.';

const swap = (boat: Boat, from: string, to: string, scope: SwapScope = { in: 'boat' }) =>
  swapMaterial(boat, { from, to, scope }, GENERIC_MATERIALS);
const everywhere = (boat: Boat) => [
  ...boat.parts.flatMap(({ layers }) => layers.map(({ material }) => material)),
  ...boat.sections.flatMap(({ former, layers }) => [...(former ? [former] : []), ...layers.map((one) => one.material)]),
  ...boat.details.flatMap(materialsOfDetail),
];

describe('a material in the place of another', () => {
  it('over the whole boat: layers, stiffeners and details; what the zones must match stays; undone exactly', () => {
    const boat = merrow();
    const count = everywhere(boat).filter((id) => id === 'bx45-450').length;
    expect(count).toBeGreaterThan(layersOf(boat, 'bx45-450'));
    const { boat: after, inverse } = applyEdits(boat, swap(boat, 'bx45-450', 'bx45-600'));
    expect(everywhere(after)).not.toContain('bx45-450');
    expect(after.references).toEqual(boat.references);
    expect(after.materials.some(({ id }) => id === 'bx45-600')).toBe(true);
    expect(applyEdits(after, inverse).boat).toEqual(boat);
  });
  it('in one part or in some layers alone, and of a core the thickness stays', () => {
    const boat = brant();
    const deck = boat.parts[1]!;
    const inDeck = applyEdits(boat, swap(boat, 'pvc-80', 'san-85', { in: 'part', partId: deck.id })).boat;
    const core = inDeck.parts[1]!.layers.find(({ material }) => material === 'san-85')!;
    expect(core.thickness).toBe(deck.layers.find(({ material }) => material === 'pvc-80')!.thickness);
    expect(layersOf(inDeck, 'pvc-80')).toBe(layersOf(boat, 'pvc-80') - 1);
    const [first] = boat.parts[0]!.layers.filter(({ material }) => material === 'wr-600-m300');
    const one = applyEdits(boat, swap(boat, 'wr-600-m300', 'bx0-800', { in: 'layers', ids: [first!.id] })).boat;
    expect(layersOf(one, 'bx0-800')).toBe(1);
    expect(one.sections).toEqual(boat.sections);
  });
  it('comes with what it is made of, where the boat had nothing of that fibre', () => {
    const boat = merrow();
    const after = applyEdits(boat, swap(boat, 'bx45-450', 'carbon-bx45-400')).boat;
    const fabric = after.materials.find(({ id }) => id === 'carbon-bx45-400');
    if (fabric?.kind !== 'fabric') throw new Error('it is a fabric');
    for (const { fibre } of fabric.components) expect(after.materials.some(({ id }) => id === fibre)).toBe(true);
  });
  it('that is not laid there, or is the same, is no edit; one that cannot be laid is refused in words', () => {
    const boat = brant();
    expect(swap(boat, 'qx-1200', 'qx-800')).toEqual([]);
    expect(swap(boat, 'pvc-80', 'pvc-80')).toEqual([]);
    expect(() => swap(boat, 'pvc-80', 'nowhere')).toThrow('has the material "nowhere"');
    expect(() => swap(boat, 'pvc-80', 'stainless-a4')).toThrow('cannot be laid as a layer');
  });
});

describe('what a change does', () => {
  it('a heavier core: by hand, volume by density and face by uptake; margins that do not move are not there', () => {
    const boat = brant();
    const { mass, changes } = effectOf(
      boat,
      applyEdits(boat, swap(boat, 'pvc-80', 'pvc-130', { in: 'part', partId: 'deck' })).boat,
    );
    const deck = boat.parts[1]!;
    const core = deck.layers.find(({ material }) => material === 'pvc-80')!;
    // Its own mass, and the resin that its face takes up.
    const heavier = deck.zones
      .filter(({ id }) => core.zones.includes(id))
      .reduce((sum, { geometry }) => sum + geometry.area * (core.thickness! * (130 - 80) + (0.5 - 0.6)), 0);
    expect(mass.after - mass.before).toBeCloseTo(heavier, 6);
    const zones = new Set(core.zones);
    expect(changes.filter(({ of }) => of === 'zone').every(({ id }) => zones.has(id))).toBe(true);
  });
  it('nothing changed: no margin moves, no gram more', () => {
    const boat = merrow();
    expect(effectOf(boat, boat)).toMatchObject({ changes: [], mass: { before: effectOf(boat, boat).mass.after } });
  });
  it('fabrics a third heavier make every zone that they are in heavier, and say where a margin falls', () => {
    const boat = merrow();
    const { mass, changes } = effectOf(boat, applyEdits(boat, swap(boat, 'bx45-600', 'bx45-450')).boat);
    expect(mass.after).toBeLessThan(mass.before);
    expect(changes.some(({ before, after }) => before !== null && after !== null && after < before)).toBe(true);
    const order = changes.map(({ after }) => after ?? 0);
    expect(order).toEqual([...order].sort((a, b) => a - b));
  });
});
