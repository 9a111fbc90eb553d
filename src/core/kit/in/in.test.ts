import { DxfWriter, point3d, Units } from '@tarikjabiri/dxf';
import { describe, expect, it } from 'vitest';
import { signedArea } from '../nest/convexParts';
import { boxOf } from '../pieces/outline';
import { outlineFromMeasures } from './outlineFromMeasures';
import { outlinesFromDxf } from './outlinesFromDxf';

const drawn = (draw: (dxf: DxfWriter) => void, units: Units | null = Units.Millimeters) => {
  const dxf = new DxfWriter();
  if (units !== null) dxf.setUnits(units);
  draw(dxf);
  return dxf.stringify();
};
const ring = (points: readonly (readonly [number, number])[]) => points.map(([x, y]) => ({ point: point3d(x, y) }));
const square = (x: number, y: number, size: number) =>
  ring([
    [x, y],
    [x + size, y],
    [x + size, y + size],
    [x, y + size],
  ]);
const area = (read: ReturnType<typeof outlinesFromDxf>, i = 0) => Math.abs(signedArea(read.outlines[i]!.outline));

describe('outlines out of a DXF', () => {
  it('are read in the unit that the drawing says, what it calls x along the cloth', () => {
    const text = drawn(
      (dxf) =>
      dxf.addLWPolyline(ring([[0, 0], [2000, 0], [2000, 500], [0, 500]]), { flags: 1 }), // prettier-ignore
    );
    const read = outlinesFromDxf(text);
    expect(read.unit).toBe('mm');
    expect(boxOf(read.outlines[0]!.outline)).toEqual({ minX: 0, maxX: 0.5, minY: 0, maxY: 2 });
    const inches = outlinesFromDxf(drawn((dxf) => dxf.addLWPolyline(square(0, 0, 10), { flags: 1 }), Units.Inches));
    expect(area(inches)).toBeCloseTo(0.254 ** 2, 9);
  });
  it('ask for the unit where the drawing does not say it, and take the one that is chosen', () => {
    const text = drawn((dxf) => dxf.addLWPolyline(square(0, 0, 10), { flags: 1 }), Units.Unitless);
    expect(() => outlinesFromDxf(text)).toThrow(/does not say its unit/);
    expect(area(outlinesFromDxf(text, 'cm'))).toBeCloseTo(0.01, 9);
  });
  it('are made of arcs and circles within half a millimetre', () => {
    const text = drawn((dxf) => {
      dxf.addCircle(point3d(0, 0), 300);
      // A slot: two straights and two half circles, as bulges of 1.
      dxf.addLWPolyline(
        [
          { point: point3d(1000, 0) },
          { point: point3d(1400, 0), bulge: 1 },
          { point: point3d(1400, 200) },
          { point: point3d(1000, 200), bulge: 1 },
        ],
        { flags: 1 },
      );
    });
    const read = outlinesFromDxf(text);
    expect(read.outlines).toHaveLength(2);
    expect(area(read, 0)).toBeCloseTo(Math.PI * 0.09, 2);
    expect(area(read, 1) / (0.4 * 0.2 + Math.PI * 0.01)).toBeCloseTo(1, 2);
  });
  it('are joined of lines end to end, whichever way each was drawn; what closes nothing is said', () => {
    const text = drawn((dxf) => {
      dxf.addLine(point3d(0, 0), point3d(100, 0));
      dxf.addLine(point3d(100, 100), point3d(100, 0));
      dxf.addLine(point3d(100, 100), point3d(0, 0));
      dxf.addLine(point3d(500, 0), point3d(700, 0));
    });
    const read = outlinesFromDxf(text);
    expect(area(read)).toBeCloseTo(0.005, 9);
    expect(read.left).toEqual(['1 × lines that close no outline']);
  });
  it('count what lies inside one as its cut-outs, and take its name from the text in it', () => {
    const text = drawn((dxf) => {
      dxf.addLWPolyline(square(0, 0, 1000), { flags: 1 });
      dxf.addLWPolyline(square(300, 300, 100), { flags: 1 });
      dxf.addText(point3d(100, 100), 20, 'Engine bed, port');
    });
    const read = outlinesFromDxf(text);
    expect(read.outlines).toHaveLength(1);
    expect(read.outlines[0]).toMatchObject({ name: 'Engine bed, port', inside: 1 });
  });
  it('say what is a spline, crosses itself or is nothing at all, and the way out', () => {
    const controlPoints = [point3d(0, 0), point3d(1, 1), point3d(2, 0), point3d(3, 1)];
    const text = drawn((dxf) => {
      dxf.addSpline({ controlPoints });
      dxf.addLWPolyline(ring([[0, 0], [100, 100], [100, 0], [0, 120]]), { flags: 1 }); // prettier-ignore
      dxf.addLWPolyline(ring([[0, 0], [100, 0], [200, 0]]), { flags: 1 }); // prettier-ignore
    });
    const read = outlinesFromDxf(text);
    expect(read.outlines).toEqual([]);
    expect(read.left.join()).toMatch(/splines: save them as polylines/);
    expect(read.left.join()).toMatch(/cross themselves/);
    expect(read.left.join()).toMatch(/no area/);
    expect(() => outlinesFromDxf('not a drawing')).toThrow(/no DXF/);
    expect(() => outlinesFromDxf('x'.repeat(10_000_001))).toThrow(/10 MB/);
  });
  it('lie in blocks: said, with the way out', () => {
    const text = drawn((dxf) => {
      const block = dxf.addBlock('bed');
      block.addLWPolyline(square(0, 0, 100), { flags: 1 });
      dxf.addInsert('bed', point3d(0, 0));
    });
    expect(outlinesFromDxf(text).left).toEqual(['1 × blocks: explode them before saving']);
  });
});

describe('an outline from measures', () => {
  it('is points in order, or left and right edge at each place along it', () => {
    const points = outlineFromMeasures('0 0\n1.2 0\n1.2 0.5', 'metric');
    expect(points).toEqual([[0, 0], [0, 1.2], [0.5, 1.2]]); // prettier-ignore
    const band = outlineFromMeasures('along\tleft\tright\n0\t0\t40 cm\n1\t0.1\t0.5\n2\t0.2\t0.2', 'metric');
    expect(band).toEqual([[0, 0], [0.1, 1], [0.2, 2], [0.5, 1], [0.4, 0]]); // prettier-ignore
  });
  it('is read in the reader’s units, feet and inches between tabs', () => {
    const [, second] = outlineFromMeasures('0\t0\n3\' 6"\t0\n3\' 6"\t10', 'us');
    expect(second).toEqual([0, expect.closeTo(42 * 0.0254, 9)]);
  });
  it.each([
    ['', /no area/],
    ['0 0\n1 1', /no area/],
    ['0 0\n1 x\n1 1', /Line 2 is no two or three lengths: 1 x/],
    ['0 0\n1 1 2\n1 1', /Line 2 has 3 measures, those before it 2/],
    ['0 0\n1 1\n1 0\n0 1', /crosses itself/],
    [Array.from({ length: 1001 }, (_, i) => `${i} ${i}`).join('\n'), /At most 1000 lines/],
  ])('%j is refused in words', (text, words) => expect(() => outlineFromMeasures(text, 'metric')).toThrow(words));
});
