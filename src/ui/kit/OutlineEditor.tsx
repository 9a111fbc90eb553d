'use client';
import { useState } from 'react';
import { boxOf, type At } from '@/core/kit';
import { useDrag } from '../shared/drawing/useDrag';
import { useUnits } from '../shared/units';
import { saidPoints, WarpArrow } from './OutlineSvg';

const WIDE = 1000;
const HIGH = 420;
const MARGIN = 14;
/** By how much an arrow key moves a point (m); with Shift. */
const STEP = 0.005;
const LEAP = 0.05;
const ARROWS: Readonly<Record<string, At>> = {
  ArrowRight: [0, 1],
  ArrowLeft: [0, -1],
  ArrowDown: [1, 0],
  ArrowUp: [-1, 0],
};
/** To the millimetre. */
const rounded = ([x, y]: At): At => [Number(x.toFixed(3)), Number(y.toFixed(3))];

interface EditorProps {
  outline: readonly At[];
  notches: readonly At[];
  /** What the schedule gives, drawn dashed. */
  schedule: readonly At[];
  onOutline: (outline: At[]) => void;
  onNotches: (notches: At[]) => void;
}

/**
 * An outline with its points to drag, by finger, mouse or keys: arrows move one, Delete takes it out, Enter puts one
 * halfway to the next. Warp from left to right.
 */
export function OutlineEditor({ outline, notches, schedule, onOutline, onNotches }: EditorProps) {
  const { full } = useUnits();
  const [moving, setMoving] = useState<{ of: 'outline' | 'notches'; at: number; to: At } | null>(null);
  const box = boxOf([...outline, ...schedule]);
  const scale = Math.min((WIDE - 2 * MARGIN) / (box.maxY - box.minY), (HIGH - 2 * MARGIN) / (box.maxX - box.minX));
  const zero = ([x, y]: At): At => [x - box.minX, y - box.minY];
  const shown = (points: readonly At[], of: 'outline' | 'notches') =>
    points.map((point, i): At => zero(moving?.of === of && moving.at === i ? moving.to : point));
  const own = shown(outline, 'outline');
  const back = (px: number, py: number): At =>
    rounded([(py - MARGIN) / scale + box.minX, (px - MARGIN) / scale + box.minY]);
  const placed = (points: readonly At[], at: number, to: At) => points.map((point, i) => (i === at ? to : point));
  const high = (box.maxX - box.minX) * scale + 2 * MARGIN;
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${Math.max(high, 60)}`}
      className="kit-picture"
      role="group"
      aria-label={`Outline of ${outline.length} points, warp from left to right`}
    >
      <g transform={`translate(${MARGIN} ${MARGIN})`}>
        <polygon points={saidPoints(own, scale)} className="kit-piece chosen" />
        <polygon points={saidPoints(schedule.map(zero), scale)} className="kit-schedule" />
        <WarpArrow x={WIDE / 2 - 40} y={(high - 2 * MARGIN) / 2} length={40} />
        {own.map(([x, y], i) => {
          const [u, v] = own[(i + 1) % own.length]!;
          const far = Math.hypot(u - x, v - y) * scale > 60;
          return far ? (
            <AddHandle
              key={`add ${i}`}
              at={[((x + u) / 2) * scale, ((y + v) / 2) * scale]}
              name={`Add a point after ${i + 1}`}
              onAdd={() => onOutline(withBetween(outline, i))}
            />
          ) : null;
        })}
        {own.map(([x, y], i) => (
          <Handle
            key={i}
            at={[x * scale, y * scale]}
            name={`Point ${i + 1}, ${full(y, 'length')} along, ${full(x, 'length')} across`}
            onMove={(px, py) => setMoving({ of: 'outline', at: i, to: back(px + MARGIN, py + MARGIN) })}
            onEnd={() => {
              if (moving) onOutline(placed(outline, i, moving.to));
              setMoving(null);
            }}
            onNudge={([dx, dy]) => onOutline(placed(outline, i, rounded([outline[i]![0] + dx, outline[i]![1] + dy])))}
            onRemove={() => outline.length > 3 && onOutline(outline.filter((_, k) => k !== i))}
            onAdd={() => onOutline(withBetween(outline, i))}
          />
        ))}
        {shown(notches, 'notches').map(([x, y], i) => (
          <Handle
            key={`notch ${i}`}
            notch
            at={[x * scale, y * scale]}
            name={`Notch ${i + 1}`}
            onMove={(px, py) => setMoving({ of: 'notches', at: i, to: back(px + MARGIN, py + MARGIN) })}
            onEnd={() => {
              if (moving) onNotches(placed(notches, i, moving.to));
              setMoving(null);
            }}
            onNudge={([dx, dy]) => onNotches(placed(notches, i, rounded([notches[i]![0] + dx, notches[i]![1] + dy])))}
            onRemove={() => onNotches(notches.filter((_, k) => k !== i))}
            onAdd={() => {}}
          />
        ))}
      </g>
    </svg>
  );
}

/** An outline with a point halfway between one and the next. */
const withBetween = (outline: readonly At[], i: number): At[] => {
  const [[x, y], [u, v]] = [outline[i]!, outline[(i + 1) % outline.length]!];
  return [...outline.slice(0, i + 1), rounded([(x + u) / 2, (y + v) / 2]), ...outline.slice(i + 1)];
};

function AddHandle({ at: [x, y], name, onAdd }: { at: At; name: string; onAdd: () => void }) {
  return (
    <g
      role="button"
      aria-label={name}
      className="kit-add"
      transform={`translate(${y} ${x})`}
      onClick={onAdd}
      pointerEvents="all"
    >
      <circle r={9} className="kit-add-ground" />
      <path d="M-4 0H4M0-4V4" stroke="currentColor" />
    </g>
  );
}

function Handle({
  at: [x, y],
  name,
  notch = false,
  onMove,
  onEnd,
  onNudge,
  onRemove,
  onAdd,
}: {
  at: At;
  name: string;
  notch?: boolean;
  onMove: (px: number, py: number) => void;
  onEnd: () => void;
  onNudge: (by: At) => void;
  onRemove: () => void;
  onAdd: () => void;
}) {
  const drag = useDrag<SVGGElement>({ onStart: () => {}, onMove, onEnd });
  return (
    <g
      ref={drag}
      role="button"
      tabIndex={0}
      aria-label={name}
      className="kit-handle"
      transform={`translate(${y} ${x})`}
      onKeyDown={(event) => {
        const arrow = ARROWS[event.key];
        const step = event.shiftKey ? LEAP : STEP;
        if (arrow) onNudge([arrow[0] * step, arrow[1] * step]);
        else if (event.key === 'Delete' || event.key === 'Backspace') onRemove();
        else if (event.key === 'Enter') onAdd();
        else return;
        event.preventDefault();
      }}
    >
      <circle r={14} fill="transparent" stroke="none" />
      {notch ? <path d="M0-7L7 0 0 7-7 0Z" /> : <circle r={5} />}
    </g>
  );
}
