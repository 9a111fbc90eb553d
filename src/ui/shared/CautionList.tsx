'use client';
import { nanoid } from 'nanoid';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { groupCautions, SEVERITIES, type Caution, type CautionGroup } from '@/core/caution';
import type { Boat } from '@/core/document';
import type { Signed } from './SignedForm';
import { useUnits } from './units';
import { useEdit } from './useEdit';

// Behind a button: fetched when somebody signs.
const SignedForm = dynamic(() => import('./SignedForm').then((module) => module.SignedForm), { ssr: false });

/** So many places stand open; more are folded. */
const FEW = 3;
const MARKS = { danger: '✕', warning: '△', advice: 'i' } as const;
const LOOKS = { danger: 'fails', warning: 'thin', advice: 'ample' } as const;

/** Where a caution is, in words. */
export function placeOf(boat: Boat, { name, layerId, zoneIds }: Caution): string {
  if (name !== null) return name;
  const zones = boat.parts.flatMap((part) => part.zones).filter((zone) => zoneIds.includes(zone.id));
  const part = boat.parts.find((candidate) => candidate.layers.some((layer) => layer.id === layerId));
  const layer = part ? `layer ${part.layers.findIndex(({ id }) => id === layerId) + 1}, ` : '';
  return layer + (zones.length > 3 ? `${zones.length} zones` : zones.map((zone) => zone.name).join(', '));
}

/** How a caution was answered, or the way to answer it. */
function Answer({ boat, caution }: { boat: Boat; caution: Caution }) {
  const edit = useEdit();
  const [signing, setSigning] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  const { rule, subject, accepted } = caution;
  const sign = async ({ by, why }: Signed): Promise<boolean> => {
    const acceptance = { id: nanoid(10), rule: rule.id, subject, by, note: why, at: new Date().toISOString() };
    const said = edit({ type: 'caution.accept', acceptance, index: boat.acceptances.length });
    setRefusal(said ?? null);
    if (!said) setSigning(false);
    return !said;
  };
  if (accepted)
    return (
      <div className="small">
        Accepted by {accepted.by}, {accepted.at.slice(0, 10)}: {accepted.note}{' '}
        <button
          type="button"
          className="reason-button"
          onClick={() => edit({ type: 'caution.withdraw', acceptanceId: accepted.id })}
        >
          Withdraw
        </button>
      </div>
    );
  if (!signing)
    return (
      <button type="button" className="reason-button small" onClick={() => setSigning(true)}>
        Accept with a note
      </button>
    );
  return (
    <>
      {refusal && <div className="invalid-feedback d-block">{refusal}</div>}
      <SignedForm
        labels={{ by: 'Accepted by', why: 'Why it is accepted' }}
        acts={[{ name: 'Sign and accept', run: sign }]}
        onLeave={() => setSigning(false)}
      />
    </>
  );
}

/** One kind of caution: what it is and the way out once, then every place with its answer. */
function CautionItem({ boat, group, withPlace }: { boat: Boat; group: CautionGroup; withPlace: boolean }) {
  const { words } = useUnits();
  const { rule, cautions } = group;
  const [first] = cautions;
  const answered = cautions.every(({ accepted }) => accepted);
  const saidOf = (caution: Caution) =>
    [words(caution.detail), ...(withPlace ? [placeOf(boat, caution)] : [])].join('; ');
  return (
    <li className="caution" data-testid={`caution-${rule.id}`}>
      <div>
        <span className={`verdict ${answered ? 'ample' : LOOKS[rule.severity]}`}>
          <span aria-hidden="true">{answered ? '✓' : MARKS[rule.severity]}</span>{' '}
          {answered ? 'accepted' : SEVERITIES[rule.severity].toLowerCase()}
        </span>{' '}
        <strong>{rule.title}</strong>{' '}
        <span className="soft">{cautions.length === 1 ? saidOf(first!) : `in ${cautions.length} places`}</span>
      </div>
      <div className="small">{words(rule.reason)}</div>
      <div className="small">
        <strong>Way out:</strong> {words(rule.wayOut)} <span className="soft">Source: {rule.source}.</span>
      </div>
      {cautions.length === 1 ? (
        <Answer boat={boat} caution={first!} />
      ) : (
        <details className="small" open={cautions.length <= FEW}>
          <summary>
            {cautions.filter(({ accepted }) => !accepted).length} of {cautions.length} places open
          </summary>
          <ul className="list-unstyled ps-3 mb-0">
            {cautions.map((caution) => (
              <li key={caution.subject}>
                {saidOf(caution)} <Answer boat={boat} caution={caution} />
              </li>
            ))}
          </ul>
        </details>
      )}
    </li>
  );
}

/** Cautions with reason and way out; each can be answered for. */
export function CautionList({
  boat,
  cautions,
  withPlace = false,
  empty,
}: {
  boat: Boat;
  cautions: readonly Caution[];
  withPlace?: boolean;
  empty: string;
}) {
  if (cautions.length === 0) return <p className="soft mb-0">{empty}</p>;
  return (
    <ul className="list-unstyled mb-0">
      {groupCautions(cautions).map((group) => (
        <CautionItem key={group.rule.id} boat={boat} group={group} withPlace={withPlace} />
      ))}
    </ul>
  );
}

/** Mark of the gravest open caution, with how many there are. */
export function CautionMark({ cautions }: { cautions: readonly Caution[] }) {
  const open = cautions.filter(({ accepted }) => !accepted);
  const grave =
    open.find(({ rule }) => rule.severity === 'danger') ?? open.find(({ rule }) => rule.severity === 'warning');
  if (!grave) return null;
  return (
    <span
      className={`caution-mark ${LOOKS[grave.rule.severity]}`}
      title={open.map(({ rule }) => rule.title).join('; ')}
    >
      <span aria-hidden="true">{MARKS[grave.rule.severity]}</span>
      <span className="visually-hidden">{grave.rule.title}</span>
    </span>
  );
}
