import { describe, expect, it } from 'vitest';
import { agrees, boat, detailOf, found, loaded, material } from '../../../../../tests/helpers/byHand';
import { merrow, zoneOf } from '../../../../../tests/helpers/merrow';
import { panelsToCheck } from '../../../document';
import { evaluateZone } from '../../../evaluate';
import { evaluateDetail, sceneOf, type DetailOf } from '..';
import { layOwn, memberAlong, OPEN_HOLE, PUNCHING_STRENGTH } from '../scene';

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
  it('turned by a force beside it pushes each bolt its own way: 20 kN, 100 mm off two bolts at 100 mm, at 63°', () => {
    const beside = loaded(merrow(), 1, 0, 0);
    const loads = beside.loads.map((one) => (one.id === 'given' ? { ...one, across: 0.1 } : one));
    const home = { ...beside, loads };
    const bolts: [number, number][] = [
      [-0.05, 0],
      [0.05, 0],
    ];
    // Unidirectional cloth along the boat bears well along the force, and badly across it.
    const sheets = [{ material: 'ud-600', angleDeg: 0, length: 0.4, breadth: 0.3 }];
    const turned = detailOf(home, 'bolted', deck, { ...given, bolts, sheets });
    const { book, laid } = sceneOf(home, turned);
    const drilled = [...laid.filter(({ material: { kind } }) => kind === 'fabric'), ...layOwn(book, sheets)];
    // 10 kN along from the force, 2 kNm over 100 mm across from its moment.
    const [push, way] = [Math.hypot(10_000, 20_000), (Math.atan2(20_000, 10_000) * 180) / Math.PI];
    const members = [way, -way].map((direction) => memberAlong(book, drilled, direction));
    const core = laid.reduce((sum, one) => sum + (one.material.kind === 'core' ? one.thickness : 0), 0);
    const thickness = members[0]!.thickness + core;
    const least = (of: (member: (typeof members)[number]) => number) => Math.min(...members.map(of));
    const evaluation = evaluateDetail(home, turned);
    const bearing = push / (0.01 * thickness);
    agrees(
      evaluation,
      'bearing',
      bearing,
      least(({ compressiveStrength: s }) => s),
    );
    agrees(evaluation, 'netTension', push / (0.07 * thickness), OPEN_HOLE * least(({ tensileStrength: s }) => s));
    agrees(
      evaluation,
      'shearOut',
      push / (2 * 0.035 * thickness),
      least(({ shearStrength: s }) => s),
    );
    // Along the force alone it would have looked stronger.
    expect(memberAlong(book, drilled, 0).compressiveStrength).toBeGreaterThan(1.05 * members[0]!.compressiveStrength);
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
  it('is as strong as its class of bolt, and in thin nuts strips before the bolt yields', () => {
    const area = (0.78 * Math.PI * 0.01 ** 2) / 4;
    const [strong, thin] = (['full', 'thin'] as const).map((nut) =>
      evaluateDetail(up, detailOf(up, 'bolted', deck, { ...given, boltClass: 'a80', nut })),
    );
    agrees(strong!, 'bolt', 5000, 600e6 * area);
    agrees(strong!, 'nut', 5000, 0.5 * Math.PI * 0.01 * 0.008 * (600e6 / Math.sqrt(3)));
    agrees(thin!, 'nut', 5000, 0.5 * Math.PI * 0.01 * 0.005 * (600e6 / Math.sqrt(3)));
    expect(found(strong!, 'nut').reserveFactor).toBeGreaterThan(found(strong!, 'bolt').reserveFactor);
    expect(found(thin!, 'nut').reserveFactor).toBeLessThan(found(thin!, 'bolt').reserveFactor);
    const wrong = evaluateDetail(up, detailOf(up, 'bolted', deck, { ...given, boltClass: 's109' }));
    expect(wrong.problem).toContain('is not made in class steel 10.9');
  });
  it('that somebody falls on is hit as hard as its panel is stiff, and hardest over a bulkhead', () => {
    const cause = { kind: 'person' as const, mass: 100, drop: 0.5, stop: null };
    const home = merrow();
    const load = { ...up.loads.find(({ id }) => id === 'given')!, cause };
    const falls = { ...home, loads: [...home.loads, load] };
    const own = detailOf(falls, 'bolted', deck, given);
    const [part, zone] = zoneOf(falls, 'Foredeck');
    const { D } = evaluateZone(falls, part, zone).stiffness!;
    const short = Math.min(
      ...panelsToCheck(falls, zone).map(({ geometry }) => Math.min(geometry.panelLength, geometry.panelBreadth)),
    );
    const still = (980.665 * 0.0056 * short ** 2) / Math.max(D[0][0], D[1][1]);
    expect(sceneOf(falls, own).load!.force).toBeCloseTo(980.665 * (1 + Math.sqrt(1 + 1 / still)), 3);
    expect(sceneOf(falls, { ...own, stands: 'support' }).load!.force).toBeGreaterThan(sceneOf(falls, own).load!.force);
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
