'use client';
import type { ChartConfiguration } from 'chart.js';
import { useMemo, useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import type { Boat } from '@/core/document';
import { applyEdits, type Edit } from '@/core/edit';
import type { TradeAxes, TradePoint } from '@/core/option';
import { displayUnit, formatNumber } from '@/core/quantity';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import { useUnits } from '../shared/units';
import type { BetterAsk } from './BetterTab';
import { neededOf } from './BetterView';
import { GridChange } from './GridChange';
import { TakeIt } from './TakeIt';

interface TradeViewProps {
  points: readonly TradePoint[];
  slopes: readonly number[];
  of: Boat;
  asked: BetterAsk;
  fetched: Edit[];
  current: boolean;
  boatId: string;
}

/** What mass is traded against: which of a point's figures, and how it is said. */
const SECONDS: Readonly<
  Record<TradeAxes, { pick: (point: TradePoint) => number; axis: string; unit: string; digits: number }>
> = {
  'mass-cost': {
    pick: ({ cost }) => cost ?? 0,
    axis: 'Materials, money of the Shelf',
    unit: 'money',
    digits: 0,
  },
  'mass-hours': { pick: ({ hours }) => hours, axis: 'Hours of cutting and laying', unit: 'hours', digits: 1 },
  'mass-pieces': { pick: ({ pieces }) => pieces, axis: 'Pieces', unit: 'pieces', digits: 0 },
};

/** Two aims against each other as a curve; each of its points is a schedule to open. */
export function TradeView({ points, slopes, of, asked, fetched, current, boatId }: TradeViewProps) {
  const { system, full, unit } = useUnits();
  const [chosen, setChosen] = useState(0);
  const { pick: second, axis, unit: secondUnit, digits } = SECONDS[asked.aim as TradeAxes];
  const { factor, label } = displayUnit('mass', system);
  const point = points[Math.min(chosen, points.length - 1)]!;
  const book = useMemo(() => applyEdits(of, fetched).boat, [of, fetched]);
  const after = useMemo(() => applyEdits(book, point.answer.edits).boat, [book, point]);
  const part = of.parts.find(({ id }) => id === asked.partId)!;
  const config: ChartConfiguration<'scatter'> = {
    type: 'scatter',
    data: {
      datasets: [
        {
          data: points.map((one, i) => ({
            x: second(one),
            y: one.mass / factor,
            name: String(i + 1),
            chosen: one === point,
          })),
          showLine: true,
          borderColor: PALETTE.clay,
          borderWidth: 1.5,
          pointRadius: points.map((one) => (one === point ? 8 : 5)),
          pointBackgroundColor: points.map((one) => (one === point ? PALETTE.clay : PALETTE.card)),
          pointBorderColor: PALETTE.clay,
        },
      ],
    },
    options: {
      onClick: (_, [hit]) => hit && setChosen(hit.index),
      scales: {
        x: { title: { display: true, text: axis } },
        y: { title: { display: true, text: `Mass of its zones, ${label}` } },
      },
      plugins: { legend: { display: false } },
    },
  };
  const secondSaid = (value: number) => `${formatNumber(value, digits)} ${secondUnit}`;
  return (
    <div className="d-grid gap-3">
      <Card body>
        {points.length === 1 ? (
          <p>One schedule is the best in both: there is nothing to trade.</p>
        ) : (
          <Chart size="chart-mid" label={`Mass against ${secondUnit}`} config={config}>
            {points.map((one, i) => `${i + 1}: ${full(one.mass, 'mass')}, ${secondSaid(second(one))}`).join('. ')}
          </Chart>
        )}
        <ol className="mb-0" aria-label="Schedules on the curve">
          {points.map((one, i) => (
            <li key={i}>
              <Button
                size="sm"
                variant="link"
                className="p-0"
                aria-pressed={one === point}
                onClick={() => setChosen(i)}
              >
                {full(one.mass, 'mass')}, {secondSaid(second(one))}
              </Button>
              {i > 0 && (
                <span className="soft">
                  {' '}
                  each {unit('mass')} more saves {formatNumber(slopes[i - 1]! * factor, 1)} {secondUnit}
                </span>
              )}
              {one.answer.gap > 1e-9 && (
                <span className="soft"> (within {formatNumber(Math.ceil(one.answer.gap * 1000) / 10, 1)} %)</span>
              )}
            </li>
          ))}
        </ol>
      </Card>
      <Card body>
        <h2>
          Schedule {points.indexOf(point) + 1}: {full(point.mass, 'mass')}, {secondSaid(second(point))}
        </h2>
        <GridChange before={book} after={after} part={part} />
      </Card>
      {point.answer.edits.length > 0 && (
        <Card body>
          {current ? (
            <TakeIt
              key={points.indexOf(point)}
              boat={of}
              boatId={boatId}
              title={`laid ${part.name} anew, schedule ${points.indexOf(point) + 1} of the curve`}
              edits={[...neededOf(fetched, point.answer.edits), ...point.answer.edits]}
            />
          ) : (
            <p className="mb-0">The boat has changed since: look again before you take it.</p>
          )}
        </Card>
      )}
    </div>
  );
}
