import { useLayoutEffect, useRef, type RefObject } from 'react';

/** What a value is now, for callbacks that must not change with it. */
export function useLatest<T>(value: T): RefObject<T> {
  const latest = useRef(value);
  useLayoutEffect(() => {
    latest.current = value;
  });
  return latest;
}
