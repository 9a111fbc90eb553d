import data from '@data/materials/shelf.json';
import type { Material } from './schema';

/**
 * The generic materials that ship with the product; a yard's own stand beside them in its database. That they follow
 * the schema is tested, not found out again at every start.
 */
export const GENERIC_MATERIALS = data.materials as unknown as readonly Material[];

/** A material of the Shelf, and whether the yard made or changed it. */
export interface ShelfItem {
  material: Material;
  own: boolean;
  /** The generic original, where a yard's figures stand in front of it. */
  generic: Material | null;
}
