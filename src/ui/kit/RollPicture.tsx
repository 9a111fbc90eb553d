import { boxOf, saidPiece, type CutWay, type Piece } from '@/core/kit';
import { saidPoints, WarpArrow } from './OutlineSvg';

const WIDE = 1060;
/** What is written on a piece of so much room: its layer and which of how many, or whose it is. */
function shortName({ partId, of, layerNumber, n, m, hand }: Piece, room: number): string {
  if (partId !== null) return `${layerNumber}: ${n}/${m} ${SIDE[hand]}`;
  const letters = Math.max(3, Math.floor(room / 7) - 3);
  return `${of.length > letters ? `${of.slice(0, letters - 1)}…` : of} ${layerNumber}`;
}
const SIDE = { port: 'P', starboard: 'S', across: '', none: '' } as const;
/** m of roll in one line of the picture, at least. */
const LEAST = 6;

/** A roll from its start on, in as many lines as it takes; warp from left to right. */
export function RollPicture({
  way,
  cloth,
  width,
  byId,
}: {
  way: CutWay;
  cloth: CutWay['cloth'][number];
  width: number;
  byId: ReadonlyMap<string, Piece>;
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
      viewBox={`0 0 ${WIDE} ${lines * (deep + 10)}`}
      className="kit-picture"
      role="img"
      aria-label={`${places.length} pieces on ${cloth.name}`}
    >
      {Array.from({ length: lines }, (_, line) => (
        <svg
          key={line}
          x={0}
          y={line * (deep + 10)}
          width={WIDE}
          height={deep}
          viewBox={`${line * perLine * scale} 0 ${WIDE} ${deep}`}
        >
          {cloth.outline ? (
            <polygon points={saidPoints(cloth.outline, scale)} className="kit-cloth" />
          ) : (
            <rect x={0} y={0} width={taken * scale} height={deep} className="kit-cloth" />
          )}
          {places.map(({ pieceId, copy, outline }) => {
            const piece = byId.get(pieceId);
            const ys = outline.map(([, y]) => y * scale);
            const xs = outline.map(([x]) => x * scale);
            const [x0, x1, y0, y1] = [Math.min(...ys), Math.max(...ys), Math.min(...xs), Math.max(...xs)];
            return (
              <g key={`${pieceId} ${copy}`}>
                <title>{piece ? saidPiece(piece) : pieceId}</title>
                <polygon
                  points={saidPoints(outline, scale)}
                  className={`kit-piece ${piece?.hand === 'port' ? 'port' : ''}`}
                />
                {x1 - x0 > 60 && y1 - y0 > 14 && piece && (
                  <>
                    <text x={(x0 + x1) / 2} y={(y0 + y1) / 2 + 4} textAnchor="middle" className="kit-text">
                      {shortName(piece, x1 - x0)}
                    </text>
                    {y1 - y0 > 40 && <WarpArrow x={(x0 + x1) / 2 - 12} y={(y0 + y1) / 2 + 14} length={24} />}
                  </>
                )}
              </g>
            );
          })}
        </svg>
      ))}
    </svg>
  );
}
