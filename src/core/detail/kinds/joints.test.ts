import { describe, expect, it } from 'vitest';
import { agrees, boat, bottom, detailOf, found, material } from '../../../../tests/helpers/byHand';
import { zoneOf } from '../../../../tests/helpers/merrow';
import { zonePanels } from '../../document';
import { evaluateStiffeners, evaluateZone } from '../../evaluate';
import { evaluateDetail, sceneOf } from '.';
import { BOND_STRENGTH, layOwn, memberAlong, OPEN_HOLE } from './scene';

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
