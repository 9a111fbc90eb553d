import type { Start } from '../start';

/** Figures to begin with: plausible, not right. */
export const startStrap: Start<'strap'> = (from) => ({
  fabric: from.unidirectional,
  sides: 2,
  halfAngleDeg: 20,
  strips: 6,
  width: 0.06,
  anchor: 0.3,
  step: 0.015,
  misalignDeg: 5,
  wrap: 'flat',
  radius: null,
  fittingStrength: null,
  sequence: 'after',
  preparation: 'peelAbrade',
  fatigue: false,
});
