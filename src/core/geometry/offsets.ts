import { z } from 'zod';
import { invalid } from '../error';
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
        `${place}: "${entry.slice(0, 20)}" has ${inches > 11 ? 'more than 11 inches' : 'more than 7 eighths'}; is the table in another unit?`,
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

function fromPoints(
  rows: readonly string[][],
  layout: Extract<OffsetMapping['layout'], { kind: 'points' }>,
  read: (text: string, place: string) => number | null,
): Map<number, RawPoint[]> {
  const stations = new Map<number, RawPoint[]>();
  rows.forEach((row, i) => {
    const place = `Row ${i + 2}`;
    const [x, y, z] = [layout.station, layout.halfBreadth, layout.height].map((at) => read(row[at] ?? '', place));
    if (x === null && y === null && z === null) return;
    if (x === null || y === null || z === null || x === undefined || y === undefined || z === undefined)
      throw invalid('file', `${place}: station, half-breadth and height are all needed; one of them is empty`);
    if (y < -1e-9)
      throw invalid('file', `${place}: the half-breadth is negative; give one hand only, as positive numbers`);
    const line = layout.line === null ? '' : (row[layout.line] ?? '');
    const known = stations.get(x) ?? [];
    known.push({ y: Math.max(0, y), z, chine: isChine(line) });
    stations.set(x, known);
  });
  return stations;
}

function fromGrid(
  heads: readonly string[],
  rows: readonly string[][],
  label: number,
  read: (text: string, place: string) => number | null,
): Map<number, RawPoint[]> {
  const columns = heads.map((_, c) => c).filter((c) => c !== label);
  const xs = new Map(
    columns.map((c) => [c, read(heads[c]!.replace(/^(st(ation)?|frame)\.?\s*/i, ''), `Head of column ${c + 1}`)]),
  );
  const cell = (row: string[], r: number, c: number) => read(row[c] ?? '', `Row ${r + 2}, column ${c + 1}`);
  const stations = new Map<number, RawPoint[]>();
  const add = (c: number, point: RawPoint) => {
    const x = xs.get(c);
    if (x === null || x === undefined) return;
    stations.set(x, [...(stations.get(x) ?? []), point]);
  };
  /** Chine and deck edge come as two rows each, heights and half-breadths; the keel as heights. */
  const named = {
    chine: {} as { height?: number; breadth?: number },
    deck: {} as { height?: number; breadth?: number },
  };
  rows.forEach((row, r) => {
    const text = row[label] ?? '';
    const kind = namedLine(text);
    if (kind) {
      named[kind][isHeight(text) ? 'height' : 'breadth'] = r;
      return;
    }
    if (isKeel(text)) {
      for (const c of columns) {
        const z = cell(row, r, c);
        if (z !== null) add(c, { y: 0, z, chine: false });
      }
      return;
    }
    const height = read(text.replace(/^(wl|waterline)\.?\s*/i, ''), `Row ${r + 2}, its label`);
    if (height === null)
      throw invalid('file', `Row ${r + 2}: its label says neither a height nor keel, chine or deck edge`);
    for (const c of columns) {
      const y = cell(row, r, c);
      if (y !== null) add(c, { y: Math.max(0, y), z: height, chine: false });
    }
  });
  for (const [kind, { height, breadth }] of Object.entries(named)) {
    if (height === undefined && breadth === undefined) continue;
    if (height === undefined || breadth === undefined)
      throw invalid(
        'file',
        `The ${kind === 'chine' ? 'chine' : 'deck edge'} needs two rows, its heights and its half-breadths; ${height === undefined ? 'the heights are' : 'the half-breadths are'} missing`,
      );
    for (const c of columns) {
      const [z, y] = [cell(rows[height]!, height, c), cell(rows[breadth]!, breadth, c)];
      if (z !== null && y !== null) add(c, { y: Math.max(0, y), z, chine: kind === 'chine' });
    }
  }
  return stations;
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
  const raw = layout.kind === 'points' ? fromPoints(rows, layout, read) : fromGrid(heads, rows, layout.label, read);
  const stations = [...raw].map(([at, points]): Station => {
    const x = direction === 'fromAft' ? at - origin : origin - at;
    // From the keel up; points at one height go outward.
    const sorted = [...points].sort((a, b) => a.z - b.z || a.y - b.y);
    const own = sorted.filter((p, i) => i === 0 || Math.hypot(p.y - sorted[i - 1]!.y, p.z - sorted[i - 1]!.z) > 1e-9);
    if (own.length < 2)
      throw invalid(
        'file',
        `The station at ${at.toFixed(3)} m has only one point; it needs at least keel and deck edge`,
      );
    const closed = own[0]!.y > 1e-6 ? [{ y: 0, z: own[0]!.z, chine: false }, ...own] : own;
    const chine = closed.findIndex((p) => p.chine);
    return {
      x,
      points: closed.map(({ y, z }): [number, number] => [y, z]),
      chine: chine > 0 && chine < closed.length - 1 ? chine : null,
    };
  });
  return checkStations(stations.sort((a, b) => a.x - b.x));
}

/** Refuse stations that are no boat. */
export function checkStations(stations: Station[]): Station[] {
  if (stations.length < 3)
    throw invalid(
      'file',
      `A hull needs at least 3 stations; ${stations.length === 1 ? 'only one was' : `${stations.length} were`} found. Is the right column chosen?`,
    );
  if (stations.length > 200)
    throw invalid(
      'file',
      `${stations.length} stations were found, more than the 200 a hull may have. Is the right column chosen?`,
    );
  const length = stations.at(-1)!.x - stations[0]!.x;
  const halves = stations.flatMap(({ points }) => points.map(([y]) => y));
  const widest = Math.max(...halves);
  const range = (what: string, value: number, low: number, high: number) => {
    if (value < low || value > high)
      throw invalid(
        'file',
        `The hull would be ${value.toPrecision(3)} m ${what}; ${low} to ${high} m are expected. Is the unit right?`,
      );
  };
  range('long', length, 1.5, 30);
  range('wide', 2 * widest, 0.3, 12);
  const heights = stations.flatMap(({ points }) => points.map(([, z]) => z));
  range('high', Math.max(...heights) - Math.min(...heights), 0.1, 8);
  if (length < widest)
    throw invalid(
      'file',
      `The hull would be ${length.toFixed(2)} m long and ${(2 * widest).toFixed(2)} m wide: are stations and half-breadths in one unit?`,
    );
  // One station out of line by a factor is a slip of unit in that column.
  const maxima = stations.map(({ points }) => Math.max(...points.map(([y]) => y)));
  maxima.forEach((value, i) => {
    const neighbours = [maxima[i - 1], maxima[i + 1]].filter((other) => other !== undefined);
    if (neighbours.every((other) => value > 4 * other!) && value > 0.2)
      throw invalid(
        'file',
        `The station at ${stations[i]!.x.toFixed(3)} m is ${(value / Math.max(...neighbours.map((other) => other!))).toFixed(0)} times as wide as its neighbours: a mixed unit?`,
      );
  });
  return stations;
}
