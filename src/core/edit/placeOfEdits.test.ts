import { describe, expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import type { Edit } from './editSchema';
import { placeOfEdits } from './placeOfEdits';

const boat = merrow();
const part = boat.parts[0]!;
const [zone] = part.zones;
const [layer] = part.layers;

describe('where a change is seen', () => {
  it.each([
    ['a figure of the brief', { type: 'brief.set', patch: { loadedMass: 2600 } }, ['brief'], null, 'Loaded mass'],
    [
      'a zone',
      { type: 'zone.set', zoneId: zone!.id, patch: { name: 'X' } },
      ['zones', 'layup', 'panel'],
      zone!.id,
      'Zone name',
    ],
    ['a layer', { type: 'layer.move', layerId: layer!.id, index: 1 }, ['layup'], layer!.id, null],
    [
      'a support',
      { type: 'support.remove', id: boat.supports[0]!.id },
      ['zones', 'stiffeners'],
      boat.supports[0]!.id,
      null,
    ],
    ['an item', { type: 'item.remove', id: 'item-1' }, ['weights'], 'item-1', null],
    ['what is not in her', { type: 'brief.set', patch: { absent: [] } }, ['weights'], null, 'Not in this boat'],
    ['a mould', { type: 'part.set', partId: part.id, patch: { mould: null } }, ['weights'], part.id, 'Mould'],
    ['a new part', { type: 'part.add', part, index: 0 }, ['zones', 'layup'], part.id, null],
  ] as [string, Edit, string[], string | null, string | null][])('%s', (_, edit, screens, id, label) => {
    expect(placeOfEdits([edit])).toMatchObject({ screens, id, label });
  });
  it('a layer of a material that was fetched with it is a change of Lay-up', () => {
    const edits: Edit[] = [
      { type: 'material.put', material: boat.materials[0]! },
      { type: 'layer.cover', layerId: layer!.id, zoneId: zone!.id, covered: false },
    ];
    expect(placeOfEdits(edits)).toMatchObject({ screens: ['layup'], of: 'layer', id: layer!.id, zoneId: zone!.id });
  });
  it('several changes are seen where all of them show, or where any does', () => {
    const zoneSet: Edit = { type: 'zone.set', zoneId: zone!.id, patch: { name: 'X' } };
    const partSet: Edit = { type: 'part.set', partId: part.id, patch: { name: 'Y' } };
    const briefSet: Edit = { type: 'brief.set', patch: { loadedMass: 2600 } };
    expect(placeOfEdits([zoneSet, partSet]).screens).toEqual(['zones', 'layup']);
    expect(placeOfEdits([zoneSet, briefSet]).screens).toContain('brief');
    expect(placeOfEdits([]).screens.length).toBeGreaterThan(5);
  });
});
