import { describe, expect, it } from 'vitest';
import { agrees, boat, detailOf, FACTOR, FORCE, found, loaded } from '../../../../../tests/helpers/byHand';
import { brant, zoneOf } from '../../../../../tests/helpers/merrow';
import type { Boat, Zone } from '../../../document';
import { evaluateDetail, sceneOf, type DetailOf } from '..';
import { layOwn, memberAlong, OPEN_HOLE } from '../scene';

const D = 0.01;
/** Two bolts behind one another along the boat, on a base that does not reach far. */
const fitting = (home: Boat, zone: Zone, given: Partial<DetailOf<'bolted'>> = {}) =>
  detailOf(home, 'bolted', zone, {
    bolts: [
      [-0.05, 0],
      [0.05, 0],
    ],
    base: [0.16, 0.1],
    boltDiameter: D,
    edgeDistance: 0.08,
    stands: 'support',
    sheets: [],
    plate: null,
    preload: 0,
    ...given,
  });

describe('a fitting that is pulled along a sandwich', () => {
  const [, deck] = zoneOf(boat, 'Foredeck');
  const letIn = { core: 'highDensity' as const, insert: 'pu-board-600' };
  const { book, laid } = sceneOf(boat, fitting(boat, deck));
  const core = laid.findIndex(({ material }) => material.kind === 'core');
  const skins = { outer: laid.slice(0, core), inner: laid.slice(core + 1) };
  const each = (FORCE * FACTOR) / 2;
  const onSkin = (face: 'outer' | 'inner', sheets: DetailOf<'bolted'>['sheets'] = []) =>
    memberAlong(book, [...skins[face], ...layOwn(book, sheets)], 0);

  const bornBy = (face: 'outer' | 'inner'): [demand: number, capacity: number] => {
    const { thickness, compressiveStrength } = onSkin(face);
    return [each / (D * thickness), compressiveStrength];
  };

  it.each(['outer', 'inner'] as const)('bears on its %s skin alone: 10 kN a bolt', (face) => {
    const { thickness, tensileStrength, shearStrength } = onSkin(face);
    const evaluation = evaluateDetail(boat, fitting(boat, deck, { ...letIn, face }));
    agrees(evaluation, 'bearing', ...bornBy(face));
    // Holes 0.1 m apart and 0.08 m from the edge: 0.1 m each.
    agrees(evaluation, 'netTension', each / ((0.1 - D) * thickness), OPEN_HOLE * tensileStrength);
    agrees(evaluation, 'shearOut', each / (2 * (0.08 - D / 2) * thickness), shearStrength);
    expect(found(evaluation, 'bearing').source).toContain(`the ${face} skin`);
  });
  it('until its face is said, on the worse of both', () => {
    const [either, outer, inner] = (['either', 'outer', 'inner'] as const).map(
      (face) => found(evaluateDetail(boat, fitting(boat, deck, { ...letIn, face })), 'bearing').reserveFactor,
    );
    expect(either).toBeCloseTo(Math.min(outer!, inner!), 12);
    expect(Math.max(outer!, inner!)).toBeGreaterThan(1.1 * either!);
  });
  it('has its patch on that face, and is told to lay it there', () => {
    const sheets = [{ material: 'bx0-600', angleDeg: 0, length: 0.4, breadth: 0.3 }];
    const { thickness, compressiveStrength } = onSkin('inner', sheets);
    const evaluation = evaluateDetail(boat, fitting(boat, deck, { ...letIn, face: 'inner', sheets }));
    agrees(evaluation, 'bearing', each / (D * thickness), compressiveStrength);
    expect(evaluation.steps.join()).toContain('on the face that the fitting stands on');
  });
  it('is refused, in words, on a core that lies bare', () => {
    const inside = new Set(skins.inner.map(({ layer }) => layer.id));
    const parts = boat.parts.map((part) => ({ ...part, layers: part.layers.filter(({ id }) => !inside.has(id)) }));
    const on = (face: 'outer' | 'inner' | 'either') =>
      evaluateDetail({ ...boat, parts }, fitting(boat, deck, { ...letIn, face }));
    expect(on('inner').problem).toBe('There is no fabric on the inner face of the core to carry the load');
    for (const face of ['outer', 'either'] as const) agrees(on(face), 'bearing', ...bornBy('outer'));
  });
  it('bears on all of it where the core is made solid', () => {
    const solid = evaluateDetail(boat, fitting(boat, deck, { core: 'solid', insert: null, face: 'outer' }));
    const all = memberAlong(book, laid, 0);
    const thickness = all.thickness + laid[core]!.thickness;
    agrees(solid, 'bearing', each / (D * thickness), all.compressiveStrength);
    expect(found(solid, 'bearing').source).not.toContain('skin');
    const plate = { metal: 'stainless-a4', thickness: 0.008 };
    const tapped = fitting(boat, deck, { core: 'solid', insert: null, tapped: plate });
    expect(evaluateDetail(boat, tapped).notChecked.join()).toContain('plate pulled out');
    expect(solid.notChecked.join()).not.toContain('plate pulled out');
  });
});

describe('bolts that stand behind one another', () => {
  const home = loaded(brant(), 1, 0, 0);
  const [, keel] = zoneOf(home, 'Keel band');
  const solid = { core: 'none' as const, insert: null, edgeDistance: 0.4 };
  const pitched = (pitch: number, given: Partial<DetailOf<'bolted'>> = {}) =>
    fitting(home, keel, {
      ...solid,
      bolts: [
        [-pitch / 2, 0],
        [pitch / 2, 0],
      ],
      ...given,
    });
  const { book, laid } = sceneOf(home, pitched(0.1));
  const { thickness, shearStrength } = memberAlong(book, laid, 0);
  const each = (FORCE * FACTOR) / 2;

  it('tear out into the next hole: from rim to rim, 90 mm at 100 and 20 at 30', () => {
    agrees(evaluateDetail(home, pitched(0.1)), 'shearOut', each / (2 * 0.09 * thickness), shearStrength);
    agrees(evaluateDetail(home, pitched(0.03)), 'shearOut', each / (2 * 0.02 * thickness), shearStrength);
  });
  it('but not where the edge is nearer, nor into a hole beside their way', () => {
    const near = evaluateDetail(home, pitched(0.1, { edgeDistance: 0.06 }));
    agrees(near, 'shearOut', each / (2 * 0.055 * thickness), shearStrength);
    const beside = (off: number) =>
      pitched(0.1, {
        bolts: [
          [-0.05, -off / 2],
          [0.05, off / 2],
        ],
      });
    const edge = each / (2 * 0.395 * thickness);
    expect(found(evaluateDetail(home, beside(2 * D)), 'shearOut').demand).toBeCloseTo(edge, 3);
    expect(found(evaluateDetail(home, beside(0.9 * D)), 'shearOut').demand).toBeGreaterThan(2 * edge);
  });
});
