import { Form } from 'react-bootstrap';

/** One choice among a few in the small type of tables and files. */
export function SmallChoice<Key extends string | number>({
  id,
  label,
  value,
  options,
  onChoose,
  beside = false,
}: {
  id: string;
  label: string;
  value: Key;
  options: readonly (readonly [Key, string])[];
  onChoose: (key: Key) => void;
  /** The label stands before the list, in a line of others. */
  beside?: boolean;
}) {
  return (
    <Form.Group controlId={id} className={beside ? 'd-flex gap-1 align-items-center' : ''}>
      <Form.Label className="mb-0 small text-nowrap">{label}</Form.Label>
      <Form.Select
        size="sm"
        className={beside ? 'w-auto' : ''}
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
  );
}
