import { describe, expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { checkBoat, type Boat, type Item, type Space } from '../document';
import { makeEvaluator } from '../evaluate';
import { wordsIn } from '../quantity';
import { cautionsOf } from '.';

type Compartment = Extract<Space, { kind: 'compartment' }>;
type Foam = Extract<Space, { kind: 'foam' }>;
const at = { from: 3, to: 5, bottom: 0.2, top: 0.8, inner: 0.3, outer: 0.9, hand: 'both' as const };
const foam = (own: Partial<Foam> = {}): Foam => ({
  ...at,
  id: 'foam',
  name: 'Under the seats',
  kind: 'foam',
  density: 35,
  filled: 0.9,
  uptake: 0,
  ...own,
});
const room = (own: Partial<Compartment> = {}): Compartment => ({
  ...at,
  id: 'room',
  name: 'Side locker',
  kind: 'compartment',
  closure: 'tight',
  free: 0.9,
  ...own,
});
const battery = (own: Partial<Item> = {}): Item => ({
  ...merrow().items[0]!,
  id: 'battery',
  name: 'Battery',
  kind: 'systems',
  x: 4,
  y: 0.6,
  z: 0.5,
  ...own,
});
function found(spaces: Space[], items: Item[] = [], change: Partial<Boat> = {}) {
  const boat: Boat = { ...merrow(), spaces, items, ...change };
  checkBoat(boat);
  return cautionsOf(boat, makeEvaluator()(boat)).filter(({ name }) => name !== null);
}
const ids = (...of: Parameters<typeof found>) => found(...of).map(({ rule }) => rule.id);

describe('buoyancy foam', () => {
  it('that water reaches and is reckoned as dry is told of', () => {
    expect(found([foam()])).toMatchObject([{ subject: 'foam', name: 'Under the seats', zoneIds: [], layerId: null }]);
    expect(ids([foam(), room({ closure: 'vented' })])).toEqual(['buoyancy-open']);
  });
  it('is quiet in a compartment that is closed, or with the water that it takes up', () => {
    expect(ids([foam(), room()])).toEqual([]);
    expect(ids([foam(), room({ closure: 'openable' })])).toEqual([]);
    expect(ids([foam({ uptake: 0.05 })])).toEqual([]);
  });
  it.each<[string, Partial<Compartment>]>([
    ['forward of it', { to: 4.9 }],
    ['abaft it', { from: 3.1 }],
    ['below it', { bottom: 0.3 }],
    ['above it', { top: 0.7 }],
    ['inside it', { inner: 0.4 }],
    ['outside it', { outer: 0.8 }],
    ['on the other hand', { hand: 'port' }],
  ])('stands out of a compartment %s', (_, own) => {
    expect(ids([foam(), room(own)])).toEqual(['buoyancy-open']);
  });
  it('out to the skin is only in what reaches the skin', () => {
    expect(ids([foam({ outer: null }), room()])).toEqual(['buoyancy-open']);
    expect(ids([foam({ outer: null }), room({ outer: null })])).toEqual([]);
  });
});

describe('what has to be reached again', () => {
  it('is told of where it is closed in for good, with its place', () => {
    const [one] = found([room()], [battery()]);
    expect(one).toMatchObject({ subject: 'battery', name: 'Battery', rule: { id: 'closed-in', severity: 'danger' } });
    expect(wordsIn(one!.detail, 'us')).toMatch(/^in Side locker, 13\.1\d* ft along, 1\.64\d* ft up$/);
  });
  it('is quiet under a hatch, beside the compartment, and where it needs no hands', () => {
    expect(ids([room({ closure: 'openable' })], [battery()])).toEqual([]);
    for (const own of [{ x: 5.1 }, { y: 0.1 }, { y: 1 }, { z: 0.1 }]) expect(ids([room()], [battery(own)])).toEqual([]);
    expect(ids([room()], [battery({ kind: 'ballast' })])).toEqual([]);
  });
  it('lies on its own hand', () => {
    expect(ids([room({ hand: 'port' })], [battery()])).toEqual([]);
    expect(ids([room({ hand: 'port' })], [battery({ y: -0.6 })])).toEqual(['closed-in']);
  });
  it('is answered for by the item, once', () => {
    const acceptance = {
      id: 'a1',
      rule: 'closed-in',
      subject: 'battery',
      by: 'I. Hallin',
      note: 'Sealed cell, changed with the deck off',
      at: '2026-12-01T08:00:00.000Z',
    };
    const [one, ...others] = found([room()], [battery()], { acceptances: [acceptance] });
    expect(others).toEqual([]);
    expect(one!.accepted).toEqual(acceptance);
  });
});
