'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { BuildRecord } from '@/core/build';
import { Ask } from './Ask';
import { useFloor } from './useFloor';

/** The way back: a record that takes an earlier one back; nothing is wiped out. */
export function TakeBack({
  record,
  label = 'Take it back',
  title,
  act,
  disabled = false,
}: {
  record: BuildRecord;
  label?: string;
  title: string;
  act: string;
  disabled?: boolean;
}) {
  const { note } = useFloor();
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState('');
  return (
    <>
      <Button variant="outline-primary" disabled={disabled} onClick={() => setAsking(true)}>
        {label}
      </Button>
      {asking && (
        <Ask
          title={title}
          act={act}
          disabled={reason.trim().length < 2}
          onAct={() => note('undone', { reason: reason.trim() }, record.id)}
          onLeave={() => {
            setAsking(false);
            setReason('');
          }}
        >
          <Form.Group controlId="undo-reason">
            <Form.Label>Why</Form.Label>
            <Form.Control value={reason} maxLength={200} onChange={(event) => setReason(event.target.value)} />
          </Form.Group>
        </Ask>
      )}
    </>
  );
}
