'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { differenceInCalendarDays } from 'date-fns';
import Link from 'next/link';
import { useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import { api, wordsOf } from '../shared/api';
import { Frame } from '../shared/Frame';
import { Moment } from '../shared/Moment';
import { PersonField } from '../shared/PersonField';
import { useUnits } from '../shared/units';
import { useWho } from '../shared/who';
import { YardCard } from '../shared/YardCard';
import type { Kept } from '../shared/useSetting';
import { stepsSchema, USUAL_STEPS, type OnBoard, type Steps } from '@/core/build';
import { AmendBuild } from './AmendBuild';
import { BeginBuild, type Buildable } from './BeginBuild';

const KEY = ['builds'];
const NEW_STEP = USUAL_STEPS.steps[0]!;

/** All builds of the yard: stage, next step, held by what, days. */
export function BoardScreen({
  initial,
  buildable,
  steps: keptSteps,
  today,
}: {
  initial: OnBoard[];
  buildable: Buildable[];
  steps: Kept<Steps>;
  /** As the server has it; a build begun today is on its first day. */
  today: string;
}) {
  const client = useQueryClient();
  const { may } = useWho();
  const others = ({ boatId, revision }: OnBoard) =>
    (buildable.find(({ id }) => id === boatId)?.revisions ?? []).filter((label) => label !== revision);
  const [beginning, setBeginning] = useState(false);
  const [steps, setSteps] = useState(keptSteps);
  const { data: builds } = useQuery({
    queryKey: KEY,
    queryFn: () => api<OnBoard[]>('GET', '/api/builds'),
    initialData: initial,
  });
  return (
    <Frame
      head={
        <>
          <h1>Floor</h1>
          <Link href="/floor/shop">Moulds and shop</Link>
          <span className="spacer" />
          <PersonField />
        </>
      }
    >
      <p className="question">What is next?</p>
      {may('plan') && !beginning && (
        <Button className="mb-3" onClick={() => setBeginning(true)}>
          Begin a build
        </Button>
      )}
      {beginning && <BeginBuild buildable={buildable} onLeave={() => setBeginning(false)} />}
      {builds.length === 0 && (
        <p>No hull is being built. A build begins from a revision that stands: issue one under Revisions.</p>
      )}
      <div className="board">
        {builds.map((build) => (
          <BoardCard
            key={build.id}
            build={build}
            today={today}
            others={others(build)}
            onAmended={() => void client.invalidateQueries({ queryKey: KEY })}
          />
        ))}
      </div>
      {may('plan') && (
        <YardCard
          name="steps"
          title="Steps, as the yard works"
          schema={stepsSchema}
          usual={USUAL_STEPS}
          kept={steps}
          additions={{ steps: { ...NEW_STEP, name: 'Another step', note: '' }, climate: USUAL_STEPS.climate[0] }}
          onKept={setSteps}
        />
      )}
    </Frame>
  );
}

/** A hull that left the yard is closed: it stands at the end of the board, and may be opened again. */
function CloseBuild({ build, onDone }: { build: OnBoard; onDone: () => void }) {
  const [refusal, setRefusal] = useState<string | null>(null);
  const closed = build.closedAt !== null;
  const turn = async () => {
    try {
      await api('PATCH', `/api/builds/${build.id}`, { closed: !closed });
      onDone();
    } catch (error) {
      setRefusal(wordsOf(error));
    }
  };
  return (
    <>
      <Button size="sm" variant="outline-primary" className="mt-2" onClick={() => void turn()}>
        {closed ? 'Open it again' : 'Close the build'}
      </Button>
      {refusal !== null && <p role="alert">{refusal}</p>}
    </>
  );
}

function BoardCard({
  build,
  today,
  others,
  onAmended,
}: {
  build: OnBoard;
  today: string;
  /** Revisions that it could go on by. */
  others: readonly string[];
  onAmended: () => void;
}) {
  const { may } = useWho();
  const [amending, setAmending] = useState(false);
  const { words } = useUnits();
  const finished = build.done === build.steps;
  // Of a build that is finished the days until it was.
  const until = finished ? (build.last ?? today) : today;
  const days = differenceInCalendarDays(new Date(until), new Date(build.createdAt)) + 1;
  return (
    <Card className="board-card">
      <Card.Body>
        <h2>
          <a href={`/floor/${build.id}`}>
            {build.boat}, hull {build.hull}
          </a>{' '}
          <span className="soft fw-normal">revision {build.revision}</span>
        </h2>
        <progress className="board-progress" max={build.steps} value={build.done} aria-label="Steps done" />
        <p className="mb-2">
          {build.done} of {build.steps} steps · {build.laid} of {build.pieces} pieces · day {days}
          {build.last !== null && (
            <>
              {' '}
              · last record <Moment iso={build.last} />
            </>
          )}
        </p>
        {build.openDefects > 0 && (
          <p className="mb-1">
            <span className="verdict thin">
              △ {build.openDefects} open {build.openDefects === 1 ? 'defect' : 'defects'}
            </span>
          </p>
        )}
        {build.clashes > 0 && (
          <p className="mb-1">
            <span className="verdict fails">✕ {build.clashes} records clash</span>
          </p>
        )}
        {finished ? (
          <p className="mb-0">
            <span className="verdict meets">✓ {build.closedAt === null ? 'finished' : 'closed'}</span>
          </p>
        ) : (
          <table className="table table-sm mb-0">
            <thead>
              <tr>
                <th scope="col">Part</th>
                <th scope="col">Next</th>
                <th scope="col">Held by</th>
              </tr>
            </thead>
            <tbody>
              {build.atHand.map(({ part, step, running, held }) => (
                <tr key={part}>
                  <th scope="row" className="fw-normal">
                    {part}
                  </th>
                  <td>
                    {running && '▶ '}
                    {step}
                  </td>
                  <td>{held === null ? '–' : words(held)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {finished && may('plan') && <CloseBuild build={build} onDone={onAmended} />}
        {!finished && others.length > 0 && may('plan') && (
          <Button
            size="sm"
            variant="outline-primary"
            className="mt-2"
            aria-expanded={amending}
            onClick={() => setAmending(!amending)}
          >
            Another revision…
          </Button>
        )}
        {amending && (
          <AmendBuild
            buildId={build.id}
            revisions={others}
            onDone={() => {
              setAmending(false);
              onAmended();
            }}
          />
        )}
      </Card.Body>
    </Card>
  );
}
