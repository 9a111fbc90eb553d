import { z } from 'zod';
import { STEP_KINDS } from '../build';
import { bounded, choice, nameOf, noted, text, whole } from '../field';

const mouldSchema = z.strictObject({
  name: nameOf('Mould', 60),
  pullsBefore: whole('Pulls before it was kept here', 0, 100_000),
  serviceEvery: whole('Serviced every', 1, 1000),
  /** How many can work in it at once: a narrow bow, a keel trunk. */
  places: whole('People who fit in at once', 1, 40),
  note: text('Note', 200),
});
export type Mould = z.output<typeof mouldSchema>;

const workSchema = z.strictObject({
  kind: choice('Work', STEP_KINDS),
  people: text('Only by', 400),
});
const personSchema = z.strictObject({
  name: nameOf('Person', 60),
  hours: bounded('Hours a week', [0, 100], 'h'),
});

/** Of what a consumable is used so much. */
export const USED_PER = {
  area: 'm² of cloth laid',
  resin: 'kg of resin mixed',
  step: 'step begun',
  coat: 'coat on a mould',
} as const;
const consumableSchema = z.strictObject({
  name: nameOf('Consumable', 60),
  unit: text('In', 20),
  amount: bounded('Uses', [0, 10_000], ''),
  per: choice('For each', USED_PER),
  /** In steps of this kind alone. */
  of: choice('In', { any: 'any step', ...STEP_KINDS }),
  keep: bounded('Order below', [0, 100_000], ''),
});
export type Consumable = z.output<typeof consumableSchema>;

/** The shop: its moulds, who may do which work, how long a day is, what it uses up. */
export const shopSchema = z.strictObject({
  moulds: noted(z.array(mouldSchema).max(200), { label: 'Moulds' }),
  work: noted(z.array(workSchema).max(40), { label: 'Work that only some may do (names, with commas)' }),
  people: noted(z.array(personSchema).max(100), { label: 'Hands for a series' }),
  consumables: noted(z.array(consumableSchema).max(100), { label: 'Consumables' }),
  shift: bounded('Hours of a working day', [1, 24], 'h'),
  days: whole('Working days a week', 1, 7),
  weeks: whole('Working weeks a year', 1, 52),
});
export type Shop = z.output<typeof shopSchema>;

/** A small yard, to begin with. */
export const USUAL_SHOP: Shop = {
  moulds: [],
  work: [],
  people: [],
  consumables: [
    { name: 'Rollers', unit: 'pieces', amount: 0.08, per: 'area', of: 'any', keep: 20 },
    { name: 'Brushes', unit: 'pieces', amount: 1, per: 'step', of: 'lay', keep: 24 },
    { name: 'Nitrile gloves', unit: 'pairs', amount: 3, per: 'step', of: 'any', keep: 200 },
    { name: 'Mixing buckets', unit: 'pieces', amount: 0.3, per: 'resin', of: 'any', keep: 20 },
    { name: 'Release wax or fluid', unit: 'kg', amount: 0.15, per: 'coat', of: 'any', keep: 2 },
    { name: 'Bag tape', unit: 'rolls', amount: 4, per: 'step', of: 'bag', keep: 8 },
  ],
  shift: 8,
  days: 5,
  weeks: 46,
};

const namesOf = (said: string) =>
  said
    .split(',')
    .map((name) => name.trim().toLowerCase())
    .filter((name) => name !== '');

/**
 * Why somebody may not do a kind of work as the yard gives it out, in words; null where they may. Work that nobody is
 * named for is for everybody.
 */
export function mayNotWork(
  work: Shop['work'],
  { kind, person }: { kind: keyof typeof STEP_KINDS; person: string },
): string | null {
  const named = work.filter((one) => one.kind === kind).flatMap(({ people }) => namesOf(people));
  if (named.length === 0 || named.includes(person.trim().toLowerCase())) return null;
  const said = work
    .filter((one) => one.kind === kind)
    .map(({ people }) => people.trim())
    .join(', ');
  return `${STEP_KINDS[kind][0]!.toUpperCase()}${STEP_KINDS[kind].slice(1)} is done only by ${said}`;
}
