import data from '@data/materials/as-laid-strengths.json';
import type { Process } from './process';
import type { ComponentForm, FibreFamily } from './schema';

/**
 * Share of the strength along its fibres, as failure strains and micromechanics give it, that a ply of a family, form
 * and process has in the laminate: published means over computed ones. Strength across fibres and in shear, and all
 * stiffness, stand as computed.
 *
 * @returns for tension and compression; applied to both directions of a weave and of a mat.
 * @example asLaidStrength('eGlass', 'randomMat', 'handLayUp').tension // 0.72: 130 MPa become 94
 * Source: data/materials/as-laid-strengths.json.
 */
export function asLaidStrength(
  family: FibreFamily,
  form: ComponentForm,
  process: Process,
): { tension: number; compression: number } {
  const kind = form === 'stitched' ? 'unidirectional' : form;
  const { tension, compression } = data.form[kind][family];
  const factor = data.process[kind][process];
  return { tension: tension * factor, compression: compression * factor };
}
