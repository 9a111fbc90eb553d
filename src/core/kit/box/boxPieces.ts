import type { Boat, Box, BoxFace } from '../../document';
import type { Cutting } from '../cutting';
import { signedArea, type At } from '../nest/convexParts';
import { boxOf, fromZero, moved } from '../pieces/outline';
import type { Piece } from '../pieces/piece';
import { stripPieces } from '../pieces/strips';
import { boxPanels, type BoxPanel } from './boxPanels';

const BARE = {
  run: null,
  partId: null,
  layerId: null,
  zones: [],
  angleDeg: 0,
  hand: 'none',
  shearDeg: 0,
  drawn: null,
} as const;

/** Panels of every box, and the cloth that is wrapped round their outside. */
export const boxPieces = (boat: Boat, cutting: Cutting): Piece[] =>
  boat.boxes.flatMap((box) => [...panelPieces(box), ...skinPieces(boat, box, cutting)]);

function panelPieces(box: Box): Piece[] {
  const { material } = box;
  if (material === null) return [];
  const { panels } = boxPanels(box);
  return panels
    .map((panel): BoxPanel => lengthwise(panel))
    .map(({ name, outline, cuts, notes }, i): Piece => ({
      ...BARE,
      zones: [],
      id: `${box.id}.${i + 1}`,
      kind: 'box',
      material,
      thickness: box.thickness,
      of: `${box.name}: ${name}`,
      layerNumber: 0,
      n: i + 1,
      m: panels.length,
      count: box.number,
      outline: fromZero(outline),
      cuts,
      notches: [],
      area: Math.abs(signedArea(outline)) - cuts.reduce((sum, cut) => sum + Math.abs(signedArea(cut)), 0),
      notes,
    }));
}

/** A panel with its longer side along the sheet. */
function lengthwise(panel: BoxPanel): BoxPanel {
  const { maxX, maxY } = boxOf(panel.outline);
  if (maxX <= maxY) return panel;
  const turn = (points: readonly At[]) => moved(points, { turnDeg: 90 }).map(([x, y]): At => [x + maxY, y]);
  return { ...panel, outline: turn(panel.outline), cuts: panel.cuts.map(turn) };
}

/** Cloth wrapped round the walls in one, closed by a lap or with trim at its ends; pieces for top and bottom. */
function skinPieces(boat: Boat, box: Box, cutting: Cutting): Piece[] {
  const { width, depth, height, bend, skin, skins, number } = box;
  if (skin === null) return [];
  const walls = { front: width, left: depth, right: depth, back: width } as const;
  const there = (Object.keys(walls) as (keyof typeof walls)[]).filter((face) => box[face]);
  const corners = bend > 0 && box.front ? [box.left, box.right].filter(Boolean).length : 0;
  const girth = there.reduce((sum, face) => sum + walls[face], 0) - corners * (2 - Math.PI / 2) * bend;
  const closed = there.length === 4;
  const { trim, lap } = cutting;
  const strip = (name: string, size: [number, number], at: number) =>
    Array.from({ length: skins }, (_, layer) =>
      stripPieces(
        boat,
        skin,
        { length: size[0], breadth: size[1], angleDeg: 0 },
        {
          cutting,
          of: {
            id: `${box.id}.skin-${at}-${layer + 1}`,
            kind: 'box',
            of: `${box.name}: ${name}`,
            layerNumber: layer + 1,
            zones: [],
            count: number,
          },
        },
      ),
    ).flat();
  const around =
    there.length === 0 ? [] : strip('skin round it', [girth + (closed ? lap : 2 * trim), height + 2 * trim], 1);
  const lids = (['top', 'bottom'] as BoxFace[]).filter((face) => box[face]);
  return [
    ...around,
    ...lids.flatMap((face, i) => strip(`skin of the ${face}`, [width + 2 * trim, depth + 2 * trim], i + 2)),
  ];
}
