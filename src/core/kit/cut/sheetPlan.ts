import { invalid } from '../../error';
import type { Core, Material } from '../../material';
import type { Cutting } from '../cutting';
import type { At } from '../nest/convexParts';
import { nestPolygons } from '../nest/polygons';
import { boxOf, girthOf, moved, rectangle } from '../pieces/outline';
import { saidPiece, type CutPlace } from './cutWay';
import type { Piece } from '../pieces/piece';

/** What comes in sheets. */
export type Board = Core | Extract<Material, { kind: 'wood' }>;

/** Sheets of core with the pieces that are sawn from each. */
export interface SheetPlan {
  sheets: { id: string; places: CutPlace[]; utilisation: number }[];
  /** m of saw cut. */
  cutLength: number;
  /** m² of all pieces, of all sheets. */
  pieceArea: number;
  sheetArea: number;
  /** kg of resin that the faces and cuts of what is laid take up. */
  resin: number;
}

interface Row {
  x: number;
  deep: number;
  used: number;
}

/**
 * Pieces of a core of one thickness on sheets: boxes in rows with a saw cut between, the deepest first, each in the
 * first row that has room, turned a quarter where that fits better. Never over the edge of a sheet.
 *
 * @throws KeramosError `invalid` for a piece larger than a sheet either way round.
 * Source: first fit by decreasing height on shelves (Coffman, Garey, Johnson & Tarjan 1980).
 */
export function sheetPlan(core: Board, pieces: readonly Piece[], cutting: Cutting): SheetPlan {
  const { sheetWidth, sheetLength, kerf } = cutting;
  const items = pieces.flatMap((piece) => {
    const { maxX, maxY } = boxOf(piece.outline);
    const [across, along] = [maxX, maxY];
    const fits = (w: number, h: number) => w <= sheetWidth + 1e-6 && h <= sheetLength + 1e-6;
    const upright = fits(across, along);
    if (!upright && !fits(along, across))
      throw invalid('pieces', `${saidPiece(piece)} is larger than a sheet of ${core.name}: give the sheet's size`);
    // Lying rather than standing where both do: rows get shallower.
    const turned = !upright || (fits(along, across) && along > across && along <= sheetWidth + 1e-6);
    const [w, h] = turned ? [along, across] : [across, along];
    return Array.from({ length: piece.count }, (_, copy) => ({ piece, copy, turned, w, h }));
  });
  items.sort((a, b) => b.h - a.h || b.w - a.w);
  const sheets: { rows: Row[]; end: number; places: CutPlace[]; area: number }[] = [];
  let cutLength = 0;
  for (const { piece, copy, turned, w, h } of items) {
    const found = roomFor(sheets, { w, h, sheetWidth, sheetLength, kerf });
    const { sheet, row } = found;
    const outline = piece.outline.map(([x, y]): At => {
      const [u, v] = turned ? [y, boxOf(piece.outline).maxX - x] : [x, y];
      return [u + row.used, v + row.x];
    });
    const at = sheets.indexOf(sheet);
    sheet.places.push({
      pieceId: piece.id,
      copy,
      clothId: `sheet-${at + 1}`,
      rotation: turned ? 270 : 0,
      x: row.used,
      y: row.x + (turned ? boxOf(piece.outline).maxX : 0),
      outline,
    });
    sheet.area += piece.area;
    row.used += w + kerf;
    cutLength += w + h;
  }
  const pieceArea = items.reduce((sum, { piece }) => sum + piece.area, 0);
  const one = sheetWidth * sheetLength;
  return {
    sheets: sheets.map(({ places, area }, i) => ({ id: `sheet-${i + 1}`, places, utilisation: area / one })),
    cutLength,
    pieceArea,
    sheetArea: sheets.length * one,
    resin: resinIn(core, pieceArea),
  };
}

/** Resin that faces and cuts of a core take up (kg); wood is sealed by what is laid on it. */
const resinIn = (board: Board, area: number) => (board.kind === 'core' ? area * board.resinUptake.value : 0);

/** Fewest sheets that true shapes are tried on below those of rows. */
const FEWER = 4;

/**
 * Pieces on sheets by their true shapes, each turned by quarters: on fewer sheets than in rows where that is found,
 * else the rows. Wood keeps its grain.
 *
 * A generator of how far it is; the same for the same seed.
 */
export function* sheetNest(
  board: Board,
  pieces: readonly Piece[],
  { cutting, looks, seed }: { cutting: Cutting; looks: number; seed: number },
): Generator<{ done: number; at: string; sheets: number }, SheetPlan> {
  const { sheetWidth, sheetLength, kerf } = cutting;
  let best = sheetPlan(board, pieces, cutting);
  const rotations = board.kind === 'wood' ? [0, 180] : [0, 90, 180, 270];
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  const least = Math.max(1, Math.ceil(best.pieceArea / (sheetWidth * sheetLength) - 1e-9));
  const tries = Math.min(FEWER, best.sheets.length - least);
  const shapes = pieces.map(({ id, outline, count }) => ({ id, outline, count, rotations }));
  for (let k = 1; k <= tries; k++) {
    const count = best.sheets.length - 1;
    const stock = Array.from({ length: count }, (_, i) => ({
      id: `sheet-${i + 1}`,
      outline: rectangle(sheetWidth, sheetLength),
    }));
    const own = { stripWidth: sheetWidth, gap: kerf, pieces: shapes, stock, looks: looks / tries, seed };
    const search = nestPolygons(own);
    let step = search.next();
    for (; !step.done; step = search.next())
      yield { done: (k - 1 + step.value.done) / tries, at: 'sheets', sheets: best.sheets.length };
    if (step.value.length > 0) break;
    best = planOf(board, { placements: step.value.placements, byId, cutting });
  }
  return best;
}

function planOf(
  board: Board,
  {
    placements,
    byId,
    cutting,
  }: {
    placements: readonly { id: string; copy: number; rotation: number; x: number; y: number; stock?: string }[];
    byId: ReadonlyMap<string, Piece>;
    cutting: Cutting;
  },
): SheetPlan {
  const one = cutting.sheetWidth * cutting.sheetLength;
  const ids = [...new Set(placements.map(({ stock }) => stock!))];
  const sheets = ids.map((stockId, i) => {
    const id = `sheet-${i + 1}`;
    const places = placements
      .filter(({ stock }) => stock === stockId)
      .map(({ id: pieceId, copy, rotation, x, y }): CutPlace => {
        const turned = moved(byId.get(pieceId)!.outline, { turnDeg: rotation });
        return { pieceId, copy, clothId: id, rotation, x, y, outline: turned.map(([u, v]): At => [u + x, v + y]) };
      });
    const area = places.reduce((sum, place) => sum + byId.get(place.pieceId)!.area, 0);
    return { id, places, utilisation: area / one };
  });
  const pieceArea = placements.reduce((sum, { id }) => sum + byId.get(id)!.area, 0);
  const cut = placements.reduce((sum, { id }) => {
    const { outline, cuts } = byId.get(id)!;
    return sum + [outline, ...cuts.filter((line) => line.length > 2)].reduce((own, shape) => own + girthOf(shape), 0);
  }, 0);
  return { sheets, cutLength: cut, pieceArea, sheetArea: sheets.length * one, resin: resinIn(board, pieceArea) };
}

/** The first row with room for a box; a new one, on a new sheet where no other has room. */
function roomFor(
  sheets: { rows: Row[]; end: number; places: CutPlace[]; area: number }[],
  {
    w,
    h,
    sheetWidth,
    sheetLength,
    kerf,
  }: { w: number; h: number; sheetWidth: number; sheetLength: number; kerf: number },
) {
  for (const sheet of sheets) {
    const row = sheet.rows.find(({ used, deep }) => used + w <= sheetWidth + 1e-6 && h <= deep + 1e-9);
    if (row) return { sheet, row };
    if (sheet.end + h <= sheetLength + 1e-6) {
      const next = { x: sheet.end, deep: h, used: 0 };
      sheet.rows.push(next);
      sheet.end += h + kerf;
      return { sheet, row: next };
    }
  }
  const row = { x: 0, deep: h, used: 0 };
  const sheet = { rows: [row], end: h + kerf, places: [], area: 0 };
  sheets.push(sheet);
  return { sheet, row };
}
