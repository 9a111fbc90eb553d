'use client';
import { Form } from 'react-bootstrap';

/** One of a few, in words. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChoose,
  hint,
}: {
  label: string;
  value: T;
  options: Record<T, string>;
  onChoose: (value: T) => void;
  hint?: string;
}) {
  return (
    <Form.Group controlId={`choice-${label.replaceAll(' ', '-')}`}>
      <Form.Label className="mb-0">{label}</Form.Label>
      <Form.Select value={value} onChange={(event) => onChoose(event.target.value as T)}>
        {Object.entries<string>(options).map(([key, text]) => (
          <option key={key} value={key}>
            {text}
          </option>
        ))}
      </Form.Select>
      {hint && <div className="form-text">{hint}</div>}
    </Form.Group>
  );
}
