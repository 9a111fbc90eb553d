import { useSyncExternalStore } from 'react';

/** Entries as somebody typed them: '1/2 in', '12 mm'; the longest unused are forgotten. */
const KEY = 'keramos.typed';
const MOST = 400;
const listeners = new Set<() => void>();
let typed: Map<string, string> | null = null;

function all(): Map<string, string> {
  if (typed) return typed;
  typed = new Map();
  try {
    for (const [key, text] of JSON.parse(localStorage.getItem(KEY) ?? '[]') as [string, string][]) typed.set(key, text);
  } catch {
    // Not ours, or nothing is kept here: figures are shown in the reader's units.
  }
  return typed;
}

/** Only what names its unit, or is a fraction, says the same in every system of units. */
const saysItself = (text: string) => /[^\d.,\s+−-]/.test(text);

/** Keep how a value was typed, for whoever reads the field again in this browser. */
export function keepTyped(field: string, text: string): void {
  const map = all();
  map.delete(field);
  if (saysItself(text)) map.set(field, text.trim());
  for (const key of [...map.keys()].slice(0, Math.max(0, map.size - MOST))) map.delete(key);
  try {
    localStorage.setItem(KEY, JSON.stringify([...map]));
  } catch {
    // It stands as long as the page does.
  }
  listeners.forEach((listener) => listener());
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
  };
};

/** How the value of a field was typed here; undefined where nobody did, or where a bare number was enough. */
export const useTyped = (field: string): string | undefined =>
  useSyncExternalStore(
    subscribe,
    () => all().get(field),
    () => undefined,
  );
