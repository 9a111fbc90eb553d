'use client';
import { useQuery } from '@tanstack/react-query';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { api, textOf } from '../shared/api';
import { Refusal } from '../shared/Refusal';

interface Change {
  part: string;
  says: string;
  late: boolean;
}
const SHOWN = 40;

/** Another issued revision for a hull that is being built: what changes is shown, then signed for. */
export function AmendBuild({
  buildId,
  revisions,
  onDone,
}: {
  buildId: string;
  /** Others than the one it is built by. */
  revisions: readonly string[];
  onDone: () => void;
}) {
  const [revision, setRevision] = useState(revisions[0]!);
  const [reason, setReason] = useState('');
  const [id] = useState(() => nanoid(10));
  const [refusal, setRefusal] = useState<string | null>(null);
  const { data, error } = useQuery({
    queryKey: ['amendment', buildId, revision],
    queryFn: () => api<{ changes: Change[] }>('GET', `/api/builds/${buildId}/amendments?revision=${revision}`),
  });
  const sign = async () => {
    setRefusal(null);
    try {
      await api('POST', `/api/builds/${buildId}/amendments`, { id, revision, reason });
      onDone();
    } catch (why) {
      setRefusal(textOf(why));
    }
  };
  const late = data?.changes.filter((change) => change.late) ?? [];
  const others = data?.changes.filter((change) => !change.late) ?? [];
  return (
    <Form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        void sign();
      }}
    >
      <Refusal text={refusal ?? (error ? textOf(error) : null)} />
      <Form.Select
        className="w-auto mb-2"
        aria-label="Go on by revision"
        value={revision}
        onChange={(event) => setRevision(event.target.value)}
      >
        {revisions.map((label) => (
          <option key={label} value={label}>
            Revision {label}
          </option>
        ))}
      </Form.Select>
      {!data && !error && <p role="status">Looking at what changes…</p>}
      {data?.changes.length === 0 && <p>No piece changes.</p>}
      {late.length > 0 && (
        <p className="mb-1">
          <span className="verdict fails">✕ {late.length} too late</span> what lies stays as it lies:
        </p>
      )}
      <Changes changes={late} />
      {others.length > 0 && <p className="mb-1">{others.length} still to come:</p>}
      <Changes changes={others} />
      <div className="d-flex gap-2">
        <Form.Control
          aria-label="Why it goes on by this revision"
          placeholder="Why"
          value={reason}
          maxLength={600}
          onChange={(event) => setReason(event.target.value)}
        />
        <Button type="submit" size="sm" className="text-nowrap" disabled={!data || reason.trim().length < 3}>
          Sign and go on by {revision}
        </Button>
      </div>
    </Form>
  );
}

const Changes = ({ changes }: { changes: readonly Change[] }) => (
  <ul className="small mb-2">
    {changes.slice(0, SHOWN).map(({ part, says }) => (
      <li key={`${part} ${says}`}>{says}</li>
    ))}
    {changes.length > SHOWN && <li>and {changes.length - SHOWN} more</li>}
  </ul>
);
