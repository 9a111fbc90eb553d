'use client';
import { BrokenScreen } from '@/ui/shared/BrokenScreen';

/** A screen outside a boat that broke. */
export default function ErrorPage({ error, reset }: { error: Error; reset: () => void }) {
  return (
    <main className="page">
      <BrokenScreen error={error} reset={reset}>
        <p>What you changed is saved or kept in this browser. If it stays so, the server log says why.</p>
      </BrokenScreen>
    </main>
  );
}
