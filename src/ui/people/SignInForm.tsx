'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { api, wordsOf } from '../shared/api';
import { Refusal } from '../shared/Refusal';
import { Tabs } from '../shared/Tabs';
import { useWho, type SessionState } from '../shared/who';
import { BadgeReader } from './BadgeReader';
import { PinPad } from './PinPad';

/** Ask the server to let somebody in; what it refuses is said. */
function useSignIn(onIn: () => void) {
  const { setSession } = useWho();
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const signIn = async (body: Record<string, string>) => {
    setBusy(true);
    setRefusal(null);
    try {
      const session = await api<SessionState>('POST', '/api/session', body);
      setSession(session);
      // A device that keeps nothing works all the same while the server is there.
      if (session.pass !== null)
        await import('../floor/keepPass')
          .then(({ keepPass }) => keepPass(session, body['pin'] ?? null))
          .catch(() => {});
      onIn();
      return true;
    } catch (error) {
      setRefusal(wordsOf(error));
      return false;
    } finally {
      setBusy(false);
    }
  };
  return { signIn, refusal, busy };
}

const WAYS = { pin: 'PIN', badge: 'Badge', password: 'Password' };

/** By password; on a tablet of the floor by PIN or badge, the gloves on. */
export function SignInForm({ onIn }: { onIn: () => void }) {
  const { tablet, people } = useWho();
  const [way, setWay] = useState<keyof typeof WAYS>(tablet && people.length > 0 ? 'pin' : 'password');
  const { signIn, refusal, busy } = useSignIn(onIn);
  return (
    <>
      {tablet && <Tabs names={WAYS} open={way} onOpen={setWay} variant="pills" className="mb-3" />}
      <Refusal text={refusal} />
      {way === 'pin' && <PinPad busy={busy} onPin={(person, pin) => signIn({ person, pin })} />}
      {way === 'badge' && <BadgeReader busy={busy} onCode={(badge) => void signIn({ badge })} />}
      {way === 'password' && <PasswordForm busy={busy} onGiven={signIn} />}
    </>
  );
}

function PasswordForm({
  busy,
  onGiven,
}: {
  busy: boolean;
  onGiven: (body: Record<string, string>) => Promise<boolean>;
}) {
  const [login, setLogin] = useState('');
  const [password, setPassword] = useState('');
  return (
    <Form
      className="d-grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void onGiven({ login, password }).then((isIn) => isIn || setPassword(''));
      }}
    >
      <Form.Group controlId="sign-in-login">
        <Form.Label className="mb-0">Signs in as</Form.Label>
        <Form.Control
          value={login}
          autoFocus
          autoComplete="username"
          autoCapitalize="none"
          maxLength={40}
          onChange={(event) => setLogin(event.target.value)}
        />
      </Form.Group>
      <Form.Group controlId="sign-in-password">
        <Form.Label className="mb-0">Password</Form.Label>
        <Form.Control
          type="password"
          value={password}
          autoComplete="current-password"
          maxLength={200}
          onChange={(event) => setPassword(event.target.value)}
        />
      </Form.Group>
      <div>
        <Button type="submit" disabled={busy || login === '' || password === ''}>
          Sign in
        </Button>
      </div>
    </Form>
  );
}
