import { describe, expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { coreAsDesigned, coreKnockDown, CORE_FAMILIES, type Core, type CoreFamily, type KnockDownSelection } from '.';

const none: KnockDownSelection = { characteristic: true, wet: true, hot: false, fatigue: false, process: true };
const core = merrow().materials.find((one): one is Core => one.kind === 'core' && one.family === 'pvcCrossLinked')!;

describe('what heat and repeated load leave of a core', () => {
  it('is all of it where the boat counts neither', () => {
    expect(coreAsDesigned(core, none)).toBe(core);
    expect(coreKnockDown(core, none)).toMatchObject({ shear: 1, crushing: 1, moduli: 1 });
  });
  it('by hand: PVC at 60 °C keeps 0.65 of everything, worked a million times 0.45 of its shear', () => {
    const hot = coreAsDesigned(core, { ...none, hot: true });
    expect(hot.shearStrength.value / core.shearStrength.value).toBeCloseTo(0.65, 12);
    expect(hot.compressiveStrength.value / core.compressiveStrength.value).toBeCloseTo(0.65, 12);
    expect(hot.shearModulus.value / core.shearModulus.value).toBeCloseTo(0.65, 12);
    expect(hot.compressiveModulus.value / core.compressiveModulus.value).toBeCloseTo(0.65, 12);
    const both = coreAsDesigned(core, { ...none, hot: true, fatigue: true });
    expect(both.shearStrength.value / core.shearStrength.value).toBeCloseTo(0.65 * 0.45, 12);
    expect(both.compressiveStrength.value).toBe(hot.compressiveStrength.value);
    expect(both.shearModulus.value).toBe(hot.shearModulus.value);
  });
  it.each(Object.keys(CORE_FAMILIES) as CoreFamily[])(
    'takes something off every kind, and never all of it: %s',
    (family) => {
      for (const behaviour of ['foamRigid', 'foamDuctile', 'balsa', 'honeycomb'] as const) {
        const { shear, moduli, steps } = coreKnockDown({ family, behaviour }, { ...none, hot: true, fatigue: true });
        expect(moduli).toBeLessThan(1);
        expect(shear).toBeLessThan(moduli);
        expect(shear).toBeGreaterThan(0.1);
        expect(steps.every(({ source }) => source.length > 20)).toBe(true);
      }
    },
  );
});
