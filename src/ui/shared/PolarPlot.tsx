'use client';
import { formatNumber } from '@/core/quantity';

export interface PolarSeries {
  name: string;
  points: readonly { angleDeg: number; modulus: number }[];
}
/** Told apart by dash and weight, so that a print without colour reads the same. */
const STROKES = [
  { dash: undefined, width: 2.2 },
  { dash: '7 4', width: 2 },
  { dash: '2 3', width: 2.4 },
  { dash: '9 3 2 3', width: 1.8 },
];
const SIZE = 250;
const R = 92;

/** Modulus by direction, forward to the right as fibres are drawn; rings carry their value. `scale` shows the SI value in the unit written. */
export function PolarPlot({
  series,
  unit,
  scale,
  label,
}: {
  series: readonly PolarSeries[];
  unit: string;
  scale: number;
  label: string;
}) {
  const most = Math.max(...series.flatMap(({ points }) => points.map(({ modulus }) => modulus))) / scale;
  const step = [0.5, 1, 2, 5, 10, 20, 50, 100].find((candidate) => most / candidate <= 4) ?? 200;
  const top = Math.ceil(most / step) * step;
  const at = (angleDeg: number, value: number): [number, number] => {
    const angle = (angleDeg * Math.PI) / 180;
    return [SIZE / 2 + (R * value * Math.cos(angle)) / top, SIZE / 2 - 8 - (R * value * Math.sin(angle)) / top];
  };
  const path = (points: PolarSeries['points']) =>
    `${points
      .map(
        ({ angleDeg, modulus }, i) =>
          `${i ? 'L' : 'M'} ${at(angleDeg, modulus / scale)
            .map((n) => n.toFixed(1))
            .join(' ')}`,
      )
      .join(' ')} Z`;
  return (
    <svg
      viewBox={`0 0 ${SIZE} ${SIZE - 22 + (series.length > 1 ? series.length * 14 : 0)}`}
      width="100%"
      role="img"
      aria-label={label}
    >
      {Array.from({ length: Math.round(top / step) }, (_, i) => (i + 1) * step).map((value) => (
        <g key={value}>
          <circle cx={SIZE / 2} cy={SIZE / 2 - 8} r={(R * value) / top} fill="none" stroke="#d9cfbf" />
          <text x={SIZE / 2 + 3} y={SIZE / 2 - 8 - (R * value) / top + 9} fontSize="8.5" fill="#5f574d">
            {formatNumber(value, step < 1 ? 1 : 0)}
          </text>
        </g>
      ))}
      {[0, 45, 90, 135, 180, 225, 270, 315].map((angle) => {
        const [x, y] = at(angle, top);
        const [tx, ty] = at(angle, top * 1.13);
        return (
          <g key={angle}>
            <line x1={SIZE / 2} y1={SIZE / 2 - 8} x2={x} y2={y} stroke="#e5dccd" />
            <text x={tx} y={ty + 3} fontSize="9" textAnchor="middle" fill="#2b2622">
              {angle > 180 ? `−${360 - angle}` : angle}°
            </text>
          </g>
        );
      })}
      {series.map(({ name, points }, i) => (
        <path
          key={name}
          d={path(points)}
          fill={series.length === 1 ? '#9a4527' : 'none'}
          fillOpacity="0.12"
          stroke={i === 0 ? '#9a4527' : '#2b2622'}
          strokeWidth={STROKES[i]!.width}
          strokeDasharray={STROKES[i]!.dash}
        />
      ))}
      <text x="2" y="10" fontSize="9" fill="#5f574d">
        {unit}
      </text>
      {series.length > 1 &&
        series.map(({ name }, i) => (
          <g key={name}>
            <line
              x1="10"
              x2="44"
              y1={SIZE - 20 + i * 14}
              y2={SIZE - 20 + i * 14}
              stroke={i === 0 ? '#9a4527' : '#2b2622'}
              strokeWidth={STROKES[i]!.width}
              strokeDasharray={STROKES[i]!.dash}
            />
            <text x="50" y={SIZE - 16.5 + i * 14} fontSize="10">
              {name}
            </text>
          </g>
        ))}
    </svg>
  );
}
