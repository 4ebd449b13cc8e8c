import { randomInt, randomUUID } from "node:crypto";
import type { NextFunction, Request, RequestHandler, Response } from "express";
import onHeaders from "on-headers";
import { log, plainPath } from "./log.ts";
import { runInContext } from "./request-context.ts";

/** Most that any request may carry, bytes: a whole go or a file of homes fits many times over. */
export const LARGEST_BODY = 1_200_000;
/**
 * Requests that one copy works on at once. Further ones are refused at once with when to come again, so that those that were taken are answered
 * soon. Hand-ins have fewer places: devices send them again by themselves, while somebody waits for a page.
 */
const MAX_AT_ONCE = { page: 120, handIn: 24 } as const;
/** Seconds after which a refused request may be tried again; spread, so that not all come back together. */
const RETRY = { least: 2, most: 6 } as const;
const METHODS = new Set(["GET", "HEAD", "POST"]);
const FORWARDED = ["x-forwarded-for", "x-forwarded-host", "x-forwarded-proto", "x-forwarded-port", "forwarded"];

/** Says no in words, before anything of the request is read; what is still on its way is not waited for. */
function refuse(res: Response, status: number, message: string, headers: Record<string, string> = {}): void {
  res
    .status(status)
    .set({ ...headers, "Content-Type": "text/plain; charset=utf-8", Connection: "close" })
    .send(`${message}\n`);
}

/** The origin that browsers know this server by; null where the request names none that could be. */
export function originOf(req: Request): URL | null {
  try {
    const url = new URL(`${req.protocol}://${req.host ?? ""}`);
    return url.host === "" || url.pathname !== "/" || url.username || url.search || url.hash ? null : url;
  } catch {
    return null;
  }
}

/** The path and search of an absolute address on our own host; null where it is another's, or none at all. */
export function pathOn(own: URL, address: string): string | null {
  try {
    const url = new URL(address);
    return url.host === own.host && /^https?:$/.test(url.protocol) ? url.pathname + url.search : null;
  } catch {
    return null;
  }
}
/**
 * Whether a request that changes something comes from a page of ours. Browsers say so in `Origin`, or at least in
 * `Sec-Fetch-Site`; one that says neither is let in only without a session to misuse.
 */
export function fromOurs(req: Request, own: URL): boolean {
  const origin = req.get("origin");
  if (origin !== undefined) return origin === own.origin;
  const site = req.get("sec-fetch-site");
  if (site !== undefined) return site === "same-origin";
  return req.get("cookie") === undefined;
}

/**
 * Everything that is settled before a route sees a request: who it is from, how much it carries, whether it may change
 * anything, and what every answer says to browsers and caches.
 */
export function requestGuard({ closing }: { closing: () => boolean }): RequestHandler {
  const busy = { page: 0, handIn: 0 };
  return (req: Request, res: Response, next: NextFunction) => {
    const id = randomUUID();
    const began = performance.now();
    res.set({
      "X-Request-Id": id,
      "X-Content-Type-Options": "nosniff",
      // Never to another origin, so that private links stay private; within ours forms need their origin.
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
        // A browser asks again by itself.
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
    // The absolute form of a request line (`GET http://host/path`) is for proxies: of our own host it means the path, of any other it is refused.
    if (!req.url.startsWith("/")) {
      const path = pathOn(own, req.url);
      if (path === null) return refuse(res, 400, "This address is not one of this server's.");
      req.url = path;
      req.originalUrl = path;
    }
    const caller = req.ip ?? "unknown";
    // From here on the request says what was believed of it, and nothing else.
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
