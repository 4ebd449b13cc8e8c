import { spawn, spawnSync } from "node:child_process";
import { join } from "node:path";
import { bin, root } from "./root.mjs";

/** Runs a script of the server with the database in its environment. Its last line is the result. */
function told(databaseUrl, script, env) {
  const done = spawnSync(bin("tsx"), [join(root, script)], {
    cwd: root,
    encoding: "utf8",
    env: { ...process.env, DATABASE_URL: databaseUrl, ...env },
  });
  if (done.status !== 0) {
    const reason =
      /ECONNREFUSED|ENOTFOUND|EAI_AGAIN|password authentication|database "[^"]*" does not exist|no pg_hba/.exec(
        done.stderr,
      );
    if (reason) throw new Error(`DATABASE_URL: the database cannot be used (${reason[0]}).`);
    throw new Error(`${script} failed:\n${done.stderr.trim()}`);
  }
  return JSON.parse(done.stdout.trim().split("\n").pop());
}

/** Runs migrations and creates the application's role and the secret. Returns the environment of the web tier. */
export function setUpDatabase(databaseUrl) {
  return made(databaseUrl).env;
}
function made(databaseUrl) {
  const { appUrl, secret, setUp } = told(databaseUrl, "server/db/setup.ts", {});
  return { env: { YARD_APP_DATABASE_URL: appUrl, YARD_SECRET: secret }, setUp: setUp ?? null };
}

/**
 * The same, and the demo school (unless `load` is false) where the database is empty; with `weeks` also eight weeks of one of its classes.
 * `demo`: how to sign in to it, null where it is not there; `setUp`: the address part of the link that makes the first administrator, null
 * where somebody can sign in.
 * @param {string} databaseUrl
 * @param {{ weeks?: boolean, load?: boolean }} [options]
 */
export function prepareDatabase(databaseUrl, { weeks = false, load = true } = {}) {
  const { env, setUp } = made(databaseUrl);
  const demo = told(databaseUrl, "server/demo/load.ts", {
    ...env,
    YARD_DEMO: load ? "1" : "0",
    ...(weeks && { YARD_DEMO_WEEKS: "on" }),
  });
  return { env, demo, setUp: demo ? null : setUp };
}

/**
 * Starts one copy of the web tier and waits until it answers. What it logs is thrown away, or given on: `onLog`.
 * @param {{ port: number, env: Record<string, string>, host?: string, onLog?: (text: string) => void }} options
 */
export async function startWeb({ port, env, host = process.env.HOST ?? "127.0.0.1", onLog }) {
  const child = spawn(process.execPath, [join(root, "build/server/index.js")], {
    cwd: root,
    env: { ...process.env, ...env, DATABASE_URL: "", NODE_ENV: "production", PORT: String(port), HOST: host },
    stdio: ["ignore", onLog ? "pipe" : "ignore", "pipe"],
  });
  child.stdout?.on("data", (value) => onLog(String(value)));
  let errors = "";
  child.stderr.on("data", (value) => {
    errors = (errors + value).slice(-4000);
  });
  const url = `http://${host === "0.0.0.0" ? "127.0.0.1" : host}:${port}`;
  const until = Date.now() + 180_000;
  while (Date.now() < until) {
    if (child.exitCode !== null || child.signalCode !== null)
      throw new Error(`The server stopped at once (is port ${port} taken?):\n${errors}`);
    try {
      if ((await fetch(`${url}/healthz`)).ok) return { child, url, errors: () => errors, stop: () => stopWeb(child) };
    } catch {
      // Not listening yet.
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  child.kill("SIGKILL");
  throw new Error(`The server did not answer within a minute:\n${errors}`);
}

/** Lets requests end. Idle connections do not delay the stop. */
function stopWeb(child) {
  return new Promise((done) => {
    if (child.exitCode !== null || child.signalCode !== null) return done();
    const hard = setTimeout(() => child.kill("SIGKILL"), 2500);
    child.once("exit", () => {
      clearTimeout(hard);
      done();
    });
    child.kill("SIGTERM");
  });
}
