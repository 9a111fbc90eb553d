'use client';
import { Card } from 'react-bootstrap';
import { formatNumber } from '@/core/quantity';
import { useUnits } from '../shared/units';
import type { Filled } from '@/workers/fill.worker';
import { dryKind, minutes } from './minutes';

/** Zone by zone: when the front has passed, when the last sheet on the mould is wet, what stays dry. */
export function ZonesFilled({ filled: { outcome } }: { filled: Filled }) {
  const { full } = useUnits();
  return (
    <Card body>
      <h2>Zone by zone</h2>
      <table className="table table-sm mb-1" aria-label="Zones as they fill">
        <thead>
          <tr>
            <th scope="col">Zone</th>
            <th scope="col">front at the mesh has passed</th>
            <th scope="col">last sheet on the mould is wet</th>
            <th scope="col">stays dry</th>
          </tr>
        </thead>
        <tbody>
          {outcome.zones.map(({ id, name, front, wet, dry }) => (
            <tr key={id}>
              <th scope="row" className="fw-normal">
                {name}
              </th>
              <td>{minutes(front)}</td>
              <td>{minutes(wet)}</td>
              <td>{front === null ? `✕ ${full(dry, dryKind(dry))}` : 'nothing'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="small soft mb-0">
        The last sheet lags because resin comes through the stack from the mesh; reckoned with half of what drives it.
        While the feed is open the pack under it is up to {formatNumber(100 * outcome.thicker, 0)} % thicker than by the
        vacuum: clamp when it is full, and let the vacuum draw the surplus before gel. If half of the vacuum is lost
        before gel, all of it springs back by {formatNumber(100 * outcome.halfLost, 0)} %; leave the pump on and read
        the gauge until it has gelled.
      </p>
    </Card>
  );
}
