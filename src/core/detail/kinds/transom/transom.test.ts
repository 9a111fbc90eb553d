import { BOND_STRENGTH } from '../../../material';
import { describe, expect, it } from 'vitest';
import { agrees, found, loaded, material } from '../../../../../tests/helpers/byHand';
import { brant } from '../../../../../tests/helpers/merrow';
import type { Boat } from '../../../document';
import { evaluateDetail, sceneOf, transomSchools, type DetailOf } from '..';
import { layOwn } from '../scene';
import { transomActions } from './actions';

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
    const { cases } = transomActions(sceneOf(motor, detail), detail);
    expect(cases[0]).toEqual({ name: 'ahead', normal: 2000, moment: 2 * (1000 * 0.2 + weight * 0.3), side: 0 });
  });
  it('that is steered hard over pushes to the side with half of its thrust: on bolts, board and knees', () => {
    const steered = (thrust: number): Boat => ({
      ...sail,
      loads: sail.loads.map((load) =>
        load.id === 'given' ? { ...load, cause: { kind: 'thrust', thrust, mass: 50, dynamic: 3 } } : load,
      ),
    });
    const [weight, side] = [2 * 50 * 9.80665 * 3, 2 * 1000 * 0.5];
    const actions = transomActions(sceneOf(steered(1000), detail), detail);
    const over = actions.cases.find(({ name }) => name === 'hard over')!;
    expect(over.normal).toBeCloseTo(2000 * Math.cos(Math.PI / 6), 6);
    expect(over.side).toBeCloseTo(side, 6);
    expect(actions.sideways).toBeCloseTo(side * 0.3, 6);
    // Bolts at ±0.1 up and ±0.08 athwart; what pushes aside 0.2 m below them turns them by M r / Σ r².
    const [r2, M] = [4 * (0.1 ** 2 + 0.08 ** 2), side * 0.2];
    expect(actions.shear).toBeCloseTo(Math.hypot(weight / 4 + (M * 0.08) / r2, side / 4 + (M * 0.1) / r2), 6);
    expect(actions.shearBy).toBe('hard over');
    // Ahead asks most of the rows; the pair at the middle adds M/2 of bending, on two strips.
    const [, board] = transomSchools(sceneOf(steered(1000), detail), detail);
    const [, still] = transomSchools(sceneOf(steered(1000), detail), { ...detail, overhang: 1e-9 });
    const bent = (school: typeof board) => school!.checks.find(({ id }) => id === 'board')!.demand;
    const [rows, turned] = [(0.5 / 4) * actions.rowIn, (side * 0.3) / 4];
    const alone = transomActions(sceneOf(steered(1000), { ...detail }), { ...detail, overhang: 1e-9 }).rowIn;
    expect(bent(board) / bent(still)).toBeCloseTo((rows + turned) / ((0.5 / 4) * alone), 5);
    const bearing = board!.checks.find(({ id }) => id === 'bearing')!;
    expect(bearing.demand).toBeCloseTo(actions.shear, 6);
    const knees = { length: 0.4, overlap: 0.08, preparation: 'peelAbrade' as const, thickness: null };
    const held = found(evaluateDetail(steered(1000), { ...detail, knees }), 'knees').demand;
    const flows = actions.cases.map(({ normal, moment, side: aside }) => {
      const force = Math.abs(normal) / 2 + (aside * 0.3) / 0.5;
      return Math.hypot(force / 0.4, (6 * (force * detail.height + Math.abs(moment) / 2)) / 0.4 ** 2);
    });
    expect(held).toBeCloseTo(Math.max(...flows) / 0.16, 3);
    expect(evaluateDetail(steered(1000), { ...detail, boltCount: 1 }).problem).toContain('cannot hold a moment');
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
