import type { ChartConfiguration } from 'chart.js';
import { verdictOf } from '@/core/evaluate';
import { formatNumber } from '@/core/quantity';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import type { ZoneRow } from './ZoneSheet';

const MARKS = { fails: '✕', thin: '△', meets: '✓', ample: '✓✓' } as const;
/** So many times the target is shown; what is ample runs off the edge. */
const SHOWN = 2.5;

export interface Band {
  name: string;
  p05: number;
  p95: number;
  verdict: keyof typeof MARKS;
}

/** The bands of the zones, the weakest first; a band stands as badly as its lower end. */
export function bandsOf(rows: readonly ZoneRow[], target: number): Band[] {
  return rows
    .flatMap(({ zone, proof }) => {
      if (!proof?.band) return [];
      const { p05, p95 } = proof.band;
      return [{ name: zone.name, p05, p95, verdict: verdictOf(p05, target) }];
    })
    .sort((a, b) => a.p05 - b.p05);
}

const limit = (value: number, text: string, colour: string) => ({
  type: 'line' as const,
  xMin: value,
  xMax: value,
  borderColor: colour,
  borderWidth: 1.8,
  label: {
    display: true,
    content: text,
    position: 'start' as const,
    color: colour,
    backgroundColor: PALETTE.card,
    font: { size: 11 },
    padding: 2,
  },
});

function configOf(bands: readonly Band[], target: number): ChartConfiguration<'bar'> {
  const most = SHOWN * target;
  return {
    type: 'bar',
    data: {
      // What lies beyond the edge says so by its name.
      labels: bands.map(({ name, verdict, p05 }) => {
        const beyond = p05 > most ? `: ${formatNumber(p05, 1)} and more` : '';
        return `${MARKS[verdict]} ${name}${beyond}`;
      }),
      datasets: [
        {
          data: bands.map(({ p05, p95 }): [number, number] => [Math.min(p05, most), Math.min(p95, most)]),
          backgroundColor: bands.map(({ verdict }) => PALETTE[verdict]),
          borderColor: PALETTE.ink,
          borderWidth: 0.6,
          borderSkipped: false,
          minBarLength: 3,
          barPercentage: 0.6,
        },
      ],
    },
    options: {
      indexAxis: 'y',
      scales: {
        x: { min: 0, max: most, title: { display: true, text: 'governing reserve, 5 to 95 of 100 boats' } },
        y: { ticks: { autoSkip: false, color: PALETTE.ink }, grid: { display: false } },
      },
      plugins: {
        legend: { display: false },
        annotation: {
          annotations: {
            one: limit(1, '1', PALETTE.fails),
            ...(target > 1 ? { target: limit(target, formatNumber(target, 2), PALETTE.clay) } : {}),
          },
        },
      },
    },
  };
}

/** Where the governing reserve of each zone lies, the weakest first, against 1 and the target. */
export function BandChart({ rows, target }: { rows: readonly ZoneRow[]; target: number }) {
  const bands = bandsOf(rows, target);
  if (bands.length === 0) return null;
  return (
    <Chart size="chart-long" label="Governing reserve of each zone with its band" config={configOf(bands, target)}>
      {bands.map(({ name, p05, p95 }) => `${name} ${formatNumber(p05, 2)} to ${formatNumber(p95, 2)}`).join('; ')}
    </Chart>
  );
}
