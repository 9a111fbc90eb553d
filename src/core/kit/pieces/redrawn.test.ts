import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../../tests/helpers/merrow';
import { evaluateDetails } from '../../detail/kinds';
import { problemOf, type Boat, type PieceDrawing } from '../../document';
import { applyEdits } from '../../edit';
import { makeEvaluator } from '../../evaluate';
import { hasDirection } from '../../material';
import { USUAL_CUTTING } from '../cutting';
import { type At } from '../nest/convexParts';
import { boxOf, grown } from './outline';
import { kitPieces } from './pieces';
import { sameOutline } from './redrawn';

const kitOf = (boat: Boat) =>
  kitPieces({ boat, evaluations: makeEvaluator()(boat), details: evaluateDetails(boat), cutting: USUAL_CUTTING });
const boat = brant();
const plain = kitOf(boat);
const found = (pieces: typeof plain.pieces, id: string) => pieces.find((piece) => piece.id === id)!;
/** A piece of starboard that has one of port, of fabric. */
const first = plain.pieces.find(({ hand, kind }) => hand === 'starboard' && kind === 'layer')!;
const other = first.id.replace('.starboard.', '.port.');
const drawing = (change: Partial<PieceDrawing> = {}): PieceDrawing => ({
  id: 'drawn',
  name: 'Drawn',
  piece: first.id,
  bothHands: true,
  material: null,
  thickness: null,
  count: 1,
  outline: [...grown(first.outline, 0.02)[0]!].map(([x, y]): [number, number] => [x, y]),
  notches: [[0.1, 0.1]],
  basis: first.outline.map(([x, y]): [number, number] => [x, y]),
  ...change,
});
const withDrawing = (change: Partial<PieceDrawing> = {}) => ({ ...boat, pieceDrawings: [drawing(change)] });

describe('a piece drawn by hand', () => {
  it('stands in place of the schedule’s, and mirrored in place of the other hand’s', () => {
    const { pieces, problems, lost } = kitOf(withDrawing());
    expect([problems, lost]).toEqual([[], []]);
    const [own, port] = [found(pieces, first.id), found(pieces, other)];
    expect(own.area).toBeGreaterThan(first.area);
    expect(own.drawn).toMatchObject({ id: 'drawn', stale: false });
    expect(own.drawn!.schedule).toEqual(first.outline);
    expect(port.area).toBeCloseTo(own.area, 9);
    expect(port.drawn).toMatchObject({ stale: false });
    const { maxX } = boxOf(own.outline);
    expect(port.notches[0]![0]).toBeCloseTo(maxX - own.notches[0]![0], 6);
    const one = kitOf(withDrawing({ bothHands: false })).pieces;
    expect(found(one, other).drawn).toBeNull();
  });
  it('says when it no longer follows the schedule: zones moved under it', () => {
    const basis = first.outline.map(([x, y]): [number, number] => [1.05 * x, y]);
    const { pieces } = kitOf(withDrawing({ basis }));
    const own = found(pieces, first.id);
    expect(own.drawn!.stale).toBe(true);
    expect(own.notes).toContain('drawn by hand: no longer follows the schedule');
  });
  it('stops the kit where it leaves its zones bare', () => {
    const { maxX, maxY } = boxOf(first.outline);
    const outline: [number, number][] = [[0, 0], [maxX / 2, 0], [maxX / 2, maxY], [0, maxY]]; // prettier-ignore
    const { problems, counts, pieces } = kitOf(withDrawing({ outline }));
    expect(problems.join()).toMatch(/an outline is too small/);
    const count = counts.find(({ layerId }) => layerId === first.layerId)!;
    expect(count.has).toBeLessThan(count.covers);
    expect(found(pieces, first.id).notes.join()).toMatch(/of its zones bare/);
  });
  it('stops the kit for a small hole too, and for a strap or a core that is drawn a little smaller', () => {
    const { maxX, maxY } = boxOf(first.outline);
    const bitten = grown(first.outline, 0)[0]!.map(([x, y]): [number, number] => [x, y]);
    const half: [number, number] = [maxX / 2, maxY / 2];
    expect(kitOf(withDrawing({ outline: [...bitten, half] })).problems.join()).toMatch(/it leaves .* m² bare/);
    for (const kind of ['core', 'detail', 'stiffener'] as const) {
      const piece = plain.pieces.find((one) => one.kind === kind && one.area > 0.05);
      if (!piece) continue;
      const smaller = grown(piece.outline, -0.01)[0]!.map(([x, y]): [number, number] => [x, y]);
      const found = kitOf(withDrawing({ piece: piece.id, bothHands: false, outline: smaller, basis: null }));
      expect(found.problems.join(), kind).toMatch(/it leaves .* m² bare/);
    }
  });
  it('is told as lost when the schedule has its piece no more, and holds the kit up no further', () => {
    const layer = first.layerId!;
    const { boat: without } = applyEdits(withDrawing(), [{ type: 'layer.remove', layerId: layer }]);
    const { lost, problems, pieces } = kitOf(without);
    expect(lost.map(({ name }) => name)).toEqual(['Drawn']);
    expect(problems).toEqual([]);
    expect(pieces.some(({ drawn }) => drawn !== null)).toBe(false);
  });
  it('is a piece of its own where it stands for none', () => {
    const material = first.material;
    const { pieces } = kitOf(withDrawing({ piece: null, basis: null, material, count: 4 }));
    expect(pieces).toHaveLength(plain.pieces.length);
    expect(pieces.at(-1)).toMatchObject({ kind: 'own', of: 'Drawn', count: 4, material });
    expect(problemOf(withDrawing({ piece: null, basis: null }))).toMatch(/say of which fabric/);
  });
  it('is refused where it crosses itself', () => {
    const outline: [number, number][] = [[0, 0], [1, 1], [1, 0], [0, 1]]; // prettier-ignore
    expect(problemOf(withDrawing({ outline }))).toMatch(/crosses itself/);
  });
});

describe('outlines that are the same', () => {
  const square: At[] = [[0, 0], [1, 0], [1, 1], [0, 1]]; // prettier-ignore
  it('lie within a millimetre of each other all round, however many points they have', () => {
    const more: At[] = [[0, 0], [0.5, 0.0005], [1, 0], [1, 1], [0, 1]]; // prettier-ignore
    expect(sameOutline(square, more)).toBe(true);
    expect(sameOutline(square, grown(square, 0.01)[0]!)).toBe(false);
  });
});

describe('joints placed by hand', () => {
  const launch = merrow();
  const all = kitOf(launch);
  const run = all.runs.find(({ joints }) => joints.length === 1)!;
  const placedAt = (joints: number[]) => ({
    ...launch,
    jointPlacings: [{ id: 'j', name: 'Joints', run: run.run, joints }],
  });
  const { maxX } = boxOf(run.outline);
  const { lap } = USUAL_CUTTING;
  const at = Math.max(maxX - run.width + lap / 2 + 0.01, 0.35 * maxX);
  it('lie where they were put, and every width fits the roll', () => {
    const { runs, pieces, problems } = kitOf(placedAt([at]));
    const own = runs.find((one) => one.run === run.run)!;
    expect(problems).toEqual([]);
    expect(own.byHand).toBe(true);
    expect(own.joints[0]).toBeCloseTo(at, 9);
    const cut = pieces.filter((piece) => piece.run === run.run && piece.hand === own.hands[0]);
    expect(cut).toHaveLength(2);
    for (const { outline, notes } of cut) {
      expect(boxOf(outline).maxX).toBeLessThanOrEqual(run.width + 1e-6);
      expect(notes).toContain('joints placed by hand');
    }
    const covered = cut.reduce((sum, { outline }) => sum + boxOf(outline).maxX, 0);
    expect(covered).toBeGreaterThan(maxX + lap - 0.01);
  });
  it('are placed anew, and say so, where a width would be wider than the roll', () => {
    const { runs, pieces } = kitOf(placedAt([0.06]));
    const own = runs.find((one) => one.run === run.run)!;
    if (maxX - 0.06 + lap / 2 > run.width) expect(own.byHand).toBe(false);
    expect(own.joints).toHaveLength(1);
    const [piece] = pieces.filter((one) => one.run === run.run);
    expect(piece!.notes.join()).toMatch(/placed anew/);
  });
  it('are told as lost where the run is no more', () => {
    const gone = { ...launch, jointPlacings: [{ id: 'j', name: 'Old joints', run: 'none.1.1', joints: [0.5] }] };
    expect(kitOf(gone).lost).toEqual([{ id: 'j', name: 'Old joints' }]);
  });
});

describe('where cloth shears', () => {
  it('is told at places of the flat piece; darts where it passes what the cloth can, from edge inward', () => {
    const darted = plain.runs.filter(({ darts }) => darts.length > 0);
    expect(darted.length).toBeGreaterThan(0);
    for (const { outline, map, darts } of plain.runs) {
      const [wide] = grown(outline, 0.05);
      const box = boxOf(wide!);
      for (const { at, degrees } of map) {
        expect(degrees).toBeGreaterThanOrEqual(0);
        expect(at[0]).toBeGreaterThan(box.minX);
        expect(at[0]).toBeLessThan(box.maxX);
      }
      for (const { degrees } of darts) expect(degrees).toBeGreaterThan(0);
    }
    for (const { run, map } of darted) {
      const layer = boat.parts.flatMap(({ layers }) => layers).find(({ id }) => run.startsWith(`${id}.`))!;
      const fabric = boat.materials.find(({ id }) => id === layer.material)!;
      if (fabric.kind !== 'fabric' || !hasDirection(fabric)) continue;
      expect(Math.max(...map.map(({ degrees }) => degrees))).toBeGreaterThan(fabric.lockingAngle.value);
    }
  });
});
