import { describe, expect, it } from 'vitest';
import { boat, hull } from '../../../tests/helpers/hull';
import type { Boat } from '../document';
import { makeEvaluator } from '../evaluate';
import { joinAt, neighboursOf, withJoin } from '../lines';
import { cautionsOf } from '.';

const keel = neighboursOf(boat, hull).find(({ a, b }) => a === b)!;
const [ud, biaxial] = ['ud-600', 'bx0-600'] as const;
const [first, second] = hull.layers
  .filter(({ zones, thickness }) => zones.includes(keel.a) && thickness === null)
  .slice(-2)
  .map(({ id }) => id) as [string, string];

/** Merrow with two slanted layers in her keel band, those named lapped on the centreline. */
function laid(lapped: readonly string[], [one, other]: readonly [number, number], material: string = ud): Boat {
  const angles: Record<string, number> = { [first]: one, [second]: other };
  const layers = hull.layers.map((layer) =>
    layer.id in angles ? { ...layer, material, angleDeg: angles[layer.id]! } : layer,
  );
  const join = { ...joinAt(hull, keel), lap: null, laps: lapped.map((layer) => ({ layer, lap: 0.1 })) };
  const part = { ...hull, layers, joins: withJoin(hull, join) };
  return { ...boat, parts: boat.parts.map((own) => (own.id === hull.id ? part : own)) };
}
const found = (of: Boat) => cautionsOf(of, makeEvaluator()(of)).filter(({ rule }) => rule.id === 'hands-unlike');

describe('a boat whose port side is not the mirror of her starboard side', () => {
  it('is one with a slanted layer in one over the centreline and another on each hand', () => {
    const [one, ...others] = found(laid([second], [30, -30]));
    expect(others).toEqual([]);
    const number = (id: string) => hull.layers.findIndex((layer) => layer.id === id) + 1;
    expect(one!.detail).toContain(
      `in one over the centreline layer ${number(first)}, on each hand layer ${number(second)}`,
    );
    expect(found(laid([first], [45, 45]))).toHaveLength(1);
  });
  it.each([
    ['all run over it', [], [30, -30], ud],
    ['all are lapped there', [first, second], [30, -30], ud],
    ['the one that is lapped lies along', [second], [30, 0], ud],
    ['the other lies across', [second], [90, -30], ud],
    ['the cloth is alike to both sides', [second], [45, -45], biaxial],
  ] as const)('is none where %s', (_, lapped, angles, material) => {
    expect(found(laid(lapped, angles, material))).toEqual([]);
  });
});
