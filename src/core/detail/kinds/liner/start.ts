import type { Start } from '../start';

/** Figures to begin with: plausible, not right. */
export const startLiner: Start<'liner'> = (from) => ({
  load: null,
  adhesive: from.adhesive,
  bondWidth: 0.06,
  bondLength: 6,
  bondLine: 0.004,
  tributary: 0.4,
  inspections: 8,
  preparation: 'peelAbrade',
});
