import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../../tests/helpers/merrow';
import type { Boat } from '../../document';
import type { StiffenerSection } from '../../stiffener';
import { evaluateStiffeners, sectionProperties, stiffenerWorking } from '..';

const boat = merrow();
const sail = brant();
const changed = (of: Boat, id: string, patch: Partial<StiffenerSection>): Boat => ({
  ...of,
  sections: of.sections.map((one) => (one.id === id ? { ...one, ...patch } : one)),
});
const wallsOf = (of: Boat, id: string) =>
  sectionProperties(
    of,
    of.sections.find((one) => one.id === id)!,
  ).walls;
/** The least reserve of a check over all stiffeners of a section. */
const least = (of: Boat, section: string, id: string) =>
  Math.min(
    ...evaluateStiffeners(of)
      .filter((one) => one.section?.id === section)
      .flatMap(({ checks }) => checks.filter((check) => check.id === id).map(({ reserveFactor }) => reserveFactor)),
  );

describe('the walls of a stiffener', () => {
  it('wrinkle on their former, by hand: 0.3 of the cube root of E_f E_c G_c', () => {
    const { crown, web } = sectionProperties(
      boat,
      boat.sections.find(({ id }) => id === 'floor-140')!,
    );
    const foam = boat.materials.find(({ id }) => id === 'pvc-80')!;
    if (foam.kind !== 'core') throw new Error('pvc-80 is a core');
    const walls = wallsOf(boat, 'floor-140');
    const stress = 0.3 * Math.cbrt(crown!.E * foam.compressiveModulus.value * foam.shearModulus.value);
    expect(walls.crown).toMatchObject({ gives: 'wrinkles on its former' });
    expect(walls.crown.strain).toBeCloseTo(stress / crown!.E, 9);
    // Fabric at ±45° is pressed along its fibres by shear: stiffer than the web along itself.
    const along = 0.3 * Math.cbrt(web.E * foam.compressiveModulus.value * foam.shearModulus.value) * web.thickness;
    expect(walls.web!.gives).toBe('wrinkles on its former');
    expect(walls.web!.flow).toBeGreaterThan(1.05 * along);
  });
  it('hollow, buckle: less by far for a high hat of thin cloth, and that governs', () => {
    const hollow = changed(boat, 'floor-140', { former: null });
    const [held, bare] = [wallsOf(boat, 'floor-140'), wallsOf(hollow, 'floor-140')];
    expect([bare.crown.gives, bare.web!.gives]).toEqual(['buckles', 'buckles']);
    expect(bare.web!.flow).toBeLessThan(held.web!.flow / 4);
    expect(least(hollow, 'floor-140', 'webBuckling')).toBeLessThan(1);
    expect(least(boat, 'floor-140', 'webBuckling')).toBeGreaterThan(2);
    const stiffener = evaluateStiffeners(hollow).find(({ section }) => section?.id === 'floor-140')!;
    expect(stiffener.governing!.id).toMatch(/Buckling$/);
    const steps = stiffenerWorking(hollow, stiffener).map(({ quantity }) => quantity);
    expect(steps).toContain('Strain at which the crown buckles');
    expect(steps).toContain('Shear flow at which a web buckles');
  });
  it('that stand by themselves need no former: thick ones of a low hat', () => {
    const low = { height: 0.02, baseWidth: 0.03, crownWidth: 0.015 };
    const thick = boat.sections.find(({ id }) => id === 'stringer-60')!;
    const layers = thick.layers.flatMap((layer) => [layer, layer, layer]);
    const walls = wallsOf(changed(boat, 'stringer-60', { ...low, layers, former: 'pvc-80' }), 'stringer-60');
    expect([walls.crown.gives, walls.web!.gives]).toEqual(['buckles', 'buckles']);
    expect(walls).toEqual(wallsOf(changed(boat, 'stringer-60', { ...low, layers, former: null }), 'stringer-60'));
  });
  it('of a flat bar turn over at the free edge: by the square of its height, more for slanted fibre outside', () => {
    const bar = sail.sections.find(({ id }) => id === 'bar-60')!;
    const twice = wallsOf(changed(sail, 'bar-60', { height: 2 * bar.height }), 'bar-60').crown;
    expect(twice.gives).toBe('turns over at its free edge');
    expect(wallsOf(sail, 'bar-60').crown.strain / twice.strain).toBeCloseTo(4, 9);
    expect(wallsOf(sail, 'bar-60').web).toBeNull();
    const along = { ...bar.layers[0]!, material: 'ud-300', flange: false };
    const inside = bar.layers.map((layer) => (layer.flange ? layer : along));
    expect(least(changed(sail, 'bar-60', { layers: inside }), 'bar-60', 'crownBuckling')).toBeLessThan(
      least(sail, 'bar-60', 'crownBuckling') / 2,
    );
  });
  it('a firmer former holds the crown better, a softer one worse', () => {
    const [soft, firm] = ['pvc-80', 'pvc-200'].map((former) =>
      least(changed(boat, 'beam-80', { former }), 'beam-80', 'crownBuckling'),
    );
    expect(firm! / soft!).toBeGreaterThan(1.5);
  });
});

describe('bonding flanges', () => {
  const ids = (of: Boat) => new Set(evaluateStiffeners(of).flatMap(({ checks }) => checks.map(({ id }) => id)));
  it('are told of where they are narrow: 25 mm, or a fifth of the height, 28 of 140', () => {
    expect(ids(boat)).not.toContain('flangeWidth');
    const narrow = changed(boat, 'floor-140', { flangeWidth: 0.026 });
    expect(least(narrow, 'floor-140', 'flangeWidth')).toBeCloseTo(26 / 28, 9);
    expect(least(changed(boat, 'stringer-60', { flangeWidth: 0.02 }), 'stringer-60', 'flangeWidth')).toBeCloseTo(
      20 / 25,
      9,
    );
  });
  it('are told of where they are thinner than the web', () => {
    const section = boat.sections.find(({ id }) => id === 'floor-140')!;
    const layers = section.layers.map((layer, i) => (i === 0 ? { ...layer, flange: false } : layer));
    const thin = changed(boat, 'floor-140', { layers });
    expect(ids(boat)).not.toContain('flangeThickness');
    expect(least(thin, 'floor-140', 'flangeThickness')).toBeCloseTo(2 / 3, 9);
    const none = changed(boat, 'floor-140', { layers: section.layers.map((layer) => ({ ...layer, flange: false })) });
    expect(least(none, 'floor-140', 'flangeWidth')).toBe(0);
  });
});
