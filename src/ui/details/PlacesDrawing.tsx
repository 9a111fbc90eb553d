'use client';
import { useMemo } from 'react';
import { shapeOf, type Boat } from '@/core/document';
import { targetOf, verdictOf } from '@/core/evaluate';
import type { DetailEvaluation } from '@/core/detail/kinds';

const WIDTH = 420;
const MARKS = { fails: '✕', thin: '△', meets: '✓', ample: '○' } as const;
const INK = { fails: 'var(--fails)', thin: 'var(--thin)', meets: 'var(--water)', ample: 'var(--soft)' } as const;

/** The boat from above with every detail where it stands, and how it fares. */
export function PlacesDrawing({
  boat,
  evaluations,
  chosen,
  onChoose,
}: {
  boat: Boat;
  evaluations: readonly DetailEvaluation[];
  chosen: string | null;
  onChoose: (id: string) => void;
}) {
  const outline = useMemo(() => {
    const shape = shapeOf(boat);
    if (!shape) return null;
    const { hull } = shape;
    const xs = Array.from({ length: 41 }, (_, i) => hull.aft + ((hull.bow - hull.aft) * i) / 40);
    return { aft: hull.aft, bow: hull.bow, edge: xs.map((x): [number, number] => [x, hull.at(x, 2)[1]]) };
  }, [boat]);
  if (!outline) return null;
  const scale = WIDTH / (outline.bow - outline.aft + 0.4);
  const half = Math.max(...outline.edge.map(([, y]) => y)) + 0.25;
  const at = (x: number, y: number) => [(x - outline.aft + 0.2) * scale, (half + y) * scale] as const;
  const path = [...outline.edge.map(([x, y]) => at(x, -y)), ...outline.edge.toReversed().map(([x, y]) => at(x, y))]
    .map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`)
    .join('L');
  const target = targetOf(boat);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${2 * half * scale}`}
      width="100%"
      role="group"
      aria-label="Details on the boat, from above"
    >
      <path d={`M${path}Z`} fill="var(--card)" stroke="var(--grey)" />
      <line x1="0" x2={WIDTH} y1={half * scale} y2={half * scale} stroke="var(--line)" strokeDasharray="6 4" />
      {evaluations.map(({ detail, governing, problem }) => {
        const checked = governing ? verdictOf(governing.reserveFactor, target) : 'ample';
        const verdict = problem ? 'fails' : checked;
        const places = detail.number > 1 && Math.abs(detail.y) > 0.01 ? [detail.y, -detail.y] : [detail.y];
        return (
          <g
            key={detail.id}
            className="section-line"
            role="button"
            tabIndex={0}
            aria-pressed={detail.id === chosen}
            aria-label={`${detail.name}: ${problem ? 'refused' : verdict}`}
            onClick={() => onChoose(detail.id)}
            onKeyDown={(event) => event.key === 'Enter' && onChoose(detail.id)}
          >
            {places.map((y) => {
              const [px, py] = at(Math.max(outline.aft, Math.min(outline.bow, detail.x)), y);
              return (
                <g key={y}>
                  <circle
                    cx={px}
                    cy={py}
                    r={detail.id === chosen ? 10 : 8}
                    fill="var(--card)"
                    stroke={detail.id === chosen ? 'var(--clay)' : INK[verdict]}
                    strokeWidth={detail.id === chosen ? 2.5 : 1.5}
                  />
                  <text x={px} y={py + 4} textAnchor="middle" fontSize="11" fill={INK[verdict]}>
                    {MARKS[verdict]}
                  </text>
                </g>
              );
            })}
          </g>
        );
      })}
    </svg>
  );
}
