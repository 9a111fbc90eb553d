'use client';
import { useId, useState } from 'react';
import { Form } from 'react-bootstrap';
import { useDraft } from './useDraft';

/**
 * A line or a few of text; commits on leaving the field (Enter in one line), keeps what was typed when it is refused.
 */
export function TextField({
  label,
  value,
  maximum,
  rows,
  hideLabel = false,
  onCommit,
}: {
  label: string;
  value: string;
  maximum: number;
  rows?: number;
  /** Leave the label to screen readers, where a table head shows it. */
  hideLabel?: boolean;
  onCommit: (value: string) => string | undefined;
}) {
  const id = useId();
  const [draft, setDraft] = useDraft(`${label} ${value}`);
  const [refusal, setRefusal] = useState<string | undefined>();
  const commit = () => {
    if (draft === null || draft === value) return setDraft(null);
    const said = onCommit(draft.trim());
    setRefusal(said);
    if (!said) setDraft(null);
  };
  return (
    <Form.Group>
      <Form.Label htmlFor={id} className={hideLabel ? 'visually-hidden' : 'mb-0'}>
        {label}
      </Form.Label>
      <Form.Control
        id={id}
        {...(rows ? { as: 'textarea' as const, rows } : {})}
        value={draft ?? value}
        maxLength={maximum}
        isInvalid={refusal !== undefined}
        onChange={(event) => {
          setDraft(event.target.value);
          setRefusal(undefined);
        }}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && !rows) commit();
        }}
      />
      {refusal && <div className="invalid-feedback d-block">{refusal}</div>}
    </Form.Group>
  );
}
