import { offsetsToStations, type OffsetMapping, type OffsetUnit, type Station } from '@/core/geometry';

/** A table of offsets as it was read, with what its columns are taken for. */
export interface OffsetsTable {
  name: string;
  heads: string[];
  rows: string[][];
  unit: OffsetUnit;
  layout: 'points' | 'grid';
  direction: 'fromAft' | 'fromBow';
  /** Places of the columns; `line` is −1 where the file has none. */
  columns: Record<OffsetColumn, number>;
}
export type OffsetColumn = 'station' | 'halfBreadth' | 'height' | 'line' | 'label';

const NOT_THERE = -1;
/** A boat's offsets in metres stay below this. */
const MOST_METRES = 60;

/** The unit that figures of a hull are probably in. */
export function likelyUnit(cells: readonly string[]): OffsetUnit {
  if (cells.some((cell) => /\d+-\d+-\d+/.test(cell))) return 'feetInchesEighths';
  return cells.some((cell) => Number(cell) > MOST_METRES) ? 'mm' : 'm';
}

/** What a table is probably laid out as, by its heads and figures; the reader may say otherwise. */
export function tableOf(name: string, { heads, rows }: { heads: string[]; rows: string[][] }): OffsetsTable {
  const named = (pattern: RegExp, otherwise: number) => {
    const found = heads.findIndex((head) => pattern.test(head));
    return found < 0 ? otherwise : found;
  };
  const has = (pattern: RegExp) => heads.some((head) => pattern.test(head));
  return {
    name,
    heads,
    rows,
    unit: likelyUnit(rows.flat()),
    layout: has(/half|breadth|^y\b/i) && has(/height|^z\b/i) ? 'points' : 'grid',
    direction: 'fromAft',
    columns: {
      station: named(/station|^x\b|frame/i, 0),
      halfBreadth: named(/half|breadth|^y\b/i, 1),
      height: named(/height|^z\b|above/i, 2),
      line: named(/line|point|name/i, NOT_THERE),
      label: 0,
    },
  };
}

/**
 * Stations of the hull from the table, with its waterline and the place that becomes 0 (m).
 * @throws KeramosError `invalid` as offsetsToStations does.
 */
export function stationsOf(table: OffsetsTable, place: { origin: number; waterline: number }): Station[] {
  const { columns, unit, direction } = table;
  const { station, halfBreadth, height, line, label } = columns;
  const layout: OffsetMapping['layout'] =
    table.layout === 'grid'
      ? { kind: 'grid', label }
      : { kind: 'points', station, halfBreadth, height, line: line === NOT_THERE ? null : line };
  return offsetsToStations(table.heads, table.rows, { unit, direction, layout, ...place });
}
