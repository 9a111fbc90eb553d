import { describe, expect, it } from 'vitest';
import {
  agrees,
  boat,
  bottom,
  detailOf,
  FACTOR,
  FORCE,
  found,
  loaded,
  material,
} from '../../../../tests/helpers/byHand';
import { brant, merrow } from '../../../../tests/helpers/merrow';
import { type Boat } from '../../document';
import { transomActions } from './transom/actions';
import { evaluateDetail, sceneOf, transomSchools, type Detail, type DetailOf } from '.';
import { BOND_STRENGTH, layOwn, memberAlong } from './scene';

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
  it('pulled across itself is sheared along its breadth: 0.4 m, not 0.5', () => {
    const home = loaded(merrow(), 0, 1, 0);
    const across = sceneOf(home, patch);
    // On the bottom, outboard leaves the plane a little: what stays in it sets the direction alone.
    const strong = memberAlong(book, [...across.laid, ...own], 90);
    const asked = found(evaluateDetail(home, patch), 'shear');
    expect(asked.demand).toBeCloseTo((FORCE * FACTOR) / (2 * 0.4 * strong.thickness), 3);
  });
  it('hangs on the largest sheet: 20 kN on 0.5 × 0.4 m is 100 kPa', () => {
    agrees(evaluation, 'bond', 100e3, BOND_STRENGTH.peelAbrade / 3);
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
    // Of 0.4 m, 0.1 stand in the web: 0.3 are turned out at its foot.
    agrees(evaluation, 'bond', 20e3 / (0.5 * 0.3), BOND_STRENGTH.wetOnWet / 3);
    expect(evaluation.cautions.map(({ title }) => title)).not.toContain('No ±45');
  });
  it('that leaves nothing to turn out at its foot is refused', () => {
    expect(evaluateDetail(boat, { ...web, breadth: 0.4 }).problem).toContain('nothing to turn out at its foot');
  });
  it('is told to lie at ±45° where it does not', () => {
    const straight = { ...web, sheets: [{ ...sheets[0]!, material: 'bx0-600' }] };
    expect(evaluateDetail(boat, straight).cautions.map(({ title }) => title)).toContain('No ±45');
  });
  it('wrapped round an edge pulls on both faces, at five thicknesses of radius', () => {
    const wrap = evaluateDetail(boat, { ...web, form: 'wrappedEdge', breadth: 0.2, radius: 0.01 });
    agrees(wrap, 'wrap', 20e3, 2 * memberAlong(book, own, 90).tensileStrength * thickness * 0.2);
    agrees(wrap, 'bond', 20e3 / (2 * 0.25 * 0.2), BOND_STRENGTH.wetOnWet / 3);
    agrees(wrap, 'radius', 5 * thickness, 0.01);
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
  it('of a laminate that is stronger across the boat is asked for that strength, and says so', () => {
    const part = boat.parts.find(({ zones }) => zones.some(({ id }) => id === bottom.id))!;
    const strong = { ...part.layers.find(({ zones }) => zones.includes(bottom.id))!, id: 'strong', material: 'ud-600' };
    const laidAt = (angleDeg: number) => {
      const layers = [...part.layers, { ...strong, angleDeg, role: 'structure' as const, zones: [bottom.id] }];
      const home = { ...boat, parts: boat.parts.map((one) => (one === part ? { ...part, layers } : one)) };
      const scene = sceneOf(home, joint);
      return { shear: found(evaluateDetail(home, joint), 'shear'), strength: (to: number) => memberOf(scene, to) };
    };
    const memberOf = (scene: ReturnType<typeof sceneOf>, to: number) =>
      memberAlong(scene.book, scene.laid, to).tensileStrength;
    const [along, across] = [laidAt(0), laidAt(90)];
    expect(across.strength(90)).toBeGreaterThan(1.05 * across.strength(0));
    expect(across.shear.demand).toBeCloseTo(across.strength(90) * Math.sin(theta) * Math.cos(theta), 3);
    expect(across.shear.name).toMatch(/across the boat$/);
    expect(along.shear.demand).toBeCloseTo(along.strength(0) * Math.sin(theta) * Math.cos(theta), 3);
    expect(along.shear.name).not.toMatch(/across/);
  });
  it('is relieved by overlap layers by what they carry, which then hang on the narrowest', () => {
    const outer = [{ material: 'bx0-600', angleDeg: 0, overlap: 0.12 }];
    const inner = [{ material: 'bx0-600', angleDeg: 0, overlap: 0.08 }];
    const relieved = evaluateDetail(boat, { ...joint, outer, inner });
    const overlap = memberAlong(book, layOwn(book, [...outer, ...inner]), 0);
    const N = member.tensileStrength * member.thickness;
    // Springs side by side: each takes its part of the sum of E t.
    const [a, b] = [overlap.E * overlap.thickness, member.E * member.thickness];
    const share = a / (a + b);
    agrees(
      relieved,
      'shear',
      member.tensileStrength * Math.sin(theta) * Math.cos(theta) * (1 - share),
      BOND_STRENGTH.peelAbrade,
    );
    agrees(relieved, 'overlap', (share * N) / 0.08, BOND_STRENGTH.peelAbrade);
    const weaker = Math.min(overlap.tensileStrength, overlap.compressiveStrength) * overlap.thickness;
    agrees(relieved, 'overlapTension', share * N, weaker);
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
    agrees(evaluation, 'bond', (leg * FACTOR) / (strap.width * anchor), BOND_STRENGTH[strap.preparation] / 3);
  });
  it('stretch the base each its own way: along 30° to either side, not along the load between them', () => {
    const { book, laid } = sceneOf(sail, strap);
    const limit = (direction: number) => {
      const { tensileStrength, E } = memberAlong(book, laid, direction);
      return tensileStrength / E;
    };
    const { capacity } = found(evaluation, 'baseStrain');
    expect(capacity).toBeCloseTo(Math.min(limit(30), limit(-30)), 12);
    expect(Math.abs(capacity / limit(0) - 1)).toBeGreaterThan(0.01);
    expect(found(evaluateDetail(sail, { ...strap, sides: 1 }), 'baseStrain').capacity).toBeCloseTo(limit(0), 12);
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
  const detail: DetailOf<'transom'> = {
    ...outboard,
    load: 'given',
    leverArm: 0.2,
    boltCount: 4,
    bracketHeight: 0.3,
    boltRows: 0.2,
    overhang: 0.3,
    astern: 0.7,
    impact: 0,
    clampBreadth: 0.25,
    height: 0.5,
    span: 0.5,
    plate: null,
    knees: null,
    boltMetal: null,
    boltClass: 'metal',
  };
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
  it('is bent by its rows of bolts: 20 kN ahead and 4 kN·m on rows 0.2 m apart are 30 kN in; astern 21 kN off', () => {
    const actions = transomActions(scene, detail);
    expect([actions.rowIn, actions.rowOff]).toEqual([30e3, 21e3]);
    // 30 kN at the middle of 0.5 m: 3750 N·m on a strip 0.2 m high, half of the bracket and 0.1 m.
    for (const school of schools) {
      const strip = 0.2;
      const curvature = 3750 / (school.EI * (strip / school.breadth));
      const share = 21 / 30;
      const [outer, inner] = ['outerSkin', 'innerSkin'].map((id) => school.checks.find((one) => one.id === id)!);
      // The faces lie as far apart as the board is thick: their strains add to thickness times curvature.
      const added = school.thickness * curvature;
      const either = [1, 1 / share].flatMap((a) => [1, 1 / share].map((b) => a * outer!.demand + b * inner!.demand));
      expect(Math.min(...either.map((sum) => Math.abs(sum / added - 1)))).toBeLessThan(1e-9);
      const shear = school.checks.find(({ id }) => id === 'boardShear')!;
      expect(shear.demand).toBeGreaterThan(30e3 / 2 / (strip * school.thickness));
      expect(shear.demand).toBeLessThan((30e3 / 2 / (strip * school.thickness)) * 1.2);
    }
  });
  it('pulls its lower bolts astern: 14 kN and 2.8 kN·m about the upper edge of the bracket, or their middle', () => {
    const { pull, pullBy } = transomActions(scene, detail);
    // Four bolts, 0.05 and 0.25 m from the edge: 2800 · 0.25 / (2 · 0.05² + 2 · 0.25²); about the middle 2800 / 0.4.
    expect(pull).toBeCloseTo(14e3 / 4 + Math.max((2800 * 0.25) / 0.13, 2800 / (4 * 0.1)), 6);
    expect(pullBy).toBe('astern');
    const struck = transomActions(scene, { ...detail, impact: 20e3 });
    expect(struck.pullBy).toBe('striking');
    expect(struck.pull).toBeCloseTo((pull * 40) / 14, 6);
  });
  it('hangs a motor on its upper bolts: thrust below and weight aft of them turn the same way', () => {
    const motor: Boat = {
      ...sail,
      loads: sail.loads.map((load) =>
        load.id === 'given' ? { ...load, cause: { kind: 'thrust', thrust: 1000, mass: 50, dynamic: 3 } } : load,
      ),
    };
    const weight = 50 * 9.80665 * 3;
    const { cases, shear } = transomActions(sceneOf(motor, detail), detail);
    expect(cases[0]).toEqual({ name: 'ahead', normal: 2000, moment: 2 * (1000 * 0.2 + weight * 0.3) });
    expect(shear).toBeCloseTo((2 * weight) / 4, 6);
  });
  it('checks bolts whose metal is said, in a class that it is made in, and says what it leaves out', () => {
    const metal = sail.materials.find((one) => one.kind === 'metal' && one.family === 'stainless')!.id;
    const bolted = { ...detail, boltMetal: metal, boltClass: 'a70' as const };
    const area = (0.78 * Math.PI * detail.boltDiameter ** 2) / 4;
    const { pull, shear } = transomActions(scene, detail);
    const evaluation = evaluateDetail(sail, bolted);
    agrees(evaluation, 'bolt', Math.hypot(Math.max(pull, detail.preload), Math.sqrt(3) * shear), 450e6 * area);
    const thread = 0.5 * Math.PI * 0.8 * detail.boltDiameter ** 2 * (450e6 / Math.sqrt(3));
    agrees(evaluation, 'nut', Math.max(pull, detail.preload), thread);
    expect(evaluation.notChecked).not.toContain('the bolts themselves: their metal is not said');
    expect(evaluateDetail(sail, { ...bolted, boltClass: 's88' }).problem).toContain('not made in class steel 8.8');
    expect(evaluateDetail(sail, { ...detail, boltMetal: null }).notChecked).toContain(
      'the bolts themselves: their metal is not said',
    );
  });
  it('spreads the pull of all its bolts over a plate, and refuses rows that leave the bracket', () => {
    const plated = evaluateDetail(sail, { ...detail, plate: { length: 0.3, breadth: 0.25 } });
    const { pull } = transomActions(scene, detail);
    expect(found(plated, 'crushPull').demand).toBeCloseTo((4 * pull) / (0.3 * 0.25), 3);
    expect(evaluateDetail(sail, { ...detail, boltRows: 0.4 }).problem).toContain('do not fit a bracket');
  });
  it('hands half of force and moment to each knee', () => {
    const evaluation = evaluateDetail(sail, {
      ...detail,
      knees: { length: 0.4, overlap: 0.08, preparation: 'peelAbrade', thickness: null },
    });
    const turned = (20e3 * detail.height + 4000) / 2;
    const flow = Math.hypot(10e3 / 0.4, (6 * turned) / 0.4 ** 2);
    agrees(evaluation, 'knees', flow / (2 * 0.08), BOND_STRENGTH.peelAbrade / 3);
  });
  it('takes a knee as a strut along its free edge, which crushes or buckles, and says so where it is not thick', () => {
    const knees = { length: 0.4, overlap: 0.08, preparation: 'peel' as const, thickness: 0.018 };
    const evaluation = evaluateDetail(sail, { ...detail, knees });
    const strut = Math.hypot(detail.height, 0.4);
    const width = (0.5 * detail.height * 0.4) / strut;
    const force = 10e3 + 4000 / 2 / detail.height;
    const one = found(evaluation, 'kneePlate');
    expect(one.demand).toBeCloseTo((force * strut) / 0.4 / (0.018 * width), 3);
    const wood = material(sail, 'wood', detail.plywood.wood);
    // A sheet of seven veneers; its bending across the grain is 0.447 of that along (woodPly.test.ts).
    const buckles = ((0.43 * Math.PI ** 2 * 0.4467 * wood.E.value) / 12) * (0.018 / width) ** 2;
    expect(one.capacity).toBeLessThanOrEqual(buckles / 2 + 1);
    expect(one.capacity).toBeLessThanOrEqual(wood.compressiveStrength.value / 2);
    const thin = found(evaluateDetail(sail, { ...detail, knees: { ...knees, thickness: 0.006 } }), 'kneePlate');
    expect(thin.reserveFactor).toBeLessThan(one.reserveFactor / 3);
    expect(evaluation.notChecked.join()).not.toContain('knees as plates');
    expect(found(evaluation, 'knees').capacity).toBeCloseTo(BOND_STRENGTH.peel / 3, 3);
    const untold = evaluateDetail(sail, { ...detail, knees: { ...knees, thickness: null } });
    expect(untold.notChecked.join()).toContain('the knees as plates');
  });
  it('crushes under its washers at half the strength across, against creep', () => {
    const ring = (Math.PI / 4) * (detail.washerDiameter ** 2 - detail.boltDiameter ** 2);
    const wood = material(sail, 'wood', detail.plywood.wood);
    const crush = schools[0]!.checks.find(({ id }) => id === 'crush')!;
    expect(crush.demand).toBeCloseTo(detail.preload / ring, 3);
    expect(crush.capacity).toBeCloseTo(0.5 * wood.compressiveAcross.value, 3);
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
