import type { Start } from '../start';

/** Figures to begin with: plausible, not right. */
export const startFlange: Start<'flange'> = (from) => ({
  load: null,
  length: 2 * from.hullLength,
  width: 0.06,
  adhesive: from.adhesive,
  bondLine: 0.003,
  lineLoad: 3000,
  pitch: 0.15,
  boltDiameter: 0.006,
  boltMetal: from.metal,
  edgeDistance: 0.02,
  preparation: 'peelAbrade',
});
