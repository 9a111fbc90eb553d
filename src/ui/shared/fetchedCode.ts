import { useEffect, useSyncExternalStore } from 'react';

/**
 * Code that is fetched once the page stands: no part of what the page waits for, nor of what the server renders.
 *
 * While a page wakes up it shows what the server rendered, which is nothing of this, even where another screen has
 * fetched the code before: only then may what it computes come in.
 *
 * @returns a hook that gives null until the code has come; with `wanted` false it is not fetched.
 */
export function fetchedCode<T extends (...input: never[]) => unknown>(load: () => Promise<T>) {
  let fetched: T | null = null;
  const listeners = new Set<() => void>();
  const subscribe = (listener: () => void) => {
    listeners.add(listener);
    return () => {
      listeners.delete(listener);
    };
  };
  const current = () => fetched;
  const none = () => null;
  return function useFetchedCode(wanted = true): T | null {
    const code = useSyncExternalStore(subscribe, current, none);
    const missing = wanted && code === null;
    useEffect(() => {
      if (!missing) return;
      void load().then((own) => {
        fetched = own;
        listeners.forEach((listener) => listener());
      });
    }, [missing]);
    return code;
  };
}
