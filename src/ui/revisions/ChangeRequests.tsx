'use client';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import type { ChangeRequest } from '@/core/revision';
import { useBoat } from '../shared/boat';
import { ChangeList } from '../shared/ChangeList';

const STATES = {
  open: '△ waits for a decision',
  approved: '✓ approved',
  refused: '✕ refused',
  issued: '✓ issued',
} as const;
const CLASSES = { open: 'thin', approved: 'meets', refused: 'fails', issued: 'ample' } as const;
const when = (at: string) => at.slice(0, 16).replace('T', ' ');

/** Changes asked for, with what they change, and who decided. */
export function ChangeRequests({
  requests,
  onDecide,
}: {
  requests: readonly ChangeRequest[];
  onDecide: (id: string, approve: boolean, decidedBy: string, decision: string) => Promise<boolean>;
}) {
  return (
    <Card className="mt-3">
      <Card.Body>
        <h2>Change requests</h2>
        {requests.map((request) => (
          <OneRequest key={request.id} request={request} onDecide={onDecide} />
        ))}
      </Card.Body>
    </Card>
  );
}

function OneRequest({
  request,
  onDecide,
}: {
  request: ChangeRequest;
  onDecide: (id: string, approve: boolean, decidedBy: string, decision: string) => Promise<boolean>;
}) {
  const { version } = useBoat();
  const [by, setBy] = useState('');
  const [why, setWhy] = useState('');
  const stale = request.version !== version && (request.state === 'open' || request.state === 'approved');
  const ready = by.trim().length >= 2 && why.trim().length >= 3;
  return (
    <details className="caution" open={request.state === 'open'}>
      <summary>
        <span className={`verdict ${CLASSES[request.state]}`}>{STATES[request.state]}</span> To revision{' '}
        {request.against}: <strong>{request.reason}</strong>{' '}
        <span className="soft">
          asked by {request.askedBy}, {when(request.askedAt)}, {request.changes.length}{' '}
          {request.changes.length === 1 ? 'change' : 'changes'}
        </span>
        {stale && <span className="verdict thin ms-1">△ the draft has moved on since: ask again</span>}
      </summary>
      <ChangeList changes={request.changes} empty="" />
      {request.decidedBy !== null && (
        <p className="small mb-1">
          {request.state === 'refused' ? 'Refused' : 'Approved'} by {request.decidedBy}, {when(request.decidedAt!)}:{' '}
          {request.decision}
        </p>
      )}
      {request.state === 'open' && (
        <Form className="d-flex gap-2 align-items-center mb-2" onSubmit={(event) => event.preventDefault()}>
          <Form.Control
            size="sm"
            className="w-auto"
            aria-label="Decided by"
            placeholder="decided by"
            value={by}
            maxLength={60}
            onChange={(event) => setBy(event.target.value)}
          />
          <Form.Control
            size="sm"
            aria-label="Why it is decided so"
            placeholder="why"
            value={why}
            maxLength={600}
            onChange={(event) => setWhy(event.target.value)}
          />
          <Button size="sm" disabled={!ready} onClick={() => void onDecide(request.id, true, by, why)}>
            Approve
          </Button>
          <Button
            size="sm"
            variant="outline-primary"
            disabled={!ready}
            onClick={() => void onDecide(request.id, false, by, why)}
          >
            Refuse
          </Button>
        </Form>
      )}
    </details>
  );
}
