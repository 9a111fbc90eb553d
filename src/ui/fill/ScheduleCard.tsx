'use client';
import { Button, Card } from 'react-bootstrap';
import { airOf } from '@/core/cure';
import { CURE_PLACES, type CurePlan } from '@/core/document';
import { useDesign } from '../shared/boat';
import { useUnits } from '../shared/units';
import { minutes } from './minutes';

/** The schedule as a card for the wall. */
export function ScheduleCard({ plan }: { plan: CurePlan }) {
  const { boat } = useDesign();
  const { full } = useUnits();
  const air = airOf(plan);
  const part = boat.parts.find(({ id }) => id === plan.part);
  return (
    <Card body>
      <div className="d-flex gap-2 align-items-center mb-2">
        <h2 className="mb-0 me-auto">Cure card: {plan.name}</h2>
        <Button size="sm" variant="outline-primary" className="d-print-none" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <p className="mb-1">
        {part?.name}, {CURE_PLACES[plan.place]}, from {full(plan.start, 'temperature')}; mould bears{' '}
        {full(plan.mouldLimit, 'temperature')}.
      </p>
      <ol className="mb-2">
        {plan.steps.map((step, i) => (
          <li key={i}>
            {stepWords(plan, i, full(step.to, 'temperature'))}
            hold {minutes(step.hold)}, until {minutes(air[2 * i + 2]!.time)}
          </li>
        ))}
      </ol>
      <p className="small soft mb-0">
        Write down air and laminate each hour. The clock of a hold starts when the slowest thermocouple is there, not
        the air. Let it cool in the mould before it is lifted.
      </p>
    </Card>
  );
}

/** How a step comes to its temperature. */
function stepWords({ start, steps }: CurePlan, i: number, to: string): string {
  const step = steps[i]!;
  const before = steps[i - 1]?.to ?? start;
  if (Math.abs(step.to - before) < 0.05) return `at ${to}, `;
  const there = airOf({ start, steps: steps.slice(0, i + 1) }).at(-2)!.time;
  return `to ${to} by ${step.rate} K an hour, there after ${minutes(there)}; `;
}
