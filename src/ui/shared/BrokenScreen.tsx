import { useState, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { isUnsent, reachable } from './useReachable';

/**
 * What stands where a screen broke. Where a piece of its code was never sent, the page is fetched anew, and only once
 * the server answers: trying again without it would come to the same.
 */
export function BrokenScreen({ error, reset, children }: { error: Error; reset: () => void; children: ReactNode }) {
  const [unreached, setUnreached] = useState(false);
  const unsent = isUnsent(error);
  const again = async () => {
    if (!unsent) reset();
    else if (await reachable()) window.location.reload();
    else setUnreached(true);
  };
  return (
    <div className="p-4" role="alert">
      <h2>{unsent ? 'A part of this screen has not come from the server' : 'This screen cannot be shown'}</h2>
      {children}
      {unreached && <p>The server still cannot be reached.</p>}
      <Button onClick={() => void again()}>Try again</Button>
    </div>
  );
}
