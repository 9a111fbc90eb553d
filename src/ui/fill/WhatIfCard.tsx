'use client';
import type { ChartConfiguration } from 'chart.js';
import { Button, Card } from 'react-bootstrap';
import type { FillPlan } from '@/core/document';
import { WHAT_IFS, type Filling, type WhatIf } from '@/core/fill';
import { formatNumber } from '@/core/quantity';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import { useUnits } from '../shared/units';
import type { FillState } from './fillStore';
import { dryKind, MARKS, marginWord, minutes } from './minutes';

/** What may go otherwise, each as a band on the fill time. */
export function WhatIfCard({
  plan,
  filling,
  state: { filled, whatIfs, running },
  disabled,
  onRun,
}: {
  plan: FillPlan;
  filling: Filling;
  state: FillState;
  disabled: boolean;
  onRun: () => void;
}) {
  const { full } = useUnits();
  const much: Partial<Record<WhatIf, string>> = {
    hot: full(Math.max(plan.celsius, filling.hotShop), 'temperature'),
    cold: full(Math.min(plan.celsius, filling.coldShop), 'temperature'),
    late: `by ${minutes(filling.lateClamp)}`,
    leak: `of ${full(filling.leak, 'pressure')}`,
  };
  const nameOf = (kind: WhatIf) => `${WHAT_IFS[kind]}${much[kind] ? `, ${much[kind]}` : ''}`;
  const planned = filled?.outcome.wetTime ?? null;
  const shown = whatIfs.filter(({ wetTime }) => wetTime !== null);
  const config: ChartConfiguration<'bar'> = {
    type: 'bar',
    data: {
      labels: shown.map(({ kind }) => nameOf(kind)),
      datasets: [
        {
          label: 'from the plan to this',
          data: shown.map(({ wetTime }) => {
            const at = planned ?? 0;
            return [Math.min(at, wetTime!) / 60, Math.max(at, wetTime!) / 60] as [number, number];
          }),
          backgroundColor: PALETTE.clay,
          barThickness: 16,
          minBarLength: 3,
        },
      ],
    },
    options: {
      indexAxis: 'y',
      scales: { x: { min: 0, title: { display: true, text: 'minutes until wet through' } } },
      plugins: {
        legend: { display: false },
        annotation: {
          annotations: {
            wanted: {
              type: 'line',
              xMin: plan.target / 60,
              xMax: plan.target / 60,
              borderColor: PALETTE.ink,
              borderDash: [4, 3],
              label: { display: true, content: 'wanted', position: 'start' },
            },
          },
        },
      },
    },
  };
  return (
    <Card body className="mb-3">
      <div className="d-flex gap-2 align-items-center mb-2">
        <h2 className="mb-0 me-auto">What if it goes otherwise?</h2>
        {running === 'whatIfs' && (
          <span className="small soft" role="status">
            {whatIfs.length} of {Object.keys(WHAT_IFS).length} tried…
          </span>
        )}
        <Button size="sm" variant="outline-primary" className="d-print-none" disabled={disabled} onClick={onRun}>
          Try each
        </Button>
      </div>
      {whatIfs.length === 0 ? (
        <p className="soft mb-0">
          A hotter or colder shop, a clamp opened late, a leak, resin that races along the edges: each by itself, on
          this plan.
        </p>
      ) : (
        <>
          {planned !== null && shown.length > 0 && (
            <Chart size="chart-low" config={config} label="Fill time if it goes otherwise" />
          )}
          <table className="table table-sm mb-0" aria-label="What if">
            <thead>
              <tr>
                <th scope="col">If</th>
                <th scope="col">wet through in</th>
                <th scope="col">pot life over it</th>
                <th scope="col">stays dry</th>
              </tr>
            </thead>
            <tbody>
              {whatIfs.map(({ kind, wetTime, margin, dry }) => (
                <tr key={kind}>
                  <th scope="row" className="fw-normal">
                    {nameOf(kind)}
                  </th>
                  <td>{wetTime === null ? '✕ never' : minutes(wetTime)}</td>
                  <td>
                    {margin === null ? '✕' : `${MARKS[marginWord(margin, filling.margin)]} ${formatNumber(margin, 1)}`}
                  </td>
                  <td>{wetTime === null ? full(dry, dryKind(dry)) : 'nothing'}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </Card>
  );
}
