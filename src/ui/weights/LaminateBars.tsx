'use client';
import type { ChartConfiguration } from 'chart.js';
import { displayUnit, formatNumber, type UnitSystem } from '@/core/quantity';
import type { BoatWeight } from '@/core/weight';
import { Chart } from '../shared/charts/Chart';
import { matterFill, type Matter } from '../shared/charts/patterns';
import { PALETTE } from '../shared/palette';
import { useUnits } from '../shared/units';

const MATTERS: readonly Matter[] = ['fibre', 'resin', 'core', 'coating'];

function zonesConfig(weight: BoatWeight, system: UnitSystem): ChartConfiguration<'bar'> {
  const mass = displayUnit('mass', system);
  const rows = weight.parts.flatMap((part) => part.zones.map((zone) => ({ part, zone })));
  const of = (value: number) => value / mass.factor;
  return {
    type: 'bar',
    data: {
      labels: rows.map(({ part, zone }) => `${zone.name} · ${part.name}`),
      datasets: MATTERS.map((matter) => ({
        label: matter,
        data: rows.map(({ zone }) => of(zone[matter])),
        // Made where there is a canvas to make it on.
        backgroundColor: typeof document === 'undefined' ? PALETTE[matter] : matterFill(matter),
        borderColor: PALETTE.ink,
        borderWidth: 0.6,
        barPercentage: 0.8,
      })),
    },
    options: {
      indexAxis: 'y',
      layout: { padding: { right: 56 } },
      scales: {
        x: { stacked: true, min: 0, title: { display: true, text: mass.label } },
        y: { stacked: true, ticks: { autoSkip: false, color: PALETTE.ink }, grid: { display: false } },
      },
      plugins: {
        legend: { position: 'bottom', labels: { boxWidth: 14 } },
        annotation: {
          annotations: Object.fromEntries(
            rows.map(({ zone }, i) => [
              zone.zoneId,
              {
                type: 'label' as const,
                xValue: of(zone.mass),
                yValue: i,
                position: { x: 'start' as const, y: 'center' as const },
                content: formatNumber(of(zone.mass), mass.digits),
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

function totalConfig(weight: BoatWeight, system: UnitSystem): ChartConfiguration<'bar'> {
  const mass = displayUnit('mass', system);
  const target = weight.target / mass.factor;
  return {
    type: 'bar',
    data: {
      labels: ['Total'],
      datasets: [
        {
          data: [weight.mass / mass.factor],
          backgroundColor: weight.over > 0 ? PALETTE.over : PALETTE['in-hand'],
          borderColor: PALETTE.ink,
          borderWidth: 1,
          barPercentage: 0.6,
        },
      ],
    },
    options: {
      indexAxis: 'y',
      scales: { x: { beginAtZero: true, suggestedMax: target * 1.06 }, y: { grid: { display: false } } },
      plugins: {
        legend: { display: false },
        annotation: {
          annotations: {
            target: {
              type: 'line',
              xMin: target,
              xMax: target,
              borderColor: PALETTE.clay,
              borderWidth: 2.4,
              label: {
                display: true,
                content: `target ${formatNumber(target, mass.digits)} ${mass.label}`,
                position: 'start',
                color: PALETTE.clay,
                backgroundColor: PALETTE.card,
                font: { size: 11 },
              },
            },
          },
        },
      },
    },
  };
}

/** Mass by zone as bars in fibre, resin, core and coating, and the total against its target. */
export function LaminateBars({ weight }: { weight: BoatWeight }) {
  const { full, system } = useUnits();
  const against =
    `${full(weight.mass, 'mass')}: ${full(Math.abs(weight.over), 'mass')} ` +
    `${weight.over > 0 ? 'over' : 'in hand'} ` +
    `(${formatNumber(Math.abs(weight.overShare) * 100, 1)} %)`;
  return (
    <>
      <p className="fw-semibold mb-1">{against}</p>
      <Chart
        size="chart-low"
        label={`Laminate ${full(weight.mass, 'mass')} against a target of ${full(weight.target, 'mass')}`}
        config={totalConfig(weight, system)}
      />
      <Chart
        size="chart-long"
        label="Mass of each zone by fibre, resin, core and coating"
        config={zonesConfig(weight, system)}
      >
        The same figures stand in the table below.
      </Chart>
    </>
  );
}
