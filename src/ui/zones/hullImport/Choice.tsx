import { Col, Form } from 'react-bootstrap';

/** One choice among a few, in a column of its row. */
export function Choice<Key extends string | number>({
  id,
  label,
  value,
  options,
  onChoose,
}: {
  id: string;
  label: string;
  value: Key;
  options: readonly (readonly [Key, string])[];
  onChoose: (key: Key) => void;
}) {
  return (
    <Col>
      <Form.Group controlId={id}>
        <Form.Label className="mb-0 small">{label}</Form.Label>
        <Form.Select
          size="sm"
          value={value}
          onChange={(event) => onChoose(options.find(([key]) => String(key) === event.target.value)![0])}
        >
          {options.map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
    </Col>
  );
}
