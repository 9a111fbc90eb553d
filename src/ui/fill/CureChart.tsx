'use client';
import type { ChartConfiguration } from 'chart.js';
import { Card } from 'react-bootstrap';
import { glassTransition, type Cured, type CureMoment, type ZoneCure } from '@/core/cure';
import type { CurePlan } from '@/core/document';
import { displayUnit, formatNumber } from '@/core/quantity';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import { useUnits } from '../shared/units';
import { minutes } from './minutes';

/** One zone over time: air, laminate, mould, glass transition; degree of cure against the right side. */
export function CureChart({ plan, cured: { cure }, zone }: { plan: CurePlan; cured: Cured; zone: ZoneCure }) {
  const { full, system } = useUnits();
  const { course } = zone;
  const { factor, offset = 0, label } = displayUnit('temperature', system);
  const shown = (celsius: number) => (celsius - offset) / factor;
  const line = (name: string, of: (moment: CureMoment) => number, style: object) => ({
    label: name,
    data: course.moments.map((moment) => ({ x: moment.time / 3600, y: shown(of(moment)) })),
    showLine: true,
    pointRadius: 0,
    borderWidth: 2,
    ...style,
  });
  const upright = (time: number | null, words: string, at: 'start' | 'center' | 'end') =>
    time === null
      ? {}
      : {
          [words]: {
            type: 'line' as const,
            xMin: time / 3600,
            xMax: time / 3600,
            borderColor: PALETTE.soft,
            borderDash: [4, 3],
            borderWidth: 1,
            label: { display: true, content: words, position: at, backgroundColor: PALETTE.card, color: PALETTE.ink },
          },
        };
  const worst = zone.limits.filter(({ limit, hottest }) => hottest > limit);
  const config: ChartConfiguration<'scatter'> = {
    type: 'scatter',
    data: {
      datasets: [
        line('air', ({ air }) => air, { borderColor: PALETTE.grey, borderDash: [6, 4] }),
        line('laminate, hottest', ({ hottest }) => hottest, { borderColor: PALETTE.clay }),
        line('laminate, coolest', ({ coolest }) => coolest, { borderColor: PALETTE.sand, borderDash: [2, 2] }),
        line('glass transition, lowest', ({ degree }) => glassTransition(cure, degree), {
          borderColor: PALETTE.ink,
          borderWidth: 1.5,
          borderDash: [8, 3, 2, 3],
        }),
        {
          ...line('degree of cure, lowest', () => 0, { borderColor: PALETTE.water }),
          data: course.moments.map(({ time, degree }) => ({ x: time / 3600, y: 100 * degree })),
          yAxisID: 'degree',
        },
      ],
    },
    options: {
      parsing: false,
      scales: {
        x: { type: 'linear', min: 0, title: { display: true, text: 'hours after the resin is in' } },
        y: { title: { display: true, text: label }, min: shown(0), suggestedMax: shown(60) },
        degree: {
          position: 'right',
          min: 0,
          max: 100,
          grid: { drawOnChartArea: false },
          title: { display: true, text: 'degree of cure, %' },
        },
      },
      plugins: {
        legend: { display: true, position: 'bottom', labels: { usePointStyle: false, boxWidth: 26 } },
        annotation: {
          annotations: {
            ...upright(zone.gel, 'gel', 'start'),
            ...upright(zone.tackEnds, 'no more tack', 'center'),
            ...upright(zone.demould, 'demould', 'end'),
            ...Object.fromEntries(
              worst.map(({ name, limit }, i) => [
                `limit ${i}`,
                {
                  type: 'line' as const,
                  yMin: shown(limit),
                  yMax: shown(limit),
                  borderColor: PALETTE.fails,
                  borderWidth: 2,
                  label: {
                    display: true,
                    content: `✕ ${name} bears ${full(limit, 'temperature')}`,
                    position: 'end' as const,
                  },
                },
              ]),
            ),
          },
        },
      },
    },
  };
  return (
    <Card body>
      <h2>
        {zone.name}, {full(zone.laminate, 'thickness')} of laminate: {plan.name}
      </h2>
      <Chart size="chart-tall" label={`Temperature and cure of ${zone.name} over time`} config={config}>
        Gel after {minutes(zone.gel)}, hottest {full(course.peak.celsius, 'temperature')} after{' '}
        {minutes(course.peak.time)}, demould after {minutes(zone.demould)}; at the end{' '}
        {formatNumber(100 * zone.degree, 0)} % cured, glass transition {full(zone.tg, 'temperature')}.
      </Chart>
      <p className="small soft mb-0">
        {zone.shots.length > 1 && `The last of ${zone.shots.length} goes is drawn. `}Hardening by{' '}
        {cure.origin === 'law' ? `the resin’s own law (${cure.source})` : cure.source}: read temperatures as within a
        quarter of their rise, times as within a third, until a sample of yours was measured.
      </p>
    </Card>
  );
}
