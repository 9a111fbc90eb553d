import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../../tests/helpers/merrow';
import type { Boat } from '../../document';
import type { Support } from '../../geometry';
import { bondAllowed, BOND_STRENGTH } from '../../material';
import type { StiffenerSection } from '../../stiffener';
import { evaluateStiffeners, sectionProperties, stiffenerWorking, type LoadedSpan, type StiffenerEvaluation } from '..';

const boat = merrow();
const of = (own: Boat, id: string): StiffenerEvaluation =>
  evaluateStiffeners(own).find(({ support }) => support.id === id)!;
const withSection = (id: string, patch: Partial<StiffenerSection>, own = boat): Boat => ({
  ...own,
  sections: own.sections.map((one) => (one.id === id ? { ...one, ...patch } : one)),
});
const withSupport = (id: string, patch: Partial<Support>, own = boat): Boat => ({
  ...own,
  supports: own.supports.map((one) => (one.id === id ? ({ ...one, ...patch } as Support) : one)),
});
const check = ({ checks }: Pick<LoadedSpan, 'checks'>, id: string) => checks.find((one) => one.id === id)!;
const ids = ({ checks }: Pick<LoadedSpan, 'checks'>) => checks.map(({ id }) => id);
/** The pack's factor from ultimate to design strengths, and that of the boat's quality. */
const [DESIGN, QUALITY] = [0.5, 0.8];

/** Σ E A (z − z_n) of all that stands on the plating of a span, by hand: as much as that of the plating (N·m). */
function standing(own: Boat, section: StiffenerSection, { platingThickness: t, neutralAxis }: LoadedSpan): number {
  const { crown, web, flange, former } = sectionProperties(own, section);
  const { height: h, baseWidth, crownWidth, flangeWidth } = section;
  const slant = Math.hypot(h, (baseWidth - crownWidth) / 2) / h;
  const members: [EA: number, z: number][] = [
    [2 * flange!.E * flangeWidth * flange!.thickness, t + flange!.thickness / 2],
    [2 * web.E * web.thickness * slant * h, t + h / 2],
    [crown!.E * crown!.thickness * crownWidth, t + h + crown!.thickness / 2],
    [former!.E * former!.width * h, t + h / 2],
  ];
  return members.reduce((sum, [EA, z]) => sum + EA * (z - neutralAxis), 0);
}

describe('the bond of a stiffener', () => {
  it('bears V S / EI over both flanges, from design to ultimate, by hand', () => {
    for (const { section, spans } of evaluateStiffeners(boat))
      for (const one of spans) {
        const flow = (one.endForce * standing(boat, section!, one)) / one.EI;
        const { demand, capacity } = check(one, 'bond');
        expect(demand / (flow / (2 * section!.flangeWidth) / DESIGN)).toBeCloseTo(1, 6);
        expect(capacity).toBe(8e6 / 3);
      }
  });
  it('counts as after peel ply alone until it is said, and says so; wet on wet bears more', () => {
    const bonded = (how: StiffenerSection['bonded']) =>
      check(of(withSection('beam-80', { bonded: how }), 'beam-mid'), 'bond');
    const [unsaid, peel, wet] = [bonded('notSaid'), bonded('peel'), bonded('wetOnWet')];
    expect(unsaid.reserveFactor).toBe(peel.reserveFactor);
    expect(unsaid.name).toContain('counted as after peel ply alone until it is said');
    expect(peel.name).toBe('Bond to the plating, in shear');
    expect(wet.reserveFactor / peel.reserveFactor).toBeCloseTo(12 / 5, 9);
    expect(bondAllowed(BOND_STRENGTH.peel).value).toBe(peel.capacity);
  });
  it('glued on is held to the adhesive: over three, over two where the yard has tested it', () => {
    const glue = boat.materials.find((one) => one.kind === 'adhesive')!;
    const own = withSection('beam-80', { adhesive: glue.id, bonded: 'notSaid' });
    const found = check(of(own, 'beam-mid'), 'bond');
    expect(found.capacity).toBeCloseTo(glue.shearStrength.value / 3, 6);
    expect(found.name).toBe('Bond to the plating, in shear');
    const strength = { ...glue.shearStrength, origin: 'yardTest' as const };
    const materials = own.materials.map((one) => (one === glue ? { ...glue, shearStrength: strength } : one));
    expect(check(of({ ...own, materials }, 'beam-mid'), 'bond').capacity).toBeCloseTo(strength.value / 2, 6);
  });
  it('fails flanges that are as broad and thick as they should be, on peel ply alone', () => {
    const bow = of(withSection('stringer-60', { bonded: 'peel' }), 'bow-aft');
    expect(bow.checks.filter(({ reserveFactor }) => reserveFactor < 1).map(({ id }) => id)).toEqual(['bond']);
  });
});

describe('the plating under a stiffener', () => {
  const { section, spans } = of(boat, 'beam-mid');
  const [one] = spans as [LoadedSpan];
  it('shears in its core by what lies outside it, over no more than the foot', () => {
    const foot = Math.min(2 * section!.flangeWidth + section!.baseWidth, one.effectiveBreadth);
    const all = (one.endForce * standing(boat, section!, one)) / one.EI / foot;
    const { demand, capacity } = check(one, 'platingCore');
    // The outer skin takes most of it: it is the heavier of the two, and lies further off.
    expect(demand).toBeLessThan(all);
    expect(demand).toBeGreaterThan(all / 2);
    expect(capacity).toBeGreaterThan(demand);
  });
  it('has no core to shear where it is solid', () => {
    for (const id of ['floor-1', 'floor-2', 'stringer-1']) expect(ids(of(brant(), id))).not.toContain('platingCore');
  });
});

describe('members along a stiffener', () => {
  it('are strained with the rest: stiff brittle webs fail before a crown of mat, by hand', () => {
    const sail = brant();
    const mat = sail.materials.find(
      (one) => one.kind === 'fabric' && one.components.every(({ form }) => form === 'randomMat'),
    )!;
    const layer = { angleDeg: 0, crown: false, web: false, flange: false };
    const layers = [
      { ...layer, material: 'ud-300', web: true, flange: true },
      { ...layer, material: mat.id, crown: true },
    ];
    const own = withSection('hat-60', { layers }, sail);
    const found = of(own, 'beam-2');
    const { web } = sectionProperties(own, found.section!);
    const on = found.spans[0]!;
    const { demand, capacity, reserveFactor, name } = check(on, 'webAlong');
    expect(name).toBe('Webs along the stiffener, compression at the ends');
    const head = on.platingThickness + found.section!.height - on.neutralAxis;
    const strain = (QUALITY * DESIGN * web.compressiveStrength) / web.E;
    expect(capacity).toBeCloseTo((strain * on.EI) / head, 6);
    expect(demand).toBeCloseTo((on.pressure * on.span.spacing * on.span.length ** 2) / 12, -1);
    expect(reserveFactor).toBeLessThan(check(on, 'crownCompression').reserveFactor);
  });
  it('hold more than the crown where they are of slanted cloth, which stretches further', () => {
    for (const { checks } of evaluateStiffeners(boat))
      if (checks.length > 0)
        expect(check({ checks }, 'webAlong').reserveFactor).toBeGreaterThan(
          Math.min(...['crownCompression', 'crownTension'].map((id) => check({ checks }, id).reserveFactor)),
        );
  });
});

describe('ends that are free to turn', () => {
  const wl2 = ({ pressure, span }: LoadedSpan) => pressure * span.spacing * span.length ** 2;
  it('leave a deck beam w l²/8 in its span, nothing at its ends, and five times the sag', () => {
    const [held] = of(boat, 'beam-mid').spans as [LoadedSpan];
    const [free] = of(withSupport('beam-mid', { ends: 'free' }), 'beam-mid').spans as [LoadedSpan];
    expect(held.span.ends).toBe(2);
    expect(check(free, 'platingCompression').demand).toBeCloseTo(wl2(free) / 8, 6);
    expect(check(free, 'crownTension').name).toBe('Crown, tension at mid-span');
    expect(ids(free)).not.toContain('platingTension');
    expect(ids(free)).not.toContain('crownBuckling');
    expect(check(free, 'web').demand).toBeCloseTo(check(held, 'web').demand, 12);
    expect(check(free, 'stiffness').demand / check(held, 'stiffness').demand).toBeGreaterThan(5 - 1e-9);
  });
  it('pass on what they do not hold: w l²/8 at every support of a stringer, 5/8 of the load in shear', () => {
    const [held, free] = [boat, withSupport('stringer', { ends: 'free' })].map((own) => of(own, 'stringer').spans);
    const outer = free!.filter(({ span }) => span.ends > 0);
    expect(outer.length).toBeGreaterThanOrEqual(2);
    expect(outer.length).toBeLessThan(free!.length);
    free!.forEach((span, i) => {
      const was = held![i]!;
      expect(check(span, 'crownCompression').demand).toBeCloseTo(wl2(span) / 8, 6);
      expect(check(span, 'crownTension').demand).toBeCloseTo((9 / 128) * wl2(span), 6);
      expect(span.endForce / was.endForce).toBeCloseTo(5 / 4, 9);
    });
  });
  it('never make a stiffener better, in any check that it keeps; one free end is between none and both', () => {
    for (const { support, checks } of evaluateStiffeners(boat)) {
      const [one, both] = (['oneFree', 'free'] as const).map((ends) =>
        of(withSupport(support.id, { ends }), support.id),
      );
      const least = (found: readonly { reserveFactor: number }[]) =>
        Math.min(...found.map(({ reserveFactor }) => reserveFactor));
      if (checks.length === 0) continue;
      expect(check(both!, 'stiffness').reserveFactor).toBeLessThanOrEqual(check(one!, 'stiffness').reserveFactor);
      expect(check(one!, 'stiffness').reserveFactor).toBeLessThanOrEqual(check({ checks }, 'stiffness').reserveFactor);
      expect(least(one!.checks), support.name).toBeLessThanOrEqual(least(checks) * 1.2);
    }
  });
  it('stand in the working with their moments', () => {
    const own = withSupport('beam-mid', { ends: 'free' });
    const said = stiffenerWorking(own, of(own, 'beam-mid')).map(({ quantity }) => quantity);
    expect(said).toContain('Moment in the span, both ends free to turn');
    expect(said).toContain('Shear flow over the shear force, where the flanges stand on the plating');
  });
});

describe('a point load on a stiffener', () => {
  // 3.2 kN of thrust, 280 kg at 2 g, a factor of two; half of it at the level of the pack.
  const F = Math.hypot(3200, 2 * 280 * 9.80665) * 2 * DESIGN;
  const bare = of(withSupport('girder', { load: null, loadAt: null }), 'girder');
  const engine = of(boat, 'girder');
  it('adds 4/27 F l at the ends, F l/8 in the span and F in shear, to the span that it stands on', () => {
    const on = engine.spans.filter(({ endForce }, i) => endForce > bare.spans[i]!.endForce);
    expect(on.length).toBeGreaterThan(0);
    for (const one of engine.spans) {
      const was = bare.spans[engine.spans.indexOf(one)]!;
      const xs = one.span.points.map(([x]) => x);
      if (2.95 < Math.min(...xs) || 2.95 > Math.max(...xs)) {
        expect(one.checks).toEqual(was.checks);
        continue;
      }
      const more = (id: string) => check(one, id).demand - check(was, id).demand;
      expect(more('crownCompression')).toBeCloseTo((4 / 27) * F * one.span.length, 6);
      expect(more('platingCompression')).toBeCloseTo((F * one.span.length) / 8, 6);
      expect(one.endForce - was.endForce).toBeCloseTo(F, 6);
      expect(check(one, 'crownCompression').name).toBe('Crown, compression at the ends, with Engine on its beds on it');
    }
  });
  it('without a place stands wherever it does most: on every span', () => {
    const anywhere = of(withSupport('girder', { loadAt: null }), 'girder');
    anywhere.spans.forEach((one, i) => expect(one.endForce - bare.spans[i]!.endForce).toBeCloseTo(F, 6));
    expect(anywhere.governing!.reserveFactor).toBeLessThanOrEqual(engine.governing!.reserveFactor);
  });
  it('with its line of action over the foot turns it too', () => {
    const loads = boat.loads.map((load) => (load.id === 'engine' ? { ...load, height: 0.2 } : load));
    const high = of({ ...boat, loads }, 'girder');
    engine.spans.forEach((one, i) => {
      if (one.endForce === bare.spans[i]!.endForce) return;
      const more = check(high.spans[i]!, 'platingCompression').demand - check(one, 'platingCompression').demand;
      expect(more).toBeCloseTo(0.2 * F, 6);
      expect(high.spans[i]!.endForce - one.endForce).toBeCloseTo((1.5 * 0.2 * F) / one.span.length, 6);
    });
  });
  it('may pull as well as press: on free ends it stretches the plating where nothing else does', () => {
    const own = withSupport('beam-mid', { ends: 'free', load: 'tow' });
    const pulled = check(of(own, 'beam-mid'), 'platingTension');
    expect(pulled.name).toBe('Plating, tension where Tow line pulls');
    expect(stiffenerWorking(own, of(own, 'beam-mid')).some(({ quantity }) => quantity.includes('by Tow line'))).toBe(
      true,
    );
  });
  it('dropped on it meets what hardly gives, a micrometre a newton, and presses alone', () => {
    const cause = { kind: 'person', mass: 100, drop: 0.5, stop: null } as const;
    const drop = { ...boat.loads[0]!, id: 'drop', name: 'Jump', factor: 1, cause };
    const own = withSupport('beam-mid', { load: 'drop' }, { ...boat, loads: [...boat.loads, drop] });
    const [one, was] = [of(own, 'beam-mid').spans[0]!, of(boat, 'beam-mid').spans[0]!];
    const weight = 100 * 9.80665;
    const force = DESIGN * weight * (1 + Math.sqrt(1 + 1 / (weight * 1e-6)));
    const { demand, name } = check(one, 'platingCompression');
    expect(demand - check(was, 'platingCompression').demand).toBeCloseTo((force * one.span.length) / 8, 5);
    expect(name).toBe('Plating, compression in the span, with Jump on it');
    expect(one.endForce - was.endForce).toBeCloseTo(force, 5);
    // It gives less: l³ / 192 EI.
    expect(one.span.length ** 3 / 192 / one.EI).toBeLessThan(1e-6);
  });
  it('that stands where the member does not run is refused in words', () => {
    expect(of(withSupport('girder', { loadAt: 7 }), 'girder').problem).toContain('does not run where its point load');
  });
  it('reaches the end of the stiffener that a detail ties', () => {
    expect(Math.max(...engine.spans.map(({ endForce }) => endForce))).toBeGreaterThan(
      Math.max(...bare.spans.map(({ endForce }) => endForce)),
    );
  });
});
