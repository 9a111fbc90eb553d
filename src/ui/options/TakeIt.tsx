'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { Button } from 'react-bootstrap';
import type { Boat } from '@/core/document';
import type { Edit } from '@/core/edit';
import { targetOf } from '@/core/evaluate';
import { EffectOf } from '../shared/EffectOf';
import { Refusal } from '../shared/Refusal';
import { useEditAs } from '../shared/useEdit';
import { useEffectOf } from '../shared/useProofs';
import { handOverTrial, noteFound } from '../shared/waitingTrial';

/** What a schedule does to the whole boat; looking at it on trial in the grid, and laying it as one action. */
export function TakeIt({
  boat,
  boatId,
  title,
  edits,
}: {
  boat: Boat;
  boatId: string;
  /** As the history says it. */
  title: string;
  edits: Edit[];
}) {
  const router = useRouter();
  const editAs = useEditAs();
  const { effect, current } = useEffectOf(boat, edits);
  useEffect(() => noteFound({ base: boat, title, edits }), [boat, title, edits]);
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
      <EffectOf effect={effect} current={current} target={targetOf(boat)} />
    </div>
  );
}
