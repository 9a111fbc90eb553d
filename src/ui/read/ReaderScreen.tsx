'use client';
import { useEffect } from 'react';
import { Card } from 'react-bootstrap';
import type { Boat } from '@/core/document';
import { formatReserve } from '@/core/quantity';
import type { Revision, RevisionResults } from '@/core/revision';
import { api } from '../shared/api';
import { Moment } from '../shared/Moment';
import { HouseUnitsProvider, UnitsSwitch, useUnits } from '../shared/units';
import { PointList } from '../revisions/OpenPoints';

interface Shown {
  secret: string;
  reader: string;
  endsAt: string;
  boat: Boat;
  revision: Revision;
  results: RevisionResults | null;
}

/** One revision for somebody without an account: what was signed, what stood open, and its print. */
export function ReaderScreen(shown: Shown) {
  const { secret } = shown;
  useEffect(() => {
    // Whether the count arrives changes nothing for the reader.
    api('POST', `/api/read/${secret}`).catch(() => {});
  }, [secret]);
  return (
    <HouseUnitsProvider units={shown.boat.brief.units}>
      <RevisionPage {...shown} />
    </HouseUnitsProvider>
  );
}

function RevisionPage({ secret, reader, endsAt, boat, revision, results }: Shown) {
  const { full } = useUnits();
  return (
    <main className="page reader">
      <div className="d-flex align-items-center gap-2 mb-2">
        <h1>
          {boat.name}, revision {revision.label}
        </h1>
        <span className="spacer" />
        <UnitsSwitch />
      </div>
      <p>
        For {reader}, until <Moment iso={endsAt} dayOnly />. Nothing can be changed here.
      </p>
      <Card className="mb-3">
        <Card.Body>
          <dl className="facts">
            <dt>Issued</dt>
            <dd>
              by {revision.author}, <Moment iso={revision.issuedAt} />: {revision.note}
            </dd>
            <dt>State</dt>
            <dd>
              {revision.state}
              {revision.onFloor && ', on the floor'}
            </dd>
            <dt>SHA-256</dt>
            <dd>
              <code className="text-break">{revision.hash}</code>
            </dd>
            {results && (
              <>
                <dt>Loaded mass</dt>
                <dd>{full(results.mass, 'mass')}</dd>
                <dt>Engine</dt>
                <dd>{revision.engine}</dd>
              </>
            )}
          </dl>
          {revision.open && (
            <>
              <h2>Issued with this open</h2>
              <PointList points={revision.open.points} />
              <p className="mb-0">Because: {revision.open.answer}</p>
            </>
          )}
        </Card.Body>
      </Card>
      <p>
        <a className="btn btn-primary" href={`/api/read/${secret}`} download>
          The schedule with its workings, PDF
        </a>
      </p>
      {results && <Reserves results={results} />}
      <p className="small soft">
        What was checked, against what, and what was not, stands in the print. It supports a decision and does not
        replace the standard’s own text, local codes, survey, or a licensed naval architect or engineer.
      </p>
    </main>
  );
}

/** Reserve of every zone as it was issued. */
function Reserves({ results }: { results: RevisionResults }) {
  return (
    <Card className="mb-3">
      <Card.Body>
        <h2>Zones as issued</h2>
        <table className="table table-sm mb-0">
          <thead>
            <tr>
              <th scope="col">Zone</th>
              <th scope="col" className="num">
                Reserve factor
              </th>
            </tr>
          </thead>
          <tbody>
            {results.zones.map(({ zone, reserveFactor }) => (
              <tr key={zone}>
                <th scope="row" className="fw-normal">
                  {zone}
                </th>
                <td className="num">{reserveFactor === null ? 'not checked' : formatReserve(reserveFactor)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Card.Body>
    </Card>
  );
}
