'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import type { Person, PersonChange, Role } from '@/core/people';
import { api, wordsOf } from '../shared/api';
import { Refusal } from '../shared/Refusal';
import { useWho } from '../shared/who';
import { RoleBoxes } from './PersonFields';

type Done = (words: string) => Promise<unknown>;

/** One account: roles, secrets, badge, and leaving the yard. */
export function PersonCard({ person, onDone }: { person: Person; onDone: Done }) {
  const router = useRouter();
  const { who, may, setSession } = useWho();
  const [refusal, setRefusal] = useState<string | null>(null);
  const isOwn = who?.id === person.id;
  const act = async (work: () => Promise<unknown>, words: string) => {
    setRefusal(null);
    try {
      await work();
      await onDone(words);
      return true;
    } catch (error) {
      setRefusal(wordsOf(error));
      return false;
    }
  };
  const change = (changed: PersonChange, words: string, old = '') =>
    act(async () => {
      await api('PATCH', `/api/people/${person.id}`, { change: changed, ...(isOwn && { old }) });
      // Whoever has a new password is signed out everywhere, here as well.
      if (isOwn) setSession(await api('GET', '/api/session'));
      if (isOwn && changed.password !== undefined) router.push('/sign-in?to=/people');
    }, words);
  return (
    <Card className="mb-3">
      <Card.Body>
        <h2>{person.name}</h2>
        <Refusal text={refusal} />
        <div className="d-flex flex-wrap gap-4">
          {may('people') && (
            <RolesForm
              key={person.roles.join()}
              person={person}
              onSet={(roles) => change({ roles }, `Roles of ${person.name} changed.`)}
            />
          )}
          <SecretsForm person={person} isOwn={isOwn} onChange={change} />
          {may('people') && <BadgePart person={person} onDone={onDone} />}
        </div>
        <div className="d-flex flex-wrap gap-2 mt-3">
          <Button
            size="sm"
            variant="outline-primary"
            onClick={() => void act(() => api('DELETE', `/api/people/${person.id}/sessions`), 'Signed out everywhere.')}
          >
            Sign {isOwn ? 'me' : person.name} out everywhere
          </Button>
          {may('people') && !isOwn && (
            <Button
              size="sm"
              variant="outline-primary"
              onClick={() =>
                void change(
                  { left: !person.left },
                  person.left ? `${person.name} is back.` : `${person.name} cannot sign in any more; the records stay.`,
                )
              }
            >
              {person.left ? 'Back in the yard' : 'Has left the yard'}
            </Button>
          )}
        </div>
      </Card.Body>
    </Card>
  );
}

function RolesForm({ person, onSet }: { person: Person; onSet: (roles: Role[]) => Promise<boolean> }) {
  const [roles, setRoles] = useState(person.roles);
  return (
    <div>
      <RoleBoxes roles={roles} onSet={setRoles} />
      <Button
        size="sm"
        className="mt-2"
        disabled={roles.join() === person.roles.join() || roles.length === 0}
        onClick={() => void onSet(roles)}
      >
        Keep these roles
      </Button>
    </div>
  );
}

/** A new password or PIN; one's own against the old password. */
function SecretsForm({
  person,
  isOwn,
  onChange,
}: {
  person: Person;
  isOwn: boolean;
  onChange: (changed: PersonChange, words: string, old?: string) => Promise<boolean>;
}) {
  const [old, setOld] = useState('');
  const [password, setPassword] = useState('');
  const [pin, setPin] = useState('');
  const lacksOld = isOwn && old === '';
  const clear = (done: boolean) => {
    if (!done) return;
    setOld('');
    setPassword('');
    setPin('');
  };
  return (
    <Form className="d-grid gap-2" onSubmit={(event) => event.preventDefault()}>
      {isOwn && (
        <Form.Group controlId="old-password">
          <Form.Label className="mb-0">Your password now</Form.Label>
          <Form.Control
            type="password"
            autoComplete="current-password"
            value={old}
            maxLength={200}
            onChange={(event) => setOld(event.target.value)}
          />
        </Form.Group>
      )}
      <Form.Group controlId="new-password">
        <Form.Label className="mb-0">New password</Form.Label>
        <div className="d-flex gap-2">
          <Form.Control
            type="password"
            autoComplete="new-password"
            value={password}
            maxLength={200}
            onChange={(event) => setPassword(event.target.value)}
          />
          <Button
            size="sm"
            className="text-nowrap"
            disabled={password === '' || lacksOld}
            onClick={() => void onChange({ password }, `${person.name} has a new password.`, old).then(clear)}
          >
            Set password
          </Button>
        </div>
      </Form.Group>
      <Form.Group controlId="new-pin">
        <Form.Label className="mb-0">New PIN, for tablets</Form.Label>
        <div className="d-flex gap-2">
          <Form.Control
            type="password"
            inputMode="numeric"
            autoComplete="off"
            value={pin}
            maxLength={8}
            onChange={(event) => setPin(event.target.value.replace(/\D/g, ''))}
          />
          <Button
            size="sm"
            className="text-nowrap"
            disabled={pin === '' || lacksOld}
            onClick={() => void onChange({ pin }, `${person.name} has a new PIN.`, old).then(clear)}
          >
            Set PIN
          </Button>
          {person.hasPin && (
            <Button
              size="sm"
              variant="outline-primary"
              className="text-nowrap"
              disabled={lacksOld}
              onClick={() => void onChange({ pin: null }, `${person.name} has no PIN any more.`, old).then(clear)}
            >
              No PIN
            </Button>
          )}
        </div>
        <div className="form-text">4 to 8 figures; works on enrolled tablets only</div>
      </Form.Group>
    </Form>
  );
}

/** A badge to print and cut out; what it carries is shown this once. */
function BadgePart({ person, onDone }: { person: Person; onDone: Done }) {
  const [picture, setPicture] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const make = async () => {
    try {
      const { svg } = await api<{ svg: string }>('POST', `/api/people/${person.id}/badge`);
      setPicture(`data:image/svg+xml,${encodeURIComponent(svg)}`);
      await onDone(`A badge for ${person.name}: print it now, it is not shown again.`);
    } catch (error) {
      setRefusal(wordsOf(error));
    }
  };
  return (
    <div>
      <h3>Badge</h3>
      <Refusal text={refusal} />
      {picture !== null && (
        <div className="badge-print">
          {/* eslint-disable-next-line @next/next/no-img-element */}
          <img src={picture} alt={`Code on the badge of ${person.name}`} width={140} height={140} />
          <strong>{person.name}</strong>
        </div>
      )}
      <div className="d-flex gap-2 no-print">
        <Button size="sm" variant="outline-primary" disabled={person.left} onClick={() => void make()}>
          {person.hasBadge ? 'New badge; the old one is void' : 'Make a badge'}
        </Button>
        {picture !== null && (
          <Button size="sm" onClick={() => window.print()}>
            Print
          </Button>
        )}
      </div>
    </div>
  );
}
