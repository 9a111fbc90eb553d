import type { ReactNode } from 'react';
import type { Boat, Zone } from '@/core/document';
import { targetOf, type ZoneEvaluation } from '@/core/evaluate';
import { formatDifference, formatNumber } from '@/core/quantity';
import { CHECKS } from '@/core/standard';
import { useUnits } from '../shared/units';
import { ZoneVerdict } from '../shared/Verdict';

/** A row under the grid: its name and unit, what a zone comes to, and what a trial would change of it. */
interface ResultRow {
  name: string;
  unit: string;
  value: (evaluation: ZoneEvaluation) => ReactNode;
  change: (now: ZoneEvaluation, was: ZoneEvaluation) => string;
}

const signed = (value: number, digits: number) =>
  Math.abs(value) < 0.5 * 10 ** -digits ? '' : `${value > 0 ? '+' : ''}${formatNumber(value, digits)}`;

/** A change in the units of the head; nothing where it is too small to show. */
const shownChange = (...[value, kind, system]: Parameters<typeof formatDifference>): string => {
  const text = formatDifference(value, kind, system);
  return /[1-9]/.test(text) ? text : '';
};

function useResultRows(target: number): ResultRow[] {
  const { show, unit, system, words } = useUnits();
  return [
    {
      name: 'Thickness',
      unit: unit('thickness'),
      value: (e) => show(e.thickness, 'thickness'),
      change: (now, was) => shownChange(now.thickness - was.thickness, 'thickness', system),
    },
    {
      name: 'Laminated',
      unit: unit('laminateWeight'),
      value: (e) => show(e.laminatedArealWeight, 'laminateWeight'),
      change: (now, was) => shownChange(now.laminatedArealWeight - was.laminatedArealWeight, 'laminateWeight', system),
    },
    {
      name: 'Least reserve',
      unit: '',
      value: (e) =>
        e.governing ? (
          <ZoneVerdict evaluation={e} target={target} words={false} />
        ) : (
          <span className="verdict ample" title={words(e.problem ?? '')}>
            –
          </span>
        ),
      change: (now, was) =>
        now.governing && was.governing ? signed(now.governing.reserveFactor - was.governing.reserveFactor, 2) : '',
    },
    {
      name: 'Governs',
      unit: '',
      value: (e) => (
        <span className="d-inline-block text-wrap lh-1">
          {e.governing ? CHECKS[e.governing.id].toLowerCase() : 'not checked'}
        </span>
      ),
      change: () => '',
    },
  ];
}

/** What each zone comes to, under its column. */
export function GridResults({
  boat,
  zones,
  zoneId,
  evaluations,
  before,
}: {
  boat: Boat;
  zones: readonly Zone[];
  zoneId: string | null;
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
  before: ReadonlyMap<string, ZoneEvaluation> | null;
}) {
  const rows = useResultRows(targetOf(boat));
  return (
    <tfoot>
      {rows.map(({ name, unit, value, change }) => (
        <tr key={name}>
          <th scope="row" colSpan={6}>
            {name} <span className="unit">{unit}</span>
          </th>
          {zones.map((zone) => {
            const now = evaluations.get(zone.id)!;
            const was = before?.get(zone.id);
            const difference = was && was !== now ? change(now, was) : '';
            return (
              <td key={zone.id} className={zone.id === zoneId ? 'chosen' : ''} data-testid={`${name}-${zone.id}`}>
                {value(now)}
                {difference && <span className="delta"> {difference}</span>}
              </td>
            );
          })}
        </tr>
      ))}
    </tfoot>
  );
}
