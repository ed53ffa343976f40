/** The first screen has its scripts and fonts before anything is fetched to keep. */
const AFTER_MS = 4000;

/** Has the browser keep the application on the device, so that it opens without a network. Not while it is being worked on. */
export function keepOnDevice(): void {
  if (process.env.NODE_ENV !== 'production' || typeof navigator === 'undefined' || !('serviceWorker' in navigator)) return;
  // A browser that refuses (no TLS, private window) goes on as a page.
  setTimeout(() => void navigator.serviceWorker.register('/sw.js').catch(() => undefined), AFTER_MS);
}

/** Comes when the device holds the application and could open it without a network; never where the browser refuses. */
export const opensOffline = (): Promise<void> =>
  typeof navigator === 'undefined' || !('serviceWorker' in navigator)
    ? new Promise(() => {})
    : navigator.serviceWorker.ready.then(() => undefined);
