import { describe, expect, it } from 'vitest';
import { brant, merrow, zoneOf } from '../../../../tests/helpers/merrow';
import { zonePanels, type Boat, type Zone } from '../../document';
import { evaluateStiffeners, evaluateZone } from '../../evaluate';
import type { Material } from '../../material';
import { evaluateDetail, newDetail, sceneOf, transomSchools } from '.';
import type { Detail, DetailEvaluation, DetailKind, DetailOf } from '.';
import { BOND_STRENGTH, layOwn, memberAlong, OPEN_HOLE, PUNCHING_STRENGTH } from './scene';

/**
 * Each kind of detail worked by hand beside the product: the formulas stand here again as a textbook has them, with
 * figures that divide well. What both share is the strength of a laminate alone, which has tests of its own.
 */
const [, bottom] = zoneOf(merrow(), 'Bottom aft');
const FORCE = 10_000;
const FACTOR = 2;

/** A boat with one load more, of {@link FORCE} times {@link FACTOR}, in a direction: forward, outboard, up. */
function loaded(home: Boat, forward: number, outboard: number, up: number): Boat {
  const load = {
    id: 'given',
    name: 'Given',
    cause: { kind: 'given' as const, force: FORCE },
    direction: { how: 'ratio' as const, forward, outboard, up },
    height: 0,
    along: 0,
    across: 0,
    factor: FACTOR,
    source: 'worked by hand',
  };
  return { ...home, loads: [...home.loads, load] };
}
const boat = loaded(merrow(), 1, 0, 0);

function detailOf<K extends DetailKind>(home: Boat, kind: K, zone: Zone, given: Partial<DetailOf<K>>): DetailOf<K> {
  return { ...newDetail(home, kind, 'x', zone), load: 'given', ...given } as DetailOf<K>;
}
function found({ checks, problem }: DetailEvaluation, id: string) {
  expect(problem).toBeNull();
  const one = checks.find((check) => check.id === id);
  expect(one, `${id} is checked`).toBeDefined();
  expect(one!.reserveFactor).toBeCloseTo(one!.capacity / one!.demand, 9);
  return one!;
}
/** Demand and capacity of a check as expected by hand. */
function agrees(evaluation: DetailEvaluation, id: string, demand: number, capacity: number) {
  const one = found(evaluation, id);
  expect(one.demand / demand, `${id}, asked`).toBeCloseTo(1, 9);
  expect(one.capacity / capacity, `${id}, there`).toBeCloseTo(1, 9);
}
const material = <K extends Material['kind']>(home: Boat, kind: K, id: string | null) =>
  home.materials.find((one) => one.kind === kind && one.id === id) as Extract<Material, { kind: K }>;

describe('a patch in its plane', () => {
  const patch = detailOf(boat, 'patch', bottom, { breadth: 0.2, preparation: 'peelAbrade' });
  const evaluation = evaluateDetail(boat, patch);
  const { book, laid } = sceneOf(boat, patch);
  const own = layOwn(book, patch.sheets);
  const together = memberAlong(book, [...laid, ...own], 0);

  it('shares the force over its breadth and the laminate with it', () => {
    agrees(
      evaluation,
      'tension',
      (FORCE * FACTOR) / (0.2 * together.thickness),
      Math.min(together.tensileStrength, together.compressiveStrength),
    );
  });
  it('is sheared along both its sides', () => {
    agrees(evaluation, 'shear', (FORCE * FACTOR) / (2 * 0.5 * together.thickness), together.shearStrength);
  });
  it('hangs on the largest sheet: 20 kN on 0.5 × 0.4 m is 100 kPa', () => {
    agrees(evaluation, 'bond', 100e3, BOND_STRENGTH.peelAbrade);
  });
  it('is stepped by the least of its edges: 40 mm against 20 thicknesses', () => {
    agrees(evaluation, 'step', 20 * Math.max(...own.map(({ thickness }) => thickness)), 0.04);
  });
  it('warns of a load that mostly leaves its plane', () => {
    const up = loaded(merrow(), 0.2, 0, 1);
    expect(evaluateDetail(up, patch).cautions.map(({ title }) => title)).toContain('Mostly out of the plane');
    expect(evaluation.cautions.map(({ title }) => title)).not.toContain('Mostly out of the plane');
  });
});

describe('a web and a wrapped edge', () => {
  const sheets = [{ material: 'bx45-600', angleDeg: 0, length: 0.5, breadth: 0.4 }];
  const web = detailOf(boat, 'patch', bottom, { form: 'web', breadth: 0.1, sheets, preparation: 'wetOnWet' });
  const { book } = sceneOf(boat, web);
  const own = layOwn(book, sheets);
  const thickness = own.reduce((sum, layer) => sum + layer.thickness, 0);

  it('carries shear over its depth, is as slender as its depth over its thickness, and hangs on its foot', () => {
    const evaluation = evaluateDetail(boat, web);
    agrees(evaluation, 'web', 20e3 / (0.1 * thickness), memberAlong(book, own, 0).shearStrength);
    agrees(evaluation, 'slender', 0.1 / thickness, 30);
    agrees(evaluation, 'bond', 20e3 / (0.5 * 0.1), BOND_STRENGTH.wetOnWet);
    expect(evaluation.cautions.map(({ title }) => title)).not.toContain('No ±45');
  });
  it('is told to lie at ±45° where it does not', () => {
    const straight = { ...web, sheets: [{ ...sheets[0]!, material: 'bx0-600' }] };
    expect(evaluateDetail(boat, straight).cautions.map(({ title }) => title)).toContain('No ±45');
  });
  it('wrapped round an edge pulls on both faces, at five thicknesses of radius', () => {
    const wrap = evaluateDetail(boat, { ...web, form: 'wrappedEdge', breadth: 0.2, radius: 0.01 });
    agrees(wrap, 'wrap', 20e3, 2 * memberAlong(book, own, 90).tensileStrength * thickness * 0.2);
    agrees(wrap, 'bond', 20e3 / (2 * 0.25 * 0.2), BOND_STRENGTH.wetOnWet);
    agrees(wrap, 'radius', 5 * thickness, 0.01);
  });
});

describe('tabbing', () => {
  const tapes = [
    { material: 'bx45-600', angleDeg: 0, overlap: 0.1 },
    { material: 'bx45-600', angleDeg: 0, overlap: 0.06 },
  ];
  const tabbed = detailOf(boat, 'tabbing', bottom, {
    method: 'tabbing',
    length: 2,
    lineLoad: null,
    sides: 2,
    fillet: 0.02,
    tapes,
    adhesive: null,
    preparation: 'peelAbrade',
  });
  const { book } = sceneOf(boat, tabbed);
  const member = memberAlong(book, layOwn(book, tapes), 90);

  it('takes the load case over its length: 20 kN on 2 m, two strips of 100 mm, is 50 kPa', () => {
    agrees(evaluateDetail(boat, tabbed), 'shear', 50e3, BOND_STRENGTH.peelAbrade / 3);
  });
  it('pulls each side by half, and on one side by the whole, with half the fillet as lever', () => {
    const both = evaluateDetail(boat, tabbed);
    agrees(both, 'tapes', 5000, member.tensileStrength * member.thickness);
    agrees(both, 'peel', (6 * 5000 * member.thickness) / 2 / 0.1 ** 2, (0.3 * BOND_STRENGTH.peelAbrade) / 3);
    const one = evaluateDetail(boat, { ...tabbed, sides: 1 });
    agrees(one, 'tapes', 10_000, member.tensileStrength * member.thickness);
    agrees(one, 'peel', (6 * 10_000 * (member.thickness + 0.02)) / 2 / 0.1 ** 2, (0.3 * BOND_STRENGTH.peelAbrade) / 3);
  });
  it('wants three thicknesses of fillet, never less than 6 mm, and 20 thicknesses from tape to tape', () => {
    const evaluation = evaluateDetail(boat, tabbed);
    agrees(evaluation, 'fillet', Math.max(0.006, 3 * member.thickness), 0.02);
    agrees(evaluation, 'stepped', 20 * layOwn(book, tapes)[0]!.thickness, 0.04);
  });
  it('under vacuum bonds as wet on wet does', () => {
    expect(found(evaluateDetail(boat, { ...tabbed, method: 'vacuum' }), 'shear').capacity).toBe(
      BOND_STRENGTH.wetOnWet / 3,
    );
  });
  it('of adhesive alone takes all of the load on its bond, with tapes half of it', () => {
    const paste = material(boat, 'adhesive', 'methacrylate-tough');
    const glued = { ...tabbed, adhesive: paste.id, bondWidth: 0.05, bondLine: 0.003 };
    agrees(
      evaluateDetail(boat, { ...glued, method: 'adhesive' }),
      'adhesive',
      10_000 / 0.05,
      paste.shearStrength.value / 3,
    );
    agrees(evaluateDetail(boat, glued), 'adhesive', 5000 / 0.05, paste.shearStrength.value / 3);
    agrees(evaluateDetail(boat, glued), 'bondLine', 0.003, 3 * paste.bondLine.value);
    expect(evaluateDetail(boat, { ...glued, method: 'adhesive', adhesive: null }).problem).toContain(
      'choose the adhesive',
    );
  });
  it('without a load takes half of each panel beside it under twice its design pressure, a typed one as it is', () => {
    const part = boat.parts.find(({ zones }) => zones.includes(zoneOf(boat, 'Bottom aft')[1]))!;
    const zone = part.zones.find(({ id }) => id === bottom.id)!;
    // The pack allows half of an ultimate strength: from design pressure to ultimate it is twice.
    const loads = zonePanels(boat, zone, 'sandwich')!.panels.map(
      ({ pressure, geometry }) => pressure * Math.min(geometry.panelBreadth, geometry.panelLength),
    );
    const q = 2 * Math.max(...loads);
    agrees(evaluateDetail(boat, { ...tabbed, load: null }), 'shear', q / (2 * 0.1), BOND_STRENGTH.peelAbrade / 3);
    agrees(
      evaluateDetail(boat, { ...tabbed, load: null, lineLoad: 4000 }),
      'shear',
      4000 / (2 * 0.1),
      BOND_STRENGTH.peelAbrade / 3,
    );
    // Typed beside a load case, its factor counts.
    agrees(
      evaluateDetail(boat, { ...tabbed, lineLoad: 4000 }),
      'shear',
      8000 / (2 * 0.1),
      BOND_STRENGTH.peelAbrade / 3,
    );
  });
});

describe('a flange between hull and deck', () => {
  const [, side] = zoneOf(boat, 'Side aft');
  const flange = detailOf(boat, 'flange', side, {
    load: null,
    lineLoad: 3000,
    width: 0.06,
    bondLine: 0.003,
    pitch: 0.15,
    boltDiameter: 0.006,
    edgeDistance: 0.02,
    length: 3,
    number: 1,
  });
  const evaluation = evaluateDetail(boat, flange);
  const { book, laid } = sceneOf(boat, flange);
  const member = memberAlong(book, laid, 90);
  const paste = material(boat, 'adhesive', flange.adhesive);

  it('hangs 3 kN/m on 60 mm of adhesive: 50 kPa, and half as much again at its ends where it is tough', () => {
    agrees(evaluation, 'adhesive', 50e3, paste.shearStrength.value / 3);
    expect(paste.elongation.value).toBeGreaterThan(0.1);
    agrees(evaluation, 'peak', 75e3, paste.shearStrength.value / 3);
    agrees(evaluation, 'bondLine', 0.003, 3 * paste.bondLine.value);
  });
  it('held by its fasteners alone: each takes 150 mm of it', () => {
    const each = 3000 * 0.15;
    const { demand, capacity } = found(evaluation, 'fasteners');
    const ways = [
      [each / (0.006 * member.thickness), member.compressiveStrength],
      [each / ((0.15 - 0.006) * member.thickness), OPEN_HOLE * member.tensileStrength],
      [each / (2 * (0.02 - 0.003) * member.thickness), member.shearStrength],
    ] as const;
    const [worst] = [...ways].sort(([a, b], [c, d]) => b / a - d / c);
    expect(demand / worst![0]).toBeCloseTo(1, 9);
    expect(capacity / worst![1]).toBeCloseTo(1, 9);
  });
  it('weighs its adhesive and its fasteners', () => {
    const metal = material(boat, 'metal', flange.boltMetal);
    const bolt = (Math.PI / 4) * 0.006 ** 2 * (2 * member.thickness + 0.02) * metal.density.value * 1.6;
    expect(evaluation.total).toBeCloseTo(3 * 0.06 * 0.003 * paste.density.value + 20 * bolt, 9);
  });
  it('without fasteners warns that nothing holds where the bond fails', () => {
    const glued = evaluateDetail(boat, { ...flange, pitch: null });
    expect(glued.checks.map(({ id }) => id)).not.toContain('fasteners');
    expect(glued.cautions.map(({ title }) => title)).toEqual(['Adhesive alone']);
  });
});

describe('a liner as a stiffener', () => {
  const liner = detailOf(boat, 'liner', bottom, {
    bondWidth: 0.05,
    bondLength: 4,
    bondLine: 0.004,
    tributary: 0.5,
    inspections: 4,
    number: 1,
  });
  const paste = material(boat, 'adhesive', liner.adhesive);

  it('carries the load over its skin: 20 kN on 4 × 0.5 m is 10 kPa, 5 kN/m, 100 kPa of pull', () => {
    const evaluation = evaluateDetail(boat, liner);
    agrees(evaluation, 'tension', 100e3, (0.3 * paste.shearStrength.value) / 3);
    agrees(evaluation, 'shear', (1.5 * 5000 * 0.5) / 0.05, paste.shearStrength.value / 3);
    agrees(evaluation, 'inspection', 1, 1);
    expect(evaluation.total).toBeCloseTo(4 * 0.05 * 0.004 * paste.density.value, 9);
  });
  it('without a load carries the design pressure of its zone', () => {
    const part = boat.parts.find(({ zones }) => zones.some(({ id }) => id === bottom.id))!;
    const { pressure } = evaluateZone(
      boat,
      part,
      part.zones.find(({ id }) => id === bottom.id)!,
    ).pressure!;
    agrees(
      evaluateDetail(boat, { ...liner, load: null }),
      'tension',
      (2 * pressure * 0.5) / 0.05,
      (0.3 * paste.shearStrength.value) / 3,
    );
  });
});

describe('the end of a stiffener', () => {
  const end = detailOf(boat, 'stiffenerEnd', bottom, { load: null, taper: 3, notch: 0.02, preparation: 'wetOnWet' });
  const { worst, section } = evaluateStiffeners(boat).find(({ support }) => support.id === end.support)!;
  // Half of the span's load, twice from design to ultimate.
  const shear = worst!.pressure * worst!.span.spacing * worst!.span.length;

  it('hands its end shear on through its flanges within the taper', () => {
    agrees(
      evaluateDetail(boat, end),
      'bond',
      shear / (2 * section!.flangeWidth * 3 * section!.height),
      BOND_STRENGTH.wetOnWet / 3,
    );
  });
  it('loses of its web what the notch takes', () => {
    const web = worst!.checks.find(({ id }) => id === 'web')!;
    agrees(evaluateDetail(boat, end), 'notch', 1, web.reserveFactor * (1 - 0.02 / section!.height));
  });
  it('wants 1 : 3 tapered, 1 : 1.5 with a bracket, 1 : 5 cut off, and warns of the hard spot', () => {
    for (const [how, least] of [
      ['tapered', 3],
      ['bracketed', 1.5],
      ['cutOff', 5],
    ] as const)
      agrees(evaluateDetail(boat, { ...end, end: how }), 'taper', least, 3);
    expect(evaluateDetail(boat, { ...end, end: 'cutOff' }).cautions.map(({ title }) => title)).toEqual(['Hard spot']);
  });
  it('is refused where the taper is longer than half the span', () => {
    const tooLong = (worst!.span.length / 2 / section!.height) * 1.01;
    expect(evaluateDetail(boat, { ...end, taper: tooLong }).problem).toContain('longer than half the span');
  });
});

describe('a lengthened hull', () => {
  const joint = detailOf(boat, 'extension', bottom, {
    load: null,
    form: 'scarf',
    ratio: 15,
    outer: [],
    inner: [],
    preparation: 'peelAbrade',
  });
  const { book, laid } = sceneOf(boat, joint);
  const member = memberAlong(book, laid, 0);
  const theta = Math.atan(1 / 15);

  it('is sheared along its slope and pulled across it at the full strength of the laminate', () => {
    const evaluation = evaluateDetail(boat, joint);
    const stress = member.tensileStrength;
    agrees(evaluation, 'shear', stress * Math.sin(theta) * Math.cos(theta), BOND_STRENGTH.peelAbrade);
    agrees(evaluation, 'pull', stress * Math.sin(theta) ** 2, 0.3 * BOND_STRENGTH.peelAbrade);
    agrees(evaluation, 'ratio', 12, 15);
  });
  it('in steps spreads the same force over their length, and wants 1 : 20', () => {
    const stepped = evaluateDetail(boat, { ...joint, form: 'step' });
    agrees(stepped, 'shear', member.tensileStrength / 15, BOND_STRENGTH.peelAbrade);
    agrees(stepped, 'ratio', 20, 15);
    expect(found(stepped, 'ratio').reserveFactor).toBeLessThan(1);
  });
  it('is relieved by overlap layers by what they carry, which then hang on the narrowest', () => {
    const outer = [{ material: 'bx0-600', angleDeg: 0, overlap: 0.12 }];
    const inner = [{ material: 'bx0-600', angleDeg: 0, overlap: 0.08 }];
    const relieved = evaluateDetail(boat, { ...joint, outer, inner });
    const overlap = memberAlong(book, layOwn(book, [...outer, ...inner]), 0);
    const N = member.tensileStrength * member.thickness;
    const share = (overlap.tensileStrength * overlap.thickness) / N;
    expect(share).toBeLessThan(1);
    agrees(
      relieved,
      'shear',
      member.tensileStrength * Math.sin(theta) * Math.cos(theta) * (1 - share),
      BOND_STRENGTH.peelAbrade,
    );
    agrees(relieved, 'overlap', (share * N) / 0.08, BOND_STRENGTH.peelAbrade);
    expect(relieved.cautions).toEqual([]);
    expect(evaluateDetail(boat, { ...joint, outer }).cautions.map(({ title }) => title)).toEqual([
      'Overlap on one face',
    ]);
  });
});

describe('straps', () => {
  const sail = loaded(brant(), 1, 0, 0);
  const chainplate = sail.details.find(({ id }) => id === 'chainplate') as DetailOf<'strap'>;
  const strap: DetailOf<'strap'> = {
    ...chainplate,
    load: 'given',
    sides: 2,
    halfAngleDeg: 30,
    strips: 4,
    wrap: 'flat',
    radius: null,
    fittingStrength: 30e3,
    fatigue: true,
  };
  const evaluation = evaluateDetail(sail, strap);

  it('share the force by the cosine of their spread: 10 kN on eight strips at 30°', () => {
    const each = FORCE / (8 * Math.cos(Math.PI / 6));
    expect(found(evaluation, 'strap').demand).toBeCloseTo(each * FACTOR, 6);
    // Fatigue is a matter of the working load, not of the factored one.
    expect(found(evaluation, 'fatigue').demand).toBeCloseTo(each, 6);
  });
  it('are worth as much along the load as their section times the cosine', () => {
    const one = found(evaluation, 'strap').capacity;
    agrees(evaluation, 'fitting', 30e3, one * 8 * Math.cos(Math.PI / 6));
  });
  it('of carbon keep 0.7 of their strength after a million cycles', () => {
    expect(found(evaluation, 'fatigue').capacity).toBeCloseTo(0.7 * found(evaluation, 'strap').capacity, 6);
  });
  it('round a tube have two faces: twice the section, and twice the bond', () => {
    const tube = evaluateDetail(sail, { ...strap, wrap: 'tube', radius: 0.03 });
    expect(found(tube, 'strap').capacity / found(evaluation, 'strap').capacity).toBeCloseTo(2, 9);
    expect(found(evaluation, 'bond').demand / found(tube, 'bond').demand).toBeCloseTo(2, 9);
  });
  it('hang on their mean anchor: each strip ends a step before the one under it', () => {
    const leg = (4 * FORCE) / (8 * Math.cos(Math.PI / 6));
    const anchor = strap.anchor - (strap.step * 3) / 2;
    agrees(evaluation, 'bond', (leg * FACTOR) / (strap.width * anchor), BOND_STRENGTH[strap.preparation]);
  });
  it('led off the laminate are warned of, and so is an edge of no radius', () => {
    const off = evaluateDetail(loaded(brant(), 1, 0.4, 0), strap);
    expect(off.cautions.map(({ title }) => title)).toContain('The load leaves the plane');
    // 0.4 of the force's run stands square: over the first fifth of what holds, against a third of 0.3 of the bond.
    const square = (FORCE * 0.4) / Math.hypot(1, 0.4);
    const root = 2 * strap.width * 0.2 * (strap.anchor - (strap.step * 3) / 2);
    agrees(off, 'pullOff', (square * FACTOR) / root, (0.3 * BOND_STRENGTH[strap.preparation]) / 3);
    expect(evaluateDetail(loaded(brant(), 1, 1, 0), strap).problem).toContain('leaves the laminate at 45°');
    const sharp = evaluateDetail(sail, { ...strap, wrap: 'edge' });
    expect(sharp.cautions.map(({ title }) => title)).toContain('No radius given');
  });
});

describe('a transom board', () => {
  const sail = loaded(brant(), 1, 0, 0);
  const outboard = sail.details.find(({ id }) => id === 'outboard') as DetailOf<'transom'>;
  const detail: DetailOf<'transom'> = { ...outboard, load: 'given', leverArm: 0.2 };
  const scene = sceneOf(sail, detail);
  const schools = transomSchools(scene, detail);

  it('is as thick as its skins, sheets and the glass between them', () => {
    const thick = (sheets: Parameters<typeof layOwn>[1]) =>
      layOwn(scene.book, sheets).reduce((sum, layer) => sum + layer.thickness, 0);
    const between = thick([{ material: detail.glassBetween, angleDeg: 0 }]);
    const { sheets, thickness } = detail.plywood;
    expect(schools[0]!.thickness).toBeCloseTo(
      thick(detail.outer) + sheets * thickness + (sheets - 1) * between + thick(detail.inner),
      9,
    );
  });
  it('takes P·L/4 between the knees and half the moment of its lever, by plane sections', () => {
    const moment = (FORCE * FACTOR * detail.span) / 4 + (FORCE * FACTOR * 0.2) / 2;
    for (const school of schools) {
      const skin = school.checks.find(({ id }) => id === 'outerSkin')!;
      const inner = school.checks.find(({ id }) => id === 'innerSkin')!;
      // The faces lie as far apart as the board is thick: their strains add to thickness times curvature.
      expect(skin.demand + inner.demand).toBeCloseTo((school.thickness * moment) / school.EI, 9);
    }
  });
  it('crushes under its washers at half the strength across, against creep', () => {
    const ring = (Math.PI / 4) * (detail.washerDiameter ** 2 - detail.boltDiameter ** 2);
    const wood = material(sail, 'wood', detail.plywood.wood);
    const crush = schools[0]!.checks.find(({ id }) => id === 'crush')!;
    expect(crush.demand).toBeCloseTo(detail.preload / ring, 3);
    expect(crush.capacity).toBeCloseTo(0.5 * wood.compressiveAcross.value, 3);
  });
});

describe('a fitting on bolts', () => {
  const [, deck] = zoneOf(boat, 'Foredeck');
  const given: Partial<DetailOf<'bolted'>> = {
    bolts: [
      [-0.05, -0.04],
      [0.05, -0.04],
      [-0.05, 0.04],
      [0.05, 0.04],
    ],
    boltDiameter: 0.01,
    washerDiameter: 0.03,
    base: [0.16, 0.12],
    edgeDistance: 0.04,
    core: 'solid',
    insert: null,
    bevel: 3,
    preload: 0,
    plate: null,
    tapped: null,
    sheets: [],
  };
  const sheared = detailOf(boat, 'bolted', deck, given);
  const up = loaded(merrow(), 0, 0, 1);

  it('shares a force in its plane over its bolts: 20 kN on four is 5 kN each', () => {
    const evaluation = evaluateDetail(boat, sheared);
    const { book, laid } = sceneOf(boat, sheared);
    const member = memberAlong(book, laid, 0);
    const core = laid
      .filter((layer) => layer.material.kind === 'core')
      .reduce((sum, layer) => sum + layer.thickness, 0);
    const thickness = member.thickness + core;
    agrees(evaluation, 'bearing', 5000 / (0.01 * thickness), member.compressiveStrength);
    // The strip of a bolt is twice its edge distance or the least pitch, whichever is less: 80 mm.
    agrees(evaluation, 'netTension', 5000 / (0.07 * thickness), OPEN_HOLE * member.tensileStrength);
    agrees(evaluation, 'shearOut', 5000 / (2 * 0.035 * thickness), member.shearStrength);
    const metal = material(boat, 'metal', sheared.boltMetal);
    agrees(evaluation, 'bolt', Math.sqrt(3) * 5000, metal.yieldStrength.value * ((0.78 * Math.PI * 0.01 ** 2) / 4));
    expect(evaluation.checks.map(({ id }) => id)).not.toContain('punching');
  });
  it('pulled off: 5 kN a bolt punches round its washer', () => {
    const pulled = detailOf(up, 'bolted', deck, given);
    const { laid, book } = sceneOf(up, pulled);
    const member = memberAlong(book, laid, 0);
    const core = laid
      .filter((layer) => layer.material.kind === 'core')
      .reduce((sum, layer) => sum + layer.thickness, 0);
    agrees(
      evaluateDetail(up, pulled),
      'punching',
      5000 / (Math.PI * 0.03 * (member.thickness + core)),
      PUNCHING_STRENGTH,
    );
  });
  it('pressed down bears on its base alone: 20 kN on 160 × 120 mm is 1.04 MPa', () => {
    const down = loaded(merrow(), 0, 0, -1);
    const fitting = { ...given, face: 'outer' as const };
    const evaluation = evaluateDetail(down, detailOf(down, 'bolted', deck, fitting));
    expect(found(evaluation, 'pressing').demand).toBeCloseTo(20e3 / (0.16 * 0.12), 3);
    expect(evaluation.checks.map(({ id }) => id)).not.toContain('punching');
    // Where nobody said to which face, and on the inner one, the same force pulls the bolts.
    for (const face of ['either', 'inner'] as const) {
      const pulled = evaluateDetail(down, detailOf(down, 'bolted', deck, { ...given, face }));
      expect(found(pulled, 'punching').demand).toBeGreaterThan(0);
    }
  });
  it('high over its base tips it: 20 kN at 0.3 m on bolts 100 mm apart adds 6 kN·m, 30 kN a bolt', () => {
    const level = loaded(merrow(), 1, 0, 0);
    const high = { ...level, loads: level.loads.map((one) => (one.id === 'given' ? { ...one, height: 0.3 } : one)) };
    const detail = detailOf(high, 'bolted', deck, { ...given, core: 'solid', plate: null, preload: 0 });
    const bolt = found(evaluateDetail(high, detail), 'bolt');
    // Rows 0.1 m apart along the force; the bolts share 20 kN of shear, 5 kN each.
    expect(bolt.demand).toBeCloseTo(Math.hypot(6000 / 0.1 / 2, Math.sqrt(3) * 5000), 0);
    const bends = found(evaluateDetail(high, { ...detail, baseOf: 'bends' }), 'bolt');
    expect(bends.demand).toBeCloseTo(Math.hypot(1.3 * 30e3, Math.sqrt(3) * 5000), 0);
  });
  it('on a core is cut out round what is let in: force over the rim, and a moment by hand', () => {
    const up = loaded(merrow(), 0, 0, 1);
    const cored = up.parts.flatMap(({ zones }) => zones).find(({ name }) => name === 'Foredeck')!;
    const detail = detailOf(up, 'bolted', cored, { ...given, core: 'solid', beyond: 0, face: 'outer' });
    const one = found(evaluateDetail(up, detail), 'insertEdge');
    const wider = found(evaluateDetail(up, { ...detail, beyond: 0.05 }), 'insertEdge');
    // 160 × 120 mm has 560 mm of rim; 50 mm more all round, 960 mm.
    expect(one.demand / wider.demand).toBeCloseTo(0.96 / 0.56, 6);
    expect(one.reserveFactor).toBeLessThan(wider.reserveFactor);
    // Over a beam the beam takes it, and that it was not checked is said.
    const held = evaluateDetail(up, { ...detail, stands: 'support' });
    expect(held.checks.map(({ id }) => id)).not.toContain('insertEdge');
    expect(held.cautions.map(({ text }) => text).join()).toContain('not checked here');
  });
  it('in the middle of its panel bends it: 6.7 kN × 1.5 on a keel band is nowhere near 284 times held', () => {
    const home = merrow();
    const keel = home.parts.flatMap(({ zones }) => zones).find(({ name }) => name === 'Keel band')!;
    const load = {
      ...loaded(home, 0, 0, -1).loads.at(-1)!,
      cause: { kind: 'given' as const, force: 6700 },
      factor: 1.5,
    };
    const down = { ...home, loads: [...home.loads, load] };
    const step = {
      ...given,
      core: 'none' as const,
      sheets: [],
      base: [0.22, 0.14] as [number, number],
      face: 'inner' as const,
    };
    const evaluation = evaluateDetail(down, detailOf(down, 'bolted', keel, step));
    expect(found(evaluation, 'pressing').reserveFactor).toBeGreaterThan(50);
    expect(found(evaluation, 'panelPlies').reserveFactor).toBeLessThan(3);
    expect(evaluation.governing!.id).toBe('panelPlies');
  });
  it('on a tapped plate strips half the cylinder of its thread', () => {
    const metal = sheared.boltMetal;
    const tapped = evaluateDetail(up, detailOf(up, 'bolted', deck, { ...given, tapped: { metal, thickness: 0.01 } }));
    const yielded = material(up, 'metal', metal).yieldStrength.value;
    agrees(tapped, 'thread', 5000, 0.5 * Math.PI * 0.01 * 0.01 * (yielded / Math.sqrt(3)));
  });
  it('under a lasting preload keeps to half of what it bears on', () => {
    const tight = evaluateDetail(boat, { ...sheared, preload: 6000 });
    const { capacity, demand } = found(tight, 'preload');
    expect(demand).toBeCloseTo(6000 / ((Math.PI / 4) * (0.03 ** 2 - 0.01 ** 2)), 3);
    const { book, laid } = sceneOf(boat, sheared);
    expect(capacity / memberAlong(book, laid, 0).compressiveStrength).toBeCloseTo(0.5, 9);
  });
});

describe('every kind, when the load doubles', () => {
  const homes = [merrow(), brant()];
  const all = homes.flatMap((home) => home.details.map((detail) => ({ home, detail, name: detail.name })));
  const twice = (home: Boat): Boat => ({
    ...home,
    loads: home.loads.map((load) => ({ ...load, factor: load.factor * 2 })),
  });

  it.each(all)(
    '$name: no reserve rises, and none in strength stays',
    ({ home, detail }: { home: Boat; detail: Detail }) => {
      const [before, after] = [evaluateDetail(home, detail), evaluateDetail(twice(home), detail)];
      expect(after.checks.map(({ id }) => id)).toEqual(before.checks.map(({ id }) => id));
      for (const [i, was] of before.checks.entries()) {
        const now = after.checks[i]!;
        expect(now.reserveFactor, now.name).toBeLessThanOrEqual(was.reserveFactor * (1 + 1e-9));
      }
      if (detail.load !== null) {
        const least = Math.min(...before.checks.map(({ reserveFactor }) => reserveFactor));
        const strength = before.checks.filter(
          (check, i) => after.checks[i]!.reserveFactor < check.reserveFactor * 0.999,
        );
        expect(strength.length, `something carries the load (least ${least})`).toBeGreaterThan(0);
      }
    },
  );
});
