'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import Link from 'next/link';
import { useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import { BREAKS, type Trial, type TrialBoat, type TrialSeries } from '@/core/trial';
import { api } from '../shared/api';
import { Frame } from '../shared/Frame';
import { PersonField } from '../shared/PersonField';
import { Tabs } from '../shared/Tabs';
import { useUnits } from '../shared/units';
import { useWho } from '../shared/who';
import { StrengthChart, TrialCurves } from './TrialCharts';
import { TrialForm } from './TrialForm';

const KEY = ['trials'];
const STANDING = {
  meets: { mark: '✓ meets', className: 'meets' },
  tooStrong: { mark: '✓✓ too strong', className: 'ample' },
  fails: { mark: '✕ fails', className: 'fails' },
  open: { mark: '○ open', className: '' },
} as const;

/** A first sample of a boat, as its first zone is laid. */
const freshTrial = (boat: TrialBoat, today: string): Trial => ({
  boat: boat.id,
  series: '',
  name: 'A',
  layers: boat.zones[0]?.layers ?? [{ material: boat.materials[0]?.id ?? '', angleDeg: 0, thickness: null }],
  test: 'three',
  span: 0.5,
  width: 0.1,
  arealWeight: null,
  points: [],
  window: null,
  breaks: [],
  target: 1000,
  mostDeflection: null,
  on: today,
  note: '',
});

/** The next letter, or the next number after the last: A, B, … Z, Z1. */
const following = (name: string) => (/^[A-Y]$/.test(name) ? String.fromCharCode(name.charCodeAt(0) + 1) : `${name}1`);

/** Samples laid, loaded and broken: what they prove, and the next one. */
export function TrialsScreen({ initial, boats, today }: { initial: TrialSeries[]; boats: TrialBoat[]; today: string }) {
  const client = useQueryClient();
  const { may } = useWho();
  const { data } = useQuery({
    queryKey: KEY,
    queryFn: () => api<TrialSeries[]>('GET', '/api/trials'),
    initialData: initial,
  });
  const [open, setOpen] = useState(initial[0]?.series ?? '');
  const [draft, setDraft] = useState<Trial | null>(null);
  const series = data.find((one) => one.series === open) ?? data[0];
  const again = (trial: Trial, layers = trial.layers) =>
    setDraft({
      ...trial,
      name: following(series?.samples.at(-1)?.trial.name ?? trial.name),
      layers,
      arealWeight: null,
      points: [],
      breaks: [],
      on: today,
      note: '',
    });
  return (
    <Frame
      head={
        <>
          <h1>Trials</h1>
          <Link href="/log">The log</Link>
          <span className="spacer" />
          <PersonField />
        </>
      }
    >
      <p className="question">What does it bear, and what is the lightest that does?</p>
      {may('measure') && boats[0] && draft === null && (
        <Button className="mb-3" onClick={() => setDraft(freshTrial(boats[0]!, today))}>
          Begin a series
        </Button>
      )}
      {draft && (
        <TrialForm
          boats={boats}
          draft={draft}
          onDraft={setDraft}
          onKept={(trial) => {
            setDraft(null);
            setOpen(trial.series);
            void client.invalidateQueries({ queryKey: KEY });
          }}
          onLeave={() => setDraft(null)}
        />
      )}
      {data.length === 0 && <p>Nothing was tried yet.</p>}
      {data.length > 1 && (
        <Tabs
          names={Object.fromEntries(data.map((one) => [one.series, one.series]))}
          open={series?.series ?? ''}
          onOpen={setOpen}
        />
      )}
      {series && <SeriesView series={series} onAgain={may('measure') ? again : null} />}
    </Frame>
  );
}

function SeriesView({ series, onAgain }: { series: TrialSeries; onAgain: ((trial: Trial) => void) | null }) {
  const { words } = useUnits();
  const { samples, recommendation } = series;
  return (
    <>
      <Card body className="mb-3">
        <h2>{series.series}</h2>
        <StrengthChart series={series} />
        <ul className="mt-2 mb-0">
          {recommendation.says.map((text) => (
            <li key={text}>{words(text)}</li>
          ))}
          {recommendation.factor && (
            <li>
              Measured over predicted, {recommendation.factor.n} broken: {recommendation.factor.mean.toFixed(2)}
              {recommendation.factor.bound !== null &&
                `; to count on (9 of 10, 95 % sure): ${Math.max(0, recommendation.factor.bound).toFixed(2)}`}
            </li>
          )}
        </ul>
      </Card>
      <Card body className="mb-3">
        <h2>Load against deflection</h2>
        <TrialCurves series={series} />
      </Card>
      <Samples series={series} samples={samples} onAgain={onAgain} />
    </>
  );
}

function Samples({
  series: { recommendation },
  samples,
  onAgain,
}: {
  series: TrialSeries;
  samples: TrialSeries['samples'];
  onAgain: ((trial: Trial) => void) | null;
}) {
  const { full } = useUnits();
  return (
    <Card body className="mb-3">
      <h2>Samples</h2>
      <table className="table table-sm" aria-label="Samples">
        <thead>
          <tr>
            <th scope="col">Sample</th>
            {['Weight', 'Should bear', 'Bore', 'First crack', 'Stiffness', 'Should be'].map((head) => (
              <th key={head} scope="col" className="num">
                {head}
              </th>
            ))}
            <th scope="col">How it broke</th>
            <th scope="col" />
            <th scope="col" />
          </tr>
        </thead>
        <tbody>
          {samples.map(({ id, trial, prediction, result }) => {
            const standing = STANDING[recommendation.standing[id] ?? 'open'];
            const weight = trial.arealWeight ?? prediction?.arealWeight ?? null;
            return (
              <tr key={id}>
                <th scope="row" className="fw-normal">
                  {trial.name}, {trial.layers.length} layers
                </th>
                <td className="num">
                  {full(weight, 'laminateWeight')}
                  {trial.arealWeight === null && <span className="soft"> planned</span>}
                </td>
                <td className="num">{full(prediction?.failure, 'force')}</td>
                <td className="num">{full(result.failure?.load ?? result.highest, 'force')}</td>
                <td className="num">
                  {full(result.firstCrack, 'force')}
                  {prediction && <div className="soft small">{full(prediction.firstCrack, 'force')} expected</div>}
                </td>
                <td className="num">{full(result.stiffness?.slope, 'lineForce')}</td>
                <td className="num">{full(prediction?.stiffness, 'lineForce')}</td>
                <td>
                  {result.failure
                    ? `${BREAKS[result.failure.how]}${result.failure.where && `, ${result.failure.where}`}`
                    : 'not broken'}
                </td>
                <td>
                  <span className={`verdict ${standing.className}`}>{standing.mark}</span>
                </td>
                <td>
                  {onAgain && (
                    <Button size="sm" variant="outline-primary" onClick={() => onAgain(trial)}>
                      Next from this
                    </Button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="soft small mb-0">
        Expected by mean strengths, without knock-downs. Not checked: crushing under the load and at the supports.
      </p>
    </Card>
  );
}
