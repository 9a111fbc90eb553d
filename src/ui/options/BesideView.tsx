'use client';
import type { ChartConfiguration } from 'chart.js';
import { Card } from 'react-bootstrap';
import type { Boat } from '@/core/document';
import { targetOf } from '@/core/evaluate';
import type { ScheduleSum } from '@/core/option';
import { formatNumber } from '@/core/quantity';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import { useUnits } from '../shared/units';
import { Verdict } from '../shared/Verdict';
import type { Schedule } from './BesideTab';

/** Reserves above are drawn at the end of the axis. */
const MOST_DRAWN = 4;
const FILLS = [PALETTE.sand, PALETTE['in-hand'], PALETTE.blush, PALETTE.straw];

/** A zone of one schedule beside the same zone of others: by its id, else by part and name. */
export function zonesBeside(schedules: readonly Schedule[], sums: ReadonlyMap<Boat, ScheduleSum>) {
  const all = schedules.map(({ boat }) => sums.get(boat)!.zones);
  const rows: { part: string; name: string; of: (ScheduleSum['zones'][number] | null)[] }[] = [];
  const taken = all.map(() => new Set<string>());
  all.forEach((zones, s) =>
    zones.forEach((zone) => {
      if (taken[s]!.has(zone.id)) return;
      const of = all.map((others, o) => {
        if (o < s) return null;
        const twin =
          others.find(({ id }) => id === zone.id && !taken[o]!.has(id)) ??
          others.find((one) => one.part === zone.part && one.name === zone.name && !taken[o]!.has(one.id));
        if (twin) taken[o]!.add(twin.id);
        return twin ?? null;
      });
      rows.push({ part: zone.part, name: zone.name, of });
    }),
  );
  return rows;
}

/** Schedules side by side: reserves as a picture, then totals, then zone by zone. */
export function BesideView({
  schedules,
  sums,
}: {
  schedules: readonly Schedule[];
  sums: ReadonlyMap<Boat, ScheduleSum>;
}) {
  const { full, show, unit } = useUnits();
  const rows = zonesBeside(schedules, sums);
  const of = schedules.map(({ boat }) => sums.get(boat)!);
  const [first] = of;
  const target = targetOf(schedules[0]!.boat);
  const config: ChartConfiguration<'bar'> = {
    type: 'bar',
    data: {
      labels: rows.map(({ name }) => name),
      datasets: schedules.map(({ name }, s) => ({
        label: name,
        data: rows.map((row) => Math.min(MOST_DRAWN, row.of[s]?.reserveFactor ?? 0)),
        backgroundColor: FILLS[s]!,
        borderColor: PALETTE.ink,
        borderWidth: 0.8,
      })),
    },
    options: {
      scales: {
        y: { min: 0, max: MOST_DRAWN, title: { display: true, text: 'Least reserve' } },
        x: { ticks: { autoSkip: false, maxRotation: 60, color: PALETTE.ink }, grid: { display: false } },
      },
      plugins: {
        legend: { display: schedules.length > 1 },
        annotation: {
          annotations: {
            asked: { type: 'line', yMin: target, yMax: target, borderColor: PALETTE.clay, borderWidth: 1.5 },
          },
        },
      },
    },
  };
  const signed = (value: number, said: (value: number) => string) => `${value < 0 ? '−' : '+'}${said(Math.abs(value))}`;
  const total = (label: string, pick: (sum: ScheduleSum) => number | null, said: (value: number) => string) => (
    <tr>
      <th scope="row" className="fw-normal">
        {label}
      </th>
      {of.map((sum, s) => {
        const [value, base] = [pick(sum), pick(first!)];
        return (
          <td key={schedules[s]!.key} className="num">
            {value === null ? 'not known' : said(value)}
            {s > 0 && value !== null && base !== null && <span className="soft"> ({signed(value - base, said)})</span>}
          </td>
        );
      })}
    </tr>
  );
  return (
    <div className="d-grid gap-3 mb-3">
      <Card body>
        <Chart
          size="chart-mid"
          label={`Least reserve of every zone; the line is ${formatNumber(target, 2)}`}
          config={config}
        />
      </Card>
      <Card>
        <Card.Body className="p-0 table-responsive">
          <table className="table table-sm mb-0 beside" aria-label="Schedules side by side">
            <thead>
              <tr>
                <th scope="col">Zone</th>
                {schedules.map(({ key, name }) => (
                  <th key={key} scope="col" className="num">
                    {name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {total(
                `Mass, ${unit('mass')}`,
                ({ mass }) => mass,
                (value) => show(value, 'mass'),
              )}
              {total(
                'Centre from the stern',
                ({ centreX }) => centreX,
                (value) => full(value, 'length'),
              )}
              {total(
                'Centre above the base',
                ({ centreZ }) => centreZ,
                (value) => full(value, 'length'),
              )}
              {total(
                'Materials of its zones, money',
                ({ cost }) => cost,
                (value) => formatNumber(value, 0),
              )}
              {total(
                'All that the boat costs, money',
                ({ whole }) => whole,
                (value) => formatNumber(value, 0),
              )}
              {total(
                'Hours for the boat',
                ({ hours }) => hours,
                (value) => formatNumber(value, 0),
              )}
              {total(
                'Pieces of its layers',
                ({ pieces }) => pieces,
                (value) => formatNumber(value, 0),
              )}
              {total(
                'Rows of the grid',
                ({ rows: count }) => count,
                (value) => formatNumber(value, 0),
              )}
              {rows.map((row) => (
                <tr key={`${row.part} ${row.name}`}>
                  <th scope="row" className="fw-normal">
                    {row.name} <span className="soft">{row.part}</span>
                  </th>
                  {row.of.map((zone, s) => (
                    <td key={schedules[s]!.key} className="num" title={zone?.layers.join(', ')}>
                      {zone === null && <span className="soft">not there</span>}
                      {zone && (
                        <>
                          {show(zone.arealWeight, 'laminateWeight')}{' '}
                          {zone.reserveFactor === null ? (
                            '?'
                          ) : (
                            <Verdict reserveFactor={zone.reserveFactor} target={target} words={false} />
                          )}
                          {s > 0 && row.of[0] && zone.layers.join() !== row.of[0].layers.join() && (
                            <div className="small soft layers-differ">
                              {differenceOf(row.of[0].layers, zone.layers)}
                            </div>
                          )}
                        </>
                      )}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </Card.Body>
      </Card>
      <p className="small soft mb-0">
        Zones in {unit('laminateWeight')} with their least reserve, by the rules of each boat, at planned values; a
        question mark where one is not proven. What each leaves unchecked stands under Check. Cost and hours by the
        rates and prices of the yard, under Weights.
      </p>
    </div>
  );
}

/** Codes that one list of layers has more than another: '+ BX45 600, − TX 900'. */
export function differenceOf(before: readonly string[], after: readonly string[]): string {
  const count = (list: readonly string[], code: string) => list.filter((one) => one === code).length;
  const codes = [...new Set([...before, ...after])];
  const said = codes.flatMap((code) => {
    const more = count(after, code) - count(before, code);
    if (more === 0) return [];
    const times = Math.abs(more) > 1 ? `${Math.abs(more)} × ` : '';
    return [`${more > 0 ? '+' : '−'} ${times}${code}`];
  });
  return said.length > 0 ? said.join(', ') : 'another order';
}
