'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';

export interface Pick {
  id: string;
  name: string;
}

/** Some of a list, ticked; the rest of it can be added. */
export function Picks({
  label,
  options,
  more = [],
  chosen,
  onChoose,
  children,
}: {
  label: string;
  options: readonly Pick[];
  /** What may be added: not shown until it is. */
  more?: readonly Pick[];
  chosen: readonly string[];
  onChoose: (ids: string[]) => void;
  /** What stands beside one that is ticked. */
  children?: (id: string) => React.ReactNode;
}) {
  const [added, setAdded] = useState<readonly string[]>([]);
  const shown = [...options, ...more.filter(({ id }) => chosen.includes(id) || added.includes(id))];
  const rest = more.filter((one) => !shown.includes(one));
  return (
    <fieldset>
      <legend className="small fw-semibold mb-1">{label}</legend>
      {shown.map(({ id, name }) => (
        <div key={id} className="d-flex align-items-center gap-2">
          <Form.Check
            id={`${label}-${id}`.replaceAll(' ', '-')}
            label={name}
            checked={chosen.includes(id)}
            onChange={(event) => onChoose(event.target.checked ? [...chosen, id] : chosen.filter((own) => own !== id))}
          />
          {chosen.includes(id) && children?.(id)}
        </div>
      ))}
      {rest.length > 0 && (
        <Form.Select
          size="sm"
          className="w-auto mt-1"
          aria-label={`Add to ${label.toLowerCase()}`}
          value=""
          onChange={(event) => {
            setAdded([...added, event.target.value]);
            onChoose([...chosen, event.target.value]);
          }}
        >
          <option value="">Add from the Shelf…</option>
          {rest.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Form.Select>
      )}
    </fieldset>
  );
}
