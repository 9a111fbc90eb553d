import { z } from 'zod';
import { bounded, choice, idSchema, nameOf, refer, shortLength, since, whole } from '../field';

/** Along the boat, from the aft end of the waterline (m). */
const along = (label: string, hint?: string) => bounded(label, [-10, 40], 'm', hint === undefined ? {} : { hint });
const x = along('At', 'from aft end of waterline');
const ends = { from: along('From', 'aft end; off the boat means its end'), to: along('To', 'fore end') };
const height = bounded('Height', [-2, 12], 'm', { hint: 'above the baseline' });
const halfBreadth = (end: string) => bounded(`Half-breadth ${end}`, [0.05, 5], 'm');

/** A line along the hull that bounds a zone. */
export const hullEdgeSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('centreline') }),
  z.object({ kind: z.literal('chine') }),
  /** The loaded waterline, which parts bottom from side on sailing craft. */
  z.object({ kind: z.literal('waterline') }),
  z.object({ kind: z.literal('deckEdge') }),
  /** So far from the centreline, along the skin. */
  z.object({ kind: z.literal('girth'), distance: shortLength('Distance', 0.02, 10, 'along the skin') }),
  z.object({ kind: z.literal('height'), height }),
]);
export type HullEdge = z.infer<typeof hullEdgeSchema>;

/** Where a zone lies on the boat. Both hands together, unless it is one piece across the boat. */
export const regionSchema = z.discriminatedUnion('surface', [
  z.object({ surface: z.literal('hull'), ...ends, lower: hullEdgeSchema, upper: hullEdgeSchema }),
  z.object({ surface: z.literal('transom') }),
  /** A bulkhead: the boat's section at x, up to the deck or to a height. */
  z.object({
    surface: z.literal('section'),
    x,
    top: bounded('Top', [-2, 12], 'm', { hint: 'height; empty means to the deck' }).nullable(),
  }),
  /** Deck between the openings and the deck edge. */
  z.object({ surface: z.literal('deck'), ...ends }),
  z.object({ surface: z.literal('cockpit'), piece: z.enum(['sole', 'side']) }),
  z.object({ surface: z.literal('coachroof'), piece: z.enum(['top', 'side', 'front']) }),
  /** A pan inside the hull: trapezoid in plan at one height. */
  z.object({
    surface: z.literal('pan'),
    ...ends,
    halfBreadthAft: halfBreadth('aft'),
    halfBreadthFore: halfBreadth('fore'),
    height,
  }),
  /** A rectangle anywhere, for pads and small parts; `count` of them. */
  z.object({
    surface: z.literal('rectangle'),
    x: along('Along', 'middle'),
    y: bounded('Off centre', [0, 6], 'm', { hint: 'middle' }),
    height,
    length: bounded('Length', [0.02, 12], 'm'),
    breadth: bounded('Breadth', [0.02, 8], 'm'),
    count: whole('How many', 1, 40),
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
  /** Whether its own ends are held against turning; between its spans it runs through. */
  ends: since(
    14,
    choice('Its ends', {
      held: 'held, both of them',
      oneFree: 'one free to turn',
      free: 'both free to turn (sniped)',
    }),
    'held',
  ),
  /** One load that stands on it, wherever it does most: an engine on its bed, a mast, a winch. */
  load: since(14, refer('Point load on it', 'loads').nullable(), null),
};
/** Where the point load stands on a member that runs along the boat; left open, wherever on it does most. */
const loadAt = since(14, along('It stands at', 'empty: wherever it does most').nullable(), null);
const share = bounded('Place', [0.02, 0.98], '', { quantity: 'fraction', hint: 'share of the way' });
/** How far up a frame runs: one that ends at the chine or the turn of the bilge, a floor, holds nothing above it. */
const upTo = choice('Up to', {
  notSaid: 'not said (deck edge)',
  chine: 'the chine or bilge',
  deckEdge: 'the deck edge',
});
export const supportSchema = z.discriminatedUnion('kind', [
  z.object({ ...supportFields, kind: z.literal('frame'), x, upTo: since(13, upTo, 'notSaid') }),
  z.object({
    ...supportFields,
    kind: z.literal('stringer'),
    band: choice('On', { bottom: 'bottom', side: 'side' }),
    share,
    ...ends,
    loadAt,
  }),
  z.object({ ...supportFields, kind: z.literal('beam'), x }),
  z.object({
    ...supportFields,
    kind: z.literal('girder'),
    y: bounded('Off centre', [0, 5], 'm'),
    ...ends,
    loadAt,
  }),
  z.object({
    ...supportFields,
    kind: z.literal('rib'),
    zone: refer('On zone', 'zones'),
    run: choice('Runs', { along: 'along the zone', across: 'across it' }),
    share,
  }),
]);
export type Support = z.infer<typeof supportSchema>;
/** What a member has that only holds panels: no section, ends that hold, nothing on it. */
export const HOLDS_ONLY = { section: null, ends: 'held', load: null } as const;
/** The same of one that runs along the boat. */
export const HOLDS_ALONG = { ...HOLDS_ONLY, loadAt: null } as const;
export const SUPPORT_KINDS = {
  frame: 'Frame or floor, across the hull',
  stringer: 'Stringer, along the hull',
  beam: 'Beam, across the deck',
  girder: 'Girder, along the deck',
  rib: 'Rib, on one zone',
} as const;
