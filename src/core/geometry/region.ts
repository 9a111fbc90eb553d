import { z } from 'zod';
import { bounded, idSchema, nameOf, refer } from '../field';

const x = bounded('Position', [-10, 40], 'm');
const height = bounded('Height', [-2, 12], 'm');

/** A line along the hull that bounds a zone. */
const edgeSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('centreline') }),
  z.object({ kind: z.literal('chine') }),
  /** The loaded waterline, which parts bottom from side on sailing craft. */
  z.object({ kind: z.literal('waterline') }),
  z.object({ kind: z.literal('deckEdge') }),
  /** So far from the centreline, along the skin. */
  z.object({ kind: z.literal('girth'), distance: bounded('Distance from the centreline', [0.02, 10], 'm') }),
  z.object({ kind: z.literal('height'), height }),
]);
export type HullEdge = z.infer<typeof edgeSchema>;

/** Where a zone lies on the boat. Both hands together, unless it is one piece across the boat. */
export const regionSchema = z.discriminatedUnion('surface', [
  z.object({ surface: z.literal('hull'), from: x, to: x, lower: edgeSchema, upper: edgeSchema }),
  z.object({ surface: z.literal('transom') }),
  /** A bulkhead: the boat's section at x, up to the deck or to a height. */
  z.object({ surface: z.literal('section'), x, top: height.nullable() }),
  /** Deck between the openings and the deck edge. */
  z.object({ surface: z.literal('deck'), from: x, to: x }),
  z.object({ surface: z.literal('cockpit'), piece: z.enum(['sole', 'side']) }),
  z.object({ surface: z.literal('coachroof'), piece: z.enum(['top', 'side', 'front']) }),
  /** A pan inside the hull: trapezoid in plan at one height. */
  z.object({
    surface: z.literal('pan'),
    from: x,
    to: x,
    halfBreadthAft: bounded('Half-breadth', [0.05, 5], 'm'),
    halfBreadthFore: bounded('Half-breadth', [0.05, 5], 'm'),
    height,
  }),
  /** A rectangle anywhere, for pads and small parts; `count` of them. */
  z.object({
    surface: z.literal('rectangle'),
    x,
    y: bounded('Distance from the centreline', [0, 6], 'm'),
    height,
    length: bounded('Length', [0.02, 12], 'm'),
    breadth: bounded('Breadth', [0.02, 8], 'm'),
    count: z.int().min(1).max(40),
  }),
]);
export type Region = z.infer<typeof regionSchema>;

/**
 * A member that holds panels: on the hull, on the deck, or on the surface of one zone. `section` names its stiffener
 * section; without one it is a support only.
 */
const supportFields = {
  id: idSchema,
  name: nameOf('Name', 60),
  section: refer('Section', 'sections').nullable(),
};
const share = bounded('Place', [0.02, 0.98]);
export const supportSchema = z.discriminatedUnion('kind', [
  z.object({ ...supportFields, kind: z.literal('frame'), x }),
  z.object({ ...supportFields, kind: z.literal('stringer'), band: z.enum(['bottom', 'side']), share, from: x, to: x }),
  z.object({ ...supportFields, kind: z.literal('beam'), x }),
  z.object({
    ...supportFields,
    kind: z.literal('girder'),
    y: bounded('Distance from the centreline', [0, 5], 'm'),
    from: x,
    to: x,
  }),
  z.object({
    ...supportFields,
    kind: z.literal('rib'),
    zone: refer('On zone', 'zones'),
    run: z.enum(['along', 'across']),
    share,
  }),
]);
export type Support = z.infer<typeof supportSchema>;
export const SUPPORT_KINDS = {
  frame: 'Frame or floor, across the hull',
  stringer: 'Stringer, along the hull',
  beam: 'Beam, across the deck',
  girder: 'Girder, along the deck',
  rib: 'Rib, on one zone',
} as const;
