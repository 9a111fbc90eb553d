'use client';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import type { Revision, RevisionEvent } from '@/core/revision';

const STATES = { stands: '✓ stands', superseded: 'superseded', withdrawn: '✕ withdrawn' } as const;
const CLASSES = { stands: 'verdict meets', superseded: 'soft', withdrawn: 'verdict fails' } as const;
const EVENTS = { floor: 'put on the floor', withdrawn: 'withdrawn' } as const;
const when = (at: string) => at.slice(0, 16).replace('T', ' ');

/** Every revision ever issued, where it stands, and what was done with it. */
export function RevisionTable({
  revisions,
  onEvent,
}: {
  revisions: readonly Revision[];
  onEvent: (label: string, kind: RevisionEvent['kind'], author: string, note: string) => Promise<boolean>;
}) {
  const [doing, setDoing] = useState<{ label: string; kind: RevisionEvent['kind'] } | null>(null);
  const [author, setAuthor] = useState('');
  const [note, setNote] = useState('');
  const floor = revisions.find(({ onFloor }) => onFloor);
  return (
    <Card className="h-100">
      <Card.Body>
        <h2>Issued revisions</h2>
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
          <table className="table" aria-label="Issued revisions">
            <thead>
              <tr>
                <th>Revision</th>
                <th>Issued</th>
                <th>By</th>
                <th>Note</th>
                <th>State</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {revisions.map((revision) => (
                <tr key={revision.id}>
                  <td className="fw-semibold">
                    {revision.label}{' '}
                    <code title={`SHA-256 of its bytes: ${revision.hash}`}>{revision.hash.slice(0, 6)}</code>
                  </td>
                  <td className="text-nowrap">{when(revision.issuedAt)}</td>
                  <td>{revision.author}</td>
                  <td>
                    {revision.note}
                    {revision.events.map((event) => (
                      <div key={event.at} className="small soft">
                        {EVENTS[event.kind]} by {event.author}, {when(event.at)}: {event.note}
                      </div>
                    ))}
                  </td>
                  <td className="text-nowrap">
                    <span className={CLASSES[revision.state]}>{STATES[revision.state]}</span>
                    {revision.onFloor && <div className="small fw-semibold">on the floor</div>}
                  </td>
                  <td className="text-nowrap text-end">
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
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {doing && (
          <Form
            className="preview-bar flex-wrap"
            onSubmit={(event) => {
              event.preventDefault();
              void onEvent(doing.label, doing.kind, author, note).then((done) => {
                if (!done) return;
                setDoing(null);
                setNote('');
              });
            }}
          >
            <strong>
              Revision {doing.label}: {doing.kind === 'floor' ? 'put it on the floor' : 'withdraw it for good'}
            </strong>
            <Form.Control
              size="sm"
              className="w-auto"
              aria-label="Done by"
              placeholder="by"
              value={author}
              maxLength={60}
              onChange={(event) => setAuthor(event.target.value)}
            />
            <Form.Control
              size="sm"
              className="w-auto flex-grow-1"
              aria-label="Why"
              placeholder="why"
              value={note}
              maxLength={600}
              onChange={(event) => setNote(event.target.value)}
            />
            <Button size="sm" type="submit" disabled={author.trim().length < 2 || note.trim().length < 3}>
              {doing.kind === 'floor' ? 'Put it on the floor' : 'Withdraw it'}
            </Button>
            <Button size="sm" variant="outline-primary" onClick={() => setDoing(null)}>
              Leave it
            </Button>
          </Form>
        )}
      </Card.Body>
    </Card>
  );
}
