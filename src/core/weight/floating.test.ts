import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { evaluateDetails } from '../detail/kinds';
import { shapeOf, type Boat, type Item } from '../document';
import { makeEvaluator } from '../evaluate';
import { filledBy, heightsOf, solid, soundings } from '../float';
import { PROCESSES } from '../material';
import {
  aboardIn,
  beadMass,
  bodyOfSpace,
  boatWeight,
  coreBonding,
  floatIn,
  loadingOf,
  massBand,
  massesOf,
  materialList,
  notCounted,
  paintOver,
  roomsOf,
  shifted,
  swamped,
  type Mass,
} from '.';

const evaluate = makeEvaluator();
const weigh = (boat: Boat) => massesOf(boat, evaluate(boat), evaluateDetails(boat));
const floated = (boat: Boat, ...rest: Parameters<typeof floatIn> extends [Boat, unknown, ...infer R] ? R : never) => {
  const state = floatIn(boat, weigh(boat), ...rest);
  if ('reason' in state) throw new Error(state.reason);
  return state;
};
const item = (more: Partial<Item>): Item => ({ ...merrow().items[0]!, id: 'more', ...more });

let boat: Boat;
let masses: Mass[];
beforeAll(() => {
  boat = merrow();
  masses = weigh(boat);
});

describe('everything that weighs', () => {
  it('holds the laminate as it was, what bonds its cores, every item, and what tanks and foam hold', () => {
    const laid = boatWeight(boat, evaluate(boat), evaluateDetails(boat)).mass;
    const bonding = coreBonding(boat, evaluate(boat)).reduce((sum, { mass }) => sum + mass, 0);
    const sum = (of: (mass: Mass) => boolean) => masses.filter(of).reduce((total, { mass }) => total + mass, 0);
    expect(sum(({ of }) => ['zone', 'laps', 'stiffener', 'detail'].includes(of))).toBeCloseTo(laid, 9);
    expect(sum(({ of }) => of === 'bonding')).toBeCloseTo(bonding, 9);
    expect(bonding).toBeGreaterThan(1);
    expect(sum(({ of }) => of === 'item')).toBeCloseTo(
      boat.items.reduce((total, { mass, number }) => total + mass * number, 0),
      9,
    );
    const fuel = boat.spaces.find(({ kind }) => kind === 'tank')!;
    const volume = solid(bodyOfSpace(shapeOf(boat)!, fuel))!.volume;
    expect(masses.find(({ id }) => id === fuel.id)!.mass).toBeCloseTo(840 * volume, 9);
  });
  it('of a core bedded by hand takes paste by its area, and kerfs by its volume', () => {
    const by = (brief: Partial<Boat['brief']>) => {
      const own = { ...boat, brief: { ...boat.brief, ...brief } };
      return coreBonding(own, evaluate(own)).reduce((sum, { mass }) => sum + mass, 0);
    };
    const cored = boat.parts.flatMap(({ zones }) =>
      zones.flatMap(({ id, geometry }) =>
        evaluate(boat)
          .get(id)!
          .layers.filter(({ material }) => material.kind === 'core')
          .map(({ thickness }) => ({ area: geometry.area, volume: geometry.area * thickness })),
      ),
    );
    const total = (pick: 'area' | 'volume') => cored.reduce((sum, one) => sum + one[pick], 0);
    expect(by({ coreBond: 0.8, kerfShare: 0 })).toBeCloseTo(0.8 * total('area'), 9);
    const resin = boat.materials.find(({ id }) => id === boat.brief.resin)!;
    const density = resin.kind === 'resin' ? resin.density.value : NaN;
    expect(by({ coreBond: 0, kerfShare: 0.05 })).toBeCloseTo(0.05 * total('volume') * density, 9);
    expect(by({ coreBond: 0, kerfShare: 0 })).toBe(0);
  });
  it('of a part that is made three times is three times as much, in mass, materials and laps', () => {
    const thrice = { ...boat, parts: boat.parts.map((part, i) => (i === 3 ? { ...part, number: 3 } : part)) };
    const of = (own: Boat) => weigh(own).filter(({ group }) => group === boat.parts[3]!.id);
    const sum = (some: Mass[], pick: (mass: Mass) => number) => some.reduce((total, one) => total + pick(one), 0);
    for (const pick of [(one: Mass) => one.mass, (one: Mass) => one.volume, (one: Mass) => one.scatter.fibre])
      expect(sum(of(thrice), pick) / sum(of(boat), pick)).toBeCloseTo(3, 9);
    const laid = (own: Boat) => boatWeight(own, evaluate(own), evaluateDetails(own));
    const list = (own: Boat) =>
      materialList(own, evaluate(own), evaluateDetails(own)).reduce((total, { mass }) => total + mass, 0);
    const more = laid(thrice).mass - laid(boat).mass;
    expect(more).toBeGreaterThan(10);
    expect(list(thrice) - list(boat)).toBeCloseTo(more, 6);
  });
  it('moved all alike moves the centre alike and leaves the radii', () => {
    const moved = masses.map((mass) => ({
      ...mass,
      centre: [mass.centre[0] + 0.3, mass.centre[1] - 0.1, mass.centre[2] + 0.2] as const,
      centreAt: undefined,
    })) as unknown as Mass[];
    const [was, is] = [masses, moved].map((all) => loadingOf(all, 'light')!);
    expect(is!.centre.map((value, k) => value - was!.centre[k]!)).toEqual(
      [0.3, -0.1, 0.2].map((value) => expect.closeTo(value, 9)),
    );
    is!.radii.forEach((radius, k) => expect(radius).toBeCloseTo(was!.radii[k]!, 9));
  });
  it('spreads a mirrored skin over both hands: its middle lies on the centreline', () => {
    for (const { of, centre } of masses) if (of === 'zone') expect(Math.abs(centre[1])).toBeLessThan(0.02);
    const one = { ...boat, parts: boat.parts.map((part) => ({ ...part, zones: part.zones.map((z) => ({ ...z })) })) };
    one.parts[0]!.zones[0] = { ...one.parts[0]!.zones[0]!, hand: 'port' };
    expect(weigh(one).find(({ id }) => id === one.parts[0]!.zones[0]!.id)!.centre[1]).toBeLessThan(-0.2);
  });
  it('says what a mass costs that is moved: the same centre as weighing anew', () => {
    const loading = loadingOf(masses, 'full')!;
    fc.assert(
      fc.property(
        fc.constantFrom(...boat.items),
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: -0.5, max: 2, noNaN: true }),
        (one, dz, share) => {
          const of = aboardIn(masses, 'full').find(({ mass }) => mass.id === one.id)!;
          const change = { mass: share * of.mass.mass, move: [0, 0, dz] as const };
          const said = shifted(loading, { mass: of.mass.mass, at: of.at }, change);
          const items = boat.items.map((each) =>
            each.id === one.id ? { ...each, mass: each.mass * (1 + share), z: each.z + dz } : each,
          );
          const anew = loadingOf(weigh({ ...boat, items }), 'full')!;
          expect(said.mass).toBeCloseTo(anew.mass, 6);
          // The item's own length turns with it, and does not move the centre.
          expect(said.centre[2]).toBeCloseTo(anew.centre[2], 9);
        },
      ),
      { numRuns: 12 },
    );
  });
});

describe('what goes by its size', () => {
  it('paint is area by film by density, where it lies; a bead its section by its length', () => {
    const bottom = boat.parts.flatMap(({ zones }) => zones).filter(({ location }) => location === 'bottom');
    const area = bottom.reduce((sum, { geometry }) => sum + geometry.area, 0);
    const found = paintOver(boat, ['bottom'], { thickness: 0.0004, density: 1500 })!;
    expect(found.area).toBeCloseTo(area, 9);
    expect(found.mass).toBeCloseTo(0.6 * area, 9);
    expect(found.centre[2]).toBeLessThan(0.4);
    expect(paintOver(boat, [], { thickness: 0.0004, density: 1500 })).toBeNull();
    expect(beadMass(12, 2e-4, 1250)).toBeCloseTo(3, 9);
  });
});

describe('the band of a total', () => {
  const mass = (id: string, scatter: Partial<Mass['scatter']>): Mass => ({
    ...masses[0]!,
    id,
    mass: 100,
    scatter: { fibre: 0, core: 0, film: 0, own: 0, ...scatter },
  });
  it('adds what is off alike, and squares what is off each on its own', () => {
    expect(massBand([mass('a', { fibre: 3 }), mass('b', { fibre: 4 })]).standardDeviation).toBeCloseTo(7, 9);
    expect(massBand([mass('a', { own: 3 }), mass('b', { own: 4 })]).standardDeviation).toBeCloseTo(5, 9);
    const both = massBand([mass('a', { fibre: 3, own: 4 }), mass('b', { fibre: 1, core: 2 })]);
    expect(both.standardDeviation).toBeCloseTo(Math.hypot(4, 2, 4), 9);
    expect(both.p95 - both.p05).toBeCloseTo(2 * 1.644854 * Math.hypot(4, 2, 4), 4);
  });
  it('is carried in shares that add up to one, the largest first', () => {
    const { carriers, sources } = massBand(masses);
    expect(carriers.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    expect(carriers[0]!.share).toBeGreaterThanOrEqual(carriers.at(-1)!.share);
    expect(sources).toHaveLength(4);
  });
  it('is wider for what is estimated than for what was weighed', () => {
    const by = (state: Item['state']) =>
      massBand(weigh({ ...boat, items: boat.items.map((one) => ({ ...one, state, scatter: null })) }))
        .standardDeviation;
    expect(by('estimated')).toBeGreaterThan(by('quoted'));
    expect(by('quoted')).toBeGreaterThan(by('weighed'));
  });
  it('of a fabric follows its fibre fraction: half as fine a process, twice the band', () => {
    const [zone] = masses.filter(({ of }) => of === 'zone');
    const bottom = evaluate(boat).get(zone!.id)!;
    const area = boat.parts[0]!.zones[0]!.geometry.area;
    // By hand: fibre f and resin r, ψ = f/(f + r); 0.01 of ψ is f/ψ² · 0.01 of the mass.
    const byHand = bottom.layers.reduce((sum, { material, fibreMass: f, resinMass: r }) => {
      return material.kind === 'fabric' ? sum + (f / (f / (f + r)) ** 2) * area : sum;
    }, 0);
    expect(zone!.scatter.fibre).toBeCloseTo(byHand * PROCESSES[boat.brief.process].scatter, 9);
  });
});

describe('how she lies', () => {
  it('lightest floats highest; more load puts the least freeboard lower', () => {
    const [light, half, full] = (['light', 'half', 'full'] as const).map((condition) => floated(boat, condition));
    expect(light!.draughts.middle).toBeLessThan(half!.draughts.middle);
    expect(half!.draughts.middle).toBeLessThan(full!.draughts.middle);
    expect(full!.least.height).toBeLessThan(light!.least.height);
    expect(full!.loading.mass / 1025).toBeCloseTo(full!.volume, 6);
  });
  it('a weight to starboard heels her to starboard, one aft lifts her bow, one high up takes stability', () => {
    const bare = floated(boat, 'light');
    const with_ = (more: Partial<Item>) => floated({ ...boat, items: [...boat.items, item(more)] }, 'light');
    const [x, , z] = bare.loading.centre;
    expect(with_({ mass: 100, x, y: 1, z }).heelDeg).toBeGreaterThan(bare.heelDeg + 0.5);
    expect(with_({ mass: 100, x: 0, y: 0, z }).trimDeg).toBeGreaterThan(bare.trimDeg + 0.2);
    expect(with_({ mass: 100, x, y: 0, z: 3 }).gmAcross).toBeLessThan(bare.gmAcross - 0.03);
  });
  it('the heel of a small weight is its moment over mass and GM', () => {
    const level = { ...boat, items: boat.items.map((one) => ({ ...one, y: 0 })) };
    const { gmAcross, loading } = floated(level, 'light');
    const [x, , z] = loading.centre;
    const tilted = floated({ ...level, items: [...level.items, item({ mass: 10, number: 1, x, y: 1, z })] }, 'light');
    const angle = (tilted.heelDeg * Math.PI) / 180;
    expect(angle / (10 / (tilted.loading.mass * gmAcross))).toBeCloseTo(1, 1);
  });
  it('floats deeper in fresh water by the ratio of densities', () => {
    const fresh = floated({ ...boat, brief: { ...boat.brief, water: 'fresh' } }, 'full');
    expect(fresh.volume / floated(boat, 'full').volume).toBeCloseTo(1.025, 6);
  });
  it('with a compartment open to the sea displaces as much as before, deeper and down by that end', () => {
    const fore = boat.spaces.find(({ name }) => name === 'Forepeak')!;
    const [whole, open] = [floated(boat, 'full'), floated(boat, 'full', [fore])];
    expect(open.volume).toBeCloseTo(whole.volume, 6);
    expect(open.trimDeg).toBeLessThan(whole.trimDeg);
    expect(open.draughts.fore).toBeGreaterThan(whole.draughts.fore);
  });
  it('says that she goes under, or that there is no shape', () => {
    const sunk = { ...boat, items: [...boat.items, item({ mass: 60_000, x: 3, y: 0, z: 0.4 })] };
    expect(floatIn(sunk, weigh(sunk), 'light')).toMatchObject({ reason: expect.stringContaining('weighs more') });
    const drawn = { ...boat, hull: null };
    expect(floatIn(drawn, weigh(drawn), 'light')).toMatchObject({ reason: expect.stringContaining('no shape') });
  });
  it('a slack tank takes ρ i from her GM, one pair of tanks less than one across', () => {
    const fuel = boat.spaces.find(({ kind }) => kind === 'tank')!;
    const across = { ...boat, spaces: boat.spaces.map((one) => (one === fuel ? { ...one, inner: 0 } : one)) };
    const [pair, one] = [boat, across].map((own) => floated(own, 'half').freeSurfaceLoss);
    expect(one!).toBeGreaterThan(4 * pair!);
    const filled = filledBy(bodyOfSpace(shapeOf(boat)!, fuel), 0.5)!;
    const half = floated(boat, 'half');
    expect(half.freeSurfaceLoss).toBeCloseTo((filled.freeSurface * 840) / half.loading.mass, 9);
  });
});

describe('full of water', () => {
  const small = brant();
  it('the daysailer floats by her foam and her laminate, and counts a locker with a hatch only when asked', () => {
    const all = weigh(small);
    const [open, closed] = [false, true].map((openable) => swamped(small, all, { openable, foamDensity: 35 }));
    expect(open!.lifted).toBeGreaterThan(open!.weighs);
    expect(closed!.lifted).toBeGreaterThan(open!.lifted);
    expect(open!.lifts.find(({ of }) => of === 'compartment')!.leftOut).toContain('may be open');
    expect('reason' in open!.state).toBe(false);
    if (!('reason' in open!.state)) expect(open!.state.volume * 1025).toBeCloseTo(open!.weighs, 3);
  });
  it('without her foam she goes down, and is told how much is wanting: with that much she floats again', () => {
    const bare = { ...small, spaces: [] };
    const found = swamped(bare, weigh(bare), { openable: false, foamDensity: 30 });
    if (found.lifted > found.weighs) throw new Error('She floats without foam');
    expect(found.state).toMatchObject({ reason: expect.stringContaining('goes down') });
    expect(found.foamWanted).toBeCloseTo((found.weighs - found.lifted) / (1025 - 30), 9);
    const [foam] = small.spaces.filter(({ kind }) => kind === 'foam');
    const volume = solid(bodyOfSpace(shapeOf(small)!, foam!))!.volume;
    const enough = { ...foam!, filled: (1.05 * found.foamWanted) / volume, uptake: 0, density: 30 } as typeof foam;
    const again = { ...small, spaces: [enough!] };
    const then = swamped(again, weigh(again), { openable: false, foamDensity: 30 });
    expect(then.lifted).toBeGreaterThan(then.weighs);
  });
  it('the cells of a honeycomb fill: only its walls displace water', () => {
    const honeycomb = boat.materials.map((one) =>
      one.kind === 'core' ? { ...one, behaviour: 'honeycomb' as const } : one,
    );
    const of = (own: Boat) => weigh(own).reduce((sum, mass) => sum + (mass.of === 'zone' ? mass.volume : 0), 0);
    expect(of({ ...boat, materials: honeycomb })).toBeLessThan(0.75 * of(boat));
  });
  it('people lift nothing, water taken up by foam lifts less, and an open space lifts not at all', () => {
    const all = weigh(small);
    const { lifts } = swamped(small, all, { openable: true, foamDensity: 35 });
    expect(lifts.some(({ name }) => name.startsWith('Crew'))).toBe(false);
    const change = (more: object) => {
      const own = { ...small, spaces: small.spaces.map((one) => ({ ...one, ...more })) } as Boat;
      return swamped(own, weigh(own), { openable: true, foamDensity: 35 }).lifted;
    };
    expect(change({ uptake: 0.3 })).toBeLessThan(change({ uptake: 0 }));
    expect(change({ closure: 'vented' })).toBeLessThan(change({ closure: 'tight' }));
  });
});

describe('the rooms of a boat', () => {
  it('lie between her bulkheads and fill her from end to end; more under soles and pans', () => {
    const rooms = roomsOf(boat);
    const between = rooms.filter(({ name }) => name.startsWith('Between'));
    const bulkheads = boat.parts.flatMap(({ zones }) => zones).filter(({ region }) => region?.surface === 'section');
    expect(between).toHaveLength(bulkheads.length + 1);
    between.slice(1).forEach(({ from }, i) => expect(from).toBe(between[i]!.to));
    const shape = shapeOf(boat)!;
    const volumeOf = (room: (typeof rooms)[number]) => {
      const space = { ...boat.spaces.find(({ kind }) => kind === 'compartment')!, ...room, inner: 0, outer: null };
      return solid(bodyOfSpace(shape, space))?.volume ?? 0;
    };
    const whole = volumeOf({ ...between[0]!, from: between[0]!.from, to: between.at(-1)!.to });
    expect(between.reduce((sum, room) => sum + volumeOf(room), 0) / whole).toBeCloseTo(1, 2);
    expect(rooms.some(({ name }) => name.startsWith('Under Cockpit sole'))).toBe(true);
    expect(roomsOf({ ...boat, hull: null })).toEqual([]);
  });
});

describe('a table of soundings', () => {
  it('runs from empty to full, never down, and half the volume stands where half is filled', () => {
    const body = bodyOfSpace(shapeOf(boat)!, boat.spaces[0]!);
    const table = soundings(body, 20);
    expect(table[0]).toMatchObject({ sounding: 0, volume: expect.closeTo(0, 9) });
    expect(table.at(-1)!.share).toBe(1);
    table.slice(1).forEach(({ volume }, i) => expect(volume).toBeGreaterThanOrEqual(table[i]!.volume));
    const half = filledBy(body, 0.5)!;
    expect(half.volume / solid(body)!.volume).toBeCloseTo(0.5, 6);
    const [low, high] = heightsOf(body)!;
    expect(half.level).toBeGreaterThan(low);
    expect(half.level).toBeLessThan(high);
  });
});

describe('what is not counted', () => {
  const missing = (own: Boat) => notCounted(own, weigh(own), evaluate(own), []).map(({ id }) => id);
  it('is nothing in either demo boat; without items every kind asked for, until it is said to be absent', () => {
    expect(missing(boat)).toEqual([]);
    expect(missing(brant())).toEqual([]);
    const bare = { ...boat, items: [], spaces: [] };
    const open = missing(bare);
    expect(open).toContain('engine');
    expect(open).not.toContain('rig');
    const said = { ...bare, brief: { ...bare.brief, absent: ['engine', 'people'] as Boat['brief']['absent'] } };
    expect(missing(said)).toEqual(open.filter((id) => id !== 'engine' && id !== 'people'));
  });
  it('names a zone in which nothing is laid and a tank that lies outside the boat', () => {
    const parts = boat.parts.map((part) => ({ ...part, layers: [] }));
    expect(missing({ ...boat, parts }).filter((id) => id.startsWith('zone-')).length).toBeGreaterThan(5);
    const spaces = boat.spaces.map((space) => ({ ...space, from: 30, to: 31 }));
    expect(missing({ ...boat, spaces })).toContain('space-space-1');
  });
});
