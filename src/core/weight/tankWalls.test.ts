import { beforeAll, describe, expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { evaluateDetails } from '../detail/kinds';
import { closesTank, shapeOf, tanksOn, type Boat, type Tank, type Zone } from '../document';
import { evaluateZone, makeEvaluator } from '../evaluate';
import { filledBy, heightsOf } from '../float';
import type { Region } from '../geometry';
import { isHead } from '../standard';
import { bodyOfSpace, floatIn, massesOf, tankWalls } from '.';

const GRAVITY = 9.80665;
const zonesOf = ({ parts }: Boat) => parts.flatMap(({ zones }) => zones);
const bulkheadAt = (boat: Boat) => {
  const zone = zonesOf(boat).find(({ region }) => region?.surface === 'section')!;
  return { zone, x: zone.region!.surface === 'section' ? zone.region!.x : 0 };
};
/** The launch with a water tank that the hull and a bulkhead close. */
const tanked = (
  more: Partial<Tank> = {},
  change: (boat: Boat) => Boat = (boat) => boat,
): { boat: Boat; tank: Tank } => {
  const boat = merrow();
  const { x } = bulkheadAt(boat);
  const tank: Tank = {
    ...{ kind: 'tank', id: 'water', name: 'Water', from: x - 0.8, to: x, bottom: -1, top: 0.6, inner: 0, outer: null },
    ...{ hand: 'both', density: 1000, gap: 0, overflow: 1.2 },
    ...more,
  };
  return { boat: change({ ...boat, spaces: [tank] }), tank };
};
const wallsOf = ({ boat, tank }: ReturnType<typeof tanked>) =>
  tankWalls(boat, shapeOf(boat)!, tank, makeEvaluator()(boat));

describe('the walls of a tank', () => {
  const { boat, tank } = tanked();
  const hull = shapeOf(boat)!.hull;
  const ends = { from: -1, to: 9 };
  const sole = boat.deck.cockpit!;
  const pan = { ...ends, halfBreadthAft: 0.5, halfBreadthFore: 0.5 };
  const edges = { lower: { kind: 'centreline' }, upper: { kind: 'chine' } } as const;
  it.each<[string, boolean, Region | null, Partial<Tank>]>([
    ['typed figures lie nowhere', false, null, {}],
    ['a bulkhead at its fore end', true, { surface: 'section', x: tank.to + 0.03, top: null }, {}],
    ['a bulkhead a hand’s breadth off', false, { surface: 'section', x: tank.to + 0.1, top: null }, {}],
    ['the hull that it is cut from', true, { surface: 'hull', ...ends, ...edges }, {}],
    ['the hull, where the tank has a skin of its own', false, { surface: 'hull', ...ends, ...edges }, { gap: 0.02 }],
    ['the hull, where the tank ends inside of it', false, { surface: 'hull', ...ends, ...edges }, { outer: 0.3 }],
    ['the hull before it', false, { surface: 'hull', from: tank.to, to: 9, ...edges }, {}],
    ['a pan that lies on it', true, { surface: 'pan', ...pan, height: 0.62 }, {}],
    ['a pan over it', false, { surface: 'pan', ...pan, height: 0.8 }, {}],
    ['the cockpit sole on it', true, { surface: 'cockpit', piece: 'sole' }, { ...sole, top: sole.soleHeight } as never],
    ['the sides of the cockpit', false, { surface: 'cockpit', piece: 'side' }, { top: sole.soleHeight }],
    ['the deck, where it goes up to it', true, { surface: 'deck', ...ends }, { top: 5 }],
    ['the deck, where it does not', false, { surface: 'deck', ...ends }, {}],
    ['the transom, where it begins there', true, { surface: 'transom' }, { from: hull.aft - 0.1 }],
    ['the transom, where it does not', false, { surface: 'transom' }, {}],
  ])('%s: %s', (_, closes, region, more) => {
    expect(closesTank(boat, { region }, { ...tank, ...more, kind: 'tank' })).toBe(closes);
  });

  it('stand under the head from the lowest point to the overflow: by hand ρ g h', () => {
    const [low, high] = heightsOf(bodyOfSpace(shapeOf(boat)!, tank))!;
    expect(high).toBeCloseTo(0.6, 6);
    const walls = wallsOf({ boat, tank });
    expect(walls.length).toBeGreaterThan(1);
    for (const { head, pressure } of walls) {
      expect(head).toBeCloseTo(0.6 - low + 1.2, 6);
      expect(pressure).toBeCloseTo(1000 * GRAVITY * (1.8 - low), 3);
    }
  });
  it('never have more reserve under a higher overflow, or a heavier liquid', () => {
    const [usual, higher, heavier] = [{}, { overflow: 4 }, { density: 1400 }].map((more) => wallsOf(tanked(more)));
    usual!.forEach(({ zone, reserveFactor }, i) => {
      for (const other of [higher, heavier]) {
        expect(other![i]!.zone.id).toBe(zone.id);
        expect(other![i]!.reserveFactor!, zone.name).toBeLessThanOrEqual(reserveFactor! * (1 + 1e-9));
      }
    });
    expect(higher![0]!.reserveFactor!).toBeLessThan(usual![0]!.reserveFactor!);
  });
});

describe('the head of a tank on the hull presses it from inside', () => {
  /** Bottom forward and aft with so many more layers on the outer face, or turned over as a whole. */
  const laid = (heavy: number, turned = false) =>
    tanked({}, (boat) => ({
      ...boat,
      parts: boat.parts.map((part, i) => {
        if (i > 0) return part;
        const cloth = part.layers.find(
          ({ role, material }) =>
            role === 'structure' && boat.materials.some(({ id, kind }) => id === material && kind === 'fabric'),
        )!;
        const more = Array.from({ length: heavy }, (_, n) => ({ ...cloth, id: `more-${n}` }));
        const carrying = part.layers.filter(({ role }) => role === 'structure');
        const layers = [...more, ...carrying];
        return { ...part, joins: [], groups: [], layers: turned ? layers.reverse() : layers };
      }),
    }));
  const sandwich = (own: ReturnType<typeof tanked>) => {
    const evaluate = makeEvaluator()(own.boat);
    return wallsOf(own).filter(
      ({ zone }) => zone.region?.surface === 'hull' && evaluate.get(zone.id)!.construction === 'sandwich',
    );
  };
  const strongest = (own: ReturnType<typeof tanked>, { zone, part, pressure }: ReturnType<typeof wallsOf>[number]) => {
    const { checks } = evaluateZone(own.boat, part, { ...zone, designPressure: pressure });
    return Math.min(...checks.filter(({ id }) => !/minimum/i.test(id)).map((check) => check.reserveFactor));
  };
  it('and never leaves more than the same pressure from outside; where one skin is the heavy one, less', () => {
    const skewed = [laid(6), laid(6, true)].flatMap((own) =>
      sandwich(own).map((wall) => ({ wall, outside: strongest(own, wall) })),
    );
    expect(skewed.length).toBeGreaterThan(1);
    for (const { wall, outside } of skewed)
      expect(wall.reserveFactor!, wall.zone.name).toBeLessThanOrEqual(outside * (1 + 1e-9));
    expect(skewed.some(({ wall, outside }) => wall.reserveFactor! < 0.95 * outside)).toBe(true);
  });
  it('is the same for a stack that is turned over: both faces are asked', () => {
    const [one, other] = [sandwich(laid(4)), sandwich(laid(4, true))];
    expect(one.length).toBeGreaterThan(0);
    one.forEach(({ zone, reserveFactor }, i) =>
      expect(other[i]!.reserveFactor! / reserveFactor!, zone.name).toBeCloseTo(1, 6),
    );
  });
  it('offers no pressure to be typed but for a bulkhead, which is asked from either face', () => {
    for (const { zone, eitherFace, asked } of wallsOf(tanked())) {
      expect(eitherFace, zone.name).toBe(isHead(zone.location));
      if (!eitherFace) expect(asked, zone.name).toBe(false);
    }
    const heavy = tanked({ overflow: 0.2 }, (boat) => ({
      ...boat,
      parts: boat.parts.map((part) => ({
        ...part,
        zones: part.zones.map((zone): Zone => ({ ...zone, designPressure: 90_000 })),
      })),
    }));
    // Ninety kilopascals from outside say nothing of the inside of a hull.
    for (const { zone, own, asked } of wallsOf(heavy)) {
      expect(own).toBe(90_000);
      expect(asked, zone.name).toBe(isHead(zone.location));
    }
  });
  it('gives no reserve where a strength is not known, and a bulkhead nobody laid holds its panels', () => {
    const { x } = bulkheadAt(merrow());
    const bare = tanked({}, (boat) => ({
      ...boat,
      parts: boat.parts.map((part) =>
        part.zones.some(({ region }) => region?.surface === 'section')
          ? { ...part, layers: [], joins: [], groups: [] }
          : part,
      ),
    }));
    const evaluations = makeEvaluator()(bare.boat);
    const walls = wallsOf(bare);
    const held = walls.filter(({ zone }) =>
      evaluations.get(zone.id)!.unproven.some((text) => /holds panels/.test(text)),
    );
    expect(held.length, `a hull zone about ${x}`).toBeGreaterThan(0);
    for (const { zone, reserveFactor, governs } of held) {
      // A reserve below one is a fail whatever else is open; above it, it is no proof.
      if (reserveFactor === null) expect(governs, zone.name).toBeNull();
      else expect(reserveFactor, zone.name).toBeLessThan(1);
    }
    const nothingLaid = walls.filter(({ zone }) => zone.region?.surface === 'section');
    expect(nothingLaid.map(({ reserveFactor }) => reserveFactor)).toEqual([null]);
  });
});

describe('a zone that closes a tank', () => {
  const said = (boat: Boat) => {
    const evaluations = makeEvaluator()(boat);
    return zonesOf(boat).filter(({ id }) =>
      evaluations.get(id)!.notChecked.some((text) => /head of Water/i.test(text)),
    );
  };
  it('says that the head of the tank is not among its checks, and no other zone does', () => {
    const { boat } = tanked();
    const found = said(boat);
    expect(found.map(({ id }) => id)).toEqual(
      zonesOf(boat)
        .filter((zone) => tanksOn(boat, zone).length > 0)
        .map(({ id }) => id),
    );
    expect(found.length).toBeGreaterThan(1);
    expect(found.length).toBeLessThan(zonesOf(boat).length);
    expect(said(merrow())).toEqual([]);
  });
  it('says so no more where it is a bulkhead that was asked for a pressure', () => {
    const { boat } = tanked();
    const { zone } = bulkheadAt(boat);
    const asked = {
      ...boat,
      parts: boat.parts.map((part) => ({
        ...part,
        zones: part.zones.map((one): Zone => (one.id === zone.id ? { ...one, designPressure: 30_000 } : one)),
      })),
    };
    expect(said(boat).map(({ id }) => id)).toContain(zone.id);
    expect(said(asked).map(({ id }) => id)).not.toContain(zone.id);
  });
  it('is told again when the tank alone comes, moves or goes: nothing remembered stands in the way', () => {
    const evaluate = makeEvaluator();
    const { boat, tank } = tanked();
    const hull = zonesOf(boat).find(({ region }) => region?.surface === 'hull')!;
    const speaks = (spaces: Boat['spaces']) =>
      evaluate({ ...boat, spaces })
        .get(hull.id)!
        .notChecked.filter((text) => /head of/i.test(text));
    expect(speaks([])).toEqual([]);
    expect(speaks([tank])).toHaveLength(1);
    expect(speaks([{ ...tank, name: 'Fuel' }])[0]).toContain('Fuel');
    expect(speaks([tank, { ...tank, id: 'grey', name: 'Grey water' }])).toHaveLength(2);
    expect(speaks([{ ...tank, gap: 0.02 }])).toEqual([]);
    expect(speaks([])).toEqual([]);
  });
});

describe('the free surface of a full tank', () => {
  let boat: Boat;
  let tank: Tank;
  beforeAll(() => ({ boat, tank } = tanked({ bottom: 0.2, top: 5 })));
  it('is the greatest that it comes to while it is drawn from: under a cambered deck not that of its lid', () => {
    const masses = massesOf(boat, makeEvaluator()(boat), evaluateDetails(boat));
    const full = floatIn(boat, masses, 'full');
    if ('reason' in full) throw new Error(full.reason);
    const body = bodyOfSpace(shapeOf(boat)!, tank);
    const surfaces = [0.98, 0.9, 0.75, 0.5, 0.25].map((share) => filledBy(body, share)!.freeSurface);
    expect(full.freeSurfaceLoss).toBeCloseTo((1000 * Math.max(...surfaces)) / full.loading.mass, 9);
    // The launch is broader at its deck edge than at the crown of the deck.
    expect(Math.max(...surfaces)).toBeGreaterThan(1.02 * surfaces[0]!);
  });
});
