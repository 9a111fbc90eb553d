import { KeramosError, invalid } from '../../error';
import { hasDirection, type Fabric } from '../../material';
import type { Cutting } from '../cutting';
import { signedArea, type At } from '../nest/convexParts';
import { nestPolygons, type PolygonPiece } from '../nest/polygons';
import { boxOf, girthOf, moved, rectangle } from '../pieces/outline';
import type { Piece } from '../pieces/piece';

/** How cloth may be cut, from the least time to the least cloth. */
export const CUT_WAYS = {
  blanks: 'Straight cuts: boxes in laying order, trimmed on the mould',
  rows: 'True shapes, in rows in laying order',
  nested: 'True shapes, nested',
} as const;
export type CutWayName = keyof typeof CUT_WAYS;

/** A roll or an offcut that may be cut from. */
export interface Cloth {
  id: string;
  name: string;
  /** m of a roll; an offcut has its outline instead, x across and y along the cloth. */
  length: number | null;
  outline: readonly At[] | null;
}

export interface CutInput {
  material: Fabric;
  pieces: readonly Piece[];
  cutting: Cutting;
  /** What there is, offcuts and rolls in the order in which they are taken; new rolls as they are bought after them. */
  cloth: readonly Cloth[];
  /** Places looked at for the nested way. */
  looks: number;
  seed: number;
  /** Money of a square metre of this cloth, null where it is not known, and of an hour of work. */
  clothPrice: number | null;
  labour: number;
}

/** A piece on a cloth: its outline as it lies, m from the cloth's start and left edge. */
export interface CutPlace {
  pieceId: string;
  copy: number;
  clothId: string;
  /** Degrees by which it is turned. */
  rotation: number;
  x: number;
  y: number;
  outline: At[];
}
/** What is cut from one roll or offcut. */
export interface CutCloth {
  id: string;
  name: string;
  /** m of a roll that are taken; its whole length where known. */
  taken: number;
  length: number | null;
  /** Outline of an offcut. */
  outline: readonly At[] | null;
  /** A roll that is not there yet. */
  bought: boolean;
}

/** One way to cut all pieces of a material. */
export interface CutWay {
  name: CutWayName;
  places: CutPlace[];
  cloth: CutCloth[];
  /** m of roll. */
  length: number;
  /** Of what is taken, the share that ends in pieces. */
  utilisation: number;
  /** m of knife, number of pieces. */
  cutLength: number;
  cuts: number;
  minutes: number;
  /** Money of cloth taken and of cutting; null where the cloth has no price. */
  clothMoney: number | null;
  labourMoney: number;
  /** Of what falls away. */
  wasteMoney: number | null;
  /** Left at the end of each roll, and between rows: what is worth keeping. */
  offcuts: { from: string; width: number; length: number }[];
}

export interface CutStep {
  done: number;
  at: string;
  /** m of roll of the best so far. */
  length: number;
}

/** Pieces of a material in the order in which they are laid. */
export const inLayingOrder = (pieces: readonly Piece[]): Piece[] =>
  pieces
    .map((piece, at) => ({ piece, at }))
    .sort((a, b) => a.piece.layerNumber - b.piece.layerNumber || a.at - b.at)
    .map(({ piece }) => piece);

/**
 * Ways to cut all pieces of a fabric from what there is and from new rolls: straight cuts in laying order, true shapes
 * in rows, true shapes nested; each with cloth, knife, minutes and money. Nothing is turned or mirrored that its fibres
 * forbid: along the roll either way, a mat any quarter.
 *
 * @throws KeramosError `invalid` that names a piece wider than the roll, or longer than a whole one.
 */
export function* cutPlan(input: CutInput): Generator<CutStep, CutWay[]> {
  const { material, pieces, cutting, looks, seed } = input;
  const width = material.width.value - 2 * cutting.selvage;
  const rotations = hasDirection(material) ? [0, 180] : [0, 90, 180, 270];
  const ordered = inLayingOrder(pieces);
  for (const piece of ordered) {
    const { maxX, maxY, minX, minY } = boxOf(piece.outline);
    if (maxX - minX > width + 1e-6)
      throw invalid(
        'pieces',
        `${saidPiece(piece)} is wider than a roll of ${material.name}: part it, or take a wider one`,
      );
    if (maxY - minY > material.rollLength.value)
      throw invalid('pieces', `${saidPiece(piece)} is longer than a whole roll of ${material.name}: part it`);
  }
  const ways: CutWay[] = [];
  for (const name of ['blanks', 'rows'] as const) {
    yield { done: 0.02, at: CUT_WAYS[name], length: Infinity };
    ways.push(wayOf(input, name, inRows(ordered, width, cutting.gap)));
  }
  // Offcuts, and rolls that are too short for all, are filled one by one; a roll that is long enough is the strip.
  const need = ways[1]!.length;
  const stock = input.cloth.flatMap(({ id, outline, length }) => {
    if (outline) return [{ id, outline }];
    const short = length !== null && length > 0 && length < need;
    return short ? [{ id, outline: rectangle(width, length) }] : [];
  });
  const shapes = ordered.map(({ id, outline, count }): PolygonPiece => ({ id, outline, count, rotations }));
  const search = nestPolygons({ stripWidth: width, gap: cutting.gap, pieces: shapes, stock, looks, seed });
  for (;;) {
    const step = search.next();
    if (step.done) {
      const byId = new Map(ordered.map((piece) => [piece.id, piece]));
      const laid = step.value.placements.map(({ id, copy, rotation, x, y, stock }): Laid => {
        const outline = moved(byId.get(id)!.outline, { turnDeg: rotation }).map(([u, v]): At => [u + x, v + y]);
        return { piece: byId.get(id)!, copy, rotation, x, y, outline, offcut: stock ?? null };
      });
      ways.push(wayOf(input, 'nested', laid));
      return ways;
    }
    yield { done: step.value.done, at: 'nesting', length: step.value.length };
  }
}

interface Laid {
  piece: Piece;
  copy: number;
  rotation: number;
  x: number;
  y: number;
  outline: At[];
  offcut: string | null;
}

/** A piece as it is spoken of. */
export const saidPiece = ({ of, layerNumber, kind, n, m, hand }: Piece): string => {
  const name = kind === 'layer' || kind === 'core' ? `${of}, layer ${layerNumber}` : of;
  return `${name}, piece ${n} of ${m}${hand === 'port' || hand === 'starboard' ? `, ${hand}` : ''}`;
};

/** Boxes side by side in rows, in laying order, a row as long as its longest. */
function inRows(pieces: readonly Piece[], width: number, gap: number): Laid[] {
  const laid: Laid[] = [];
  let [x, y, deep] = [0, 0, 0];
  for (const piece of pieces)
    for (let copy = 0; copy < piece.count; copy++) {
      const { minX, maxX, minY, maxY } = boxOf(piece.outline);
      const [w, h] = [maxX - minX, maxY - minY];
      if (x > 0 && x + w > width + 1e-9) {
        y += deep + gap;
        [x, deep] = [0, 0];
      }
      const outline = piece.outline.map(([u, v]): At => [u - minX + x, v - minY + y]);
      laid.push({ piece, copy, rotation: 0, x: x - minX, y: y - minY, outline, offcut: null });
      x += w + gap;
      deep = Math.max(deep, h);
    }
  return laid;
}

/** A lay as a way to cut: parted over rolls, weighed in cloth, knife and money. */
function wayOf(input: CutInput, name: CutWayName, laid: readonly Laid[]): CutWay {
  const { material, cutting, cloth, clothPrice, labour } = input;
  const width = material.width.value;
  const onOffcut = new Set(cloth.flatMap(({ id, outline }) => (outline ? [id] : [])));
  const places: CutPlace[] = [];
  const used: CutCloth[] = [];
  const placed = (one: Laid, clothId: string, down: number) =>
    places.push({
      pieceId: one.piece.id,
      copy: one.copy,
      clothId,
      rotation: one.rotation,
      x: one.x + (onOffcut.has(clothId) ? 0 : cutting.selvage),
      y: one.y - down,
      outline: one.outline.map(([u, v]): At => [u + (onOffcut.has(clothId) ? 0 : cutting.selvage), v - down]),
    });
  const filled = new Set<string>();
  for (const { id, name: own, outline, length } of cloth) {
    const on = laid.filter(({ offcut }) => offcut === id);
    if (on.length === 0) continue;
    filled.add(id);
    on.forEach((one) => placed(one, id, 0));
    const taken = outline ? 0 : Math.max(...on.map((one) => boxOf(one.outline).maxY));
    used.push({ id, name: own, taken, length, outline, bought: false });
  }
  const rolls = cloth.filter(({ id, outline, length }) => outline === null && (length ?? 0) > 0 && !filled.has(id));
  let left = laid
    .filter(({ offcut }) => offcut === null)
    .map((one) => {
      const { minY, maxY } = boxOf(one.outline);
      return { one, from: minY, to: maxY };
    })
    .sort((a, b) => a.to - b.to);
  for (let r = 0; left.length > 0; r++) {
    const roll = rolls[r] ?? null;
    const length = roll?.length ?? material.rollLength.value;
    const base = Math.min(...left.map(({ from }) => from));
    const fits = left.filter(({ to }) => to - base <= length + 1e-9);
    // One that reaches over the end of the roll goes to the next, and what lies beside it stays.
    const id = roll?.id ?? `new-${r + 1}`;
    if (fits.length === 0) {
      if (!roll) throw new KeramosError('invalid', `${saidPiece(left[0]!.one.piece)} fits on no whole roll`, 'pieces');
      continue;
    }
    fits.forEach(({ one }) => placed(one, id, base));
    const taken = Math.max(...fits.map(({ to }) => to)) - base;
    used.push({
      id,
      name: roll?.name ?? `new roll ${r - rolls.length + 1}`,
      taken,
      length,
      outline: null,
      bought: !roll,
    });
    left = left.filter((one) => !fits.includes(one));
  }
  const length = used.reduce((sum, { taken }) => sum + taken, 0);
  const offcutArea = used.reduce((sum, { outline }) => sum + (outline ? Math.abs(signedArea(outline)) : 0), 0);
  const pieceArea = laid.reduce((sum, { piece }) => sum + piece.area, 0);
  const cutLength =
    name === 'blanks' ? straightCuts(laid, width) : laid.reduce((sum, { outline }) => sum + girthOf(outline), 0);
  const corners = laid.reduce((sum, { outline }) => sum + (name === 'blanks' ? 4 : outline.length), 0);
  const minutes = cutLength / cutting.cutSpeed + laid.length * cutting.perPiece + corners * cutting.perTurn;
  const area = length * width + offcutArea;
  const clothMoney = clothPrice === null ? null : length * width * clothPrice;
  return {
    name,
    places,
    cloth: used,
    length,
    utilisation: area > 0 ? pieceArea / area : 1,
    cutLength,
    cuts: laid.length,
    minutes,
    clothMoney,
    labourMoney: (minutes / 60) * labour,
    wasteMoney: clothPrice === null ? null : Math.max(0, length * width - pieceArea) * clothPrice,
    offcuts: offcutsOf(used, places, { width, cutting }),
  };
}

/** Rows parted by cuts across the roll, boxes in a row by cuts along it. */
function straightCuts(laid: readonly Laid[], width: number): number {
  const rows = new Map<number, { deep: number; count: number }>();
  for (const { outline } of laid) {
    const { minY, maxY } = boxOf(outline);
    const key = Math.round(minY * 1e4);
    const row = rows.get(key) ?? { deep: 0, count: 0 };
    rows.set(key, { deep: Math.max(row.deep, maxY - minY), count: row.count + 1 });
  }
  return [...rows.values()].reduce((sum, { deep, count }) => sum + width + count * deep, 0);
}

/** What is left of the rolls as rectangles beside the last pieces, where it is worth keeping. */
function offcutsOf(
  cloth: readonly CutCloth[],
  places: readonly CutPlace[],
  { width, cutting }: { width: number; cutting: Cutting },
): CutWay['offcuts'] {
  return cloth.flatMap(({ id, name, taken, outline }) => {
    if (outline) return [];
    const boxes = places.filter(({ clothId }) => clothId === id).map((place) => boxOf(place.outline));
    // The widest free strip along either edge over the last stretch of the roll.
    const stretches = [...new Set(boxes.flatMap(({ minY }) => [minY]))].sort((a, b) => a - b);
    let best = { width: 0, length: 0 };
    for (const from of stretches) {
      const beside = boxes.filter(({ maxY }) => maxY > from + 1e-6);
      const free = width - Math.max(0, ...beside.map(({ maxX }) => maxX)) - cutting.gap;
      const own = { width: free, length: taken - from };
      if (Math.min(own.width, own.length) >= cutting.worthKeeping && own.width * own.length > best.width * best.length)
        best = own;
    }
    return best.width > 0 ? [{ from: name, ...best }] : [];
  });
}
