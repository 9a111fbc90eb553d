'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { HARDENER_MAY_MISS } from '@/core/build';
import { mixing } from '@/core/instrument';
import { refusalOf, useInstruments } from '../shared/instruments';
import { useUnits } from '../shared/units';

/** Mix on the scale: resin to its target, then hardener to what is really there; a wrong batch is stopped. */
export function MixAtScale({
  target,
  share,
  onMixed,
}: {
  target: number;
  /** Hardener by mass of resin. */
  share: number;
  onMixed: (resin: number, hardener: number) => void;
}) {
  const now = useInstruments();
  const { full } = useUnits();
  const [tare, setTare] = useState<number | null>(null);
  const [resin, setResin] = useState<number | null>(null);
  const scale = now?.channels.find(({ quantity, id }) => quantity === 'mass' && /mix/i.test(id));
  if (!scale || scale.value === null) return null;
  const why = refusalOf(scale);
  const onScale = tare === null ? 0 : scale.value - tare;
  const state = tare === null ? null : mixing({ target, share, tolerance: HARDENER_MAY_MISS, resin, onScale });
  return (
    <section className="mix-scale" aria-label="On the mixing scale">
      <p className="mb-1">
        {scale.name || scale.id}:{' '}
        <strong className="mix-figure">{full(tare === null ? scale.value : onScale, 'batchMass')}</strong>
        {why !== null && <span className="soft"> △ {why}</span>}
      </p>
      {tare === null && (
        <Button disabled={why !== null} onClick={() => setTare(scale.value)}>
          Empty bucket stands on it
        </Button>
      )}
      {state?.step === 'resin' && (
        <>
          <progress className="board-progress" max={target} value={Math.max(0, onScale)} aria-label="Resin poured" />
          <p className="mb-1">
            Resin: {full(Math.abs(state.left), 'batchMass')} {state.left >= 0 ? 'more' : 'too much'}. {state.says}
          </p>
          <Button disabled={why !== null || !state.good} onClick={() => setResin(onScale)}>
            That is the resin
          </Button>
        </>
      )}
      {resin !== null && state && state.step !== 'resin' && (
        <>
          <progress
            className="board-progress"
            max={resin * share}
            value={Math.max(0, onScale - resin)}
            aria-label="Hardener poured"
          />
          <p className={state.error !== null && state.error > HARDENER_MAY_MISS ? 'pot-late' : 'mb-1'} role="status">
            Hardener:{' '}
            {state.left >= 0 ? `${full(state.left, 'smallMass')} more` : `${full(-state.left, 'smallMass')} over`},
            ratio {((state.error ?? 0) * 100).toFixed(0)} % off. {state.says}
          </p>
          <Button disabled={why !== null || !state.good} onClick={() => onMixed(resin, onScale - resin)}>
            Take both
          </Button>
        </>
      )}
    </section>
  );
}
