import { BOND_STRENGTH } from '../../material';
import { describe, expect, it } from 'vitest';
import { agrees, boat, bottom, detailOf, FACTOR, FORCE, found, loaded } from '../../../../tests/helpers/byHand';
import { brant, merrow } from '../../../../tests/helpers/merrow';
import { type Boat } from '../../document';
import { evaluateDetail, sceneOf, type Detail, type DetailOf } from '.';
import { layOwn, memberAlong } from './scene';

describe('a patch in its plane', () => {
  const patch = detailOf(boat, 'patch', bottom, { breadth: 0.2, preparation: 'peelAbrade' });
  const evaluation = evaluateDetail(boat, patch);
  const { book, laid } = sceneOf(boat, patch);
  const own = layOwn(book, patch.sheets);
  const core = laid.findIndex(({ material: of }) => of.kind === 'core');
  const skins = [laid.slice(0, core), laid.slice(core + 1)];
  /** The skin that bears the least of its own strength, times its thickness. */
  const weaker = (strength: (skin: typeof laid) => number) =>
    skins.reduce((a, b) => (strength(b) < strength(a) ? b : a));

  it('shares the force over its breadth and the skin under it with it, whichever of the two that is', () => {
    const ends = (skin: typeof laid) => {
      const { tensileStrength, compressiveStrength, thickness } = memberAlong(book, [...skin, ...own], 0);
      return { stress: Math.min(tensileStrength, compressiveStrength), thickness };
    };
    const { stress, thickness } = ends(weaker((skin) => ends(skin).stress * ends(skin).thickness));
    agrees(evaluation, 'tension', (FORCE * FACTOR) / (0.2 * thickness), stress);
    expect(core).toBeGreaterThan(0);
  });
  it('shears the skin beside it along both its sides, where there is no patch', () => {
    const flow = (skin: typeof laid) => {
      const { shearStrength, thickness } = memberAlong(book, skin, 0);
      return shearStrength * thickness;
    };
    const { shearStrength, thickness } = memberAlong(book, weaker(flow), 0);
    agrees(evaluation, 'shear', (FORCE * FACTOR) / (2 * 0.5 * thickness), shearStrength);
  });
  it('pulled across itself is sheared along its breadth: 0.4 m, not 0.5', () => {
    // On the bottom, outboard leaves the plane a little: what stays in it sets the direction alone.
    const across = found(evaluateDetail(loaded(merrow(), 0, 1, 0), patch), 'shear').demand;
    expect(across / found(evaluation, 'shear').demand).toBeCloseTo(0.5 / 0.4, 9);
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
    expect(stress).toBeGreaterThan(member.compressiveStrength);
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
    const memberOf = (scene: ReturnType<typeof sceneOf>, to: number) => {
      const { tensileStrength, compressiveStrength } = memberAlong(scene.book, scene.laid, to);
      return Math.max(tensileStrength, compressiveStrength);
    };
    const [along, across] = [laidAt(0), laidAt(90)];
    expect(across.strength(90)).toBeGreaterThan(1.05 * across.strength(0));
    expect(across.shear.demand).toBeCloseTo(across.strength(90) * Math.sin(theta) * Math.cos(theta), 3);
    expect(across.shear.name).toMatch(/across the boat$/);
    expect(along.shear.demand).toBeCloseTo(along.strength(0) * Math.sin(theta) * Math.cos(theta), 3);
    expect(along.shear.name).not.toMatch(/across/);
  });
  it('is asked for what the laminate bears pressed, or sheared along the joint, where that is more than pulled', () => {
    const part = boat.parts.find(({ zones }) => zones.some(({ id }) => id === bottom.id))!;
    const [first] = part.layers.filter(({ zones }) => zones.includes(bottom.id));
    const laidAs = (layers: typeof part.layers) => {
      const home = { ...boat, parts: boat.parts.map((one) => (one === part ? { ...part, layers } : one)) };
      const scene = sceneOf(home, joint);
      const [along, across] = [0, 90].map((to) => memberAlong(scene.book, scene.laid, to));
      return { home, along: along!, across: across! };
    };
    // Across the boat the bottom bears 69 MPa pulled and 113 pressed.
    const { across } = laidAs(part.layers);
    expect(across.compressiveStrength).toBeGreaterThan(1.3 * across.tensileStrength);
    const shell = evaluateDetail(boat, { ...joint, ratio: 15 });
    expect(found(shell, 'shear').demand).toBeGreaterThanOrEqual(
      across.compressiveStrength * Math.sin(theta) * Math.cos(theta),
    );
    // Of ±45 alone, shear along the joint is more than either: S over the slope, or over the steps.
    const slanted = laidAs([{ ...first!, material: 'bx45-600', angleDeg: 0, role: 'structure' }]);
    const { along, home } = slanted;
    const most = Math.max(along.tensileStrength, along.compressiveStrength) * Math.sin(theta) * Math.cos(theta);
    agrees(
      evaluateDetail(home, joint),
      'shear',
      Math.max(most, along.shearStrength * Math.sin(theta)),
      BOND_STRENGTH.peelAbrade,
    );
    expect(evaluateDetail(boat, joint).notChecked).toContain('the joint of the core');
    expect(evaluateDetail(home, joint).notChecked).not.toContain('the joint of the core');
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
