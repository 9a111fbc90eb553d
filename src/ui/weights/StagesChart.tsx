import type { ChartConfiguration } from 'chart.js';
import { STAGES } from '@/core/document';
import { displayUnit, type UnitSystem } from '@/core/quantity';
import type { Budget } from '@/core/weight';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import { useUnits } from '../shared/units';

function config({ stages }: Budget, target: number | null, system: UnitSystem): ChartConfiguration<'bar'> {
  const unit = displayUnit('mass', system);
  const of = (value: number) => value / unit.factor;
  const bars = (label: string, of_: (stage: Budget['stages'][number]) => number | null, fill: string) => ({
    label,
    data: stages.map((stage) => of_(stage)),
    backgroundColor: fill,
    borderColor: PALETTE.ink,
    borderWidth: 0.8,
    barPercentage: 0.9,
    categoryPercentage: 0.72,
  });
  const bands = stages.flatMap(({ forecast, planned }, i) =>
    [planned, null, forecast].flatMap((one, k) => {
      if (one === null) return [];
      const x = i + (k - 1) * 0.24;
      return [
        [
          `band-${i}-${k}`,
          {
            type: 'line' as const,
            xMin: x,
            xMax: x,
            yMin: of(one.p05),
            yMax: of(one.p95),
            borderColor: PALETTE.ink,
            borderWidth: 2,
          },
        ] as const,
      ];
    }),
  );
  return {
    type: 'bar',
    data: {
      labels: stages.map(({ stage }) => STAGES[stage]),
      datasets: [
        bars('planned', ({ planned }) => of(planned.mass), PALETTE.card),
        bars('weighed', ({ weighed }) => (weighed ? of(weighed.mass) : null), PALETTE.fibre),
        bars('expected now', ({ forecast }) => of(forecast.mass), PALETTE.blush),
      ],
    },
    options: {
      scales: {
        y: { min: 0, title: { display: true, text: unit.label } },
        x: { grid: { display: false }, ticks: { color: PALETTE.ink } },
      },
      plugins: {
        legend: { position: 'bottom', labels: { boxWidth: 14 } },
        annotation: {
          annotations: {
            ...Object.fromEntries(bands),
            ...(target !== null && {
              target: {
                type: 'line' as const,
                yMin: of(target),
                yMax: of(target),
                borderColor: PALETTE.clay,
                borderWidth: 2,
                borderDash: [6, 4],
                label: {
                  display: true,
                  content: 'target, light',
                  position: 'start' as const,
                  color: PALETTE.clay,
                  backgroundColor: PALETTE.card,
                },
              },
            }),
          },
        },
      },
    },
  };
}

/** Planned, weighed and expected of each stage, with the bands in which nine of ten come out. */
export function StagesChart({ budget, target }: { budget: Budget; target: number | null }) {
  const { system, full } = useUnits();
  return (
    <Chart
      size="chart-tall"
      label="Mass by stage: planned, weighed, expected now"
      config={config(budget, target, system)}
    >
      {budget.stages
        .map(({ stage, planned, weighed, forecast }) => {
          const seen = weighed ? `, weighed ${full(weighed.mass, 'mass')}` : '';
          const expected = full(forecast.mass, 'mass');
          return `${STAGES[stage]}: planned ${full(planned.mass, 'mass')}${seen}, expected ${expected}`;
        })
        .join('; ')}
    </Chart>
  );
}
