import { useEffect, useState } from 'react';

/** A value that follows another once it has been quiet for a while; for what may come a moment after the numbers. */
export function useSettled<T>(value: T, milliseconds = 200): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(() => value), milliseconds);
    return () => clearTimeout(timer);
  }, [value, milliseconds]);
  return settled;
}
