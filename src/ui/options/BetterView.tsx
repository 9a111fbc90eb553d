'use client';
import { useMemo } from 'react';
import { Card } from 'react-bootstrap';
import type { Boat } from '@/core/document';
import { applyEdits, type Edit } from '@/core/edit';
import type { Better } from '@/core/option';
import { formatNumber, formatReserve } from '@/core/quantity';
import { useUnits } from '../shared/units';
import type { BetterAsk } from './BetterTab';
import { BoundLine } from './BoundLine';
import { GridChange } from './GridChange';
import { AsksMore, HoldsZones } from './HoldsZones';
import { TakeIt } from './TakeIt';

export interface BetterViewProps {
  better: Better;
  of: Boat;
  asked: BetterAsk;
  fetched: Edit[];
  current: boolean;
  boatId: string;
  aim: string;
}

/** Edits without materials that nothing lays. */
export function neededOf(fetched: readonly Edit[], edits: readonly Edit[]): Edit[] {
  const laid = JSON.stringify(edits);
  const fabrics = fetched.filter(
    (edit) => edit.type === 'material.put' && edit.material.kind !== 'fibre' && laid.includes(`"${edit.material.id}"`),
  );
  const made = JSON.stringify(fabrics);
  return fetched.filter(
    (edit) =>
      fabrics.includes(edit) ||
      (edit.type === 'material.put' && edit.material.kind === 'fibre' && made.includes(`"${edit.material.id}"`)),
  );
}

/** A better schedule: what changes in the grid, how good it is known to be, what binds, and what more would buy. */
export function BetterView({ better, of, asked, fetched, current, boatId, aim }: BetterViewProps) {
  const { full, unit, show } = useUnits();
  const part = of.parts.find(({ id }) => id === asked.partId)!;
  const book = useMemo(() => applyEdits(of, fetched).boat, [of, fetched]);
  const after = useMemo(() => applyEdits(book, better.edits).boat, [book, better]);
  const zoneName = new Map(part.zones.map(({ id, name }) => [id, name]));
  const kg = (value: number) => full(value, 'mass');
  const value = (amount: number) => {
    if (asked.aim === 'cost') return `${formatNumber(amount, 0)} in money of the Shelf`;
    if (asked.aim === 'hours') return `${formatNumber(amount, 1)} hours of cutting and laying`;
    return asked.aim === 'pieces' ? `${formatNumber(amount, 1)} pieces` : kg(amount);
  };
  const [first] = better.oneMore;
  const edits = [...neededOf(fetched, better.edits), ...better.edits];
  return (
    <div className="d-grid gap-3">
      <Card body>
        <h2>
          {part.name}, {aim}: {kg(better.before.mass)} → {kg(better.after.mass)}
        </h2>
        <p className="mb-2">
          <BoundLine
            best={better.after.objective}
            bound={better.bound}
            gap={better.gap}
            evaluated={better.evaluated}
            value={value}
          />
        </p>
        {better.edits.length === 0 ? (
          <p className="mb-0">
            What is laid now is as good as anything of these choices. Allow another fabric or core, or ask for less.
          </p>
        ) : (
          <GridChange before={book} after={after} part={part} />
        )}
        <HoldsZones
          part={part}
          binding={better.binding}
          target={asked.target}
          behind={(zone) => {
            const more = better.oneMore.find((one) => one.zone === zone);
            if (!more || asked.aim !== 'mass') return null;
            return (
              <span className="soft">
                {' '}
                {show(more.more, 'mass')} {unit('mass')} more would lift it to {formatReserve(more.to)}
              </span>
            );
          }}
        />
        {first && asked.aim === 'mass' && (
          <p className="small mb-0 mt-1">
            One more {unit('mass')} buys most in {zoneName.get(first.zone)}.
          </p>
        )}
      </Card>
      {(better.heavierFor.length > 0 || better.grown.length > 0 || better.falls.length > 0) && (
        <Card body>
          <AsksMore heavierFor={better.heavierFor} grown={better.grown}>
            {better.falls.map(({ of: kind, id, name, after: now }) => (
              <li key={id}>
                ✕ {name} ({kind}) falls to {now === null ? 'not proven' : formatReserve(now)}.
              </li>
            ))}
          </AsksMore>
        </Card>
      )}
      {better.edits.length > 0 && (
        <Card body>
          {current ? (
            <TakeIt boat={of} boatId={boatId} title={`laid ${part.name} anew, ${aim}`} edits={edits} />
          ) : (
            <p className="mb-0">The boat has changed since: look again before you take it.</p>
          )}
        </Card>
      )}
      <p className="small soft mb-0">
        Every stack was checked as its zone is. The bound is of these choices: cloths laid in turn in the order given, a
        core between. Hours are those of cutting and laying, by the rates of the yard. Not weighed: coatings, barrier
        layers, access for the laminator.
      </p>
    </div>
  );
}
