'use client';
import { Form } from 'react-bootstrap';
import { CRITERIA, type Criterion } from '@/core/laminate';

/** By which criterion plies are said to fail. */
export function CriterionPicker({ value, onChoose }: { value: Criterion; onChoose: (criterion: Criterion) => void }) {
  return (
    <Form.Select
      size="sm"
      className="w-auto"
      aria-label="Failure criterion"
      value={value}
      onChange={(event) => onChoose(event.target.value as Criterion)}
    >
      {Object.entries(CRITERIA).map(([key, name]) => (
        <option key={key} value={key}>
          {name}
        </option>
      ))}
    </Form.Select>
  );
}
