'use client';
import { heldBy, isFinished, stepsAtHand, type StepState } from '@/core/build';
import { useUnits } from '../shared/units';
import { useFloor } from './useFloor';
import { lasts, useNow } from './useNow';

const MARKS = { done: '✓', running: '▶', held: '✕', next: '●', later: '○', sign: '✎' } as const;
type Mark = keyof typeof MARKS;
const SAID: Record<Mark, string> = {
  done: 'done',
  running: 'running',
  held: 'held',
  next: 'next',
  later: 'later',
  sign: 'wants a signature',
};

/** Every step of every part in its order, what is at hand first on the page. */
export function StepsView({ onOpen }: { onOpen: (step: StepState) => void }) {
  const { state, person } = useFloor();
  const { words } = useUnits();
  const now = new Date(useNow()).toISOString();
  const atHand = new Set(stepsAtHand(state).map(({ step }) => step.id));
  const markOf = (own: StepState): Mark => {
    if (isFinished(own)) return 'done';
    if (own.done) return 'sign';
    if (own.begun) return 'running';
    if (!atHand.has(own.step.id)) return 'later';
    return heldBy(state, own, { person, now }) === null ? 'next' : 'held';
  };
  const groups = [
    ...state.plan.parts.map(({ id, name }) => ({ id: id as string | null, name })),
    { id: null, name: 'Boat' },
  ];
  return (
    <section className="steps-view" aria-label="Steps">
      {groups.map(({ id, name }) => {
        const own = state.plan.steps.filter(({ partId }) => partId === id).map((step) => state.steps.get(step.id)!);
        if (own.length === 0) return null;
        return (
          <div key={name}>
            <h2>
              {name}{' '}
              <span className="soft">
                {own.filter(isFinished).length} of {own.length}
              </span>
            </h2>
            <ol>
              {own.map((one) => {
                const mark = markOf(one);
                const { step, laid } = one;
                return (
                  <li key={step.id} className={`step-line ${mark}`}>
                    <button type="button" className="plain-button" onClick={() => onOpen(one)}>
                      <span className="step-mark" aria-label={SAID[mark]}>
                        {MARKS[mark]}
                      </span>
                      <span className="step-name">
                        {step.name}
                        {mark === 'held' && (
                          <span className="step-why">{words(heldBy(state, one, { person, now }) ?? '')}</span>
                        )}
                        {mark === 'sign' && <span className="step-why">wants the signature of the {step.hold}</span>}
                      </span>
                      <span className="soft">
                        {step.pieces.length > 0 ? `${laid.size}/${step.pieces.length} pieces` : ''}
                        {step.coats > 0 ? `${one.coats.length}/${step.coats} coats` : ''}
                        {step.pieces.length === 0 && step.coats === 0 && step.minutes > 0 ? lasts(step.minutes) : ''}
                        {step.hold !== 'none' && ' ✎'}
                      </span>
                    </button>
                  </li>
                );
              })}
            </ol>
          </div>
        );
      })}
    </section>
  );
}
