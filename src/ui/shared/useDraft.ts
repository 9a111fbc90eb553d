import { useEffect, useState } from 'react';

const PREFIX = 'keramos.draft.';
/** What was half typed when the page was left by a reload; each is taken once. */
let left: Map<string, string> | null = null;

function leftOver(): Map<string, string> {
  if (left) return left;
  left = new Map();
  try {
    for (const key of Object.keys(sessionStorage))
      if (key.startsWith(PREFIX)) left.set(key, sessionStorage.getItem(key) ?? '');
  } catch {
    // A browser that keeps nothing: what is half typed goes with the page.
  }
  return left;
}
const keyOf = (name: string) => `${PREFIX}${window.location.pathname} ${name}`;

/** Keep what is half typed under a name of this screen; null when it has been taken or given up. */
export function keepDraft(name: string, text: string | null): void {
  try {
    if (text === null || text === '') sessionStorage.removeItem(keyOf(name));
    else sessionStorage.setItem(keyOf(name), text);
  } catch {
    // It stands in the field as long as the page does.
  }
}

/** What was half typed under this name before the page was loaded again, once; null where nothing was. */
export function takeDraft(name: string): string | null {
  const key = keyOf(name);
  const text = leftOver().get(key) ?? null;
  leftOver().delete(key);
  return text;
}

/**
 * Text that is being typed and not taken yet; null while nothing is. It outlasts a reload of the page.
 * @param name tells the field on its screen, with what it held when the typing began: half a figure for one zone must
 * not come back in the field of another.
 */
export function useDraft(name: string): [string | null, (text: string | null) => void] {
  const [draft, setDraft] = useState<string | null>(null);
  useEffect(() => {
    const text = takeDraft(name);
    if (text !== null) queueMicrotask(() => setDraft(text));
    // A field that goes takes what stands in it along; a page that is loaded again does not ask it to.
    return () => keepDraft(name, null);
  }, [name]);
  return [
    draft,
    (text) => {
      setDraft(text);
      keepDraft(name, text);
    },
  ];
}
