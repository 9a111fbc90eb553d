import type { Station } from '@/core/geometry';
import { lineThrough } from '@/core/drawing';

/** Body plan of what was read, before it is taken. */
export function BodyPlan({ stations, waterline }: { stations: Station[]; waterline: number }) {
  const width = 420;
  const height = 220;
  const beam = Math.max(...stations.flatMap(({ points }) => points.map(([y]) => y)));
  const [low, high] = [
    Math.min(...stations.flatMap(({ points }) => points.map(([, z]) => z))),
    Math.max(...stations.flatMap(({ points }) => points.map(([, z]) => z))),
  ];
  const scale = Math.min((width - 20) / 2 / beam, (height - 20) / (high - low));
  const middle = (stations[0]!.x + stations.at(-1)!.x) / 2;
  const z = (value: number) => height - 10 - (value - low) * scale;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      role="img"
      aria-label={`Body plan of ${stations.length} stations`}
    >
      <line x1="4" x2={width - 4} y1={z(waterline)} y2={z(waterline)} stroke="var(--water)" />
      {stations.map(({ x, points, chine }) => {
        const side = x <= middle ? -1 : 1;
        return (
          <g key={x}>
            <path
              d={lineThrough(points.map(([y, h]) => [width / 2 + side * y * scale, z(h)]))}
              fill="none"
              stroke="var(--ink)"
            />
            {chine !== null && (
              <circle
                cx={width / 2 + side * points[chine]![0] * scale}
                cy={z(points[chine]![1])}
                r="2.2"
                fill="var(--clay)"
              />
            )}
          </g>
        );
      })}
    </svg>
  );
}
