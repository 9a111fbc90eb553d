'use client';
import { useEffect, useState } from 'react';
import { Form } from 'react-bootstrap';
import { personHere, setPersonHere } from './api';

/** Who sits here: goes with every edit of this browser, until there are accounts. */
export function PersonField() {
  const [name, setName] = useState('');
  useEffect(() => setName(personHere()), []);
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
      onChange={(event) => {
        setName(event.target.value);
        setPersonHere(event.target.value);
      }}
    />
  );
}
