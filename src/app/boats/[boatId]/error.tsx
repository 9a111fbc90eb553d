'use client';
import { BrokenScreen } from '@/ui/shared/BrokenScreen';

/** A screen that broke: the others still work, and nothing that was typed is lost. */
export default function BoatError({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <BrokenScreen error={error} reset={reset}>
      <p>
        What you typed is kept: in the boat where it was saved, in this browser where it was not. The other screens of
        the boat still work.
      </p>
      <p className="soft small">{error.digest ? `Reported as ${error.digest} in the server's log.` : error.message}</p>
    </BrokenScreen>
  );
}
