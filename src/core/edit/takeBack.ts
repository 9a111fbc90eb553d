import type { Boat } from '../document';
import type { Edit } from './editSchema';
import { applyOne } from './applyEdits';

/**
 * An action taken back on a boat that does not hold together any more: nothing follows, nothing is checked. What comes
 * of it must be checked by whoever asks.
 *
 * @throws KeramosError `notFound` where an edit names what is not there; a TypeError where the boat lacks a list.
 */
export const takeBack = (boat: Boat, inverse: readonly Edit[]): Boat =>
  inverse.reduce((current, edit) => applyOne(current, edit)[0], boat);
