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

/** The longest that a page which is never at rest keeps what it fetched waiting (ms). */
const LONGEST_WAIT_MILLISECONDS = 500;

/** Until the page has drawn itself and has nothing to do: what comes after must not hold up the first key. */
const atRest = () =>
  new Promise<void>((resolve) => {
    if (!('requestIdleCallback' in window)) return resolve();
    window.requestIdleCallback(() => resolve(), { timeout: LONGEST_WAIT_MILLISECONDS });
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
        const code = await load();
        await atRest();
        fetched = code;
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
