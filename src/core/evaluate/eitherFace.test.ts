import { describe, expect, it } from 'vitest';
import { brant, merrow, zoneOf } from '../../../tests/helpers/merrow';
import type { Boat, Part, Zone } from '../document';
import { isHead } from '../standard';
import { analysePanel, analyseStack, analyseZone, evaluateStiffeners } from '.';

const boats = [merrow(), brant()];
const heads = boats.flatMap((boat) =>
  boat.parts.flatMap((part) =>
    part.zones
      .filter(({ location }) => isHead(location))
      .map((zone) => ({ boat, zone, name: `${boat.name}: ${zone.name}` })),
  ),
);
const plain = boats.flatMap((boat) =>
  boat.parts.flatMap((part) =>
    part.zones.filter(({ location }) => !isHead(location)).map((zone) => ({ boat, zone, name: zone.name })),
  ),
);
const withLayers = (boat: Boat, zone: Zone, change: (layers: Part['layers']) => Part['layers']): [Boat, Part, Zone] => {
  const parts = boat.parts.map((part) => (part.zones.includes(zone) ? { ...part, layers: change(part.layers) } : part));
  const state = { ...boat, parts };
  return [state, ...zoneOf(state, zone.name)];
};
/** With the outermost fabric laid twice more: the two faces are then not alike. */
const heavyOutside = (boat: Boat, zone: Zone) =>
  withLayers(boat, zone, (layers) => {
    const first = layers.findIndex((layer) => layer.zones.includes(zone.id) && layer.role === 'structure');
    const again = (n: number) => ({ ...layers[first]!, id: `again-${n}` });
    return [...layers.slice(0, first), again(1), again(2), ...layers.slice(first)];
  });
const turnedOver = (boat: Boat, zone: Zone) => withLayers(boat, zone, (layers) => [...layers].reverse());

/** But for the order within a cloth of several directions, which is not turned; one face alone is off by a half. */
const alike = (a: number, b: number) => expect(Math.abs(a / b - 1)).toBeLessThan(0.08);

describe('a boundary that water may press from either face', () => {
  it.each(heads)('$name: turned over, its panel has the same reserves', ({ boat, zone }) => {
    const [heavy, part, own] = heavyOutside(boat, zone);
    const [over, overPart, overZone] = turnedOver(heavy, own);
    const reserves = analysePanel(heavy, part, own).reserves;
    const turned = analysePanel(over, overPart, overZone).reserves;
    expect(reserves.length).toBeGreaterThan(2);
    for (const { id, reserveFactor } of reserves)
      alike(turned.find((one) => one.id === id)!.reserveFactor, reserveFactor);
    const one = analyseStack(heavy, part, own, 'tsaiWu').failure.reserveFactor;
    alike(analyseStack(over, overPart, overZone, 'tsaiWu').failure.reserveFactor, one);
  });

  it.each(heads)('$name: its laminate is shown under the face that leaves less, and says which', ({ boat, zone }) => {
    const least = (of: ReturnType<typeof analyseStack>) =>
      Math.min(of.failure.reserveFactor, ...(of.sandwich ?? []).map(({ reserveFactor }) => reserveFactor));
    const heavy = heavyOutside(boat, zone);
    const sources = [heavy, turnedOver(heavy[0], heavy[2])].map(([state, part, own]) => {
      const shown = analyseStack(state, part, own, 'tsaiWu');
      const given = shown.loads.map((load) => least(analyseStack(state, part, { ...own, load }, 'tsaiWu')));
      expect(given).toHaveLength(2);
      expect(least(shown)).toBeCloseTo(Math.min(...given), 9);
      // What is shown of the plies is the least of the plies, whatever a skin does; and each local limit by itself.
      const alone = shown.loads.map((load) => analyseStack(state, part, { ...own, load }, 'tsaiWu'));
      expect(shown.failure.reserveFactor).toBe(Math.min(...alone.map(({ failure }) => failure.reserveFactor)));
      shown.sandwich?.forEach(({ reserveFactor }, i) =>
        expect(reserveFactor).toBe(Math.min(...alone.map(({ sandwich }) => sandwich![i]!.reserveFactor))),
      );
      const { criteria } = analyseZone(state, part, own, 'tsaiWu');
      for (const load of shown.loads) {
        const under = analyseZone(state, part, { ...own, load }, 'tsaiWu').criteria;
        criteria.forEach(({ first, last }, i) => {
          expect(first).toBeLessThanOrEqual(under[i]!.first);
          expect(last).toBeLessThanOrEqual(under[i]!.last);
        });
      }
      return shown.loadSource;
    });
    // One way round it is pressed from outside, the other way round from inside.
    expect([...sources].sort()).toEqual(['pressure', 'pressureInside']);
  });

  it.each(plain)('$name: no head of water, one face alone', ({ boat, zone }) => {
    const part = boat.parts.find(({ zones }) => zones.includes(zone))!;
    expect(analyseStack(boat, part, zone, 'tsaiWu').loads).toHaveLength(1);
  });

  it('a stiffener on it bears the whole moment of its ends in both senses, one on the bottom half of it', () => {
    const boat = merrow();
    const posts = boat.supports.filter(({ name }) => /ulkhead post/.test(name)).map(({ id }) => id);
    const supports = boat.supports.map((one) =>
      posts.includes(one.id) ? { ...one, section: boat.sections[0]!.id } : one,
    );
    let onHeads = 0;
    for (const { worst } of evaluateStiffeners({ ...boat, supports })) {
      if (!worst?.zone) continue;
      const of = (id: string) => worst.checks.find((check) => check.id === id)!;
      const head = isHead(worst.zone.zone.location);
      if (head) onHeads++;
      expect(of('platingCompression').demand).toBeCloseTo(of('platingTension').demand / (head ? 1 : 2), 9);
      expect(of('crownTension').demand).toBeCloseTo(of('crownCompression').demand / (head ? 1 : 2), 9);
      expect(/other face/.test(of('crownTension').name)).toBe(head);
    }
    expect(onHeads).toBeGreaterThan(0);
  });
});
