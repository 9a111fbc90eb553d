'use client';
import Link from 'next/link';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import { api, wordsOf } from '../shared/api';
import { useDraft } from '../shared/useDraft';
import { Refusal } from '../shared/Refusal';

/** Keeps the draft as it stands as a template that other boats begin from. */
export function KeepTemplate({ boatId, name, ready }: { boatId: string; name: string; ready: boolean }) {
  const [called, setCalled] = useState(name);
  const [note, setNote] = useDraft('what a template is for');
  const [kept, setKept] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const keep = async () => {
    try {
      setTrouble(null);
      await api('POST', '/api/templates', { boatId, name: called, note: note ?? '' });
      setKept(called);
      setNote(null);
    } catch (error) {
      setTrouble(wordsOf(error));
    }
  };
  return (
    <Card className="mt-3">
      <Card.Body>
        <h2>Keep as a template</h2>
        <Refusal text={trouble} onClose={() => setTrouble(null)} />
        <Form
          className="d-flex flex-wrap gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          <Form.Control
            className="w-auto"
            aria-label="Name of the template"
            maxLength={80}
            value={called}
            onChange={(event) => setCalled(event.target.value)}
          />
          <Form.Control
            className="w-auto flex-grow-1"
            aria-label="What the template is for"
            placeholder="What it is for"
            maxLength={400}
            value={note ?? ''}
            onChange={(event) => setNote(event.target.value)}
          />
          <Button type="submit" disabled={!ready || called.trim() === ''}>
            Keep
          </Button>
        </Form>
        <p className="form-text mb-0" role="status">
          {kept === null ? (
            'The draft as it stands, scaled to the particulars of each boat that begins from it.'
          ) : (
            <>
              ✓ {kept} is kept: <Link href="/new">begin a boat from it</Link>.
            </>
          )}
        </p>
      </Card.Body>
    </Card>
  );
}
