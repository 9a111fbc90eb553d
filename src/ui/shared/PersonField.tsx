'use client';
import { useSyncExternalStore } from 'react';
import { Form } from 'react-bootstrap';
import { onPersonHere, personHere, setPersonHere } from './api';

/** Who sits here: goes with every edit of this browser, until there are accounts. */
export function PersonField() {
  const name = useSyncExternalStore(onPersonHere, personHere, () => '');
  return (
    <Form.Control
      size="sm"
      className="person-field"
      aria-label="Your name, for the history"
      placeholder="Your name"
      title="Goes with every change you make here"
      value={name}
      maxLength={60}
      autoComplete="name"
      onChange={(event) => setPersonHere(event.target.value)}
    />
  );
}
