import type { ChartConfiguration } from 'chart.js';
import { verdictOf } from '@/core/evaluate';
import { formatNumber, formatReserve } from '@/core/quantity';
import { CHECKS } from '@/core/standard';
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
  /** A check that does not scatter, of a yard's own rule say, and asks for more than the band shows; null without. */
  below: { reserveFactor: number; check: string } | null;
  verdict: keyof typeof MARKS;
}

/** The bands of the zones, weakest first; a zone stands as badly as the lower end of its band, or as what is below. */
export function bandsOf(rows: readonly ZoneRow[], target: number): Band[] {
  return rows
    .flatMap(({ zone, evaluation, proof }): Band[] => {
      if (!proof?.band) return [];
      const { p05, p95 } = proof.band;
      const { governing } = evaluation;
      const below =
        governing && governing.reserveFactor < p05
          ? { reserveFactor: governing.reserveFactor, check: CHECKS[governing.id].toLowerCase() }
          : null;
      return [{ name: zone.name, p05, p95, below, verdict: verdictOf(below?.reserveFactor ?? p05, target) }];
    })
    .sort((a, b) => (a.below?.reserveFactor ?? a.p05) - (b.below?.reserveFactor ?? b.p05));
}

/** Its name, with what the bar does not show: that it lies beyond the edge, or that something else asks for more. */
function labelOf({ name, p05, below, verdict }: Band, most: number): string {
  const beyond = p05 > most ? `: ${formatNumber(p05, 1)} and more` : '';
  const but = below ? `: ${formatReserve(below.reserveFactor)} by ${below.check}` : beyond;
  return `${MARKS[verdict]} ${name}${but}`;
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
      labels: bands.map((band) => labelOf(band, most)),
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
        x: { min: 0, max: most, title: { display: true, text: 'least reserve by the method, 5 to 95 of 100 boats' } },
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

/** Where the least reserve of each zone by the method lies, the weakest first, against 1 and the target. */
export function BandChart({ rows, target }: { rows: readonly ZoneRow[]; target: number }) {
  const bands = bandsOf(rows, target);
  if (bands.length === 0) return null;
  return (
    <Chart
      size="chart-long"
      label="Least reserve of each zone by the method, with its band"
      config={configOf(bands, target)}
    >
      {bands
        .map((band) => `${labelOf(band, Infinity)}, ${formatReserve(band.p05)} to ${formatReserve(band.p95)}`)
        .join('; ')}
    </Chart>
  );
}
