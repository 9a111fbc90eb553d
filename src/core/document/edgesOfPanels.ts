import { KeramosError } from '../error';
import { same } from '../field';
import { panelsBeside } from '../geometry';
import type { Zone } from './boat';
import { groundOf, hasTypedPanel, sameGround } from './panelsToCheck';
import { shapeOf, supportsOf } from './shape';
import type { PanelsBoat } from './zonePanels';

type Ground = ReturnType<typeof groundOf>;
const found = new WeakMap<Zone, { ground: Ground; names: readonly string[] }>();

/**
 * Panels of which a zone has an edge or an end alone, in words: its checks do not look at them.
 *
 * @returns an empty list for a zone whose panel is typed, that lies on no surface, or on a boat without a shape.
 */
export function edgesOfPanels(boat: PanelsBoat, zone: Zone): readonly string[] {
  const ground = groundOf(boat);
  const known = found.get(zone);
  if (known && sameGround(known.ground, ground)) return known.names;
  const now = namesOf(boat, zone);
  // The very list of before where it says the same, so that what hangs on it stands.
  const names = known && same(known.names, now) ? known.names : now;
  found.set(zone, { ground, names });
  return names;
}

function namesOf(boat: PanelsBoat, zone: Zone): string[] {
  const shape = shapeOf(boat);
  if (!shape || !zone.region || hasTypedPanel(zone)) return [];
  try {
    return panelsBeside(shape, supportsOf(boat), zone.region);
  } catch (error) {
    // A zone that lost its surface is refused where it is edited.
    if (!(error instanceof KeramosError)) throw error;
    return [];
  }
}
