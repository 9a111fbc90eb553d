import { describe, expect, it } from 'vitest';
import { taperedUnderPressure } from '../panel';
import { panelCoefficients } from '../standard';
import { taperOf } from './zonePanels';

/** Girths at even steps of a panel that tapers evenly from 1 m to less. */
const girthsTo = (small: number) => Array.from({ length: 9 }, (_, i) => 1 + ((small - 1) * i) / 8);
const meanOf = (girths: readonly number[]) => (girths[0]! + girths.at(-1)!) / 2;

/** Greatest moment on the rim of a clamped isotropic plate of that shape under 1 Pa (N). */
function plateMoment(length: number, girths: readonly number[]): number {
  const stiffness = { D11: 1000, D12: 300, D22: 1000, D66: 350, A44: 1e7, A55: 1e7 };
  const plate = taperedUnderPressure({ ...stiffness, fixity: 1, length, breadths: girths }, { pressure: 1 }, 12);
  const places = Array.from({ length: 61 }, (_, i) => i / 60);
  const long = places.flatMap((u) => [0, 1].map((t) => Math.abs(plate.at(u, t).My)));
  const ends = places.flatMap((t) => [0, 1].map((u) => Math.abs(plate.at(u, t).Mx)));
  return Math.max(...long, ...ends);
}
/** What the rule takes for it: k2 P b² / 6 of the rectangle that stands for the panel (N). */
function ruleMoment(length: number, girths: readonly number[]): number {
  const taper = taperOf({ length, girths: [...girths] });
  const breadth = taper ? Math.max(taper.meanGirth, taper.equalDeflection) : meanOf(girths);
  const [short, long] = [Math.min(length, breadth), Math.max(length, breadth)];
  return (panelCoefficients(short, long).k2 * short ** 2) / 6;
}

describe('the rectangle that stands for a panel that tapers', () => {
  const shapes = [0.6, 1, 1.5, 2, 3, 5].flatMap((length) =>
    [1, 0.99, 0.97, 0.9, 0.85, 0.8, 0.7, 0.5, 0.3, 0].map((small) => [length, small] as const),
  );
  it.each(shapes)(
    '%s m long, from 1 m to %s m: bears at its rim what the plate does in its own shape',
    (length, small) => {
      const girths = girthsTo(small);
      const ratio = plateMoment(length, girths) / ruleMoment(length, girths);
      expect(ratio).toBeLessThan(1.02);
      // Of a short one that runs out to a point it is a sixth too much, no more.
      expect(ratio).toBeGreaterThan(0.8);
    },
  );
  it('is that of its mean where it hardly tapers, for there both are the same', () => {
    expect(taperOf({ length: 2, girths: girthsTo(0.99) })).toBeNull();
    const slight = taperOf({ length: 2, girths: girthsTo(0.95) })!;
    expect(slight.meanGirth).toBeCloseTo(0.975, 6);
    expect(slight.equalDeflection / slight.meanGirth).toBeCloseTo(1, 1);
  });
  it('five times as long as broad, and 0.85 of its breadth at the other end, is 0.97 m broad and not 0.925', () => {
    const girths = girthsTo(0.85);
    const { equalDeflection } = taperOf({ length: 5, girths })!;
    expect(equalDeflection).toBeGreaterThan(0.965);
    // By the mean the plate bears a tenth more at its rim than the rule asked for.
    expect(plateMoment(5, girths) / (0.925 ** 2 / 12)).toBeGreaterThan(1.09);
  });
  it('answers by the figures that are asked, not by near ones that were asked before', () => {
    // Three tenths below whole millimetres, and a tenth above them: the same to the millimetre.
    const [length, girths] = [2.1227, girthsTo(0.7).map((girth) => Number(girth.toFixed(3)) - 3e-4)];
    const larger = { length: length + 4e-4, girths: girths.map((girth) => girth + 4e-4) };
    const after = taperOf(larger)!;
    const own = taperOf({ length, girths })!;
    expect(after.equalDeflection - own.equalDeflection).toBeGreaterThan(2e-4);
    expect(taperOf(larger)).toEqual(after);
  });
  it('hardly grows narrower as the panel grows broader anywhere: by the curve through its girths alone', () => {
    for (const length of [0.8, 1.5, 3])
      for (let at = 0; at < 9; at++) {
        const girths = girthsTo(0.6);
        const more = girths.map((girth, i) => (i === at ? girth * 1.05 : girth));
        const breadthOf = (of: number[]) => {
          const taper = taperOf({ length, girths: of })!;
          return Math.max(taper.meanGirth, taper.equalDeflection);
        };
        expect(breadthOf(more), `${length} m, at ${at}`).toBeGreaterThan(breadthOf(girths) * (1 - 3e-3));
      }
  });
});
