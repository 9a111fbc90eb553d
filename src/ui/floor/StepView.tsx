'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { isFinished, isWet, lastOfStep, type RecordKind, type StepState } from '@/core/build';
import { Moment } from '../shared/Moment';
import { useUnits } from '../shared/units';
import { useWho } from '../shared/who';
import { Ask } from './Ask';
import { BagPart } from './BagPart';
import { BeforeStep } from './BeforeStep';
import { CoatsPart } from './CoatsPart';
import { LayCard } from './LayCard';
import { AskLesson, LessonsFor } from './Lessons';
import { PotBar } from './PotBar';
import { TakeBack } from './TakeBack';
import { useFloor } from './useFloor';
import { lasts } from './useNow';

/** One step, from what must be known before it to its signature. */
export function StepView({ own, onBack, onDefect }: { own: StepState; onBack: () => void; onDefect: () => void }) {
  const { state } = useFloor();
  const [learning, setLearning] = useState(false);
  const { step, begun, done } = own;
  const part = state.plan.parts.find(({ id }) => id === step.partId);
  return (
    <section className="step-view" aria-label={step.name}>
      <header className="step-head">
        <Button variant="outline-primary" onClick={onBack}>
          ← All steps
        </Button>
        <h1>
          {step.name} <span className="soft">{part?.name ?? 'Boat'}</span>
        </h1>
        <Button variant="outline-primary" onClick={() => setLearning(true)}>
          ◆ Lesson
        </Button>
        <Button variant="outline-primary" onClick={onDefect}>
          △ Defect
        </Button>
      </header>
      {(part?.mould || part?.team) && (
        <p className="soft">{[part.mould && `Mould ${part.mould}`, part.team].filter(Boolean).join(' · ')}</p>
      )}
      {step.note !== '' && <p className="step-note">{step.note}</p>}
      <LessonsFor step={step} />
      {!begun && !done && <BeforeStep own={own} />}
      {begun && !done && <Running own={own} />}
      {done && <After own={own} />}
      <Back own={own} />
      {learning && <AskLesson step={step} onLeave={() => setLearning(false)} />}
    </section>
  );
}

const WAYS_BACK: Partial<Record<RecordKind, { label: string; title: string; act: string }>> = {
  signed: { label: 'Take the signature back', title: 'Take the signature back', act: 'It is not signed' },
  done: { label: 'It is not done yet', title: 'The step is not done yet', act: 'It goes on' },
  begun: { label: 'It was not begun', title: 'The step was not begun', act: 'It was not begun' },
};

/** The way back from a tap too many. */
function Back({ own }: { own: StepState }) {
  const { may } = useWho();
  const last = lastOfStep(own);
  const words = last && WAYS_BACK[last.kind];
  if (!words) return null;
  return (
    <p className="step-back">
      <TakeBack record={last} {...words} disabled={!may(last.kind === 'signed' ? 'sign' : 'record')} />
    </p>
  );
}

function Running({ own }: { own: StepState }) {
  const { step, begun } = own;
  return (
    <>
      <p>
        Begun by {begun!.person}, <Moment iso={begun!.at} />
        {step.minutes > 0 && `; takes about ${lasts(step.minutes)}`}
        {step.stay === 'must' && <strong> · must not be interrupted</strong>}
        {step.wear !== '' && <span className="d-block">Wear: {step.wear}</span>}
      </p>
      {isWet(step) && <PotBar own={own} />}
      {step.kind === 'coats' && <CoatsPart own={own} />}
      {step.kind === 'bag' && <BagPart own={own} />}
      {step.kind === 'fill' && <Clamps own={own} />}
      {step.pieces.length > 0 && <LayCard own={own} />}
      <End own={own} />
    </>
  );
}

/** Lines in the order in which they are opened, each ticked with its time. */
function Clamps({ own }: { own: StepState }) {
  const { state, note } = useFloor();
  const clamps = state.plan.parts.find(({ id }) => id === own.step.partId)?.clamps ?? [];
  if (clamps.length === 0) return <p>The part has no fill plan: open its lines as the lead says.</p>;
  return (
    <ol className="clamps">
      {clamps.map(({ name, opens }) => {
        const open = own.clamps.find(({ body }) => body.name === name);
        return (
          <li key={name}>
            <span>
              <strong>{name}</strong> opens {opens}
            </span>
            {open ? (
              <span>
                ✓ <Moment iso={open.at} />
              </span>
            ) : (
              <Button onClick={() => void note('clamp', { step: own.step.id, name })}>Open now</Button>
            )}
          </li>
        );
      })}
    </ol>
  );
}

function End({ own }: { own: StepState }) {
  const { store, note, person } = useFloor();
  const { words } = useUnits();
  const [asking, setAsking] = useState(false);
  const [said, setSaid] = useState('');
  const body = { step: own.step.id, note: said.trim() };
  const why = store.whyNot('done', body, person);
  return (
    <div className="step-end">
      {why !== null && <p className="soft">Not done yet: {words(why)}</p>}
      <Button size="lg" disabled={why !== null} onClick={() => setAsking(true)}>
        Step is done
      </Button>
      {asking && (
        <Ask
          title={`${own.step.name} is done`}
          act="Done"
          onAct={() => note('done', body)}
          onLeave={() => setAsking(false)}
        >
          <Form.Group controlId="done-note">
            <Form.Label>What the next ones should know</Form.Label>
            <Form.Control
              as="textarea"
              rows={2}
              value={said}
              maxLength={300}
              onChange={(event) => setSaid(event.target.value)}
            />
          </Form.Group>
        </Ask>
      )}
    </div>
  );
}

/** Done: what was noted, and the signature that it waits for. */
function After({ own }: { own: StepState }) {
  const { note } = useFloor();
  const { may, who } = useWho();
  const [asking, setAsking] = useState(false);
  const [said, setSaid] = useState('');
  const { step, done, signed } = own;
  const isInspector = who === null || who.roles.includes('inspector');
  const maySign = may('sign') && (step.hold !== 'inspector' || isInspector);
  return (
    <>
      <p className="floor-done">
        ✓ Done by {done!.person}, <Moment iso={done!.at} />
        {done!.body.note && `: ${done!.body.note}`}
      </p>
      {signed && (
        <p className="floor-done">
          ✓ Signed by {signed.person}, <Moment iso={signed.at} />
          {signed.body.note && `: ${signed.body.note}`}
        </p>
      )}
      {!isFinished(own) && (
        <div className="step-end">
          <p>
            A hold point: nothing goes on before the {step.hold === 'inspector' ? 'inspector' : 'laminating lead'} has
            signed.
          </p>
          <Button size="lg" disabled={!maySign} onClick={() => setAsking(true)}>
            Sign
          </Button>
          {!maySign && <p className="soft">Whoever may sign changes over to themselves first, at the top.</p>}
        </div>
      )}
      {asking && (
        <Ask
          title={`Sign “${step.name}”`}
          act="Sign"
          onAct={() => note('signed', { step: step.id, note: said.trim() })}
          onLeave={() => setAsking(false)}
        >
          <Form.Group controlId="sign-note">
            <Form.Label>What was looked at</Form.Label>
            <Form.Control value={said} maxLength={300} onChange={(event) => setSaid(event.target.value)} />
          </Form.Group>
        </Ask>
      )}
    </>
  );
}
