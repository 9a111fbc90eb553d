import { z } from 'zod';
import { bounded, choice, idSchema, nameOf, shortLength } from '../../field';
import { boatList } from '../entity';

const fields = {
  id: idSchema,
  name: nameOf('Name', 60),
  from: bounded('From', [-10, 40], 'm', { hint: 'aft end, forward of the aft end of the waterline' }),
  to: bounded('To', [-10, 40], 'm'),
  bottom: bounded('Bottom', [-5, 12], 'm', { hint: 'above the baseline' }),
  top: bounded('Top', [-5, 12], 'm'),
  inner: bounded('Inner side', [0, 10], 'm', { hint: 'off the centreline' }),
  outer: bounded('Outer side', [0, 10], 'm', { hint: 'empty: the skin of the boat' }).nullable(),
  hand: choice('Hand', { both: 'both hands', port: 'port', starboard: 'starboard' }),
};

/** How a compartment is closed: what lifts a swamped boat, and what does not. */
export const CLOSURES = {
  tight: 'closed for good',
  openable: 'closed by a hatch or plug',
  vented: 'open to the bilge',
} as const;
export type Closure = keyof typeof CLOSURES;

/** A room in the boat: a compartment, a block of foam, or a tank that the structure makes. */
export const spaceSchema = z.discriminatedUnion('kind', [
  z.object({
    ...fields,
    kind: z.literal('compartment'),
    closure: choice('Closed', CLOSURES),
    /** What water can fill of it. */
    free: bounded('Share that water can fill', [0.05, 1], '', { hint: 'the rest is taken up by what stands in it' }),
  }),
  z.object({
    ...fields,
    kind: z.literal('foam'),
    density: bounded('Density of the foam', [10, 300], 'kg/m³'),
    filled: bounded('Share that is foam', [0.05, 1]),
    uptake: bounded('Water taken up', [0, 0.5], '', { hint: 'share of its volume over the boat’s life' }),
  }),
  z.object({
    ...fields,
    kind: z.literal('tank'),
    density: bounded('Density of the contents', [500, 2000], 'kg/m³'),
    gap: shortLength('Off the hull skin', 0, 1, '0: the hull is its wall'),
    overflow: bounded('Overflow above its top', [0, 10], 'm', { hint: 'the head that its walls may see' }),
  }),
]);
export type Space = z.infer<typeof spaceSchema>;
export type SpaceKind = Space['kind'];
export const SPACE_KINDS: Readonly<Record<SpaceKind, string>> = {
  compartment: 'Compartment',
  foam: 'Buoyancy foam',
  tank: 'Integral tank',
};

/** Rooms in the boat: compartments, foam, tanks. */
export const spaces = boatList({
  name: 'space',
  label: 'Space',
  place: 'Spaces',
  schema: spaceSchema,
  limit: 60,
  since: 10,
  empty: () => [],
  title: ({ name }) => name,
});
