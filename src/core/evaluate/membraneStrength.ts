import { KeramosError } from '../error';
import { failureOf, laminateResponse, laminateStiffness } from '../laminate';
import type { Boat, Part, Zone } from '../document';
import { designStack } from './designStack';

/** Any load will do: the reserve is in proportion to it (N/m). */
const UNIT = 1e5;

/**
 * What a zone's laminate bears in its plane before the first ply fails, along and across (N/m): the lesser of pull and
 * push, by Tsai-Wu with the design strengths of the boat. Wrinkling and buckling are not in it.
 *
 * @returns null for a stack that is not complete, or has a ply without strengths.
 * @example membraneStrength(boat, hull, side)?.[0] // 4.1e5
 */
export function membraneStrength(boat: Boat, part: Part, zone: Zone): [number, number] | null {
  try {
    const { plies } = designStack(boat, part, zone);
    const stiffness = laminateStiffness(plies);
    const bears = (axis: 0 | 1) =>
      Math.min(
        ...[1, -1].map((sign) => {
          const N: [number, number, number] = axis === 0 ? [sign * UNIT, 0, 0] : [0, sign * UNIT, 0];
          const response = laminateResponse(plies, { N, M: [0, 0, 0] }, undefined, stiffness);
          return UNIT * failureOf(plies, response.plies, 'tsaiWu').reserveFactor;
        }),
      );
    return [bears(0), bears(1)];
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    return null;
  }
}
