'use client';
import { useRouter } from 'next/navigation';
import { Dropdown } from 'react-bootstrap';
import { api } from './api';
import { useWho, type SessionState } from './who';

/** Who is signed in, and the way out. */
export function AccountMenu() {
  const router = useRouter();
  const { who, setSession } = useWho();
  if (!who) return null;
  const leave = async () => {
    setSession(await api<SessionState>('DELETE', '/api/session'));
    router.push('/sign-in');
  };
  return (
    <Dropdown drop="up">
      <Dropdown.Toggle size="sm" variant="outline-primary" id="account" className="account">
        {who.name}
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
