/// <reference lib="webworker" />
import { registerRoute } from "workbox-routing";
import { CacheFirst, NetworkFirst } from "workbox-strategies";

declare const self: ServiceWorkerGlobalScope;
/** Files of the family side, put in by the build. */
declare const __YARD_FILES__: string[];

const ASSETS = "assets";
const CARDS = "cards";
/** Pages of goes that are under way: served as they were when the go began. */
const HELD = "held";
/** After so long without an answer the kept page is shown, seconds. */
const PATIENCE = 4;

self.addEventListener("install", (event) => {
  event.waitUntil(
    caches.open(ASSETS).then(async (cache) => {
      for (const file of __YARD_FILES__) if (!(await cache.match(file))) await cache.add(file);
    }),
  );
});

self.addEventListener("activate", (event) => {
  event.waitUntil(
    (async () => {
      await self.clients.claim();
      if ((await (await caches.open(HELD)).keys()).length > 0) return;
      const cache = await caches.open(ASSETS);
      for (const kept of await cache.keys())
        if (!__YARD_FILES__.includes(new URL(kept.url).pathname)) await cache.delete(kept);
    })(),
  );
});

const fresh = new NetworkFirst({
  cacheName: CARDS,
  networkTimeoutSeconds: PATIENCE,
  matchOptions: { ignoreSearch: true, ignoreVary: true },
});
registerRoute(
  ({ request, url }) => request.mode === "navigate" && url.pathname.startsWith("/f/"),
  async ({ request, event, url }) => {
    const held = await (await caches.open(HELD)).match(url.pathname, { ignoreVary: true });
    if (held) return held;
    return fresh.handle({ request, event: event as ExtendableEvent });
  },
);
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && (url.pathname.startsWith("/assets/") || __YARD_FILES__.includes(url.pathname)),
  new CacheFirst({ cacheName: ASSETS, matchOptions: { ignoreVary: true } }),
);

self.addEventListener("message", (event) => {
  const { type, urls } = event.data as { type: "keep" | "hold" | "release"; urls: string[] };
  event.waitUntil(
    (async () => {
      const cards = await caches.open(CARDS);
      const held = await caches.open(HELD);
      for (const url of urls) {
        if (type === "release") await held.delete(url, { ignoreVary: true });
        else if (type === "keep") {
          const page = await fetch(url, { headers: { Accept: "text/html" } });
          if (page.ok) await cards.put(url, page);
        } else {
          const page = await cards.match(url, { ignoreSearch: true, ignoreVary: true });
          if (page) await held.put(url, page);
        }
      }
    })().catch(() => undefined),
  );
});
