'use client';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import { cautionsOf, SEVERITIES } from '@/core/caution';
import type { Boat } from '@/core/document';
import { applyEdits } from '@/core/edit';
import { makeEvaluator, targetOf } from '@/core/evaluate';
import type { ZoneEquivalent } from '@/core/option';
import { EffectOf } from '../shared/EffectOf';
import { Refusal } from '../shared/Refusal';
import { useUnits } from '../shared/units';
import { useEditAs } from '../shared/useEdit';
import { useEffectOf } from '../shared/useProofs';
import { nameOf } from './nameOf';

/** Cautions of a zone that an alternative brings and that are not there now. */
function newCautions(boat: Boat, zoneId: string, one: ZoneEquivalent) {
  const rulesIn = (state: Boat) => {
    const own = cautionsOf(state, makeEvaluator()(state)).filter(({ zoneIds }) => zoneIds.includes(zoneId));
    return new Map(own.map((caution) => [caution.rule.id, caution]));
  };
  const before = rulesIn(boat);
  return [...rulesIn(applyEdits(boat, one.edits).boat)].flatMap(([id, caution]) => (before.has(id) ? [] : [caution]));
}

interface TakingProps {
  boat: Boat;
  boatId: string;
  zone: { id: string; name: string };
  one: ZoneEquivalent;
}

/** What an alternative does to the whole boat, what speaks against it, and taking it as one action. */
export function Taking({ boat, boatId, zone, one }: TakingProps) {
  const editAs = useEditAs();
  const { words } = useUnits();
  const { effect, current } = useEffectOf(boat, one.edits);
  const cautions = useMemo(() => newCautions(boat, zone.id, one), [boat, zone.id, one]);
  const [refusal, setRefusal] = useState<string | null>(null);
  return (
    <Card>
      <Card.Body className="d-grid gap-2">
        <h2 className="mb-0">
          {nameOf(one)} <span className="soft fw-normal">in {zone.name}</span>
        </h2>
        <div className="d-flex gap-2 align-items-center flex-wrap">
          <Button
            disabled={!current || typeof effect === 'string' || effect === null}
            onClick={() => setRefusal(editAs(`laid ${zone.name} of ${nameOf(one)}`, ...one.edits) ?? null)}
          >
            Lay it so
          </Button>
          <Link prefetch={false} href={`/boats/${boatId}/layup?zone=${zone.id}`}>
            Look at {zone.name} in the Lay-up
          </Link>
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
        {one.notChecked.length > 0 && (
          <p className="small soft mb-0">
            Not checked in {zone.name}: {one.notChecked.map(words).join('; ')}.
          </p>
        )}
      </Card.Body>
    </Card>
  );
}
