import {
  rotateStrain,
  smearedConstants,
  type FailureStrain,
  type LaidComponent,
  type Ply,
  type PlyStrength,
} from '../../laminate';
import { COMPONENT_FORMS, failureStrains, FIBRE_FAMILIES } from '../../material';
import { put, type Recorder } from '../../working';
import { laminateProperties } from './laminateProperties';
import { limitingStrains } from './limitingStrains';
import { SMALL_CRAFT_PACK, cite } from './pack';

/** A fabric component as the pack sees it: modulus and ultimate strengths along one direction. Pa, m, kg/m². */
export interface SheetProperties {
  E: number;
  tensileStrength: number;
  compressiveStrength: number;
  /** Pressed evenly, where that is less than on the pressed face of a bent sheet: wood. */
  pressed?: number;
  /**
   * The pack's own law for mat and balanced 0/90 glass, or first-ply failure by limiting strain, or by stated
   * strengths where the ply has any; or wood by its grain.
   */
  basis: 'law' | 'firstPly' | 'stated' | 'wood';
}

const ALIGNED_WITHIN = 5;
/** Figures that, once stated, take a component off the pack's tables. */
const DESIGN_FIGURES = ['E1', 'E2', 'Xt', 'Xc', 'Yt', 'Yc', 'S'] as const;

/** Limiting strains of a component with the stated strengths in place of the usual limits. */
function statedLimits({ plies, origins, statedSpread }: LaidComponent, usual: FailureStrain): FailureStrain {
  const { strength, E1, E2, G12 } = plies[0]!;
  const factor = Math.min(0.9, 1 - 2 * statedSpread);
  const limit = (figure: keyof PlyStrength, modulus: number, otherwise: number) =>
    origins[figure] === 'computed' ? otherwise : (factor * strength![figure]) / modulus;
  return {
    e1t: limit('Xt', E1, usual.e1t),
    e1c: limit('Xc', E1, usual.e1c),
    e2t: limit('Yt', E2, usual.e2t),
    e2c: limit('Yc', E2, usual.e2c),
    g12: limit('S', G12, usual.g12),
  };
}

/**
 * Whether a component is glass with equal shares along and across the direction, which the pack's roving law covers.
 */
function balancedAlong(component: LaidComponent, angleDeg: number): boolean {
  if (component.form === 'woven') {
    const [ply] = component.plies;
    return Math.abs(ply!.E1 / ply!.E2 - 1) < 0.1 && isSquare(angleDeg);
  }
  let along = 0;
  let across = 0;
  for (const ply of component.plies) {
    const angle = ply.angleDeg + angleDeg;
    if (!isSquare(angle)) return false;
    if (Math.abs(Math.round(angle / 90) % 2) === 0) along += ply.thickness;
    else across += ply.thickness;
  }
  return Math.abs(along - across) <= 0.1 * component.thickness;
}
const isSquare = (angle: number) => Math.abs(angle - 90 * Math.round(angle / 90)) <= ALIGNED_WITHIN;

/**
 * Modulus and ultimate strengths of a component along a direction, by the pack.
 *
 * E-glass mat and balanced 0/90 glass take the pack's laws. Everything else takes its modulus from lamination theory
 * and its strength from the first ply to reach the pack's limiting strain under a uniaxial stress, transverse cracking
 * included: cautious, and labelled as such.
 *
 * A ply with figures of its own (data sheet, test) takes those: strengths at the lesser of 0.9 of the mean and the
 * mean less two standard deviations.
 *
 * @param angleDeg of the fabric's roll direction, measured from the direction asked for.
 * @returns undefined when the pack has no figures for the fibre.
 * @example sheetProperties(biaxial45, 0)?.basis // 'firstPly'
 * Source: ISO 12215-5:2008 method, F53, F55 and the limiting strains of class rules as restated in data/standards.
 */
export function sheetProperties(
  component: LaidComponent,
  angleDeg: number,
  record?: Recorder,
  pack = SMALL_CRAFT_PACK,
): SheetProperties | undefined {
  const { fibre, form, fibreWeightFraction, origins } = component;
  const isStated = DESIGN_FIGURES.some((figure) => origins[figure] !== 'computed');
  if (!isStated && fibre.family === 'eGlass' && (form === 'randomMat' || balancedAlong(component, angleDeg))) {
    const { E, tensileStrength, compressiveStrength } = laminateProperties(
      fibreWeightFraction,
      form === 'randomMat' ? 1 : 0,
      record,
    );
    return { E, tensileStrength, compressiveStrength, basis: 'law' };
  }
  const packLimits = limitingStrains(fibre.family, form, pack);
  const usualLimits = packLimits ?? (isStated ? failureStrains(fibre.family, form) : undefined);
  if (!usualLimits) return undefined;
  const limits = isStated ? statedLimits(component, usualLimits) : usualLimits;

  const turned: Ply[] = component.plies.map((ply) => ({ ...ply, angleDeg: ply.angleDeg + angleDeg }));
  const { Ex, nuxy, shearCoupling } = smearedConstants(turned);
  let tension = Infinity;
  let compression = Infinity;
  for (const ply of turned) {
    // A weave is smeared, so both its fibre directions are judged; a unidirectional sublayer has one.
    for (const turn of form === 'woven' && !isStated ? [0, 90] : [0]) {
      const [e1, e2, g12] = rotateStrain([1, -nuxy, shearCoupling], ply.angleDeg + turn);
      const directions =
        form === 'woven' && !isStated
          ? [[e1, limits.e1t, limits.e1c] as const]
          : [[e1, limits.e1t, limits.e1c] as const, [e2, limits.e2t, limits.e2c] as const];
      for (const [strain, t, c] of directions) {
        if (Math.abs(strain) < 1e-9) continue;
        tension = Math.min(tension, strain > 0 ? t / strain : -c / strain);
        compression = Math.min(compression, strain > 0 ? c / strain : -t / strain);
      }
      if (Math.abs(g12) > 1e-9) {
        tension = Math.min(tension, limits.g12 / Math.abs(g12));
        compression = Math.min(compression, limits.g12 / Math.abs(g12));
      }
    }
  }
  record?.({
    quantity:
      `${FIBRE_FAMILIES[fibre.family]} ${COMPONENT_FORMS[form]} at ` +
      `${Math.round(angleDeg)}°: strength along the panel's short side`,
    symbol: '\\sigma_{ut}',
    formula: 'E_b\\,\\min_k(\\varepsilon_{lim}/\\varepsilon_k)',
    inputs: [put('E_b', Ex, 'Pa'), put('\\varepsilon_{u}', tension)],
    value: Ex * tension,
    unit: 'Pa',
    source: cite('F55 with limiting strains'),
    note: isStated
      ? 'On stated figures of the ply, at the lesser of 0.9 of the mean and the mean less two standard deviations.'
      : 'First ply to crack or break counts, transverse cracking included.',
  });
  return {
    E: Ex,
    tensileStrength: Ex * tension,
    compressiveStrength: Ex * compression,
    basis: isStated ? 'stated' : 'firstPly',
  };
}
