import type { Boat } from '../document';
import { said } from '../quantity';
import type { CautionRule } from './rule';

/** Something aboard that no zone and no layer shows: a space or an item, by its id and name. */
export interface BoatFinding {
  subject: string;
  name: string;
  detail: string;
}
export interface BoatRule extends Omit<CautionRule, 'find'> {
  find: (boat: Boat) => BoatFinding[];
}

type Space = Boat['spaces'][number];
type Compartment = Extract<Space, { kind: 'compartment' }>;
const isCompartment = (space: Space): space is Compartment => space.kind === 'compartment';

/** Foam that takes up less than this of its volume is reckoned as dry. */
const DRY = 0.02;
/** What has to be reached again while the boat is used. */
const NEEDS_HANDS: ReadonlySet<string> = new Set(['engine', 'systems', 'tank', 'hatch', 'fitting']);

/** Whether a space lies wholly in a compartment. */
const isWithin = (space: Space, { from, to, bottom, top, inner, outer, hand }: Compartment): boolean =>
  from <= space.from &&
  to >= space.to &&
  bottom <= space.bottom &&
  top >= space.top &&
  inner <= space.inner &&
  (outer === null || (space.outer !== null && outer >= space.outer)) &&
  (hand === 'both' || hand === space.hand);

/** Whether a place (m) lies in a compartment. */
const holds = (
  { from, to, bottom, top, inner, outer, hand }: Compartment,
  { x, y, z }: { x: number; y: number; z: number },
): boolean =>
  x >= from &&
  x <= to &&
  z >= bottom &&
  z <= top &&
  Math.abs(y) >= inner &&
  Math.abs(y) <= (outer ?? Infinity) &&
  (hand === 'both' || y === 0 || (hand === 'starboard') === y > 0);

export const BOAT_RULES: readonly BoatRule[] = [
  {
    id: 'buoyancy-open',
    severity: 'warning',
    title: 'Buoyancy foam that water reaches is reckoned as dry',
    reason: 'Foam open to the bilge drinks over the years, and then weighs instead of lifting.',
    wayOut: 'Close it in a compartment, or give it the share of water that it takes up.',
    source: 'Practice of flotation foam',
    find: ({ spaces }) =>
      spaces
        .filter(
          (space) =>
            space.kind === 'foam' &&
            space.uptake < DRY &&
            !spaces.some((one) => isCompartment(one) && one.closure !== 'vented' && isWithin(space, one)),
        )
        .map(({ id, name }) => ({
          subject: id,
          name,
          detail: 'in no compartment that is closed, and next to no water is reckoned in it',
        })),
  },
  {
    id: 'closed-in',
    severity: 'danger',
    title: 'Something is closed in for good',
    reason: 'What has to be looked at, tightened or changed lies where nobody can reach it without a saw.',
    wayOut: 'Give the compartment a hatch or a plug, or move what lies in it.',
    source: 'Order of assembly: what a part closes must be in, and be reached again',
    find: ({ spaces, items }) =>
      items
        .filter(({ kind }) => NEEDS_HANDS.has(kind))
        .flatMap((item) => {
          const tight = spaces.find((one) => isCompartment(one) && one.closure === 'tight' && holds(one, item));
          if (!tight) return [];
          const place = `${said(item.x, 'length')} along, ${said(item.z, 'length')} up`;
          return [{ subject: item.id, name: item.name, detail: `in ${tight.name}, ${place}` }];
        }),
  },
];
