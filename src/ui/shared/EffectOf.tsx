'use client';
import type { Effect } from '@/core/option';
import { formatNumber, formatSigned, reaches } from '@/core/quantity';
import { Said } from './Said';
import { useUnits } from './units';
import { Verdict } from './Verdict';

const SHOWN = 14;
const movedWords = (count: number) => (count === 1 ? '1 margin moves' : `${count} margins move`);
/** What a change would do: kilograms, price, and every margin that it moves; before it is taken. */
export function EffectOf({
  effect,
  current,
  target,
  note = 'By the rule, at planned values; bands and analysis follow under Check.',
}: {
  effect: Effect | string | null;
  current: boolean;
  target: number;
  note?: string;
}) {
  const { full, show, unit } = useUnits();
  if (effect === null) return <p className="soft mb-0">{current ? '' : 'Trying it on the whole boat …'}</p>;
  if (typeof effect === 'string')
    return (
      <p className="verdict fails d-block text-wrap mb-0" role="alert">
        ✕ <Said text={effect} />
      </p>
    );
  const { mass, cost, changes } = effect;
  const heavier = mass.after - mass.before;
  const below = changes.filter(({ after }) => after === null || !reaches(after, target)).length;
  return (
    <div className={`small ${current ? '' : 'soft'}`} aria-busy={!current} data-testid="effect">
      <p className="mb-1">
        The boat: {full(mass.before, 'mass')} → {full(mass.after, 'mass')} ({heavier < 0 ? '−' : '+'}
        {show(Math.abs(heavier), 'mass')} {unit('mass')}).{' '}
        {cost.before !== null && cost.after !== null
          ? `Materials of its zones: ${formatSigned(cost.after - cost.before, 0)} in the money of the Shelf.`
          : 'The price is not known: a material has none on the Shelf.'}
      </p>
      <p className="mb-1">
        {changes.length === 0
          ? 'No margin moves.'
          : `${movedWords(changes.length)}, ${below} to below ${formatNumber(target, 2)}:`}
      </p>
      <ul className="mb-0">
        {changes.slice(0, SHOWN).map(({ of, id, name, before, after }) => (
          <li key={`${of}-${id}`}>
            {name} <span className="soft">({of})</span>: {before === null ? '–' : formatNumber(before, 2)} →{' '}
            {after === null ? 'not proven' : <Verdict reserveFactor={after} target={target} words={false} />}
          </li>
        ))}
        {changes.length > SHOWN && <li className="soft">and {changes.length - SHOWN} more, all greater</li>}
      </ul>
      <p className="soft mb-0">{note}</p>
    </div>
  );
}
