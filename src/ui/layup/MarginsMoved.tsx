'use client';
import type { LayerMove, MarginChange } from '@/core/option';
import { formatNumber } from '@/core/quantity';
import { useUnits } from '../shared/units';
import { Verdict } from '../shared/Verdict';

const WHAT: Record<MarginChange['of'], string> = { zone: 'zone', stiffener: 'stiffener', detail: 'detail' };
const SHOWN = 12;

/** Every margin of the boat that a change moves, the least first, with the boat's mass after it. */
export function MarginsMoved({ move: { whole }, target }: { move: LayerMove; target: number }) {
  const { full } = useUnits();
  if (!whole)
    return (
      <p className="small soft mb-1">
        This change was tried on the zones it touches, not on stiffeners and details: keep it, and Check shows them.
      </p>
    );
  const { mass, changes } = whole;
  return (
    <div className="small mb-2" data-testid="margins-moved">
      The boat would weigh {full(mass, 'mass')}.{' '}
      {changes.length === 0 ? 'No margin moves.' : 'Margins that move, the least first:'}
      <ul className="mb-0">
        {changes.slice(0, SHOWN).map(({ of, id, name, before, after }) => (
          <li key={`${of}-${id}`}>
            {name} <span className="soft">({WHAT[of]})</span>: {before === null ? '–' : formatNumber(before, 2)} →{' '}
            {after === null ? 'not proven' : <Verdict reserveFactor={after} target={target} words={false} />}
          </li>
        ))}
        {changes.length > SHOWN && <li className="soft">and {changes.length - SHOWN} more, all greater</li>}
      </ul>
    </div>
  );
}
