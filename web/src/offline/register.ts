/**
 * Has the browser keep the application, so that it opens without a connection. Where the line is open, or not trusted, browsers
 * keep nothing: it is then fetched each time.
 */
export function keepApplication(): void {
  // What is being worked on comes from Vite as it is.
  if (import.meta.env.DEV || !('serviceWorker' in navigator)) return;
  // Not before what is wanted now is there.
  window.addEventListener('load', () => {
    navigator.serviceWorker.register('/sw.js').catch(() => {
      // It is fetched each time, as before.
    });
  });
}
