'use client';
import { Card } from 'react-bootstrap';
import type { ChartConfiguration } from 'chart.js';
import { STEP_KINDS } from '@/core/build';
import type { Series } from '@/core/shop';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';

const figure = (value: number) => value.toFixed(value < 10 ? 1 : 0);

/** What moulds and hands allow a series: turns as bars, the rate, and what limits it. */
export function SeriesCard({ series, weeks, hasHands }: { series: Series; weeks: number; hasHands: boolean }) {
  const { boat, hull, turns, rate } = series;
  const total = Object.values(series.hours).reduce((sum, hours) => sum + hours, 0);
  const isAll = rate.byHands?.kinds.length === Object.keys(series.hours).length;
  const work = isAll ? 'all work together' : rate.byHands?.kinds.map((kind) => STEP_KINDS[kind]).join('; ');
  const limits = rate.limit === 'hands' ? 'hands limit' : `${rate.limit} limits`;
  const yearly = (perWeek: number) => figure(perWeek * weeks);
  const config: ChartConfiguration<'bar'> = {
    type: 'bar',
    data: {
      labels: turns.map(({ part, mould }) => (part === mould ? part : `${part}, ${mould}`)),
      datasets: [{ label: 'days in the mould', data: turns.map(({ days }) => days), backgroundColor: PALETTE.clay }],
    },
    options: {
      indexAxis: 'y',
      scales: {
        y: { ticks: { autoSkip: false } },
        x: { title: { display: true, text: 'days of the calendar from clean mould to the part out' } },
      },
      plugins: { legend: { display: false } },
    },
  };
  return (
    <Card body className="mb-3">
      <h2>
        A series of {boat}{' '}
        <span className="soft fw-normal">as hull {hull} is planned, by the steps and not by what was recorded</span>
      </h2>
      <p>
        {rate.perWeek === null ? (
          'No mould of it takes any time by its steps.'
        ) : (
          <>
            At most <strong>{yearly(rate.perWeek)} hulls a year</strong>, one in{' '}
            <strong>{figure(7 / rate.perWeek)} days</strong>: {limits} it.
          </>
        )}{' '}
        {figure(total)} h of work a hull.
      </p>
      <Chart size="chart-mid" config={config} label={`Days in the mould, ${boat}`}>
        {turns.map(({ part, days, hours }) => (
          <span key={part}>
            {part}: {figure(days)} days, {figure(hours)} h.{' '}
          </span>
        ))}
      </Chart>
      {rate.byHands && (
        <p className="mb-1">
          Hands: {work} wants {figure(rate.byHands.hours)} h a hull; whoever may do it has{' '}
          {figure(rate.byHands.capacity)} h a week, {yearly(rate.byHands.perWeek)} hulls a year.
        </p>
      )}
      {!hasHands && <p className="soft mb-1">Hands are not counted: name them with their hours under “The shop”.</p>}
      {turns
        .filter(({ narrow }) => narrow.length > 0)
        .map(({ part, narrow }) => (
          <p key={part} className="mb-0">
            <span className="verdict thin">△ narrow</span> {part}: only {narrow[0]!.places} fit in at{' '}
            {narrow.map(({ step, people }) => `${step} (${people} would work)`).join(', ')}.
          </p>
        ))}
    </Card>
  );
}
