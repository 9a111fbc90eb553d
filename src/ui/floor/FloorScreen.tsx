'use client';
import { useState } from 'react';
import { Tabs } from '../shared/Tabs';
import { useUnits } from '../shared/units';
import { AlignView } from './AlignView';
import { AirCard } from './AirCard';
import { DefectAsk } from './DefectAsk';
import { DefectsView } from './DefectsView';
import { FloorTop } from './FloorTop';
import { NextView } from './NextView';
import { ProofView } from './ProofView';
import { ReadingsView } from './ReadingsView';
import { RecordsView } from './RecordsView';
import { StepsView } from './StepsView';
import { StepView } from './StepView';
import { lasts } from './useNow';
import { FloorProvider, useFloor } from './useFloor';
import type { FloorBuild } from './keeper';

/** How far a clock may be off before it is said (ms). */
const CLOCK = 120_000;
const VIEWS = {
  next: 'Next',
  steps: 'All steps',
  defects: 'Defects',
  readings: 'Readings',
  align: 'Line up',
  proofs: 'Pulls',
  records: 'Records',
};

/** A build on a tablet: what is next, one thing at a time. */
export function FloorScreen({ buildId, initial }: { buildId: string; initial: FloorBuild | null }) {
  return (
    <div className="floor">
      <FloorProvider buildId={buildId} initial={initial}>
        <Inside />
      </FloorProvider>
    </div>
  );
}

function Inside() {
  const { build, state, refused, store, skew } = useFloor();
  const { words } = useUnits();
  const [view, setView] = useState<keyof typeof VIEWS>('next');
  const [open, setOpen] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const own = open === null ? undefined : state.steps.get(open);
  return (
    <>
      <FloorTop />
      <main className="floor-page" id="work" tabIndex={-1}>
        {skew !== null && Math.abs(skew) > CLOCK && (
          <p className="floor-held" role="status">
            △ The clock of this device is {lasts(Math.abs(skew) / 60_000)} {skew > 0 ? 'fast' : 'slow'}: set it right,
            or windows and pot lives are wrong.
          </p>
        )}
        {refused.map(({ record, refusal }) => (
          <p key={record.id} className="floor-refusal" role="alert">
            ✕ Not taken by the server, kept here: {record.kind} by {record.person}. {words(refusal!)}{' '}
            <button
              type="button"
              className="btn btn-outline-primary btn-sm"
              onClick={() => void store.retry(record.id)}
            >
              Send again
            </button>
          </p>
        ))}
        {own ? (
          <StepView own={own} onBack={() => setOpen(null)} onDefect={() => setWrong(true)} />
        ) : (
          <>
            <h1 className="visually-hidden">
              {build.boat}, hull {build.hull}
            </h1>
            <AirCard />
            <Tabs names={VIEWS} open={view} onOpen={setView} variant="pills" className="floor-tabs" />
            {view === 'next' && (
              <NextView onOpen={({ step }) => setOpen(step.id)} onDefects={() => setView('defects')} />
            )}
            {view === 'steps' && <StepsView onOpen={({ step }) => setOpen(step.id)} />}
            {view === 'defects' && <DefectsView onAdd={() => setWrong(true)} />}
            {view === 'readings' && <ReadingsView />}
            {view === 'proofs' && <ProofView />}
            {view === 'align' && <AlignView />}
            {view === 'records' && <RecordsView />}
          </>
        )}
        {wrong && <DefectAsk step={own?.step ?? null} onLeave={() => setWrong(false)} />}
      </main>
    </>
  );
}
