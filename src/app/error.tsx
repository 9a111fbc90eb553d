'use client';
import { Button } from 'react-bootstrap';

export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="page">
      <h1>This screen could not be shown</h1>
      <p>What you changed is saved or kept in this browser. Try again; if it stays so, the server log says why.</p>
      <Button onClick={reset}>Try again</Button>
    </main>
  );
}
