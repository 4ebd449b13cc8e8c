/** The files of ours that this page has loaded so far. */
const loaded = (): string[] =>
  performance
    .getEntriesByType("resource")
    .map((performanceEntry) => new URL(performanceEntry.name, location.href))
    .filter((url) => url.origin === location.origin && url.pathname.startsWith("/assets/"))
    .map((url) => url.pathname);

/** Resolves when the page has nothing more urgent to do. */
const idle = () =>
  new Promise<void>((done) => {
    if (typeof requestIdleCallback === "function") requestIdleCallback(() => done(), { timeout: MAX_PATIENCE });
    else setTimeout(done, MAX_PATIENCE);
  });
/** Milliseconds. */
const MAX_PATIENCE = 2000;

/**
 * Asks the service worker to store pages for use without a network, after the files they need: those that this page
 * has loaded once `needs` resolves. The browser is asked to keep them permanently. Without a service worker, nothing
 * happens.
 */
export async function keepPages(urls: readonly string[], needs?: () => Promise<unknown>): Promise<void> {
  if (!("serviceWorker" in navigator)) return;
  await navigator.serviceWorker.register("/sw.js");
  const ready = await navigator.serviceWorker.ready;
  if (needs) await idle();
  await needs?.().catch(() => undefined);
  ready.active?.postMessage({ type: "keep", urls, first: loaded() });
  await navigator.storage?.persist?.().catch(() => false);
}

/** While a go is open, its page is not replaced by a newer version. */
export function holdPage(hold: boolean): void {
  navigator.serviceWorker?.controller?.postMessage({ type: hold ? "hold" : "release", urls: [location.pathname] });
}
