'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { signOffSchema, type SignOff, type StandardPack } from '@/core/standard';

/** Who checked the pack against their own copy of its text; withdrawn as easily. */
export function SignOffForm({
  pack,
  onSign,
}: {
  pack: StandardPack;
  onSign: (signOff: SignOff | null) => Promise<void>;
}) {
  const [by, setBy] = useState('');
  const [note, setNote] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  if (pack.signOff)
    return (
      <p className="mb-2">
        <span className="verdict meets">✓ signed off</span> by {pack.signOff.by} on {pack.signOff.at.slice(0, 10)}:{' '}
        {pack.signOff.note}{' '}
        <Button size="sm" variant="outline-primary" className="py-0" onClick={() => void onSign(null)}>
          Withdraw
        </Button>
      </p>
    );
  const sign = () => {
    const checked = signOffSchema.safeParse({ by, note, at: new Date().toISOString() });
    if (!checked.success) return setRefusal(checked.error.issues[0]!.message);
    setRefusal(null);
    void onSign(checked.data);
  };
  return (
    <Form
      className="sign-off mb-3"
      onSubmit={(event) => {
        event.preventDefault();
        sign();
      }}
    >
      <span className="verdict thin">△ unverified</span>
      <Form.Control
        size="sm"
        aria-label="Signed by"
        placeholder="Your name"
        value={by}
        maxLength={60}
        onChange={(event) => setBy(event.target.value)}
      />
      <Form.Control
        size="sm"
        aria-label="What was checked"
        placeholder="What you checked against which text"
        value={note}
        maxLength={600}
        onChange={(event) => setNote(event.target.value)}
      />
      <Button size="sm" type="submit" variant="outline-primary">
        Sign off
      </Button>
      {refusal && <div className="invalid-feedback d-block">{refusal}</div>}
    </Form>
  );
}
