import { describe, expect, it } from 'vitest';
import { GENERIC_MATERIALS } from '@/core/material';
import { newBoat, type Part } from '@/core/document';
import { applyEdits } from '@/core/edit';
import { merrow } from '../../../tests/helpers/merrow';
import { layMaterial } from './layerActions';
import type { Place } from './usePlace';

const MAT = GENERIC_MATERIALS.find(({ id }) => id === 'csm-300')!;
const at = (part: Part, zoneIds: string[], row = part.layers.length - 1) =>
  ({ zoneIds, ids: [], layer: part.layers[row], cursor: { row, column: 3 } }) as unknown as Place;
const covered = (boat: ReturnType<typeof merrow>, part: Part, zoneIds: string[]) => {
  const place = at(part, zoneIds);
  const { edits } = layMaterial({ boat, part, materials: GENERIC_MATERIALS, place }, MAT as never, 'add');
  return applyEdits(boat, edits)
    .boat.parts.find(({ id }) => id === part.id)!
    .layers.at(-1)!.zones;
};

describe('a layer added', () => {
  it('runs through the whole part as long as every layer does, unless several zones are chosen', () => {
    const boat = newBoat('Empty');
    const [hull] = boat.parts;
    expect(covered(boat, hull!, ['bottom'])).toEqual(['bottom', 'side', 'transom']);
    expect(covered(boat, hull!, ['bottom', 'side'])).toEqual(['bottom', 'side']);
  });
  it('covers the zone that one stands on where some layer ends within the part', () => {
    const boat = merrow();
    const [hull] = boat.parts;
    const one = hull!.zones[1]!.id;
    expect(covered(boat, hull!, [one])).toEqual([one]);
  });
});
