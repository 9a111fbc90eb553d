'use client';
import type { ReactNode } from 'react';
import type { PlannedPart } from '@/core/build';

const WIDE = 760;
const HIGH = 360;
type Skin = PlannedPart['skins'][number];

/** A skin laid flat, as points within the picture. */
function laidOut({ zones }: Skin) {
  const points = zones.flatMap(({ outline }) => outline);
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = Math.min(WIDE / Math.max(1e-6, x1 - x0), HIGH / Math.max(1e-6, y1 - y0));
  const at = ([x, y]: readonly [number, number]): [number, number] => [(x - x0) * scale, (y1 - y) * scale];
  return {
    size: [(x1 - x0) * scale, (y1 - y0) * scale] as const,
    zones: zones.map(({ id, name, outline }) => ({ id, name, points: outline.map((point) => at(point)) })),
  };
}

/** Whether a point lies within an outline: how often a ray to the right crosses it. */
function within([x, y]: readonly [number, number], outline: readonly (readonly [number, number])[]): boolean {
  let inside = false;
  outline.forEach(([ax, ay], i) => {
    const [bx, by] = outline[(i + 1) % outline.length]!;
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
  });
  return inside;
}

/** A part's skin to point at: where, as a share of the picture, and in which zone. */
export function SkinMap({
  skin,
  label,
  onPoint,
  children,
}: {
  skin: Skin;
  label: string;
  onPoint?: (at: [number, number], zone: { id: string; name: string } | null) => void;
  /** Marks, given the size of the picture. */
  children?: (size: readonly [number, number]) => ReactNode;
}) {
  const { size, zones } = laidOut(skin);
  const [w, h] = size;
  return (
    <svg
      viewBox={`-4 -4 ${w + 8} ${h + 8}`}
      className={`skin-map ${onPoint ? 'pointable' : ''}`}
      role="img"
      aria-label={label}
      onClick={(event) => {
        if (!onPoint) return;
        const box = event.currentTarget.getBoundingClientRect();
        const [px, py] = [
          ((event.clientX - box.left) / box.width) * (w + 8) - 4,
          ((event.clientY - box.top) / box.height) * (h + 8) - 4,
        ];
        const share = (value: number, whole: number) => Math.min(1, Math.max(0, value / Math.max(1e-6, whole)));
        const zone = zones.find(({ points }) => within([px, py], points)) ?? null;
        onPoint([share(px, w), share(py, h)], zone && { id: zone.id, name: zone.name });
      }}
    >
      {zones.map(({ id, name, points }) => (
        <path
          key={id}
          d={`M${points.map((point) => point.map((value) => value.toFixed(1)).join(' ')).join('L')}Z`}
          className="place-zone"
          fill="var(--card)"
        >
          <title>{name}</title>
        </path>
      ))}
      {children?.(size)}
    </svg>
  );
}
