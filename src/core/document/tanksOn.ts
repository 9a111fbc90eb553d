import type { Boat, Zone } from './boat';
import type { Space } from './entities/space';
import { shapeOf } from './shape';

export type Tank = Extract<Space, { kind: 'tank' }>;

/** How far off a bulkhead, a pan or a deck may stand and still be a wall of a tank (m). */
const NEAR = 0.06;

/** Whether a zone lies on a tank: a bulkhead at its end, the skin it is cut from, what closes it from over or under. */
export function closesTank(
  boat: Pick<Boat, 'brief' | 'deck' | 'hull'>,
  { region }: Pick<Zone, 'region'>,
  tank: Tank,
): boolean {
  if (region === null) return false;
  const beside = (from: number, to: number) => from < tank.to && to > tank.from;
  const onSkin = tank.outer === null && tank.gap === 0;
  const ends = (height: number) => Math.abs(height - tank.top) < NEAR || Math.abs(height - tank.bottom) < NEAR;
  switch (region.surface) {
    case 'section':
      return Math.abs(region.x - tank.from) < NEAR || Math.abs(region.x - tank.to) < NEAR;
    case 'hull':
      return onSkin && beside(region.from, region.to);
    case 'transom':
      return onSkin && tank.from < (shapeOf(boat)?.hull.aft ?? -Infinity) + NEAR;
    case 'pan':
      return beside(region.from, region.to) && ends(region.height);
    case 'cockpit': {
      const { cockpit } = boat.deck;
      return (
        region.piece === 'sole' && cockpit !== null && beside(cockpit.from, cockpit.to) && ends(cockpit.soleHeight)
      );
    }
    case 'deck': {
      const hull = shapeOf(boat)?.hull;
      if (!hull || !beside(region.from, region.to)) return false;
      const along = [Math.max(region.from, tank.from, hull.aft), Math.min(region.to, tank.to, hull.bow)] as const;
      return along[0] < along[1] && along.some((x) => tank.top > hull.at(x, 2)[2] - NEAR);
    }
    default:
      return false;
  }
}

/** The tanks that a zone is a wall of. */
export const tanksOn = (boat: Boat, zone: Zone): Tank[] =>
  boat.spaces.filter((space): space is Tank => space.kind === 'tank' && closesTank(boat, zone, space));
