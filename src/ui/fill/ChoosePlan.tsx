import { Button, Form } from 'react-bootstrap';

/** One of several by name. */
export function ChooseOne({
  id,
  label,
  items,
  chosen,
  onChoose,
  className = '',
}: {
  id: string;
  label: string;
  items: readonly { id: string; name: string }[];
  chosen: string;
  onChoose: (id: string) => void;
  className?: string;
}) {
  return (
    <Form.Group controlId={id} className={className}>
      <Form.Label className="small mb-0">{label}</Form.Label>
      <Form.Select size="sm" className="w-auto" value={chosen} onChange={(event) => onChoose(event.target.value)}>
        {items.map((item) => (
          <option key={item.id} value={item.id}>
            {item.name}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
}

type Choice = Omit<Parameters<typeof ChooseOne>[0], 'className'>;

/** Which plan is looked at; a copy of it, or a new one for a place. */
export function ChoosePlan({
  plan,
  place,
  copyWords,
  addWords,
  onCopy,
  onAdd,
}: {
  plan: Choice;
  place: Choice;
  copyWords: string;
  addWords: string;
  onCopy: () => void;
  onAdd: () => void;
}) {
  return (
    <div className="d-flex gap-2 flex-wrap align-items-end mb-2 d-print-none">
      {plan.items.length > 0 && (
        <>
          <ChooseOne {...plan} />
          <Button size="sm" variant="outline-primary" onClick={onCopy}>
            {copyWords}
          </Button>
        </>
      )}
      <ChooseOne {...place} className="ms-auto" />
      <Button size="sm" disabled={place.items.length === 0} onClick={onAdd}>
        {addWords}
      </Button>
    </div>
  );
}
