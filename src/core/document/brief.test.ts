import { describe, expect, it } from 'vitest';
import { merrow, zoneOf } from '../../../tests/helpers/merrow';
import { GENERIC_MATERIALS } from '../material';
import {
  applyEdits,
  describeEdits,
  editsSchema,
  EMPTY_HISTORY,
  pushHistory,
  type Edit,
  type HistoryEntry,
} from '../edit';
import { BRIEF_NUMBERS, briefSchema, craftOf, newPart, newZone, type BriefNumber } from '.';
import { verdictOf } from '../evaluate';

const boat = merrow();
const [part, zone] = zoneOf(boat, 'Bottom forward');
const layer = part.layers[3]!;

describe('the brief', () => {
  it.each(Object.keys(BRIEF_NUMBERS) as BriefNumber[])(
    '%s is refused outside its range, by name, range and reason',
    (key) => {
      const { label, minimum, maximum, reason } = BRIEF_NUMBERS[key];
      for (const value of [minimum - 0.001, maximum + 0.001, NaN, 'ten', null]) {
        const result = briefSchema.safeParse({ ...boat.brief, [key]: value });
        expect(result.success).toBe(false);
        const [issue] = result.error!.issues;
        expect(issue!.path).toEqual([key]);
        for (const words of [label, String(minimum), String(maximum), reason]) expect(issue!.message).toContain(words);
      }
      for (const value of [minimum, maximum])
        expect(briefSchema.safeParse({ ...boat.brief, [key]: value }).success).toBe(true);
    },
  );
  it.each([
    [{ chineBeam: 3 }, 'Chine beam 3 m must not exceed the maximum beam, 2.85 m'],
    [{ waterlineLength: 8.5 }, 'must not exceed the length of hull'],
    [{ weightTarget: 4000 }, 'must not exceed the loaded mass'],
    [{ resin: 'e-glass' }, 'is not among the boat'],
  ])('%j contradicts the rest', (patch, words) => {
    expect(() => applyEdits(boat, [{ type: 'brief.set', patch }])).toThrow(words);
  });
  it('leaves the righting lever out of the craft when there is none', () => {
    expect(craftOf(boat.brief)).not.toHaveProperty('rightingLever60');
    expect(craftOf({ ...boat.brief, rightingLever60: 0.4 })).toHaveProperty('rightingLever60', 0.4);
  });
  it('verdicts stand at 1, at the target and at twice the target', () => {
    expect([0.999, 1, 1.099, 1.1, 2.19, 2.2].map((reserve) => verdictOf(reserve, 1.1))).toEqual([
      'fails',
      'thin',
      'thin',
      'meets',
      'meets',
      'ample',
    ]);
  });
});

describe('edits in words', () => {
  const acceptance = { id: 'a', rule: 'unbalanced', subject: zone.id, by: 'I. Hallin', note: 'as drawn', at: '' };
  const cases: [Edit, string][] = [
    [{ type: 'boat.rename', name: 'Tern' }, 'renamed the boat to Tern'],
    [
      { type: 'brief.set', patch: { loadedMass: 3700, maxSpeedKnots: 18 } },
      'changed the brief: loaded mass, maximum speed',
    ],
    [
      { type: 'part.add', part: newPart({ id: 'p', name: 'Rudder', kind: 'small', zones: [] }), index: 9 },
      'added part Rudder',
    ],
    [{ type: 'part.set', partId: part.id, patch: { name: 'Shell' } }, 'changed part Hull: part name'],
    [{ type: 'part.remove', partId: part.id }, 'removed part Hull'],
    [
      { type: 'zone.add', partId: part.id, zone: newZone('z', 'Skeg', 'bottom'), index: 0, coveredBy: [] },
      'added zone Skeg',
    ],
    [{ type: 'zone.set', zoneId: zone.id, patch: { geometry: zone.geometry } }, 'changed zone Bottom forward: figures'],
    [
      { type: 'zone.set', zoneId: zone.id, patch: { load: null } },
      'changed zone Bottom forward: load given for analysis',
    ],
    [{ type: 'zone.remove', zoneId: zone.id }, 'removed zone Bottom forward'],
    [{ type: 'layer.add', partId: part.id, layer: { ...layer, id: 'l' }, index: 0 }, 'added TX 900 to Hull'],
    [{ type: 'layer.set', layerId: layer.id, patch: { angleDeg: -45 } }, 'turned layer 4 (TX 900) of Hull to −45°'],
    [{ type: 'layer.set', layerId: layer.id, patch: { material: 'bx0-800' } }, 'made layer 4 (TX 900) of Hull BX0 800'],
    [{ type: 'layer.move', layerId: layer.id, index: 6 }, 'moved layer 4 (TX 900) of Hull to place 7'],
    [
      { type: 'layer.cover', layerId: layer.id, zoneId: zone.id, covered: false },
      'took layer 4 (TX 900) of Hull out of Bottom forward',
    ],
    [{ type: 'layer.remove', layerId: layer.id }, 'removed layer 4 (TX 900) of Hull'],
    [{ type: 'caution.accept', acceptance, index: 0 }, 'I. Hallin accepted the caution unbalanced'],
  ];
  it.each(cases)('%j', (edit, words) => {
    expect(describeEdits(boat, [edit])).toBe(words);
    expect(editsSchema.safeParse([edit]).success).toBe(true);
  });
  it('an action that fetches a material first is named by what it does with it', () => {
    const quad = GENERIC_MATERIALS.find((material) => material.id === 'qx-800')!;
    expect(
      describeEdits(boat, [
        { type: 'material.put', material: quad },
        { type: 'layer.set', layerId: layer.id, patch: { material: 'qx-800' } },
      ]),
    ).toBe('made layer 4 (TX 900) of Hull QX 800');
  });
  it.each([
    [[], 'at least one edit'],
    [[{ type: 'layer.fly', layerId: 'x' }], 'type'],
    [[{ type: 'layer.set', layerId: layer.id, patch: { colour: 'red' } }], 'colour'],
    [
      [{ type: 'layer.set', layerId: layer.id, patch: { angleDeg: 91 } }],
      'Angle must be between {{angle! -90}} and {{angle! 90}}',
    ],
    [[{ type: 'layer.move', layerId: layer.id, index: -1 }], 'index'],
    [[{ type: 'caution.accept', acceptance: { ...acceptance, by: '' }, index: 0 }], 'name'],
  ])('%j is refused at the border', (edits, words) => {
    const result = editsSchema.safeParse(edits);
    expect(result.success).toBe(false);
    expect(JSON.stringify(result.error!.issues)).toContain(words);
  });
});

describe('history', () => {
  const entry = (action: HistoryEntry['action'], description: string): HistoryEntry => ({
    action,
    description,
    forward: [],
    inverse: [],
  });
  it('an undo moves to what can be done again, a new deed forgets that', () => {
    const two = [entry('do', 'one'), entry('do', 'two')].reduce(pushHistory, EMPTY_HISTORY);
    const undone = pushHistory(two, entry('undo', 'two'));
    expect([undone.undo.map((e) => e.description), undone.redo.map((e) => e.description)]).toEqual([['one'], ['two']]);
    const again = pushHistory(undone, entry('redo', 'two'));
    expect(again.undo).toHaveLength(2);
    expect(again.redo).toEqual([]);
    expect(pushHistory(undone, entry('do', 'three')).redo).toEqual([]);
  });
});
