'use client';
import type { ChartConfiguration } from 'chart.js';
import { formatNumber } from '@/core/quantity';
import { Chart } from './charts/Chart';
import { PALETTE } from './palette';

export interface PolarSeries {
  name: string;
  points: readonly { angleDeg: number; modulus: number }[];
}
/** Told apart by dash and weight, so that a print without colour reads the same. */
const STROKES = [
  { dash: [], width: 2.2 },
  { dash: [7, 4], width: 2 },
  { dash: [2, 3], width: 2.4 },
  { dash: [9, 3, 2, 3], width: 1.8 },
];
const SPOKES = [0, 45, 90, 135, 180, 225, 270, 315];

export interface PolarPlotProps {
  series: readonly PolarSeries[];
  unit: string;
  /** SI value of one of the unit written. */
  scale: number;
  label: string;
}

const at = (angleDeg: number, radius: number) => {
  const angle = (angleDeg * Math.PI) / 180;
  return { x: radius * Math.cos(angle), y: radius * Math.sin(angle) };
};

function polarConfig({ series, unit, scale }: PolarPlotProps): ChartConfiguration<'scatter'> {
  const most = Math.max(...series.flatMap(({ points }) => points.map(({ modulus }) => modulus))) / scale;
  const step = [0.5, 1, 2, 5, 10, 20, 50, 100].find((candidate) => most / candidate <= 4) ?? 200;
  const top = Math.ceil(most / step) * step;
  const rings = Array.from({ length: Math.round(top / step) }, (_, i) => (i + 1) * step);
  const axis = { min: -top * 1.3, max: top * 1.3, display: false } as const;
  const spoke = (angle: number) => ({ ...at(angle, top * 1.13), text: `${angle > 180 ? `−${360 - angle}` : angle}°` });
  const note = (x: number, y: number, content: string) =>
    ({ type: 'label', xValue: x, yValue: y, content, font: { size: 10 }, color: PALETTE.soft, padding: 0 }) as const;
  return {
    type: 'scatter',
    data: {
      datasets: series.map(({ name, points }, i) => ({
        label: name,
        data: [...points, points[0]!].map(({ angleDeg, modulus }) => at(angleDeg, modulus / scale)),
        showLine: true,
        pointRadius: 0,
        borderColor: i === 0 ? PALETTE.clay : PALETTE.ink,
        borderWidth: STROKES[i]!.width,
        borderDash: STROKES[i]!.dash,
        fill: false,
      })),
    },
    options: {
      scales: { x: axis, y: axis },
      plugins: {
        legend: { display: series.length > 1, position: 'bottom', labels: { usePointStyle: true, pointStyle: 'line' } },
        tooltip: { enabled: false },
        annotation: {
          annotations: Object.fromEntries([
            ...rings.map((value) => [
              `ring${value}`,
              {
                type: 'ellipse' as const,
                xMin: -value,
                xMax: value,
                yMin: -value,
                yMax: value,
                borderColor: PALETTE.line,
                borderWidth: 1,
                backgroundColor: 'transparent',
                drawTime: 'beforeDatasetsDraw' as const,
              },
            ]),
            ...rings.map((value) => [`of${value}`, note(0, value * 0.94, formatNumber(value, step < 1 ? 1 : 0))]),
            ...SPOKES.map((angle) => [`spoke${angle}`, note(spoke(angle).x, spoke(angle).y, spoke(angle).text)]),
            ['unit', note(-top * 1.02, top * 1.12, unit)],
          ]),
        },
      },
    },
  };
}

/** Modulus by direction, forward to the right as fibres are drawn; rings carry their value. */
export function PolarPlot(props: PolarPlotProps) {
  const { series, unit, scale, label } = props;
  return (
    <Chart size="chart-square" label={label} config={polarConfig(props)}>
      {series.map(({ name, points }) => (
        <span key={name}>
          {name}:{' '}
          {points
            .filter(({ angleDeg }) => angleDeg % 45 === 0 && angleDeg < 180)
            .map(({ angleDeg, modulus }) => `${angleDeg}° ${formatNumber(modulus / scale, 1)} ${unit}`)
            .join(', ')}
          .{' '}
        </span>
      ))}
    </Chart>
  );
}
