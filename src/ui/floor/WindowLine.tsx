'use client';
import { Stopwatch } from 'react-bootstrap-icons';
import { bondWindow, LATE, WINDOW_AT, type StepState } from '@/core/build';
import { said } from '@/core/quantity';
import { Moment } from '../shared/Moment';
import { useUnits } from '../shared/units';
import { useFloor } from './useFloor';
import { lasts, useNow } from './useNow';

const MINUTE = 60_000;

/** Until when a step bonds to the one before it without more work; nothing where it has no window that is open. */
export function WindowLine({ own }: { own: StepState }) {
  const { state } = useFloor();
  const { words } = useUnits();
  const now = useNow();
  const window = own.begun || own.done ? null : bondWindow(state, own);
  if (!window || now > window.until) return null;
  const { until, fastest } = window;
  return (
    <p className="step-window">
      <Stopwatch aria-hidden /> Begin by{' '}
      <strong>
        <Moment iso={new Date(until).toISOString()} />
      </strong>
      , in {lasts(Math.floor((until - now) / MINUTE))}. Later than that: {LATE[own.step.late]}.
      {fastest && (
        <>
          {' '}
          △ In air of up to {words(said(fastest.celsius, 'temperature'))} it closes {fastest.times.toFixed(1)} times as
          fast as at {words(said(WINDOW_AT, 'temperature'))}.
        </>
      )}
    </p>
  );
}
