import { useEffect, useState } from 'react';

/** As long as a click waits to hear from the server. */
const PATIENCE_MILLISECONDS = 8000;

/** Whether the server answers within the patience of a click. */
export async function reachable(): Promise<boolean> {
  try {
    return (await fetch('/api/alive', { cache: 'no-store', signal: AbortSignal.timeout(PATIENCE_MILLISECONDS) })).ok;
  } catch {
    return false;
  }
}

/** The link of our own pages that a click follows in this window; null for any other click. */
function ownLink(event: MouseEvent): HTMLAnchorElement | null {
  if (event.defaultPrevented || event.button !== 0) return null;
  if (event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return null;
  const link = event.target instanceof Element ? event.target.closest('a') : null;
  if (!link?.href || link.target || link.hasAttribute('download')) return null;
  const to = new URL(link.href, window.location.href);
  const leaves = to.origin === window.location.origin && to.pathname !== window.location.pathname;
  return leaves && !to.pathname.startsWith('/api/') ? link : null;
}

/** Whether an error is that of a piece of the page's code that nobody sent. */
export const isUnsent = (error: unknown): boolean => error instanceof Error && error.name === 'ChunkLoadError';

/**
 * A page is left for another only when the server answers: a browser that goes where nobody answers loses the page,
 * and with it what stands there to be read. A click that asks for code which does not come is told the same.
 *
 * @returns whether the last click found nobody, and how to forget it.
 */
export function useReachable(): { stayed: boolean; forget: () => void } {
  const [stayed, setStayed] = useState(false);
  useEffect(() => {
    /** The link whose server has answered: its click goes the way it was meant to. */
    let answered: HTMLAnchorElement | null = null;
    const onClick = (event: MouseEvent) => {
      const link = ownLink(event);
      if (!link || link === answered) {
        answered = null;
        return;
      }
      event.preventDefault();
      event.stopPropagation();
      void reachable().then((there) => {
        setStayed(!there);
        if (!there) return;
        answered = link;
        link.click();
      });
    };
    // Before the page's own answers to the click, so that they come once.
    document.addEventListener('click', onClick, true);
    return () => document.removeEventListener('click', onClick, true);
  }, []);
  useEffect(() => {
    const onRejection = (event: PromiseRejectionEvent) => {
      if (!isUnsent(event.reason)) return;
      event.preventDefault();
      setStayed(true);
    };
    window.addEventListener('unhandledrejection', onRejection);
    return () => window.removeEventListener('unhandledrejection', onRejection);
  }, []);
  return { stayed, forget: () => setStayed(false) };
}
