'use client';
import { useId } from 'react';
import type { LaidPiece, PlannedPart } from '@/core/build';
import { useUnits } from '../shared/units';

const WIDE = 760;
const HIGH = 330;
type Points = readonly (readonly [number, number])[];

interface Box {
  x0: number;
  x1: number;
  y0: number;
  y1: number;
}
const boxOf = (all: readonly Points[]): Box => {
  const points = all.flat();
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return { x0: Math.min(...xs), x1: Math.max(...xs), y0: Math.min(...ys), y1: Math.max(...ys) };
};
const path = (points: Points, at: (point: readonly [number, number]) => string) => `M${points.map(at).join('L')}Z`;

/** The skin of a part laid flat, its zones with the ones that a piece covers, and the direction of its fibre. */
export function PartPlace({ part, piece }: { part: PlannedPart; piece: LaidPiece }) {
  const hatch = useId();
  const skin = part.skins.find(({ zones }) => zones.some(({ id }) => piece.zones.includes(id)));
  if (!skin || skin.zones.every(({ outline }) => outline.length < 3)) return null;
  const { x0, x1, y0, y1 } = boxOf(skin.zones.map(({ outline }) => outline));
  const scale = Math.min((WIDE - 40) / Math.max(1e-6, x1 - x0), (HIGH - 60) / Math.max(1e-6, y1 - y0));
  // Drawn is starboard; port is its mirror image, as it lies before whoever stands in the mould.
  const turned = skin.half && piece.hand === 'port';
  const [w, h] = [(x1 - x0) * scale, (y1 - y0) * scale];
  const place = ([x, y]: readonly [number, number]): [number, number] => {
    const along = (x - x0) * scale;
    return [20 + (turned ? w - along : along), 20 + (y1 - y) * scale];
  };
  const at = (point: readonly [number, number]) =>
    place(point)
      .map((value) => value.toFixed(1))
      .join(' ');
  const covered = skin.zones.filter(({ id }) => piece.zones.includes(id));
  const own = boxOf(covered.map(({ outline }) => outline));
  const [cx, cy] = place([(own.x0 + own.x1) / 2, (own.y0 + own.y1) / 2]);
  const angle = turned ? 180 + piece.angleDeg : -piece.angleDeg;
  const hand = piece.hand === 'port' || piece.hand === 'starboard' ? piece.hand : '';
  const where = `${skin.name}${hand && `, ${hand}`}`;
  return (
    <svg
      viewBox={`0 0 ${w + 40} ${h + 52}`}
      className="piece-place"
      role="img"
      aria-label={`${where}: the piece lies over ${piece.place}, warp at ${piece.angleDeg} degrees`}
    >
      <defs>
        <pattern id={hatch} width="9" height="9" patternUnits="userSpaceOnUse" patternTransform={`rotate(${angle})`}>
          <rect width="9" height="9" className="place-fill" />
          <line x1="0" y1="4.5" x2="9" y2="4.5" className="place-fibre" />
        </pattern>
      </defs>
      {skin.zones.map(({ id, name, outline }) => (
        <path
          key={id}
          d={path(outline, at)}
          className="place-zone"
          fill={piece.zones.includes(id) ? `url(#${hatch})` : 'none'}
        >
          <title>{name}</title>
        </path>
      ))}
      <g transform={`translate(${cx} ${cy}) rotate(${angle})`} className="place-arrow">
        <path d="M-46 0H40M26 -12L44 0L26 12" />
      </g>
      <text x={turned ? 20 : w + 20} y={h + 42} textAnchor={turned ? 'start' : 'end'} className="place-text">
        {turned ? '← forward' : 'forward →'}
      </text>
      <text x={turned ? w + 20 : 20} y={h + 42} textAnchor={turned ? 'end' : 'start'} className="place-text">
        {where}
      </text>
    </svg>
  );
}

/** An arrow to the right about a place. */
const arrow = (x: number, y: number) =>
  `M${x - 46} ${y}H${x + 46}M${x + 32} ${y - 10}L${x + 50} ${y}L${x + 32} ${y + 10}`;

/** The piece as it comes off the roll: warp from left to right, its two sizes. */
export function PieceOutline({ piece }: { piece: LaidPiece }) {
  const { full } = useUnits();
  // Along the roll is y of the outline; it lies from left to right here.
  const points = piece.outline.map(([x, y]) => [y, -x] as const);
  const { x0, x1, y0, y1 } = boxOf([points]);
  const scale = Math.min((WIDE - 40) / Math.max(1e-6, x1 - x0), 200 / Math.max(1e-6, y1 - y0));
  const [w, h] = [(x1 - x0) * scale, (y1 - y0) * scale];
  const at = ([x, y]: readonly [number, number]) =>
    `${(20 + (x - x0) * scale).toFixed(1)} ${(12 + (y - y0) * scale).toFixed(1)}`;
  return (
    <svg
      viewBox={`0 0 ${w + 40} ${h + 48}`}
      className="piece-outline"
      role="img"
      aria-label={`The piece, ${full(piece.size[0], 'length')} along the warp, ${full(piece.size[1], 'length')} across`}
    >
      <path d={path(points, at)} className="piece-shape" />
      <path d={arrow(w / 2 + 20, 12 + h / 2)} className="place-arrow" />
      <text x={w / 2 + 20} y={h + 40} textAnchor="middle" className="place-text">
        {full(piece.size[0], 'length')} × {full(piece.size[1], 'length')}
      </text>
    </svg>
  );
}
