'use client';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import type { ChangeRequest, Revision } from '@/core/revision';
import { useBoat } from '../shared/boat';

/** Issue the draft, or ask for the change that it is to the revision that stands. */
export function IssueForm({
  standing,
  requests,
  onIssue,
  onAsk,
}: {
  standing: Revision | null;
  requests: readonly ChangeRequest[];
  onIssue: (baseVersion: number, author: string, note: string) => Promise<boolean>;
  onAsk: (baseVersion: number, askedBy: string, reason: string) => Promise<boolean>;
}) {
  const { version, save, archived } = useBoat();
  const [author, setAuthor] = useState('');
  const [note, setNote] = useState('');
  const own = requests.filter((request) => request.against === standing?.label && request.version === version);
  const approved = own.some(({ state }) => state === 'approved');
  const open = own.some(({ state }) => state === 'open');
  const asks = standing !== null && !approved;
  const ready = save === 'saved' && !archived && author.trim().length >= 2 && note.trim().length >= 3;
  return (
    <Card>
      <Card.Body>
        <h2>{asks ? `Ask for a change to revision ${standing.label}` : 'Issue the draft'}</h2>
        <Form
          className="d-grid gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            void (asks ? onAsk : onIssue)(version, author, note).then((done) => done && setNote(''));
          }}
        >
          <Form.Group controlId="author">
            <Form.Label className="mb-0">{asks ? 'Asked by' : 'Issued by'}</Form.Label>
            <Form.Control value={author} maxLength={60} onChange={(event) => setAuthor(event.target.value)} />
          </Form.Group>
          <Form.Group controlId="note">
            <Form.Label className="mb-0">{asks ? 'Reason for the change' : 'What it is for'}</Form.Label>
            <Form.Control
              as="textarea"
              rows={2}
              value={note}
              maxLength={600}
              onChange={(event) => setNote(event.target.value)}
            />
          </Form.Group>
          <div className="d-flex align-items-center gap-2">
            <Button type="submit" disabled={!ready || (asks && open)}>
              {asks ? 'Ask for this change' : 'Issue next revision'}
            </Button>
            {save !== 'saved' && <span className="form-text">Wait until the draft is saved.</span>}
            {asks && open && (
              <span className="form-text">This draft is asked for already: somebody else decides below.</span>
            )}
          </div>
          <p className="form-text mb-0">
            {asks
              ? `Revision ${standing.label} stands. The draft becomes the next revision when somebody else has approved the change; approval holds for the draft as it is now and for no other.`
              : 'An issued revision cannot be changed or removed; editing goes on in the draft.'}
          </p>
        </Form>
      </Card.Body>
    </Card>
  );
}
