import fc from 'fast-check';
import { Clipper, FillRule, type Path64 } from '@countertype/clipper2-ts';
import { describe, expect, it } from 'vitest';
import { brant } from '../../../../tests/helpers/merrow';
import { runToEnd } from '../../job';
import type { Fabric } from '../../material';
import { USUAL_CUTTING } from '../cutting';
import type { At } from '../nest/convexParts';
import { boxOf, rectangle } from '../pieces/outline';
import type { Piece } from '../pieces/piece';
import { cutPlan } from './cutPlan';
import type { CutInput, CutWay } from './cutWay';
import { movedByHand } from './moveByHand';

const fabric = brant().materials.find((one): one is Fabric => one.kind === 'fabric' && one.id === 'wr-600-m300')!;
const piece = (id: string, outline: At[], count = 1): Piece => ({
  id,
  run: null,
  kind: 'own',
  material: fabric.id,
  thickness: null,
  of: id,
  partId: null,
  layerId: null,
  layerNumber: 0,
  zones: [],
  angleDeg: 0,
  hand: 'none',
  n: 1,
  m: 1,
  count,
  outline,
  cuts: [],
  notches: [],
  drawn: null,
  area: 0.1,
  shearDeg: 0,
  notes: [],
});
const ell: At[] = [[0, 0], [0.6, 0], [0.6, 0.2], [0.2, 0.2], [0.2, 0.7], [0, 0.7]]; // prettier-ignore
const wedge: At[] = [[0, 0], [0.5, 0.1], [0.1, 0.4]]; // prettier-ignore
const pieces = [piece('ell', ell, 3), piece('wedge', wedge, 4), piece('square', rectangle(0.3, 0.3), 2)];
const input: CutInput = {
  material: fabric,
  pieces,
  cutting: USUAL_CUTTING,
  cloth: [
    { id: 'roll', name: 'roll', length: 30, outline: null },
    { id: 'off', name: 'an offcut', length: null, outline: [[0, 0], [0.9, 0], [0.6, 1], [0, 0.8]] }, // prettier-ignore
  ],
  looks: 60_000,
  seed: 1,
  clothPrice: 4,
  labour: 40,
};
const nested = (change: Partial<CutInput> = {}) =>
  runToEnd(cutPlan({ ...input, ...change })).find(({ name }) => name === 'nested')!;

const path = (outline: readonly At[]): Path64 =>
  outline.map(([x, y]) => ({ x: Math.round(x * 1e6), y: Math.round(y * 1e6) }));
/** Nothing overlaps, and everything lies on its cloth: looked at by another way than it was laid by. */
function expectSound(way: CutWay) {
  expect(way.places).toHaveLength(9);
  for (const [i, a] of way.places.entries()) {
    const cloth = way.cloth.find(({ id }) => id === a.clothId)!;
    const { minX, maxX, minY, maxY } = boxOf(a.outline);
    if (cloth.outline) {
      const out = Clipper.difference([path(a.outline)], [path(cloth.outline)], FillRule.NonZero);
      expect(Math.abs(areaOf(out))).toBeLessThan(1e-5);
    } else {
      expect(minX).toBeGreaterThan(USUAL_CUTTING.selvage - 1e-4);
      expect(maxX).toBeLessThan(fabric.width.value - USUAL_CUTTING.selvage + 1e-4);
      expect(minY).toBeGreaterThan(-1e-4);
      expect(maxY).toBeLessThan(cloth.taken + 1e-4);
    }
    for (const b of way.places.slice(i + 1)) {
      if (a.clothId !== b.clothId) continue;
      const shared = Clipper.intersect([path(a.outline)], [path(b.outline)], FillRule.NonZero);
      expect(Math.abs(areaOf(shared))).toBeLessThan(1e-8);
    }
  }
}
const areaOf = (paths: Path64[]) =>
  paths.reduce((sum, ring) => {
    return (
      sum +
      ring.reduce(
        (own, { x, y }, i) => own + x * ring[(i + 1) % ring.length]!.y - ring[(i + 1) % ring.length]!.x * y,
        0,
      )
    );
  }, 0) / 2e12;

describe('a lay moved by hand', () => {
  const way = nested();
  it('is sound to begin with', () => expectSound(way));

  it('takes a piece wherever there is room near by, or says that there is none; what it gives never overlaps', () => {
    let [taken, refused] = [0, 0];
    const at = fc.record({
      which: fc.nat(8),
      on: fc.constantFrom(...way.cloth.map(({ id }) => id)),
      x: fc.double({ min: 0, max: 1.2, noNaN: true }),
      y: fc.double({ min: 0, max: 3, noNaN: true }),
      turnHalf: fc.boolean(),
    });
    fc.assert(
      fc.property(at, ({ which, on, x, y, turnHalf }) => {
        const place = way.places[which]!;
        const next = movedByHand(input, way, { place, to: { clothId: on, x, y }, turnHalf });
        if (typeof next === 'string') {
          refused += 1;
          expect(next).toMatch(/room|larger/);
          return;
        }
        taken += 1;
        expectSound(next);
        const now = next.places.find((one) => one.pieceId === place.pieceId && one.copy === place.copy)!;
        expect(Math.hypot(now.x - x, now.y - y)).toBeLessThan(0.4);
        expect(now.rotation).toBe(turnHalf ? (place.rotation + 180) % 360 : place.rotation);
      }),
      { seed: 5, numRuns: 150 },
    );
    expect(taken).toBeGreaterThan(20);
    expect(refused).toBeGreaterThan(5);
  });

  it('lies exactly where it is put where nothing is in the way, and takes more of the roll for it', () => {
    const place = way.places.find(({ pieceId, clothId }) => pieceId === 'square' && clothId === 'roll')!;
    const next = movedByHand(input, way, { place, to: { clothId: 'roll', x: 0.5, y: 7 } }) as CutWay;
    const now = next.places.find((one) => one.pieceId === 'square' && one.copy === place.copy)!;
    expect([now.x, now.y]).toEqual([0.5, 7]);
    const end = boxOf(now.outline).maxY;
    expect(next.length).toBeCloseTo(end, 6);
    expect(next.clothMoney).toBeCloseTo(4 * end * fabric.width.value, 6);
  });

  it('says that a piece is larger than the cloth it is put on', () => {
    const small = {
      ...way,
      cloth: [
        ...way.cloth,
        { id: 's', name: 'a scrap', taken: 0, length: null, outline: rectangle(0.2, 0.2), bought: false },
      ],
    };
    expect(movedByHand(input, small, { place: way.places[0]!, to: { clothId: 's', x: 0, y: 0 } })).toMatch(
      /larger than a scrap/,
    );
  });
});

describe('a lay nested again', () => {
  const way = nested();
  it('leaves what is fast where it lies, and nests the rest round it', () => {
    const fast = way.places.slice(0, 4).map((place) => ({ ...place }));
    const moved = movedByHand(input, way, { place: fast[0]!, to: { clothId: 'roll', x: 0.4, y: 2 } }) as CutWay;
    const still = [moved.places[0]!, ...fast.slice(1)];
    const next = nested({ fast: still });
    expectSound(next);
    for (const one of still) {
      const now = next.places.find(({ pieceId, copy }) => pieceId === one.pieceId && copy === one.copy)!;
      expect([now.clothId, now.rotation, now.x, now.y]).toEqual([one.clothId, one.rotation, one.x, one.y]);
    }
  });
  it('goes on from where it was, never to a longer one; a lay that does not hold is not taken', () => {
    const again = nested({ from: way.lay, looks: 20_000, seed: 7 });
    expectSound(again);
    expect(again.length).toBeLessThanOrEqual(way.length + 1e-9);
    const wrong = way.lay!.map((one) => ({ ...one, x: 0, y: 0 }));
    expectSound(nested({ from: wrong, looks: 20_000 }));
    expectSound(nested({ from: way.lay!.slice(1), looks: 20_000 }));
  });
  it('tells every better lay while it looks: each is whole, and they get shorter', () => {
    const lengths: number[] = [];
    for (const step of cutPlan(input)) {
      if (step.best?.name !== 'nested') continue;
      expectSound(step.best);
      lengths.push(step.best.length);
    }
    expect(lengths.length).toBeGreaterThan(0);
    expect([...lengths].sort((a, b) => b - a)).toEqual(lengths);
  });
});
