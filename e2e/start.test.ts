import { type ChildProcess, spawn, spawnSync } from "node:child_process";
import { chmodSync, mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import postgres from "postgres";
import { afterAll, describe, expect, it } from "vitest";
import { inFull } from "../core/sample-size.test-utils.ts";
import { PATIENCE } from "../scripts/lib/browser.mjs";
import { freePort } from "../scripts/lib/port.mjs";
import { startPostgres } from "../scripts/lib/postgres.mjs";
import { bin, root } from "../scripts/lib/root.mjs";
import { setUpDatabase } from "../scripts/lib/serve.mjs";

/** A second start, with everything built and loaded, answers within this time, milliseconds, beside all other browser tests; where all is slow, in half the time of the first. */
const SECOND_START = 45_000;
/** The first one loads the demo school, at full length with eight weeks of a class, milliseconds. */
const FIRST_START = 900_000;
const dir = mkdtempSync("/var/tmp/yard-start-");
chmodSync(dir, 0o755);
afterAll(() => rmSync(dir, { recursive: true, force: true }));

function start(env: Record<string, string>) {
  const child: ChildProcess = spawn(process.execPath, [join(root, "scripts/start.mjs")], {
    cwd: root,
    env: { ...process.env, ...env },
    stdio: ["ignore", "pipe", "pipe"],
  });
  let out = "";
  const ready = new Promise<string>((done, fail) => {
    child.stdout!.on("data", (value) => {
      out += value;
      if (out.includes("Ctrl-C")) done(out);
    });
    child.stderr!.on("data", (value) => {
      out += value;
    });
    child.on("exit", () => fail(new Error(`it stopped: ${out}`)));
  });
  const ended = new Promise<number | null>((done) => child.on("exit", done));
  return { child, ready, ended, said: () => out };
}

function postmasters(): number[] {
  const pids = readdirSync("/proc").filter((path) => /^\d+$/.test(path));
  return pids
    .filter((pid) => {
      try {
        return readFileSync(`/proc/${pid}/cmdline`, "utf8").includes(dir);
      } catch {
        return false;
      }
    })
    .map(Number);
}

describe("npm start", () => {
  it(
    "prints where to go and how to sign in, stops cleanly on Ctrl-C with its database, and starts again in time",
    async () => {
      const port = await freePort();
      const env = {
        YARD_DATA_DIR: dir,
        PORT: String(port),
        DATABASE_URL: "",
        YARD_DEMO_WEEKS: inFull("on", "off"),
      };
      const begun = Date.now();
      const first = start(env);
      const lines = (await first.ready).split("\n");
      expect(lines).toContain(`Teacher: http://127.0.0.1:${port}/`);
      const loaded = Date.now() - begun;
      const family = lines.find((line) => line.startsWith("Family: "))!.slice(8);
      expect(lines.find((line) => line.startsWith("Sign in: "))).toMatch(
        /noor\.fenwick@tidewell\.example .*chalk-and-tape/,
      );
      expect((await fetch(family)).status).toBe(200);
      expect(postmasters().length).toBeGreaterThan(0);
      first.child.kill("SIGINT");
      expect(await first.ended).toBe(0);
      expect(postmasters()).toEqual([]);
      const began = Date.now();
      const second = start(env);
      expect(await second.ready).toContain(family);
      expect(Date.now() - began).toBeLessThan(Math.max(SECOND_START, loaded / 2));
      second.child.kill("SIGTERM");
      expect(await second.ended).toBe(0);
      expect(postmasters()).toEqual([]);
    },
    FIRST_START,
  );

  it("on another database loads no demo school; a link that works once makes the first administrator", async () => {
    const database = await startPostgres(join(dir, "managed"), { fresh: true });
    const port = await freePort();
    const env = { DATABASE_URL: database.url, PORT: String(port), YARD_DEMO: "" };
    const sql = postgres(database.url, { max: 1, onnotice: () => undefined });
    const run = start(env);
    try {
      const out = await run.ready;
      expect(out).not.toContain("chalk-and-tape");
      expect(await sql`select 1 from school`).toHaveLength(0);
      const link = /http:\S+\/set-up\/\S+/.exec(out)![0];
      expect((await fetch(link)).status).toBe(200);
      expect((await fetch(`${link.slice(0, -1)}_`)).status).toBe(404);
      const typed = {
        school: "Upper Fen",
        zone: "Europe/London",
        name: "A. First",
        email: "a@fen.example",
        group: "Class 1",
      };
      const post = (password: string) =>
        fetch(link, {
          method: "POST",
          redirect: "manual",
          headers: { "Content-Type": "application/x-www-form-urlencoded", Origin: new URL(link).origin },
          body: new URLSearchParams({ ...typed, password }),
        });
      for (const weak of ["short", "1234567890", "passwordpassword", "upperfen2026", "qwertyuiop"]) {
        const told = await post(weak);
        expect([weak, told.status]).toEqual([weak, 422]);
        const page = await told.text();
        expect(page).toMatch(/too easy to guess|at least 10 characters/);
        // Nothing else that was typed is lost.
        expect(page).toContain("Upper Fen");
        if (weak !== "short") expect(page).not.toContain(weak);
      }
      // Two at once: one gets it.
      const both = await Promise.all([post("paper kite and two drums"), post("paper kite and two drums")]);
      expect(both.map((response) => response.status).sort()).toEqual([302, 404]);
      const cookie = both
        .find((response) => response.status === 302)!
        .headers.getSetCookie()
        .map((text) => text.split(";")[0])
        .join("; ");
      expect(await (await fetch(`http://127.0.0.1:${port}/week`, { headers: { Cookie: cookie } })).text()).toContain(
        "Upper Fen",
      );
      expect((await fetch(link)).status).toBe(404);
      // A server that dies is started again.
      const server = () =>
        readdirSync("/proc").filter((path) => {
          try {
            return (
              readFileSync(`/proc/${path}/cmdline`, "utf8").includes("build/server/index.js") &&
              readFileSync(`/proc/${path}/environ`, "utf8").includes(`PORT=${port}\0`)
            );
          } catch {
            return false;
          }
        });
      const [first] = server();
      process.kill(Number(first), "SIGKILL");
      await expect.poll(() => run.said()).toContain("is started again");
      await expect
        .poll(async () => (await fetch(`http://127.0.0.1:${port}/healthz`).catch(() => null))?.status)
        .toBe(200);
      expect(server()[0]).not.toBe(first);
    } finally {
      run.child.kill("SIGTERM");
      await run.ended;
      await sql.end();
      database.stop();
    }
  });

  it("says what is wrong with a port, and with a database that cannot be reached", async () => {
    const run = (env: Record<string, string>) =>
      spawnSync(process.execPath, [join(root, "scripts/start.mjs")], {
        cwd: root,
        encoding: "utf8",
        env: { ...process.env, ...env },
        timeout: PATIENCE,
      });
    const port = run({ PORT: "eighty" });
    expect([port.status, port.stderr]).toEqual([1, 'PORT: "eighty" is not a port number (1 to 65535).\n']);
    const nowhere = run({
      PORT: String(await freePort()),
      DATABASE_URL: `postgres://nobody@127.0.0.1:${await freePort()}/none`,
    });
    expect(nowhere.status).toBe(1);
    expect(nowhere.stderr).toContain("DATABASE_URL");
  });
});

describe("the demo school", () => {
  it("is taken out and loaded again where its loading was cut off, wherever that was", async () => {
    const database = await startPostgres(join(dir, "cut-off"), { fresh: true });
    const sql = postgres(database.url, { max: 1, onnotice: () => undefined });
    const env = { ...process.env, ...setUpDatabase(database.url), DATABASE_URL: database.url, YARD_DEMO: "1" };
    /** Loads it until something is so, and is killed there. */
    const loadUntil = async (so: () => Promise<boolean>) => {
      const load = spawn(bin("tsx"), [join(root, "server/demo/load.ts")], {
        cwd: root,
        env,
        stdio: "ignore",
        detached: true,
      });
      const ended = new Promise((done) => load.on("exit", done));
      await expect.poll(so, { timeout: 300_000, interval: 50 }).toBe(true);
      process.kill(-load.pid!, "SIGKILL");
      await ended;
    };
    try {
      await loadUntil(async () => (await sql`select 1 from assignment`).length >= 4);
      const schools = await sql`select id, name from school`;
      expect(schools).toHaveLength(1);
      expect(schools[0]!.name).not.toBe("Tidewell Bridge School");
      await loadUntil(async () => {
        const now = await sql`select id from school`;
        return now.length === 1 && now[0]!.id !== schools[0]!.id;
      });
      expect((await sql`select 1 from assignment where school_id = ${schools[0]!.id}`).length).toBe(0);
    } finally {
      await sql.end();
      await database.stop();
    }
  });
});
