import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../../tests/helpers/merrow';
import { evaluateDetail, evaluateDetails, type DetailOf } from '../../detail/kinds';
import { membersOf, sectionProperties } from '../../evaluate';
import { USUAL_CUTTING } from '../cutting';
import { detailPieces, stiffenerPieces } from './strips';

const strapOf = (boat: ReturnType<typeof brant>) =>
  boat.details.find((one): one is DetailOf<'strap'> => one.kind === 'strap')!;
const tabbingOf = (boat: ReturnType<typeof brant>) =>
  boat.details.find((one): one is DetailOf<'tabbing'> => one.kind === 'tabbing')!;

describe('pieces of details', () => {
  it.each([merrow(), brant()])('of $name: one for each layer of each of the number, no more and no less', (boat) => {
    const details = evaluateDetails(boat);
    const pieces = detailPieces(boat, details, USUAL_CUTTING);
    for (const { detail, layers } of details)
      layers.forEach(({ count, length, breadth }, i) => {
        const own = pieces.filter(({ of, layerNumber }) => of === detail.name && layerNumber === i + 1);
        const area = own.reduce((sum, piece) => sum + piece.count * piece.area, 0);
        const laps = own.length > 1 ? (own.length - 1) * USUAL_CUTTING.lap * Math.max(length, breadth) * 2 * count : 0;
        expect(area).toBeGreaterThan(count * length * breadth * (1 - 1e-4));
        expect(area).toBeLessThan(count * length * breadth * (1 + 1e-4) + laps);
      });
  });
  it('a pair of feet with three sheets each takes two of each sheet', () => {
    const boat = merrow();
    const foot = boat.details.find(({ name }) => name === 'A-frame foot') as DetailOf<'bolted'>;
    expect(foot.number).toBe(2);
    const pieces = detailPieces(boat, [evaluateDetail(boat, foot)], USUAL_CUTTING);
    expect(pieces.map(({ count }) => count)).toEqual(foot.sheets.map(() => 2));
  });
  it('tapes both sides of 24 m come in three lengths that lap: 6 of (24 + 2 laps)/3', () => {
    const boat = merrow();
    const long = { ...tabbingOf(boat), length: 24, sides: 2 as const, number: 1 };
    const evaluation = evaluateDetail(boat, long);
    expect(evaluation.problem).toBeNull();
    const [layer] = evaluation.layers;
    expect(layer).toMatchObject({ length: 24, count: 2 });
    const [piece] = detailPieces(boat, [{ ...evaluation, layers: [{ ...layer!, angleDeg: 0 }] }], USUAL_CUTTING);
    expect(piece!.count).toBe(6);
    const longest = Math.max(...piece!.outline.flatMap(([x, y]) => [x, y]));
    expect(longest).toBeCloseTo((24 + 2 * USUAL_CUTTING.lap) / 3, 4);
  });
  it('straps step back strip by strip, and run round a tube there and back in one piece', () => {
    const boat = brant();
    const strap = { ...strapOf(boat), strips: 3, anchor: 0.4, step: 0.05, sides: 2 as const, number: 2 };
    const flat = evaluateDetail(boat, { ...strap, wrap: 'flat', radius: null });
    expect(flat.layers.map(({ length, count }) => [Number(length.toFixed(9)), count])).toEqual([
      [0.4, 4],
      [0.35, 4],
      [0.3, 4],
    ]);
    const round = evaluateDetail(boat, { ...strap, wrap: 'tube', radius: 0.02 });
    expect(round.layers[0]!.length).toBeCloseTo(0.8 + Math.PI * 0.02, 9);
    expect(round.layers[0]!.breadth).toBe(strap.width);
    const even = evaluateDetail(boat, { ...strap, step: 0, wrap: 'flat', radius: null });
    expect(even.layers.map(({ length, count }) => [length, count])).toEqual([[0.4, 12]]);
  });
});

describe('pieces of stiffeners', () => {
  it.each([merrow(), brant()])(
    'of $name: as much of each cloth as the stiffeners weigh, trim and joints left out',
    (boat) => {
      const cutting = { ...USUAL_CUTTING, trim: 0, lap: 0 };
      const pieces = stiffenerPieces(boat, cutting);
      const places = membersOf(boat);
      let compared = 0;
      for (const support of boat.supports) {
        const section = boat.sections.find(({ id }) => id === support.section);
        const length = places.get(support.id)?.length ?? 0;
        if (!section || length === 0) continue;
        const { breadths } = sectionProperties(boat, section);
        section.layers.forEach((_, i) => {
          const own = pieces.filter(({ of, layerNumber }) => of === support.name && layerNumber === i + 1);
          const area = own.reduce((sum, piece) => sum + piece.count * piece.area, 0);
          expect(area / (length * breadths[i]!), `${support.name}, layer ${i + 1}`).toBeCloseTo(1, 3);
          compared++;
        });
      }
      expect(compared).toBeGreaterThan(10);
    },
  );
});
