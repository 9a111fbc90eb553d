import { expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { newBoat, shapeOf } from '../document';
import { distance, type Point } from './point';
import { patchArea, regionPatch, shares, type Patch } from '.';

/** A surface measured without mercy: small four-sided pieces, each by its sides and a diagonal after Heron. */
function measured({ at, count, straight, jumps = [] }: Patch): number {
  const [ALONG, ACROSS] = straight ? [2, 4000] : [1600, 60];
  const heron = (p: Point, q: Point, r: Point) => {
    const [a, b, c] = [distance(p, q), distance(q, r), distance(r, p)];
    const s = (a + b + c) / 2;
    return Math.sqrt(Math.max(0, s * (s - a) * (s - b) * (s - c)));
  };
  const ends = [0, ...jumps.filter((u) => u > 0 && u < 1).sort((a, b) => a - b), 1];
  let area = 0;
  for (let k = 1; k < ends.length; k++) {
    const [from, to] = [ends[k - 1]! + 1e-8, ends[k]! - 1e-8];
    const steps = Math.ceil(ALONG * (to - from));
    let before = shares(ACROSS).map((v) => at(from, v));
    for (let i = 1; i <= steps; i++) {
      const here = shares(ACROSS).map((v) => at(from + ((to - from) * i) / steps, v));
      for (let j = 0; j < ACROSS; j++)
        area += heron(before[j]!, here[j]!, here[j + 1]!) + heron(before[j]!, here[j + 1]!, before[j + 1]!);
      before = here;
    }
  }
  return area * count;
}

const zones = [merrow(), brant(), newBoat('New')].flatMap((boat) =>
  boat.parts.flatMap((part) => part.zones.map((zone) => ({ boat, zone, name: `${boat.name}, ${zone.name}` }))),
);

it.each(zones)('$name: its area is right to a thousandth', ({ boat, zone }) => {
  const patch = regionPatch(shapeOf(boat)!, zone.region!)!;
  expect(patchArea(patch).area / measured(patch)).toBeGreaterThan(0.999);
  expect(patchArea(patch).area / measured(patch)).toBeLessThan(1.001);
});
