'use client';
import Link from 'next/link';
import { useState } from 'react';
import { Card } from 'react-bootstrap';
import type { LogOfYard, YardView } from '@/core/log';
import { Frame } from '../shared/Frame';
import { Moment } from '../shared/Moment';
import { Tabs } from '../shared/Tabs';
import { useUnits } from '../shared/units';
import { SeriesChart } from './SeriesChart';

const percent = (share: number) => `${(100 * share).toFixed(0)} %`;

/** What all hulls say together: over their plans, with the limits of chance, and what went wrong. */
export function LogScreen({ yard }: { yard: LogOfYard }) {
  const [open, setOpen] = useState(yard.boats[0]?.boatId ?? '');
  const own = yard.boats.find(({ boatId }) => boatId === open);
  return (
    <Frame
      head={
        <>
          <h1>Log</h1>
          <Link href="/log/trials">Trials</Link>
          <Link href="/log/instruments">Instruments</Link>
          <Link href="/log/learning">Learning</Link>
        </>
      }
    >
      <p className="question">What really happened, and what do we know now?</p>
      {yard.builds.length === 0 && <p>No hull has been begun: the log is written by the Floor.</p>}
      <Card body className="mb-3">
        <h2>Hulls</h2>
        <table className="table table-sm mb-0" aria-label="Hulls">
          <tbody>
            {yard.builds.map(({ id, boat, hull, revision, createdAt, closedAt }) => (
              <tr key={id}>
                <th scope="row" className="fw-normal">
                  <Link href={`/log/${id}`}>
                    {boat}, hull {hull}
                  </Link>
                </th>
                <td>revision {revision}</td>
                <td>
                  begun <Moment iso={createdAt} />
                </td>
                <td>{closedAt === null ? '' : 'closed'}</td>
                <td className="text-end">
                  <a href={`/api/log/${id}/book?edition=short`}>Book, short</a> ·{' '}
                  <a href={`/api/log/${id}/book?edition=full`}>full</a> ·{' '}
                  <a href={`/api/log/${id}/book?format=json`}>JSON</a>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Card>
      <Card body className="mb-3">
        <h2>What was learned, and is in use</h2>
        {yard.learned.length === 0 ? (
          <p className="mb-0 soft">
            Nothing yet: boats are built by what is published. See <Link href="/log/learning">Learning</Link>.
          </p>
        ) : (
          <ul className="mb-0">
            {yard.learned.map(({ says, on, author }) => (
              <li key={says}>
                {says}{' '}
                <span className="soft">
                  since {on}
                  {author && `, by ${author}`}
                </span>
              </li>
            ))}
          </ul>
        )}
      </Card>
      {yard.boats.length > 1 && (
        <Tabs
          names={Object.fromEntries(yard.boats.map(({ boatId, boat }) => [boatId, boat]))}
          open={open}
          onOpen={setOpen}
        />
      )}
      {own && <BoatView hulls={own.hulls} view={own.view} />}
    </Frame>
  );
}

function BoatView({ hulls, view }: { hulls: string[]; view: YardView }) {
  const { full } = useUnits();
  const { firstPass, defects, hours, resin, series } = view;
  return (
    <>
      <Card body className="mb-3">
        <h2>{hulls.length === 1 ? `Hull ${hulls[0]}` : `${hulls.length} hulls`} together</h2>
        <ul className="mb-0">
          <li>
            Passed the first time, with no defect and nothing let go on: {firstPass.passed} of {firstPass.done} steps
            {firstPass.done > 0 && `, ${percent(firstPass.passed / firstPass.done)}`}
          </li>
          <li>
            {hours.read > 0
              ? `${hours.read.toFixed(0)} h written down where ${hours.planned.toFixed(0)} h were planned`
              : 'Hours: none written down yet'}
          </li>
          <li>
            {full(resin.mixed, 'mass')} mixed, {full(resin.thrown, 'mass')} of it thrown away in the pot
          </li>
        </ul>
      </Card>
      {defects.length > 0 && (
        <Card body className="mb-3">
          <h2>What went wrong</h2>
          <table className="table table-sm mb-0" aria-label="Defects by kind">
            <tbody>
              {defects.map(({ kind, name, number, steps }) => (
                <tr key={kind}>
                  <th scope="row" className="fw-normal">
                    {name}
                  </th>
                  <td className="num">{number}</td>
                  <td>found at {steps.join(', ')}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Card>
      )}
      {series.length === 0 && <p>Nothing was weighed or read yet.</p>}
      <OneHull series={series.filter(({ points }) => points.length === 1)} />
      <div className="log-series">
        {series
          .filter(({ points }) => points.length > 1)
          .map((one) => (
            <Card key={one.name} body>
              <h2>{one.name}</h2>
              <SeriesChart series={one} />
            </Card>
          ))}
      </div>
    </>
  );
}

/** What only one hull tells yet: a figure, no chart. */
function OneHull({ series }: Pick<YardView, 'series'>) {
  if (series.length === 0) return null;
  return (
    <Card body className="mb-3">
      <h2>Read of one hull so far</h2>
      <table className="table table-sm mb-0" aria-label="Read of one hull so far">
        <tbody>
          {series.map(({ name, target, points: [point] }) => (
            <tr key={name}>
              <th scope="row" className="fw-normal">
                {name}
              </th>
              <td className="num">{point!.value.toFixed(3)}</td>
              <td className="soft">
                hull {point!.hull}
                {target !== null && ', planned 1'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Card>
  );
}
