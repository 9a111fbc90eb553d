import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { GENERIC_MATERIALS } from '../material';
import { wordsIn } from '../quantity';
import {
  alignTo,
  chooseMaterial,
  fetchMaterials,
  setGiven,
  applyEdits,
  changeLaminate,
  coverCells,
  describeEdits,
  difference,
  duplicateLayers,
  flipLayers,
  followParent,
  groupLayers,
  joinAt,
  keepAsLaminate,
  layAs,
  layersFromText,
  layersToText,
  layLaminate,
  linesOfPart,
  makeEvaluator,
  makeSymmetric,
  mirrorLayers,
  mirrorPart,
  neighboursOf,
  newBoat,
  newLayer,
  partSection,
  piecesOf,
  repeatGroup,
  repeatOf,
  shiftLayers,
  staggered,
  takeIntoLaminate,
  takeState,
  turnLayers,
  ungroup,
  usesOf,
  usualGroup,
  withJoin,
  type Boat,
  type Edit,
  type Part,
} from '.';

const boat = merrow();
const hull = boat.parts[0]!;
const id = (number: number) => hull.layers[number - 1]!.id;
let n = 0;
const fresh = () => () => `fresh-${++n}`;
/** The hull after edits; every set of edits must be taken back exactly by its inverse. */
function after(edits: Edit[], from: Boat = boat, part = 'Hull'): Part {
  const { boat: next, inverse } = applyEdits(from, edits);
  expect(applyEdits(next, inverse).boat).toEqual(from);
  return next.parts.find(({ name }) => name === part)!;
}
const lay = (part: Part, from: number, to: number) => part.layers.slice(from - 1, to).map(({ material, angleDeg }) => `${material} ${angleDeg}`);

describe('commands on layers', () => {
  it('turn what has a direction, leave mats and cores alone, and come round at 90°', () => {
    expect(turnLayers(boat, hull, [id(2), id(3), id(14)], 45)).toEqual([{ type: 'layer.set', layerId: id(3), patch: { angleDeg: 45 } }]);
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
    expect(lay(after(duplicateLayers(hull, [id(3), id(4)], fresh())), 3, 6)).toEqual([...lay(hull, 3, 4), ...lay(hull, 3, 4)]);
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
    expect(lay(after(makeSymmetric(boat, hull, [id(3), id(4)], fresh())), 3, 6)).toEqual([...lay(hull, 3, 4), ...lay(hull, 3, 4).toReversed()]);
    expect(() => makeSymmetric(boat, hull, [id(1)], fresh())).toThrow('nothing to mirror');
  });
  it('group under a name, repeat, and dissolve', () => {
    const grouped = applyEdits(boat, groupLayers(hull, [id(8), id(10)], { id: 'g', name: 'Keel straps', kind: 'local', laminate: null })).boat;
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
  ])('layers %j would be a group of kind %s', (numbers, kind) => expect(usualGroup(boat, hull, numbers.map(id)).kind).toBe(kind));
  it('mirror a whole part with new ids, hands changed about, angles reversed', () => {
    const turned = applyEdits(boat, [
      { type: 'layer.set', layerId: id(4), patch: { angleDeg: 30 } },
      { type: 'zone.set', zoneId: hull.zones[0]!.id, patch: { hand: 'port' } },
    ]).boat;
    const part = turned.parts[0]!;
    const other = mirrorPart(part, 'Hull, other hand', fresh());
    expect([other.zones[0]!.hand, other.layers[3]!.angleDeg, other.layers.length]).toEqual(['starboard', -30, part.layers.length]);
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
    expect(describeEdits(boat, [{ type: 'layer.set', layerId: id(4), patch: { role: 'sacrificial' } }])).toBe('made layer 4 (TX 900) of Hull sacrificial');
    expect(describeEdits(boat, [{ type: 'part.set', partId: hull.id, patch: { hands: 'two', number: 4 } }])).toBe('made Hull 4 off, in two hands');
  });
});

describe('materials and figures of layers', () => {
  const shelf = (id: string) => GENERIC_MATERIALS.find((material) => material.id === id)!;
  it('come into the book with what they are made of, once', () => {
    const edits = fetchMaterials(boat, GENERIC_MATERIALS, [
      shelf('carbon-ud-300') as (typeof GENERIC_MATERIALS)[number],
      shelf('carbon-twill-200') as (typeof GENERIC_MATERIALS)[number],
    ]);
    expect(edits.map((edit) => (edit.type === 'material.put' ? edit.material.id : ''))).toEqual(['carbon-standard', 'carbon-ud-300', 'carbon-twill-200']);
    expect(fetchMaterials(boat, GENERIC_MATERIALS, [boat.materials[3]!])).toEqual([]);
    expect(applyEdits(boat, edits).boat.materials.length).toBe(boat.materials.length + 3);
  });
  it('are chosen and set for every selected layer that takes them', () => {
    const chosen = chooseMaterial(boat, hull, [id(14), id(3)], shelf('pvc-80') as Parameters<typeof chooseMaterial>[3]);
    expect(chosen.map((edit) => (edit.type === 'layer.set' ? edit.patch.thickness : 0))).toEqual([expect.any(Number), 0.02]);
    expect(chooseMaterial(boat, hull, [id(3)], shelf('peel-ply') as Parameters<typeof chooseMaterial>[3])).toMatchObject([{ patch: { role: 'comesOff' } }]);
    expect(setGiven(boat, hull, [id(2), id(3), id(14)], { angleDeg: 30 })).toEqual([{ type: 'layer.set', layerId: id(3), patch: { angleDeg: 30 } }]);
    expect(setGiven(boat, hull, [id(3), id(14)], { thickness: 0.025 })).toEqual([{ type: 'layer.set', layerId: id(14), patch: { thickness: 0.025 } }]);
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
    const { layers, refused } = layersFromText(text, boat.materials, hull, [], fresh());
    expect(refused).toEqual([]);
    expect(layers.map(({ layer }) => ({ ...layer, id: '' }))).toEqual(hull.layers.map((layer) => ({ ...layer, id: '', group: null })));
  });
  it('come from bare codes, from parts of names, from the Shelf, with units of their own', () => {
    const { layers } = layersFromText('bx45 600\t30\nPVC 100\t\t1 in\nquad 800', GENERIC_MATERIALS, hull, [hull.zones[1]!.id], fresh());
    expect(layers.map(({ layer }) => [layer.material, layer.angleDeg, layer.thickness, layer.zones.length])).toEqual([
      ['bx45-600', 30, null, 1],
      ['pvc-100', 0, 0.0254, 1],
      ['qx-800', 0, null, 1],
    ]);
  });
  it('say row by row what could not be read, and refuse what is no table of layers', () => {
    const { layers, refused } = layersFromText('BX45 600\t400\nGold 12\nPVC 80\t\t9 m\nTX 900\t90', boat.materials, hull, [], fresh());
    expect(layers).toHaveLength(1);
    expect(refused).toEqual([
      expect.stringContaining('Row 1: "400" is no angle'),
      expect.stringContaining('Row 2: "Gold 12" is no fabric'),
      expect.stringContaining('Row 3: "9 m" is no thickness'),
    ]);
    expect(() => layersFromText('  \n', boat.materials, hull, [], fresh())).toThrow('nothing to paste');
    expect(() => layersFromText('x\n'.repeat(500), boat.materials, hull, [], fresh())).toThrow('at most 400');
    expect(() => layersFromText('what\never', boat.materials, hull, [], fresh())).toThrow('"what"');
    expect(layersFromText('Layer\tAngle (°)\tThickness (mm)\tRole\tAttic\nTX 900\t0\t\t\tx', boat.materials, hull, [], fresh()).layers[0]!.layer.zones).toEqual([]);
  });
});

describe('lines between zones', () => {
  const evaluations = makeEvaluator()(boat);
  const lines = linesOfPart(boat, hull, evaluations);
  const at = (name: string) => lines.find(({ line }) => line.name.startsWith(name))!;
  it('are found from where the zones lie: keel, chine, transom corner, ends', () => {
    expect(neighboursOf(boat, hull).map(({ name }) => name.split(',')[0])).toEqual(expect.arrayContaining(['Keel', 'Chine', 'Transom corner', 'Bottom aft to Bottom forward']));
    const keel = neighboursOf(boat, hull).find(({ a, b }) => a === b)!;
    expect(keel.length).toBeGreaterThan(boat.brief.waterlineLength);
    const typed = { ...newBoat('Typed').parts[0]!, zones: newBoat('Typed').parts[0]!.zones.map((zone) => ({ ...zone, region: null })) };
    expect(neighboursOf({ ...boat, hull: null }, typed).map(({ a, b }) => `${a}|${b}`)).toEqual(['bottom|side', 'side|transom']);
  });
  it('show that many layers stop together, until the stair is laid out, which weighs what it covers', () => {
    const keel = at('Keel band to Bottom aft');
    expect(keel.findings.map(({ kind }) => kind)).toContain('steep');
    const join = staggered(hull, keel);
    const [changed] = [after([{ type: 'part.set', partId: hull.id, patch: { joins: withJoin(hull, join) } }])];
    const state = linesOfPart(boat, changed!, evaluations).find(({ line }) => line.name === keel.line.name)!;
    expect(state.findings.filter(({ kind }) => kind === 'steep')).toEqual([]);
    expect(state.mass).toBeCloseTo(
      state.line.length! * state.layers.reduce((sum, { past, laid }) => sum + past * (laid.fibreMass + laid.bindingMass + laid.resinMass + laid.coatingMass), 0),
      9,
    );
    const steps = state.layers.filter(({ covers, laid }) => covers === 'a' && laid.material.kind === 'fabric').sort((p, q) => p.past - q.past);
    for (const [i, one] of steps.slice(1).entries()) expect(one.past - steps[i]!.past).toBeGreaterThanOrEqual(hull.dropRatio * steps[i]!.laid.thickness - 1e-9);
    expect(joinAt(changed!, keel.line)).toEqual(join);
  });
  it('a lap doubles every layer that runs through, over its width', () => {
    const keel = at('Keel, Keel band');
    const lapped = { ...hull, joins: withJoin(hull, { ...keel.join, lap: 0.15 }) };
    const state = linesOfPart(boat, lapped, evaluations).find(({ line }) => line.a === line.b)!;
    const fabrics = state.layers.filter(({ laid }) => laid.material.kind === 'fabric').reduce((sum, { laid }) => sum + laid.thickness, 0);
    expect(state.lapThickness).toBeCloseTo(keel.thicknessA + fabrics, 12);
    expect(state.lapWidth).toBe(0.15);
    const section = partSection(boat, lapped, evaluations, { kind: 'across', x: 3 });
    const [window] = section.windows;
    const total = (i: number) => window!.bands.reduce((sum, { thickness }) => sum + thickness[i]!, 0);
    expect(Math.max(...window!.stations.map((_, i) => total(i)))).toBeCloseTo(state.lapThickness, 12);
    expect(total(0)).toBeCloseTo(keel.thicknessA, 12);
  });
  it('sections pass the zones in their order and never draw a layer twice', () => {
    for (const cut of [{ kind: 'across', x: 3 } as const, { kind: 'along', s: 0.6 } as const]) {
      const { zones, windows } = partSection(boat, hull, evaluations, cut);
      expect(zones.length).toBeGreaterThan(2);
      expect(windows).toHaveLength(zones.length - 1);
      for (const [i, window] of windows.entries()) {
        const total = (k: number) => window!.bands.reduce((sum, { thickness }) => sum + thickness[k]!, 0);
        expect(total(0)).toBeCloseTo(zones[i]!.thickness, 9);
        expect(total(window!.stations.length - 1)).toBeCloseTo(zones[i + 1]!.thickness, 9);
        for (const [k] of window!.stations.entries()) expect(total(k)).toBeLessThanOrEqual(Math.max(zones[i]!.thickness, zones[i + 1]!.thickness) + 1e-9);
        expect([...window!.stations].sort((a, b) => a - b)).toEqual(window!.stations);
      }
    }
    expect(partSection(boat, hull, evaluations, { kind: 'across', x: 3 }).zones.map(({ name }) => name)).toEqual(['Keel band, other hand', 'Keel band', 'Bottom aft', 'Side aft']);
  });
  it.each(['Deck', 'Liner', 'Bulkheads'])('a section of %s shows each zone as thick as it is, along and across', (name) => {
    const part = boat.parts.find((one) => one.name === name)!;
    for (const cut of [...[0.5, 2, 4, 6].map((x) => ({ kind: 'across', x }) as const), { kind: 'along', s: 1.9 } as const]) {
      const { zones, windows } = partSection(boat, part, evaluations, cut);
      expect(windows).toHaveLength(Math.max(0, zones.length - 1));
      for (const { zoneId, thickness, layers } of zones) {
        expect(thickness).toBe(evaluations.get(zoneId)!.thickness);
        expect(layers.reduce((sum, layer) => sum + layer.thickness, 0)).toBeCloseTo(thickness, 9);
      }
      for (const [i, window] of windows.entries()) if (window) expect(window.bands.reduce((sum, { thickness }) => sum + thickness[0]!, 0)).toBeCloseTo(zones[i]!.thickness, 9);
    }
  });
  it('where the hands differ, lines count for their hand, and a section goes from deck edge to deck edge', () => {
    const [side, twin] = [hull.zones.find(({ name }) => name === 'Side aft')!, 'side-aft-starboard'];
    const part = after([
      { type: 'zone.set', zoneId: side.id, patch: { hand: 'port' } },
      { type: 'zone.add', partId: hull.id, zone: { ...side, id: twin, name: 'Side aft, starboard', hand: 'starboard' }, index: hull.zones.length, coveredBy: [] },
    ]);
    const handed: Boat = { ...boat, parts: [part, ...boat.parts.slice(1)] };
    const names = (cut: Parameters<typeof partSection>[3]) => partSection(handed, part, makeEvaluator()(handed), cut).zones.map(({ name }) => name);
    expect(names({ kind: 'across', x: 3 })).toEqual(['Side aft', 'Bottom aft, other hand', 'Keel band, other hand', 'Keel band', 'Bottom aft', 'Side aft, starboard']);
    expect(names({ kind: 'along', s: 1.5 })).toContain('Side aft');
    expect(names({ kind: 'along', s: 1.5, hand: 'starboard' })).not.toContain('Side aft');
    const chine = (lines: ReturnType<typeof neighboursOf>, b: string) => lines.find((line) => line.a !== b && line.b === b && line.runs === 'along')!.length!;
    const whole = chine(neighboursOf(boat, hull), side.id);
    for (const one of [side.id, twin]) expect(chine(neighboursOf(handed, part), one)).toBeCloseTo(whole / 2, 9);
  });
  it('a core too steep, and a run-out longer than its zone, are found', () => {
    const keel = at('Keel band to Bottom aft');
    const steep = linesOfPart(boat, { ...hull, joins: [{ ...keel.join, bevel: 1.5 }] }, evaluations).find(({ line }) => line.name === keel.line.name)!;
    expect(steep.findings.map(({ kind }) => kind)).toContain('bevel');
    const stops = keel.layers.find(({ covers, laid }) => covers === 'b' && laid.material.kind === 'fabric')!;
    const far = linesOfPart(boat, { ...hull, joins: [{ ...keel.join, ends: [{ layer: stops.layer.id, past: 0.5 }] }] }, evaluations).find(
      ({ line }) => line.name === keel.line.name,
    )!;
    expect(wordsIn(far.findings.find(({ kind }) => kind === 'off')!.text, 'metric')).toBe(`layer ${stops.index + 1} runs 500 mm past the line; the zone there is only 200 mm wide`);
  });
});

describe('pieces and hands', () => {
  const count = (part: Part, number: number) => piecesOf(boat, part).find(({ layerId }) => layerId === id(number))!.count;
  it('a layer over the keel is one piece, over the sides alone two, with a lap at the keel two', () => {
    expect([count(hull, 3), count(hull, 5)]).toEqual([1, 2]);
    const keel = neighboursOf(boat, hull).find(({ a, b }) => a === b)!;
    const lapped: Part = { ...hull, joins: [{ ...joinAt(hull, keel), lap: 0.1 }] };
    expect(count(lapped, 8)).toBe(2);
    expect(count({ ...hull, number: 3 }, 5)).toBe(6);
  });
  it('a zone of one hand has half the area, and a layer without its twin is named', () => {
    const side = hull.zones.find(({ name }) => name === 'Side aft')!;
    const covered = hull.layers.filter((layer) => layer.zones.includes(side.id)).map((layer) => layer.id);
    const parted = applyEdits(boat, [
      { type: 'zone.set', zoneId: side.id, patch: { hand: 'port' } },
      { type: 'zone.add', partId: hull.id, zone: { ...side, id: 'twin', hand: 'starboard' }, index: 5, coveredBy: covered.slice(1) },
    ]).boat;
    const [port, starboard] = [side.id, 'twin'].map((zone) => parted.parts[0]!.zones.find((one) => one.id === zone)!.geometry.area);
    expect(port).toBeCloseTo(side.geometry.area / 2, 3);
    expect(starboard).toBe(port);
    const odd = piecesOf(parted, parted.parts[0]!).filter(({ oneHanded }) => oneHanded.length > 0);
    expect(odd.map(({ layerId, oneHanded }) => [layerId, oneHanded])).toEqual([[covered[0], [side.id]]]);
  });
  it('a keel band parted into hands meets its twin on the centreline', () => {
    const keel = hull.zones.find(({ name }) => name === 'Keel band')!;
    const parted = applyEdits(boat, [
      { type: 'zone.set', zoneId: keel.id, patch: { hand: 'port' } },
      {
        type: 'zone.add',
        partId: hull.id,
        zone: { ...keel, id: 'keel-twin', hand: 'starboard' },
        index: 3,
        coveredBy: hull.layers.filter((layer) => layer.zones.includes(keel.id)).map((layer) => layer.id),
      },
    ]).boat;
    const part = parted.parts[0]!;
    const line = neighboursOf(parted, part).find(({ name }) => name.startsWith('Keel,'))!;
    expect([line.a, line.b]).toEqual([keel.id, 'keel-twin']);
    expect(line.length).toBeCloseTo(neighboursOf(boat, hull).find(({ a, b }) => a === b)!.length!, 9);
    expect(piecesOf(parted, part).find(({ layerId }) => layerId === id(8))!.count).toBe(1);
  });
  it('an odd number of a two-handed part is refused until somebody says why', () => {
    const set = (patch: object): Edit[] => [{ type: 'part.set', partId: hull.id, patch }];
    expect(() => applyEdits(boat, set({ hands: 'two' }))).toThrow('would leave one hand short');
    expect(after(set({ hands: 'two', number: 2 })).number).toBe(2);
    expect(after(set({ hands: 'two', number: 3, oddNote: 'one spare to port' })).number).toBe(3);
  });
});

describe('roles', () => {
  const [bottom] = hull.zones;
  const inBottom = (state: Boat) => makeEvaluator()(state).get(bottom!.id)!;
  it('what comes off weighs nothing and carries nothing; what is sacrificial weighs and carries nothing', () => {
    const role = (to: 'comesOff' | 'sacrificial') => inBottom(applyEdits(boat, [{ type: 'layer.set', layerId: id(4), patch: { role: to } }]).boat);
    const [whole, off, sacrificial, gone] = [inBottom(boat), role('comesOff'), role('sacrificial'), inBottom(applyEdits(boat, [{ type: 'layer.remove', layerId: id(4) }]).boat)];
    expect(off.laminatedArealWeight).toBeCloseTo(gone.laminatedArealWeight, 12);
    expect(sacrificial.laminatedArealWeight).toBe(whole.laminatedArealWeight);
    for (const e of [off, sacrificial]) {
      expect(e.governing!.reserveFactor).toBeCloseTo(gone.governing!.reserveFactor, 12);
      expect(e.stiffness!.D).toEqual(gone.stiffness!.D);
    }
  });
});

describe('laminates', () => {
  const deck = boat.parts.find(({ name }) => name === 'Deck')!;
  const kept = boat.references.find((reference) => reference.id === 'deck-inner-450')!;
  const liner = boat.parts.find(({ name }) => name === 'Liner')!;
  const laid = applyEdits(boat, layLaminate(liner, kept, [liner.zones[0]!.id], liner.layers.length, fresh())).boat;
  it('know where they are laid, and a change where they are defined goes to every place that follows', () => {
    expect(usesOf(laid, kept).map(({ part, how, differs }) => `${part} ${how} ${differs}`)).toEqual(['Deck laid false', 'Liner laid false']);
    const { edits, follow, stay } = changeLaminate(laid, { ...kept, layers: [...kept.layers.map((layer) => ({ ...layer, angleDeg: 45 })), kept.layers[0]!] }, fresh());
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
    expect(changeLaminate(apart, { ...kept, layers: kept.layers.slice(0, 1) }, fresh())).toMatchObject({ follow: 1, stay: 1 });
    const deckNow = apart.parts.find(({ name }) => name === 'Deck')!;
    const given = applyEdits(apart, takeIntoLaminate(apart, deckNow, group, fresh())!.edits).boat;
    expect(given.parts.find(({ name }) => name === 'Liner')!.layers.some(({ angleDeg }) => angleDeg === 30)).toBe(true);
    expect(applyEdits(apart, layAs(deckNow, group.id, kept.layers, fresh())).boat).toEqual(laid);
  });
  it('are kept from a group', () => {
    const group = hull.groups.find(({ name }) => name === 'Outer skin')!;
    const { boat: next } = applyEdits(boat, keepAsLaminate(boat, hull, group, { id: 'outer', name: 'Outer', note: '' }));
    expect(usesOf(next, next.references.at(-1)!)).toMatchObject([{ part: 'Hull', place: 'Outer skin', how: 'laid', differs: false }]);
  });
});

describe('variants', () => {
  const change = (state: Boat, ...edits: Edit[]) => applyEdits(state, edits).boat;
  it('follow layers, cover, order, brief and lists, and keep what is their own', () => {
    const own = change(
      boat,
      { type: 'layer.set', layerId: id(4), patch: { angleDeg: 30 } },
      { type: 'layer.add', partId: hull.id, layer: newLayer({ id: 'own', material: 'bx45-600', zones: [hull.zones[0]!.id] }), index: 6 },
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
      { type: 'reference.add', item: { id: 'r', name: 'Own', note: '', layers: [{ material: 'bx45-600', angleDeg: 0, thickness: null, role: 'structure' }] }, index: 0 },
      { type: 'zone.set', zoneId: zone, patch: { match: 'r' } },
    );
    const base = change(boat, { type: 'reference.add', item: own.references[0]!, index: 0 });
    expect(() => followParent(base, boat, change(base, { type: 'zone.set', zoneId: zone, patch: { match: 'r' } }))).toThrow('asks for a reference');
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
