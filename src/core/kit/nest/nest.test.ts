import { Clipper, EndType, FillRule, JoinType, type Path64 } from '@countertype/clipper2-ts';
import { randomLcg } from 'd3-random';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { runToEnd } from '../../job';
import { convexParts, isConvex, signedArea, type At } from './convexParts';
import { nestPolygons, type PolygonsInput, type PolygonsNest } from './polygons';
import { nestRectangles, type RectanglesInput } from './rectangles';

interface NestCase {
  id: string;
  calc: string;
  source: string;
  input: Record<string, unknown>;
  optimum: number;
  maximumOverOptimum: number;
  boxBaseline?: number;
}
const CASES = (JSON.parse(readFileSync('tests/cases/kit.json', 'utf8')) as NestCase[]).filter(({ calc }) =>
  calc.startsWith('kit.nest'),
);

const MICRO = 1e6;
const path = (points: readonly At[]): Path64 =>
  points.map(([x, y]) => ({ x: Math.round(x * MICRO), y: Math.round(y * MICRO) }));
const areaOf = (paths: Path64[]) => paths.reduce((sum, one) => sum + Clipper.area(one), 0) / MICRO ** 2;
/** Half of what may be lacking of a gap, or overlap (m). */
const HAIR = 2.5e-5;

/** Every copy once, as it may be turned, inside, and clear of all others: by another library than the search has. */
function verified(input: PolygonsInput, nest: PolygonsNest): void {
  const key = ({ id, copy }: { id: string; copy: number }) => `${id} ${copy}`;
  const wanted = input.pieces.flatMap(({ id, count = 1 }) =>
    Array.from({ length: count }, (_, copy) => ({ id, copy })),
  );
  expect(nest.placements.map(key).sort()).toEqual(wanted.map(key).sort());
  const laid = nest.placements.map(({ id, rotation, x, y, stock }) => {
    const piece = input.pieces.find((one) => one.id === id)!;
    expect(piece.rotations ?? [0, 180]).toContain(rotation);
    const angle = (rotation * Math.PI) / 180;
    const points = piece.outline.map(([u, v]): At => [
      Math.cos(angle) * u - Math.sin(angle) * v + x,
      Math.sin(angle) * u + Math.cos(angle) * v + y,
    ]);
    return { points: signedArea(points) < 0 ? points.reverse() : points, stock };
  });
  for (const { points, stock } of laid) {
    const offcut = input.stock.find(({ id }) => id === stock);
    if (offcut) {
      const out = Clipper.difference([path(points)], [path(offcut.outline)], FillRule.NonZero);
      expect(areaOf(out)).toBeLessThan(1e-6);
    } else
      for (const [x, y] of points) {
        expect(x).toBeGreaterThan(-HAIR);
        expect(x).toBeLessThan(input.stripWidth + HAIR);
        expect(y).toBeGreaterThan(-HAIR);
        expect(y).toBeLessThan(nest.length + HAIR);
      }
  }
  const grown = laid.map(({ points }) =>
    Clipper.inflatePaths([path(points)], (input.gap / 2 - HAIR) * MICRO, JoinType.Round, EndType.Polygon),
  );
  for (let i = 0; i < laid.length; i++)
    for (let j = i + 1; j < laid.length; j++) {
      if (laid[i]!.stock !== laid[j]!.stock) continue;
      expect(areaOf(Clipper.intersect(grown[i]!, grown[j]!, FillRule.NonZero)), `${i} and ${j}`).toBeLessThan(1e-9);
    }
}

const polygonsOf = (input: Record<string, unknown>, looks: number) =>
  ({ gap: 0, stock: [], seed: 1, looks, ...input }) as unknown as PolygonsInput;

describe('true shapes on a strip', () => {
  it.each(CASES.filter(({ calc }) => calc === 'kit.nestPolygons').map((c) => [c.id, c] as const))('%s', (_, c) => {
    const input = polygonsOf(c.input, 5e6);
    const nest = runToEnd(nestPolygons(input));
    verified(input, nest);
    expect(nest.length, c.source).toBeLessThanOrEqual(
      c.optimum * (1 + c.maximumOverOptimum + (input.stock.length && 0.2)),
    );
    expect(nest.length).toBeLessThan(c.boxBaseline!);
  });
  it('is the same for the same seed, and no longer than rows of boxes when it may look at nothing', () => {
    const [c] = CASES.filter(({ id }) => id === 'polygons-o-1-02');
    const once = () => runToEnd(nestPolygons(polygonsOf(c!.input, 2e5)));
    expect(once()).toEqual(once());
    const rows = runToEnd(nestPolygons(polygonsOf(c!.input, 0)));
    verified(polygonsOf(c!.input, 0), rows);
    expect(rows.length).toBeLessThanOrEqual(c!.boxBaseline! * 1.0001);
  });
  it('keeps random shapes apart by their gap, on offcuts and on the strip', () => {
    const star = fc.array(fc.integer({ min: 30, max: 400 }), { minLength: 3, maxLength: 9 }).map((radii) =>
      radii.map((r, i): At => {
        const angle = (2 * Math.PI * i) / radii.length;
        return [(r * Math.cos(angle)) / 1000, (r * Math.sin(angle)) / 1000];
      }),
    );
    fc.assert(
      fc.property(fc.array(star, { minLength: 1, maxLength: 6 }), fc.integer({ min: 0, max: 12 }), (outlines, gap) => {
        const input = polygonsOf(
          {
            stripWidth: 0.9,
            gap: gap / 1000,
            pieces: outlines.map((outline, i) => ({ id: `p${i}`, outline, count: 1 + (i % 2) })),
            stock: [
              {
                id: 'corner',
                outline: [
                  [0, 0],
                  [1, 0],
                  [1, 0.4],
                  [0.4, 0.4],
                  [0.4, 1],
                  [0, 1],
                ],
              },
            ],
          },
          15_000,
        );
        verified(input, runToEnd(nestPolygons(input)));
      }),
      { numRuns: 25 },
    );
  });
  it('refuses a piece that no turn lets onto the strip, and one of no area', () => {
    const piece = (outline: At[]) => polygonsOf({ stripWidth: 1, pieces: [{ id: 'Side', outline }] }, 100);
    const wide: At[] = [
      [0, 0],
      [1.2, 0],
      [1.2, 3],
      [0, 3],
    ];
    expect(() => runToEnd(nestPolygons(piece(wide)))).toThrow(/Side is wider than the strip/);
    expect(() =>
      runToEnd(
        nestPolygons(
          piece([
            [0, 0],
            [1, 0],
            [0.5, 0],
          ]),
        ),
      ),
    ).toThrow(/Side has no area/);
  });
});

describe('an outline in convex parts', () => {
  it('keeps its area, each part turning one way', () => {
    const star = fc.array(fc.integer({ min: 20, max: 900 }), { minLength: 5, maxLength: 24 });
    fc.assert(
      fc.property(star, fc.boolean(), (radii, back) => {
        const points = radii.map((r, i): At => {
          const angle = (2 * Math.PI * i) / radii.length;
          return [r * Math.cos(angle), r * Math.sin(angle)];
        });
        const outline = back ? points.reverse() : points;
        const parts = convexParts(outline);
        for (const part of parts) expect(isConvex(part)).toBe(true);
        const area = parts.reduce((sum, part) => sum + signedArea(part), 0);
        expect(area).toBeCloseTo(Math.abs(signedArea(outline)), 3);
      }),
    );
  });
});

/** A strip of 12 m cut in rectangles, whole millimetres: its optimum is 12 m. */
function cutStrip(count: number, seed: number): { id: string; width: number; length: number }[] {
  const random = randomLcg(seed / 97);
  const cut = [{ w: 1270, h: 12_000 }];
  while (cut.length < count) {
    const at = cut.reduce((most, one, i) => (one.w * one.h > cut[most]!.w * cut[most]!.h ? i : most), 0);
    const { w, h } = cut[at]!;
    const share = 0.25 + 0.5 * random();
    const across = random() < w / (w + h);
    const first = Math.round((across ? w : h) * share);
    const parts = across
      ? [
          { w: first, h },
          { w: w - first, h },
        ]
      : [
          { w, h: first },
          { w, h: h - first },
        ];
    cut.splice(at, 1, ...parts);
  }
  return cut.map(({ w, h }, i) => ({ id: `p${i}`, width: w / 1000, length: h / 1000 }));
}

describe('rectangles on a strip', () => {
  it.each([1, 2, 3])('come within 3 in 100 of the optimum at 100 pieces, strip %i', (seed) => {
    const strip = { stripWidth: 1.27, gap: 0, allowRotation: false, seed: 1, tries: 60_000 };
    const { length, utilisation } = runToEnd(nestRectangles({ ...strip, pieces: cutStrip(100, seed) }));
    expect(length).toBeGreaterThanOrEqual(12 - 1e-9);
    expect(length).toBeLessThanOrEqual(12 * 1.03);
    expect(utilisation).toBeCloseTo(12 / length, 6);
  });
  it.each(CASES.filter(({ calc }) => calc === 'kit.nestRectangles').map((c) => [c.id, c] as const))('%s', (_, c) => {
    const input = { gap: 0, seed: 1, tries: 12_000, ...c.input } as unknown as RectanglesInput;
    const { placements, length } = runToEnd(nestRectangles(input));
    expect(length, c.source).toBeLessThanOrEqual(c.optimum * (1 + c.maximumOverOptimum));
    const boxes = placements.map(({ id, x, y, rotated }) => {
      const { width, length: long } = input.pieces.find((piece) => piece.id === id)!;
      expect(rotated && !input.allowRotation).toBe(false);
      const [w, h] = rotated ? [long, width] : [width, long];
      expect(x).toBeGreaterThanOrEqual(-1e-9);
      expect(x + w).toBeLessThanOrEqual(input.stripWidth + 1e-6);
      expect(y + h).toBeLessThanOrEqual(length + 1e-9);
      return { x, y, w, h };
    });
    boxes.forEach((a, i) =>
      boxes.slice(i + 1).forEach((b) => {
        const apart = Math.max(a.x - b.x - b.w, b.x - a.x - a.w, a.y - b.y - b.h, b.y - a.y - a.h);
        expect(apart).toBeGreaterThanOrEqual(input.gap - 1e-6);
      }),
    );
  });
});
