import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { edgesOfPanels, templateFromJson, type Boat, type Part, type Zone } from '../document';
import type { Support } from '../geometry';
import { makeEvaluator } from '.';

const TEMPLATES = readdirSync('data/templates').map((file) => {
  return templateFromJson(readFileSync(`data/templates/${file}`, 'utf8')).boat;
});
const withZones = (boat: Boat, change: (zone: Zone, part: Part) => Zone): Boat => ({
  ...boat,
  parts: boat.parts.map((part) => ({ ...part, zones: part.zones.map((zone) => change(zone, part)) })),
});
/**
 * Every panel flat and under the same pressure: a larger panel is asked less by the square metre, and one that is
 * curved over its short side bears more, which are rules of the method and not of what holds it.
 */
const bare = (boat: Boat): Boat =>
  withZones(boat, (zone) => ({
    ...zone,
    designPressure: 10_000,
    overridden: ['crown'],
    geometry: { ...zone.geometry, crown: 0 },
  }));
const boats = [merrow(), brant(), ...TEMPLATES].map(bare);
const least = (boat: Boat): ReadonlyMap<string, number> =>
  new Map(
    [...makeEvaluator()(boat)].flatMap(([id, { governing }]) => (governing ? [[id, governing.reserveFactor]] : [])),
  );
/** A rectangle that deflects as much as a longer one that tapers bears a few hundredths less or more. */
const ALIKE = 1.03;

/** No zone is better off; but one that has only an edge left of the panel that it was least at, and says so. */
function expectNoGain(before: Boat, after: Boat, { what, but }: { what: string; but?: string }): void {
  const was = least(before);
  for (const [id, reserve] of least(after)) {
    if (id === but || reserve <= (was.get(id) ?? Infinity) * ALIKE) continue;
    const zone = after.parts.flatMap(({ zones }) => zones).find((one) => one.id === id)!;
    expect(edgesOfPanels(after, zone), `${before.name}: ${zone.name}, ${what}`).not.toEqual([]);
  }
}

const withSupports = (boat: Boat, change: (one: Support) => Support | null): Boat => ({
  ...boat,
  supports: boat.supports.flatMap((one) => change(one) ?? []),
});

describe('what holds panels', () => {
  it.each(boats)('$name: no support that goes leaves a zone better off', (boat) => {
    for (const gone of boat.supports)
      expectNoGain(
        boat,
        withSupports(boat, (one) => (one === gone ? null : one)),
        { what: `without ${gone.name}` },
      );
  });
  it.each(boats)('$name: no bulkhead that goes, or ends low, does', (boat) => {
    const bulkheads = boat.parts.flatMap(({ zones }) => zones).filter(({ region }) => region?.surface === 'section');
    for (const gone of bulkheads) {
      const without = {
        ...withSupports(boat, (one) => (one.kind === 'rib' && one.zone === gone.id ? null : one)),
        parts: boat.parts.map((part) => ({ ...part, zones: part.zones.filter((zone) => zone !== gone) })),
      };
      expectNoGain(boat, without, { what: `without ${gone.name}` });
      const low = withZones(boat, (zone) =>
        zone.id === gone.id && zone.region?.surface === 'section'
          ? { ...zone, region: { ...zone.region, top: 0.05 } }
          : zone,
      );
      // Its own panel is a smaller one then, which is no matter of what it holds.
      expectNoGain(boat, low, { what: `${gone.name} down to the bilge`, but: gone.id });
    }
  });
  it.each(boats)('$name: no stringer that is shorter, no frame that ends at the chine does', (boat) => {
    const shorter = (by: number) =>
      withSupports(boat, (one) =>
        one.kind === 'stringer' || one.kind === 'girder' ? { ...one, from: one.from + by, to: one.to - by } : one,
      );
    for (const by of [0.1, 0.5, 1.5]) expectNoGain(boat, shorter(by), { what: `stringers shorter by ${by} m` });
    const floors = withSupports(boat, (one) => (one.kind === 'frame' ? { ...one, upTo: 'chine' } : one));
    expectNoGain(boat, floors, { what: 'frames to the chine' });
  });
  it('holds more than itself: some zone of every boat is worse off without one', () => {
    for (const boat of boats.filter(({ supports }) => supports.length > 0)) {
      const was = least(boat);
      const falls = boat.supports.filter((gone) => {
        const now = least(withSupports(boat, (one) => (one === gone ? null : one)));
        return [...now].some(([id, reserve]) => reserve < was.get(id)! * 0.99);
      });
      expect(falls.length, boat.name).toBeGreaterThan(boat.supports.length / 3);
    }
  });
});

describe('a zone that is parted in two', () => {
  /** The zone from its aft end to x, and from x on, laid alike. */
  const parted = (boat: Boat, zone: Zone, x: number): Boat => {
    const { region } = zone;
    if (region?.surface !== 'hull' && region?.surface !== 'deck') throw new Error('no stretch of the boat');
    const halves = [
      { ...zone, region: { ...region, to: x } },
      { ...zone, id: `${zone.id}-fore`, region: { ...region, from: x } },
    ];
    return {
      ...boat,
      parts: boat.parts.map((part) => ({
        ...part,
        zones: part.zones.flatMap((one) => (one === zone ? halves : [one])),
        layers: part.layers.map((layer) =>
          layer.zones.includes(zone.id) ? { ...layer, zones: [...layer.zones, `${zone.id}-fore`] } : layer,
        ),
      })),
    };
  };
  const long = boats.flatMap((boat) =>
    boat.parts.flatMap(({ zones }) =>
      zones.flatMap((zone) => {
        const { region } = zone;
        if (region?.surface !== 'hull' && region?.surface !== 'deck') return [];
        return [{ name: `${boat.name}: ${zone.name}`, boat, zone, from: Math.max(0, region.from), to: region.to }];
      }),
    ),
  );
  it.each(long)('$name: one of them is no better than the whole, wherever it is parted', ({ boat, zone, from, to }) => {
    const was = least(boat).get(zone.id);
    if (was === undefined) return;
    for (const share of [0.15, 0.4, 0.5, 0.75]) {
      const now = parted(boat, zone, Number((from + share * (Math.min(to, boat.brief.hullLength) - from)).toFixed(3)));
      const reserves = least(now);
      const both = [reserves.get(zone.id) ?? Infinity, reserves.get(`${zone.id}-fore`) ?? Infinity];
      const ends = now.parts
        .flatMap(({ zones }) => zones)
        .filter(({ id }) => id === zone.id || id === `${zone.id}-fore`)
        .flatMap((one) => edgesOfPanels(now, one));
      if (Math.min(...both) > was * ALIKE) expect(ends, `parted at ${share}`).not.toEqual([]);
    }
  });
});
