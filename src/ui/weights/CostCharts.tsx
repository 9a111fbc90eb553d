import type { ChartConfiguration } from 'chart.js';
import { asKnown, hoursByStep, WORK_STEPS, type BoatCost } from '@/core/cost';
import { formatNumber } from '@/core/quantity';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';

const NAMES = {
  materials: 'Materials',
  consumables: 'Consumables',
  items: 'Items bought',
  moulds: 'Share of the moulds',
  labour: 'Labour',
  overhead: 'Overhead',
} as const;

function bars(
  rows: readonly { name: string; value: number }[],
  title: string,
  digits: number,
): ChartConfiguration<'bar'> {
  return {
    type: 'bar',
    data: {
      labels: rows.map(({ name }) => name),
      datasets: [
        {
          data: rows.map(({ value }) => value),
          backgroundColor: PALETTE.blush,
          borderColor: PALETTE.ink,
          borderWidth: 0.6,
          barPercentage: 0.8,
        },
      ],
    },
    options: {
      indexAxis: 'y',
      layout: { padding: { right: 64 } },
      scales: {
        // Room for the figure behind the longest bar.
        x: {
          min: 0,
          suggestedMax: 1.18 * Math.max(...rows.map(({ value }) => value)),
          title: { display: true, text: title },
        },
        y: { ticks: { autoSkip: false, color: PALETTE.ink }, grid: { display: false } },
      },
      plugins: {
        legend: { display: false },
        annotation: {
          annotations: Object.fromEntries(
            rows.map(({ name, value }, i) => [
              name,
              {
                type: 'label' as const,
                xValue: value,
                yValue: i,
                position: { x: 'start' as const, y: 'center' as const },
                content: formatNumber(value, digits),
                color: PALETTE.ink,
                font: { size: 11 },
              },
            ]),
          ),
        },
      },
    },
  };
}

/** Where the money goes, and where the hours. */
export function CostCharts({ cost }: { cost: BoatCost }) {
  const { totals, scatter, currency, hours } = cost;
  const parts = (Object.keys(NAMES) as (keyof typeof NAMES)[])
    .map((key) => ({ name: NAMES[key], value: asKnown(totals[key], scatter.cost / 3) }))
    .filter(({ value }) => value > 0);
  const steps = hoursByStep(hours).map((one) => ({
    name: WORK_STEPS[one.step],
    value: asKnown(one.hours, scatter.hours / 10),
  }));
  const said = (rows: readonly { name: string; value: number }[]) =>
    rows.map(({ name, value }) => `${name} ${formatNumber(value, 0)}`).join(', ');
  return (
    <div className="weights-columns">
      <Chart
        size="chart-tall"
        label={`Cost of a boat by what it goes into, in ${currency}`}
        config={bars(parts, currency, 0)}
      >
        {said(parts)}
      </Chart>
      <Chart size="chart-tall" label="Hours of a boat by step" config={bars(steps, 'hours', 0)}>
        {said(steps)}
      </Chart>
    </div>
  );
}
