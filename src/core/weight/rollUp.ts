import { rollUpMasses } from './rollUpMasses';

/** A mass with its centre, m and kg. */
export interface MassItem {
  mass: number;
  centreX: number;
  centreZ: number;
}

/**
 * Total mass and centre of gravity of items.
 * @returns the centre is null when there is no mass.
 * @example rollUp([{ mass: 1, centreX: 0, centreZ: 0 }, { mass: 3, centreX: 4, centreZ: 0 }]).centreX // 3
 */
export function rollUp(items: readonly MassItem[]): { mass: number; centreX: number | null; centreZ: number | null } {
  const { mass, centre } = rollUpMasses(
    items.map((item) => ({ mass: item.mass, centre: [item.centreX, 0, item.centreZ] as const })),
  );
  if (!centre || !(mass > 0)) return { mass, centreX: null, centreZ: null };
  return { mass, centreX: centre[0], centreZ: centre[2] };
}
