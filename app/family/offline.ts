/** Asks the service worker to keep pages for when the network is gone; without one nothing happens. */
export async function keepPages(urls: readonly string[]): Promise<void> {
  if (!("serviceWorker" in navigator)) return;
  await navigator.serviceWorker.register("/sw.js");
  const ready = await navigator.serviceWorker.ready;
  ready.active?.postMessage({ type: "keep", urls });
}

/** While a go is open its page, and so its code, stays the one it began with. */
export function holdPage(hold: boolean): void {
  navigator.serviceWorker?.controller?.postMessage({ type: hold ? "hold" : "release", urls: [location.pathname] });
}
