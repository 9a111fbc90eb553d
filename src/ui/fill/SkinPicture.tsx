'use client';
import { scaleLinear } from 'd3-scale';
import { useEffect, useMemo, useRef, useState, type PointerEvent } from 'react';
import type { FillLine } from '@/core/document';
import { isolines, type DryPlace, type FillMesh, type FillSkin } from '@/core/fill';
import { nearestOnEdge, type FlatPoint } from '@/core/geometry';
import { PointHandle } from '../shared/drawing/PointHandle';
import { PALETTE } from '../shared/palette';
import { useUnits } from '../shared/units';

const WIDE = 1000;
const HIGH = 420;
const MARGIN = { left: 14, right: 14, top: 26, bottom: 30 };
/** So near on the picture that a point is drawn to an edge; else to this grid (m). */
const NEAR = 10;
const GRID = 0.01;

/** A front to draw: arrival at the nodes (s), or another value of them, and up to which it is shown. */
export interface Front {
  mesh: FillMesh;
  arrival: ArrayLike<number>;
  until: number;
  /** The greatest of all that is wet. */
  last: number;
  /** Lines of equal value, and what is written on each; none while it is still running. */
  levels: readonly number[];
  words: (level: number) => string;
  dry: readonly DryPlace[];
}

interface PictureProps {
  skin: FillSkin;
  lines: readonly FillLine[];
  chosen: string | null;
  /** What is being drawn; null: lines are chosen and moved. */
  drawing: 'feed' | 'vent' | null;
  drawn: readonly FlatPoint[];
  front: Front | null;
  onChoose: (id: string | null) => void;
  onDraw: (point: FlatPoint) => void;
  onMoved: (id: string, points: [number, number][]) => void;
}

/** A skin laid flat with its zones, its lines, and the front where it stands; forward to the right, up the skin up. */
export function SkinPicture(props: PictureProps) {
  const { skin, lines, chosen, drawing, drawn, front, onChoose, onDraw, onMoved } = props;
  const { full } = useUnits();
  const [moving, setMoving] = useState<{ id: string; at: number; to: FlatPoint } | null>(null);
  const [near, setNear] = useState<FlatPoint | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  // What is drawn is ended and left by keys: they must reach the picture, wherever the hand clicked before.
  useEffect(() => {
    if (drawing) svg.current?.focus({ preventScroll: true });
  }, [drawing]);
  const view = useMemo(() => viewOf(skin.outline), [skin]);
  const { px, back, wide, high } = view;
  const said = (points: readonly FlatPoint[]) =>
    points
      .map((point) =>
        px(point)
          .map((v) => v.toFixed(1))
          .join(),
      )
      .join(' ');
  const snapped = (x: number, y: number) => snap(skin, lines, back([x, y]), NEAR / view.scale);
  const placeOf = (event: PointerEvent): FlatPoint => {
    const box = svg.current!.getBoundingClientRect();
    const k = wide / box.width;
    return snapped((event.clientX - box.left) * k, (event.clientY - box.top) * k);
  };
  const contours = useMemo(
    () => (front && front.levels.length > 0 ? isolines(front.mesh, front.arrival, front.levels) : []),
    [front],
  );
  return (
    <div className="fill-frame">
      <FrontCanvas view={view} front={front} />
      <svg
        ref={svg}
        viewBox={`0 0 ${wide} ${high}`}
        className={`fill-picture ${drawing ? 'drawing' : ''}`}
        role="group"
        tabIndex={-1}
        aria-label={`${skin.name}: ${lines.length} lines on it`}
        onPointerMove={(event) => drawing && setNear(placeOf(event))}
        onPointerLeave={() => setNear(null)}
        onClick={(event) => (drawing ? onDraw(placeOf(event as unknown as PointerEvent)) : onChoose(null))}
      >
        {skin.zones.map(({ id, outline }) => (
          <polygon key={id} points={said(outline)} className="fill-zone" />
        ))}
        {contours.map(({ level, lines: own }) => {
          const longest = own.reduce<FlatPoint[]>((most, line) => (line.length > most.length ? line : most), []);
          const at = longest[Math.floor(longest.length / 3)];
          return (
            <g key={level} className="fill-iso">
              {own.map((line, i) => (
                <polyline key={i} points={said(line)} />
              ))}
              {at && (
                <text x={px(at)[0]} y={px(at)[1] - 2}>
                  {front!.words(level)}
                </text>
              )}
            </g>
          );
        })}
        {skin.zones.map(({ id, name, outline }) => {
          const [x, y] = px(middleOf(outline));
          return (
            <text key={id} x={x} y={y} className="fill-name">
              {name}
            </text>
          );
        })}
        {front?.dry.map(({ at, area }, i) => {
          const [x, y] = px(at);
          return (
            <g key={i} className="fill-dry">
              <circle cx={x} cy={y} r={5} />
              <text x={x} y={y - 9}>
                ✕ dry {full(area, 'area')}
              </text>
            </g>
          );
        })}
        {lines.map((line, i) => (
          <Line
            key={line.id}
            turn={i}
            line={line}
            points={line.points.map((p, i) => (moving?.id === line.id && moving.at === i ? moving.to : p)).map(px)}
            chosen={line.id === chosen}
            onChoose={drawing === null ? () => onChoose(line.id) : null}
          />
        ))}
        {lines
          .filter(({ id }) => id === chosen && drawing === null)
          .flatMap((line) =>
            line.points.map((p, i) => (
              <PointHandle
                key={`${line.id} ${i}`}
                at={px(moving?.id === line.id && moving.at === i ? moving.to : p)}
                name={`Point ${i + 1} of ${line.name}, ${full(p[0], 'length')} along, ${full(p[1], 'length')} up`}
                onMove={(x, y) => setMoving({ id: line.id, at: i, to: snapped(x, y) })}
                onEnd={() => {
                  if (moving) onMoved(line.id, put(line.points, i, moving.to));
                  setMoving(null);
                }}
                onNudge={([right, down]) => onMoved(line.id, put(line.points, i, [p[0] + right, p[1] - down]))}
                onRemove={() =>
                  line.points.length > 1 &&
                  onMoved(
                    line.id,
                    line.points.filter((_, k) => k !== i),
                  )
                }
                onAdd={() => onMoved(line.id, withNext(line.points, i))}
              />
            )),
          )}
        {drawing && (
          <>
            <polyline points={said(near ? [...drawn, near] : drawn)} className={`fill-line ${drawing}`} />
            {[...drawn, ...(near ? [near] : [])].map((p, i) => (
              <circle key={i} cx={px(p)[0]} cy={px(p)[1]} r={4} className="fill-drawn" />
            ))}
          </>
        )}
        <Rule view={view} full={full} axes={skin.axes} />
      </svg>
    </div>
  );
}

const round = (metres: number) => Math.round(metres * 1000) / 1000;
const put = (points: readonly FlatPoint[], at: number, to: FlatPoint): [number, number][] =>
  points.map((p, i): [number, number] => (i === at ? [round(to[0]), round(to[1])] : [p[0], p[1]]));
const withNext = (points: readonly FlatPoint[], i: number): [number, number][] => {
  const own = points.map(([x, y]): [number, number] => [x, y]);
  const [a, b] = [own[i]!, own[i + 1] ?? [own[i]![0] + 0.2, own[i]![1]]];
  own.splice(i + 1, 0, [round((a[0] + b[0]) / 2), round((a[1] + b[1]) / 2)]);
  return own;
};
const middleOf = (outline: readonly FlatPoint[]): FlatPoint => {
  const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
  return [(Math.min(...xs) + Math.max(...xs)) / 2, ys.reduce((sum, y) => sum + y, 0) / ys.length];
};

interface View {
  scale: number;
  wide: number;
  high: number;
  px: (point: FlatPoint) => [number, number];
  back: (place: readonly [number, number]) => FlatPoint;
  from: FlatPoint;
  to: FlatPoint;
}

/** The skin in the picture: as large as it goes, y up. */
function viewOf(outline: readonly FlatPoint[]): View {
  const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
  const from: FlatPoint = [Math.min(...xs), Math.min(...ys)];
  const to: FlatPoint = [Math.max(...xs), Math.max(...ys)];
  const { left, right, top, bottom } = MARGIN;
  const scale = Math.min((WIDE - left - right) / (to[0] - from[0]), (HIGH - top - bottom) / (to[1] - from[1]));
  const high = (to[1] - from[1]) * scale + top + bottom;
  const by = (WIDE - (to[0] - from[0]) * scale) / 2;
  return {
    scale,
    wide: WIDE,
    high,
    from,
    to,
    px: ([x, y]) => [by + (x - from[0]) * scale, high - bottom - (y - from[1]) * scale],
    back: ([x, y]) => [from[0] + (x - by) / scale, from[1] + (high - bottom - y) / scale],
  };
}

/** A place drawn to a point of a line, to an edge of a zone, or to the grid. */
function snap(skin: FillSkin, lines: readonly FillLine[], [x, y]: FlatPoint, reach: number): FlatPoint {
  let best: FlatPoint = [Math.round(x / GRID) * GRID, Math.round(y / GRID) * GRID];
  let away = Infinity;
  const look = (p: FlatPoint, more = 0) => {
    const own = Math.hypot(p[0] - x, p[1] - y) + more;
    if (own < reach && own < away) [best, away] = [p, own];
  };
  for (const { points } of lines) for (const p of points) look(p);
  for (const { outline } of skin.zones)
    outline.forEach((a, i) => {
      // A corner before the edges that meet in it.
      look(a);
      look(nearestOnEdge(a, outline[(i + 1) % outline.length]!, [x, y]), reach / 3);
    });
  return [round(best[0]), round(best[1])];
}

const OPENS = { start: '', clock: '◷', arrival: '⇥' } as const;

/** Names of lines stand at different shares of their length, not one over the other. */
const NAMED_AT = [0.12, 0.5, 0.3, 0.7];

function Line({
  line,
  turn,
  points,
  chosen,
  onChoose,
}: {
  line: FillLine;
  turn: number;
  points: readonly [number, number][];
  chosen: boolean;
  /** Null while another line is drawn: a click on this one is a point of that. */
  onChoose: (() => void) | null;
}) {
  const said = points.map((p) => p.map((v) => v.toFixed(1)).join()).join(' ');
  const [x, y] = atShare(points, NAMED_AT[turn % NAMED_AT.length]!);
  return (
    <g
      role="button"
      tabIndex={onChoose ? 0 : undefined}
      aria-label={line.name}
      aria-pressed={chosen}
      aria-disabled={onChoose === null}
      className={`fill-choice ${chosen ? 'chosen' : ''}`}
      onClick={(event) => {
        if (!onChoose) return;
        event.stopPropagation();
        onChoose();
      }}
      onKeyDown={(event) => {
        if (!onChoose || (event.key !== 'Enter' && event.key !== ' ')) return;
        event.preventDefault();
        onChoose();
      }}
    >
      <polyline points={said} className="fill-reach" />
      {points.length > 1 ? (
        <polyline points={said} className={`fill-line ${line.role}`} />
      ) : (
        <circle cx={x} cy={y} r={7} className={`fill-line ${line.role}`} />
      )}
      <text x={x + 8} y={y - 7} className="fill-line-name">
        {line.role === 'feed' ? '▶' : '○'} {line.name} {line.role === 'feed' ? OPENS[line.opens] : ''}
      </text>
    </g>
  );
}

/** The place at a share of a line's points. */
function atShare(points: readonly [number, number][], share: number): [number, number] {
  const at = share * (points.length - 1);
  const [a, b] = [points[Math.floor(at)]!, points[Math.ceil(at)]!];
  const t = at - Math.floor(at);
  return [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
}

/** How long a metre is, and where the picture begins. */
function Rule({ view, full, axes }: { view: View; full: ReturnType<typeof useUnits>['full']; axes: FillSkin['axes'] }) {
  const { px, high, from, to } = view;
  const long = to[0] - from[0] > 3 ? 1 : 0.2;
  const [x, y] = [px(from)[0], high - 8];
  return (
    <g className="fill-rule">
      <path d={`M${x} ${y - 4}v8m0-4h${long * view.scale}m0-4v8`} />
      <text x={x + long * view.scale + 8} y={y + 4}>
        {full(long, 'length')} · → {axes.x} · ↑ {axes.y}
      </text>
    </g>
  );
}

/** Stripes for what stays dry. */
function hatchOf(context: CanvasRenderingContext2D): CanvasPattern | null {
  const tile = document.createElement('canvas');
  [tile.width, tile.height] = [12, 12];
  const drawn = tile.getContext('2d');
  if (!drawn) return null;
  drawn.fillStyle = PALETTE.card;
  drawn.fillRect(0, 0, 12, 12);
  drawn.strokeStyle = PALETTE.fails;
  drawn.lineWidth = 4;
  for (const by of [-12, 0, 12]) {
    drawn.beginPath();
    drawn.moveTo(by, 12);
    drawn.lineTo(by + 12, 0);
    drawn.stroke();
  }
  return context.createPattern(tile, 'repeat');
}

/** What is wet, by when it came to be so: early dark, late pale. */
function FrontCanvas({ view, front }: { view: View; front: Front | null }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    context.clearRect(0, 0, 2 * view.wide, 2 * view.high);
    if (!front) return;
    const { mesh, arrival, until, last } = front;
    const colour = scaleLinear<string>()
      .domain([0, Math.max(last, 1e-9)])
      .range([PALETTE.water, PALETTE['in-hand']]);
    const { x, y, triangles } = mesh;
    // What is dry for good is hatched; what is only not wet yet is left bare.
    const hatch = front.dry.length > 0 ? hatchOf(context) : null;
    for (let t = 0; t < triangles.length; t += 3) {
      const corners = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
      const times = corners.map((i) => arrival[i]!);
      const there = times.filter((time) => time <= until);
      const wet = colour(Math.min(last, there.reduce((a, b) => a + b, 0) / Math.max(1, there.length)));
      const fill = there.length >= 2 ? wet : hatch;
      if (fill === null) continue;
      context.fillStyle = fill;
      context.strokeStyle = fill;
      context.beginPath();
      corners.forEach((i, k) => {
        const [px, py] = view.px([x[i]!, y[i]!]);
        if (k === 0) context.moveTo(2 * px, 2 * py);
        else context.lineTo(2 * px, 2 * py);
      });
      context.closePath();
      context.fill();
      context.stroke();
    }
  }, [view, front]);
  return <canvas ref={canvas} width={2 * view.wide} height={2 * view.high} className="fill-front" aria-hidden />;
}
