import { failureOf, laminateResponse, laminateStiffness, type Ply } from '../laminate';
import { transverseShear } from '../laminate';
import { designPliesOf, designStack } from './designStack';
import type { Boat, Part, Zone, Reference } from '../document';
import { bookOf, layReference } from './book';

/** One property of the zone's laminate over that of the reference. */
export interface MatchRatio {
  name: string;
  own: number;
  reference: number;
  unit: 'N/m' | 'N m' | 'N';
  ratio: number;
}

export interface Match {
  reference: Reference;
  ratios: MatchRatio[];
  /** The least of them. */
  governing: MatchRatio;
}

/** First-ply moment or force per width a stack bears, in the weaker of both signs. */
function capacity(plies: readonly Ply[], kind: 'M' | 'N', axis: 0 | 1): number {
  const stiffness = laminateStiffness(plies);
  const unit = (sign: number): [number, number, number] => (axis === 0 ? [sign, 0, 0] : [0, sign, 0]);
  return Math.min(
    ...[1, -1].map(
      (sign) =>
        failureOf(plies, laminateResponse(plies, { [kind]: unit(sign) }, undefined, stiffness).plies, 'tsaiWu')
          .reserveFactor,
    ),
  );
}

function propertiesOf(plies: readonly Ply[]): Omit<MatchRatio, 'reference' | 'ratio'>[] {
  const { A, D } = laminateStiffness(plies);
  const shear = transverseShear(plies);
  return [
    { name: 'Membrane stiffness along', own: A[0][0], unit: 'N/m' },
    { name: 'Membrane stiffness across', own: A[1][1], unit: 'N/m' },
    { name: 'Bending stiffness along', own: D[0][0], unit: 'N m' },
    { name: 'Bending stiffness across', own: D[1][1], unit: 'N m' },
    { name: 'Twisting stiffness', own: D[2][2], unit: 'N m' },
    { name: 'Shear stiffness through the thickness', own: Math.min(shear.A44, shear.A55), unit: 'N/m' },
    { name: 'Moment at first ply failure, along', own: capacity(plies, 'M', 0), unit: 'N' },
    { name: 'Moment at first ply failure, across', own: capacity(plies, 'M', 1), unit: 'N' },
    { name: 'Pull or push at first ply failure, along', own: capacity(plies, 'N', 0), unit: 'N/m' },
    { name: 'Pull or push at first ply failure, across', own: capacity(plies, 'N', 1), unit: 'N/m' },
  ];
}

/**
 * A zone's laminate against the reference that proved itself: at least as stiff and as strong in every way, both with
 * the boat's process and knock-downs.
 *
 * @returns null when the zone names no reference.
 * @throws KeramosError `invalid` for an empty zone.
 * @example matchZone(boat, hull, bottom)!.governing.ratio // 1.04
 */
export function matchZone(boat: Boat, part: Part, zone: Zone): Match | null {
  const reference = boat.references.find(({ id }) => id === zone.match);
  if (!reference) return null;
  const own = propertiesOf(designStack(boat, part, zone).plies);
  const book = bookOf(boat, 0);
  const other = propertiesOf(designPliesOf(boat, book, layReference(book, reference)));
  const ratios = own.map((property, i): MatchRatio => ({
    ...property,
    reference: other[i]!.own,
    ratio: property.own / other[i]!.own,
  }));
  return { reference, ratios, governing: ratios.reduce((low, one) => (one.ratio < low.ratio ? one : low)) };
}
