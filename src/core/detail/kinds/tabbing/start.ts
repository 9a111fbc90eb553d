import type { Start } from '../start';

/** Figures to begin with: plausible, not right. */
export const startTabbing: Start<'tabbing'> = (from) => ({
  load: null,
  method: 'tabbing',
  ties: null,
  length: 2,
  lineLoad: null,
  sides: 2,
  tapes: [0.05, 0.075, 0.1].map((overlap) => ({ material: from.biaxial, angleDeg: 0, overlap })),
  fillet: 0.012,
  adhesive: null,
  bondWidth: 0.02,
  bondLine: 0.003,
  preparation: 'peelAbrade',
});
