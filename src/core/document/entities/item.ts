import { z } from 'zod';
import { bounded, choice, idSchema, nameOf, whole } from '../../field';
import { boatList } from '../entity';

/** How far a boat is when something comes aboard, in the order of the work. */
export const STAGES = {
  bare: 'Bare mouldings',
  bonded: 'Bonded structure',
  fitted: 'Fitted out',
  loaded: 'Loaded',
} as const;
export type Stage = keyof typeof STAGES;

/** How a boat is loaded when she is asked how she floats. */
export const CONDITIONS = {
  light: 'Light',
  half: 'Half load',
  full: 'Full load',
} as const;
export type Condition = keyof typeof CONDITIONS;

interface ItemKind {
  name: string;
  stage: Stage;
  /** Share of it that is aboard. */
  aboard: Readonly<Record<Condition, number>>;
  /** Of its material, solid, where the item says nothing (kg/m³): what it displaces when it is under water. */
  density: number;
}
const always = { light: 1, half: 1, full: 1 };
const comesAboard = { light: 0, half: 1, full: 1 };
const usedUp = { light: 0, half: 0.5, full: 1 };

/** What is aboard besides the laminate. */
export const ITEM_KINDS = {
  engine: { name: 'Engine and drive', stage: 'fitted', aboard: always, density: 5000 },
  systems: { name: 'Batteries, wiring, pumps', stage: 'fitted', aboard: always, density: 2500 },
  tank: { name: 'Tank, empty', stage: 'fitted', aboard: always, density: 2700 },
  contents: { name: 'Contents of a tank', stage: 'loaded', aboard: usedUp, density: 1030 },
  outfit: { name: 'Joinery and outfit', stage: 'fitted', aboard: always, density: 700 },
  hatch: { name: 'Hatches and windows', stage: 'fitted', aboard: always, density: 1400 },
  fitting: { name: 'Fittings', stage: 'fitted', aboard: always, density: 7800 },
  rig: { name: 'Mast, rig and sails', stage: 'fitted', aboard: always, density: 2700 },
  ballast: { name: 'Ballast', stage: 'bonded', aboard: always, density: 11300 },
  bonding: { name: 'Bonding of parts', stage: 'bonded', aboard: always, density: 1300 },
  paint: { name: 'Paint and antifouling', stage: 'fitted', aboard: always, density: 1500 },
  people: { name: 'People', stage: 'loaded', aboard: comesAboard, density: 1030 },
  // Loose things float away: they are taken to lift no more than they weigh.
  stores: { name: 'Stores and gear', stage: 'loaded', aboard: usedUp, density: 1030 },
  other: { name: 'Other', stage: 'fitted', aboard: always, density: 7800 },
} as const satisfies Record<string, ItemKind>;
export type ItemKindName = keyof typeof ITEM_KINDS;

const names = Object.fromEntries(Object.entries(ITEM_KINDS).map(([key, { name }]) => [key, name])) as Record<
  ItemKindName,
  string
>;
/** The kinds by name. */
export const itemKindOf = (kind: ItemKindName): ItemKind => ITEM_KINDS[kind];

/** How well the mass of an item is known, and how far it may be off (one standard deviation, share). */
export const ITEM_STATES = {
  estimated: { name: 'estimated', scatter: 0.15 },
  quoted: { name: 'quoted', scatter: 0.05 },
  weighed: { name: 'weighed', scatter: 0.01 },
} as const;
export type ItemState = keyof typeof ITEM_STATES;

/** One of a few things that weigh, with its place: forward of the aft end of the waterline, to starboard, up. */
export const itemSchema = z.object({
  id: idSchema,
  name: nameOf('Item name'),
  kind: choice('Kind', names),
  mass: bounded('Mass of one', [0.001, 100_000], 'kg'),
  number: whole('Number', 1, 999),
  x: bounded('Along', [-10, 40], 'm', { hint: 'forward of the aft end of the waterline' }),
  y: bounded('To starboard', [-10, 10], 'm', { hint: 'port is negative' }),
  z: bounded('Above baseline', [-5, 30], 'm'),
  /** Its length along the boat, which counts in how she pitches. */
  length: bounded('Length of it', [0, 24], 'm', { hint: 'along the boat; counts in pitching' }),
  state: choice('Known', { estimated: 'estimated', quoted: 'quoted', weighed: 'weighed' }),
  scatter: bounded('Scatter', [0, 1], '', {
    hint: 'one standard deviation as a share; empty: by how it is known',
  }).nullable(),
  density: bounded('Density', [10, 20_000], 'kg/m³', { hint: 'under water; empty: as usual for its kind' }).nullable(),
  price: bounded('Price of one', [0, 1e7], '', { quantity: 'money' }).nullable(),
  hours: bounded('Hours to fit one', [0, 10_000]).nullable(),
});
export type Item = z.infer<typeof itemSchema>;

/** What is aboard besides the laminate: engine, tanks, outfit, people. */
export const items = boatList({
  name: 'item',
  label: 'Item',
  place: 'Items',
  schema: itemSchema,
  limit: 600,
  since: 10,
  empty: () => [],
  title: ({ name }) => name,
});
