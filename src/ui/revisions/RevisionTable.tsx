'use client';
import { useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import type { Revision, RevisionEvent } from '@/core/revision';
import { Term } from '../help/Term';
import { DataTable, type DataColumn } from '../shared/DataTable';
import { Moment } from '../shared/Moment';
import { SignedForm, type Signed } from '../shared/SignedForm';
import { saidPoint } from './OpenPoints';

const STATES = { stands: '✓ stands', superseded: 'superseded', withdrawn: '✕ withdrawn' } as const;
const CLASSES = { stands: 'verdict meets', superseded: 'soft', withdrawn: 'verdict fails' } as const;
const EVENTS = { floor: 'put on the floor', withdrawn: 'withdrawn' } as const;

/** Every revision ever issued, where it stands, and what was done with it. */
export function RevisionTable({
  revisions,
  onEvent,
}: {
  revisions: readonly Revision[];
  onEvent: (label: string, kind: RevisionEvent['kind'], signed: Signed) => Promise<boolean>;
}) {
  const [doing, setDoing] = useState<{ label: string; kind: RevisionEvent['kind'] } | null>(null);
  const floor = revisions.find(({ onFloor }) => onFloor);
  const columns: DataColumn<Revision>[] = [
    {
      id: 'label',
      head: 'Revision',
      by: ({ number }) => number,
      cell: (revision) => (
        <>
          {revision.label} <code title={`SHA-256 of its bytes: ${revision.hash}`}>{revision.hash.slice(0, 6)}</code>
        </>
      ),
    },
    {
      id: 'issued',
      head: 'Issued',
      by: ({ issuedAt }) => issuedAt,
      cell: (revision) => (
        <>
          <Moment iso={revision.issuedAt} />
        </>
      ),
    },
    {
      id: 'by',
      head: 'By',
      by: ({ author }) => author,
      cell: (revision) => <>{revision.author}</>,
    },
    {
      id: 'note',
      head: 'Note',
      by: ({ note }) => note,
      cell: (revision) => (
        <>
          {revision.note}
          {revision.open && (
            <div className="small soft" title={revision.open.points.map(saidPoint).join('; ')}>
              △ issued with {revision.open.points.length} open: {revision.open.answer}
            </div>
          )}
          {revision.events.map((event) => (
            <div key={event.at} className="small soft">
              {EVENTS[event.kind]} by {event.author}, <Moment iso={event.at} />: {event.note}
            </div>
          ))}
        </>
      ),
    },
    {
      id: 'state',
      head: 'State',
      by: ({ state }) => state,
      cell: (revision) => (
        <>
          <span className={CLASSES[revision.state]}>{STATES[revision.state]}</span>
          {revision.onFloor && <div className="small fw-semibold">on the floor</div>}
        </>
      ),
    },
    {
      id: 'acts',
      head: <span className="visually-hidden">Actions</span>,
      cell: (revision) => (
        <>
          {revision.state === 'stands' && !revision.onFloor && (
            <Button size="sm" onClick={() => setDoing({ label: revision.label, kind: 'floor' })}>
              To the floor
            </Button>
          )}{' '}
          {revision.state !== 'withdrawn' && (
            <Button
              size="sm"
              variant="outline-primary"
              onClick={() => setDoing({ label: revision.label, kind: 'withdrawn' })}
            >
              Withdraw
            </Button>
          )}
        </>
      ),
    },
  ];
  return (
    <Card className="h-100">
      <Card.Body>
        <h2>
          Issued <Term of="revision">revisions</Term>
        </h2>
        <p className="mb-2" data-testid="floor">
          {floor ? (
            <>
              The floor builds <strong>revision {floor.label}</strong>
              {floor.state === 'superseded' && (
                <span className="verdict thin ms-1">△ superseded: put the one that stands on the floor</span>
              )}
            </>
          ) : (
            <span className="soft">No revision is on the floor: nothing should be laid yet.</span>
          )}
        </p>
        {revisions.length === 0 ? (
          <p className="soft mb-0">None yet. The draft is only a draft until somebody puts a name to it.</p>
        ) : (
          <DataTable
            label="Issued revisions"
            rows={revisions}
            rowId={({ id }) => id}
            columns={columns}
            empty="None yet."
          />
        )}
        {doing && (
          <div className="preview-bar flex-wrap">
            <strong>
              Revision {doing.label}: {doing.kind === 'floor' ? 'put it on the floor' : 'withdraw it for good'}
            </strong>
            <SignedForm
              key={`${doing.label}-${doing.kind}`}
              inline
              labels={{ by: 'Done by', why: 'Why' }}
              acts={[
                {
                  name: doing.kind === 'floor' ? 'Put it on the floor' : 'Withdraw it',
                  run: async (signed) => {
                    const done = await onEvent(doing.label, doing.kind, signed);
                    if (done) setDoing(null);
                    return done;
                  },
                },
              ]}
              onLeave={() => setDoing(null)}
            />
          </div>
        )}
      </Card.Body>
    </Card>
  );
}
