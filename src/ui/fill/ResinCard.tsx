'use client';
import type { ChartConfiguration } from 'chart.js';
import { Card } from 'react-bootstrap';
import { resinToHave, type FillCase } from '@/core/fill';
import type { Mixing } from '@/core/kit';
import { formatNumber } from '@/core/quantity';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import { useUnits } from '../shared/units';
import type { Filled } from '@/workers/fill.worker';
import { minutes } from './minutes';

/** Resin to have ready: where it goes, and when each bucket is drawn empty. */
export function ResinCard({ own, filled, mixing }: { own: FillCase; filled: Filled | null; mixing: Mixing }) {
  const { full, show, unit } = useUnits();
  const { inPart, inMedia, inLines, waste, total, hands, buckets } = filled?.resin ?? resinToHave(own, null);
  const hardener = mixing.hardeners.find(({ family }) => family === own.resin.family);
  const points = filled?.course.map(({ time, volume }) => ({
    x: time / 60,
    y: (volume / filled.course.at(-1)!.volume) * (inPart + inMedia + inLines),
  }));
  const config: ChartConfiguration<'scatter'> = {
    type: 'scatter',
    data: {
      datasets: [
        {
          label: 'drawn, both hands',
          data: [{ x: 0, y: 0 }, ...(points ?? [])],
          borderColor: PALETTE.clay,
          showLine: true,
          pointRadius: 0,
        },
      ],
    },
    options: {
      parsing: false,
      scales: {
        x: { type: 'linear', min: 0, title: { display: true, text: 'minutes after the first clamp' } },
        y: { min: 0, title: { display: true, text: 'resin drawn, kg' } },
      },
      plugins: { legend: { display: false } },
    },
  };
  return (
    <Card body className="mb-3">
      <h2>Resin to have ready: {full(total, 'mass')}</h2>
      {filled && isLost(filled) && (
        <p className="mb-1">
          <span className="verdict fails">✕</span> By this plan the part would be lost: mend it before the first batch
          is mixed.
        </p>
      )}
      <p className="mb-2">
        {full(inPart, 'mass')} stay in the part, {full(inMedia, 'mass')} in mesh, peel ply and film,{' '}
        {full(inLines, 'mass')} in the lines, {full(waste, 'mass')} in pots and hoses; {own.resin.name}
        {hands === 2 ? ', both hands' : ''}.
        {hardener &&
          ` Of it ${full((total * hardener.share) / (1 + hardener.share), 'mass')} are hardener: ` +
            `${hardener.name}, ${formatNumber(100 * hardener.share, 1)} % of the resin.`}{' '}
        No batch is mixed before the bag has passed its drop test.
      </p>
      {filled && points && (
        <div className="fill-columns">
          <Chart size="chart-mid" config={config} label="Resin drawn over time">
            {buckets.map(({ mass, from, to }, i) => (
              <span key={i}>
                Bucket {i + 1}, {full(mass, 'mass')}: from {minutes(from)} to {minutes(to)}.{' '}
              </span>
            ))}
          </Chart>
          <table className="table table-sm mb-0" aria-label="Buckets">
            <thead>
              <tr>
                <th scope="col">Bucket</th>
                <th scope="col">{unit('mass')}</th>
                <th scope="col">drawn from</th>
                <th scope="col">to</th>
              </tr>
            </thead>
            <tbody>
              {buckets.map(({ mass, from, to }, i) => (
                <tr key={i}>
                  <th scope="row" className="fw-normal">
                    {i + 1}
                  </th>
                  <td>{show(mass, 'mass')}</td>
                  <td>{minutes(from)}</td>
                  <td>{minutes(to)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <p className="small soft mb-0">
        ⚠ A full bucket with hardener heats itself up and can burn: mix as it is drawn, keep it shallow, never leave it.
        Wear gloves and eye protection, with a mask for the vapour that the resin’s data sheet names. The pump’s oil
        takes up styrene: vent its exhaust outside. Data sheet and local rules go before this.
      </p>
    </Card>
  );
}

/** Whether something stays dry or gels before it is wet, or a side of it is not reached at all. */
const isLost = ({ outcome, problems }: Filled) => problems.length > 0 || outcome.margin === null || outcome.margin < 1;
