import { useState, type KeyboardEvent } from 'react';
import type { Boundary } from '@/core/edit';
import type { BoatShape } from '@/core/geometry';
import { useDrag } from '../shared/drawing/useDrag';
import { useUnits } from '../shared/units';
import type { BoatDrawingModel } from '@/core/drawing';

/** A bulkhead is drawn full; what is not named here, in long dashes. */
const DASHES: Readonly<Record<string, string>> = { zone: '2 3', bulkhead: 'none' };
/** A boundary that is let go nearer than this to where it was has not been moved, m. */
const NOT_MOVED = 0.002;
/** By which the arrow keys move it, m. */
const NUDGE = 0.01;
const LONG_NUDGE = 0.1;

export interface BoundaryLineProps {
  boundary: Boundary;
  hull: BoatShape['hull'];
  model: BoatDrawingModel;
  /** How closely the drawing is seen: grip and figure keep their size. */
  scale: number;
  /** While it is held, with where it would go; null when it was let go without moving. */
  onDrag: (move: { boundary: Boundary; to: number } | null) => void;
  onDrop: (boundary: Boundary, to: number) => void;
}

/** A line across the boat with the grip that moves it along. */
export function BoundaryLine({ boundary, hull, model, scale, onDrag, onDrop }: BoundaryLineProps) {
  const { full } = useUnits();
  const { X, Y, Z } = model;
  // As it was when it was taken: while it is held the boat shown is the one that would be.
  const [held, setHeld] = useState<{ from: Boundary; to: number } | null>(null);
  const grip = useDrag<SVGGElement>({
    onStart: () => setHeld({ from: boundary, to: boundary.x }),
    onMove: (place) => {
      const from = held?.from ?? boundary;
      const to = Math.min(from.most, Math.max(from.least, X.invert(place)));
      setHeld({ from, to });
      onDrag({ boundary: from, to });
    },
    onEnd: () => {
      setHeld(null);
      if (held && Math.abs(held.to - held.from.x) > NOT_MOVED) onDrop(held.from, held.to);
      else onDrag(null);
    },
  });
  const onKeyDown = (event: KeyboardEvent) => {
    const step = event.shiftKey ? LONG_NUDGE : NUDGE;
    if (event.key === 'ArrowLeft') onDrop(boundary, boundary.x - step);
    else if (event.key === 'ArrowRight') onDrop(boundary, boundary.x + step);
    else return;
    event.preventDefault();
  };

  const x = held?.to ?? boundary.x;
  const onHull = boundary.on === 'hull';
  const bulkhead = boundary.kind === 'bulkhead';
  const [, edge, top] = hull.at(x, boundary.toChine ? 1 : 2);
  const resting = boundary.kind === 'zone' ? 'var(--soft)' : 'var(--water)';
  const ink = held === null ? resting : 'var(--clay)';
  const [from, to] = onHull ? [Y(0), Y(-edge)] : [Y(edge), Y(0)];
  const [gripX, gripY] = [X(x), (onHull ? Z(top) : Y(edge)) - 7 / scale];
  const ownSize = `translate(${gripX} ${gripY}) scale(${1 / scale})`;
  const line = {
    x1: X(x),
    x2: X(x),
    stroke: ink,
    strokeWidth: bulkhead ? 2.4 : 1.3,
    strokeDasharray: DASHES[boundary.kind] ?? '7 3',
    pointerEvents: 'none' as const,
  };
  return (
    <g>
      {onHull && <line {...line} y1={Z(top)} y2={Z(hull.at(x, 0)[2])} />}
      <line {...line} y1={from} y2={to} />
      {bulkhead && <line {...line} y1={Y(0)} y2={Y(edge)} strokeWidth={1.2} strokeDasharray="1 4" />}
      <g
        ref={grip}
        role="slider"
        tabIndex={0}
        aria-label={`${boundary.label}, place along the boat`}
        aria-valuemin={Number(boundary.least.toFixed(2))}
        aria-valuemax={Number(boundary.most.toFixed(2))}
        aria-valuenow={Number(x.toFixed(2))}
        aria-valuetext={full(x, 'length')}
        cursor="ew-resize"
        className="grip"
        onKeyDown={onKeyDown}
      >
        <g transform={ownSize}>
          <rect x="-9" y="-9" width="18" height="18" fill="transparent" />
          <GripMark kind={boundary.kind} ink={ink} />
        </g>
        <title>{`${boundary.label}: ${full(x, 'length')}. Drag, or use the arrow keys.`}</title>
      </g>
      {held !== null && (
        <text transform={ownSize} y="-12" fontSize="12" fontWeight="600" textAnchor="middle" fill="var(--clay)">
          {full(x, 'length')}
        </text>
      )}
    </g>
  );
}

/** Each kind of boundary has a grip of its own shape. */
function GripMark({ kind, ink }: { kind: Boundary['kind']; ink: string }) {
  if (kind === 'zone') return <path d="M0 6l-5-6h10z" fill="var(--card)" stroke={ink} strokeWidth="1.4" />;
  if (kind === 'bulkhead') return <rect x="-4.5" y="-4.5" width="9" height="9" fill={ink} />;
  return <circle r="4.5" fill="var(--card)" stroke={ink} strokeWidth="1.6" />;
}
