import type { Start } from '../start';

/** Figures to begin with: plausible, not right. */
export const startTransom: Start<'transom'> = (from) => ({
  span: 0.8,
  height: 0.55,
  clamp: [0.035, 0.055],
  clampBreadth: 0.35,
  boltDiameter: 0.012,
  washerDiameter: 0.05,
  preload: 4000,
  boltCount: 4,
  leverArm: 0.5,
  bracketHeight: 0.3,
  boltRows: 0.2,
  overhang: 0.3,
  astern: 0.7,
  impact: 0,
  boltMetal: from.metal,
  boltClass: 'metal',
  plate: null,
  knees: { length: 0.5, overlap: 0.08, preparation: 'peelAbrade', thickness: 0.018 },
  plywood: { wood: from.wood, thickness: 0.018, sheets: 2 },
  board: { core: from.board, thickness: 0.02, sheets: 2 },
  built: 'board',
  glassBetween: from.biaxial,
  outer: [{ material: from.biaxial, angleDeg: 0 }],
  inner: [{ material: from.biaxial, angleDeg: 0 }],
});
