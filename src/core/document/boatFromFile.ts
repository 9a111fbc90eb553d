import { boatFromJson, type Boat } from './boat';
import { settleGeometry } from './shape';

/**
 * A boat from a document somebody hands in: checked as {@link boatFromJson} does, and the figures of its zones taken anew from its geometry,
 * for a document changed by another hand may say one thing with its shape and another with its figures. Overrides are kept.
 *
 * @throws KeramosError `invalid` naming the field, or the zone whose place contradicts the shape.
 */
export function boatFromFile(text: string): Boat {
  const boat = boatFromJson(text);
  return settleGeometry({ ...boat, hull: null }, boat);
}
