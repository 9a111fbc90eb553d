'use client';
import { useRouter } from 'next/navigation';
import { Form } from 'react-bootstrap';
import { useDesign } from './boat';

/** Choose a zone of the boat; the choice stands in the address of the screen. */
export function ZonePicker({ step, zoneId }: { step: string; zoneId: string | null }) {
  const { id, boat } = useDesign();
  const router = useRouter();
  return (
    <Form.Select
      size="sm"
      className="w-auto"
      aria-label="Zone"
      value={zoneId ?? ''}
      onChange={(event) => router.replace(`/boats/${id}/${step}?zone=${event.target.value}`)}
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
