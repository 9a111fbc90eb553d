import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { evaluateDetails } from '../detail/kinds';
import {
  boatFromJson,
  boatToJson,
  checkBoat,
  newBoat,
  scaleBoat,
  scaledBrief,
  settleGeometry,
  templateFromJson,
  templateToJson,
  type Boat,
} from '../document';
import { evaluateStiffeners, makeEvaluator, targetOf } from '../evaluate';
import { GENERIC_MATERIALS, PROCESSES, type Process } from '../material';
import { USUAL_HABITS, firstLayup, growSections, newBoatFrom, type NewBoatOrder } from '.';

const reserves = (boat: Boat) =>
  [...makeEvaluator()(boat).values()].map(({ governing, unproven }) =>
    unproven.length > 0 ? null : (governing?.reserveFactor ?? null),
  );
const order = (change: Partial<NewBoatOrder> = {}): NewBoatOrder => ({
  name: 'Teal 62',
  particulars: {},
  process: null,
  layup: 'first',
  parts: null,
  ...change,
});
const begin = (source: Boat, change: Partial<NewBoatOrder> = {}) =>
  newBoatFrom(source, order(change), GENERIC_MATERIALS);

describe('the brief of a boat of another size', () => {
  const { brief } = merrow();
  it('by hand: twice as long and as broad is eight times as heavy, at 1.41 times the speed', () => {
    const twice = scaledBrief(brief, { hullLength: 2 * brief.hullLength });
    expect(twice).toMatchObject({ maximumBeam: 5.7, waterlineLength: 15, chineBeam: 4.4 });
    expect(twice.loadedMass / brief.loadedMass).toBeCloseTo(8, 3);
    expect(twice.weightTarget / brief.weightTarget).toBeCloseTo(8, 2);
    expect(twice.maxSpeedKnots / brief.maxSpeedKnots).toBeCloseTo(Math.SQRT2, 2);
  });
  it('has every figure that is given as it is given, and what follows inside its range', () => {
    expect(scaledBrief(brief, { hullLength: 9, loadedMass: 5000, maxSpeedKnots: 22 })).toMatchObject({
      hullLength: 9,
      loadedMass: 5000,
      maxSpeedKnots: 22,
    });
    expect(scaledBrief(brief, { hullLength: 24 }).maxSpeedKnots).toBeLessThanOrEqual(50);
    expect(scaledBrief(brief, {})).toEqual(brief);
  });
});

describe('a scaled boat', () => {
  it('of the same particulars is the same boat', () => {
    for (const boat of [merrow(), brant()]) {
      const settled = settleGeometry({ ...boat, hull: null }, boat);
      expect(scaleBoat(boat, {})).toEqual(settled);
    }
  });
  it('has what stands on its stiffeners where it stood in proportion', () => {
    const at = (boat: Boat) => boat.supports.flatMap((one) => ('loadAt' in one ? [one.loadAt] : []));
    const [was, is] = [merrow(), scaleBoat(merrow(), { hullLength: 16.8 })].map(at);
    expect(was).toContain(2.95);
    expect(is).toEqual(was!.map((x) => (x === null ? null : 2 * x)));
  });
  it('has areas that grow with length and girth, and keeps its layers, sections and loads', () => {
    const boat = merrow();
    const scaled = scaleBoat(boat, { hullLength: 1.2 * boat.brief.hullLength, maximumBeam: 1.2 * 2.85 });
    scaled.parts.forEach((part, p) =>
      part.zones.forEach((zone, z) => {
        const before = boat.parts[p]!.zones[z]!;
        expect(zone.geometry.area / before.geometry.area, zone.name).toBeCloseTo(1.44, 1);
        expect(zone.geometry.centroidX, zone.name).toBeCloseTo(1.2 * before.geometry.centroidX, 1);
      }),
    );
    expect(scaled.parts.map(({ layers }) => layers)).toEqual(boat.parts.map(({ layers }) => layers));
    expect([scaled.sections, scaled.loads]).toEqual([boat.sections, boat.loads]);
    expect(scaled.details.map(({ x }) => x)).toEqual(boat.details.map(({ x }) => x * 1.2));
  });
  it('is larger in every panel when it is longer and broader, and no stronger', () => {
    fc.assert(
      fc.property(fc.double({ min: 1.02, max: 1.5, noNaN: true }), (factor) => {
        const boat = brant();
        const scaled = scaleBoat(boat, { hullLength: Number((5.6 * factor).toFixed(3)) });
        checkBoat(scaled);
        const [was, is] = [makeEvaluator()(boat), makeEvaluator()(scaled)];
        for (const [id, { governing }] of is)
          expect(governing!.reserveFactor, id).toBeLessThan(was.get(id)!.governing!.reserveFactor * 1.02);
      }),
      { numRuns: 12, seed: 56 },
    );
  });
  it('whose particulars contradict each other is refused, with the reason', () => {
    expect(() => scaleBoat(merrow(), { waterlineLength: 12 })).toThrow(/waterline/i);
    expect(() => scaleBoat(merrow(), { hullLength: 60 })).toThrow(/24 m/);
  });
  it('measured from offsets is scaled station by station', () => {
    const stations = [0, 2, 4].map((x) => ({
      x,
      points: [
        [0, 0],
        [1 - x / 8, 0.3],
        [1.1 - x / 8, 1],
      ] as [number, number][],
      chine: 1,
    }));
    const { hull } = merrow();
    const boat: Boat = {
      ...newBoat('Offsets'),
      supports: [],
      parts: [],
      hull: {
        source: 'offsets',
        file: 'a.csv',
        waterline: 0.4,
        transomRakeDeg: 0,
        hardEdges: hull!.hardEdges,
        stations,
      },
    };
    const scaled = scaleBoat(boat, { hullLength: 12, maximumBeam: 4.4 }).hull!;
    expect(scaled).toMatchObject({ source: 'offsets', waterline: 0.8, stations: [{ x: 0 }, { x: 4 }, { x: 8 }] });
    if (scaled.source === 'offsets')
      expect(scaled.stations[0]!.points).toEqual([
        [0, 0],
        [2, 0.6],
        [2.2, 2],
      ]);
  });
});

describe('the first lay-up', () => {
  const processes = Object.keys(PROCESSES) as Process[];
  it.each(processes)('by %s: every zone of both boats proves the target, with fabrics of that yard', (process) => {
    for (const source of [merrow(), brant()]) {
      const { boat, lacking } = begin(source, { process });
      expect(lacking).toEqual([]);
      for (const reserve of reserves(boat)) expect(reserve).toBeGreaterThanOrEqual(targetOf(boat));
      const { coat, skin, single, outer, core, inner, resin } = USUAL_HABITS[process];
      const habit = new Set([coat?.material, ...skin, ...single, ...outer, core.material, ...inner]);
      for (const { material } of boat.parts.flatMap(({ layers }) => layers)) expect(habit.has(material)).toBe(true);
      expect(boat.brief.process).toBe(process);
      expect(boat.brief.resin).toBe(process === source.brief.process ? source.brief.resin : resin);
      expect(boatToJson(boatFromJson(boatToJson(boat)))).toBe(boatToJson(boat));
    }
  });
  it('takes nothing that could be left out: one layer less of a single skin misses the target', () => {
    const { boat } = begin(brant());
    const hull = boat.parts[0]!;
    const repeats = hull.layers.filter(({ material }) => material === 'wr-600-m300');
    const zone = hull.zones.find(({ id }) => repeats.at(-1)!.zones.includes(id))!;
    const less = {
      ...boat,
      parts: boat.parts.map((part, i) =>
        i === 0 ? { ...part, layers: part.layers.filter(({ id }) => id !== repeats.at(-1)!.id) } : part,
      ),
    };
    expect(makeEvaluator()(less).get(zone.id)!.governing!.reserveFactor).toBeLessThan(targetOf(boat));
  });
  it('keeps a core where there was one, coats what is moulded, and no bulkhead', () => {
    const { boat } = begin(merrow());
    const coreOf = (of: Boat, zoneId: string) =>
      of.parts.some(({ layers }) =>
        layers.some(
          ({ material, zones }) =>
            zones.includes(zoneId) && of.materials.find(({ id }) => id === material)!.kind === 'core',
        ),
      );
    for (const zone of merrow().parts.flatMap(({ zones }) => zones))
      expect(coreOf(boat, zone.id), zone.name).toBe(coreOf(merrow(), zone.id));
    const bulkheads = boat.parts.find(({ kind }) => kind === 'bulkhead')!;
    expect(bulkheads.layers.some(({ material }) => material === 'gelcoat-iso')).toBe(false);
    expect(boat.parts[0]!.layers[0]!.material).toBe('gelcoat-iso');
  });
  it('says which zones nothing tried brings to the target, and lays them as heavily as was tried', () => {
    const heavy = { ...brant(), brief: { ...brant().brief, posture: 'beltAndBraces' as const } };
    const pressed: Boat = {
      ...heavy,
      parts: heavy.parts.map((part, i) =>
        i === 0 ? { ...part, zones: part.zones.map((zone) => ({ ...zone, designPressure: 4e6 })) } : part,
      ),
    };
    const { boat, lacking } = firstLayup(pressed, GENERIC_MATERIALS);
    expect(lacking).toContain('bottom-fwd');
    expect(boat.parts[0]!.layers.length).toBeGreaterThan(30);
  });
  it('says what the Shelf lacks', () => {
    const shelf = GENERIC_MATERIALS.filter(({ id }) => id !== 'bx0-600');
    const bare = { ...newBoat('Bare'), brief: { ...newBoat('Bare').brief, process: 'infusion' as const } };
    expect(() => firstLayup(bare, shelf)).toThrow('Neither the boat nor the Shelf has the material "bx0-600"');
  });
});

describe('stiffeners of a larger boat', () => {
  it('grow until they hold, and no further', () => {
    const scaled = scaleBoat(merrow(), { hullLength: 10.9 });
    const least = (boat: Boat) =>
      Math.min(...evaluateStiffeners(boat).map(({ governing }) => governing?.reserveFactor ?? Infinity));
    expect(least(scaled)).toBeLessThan(0.9);
    const grown = growSections(scaled);
    expect(least(grown)).toBeGreaterThanOrEqual(targetOf(grown));
    const hat = (boat: Boat) => boat.sections[0]!;
    expect(hat(grown).height).toBeGreaterThan(hat(scaled).height);
    expect(growSections(grown)).toBe(grown);
    const small = scaleBoat(merrow(), { hullLength: 7 });
    expect(growSections(small).sections).toEqual(small.sections);
  });
  it('thickens walls that no former holds, where they give way sideways, and widens flanges with the height', () => {
    const withSection = (boat: Boat, id: string, patch: Partial<Boat['sections'][number]>): Boat => ({
      ...boat,
      sections: boat.sections.map((one) => (one.id === id ? { ...one, ...patch } : one)),
    });
    const of = (boat: Boat, id: string) => boat.sections.find((one) => one.id === id)!;
    const reserve = (boat: Boat, id: string) =>
      Math.min(
        ...evaluateStiffeners(boat).flatMap(({ section, governing }) =>
          section?.id === id && governing ? [governing.reserveFactor] : [],
        ),
      );
    const bar = of(brant(), 'bar-60');
    const thin = withSection(brant(), 'bar-60', {
      layers: [bar.layers[0]!, ...bar.layers.slice(5, 9), bar.layers.at(-1)!],
    });
    expect(reserve(thin, 'bar-60')).toBeLessThan(1);
    const thick = growSections(thin);
    expect(reserve(thick, 'bar-60')).toBeGreaterThanOrEqual(targetOf(thick) - 1e-9);
    expect(of(thick, 'bar-60').height).toBe(bar.height);
    expect(of(thick, 'bar-60').layers.length).toBeGreaterThan(6);
    const hollow = growSections(withSection(merrow(), 'floor-140', { former: null }));
    expect(reserve(hollow, 'floor-140')).toBeGreaterThanOrEqual(targetOf(hollow) - 1e-9);
    // Flanges that hold by their proportions, and not by their bond on peel ply alone.
    const unsaid = growSections(withSection(merrow(), 'stringer-60', { bonded: 'notSaid' }));
    expect(reserve(unsaid, 'stringer-60')).toBeGreaterThanOrEqual(targetOf(unsaid) - 1e-9);
    expect(of(unsaid, 'stringer-60').flangeWidth).toBeGreaterThan(of(merrow(), 'stringer-60').flangeWidth);
    expect(of(unsaid, 'stringer-60').height).toBe(of(merrow(), 'stringer-60').height);
    const narrow = growSections(withSection(merrow(), 'floor-140', { flangeWidth: 0.02 }));
    expect(of(narrow, 'floor-140').flangeWidth).toBeGreaterThanOrEqual(0.2 * of(narrow, 'floor-140').height);
  });
});

describe('a new boat from another', () => {
  it('with the layers as they are there differs from it in its name alone', () => {
    const boat = brant();
    const { boat: made, lacking } = begin(boat, { layup: 'source' });
    expect(lacking).toEqual([]);
    expect({ ...made, name: boat.name }).toEqual({ ...settleGeometry({ ...boat, hull: null }, boat), acceptances: [] });
  });
  it('with nothing laid has its zones and no layer', () => {
    const { boat } = begin(merrow(), { layup: 'none', process: 'wetBag' });
    expect(boat.parts.flatMap(({ layers }) => layers)).toEqual([]);
    expect(boat.brief).toMatchObject({ process: 'wetBag', resin: 'epoxy-hand' });
    expect(boat.materials.some(({ id }) => id === 'epoxy-hand')).toBe(true);
  });
  it('part by part leaves behind what stood on the others', () => {
    const source = merrow();
    const hull = source.parts[0]!;
    const { boat } = begin(source, { parts: [hull.id], layup: 'source' });
    expect(boat.parts.map(({ name }) => name)).toEqual(['Hull']);
    const zones = new Set(hull.zones.map(({ id }) => id));
    expect(boat.details.every(({ zone }) => zones.has(zone))).toBe(true);
    expect(boat.supports.every((one) => one.kind !== 'rib' || zones.has(one.zone))).toBe(true);
    expect(boat.supports.length).toBeLessThan(source.supports.length);
    expect(boat.fillPlans).toHaveLength(source.fillPlans.length);
    const deck = begin(source, { parts: ['deck'], layup: 'source' }).boat;
    expect([deck.fillPlans, deck.curePlans]).toEqual([[], []]);
    expect(() => begin(source, { parts: [] })).toThrow('Choose at least one part');
  });
  it('does not take over that somebody accepted a caution', () => {
    const acceptances = [{ id: 'a', rule: 'r', key: 'k', by: 'I. Hallin', note: 'seen', at: '2026-01-01T00:00:00Z' }];
    const source = { ...merrow(), acceptances: acceptances as unknown as Boat['acceptances'] };
    expect(begin(source, { layup: 'source' }).boat.acceptances).toEqual([]);
  });
});

describe('templates that ship', () => {
  const files = readdirSync('data/templates').map((name) => readFileSync(`data/templates/${name}`, 'utf8'));
  const templates = files.map(templateFromJson);
  it('are seven, each with a name, a word on what it is for, parts and places of load', () => {
    expect(templates).toHaveLength(7);
    for (const { name, note, boat } of templates) {
      expect(name.length).toBeGreaterThan(5);
      expect(note.length).toBeGreaterThan(20);
      expect(boat.parts.length).toBeGreaterThan(0);
      expect(boat.loads.length).toBeGreaterThan(0);
      expect(boat.details.length).toBeGreaterThan(0);
    }
  });
  it.each(templates)('$name: zones, stiffeners and details reach the target, inside the weight', ({ boat }) => {
    for (const reserve of reserves(boat)) expect(reserve).toBeGreaterThanOrEqual(targetOf(boat));
    for (const { support, section, governing } of evaluateStiffeners(boat))
      if (section) expect(governing!.reserveFactor, support.name).toBeGreaterThanOrEqual(targetOf(boat));
    for (const { detail, governing, problem } of evaluateDetails(boat)) {
      expect(problem, detail.name).toBeNull();
      expect(governing!.reserveFactor, detail.name).toBeGreaterThanOrEqual(targetOf(boat));
    }
  });
  it.each(templates)('$name: a fifth smaller or larger, by every process, still proves in every zone', ({ boat }) => {
    for (const factor of [0.8, 1.2])
      for (const process of Object.keys(PROCESSES) as Process[]) {
        const hullLength = Number((factor * boat.brief.hullLength).toFixed(2));
        const { lacking } = begin(boat, { particulars: { hullLength }, process });
        expect(lacking, `${process}, ${hullLength} m`).toEqual([]);
      }
  });
  it('go out and in unchanged; another document, or one of a later version, is refused in words', () => {
    const [template] = templates;
    expect(templateFromJson(templateToJson(template!))).toEqual(template);
    expect(() => templateFromJson('nonsense')).toThrow('This is not JSON');
    expect(() => templateFromJson(boatToJson(merrow()))).toThrow('This is no template');
    const later = { ...(JSON.parse(files[0]!) as object), version: 2 };
    expect(() => templateFromJson(JSON.stringify(later))).toThrow('reads up to version 1');
    const broken = JSON.parse(files[0]!) as { document: { boat: { brief: { hullLength: number } } } };
    broken.document.boat.brief.hullLength = -3;
    expect(() => templateFromJson(JSON.stringify(broken))).toThrow(/hull/i);
  });
});
