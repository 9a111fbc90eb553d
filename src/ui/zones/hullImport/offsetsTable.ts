import { numberText, type DecimalSign, type Table } from '@/core/table';
import { OFFSET_UNITS, offsetsToStations, type OffsetMapping, type OffsetUnit, type Station } from '@/core/geometry';

/** What the columns of a table of offsets are taken for, and how its figures are written. */
export interface OffsetsReading {
  unit: OffsetUnit;
  layout: 'points' | 'grid';
  direction: 'fromAft' | 'fromBow';
  /** Places of the columns; `line` is −1 where the file has none. */
  columns: Record<OffsetColumn, number>;
}
export type OffsetColumn = 'station' | 'halfBreadth' | 'height' | 'line' | 'label';

const NOT_THERE = -1;
const UNITS = Object.keys(OFFSET_UNITS) as OffsetUnit[];
/** A boat's offsets in metres stay below this. */
const MOST_METRES = 60;

/** The unit that figures of a hull are probably in. */
export function likelyUnit(cells: readonly string[]): OffsetUnit {
  if (cells.some((cell) => /\d+-\d+-\d+/.test(cell))) return 'feetInchesEighths';
  return cells.some((cell) => Number(cell.replace(',', '.')) > MOST_METRES) ? 'mm' : 'm';
}

type Choices = Readonly<Record<string, string>>;
const oneOf = <Key extends string>(value: string | undefined, keys: readonly Key[], otherwise: Key): Key =>
  keys.find((key) => key === value) ?? otherwise;

/**
 * What a table is probably laid out as, by its heads and figures, or as one with the same heads was read the last time;
 * the reader may say otherwise.
 */
export function readingOf({ heads, rows }: Pick<Table, 'heads' | 'rows'>, recalled: Choices | null): OffsetsReading {
  const named = (pattern: RegExp, otherwise: number) => {
    const found = heads.findIndex((head) => pattern.test(head));
    return found < 0 ? otherwise : found;
  };
  const has = (pattern: RegExp) => heads.some((head) => pattern.test(head));
  const columns: Record<OffsetColumn, number> = {
    station: named(/station|^x\b|frame/i, 0),
    halfBreadth: named(/half|breadth|^y\b/i, 1),
    height: named(/height|^z\b|above/i, 2),
    line: named(/line|point|name/i, NOT_THERE),
    label: 0,
  };
  const place = (key: OffsetColumn) => {
    const said = recalled?.[`column.${key}`];
    return said === undefined ? columns[key] : heads.indexOf(said);
  };
  return {
    unit: oneOf(recalled?.unit, UNITS, likelyUnit(rows.flat())),
    layout: oneOf(
      recalled?.layout,
      ['points', 'grid'],
      has(/half|breadth|^y\b/i) && has(/height|^z\b/i) ? 'points' : 'grid',
    ),
    direction: oneOf(recalled?.direction, ['fromAft', 'fromBow'], 'fromAft'),
    columns: {
      station: place('station'),
      halfBreadth: place('halfBreadth'),
      height: place('height'),
      line: place('line'),
      label: place('label'),
    },
  };
}

/** What to keep of how a table was read. */
export const choicesOf = ({ unit, layout, direction, columns }: OffsetsReading, heads: readonly string[]): Choices => ({
  unit,
  layout,
  direction,
  ...Object.fromEntries(Object.entries(columns).map(([key, at]) => [`column.${key}`, heads[at] ?? ''])),
});

/**
 * Stations of the hull from the table, with its waterline and the place that becomes 0 (m).
 * @throws KeramosError `invalid` as offsetsToStations does.
 */
export function stationsOf(
  table: Pick<Table, 'heads' | 'rows' | 'numbers'>,
  { columns, unit, direction, layout: way }: OffsetsReading,
  { decimal, ...place }: { decimal: DecimalSign; origin: number; waterline: number },
): Station[] {
  const { station, halfBreadth, height, line, label } = columns;
  const layout: OffsetMapping['layout'] =
    way === 'grid'
      ? { kind: 'grid', label }
      : { kind: 'points', station, halfBreadth, height, line: line === NOT_THERE ? null : line };
  const rows = table.rows.map((row) => row.map((cell) => numberText(cell, decimal)));
  return offsetsToStations(table.heads, rows, { unit, direction, layout, numbers: table.numbers, ...place });
}
