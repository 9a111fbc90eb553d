import type { Boat, Part, Space, Zone } from '../document';
import { evaluateZone, type ZoneEvaluation } from '../evaluate';
import { heightsOf } from '../float';
import type { BoatShape } from '../geometry';
import { bodyOfSpace } from './masses';

/** A zone that closes a tank, under the head of its contents. m, Pa. */
export interface TankWall {
  zone: Zone;
  part: Part;
  head: number;
  pressure: number;
  /** What the zone is checked for as it stands. */
  own: number | null;
  /** Its least reserve under the head alone, and the check that says so. */
  reserveFactor: number | null;
  governs: string | null;
  /** Whether the zone is checked for as much already. */
  asked: boolean;
  /** Whether the head in the place of the zone's own pressure makes every check of every panel harder. */
  harder: boolean;
}

const GRAVITY = 9.80665;
/** How far off a bulkhead may stand and still be the end of a tank (m). */
const NEAR = 0.06;

/** Whether a zone lies on a tank: a bulkhead at its end, the skin it is cut from, a pan over or under it. */
function closes(zone: Zone, tank: Extract<Space, { kind: 'tank' }>): boolean {
  const { region } = zone;
  if (region === null) return false;
  switch (region.surface) {
    case 'section':
      return Math.abs(region.x - tank.from) < NEAR || Math.abs(region.x - tank.to) < NEAR;
    case 'hull':
      return tank.outer === null && tank.gap === 0 && region.from < tank.to && region.to > tank.from;
    case 'pan':
      return (
        region.from < tank.to &&
        region.to > tank.from &&
        (Math.abs(region.height - tank.top) < NEAR || Math.abs(region.height - tank.bottom) < NEAR)
      );
    default:
      return false;
  }
}

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
 * A zone that has a greater pressure of its own keeps it; the head is checked beside, by itself.
 *
 * Source: hydrostatic head, p = ρ g h.
 */
export function tankWalls(
  boat: Boat,
  shape: BoatShape,
  tank: Extract<Space, { kind: 'tank' }>,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
): TankWall[] {
  const heights = heightsOf(bodyOfSpace(shape, tank));
  if (!heights) return [];
  const head = heights[1] - heights[0] + tank.overflow;
  const pressure = tank.density * GRAVITY * head;
  return boat.parts.flatMap((part) =>
    part.zones
      .filter((zone) => closes(zone, tank))
      .map((zone): TankWall => {
        const under = evaluateZone(boat, part, { ...zone, designPressure: Math.max(100, pressure) });
        const { governing } = under;
        const now = evaluations.get(zone.id)!;
        const own = now.pressure?.pressure ?? null;
        return {
          zone,
          part,
          head,
          pressure,
          own,
          reserveFactor: governing?.reserveFactor ?? null,
          governs: governing?.id ?? null,
          asked: own !== null && own >= pressure,
          harder: isHarder(now, under),
        };
      }),
  );
}
