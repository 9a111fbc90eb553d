import { closesTank, type Boat, type Part, type Tank, type Zone } from '../document';
import { evaluateZone, type ZoneEvaluation } from '../evaluate';
import { heightsOf } from '../float';
import type { BoatShape } from '../geometry';
import { reaches } from '../quantity';
import { isHead } from '../standard';
import { bodyOfSpace } from './masses';

/** A zone that closes a tank, under the head of its contents. m, Pa. */
export interface TankWall {
  zone: Zone;
  part: Part;
  head: number;
  pressure: number;
  /** What the zone is checked for as it stands. */
  own: number | null;
  /**
   * Its least reserve under the head alone, pressed from either face, and the check that says so; null where one of
   * its strengths is not known.
   */
  reserveFactor: number | null;
  governs: string | null;
  /**
   * Whether the zone may be asked for a pressure from inside: a bulkhead is, from either face. What is typed for any
   * other zone presses it from outside, so that the head is looked at here alone.
   */
  eitherFace: boolean;
  /** Whether the zone is checked for as much already. */
  asked: boolean;
  /** Whether the head in the place of the zone's own pressure makes every check of every panel harder. */
  harder: boolean;
}

const GRAVITY = 9.80665;
/** A hair's breadth for the arithmetic. */
const SAME = 1 + 1e-9;
/** Whether no check that stands now has more reserve, or is missing, in the other. */
function isHarder(now: ZoneEvaluation, under: ZoneEvaluation): boolean {
  const then = new Map(under.checks.map((check) => [check.id, check.reserveFactor]));
  return now.checks.every(({ id, reserveFactor }) => (then.get(id) ?? Infinity) <= reserveFactor * SAME);
}

/**
 * The zones that a tank has for walls, under the head from its lowest point to its overflow: the greatest that any
 * place of a wall sees.
 *
 * A zone that has a greater pressure of its own keeps it; the head is checked beside, by itself, as that of a tank's
 * wall: from either face, with no least fibre mass of the place.
 *
 * Source: hydrostatic head, p = ρ g h.
 */
export function tankWalls(
  boat: Boat,
  shape: BoatShape,
  tank: Tank,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
): TankWall[] {
  const heights = heightsOf(bodyOfSpace(shape, tank));
  if (!heights) return [];
  const head = heights[1] - heights[0] + tank.overflow;
  const pressure = tank.density * GRAVITY * head;
  return boat.parts.flatMap((part) =>
    part.zones
      .filter((zone) => closesTank(boat, zone, tank))
      .map((zone): TankWall => {
        const asked = { ...zone, designPressure: Math.max(100, pressure) };
        const under = evaluateZone(boat, part, asked);
        const wall = evaluateZone(boat, part, { ...asked, location: 'tank', overflow: 0 });
        const { governing } = wall;
        const proven = wall.unproven.length === 0 || !reaches(governing?.reserveFactor ?? Infinity, 1);
        const eitherFace = isHead(zone.location);
        const now = evaluations.get(zone.id)!;
        const own = now.pressure?.pressure ?? null;
        return {
          zone,
          part,
          head,
          pressure,
          own,
          reserveFactor: (proven && governing?.reserveFactor) || null,
          governs: (proven && governing?.id) || null,
          eitherFace,
          asked: eitherFace && own !== null && own >= pressure,
          harder: isHarder(now, under),
        };
      }),
  );
}
