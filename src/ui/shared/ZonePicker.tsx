'use client';
import { Form } from 'react-bootstrap';
import { useDesign } from './boat';

/** Choose a zone of the boat. */
export function ZonePicker({ zoneId, onChoose }: { zoneId: string | null; onChoose: (id: string) => void }) {
  const { boat } = useDesign();
  return (
    <Form.Select
      size="sm"
      className="w-auto"
      aria-label="Zone"
      value={zoneId ?? ''}
      onChange={(event) => onChoose(event.target.value)}
    >
      {boat.parts.map((part) => (
        <optgroup key={part.id} label={part.name}>
          {part.zones.map((zone) => (
            <option key={zone.id} value={zone.id}>
              {zone.name}
            </option>
          ))}
        </optgroup>
      ))}
    </Form.Select>
  );
}
