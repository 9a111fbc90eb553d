import { expect, it } from 'vitest';
import { merrow, zoneOf } from '../../../../tests/helpers/merrow';
import type { Boat } from '../../document';
import type { HullShape } from '../../geometry';
import { evaluateStiffeners } from '.';

const boat = merrow();
const asking = (of: Boat, floors: HullShape['hardEdges']['floors']): Boat => ({
  ...of,
  hull: { ...of.hull!, hardEdges: { ...of.hull!.hardEdges, floors } },
});
const floor = boat.supports.find(({ kind, section }) => kind === 'frame' && section !== null)!;
const spansOf = (of: Boat) => {
  const found = evaluateStiffeners(of).find(({ support }) => support.id === floor.id)!;
  return {
    spans: found.geometry!.spans.filter(({ on }) => on === 'bottom'),
    reserve: found.governing?.reserveFactor ?? 0,
  };
};

it('a floor ends its span at the keel where a keel band is laid, and is weaker where nothing stiff runs there', () => {
  const [band, held, free] = [spansOf(boat), spansOf(asking(boat, 'held')), spansOf(asking(boat, 'free'))];
  expect(boat.hull!.hardEdges.floors).toBe('band');
  expect(band.spans.map(({ length }) => length)).toEqual(held.spans.map(({ length }) => length));
  // From side to side in place of from the keel to one side.
  expect(free.spans[0]!.length / held.spans[0]!.length).toBeCloseTo(2, 1);
  expect(free.spans[0]!.points[0]![1]).toBeLessThan(-0.1);
  expect(free.reserve).toBeLessThan(held.reserve / 2);
});
it('is asked anew when the keel band goes', () => {
  const [, band] = zoneOf(boat, 'Keel band');
  const bare = {
    ...boat,
    parts: boat.parts.map((part) => ({ ...part, zones: part.zones.filter(({ id }) => id !== band.id) })),
  };
  expect(spansOf(asking(bare, 'band')).spans[0]!.points[0]![1]).toBeLessThan(-0.1);
  expect(spansOf(asking(bare, 'held')).spans[0]!.points[0]![1]).toBeCloseTo(0, 6);
});
