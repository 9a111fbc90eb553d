'use client';
import { useEffect, useLayoutEffect, useRef } from 'react';

/**
 * Props of a dialog or drawer that fades or slides: the focus goes back to where it was at once when it is shut, not
 * when its movement has ended: by then the reader may be typing elsewhere, and Enter would open it again.
 */
export function useFocusBack(open: boolean): { enforceFocus: boolean; restoreFocus: false } {
  const opener = useRef<HTMLElement | null>(null);
  useLayoutEffect(() => {
    // Not in a clean-up: React gives the focus back to what had it when the page has changed.
    if (!open) opener.current?.focus();
    opener.current = open ? (document.activeElement as HTMLElement | null) : null;
  }, [open]);
  useEffect(() => () => opener.current?.focus(), []);
  return { enforceFocus: open, restoreFocus: false };
}
