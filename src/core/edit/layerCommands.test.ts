import { describe, expect, it } from 'vitest';
import { GENERIC_MATERIALS } from '../material';
import {
  chooseMaterial,
  fetchMaterials,
  setGiven,
  applyEdits,
  coverCells,
  describeEdits,
  duplicateLayers,
  flipLayers,
  groupLayers,
  layersFromText,
  layersToText,
  makeSymmetric,
  mirrorLayers,
  mirrorPart,
  repeatGroup,
  repeatOf,
  shiftLayers,
  turnLayers,
  ungroup,
  usualGroup,
  type Edit,
} from '.';
import { makeEvaluator } from '../evaluate';
import type { Boat, Part } from '../document';
import { after, boat, fresh, hull, id } from '../../../tests/helpers/hull';

const lay = (part: Part, from: number, to: number) =>
  part.layers.slice(from - 1, to).map(({ material, angleDeg }) => `${material} ${angleDeg}`);

describe('commands on layers', () => {
  it('turn what has a direction, leave mats and cores alone, and come round at 90°', () => {
    expect(turnLayers(boat, hull, [id(2), id(3), id(14)], 45)).toEqual([
      { type: 'layer.set', layerId: id(3), patch: { angleDeg: 45 } },
    ]);
    const turned = after(turnLayers(boat, hull, [id(4)], 135));
    expect(turned.layers[3]!.angleDeg).toBe(-45);
  });
  it('mirror to the other hand: + becomes −, twice is nothing', () => {
    const at30 = applyEdits(boat, [{ type: 'layer.set', layerId: id(4), patch: { angleDeg: 30 } }]).boat;
    const mirrored = applyEdits(at30, mirrorLayers(at30, at30.parts[0]!, [id(3), id(4)])).boat;
    expect(mirrored.parts[0]!.layers[3]!.angleDeg).toBe(-30);
    expect(applyEdits(mirrored, mirrorLayers(mirrored, mirrored.parts[0]!, [id(4)])).boat).toEqual(at30);
    expect(mirrorLayers(boat, hull, [id(4)])).toEqual([]);
  });
  it('cover cells and leave those alone that are so already', () => {
    const zones = hull.zones.map((zone) => zone.id);
    const filled = after(coverCells(hull, [id(4), id(5)], zones, true));
    expect(filled.layers.slice(3, 5).map((layer) => layer.zones)).toEqual([zones, zones]);
    expect(coverCells(filled, [id(4)], zones, true)).toEqual([]);
  });
  it('duplicate, shift and flip a block together', () => {
    expect(lay(after(duplicateLayers(hull, [id(3), id(4)], fresh())), 3, 6)).toEqual([
      ...lay(hull, 3, 4),
      ...lay(hull, 3, 4),
    ]);
    expect(lay(after(shiftLayers(hull, [id(3), id(4)], 1)), 3, 5)).toEqual([...lay(hull, 5, 5), ...lay(hull, 3, 4)]);
    expect(lay(after(shiftLayers(hull, [id(3), id(4)], -1)), 2, 4)).toEqual([...lay(hull, 3, 4), ...lay(hull, 2, 2)]);
    expect([shiftLayers(hull, [id(1)], -1), shiftLayers(hull, [hull.layers.at(-1)!.id], 1)]).toEqual([[], []]);
    expect(lay(after(flipLayers(hull, [id(3), id(4), id(5)])), 3, 5)).toEqual(lay(hull, 3, 5).toReversed());
    expect(flipLayers(hull, [id(3)])).toEqual([]);
  });
  it('make symmetric about the core, or about the last fabric', () => {
    const bulkheads = boat.parts.find(({ name }) => name === 'Bulkheads')!;
    const [first, second, core] = bulkheads.layers.map((layer) => layer.id) as [string, string, string];
    const half = applyEdits(
      boat,
      bulkheads.layers.slice(3).map(({ id: layerId }): Edit => ({ type: 'layer.remove', layerId })),
    ).boat;
    const whole = after(
      makeSymmetric(
        half,
        half.parts.find(({ name }) => name === 'Bulkheads')!,
        [first, second, core],
        fresh(),
      ),
      half,
      'Bulkheads',
    );
    expect(lay(whole, 1, 5)).toEqual(lay(bulkheads, 1, 5));
    expect(lay(after(makeSymmetric(boat, hull, [id(3), id(4)], fresh())), 3, 6)).toEqual([
      ...lay(hull, 3, 4),
      ...lay(hull, 3, 4).toReversed(),
    ]);
    expect(() => makeSymmetric(boat, hull, [id(1)], fresh())).toThrow('nothing to mirror');
  });
  it('group under a name, repeat, and dissolve', () => {
    const grouped = applyEdits(
      boat,
      groupLayers(hull, [id(8), id(10)], { id: 'g', name: 'Keel straps', kind: 'local', laminate: null }),
    ).boat;
    const part = grouped.parts[0]!;
    expect(part.layers.slice(7, 9).map(({ group }) => group)).toEqual(['g', 'g']);
    expect(lay(part, 8, 9)).toEqual([lay(hull, 8, 8)[0], lay(hull, 10, 10)[0]]);
    const thrice = after(repeatGroup(part, 'g', 3, fresh()), grouped);
    const own = thrice.layers.filter(({ group }) => group === 'g');
    expect([own.length, repeatOf(own)]).toEqual([6, { unit: 2, times: 3 }]);
    const once = applyEdits(grouped, repeatGroup(part, 'g', 3, fresh())).boat;
    expect(applyEdits(once, repeatGroup(once.parts[0]!, 'g', 1, fresh())).boat).toEqual(grouped);
    for (const times of [0, 41, 1.5]) expect(() => repeatGroup(part, 'g', times, fresh())).toThrow('1 to 40 times');
    expect(after(ungroup(part, 'g'), grouped).layers.some(({ group }) => group === 'g')).toBe(false);
  });
  it.each([
    [[1], 'coat'],
    [[2], 'skinCoat'],
    [[3, 4, 5], 'outerSkin'],
    [[14, 15], 'core'],
    [[20, 21], 'innerSkin'],
    [[8, 9], 'local'],
  ])('layers %j would be a group of kind %s', (numbers, kind) =>
    expect(usualGroup(boat, hull, numbers.map(id)).kind).toBe(kind),
  );
  it('mirror a whole part with new ids, hands changed about, angles reversed', () => {
    const turned = applyEdits(boat, [
      { type: 'layer.set', layerId: id(4), patch: { angleDeg: 30 } },
      { type: 'zone.set', zoneId: hull.zones[0]!.id, patch: { hand: 'port' } },
    ]).boat;
    const part = turned.parts[0]!;
    const other = mirrorPart(part, 'Hull, other hand', fresh());
    expect([other.zones[0]!.hand, other.layers[3]!.angleDeg, other.layers.length]).toEqual([
      'starboard',
      -30,
      part.layers.length,
    ]);
    const { boat: both, inverse } = applyEdits(turned, [{ type: 'part.add', part: other, index: 1 }]);
    expect(both.parts[1]!.layers[3]!.zones).toEqual(other.layers[3]!.zones);
    expect(applyEdits(both, inverse).boat).toEqual(turned);
  });
  it('are told in words', () => {
    expect(describeEdits(boat, turnLayers(boat, hull, [id(3), id(4)], 45))).toBe('turned 2 layers of Hull');
    expect(
      describeEdits(
        boat,
        coverCells(
          hull,
          [id(5)],
          hull.zones.map((zone) => zone.id),
          true,
        ),
      ),
    ).toBe('ran 1 layer of Hull into 4 zones');
    expect(describeEdits(boat, duplicateLayers(hull, [id(3), id(4)], fresh()))).toBe('added 2 layers of Hull');
    expect(describeEdits(boat, [{ type: 'layer.set', layerId: id(4), patch: { role: 'sacrificial' } }])).toBe(
      'made layer 4 (TX 900) of Hull sacrificial',
    );
    expect(describeEdits(boat, [{ type: 'part.set', partId: hull.id, patch: { hands: 'two', number: 4 } }])).toBe(
      'made Hull 4 off, in two hands',
    );
  });
});

describe('materials and figures of layers', () => {
  const shelf = (id: string) => GENERIC_MATERIALS.find((material) => material.id === id)!;
  it('come into the book with what they are made of, once', () => {
    const edits = fetchMaterials(boat, GENERIC_MATERIALS, [
      shelf('carbon-ud-300') as (typeof GENERIC_MATERIALS)[number],
      shelf('carbon-twill-200') as (typeof GENERIC_MATERIALS)[number],
    ]);
    expect(edits.map((edit) => (edit.type === 'material.put' ? edit.material.id : ''))).toEqual([
      'carbon-standard',
      'carbon-ud-300',
      'carbon-twill-200',
    ]);
    expect(fetchMaterials(boat, GENERIC_MATERIALS, [boat.materials[3]!])).toEqual([]);
    expect(applyEdits(boat, edits).boat.materials.length).toBe(boat.materials.length + 3);
  });
  it('are chosen and set for every selected layer that takes them', () => {
    const chosen = chooseMaterial(boat, hull, [id(14), id(3)], shelf('pvc-80') as Parameters<typeof chooseMaterial>[3]);
    expect(chosen.map((edit) => (edit.type === 'layer.set' ? edit.patch.thickness : 0))).toEqual([
      expect.any(Number),
      0.02,
    ]);
    expect(
      chooseMaterial(boat, hull, [id(3)], shelf('peel-ply') as Parameters<typeof chooseMaterial>[3]),
    ).toMatchObject([{ patch: { role: 'comesOff' } }]);
    expect(setGiven(boat, hull, [id(2), id(3), id(14)], { angleDeg: 30 })).toEqual([
      { type: 'layer.set', layerId: id(3), patch: { angleDeg: 30 } },
    ]);
    expect(setGiven(boat, hull, [id(3), id(14)], { thickness: 0.025 })).toEqual([
      { type: 'layer.set', layerId: id(14), patch: { thickness: 0.025 } },
    ]);
    expect(setGiven(boat, hull, [id(14)], { thickness: 0.02 })).toEqual([]);
  });
});

describe('layers as text', () => {
  const text = layersToText(
    boat,
    hull,
    hull.layers.map((layer) => layer.id),
  );
  it('go to a spreadsheet and come back as they were', () => {
    const { layers, refused } = layersFromText(text, { materials: boat.materials, part: hull, zones: [] }, fresh());
    expect(refused).toEqual([]);
    expect(layers.map(({ layer }) => ({ ...layer, id: '' }))).toEqual(
      hull.layers.map((layer) => ({ ...layer, id: '', group: null })),
    );
  });
  it('come from bare codes, from parts of names, from the Shelf, with units of their own', () => {
    const { layers } = layersFromText(
      'bx45 600\t30\nPVC 100\t\t1 in\nquad 800',
      { materials: GENERIC_MATERIALS, part: hull, zones: [hull.zones[1]!.id] },
      fresh(),
    );
    expect(layers.map(({ layer }) => [layer.material, layer.angleDeg, layer.thickness, layer.zones.length])).toEqual([
      ['bx45-600', 30, null, 1],
      ['pvc-100', 0, 0.0254, 1],
      ['qx-800', 0, null, 1],
    ]);
  });
  it('say row by row what could not be read, and refuse what is no table of layers', () => {
    const { layers, refused } = layersFromText(
      'BX45 600\t400\nGold 12\nPVC 80\t\t9 m\nTX 900\t90',
      { materials: boat.materials, part: hull, zones: [] },
      fresh(),
    );
    expect(layers).toHaveLength(1);
    expect(refused).toEqual([
      expect.stringContaining('Row 1: "400" is no angle'),
      expect.stringContaining('Row 2: "Gold 12" is no fabric'),
      expect.stringContaining('Row 3: "9 m" is no thickness'),
    ]);
    expect(() => layersFromText('  \n', { materials: boat.materials, part: hull, zones: [] }, fresh())).toThrow(
      'nothing to paste',
    );
    expect(() =>
      layersFromText('x\n'.repeat(500), { materials: boat.materials, part: hull, zones: [] }, fresh()),
    ).toThrow('at most 400');
    expect(() => layersFromText('what\never', { materials: boat.materials, part: hull, zones: [] }, fresh())).toThrow(
      '"what"',
    );
    expect(
      layersFromText(
        'Layer\tAngle (°)\tThickness (mm)\tRole\tAttic\nTX 900\t0\t\t\tx',
        { materials: boat.materials, part: hull, zones: [] },
        fresh(),
      ).layers[0]!.layer.zones,
    ).toEqual([]);
  });
});

describe('roles', () => {
  const [bottom] = hull.zones;
  const inBottom = (state: Boat) => makeEvaluator()(state).get(bottom!.id)!;
  it('what comes off weighs nothing and carries nothing; what is sacrificial weighs and carries nothing', () => {
    const role = (to: 'comesOff' | 'sacrificial') =>
      inBottom(applyEdits(boat, [{ type: 'layer.set', layerId: id(4), patch: { role: to } }]).boat);
    const [whole, off, sacrificial, gone] = [
      inBottom(boat),
      role('comesOff'),
      role('sacrificial'),
      inBottom(applyEdits(boat, [{ type: 'layer.remove', layerId: id(4) }]).boat),
    ];
    expect(off.laminatedArealWeight).toBeCloseTo(gone.laminatedArealWeight, 12);
    expect(sacrificial.laminatedArealWeight).toBe(whole.laminatedArealWeight);
    for (const e of [off, sacrificial]) {
      expect(e.governing!.reserveFactor).toBeCloseTo(gone.governing!.reserveFactor, 12);
      expect(e.stiffness!.D).toEqual(gone.stiffness!.D);
    }
  });
});
