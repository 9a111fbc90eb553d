'use client';
import type { ChartConfiguration } from 'chart.js';
import type { ZoneEquivalents } from '@/core/option';
import { displayUnit, formatNumber, type UnitSystem } from '@/core/quantity';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import { useUnits } from '../shared/units';
import { nameOf } from './nameOf';

interface EquivalentBarsProps {
  found: ZoneEquivalents;
  chosen: number | null;
  onChoose: (index: number) => void;
}

function configOf(
  { now, found }: ZoneEquivalents,
  { chosen, onChoose }: Pick<EquivalentBarsProps, 'chosen' | 'onChoose'>,
  system: UnitSystem,
): ChartConfiguration<'bar'> {
  const { factor, label, digits } = displayUnit('laminateWeight', system);
  const masses = [now, ...found].map(({ mass }) => mass / factor);
  return {
    type: 'bar',
    data: {
      labels: ['as it is laid now', ...found.map(nameOf)],
      datasets: [
        {
          data: masses,
          backgroundColor: masses.map((mass, i) => {
            if (i === 0) return PALETTE.sand;
            if (i - 1 === chosen) return PALETTE.blush;
            return mass > masses[0]! ? PALETTE.over : PALETTE['in-hand'];
          }),
          borderColor: masses.map((_, i) => (i - 1 === chosen ? PALETTE.clay : PALETTE.ink)),
          borderWidth: masses.map((_, i) => (i - 1 === chosen ? 2 : 0.8)),
          barPercentage: 0.8,
        },
      ],
    },
    options: {
      indexAxis: 'y',
      // The bar of what is laid now is none to be taken.
      onClick: (_, [bar]) => bar && bar.index > 0 && onChoose(bar.index - 1),
      layout: { padding: { right: 44 } },
      scales: {
        x: { min: 0, title: { display: true, text: `Laminated weight, ${label}` } },
        y: { ticks: { autoSkip: false, color: PALETTE.ink }, grid: { display: false } },
      },
      plugins: {
        legend: { display: false },
        annotation: {
          annotations: {
            now: {
              type: 'line' as const,
              xMin: masses[0]!,
              xMax: masses[0]!,
              borderColor: PALETTE.clay,
              borderWidth: 1.5,
            },
            ...Object.fromEntries(
              masses.map((mass, i) => [
                `mass ${i}`,
                {
                  type: 'label' as const,
                  xValue: mass,
                  yValue: i,
                  position: { x: 'start' as const, y: 'center' as const },
                  content: formatNumber(mass, digits),
                  color: PALETTE.ink,
                  backgroundColor: PALETTE.card,
                  padding: 2,
                  font: { size: 11 },
                },
              ]),
            ),
          },
        },
      },
    },
  };
}

/** What each alternative weighs beside what is laid now. */
export function EquivalentBars({ found, chosen, onChoose }: EquivalentBarsProps) {
  const { system, full } = useUnits();
  return (
    <Chart
      size="chart-tall"
      label="Laminated weight of every alternative, the lightest first; the line is what is laid now"
      config={configOf(found, { chosen, onChoose }, system)}
    >
      {[
        { name: 'As it is laid now', mass: found.now.mass },
        ...found.found.map((one) => ({ name: nameOf(one), ...one })),
      ]
        .map(({ name, mass }) => `${name}: ${full(mass, 'laminateWeight')}`)
        .join('. ')}
    </Chart>
  );
}
