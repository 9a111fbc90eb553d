import { useEffect, useRef } from 'react';
import { useLatest } from './useLatest';

/** Do something once what stood on the screen has left it: put the focus back where it came from, say. */
export function useWhenGone(stands: boolean, then: () => void): void {
  const thenRef = useLatest(then);
  const stoodRef = useRef(false);
  useEffect(() => {
    if (stoodRef.current && !stands) thenRef.current();
    stoodRef.current = stands;
  }, [stands, thenRef]);
}
