import type { Start } from '../start';

/** Figures to begin with: plausible, not right. */
export const startStiffenerEnd: Start<'stiffenerEnd'> = (from) => ({
  load: null,
  support: from.stiffener,
  end: 'tapered',
  taper: 3,
  adhesive: null,
  notch: 0,
  preparation: 'wetOnWet',
});
