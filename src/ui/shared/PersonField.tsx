'use client';
import { useSyncExternalStore } from 'react';
import { Dropdown, Form } from 'react-bootstrap';
import { api, onPersonHere, personHere, setPersonHere } from './api';
import { useWho } from './who';

/** Who sits here: signed in, or by the name they give while there are no accounts. Goes with every change. */
export function PersonField() {
  const { who } = useWho();
  return who ? <Account name={who.name} /> : <NameField />;
}

const leave = () =>
  api('DELETE', '/api/session').finally(() => {
    window.location.assign('/sign-in');
  });

function Account({ name }: { name: string }) {
  return (
    <Dropdown align="end">
      <Dropdown.Toggle size="sm" variant="outline-primary" id="account">
        {name}
      </Dropdown.Toggle>
      <Dropdown.Menu>
        <Dropdown.Item href="/people">People and my account</Dropdown.Item>
        <Dropdown.Item as="button" onClick={() => void leave()}>
          Sign out
        </Dropdown.Item>
      </Dropdown.Menu>
    </Dropdown>
  );
}

function NameField() {
  const name = useSyncExternalStore(onPersonHere, personHere, () => '');
  return (
    <Form.Control
      size="sm"
      className="person-field"
      aria-label="Your name, for the history"
      placeholder="Your name"
      title="Goes with every change you make here"
      value={name}
      maxLength={60}
      autoComplete="name"
      onChange={(event) => setPersonHere(event.target.value)}
    />
  );
}
