import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';

/** As long as a click waits to hear from the server. */
const PATIENCE_MILLISECONDS = 3000;

async function reachable(): Promise<boolean> {
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

/**
 * A page is left for another only when the server answers: a browser that goes where nobody answers loses the page,
 * and with it what stands there to be read.
 *
 * @returns whether the last click found nobody, and how to forget it.
 */
export function useReachable(): { stayed: boolean; forget: () => void } {
  const router = useRouter();
  const [stayed, setStayed] = useState(false);
  useEffect(() => {
    const onClick = (event: MouseEvent) => {
      const link = ownLink(event);
      if (!link) return;
      event.preventDefault();
      void reachable().then((there) => {
        setStayed(!there);
        const { pathname, search, hash } = new URL(link.href, window.location.href);
        if (there) router.push(`${pathname}${search}${hash}`);
      });
    };
    // Before the router's own answer to the click, which is given up when the default is prevented.
    document.addEventListener('click', onClick, true);
    return () => document.removeEventListener('click', onClick, true);
  }, [router]);
  return { stayed, forget: () => setStayed(false) };
}
