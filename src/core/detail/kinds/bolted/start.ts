import type { Start } from '../start';

/** Figures to begin with: plausible, not right. */
export const startBolted: Start<'bolted'> = (from) => ({
  bolts: [
    [-0.05, -0.04],
    [0.05, -0.04],
    [-0.05, 0.04],
    [0.05, 0.04],
  ],
  boltDiameter: 0.01,
  boltMetal: from.metal,
  boltClass: 'metal',
  nut: 'full',
  washerDiameter: 0.03,
  base: [0.16, 0.12],
  stands: 'panel',
  face: 'either',
  baseOf: 'stiff',
  edgeDistance: 0.04,
  plate: null,
  tapped: null,
  core: 'solid',
  insert: null,
  beyond: 0.03,
  bevel: 3,
  preload: 0,
  sheets: [
    { material: from.biaxial, angleDeg: 0, length: 0.4, breadth: 0.36 },
    { material: from.biaxial, angleDeg: 45, length: 0.32, breadth: 0.28 },
  ],
  preparation: 'peelAbrade',
});
