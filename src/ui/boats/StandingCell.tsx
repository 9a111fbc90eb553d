'use client';
import { formatNumber } from '@/core/quantity';
import { useUnits } from '../shared/units';
import type { KnownStanding } from './useStandings';

const counted = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`;

/** What fails in a boat, or that nothing does, and what was not looked at. */
export function StandingCell({ standing }: { standing: KnownStanding }) {
  if (standing === 'waiting') return <span className="soft">…</span>;
  if (standing === 'unread') return <span className="verdict fails">✕ does not read</span>;
  const { zones, stiffenersFailing, detailsFailing } = standing;
  const fails = [
    ...(zones.failing > 0 ? [counted(zones.failing, 'zone', 'zones')] : []),
    ...(stiffenersFailing > 0 ? [counted(stiffenersFailing, 'stiffener', 'stiffeners')] : []),
    ...(detailsFailing > 0 ? [counted(detailsFailing, 'detail', 'details')] : []),
  ];
  const checked = zones.all - zones.notChecked;
  return (
    <span
      className="d-inline-flex flex-wrap gap-1"
      title="By the rule, at planned values; Check shows bands and analysis"
    >
      {fails.length > 0 && <span className="verdict fails">✕ fails: {fails.join(', ')}</span>}
      {zones.thin > 0 && <span className="verdict thin">△ {zones.thin} thin</span>}
      {zones.notProven > 0 && <span className="verdict unproven">? {zones.notProven} not proven</span>}
      {fails.length === 0 && zones.thin === 0 && zones.notProven === 0 && checked > 0 && (
        <span className="verdict meets">✓ {counted(checked, 'zone meets', 'zones meet')}</span>
      )}
      {zones.notChecked > 0 && <span className="verdict ample">{zones.notChecked} not checked</span>}
    </span>
  );
}

/** Laminated mass, and how far it is from the target. */
export function MassCell({ standing }: { standing: KnownStanding }) {
  const { show } = useUnits();
  if (typeof standing === 'string') return <span className="soft">–</span>;
  const { mass, weightTarget } = standing;
  if (mass === 0) return <span className="soft">nothing laid</span>;
  const over = mass / weightTarget - 1;
  return (
    <>
      {show(mass, 'mass')}
      <br />
      <span className={`small ${over > 0 ? 'verdict thin' : 'soft'}`}>
        {over > 0 ? '△ ' : ''}
        {formatNumber(Math.abs(over) * 100, 1)} % {over > 0 ? 'over' : 'in hand'}
      </span>
    </>
  );
}
