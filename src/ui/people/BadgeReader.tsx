'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { CodeCamera } from '../shared/CodeCamera';

/** A badge held before the camera, or what a hand scanner types. */
export function BadgeReader({ busy, onCode }: { busy: boolean; onCode: (code: string) => void }) {
  const [typed, setTyped] = useState('');
  return (
    <>
      <CodeCamera onCode={(code) => !busy && onCode(code)} />
      <Form
        className="d-flex gap-2 mt-2"
        onSubmit={(event) => {
          event.preventDefault();
          onCode(typed);
          setTyped('');
        }}
      >
        <Form.Control
          aria-label="Code of the badge"
          placeholder="or scan it in here"
          type="password"
          autoComplete="off"
          value={typed}
          maxLength={60}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Button type="submit" disabled={busy || typed.trim() === ''}>
          Sign in
        </Button>
      </Form>
    </>
  );
}
