import { z } from 'zod';
import { invalid } from '../error';
import { checkStations } from './checkStations';
import { bounded } from '../field';
import type { Station } from './hullShape';

/** How numbers in an offsets table are written. */
export const OFFSET_UNITS = {
  m: 'Metres',
  mm: 'Millimetres',
  in: 'Inches',
  ft: 'Feet',
  feetInchesEighths: 'Feet-inches-eighths (2-7-4, + for a sixteenth more)',
} as const;
export type OffsetUnit = keyof typeof OFFSET_UNITS;

const FACTOR: Record<Exclude<OffsetUnit, 'feetInchesEighths'>, number> = { m: 1, mm: 1e-3, in: 0.0254, ft: 0.3048 };

/** What an entry that is no number looks like, for the refusal. */
function lookOf(entry: string): string {
  if (/^(-?\d+)\s*[-.]\s*\d+\s*[-.]\s*\d+\+?$/.test(entry)) return '; it looks like feet-inches-eighths';
  if (/[a-z"']/i.test(entry)) return '; leave units out of the cells and choose one for the whole table';
  return '';
}

/**
 * A number of an offsets table in metres; feet-inches-eighths as "2-7-4", "2.7.4" or "2 7 4", "+" for a sixteenth
 * more, "-" for a half sixteenth less being refused.
 *
 * @returns null for an empty cell or a dash alone.
 * @throws KeramosError `invalid` that names the place and what was expected.
 * @example readOffset('2-7-4', 'feetInchesEighths', 'Station 3') // 0.8001
 */
export function readOffset(text: string, unit: OffsetUnit, place: string): number | null {
  const entry = text.trim().replace('−', '-');
  if (entry === '' || /^[-–—]+$/.test(entry)) return null;
  if (unit === 'feetInchesEighths') {
    const match = /^(-?)(\d+)\s*[-. ]\s*(\d+)\s*[-. ]\s*(\d+)\s*(\+?)$/.exec(entry);
    if (!match) throw invalid('file', `${place}: "${entry.slice(0, 20)}" is not feet-inches-eighths, such as 2-7-4`);
    const [feet, inches, eighths] = [Number(match[2]), Number(match[3]), Number(match[4])];
    if (inches > 11 || eighths > 7)
      throw invalid(
        'file',
        `${place}: "${entry.slice(0, 20)}" has ` +
          `${inches > 11 ? 'more than 11 inches' : 'more than 7 eighths'}; is the ` +
          'table in another unit?',
      );
    const value = (feet * 12 + inches + (eighths + (match[5] ? 0.5 : 0)) / 8) * 0.0254;
    return match[1] ? -value : value;
  }
  const plain = /^-?\d{1,3}(,\d{3})+(\.\d+)?$/.test(entry) ? entry.replaceAll(',', '') : entry.replace(',', '.');
  const value = Number(plain);
  if (!Number.isFinite(value)) {
    throw invalid('file', `${place}: "${entry.slice(0, 20)}" is not a number${lookOf(entry)}`);
  }
  return value * FACTOR[unit];
}

const column = z.int().min(0).max(200);
/** How the columns of a table make stations. */
export const offsetMappingSchema = z.object({
  unit: z.enum(Object.keys(OFFSET_UNITS) as [OffsetUnit, ...OffsetUnit[]]),
  /** Where stations are measured from, and the place of the aft end of the waterline in that measure (m). */
  direction: z.enum(['fromAft', 'fromBow']),
  origin: z.number().min(-100).max(100),
  layout: z.discriminatedUnion('kind', [
    /** One point a row. */
    z.object({
      kind: z.literal('points'),
      station: column,
      halfBreadth: column,
      height: column,
      line: column.nullable(),
    }),
    /**
     * One station a column; the first column says which line a row belongs to: a waterline height, or keel, chine and
     * deck edge by name.
     */
    z.object({ kind: z.literal('grid'), label: column }),
  ]),
  waterline: bounded('Waterline height', [0.01, 6], 'm'),
  /** Number of each row in its file, for refusals; where it is left out, the heads are the first row. */
  numbers: z.array(z.int().min(1)).max(100_000).optional(),
});
export type OffsetMapping = z.infer<typeof offsetMappingSchema>;

const isChine = (text: string) => /chine|knuckle/i.test(text);
const isDeck = (text: string) => /sheer|deck|gunwale|rail/i.test(text);
function namedLine(text: string): 'chine' | 'deck' | null {
  if (isChine(text)) return 'chine';
  return isDeck(text) ? 'deck' : null;
}
const isKeel = (text: string) => /keel|rabbet|profile|fairbody|centre|center/i.test(text);
const isHeight = (text: string) => /height|above|hab|\bz\b/i.test(text);

interface RawPoint {
  y: number;
  z: number;
  chine: boolean;
}

/** A row of the table with its number in the file. */
interface NumberedRow {
  cells: readonly string[];
  number: number;
}

type Read = (text: string, place: string) => number | null;

/** One point a row: its station, half-breadth and height, and the line it is on where a column says so. */
function fromPoints(
  rows: readonly NumberedRow[],
  layout: Extract<OffsetMapping['layout'], { kind: 'points' }>,
  read: Read,
): Map<number, RawPoint[]> {
  const stations = new Stations();
  rows.forEach(({ cells: row, number }) => {
    const place = `Row ${number}`;
    const value = (column: number) => read(row[column] ?? '', place);
    const [x, y, z] = [value(layout.station), value(layout.halfBreadth), value(layout.height)];
    if (x === null && y === null && z === null) return;
    if (x === null || y === null || z === null)
      throw invalid('file', `${place}: station, half-breadth and height are all needed; one of them is empty`);
    if (y < -1e-9)
      throw invalid('file', `${place}: the half-breadth is negative; give one hand only, as positive numbers`);
    stations.add(x, { y, z, chine: layout.line !== null && isChine(row[layout.line] ?? '') });
  });
  return stations.byPlace;
}

/** Stations by their place along the boat, filled point by point. */
class Stations {
  readonly byPlace = new Map<number, RawPoint[]>();
  add(x: number, { y, z, chine = false }: { y: number; z: number; chine?: boolean }): void {
    const known = this.byPlace.get(x) ?? [];
    known.push({ y: Math.max(0, y), z, chine });
    this.byPlace.set(x, known);
  }
}

/** A grid as it is read: the stations' places by column, and its cells. */
interface Grid {
  columns: readonly { column: number; x: number }[];
  cell: (row: number, column: number) => number | null;
}

function gridOf(heads: readonly string[], rows: readonly NumberedRow[], label: number, read: Read): Grid {
  const columns = heads.flatMap((head, column) => {
    if (column === label) return [];
    const x = read(head.replace(/^(st(ation)?|frame)\.?\s*/i, ''), `Head of column ${column + 1}`);
    return x === null ? [] : [{ column, x }];
  });
  return {
    columns,
    cell: (row, column) => read(rows[row]!.cells[column] ?? '', `Row ${rows[row]!.number}, column ${column + 1}`),
  };
}

/** Chine and deck edge come as two rows each: heights and half-breadths. */
interface NamedRows {
  height?: number;
  breadth?: number;
}

function addNamed(stations: Stations, { columns, cell }: Grid, kind: 'chine' | 'deck', rows: NamedRows): void {
  const { height, breadth } = rows;
  if (height === undefined && breadth === undefined) return;
  if (height === undefined || breadth === undefined) {
    const name = kind === 'chine' ? 'chine' : 'deck edge';
    const missing = height === undefined ? 'the heights are' : 'the half-breadths are';
    throw invalid('file', `The ${name} needs two rows, its heights and its half-breadths; ${missing} missing`);
  }
  for (const { column, x } of columns) {
    const [z, y] = [cell(height, column), cell(breadth, column)];
    if (z !== null && y !== null) stations.add(x, { y, z, chine: kind === 'chine' });
  }
}

/** A grid, stations across; each row is a waterline, the keel, or chine or deck edge by heights or half-breadths. */
function fromGrid(
  heads: readonly string[],
  rows: readonly NumberedRow[],
  label: number,
  read: Read,
): Map<number, RawPoint[]> {
  const grid = gridOf(heads, rows, label, read);
  const stations = new Stations();
  const named: Record<'chine' | 'deck', NamedRows> = { chine: {}, deck: {} };
  rows.forEach(({ cells, number }, r) => {
    const text = cells[label] ?? '';
    const kind = namedLine(text);
    if (kind) {
      named[kind][isHeight(text) ? 'height' : 'breadth'] = r;
      return;
    }
    const keel = isKeel(text);
    const height = keel ? null : read(text.replace(/^(wl|waterline)\.?\s*/i, ''), `Row ${number}, its label`);
    if (!keel && height === null)
      throw invalid('file', `Row ${number}: its label says neither a height nor keel, chine or deck edge`);
    for (const { column, x } of grid.columns) {
      const value = grid.cell(r, column);
      if (value !== null) stations.add(x, height === null ? { y: 0, z: value } : { y: value, z: height });
    }
  });
  addNamed(stations, grid, 'chine', named.chine);
  addNamed(stations, grid, 'deck', named.deck);
  return stations.byPlace;
}

const SAME = 1e-9;

/** A station from its points in any order, closed to the centreline. @param at its place as the file has it. */
function stationOf(x: number, at: number, points: readonly RawPoint[]): Station {
  // From the keel up; points at one height go outward.
  const sorted = [...points].sort((a, b) => a.z - b.z || a.y - b.y);
  const own = sorted.filter((p, i) => i === 0 || Math.hypot(p.y - sorted[i - 1]!.y, p.z - sorted[i - 1]!.z) > SAME);
  if (own.length < 2)
    throw invalid('file', `The station at ${at.toFixed(3)} m has only one point; it needs at least keel and deck edge`);
  const closed = own[0]!.y > 1e-6 ? [{ y: 0, z: own[0]!.z, chine: false }, ...own] : own;
  const chine = closed.findIndex((point) => point.chine);
  return {
    x,
    points: closed.map(({ y, z }): [number, number] => [y, z]),
    chine: chine > 0 && chine < closed.length - 1 ? chine : null,
  };
}

/**
 * Stations of a hull from a table of offsets: one point a row, or a grid of half-breadths with stations across.
 *
 * @returns stations from aft, each from keel to deck edge, x from the aft end of the waterline (m).
 * @throws KeramosError `invalid` that names row and column, or says what is implausible (a hull 2850 m wide, stations
 * with one point).
 * @example offsetsToStations(heads, rows, { unit: 'mm', layout: { kind: 'grid', label: 0 }, direction: 'fromAft',
 * origin: 0, waterline: 0.4 })
 */
export function offsetsToStations(
  heads: readonly string[],
  rows: readonly string[][],
  mapping: OffsetMapping,
): Station[] {
  const { layout, unit, direction, origin } = mapping;
  const used =
    layout.kind === 'grid'
      ? [layout.label]
      : [layout.station, layout.halfBreadth, layout.height, ...(layout.line === null ? [] : [layout.line])];
  if (used.some((c) => c >= heads.length)) throw invalid('mapping', `The table has only ${heads.length} columns`);
  if (new Set(used).size < used.length)
    throw invalid('mapping', 'Station, half-breadth and height must be three different columns');
  const read = (text: string, place: string) => readOffset(text, unit, place);
  const numbered = rows.map((cells, i): NumberedRow => ({ cells, number: mapping.numbers?.[i] ?? i + 2 }));
  const raw =
    layout.kind === 'points' ? fromPoints(numbered, layout, read) : fromGrid(heads, numbered, layout.label, read);
  const place = (at: number) => (direction === 'fromAft' ? at - origin : origin - at);
  const stations = [...raw].map(([at, points]) => stationOf(place(at), at, points));
  return checkStations(stations.sort((a, b) => a.x - b.x));
}
