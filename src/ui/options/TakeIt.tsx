'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import { Button } from 'react-bootstrap';
import { cautionsOf, SEVERITIES } from '@/core/caution';
import type { Boat } from '@/core/document';
import { applyEdits, type Edit } from '@/core/edit';
import { makeEvaluator, targetOf } from '@/core/evaluate';
import { EffectOf } from '../shared/EffectOf';
import { Refusal } from '../shared/Refusal';
import { useUnits } from '../shared/units';
import { useEditAs } from '../shared/useEdit';
import { useEffectOf } from '../shared/useProofs';
import { handOverTrial, noteFound } from '../shared/waitingTrial';

/** Cautions that edits bring and that do not stand now; of one zone where it is given. */
function newCautions(boat: Boat, edits: Edit[], zoneId?: string) {
  const rulesIn = (state: Boat) => {
    const all = cautionsOf(state, makeEvaluator()(state));
    const own = zoneId === undefined ? all : all.filter(({ zoneIds }) => zoneIds.includes(zoneId));
    return new Map(own.map((caution) => [caution.rule.id, caution]));
  };
  const before = rulesIn(boat);
  return [...rulesIn(applyEdits(boat, edits).boat)].flatMap(([id, caution]) => (before.has(id) ? [] : [caution]));
}

/** What speaks against a schedule, what it does to the boat; looking at it on trial, and laying it as one action. */
export function TakeIt({
  boat,
  boatId,
  title,
  edits,
  zoneId,
}: {
  boat: Boat;
  boatId: string;
  /** As the history says it. */
  title: string;
  edits: Edit[];
  /** Where it changes one zone alone. */
  zoneId?: string;
}) {
  const router = useRouter();
  const editAs = useEditAs();
  const { effect, current } = useEffectOf(boat, edits);
  useEffect(() => noteFound({ base: boat, title, edits }), [boat, title, edits]);
  const cautions = useMemo(() => newCautions(boat, edits, zoneId), [boat, edits, zoneId]);
  const { words } = useUnits();
  const [refusal, setRefusal] = useState<string | null>(null);
  return (
    <div className="d-grid gap-2">
      <div className="d-flex gap-2 align-items-center flex-wrap">
        <Button
          variant="outline-primary"
          onClick={() => {
            handOverTrial({ base: boat, title, edits });
            router.push(`/boats/${boatId}/layup`);
          }}
        >
          Look at it in the grid
        </Button>
        <Button
          disabled={!current || typeof effect === 'string' || effect === null}
          onClick={() => setRefusal(editAs(title, ...edits) ?? null)}
        >
          Lay it so
        </Button>
      </div>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      {cautions.length > 0 && (
        <ul className="mb-0 ps-3" aria-label="What speaks against it">
          {cautions.map(({ rule, detail }) => (
            <li key={rule.id}>
              <span className="fw-semibold">
                {SEVERITIES[rule.severity]}: {rule.title}.
              </span>{' '}
              {words(detail)} <span className="soft">{words(rule.reason)}</span>
            </li>
          ))}
        </ul>
      )}
      {cautions.length === 0 && <p className="mb-0">No new caution speaks against it.</p>}
      <EffectOf effect={effect} current={current} target={targetOf(boat)} />
    </div>
  );
}
