import data from '@data/materials/failure-strains.json';
import type { ComponentForm, FibreFamily } from './schema';

/**
 * Mean strains at first failure of a ply of a family and form; stitched layers are unidirectional.
 * @example failureStrains('eGlass', 'randomMat').e1t // 0.0155
 * Source: data/materials/failure-strains.json.
 */
export const failureStrains = (family: FibreFamily, form: ComponentForm) =>
  data[form === 'stitched' ? 'unidirectional' : form][family];
