'use client';
import { Card } from 'react-bootstrap';
import type { ChangeRequest } from '@/core/revision';
import { useBoat } from '../shared/boat';
import { ChangeList } from '../shared/ChangeList';
import { Moment } from '../shared/Moment';
import { SignedForm, type Signed } from '../shared/SignedForm';

const STATES = {
  open: '△ waits for a decision',
  approved: '✓ approved',
  refused: '✕ refused',
  issued: '✓ issued',
} as const;
const CLASSES = { open: 'thin', approved: 'meets', refused: 'fails', issued: 'ample' } as const;

/** Changes asked for, with what they change, and who decided. */
export function ChangeRequests({
  requests,
  onDecide,
}: {
  requests: readonly ChangeRequest[];
  onDecide: (id: string, approve: boolean, signed: Signed) => Promise<boolean>;
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
  onDecide: (id: string, approve: boolean, signed: Signed) => Promise<boolean>;
}) {
  const { version } = useBoat();
  const stale = request.version !== version && (request.state === 'open' || request.state === 'approved');
  return (
    <details className="caution" open={request.state === 'open'}>
      <summary>
        <span className={`verdict ${CLASSES[request.state]}`}>{STATES[request.state]}</span> To revision{' '}
        {request.against}: <strong>{request.reason}</strong>{' '}
        <span className="soft">
          asked by {request.askedBy}, <Moment iso={request.askedAt} />, {request.changes.length}{' '}
          {request.changes.length === 1 ? 'change' : 'changes'}
        </span>
        {stale && <span className="verdict thin ms-1">△ the draft has moved on since: ask again</span>}
      </summary>
      <ChangeList changes={request.changes} empty="" />
      {request.decidedBy !== null && (
        <p className="small mb-1">
          {request.state === 'refused' ? 'Refused' : 'Approved'} by {request.decidedBy},{' '}
          <Moment iso={request.decidedAt!} />: {request.decision}
        </p>
      )}
      {request.state === 'open' && (
        <SignedForm
          inline
          labels={{ by: 'Decided by', why: 'Why it is decided so' }}
          acts={[
            { name: 'Approve', run: (signed) => onDecide(request.id, true, signed) },
            { name: 'Refuse', run: (signed) => onDecide(request.id, false, signed), quiet: true },
          ]}
        />
      )}
    </details>
  );
}
