import { PassThrough } from "node:stream";
import { createReadableStreamFromReadable } from "@react-router/node";
import { isbot } from "isbot";
import { type RenderToPipeableStreamOptions, renderToPipeableStream } from "react-dom/server";
import { type EntryContext, ServerRouter } from "react-router";

/** A page that has not begun by then is given up, milliseconds. */
const GIVE_UP = 8000;
const POLICY = [
  "default-src 'self'",
  "script-src 'self' 'unsafe-inline'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "font-src 'self' data:",
  "connect-src 'self' ws:",
  "worker-src 'self' blob:",
  "frame-ancestors 'none'",
  "base-uri 'self'",
  "form-action 'self'",
].join("; ");

export default function handleRequest(request: Request, status: number, headers: Headers, context: EntryContext) {
  return new Promise<Response>((done, fail) => {
    let begun = false;
    let answer = status;
    const ready: keyof RenderToPipeableStreamOptions = isbot(request.headers.get("user-agent") ?? "")
      ? "onAllReady"
      : "onShellReady";
    const { pipe, abort } = renderToPipeableStream(<ServerRouter context={context} url={request.url} />, {
      [ready]() {
        begun = true;
        const body = new PassThrough();
        headers.set("Content-Type", "text/html; charset=utf-8");
        headers.set("Content-Security-Policy", POLICY);
        headers.set("X-Content-Type-Options", "nosniff");
        // Never to another origin, so that private links stay private; within ours forms need their origin.
        headers.set("Referrer-Policy", "same-origin");
        headers.set("Permissions-Policy", "camera=(), microphone=(), geolocation=(), screen-wake-lock=(self)");
        if (!headers.has("Cache-Control")) headers.set("Cache-Control", "no-store");
        done(new Response(createReadableStreamFromReadable(body), { headers, status: answer }));
        pipe(body);
      },
      onShellError: fail,
      onError(error: unknown) {
        answer = 500;
        if (begun) console.error(error);
      },
    });
    setTimeout(abort, GIVE_UP);
  });
}
