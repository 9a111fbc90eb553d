import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../../tests/helpers/merrow';
import { wordsIn } from '../../quantity';
import { boatWeight, DETAILS } from '../../weight';
import { applyEdits, describeEdits, difference } from '../../edit';
import { boatFromJson, boatToJson, type Boat } from '../../document';
import {
  DETAIL_KINDS,
  detailSchema,
  detailWorking,
  drawDetail,
  drawingSvg,
  evaluateDetail,
  evaluateDetails,
  newDetail,
  sceneOf,
  transomSchools,
  weakestOf,
  type Detail,
  type DetailKind,
  type DetailOf,
} from '.';
import { makeEvaluator } from '../../evaluate';
import { actingLoad } from '..';

const boat = merrow();
const sail = brant();
const of = <K extends DetailKind>(from: Boat, id: string): DetailOf<K> =>
  from.details.find((detail) => detail.id === id) as DetailOf<K>;
const changed = <K extends DetailKind>(from: Boat, id: string, patch: Partial<DetailOf<K>>) =>
  evaluateDetail(from, { ...of<K>(from, id), ...patch } as Detail);
const reserve = (evaluation: ReturnType<typeof evaluateDetail>, id: string) =>
  evaluation.checks.find((check) => check.id === id)?.reserveFactor;

type DrawnMark = NonNullable<ReturnType<typeof drawDetail>>['views'][number]['marks'][number];
/** Where a mark of a drawing stands. */
function pointsOf(mark: DrawnMark): readonly (readonly [number, number])[] {
  if ('points' in mark) return mark.points;
  return 'at' in mark ? [mark.at] : [mark.from, mark.to];
}

describe('the details of the demo boats', () => {
  const all = [...evaluateDetails(boat), ...evaluateDetails(sail)];
  it('are all checked, drawn, told as a path and weighed; one of them fails', () => {
    for (const { detail, problem, checks, path, steps, governing } of all) {
      const home = boat.details.includes(detail) ? boat : sail;
      expect(problem, detail.name).toBeNull();
      expect(checks.length, detail.name).toBeGreaterThan(1);
      expect(path.length, detail.name).toBeGreaterThan(2);
      expect(steps.length, detail.name).toBeGreaterThan(1);
      expect(drawDetail(home, detail)!.views.length, detail.name).toBeGreaterThan(0);
      expect(governing).toBe(weakestOf(checks));
      expect(
        path.some(({ check }) => check === governing!.id),
        detail.name,
      ).toBe(true);
      expect(detailWorking(home, detail).length, detail.name).toBeGreaterThanOrEqual(checks.length);
    }
    expect(all.filter(({ governing }) => governing!.reserveFactor < 1).map(({ detail }) => detail.name)).toEqual([
      'Tow post',
    ]);
  });
  it('cover rig, rudder, tow, mooring, lifting and engine, with a weakest link on every path', () => {
    const causes = [...boat.loads, ...sail.loads].map(({ cause }) => cause.kind);
    expect(new Set(causes)).toEqual(
      new Set(['lifting', 'mooring', 'tow', 'thrust', 'wire', 'rightingMoment', 'rudder']),
    );
    const tow = all.find(({ detail }) => detail.name === 'Tow post')!;
    expect(tow.path.find(({ check }) => check === tow.governing!.id)!.text).toContain('4 bolts');
  });
  it('weigh in the boat, fibre, resin, core and metal apart, and a core taken out counts less', () => {
    const weight = boatWeight(boat, makeEvaluator()(boat), evaluateDetails(boat));
    const part = weight.parts.find(({ partId }) => partId === DETAILS)!;
    expect(part.mass).toBeCloseTo(
      evaluateDetails(boat).reduce((sum, { total }) => sum + total, 0),
      9,
    );
    const without = boatWeight({ ...boat, details: [] }, makeEvaluator()(boat), []);
    expect(weight.mass - without.mass).toBeCloseTo(part.mass, 9);
    const light = changed<'bolted'>(boat, 'a-frame', { insert: 'pu-board-400' });
    expect(light.total).toBeLessThan(evaluateDetail(boat, of(boat, 'a-frame')).total);
  });
  it('are the same after a way through the document, and every edit is told and taken back', () => {
    expect(boatFromJson(boatToJson(boat)).details).toEqual(boat.details);
    const [tow] = boat.details.filter(({ id }) => id === 'tow-post');
    const { boat: after, inverse } = applyEdits(boat, [{ type: 'detail.set', item: { ...tow!, name: 'Tow bitt' } }]);
    expect(describeEdits(boat, [{ type: 'detail.set', item: { ...tow!, name: 'Tow bitt' } }])).toBe('changed Tow bitt');
    expect(difference(boat, after).map(({ place, subject }) => `${place}: ${subject}`)).toEqual(['Details: Tow bitt']);
    expect(applyEdits(after, inverse).boat).toEqual(boat);
    expect(() => applyEdits(boat, [{ type: 'load.remove', id: 'tow' }])).toThrow(
      'Tow line is in use: Tow post has it as "Load"',
    );
    expect(() => applyEdits(boat, [{ type: 'material.drop', materialId: 'stainless-a4' }])).toThrow('is in use');
    expect(() =>
      applyEdits(boat, [{ type: 'detail.add', item: { ...tow!, id: 'other', boltMetal: 'gold' } as Detail, index: 0 }]),
    ).toThrow('asks for a material that is not in this boat (gold)');
  });
});

describe('a detail to begin with', () => {
  it.each(Object.keys(DETAIL_KINDS) as DetailKind[])('of kind %s is valid, and checked or refused in words', (kind) => {
    const zone = boat.parts[0]!.zones[1]!;
    const detail = detailSchema.parse({ ...newDetail(boat, kind, 'new', zone), load: 'tow' });
    const evaluation = evaluateDetail({ ...boat, details: [] }, detail);
    expect(evaluation.problem ?? evaluation.governing).toBeTruthy();
    // The weakest link always stands on the path.
    if (evaluation.governing)
      expect(evaluation.path.filter(({ check }) => check === evaluation.governing!.id).length).toBeGreaterThan(0);
  });
});

describe('impossible geometry is refused with its reason', () => {
  it.each([
    [
      'bolts at less than two diameters',
      changed<'bolted'>(boat, 'tow-post', {
        bolts: [
          [0, 0],
          [0.01, 0],
        ],
      }),
      'stand 10 mm apart',
    ],
    ['a bolt off its base', changed<'bolted'>(boat, 'tow-post', { bolts: [[0.4, 0]] }), 'lies off its base'],
    [
      'an edge nearer than one diameter',
      changed<'bolted'>(boat, 'tow-post', { edgeDistance: 0.005 }),
      'less than one bolt diameter',
    ],
    [
      'a patch smaller than the base',
      changed<'bolted'>(boat, 'tow-post', { base: [0.6, 0.18] }),
      'is smaller than the base',
    ],
    [
      'bolts through a soft core',
      changed<'bolted'>(boat, 'tow-post', { core: 'none' }),
      'has a core of 15 mm under the bolts',
    ],
    [
      'an insert that is not there',
      changed<'bolted'>(boat, 'tow-post', { core: 'plywood', insert: null }),
      'Insert: choose a wood',
    ],
    ['a strap off its zone', changed<'strap'>(sail, 'chainplate', { anchor: 3.9 }), 'runs off Topside forward'],
    ['strips that step away', changed<'strap'>(sail, 'chainplate', { step: 0.2 }), 'leave nothing of an anchor'],
    [
      'a strap of a fabric with nothing along it',
      changed<'strap'>(sail, 'chainplate', { fabric: 'bx45-450' }),
      'has no fibres along the strap',
    ],
    [
      'a clamp wider than the knees',
      changed<'transom'>(sail, 'outboard', { clampBreadth: 0.9 }),
      'wider than the 500 mm between the knees',
    ],
    [
      'a clamp range upside down',
      changed<'transom'>(sail, 'outboard', { clamp: [0.05, 0.03] }),
      'must be less than the greatest',
    ],
    [
      'tapes wider than the panel',
      changed<'tabbing'>(boat, 'engine-bed', { tapes: [{ material: 'bx45-600', angleDeg: 0, overlap: 0.99 }] }),
      'runs off Bottom aft',
    ],
    ['tabbing without tapes', changed<'tabbing'>(boat, 'engine-bed', { tapes: [] }), 'needs at least one tape'],
    [
      'fasteners closer than three diameters',
      changed<'flange'>(boat, 'sheer', { pitch: 0.0205, boltDiameter: 0.008 }),
      'closer than three diameters',
    ],
    [
      'holes off the flange',
      changed<'flange'>(boat, 'sheer', { edgeDistance: 0.05 }),
      'does not fit a flange of 60 mm',
    ],
    ['a zone that is gone', changed<'bolted'>(boat, 'tow-post', { zone: 'gone' }), 'not in this boat any more'],
    ['a load that is gone', changed<'bolted'>(boat, 'tow-post', { load: 'gone' }), 'not in this boat any more'],
    ['no load at all', changed<'bolted'>(boat, 'tow-post', { load: null }), 'give the fitting a load case'],
  ])('%s', (_what, evaluation, words) => {
    expect(wordsIn(evaluation.problem!, 'metric')).toContain(words);
    expect([evaluation.checks, evaluation.total, evaluation.path]).toEqual([[], 0, []]);
  });
});

describe('what a change does', () => {
  it('a fit that holds is no weakest link, one that does not is', () => {
    const bed = evaluateDetail(boat, of(boat, 'engine-bed'));
    expect(bed.governing!.id).not.toBe('stepped');
    const tight = changed<'tabbing'>(boat, 'engine-bed', { fillet: 0.003 });
    expect(tight.governing!.id).toBe('fillet');
  });
  it('a larger bolt mends the tow post', () => {
    const mended = changed<'bolted'>(boat, 'tow-post', { boltDiameter: 0.012 });
    expect(reserve(mended, 'bolt')! / reserve(evaluateDetail(boat, of(boat, 'tow-post')), 'bolt')!).toBeCloseTo(
      (12 / 8) ** 2,
      6,
    );
    expect(mended.governing!.reserveFactor).toBeGreaterThan(1.1);
  });
  it('more strips, a longer anchor and a truer direction make straps stronger', () => {
    const now = evaluateDetail(sail, of(sail, 'chainplate'));
    const more = changed<'strap'>(sail, 'chainplate', { strips: 8, step: 0.012 });
    expect(reserve(more, 'strap')! / reserve(now, 'strap')!).toBeCloseTo(2, 6);
    expect(reserve(changed<'strap'>(sail, 'chainplate', { anchor: 0.5 }), 'bond')!).toBeGreaterThan(
      reserve(now, 'bond')!,
    );
    expect(reserve(changed<'strap'>(sail, 'chainplate', { misalignDeg: 0 }), 'strap')!).toBeGreaterThan(
      reserve(now, 'strap')!,
    );
    expect(reserve(changed<'strap'>(sail, 'chainplate', { radius: 0.003 }), 'radius')!).toBeLessThan(1);
    expect(now.cautions.map(({ title }) => title)).toContain('Carbon at metal');
  });
  it('a weakest link that no step of the path is about becomes one', () => {
    const { path, governing } = changed<'strap'>(sail, 'chainplate', { anchor: 0.06, strips: 2, width: 0.02 });
    expect(governing!.id).toBe('bondPeak');
    expect(path.at(-2)).toEqual({ text: governing!.name.toLowerCase(), check: 'bondPeak' });
  });
  it('pressed down, a mast step loads no bolt in tension', () => {
    const step = evaluateDetail(sail, of(sail, 'mast-step'));
    expect(step.checks.map(({ id }) => id)).toContain('pressing');
    expect(step.checks.map(({ id }) => id)).not.toContain('punching');
  });
  it('a patch, a wrapped edge and a web are checked by what each does, and stiff fibre alone is warned of', () => {
    const zone = boat.parts.find(({ name }) => name === 'Deck')!.zones[0]!;
    const patch = (change: object, from = boat) =>
      evaluateDetail(from, { ...newDetail(from, 'patch', 'x', zone), load: 'tow', ...change } as Detail);
    expect(patch({}).checks.map(({ id }) => id)).toEqual(['tension', 'shear', 'bond', 'step']);
    // Stepped in length alone, a doubler still ends thick along its sides; a wrap has no sides that end.
    const sheet = { material: 'bx45-600', angleDeg: 0, breadth: 0.4 };
    const sheets = [0.5, 0.4, 0.3].map((length) => ({ ...sheet, length }));
    expect(reserve(patch({ sheets }), 'step')).toBe(0);
    expect(reserve(patch({ sheets, form: 'wrappedEdge' }), 'step')).toBeGreaterThan(1);
    expect(patch({ form: 'wrappedEdge' }).checks.map(({ id }) => id)).toEqual(['wrap', 'bond', 'radius', 'step']);
    const web = patch({ form: 'web', breadth: 0.1 });
    expect(web.checks.map(({ id }) => id)).toEqual(['web', 'slender', 'bond']);
    expect(reserve(patch({ form: 'web', breadth: 0.2 }), 'web')! / reserve(web, 'web')!).toBeCloseTo(2, 6);
    expect(wordsIn(patch({ breadth: 0.9 }).problem!, 'metric')).toContain('the widest sheet is only 400 mm');
    expect(patch({ sheets: [{ material: 'bx45-600', angleDeg: 0, length: 9, breadth: 4 }] }).problem).toContain(
      'is larger than',
    );
    const carbon = evaluateDetail(sail, {
      ...newDetail(sail, 'patch', 'x', sail.parts[1]!.zones[0]!),
      load: 'rudder',
      sheets: [{ material: 'carbon-ud-300', angleDeg: 0, length: 0.3, breadth: 0.2 }],
    } as Detail);
    expect(carbon.cautions.map(({ title }) => title)).toContain('Stiff against tough');
  });
  it('both schools of a transom stand side by side', () => {
    const detail = of<'transom'>(sail, 'outboard');
    const [plywood, board] = transomSchools(sceneOf(sail, detail), detail);
    expect([plywood!.key, board!.key]).toEqual(['plywood', 'board']);
    expect(plywood!.EI).toBeGreaterThan(board!.EI);
    expect(plywood!.water).not.toBe(board!.water);
    const thick = changed<'transom'>(sail, 'outboard', { plywood: { ...detail.plywood, sheets: 3 } });
    expect(reserve(thick, 'clampMost')!).toBeLessThan(1);
  });
  it('a brittle adhesive is judged by its peak, a tough one by its mean', () => {
    const tough = evaluateDetail(boat, of(boat, 'sheer'));
    const withPaste: Boat = {
      ...boat,
      materials: [
        ...boat.materials,
        {
          ...boat.materials.find(({ id }) => id === 'methacrylate-tough')!,
          id: 'brittle',
          elongation: { value: 0.02, origin: 'generic' },
        } as Boat['materials'][number],
      ],
    };
    const brittle = evaluateDetail(withPaste, { ...of<'flange'>(boat, 'sheer'), adhesive: 'brittle' });
    expect(reserve(brittle, 'peak')!).toBeLessThan(reserve(tough, 'peak')!);
  });
  it('a scarf steeper than 1 : 12 is too short, overlap layers relieve it', () => {
    const zone = boat.parts[0]!.zones.find(({ name }) => name === 'Keel band')!;
    const joint = (patch: object) =>
      evaluateDetail(boat, {
        ...newDetail(boat, 'extension', 'x', zone),
        load: null,
        outer: [],
        inner: [],
        ...patch,
      } as Detail);
    expect(reserve(joint({ ratio: 8 }), 'ratio')!).toBeLessThan(1);
    const bare = reserve(joint({ ratio: 15 }), 'shear')!;
    expect(
      reserve(joint({ ratio: 15, outer: [{ material: 'bx0-600', angleDeg: 0, overlap: 0.1 }] }), 'shear')!,
    ).toBeGreaterThan(bare);
    const narrow: Boat = {
      ...boat,
      parts: boat.parts.map((part) => ({
        ...part,
        zones: part.zones.map((one) =>
          one.id === zone.id ? { ...one, geometry: { ...one.geometry, panelLength: 0.2, panelBreadth: 0.2 } } : one,
        ),
      })),
    };
    expect(
      evaluateDetail(narrow, { ...newDetail(boat, 'extension', 'x', zone), load: null, ratio: 60 } as Detail).problem,
    ).toContain('longer than Keel band');
  });
  it('a stiffener end is checked by its end shear, and a notch through it is refused', () => {
    const detail = {
      ...newDetail(boat, 'stiffenerEnd', 'x', boat.parts[0]!.zones[1]!),
      load: null,
    } as DetailOf<'stiffenerEnd'>;
    const end = evaluateDetail(boat, detail);
    expect(end.problem).toBeNull();
    expect(reserve(evaluateDetail(boat, { ...detail, end: 'cutOff', taper: 1 }), 'taper')!).toBeLessThan(1);
    expect(evaluateDetail(boat, { ...detail, notch: 0.3 }).problem).toContain('cuts through');
  });
  it('a proof pull says its load, what to expect, and where to stop', () => {
    const { proof } = evaluateDetail(sail, of(sail, 'chainplate'), () => 500);
    expect(proof!.load).toBeCloseTo(1.25 * 9440, 6);
    expect(proof!.stop).toBeLessThanOrEqual(proof!.load);
    expect(proof!.deflection).toBeGreaterThan(0);
  });
  it.each([0.2, 1, 1.25, 3])(
    'a pull of %d of the load stops short of what is thought to break it, by half again',
    (share) => {
      for (const home of [boat, sail])
        for (const detail of home.details) {
          const { proof, governing } = evaluateDetail(home, { ...detail, proof: share }, () => 500);
          if (!proof || !governing || !Number.isFinite(governing.reserveFactor)) continue;
          const load = home.loads.find(({ id }) => id === detail.load)!;
          expect(proof.failure).toBeCloseTo(governing.reserveFactor * actingLoad(load).force * load.factor, 3);
          expect(proof.stop).toBeLessThanOrEqual(proof.failure! / 1.5);
          expect(proof.stop).toBeLessThanOrEqual(proof.load);
        }
    },
  );
  it('the share of the load counts once, and a pull along the panel bends nothing', () => {
    const bitt = { ...of(boat, 'bitt'), proof: 2 };
    const once = evaluateDetail(boat, { ...bitt, proof: 1 }, () => 500).proof!;
    expect(evaluateDetail(boat, bitt, () => 500).proof!.deflection! / once.deflection!).toBeCloseTo(2, 9);
    const level = boat.loads.map((one) =>
      one.id === bitt.load ? { ...one, direction: { how: 'angle' as const, bearingDeg: 0, upDeg: 0 } } : one,
    );
    expect(evaluateDetail({ ...boat, loads: level }, bitt, () => 500).proof!.deflection).toBeNull();
  });
});

it('a detail is put in words in the units of the reader', () => {
  for (const home of [boat, sail])
    for (const { path, steps, cautions } of evaluateDetails(home)) {
      const texts = [...path.map(({ text }) => text), ...steps, ...cautions.map(({ text }) => text)];
      for (const text of texts) expect(wordsIn(text, 'us')).not.toMatch(/\d ?(mm|kN|kPa|MPa|kg)\b|\{\{/);
    }
  const bitt = evaluateDetail(boat, of(boat, 'bitt'));
  expect(wordsIn(bitt.path[1]!.text, 'metric')).toMatch(/^\d bolts \d+ mm, [\d.]+ kN shear and [\d.]+ kN pull/);
  expect(wordsIn(bitt.path[1]!.text, 'us')).toMatch(/^\d bolts [\d.]+ in, \d+ lbf shear and \d+ lbf pull/);
});

describe('the drawing', () => {
  it.each(Object.keys(DETAIL_KINDS) as DetailKind[])(
    'of a new %s is to scale: its dimensions say what they measure',
    (kind) => {
      const zone = boat.parts
        .flatMap(({ zones }) => zones)
        .find(({ name }) => name === (kind === 'transom' ? 'Transom' : 'Bottom aft'))!;
      const drawing = drawDetail(boat, newDetail(boat, kind, 'new', zone));
      expect(drawing!.views.length).toBeGreaterThan(0);
      for (const { marks } of drawing!.views)
        for (const mark of marks)
          for (const [x, y] of pointsOf(mark)) expect(Number.isFinite(x) && Number.isFinite(y)).toBe(true);
      // Where the text is the bare figure, it is the distance that is drawn.
      const measured = drawing!.views.flatMap(({ marks }) =>
        marks.flatMap((mark) => (mark.as === 'dimension' && /^[\d.]+$/.test(mark.text) ? [mark] : [])),
      );
      for (const { from, to, text } of measured)
        expect(Math.abs(Math.hypot(to[0] - from[0], to[1] - from[1]) - Number(text))).toBeLessThanOrEqual(0.5);
    },
  );

  it('of a transom has bracket, bolts and board as they are typed and laid', () => {
    const detail = { ...of<'transom'>(sail, 'outboard'), bracketHeight: 0.28, boltRows: 0.17, boltCount: 6 };
    const [aft, section] = drawDetail(sail, detail)!.views;
    const said = aft!.marks.flatMap((mark) => (mark.as === 'dimension' ? [mark.text] : []));
    expect(said).toEqual(expect.arrayContaining(['280', '170']));
    const heights = aft!.marks.flatMap((mark) => (mark.as === 'circle' ? [mark.at[1]] : []));
    expect(heights).toHaveLength(6);
    expect(Math.max(...heights) - Math.min(...heights)).toBeCloseTo(170, 6);
    const [built] = transomSchools(sceneOf(sail, detail), detail);
    const [clamp] = section!.marks.flatMap((mark) => (mark.as === 'dimension' ? [mark] : []));
    expect(clamp!.text).toBe('39; clamp 30 to 50');
    expect(clamp!.to[0]).toBeCloseTo(1000 * built!.thickness, 6);
  });
  it('is one SVG without style attributes, words escaped, dimensions in millimetres', () => {
    for (const home of [boat, sail])
      for (const detail of home.details) {
        const drawing = drawDetail(home, detail)!;
        const svg = drawingSvg(drawing, `${detail.name} <&> "x"`);
        expect(svg).not.toContain('style=');
        expect(svg).toContain('&lt;&amp;&gt;');
        expect(svg).not.toMatch(/NaN|Infinity|undefined/);
        expect(drawing.views.some(({ marks }) => marks.some(({ as }) => as === 'dimension'))).toBe(true);
      }
  });
});
