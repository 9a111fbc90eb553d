/**
 * Let this page open again while the server is away: the worker is told what the page runs on. Where a browser has no
 * workers (plain HTTP from another machine), the floor works with the server only.
 */
export async function keepOpen(): Promise<boolean> {
  // What only this device has is not to be cleared away when its storage runs short.
  void navigator.storage?.persist?.();
  if (!('serviceWorker' in navigator)) return false;
  await navigator.serviceWorker.register('/floor-worker.js', { scope: '/floor' });
  const { active } = await navigator.serviceWorker.ready;
  // What is fetched only when it is wanted would be missed just then.
  await Promise.all([import('jsqr'), import('../people/SignInAgain')]);
  const files = performance
    .getEntriesByType('resource')
    .map(({ name }) => name)
    .filter((name) => name.startsWith(`${location.origin}/_next/static/`));
  active?.postMessage({ keep: { pages: [location.href.split('#')[0]!, '/floor'], files } });
  return true;
}
