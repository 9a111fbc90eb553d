import { describe, expect, it } from 'vitest';
import { brant, merrow, zoneOf } from '../../../tests/helpers/merrow';
import { SHIPPED_PACKS, type StandardPack } from '../standard';
import {
  analysePanel,
  evaluateStiffeners,
  evaluateZone,
  makeEvaluator,
  marginBand,
  matchZone,
  panelWorking,
  sectionProperties,
  stiffenerMasses,
  stiffenerWorking,
} from '.';
import { applyEdits, boundariesOf, moveBoundary, type Edit } from '../edit';
import { boatToJson, coverOf, derivedGeometry, newBoat, settleGeometry, type Boat } from '../document';

const boat = merrow();
const edited = (of: Boat, ...edits: Edit[]) => applyEdits(of, edits).boat;
const zoneIn = (of: Boat, id: string) => of.parts.flatMap((part) => part.zones).find((zone) => zone.id === id)!;

describe('zones from geometry', () => {
  it.each([['Merrow 84', boat] as const, ['Brant 56', brant()] as const, ['a new boat', newBoat('New')] as const])(
    '%s stands as its geometry gives it, and can be checked',
    (_, one) => {
      expect(boatToJson(settleGeometry({ ...one, hull: null }, one))).toBe(boatToJson(one));
      for (const zone of one.parts.flatMap((part) => part.zones)) expect(zone.region, zone.name).not.toBeNull();
    },
  );
  const hullOf = (of: Boat) => coverOf(of).find(({ name }) => name === 'Hull with transom')!;
  it('the zones of the demo boats cover the whole skin and hardly anything twice; a gap and an overlap show', () => {
    for (const one of [boat, brant(), newBoat('New')]) {
      const { covered, twice, whole } = hullOf(one);
      expect(covered / whole).toBeGreaterThan(0.99);
      expect(covered / whole).toBeLessThan(1 + 1e-9);
      expect(twice / whole).toBeLessThan(0.01);
    }
    expect(() => edited(boat, { type: 'zone.remove', zoneId: 'side-aft' })).toThrow('Side aft is in use');
    const bare = { ...boat, details: [] };
    const gap = hullOf(edited(bare, { type: 'zone.remove', zoneId: 'side-aft' }));
    expect((gap.whole - gap.covered) / zoneIn(boat, 'side-aft').geometry.area).toBeCloseTo(1, 1);
    const region = { ...zoneIn(boat, 'side-aft').region!, to: 6 } as NonNullable<ReturnType<typeof zoneIn>['region']>;
    const over = hullOf(edited(boat, { type: 'zone.set', zoneId: 'side-aft', patch: { region } }));
    expect(over.twice / over.whole).toBeGreaterThan(0.05);
    expect(over.again).toEqual(expect.arrayContaining(['Side aft', 'Side forward']));
    // A gap and an overlap of one size do not cancel.
    expect(over.covered).toBeLessThanOrEqual(over.whole * (1 + 1e-9));
  });
  it('deck, superstructure, cockpit, bulkheads and liner are covered each by itself', () => {
    const names = coverOf(boat).map(({ name }) => name);
    expect(names).toEqual(['Hull with transom', 'Deck', 'Superstructure', 'Cockpit', 'Bulkheads', 'Liner']);
    const open = { ...boat, supports: [], details: [] };
    const bare = edited(open, { type: 'zone.remove', zoneId: zoneOf(boat, 'Wheelhouse top')[1].id });
    const house = coverOf(bare).find(({ name }) => name === 'Superstructure')!;
    expect(house.whole - house.covered).toBeCloseTo(zoneOf(boat, 'Wheelhouse top')[1].geometry.area, 3);
    const [part, pan] = zoneOf(boat, 'Liner pan');
    const again = edited(boat, {
      type: 'zone.add',
      partId: part.id,
      zone: { ...pan, id: 'pan-again', name: 'Pan again' },
      index: 0,
      coveredBy: [],
    });
    const liner = coverOf(again).find(({ name }) => name === 'Liner')!;
    expect(liner.twice).toBeCloseTo(pan.geometry.area, 3);
    expect([...liner.again].sort()).toEqual(['Liner pan', 'Pan again']);
  });
  it('an override stands whatever the geometry does, is let go again, and undo brings it back', () => {
    const { id, geometry } = zoneOf(boat, 'Bottom forward')[1];
    const over: Edit = {
      type: 'zone.set',
      zoneId: id,
      patch: { geometry: { ...geometry, area: 9.9 }, overridden: ['area'] },
    };
    const held = edited(boat, over, { type: 'brief.set', patch: { chineBeam: 2.3 } });
    expect(zoneIn(held, id).geometry.area).toBe(9.9);
    expect(zoneIn(held, id).geometry.panelBreadth).not.toBe(geometry.panelBreadth);
    const { boat: released, inverse } = applyEdits(held, [{ type: 'zone.set', zoneId: id, patch: { overridden: [] } }]);
    expect(zoneIn(released, id).geometry).toEqual(derivedGeometry(released, zoneIn(released, id)));
    expect(applyEdits(released, inverse).boat).toEqual(held);
  });
  it(
    'a bulkhead that moves changes the panels of the hull and its ' + 'own area, and nothing of what it does not touch',
    () => {
      const boundary = boundariesOf(boat).find(({ label }) => label === 'Collision bulkhead')!;
      const moved = edited(boat, ...moveBoundary(boat, boundary, boundary.x + 0.4));
      const [was, is] = [zoneIn(boat, 'bulkhead-fwd'), zoneIn(moved, 'bulkhead-fwd')];
      expect(is.geometry.centroidX).toBeCloseTo(was.geometry.centroidX + 0.4, 3);
      expect(is.geometry.area).toBeLessThan(was.geometry.area);
      expect(zoneIn(moved, 'transom')).toBe(zoneIn(boat, 'transom'));
      expect(zoneIn(moved, 'liner-seats')).toBe(zoneIn(boat, 'liner-seats'));
    },
  );
  it('the edge between two zones moves both, keeps their sum, and stays on the boat', () => {
    const boundary = boundariesOf(boat).find(({ kind, x, on }) => kind === 'zone' && on === 'hull' && x === 4.3)!;
    const sum = (of: Boat) => ['side-fwd', 'side-aft'].reduce((total, id) => total + zoneIn(of, id).geometry.area, 0);
    const moved = edited(boat, ...moveBoundary(boat, boundary, 3.6));
    expect(zoneIn(moved, 'side-fwd').geometry.area).toBeGreaterThan(zoneIn(boat, 'side-fwd').geometry.area);
    expect(sum(moved)).toBeCloseTo(sum(boat), 1);
    expect(() => edited(boat, ...moveBoundary(boat, boundary, 99))).toThrow('Bottom forward has no surface');
    expect(zoneIn(edited(boat, ...moveBoundary(boat, boundary, 1)), 'side-aft').geometry.area).toBeLessThan(
      zoneIn(boat, 'side-aft').geometry.area / 2,
    );
  });
  it('refuses geometry that leaves a zone without surface, or a hull that contradicts the brief', () => {
    expect(() => edited(boat, { type: 'deck.set', deck: { ...boat.deck, cockpit: null } })).toThrow(
      'Cockpit sole has no surface: the deck has no cockpit',
    );
    expect(() => edited(boat, { type: 'hull.set', hull: null })).toThrow('takes its figures from the hull');
    expect(() => edited(boat, { type: 'brief.set', patch: { waterlineLength: 8.3 } })).toThrow('less rake');
  });
});

describe('direct panel analysis', () => {
  const [part, zone] = zoneOf(boat, 'Bottom forward');
  const base = analysePanel(boat, part, zone);
  const withCase = (patch: Partial<typeof base.panelCase>) => {
    const changed = edited(boat, {
      type: 'zone.set',
      zoneId: zone.id,
      patch: { panelCase: { ...base.panelCase, ...patch } },
    });
    return analysePanel(changed, changed.parts[0]!, zoneIn(changed, zone.id));
  };
  const reserve = (of: typeof base, id: string) => of.reserves.find((one) => one.id === id)!.reserveFactor;
  it('finds plies, core, wrinkling and deflection, the least of them governing', () => {
    expect(base.reserves.map(({ id }) => id)).toEqual(['plies', 'coreShear', 'wrinkling', 'deflection']);
    expect(base.governing.reserveFactor).toBe(Math.min(...base.reserves.map(({ reserveFactor }) => reserveFactor)));
    expect(base.pressure).toBe(evaluateZone(boat, part, zone).pressure!.pressure);
  });
  it('looser edges deflect more and break elsewhere; a patch takes from every reserve', () => {
    const loose = withCase({ fixity: 0 });
    expect(loose.deflection.value).toBeGreaterThan(1.5 * base.deflection.value);
    expect(loose.reserves[0]!.where).toBe('middle of the panel');
    const patched = withCase({ patch: { force: 3000, length: 0.2, breadth: 0.15 } });
    for (const { id, reserveFactor } of base.reserves) expect(reserve(patched, id), id).toBeLessThan(reserveFactor);
  });
  it('has a working that ends in its reserves', () => {
    expect(
      panelWorking(base)
        .slice(-4)
        .map(({ value }) => value),
    ).toEqual(base.reserves.map(({ reserveFactor }) => reserveFactor));
  });
  it('every zone of both demo boats can be analysed', () => {
    for (const one of [boat, brant()])
      for (const owner of one.parts)
        for (const each of owner.zones)
          expect(analysePanel(one, owner, each, { detail: false }).governing.reserveFactor, each.name).toBeGreaterThan(
            0.5,
          );
  });
});

describe('by match, and as specified', () => {
  const [part, zone] = zoneOf(boat, 'Bottom aft');
  const layers = part.layers
    .filter((layer) => layer.zones.includes(zone.id))
    .map(({ material, angleDeg, thickness, role }) => ({ material, angleDeg, thickness, role }));
  const asReference: Edit[] = [
    { type: 'reference.add', item: { id: 'own', name: 'As it was', note: '', layers }, index: 0 },
    { type: 'zone.set', zoneId: zone.id, patch: { match: 'own', specified: 'own' } },
  ];
  const matched = edited(boat, ...asReference);
  it('a laminate matches itself in everything, and fails when a layer goes', () => {
    const match = matchZone(matched, matched.parts[0]!, zoneIn(matched, zone.id))!;
    expect(match.ratios.every(({ ratio }) => Math.abs(ratio - 1) < 1e-9)).toBe(true);
    const thinner = edited(matched, {
      type: 'layer.cover',
      layerId: part.layers[3]!.id,
      zoneId: zone.id,
      covered: false,
    });
    expect(matchZone(thinner, thinner.parts[0]!, zoneIn(thinner, zone.id))!.governing.ratio).toBeLessThan(0.9);
    expect(matchZone(boat, part, zone)).toBeNull();
  });
  it('the pack "as specified" counts its layers, the others stay as they were', () => {
    const packed = edited(matched, { type: 'pack.add', item: SHIPPED_PACKS[3] as StandardPack, index: 9 });
    const check = (of: Boat) =>
      evaluateZone(of, of.parts[0]!, zoneIn(of, zone.id)).checks.find(({ id }) => id === 'specifiedLayers')!;
    expect(check(packed).reserveFactor).toBe(1);
    const thinner = edited(packed, {
      type: 'layer.cover',
      layerId: part.layers[3]!.id,
      zoneId: zone.id,
      covered: false,
    });
    expect(check(thinner).reserveFactor).toBeLessThan(1);
    expect(evaluateZone(packed, part, zoneIn(packed, 'transom')).notChecked.join()).toContain('no schedule is given');
  });
  it('a reference in use cannot go, nor a pack that gives the pressures', () => {
    expect(() => edited(matched, { type: 'reference.remove', id: 'own' })).toThrow('is in use');
    expect(() => edited(boat, { type: 'pack.remove', id: boat.packs[0]!.id })).toThrow('first pack');
  });
});

describe('bands', () => {
  const [part, zone] = zoneOf(boat, 'Bottom forward');
  const draw = (seed: number, draws = 300) => marginBand(boat, part, zone, { seed, draws })!;
  it('one seed gives one band, another nearly the same; the rule lies within it', () => {
    expect(draw(1)).toEqual(draw(1));
    expect(draw(2)).not.toEqual(draw(1));
    expect(draw(2, 1500).p50).toBeCloseTo(draw(1, 1500).p50, 1);
    const { reserveFactor } = evaluateZone(boat, part, zone).governing!;
    expect(draw(1).p05).toBeLessThan(reserveFactor);
    expect(draw(1).p95).toBeGreaterThan(draw(1).p50);
    expect(draw(1).failing).toBeGreaterThan(0.5);
  });
  it('a zone that cannot be checked has none', () => {
    const empty = edited(
      boat,
      ...part.layers
        .filter((layer) => layer.zones.includes(zone.id))
        .map((layer): Edit => ({ type: 'layer.cover', layerId: layer.id, zoneId: zone.id, covered: false })),
    );
    expect(marginBand(empty, empty.parts[0]!, zoneIn(empty, zone.id), { seed: 1, draws: 10 })).toBeNull();
  });
});

describe('stiffeners', () => {
  const all = evaluateStiffeners(boat);
  it('every member with a section is checked on its worst span, and its working ends in the reserves', () => {
    for (const e of all.filter(({ section }) => section !== null)) {
      expect(e.problem).toBeNull();
      expect(e.worst!.checks.length).toBeGreaterThanOrEqual(11);
      expect(
        stiffenerWorking(boat, e)
          .slice(-e.worst!.checks.length)
          .map(({ value }) => value),
      ).toEqual(e.worst!.checks.map(({ reserveFactor }) => reserveFactor));
    }
  });
  it('show each check on the span where it is worst, and the working of that span', () => {
    let elsewhere = 0;
    for (const e of all.filter(({ worst }) => worst !== null)) {
      for (const check of e.checks) {
        const least = Math.min(
          ...e.spans.flatMap(({ checks }) =>
            checks.filter(({ id }) => id === check.id).map((one) => one.reserveFactor),
          ),
        );
        expect(check.reserveFactor, `${e.support.name}: ${check.name}`).toBe(least);
        const at = check.on.checks.findIndex(({ id }) => id === check.id) - check.on.checks.length;
        expect(stiffenerWorking(boat, e, check.on).at(at)!.value).toBe(least);
        if (check.on !== e.worst) elsewhere++;
      }
      expect(e.governing!.reserveFactor).toBe(Math.min(...e.checks.map(({ reserveFactor }) => reserveFactor)));
    }
    // A longer span with less spacing may be worse for its web, and better for its crown.
    expect(elsewhere).toBeGreaterThan(0);
  });
  it('gain by a crown of more layers and by height; lose by a wider spacing', () => {
    const least = (of: Boat, id: string) => evaluateStiffeners(of).find((e) => e.support.id === id)!;
    const section = boat.sections[0]!;
    const heavier = edited(boat, {
      type: 'section.set',
      item: { ...section, layers: [...section.layers, section.layers.at(-1)!] },
    });
    const taller = edited(boat, { type: 'section.set', item: { ...section, height: section.height * 1.3 } });
    const before = least(boat, 'floor-3');
    expect(least(heavier, 'floor-3').worst!.EI).toBeGreaterThan(before.worst!.EI);
    expect(least(taller, 'floor-3').worst!.EI).toBeGreaterThan(1.3 * before.worst!.EI);
    const fewer = edited(boat, { type: 'support.remove', id: 'floor-4' });
    expect(least(fewer, 'floor-3').governing!.reserveFactor).toBeLessThan(before.governing!.reserveFactor);
  });
  it('weigh what their layers and former do, and are in the list of masses', () => {
    for (const section of boat.sections) {
      const { mass, fibre, resin, core } = sectionProperties(boat, section);
      expect(fibre + resin + core).toBeCloseTo(mass, 9);
    }
    expect(stiffenerMasses(boat).reduce((sum, { mass }) => sum + mass, 0)).toBeCloseTo(
      all.reduce((sum, { mass }) => sum + mass, 0),
      9,
    );
  });
  it('a flat bar has one wall and no crown', () => {
    const one = brant();
    const bar = one.sections.find(({ kind }) => kind === 'flatBar')!;
    expect(sectionProperties(one, bar).crown).toBeNull();
  });
  it('refuses a section without a web or of unknown fabric', () => {
    const section = boat.sections[0]!;
    expect(() =>
      edited(boat, {
        type: 'section.set',
        item: { ...section, layers: section.layers.map((layer) => ({ ...layer, web: false })) },
      }),
    ).toThrow('down its web');
    expect(() => edited(boat, { type: 'section.set', item: { ...section, former: 'bx45-600' } })).toThrow(
      '"Former" must be a core of this boat',
    );
    expect(() => edited(boat, { type: 'section.remove', id: section.id })).toThrow(
      'Frame hat 140 is in use: Frame aft has it',
    );
  });
});

describe('several packs at once', () => {
  it('each brings its checks; the least of all governs; the evaluator sees the change', () => {
    const evaluate = makeEvaluator();
    const before = evaluate(boat).get('side-fwd')!;
    const after = evaluate(edited(boat, { type: 'pack.add', item: SHIPPED_PACKS[2] as StandardPack, index: 1 })).get(
      'side-fwd',
    )!;
    expect(after.checks.length).toBe(2 * before.checks.length);
    expect(after.governing!.pack).toBe('workboat-uplift');
    expect(after.governing!.reserveFactor).toBeLessThan(before.governing!.reserveFactor);
    expect(after.pressure).toEqual(before.pressure);
  });
  it('a boat outside the method says so on every zone', () => {
    const narrow = edited(boat, {
      type: 'pack.set',
      item: { ...boat.packs[0]!, applicability: { hullLength: [2.5, 7], maxSpeedKnots: [0, 50] } } as StandardPack,
    });
    for (const e of makeEvaluator()(narrow).values()) expect(e.problem).toContain('covers hulls of {{length 2.5 7}}');
  });
});
