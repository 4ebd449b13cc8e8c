/// <reference lib="webworker" />
import { registerRoute } from "workbox-routing";
import { CacheFirst, NetworkFirst } from "workbox-strategies";

declare const self: ServiceWorkerGlobalScope;
/** The files of the family side, filled in by the build. */
declare const __YARD_FILES__: string[];

const ASSETS = "assets";
const CARDS = "cards";
/** The cache of pages with a go in progress, which are served as they were when the go began. */
const HELD = "held";
/** If there is no answer within this time, the stored page is shown, seconds. */
const PATIENCE = 4;

/**
 * How many files are fetched at the same time, so that a slow connection still has room for the page being looked at.
 */
const AT_ONCE = 6;

/** Caches the files that are missing, AT_ONCE at a time. False if any of them failed; those are tried again at the next visit. */
async function keepFiles(files: readonly string[]): Promise<boolean> {
  const cache = await caches.open(ASSETS);
  const left = [...new Set(files)];
  let whole = true;
  const keep = async () => {
    for (let file = left.shift(); file !== undefined; file = left.shift())
      if (!(await cache.match(file, { ignoreVary: true })))
        await cache.add(file).catch(() => {
          whole = false;
        });
  };
  await Promise.all(Array.from({ length: AT_ONCE }, keep));
  return whole;
}

/**
 * Fetches all other files of the family side, one run at a time, then deletes the files of older builds unless a go
 * still uses them.
 */
let filling: Promise<void> | null = null;
function keepTheRest(): Promise<void> {
  filling ??= (async () => {
    const whole = await keepFiles(__YARD_FILES__);
    if (!whole || (await (await caches.open(HELD)).keys()).length > 0) return;
    const cache = await caches.open(ASSETS);
    for (const kept of await cache.keys())
      if (!__YARD_FILES__.includes(new URL(kept.url).pathname)) await cache.delete(kept);
  })().finally(() => {
    filling = null;
  });
  return filling;
}

self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

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

/** Stores a page as it is now under its own address. */
async function keepPage(cards: Cache, url: string): Promise<void> {
  const page = await fetch(url, { headers: { Accept: "text/html" } });
  if (page.ok) await cards.put(url, page);
}

interface Asked {
  type: "keep" | "hold" | "release";
  urls: string[];
  /** The files that the page itself needs. */
  first?: string[];
}
self.addEventListener("message", (event) => {
  const { type, urls, first } = event.data as Asked;
  event.waitUntil(
    (async () => {
      const cards = await caches.open(CARDS);
      const held = await caches.open(HELD);
      if (type === "keep") {
        await keepFiles((first ?? []).filter((file) => file.startsWith("/assets/")));
        for (const url of urls) await keepPage(cards, url).catch(() => undefined);
        await keepTheRest();
        return;
      }
      for (const url of urls) {
        if (type === "release") {
          await held.delete(url, { ignoreVary: true });
          continue;
        }
        const page = await cards.match(url, { ignoreSearch: true, ignoreVary: true });
        if (page) await held.put(url, page);
      }
    })().catch(() => undefined),
  );
});
