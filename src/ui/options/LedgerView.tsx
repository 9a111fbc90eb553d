'use client';
import type { ChartConfiguration } from 'chart.js';
import { useState } from 'react';
import { Card, Form } from 'react-bootstrap';
import type { Boat } from '@/core/document';
import { groupedLedger, type Ledger } from '@/core/option';
import { displayUnit, formatReserve, formatSigned } from '@/core/quantity';
import { Chart } from '../shared/charts/Chart';
import { PALETTE } from '../shared/palette';
import { useUnits } from '../shared/units';
import type { Schedule } from './BesideTab';

const LEAST = '';
/** More changes than this are shown by material first. */
const MANY = 18;
/** The least of all zones; null where one is not proven. */
const leastOf = (reserves: Record<string, number | null>): number | null => {
  const all = Object.values(reserves);
  return all.length === 0 || all.includes(null) ? null : Math.min(...(all as number[]));
};

/** Every change from one schedule to another, with its kilograms and what it does to a reserve: they add up. */
export function LedgerView({ ledger, from, to }: { ledger: Ledger; from: Boat; to: Schedule }) {
  const { system, full, unit, words } = useUnits();
  const [zone, setZone] = useState(LEAST);
  const { factor, digits, label } = displayUnit('mass', system);
  const of = (reserves: Record<string, number | null>) =>
    zone === LEAST ? leastOf(reserves) : (reserves[zone] ?? null);
  const every = ledger.steps.map(({ title, part, mass, reserves }, i) => {
    const before = of(i === 0 ? ledger.reserves : ledger.steps[i - 1]!.reserves);
    const after = of(reserves);
    const moved = before !== null && after !== null ? after - before : null;
    return { title: `${part ? `${part}: ` : ''}${words(title)}`, mass: mass / factor, moved, after };
  });
  const [grouped, setGrouped] = useState(every.length > MANY);
  const rows = grouped
    ? groupedLedger(ledger, of).map(({ title, mass, moved, steps }) => {
        const said = steps > 1 ? `${words(title)}, ${steps} changes` : words(title);
        return { title: said, mass: mass / factor, moved, after: undefined };
      })
    : every;
  const [first, last] = [of(ledger.reserves), of(ledger.steps.at(-1)?.reserves ?? ledger.reserves)];
  const heavier = ledger.mass.after - ledger.mass.before;
  const config: ChartConfiguration<'bar'> = {
    type: 'bar',
    data: {
      labels: rows.map(({ title }) => (title.length > 46 ? `${title.slice(0, 45)}…` : title)),
      datasets: [
        {
          data: rows.map(({ mass }) => mass),
          backgroundColor: rows.map(({ mass }) => (mass > 0 ? PALETTE.over : PALETTE['in-hand'])),
          borderColor: PALETTE.ink,
          borderWidth: 0.8,
        },
      ],
    },
    options: {
      indexAxis: 'y',
      scales: {
        x: { title: { display: true, text: `${label} of the boat, lighter to the left` } },
        y: { ticks: { autoSkip: false, color: PALETTE.ink }, grid: { display: false } },
      },
      plugins: { legend: { display: false } },
    },
  };
  const noReserve = zone === LEAST ? 'a zone is not proven' : 'not proven';
  return (
    <Card>
      <Card.Body>
        <div className="d-flex justify-content-between gap-3 flex-wrap align-items-end">
          <h2>
            From as it stands to {to.name}: {full(ledger.mass.before, 'mass')} → {full(ledger.mass.after, 'mass')}
          </h2>
          <Form.Check
            className="no-print"
            id="ledger-grouped"
            label="By material"
            checked={grouped}
            onChange={(event) => setGrouped(event.target.checked)}
          />
          <Form.Group controlId="ledger-zone" className="no-print">
            <Form.Label className="mb-0">Reserve of</Form.Label>
            <Form.Select size="sm" value={zone} onChange={(event) => setZone(event.target.value)}>
              <option value={LEAST}>the weakest zone</option>
              {from.parts.map((part) => (
                <optgroup key={part.id} label={part.name}>
                  {part.zones.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </optgroup>
              ))}
            </Form.Select>
          </Form.Group>
        </div>
        {rows.length === 0 ? (
          <p className="mb-0">Nothing between them moves a kilogram or a reserve.</p>
        ) : (
          <>
            <div className="no-print">
              <Chart
                size={rows.length > 14 ? 'chart-long' : 'chart-tall'}
                label="What each change adds"
                config={config}
              />
            </div>
            <table className="table table-sm mb-0" aria-label="Ledger of changes">
              <thead>
                <tr>
                  <th scope="col">Change</th>
                  <th scope="col" className="num">
                    {unit('mass')}
                  </th>
                  <th scope="col" className="num">
                    reserve
                  </th>
                  {!grouped && (
                    <th scope="col" className="num">
                      after it
                    </th>
                  )}
                </tr>
              </thead>
              <tbody>
                {rows.map(({ title, mass, moved, after }, i) => (
                  <tr key={`${i} ${title}`}>
                    <td>{title}</td>
                    <td className="num">{formatSigned(mass, digits)}</td>
                    <td className="num">{moved === null ? '?' : formatSigned(moved, 2)}</td>
                    {after !== undefined && (
                      <td className="num">{after === null ? noReserve : formatReserve(after)}</td>
                    )}
                  </tr>
                ))}
              </tbody>
              <tfoot>
                <tr>
                  <th scope="row">Together</th>
                  <td className="num fw-semibold">{formatSigned(heavier / factor, digits)}</td>
                  <td className="num fw-semibold">
                    {first === null || last === null ? '?' : formatSigned(last - first, 2)}
                  </td>
                  {!grouped && <td className="num fw-semibold">{last === null ? noReserve : formatReserve(last)}</td>}
                </tr>
              </tfoot>
            </table>
          </>
        )}
        <p className="small soft mb-0 mt-2">
          Each change is tried on what those before it left, from the mould on, part by part: what it does depends on
          them, and the sum does not. A reserve in between may be of a laminate that nobody would lay.
        </p>
      </Card.Body>
    </Card>
  );
}
