import { PREPARATIONS } from '../../material';
import type { Support } from '../../geometry';
import type { StiffenerSection } from '../../stiffener';
import type { Boat } from '../../document';

const ENDS = { held: null, oneFree: 'one end free to turn', free: 'both ends free to turn' } as const;

/** How a member is held and what stands on it, in words; nothing for one whose ends are held and that is bare. */
export function saidHold({ loads }: Boat, support: Support): string {
  const load = loads.find(({ id }) => id === support.load);
  return [ENDS[support.ends], load && `carries ${load.name}`].filter(Boolean).join('; ');
}

/** How a section is bonded to its plating, in words. */
export function saidBond({ materials }: Boat, { bonded, adhesive }: StiffenerSection): string {
  const glue = materials.find(({ id }) => id === adhesive);
  if (glue) return `glued with ${glue.name}`;
  return bonded === 'notSaid' ? 'preparation not said' : PREPARATIONS[bonded].toLowerCase();
}
