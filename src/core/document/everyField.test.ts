import { describe, expect, it } from 'vitest';
import { otherValues } from '../../../tests/helpers/fieldValues';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { applyEdits, difference, editsSchema, followParent, type Edit } from '../edit';
import { KeramosError } from '../error';
import { readAt, writeAt } from '../field';
import {
  boatFromJson,
  boatToJson,
  layerSchema,
  LIST_KEYS,
  LISTS,
  partSchema,
  SINGLES,
  zoneSchema,
  type Boat,
  type Layer,
  type Zone,
} from '.';

/** One field of one entry of a boat: what it is changed to, by which edit. */
interface Change {
  what: string;
  edit: Edit;
  read: (boat: Boat) => unknown;
  value: unknown;
}

const [launch, daysailer] = [merrow(), brant()];
/** The first entry of each kind in either boat, so that every member of every union is met once. */
function entriesOf(key: (typeof LIST_KEYS)[number]): { boat: Boat; entry: { id: string } }[] {
  const seen = new Set<string>();
  return [launch, daysailer].flatMap((boat) =>
    boat[key].flatMap((entry) => {
      const kind =
        String((entry as { kind?: string }).kind ?? '') +
        String((entry as { cause?: { kind: string } }).cause?.kind ?? '');
      if (seen.has(kind)) return [];
      seen.add(kind);
      return [{ boat, entry }];
    }),
  );
}

const putOf = (key: string, entry: object): Edit =>
  key === 'materials'
    ? ({ type: 'material.put', material: entry } as Edit)
    : ({ type: `${LISTS[key as 'supports'].name}.set`, item: entry } as unknown as Edit);

/** Every field of every plain entry. */
const plain = LIST_KEYS.filter((key) => !['parts', 'acceptances'].includes(key)).flatMap((key) =>
  entriesOf(key).flatMap(({ boat, entry }) =>
    otherValues(LISTS[key].schema, entry).map(({ path, value }) => ({
      boat,
      change: {
        what: `${key} ${entry.id} ${path}`,
        edit: putOf(key, writeAt(entry, path, value)),
        read: (after: Boat) =>
          readAt(
            after[key].find(({ id }) => id === entry.id),
            path,
          ),
        value,
      } satisfies Change,
    })),
  ),
);

/** Every field of a part, its zones and layers, and of what the boat has one of. */
function inner(boat: Boat): { boat: Boat; change: Change }[] {
  const part = boat.parts[0]!;
  const zone = part.zones[0]!;
  const layers = part.layers.filter(
    ({ thickness }, i, all) => all.findIndex((one) => (one.thickness === null) === (thickness === null)) === i,
  );
  const { id: _id, zones: _zones, layers: _layers, ...own } = part;
  const patch = (path: string, of: object, value: unknown) => {
    const key = path.split('.')[0]!;
    return { [key]: (writeAt(of, path, value) as Record<string, unknown>)[key] };
  };
  const partChanges = otherValues(partSchema, own).map(({ path, value }) => ({
    what: `part ${path}`,
    edit: { type: 'part.set', partId: part.id, patch: patch(path, own, value) } as Edit,
    read: (after: Boat) => readAt(after.parts[0], path),
    value,
  }));
  const { id: _zone, ...zoneOwn } = zone;
  const zoneChanges = otherValues(zoneSchema, zoneOwn)
    // What the geometry gives is overridden where it is typed; the place itself is tested with the shape.
    .filter(({ path }) => !path.startsWith('region'))
    .map(({ path, value }) => {
      const field = path.split('.')[1];
      const over = path.startsWith('geometry.') ? { overridden: [field as keyof Zone['geometry']] } : {};
      return {
        what: `zone ${path}`,
        edit: { type: 'zone.set', zoneId: zone.id, patch: { ...patch(path, zoneOwn, value), ...over } } as Edit,
        read: (after: Boat) => readAt(after.parts[0]!.zones[0], path),
        value,
      };
    });
  const layerChanges = layers.flatMap((layer) => {
    const { id, zones: _covered, ...layerOwn } = layer;
    return otherValues(layerSchema, layerOwn).map(({ path, value }) => ({
      what: `layer ${id} ${path}`,
      edit: { type: 'layer.set', layerId: id, patch: { [path]: value } } as Edit,
      read: (after: Boat) =>
        readAt(
          after.parts[0]!.layers.find((one: Layer) => one.id === id),
          path,
        ),
      value,
    }));
  });
  const briefChanges = otherValues(SINGLES.brief, boat.brief).map(({ path, value }) => ({
    what: `brief ${path}`,
    edit: { type: 'brief.set', patch: patch(path, boat.brief, value) } as Edit,
    read: (after: Boat) => readAt(after.brief, path),
    value,
  }));
  const single = (key: 'hull' | 'deck') =>
    otherValues(SINGLES[key], boat[key]).map(({ path, value }) => ({
      what: `${key} ${path}`,
      edit: { type: `${key}.set`, [key]: writeAt(boat[key], path, value) } as unknown as Edit,
      read: (after: Boat) => readAt(after[key], path),
      value,
    }));
  const changes: Change[] = [
    ...partChanges,
    ...zoneChanges,
    ...layerChanges,
    ...briefChanges,
    ...single('hull'),
    ...single('deck'),
  ];
  return changes.map((change) => ({ boat, change }));
}

const all = [...plain, ...inner(launch)];

describe('every field of every entity', () => {
  it('is met: the walk finds some hundreds of them', () => expect(all.length).toBeGreaterThan(350));

  it('is accepted or refused in words; accepted it is stored, told, undone exactly and followed by a variant', () => {
    const refused: string[] = [];
    for (const { boat, change } of all) {
      const { what, edit, read, value } = change;
      const checked = editsSchema.safeParse([edit]);
      if (!checked.success) {
        // A range of its own that depends on another field: said, not thrown.
        expect(checked.error.issues[0]!.message.length, what).toBeGreaterThan(4);
        refused.push(what);
        continue;
      }
      let applied;
      try {
        applied = applyEdits(boat, checked.data);
      } catch (error) {
        if (!(error instanceof KeramosError)) throw error;
        expect(error.message.length, what).toBeGreaterThan(8);
        refused.push(what);
        continue;
      }
      const after = applied.boat;
      expect(read(after), what).toEqual(value);
      expect(read(boatFromJson(boatToJson(after))), `${what} is stored`).toEqual(value);
      const changes = difference(boat, after);
      expect(changes.length, `${what} shows in the difference`).toBeGreaterThan(0);
      expect(
        changes.every(({ kind, details }) => kind !== 'changed' || details.length > 0),
        what,
      ).toBe(true);
      expect(applyEdits(after, applied.inverse).boat, `${what} is undone exactly`).toEqual(boat);
      expect(read(followParent(boat, after, boat)), `${what} goes to a variant`).toEqual(value);
      expect(read(followParent(boat, boat, after)), `${what} stays in a variant`).toEqual(value);
    }
    // Refusals are for contradictions with the rest; most fields stand alone.
    expect(refused.length / all.length).toBeLessThan(0.2);
  });
});

describe('a change request tells', () => {
  const hull = launch.parts[0]!;
  const layer = hull.layers[2]!;
  const told = (...edits: Edit[]) =>
    difference(launch, applyEdits(launch, edits).boat).flatMap(({ subject, details }) =>
      details.map((line) => `${subject}: ${line}`),
    );

  it.each([
    ['a role', [{ type: 'layer.set', layerId: layer.id, patch: { role: 'comesOff' } }], 'Role: structure → comes off'],
    [
      'hands and number',
      [{ type: 'part.set', partId: hull.id, patch: { hands: 'two', number: 2 } }],
      'Hands: one hand → two hands',
    ],
    [
      'the drop-off ratio',
      [{ type: 'part.set', partId: hull.id, patch: { dropRatio: 30 } }],
      'Drop-off ratio: 20 → 30',
    ],
    ['the core bevel', [{ type: 'part.set', partId: hull.id, patch: { coreBevel: 4 } }], 'Core bevel: 3 → 4'],
    [
      'a solid edge',
      [{ type: 'zone.set', zoneId: hull.zones[0]!.id, patch: { solidEdge: 0.05 } }],
      'Solid edge: – → {{shortLength 0.05}}',
    ],
    [
      'a line between zones',
      [
        {
          type: 'part.set',
          partId: hull.id,
          patch: {
            joins: [
              { a: hull.zones[0]!.id, b: hull.zones[1]!.id, lap: 0.05, laps: [], ends: [], bevel: null, length: null },
            ],
          },
        },
      ],
      'Lines: added zone',
    ],
    [
      'a group and who is in it',
      [
        {
          type: 'part.set',
          partId: hull.id,
          patch: { groups: [...hull.groups, { id: 'g', name: 'Skin', kind: 'outerSkin', laminate: null }] },
        },
        { type: 'layer.set', layerId: layer.id, patch: { group: 'g' } },
      ],
      'Group: Outer skin → Skin',
    ],
  ] as [string, Edit[], string][])('%s', (_, edits, words) => expect(told(...edits).join('\n')).toContain(words));
});
