'use client';
import { useMemo } from 'react';
import { shapeOf, type Boat, type Zone } from '@/core/document';
import { KeramosError } from '@/core/error';
import { develop, regionPatch } from '@/core/geometry';
import type { Reading } from '@/core/option';

const WIDTH = 640;
const HEIGHT = 320;

/** The zone developed flat, as points within the picture; a plain panel where it lies on no surface. */
function outlineOf(boat: Boat, zone: Zone): [number, number][] {
  try {
    const shape = shapeOf(boat);
    if (shape && zone.region) {
      const patch = regionPatch(shape, zone.region);
      if (patch) return fitted(develop(patch).outline);
    }
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
  }
  const { panelLength, panelBreadth } = zone.geometry;
  return fitted([
    [0, 0],
    [panelLength, 0],
    [panelLength, panelBreadth],
    [0, panelBreadth],
  ]);
}

function fitted(points: readonly (readonly [number, number])[]): [number, number][] {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = Math.min((WIDTH - 24) / Math.max(1e-6, x1 - x0), (HEIGHT - 24) / Math.max(1e-6, y1 - y0));
  const [left, top] = [(WIDTH - (x1 - x0) * scale) / 2, (HEIGHT - (y1 - y0) * scale) / 2];
  return points.map(([x, y]) => [left + (x - x0) * scale, top + (y1 - y) * scale]);
}

/** The part with its readings on it: a photograph that was loaded, or the zone's own drawing. A click adds one. */
export function PartPicture({
  boat,
  zone,
  picture,
  readings,
  thickest,
  onAdd,
}: {
  boat: Boat;
  zone: Zone;
  picture: string | null;
  readings: readonly Reading[];
  thickest: number | null;
  onAdd: (at: [number, number]) => void;
}) {
  const outline = useMemo(() => outlineOf(boat, zone), [boat, zone]);
  return (
    <div className="part-picture">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        width="100%"
        role="img"
        aria-label={`${zone.name} with ${readings.length} readings; click to add one where you read`}
        onClick={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          const share = (value: number, size: number) => Math.min(1, Math.max(0, value / size));
          onAdd([share(event.clientX - box.left, box.width), share(event.clientY - box.top, box.height)]);
        }}
      >
        {picture ? (
          <image href={picture} width={WIDTH} height={HEIGHT} preserveAspectRatio="xMidYMid meet" />
        ) : (
          <path
            d={`M${outline.map((point) => point.map((value) => value.toFixed(1)).join(' ')).join('L')}Z`}
            fill="var(--card)"
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
        )}
        {readings.map(({ at: [x, y] }, i) => (
          <g key={i} transform={`translate(${x * WIDTH} ${y * HEIGHT})`}>
            <circle r="11" fill={i === thickest ? 'var(--clay)' : 'var(--card)'} stroke="var(--clay)" strokeWidth="2" />
            <text
              textAnchor="middle"
              dy="4"
              fontSize="12"
              fontWeight="600"
              fill={i === thickest ? 'var(--card)' : 'var(--clay)'}
            >
              {i + 1}
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
}
