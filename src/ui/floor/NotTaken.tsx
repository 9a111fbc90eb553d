'use client';
import { Said } from '../shared/Said';

/** Why something was not taken, large enough for gloves; nothing when all is well. */
export function NotTaken({ text }: { text: string | null }) {
  if (text === null) return null;
  return (
    <p className="floor-refusal" role="alert">
      ✕ <Said text={text} />
    </p>
  );
}
