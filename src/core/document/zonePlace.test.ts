import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { applyEdits } from '../edit';
import { evaluateZone } from '../evaluate';
import { locationOf, newPart, newPlace, newZone, PART_KINDS, regionFor, surfaceOf, SURFACES, type Surface } from '.';

const kinds = Object.keys(PART_KINDS) as (keyof typeof PART_KINDS)[];

describe.each([merrow(), brant()].map((boat) => [boat.name, boat] as const))('a new zone of %s', (_, boat) => {
  it.each(kinds)(
    'in a part that is a %s has a place at once, its figures from there, and says what is missing',
    (kind) => {
      const { location, region } = newPlace(boat, kind);
      expect(region).not.toBeNull();
      const zone = newZone('fresh', 'Fresh', location, { region });
      const part = newPart({ id: 'new-part', name: 'New part', kind, zones: [zone] });
      const { boat: after, inverse } = applyEdits(boat, [{ type: 'part.add', part, index: boat.parts.length }]);
      const [settled] = after.parts.at(-1)!.zones;
      expect(settled!.geometry.area).toBeGreaterThan(0.01);
      if (region!.surface !== 'rectangle') expect(settled!.geometry).not.toEqual(zone.geometry);
      expect(evaluateZone(after, after.parts.at(-1)!, settled!).problem).toMatch(/layer/);
      expect(applyEdits(after, inverse).boat).toEqual(boat);
    },
  );
  it('without a hull shape has none, and its figures are typed', () => {
    expect(newPlace({ ...boat, hull: null }, 'hull')).toEqual({ location: 'bottom', region: null });
  });
});

describe('a place', () => {
  const boat = merrow();
  it.each(Object.keys(SURFACES) as Surface[])('chosen as %s is that surface again', (surface) => {
    const region = regionFor(surface, boat, { x: 3, z: 0.6 });
    expect(surfaceOf(region)).toBe(surface);
    if (surface === 'typed') expect(region).toBeNull();
  });
  it('tells what a zone is there: bottom from the centreline, side above, house, cockpit, liner', () => {
    const at = (surface: Surface) => locationOf(regionFor(surface, boat, { x: 3, z: 0.6 })!);
    expect(at('hull')).toBe('bottom');
    expect(locationOf({ surface: 'hull', from: 0, to: 1, lower: { kind: 'chine' }, upper: { kind: 'deckEdge' } })).toBe(
      'side',
    );
    expect([at('transom'), at('section'), at('deck'), at('pan')]).toEqual(['transom', 'bulkhead', 'deck', 'liner']);
    expect([at('cockpitSole'), at('coachroofTop'), at('coachroofFront')]).toEqual([
      'cockpitSole',
      'superstructureTop',
      'superstructureFront',
    ]);
    expect(at('rectangle')).toBeNull();
  });
});
