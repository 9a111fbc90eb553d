'use client';
import { useMemo } from 'react';
import type { Boat, Part, Zone } from '@/core/document';
import { targetOf } from '@/core/evaluate';
import { otherProcesses } from '@/core/option';
import { displayUnit, formatNumber } from '@/core/quantity';
import { useUnits } from '../shared/units';
import { useYard } from '../shared/useYard';
import { Verdict } from '../shared/Verdict';

/** The layers of a zone as they are, laid by every process. */
export function ByProcess({ boat, part, zone }: { boat: Boat; part: Part; zone: Zone }) {
  const { show, unit, system } = useUnits();
  const perArea = displayUnit('area', system).factor;
  const rates = useYard()?.rates;
  const rows = useMemo(() => otherProcesses(boat, part, zone, rates), [boat, part, zone, rates]);
  return (
    <details className="mb-3">
      <summary>The same layers by another process</summary>
      <div className="table-responsive">
        <table className="table table-sm mb-1 w-auto" aria-label="The same layers by another process">
          <thead>
            <tr>
              <th scope="col">Process</th>
              <th scope="col" className="num">
                {unit('laminateWeight')}
              </th>
              <th scope="col" className="num">
                {unit('thickness')}
              </th>
              <th scope="col" className="num">
                fibre by mass
              </th>
              <th scope="col" className="num">
                money per {unit('area')}
              </th>
              <th scope="col" className="num">
                hours per {unit('area')}
              </th>
              <th scope="col">Reserve</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ process, name, mass, thickness, fibreWeightFraction, cost, hours, reserveFactor }) => (
              <tr key={process}>
                <th scope="row" className={process === boat.brief.process ? undefined : 'fw-normal'}>
                  {name}
                  {process === boat.brief.process && ', as now'}
                </th>
                <td className="num">{show(mass, 'laminateWeight')}</td>
                <td className="num">{show(thickness, 'thickness')}</td>
                <td className="num">{formatNumber(100 * fibreWeightFraction, 0)} %</td>
                <td className="num">{cost === null ? '?' : formatNumber(cost * perArea, 1)}</td>
                <td className="num">{formatNumber(hours * perArea, system === 'us' ? 2 : 1)}</td>
                <td>
                  {reserveFactor === null ? (
                    <span className="soft">not proven</span>
                  ) : (
                    <Verdict reserveFactor={reserveFactor} target={targetOf(boat)} words={false} />
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="small soft mb-0">
        Resin and layers as they are; a process that they do not go with is warned of in Check. Hours by the rates of
        the yard, without what goes by the part; what is thrown away stands under Weights.
      </p>
    </details>
  );
}
