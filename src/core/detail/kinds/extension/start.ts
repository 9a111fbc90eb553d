import type { Start } from '../start';

/** Figures to begin with: plausible, not right. */
export const startExtension: Start<'extension'> = (from) => ({
  load: null,
  form: 'scarf',
  ratio: 15,
  length: 1,
  outer: [{ material: from.biaxial, angleDeg: 0, overlap: 0.1 }],
  inner: [{ material: from.biaxial, angleDeg: 0, overlap: 0.1 }],
  preparation: 'peelAbrade',
});
