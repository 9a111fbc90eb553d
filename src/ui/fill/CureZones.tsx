'use client';
import { Card } from 'react-bootstrap';
import type { Cured, CureLimit, ZoneCure } from '@/core/cure';
import type { CurePlan } from '@/core/document';
import { formatNumber } from '@/core/quantity';
import { PickButton } from '../shared/PickButton';
import { useUnits } from '../shared/units';
import { limitWord, MARKS, minutes } from './minutes';

/** Zone by zone: how hot, when it may be touched, what is broken. */
export function CureZones({
  plan,
  cured: { zones, cure },
  chosen,
  onChoose,
}: {
  plan: CurePlan;
  cured: Cured;
  chosen: string;
  onChoose: (id: string) => void;
}) {
  const { full, unit } = useUnits();
  const broken = zones.flatMap((zone) =>
    zone.limits.filter(({ limit, hottest }) => hottest > limit).map((one) => ({ zone, ...one })),
  );
  const never = zones.filter(({ gel }) => gel === null);
  const soft = zones.filter(({ demould, gel, warm }) => gel !== null && demould === null && !warm);
  const hot = zones.filter(({ demould, gel, warm }) => gel !== null && demould === null && warm);
  return (
    <Card body>
      <h2>Zone by zone</h2>
      <ul className="list-unstyled">
        {broken.map(({ zone, name, limit, hottest, what }) => (
          <li key={`${zone.zoneId} ${name}`}>
            <span className="verdict fails">✕</span> {zone.name}: {name} comes to {full(hottest, 'temperature')}, it
            bears {full(limit, 'temperature')}
            {what === 'laminate' && ': it would scorch or catch fire; lay it in more goes, or cooler'}
            {what === 'core' && ': the foam gives way'}
          </li>
        ))}
        {never.map(({ zoneId, name }) => (
          <li key={zoneId}>
            <span className="verdict fails">✕</span> {name} does not gel by the end of the schedule: this part would be
            lost
          </li>
        ))}
        {soft.map(({ zoneId, name, degree }) => (
          <li key={zoneId}>
            <span className="verdict thin">△</span> {name} is not to be demoulded by the end (
            {formatNumber(100 * degree, 0)} % cured): hold it longer or warmer
          </li>
        ))}
        {hot.map(({ zoneId, name, tg }) => (
          <li key={zoneId}>
            <span className="verdict thin">△</span> {name} is too warm at the end to be demoulded, with a glass
            transition of {full(tg, 'temperature')}: let it cool in the mould, or hold it longer
          </li>
        ))}
        {broken.length + never.length + soft.length + hot.length === 0 && (
          <li>
            <span className="verdict meets">✓</span> No limit is broken, every zone can be demoulded by the end.
          </li>
        )}
      </ul>
      <div className="table-responsive">
        <table className="table table-sm mb-1" aria-label="Zones as they cure">
          <thead>
            <tr>
              <th scope="col">Zone</th>
              <th scope="col">laminate, {unit('thickness')}</th>
              <th scope="col">gels after</th>
              <th scope="col">hottest</th>
              <th scope="col">next coat bonds by itself until</th>
              <th scope="col">abrade from</th>
              <th scope="col">demould after</th>
              <th scope="col">at the end</th>
              <th scope="col">lags the air by</th>
            </tr>
          </thead>
          <tbody>
            {zones.map((zone) => (
              <tr key={zone.zoneId} className={zone.zoneId === chosen ? 'chosen-row' : ''}>
                <td>
                  <PickButton onPick={() => onChoose(zone.zoneId)}>{zone.name}</PickButton>
                </td>
                <td>{formatNumber(1000 * zone.laminate, 1)}</td>
                <td>{minutes(zone.gel)}</td>
                <td>{hottest(zone, full)}</td>
                <td>{minutes(zone.tackEnds)}</td>
                <td>{minutes(zone.abrade)}</td>
                <td>{minutes(zone.demould)}</td>
                <td>
                  {formatNumber(100 * zone.degree, 0)} %, Tg {full(zone.tg, 'temperature')}
                </td>
                <td>{formatNumber(zone.lag, 0)} K</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="small soft mb-0">
        After the resin of a go is in; of several goes the worst for each column. Between tack and abrade: peel ply, or
        key it and wash.{' '}
        {plan.place === 'oven' && '⚠ A hot oven burns, and vapour in it can ignite: vent it, watch it, lift with two. '}
        {cure.family.heat > 0 && '⚠ Thick goes make their own heat: a pot or an offcut in a bin can burn. '}
        Not looked at: corners and pools where resin is thicker, sun on the mould, wind, gelcoat.
      </p>
    </Card>
  );
}

function hottest({ limits, shots }: ZoneCure, full: ReturnType<typeof useUnits>['full']): string {
  const peak = Math.max(...shots.map((shot) => shot.peak));
  const near = (one: CureLimit) => one.limit - one.hottest;
  const least = Math.min(...limits.map(near));
  return `${MARKS[limitWord(least)]} ${full(peak, 'temperature')}`;
}
