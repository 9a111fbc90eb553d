/// <reference lib="webworker" />
import { CacheFirst, ExpirationPlugin, NetworkFirst, Serwist } from 'serwist';

declare const self: ServiceWorkerGlobalScope;

const DAY = 24 * 3600;
const PAGES = 'keramos-floor-pages';
const STATIC = 'keramos-static';
/** A server that does not answer in so many seconds is away. */
const PATIENCE = 4;

/**
 * Lets the floor open while the server is away: its pages as they last were, and the files they run on, which never
 * change under their name. What is recorded is kept by the page itself.
 */
const worker = new Serwist({
  precacheEntries: [],
  skipWaiting: true,
  clientsClaim: true,
  runtimeCaching: [
    {
      matcher: ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/_next/static/'),
      handler: new CacheFirst({
        cacheName: STATIC,
        plugins: [new ExpirationPlugin({ maxEntries: 400, maxAgeSeconds: 60 * DAY })],
      }),
    },
    {
      matcher: ({ url, request, sameOrigin }) =>
        sameOrigin && request.mode === 'navigate' && /^\/floor(\/|$)/.test(url.pathname),
      handler: new NetworkFirst({
        cacheName: PAGES,
        networkTimeoutSeconds: PATIENCE,
        plugins: [new ExpirationPlugin({ maxEntries: 40, maxAgeSeconds: 30 * DAY })],
      }),
    },
    {
      matcher: ({ url, request, sameOrigin }) =>
        sameOrigin && request.method === 'GET' && /^\/api\/builds\/[^/]+\/photos\//.test(url.pathname),
      handler: new CacheFirst({
        cacheName: 'keramos-photos',
        plugins: [new ExpirationPlugin({ maxEntries: 200, maxAgeSeconds: 60 * DAY })],
      }),
    },
  ],
});
worker.addEventListeners();

/** The page that was opened before this worker stood tells it what it runs on. */
self.addEventListener('message', (event) => {
  const asked = event.data as { keep?: { pages: string[]; files: string[] } } | null;
  if (!asked?.keep) return;
  const { pages, files } = asked.keep;
  const into = async (name: string, urls: string[]) => {
    const cache = await caches.open(name);
    await Promise.all(
      urls.map(async (url) => {
        if (name === STATIC && (await cache.match(url))) return;
        const answer = await fetch(url).catch(() => null);
        if (answer?.ok && !answer.redirected) await cache.put(url, answer);
      }),
    );
  };
  event.waitUntil(Promise.all([into(PAGES, pages), into(STATIC, files)]));
});
