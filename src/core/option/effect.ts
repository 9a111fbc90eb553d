import type { Boat } from '../document';
import { makeEvaluator, type ZoneEvaluation } from '../evaluate';
import { marginChanges, wholeBoat, type MarginChange } from './wholeBoat';

/** What a change of a boat does. */
export interface Effect {
  /** Laminated mass (kg). */
  mass: { before: number; after: number };
  /** Materials of the laid zones, in the money of the Shelf; null where a price is missing. */
  cost: { before: number | null; after: number | null };
  /** Every margin that moves, the least after it first. */
  changes: MarginChange[];
}

const costOf = (boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>): number | null =>
  boat.parts
    .flatMap((part) => part.zones.map((zone) => ({ part, zone })))
    .reduce<number | null>((sum, { part, zone }) => {
      const { cost } = evaluations.get(zone.id)!;
      return sum === null || cost === null ? null : sum + cost * zone.geometry.area * part.number;
    }, 0);

/**
 * What a change does to the whole boat: mass, price of its zones' materials, and every margin of zones, stiffeners and
 * details that it moves.
 *
 * @example effectOf(boat, applyEdits(boat, swapMaterial(...)).boat).mass
 */
export function effectOf(before: Boat, after: Boat): Effect {
  const [was, is] = [before, after].map((boat) => {
    const evaluations = makeEvaluator()(boat);
    return { whole: wholeBoat(boat, evaluations), cost: costOf(boat, evaluations) };
  });
  return {
    mass: { before: was!.whole.mass, after: is!.whole.mass },
    cost: { before: was!.cost, after: is!.cost },
    changes: marginChanges(was!.whole, is!.whole),
  };
}
