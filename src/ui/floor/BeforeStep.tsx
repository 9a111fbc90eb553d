'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { hindrancesOf, PREPARATIONS, type Hindrance, type StepState } from '@/core/build';
import { useUnits } from '../shared/units';
import { useWho } from '../shared/who';
import { AskAir } from './AirCard';
import { Ask } from './Ask';
import { useFloor } from './useFloor';
import { lasts, useNow } from './useNow';
import { WindowLine } from './WindowLine';

/** What must be known and done before a step begins, and what stands against it with the way out. */
export function BeforeStep({ own }: { own: StepState }) {
  const { state, store, note, person } = useFloor();
  const { words } = useUnits();
  const { may } = useWho();
  const now = new Date(useNow()).toISOString();
  const [asking, setAsking] = useState<'air' | 'begin' | 'prepare' | 'late' | 'badAir' | null>(null);
  const { step } = own;
  const body = { step: step.id };
  const why = store.whyNot('begun', body, person);
  const hindrances = hindrancesOf(state, own, { now, person });
  const isHeldBy = (...codes: Hindrance['code'][]) => hindrances.some(({ code }) => codes.includes(code));
  const read = own.warned.has(person);
  const leave = () => setAsking(null);
  return (
    <div className="before-step">
      {step.wear !== '' && (
        <p className="step-wear">
          <strong>Wear</strong> {step.wear}
        </p>
      )}
      {step.caution !== '' && (
        <div className="step-caution">
          <p>
            <strong>△</strong> {step.caution}
          </p>
          {read ? (
            <span>✓ read by {person}</span>
          ) : (
            <Button disabled={person.trim().length < 2} onClick={() => void note('caution', body)}>
              I have read it
            </Button>
          )}
        </div>
      )}
      {own.prepared && (
        <p>
          ✓ {PREPARATIONS[own.prepared.body.how]}, by {own.prepared.person}
        </p>
      )}
      {own.released.map((one) => (
        <p key={one.id}>
          ✓ {one.person} lets it go on: {one.body.reason}
        </p>
      ))}
      <WindowLine own={own} />
      {hindrances.map(({ code, text }) => (
        <p key={code} className="floor-held" role="status">
          ✕ {words(text)}
        </p>
      ))}
      {hindrances.length === 0 && why !== null && (
        <p className="floor-held" role="status">
          ✕ {words(why)}
        </p>
      )}
      <div className="step-end">
        {isHeldBy('airUnread', 'air') && <Button onClick={() => setAsking('air')}>Read the air</Button>}
        {isHeldBy('bond', 'abrade') && <Button onClick={() => setAsking('prepare')}>It is prepared</Button>}
        {isHeldBy('late') && (
          <Button disabled={!may('sign')} onClick={() => setAsking('late')}>
            Let it go on though it is late
          </Button>
        )}
        {isHeldBy('air') && (
          <Button disabled={!may('sign')} onClick={() => setAsking('badAir')}>
            Let it go on in this air
          </Button>
        )}
        <Button size="lg" disabled={why !== null} onClick={() => setAsking('begin')}>
          Begin
        </Button>
      </div>
      {asking === 'air' && <AskAir onLeave={leave} />}
      {asking === 'prepare' && <AskPrepared own={own} onLeave={leave} />}
      {(asking === 'late' || asking === 'badAir') && (
        <AskRelease own={own} of={asking === 'late' ? 'late' : 'air'} onLeave={leave} />
      )}
      {asking === 'begin' && (
        <Ask title={`Begin “${step.name}”`} act="Begin now" onAct={() => note('begun', body)} onLeave={leave}>
          {step.stay === 'must' ? (
            <p>
              <strong>Must not be interrupted</strong> once it is begun
              {step.minutes > 0 && `: about ${lasts(step.minutes)}`}. Is everything laid out, are all hands here, and
              does nobody have to leave?
            </p>
          ) : (
            <p>{step.minutes > 0 ? `Takes about ${lasts(step.minutes)}.` : 'It may be left and gone on with.'}</p>
          )}
        </Ask>
      )}
    </div>
  );
}

function AskPrepared({ own, onLeave }: { own: StepState; onLeave: () => void }) {
  const { note } = useFloor();
  const [how, setHow] = useState<keyof typeof PREPARATIONS>('abrade');
  return (
    <Ask
      title="How was the bond prepared?"
      act="So it was prepared"
      onAct={() => note('prepared', { step: own.step.id, how })}
      onLeave={onLeave}
    >
      {(Object.keys(PREPARATIONS) as (keyof typeof PREPARATIONS)[]).map((one) => (
        <Form.Check
          key={one}
          type="radio"
          id={`prepared-${one}`}
          name="prepared"
          label={PREPARATIONS[one]}
          checked={how === one}
          onChange={() => setHow(one)}
        />
      ))}
      <p className="soft mt-2">After a window has passed, peel ply alone is not enough.</p>
    </Ask>
  );
}

function AskRelease({ own, of, onLeave }: { own: StepState; of: 'late' | 'air'; onLeave: () => void }) {
  const { note } = useFloor();
  const [reason, setReason] = useState('');
  return (
    <Ask
      title="Let it go on all the same"
      act="I answer for it"
      disabled={reason.trim().length < 3}
      onAct={() => note('released', { step: own.step.id, of, reason: reason.trim() })}
      onLeave={onLeave}
    >
      <Form.Group controlId="release-reason">
        <Form.Label>Why it may</Form.Label>
        <Form.Control
          as="textarea"
          rows={2}
          value={reason}
          maxLength={300}
          onChange={(event) => setReason(event.target.value)}
        />
      </Form.Group>
    </Ask>
  );
}
