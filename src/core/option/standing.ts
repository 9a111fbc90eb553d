import { reaches } from '../quantity';
import { evaluateDetails } from '../detail/kinds';
import { shapeOf, type Boat } from '../document';
import { KeramosError } from '../error';
import { evaluateStiffeners, makeEvaluator, targetOf, zoneCounts, type ZoneCounts } from '../evaluate';
import { mix, shares } from '../geometry';
import { boatWeight } from '../weight';

/** A profile to be drawn small: lines as [x, z] (m), the house as a box on the deck. */
export interface Outline {
  keel: [number, number][];
  sheer: [number, number][];
  waterline: number;
  house: { from: number; to: number; height: number } | null;
}

/** What a boat comes to, in a line of a list. */
export interface Standing {
  zones: ZoneCounts;
  stiffenersFailing: number;
  detailsFailing: number;
  /** Laminated mass, and what the brief allows (kg). */
  mass: number;
  weightTarget: number;
  /** Null while the boat has no hull shape. */
  outline: Outline | null;
}

const STATIONS = 20;
function outlineOf(boat: Boat): Outline | null {
  try {
    const shape = shapeOf(boat);
    if (shape === null) return null;
    const { hull, deck } = shape;
    const line = (s: number) =>
      shares(STATIONS).map((share): [number, number] => {
        const x = mix(hull.aft, hull.bow, share);
        return [x, hull.at(x, s)[2]];
      });
    const { coachroof } = deck;
    return {
      keel: line(0),
      sheer: line(2),
      waterline: hull.waterline,
      house: coachroof && { from: coachroof.from, to: coachroof.to, height: coachroof.height },
    };
  } catch (error) {
    // Particulars that contradict each other are said in the Brief.
    if (!(error instanceof KeramosError)) throw error;
    return null;
  }
}

/**
 * What a boat comes to by its rules, at planned values: zones, stiffeners and details that fail, its mass, its profile.
 *
 * @example standingOf(boat).zones.failing // 1
 */
export function standingOf(boat: Boat): Standing {
  const evaluations = makeEvaluator()(boat);
  const details = evaluateDetails(boat);
  return {
    zones: zoneCounts(evaluations.values(), targetOf(boat)),
    stiffenersFailing: evaluateStiffeners(boat).filter(
      ({ governing }) => governing && !reaches(governing.reserveFactor, 1),
    ).length,
    detailsFailing: details.filter(
      ({ problem, governing }) => problem !== null || !reaches(governing?.reserveFactor ?? 1, 1),
    ).length,
    mass: boatWeight(boat, evaluations, details).mass,
    weightTarget: boat.brief.weightTarget,
    outline: outlineOf(boat),
  };
}
