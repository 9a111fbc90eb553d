import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../../tests/helpers/merrow';
import { problemOf, shapeOf, type Plug } from '../../document';
import { faultOf, type HullSurface } from '../../geometry';
import DxfParser from 'dxf-parser';
import { signedArea } from '../nest/convexParts';
import { framesDxf } from '../out/cutDxf';
import { boxOf } from '../pieces/outline';
import { plugFrames, plugStations } from './plugFrames';

const plug: Plug = {
  id: 'plug',
  name: 'Plug',
  kind: 'plug',
  from: 0,
  to: 4,
  spacing: 0.5,
  skin: 0.02,
  battenThickness: 0,
  battenWidth: 0.04,
  battenSpacing: 0.2,
  notched: false,
  board: 0.018,
  floor: 1.5,
  level: 0.3,
};
/** A hull whose sections are half circles: of one radius, or of one that grows along it. */
const round = (radiusAt: (x: number) => number) =>
  ({
    aft: -10,
    bow: 10,
    at: (x: number, s: number) => {
      const [radius, angle] = [radiusAt(x), (Math.PI / 4) * s];
      return [x, radius * Math.sin(angle), 1 - radius * Math.cos(angle)];
    },
  }) as unknown as HullSurface;
const radiusOf = (outline: readonly (readonly [number, number])[]) =>
  Math.max(...outline.filter(([, z]) => z < 0.999).map(([y, z]) => Math.hypot(y, 1 - z)));

describe('frames of a plug', () => {
  it('stand at both ends and no further apart than is asked', () => {
    expect(plugStations({ from: 0, to: 4, spacing: 0.5 })).toHaveLength(9);
    expect(plugStations({ from: 0, to: 4, spacing: 0.6 })).toHaveLength(8);
    expect(plugStations(plug).at(-1)).toBe(4);
  });
  it('are the section less what is laid over them: a half circle of R − t', () => {
    for (const { outline } of plugFrames(
      round(() => 0.8),
      plug,
    ).frames)
      expect(radiusOf(outline)).toBeCloseTo(0.78, 4);
    const battens = { battenThickness: 0.015 };
    expect(
      radiusOf(
        plugFrames(
          round(() => 0.8),
          { ...plug, ...battens },
        ).frames[0]!.outline,
      ),
    ).toBeCloseTo(0.765, 4);
    const let_in = { ...plug, ...battens, notched: true };
    expect(
      radiusOf(
        plugFrames(
          round(() => 0.8),
          let_in,
        ).frames[0]!.outline,
      ),
    ).toBeCloseTo(0.78, 3);
  });
  it('are less by more where the surface slopes along the boat: t over the cosine (a cone worked by hand)', () => {
    // Radius grows by 0.5 m a metre: square to the surface, t is t·√(1 + 0.5²) in the plane of the frame.
    const frames = plugFrames(
      round((x) => 0.4 + 0.5 * x),
      { ...plug, to: 1, spacing: 0.25, floor: 3 },
    ).frames;
    for (const { x, outline } of frames)
      expect(radiusOf(outline)).toBeCloseTo(0.4 + 0.5 * x - 0.02 * Math.hypot(1, 0.5), 4);
  });
  it('of a mould hold the skin from outside: R + t, wider than it, down to the floor', () => {
    const frames = plugFrames(
      round(() => 0.8),
      { ...plug, kind: 'mould', floor: -0.5 },
    ).frames;
    for (const { outline } of frames) {
      const { minY, maxX } = boxOf(outline);
      expect(minY).toBeCloseTo(-0.5, 4);
      expect(maxX).toBeCloseTo(0.82 + 0.12, 3);
      const inner = outline.filter(([y, z]) => Math.abs(Math.hypot(y, 1 - z) - 0.82) < 1e-4);
      expect(inner.length).toBeGreaterThan(50);
    }
  });
  it('have a notch for every batten on both hands, as deep as it is thick', () => {
    const asked = { ...plug, battenThickness: 0.015, notched: true };
    const own = plugFrames(
      round(() => 0.8),
      asked,
    );
    const plain = plugFrames(
      round(() => 0.8),
      { ...asked, battenThickness: 0 },
    );
    // Half a girth of 0.78·π/2 = 1.225 m: six battens 0.2 m apart, the first half of that off the centreline.
    expect(own.frames[0]!.battens).toBe(12);
    expect(own.battenLength).toBeCloseTo(12 * 4, 6);
    const lost = Math.abs(signedArea(plain.frames[0]!.outline)) - Math.abs(signedArea(own.frames[0]!.outline));
    expect(lost / (12 * 0.04 * 0.015)).toBeGreaterThan(0.97);
    expect(lost / (12 * 0.04 * 0.015)).toBeLessThan(1.03);
  });
  it.each([
    ['Merrow 84', merrow()],
    ['Brant 56', brant()],
  ])('%s: every frame can be cut, is alike on both hands, and lies inside the hull', (...[, boat]) => {
    const { hull } = shapeOf(boat)!;
    const { frames, area } = plugFrames(hull, {
      ...plug,
      from: hull.aft + 0.05,
      to: hull.bow - 0.4,
      battenThickness: 0.012,
      notched: true,
      floor: 2.5,
    });
    expect(area).toBeGreaterThan(5);
    for (const { x, outline, marks } of frames) {
      expect(faultOf(outline), `frame at ${x}`).toBeNull();
      const { minX, maxX, maxY } = boxOf(outline);
      expect(minX).toBeCloseTo(-maxX, 4);
      expect(maxY).toBeCloseTo(2.5, 5);
      expect(marks.length).toBeGreaterThan(0);
      for (const [y, z] of outline) if (z < 0.5) expect(Math.abs(y)).toBeLessThan(hull.halfBreadth(x, z) + 1e-3);
    }
  });
  it('leave as DXF in millimetres, side by side, cut and marks on layers of their own', () => {
    const { frames } = plugFrames(
      round(() => 0.8),
      plug,
    );
    const dxf = new DxfParser().parseSync(framesDxf(frames))!;
    expect(dxf.header.$INSUNITS).toBe(4);
    const cut = dxf.entities.filter(({ layer }) => layer === 'CUT') as unknown as { vertices: { x: number }[] }[];
    expect(cut).toHaveLength(frames.length);
    const spans = cut.map(({ vertices }) => [
      Math.min(...vertices.map(({ x }) => x)),
      Math.max(...vertices.map(({ x }) => x)),
    ]);
    spans.slice(1).forEach(([from], i) => expect(from).toBeGreaterThan(spans[i]![1]! + 50));
    expect(dxf.entities.filter(({ layer }) => layer === 'TEXT')).toHaveLength(frames.length);
  });
  it('are refused where they would run backwards or be a forest', () => {
    expect(problemOf({ ...brant(), plugs: [{ ...plug, to: -1 }] })).toMatch(/must end forward/);
    expect(problemOf({ ...brant(), plugs: [{ ...plug, to: 30, spacing: 0.05 }] })).toMatch(/more than 120 frames/);
    expect(problemOf({ ...brant(), plugs: [plug] })).toBeNull();
  });
});
