import DxfParser, { type IDxf, type IEntity } from 'dxf-parser';
import { KeramosError, invalid } from '../../error';
import { faultOf } from '../../geometry';
import { signedArea, type At } from '../nest/convexParts';
import { simpler } from '../pieces/outline';
import { DRAWING_UNITS, type DrawingRead, type DrawingUnit } from './units';

/** Metres of a unit of a drawing, by its own code; and by name where it does not say. */
const UNIT_CODES: Readonly<Record<number, keyof typeof DRAWING_UNITS>> = { 1: 'in', 2: 'ft', 4: 'mm', 5: 'cm', 6: 'm' };
/** Larger than any file of outlines; shorter chords on arcs than a knife shows (m). */
const MOST_TEXT = 10_000_000;
const CHORD = 0.0005;
/** Ends of lines that lie so near are one (m); an outline of more points is thinned. */
const SAME = 0.0005;
const MOST_POINTS = 2000;

interface Vertex {
  x: number;
  y: number;
  bulge?: number;
}
interface Drawn extends IEntity {
  vertices?: Vertex[];
  shape?: boolean;
  center?: Vertex;
  radius?: number;
  text?: string;
  startPoint?: Vertex;
  position?: Vertex;
  name?: string;
  startAngle?: number;
  endAngle?: number;
  is3dMesh?: boolean;
}

/** What a kind of entity is left out for, and the way out. */
const LEFT: Readonly<Record<string, string>> = {
  SPLINE: 'splines: save them as polylines',
  ELLIPSE: 'ellipses: save them as polylines',
  INSERT: 'blocks: explode them before saving',
  HATCH: 'hatches',
  '3DFACE': 'faces in space',
};
/** Writing and measures of a drawing: nothing to cut. */
const WRITTEN = new Set(['TEXT', 'MTEXT', 'DIMENSION', 'POINT', 'ATTDEF', 'VIEWPORT']);

/** What is drawn on a layer for cuts is read alone: marks beside it are none. */
const isCut = ({ layer }: IEntity) => layer?.toUpperCase() === 'CUT';

/**
 * Closed outlines of a DXF: polylines with their arcs, circles, and lines and arcs that meet end to end. What is open,
 * crosses itself, is a spline or lies in a block is left out and said.
 *
 * @param unit of the drawing where it does not say its own. @returns the largest first; empty where nothing is closed.
 * @throws KeramosError `malformed` for what is no DXF, `tooLarge`, `invalid` where the unit is needed.
 */
export function outlinesFromDxf(text: string, unit?: DrawingUnit): DrawingRead {
  if (text.length > MOST_TEXT) throw new KeramosError('tooLarge', 'The drawing is larger than 10 MB', 'file');
  const dxf = parsed(text);
  const own = UNIT_CODES[Number(dxf.header?.$INSUNITS ?? 0)] ?? null;
  const used = own ?? unit;
  if (!used) throw invalid('unit', 'The drawing does not say its unit: choose it');
  const scale = DRAWING_UNITS[used];
  const at = ({ x, y }: Vertex): At => [y * scale, x * scale];
  const left = new Map<string, number>();
  const leave = (why: string) => left.set(why, (left.get(why) ?? 0) + 1);
  const rings: At[][] = [];
  const ends: At[][] = [];
  const texts: { at: At; text: string }[] = [];
  const all = dxf.entities as Drawn[];
  const onlyCut = all.some(isCut);
  for (const entity of all) {
    const { type, vertices = [] } = entity;
    if (onlyCut && !WRITTEN.has(type) && !isCut(entity)) continue;
    if (type === 'LWPOLYLINE' || type === 'POLYLINE') {
      const points = bulged(vertices, at);
      const [first, last] = [points[0], points.at(-1)];
      const meets = first && last && Math.hypot(first[0] - last[0], first[1] - last[1]) < SAME;
      if (entity.shape || meets) rings.push(meets ? points.slice(0, -1) : closedArc(points, vertices, at));
      else ends.push(points);
    } else if (type === 'CIRCLE' && entity.center && entity.radius)
      rings.push(arcPoints(at(entity.center), entity.radius * scale, [0, 2 * Math.PI]).slice(0, -1));
    else if (type === 'LINE' && vertices.length === 2) ends.push(vertices.map(at));
    else if (type === 'ARC' && entity.center && entity.radius) ends.push(arcOf(entity, at, scale));
    else if (type === 'TEXT' && entity.text && entity.startPoint)
      texts.push({ at: at(entity.startPoint), text: entity.text });
    else if (type === 'MTEXT' && entity.text && entity.position)
      texts.push({ at: at(entity.position), text: entity.text });
    else if (!WRITTEN.has(type)) leave(LEFT[type] ?? `entities of the kind ${type}`);
  }
  const joined = chained(ends);
  joined.open.forEach(() => leave('lines that close no outline'));
  const sound = [...rings, ...joined.rings].flatMap((ring) => {
    const outline = thinned(signedArea(ring) < 0 ? [...ring].reverse() : ring);
    const fault = faultOf(outline);
    if (fault) leave(fault === 'no area' ? 'outlines of no area' : 'outlines that cross themselves: draw them anew');
    return fault ? [] : [outline];
  });
  const sorted = sound.sort((a, b) => signedArea(b) - signedArea(a));
  const outer = sorted.filter((ring, i) => !sorted.slice(0, i).some((other) => holds(other, ring[0]!)));
  return {
    outlines: outer.map((outline, i) => ({
      name:
        texts
          .find((one) => holds(outline, one.at))
          ?.text.slice(0, 80)
          .trim() || `Outline ${i + 1}`,
      outline,
      inside: sorted.filter((ring) => ring !== outline && holds(outline, ring[0]!)).length,
    })),
    left: [...left].map(([why, count]) => `${count} × ${why}`),
    unit: own,
  };
}

function parsed(text: string): IDxf {
  let dxf: IDxf | null = null;
  try {
    dxf = new DxfParser().parseSync(text);
  } catch {
    dxf = null;
  }
  if (!dxf || !Array.isArray(dxf.entities))
    throw new KeramosError(
      'malformed',
      'This is no DXF that can be read: save it as DXF of lines and polylines',
      'file',
    );
  return dxf;
}

/** Points of an arc about a centre between two angles, as the drawing counts them; ends included. */
function arcPoints([y, x]: At, radius: number, [from, to]: readonly [number, number]): At[] {
  const step = 2 * Math.acos(Math.max(0, 1 - CHORD / Math.max(radius, CHORD)));
  const count = Math.max(2, Math.min(360, Math.ceil(Math.abs(to - from) / Math.max(step, 0.02))));
  return Array.from({ length: count + 1 }, (_, i): At => {
    const angle = from + ((to - from) * i) / count;
    return [y + radius * Math.sin(angle), x + radius * Math.cos(angle)];
  });
}

function arcOf({ center, radius, startAngle = 0, endAngle = 0 }: Drawn, at: (v: Vertex) => At, scale: number): At[] {
  const end = endAngle <= startAngle ? endAngle + 2 * Math.PI : endAngle;
  return arcPoints(at(center!), radius! * scale, [startAngle, end]);
}

/** The arc between two points with a bulge, the tangent of a quarter of its angle; the first point left off. */
function bulge(a: At, b: At, amount: number): At[] {
  if (Math.abs(amount) < 1e-9) return [b];
  const [[ay, ax], [by, bx]] = [a, b];
  const chord = Math.hypot(bx - ax, by - ay);
  if (chord < 1e-9) return [b];
  const angle = 4 * Math.atan(amount);
  const radius = chord / (2 * Math.sin(angle / 2));
  const off = radius * Math.cos(angle / 2);
  const [cx, cy] = [(ax + bx) / 2 - (off * (by - ay)) / chord, (ay + by) / 2 + (off * (bx - ax)) / chord];
  const from = Math.atan2(ay - cy, ax - cx);
  return arcPoints([cy, cx], Math.abs(radius), [from, from + angle]).slice(1);
}

/** A polyline as points, its arcs in chords; open. */
const bulged = (vertices: readonly Vertex[], at: (v: Vertex) => At): At[] =>
  vertices.flatMap((vertex, i) => {
    const before = vertices[i - 1];
    return before ? bulge(at(before), at(vertex), before.bulge ?? 0) : [at(vertex)];
  });

/** A polyline that is closed, with the arc of its last vertex back to the first. */
function closedArc(points: At[], vertices: readonly Vertex[], at: (v: Vertex) => At): At[] {
  const last = vertices.at(-1);
  return last?.bulge ? [...points, ...bulge(at(last), at(vertices[0]!), last.bulge).slice(0, -1)] : points;
}

/** Lines joined where their ends meet: rings, and what stays open. */
function chained(ends: readonly At[][]): { rings: At[][]; open: At[][] } {
  const left = ends.filter((line) => line.length > 1).map((line) => [...line]);
  const near = (a: At, b: At) => Math.hypot(a[0] - b[0], a[1] - b[1]) < SAME;
  const rings: At[][] = [];
  const open: At[][] = [];
  while (left.length > 0) {
    const chain = left.pop()!;
    for (let found = true; found && !near(chain[0]!, chain.at(-1)!);) {
      const end = chain.at(-1)!;
      const i = left.findIndex((line) => near(line[0]!, end) || near(line.at(-1)!, end));
      found = i >= 0;
      if (!found) break;
      const [next] = left.splice(i, 1);
      chain.push(...(near(next![0]!, end) ? next! : [...next!].reverse()).slice(1));
    }
    if (chain.length > 3 && near(chain[0]!, chain.at(-1)!)) rings.push(chain.slice(0, -1));
    else open.push(chain);
  }
  return { rings, open };
}

/** No more points than an outline may have. */
const thinned = (outline: At[]): At[] => (outline.length <= MOST_POINTS ? outline : simpler(outline, 2 * CHORD));

/** Whether a point lies in an outline. */
const holds = (outline: readonly At[], [x, y]: At): boolean =>
  outline.reduce((odd, [ax, ay], i) => {
    const [bx, by] = outline[(i + 1) % outline.length]!;
    return ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax ? !odd : odd;
  }, false);
