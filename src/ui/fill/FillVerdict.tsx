'use client';
import { Card } from 'react-bootstrap';
import type { FillPlan } from '@/core/document';
import type { FillCase, Filling } from '@/core/fill';
import { formatNumber } from '@/core/quantity';
import { useUnits } from '../shared/units';
import type { Filled } from '@/workers/fill.worker';
import { dryKind, MARKS, marginWord, minutes, type Word } from './minutes';

/** What the plan comes to, the gravest first; and what was not looked at. */
export function FillVerdict({
  plan,
  filling,
  own,
  filled,
  fine,
}: {
  plan: FillPlan;
  filling: Filling;
  own: FillCase | string;
  filled: Filled | null;
  /** Filled finely enough to hold to. */
  fine: boolean;
}) {
  const { full } = useUnits();
  const said: [Word, string][] = [];
  if (filled) {
    const { outcome, problems, life } = filled;
    const { wetTime, margin, dry, unresolved, cell } = outcome;
    const area = dry.reduce((sum, one) => sum + one.area, 0);
    for (const problem of problems) said.push(['fails', problem]);
    if (dry.length > 0) {
      const trapped = dry.filter((one) => one.trapped).length;
      said.push([
        'fails',
        (dry.length === 1 ? 'One place stays dry' : `${dry.length} places stay dry`) +
          `, ${full(area, dryKind(area))} of this hand` +
          (trapped > 0 ? `; ${trapped} cut off from the vacuum` : '; the resin comes too late') +
          ': this part would be lost. Do not mix for it.',
      ]);
    } else if (wetTime !== null && margin !== null) {
      const late = wetTime > plan.target;
      said.push([late ? 'thin' : 'meets', `Wet through in ${minutes(wetTime)}, wanted in ${minutes(plan.target)}`]);
      said.push([
        marginWord(margin, filling.margin),
        `Pot life left at the clamp ${minutes(life)}: ${formatNumber(margin, 1)} times the fill, ` +
          `wanted ${formatNumber(filling.margin, 1)}` +
          (margin < 1 ? '. This part would be lost: do not mix for it' : ''),
      ]);
    } else said.push(['fails', 'It is never wet through: this part would be lost. Do not mix for it.']);
    if (unresolved > 0)
      said.push([
        'thin',
        `${unresolved} corners smaller than a cell (${full(cell, dryKind(cell))}): look at them, or fill fine`,
      ]);
  }
  if (filled && !fine)
    said.push([
      'thin',
      `A quick look: a dry strip narrower than ${full(2 * filled.mesh.size, 'length')} is not seen. ` +
        'Fill it fine before you hold to it',
    ]);
  const stands = typeof own === 'string' ? [] : own.notes;
  return (
    <Card body>
      <h2>{filled ? 'What it comes to' : 'Not simulated as it stands'}</h2>
      {!filled && <p className="mb-1">Press “Fill it”: the front moves on the picture.</p>}
      <ul className="list-unstyled mb-1" aria-live="polite">
        {said.map(([word, text], i) => (
          <li key={i}>
            <span className={`verdict ${word}`} aria-hidden>
              {MARKS[word]}
            </span>{' '}
            {text}
          </li>
        ))}
      </ul>
      <p className="small soft mb-0">
        On the permeabilities of the yard’s list, which are generic until you put in your own,
        {typeof own === 'string'
          ? ''
          : ` and a resin of ${formatNumber(own.flow.viscosity * 1000, 0)} mPa·s at the clamp`}
        : read times as within half and double until a panel of yours was filled. Not looked at: leaks, racing along
        edges and a late clamp (see below), bridging of the bag, cloth that shears, resin from one surface round a
        corner to the next.{stands.length > 0 && ` ${stands.join('. ')}.`}
      </p>
    </Card>
  );
}
