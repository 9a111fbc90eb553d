import { bucklingUnder, plateStiffness } from '../panel';
import { laminateStiffness } from '../laminate';
import { panelsToCheck, type Boat, type Part, type Zone } from '../document';
import { designStack } from './designStack';

/** The panel of a zone that buckles first under forces in its plane, and by how much it is short of that. */
export interface PanelBuckling {
  reserveFactor: number;
  /** What the panel stands between; '' for one whose figures are typed. */
  panel: string;
}

/**
 * Whether the panels of a zone stand the forces in their plane that its load gives: the least factor on them at which
 * one buckles, flat, by its elastic stiffness. Its edges turn freely, for its neighbours buckle with it the other way;
 * a panel that tapers is taken as the rectangle that stands for it.
 *
 * @param N along, across, shear (N/m), pulling positive. @returns null where nothing presses them.
 * @throws KeramosError as designStack.
 * @example panelBuckling(boat, deck, foredeck, [-20e3, 0, 0])?.reserveFactor
 * Source: bucklingUnder; docs/engineering.md, "Panels".
 */
export function panelBuckling(
  boat: Boat,
  part: Part,
  zone: Zone,
  N: readonly [number, number, number],
): PanelBuckling | null {
  if (Math.min(N[0], N[1], -Math.abs(N[2])) >= 0) return null;
  const { plies } = designStack(boat, part, zone);
  const stiffness = plateStiffness(plies, laminateStiffness(plies));
  return panelsToCheck(boat, zone)
    .map(({ name, geometry: { panelLength: length, panelBreadth: breadth } }): PanelBuckling => ({
      panel: name,
      reserveFactor: bucklingUnder({ length, breadth, ...stiffness, fixityX: 0, fixityY: 0 }, N),
    }))
    .reduce((low, one) => (one.reserveFactor < low.reserveFactor ? one : low));
}
