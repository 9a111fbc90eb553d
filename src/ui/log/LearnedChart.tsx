import type { ChartConfiguration } from 'chart.js';
import type { Learned } from '@/core/log';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';

const bell = (mean: number, deviation: number, x: number) =>
  Math.exp(-(((x - mean) / deviation) ** 2) / 2) / (deviation * Math.sqrt(2 * Math.PI));

/** What was thought before and what is known now, as curves; every reading as a mark under them. */
export function LearnedChart({
  learned: { property, prior, posterior, observations, published, outlier },
  say,
}: {
  learned: Learned;
  say: (ratio: number) => string;
}) {
  const isShare = property === 'fibreShare';
  const scale = isShare ? published : 1;
  const least = Math.min(1 - 4 * prior.standardDeviation, ...observations.map(({ ratio }) => ratio - 0.02));
  const most = Math.max(1 + 4 * prior.standardDeviation, ...observations.map(({ ratio }) => ratio + 0.02));
  const xs = Array.from({ length: 121 }, (_, i) => least + ((most - least) * i) / 120);
  const curve = (mean: number, deviation: number) =>
    xs.map((x) => ({ x: 100 * scale * x, y: bell(mean, deviation, x) / scale }));
  const config: ChartConfiguration<'scatter'> = {
    type: 'scatter',
    data: {
      datasets: [
        {
          label: 'published, with its scatter',
          data: curve(prior.mean, prior.standardDeviation),
          showLine: true,
          pointRadius: 0,
          borderDash: [6, 4],
          borderColor: PALETTE.soft,
        },
        {
          label: 'what is known now of the mean',
          data: curve(posterior.mean, posterior.standardDeviation),
          showLine: true,
          pointRadius: 0,
          borderColor: PALETTE.clay,
        },
        {
          label: 'readings',
          data: observations.map(({ ratio }) => ({ x: 100 * scale * ratio, y: 0 })),
          pointStyle: observations.map((_, i) => (i === outlier ? 'triangle' : 'circle')),
          pointRadius: 6,
          backgroundColor: PALETTE.ink,
        },
      ],
    },
    options: {
      scales: {
        x: {
          type: 'linear',
          title: { display: true, text: isShare ? 'fibre by weight, %' : '% of what is published' },
        },
        y: { min: 0, ticks: { display: false }, title: { display: true, text: 'how likely' } },
      },
    },
  };
  return (
    <Chart size="chart-mid" config={config} label="Published and learned">
      {observations.map(({ of, where, ratio }, i) => (
        <span key={i}>
          {of}, {where}: {say(ratio)}.{' '}
        </span>
      ))}
    </Chart>
  );
}
