'use client';
import { useState } from 'react';
import { boxOf, type At } from '@/core/kit';
import { PointHandle } from '../shared/drawing/PointHandle';
import { useUnits } from '../shared/units';
import { saidPoints, WarpArrow } from './OutlineSvg';

const WIDE = 1000;
const HIGH = 420;
const MARGIN = 14;
const x0 = ([x]: At, down: number) => x + down;
const y0 = ([, y]: At, along: number) => y + along;
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
          <PointHandle
            key={i}
            at={[y * scale, x * scale]}
            name={`Point ${i + 1}, ${full(y, 'length')} along, ${full(x, 'length')} across`}
            onMove={(px, py) => setMoving({ of: 'outline', at: i, to: back(px + MARGIN, py + MARGIN) })}
            onEnd={() => {
              if (moving) onOutline(placed(outline, i, moving.to));
              setMoving(null);
            }}
            onNudge={([along, down]) =>
              onOutline(placed(outline, i, rounded([x0(outline[i]!, down), y0(outline[i]!, along)])))
            }
            onRemove={() => outline.length > 3 && onOutline(outline.filter((_, k) => k !== i))}
            onAdd={() => onOutline(withBetween(outline, i))}
          />
        ))}
        {shown(notches, 'notches').map(([x, y], i) => (
          <PointHandle
            key={`notch ${i}`}
            notch
            at={[y * scale, x * scale]}
            name={`Notch ${i + 1}`}
            onMove={(px, py) => setMoving({ of: 'notches', at: i, to: back(px + MARGIN, py + MARGIN) })}
            onEnd={() => {
              if (moving) onNotches(placed(notches, i, moving.to));
              setMoving(null);
            }}
            onNudge={([along, down]) =>
              onNotches(placed(notches, i, rounded([x0(notches[i]!, down), y0(notches[i]!, along)])))
            }
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
