import { useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import type { Boat, Space } from '@/core/document';
import { filledBy, heightsOf, solid, soundings } from '@/core/float';
import type { BoatShape } from '@/core/geometry';
import { targetOf, verdictOf, type ZoneEvaluation } from '@/core/evaluate';
import { formatNumber, formatReserve, reaches } from '@/core/quantity';
import { CHECKS } from '@/core/standard';
import { bodyOfSpace, tankWalls } from '@/core/weight';
import { Refusal } from '../shared/Refusal';
import { useEdit } from '../shared/useEdit';
import { useUnits } from '../shared/units';

/** What a tank holds by sounding, what its free surface takes, and what it presses its walls with. */
export function TankCard({
  boat,
  shape,
  tank,
  evaluations,
}: {
  boat: Boat;
  shape: BoatShape;
  tank: Extract<Space, { kind: 'tank' }>;
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
}) {
  const edit = useEdit();
  const { full, show, unit } = useUnits();
  const [refusal, setRefusal] = useState<string | null>(null);
  const body = bodyOfSpace(shape, tank);
  const [whole, heights, half] = [solid(body), heightsOf(body), filledBy(body, 0.5)];
  if (!whole || !heights || !half)
    return <p className="soft">Nothing of {tank.name} lies inside the boat: look at its bounds.</p>;
  const table = soundings(body, 10);
  const walls = tankWalls(boat, shape, tank, evaluations);
  const target = targetOf(boat);
  return (
    <Card className="mb-3">
      <Card.Body>
        <div className="d-flex justify-content-between">
          <h2>
            {tank.name}: soundings <span className="soft fw-normal">from its lowest point, level</span>
          </h2>
          <Button size="sm" variant="outline-primary" className="no-print" onClick={() => window.print()}>
            Print the table
          </Button>
        </div>
        <Refusal text={refusal} onClose={() => setRefusal(null)} />
        <p className="mb-1">
          Holds {full(whole.volume, 'volume')}, {full(whole.volume * tank.density, 'mass')} when full, both hands
          together where there are two; a surface half way up takes {full(half.freeSurface * tank.density, 'mass')}·
          {unit('length')} from the moment that holds her upright.
          {tank.gap === 0 && ' The hull is its wall: what opens the skin opens the tank.'}
        </p>
        <div className="weights-columns">
          <table className="table table-sm" aria-label={`Soundings of ${tank.name}`}>
            <thead>
              <tr>
                <th className="num">
                  Sounding <span className="unit">{unit('shortLength')}</span>
                </th>
                <th className="num">
                  Volume <span className="unit">{unit('volume')}</span>
                </th>
                <th className="num">
                  Mass <span className="unit">{unit('mass')}</span>
                </th>
                <th className="num">Full</th>
              </tr>
            </thead>
            <tbody>
              {table.map(({ sounding, volume, share }) => (
                <tr key={sounding}>
                  <td className="num">{show(sounding, 'shortLength')}</td>
                  <td className="num">{show(volume, 'volume')}</td>
                  <td className="num">{show(volume * tank.density, 'mass')}</td>
                  <td className="num">{formatNumber(100 * share, 0)} %</td>
                </tr>
              ))}
            </tbody>
          </table>
          <div>
            <p className="mb-1">
              Head on its walls, to the overflow {full(tank.overflow, 'length')} above its top; where it lies on a zone
              the zone may be asked for it.
            </p>
            <table className="table table-sm" aria-label={`Walls of ${tank.name}`}>
              <thead>
                <tr>
                  <th>Zone that is its wall</th>
                  <th className="num">Head</th>
                  <th className="num">Pressure</th>
                  <th className="num">Reserve under it</th>
                  <th>The zone is checked for</th>
                </tr>
              </thead>
              <tbody>
                {walls.map(({ zone, head, pressure, own, reserveFactor, governs, eitherFace, asked, harder }) => (
                  <tr key={zone.id}>
                    <td>{zone.name}</td>
                    <td className="num">{full(head, 'length')}</td>
                    <td className="num">{full(pressure, 'pressure')}</td>
                    <td className="num">
                      {reserveFactor === null ? (
                        '– not proven'
                      ) : (
                        <span
                          className={`verdict ${verdictOf(reserveFactor, target)}`}
                          title={governs ? CHECKS[governs as keyof typeof CHECKS] : ''}
                        >
                          {reaches(reserveFactor, 1) ? '✓' : '✕'} {formatReserve(reserveFactor)}
                        </span>
                      )}
                    </td>
                    <td>
                      {own === null ? 'nothing yet' : full(own, 'pressure')} {asked && '✓'}
                      {!eitherFace && ', from outside; the head from inside is looked at here alone'}
                      {eitherFace && !asked && !harder && ', and one of its panels for more: its own stays'}
                      {eitherFace && !asked && harder && (
                        <Button
                          size="sm"
                          variant="outline-primary"
                          onClick={() =>
                            setRefusal(
                              edit({
                                type: 'zone.set',
                                zoneId: zone.id,
                                patch: { designPressure: Math.ceil(pressure) },
                              }) ?? null,
                            )
                          }
                        >
                          Ask the zone for it
                        </Button>
                      )}
                    </td>
                  </tr>
                ))}
                {walls.length === 0 && (
                  <tr>
                    <td colSpan={5} className="soft">
                      No zone of the boat lies on it: its walls are parts of their own. Give them zones, and their heads
                      under Zones.
                    </td>
                  </tr>
                )}
              </tbody>
            </table>
            <p className="small soft mb-0">
              A zone with more pressure of its own keeps that; the head is checked beside it, by itself, from either
              side alike. Not checked: sea and head together, slosh, baffles. Fuel tanks: local codes rule what they may
              be made of, how they vent, and whether they may share a wall with the hull.
            </p>
          </div>
        </div>
      </Card.Body>
    </Card>
  );
}
