/**
 * Where the browser may (on this computer, or over HTTPS) the app itself is kept in it, so that it starts without the server. Elsewhere, as on a phone
 * over plain HTTP, browsers do not allow that.
 */
export function keepApp(): void {
  if (!import.meta.env.PROD || !window.isSecureContext || !('serviceWorker' in navigator)) return;
  // after the page itself is there: keeping the app must not hold it up
  window.addEventListener('load', () => void navigator.serviceWorker.register('/sw.js').catch(() => undefined));
}
