import { randomInt, randomUUID } from "node:crypto";
import type { NextFunction, Request, RequestHandler, Response } from "express";
import onHeaders from "on-headers";
import { log, plainPath } from "./log.ts";
import { runInContext } from "./request-context.ts";

/** The largest request accepted, bytes. A whole go or a file of homes fits many times. */
export const LARGEST_BODY = 1_200_000;
/**
 * How many requests one copy works on at once. Further ones are refused at once and told when to come again, so that
 * accepted ones are answered soon. Hand-ins get fewer places: devices repeat them by themselves, while somebody is
 * waiting for a page.
 */
const MAX_AT_ONCE = { page: 120, handIn: 24 } as const;
/** The seconds after which a refused request may be repeated. They vary, so that not all come back together. */
const RETRY = { least: 2, most: 6 } as const;
const METHODS = new Set(["GET", "HEAD", "POST"]);
const FORWARDED = ["x-forwarded-for", "x-forwarded-host", "x-forwarded-proto", "x-forwarded-port", "forwarded"];

/** Refuses a request with a message before any of it is read, and does not wait for the rest. */
function refuse(res: Response, status: number, message: string, headers: Record<string, string> = {}): void {
  res
    .status(status)
    .set({ ...headers, "Content-Type": "text/plain; charset=utf-8", Connection: "close" })
    .send(`${message}\n`);
}

/** The origin under which browsers know this server. Null if the request does not name a possible one. */
export function originOf(req: Request): URL | null {
  try {
    const url = new URL(`${req.protocol}://${req.host ?? ""}`);
    return url.host === "" || url.pathname !== "/" || url.username || url.search || url.hash ? null : url;
  } catch {
    return null;
  }
}

/** The path and search of an absolute address on our own host. Null if it is on another host, or not an address. */
export function pathOn(own: URL, address: string): string | null {
  try {
    const url = new URL(address);
    return url.host === own.host && /^https?:$/.test(url.protocol) ? url.pathname + url.search : null;
  } catch {
    return null;
  }
}
/**
 * True if a request that changes something comes from one of our pages. Browsers say so in `Origin`, or at least in
 * `Sec-Fetch-Site`. A request with neither is accepted only without a session that could be misused.
 */
export function fromOurs(req: Request, own: URL): boolean {
  const origin = req.get("origin");
  if (origin !== undefined) return origin === own.origin;
  const site = req.get("sec-fetch-site");
  if (site !== undefined) return site === "same-origin";
  return req.get("cookie") === undefined;
}

/**
 * Everything that is decided before a route handles a request: who sent it, how large it may be, whether it may
 * change anything, and the headers of every response for browsers and caches.
 */
export function requestGuard({ closing }: { closing: () => boolean }): RequestHandler {
  const busy = { page: 0, handIn: 0 };
  return (req: Request, res: Response, next: NextFunction) => {
    const id = randomUUID();
    const began = performance.now();
    res.set({
      "X-Request-Id": id,
      "X-Content-Type-Options": "nosniff",
      // Not sent to other origins, so that private links stay private. Our own forms need it.
      "Referrer-Policy": "same-origin",
    });
    onHeaders(res, () => {
      if (!res.hasHeader("Cache-Control")) res.setHeader("Cache-Control", "no-store");
    });
    res.on("close", () =>
      log[res.statusCode >= 500 ? "error" : "info"](
        {
          id,
          method: METHODS.has(req.method) ? req.method : "other",
          path: plainPath(req.originalUrl),
          status: res.statusCode,
          ms: Math.round(performance.now() - began),
          ...(!res.writableFinished && { cut: true }),
        },
        "answered",
      ),
    );
    if (closing()) res.set("Connection", "close");
    const kind = req.url.startsWith("/api/hand-in/") ? "handIn" : "page";
    const isStatic = req.url.startsWith("/assets/") || req.url === "/healthz";
    if (!isStatic) {
      if (busy[kind] >= MAX_AT_ONCE[kind]) {
        const seconds = randomInt(RETRY.least, RETRY.most + 1);
        // A browser repeats the request by itself.
        return refuse(res, 503, "Too many people are here just now. Try again in a moment.", {
          "Retry-After": String(seconds),
          ...(req.method === "GET" && { Refresh: String(seconds) }),
        });
      }
      busy[kind]++;
      res.on("close", () => busy[kind]--);
    }
    if (!METHODS.has(req.method))
      return refuse(res, 405, "This address does not accept that.", { Allow: [...METHODS].join(", ") });
    if (req.headers["transfer-encoding"] !== undefined)
      return refuse(res, 411, "Say how long this is (Content-Length).");
    const length = Number(req.get("content-length") ?? 0);
    if (!(length <= LARGEST_BODY))
      return refuse(res, 413, `This is too large. Up to ${LARGEST_BODY} bytes are allowed.`);

    const own = originOf(req);
    if (!own) return refuse(res, 400, "This address is not valid.");
    // The absolute form of a request line (`GET http://host/path`) is for proxies. If it names our own host, the path
    // is used; otherwise the request is refused.
    if (!req.url.startsWith("/")) {
      const path = pathOn(own, req.url);
      if (path === null) return refuse(res, 400, "This address is not one of this server's.");
      req.url = path;
      req.originalUrl = path;
    }
    const caller = req.ip ?? "unknown";
    // From here on, the request only contains what is trusted.
    const { protocol } = req;
    Object.defineProperty(req, "protocol", { value: protocol });
    for (const hash of FORWARDED) delete req.headers[hash];
    req.headers.host = own.host;
    req.headers["x-request-id"] = id;
    try {
      // Addresses that cannot be decoded lead nowhere.
      decodeURI(new URL(req.originalUrl, own).pathname);
    } catch {
      return refuse(res, 400, "This address is not valid.");
    }
    if (req.method === "POST" && !fromOurs(req, own))
      return refuse(res, 403, "This came from a page of another site, so nothing has changed.");
    runInContext({ id, caller, known: new Map() }, next);
  };
}
