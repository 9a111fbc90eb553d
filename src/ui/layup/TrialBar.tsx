'use client';
import { Button } from 'react-bootstrap';
import { useUnits } from '../shared/units';
import type { LayupState } from './useTrial';

/** What is shown on trial, to keep or to drop; nothing while changes are taken at once. */
export function TrialBar({ trial: { before, titles, tryFirst, keep, drop } }: { trial: LayupState }) {
  const { words } = useUnits();
  if (!before && !tryFirst) return null;
  return (
    <div className="preview-bar" role="status">
      <span>
        {before ? (
          <>
            Shown for trial: <strong>{titles.map(words).join('; ')}</strong>
          </>
        ) : (
          'Changes are shown first, and taken when you keep them'
        )}
      </span>
      {before && (
        <>
          <Button size="sm" onClick={keep} title="Ctrl+Enter">
            Keep it
          </Button>
          <Button size="sm" variant="outline-primary" onClick={drop} title="Escape">
            Drop it
          </Button>
        </>
      )}
    </div>
  );
}
