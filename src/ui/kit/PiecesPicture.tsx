'use client';
import { boxOf, HANDS, saidPiece, type Piece } from '@/core/kit';
import { useUnits } from '../shared/units';
import { saidPoints, WarpArrow } from './OutlineSvg';

const WIDE = 1060;

const HIGH = 420;

/** Boxes in lines, all to one scale that lets them stand in a picture of a height. */
function arranged(boxes: readonly { maxX: number; maxY: number }[]) {
  const longest = Math.max(0.1, ...boxes.map(({ maxY }) => maxY));
  for (let scale = Math.min(WIDE / longest, 320); ; scale *= 0.85) {
    const places: { x: number; y: number; w: number; h: number }[] = [];
    let line = { x: 0, y: 0, deep: 0 };
    for (const { maxX, maxY } of boxes) {
      const [w, h] = [maxY * scale, maxX * scale];
      if (line.x > 0 && line.x + w > WIDE) line = { x: 0, y: line.y + line.deep + 26, deep: 0 };
      places.push({ x: line.x, y: line.y, w, h });
      line = { x: line.x + Math.max(w, w > 120 ? 190 : 96) + 18, y: line.y, deep: Math.max(line.deep, h) };
    }
    const high = line.y + line.deep + 22;
    if (high <= HIGH || scale < 20) return { places, scale, high };
  }
}

/** The pieces of a layer flat, one beside the other, all to the same scale, the warp from left to right. */
export function PiecesPicture({
  pieces,
  chosen,
  onChoose,
}: {
  pieces: readonly Piece[];
  chosen: string | null;
  onChoose: (pieceId: string) => void;
}) {
  const { full } = useUnits();
  const boxes = pieces.map((piece) => boxOf(piece.outline));
  const { places, scale, high } = arranged(boxes);
  return (
    <svg
      viewBox={`-2 -2 ${WIDE + 20} ${high + 4}`}
      className="kit-picture"
      role="group"
      aria-label={`${pieces.length} outlines, warp from left to right`}
    >
      {pieces.map((piece, i) => {
        const at = places[i]!;
        return (
          <g
            key={piece.id}
            transform={`translate(${at.x} ${at.y})`}
            role="button"
            tabIndex={0}
            aria-label={`Open ${saidPiece(piece)}`}
            aria-pressed={piece.id === chosen}
            className="kit-choice"
            onClick={() => onChoose(piece.id)}
            onKeyDown={({ key }) => (key === 'Enter' || key === ' ') && onChoose(piece.id)}
          >
            <polygon
              points={saidPoints(piece.outline, scale)}
              className={`kit-piece ${piece.id === chosen ? 'chosen' : ''}`}
            />
            <WarpArrow x={at.w / 2 - 14} y={at.h / 2} length={28} />
            <text x={at.w / 2} y={at.h + 14} textAnchor="middle" className="kit-text">
              {piece.n}/{piece.m}
              {HANDS[piece.hand] && ` ${HANDS[piece.hand]}`}
              {piece.count > 1 && ` × ${piece.count}`}
              {piece.drawn && piece.kind !== 'own' && (piece.drawn.stale ? ' △ drawn' : ' drawn')}
              {at.w > 120 && `, ${full(boxes[i]!.maxY, 'length')} × ${full(boxes[i]!.maxX, 'length')}`}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
