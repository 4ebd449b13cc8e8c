import { existsSync } from "node:fs";
import { createServer } from "node:http";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import * as build from "virtual:react-router/server-build";
import { createRequestHandler } from "@react-router/express";
import compression from "compression";
import express, { type NextFunction, type Request, type Response } from "express";
import { configureWorker, terminateWorker } from "#server/compute/compute.ts";
import { config } from "#server/config.ts";
import { closeDatabase } from "#server/db/client.ts";
import { startJobRunner } from "#server/jobs/jobs.ts";
import { log } from "#server/web/log.ts";
import { plainError } from "#server/web/plain-error.ts";
import { requestGuard } from "#server/web/request-guard.ts";

/** A whole request must arrive within this time, milliseconds. */
const WHOLE_REQUEST = 30_000;
const HEADERS = 10_000;
/** Longer than a proxy keeps a connection, so that we never close one while the proxy uses it. */
const KEEP_ALIVE = 75_000;
/** How long requests in progress may take after a stop, milliseconds. */
const LAST_WORDS = 10_000;

const client = join(dirname(fileURLToPath(import.meta.url)), "..", "client");
let closing = false;

const app = express();
app.disable("x-powered-by");
app.disable("etag");
app.set("trust proxy", config.YARD_TRUSTED_PROXIES.length > 0 ? config.YARD_TRUSTED_PROXIES : false);
app.use(requestGuard({ closing: () => closing }));
app.use(compression());
const forEver = { immutable: true, maxAge: "1y", index: false, redirect: false } as const;
app.use("/assets", express.static(join(client, "assets"), forEver));
app.use(express.static(client, { maxAge: 0, index: false, redirect: false, dotfiles: "ignore" }));
app.all("/{*any}", createRequestHandler({ build, mode: "production" }));
app.use((error: unknown, req: Request, res: Response, _next: NextFunction) => {
  const status = (error as { status?: unknown }).status;
  const known = typeof status === "number" && status >= 400 && status < 500;
  if (!known) log.error({ id: res.get("X-Request-Id"), error: plainError(error) }, "failed");
  if (res.headersSent) res.destroy();
  else
    res
      .status(known ? status : 500)
      .type("text/plain")
      .send(known ? "This address cannot be understood.\n" : "That did not work.\n");
  req.resume();
});

if (!existsSync(client)) throw new Error("build/client is missing: run `npm run build` first");
const port = Number(process.env.PORT ?? 3000);
const host = process.env.HOST ?? "127.0.0.1";
const server = createServer(
  { requestTimeout: WHOLE_REQUEST, headersTimeout: HEADERS, keepAliveTimeout: KEEP_ALIVE },
  app,
);
server.listen(port, host, () => log.info({ host, port }, "listening"));
server.on("error", (error) => {
  log.error({ error: plainError(error), port }, "cannot listen");
  process.exitCode = 1;
  void closeDatabase();
});

configureWorker(new URL("./compute.js", import.meta.url));
const endDoing = startJobRunner();

/** Stops accepting requests, waits for those in progress, then closes the database. */
async function stop(): Promise<void> {
  if (closing) return;
  closing = true;
  log.info("stopping");
  const hard = setTimeout(() => server.closeAllConnections(), LAST_WORDS);
  await new Promise<void>((done) => {
    server.close(() => done());
    server.closeIdleConnections();
  });
  clearTimeout(hard);
  await endDoing();
  await terminateWorker();
  await closeDatabase();
}
for (const signal of ["SIGTERM", "SIGINT"] as const) process.on(signal, () => void stop());
