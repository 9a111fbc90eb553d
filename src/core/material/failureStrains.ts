import { z } from 'zod';
import data from '@data/materials/failure-strains.json';
import { FIBRE_FAMILIES, type ComponentForm, type FibreFamily } from './schema';

const strain = z.number().positive().max(0.2);
const strains = z.object({ e1t: strain, e1c: strain, e2t: strain, e2c: strain, g12: strain });
const byFamily = z.record(z.enum(Object.keys(FIBRE_FAMILIES) as [FibreFamily, ...FibreFamily[]]), strains);
const file = z
  .object({ source: z.string(), unidirectional: byFamily, woven: byFamily, randomMat: byFamily })
  .parse(data);

/**
 * Mean strains at first failure of a ply of a family and form; stitched layers are unidirectional.
 * @example failureStrains('eGlass', 'randomMat').e1t // 0.0155
 * Source: data/materials/failure-strains.json.
 */
export const failureStrains = (family: FibreFamily, form: ComponentForm) =>
  file[form === 'stitched' ? 'unidirectional' : form][family];
