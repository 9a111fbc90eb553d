'use client';
import { useRouter } from 'next/navigation';
import { Card } from 'react-bootstrap';
import { useWho } from '../shared/who';
import { SignInForm } from './SignInForm';

/** The door: nothing of the yard is shown before somebody is let in. */
export function SignInScreen({ to, closed }: { to: string; closed: string | null }) {
  const router = useRouter();
  const { tablet } = useWho();
  return (
    <main className="door">
      <Card>
        <Card.Body>
          <h1 className="mb-3">Keramos{tablet && <span className="soft fw-normal fs-6"> on {tablet.name}</span>}</h1>
          {closed === null ? <SignInForm onIn={() => router.replace(to)} /> : <p className="mb-0">{closed}</p>}
        </Card.Body>
      </Card>
    </main>
  );
}
