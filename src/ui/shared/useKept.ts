import { useSearchParams } from 'next/navigation';
import { useCallback, useEffect, useState, useSyncExternalStore } from 'react';
import { useBoatStore } from './boat';
import { useLatest } from './useLatest';

type Kept = string | number | null;
const values = new Map<string, Kept>();
const listeners = new Set<() => void>();
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
  };
};

function read(key: string): Kept | undefined {
  if (values.has(key)) return values.get(key);
  try {
    const text = sessionStorage.getItem(key);
    if (text === null) return undefined;
    values.set(key, JSON.parse(text) as Kept);
    return values.get(key);
  } catch {
    // A browser that keeps nothing, or something that is not ours: the usual place stands.
    return undefined;
  }
}
function write(key: string, value: Kept): void {
  values.set(key, value);
  try {
    sessionStorage.setItem(key, JSON.stringify(value));
  } catch {
    // It is kept as long as the page stands.
  }
  listeners.forEach((listener) => listener());
}

/**
 * Where one stands on a screen of a boat: kept for this tab of the browser, over reloads and visits to other screens.
 * While the page wakes up it is the usual place, as the server drew it.
 *
 * @param name of the place within the boat, such as 'layup.zone'. @param known whether a kept value still means
 * something; the usual one stands where it does not.
 */
export function useKept<T extends Kept>(
  name: string,
  usual: T,
  known: (value: NonNullable<T>) => boolean = () => true,
): [T, (value: T) => void] {
  const store = useBoatStore();
  const key = `keramos.place.${store.getState().id}.${name}`;
  const kept = useSyncExternalStore(
    subscribe,
    () => read(key),
    () => undefined,
  ) as T | undefined;
  const set = useCallback((value: T) => write(key, value), [key]);
  const stands = kept !== undefined && (kept === null || known(kept as NonNullable<T>));
  return [stands ? kept : usual, set];
}

/** One of several tabs, kept as {@link useKept} keeps a place. */
export const useKeptTab = <T extends string>(name: string, usual: T, tabs: readonly T[]) =>
  useKept<T>(name, usual, (value) => tabs.includes(value));

/**
 * What a link asked for, else where one stood the last time. Another choice takes the question out of the address, so
 * that a reload keeps what was chosen.
 */
export function useAskedOrKept(
  parameter: string,
  { name, usual, known }: { name: string; usual: string | null; known: (id: string) => boolean },
): [string | null, (id: string | null) => void] {
  const asked = useSearchParams().get(parameter);
  const [kept, keep] = useKept<string | null>(name, usual, known);
  const [left, leave] = useState<string | null>(null);
  const wanted = asked !== null && asked !== left && known(asked) ? asked : null;
  useEffect(() => {
    if (wanted !== null) keep(wanted);
  }, [wanted, keep]);
  const askedNow = useLatest(asked);
  const choose = useCallback(
    (id: string | null) => {
      keep(id);
      if (askedNow.current === null) return;
      leave(askedNow.current);
      window.history.replaceState(null, '', window.location.pathname);
    },
    [keep, askedNow, leave],
  );
  return [wanted ?? kept, choose];
}
