'use client';
import type { ChartConfiguration } from 'chart.js';
import { Card } from 'react-bootstrap';
import type { HabitCost } from '@/core/option';
import { displayUnit, formatNumber } from '@/core/quantity';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import { useUnits } from '../shared/units';
import { HABIT_NAMES } from './words';

/** What each habit costs: what would be saved without it. */
export function HabitCosts({ costs, aim }: { costs: readonly HabitCost[]; aim: 'mass' | 'cost' }) {
  const { system } = useUnits();
  const { factor, label, digits } =
    aim === 'mass' ? displayUnit('mass', system) : { factor: 1, label: 'money', digits: 0 };
  const said = costs.map(({ habit, saves }) => ({
    name: HABIT_NAMES[habit],
    saves: saves === null ? null : Math.max(0, saves) / factor,
  }));
  const config: ChartConfiguration<'bar'> = {
    type: 'bar',
    data: {
      labels: said.map(({ name }) => name),
      datasets: [
        {
          data: said.map(({ saves }) => saves ?? 0),
          backgroundColor: PALETTE.over,
          borderColor: PALETTE.ink,
          borderWidth: 0.8,
        },
      ],
    },
    options: {
      indexAxis: 'y',
      scales: {
        x: { min: 0, title: { display: true, text: `Saved without it, ${label}` } },
        y: { ticks: { autoSkip: false, color: PALETTE.ink }, grid: { display: false } },
      },
      plugins: { legend: { display: false } },
    },
  };
  return (
    <Card body className="mb-3">
      <h2>What each habit costs</h2>
      <Chart size="chart-mid" label="What would be saved without each habit, the dearest first" config={config} />
      <ul className="small mb-1 ps-3" aria-label="What each habit costs">
        {said.map(({ name, saves }) => (
          <li key={name}>
            {name}: {saves === null ? 'nothing holds without it either' : `${formatNumber(saves, digits)} ${label}`}
          </li>
        ))}
      </ul>
      <p className="small soft mb-0">
        The zones by themselves, with all habits and without one; what two cost together may differ.
      </p>
    </Card>
  );
}
