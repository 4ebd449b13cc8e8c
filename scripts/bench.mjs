import { createHmac, randomUUID } from "node:crypto";
import { readdirSync, readFileSync, rmSync } from "node:fs";
import { cpus } from "node:os";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import postgres from "postgres";
import { open, openBrowser, press, signIn } from "./lib/browser.mjs";
import { ensureBuild } from "./lib/build.mjs";
import { ensure } from "./lib/install.mjs";
import { freePort } from "./lib/port.mjs";
import { startPostgres } from "./lib/postgres.mjs";
import { root } from "./lib/root.mjs";
import { say } from "./lib/say.mjs";
import { prepareDatabase, startWeb } from "./lib/serve.mjs";

/**
 * `npm run bench` measures the figures that the project promises on this machine and prints them as a table. With a
 * name, it measures one part.
 */
const MOVES = 200;
const RATE = 20;
const SECONDS = 30;
/** A copy that was just started compiles its code and opens its connections. This time is left out, seconds. */
const WARM_UP = 5;
const rows = [];
const row = (what, goal, ...measured) => {
  rows.push([what, goal, measured.join(", ")]);
  say(`${what}: ${measured.join(", ")} (goal ${goal})`);
};
const sorted = (list) => [...list].sort((a, b) => a - b);
const at = (list, share) => sorted(list)[Math.min(list.length - 1, Math.floor(list.length * share))];
const ms = (x) => `${x.toFixed(x < 20 ? 1 : 0)} ms`;
const wait = (time) => new Promise((r) => setTimeout(r, time));

await ensure("chromium");
ensureBuild();
const dir = join(root, ".yard-test", "bench");
rmSync(dir, { recursive: true, force: true });
const database = await startPostgres(dir, { fresh: true });
const { env, demo } = prepareDatabase(database.url);
const one = await startWeb({ port: await freePort(), env });
const two = await startWeb({ port: await freePort(), env });
const sql = postgres(database.url, { max: 2, onnotice: () => undefined });
const { browser, close } = await openBrowser();

/** Opens a climb with six targets in the workbench. */
async function workbench(page) {
  await page.setViewport({ width: 1280, height: 800 });
  await signIn(page, one.url, demo.email, demo.password);
  await open(page, `${one.url}/activities`);
  await page.$$eval("button[value=new]", (all) => all.find((b) => b.textContent.startsWith("Climb")).click());
  await page.waitForSelector("[data-strip=ready]");
  await press(page, "Add target");
  await page.waitForFunction(() => document.querySelectorAll("[data-peg]").length === 6);
  await wait(1500);
}

/** Records the time from each pointer event to the next paint, milliseconds, in `window.paints`. */
const watchPaints = (page, kind = "pointermove") =>
  page.evaluate((kind) => {
    window.paints = [];
    window.addEventListener(
      kind,
      (e) => {
        const began = e.timeStamp;
        requestAnimationFrame(() => {
          const { port1, port2 } = new MessageChannel();
          port1.onmessage = () => window.paints.push(performance.now() - began);
          port2.postMessage(0);
        });
      },
      true,
    );
  }, kind);

/** The fullest layout: a course of 12 markers beside six targets, with one marker dragged. */
async function courseMoves() {
  const page = await browser.newPage();
  await workbench(page);
  await press(page, "Set up a course, a grid, goals or bases beside the game.");
  await press(page, "Slalom with a shot");
  const markers = await page.waitForSelector(
    "xpath///label[normalize-space()='Markers']/following-sibling::span/input",
  );
  await markers.click({ count: 3 });
  await markers.type("12");
  await page.waitForFunction(() => document.querySelectorAll("[data-mark^='x.g']").length === 12);
  await wait(1500);
  await page.$eval("[data-mark='x.g5']", (e) => e.scrollIntoView({ block: "center" }));
  const box = await (await page.$("[data-mark='x.g5']")).boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await watchPaints(page);
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 0; i < MOVES; i++) {
    await page.mouse.move(x + 30 * Math.sin(i / 6), y + 30 * Math.cos(i / 5));
    await wait(34);
  }
  await page.mouse.up();
  const paints = await page.evaluate(() => window.paints.slice(-190));
  row(
    `pointer event to paint, a marker of a course of 12 dragged beside 6 targets, ${MOVES} moves, 3 children`,
    "p95 32 ms",
    `median ${ms(at(paints, 0.5))}`,
    `p95 ${ms(at(paints, 0.95))}`,
  );
  await page.close();
}

async function pegMoves() {
  const page = await browser.newPage();
  await workbench(page);
  const box = await (await page.$("[data-peg=t3]")).boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + 12];
  await watchPaints(page);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.tracing.start({ categories: ["toplevel", "devtools.timeline", "blink.user_timing", "__metadata"] });
  for (let i = 0; i < MOVES; i++) {
    await page.mouse.move(x + 40 * Math.sin(i / 6), y);
    await wait(34);
  }
  const trace = JSON.parse(Buffer.from(await page.tracing.stop()).toString());
  await page.mouse.up();
  const events = trace.traceEvents;
  // A move consists of the task that dispatches it and the following tasks of that thread, up to the next dispatch.
  const dispatched = events
    .filter((e) => e.name === "EventDispatch" && e.args?.data?.type === "pointermove")
    .sort((a, b) => a.ts - b.ts);
  const mark = dispatched[0];
  const marks = dispatched.filter((e) => e.tid === mark.tid);
  const tasks = events
    .filter((e) => e.pid === mark.pid && e.tid === mark.tid && e.ph === "X" && /RunTask$/.test(e.name))
    .sort((a, b) => a.ts - b.ts);
  const starts = marks.map((m) => tasks.filter((t) => t.ts <= m.ts && m.ts <= t.ts + t.dur)[0]?.ts ?? m.ts);
  const work = starts
    .slice(0, -1)
    .map((from, i) => tasks.filter((t) => t.ts >= from && t.ts < starts[i + 1]).reduce((n, t) => n + t.dur / 1000, 0));
  if (process.env.YARD_BENCH_TRACE) {
    const span = events.filter(
      (e) => e.pid === mark.pid && e.tid === mark.tid && e.ph === "X" && e.ts > marks[0].ts && e.dur,
    );
    const by = {};
    for (const e of span) by[e.name] = (by[e.name] ?? 0) + e.dur / 1000 / MOVES;
    say(
      Object.entries(by)
        .sort((a, b) => b[1] - a[1])
        .slice(0, 25)
        .map(([n, t]) => `${t.toFixed(2)} ${n}`)
        .join("\n"),
    );
  }
  // Our share of each move (scripts and style), and the browser's painting after it.
  const share = (names) =>
    starts.slice(0, -1).map((from, i) =>
      events
        .filter((e) => e.pid === mark.pid && e.tid === mark.tid && e.ph === "X" && names.includes(e.name))
        .filter((e) => e.ts >= from && e.ts < starts[i + 1])
        .reduce((n, e) => n + e.dur / 1000, 0),
    );
  const own = share(["FunctionCall", "UpdateLayoutTree"]);
  const painting = share(["Layout", "PrePaint", "Paint", "Layerize"]);
  const paints = await page.evaluate(() => window.paints.slice(-190));
  row(
    `script and style of a peg move, ${MOVES} moves, 6 pegs, 3 children`,
    "p95 6 ms",
    `median ${ms(at(own, 0.5))}`,
    `p95 ${ms(at(own, 0.95))}`,
  );
  row(
    "painting after it, and all of the main thread's work",
    "(reported)",
    `painting median ${ms(at(painting, 0.5))}, p95 ${ms(at(painting, 0.95))}`,
    `all median ${ms(at(work, 0.5))}, p95 ${ms(at(work, 0.95))}`,
  );
  row(
    "pointer event to paint, same moves",
    "p95 32 ms",
    `median ${ms(at(paints, 0.5))}`,
    `p95 ${ms(at(paints, 0.95))}`,
  );

  const strips = [];
  for (let i = 0; i < 12; i++) {
    await page.evaluate(() => performance.clearMeasures("strip"));
    await page.$eval("[data-peg=t3]", (e) => e.focus());
    await page.keyboard.press(i % 2 ? "ArrowLeft" : "ArrowRight");
    await page.waitForFunction(() => performance.getEntriesByName("strip").length > 0);
    strips.push(await page.evaluate(() => performance.getEntriesByName("strip").at(-1).duration));
  }
  row(
    "strip after an edit, three shown children, in the worker",
    "100 ms",
    `median ${ms(at(strips, 0.5))}`,
    `worst ${ms(at(strips, 1))}`,
  );

  const doc = await page.evaluate(async () => (await fetch(`${location.pathname}/file`)).json());
  const worker =
    (await page.evaluate(() => performance.getEntriesByType("resource").map((r) => r.name))).find((n) =>
      n.includes("forecast.worker"),
    ) ?? null;
  const path =
    worker ??
    `${one.url}/assets/${Object.values(JSON.parse(readFileSync(join(root, "build/client/.vite/manifest.json"), "utf8")))
      .flatMap((e) => e.assets ?? [])
      .find((f) => f.includes("forecast.worker"))
      ?.replace("assets/", "")}`;
  const whole = await page.evaluate(
    async (url, activity) => {
      const w = new Worker(url, { type: "module" });
      const ask = (people) =>
        new Promise((done) => {
          const id = String(Math.random());
          const began = performance.now();
          const listen = (e) => {
            if (e.data?.id !== id) return;
            w.removeEventListener("message", listen);
            done(performance.now() - began);
          };
          w.addEventListener("message", listen);
          w.postMessage({
            id,
            type: "APPLY",
            path: ["each"],
            argumentList: [activity, people].map((value) => ({ type: "RAW", value })),
          });
        });
      const people = Array.from({ length: 30 }, (_, i) => ({ age: 6 + (i % 3), multiplier: 0.8 + 0.02 * i }));
      await ask(people.slice(0, 3));
      const out = [];
      for (let i = 0; i < 5; i++)
        out.push(await ask(people.map((p) => ({ ...p, multiplier: p.multiplier + i / 1000 }))));
      w.terminate();
      return out;
    },
    path,
    doc,
  );
  row(
    "strip for a class of 30 different children, in the worker",
    "1 s",
    `median ${ms(at(whole, 0.5))}`,
    `worst ${ms(at(whole, 1))}`,
  );
  await page.close();
}

async function familyBytes() {
  const context = await browser.createBrowserContext();
  const page = await context.newPage();
  await page.setViewport({ width: 390, height: 844 });
  const scripts = new Set();
  page.on("response", (r) => {
    if (r.request().resourceType() === "script" || /\.js$/.test(new URL(r.url()).pathname))
      scripts.add(new URL(r.url()).pathname);
  });
  const family = `${one.url}/f/${demo.family}`;
  await page.setBypassServiceWorker(true);
  await page.goto(family, { waitUntil: "networkidle0" });
  const card = await page.$eval("main a[href*='/f/']", (a) => a.href);
  scripts.clear();
  let beforeGame = null;
  await page.evaluateOnNewDocument(() => {
    window.requestIdleCallback = undefined;
  });
  await page.goto(card, { waitUntil: "networkidle0" });
  const size = (set) =>
    [...set]
      .filter((p) => p !== "/sw.js")
      .reduce((n, p) => n + gzipSync(readFileSync(join(root, "build/client", p)), { level: 9 }).length, 0) / 1000;
  beforeGame = size(scripts);
  await page.goto(`${card}?screen=look`, { waitUntil: "networkidle0" });
  for (const b of await page.$$("input[type=checkbox]")) await b.click();
  await press(page, "Next: Play");
  await page.waitForFunction(() => document.body.innerText.includes("Who is playing?"));
  row("JavaScript of a family page before the first tap, gzipped", "110 kB", `${beforeGame.toFixed(0)} kB`);
  row("the same with its game", "160 kB", `${size(scripts).toFixed(0)} kB`);
  await context.close();
  // What each game adds to the shared code: the chunk that holds its pattern.
  const assets = join(root, "build/client/assets");
  const each = readdirSync(assets)
    .filter((f) => f.endsWith(".js") && !f.includes("worker"))
    .flatMap((f) => {
      const text = readFileSync(join(assets, f), "utf8");
      const name = /name:[`"]([a-zA-Z]+)[`"],rulesVersion:\d+,/.exec(text)?.[1];
      return name ? [`${name} ${(gzipSync(text, { level: 9 }).length / 1000).toFixed(1)} kB`] : [];
    });
  row("code of each pattern, gzipped", "(reported)", each.sort().join("; "));

  const times = [];
  const offline = await browser.createBrowserContext();
  const first = await offline.newPage();
  await first.goto(card, { waitUntil: "networkidle0" });
  await first.waitForFunction(
    async (p) => (await (await caches.open("cards")).match(p)) !== undefined,
    {},
    new URL(card).pathname,
  );
  await first.close();
  for (let i = 0; i < 7; i++) {
    const p = await offline.newPage();
    await p.setOfflineMode(true);
    await p.emulateCPUThrottling(4);
    await p.goto(card, { waitUntil: "load" });
    await p.waitForFunction(() => performance.getEntriesByName("usable").length > 0);
    times.push(await p.evaluate(() => performance.getEntriesByName("usable")[0].startTime));
    await p.close();
  }
  row(
    "cold offline open to usable, processor 4x slower",
    "1.5 s",
    `median ${ms(at(times, 0.5))}`,
    `worst ${ms(at(times, 1))}`,
  );
  await offline.close();
}

function tokenOf(id, version) {
  const check = createHmac("sha256", env.YARD_SECRET)
    .update(`link ${id} ${version}`)
    .digest()
    .subarray(0, 16)
    .toString("base64url");
  return `${Buffer.from(id.replaceAll("-", ""), "hex").toString("base64url")}.${check}`;
}

/** The buttons that report an attempt, a run or a task. The first one found is used. */
const TELLS = [
  "[data-targets] button:not(:disabled)",
  "main .bg-page button[class*='rounded-[']",
  "main .bg-page button",
];
const TAPS = 24;
/** Taps on the play screen of each game of the demo at a quarter of the speed. Each tap is undone. */
async function playTaps() {
  const cards = await sql`
    select distinct on (v.compiled->'activity'->'pattern'->>'name') v.compiled->'activity'->'pattern'->>'name' as pattern,
      k.id, l.id as link, l.version
    from card k join card_version v on v.card_id = k.id and v.hash = k.hash join link l on l.child_id = k.child_id
    join assignment a on a.id = k.assignment_id
    where a.closes_at > now() and a.opens_at < now()
      and not exists (select 1 from play p where p.card_id = k.id)
    order by 1, k.id`;
  const all = [];
  const each = [];
  const idle = [];
  for (const card of cards) {
    const page = await browser.newPage();
    await page.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true });
    await open(page, `${one.url}/f/${tokenOf(card.link, card.version)}/${card.id}?screen=look`);
    for (const b of await page.$$("input[type=checkbox]:not(:checked)")) await b.click();
    await press(page, "Next: Play");
    await page.waitForFunction(() => /Who plays|Now play|\?/.test(document.querySelector("main h1")?.innerText ?? ""));
    if (!(await page.evaluate(() => document.body.innerText.includes("Who is playing?")))) {
      await page.click("main [aria-pressed]");
      await press(page, "Now play");
      await page.waitForFunction(() => document.body.innerText.includes("Who is playing?"));
    }
    await press(page, "Play");
    await page.waitForFunction(() => !document.body.innerText.includes("Who is playing?"));
    await wait(800);
    if (await page.evaluate(() => document.body.innerText.includes("Press start"))) {
      await press(page, "Start");
      await press(page, "Start now");
    }
    await wait(500);
    // A page in the background renders nothing.
    await page.bringToFront();
    await watchPaints(page, "click");
    await page.emulateCPUThrottling(4);
    // The cost of a tap that changes nothing.
    for (let i = 0; i < 8; i++) {
      await (await page.$("main h1")).tap();
      await wait(120);
    }
    idle.push(...(await page.evaluate(() => window.paints.splice(0))));
    for (let i = 0; i < TAPS; i++) {
      let told = null;
      for (const selector of TELLS) told ??= await page.$(selector);
      await told.tap();
      await wait(120);
      await page.keyboard.press("u");
      await wait(120);
    }
    const paints = await page.evaluate(() => window.paints);
    await page.close();
    all.push(...paints);
    if (paints.length > 0) each.push(`${card.pattern} ${ms(at(paints, 0.95))}`);
  }
  row(
    `tap to paint on the play screen of ${each.length} games, ${TAPS} taps each, processor 4x slower`,
    "p95 50 ms",
    `median ${ms(at(all, 0.5))}`,
    `p95 ${ms(at(all, 0.95))}`,
    `p95 of each: ${each.join(", ")}`,
    `a tap that changes nothing: median ${ms(at(idle, 0.5))}, p95 ${ms(at(idle, 0.95))}`,
  );
}

async function handIns() {
  const cards =
    await sql`select k.id, l.id as link, l.version from card k join card_version v on v.card_id = k.id and v.hash = k.hash join link l on l.child_id = k.child_id where v.compiled->'activity'->>'title' = 'Hallway climb'`;
  const events = ["t1", null, "t2", null, null, "t3", "t4", null, "t5"].map((hit, seq) => ({
    seq,
    event: { kind: "send", at: 6000 * (seq + 1), hit },
  }));
  const reflection = { before: 3, during: 4, after: 5, answers: ["", ""], criteria: [], grownUp: true };
  const times = [];
  let failed = 0;
  const began = performance.now();
  const sent = [];
  for (let i = 0; i < RATE * (WARM_UP + SECONDS); i++) {
    const due = began + (i * 1000) / RATE;
    await wait(Math.max(0, due - performance.now()));
    const c = cards[i % cards.length];
    const web = i % 2 ? one : two;
    const body = {
      play: randomUUID(),
      card: c.id,
      device: "bench-device",
      setup: { players: 1, mode: "alone", seed: 1 },
      rulesVersion: 1,
      startedAt: Date.now() - 60_000,
      events,
      result: { events: events.length, reflection },
    };
    sent.push(
      fetch(`${web.url}/api/hand-in/${tokenOf(c.link, c.version)}`, {
        method: "POST",
        headers: { "Content-Type": "application/json" },
        body: JSON.stringify(body),
      }).then(async (r) => {
        await r.text();
        if (!r.ok) failed++;
        if (i >= RATE * WARM_UP) times.push(performance.now() - due);
      }),
    );
  }
  await Promise.all(sent);
  row(
    `hand-ins, ${RATE} a second for ${SECONDS} s, open loop, two copies, after ${WARM_UP} s of the same`,
    "p99 250 ms",
    `median ${ms(at(times, 0.5))}`,
    `p99 ${ms(at(times, 0.99))}`,
    `${failed} failed`,
  );
}

/** A closed loop with eight callers. The two pages alternate, so that both meet the same conditions. */
async function pages() {
  const [card] =
    await sql`select k.id, l.id as link, l.version from card k join card_version v on v.card_id = k.id and v.hash = k.hash join link l on l.child_id = k.child_id where v.compiled->'activity'->>'title' = 'Stop on the step' limit 1`;
  const urls = { family: `${one.url}/f/${tokenOf(card.link, card.version)}/${card.id}`, bare: `${one.url}/about` };
  const counts = { family: [], bare: [] };
  const run = async (url, time) => {
    const until = performance.now() + time;
    let n = 0;
    await Promise.all(
      Array.from({ length: 8 }, async () => {
        while (performance.now() < until) {
          const r = await fetch(url);
          await r.text();
          if (r.ok) n++;
        }
      }),
    );
    return (1000 * n) / time;
  };
  for (const k of ["family", "bare"]) await run(urls[k], 1000);
  for (let i = 0; i < 4; i++) for (const k of ["family", "bare"]) counts[k].push(await run(urls[k], 2500));
  const [f, b] = [at(counts.family, 0.5), at(counts.bare, 0.5)];
  row(
    "family page, requests a second, beside a bare page of the same framework",
    "(reported)",
    `${f.toFixed(0)}/s`,
    `bare ${b.toFixed(0)}/s`,
    `ratio ${(f / b).toFixed(2)}`,
  );
}

async function core(script) {
  const { spawnSync } = await import("node:child_process");
  const done = spawnSync(join(root, "node_modules/.bin/tsx"), [join(root, "scripts", script)], { encoding: "utf8" });
  for (const r of JSON.parse(done.stdout)) row(r.what, r.goal, ...r.measured);
}
const forecasts = () => core("bench-forecast.ts");
const kit = () => core("bench-kit.ts");
const yard = () => core("bench-yard.ts");
const look = () => core("bench-look.ts");
const square = () => core("bench-square.ts");
const estimate = () => core("bench-estimate.ts");
const levels = () => core("bench-levels.ts");
const fair = () => core("bench-fair.ts");

try {
  const parts = {
    forecasts,
    kit,
    yard,
    look,
    square,
    estimate,
    levels,
    fair,
    pegMoves,
    courseMoves,
    familyBytes,
    playTaps,
    handIns,
    pages,
  };
  for (const [name, run] of Object.entries(parts)) if (!process.argv[2] || process.argv[2] === name) await run();
} finally {
  await close();
  await sql.end();
  await one.stop();
  await two.stop();
  database.stop();
  rmSync(dir, { recursive: true, force: true });
}
say(`\n${cpus().length} x ${cpus()[0].model}, Node ${process.versions.node}\n`);
say("| measured | goal | here |\n| --- | --- | --- |");
for (const r of rows) say(`| ${r.join(" | ")} |`);
process.exit(0);
