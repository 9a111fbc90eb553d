import { useEffect, useSyncExternalStore } from 'react';

/** How long code that did not come is waited for before it is asked for again, turn by turn; then the last (ms). */
const WAITS_MILLISECONDS = [1000, 2000, 5000, 15_000] as const;

/** Until the turn's wait is over, or the browser says that the network is back. */
const beforeTurn = (turn: number) =>
  new Promise<void>((resolve) => {
    const over = () => {
      clearTimeout(timer);
      window.removeEventListener('online', over);
      resolve();
    };
    const timer = setTimeout(over, WAITS_MILLISECONDS[Math.min(turn, WAITS_MILLISECONDS.length - 1)]);
    window.addEventListener('online', over);
  });

/**
 * Code that is fetched once the page stands: no part of what the page waits for, nor of what the server renders.
 *
 * While a page wakes up it shows what the server rendered, which is nothing of this, even where another screen has
 * fetched the code before: only then may what it computes come in. Where nobody answers it is asked for again, as
 * long as something on the page waits for it.
 *
 * @returns a hook that gives null until the code has come; with `wanted` false it is not fetched.
 */
export function fetchedCode<T extends (...input: never[]) => unknown>(load: () => Promise<T>) {
  let fetched: T | null = null;
  let asking = false;
  const listeners = new Set<() => void>();
  const subscribe = (listener: () => void) => {
    listeners.add(listener);
    return () => {
      listeners.delete(listener);
    };
  };
  const ask = async () => {
    if (asking) return;
    asking = true;
    for (let turn = 0; fetched === null && listeners.size > 0; turn += 1)
      try {
        fetched = await load();
      } catch {
        await beforeTurn(turn);
      }
    asking = false;
    listeners.forEach((listener) => listener());
  };
  const current = () => fetched;
  const none = () => null;
  return function useFetchedCode(wanted = true): T | null {
    const code = useSyncExternalStore(subscribe, current, none);
    const missing = wanted && code === null;
    useEffect(() => {
      if (missing) void ask();
    }, [missing]);
    return code;
  };
}
