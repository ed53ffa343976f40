/** The service worker: the application opens without a network. Records are not its business, see `src/data/kept-answers.ts`. */
import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching';
import type { PrecacheEntry } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { StaleWhileRevalidate } from 'workbox-strategies';

/** Everything that is served with the app, each with its digest: put in when the app is built. */
declare const SERVED: readonly PrecacheEntry[];

cleanupOutdatedCaches();
precacheAndRoute([...SERVED]);
// The page asks for every address itself; a new version is taken when all pages of the old one are closed, never in a session.
registerRoute(new NavigationRoute(createHandlerBoundToURL('/index.html'), { denylist: [/^\/api\//] }));
// Twenty megabytes to track a clip: kept from the first time they are used.
registerRoute(({ url }) => url.pathname.startsWith('/track/'), new StaleWhileRevalidate({ cacheName: 'track' }));
