import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

declare const self: ServiceWorkerGlobalScope & {
  readonly __WB_MANIFEST: ReadonlyArray<{ readonly url: string; readonly revision: string | null }>;
};

/** So long a page is waited for before the one that is kept is shown, ms: trains have tunnels. */
const PATIENCE = 3000;

// A newer one takes over at once: what waits to be sent is on the disk, whichever page is shown.
void self.skipWaiting();
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

// All that the application is built of, so that it opens without a connection.
precacheAndRoute([...self.__WB_MANIFEST]);
cleanupOutdatedCaches();

/** The server's own page where it answers; the one that is kept where it does not. */
async function page({ request }: { readonly request: Request }): Promise<Response> {
  try {
    return await fetch(request, { signal: AbortSignal.timeout(PATIENCE) });
  } catch (error) {
    const kept = await matchPrecache('/index.html');
    if (kept) return kept;
    throw error;
  }
}
// What the server says of itself, and how it is trusted, is none of the application.
registerRoute(new NavigationRoute(page, { denylist: [/^\/api\//, /^\/trust/] }));
