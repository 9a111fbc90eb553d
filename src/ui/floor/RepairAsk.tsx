'use client';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useMemo } from 'react';
import { formFields, writeAt } from '@/core/field';
import { repairSchema, type CheckedRepair, type Repair } from '@/core/build';
import { api, textOf } from '../shared/api';
import { EntityForm } from '../shared/EntityForm';
import { useUnits } from '../shared/units';
import { VerdictWord } from '../shared/Verdict';
import { NotTaken } from './NotTaken';
import { useFloor } from './useFloor';

const SHOWN = 6;

/** What a repair comes to, as the server finds it by the revision that is built. */
function useChecked(zone: string, size: number, repair: Repair) {
  const { build } = useFloor();
  const asked = JSON.stringify({ zone, size, repair });
  return useQuery({
    queryKey: ['repair', build.id, asked],
    queryFn: () => api<CheckedRepair>('GET', `/api/builds/${build.id}/repair?asked=${encodeURIComponent(asked)}`),
    enabled: zone !== '',
    retry: false,
    placeholderData: (before) => before,
  });
}

/** A repair laminate: what comes out, how the new is joined, and whether it gives back what it takes the place of. */
export function RepairAsk({
  zone,
  size,
  repair,
  onChange,
  onFound,
}: {
  zone: string;
  size: number;
  repair: Repair;
  onChange: (repair: Repair) => void;
  /** What its check says in short; null while it is not known. */
  onFound: (found: { verdict: string; says: string } | null) => void;
}) {
  const fields = useMemo(() => formFields(repairSchema, '', [], repair), [repair]);
  const { data, error, isFetching } = useChecked(zone, size, repair);
  const found = error ? undefined : data;
  const tell = useEffectEvent(onFound);
  useEffect(() => {
    const least = found?.checks[0];
    const says = `${least?.name}, reserve ${least?.reserveFactor.toFixed(2)}`;
    tell(found && least ? { verdict: found.verdict, says } : null);
  }, [found]);
  return (
    <div className="repair-ask">
      <EntityForm
        fields={fields}
        value={repair}
        optionsOf={() => []}
        additionTo={() => null}
        onSet={(key, value) => {
          onChange(writeAt(repair, key, value));
          return undefined;
        }}
      />
      {zone === '' && (
        <p className="floor-held">Beside the zones no laminate is known: say in words how it is repaired.</p>
      )}
      <NotTaken text={error ? textOf(error) : null} />
      {found && <RepairFound found={found} stale={isFetching} />}
    </div>
  );
}

/** What was found of a repair: verdict, what governs, pieces, steps, and what was not checked. */
export function RepairFound({ found, stale = false }: { found: CheckedRepair; stale?: boolean }) {
  const { full, words } = useUnits();
  return (
    <section aria-label="Check of the repair" aria-busy={stale}>
      <p className="mt-2 mb-1">
        <VerdictWord verdict={found.verdict} /> {full(found.thickness, 'thickness')} come out, the joint is{' '}
        {full(found.joint, 'shortLength')} all round
      </p>
      <table className="table table-sm mb-2" aria-label="What holds, the least first">
        <tbody>
          {found.checks.slice(0, SHOWN).map((check) => (
            <tr key={check.name} title={words(check.source)}>
              <th scope="row" className="fw-normal">
                {check.name}
              </th>
              <td className="num">{check.reserveFactor > 99 ? '> 99' : check.reserveFactor.toFixed(2)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <table className="table table-sm mb-2" aria-label="Pieces, in the order in which they are laid">
        <thead>
          <tr>
            {['Piece', 'Angle', 'Across', 'For layer'].map((head) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {found.pieces.map((piece, i) => (
            <tr key={i}>
              <td>{piece.cloth}</td>
              <td className="num">{piece.angleDeg}°</td>
              <td className="num">{full(piece.width, 'shortLength')}</td>
              <td className="num">{piece.layer ?? 'over it'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <ol className="small">
        {found.steps.map((step) => (
          <li key={step}>{words(step)}</li>
        ))}
      </ol>
      <p className="soft small">Not checked: {found.notChecked.map(words).join('; ')}.</p>
    </section>
  );
}
