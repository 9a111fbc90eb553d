import type { ReactNode } from 'react';

/** A name in a table that chooses its row. */
export function PickButton({ onPick, children }: { onPick: () => void; children: ReactNode }) {
  return (
    <button type="button" className="plain-button fw-semibold text-start" onClick={onPick}>
      {children}
    </button>
  );
}
