import { describe, expect, it } from 'vitest';
import { wordsIn } from '../quantity';
import { applyEdits, type Edit } from '../edit';
import { joinAt, linesOfPart, neighboursOf, partSection, piecesOf, staggered, withJoin } from '.';
import { makeEvaluator } from '../evaluate';
import { newBoat, type Boat, type Part } from '../document';
import { after, boat, hull, id } from '../../../tests/helpers/hull';

describe('lines between zones', () => {
  const evaluations = makeEvaluator()(boat);
  const lines = linesOfPart(boat, hull, evaluations);
  const at = (name: string) => lines.find(({ line }) => line.name.startsWith(name))!;
  it('are found from where the zones lie: keel, chine, transom corner, ends', () => {
    expect(neighboursOf(boat, hull).map(({ name }) => name.split(',')[0])).toEqual(
      expect.arrayContaining(['Keel', 'Chine', 'Transom corner', 'Bottom aft to Bottom forward']),
    );
    const keel = neighboursOf(boat, hull).find(({ a, b }) => a === b)!;
    expect(keel.length).toBeGreaterThan(boat.brief.waterlineLength);
    const typed = {
      ...newBoat('Typed').parts[0]!,
      zones: newBoat('Typed').parts[0]!.zones.map((zone) => ({ ...zone, region: null })),
    };
    expect(neighboursOf({ ...boat, hull: null }, typed).map(({ a, b }) => `${a}|${b}`)).toEqual([
      'bottom|side',
      'side|transom',
    ]);
  });
  it('show that many layers stop together, until the stair is laid out, which weighs what it covers', () => {
    const keel = at('Keel band to Bottom aft');
    expect(keel.findings.map(({ kind }) => kind)).toContain('steep');
    const join = staggered(hull, keel);
    const [changed] = [after([{ type: 'part.set', partId: hull.id, patch: { joins: withJoin(hull, join) } }])];
    const state = linesOfPart(boat, changed!, evaluations).find(({ line }) => line.name === keel.line.name)!;
    expect(state.findings.filter(({ kind }) => kind === 'steep')).toEqual([]);
    expect(state.mass).toBeCloseTo(
      state.line.length! *
        state.layers.reduce(
          (sum, { past, laid }) => sum + past * (laid.fibreMass + laid.bindingMass + laid.resinMass + laid.coatingMass),
          0,
        ),
      9,
    );
    const steps = state.layers
      .filter(({ covers, laid }) => covers === 'a' && laid.material.kind === 'fabric')
      .sort((p, q) => p.past - q.past);
    for (const [i, one] of steps.slice(1).entries())
      expect(one.past - steps[i]!.past).toBeGreaterThanOrEqual(hull.dropRatio * steps[i]!.laid.thickness - 1e-9);
    expect(joinAt(changed!, keel.line)).toEqual(join);
  });
  it('a lap doubles every layer that runs through, over its width', () => {
    const keel = at('Keel, Keel band');
    const lapped = { ...hull, joins: withJoin(hull, { ...keel.join, lap: 0.15 }) };
    const state = linesOfPart(boat, lapped, evaluations).find(({ line }) => line.a === line.b)!;
    const fabrics = state.layers
      .filter(({ laid }) => laid.material.kind === 'fabric')
      .reduce((sum, { laid }) => sum + laid.thickness, 0);
    expect(state.lapThickness).toBeCloseTo(keel.thicknessA + fabrics, 12);
    expect(state.lapWidth).toBe(0.15);
    const section = partSection(boat, lapped, evaluations, { kind: 'across', x: 3 });
    const [window] = section.windows;
    const total = (i: number) => window!.bands.reduce((sum, { thickness }) => sum + thickness[i]!, 0);
    expect(Math.max(...window!.stations.map((_, i) => total(i)))).toBeCloseTo(state.lapThickness, 12);
    expect(total(0)).toBeCloseTo(keel.thicknessA, 12);
  });
  it('sections pass the zones in their order and never draw a layer twice', () => {
    for (const cut of [{ kind: 'across', x: 3 } as const, { kind: 'along', s: 0.6 } as const]) {
      const { zones, windows } = partSection(boat, hull, evaluations, cut);
      expect(zones.length).toBeGreaterThan(2);
      expect(windows).toHaveLength(zones.length - 1);
      for (const [i, window] of windows.entries()) {
        const total = (k: number) => window!.bands.reduce((sum, { thickness }) => sum + thickness[k]!, 0);
        expect(total(0)).toBeCloseTo(zones[i]!.thickness, 9);
        expect(total(window!.stations.length - 1)).toBeCloseTo(zones[i + 1]!.thickness, 9);
        for (const [k] of window!.stations.entries())
          expect(total(k)).toBeLessThanOrEqual(Math.max(zones[i]!.thickness, zones[i + 1]!.thickness) + 1e-9);
        expect([...window!.stations].sort((a, b) => a - b)).toEqual(window!.stations);
      }
    }
    expect(partSection(boat, hull, evaluations, { kind: 'across', x: 3 }).zones.map(({ name }) => name)).toEqual([
      'Keel band, other hand',
      'Keel band',
      'Bottom aft',
      'Side aft',
    ]);
  });
  it.each(['Deck', 'Liner', 'Bulkheads'])(
    'a section of %s shows each zone as thick as it is, along and across',
    (name) => {
      const part = boat.parts.find((one) => one.name === name)!;
      for (const cut of [
        ...[0.5, 2, 4, 6].map((x) => ({ kind: 'across', x }) as const),
        { kind: 'along', s: 1.9 } as const,
      ]) {
        const { zones, windows } = partSection(boat, part, evaluations, cut);
        expect(windows).toHaveLength(Math.max(0, zones.length - 1));
        for (const { zoneId, thickness, layers } of zones) {
          expect(thickness).toBe(evaluations.get(zoneId)!.thickness);
          expect(layers.reduce((sum, layer) => sum + layer.thickness, 0)).toBeCloseTo(thickness, 9);
        }
        for (const [i, window] of windows.entries())
          if (window)
            expect(window.bands.reduce((sum, { thickness }) => sum + thickness[0]!, 0)).toBeCloseTo(
              zones[i]!.thickness,
              9,
            );
      }
    },
  );
  it('where the hands differ, lines count for their hand, and a section goes from deck edge to deck edge', () => {
    const [side, twin] = [hull.zones.find(({ name }) => name === 'Side aft')!, 'side-aft-starboard'];
    const part = after([
      { type: 'zone.set', zoneId: side.id, patch: { hand: 'port' } },
      {
        type: 'zone.add',
        partId: hull.id,
        zone: { ...side, id: twin, name: 'Side aft, starboard', hand: 'starboard' },
        index: hull.zones.length,
        coveredBy: [],
      },
    ]);
    const handed: Boat = { ...boat, parts: [part, ...boat.parts.slice(1)] };
    const names = (cut: Parameters<typeof partSection>[3]) =>
      partSection(handed, part, makeEvaluator()(handed), cut).zones.map(({ name }) => name);
    expect(names({ kind: 'across', x: 3 })).toEqual([
      'Side aft',
      'Bottom aft, other hand',
      'Keel band, other hand',
      'Keel band',
      'Bottom aft',
      'Side aft, starboard',
    ]);
    expect(names({ kind: 'along', s: 1.5 })).toContain('Side aft');
    expect(names({ kind: 'along', s: 1.5, hand: 'starboard' })).not.toContain('Side aft');
    const chine = (lines: ReturnType<typeof neighboursOf>, b: string) =>
      lines.find((line) => line.a !== b && line.b === b && line.runs === 'along')!.length!;
    const whole = chine(neighboursOf(boat, hull), side.id);
    for (const one of [side.id, twin]) expect(chine(neighboursOf(handed, part), one)).toBeCloseTo(whole / 2, 9);
  });
  it('a core too steep, and a run-out longer than its zone, are found', () => {
    const keel = at('Keel band to Bottom aft');
    const steep = linesOfPart(boat, { ...hull, joins: [{ ...keel.join, bevel: 1.5 }] }, evaluations).find(
      ({ line }) => line.name === keel.line.name,
    )!;
    expect(steep.findings.map(({ kind }) => kind)).toContain('bevel');
    const stops = keel.layers.find(({ covers, laid }) => covers === 'b' && laid.material.kind === 'fabric')!;
    const far = linesOfPart(
      boat,
      { ...hull, joins: [{ ...keel.join, ends: [{ layer: stops.layer.id, past: 0.5 }] }] },
      evaluations,
    ).find(({ line }) => line.name === keel.line.name)!;
    expect(wordsIn(far.findings.find(({ kind }) => kind === 'off')!.text, 'metric')).toBe(
      `layer ${stops.index + 1} runs 500 mm past the line; the zone there is only 200 mm wide`,
    );
  });
});

describe('pieces and hands', () => {
  const count = (part: Part, number: number) =>
    piecesOf(boat, part).find(({ layerId }) => layerId === id(number))!.count;
  it('a layer over the keel is one piece, over the sides alone two, with a lap at the keel two', () => {
    expect([count(hull, 3), count(hull, 5)]).toEqual([1, 2]);
    const keel = neighboursOf(boat, hull).find(({ a, b }) => a === b)!;
    const lapped: Part = { ...hull, joins: [{ ...joinAt(hull, keel), lap: 0.1 }] };
    expect(count(lapped, 8)).toBe(2);
    expect(count({ ...hull, number: 3 }, 5)).toBe(6);
  });
  it('a zone of one hand has half the area, and a layer without its twin is named', () => {
    const side = hull.zones.find(({ name }) => name === 'Side aft')!;
    const covered = hull.layers.filter((layer) => layer.zones.includes(side.id)).map((layer) => layer.id);
    const parted = applyEdits(boat, [
      { type: 'zone.set', zoneId: side.id, patch: { hand: 'port' } },
      {
        type: 'zone.add',
        partId: hull.id,
        zone: { ...side, id: 'twin', hand: 'starboard' },
        index: 5,
        coveredBy: covered.slice(1),
      },
    ]).boat;
    const [port, starboard] = [side.id, 'twin'].map(
      (zone) => parted.parts[0]!.zones.find((one) => one.id === zone)!.geometry.area,
    );
    expect(port).toBeCloseTo(side.geometry.area / 2, 3);
    expect(starboard).toBe(port);
    const odd = piecesOf(parted, parted.parts[0]!).filter(({ oneHanded }) => oneHanded.length > 0);
    expect(odd.map(({ layerId, oneHanded }) => [layerId, oneHanded])).toEqual([[covered[0], [side.id]]]);
  });
  it('a keel band parted into hands meets its twin on the centreline', () => {
    const keel = hull.zones.find(({ name }) => name === 'Keel band')!;
    const parted = applyEdits(boat, [
      { type: 'zone.set', zoneId: keel.id, patch: { hand: 'port' } },
      {
        type: 'zone.add',
        partId: hull.id,
        zone: { ...keel, id: 'keel-twin', hand: 'starboard' },
        index: 3,
        coveredBy: hull.layers.filter((layer) => layer.zones.includes(keel.id)).map((layer) => layer.id),
      },
    ]).boat;
    const part = parted.parts[0]!;
    const line = neighboursOf(parted, part).find(({ name }) => name.startsWith('Keel,'))!;
    expect([line.a, line.b]).toEqual([keel.id, 'keel-twin']);
    expect(line.length).toBeCloseTo(neighboursOf(boat, hull).find(({ a, b }) => a === b)!.length!, 9);
    expect(piecesOf(parted, part).find(({ layerId }) => layerId === id(8))!.count).toBe(1);
  });
  it('an odd number of a two-handed part is refused until somebody says why', () => {
    const set = (patch: object): Edit[] => [{ type: 'part.set', partId: hull.id, patch }];
    expect(() => applyEdits(boat, set({ hands: 'two' }))).toThrow('would leave one hand short');
    expect(after(set({ hands: 'two', number: 2 })).number).toBe(2);
    expect(after(set({ hands: 'two', number: 3, oddNote: 'one spare to port' })).number).toBe(3);
  });
});
