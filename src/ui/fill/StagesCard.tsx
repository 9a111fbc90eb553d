'use client';
import { useMemo } from 'react';
import { Button, Card } from 'react-bootstrap';
import { thickestShot, type Cured, type Curing } from '@/core/cure';
import type { CurePlan } from '@/core/document';
import type { Mixing } from '@/core/kit';
import { formatNumber } from '@/core/quantity';
import { useDesign } from '../shared/boat';
import { useUnits } from '../shared/units';
import { minutes } from './minutes';

/** What goes down together: by how hot it gets, and by how long the one before stays tacky. */
export function StagesCard({
  plan,
  cured: { zones, given, cure, bagged },
  curing,
  mixing,
  onPlan,
}: {
  plan: CurePlan;
  cured: Cured;
  curing: Curing;
  mixing: Mixing;
  onPlan: (plan: CurePlan) => string | undefined;
}) {
  const { boat } = useDesign();
  const { full } = useUnits();
  const found = useMemo(
    () =>
      zones.map(({ zoneId, name }) => {
        const { zone, evaluation } = given.find((one) => one.zone.id === zoneId)!;
        const resinMass = evaluation.layers.reduce((sum, one) => sum + one.resinMass, 0) * zone.geometry.area;
        return { zoneId, name, resinMass, ...thickestShot(evaluation, { zone, plan, cure, curing, bagged }) };
      }),
    [zones, given, plan, cure, curing, bagged],
  );
  const limits = found.flatMap(({ most }) => (most === null ? [] : [most]));
  const least = limits.length > 0 ? Math.min(...limits) : null;
  const hours = (mass: number) => mass / (mixing.people * mixing.wetOut) / 60;
  const byHand = boat.brief.process === 'handLayUp' || boat.brief.process === 'wetBag';
  return (
    <Card body>
      <div className="d-flex gap-2 align-items-center flex-wrap mb-2">
        <h2 className="mb-0 me-auto">What goes down together</h2>
        {least !== null && plan.shot !== least && (
          <Button
            size="sm"
            variant="outline-primary"
            className="d-print-none"
            onClick={() => onPlan({ ...plan, shot: least })}
          >
            In goes of {full(least, 'thickness')}
          </Button>
        )}
      </div>
      <div className="table-responsive">
        <table className="table table-sm mb-1" aria-label="What goes down together">
          <thead>
            <tr>
              <th scope="col">Zone</th>
              <th scope="col">at once, at most</th>
              <th scope="col">as it is planned</th>
              <th scope="col">the next go between</th>
              {byHand && <th scope="col">to wet out, {mixing.people} people</th>}
            </tr>
          </thead>
          <tbody>
            {found.map(({ zoneId, name, most, allAtOnce, resinMass }) => {
              const zone = zones.find((one) => one.zoneId === zoneId)!;
              const each = hours(resinMass / zone.shots.length);
              return (
                <tr key={zoneId}>
                  <th scope="row" className="fw-normal">
                    {name}
                  </th>
                  <td>
                    {allAtOnce ? 'all of it' : (most === null && '✕ not one layer') || full(most ?? 0, 'thickness')}
                  </td>
                  <td>
                    {zone.shots
                      .map(({ from, to, peak }) => `layers ${from + 1} to ${to}: ${full(peak, 'temperature')}`)
                      .join('; ')}
                  </td>
                  <td>
                    {zone.shots.length > 1 || byHand ? `${minutes(zone.gel)} and ${minutes(zone.tackEnds)}` : '–'}
                  </td>
                  {byHand && (
                    <td>
                      {minutes(each * 3600)}
                      {zone.gel !== null &&
                        each * 3600 > 0.7 * zone.gel &&
                        ' △ longer than it stays wet: more hands, or part it'}
                    </td>
                  )}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="small soft mb-0">
        The next go is laid when the one before has gelled and cooled, and before it loses its tack; later it is
        abraded. A skin coat by itself first, so that nothing shows through; core is bedded on what has gelled, or in
        wet paste under vacuum. {formatNumber(mixing.wetOut, 2)} kg of resin a minute by each of {mixing.people} people,
        as under Mixing.
      </p>
    </Card>
  );
}
