import { signedArea } from '../nest/convexParts';
import type { Cutting } from '../cutting';
import { boxOf, girthOf } from '../pieces/outline';
import type { CutCloth, CutInput, CutPlace, CutWay, CutWayName } from './cutWay';

/** A lay as a way to cut: weighed in cloth, knife, minutes and money. */
export function reckon(
  { material, pieces, cutting, clothPrice, labour }: Omit<CutInput, 'cloth' | 'looks' | 'seed'>,
  name: CutWayName,
  { places, cloth }: { places: CutPlace[]; cloth: CutCloth[] },
): CutWay {
  const width = material.width.value;
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  const length = cloth.reduce((sum, { taken }) => sum + taken, 0);
  const offcutArea = cloth.reduce((sum, { outline }) => sum + (outline ? Math.abs(signedArea(outline)) : 0), 0);
  const pieceArea = places.reduce((sum, { pieceId }) => sum + byId.get(pieceId)!.area, 0);
  const inside = places.flatMap(({ pieceId }) => byId.get(pieceId)!.cuts.filter((line) => line.length > 2));
  const shapes = [...places.map(({ outline }) => outline), ...inside];
  const cutLength =
    name === 'blanks' ? straightCuts(places, width) : shapes.reduce((sum, shape) => sum + girthOf(shape), 0);
  const corners = name === 'blanks' ? 4 * places.length : shapes.reduce((sum, shape) => sum + shape.length, 0);
  const minutes = cutLength / cutting.cutSpeed + places.length * cutting.perPiece + corners * cutting.perTurn;
  const area = length * width + offcutArea;
  return {
    name,
    places,
    cloth,
    length,
    utilisation: area > 0 ? pieceArea / area : 1,
    cutLength,
    cuts: places.length,
    minutes,
    clothMoney: clothPrice === null ? null : length * width * clothPrice,
    labourMoney: (minutes / 60) * labour,
    wasteMoney: clothPrice === null ? null : Math.max(0, length * width - pieceArea) * clothPrice,
    offcuts: offcutsOf(cloth, places, { width, cutting }),
  };
}

/** Rows parted by cuts across the roll, boxes in a row by cuts along it. */
function straightCuts(places: readonly CutPlace[], width: number): number {
  const rows = new Map<string, { deep: number; count: number }>();
  for (const { clothId, outline } of places) {
    const { minY, maxY } = boxOf(outline);
    const key = `${clothId} ${Math.round(minY * 1e4)}`;
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
