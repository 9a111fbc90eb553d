'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useWho } from '../shared/who';

const FIGURES = ['1', '2', '3', '4', '5', '6', '7', '8', '9'];
const LONGEST = 8;

/** Who it is, as large buttons; then the PIN on keys for a gloved thumb. */
export function PinPad({
  busy,
  people,
  onPin,
}: {
  busy: boolean;
  /** Who may be chosen; everybody who has a PIN where nothing is said. */
  people?: readonly { id: string; name: string }[];
  onPin: (person: string, pin: string) => Promise<boolean>;
}) {
  const { people: everybody } = useWho();
  const [person, setPerson] = useState<{ id: string; name: string } | null>(null);
  const [pin, setPin] = useState('');
  const chosen = people ?? everybody;
  if (person === null)
    return (
      <div className="person-tiles" role="group" aria-label="Who is it?">
        {chosen.map((one) => (
          <Button key={one.id} variant="outline-primary" onClick={() => setPerson(one)}>
            {one.name}
          </Button>
        ))}
        {chosen.length === 0 && <p>Nobody has a PIN yet: it is set on the page People.</p>}
      </div>
    );
  const give = async () => {
    const isIn = await onPin(person.id, pin);
    if (!isIn) setPin('');
  };
  const press = (figure: string) => setPin((before) => (before + figure).slice(0, LONGEST));
  return (
    <Form
      className="pin-pad"
      onSubmit={(event) => {
        event.preventDefault();
        void give();
      }}
    >
      <div className="d-flex align-items-center gap-2 mb-2">
        <strong className="fs-4">{person.name}</strong>
        <Button variant="outline-primary" onClick={() => setPerson(null)}>
          Somebody else
        </Button>
      </div>
      <Form.Control
        type="password"
        inputMode="numeric"
        autoComplete="off"
        aria-label="PIN"
        className="fs-2 text-center mb-2"
        value={pin}
        autoFocus
        maxLength={LONGEST}
        onChange={(event) => setPin(event.target.value.replace(/\D/g, ''))}
      />
      <div className="keys">
        {FIGURES.map((figure) => (
          <Button key={figure} variant="outline-primary" onClick={() => press(figure)}>
            {figure}
          </Button>
        ))}
        <Button variant="outline-primary" onClick={() => setPin('')}>
          Clear
        </Button>
        <Button variant="outline-primary" onClick={() => press('0')}>
          0
        </Button>
        <Button type="submit" disabled={busy || pin.length < 4}>
          OK
        </Button>
      </div>
    </Form>
  );
}
