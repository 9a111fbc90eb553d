import { z } from 'zod';
import data from '@data/materials/shelf.json';
import { materialSchema, type Material } from './schema';

/** The generic materials that ship with the product; a yard's own stand beside them in its database. */
export const GENERIC_MATERIALS: readonly Material[] = z
  .object({ source: z.string(), materials: z.array(materialSchema) })
  .parse(data).materials;

/** A material of the Shelf, and whether the yard made or changed it. */
export interface ShelfItem {
  material: Material;
  own: boolean;
  /** The generic original, where a yard's figures stand in front of it. */
  generic: Material | null;
}
