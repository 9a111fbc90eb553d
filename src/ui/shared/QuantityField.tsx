'use client';
import { useId, useState } from 'react';
import { Form } from 'react-bootstrap';
import { displayUnit, formatForEntry, parseQuantity, sayRange, takeInRange, type QuantityKind } from '@/core/quantity';
import { keepTyped, useTyped } from './typedAs';
import { useUnits } from './units';
import { useDraft } from './useDraft';

export interface QuantityFieldProps {
  label: string;
  kind: QuantityKind;
  value: number | null;
  minimum: number;
  maximum: number;
  /** Why the range is what it is, or what the figure means. */
  hint?: string;
  /** Empty is allowed and means null. */
  optional?: boolean;
  /** Takes the SI value; returns a refusal in words, or nothing when it is taken. */
  onCommit: (value: number | null) => string | void;
  /** Leave the label to screen readers, where a table head shows it. */
  hideLabel?: boolean;
  disabled?: boolean;
}

/** Under which a value is remembered as it was typed. */
const typedKey = (label: string, kind: QuantityKind, value: number | null) =>
  `${label}|${kind}|${value === null ? '' : Number(value.toPrecision(9))}`;

/**
 * An entry that understands units and fractions ("27 ft 6 in", "17 oz/yd2"), shows what it took them for, and refuses
 * with the allowed range.
 * Commits on Enter and on leaving the field; what was typed stays until it is right, over a reload too, and what names
 * its unit stands as it was typed.
 */
export function QuantityField({
  label,
  kind,
  value,
  minimum,
  maximum,
  hint,
  optional = false,
  onCommit,
  hideLabel = false,
  disabled = false,
}: QuantityFieldProps) {
  const id = useId();
  const { system, unit, words } = useUnits();
  const [draft, setDraft] = useDraft(`${label} ${value ?? ''}`);
  const typed = useTyped(typedKey(label, kind, value));
  const [refusal, setRefusal] = useState<string | null>(null);
  const shown = draft ?? typed ?? formatForEntry(value === null ? null : Number(value.toPrecision(6)), kind, system);
  const empty = draft !== null && draft.trim() === '';
  const entry = draft ?? typed ?? null;
  const parsed = entry === null || empty ? null : parseQuantity(entry, kind, system);
  const range = sayRange(minimum, maximum, kind, system);
  const taken = parsed?.ok ? takeInRange(parsed.value, [minimum, maximum], displayUnit(kind, system)) : null;
  const outside = parsed?.ok && taken === null;
  const own = () => {
    if (empty && !optional) return `${label}: a value between ${range} is needed.`;
    if (parsed && !parsed.ok) return parsed.message;
    return outside ? `${label} must be between ${range}${hint ? `: ${words(hint)}` : ''}.` : null;
  };
  const error = refusal ?? own();
  const beside = hideLabel ? '' : words(hint ?? '');

  const commit = () => {
    if (draft === null) return;
    if (empty && optional) {
      onCommit(null);
      setDraft(null);
      return;
    }
    if (taken === null) return;
    // A form's own setter answers with a promise; only words are a refusal.
    const answer: unknown = taken === value ? undefined : onCommit(taken);
    const said = typeof answer === 'string' ? answer : null;
    setRefusal(said);
    if (said !== null) return;
    keepTyped(typedKey(label, kind, taken), draft);
    setDraft(null);
  };

  return (
    <Form.Group>
      <Form.Label htmlFor={id} className={hideLabel ? 'visually-hidden' : 'mb-0'}>
        {label} {!hideLabel && <span className="unit">{unit(kind)}</span>}
      </Form.Label>
      <Form.Control
        id={id}
        className="num"
        value={shown}
        disabled={disabled}
        isInvalid={error !== null}
        aria-describedby={`${id}-says`}
        autoComplete="off"
        onChange={(event) => {
          setDraft(event.target.value.slice(0, 60));
          setRefusal(null);
        }}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            // Takes the figure; the form that it stands in is sent by its own button.
            event.preventDefault();
            commit();
          }
          if (event.key === 'Escape') {
            setDraft(null);
            setRefusal(null);
          }
        }}
      />
      <div id={`${id}-says`} className={error ? 'invalid-feedback d-block' : 'form-text'} aria-live="polite">
        {error ?? (parsed?.ok && /[^\d.,\s−-]/.test(entry ?? '') ? `Taken as ${parsed.understood}` : beside)}
      </div>
    </Form.Group>
  );
}
