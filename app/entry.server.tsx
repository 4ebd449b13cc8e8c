import { randomBytes } from "node:crypto";
import { PassThrough } from "node:stream";
import { createReadableStreamFromReadable } from "@react-router/node";
import { isbot } from "isbot";
import { type RenderToPipeableStreamOptions, renderToPipeableStream } from "react-dom/server";
import { type EntryContext, type HandleErrorFunction, ServerRouter } from "react-router";
import { log } from "#server/web/log.ts";
import { plainError } from "#server/web/plain-error.ts";

/** A page that has not started after this time is given up, milliseconds. */
const GIVE_UP = 8000;
/** Scripts run only with the nonce of their own response. The service worker stores the nonce with the page. */
const policy = (nonce: string) =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'`,
    `style-src 'self' 'nonce-${nonce}'`,
    // Components place themselves by the style attribute.
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self' data:",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "frame-ancestors 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "object-src 'none'",
  ].join("; ");

export default function handleRequest(request: Request, status: number, headers: Headers, context: EntryContext) {
  return new Promise<Response>((done, fail) => {
    const nonce = randomBytes(16).toString("base64");
    let begun = false;
    let answer = status;
    const ready: keyof RenderToPipeableStreamOptions = isbot(request.headers.get("user-agent") ?? "")
      ? "onAllReady"
      : "onShellReady";
    const { pipe, abort } = renderToPipeableStream(<ServerRouter context={context} url={request.url} nonce={nonce} />, {
      nonce,
      // React would send a Suspense boundary of a long page later and move it into place with a script. Homes without
      // scripts would never see it.
      progressiveChunkSize: Number.POSITIVE_INFINITY,
      [ready]() {
        begun = true;
        const body = new PassThrough();
        headers.set("Content-Type", "text/html; charset=utf-8");
        headers.set("Content-Security-Policy", policy(nonce));
        headers.set("Permissions-Policy", "camera=(), microphone=(), geolocation=(), screen-wake-lock=(self)");
        done(new Response(createReadableStreamFromReadable(body), { headers, status: answer }));
        pipe(body);
      },
      onShellError: fail,
      onError(error: unknown) {
        answer = 500;
        if (begun) logError(error, request);
      },
    });
    setTimeout(abort, GIVE_UP);
  });
}

const logError = (error: unknown, request: Request) =>
  log.error({ id: request.headers.get("x-request-id"), error: plainError(error) }, "failed");

/** Logs the stack of every failure that a person sees as "That did not work". */
export const handleError: HandleErrorFunction = (error, { request }) => {
  if (!request.signal.aborted) logError(error, request);
};
