import { Form } from 'react-bootstrap';
import { ORIGINS, type Origin } from '@/core/material';

/** What a figure stands on. */
export function OriginSelect({
  label,
  value,
  onChange,
}: {
  label: string;
  value: Origin;
  onChange: (origin: Origin) => void;
}) {
  return (
    <Form.Select
      size="sm"
      aria-label={`Origin of ${label}`}
      value={value}
      onChange={(event) => onChange(event.target.value as Origin)}
    >
      {Object.entries(ORIGINS).map(([key, name]) => (
        <option key={key} value={key}>
          {name}
        </option>
      ))}
    </Form.Select>
  );
}
