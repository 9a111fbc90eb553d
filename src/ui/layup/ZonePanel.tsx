'use client';
import type { ReactNode } from 'react';
import { Card } from 'react-bootstrap';
import { ORIGINS } from '@/core/material';
import { formatMargin, formatNumber, formatReserve } from '@/core/quantity';
import { targetOf, verdictOf, whereGoverns, type ZoneCheck, type ZoneEvaluation } from '@/core/evaluate';
import type { Boat, Zone } from '@/core/document';
import { CHECKS, ZONE_LOCATIONS } from '@/core/standard';
import { Tabs } from '../shared/Tabs';
import { useAfterPaint } from '../shared/useAfterPaint';
import { useUnits } from '../shared/units';
import { useKeptTab } from '../shared/useKept';
import { useBand } from '../shared/useProofs';
import { Verdict, ZoneVerdict } from '../shared/Verdict';
import type { TermId } from '../help/helpData';
import { Term } from '../help/Term';
import { SectionDrawing } from './SectionDrawing';

const FILL = { fails: 'var(--fails)', thin: 'var(--thin)', meets: 'var(--water)', ample: 'var(--steel)' } as const;
const TRACK = 72;
const place = (reserveFactor: number) =>
  TRACK * Math.min(1, Math.max(0, Math.log(reserveFactor / 0.4) / Math.log(5 / 0.4)));

/** Reserve on a logarithmic track from 0.4 to 5, with a mark at 1 and at the target. */
function ReserveBar({ reserveFactor, target }: { reserveFactor: number; target: number }) {
  return (
    <svg width={TRACK} height="11" viewBox={`0 0 ${TRACK} 11`} aria-hidden="true">
      <rect className="reserve-track" width={TRACK} height="7" y="2" />
      <rect width={place(reserveFactor)} height="7" y="2" fill={FILL[verdictOf(reserveFactor, target)]} />
      <line x1={place(1)} x2={place(1)} y1="0" y2="11" stroke="var(--ink)" strokeWidth="1.4" />
      {target > 1 && (
        <line x1={place(target)} x2={place(target)} y1="0" y2="11" stroke="var(--ink)" strokeDasharray="2 1.5" />
      )}
    </svg>
  );
}

/** Picture, figures and checks of the selected zone; every check opens its working. */
export function ZonePanel({
  boat,
  zone,
  evaluation: e,
  chosenLayer,
  onWorking,
  moves,
  cautions,
  openCautions,
}: {
  boat: Boat;
  zone: Zone;
  evaluation: ZoneEvaluation;
  chosenLayer: string | null;
  onWorking: (topic: ZoneCheck | 'stack' | 'all') => void;
  /** What each layer buys, and the cautions of the zone, each behind a tab. */
  moves: ReactNode;
  cautions: ReactNode;
  openCautions: number;
}) {
  const [view, setView] = useKeptTab('layup.side', 'checks', ['checks', 'moves', 'cautions']);
  const { full, words } = useUnits();
  const target = targetOf(boat);
  // Margins first: the picture follows in the next frame, the band when the hand rests.
  const drawn = useAfterPaint(e);
  const band = useBand(boat, zone.id);
  const facts: [name: string, value: string, of?: TermId][] = [
    ['Thickness', full(e.thickness, 'thickness')],
    ['Dry fibre', full(e.dryArealWeight, 'arealWeight'), 'dryFibre'],
    ['Laminated', full(e.laminatedArealWeight, 'laminateWeight')],
    [
      'Fibre by weight / volume',
      `${formatNumber(e.fibreWeightFraction * 100, 0)} / ${formatNumber(e.fibreVolumeFraction * 100, 0)} %`,
      'fibreFraction',
    ],
    ...(e.stiffness
      ? ([
          [
            'Membrane A11 / A22',
            `${full(e.stiffness.A[0][0], 'membraneStiffness').split(' ')[0]} / ` +
              `${full(e.stiffness.A[1][1], 'membraneStiffness')}`,
            'membrane',
          ],
          [
            'Bending D11 / D22',
            `${full(e.stiffness.D[0][0], 'bendingStiffness').split(' ')[0]} / ` +
              `${full(e.stiffness.D[1][1], 'bendingStiffness')}`,
            'bending',
          ],
        ] as [string, string, TermId][])
      : []),
    ...(e.pressure ? ([['Design pressure', full(e.pressure.pressure, 'pressure')]] as [string, string][]) : []),
  ];
  return (
    <Card className="side-panel" data-testid="zone-panel">
      <Card.Body>
        <div className="d-flex justify-content-between align-items-baseline">
          <h2>
            {zone.name} <span className="soft fw-normal small">{ZONE_LOCATIONS[zone.location].label}</span>
          </h2>
          <ZoneVerdict evaluation={e} target={target} />
        </div>
        <SectionDrawing evaluation={drawn} name={zone.name} chosenLayer={chosenLayer} />
        <Tabs
          className="mt-1 mb-2 small"
          names={{ checks: 'Checks', moves: 'What each layer buys', cautions: `Cautions ${openCautions || ''}` }}
          open={view}
          onOpen={setView}
        />
        {view === 'moves' && moves}
        {view === 'cautions' && cautions}
        {view === 'checks' && (
          <>
            <dl className="facts mt-1 mb-2">
              {facts.map(([term, value, of]) => (
                <div key={term} className="contents">
                  <dt>{of ? <Term of={of}>{term}</Term> : term}</dt>
                  <dd>
                    <button
                      type="button"
                      className="plain-button opens"
                      onClick={() => onWorking(term === 'Design pressure' ? 'all' : 'stack')}
                      title={`How ${term.toLowerCase()} comes about`}
                    >
                      {value}
                    </button>
                  </dd>
                </div>
              ))}
            </dl>
            {e.problem ? (
              <p className="verdict fails d-block text-wrap">✕ Not checked: {words(e.problem)}</p>
            ) : (
              <table className="table table-sm checks-table" aria-label={`Checks of ${zone.name}`}>
                <thead>
                  <tr>
                    <th>Check</th>
                    <th aria-hidden="true" />
                    <th className="num">
                      <Term of="reserve">Reserve</Term>
                    </th>
                    <th className="num">
                      <Term of="margin">Margin</Term>
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {e.checks.map((check) => (
                    <tr key={`${check.pack}-${check.id}`} className={check === e.governing ? 'fw-semibold' : ''}>
                      <td>
                        <button
                          type="button"
                          className="reason-button"
                          onClick={() => onWorking(check)}
                          title={words(whereGoverns(check))}
                        >
                          {CHECKS[check.id]}
                        </button>
                        {check.pack !== boat.packs[0]!.id && (
                          <span className="soft fw-normal small">
                            {' '}
                            {boat.packs.find(({ id }) => id === check.pack)?.title}
                          </span>
                        )}
                        {check === e.governing && <span className="soft fw-normal"> governs</span>}
                      </td>
                      <td className="px-0">
                        <ReserveBar reserveFactor={check.reserveFactor} target={target} />
                      </td>
                      <td className="num">
                        <Verdict reserveFactor={check.reserveFactor} target={target} words={false} />
                      </td>
                      <td className="num">{formatMargin(check.reserveFactor)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
            {e.governing && (
              <p className="small mb-1">
                Governed by {words(whereGoverns(e.governing))}.
                {band && (
                  <>
                    {' '}
                    By the method it lies from {formatReserve(band.p05)} to {formatReserve(band.p95)} in 90 of 100
                    boats, as fibre fraction, strengths and core scatter.
                  </>
                )}
              </p>
            )}
            <p className="small soft mb-0">
              {e.origin && (
                <>
                  Stands on <span className="origin">{ORIGINS[e.origin]}</span>.{' '}
                </>
              )}
              {e.unproven.length > 0 && <strong>Not proven: {e.unproven.map(words).join('; ')}. </strong>}
              {e.notChecked.length > 0 && <>Not checked: {e.notChecked.map(words).join('; ')}. </>}
              {!e.problem && (
                <button type="button" className="reason-button" onClick={() => onWorking('all')}>
                  Whole working
                </button>
              )}
            </p>
          </>
        )}
      </Card.Body>
    </Card>
  );
}
