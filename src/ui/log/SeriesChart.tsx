'use client';
import type { ChartConfiguration } from 'chart.js';
import type { LogSeries } from '@/core/log';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';

const line = (value: number, label: string, dash: number[]) => ({
  type: 'line' as const,
  yMin: value,
  yMax: value,
  borderColor: PALETTE.soft,
  borderDash: dash,
  borderWidth: 1.5,
  label: { display: true, content: label, position: 'end' as const, backgroundColor: PALETTE.card, color: PALETTE.ink },
});

/** One figure over the hulls, with what was planned and the limits of chance; what lies beyond is marked. */
export function SeriesChart({ series: { name, points, target, limits, outlier } }: { series: LogSeries }) {
  const names = points.map(({ hull }) => `hull ${hull}`);
  const beyond = new Set(limits?.outside ?? []);
  const marks = points.map((_, i) => (beyond.has(i) || outlier === i ? 'triangle' : 'circle'));
  const config: ChartConfiguration<'scatter'> = {
    type: 'scatter',
    data: {
      datasets: [
        {
          label: name,
          data: points.map(({ value }, i) => ({ x: i, y: value })),
          showLine: true,
          borderColor: PALETTE.clay,
          backgroundColor: PALETTE.clay,
          pointStyle: marks,
          pointRadius: marks.map((mark) => (mark === 'triangle' ? 9 : 5)),
        },
      ],
    },
    options: {
      scales: {
        x: { min: -0.5, max: points.length - 0.5, ticks: { stepSize: 1, callback: (i) => names[Number(i)] ?? '' } },
        y: { suggestedMin: 0.95 * (target ?? 0), suggestedMax: 1.05 * (target ?? 1) },
      },
      plugins: {
        legend: { display: false },
        annotation: {
          annotations: {
            ...(target !== null && { target: line(target, 'planned', []) }),
            ...(limits && {
              upper: line(limits.upper, 'limit of chance', [6, 4]),
              lower: line(limits.lower, 'limit of chance', [6, 4]),
            }),
          },
        },
      },
    },
  };
  return (
    <>
      <Chart size="chart-mid" config={config} label={name}>
        {points.map(({ hull, value }) => (
          <span key={hull}>
            Hull {hull}: {value.toFixed(3)}.{' '}
          </span>
        ))}
      </Chart>
      <p className="small soft mb-0">
        {limits === null && 'Limits of chance from three hulls on.'}
        {limits !== null && beyond.size === 0 && 'Within the limits of chance (individuals, 3 σ by moving range).'}
        {beyond.size > 0 &&
          `△ Beyond the limits of chance: ${[...beyond].map((i) => names[i]).join(', ')}. Something changed.`}
        {outlier !== null && ` △ Hull ${points[outlier]!.hull} lies farther out than chance explains (Grubbs, 5 %).`}
      </p>
    </>
  );
}
