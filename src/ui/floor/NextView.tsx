'use client';
import { Button } from 'react-bootstrap';
import { heldBy, stepsAtHand, toLay, type StepState } from '@/core/build';
import { useUnits } from '../shared/units';
import { useFloor } from './useFloor';
import { lasts, useNow } from './useNow';
import { WindowLine } from './WindowLine';

/** What is at hand for each part: one large card each, with what holds it. */
export function NextView({ onOpen, onDefects }: { onOpen: (step: StepState) => void; onDefects: () => void }) {
  const { state, person } = useFloor();
  const { words } = useUnits();
  const now = new Date(useNow()).toISOString();
  const steps = stepsAtHand(state);
  const open = [...state.defects.values()].filter((defect) => defect.open).length;
  const order = (own: StepState) => {
    if (own.begun && !own.done) return 0;
    if (own.done) return 1;
    return heldBy(state, own, { person, now }) === null ? 2 : 3;
  };
  return (
    <section aria-label="Next">
      {state.clashes.length > 0 && (
        <p className="floor-held">
          △ {state.clashes.length} {state.clashes.length === 1 ? 'record clashes' : 'records clash'} with what was
          there: look at Records.
        </p>
      )}
      {open > 0 && (
        <p className="floor-held">
          △ {open} open {open === 1 ? 'defect' : 'defects'}{' '}
          <Button variant="outline-primary" onClick={onDefects}>
            Look
          </Button>
        </p>
      )}
      {steps.length === 0 && <p className="floor-done">✓ Every step is done.</p>}
      {[...steps]
        .sort((a, b) => order(a) - order(b))
        .map((own) => (
          <NextCard
            key={own.step.id}
            own={own}
            why={heldBy(state, own, { person, now })}
            words={words}
            onOpen={onOpen}
          />
        ))}
    </section>
  );
}

function NextCard({
  own,
  why,
  words,
  onOpen,
}: {
  own: StepState;
  why: string | null;
  words: (text: string) => string;
  onOpen: (step: StepState) => void;
}) {
  const { state } = useFloor();
  const { step, begun, done } = own;
  const part = state.plan.parts.find(({ id }) => id === step.partId);
  const left = toLay(state, own);
  const piece = begun && !done ? left[0] : undefined;
  const waits = !begun && !done && why !== null;
  return (
    <article className={`floor-card next ${waits ? 'held' : ''}`} aria-label={`${part?.name ?? 'Boat'}: ${step.name}`}>
      <div>
        <div className="soft">{part?.name ?? 'Boat'}</div>
        <h2>{step.name}</h2>
        {begun && !done && step.pieces.length > 0 && (
          <p>
            ▶ {step.pieces.length - left.length} of {step.pieces.length} pieces lie
            {piece && (
              <>
                ; next <strong>{piece.cloth}</strong>, {piece.angleDeg}°, {piece.place}
              </>
            )}
          </p>
        )}
        {begun && !done && step.pieces.length === 0 && <p>▶ begun by {begun.person}</p>}
        {done && <p>✎ wants the signature of the {step.hold === 'inspector' ? 'inspector' : 'laminating lead'}</p>}
        <WindowLine own={own} />
        {waits && <p className="floor-bad">✕ {words(why)}</p>}
        {!begun && !waits && (
          <p>
            {step.minutes > 0 && `About ${lasts(step.minutes)}`}
            {step.stay === 'must' && ', must not be interrupted'}
          </p>
        )}
      </div>
      <Button size="lg" variant={waits ? 'outline-primary' : 'primary'} onClick={() => onOpen(own)}>
        {waits ? 'Look' : 'Open'}
      </Button>
    </article>
  );
}
