import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { brant } from '../../../../tests/helpers/merrow';
import { boxSchema, newBox, problemOf, type Box } from '../../document';
import { USUAL_CUTTING } from '../cutting';
import { signedArea } from '../nest/convexParts';
import { boxOf } from '../pieces/outline';
import { boxPanels } from './boxPanels';
import { boxPieces } from './boxPieces';

const locker = newBox({ id: 'locker', name: 'Locker', depth: 0.4, height: 0.3 });
const sizes = (box: Box) =>
  Object.fromEntries(
    boxPanels(box).panels.map(({ name, outline }) => {
      const { minX, maxX, minY, maxY } = boxOf(outline);
      return [name, [Number((maxX - minX).toFixed(4)), Number((maxY - minY).toFixed(4))]];
    }),
  );
/** Volume of board in a box by its panels, and by what it is outside less what it holds. */
const boardOf = (box: Box) =>
  boxPanels(box).panels.reduce((sum, { outline }) => sum + Math.abs(signedArea(outline)) * box.thickness, 0);
function shellOf(box: Box): number {
  const at = (there: boolean) => (there ? box.thickness : 0);
  const inside =
    (box.width - at(box.left) - at(box.right)) *
    (box.depth - at(box.front) - at(box.back)) *
    (box.height - at(box.top) - at(box.bottom));
  return box.width * box.depth * box.height - inside;
}

describe('a box of flat panels', () => {
  it('takes its thickness off where faces meet (worked by hand)', () => {
    expect(sizes(locker)).toEqual({
      Front: [0.6, 0.3],
      Back: [0.6, 0.3],
      'Left end': [0.37, 0.3],
      'Right end': [0.37, 0.3],
      Bottom: [0.57, 0.37],
    });
    expect(sizes({ ...locker, over: 'ends', lids: 'over' })).toEqual({
      Front: [0.57, 0.285],
      Back: [0.57, 0.285],
      'Left end': [0.4, 0.285],
      'Right end': [0.4, 0.285],
      Bottom: [0.6, 0.4],
    });
  });
  it('three boxes of five faces are fifteen pieces', () => {
    const boat = brant();
    const core = boat.materials.find(({ kind }) => kind === 'core')!;
    const boxes = [{ ...locker, number: 3, material: core.id }];
    const pieces = boxPieces({ ...boat, boxes }, USUAL_CUTTING);
    expect(pieces.reduce((sum, { count }) => sum + count, 0)).toBe(15);
    expect(new Set(pieces.map(({ id }) => id)).size).toBe(5);
    for (const { outline } of pieces) {
      const { minX, minY, maxX, maxY } = boxOf(outline);
      expect([minX, minY]).toEqual([0, 0]);
      expect(maxY).toBeGreaterThanOrEqual(maxX);
    }
  });
  it('closes: its panels are exactly what lies between outside and inside, whichever faces there are', () => {
    const face = fc.boolean();
    fc.assert(
      fc.property(
        fc.record({
          width: fc.double({ min: 0.2, max: 2, noNaN: true }),
          depth: fc.double({ min: 0.2, max: 2, noNaN: true }),
          height: fc.double({ min: 0.2, max: 2, noNaN: true }),
          thickness: fc.double({ min: 0.004, max: 0.04, noNaN: true }),
          front: face, back: face, left: face, right: face, top: face, bottom: face,
          over: fc.constantFrom('sides' as const, 'ends' as const),
          lids: fc.constantFrom('over' as const, 'between' as const),
        }), // prettier-ignore
        (change) => {
          const box = { ...locker, ...change };
          const faces = [box.front, box.back, box.left, box.right, box.top, box.bottom].filter(Boolean).length;
          const { panels, faces: counted } = boxPanels(box);
          expect(counted).toBe(faces);
          expect(panels.flatMap((panel) => panel.faces)).toHaveLength(faces);
          // Every corner where two faces meet is filled once: by the one that runs over it.
          const shell = shellOf(box);
          expect(Math.abs(boardOf(box) - shell)).toBeLessThan(1e-9 + 1e-9 * shell);
        },
      ),
      { seed: 3 },
    );
  });
  it('bends front and ends in one, as long as the middle of the panel (quarter circles of R − t/2)', () => {
    const seat = { ...locker, bend: 0.1, top: true, lids: 'over' as const };
    const { panels } = boxPanels(seat);
    expect(panels.map(({ name }) => name)).toEqual(['Left end, Front, Right end', 'Back', 'Top', 'Bottom']);
    const long = 2 * (0.4 - 0.1 - 0.015) + 2 * (Math.PI / 2) * (0.1 - 0.0075) + (0.6 - 0.2);
    expect(boxOf(panels[0]!.outline).maxX).toBeCloseTo(long, 9);
    // The lid has the corners rounded: two quarters of a square less those of a circle missing.
    expect(Math.abs(signedArea(panels[2]!.outline))).toBeCloseTo(0.24 - 2 * (1 - Math.PI / 4) * 0.01, 3);
  });
  it('cuts out with one radius, where the face has it, and the board is less by it', () => {
    const cutOuts = [{ face: 'front' as const, across: 0.1, up: 0.05, width: 0.3, height: 0.2 }];
    const { panels } = boxPanels({ ...locker, over: 'ends', cutOuts });
    const [front] = panels;
    const box = boxOf(front!.cuts[0]!);
    expect(box.minX).toBeCloseTo(0.1 - 0.015, 9);
    expect(box.maxY - box.minY).toBeCloseTo(0.2, 9);
    expect(signedArea(front!.cuts[0]!)).toBeCloseTo(0.06 - (4 - Math.PI) * 0.04 ** 2, 4);
    // In a bent front it lies past the left leg and its quarter.
    const bent = boxPanels({ ...locker, bend: 0.08, cutOuts }).panels[0]!;
    const before = 0.4 - 0.08 - 0.015 + (Math.PI / 2) * (0.08 - 0.0075);
    expect(boxOf(bent.cuts[0]!).minX).toBeCloseTo(before + 0.1 - 0.08, 9);
  });
  it('counts screws in and out again, and the filler of the fillets', () => {
    const { joints, screws, filler } = boxPanels(locker);
    // Four upright corners, four edges of the bottom, inside: 0.57 by 0.37 by 0.285 m.
    expect(joints).toBeCloseTo(4 * 0.285 + 2 * 0.57 + 2 * 0.37, 9);
    expect(screws).toBe(4 * 4 + 2 * 7 + 2 * 5);
    expect(filler).toBeCloseTo(joints * (1 - Math.PI / 4) * 1e-4, 12);
    expect(boxPanels({ ...locker, screws: null }).screws).toBe(0);
  });
  it('is wrapped in cloth round the outside, closed by a lap, every layer of it', () => {
    const boat = brant();
    const fabric = boat.materials.find(({ kind }) => kind === 'fabric')!;
    const pieces = boxPieces({ ...boat, boxes: [{ ...locker, skin: fabric.id, skins: 2 }] }, USUAL_CUTTING);
    const round = pieces.filter(({ of }) => of.includes('round'));
    const { lap, trim } = USUAL_CUTTING;
    expect(round.reduce((sum, { area }) => sum + area, 0)).toBeCloseTo(2 * (2 + lap) * (0.3 + 2 * trim), 4);
    expect(pieces.filter(({ of }) => of.includes('bottom'))).toHaveLength(2);
  });
});

describe('a box that cannot be built', () => {
  const boat = brant();
  it.each([
    [{ thickness: 0.1, width: 0.2 }, /leave no room/],
    [{ bend: 0.01 }, /larger than the panel is thick/],
    [{ bend: 0.35 }, /no room between its ends/],
    [{ front: false, back: false, left: false, right: false, bottom: false }, /no face at all/],
    [{ cutOuts: [{ face: 'top', across: 0, up: 0, width: 0.1, height: 0.1 }] }, /Top, which is open/],
    [{ cutOuts: [{ face: 'front', across: 0.5, up: 0, width: 0.2, height: 0.1 }] }, /over the edge of the Front/],
    [{ bend: 0.1, cutOuts: [{ face: 'front', across: 0.05, up: 0, width: 0.2, height: 0.1 }] }, /in the bend/],
  ])('%o is refused in words', (change, words) => {
    const box = { ...locker, ...change } as Box;
    expect(boxSchema.safeParse(box).success).toBe(true);
    expect(problemOf({ ...boat, boxes: [box] })).toMatch(words);
  });
  it('holds together as it is', () => expect(problemOf({ ...boat, boxes: [locker] })).toBeNull());
});
