'use client';
import { useSyncExternalStore } from 'react';
import { Form } from 'react-bootstrap';
import { onPersonHere, personHere, setPersonHere } from './api';
import { useWho } from './who';

/** Who sits here, by the name they give while there are no accounts; whoever is signed in stands in the rail. */
export function PersonField() {
  const { who } = useWho();
  return who ? null : <NameField />;
}

function NameField() {
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
