import { describe, expect, it } from 'vitest';
import { GENERIC_MATERIALS, weakestCore, type Core } from '.';

const CORES = GENERIC_MATERIALS.filter((one): one is Core => one.kind === 'core');
const FACTOR = { balsa: 0.5, honeycomb: 0.5, foamRigid: 0.55, foamDuctile: 0.65 };
const designShear = ({ behaviour, shearStrength }: Core) => FACTOR[behaviour] * shearStrength.value;
const of = (change: Partial<Core>, core = CORES[0]!): Core => ({ ...core, ...change });
const figure = (value: number) => ({ ...CORES[0]!.shearStrength, value });

describe('several cores as one', () => {
  it('are the one when there is one', () => {
    for (const core of CORES) expect(weakestCore([core], FACTOR)).toBe(core);
  });
  it('have no figure better than any of them, whatever their order', () => {
    for (const a of CORES)
      for (const b of CORES) {
        const both = weakestCore([a, b], FACTOR);
        for (const core of [a, b]) {
          expect(designShear(both)).toBeLessThanOrEqual(designShear(core));
          expect(both.compressiveModulus.value).toBeLessThanOrEqual(core.compressiveModulus.value);
          expect(both.shearModulus.value).toBeLessThanOrEqual(core.shearModulus.value);
          if (core.cellSize !== null) expect(both.cellSize).toBeGreaterThanOrEqual(core.cellSize);
        }
        const turned = weakestCore([b, a], FACTOR);
        expect(designShear(turned)).toBe(designShear(both));
        expect(turned.shearModulus.value).toBe(both.shearModulus.value);
      }
  });
  it('shear first where the share that counts says so, not where the strength alone is least', () => {
    // 1.0 MPa × 0.5 = 0.50 MPa of balsa; 0.9 MPa × 0.65 = 0.585 MPa of a ductile foam.
    const balsa = of({ code: 'BALSA', behaviour: 'balsa', shearStrength: figure(1e6) });
    const foam = of({ code: 'FOAM', behaviour: 'foamDuctile', shearStrength: figure(0.9e6) });
    expect(weakestCore([foam, balsa], FACTOR).code).toBe('BALSA');
    expect(designShear(weakestCore([foam, balsa], FACTOR))).toBe(0.5e6);
  });
  it('keep the moduli of the softer and the cells of the wider, though another shears first', () => {
    const stiff = of({ shearStrength: figure(0.5e6), shearModulus: figure(60e6), compressiveModulus: figure(200e6) });
    const soft = of({ shearStrength: figure(2e6), shearModulus: figure(10e6), compressiveModulus: figure(30e6) });
    const cells = of({ ...soft, cellSize: 0.006 });
    const both = weakestCore([stiff, soft, cells], FACTOR);
    expect([both.shearStrength.value, both.shearModulus.value, both.compressiveModulus.value]).toEqual([
      0.5e6, 10e6, 30e6,
    ]);
    expect(both.cellSize).toBe(0.006);
  });
});
