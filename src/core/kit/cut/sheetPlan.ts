import { invalid } from '../../error';
import type { Core } from '../../material';
import type { Cutting } from '../cutting';
import type { At } from '../nest/convexParts';
import { boxOf } from '../pieces/outline';
import { saidPiece, type CutPlace } from './cutWay';
import type { Piece } from '../pieces/piece';

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
export function sheetPlan(core: Core, pieces: readonly Piece[], cutting: Cutting): SheetPlan {
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
      rotation: turned ? 90 : 0,
      x: row.used,
      y: row.x,
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
    resin: pieceArea * core.resinUptake.value,
  };
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
