import { describe, expect, it } from 'vitest';
import { HOLDS_ONLY } from '../geometry';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { SHIPPED_PACKS, withCoefficient, type StandardPack } from '../standard';
import { applyEdits, boundariesOf, describeEdits, difference, editsSchema, moveBoundary, type Edit } from '.';
import { boatFromFile, boatToJson, newZone, zonePanels, type Boat } from '../document';

const boat = merrow();
const section = boat.sections[0]!;
const reference = {
  id: 'ref',
  name: 'Proved bottom',
  note: '',
  layers: [{ material: 'bx45-600', angleDeg: 0, thickness: null, role: 'structure' as const }],
};

const CASES: [Edit, string, string][] = [
  [{ type: 'deck.set', deck: { ...boat.deck, camber: 0.12 } }, 'changed the deck', 'Shape: changed Deck'],
  [
    { type: 'hull.set', hull: { ...boat.hull!, hardEdges: { keel: false, chine: true, floors: 'band' } } },
    'changed the shape of the hull',
    'Shape: changed Hull',
  ],
  [
    {
      type: 'support.add',
      item: { id: 'f9', name: 'Floor bow', kind: 'frame', x: 7, upTo: 'deckEdge', ...HOLDS_ONLY },
      index: 0,
    },
    'added Floor bow',
    'Supports: added Floor bow',
  ],
  [{ type: 'support.remove', id: 'floor-1' }, 'removed Frame aft', 'Supports: removed Frame aft'],
  [
    { type: 'section.set', item: { ...section, height: 0.2 } },
    `changed ${section.name}`,
    `Sections: changed ${section.name}`,
  ],
  [{ type: 'reference.add', item: reference, index: 0 }, 'added Proved bottom', 'Laminates: added Proved bottom'],
  [
    { type: 'pack.add', item: SHIPPED_PACKS[2] as StandardPack, index: 1 },
    'added the pack Workboat uplift',
    'Packs: added Workboat uplift',
  ],
  [
    { type: 'pack.set', item: withCoefficient(boat.packs[0]!, 'wrinklingFactor', 0.28) },
    'changed the pack Small craft',
    'Packs: changed Small craft',
  ],
  [
    { type: 'zone.set', zoneId: 'side-aft', patch: { overridden: ['area'] } },
    'changed zone Side aft: overridden',
    'Hull: changed Zone Side aft',
  ],
  [
    { type: 'zone.set', zoneId: 'side-aft', patch: { panelCase: { fixity: 0.5, deflectionLimit: 0.02, patch: null } } },
    'changed zone Side aft: panel case',
    'Hull: changed Zone Side aft',
  ],
  [
    { type: 'zone.set', zoneId: 'side-aft', patch: { region: null } },
    'changed zone Side aft: place on the boat',
    'Hull: changed Zone Side aft',
  ],
];

describe('edits of shape, supports, sections, references and packs', () => {
  it.each(CASES)('%j is said, shown as a difference, and taken back exactly', (edit, words, change) => {
    expect(editsSchema.parse([edit])).toEqual([edit]);
    expect(describeEdits(boat, [edit])).toContain(words);
    const { boat: after, inverse } = applyEdits(boat, [edit]);
    expect(
      difference(boat, after)
        .map(({ place, kind, subject }) => `${place}: ${kind} ${subject}`)
        .join('\n'),
    ).toContain(change);
    expect(applyEdits(after, inverse).boat).toEqual(boat);
  });
  it.each([
    [
      {
        type: 'support.add',
        item: { id: 'floor-1', name: 'Twice', kind: 'frame', x: 1, upTo: 'deckEdge', ...HOLDS_ONLY },
        index: 0,
      },
      'is taken',
    ],
    [
      {
        type: 'support.set',
        item: { id: 'floor-1', name: 'Floor', kind: 'frame', x: 1, upTo: 'deckEdge', section: 'nothing' },
      },
      'asks for a section that is not in this boat',
    ],
    [{ type: 'support.remove', id: 'nowhere' }, 'is not in this boat any more'],
    [
      {
        type: 'reference.add',
        item: { ...reference, layers: [{ material: 'gold', angleDeg: 0, thickness: null }] },
        index: 0,
      },
      'must be a fabric, a core, a sheet of wood or a coating',
    ],
    [
      { type: 'zone.set', zoneId: 'side-aft', patch: { match: 'nobody' } },
      'asks for a laminate that is not in this boat',
    ],
    [{ type: 'pack.add', item: SHIPPED_PACKS[1] as StandardPack, index: 0 }, 'must be the first pack'],
    [
      {
        type: 'zone.set',
        zoneId: 'side-aft',
        patch: { region: { surface: 'hull', from: 50, to: 60, lower: { kind: 'chine' }, upper: { kind: 'deckEdge' } } },
      },
      'lies off the hull',
    ],
  ] as [Edit, string][])('%j is refused: %s', (edit, words) => {
    expect(() => applyEdits(boat, [edit])).toThrow(words);
  });
  it('a change of method swaps the first pack in one action, and back in one', () => {
    const copy = { ...withCoefficient(boat.packs[0]!, 'wrinklingFactor', 0.2), id: 'ours' } as StandardPack;
    const { boat: after, inverse } = applyEdits(boat, [
      { type: 'pack.add', item: copy, index: 0 },
      { type: 'pack.remove', id: boat.packs[0]!.id },
    ]);
    expect(after.packs.map(({ id }) => id)).toEqual(['ours']);
    expect(applyEdits(after, inverse).boat.packs).toEqual(boat.packs);
  });
});

describe('boundaries and panels of the demo boats', () => {
  it('every line that can be dragged stays between its neighbours, and moving it nowhere is no edit of a zone', () => {
    for (const one of [boat, brant()]) {
      const all = boundariesOf(one);
      expect(new Set(all.map(({ key }) => key)).size).toBe(all.length);
      for (const boundary of all) {
        expect(boundary.least).toBeLessThan(boundary.x);
        expect(boundary.most).toBeGreaterThan(boundary.x);
        if (boundary.kind === 'zone') expect(moveBoundary(one, boundary, boundary.x)).toEqual([]);
        else expect(applyEdits(one, moveBoundary(one, boundary, boundary.x)).boat).toEqual(one);
      }
    }
  });
  it('the panel that governs is the one the zone stands on, and none bends more', () => {
    for (const zone of boat.parts.flatMap((part) => part.zones)) {
      const { panels, governing } = zonePanels(boat, zone)!;
      expect(panels[governing]!.geometry).toEqual(zone.geometry);
      for (const { demand } of panels) expect(demand).toBeLessThanOrEqual(panels[governing]!.demand);
    }
  });
  it('a typed-in zone has no panels of its own', () =>
    expect(zonePanels(boat, newZone('z', 'Typed', 'deck'))).toBeNull());
});

it('a boat handed in takes the figures of its zones from its shape, not from whoever wrote the document', () => {
  const zones = merrow().parts[0]!.zones;
  const document = JSON.parse(boatToJson(merrow())) as { boat: Boat };
  const [first, second] = document.boat.parts[0]!.zones;
  first!.geometry.area = 99;
  second!.geometry.area = 99;
  second!.overridden = ['area'];
  const boat = boatFromFile(JSON.stringify(document));
  expect(boat.parts[0]!.zones[0]!.geometry).toEqual(zones[0]!.geometry);
  expect(boat.parts[0]!.zones[1]!.geometry).toEqual({ ...zones[1]!.geometry, area: 99 });
  expect(boatFromFile(boatToJson(merrow()))).toEqual(merrow());
});
