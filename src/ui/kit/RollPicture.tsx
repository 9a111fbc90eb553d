'use client';
import { useState } from 'react';
import { boxOf, onCloth, saidPiece, type CutPlace, type CutWay, type Piece } from '@/core/kit';
import { useDrag } from '../shared/drawing/useDrag';
import { nameOfPlace } from './cutStore';
import { saidPoints, WarpArrow } from './OutlineSvg';

const WIDE = 1060;
/** Between the lines of a roll. */
const APART = 10;
/** What is written on a piece of so much room: its layer and which of how many, or whose it is. */
function shortName({ partId, of, layerNumber, n, m, hand }: Piece, room: number): string {
  if (partId !== null) return `${layerNumber}: ${n}/${m} ${SIDE[hand]}`;
  const letters = Math.max(3, Math.floor(room / 7) - 3);
  return `${of.length > letters ? `${of.slice(0, letters - 1)}…` : of} ${layerNumber || ''}`;
}
const SIDE = { port: 'P', starboard: 'S', across: '', none: '' } as const;
/** m of roll in one line of the picture, at least; an arrow key moves a piece by so much (m). */
const LEAST = 6;
const STEP = 0.01;

export interface Moves {
  chosen: string | null;
  fast: ReadonlySet<string>;
  onChoose: (place: CutPlace) => void;
  /** Its origin is put at a place of this cloth (m). */
  onMove: (place: CutPlace, x: number, y: number) => void;
}

/** A roll, in as many lines as it takes; warp from left to right. Pieces are dragged where they can. */
export function RollPicture({
  way,
  cloth,
  width,
  byId,
  moves,
}: {
  way: CutWay;
  cloth: CutWay['cloth'][number];
  width: number;
  byId: ReadonlyMap<string, Piece>;
  moves?: Moves | undefined;
}) {
  const places = way.places.filter(({ clothId }) => clothId === cloth.id);
  const offcut = cloth.outline && boxOf(cloth.outline);
  const taken = offcut ? offcut.maxY : cloth.taken;
  const lines = Math.max(1, Math.ceil(taken / Math.max(LEAST, Math.sqrt(taken * 8))));
  const perLine = Math.max(taken / lines, 0.1);
  const scale = WIDE / Math.max(perLine, LEAST * 0.6);
  const deep = (offcut ? offcut.maxX : width) * scale;
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${lines * (deep + APART)}`}
      className="kit-picture"
      role={moves ? 'group' : 'img'}
      aria-label={`${places.length} pieces on ${cloth.name}`}
    >
      {Array.from({ length: lines }, (_, line) => (
        <svg
          key={line}
          x={0}
          y={line * (deep + APART)}
          width={WIDE}
          height={deep}
          viewBox={`${line * perLine * scale} 0 ${WIDE} ${deep}`}
        >
          {cloth.outline ? (
            <polygon points={saidPoints(cloth.outline, scale)} className="kit-cloth" />
          ) : (
            <rect x={0} y={0} width={taken * scale} height={deep} className="kit-cloth" />
          )}
          {places.map((place) => {
            const { minY, maxY } = boxOf(place.outline);
            // In the lines that it reaches into; by hand in the one in which it begins.
            if (maxY < line * perLine || minY > (line + 1) * perLine) return null;
            const first = Math.min(lines - 1, Math.floor(minY / perLine)) === line;
            return (
              <PlacedPiece
                key={nameOfPlace(place)}
                place={place}
                piece={byId.get(place.pieceId)}
                scale={scale}
                line={{ deep: deep + APART, long: perLine * scale }}
                moves={first ? moves : undefined}
              />
            );
          })}
        </svg>
      ))}
    </svg>
  );
}

interface PlacedProps {
  place: CutPlace;
  piece: Piece | undefined;
  scale: number;
}

function PlacedPiece({
  line,
  moves,
  ...own
}: PlacedProps & { line: { deep: number; long: number }; moves: Moves | undefined }) {
  return moves ? <MovablePiece {...own} line={line} moves={moves} /> : <DrawnPiece {...own} />;
}

/** A piece as it lies: outline, cut-outs, darts, and what it is called where there is room. */
function DrawnPiece({
  place,
  piece,
  scale,
  mark = '',
  chosen = false,
}: PlacedProps & { mark?: string; chosen?: boolean }) {
  const { minX, maxX, minY, maxY } = boxOf(place.outline);
  const [x0, x1, y0, y1] = [minY * scale, maxY * scale, minX * scale, maxX * scale];
  return (
    <g>
      <title>{piece ? saidPiece(piece) : place.pieceId}</title>
      <polygon
        points={saidPoints(place.outline, scale)}
        className={`kit-piece ${piece?.hand === 'port' ? 'port' : ''} ${chosen ? 'chosen' : ''}`}
      />
      {piece?.cuts.map((cut, i) => (
        <polyline
          key={i}
          points={saidPoints(onCloth(place, cut.length > 2 ? [...cut, cut[0]!] : cut), scale)}
          className={cut.length > 2 ? 'kit-cut' : 'kit-dart'}
        />
      ))}
      {x1 - x0 > 60 && y1 - y0 > 14 && piece && (
        <>
          <text x={(x0 + x1) / 2} y={(y0 + y1) / 2 + 4} textAnchor="middle" className="kit-text">
            {mark}
            {shortName(piece, x1 - x0)}
          </text>
          {y1 - y0 > 40 && <WarpArrow x={(x0 + x1) / 2 - 12} y={(y0 + y1) / 2 + 14} length={24} />}
        </>
      )}
    </g>
  );
}

/** Along and across the cloth, by an arrow key (m). */
const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowRight: [0, STEP],
  ArrowLeft: [0, -STEP],
  ArrowDown: [STEP, 0],
  ArrowUp: [-STEP, 0],
};

function MovablePiece({
  place,
  piece,
  scale,
  line,
  moves,
}: PlacedProps & { line: { deep: number; long: number }; moves: Moves }) {
  const [start, setStart] = useState<[number, number] | null>(null);
  const [by, setBy] = useState<[number, number]>([0, 0]);
  const drag = useDrag<SVGGElement>({
    onStart: () => moves.onChoose(place),
    onMove: (x, y) => {
      if (start === null) setStart([x, y]);
      else setBy([x - start[0], y - start[1]]);
    },
    onEnd: () => {
      setStart(null);
      setBy([0, 0]);
      if (Math.hypot(...by) < 2) return;
      // Let go over another line of the same roll: so many lines further on.
      const lines = Math.round(by[1] / line.deep);
      const [along, across] = [by[0] + lines * line.long, by[1] - lines * line.deep];
      moves.onMove(place, place.x + across / scale, place.y + along / scale);
    },
  });
  const name = nameOfPlace(place);
  const isFast = moves.fast.has(name);
  return (
    <g
      ref={drag}
      role="button"
      tabIndex={0}
      aria-label={`${piece ? saidPiece(piece) : place.pieceId}${isFast ? ', lies fast' : ''}`}
      aria-pressed={moves.chosen === name}
      className="kit-choice"
      transform={`translate(${by[0]} ${by[1]})`}
      onKeyDown={(event) => {
        const step = STEPS[event.key];
        if (step) moves.onMove(place, place.x + step[0], place.y + step[1]);
        else if (event.key === 'Enter' || event.key === ' ') moves.onChoose(place);
        else return;
        event.preventDefault();
      }}
    >
      <DrawnPiece
        place={place}
        piece={piece}
        scale={scale}
        mark={isFast ? 'fast · ' : ''}
        chosen={moves.chosen === name}
      />
    </g>
  );
}
