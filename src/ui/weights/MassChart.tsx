import type { ChartConfiguration } from 'chart.js';
import { displayUnit, formatNumber, type UnitSystem } from '@/core/quantity';
import { massBand, type Mass } from '@/core/weight';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import { useUnits } from '../shared/units';

interface Bar {
  name: string;
  mass: number;
  low: number;
  high: number;
}

/** Masses by what they belong to, the heaviest first. */
export function barsOf(masses: readonly Mass[]): Bar[] {
  const groups = [...new Map(masses.map(({ group, groupName }) => [group, groupName]))];
  return groups
    .map(([group, name]) => {
      const { mass, p05, p95 } = massBand(masses.filter((one) => one.group === group));
      return { name, mass, low: p05, high: p95 };
    })
    .sort((a, b) => b.mass - a.mass);
}

function config(bars: readonly Bar[], system: UnitSystem): ChartConfiguration<'bar'> {
  const unit = displayUnit('mass', system);
  const of = (value: number) => value / unit.factor;
  // Room for the figure behind the longest bar.
  const most = 1.12 * Math.max(...bars.map(({ high }) => of(high)), 1);
  return {
    type: 'bar',
    data: {
      labels: bars.map(({ name }) => name),
      datasets: [
        {
          data: bars.map(({ mass }) => of(mass)),
          backgroundColor: PALETTE.fibre,
          borderColor: PALETTE.ink,
          borderWidth: 0.6,
          barPercentage: 0.75,
        },
      ],
    },
    options: {
      indexAxis: 'y',
      layout: { padding: { right: 60 } },
      scales: {
        x: { min: 0, suggestedMax: most, title: { display: true, text: unit.label } },
        y: { ticks: { autoSkip: false, color: PALETTE.ink }, grid: { display: false } },
      },
      plugins: {
        legend: { display: false },
        annotation: {
          annotations: Object.fromEntries(
            bars.flatMap(({ mass, low, high }, i) => [
              [
                `band-${i}`,
                {
                  type: 'line' as const,
                  xMin: of(low),
                  xMax: of(high),
                  yMin: i,
                  yMax: i,
                  borderColor: PALETTE.ink,
                  borderWidth: 2,
                },
              ],
              [
                `mass-${i}`,
                {
                  type: 'label' as const,
                  xValue: of(high),
                  yValue: i,
                  position: { x: 'start' as const, y: 'center' as const },
                  content: formatNumber(of(mass), unit.digits),
                  color: PALETTE.ink,
                  font: { size: 11 },
                },
              ],
            ]),
          ),
        },
      },
    },
  };
}

/** What the boat weighs by part and kind of item, with the band of each. */
export function MassChart({ masses }: { masses: readonly Mass[] }) {
  const { system, full } = useUnits();
  const bars = barsOf(masses);
  return (
    <Chart
      size="chart-tall"
      label="Mass by part and by kind of item, with the band in which nine of ten come out"
      config={config(bars, system)}
    >
      {bars.map(({ name, mass }) => `${name} ${full(mass, 'mass')}`).join(', ')}
    </Chart>
  );
}
