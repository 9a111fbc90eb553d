'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { lastDrop, type StepState } from '@/core/build';
import type { DropResult } from '@/core/fill';
import { TakeReading } from '../shared/instruments';
import { Moment } from '../shared/Moment';
import { QuantityField } from '../shared/QuantityField';
import { useUnits } from '../shared/units';
import { Ask } from './Ask';
import { useFloor } from './useFloor';

const saidOf = ({ passed, tooWeak, tooShort, tooLittle }: DropResult, minutes: number) => {
  if (tooWeak) return '✕ Too little vacuum to tell: pump it down, test again';
  if (tooShort) return `✕ Read too soon: wait ${minutes} min, read again`;
  if (tooLittle) return '✕ Too little vacuum for this fill: pump it down, test again';
  return passed ? '✓ The bag holds' : '✕ It loses too much: look for the leak, test again';
};

/** The drop test of the bag: no resin is mixed before it has passed. */
export function BagPart({ own }: { own: StepState }) {
  const { state } = useFloor();
  const { full } = useUnits();
  const [asking, setAsking] = useState(false);
  const result = lastDrop(state, own);
  return (
    <section className="floor-card" aria-label="Drop test">
      <div>
        {own.drops.map((one, i) => (
          <div key={one.id} className={i === own.drops.length - 1 ? '' : 'soft'}>
            {full(one.body.start, 'pressure')} to {full(one.body.end, 'pressure')} in {one.body.minutes} min,{' '}
            <Moment iso={one.at} />
          </div>
        ))}
        {result === null ? (
          <strong>Not tested yet</strong>
        ) : (
          <strong className={result.passed ? '' : 'floor-bad'}>{saidOf(result, state.plan.drop.dropMinutes)}</strong>
        )}
        {result && !result.tooWeak && (
          <div className="soft">May lose {full(result.limit, 'pressure')} in that time</div>
        )}
      </div>
      <Button onClick={() => setAsking(true)}>Test the bag</Button>
      {asking && <AskDrop own={own} onLeave={() => setAsking(false)} />}
    </section>
  );
}

function AskDrop({ own, onLeave }: { own: StepState; onLeave: () => void }) {
  const { state, note } = useFloor();
  const [start, setStart] = useState<number | null>(null);
  const [end, setEnd] = useState<number | null>(null);
  const [taken, setTaken] = useState<number | null>(null);
  const [minutes, setMinutes] = useState(String(state.plan.drop.dropMinutes));
  const lasted = Number(minutes.replace(',', '.'));
  return (
    <Ask
      title="Drop test"
      act="Keep the test"
      disabled={start === null || end === null || !(lasted > 0)}
      onAct={() =>
        note('drop', {
          step: own.step.id,
          start: start!,
          end: end!,
          minutes: lasted,
          startCelsius: null,
          endCelsius: null,
        })
      }
      onLeave={onLeave}
    >
      <p>Pump to full vacuum, shut it off, read the gauge under the bag: absolute pressure, now and after a while.</p>
      <QuantityField
        label="Under the bag at the start"
        kind="pressure"
        value={start}
        minimum={1}
        maximum={110_000}
        onCommit={setStart}
      />
      <TakeReading
        quantity="pressure"
        onTake={(value) => {
          setStart(value);
          setTaken(Date.now());
        }}
      />
      <QuantityField
        label="Under the bag at the end"
        kind="pressure"
        value={end}
        minimum={1}
        maximum={110_000}
        onCommit={setEnd}
      />
      {start !== null && (
        <TakeReading
          quantity="pressure"
          onTake={(value) => {
            setEnd(value);
            // Both were taken here: the time between them is known.
            if (taken !== null) setMinutes(String(Math.max(0.1, Math.round((Date.now() - taken) / 6000) / 10)));
          }}
        />
      )}
      <Form.Group controlId="drop-minutes">
        <Form.Label className="mb-0">Minutes between</Form.Label>
        <Form.Control inputMode="decimal" value={minutes} onChange={(event) => setMinutes(event.target.value)} />
      </Form.Group>
    </Ask>
  );
}
