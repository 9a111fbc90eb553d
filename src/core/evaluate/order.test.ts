import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { cautionsOf } from '../caution';
import { evaluateDetails } from '../detail/kinds';
import type { Boat } from '../document';
import { massesOf } from '../weight';
import { evaluateStiffeners, makeEvaluator } from '.';

const boats = [merrow(), brant()];
/** What a boat comes to, by the ids of what it is of: nothing of it may hang on the order in which it was entered. */
function figuresOf(boat: Boat): Record<string, number | string | null> {
  const evaluations = makeEvaluator()(boat);
  const details = evaluateDetails(boat);
  const masses = massesOf(boat, evaluations, details);
  return Object.fromEntries([
    ...[...evaluations].flatMap(([id, { checks, notChecked, unproven }]) => [
      ...checks.map((check) => [`${id} ${check.id} ${check.pack}`, check.reserveFactor] as const),
      [`${id} not checked`, [...notChecked].sort().join('|')] as const,
      [`${id} unproven`, [...unproven].sort().join('|')] as const,
    ]),
    ...evaluateStiffeners(boat).map(({ support, governing }) => [`of ${support.id}`, governing?.reserveFactor ?? null]),
    ...details.map(({ detail, governing }) => [`of ${detail.id}`, governing?.reserveFactor ?? null]),
    ['mass', masses.reduce((sum, { mass }) => sum + mass, 0)],
    ['moment', masses.reduce((sum, { mass, centre }) => sum + mass * centre[0], 0)],
    [
      'cautions',
      cautionsOf(boat, evaluations)
        .map(({ rule, zoneIds }) => `${rule.id} ${[...zoneIds].sort().join()}`)
        .sort()
        .join('|'),
    ],
  ]) as Record<string, number | string | null>;
}
/** The same figures, but for what sums in another order leave behind. */
function expectSame(now: ReturnType<typeof figuresOf>, was: ReturnType<typeof figuresOf>): void {
  expect(Object.keys(now).sort()).toEqual(Object.keys(was).sort());
  for (const [key, value] of Object.entries(was))
    if (typeof value === 'number') expect(Math.abs((now[key] as number) / value - 1), key).toBeLessThan(1e-9);
    else expect(now[key], key).toEqual(value);
}
const shuffled = <T>(list: readonly T[], keys: readonly number[]): T[] =>
  list
    .map((one, i) => ({ one, key: keys[i % keys.length]! * ((i % 7) + 1), i }))
    .sort((a, b) => a.key - b.key || b.i - a.i)
    .map(({ one }) => one);
const keys = fc.array(fc.integer({ min: 1, max: 1000 }), { minLength: 11, maxLength: 11 });

describe('the order in which things were entered', () => {
  it.each(boats)('$name: of supports, zones, parts, details, sections, loads, materials changes no figure', (boat) => {
    const was = figuresOf(boat);
    fc.assert(
      fc.property(keys, (order) => {
        const mixed: Boat = {
          ...boat,
          supports: shuffled(boat.supports, order),
          details: shuffled(boat.details, order),
          sections: shuffled(boat.sections, order),
          loads: shuffled(boat.loads, order),
          materials: shuffled(boat.materials, order),
          items: shuffled(boat.items, order),
          spaces: shuffled(boat.spaces, order),
          parts: shuffled(boat.parts, order).map((part) => ({ ...part, zones: shuffled(part.zones, order) })),
        };
        expectSame(figuresOf(mixed), was);
      }),
      { numRuns: 4 },
    );
  });
  it.each(boats)('$name: nor do the names under which things are kept', (boat) => {
    // Ids of the boat's own things; what materials and packs are called is known elsewhere.
    const ids = [
      ...boat.parts.flatMap(({ zones, layers }) => [...zones, ...layers].map(({ id }) => id)),
      ...boat.supports.map(({ id }) => id),
      ...boat.sections.map(({ id }) => id),
      ...boat.details.map(({ id }) => id),
      ...boat.loads.map(({ id }) => id),
    ];
    // One without a hyphen may be a word of the document itself: a transom.
    const renamed = new Map(ids.filter((id) => id.includes('-')).map((id, i) => [id, `n${(i * 7919) % 100_003}`]));
    const rename = (value: unknown): unknown => {
      if (typeof value === 'string') return renamed.get(value) ?? value;
      if (Array.isArray(value)) return value.map(rename);
      if (value === null || typeof value !== 'object') return value;
      return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, rename(inner)]));
    };
    const other = rename(boat) as Boat;
    const [was, now] = [figuresOf(boat), figuresOf(other)];
    const back = new Map([...renamed].map(([from, to]) => [to, from]));
    const named = (text: string) => text.replace(/\bn\d+\b/g, (id) => back.get(id) ?? id);
    const restored = Object.fromEntries(
      Object.entries(now).map(([key, value]) => {
        if (typeof value !== 'string') return [named(key), value];
        // Lists of ids stand in their own order.
        const lists = value.split('|').map((one) => {
          const [rule, zones] = named(one).split(' ');
          return key === 'cautions' && zones ? `${rule} ${zones.split(',').sort().join()}` : named(one);
        });
        return [named(key), lists.sort().join('|')];
      }),
    );
    expectSame(restored, was);
  });
});
