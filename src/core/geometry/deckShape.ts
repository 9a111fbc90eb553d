import { z } from 'zod';
import type { HullSurface } from './hullSurface';
import { mix, type Point } from './point';
import { bounded } from '../field';

const x = bounded('Position', [-10, 40], 'm');
const half = bounded('Half-breadth', [0.05, 5], 'm');
/** A well or house on the deck: trapezoid in plan, both hands alike. m. */
const openingFields = { from: x, to: x, halfBreadthAft: half, halfBreadthFore: half };

export const deckShapeSchema = z.object({
  /** Rise of the deck amidships where it is widest (m). */
  camber: bounded('Camber', [0, 1], 'm'),
  cockpit: z
    .object({ ...openingFields, soleHeight: bounded('Sole height', [0, 6], 'm above the baseline') })
    .nullable(),
  coachroof: z
    .object({
      ...openingFields,
      height: bounded('Coachroof height', [0.05, 3], 'm'),
      frontRakeDeg: bounded('Front rake', [0, 75], '°'),
      sideRakeDeg: bounded('Side rake', [0, 45], '°'),
    })
    .nullable(),
});
export type DeckShape = z.infer<typeof deckShapeSchema>;
export type Opening = NonNullable<DeckShape['cockpit']> | NonNullable<DeckShape['coachroof']>;

export const FLUSH_DECK: DeckShape = { camber: 0.05, cockpit: null, coachroof: null };

/** Half-breadth of an opening at x; 0 outside it. */
export function openingAt(opening: Opening | null, at: number): number {
  if (opening === null || at < opening.from - 1e-9 || at > opening.to + 1e-9) return 0;
  return mix(opening.halfBreadthAft, opening.halfBreadthFore, (at - opening.from) / (opening.to - opening.from));
}

/** Half-breadth of whatever is open in the deck at x (m). */
export const openHalfBreadth = (deck: DeckShape, at: number): number =>
  Math.max(openingAt(deck.cockpit, at), openingAt(deck.coachroof, at));

/** Where along the boat the deck's inner edge jumps (m): the ends of what is open. */
export const openingEnds = ({ cockpit, coachroof }: DeckShape): number[] =>
  [cockpit, coachroof].flatMap((opening) => (opening === null ? [] : [opening.from, opening.to]));

/** A point of the deck's surface; camber falls off with the square of the half-breadth. */
export function deckPoint(hull: HullSurface, deck: DeckShape, at: number, y: number): Point {
  const [, edge, height] = hull.at(at, 2);
  const widest = hull.at(mix(hull.aft, hull.bow, 0.45), 2)[1];
  const rise = deck.camber * (edge / widest) ** 2;
  return [at, y, height + rise * Math.max(0, 1 - (edge > 1e-6 ? y / edge : 1) ** 2)];
}
