import type { Start } from '../start';

/** Figures to begin with: plausible, not right. */
export const startPatch: Start<'patch'> = (from) => ({
  form: 'patch',
  breadth: 0.2,
  radius: 0.01,
  sheets: [
    { material: from.biaxial, angleDeg: 0, length: 0.5, breadth: 0.4 },
    { material: from.biaxial, angleDeg: 45, length: 0.42, breadth: 0.32 },
    { material: from.biaxial, angleDeg: 0, length: 0.34, breadth: 0.24 },
  ],
  preparation: 'peelAbrade',
});
