import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { memberAlong } from '../detail/kinds';
import { bookOf, layAll } from '../evaluate';
import { checkRepair, lessonsFor, lessonSchema, USUAL_REPAIR, type Repair } from '.';

const boat = brant();
const part = boat.parts.find(({ id }) => id === 'hull')!;
const zone = part.zones[0]!;
const repaired = (own: Partial<Repair> = {}, size = 0.08) =>
  checkRepair(boat, part, zone, { repair: { ...USUAL_REPAIR, depth: 2, ...own }, size });
const named = (found: ReturnType<typeof repaired>, name: string) => found.checks.find((check) => check.name === name)!;

describe('a repair laminate', () => {
  const laid = layAll(bookOf(boat, 0), part, zone);
  const out = laid.slice(-2);
  const old = memberAlong(bookOf(boat, 0), out, 0);
  it('by hand: shear and pull on its slope at half the mean strength, a third of the bond', () => {
    const found = repaired({ over: 0 });
    const stress = 0.5 * Math.max(old.tensileStrength, old.compressiveStrength);
    const theta = Math.atan(1 / 20);
    expect(named(found, 'Shear in the joint, along')).toMatchObject({
      demand: expect.closeTo(stress * Math.sin(theta) * Math.cos(theta), 0) as number,
      capacity: 8e6 / 3,
    });
    expect(named(found, 'Pull across the joint, along').demand).toBeCloseTo(stress * Math.sin(theta) ** 2, 0);
    expect(named(found, 'Pull across the joint, along').capacity).toBeCloseTo((0.3 * 8e6) / 3, 0);
  });
  it('by hand: in steps, the force over their length', () => {
    const found = repaired({ over: 0, joint: 'step', ratio: 25 });
    const stress = 0.5 * Math.max(old.tensileStrength, old.compressiveStrength);
    expect(named(found, 'Shear in the joint, along').demand).toBeCloseTo(stress / 25, 0);
    expect(found.joint).toBeCloseTo(25 * out.reduce((sum, one) => sum + one.thickness, 0), 9);
  });
  it('what lies over it takes its share, by stiffness, and must be held by its own lap', () => {
    const [bare, covered] = [repaired({ over: 0 }), repaired({ over: 2 })];
    const joint = 'Shear in the joint, along';
    expect(named(covered, joint).demand).toBeLessThan(named(bare, joint).demand);
    expect(named(covered, 'Bond of the layers over it, along').demand).toBeGreaterThan(0);
    expect(named(covered, 'Tension along: new against old').capacity).toBeGreaterThan(
      named(bare, 'Tension along: new against old').capacity,
    );
  });
  it('is better the longer its joint, in every direction', () => {
    const least = (ratio: number) =>
      Math.min(
        ...repaired({ ratio, over: 0 })
          .checks.filter(({ name }) => /joint, /.test(name))
          .map((c) => c.reserveFactor),
      );
    expect([12, 20, 40, 60].map(least)).toEqual([...[12, 20, 40, 60].map(least)].sort((a, b) => a - b));
  });
  it('shorter than practice fails, whatever its shear says', () => {
    expect(repaired({ joint: 'step', ratio: 15, over: 2 }).verdict).toBe('fails');
    expect(repaired({ joint: 'scarf', ratio: 8, over: 4 }).verdict).toBe('fails');
  });
  it('cuts the smallest piece first, each as wide as the slope at its height, then what lies over it', () => {
    const found = repaired({ over: 1, lap: 0.03 });
    const widths = found.pieces.map(({ width }) => width);
    expect(widths).toEqual([...widths].sort((a, b) => a - b));
    expect(widths[0]).toBeCloseTo(0.08 + 2 * 20 * out[0]!.thickness, 9);
    expect(widths.at(-1)! - widths.at(-2)!).toBeCloseTo(0.06, 9);
    expect(found.pieces.map(({ layer }) => layer)).toEqual([out[0]!.index + 1, out[1]!.index + 1, null]);
  });
  it('checks the zone as if it were laid so all over: by the mould side too', () => {
    for (const face of ['mould', 'inside'] as const) {
      const found = repaired({ face, depth: 4 });
      expect(found.checks.some(({ name }) => name.startsWith(`${zone.name} laid like the repair`))).toBe(true);
    }
  });
  it('says that core goes in again, and what of it is not checked', () => {
    const own = merrow();
    const hull = own.parts.find(({ id }) => id === 'hull')!;
    const side = hull.zones.find(({ name }) => name === 'Bottom forward')!;
    const found = checkRepair(own, hull, side, { repair: { ...USUAL_REPAIR, depth: 6, ratio: 40 }, size: 0.05 });
    expect(found.core).toBe(true);
    expect(found.notChecked.join()).toContain('shear through the joint between new core and old');
    // At 45° and 1 : 20 the joint of its biaxial skin would not bear what the skin is credited with.
    const steep = checkRepair(own, hull, side, { repair: { ...USUAL_REPAIR, depth: 2 }, size: 0.05 });
    expect(steep).toMatchObject({ verdict: 'fails' });
    expect(steep.checks[0]!.name).toMatch(/^Shear in the joint, at/);
  });
  it('refuses what cannot be: more layers than there are, coatings alone, a joint wider than the panel', () => {
    expect(() => repaired({ depth: 100 })).toThrow(/has \d+ layers: 100 cannot come out/);
    expect(() => repaired({ face: 'mould', depth: 1 })).toThrow('filled and faired');
    expect(() => repaired({ ratio: 150, depth: 6 }, 2)).toThrow('renew the whole panel');
  });
});

describe('a lesson', () => {
  const lesson = { text: 'Warm the resin', step: '', cloth: '', kind: '', boat: '', layer: null };
  const hand = { boat: 'Brant 56', kind: 'hull', step: 'Outer skin', piece: null };
  const piece = { cloth: 'CSM 300', layerNumber: 4 };
  it('must be tied to something, and a layer to a part', () => {
    expect(lessonSchema.safeParse(lesson).error!.issues[0]!.message).toContain('Tie it to');
    expect(lessonSchema.safeParse({ ...lesson, layer: 4 }).success).toBe(false);
    expect(lessonSchema.safeParse({ ...lesson, layer: 4, kind: 'hull', boat: 'Brant 56' }).success).toBe(true);
  });
  it('comes up with the step, the cloth, the layer or the part that it is tied to, and with no other', () => {
    const told = (ties: object, at: object = {}) => lessonsFor([{ ...lesson, ...ties }], { ...hand, ...at }).length;
    expect(told({ step: 'outer skin' })).toBe(1);
    expect(told({ step: 'Inner skin' })).toBe(0);
    expect(told({ kind: 'hull' })).toBe(1);
    expect(told({ kind: 'deck' })).toBe(0);
    expect(told({ step: 'Outer skin', boat: 'Merrow 84' })).toBe(0);
    expect(told({ cloth: 'CSM 300' })).toBe(0);
    expect(told({ cloth: 'CSM 300' }, { piece })).toBe(1);
    expect(told({ cloth: 'CSM 300' }, { piece: { ...piece, cloth: 'WR 300' } })).toBe(0);
    expect(told({ layer: 4, kind: 'hull', boat: 'Brant 56' }, { piece })).toBe(1);
    // What is tied to the step is told with the step, not with each piece.
    expect(told({ step: 'Outer skin' }, { piece })).toBe(0);
  });
});
