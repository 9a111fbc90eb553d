import DxfParser from 'dxf-parser';
import { describe, expect, it } from 'vitest';
import { brant } from '../../../../tests/helpers/merrow';
import { evaluateDetails } from '../../detail/kinds';
import { makeEvaluator } from '../../evaluate';
import { runToEnd } from '../../job';
import { GENERIC_MATERIALS, type Fabric } from '../../material';
import { USUAL_CUTTING } from '../cutting';
import { signedArea, type At } from '../nest/convexParts';
import { outlinesFromDxf } from '../in/outlinesFromDxf';
import { cutDxf } from '../out/cutDxf';
import { cutSvg } from '../out/cutSvg';
import { boxOf, rectangle } from '../pieces/outline';
import type { Piece } from '../pieces/piece';
import { kitPieces } from '../pieces/pieces';
import { cutPlan } from './cutPlan';
import { saidPiece, type CutInput } from './cutWay';

const boat = brant();
const all = kitPieces({
  boat,
  evaluations: makeEvaluator()(boat),
  details: evaluateDetails(boat),
  cutting: USUAL_CUTTING,
}).pieces;
const fabric = boat.materials.find((one): one is Fabric => one.kind === 'fabric' && one.id === 'wr-600-m300')!;
const pieces = all.filter(({ material }) => material === fabric.id);

const ask = (change: Partial<CutInput> = {}): CutInput => ({
  material: fabric,
  pieces,
  cutting: USUAL_CUTTING,
  cloth: [],
  looks: 30_000,
  seed: 1,
  clothPrice: 4,
  labour: 40,
  ...change,
});
const planned = (input: CutInput) => runToEnd(cutPlan(input));
const count = pieces.reduce((sum, one) => sum + one.count, 0);

describe('ways to cut a fabric', () => {
  it('cut every piece once, on the roll, from the least knife to the least cloth', () => {
    const ways = planned(ask());
    expect(ways.map(({ name }) => name)).toEqual(['blanks', 'rows', 'nested']);
    const [blanks, rows, nested] = ways as [typeof ways[0], typeof ways[0], typeof ways[0]]; // prettier-ignore
    expect(nested!.length).toBeLessThan(rows!.length);
    expect(blanks!.cutLength).toBeLessThan(rows!.cutLength);
    for (const way of ways) {
      expect(way.places).toHaveLength(count);
      expect(new Set(way.places.map(({ pieceId, copy }) => `${pieceId} ${copy}`)).size).toBe(count);
      for (const { outline, clothId } of way.places) {
        const { minX, maxX, minY, maxY } = boxOf(outline);
        expect(minX).toBeGreaterThanOrEqual(USUAL_CUTTING.selvage - 1e-4);
        expect(maxX).toBeLessThanOrEqual(fabric.width.value - USUAL_CUTTING.selvage + 1e-4);
        expect(minY).toBeGreaterThanOrEqual(-1e-4);
        expect(maxY).toBeLessThanOrEqual(way.cloth.find(({ id }) => id === clothId)!.taken + 1e-4);
      }
      expect(way.clothMoney).toBeCloseTo(4 * way.length * fabric.width.value, 6);
      expect(way.labourMoney).toBeCloseTo((40 * way.minutes) / 60, 6);
      expect(way.utilisation).toBeLessThanOrEqual(1);
    }
  });
  it('takes short rolls first, goes on to new ones, and lays on an offcut what fits on it', () => {
    const offcut: At[] = [
      [0, 0],
      [0.9, 0],
      [0.9, 1.5],
      [0, 1.5],
    ];
    const cloth = [
      { id: 'o1', name: 'offcut 1', length: null, outline: offcut },
      { id: 'r1', name: 'roll A', length: 6, outline: null },
      { id: 'r2', name: 'roll B', length: 9, outline: null },
    ];
    const nested = planned(ask({ cloth, looks: 200_000 })).at(-1)!;
    expect(nested.places.filter(({ clothId }) => clothId === 'o1').length).toBeGreaterThan(0);
    for (const { id, taken, length } of nested.cloth) {
      if (length !== null) expect(taken).toBeLessThanOrEqual(length + 1e-6);
      if (id === 'r1') expect(taken).toBeGreaterThan(2);
    }
    expect(nested.places).toHaveLength(count);
    for (const { outline, clothId } of nested.places) {
      if (clothId !== 'o1') continue;
      const { minX, maxX, maxY } = boxOf(outline);
      expect(minX).toBeGreaterThanOrEqual(-1e-4);
      expect(maxX).toBeLessThanOrEqual(0.9 + 1e-4);
      expect(maxY).toBeLessThanOrEqual(1.5 + 1e-4);
    }
  });
  it('never turns a fabric with a direction across the roll', () => {
    for (const { rotation } of planned(ask()).at(-1)!.places) expect([0, 180]).toContain(rotation);
    const mat = GENERIC_MATERIALS.find((one): one is Fabric => one.kind === 'fabric' && one.id === 'csm-300')!;
    const turned = planned(ask({ material: mat })).at(-1)!;
    for (const { rotation } of turned.places) expect([0, 90, 180, 270]).toContain(rotation);
  });
  it('says which piece is wider than the roll, or longer than a whole one', () => {
    const wide: Piece = { ...pieces[0]!, outline: [[0, 0], [2, 0], [2, 1], [0, 1]] }; // prettier-ignore
    expect(() => planned(ask({ pieces: [wide] }))).toThrow(/is wider than a roll/);
    const long: Piece = { ...pieces[0]!, outline: [[0, 0], [1, 0], [1, 900], [0, 900]] }; // prettier-ignore
    expect(() => planned(ask({ pieces: [long] }))).toThrow(/longer than a whole roll/);
  });
});

describe('cut files', () => {
  const way = planned(ask()).at(-1)!;
  const [cloth] = way.cloth;
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  const lay = { edge: null, places: way.places.filter(({ clothId }) => clothId === cloth!.id), pieces: byId };
  const labelOf = (id: string) => saidPiece(byId.get(id)!);
  it('read back as the same shapes, in millimetres, on layers of their own', () => {
    const text = cutDxf({ ...lay, labelOf });
    const dxf = new DxfParser().parseSync(text)!;
    expect(dxf.header.$INSUNITS).toBe(4);
    type Ring = { vertices: { x: number; y: number }[] };
    const cut = dxf.entities.filter(({ layer }) => layer === 'CUT') as unknown as Ring[];
    const own = way.places.filter(({ clothId }) => clothId === cloth!.id);
    expect(cut).toHaveLength(own.length);
    cut.forEach(({ vertices }, i) => {
      const read = vertices.map(({ x, y }): At => [y / 1000, x / 1000]);
      expect(Math.abs(signedArea(read))).toBeCloseTo(Math.abs(signedArea(own[i]!.outline)), 6);
      expect(read[0]![0]).toBeCloseTo(own[i]!.outline[0]![0], 5);
    });
    expect(dxf.entities.filter(({ layer }) => layer === 'TEXT')).toHaveLength(own.length);
    // By the way that a user reads a drawing in.
    const read = outlinesFromDxf(text);
    expect(read.left).toEqual([]);
    expect(read.outlines).toHaveLength(own.length);
    const areas = (outlines: readonly (readonly At[])[]) => outlines.map((one) => Math.abs(signedArea(one)));
    const sorted = (all: number[]) => all.sort((a, b) => a - b);
    const [back, were] = [
      sorted(areas(read.outlines.map(({ outline }) => outline))),
      sorted(areas(own.map(({ outline }) => outline))),
    ];
    back.forEach((area, i) => expect(area).toBeCloseTo(were[i]!, 6));
    // The label of a hollow piece may lie beside it.
    const labels = new Set(own.map(({ pieceId }) => labelOf(pieceId)));
    const named = read.outlines.filter(({ name }) => !name.startsWith('Outline'));
    expect(named.length).toBeGreaterThan(own.length / 2);
    for (const { name } of named) expect(labels).toContain(name);
  });
  it('say nothing of their own in SVG, whatever a part is called', () => {
    const svg = cutSvg({ ...lay, edge: rectangle(fabric.width.value, cloth!.taken), labelOf: () => '<script>"&' });
    expect(svg).not.toContain('<script>');
    expect(svg).toContain(`width="${Math.ceil(cloth!.taken * 1000)}mm"`);
    expect(svg.match(/class="cut"/g)).toHaveLength(way.places.filter(({ clothId }) => clothId === cloth!.id).length);
  });
});
