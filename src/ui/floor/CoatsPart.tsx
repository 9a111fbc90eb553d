'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { StepState } from '@/core/build';
import { NotTaken } from './NotTaken';
import { useFloor } from './useFloor';
import { clock, lasts, useNow } from './useNow';

/** Coats counted, with the time that each has to flash. */
export function CoatsPart({ own }: { own: StepState }) {
  const { state, note } = useFloor();
  const [refusal, setRefusal] = useState<string | null>(null);
  const now = useNow();
  const { step, coats } = own;
  const last = coats.at(-1);
  const left = last && now > 0 ? Date.parse(last.at) + step.wait * 60_000 - now : 0;
  return (
    <section className="coats" aria-label="Coats">
      <div className="coats-count">
        <strong>{coats.length}</strong> of {step.coats} coats on
      </div>
      <ol className="coats-row" aria-hidden="true">
        {Array.from({ length: step.coats }, (_, i) => (
          <li key={i} className={i < coats.length ? 'on' : ''}>
            {i < coats.length ? '✓' : i + 1}
          </li>
        ))}
      </ol>
      {left > 0 ? (
        <p role="timer">
          The next one in <strong className="pot-time">{clock(left)}</strong>
        </p>
      ) : (
        <p>{coats.length < step.coats ? `Each flashes ${lasts(step.wait)}.` : 'All are on.'}</p>
      )}
      {coats.length < step.coats && (
        <Button
          size="lg"
          onClick={async () =>
            setRefusal(await note('coat', { step: step.id, celsius: state.air?.body.celsius ?? null }))
          }
        >
          Coat {coats.length + 1} is on
        </Button>
      )}
      <NotTaken text={refusal} />
    </section>
  );
}
