import { BOND_STRENGTH } from '../../material';
import { describe, expect, it } from 'vitest';
import { agrees, boat, bottom, detailOf, found, loaded, material } from '../../../../tests/helpers/byHand';
import { brant, merrow, zoneOf } from '../../../../tests/helpers/merrow';
import { zonePanels } from '../../document';
import { evaluateStiffeners, evaluateZone } from '../../evaluate';
import { evaluateDetail, sceneOf } from '.';
import { layOwn, memberAlong, OPEN_HOLE } from './scene';

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
    ties: null,
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
  it('is opened over its fillet by its pull at half of fillet and tape: 3M / 2Rt against 2 MPa', () => {
    const t = member.thickness;
    const M = (5000 * (0.02 + t)) / 2;
    // 0.3 of 20 MPa between the plies, over the bond factor of 3.
    agrees(evaluateDetail(boat, tabbed), 'opened', (3 * M) / (2 * (0.02 + t / 2) * t), 2e6);
  });
  it('is not opened by what presses it on: of 3 along and 4 down only the 3 count', () => {
    const down = evaluateDetail(loaded(merrow(), 3, 0, -4), tabbed);
    const up = evaluateDetail(loaded(merrow(), 3, 0, 4), tabbed);
    expect(found(down, 'opened').demand / found(up, 'opened').demand).toBeCloseTo(0.6, 9);
  });
  it('that ties a bulkhead takes its edge for length, and its reaction with that of the hull, square to it', () => {
    const [part, engine] = zoneOf(boat, 'Engine bulkhead');
    const free = { ...tabbed, load: null };
    const tied = { ...free, ties: engine.id };
    const short = Math.min(engine.geometry.panelLength, engine.geometry.panelBreadth);
    const own = zonePanels(boat, engine, 'single')!.panels.map(
      ({ pressure, geometry }) => (pressure * Math.min(geometry.panelBreadth, geometry.panelLength)) / 2,
    );
    expect(part.kind).toBe('bulkhead');
    expect(short).toBeGreaterThan(0.1);
    const hull = found(evaluateDetail(boat, free), 'shear').demand * 2 * 0.1;
    const both = found(evaluateDetail(boat, tied), 'shear').demand * 2 * 0.1;
    expect(Math.sqrt(both ** 2 - hull ** 2) / 2).toBeCloseTo(Math.max(...own), -1);
    // Up both sides of the section: longer than it is broad and less than a box round it.
    const { total } = evaluateDetail(boat, tied);
    const metre = evaluateDetail(boat, { ...free, length: 1 }).total;
    expect(total / metre).toBeGreaterThan(2);
    expect(total / metre).toBeLessThan(8);
    // The sea presses the hull on; what opens the corner is the bulkhead's own half, twice from design to ultimate.
    const t = member.thickness;
    const opens = (2 * Math.max(...own) * (0.02 + t)) / 2 / 2;
    expect(found(evaluateDetail(boat, tied), 'opened').demand / ((3 * opens) / (2 * (0.02 + t / 2) * t))).toBeCloseTo(
      1,
      2,
    );
    expect(evaluateDetail(boat, free).checks.map(({ id }) => id)).not.toContain('opened');
    expect(evaluateDetail(boat, free).notChecked.join()).toContain('what opens the fillet');
    expect(evaluateDetail(boat, { ...tied, ties: bottom.id }).problem).toContain('is no bulkhead');
    expect(evaluateDetail(boat, { ...tied, ties: 'gone' }).problem).toContain('not in this boat any more');
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
  it('may be sheared along the joint by what is typed or lies in the plane, and says so where nothing is', () => {
    const along = (home: typeof boat) => found(evaluateDetail(home, tabbed), 'tapeShear');
    agrees(evaluateDetail(boat, tabbed), 'tapeShear', 5000, member.shearStrength * member.thickness);
    expect(along(loaded(merrow(), 3, 0, 4)).demand / along(boat).demand).toBeCloseTo(0.6, 9);
    const typed = evaluateDetail(boat, { ...tabbed, lineLoad: 4000, sides: 1 });
    expect(found(typed, 'tapeShear').demand).toBeCloseTo(8000, 6);
    const pressed = evaluateDetail(boat, { ...tabbed, load: null });
    expect(pressed.checks.map(({ id }) => id)).not.toContain('tapeShear');
    expect(pressed.notChecked.join()).toContain('along the joint');
    expect(typed.notChecked.join()).not.toContain('along the joint');
  });
  it('of adhesive takes all of the load on its bond, tapes beside it or not, and alone is pulled off as well', () => {
    const paste = material(boat, 'adhesive', 'methacrylate-tough');
    const glued = { ...tabbed, adhesive: paste.id, bondWidth: 0.05, bondLine: 0.003 };
    agrees(
      evaluateDetail(boat, { ...glued, method: 'adhesive' }),
      'adhesive',
      10_000 / 0.05,
      paste.shearStrength.value / 3,
    );
    agrees(evaluateDetail(boat, glued), 'adhesive', 10_000 / 0.05, paste.shearStrength.value / 3);
    const alone = evaluateDetail(boat, { ...glued, method: 'adhesive' });
    agrees(alone, 'pulledOff', 10_000 / 0.05, (0.3 * paste.shearStrength.value) / 3);
    expect(evaluateDetail(boat, glued).checks.map(({ id }) => id)).not.toContain('pulledOff');
    expect(evaluateDetail(boat, { ...glued, method: 'adhesive', load: null }).notChecked.join()).toContain(
      'what opens the bond',
    );
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
  it('has its fasteners bear where the laminate is weaker, across the joint or along it', () => {
    const part = boat.parts.find(({ zones }) => zones.includes(side))!;
    const strong = { ...part.layers.find(({ zones }) => zones.includes(side.id))!, id: 'strong', material: 'ud-600' };
    const layers = [...part.layers, { ...strong, angleDeg: 90, role: 'structure' as const, zones: [side.id] }];
    const home = { ...boat, parts: boat.parts.map((one) => (one === part ? { ...part, layers } : one)) };
    const scene = sceneOf(home, flange);
    const [along, across] = [0, 90].map((to) => memberAlong(scene.book, scene.laid, to));
    expect(across!.compressiveStrength).toBeGreaterThan(1.05 * along!.compressiveStrength);
    const one = found(evaluateDetail(home, { ...flange, pitch: 0.15, edgeDistance: 0.029 }), 'fasteners');
    expect(one.name).toContain('bearing');
    expect(one.capacity).toBeCloseTo(along!.compressiveStrength, 3);
  });
  it('is peeled by the moment of Goland and Reissner, and strained within a third of what it stretches', () => {
    const [P, c, t, ta] = [3000, 0.03, member.thickness, 0.003];
    const D = (member.E * t ** 3) / (12 * 0.91);
    const k = 1 / (1 + 2 * Math.sqrt(2) * Math.tanh((c / t) * Math.sqrt((3 * 0.91 * (P / t)) / (2 * member.E))));
    const M = (k * P * (t + ta)) / 2;
    const beta = ((2.8 * paste.shearModulus.value) / (2 * ta * D)) ** 0.25;
    agrees(evaluation, 'peel', beta ** 2 * M + beta * M * Math.sqrt(P / D), 2e6);
    agrees(evaluation, 'strain', 75e3 / paste.shearModulus.value, paste.elongation.value / 3);
  });
  it('shears its fasteners, one to a pitch', () => {
    const metal = material(boat, 'metal', flange.boltMetal);
    const area = (0.78 * Math.PI * 0.006 ** 2) / 4;
    agrees(evaluation, 'fastenerShear', 450, (metal.yieldStrength.value * area) / Math.sqrt(3));
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
  it('hands on what its most loaded span does, whichever span its section is worst on', () => {
    // On a stringer of Brant 56 the section is worst on the longest span, and another hands on a third more.
    const home = brant();
    const own56 = detailOf(home, 'stiffenerEnd', home.parts[0]!.zones[0]!, { load: null, taper: 1, notch: 0 });
    let elsewhere = 0;
    for (const { support, section: own, spans, worst: low } of evaluateStiffeners(home)) {
      if (!own || !low) continue;
      const forces = spans.map(({ pressure, span }) => pressure * span.spacing * span.length);
      const most = Math.max(...forces);
      const found = evaluateDetail(home, { ...own56, support: support.id });
      const { demand } = found.checks.find(({ id }) => id === 'bond')!;
      expect(demand, support.name).toBeCloseTo(most / (2 * own.flangeWidth * own.height), 6);
      if (spans[forces.indexOf(most)] !== low) elsewhere++;
    }
    expect(elsewhere).toBeGreaterThan(0);
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
