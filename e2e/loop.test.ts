import { rmSync } from "node:fs";
import { join } from "node:path";
import { setTimeout as sleep } from "node:timers/promises";
import { pathToFileURL } from "node:url";
import postgres from "postgres";
import type { Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { openBrowser, signIn } from "../scripts/lib/browser.mjs";
import { freePort } from "../scripts/lib/port.mjs";
import { root } from "../scripts/lib/root.mjs";
import { startWeb } from "../scripts/lib/serve.mjs";
import { startTestSchool } from "../scripts/lib/test-school.mjs";
import { open, signedIn } from "./help.ts";

/** The demo school after a year: everything sent so far, repeated for each week. */
const WEEKS = 40;
/** The longest that a loader may hold the loop, milliseconds. */
const MOST = 20;
/** Other programs on the machine hold the loop up too, for seconds at a time: what took longer is asked again, a while later. */
const ROUNDS = 10;
const TIMES = 4;
const WHILE_MS = 3000;
/** Answered as they are, with no page about them. */
const FILES = /\/(file|csv|links\.csv|plan\.svg)$/;
const dir = join(root, ".yard-test", "year");
let database: Awaited<ReturnType<typeof startTestSchool>>["database"];
let sql: postgres.Sql;
let web: Awaited<ReturnType<typeof startWeb>>;
let demo: { email: string; password: string; family: string };
let told = "";
let cookie = "";

/** Rows of a table once more for each week, under ids made of the old one and the week; what is given is put in their place. */
async function again(table: string, ids: readonly string[], more = ""): Promise<void> {
  const made = ids.map((text) => `'${text}', md5(x.${text}::text || n)::uuid`).join(", ");
  await sql.unsafe(`insert into ${table} select (jsonb_populate_record(null::${table}, to_jsonb(x) || jsonb_build_object(${made}${more}))).*
    from ${table} x, generate_series(1, ${WEEKS}) n on conflict do nothing`);
}
const back = (column: string) => `, '${column}', x.${column} - n * interval '7 days'`;

beforeAll(async () => {
  const ready = await startTestSchool(dir);
  database = ready.database;
  demo = ready.demo;
  sql = postgres(database.url, { max: 1, onnotice: () => undefined });
  await again("assignment", ["id", "order_id"], back("opens_at") + back("closes_at"));
  await again("card", ["id", "assignment_id"]);
  await again("card_version", ["card_id"]);
  await again("play", ["id", "card_id"], back("started_at") + back("received_at"));
  await again("play_event", ["play_id"]);
  await again("result", ["play_id", "card_id"]);
  await again("evidence", ["play_id"], back("at"));
  await again("message", ["id", "assignment_id"]);
  await sql`analyze`;
  web = await startWeb({
    port: await freePort(),
    env: { ...ready.env, NODE_OPTIONS: `--import ${pathToFileURL(join(root, "e2e/watch-loop.mjs")).href}` },
    onLog: (text: string) => {
      told += text;
    },
  });
  cookie = await signedIn(web.url, demo);
});
afterAll(async () => {
  await web?.stop();
  await sql?.end();
  database?.stop();
  rmSync(dir, { recursive: true, force: true });
});

/** How long the loop was held at most since it was asked last, milliseconds. */
async function held(): Promise<number> {
  const from = told.length;
  web.child.kill("SIGUSR2");
  await expect.poll(() => /held ([\d.]+)\n/.exec(told.slice(from))?.[1] ?? null, { interval: 5 }).not.toBeNull();
  return Number(/held ([\d.]+)\n/.exec(told.slice(from))![1]);
}

describe("the loop of the server", () => {
  it(`is held no longer than ${MOST} ms by what any page asks for, of a school after a year`, async () => {
    const [{ goes }] = (await sql`select count(*)::int as goes from result`) as unknown as [{ goes: number }];
    expect(goes).toBeGreaterThan(2000);
    const [first] =
      await sql`select a.id, a.class_id, r.activity_id from assignment a join revision r on r.id = a.revision_id
      where exists (select 1 from result x join card c on c.id = x.card_id where c.assignment_id = a.id) order by a.opens_at desc limit 1`;
    const [child] =
      await sql`select k.child_id, count(*) from result x join card k on k.id = x.card_id group by 1 order by 2 desc limit 1`;
    const link = new URL(`/f/${demo.family.split("/").at(-1)}`, web.url).pathname;
    const cards = await (await fetch(`${web.url}${link}`)).text();
    const card = /href="(\/f\/[^"]+\/[0-9a-f-]{36})"/.exec(cards)![1]!;
    const pages = [
      "/week",
      "/activities",
      `/activities/${first!.activity_id}`,
      `/activities/${first!.activity_id}/rehearsal`,
      `/activities/${first!.activity_id}/try`,
      `/activities/${first!.activity_id}/cards`,
      `/activities/${first!.activity_id}/file`,
      `/activities/${first!.activity_id}/plan.svg`,
      "/homes",
      "/homes/import",
      "/homes/csv",
      `/homes/${child!.child_id}`,
      `/children/${child!.child_id}`,
      `/children/${child!.child_id}/erase`,
      "/exercises",
      "/things",
      "/things/bucket",
      "/results",
      `/results/${first!.id}`,
      `/results/${first!.id}/next`,
      `/results/${first!.id}/sheets`,
      `/results/${first!.id}/csv`,
      `/classes/${first!.class_id}/links`,
      `/classes/${first!.class_id}/links.csv`,
      `/classes/${first!.class_id}/truth`,
      "/outbox",
      "/how",
      "/guide",
      link,
      `${link}/home`,
      card,
      `${card}/sheet`,
      `/children/${child!.child_id}/card`,
    ];
    const least = new Map<string, number>();
    /** The least that a page held the loop so far, milliseconds. */
    const heldBy = (path: string) => least.get(path) ?? Number.POSITIVE_INFINITY;
    const failed: string[] = [];
    for (let round = 0; round < ROUNDS; round++) {
      const asked = pages.filter((path) => heldBy(path) > MOST);
      if (asked.length === 0) break;
      if (round > 0) await sleep(WHILE_MS);
      for (const path of asked) {
        for (let i = 0; i < TIMES && heldBy(path) > MOST; i++) {
          await held();
          // What the page asks for, without the page about it.
          const answer = await fetch(`${web.url}${path}${FILES.test(path) ? "" : ".data"}`, {
            headers: { Cookie: cookie },
            redirect: "manual",
          });
          await answer.arrayBuffer();
          const ms = await held();
          if (answer.status !== 200) failed.push(`${path}: status ${answer.status}`);
          // The first time a page's code is read; after that it is the page.
          if (round > 0 || i > 0) least.set(path, Math.min(ms, heldBy(path)));
        }
      }
    }
    const long = pages.filter((path) => heldBy(path) > MOST).map((path) => `${path}: ${heldBy(path)} ms`);
    expect([...new Set(failed), ...long].join("\n")).toBe("");
  });
});

/**
 * A processor four times slower than this one shows within this time that something was pressed, milliseconds. The
 * goal is 100 on a machine at rest; one that is shared takes half as long again.
 */
const SHOWN = 150;
const SLOWER = 4;
/** How often it is pressed at most. */
const PRESSED = 6;
/** What `plainLoop` takes on the processor that is meant, milliseconds. A slower machine is slowed down less. */
const PLAIN_LOOP = 26;

/** The least that a plain loop takes, milliseconds. */
const plainLoop = (page: Page) =>
  page.evaluate(() => {
    let least = Number.POSITIVE_INFINITY;
    for (let round = 0; round < 9; round++) {
      const start = performance.now();
      let sum = 0;
      for (let i = 0; i < 2e7; i++) sum = (sum * 31 + i) | 0;
      document.body.dataset.sum = String(sum);
      least = Math.min(least, performance.now() - start);
    }
    return least;
  });

/** From each press or key to the end of the next paint, milliseconds: the longest of one action. */
async function watchPresses(page: Page): Promise<() => Promise<number>> {
  await page.evaluate(() => {
    const taken: number[] = [];
    Object.assign(window, { taken });
    for (const kind of ["pointerdown", "pointerup", "click", "keydown", "keyup"])
      addEventListener(
        kind,
        ({ timeStamp }) =>
          requestAnimationFrame(() => {
            const { port1, port2 } = new MessageChannel();
            port1.onmessage = () => taken.push(performance.now() - timeStamp);
            port2.postMessage(null);
          }),
        true,
      );
  });
  return () => page.evaluate(() => Math.max(...(window as unknown as { taken: number[] }).taken.splice(0)));
}

describe("a table", () => {
  it(`shows within ${SHOWN} ms that something was pressed, on a processor ${SLOWER} times slower`, async () => {
    const { browser, close } = await openBrowser();
    try {
      const page = await browser.newPage();
      await page.setViewport({ width: 1280, height: 800 });
      await signIn(page, web.url, demo.email, demo.password);
      const [first] = await sql`select id from assignment order by opens_at desc limit 1`;
      const all = "thead input[type=checkbox]";
      const menu = "tr[data-row='1'] button[aria-haspopup=menu]";
      const unfold = "tr[data-row='1'] button[data-open]";
      /** Each with what has to be there for it. */
      const actions: [name: string, needs: string, act: (page: Page) => Promise<unknown>][] = [
        ["sort", "thead a", (p) => p.click("thead th:nth-child(2) a, thead th:nth-child(3) a")],
        ["search", "input[name=find]", (p) => p.type("input[name=find]", "a")],
        ["clear the search", "input[name=find]", (p) => p.keyboard.press("Backspace")],
        ["open a menu", menu, (p) => p.click(menu)],
        ["close it", menu, (p) => p.keyboard.press("Escape")],
        ["open the columns", "main", (p) => p.click("main button ::-p-text(Columns)")],
        ["close them", "main", (p) => p.keyboard.press("Escape")],
        ["choose a row", "[data-choose]", (p) => p.click("tr[data-row='1'] [data-choose]")],
        ["choose all", all, (p) => p.click(all)],
        ["choose none", all, (p) => p.click(all)],
        ["open a row", unfold, (p) => p.click(unfold)],
        ["to the next row", "tr[data-row='1']", (p) => p.keyboard.press("ArrowDown")],
      ];
      const least = new Map<string, number>();
      const slow = () => [...least].filter(([, ms]) => ms > SHOWN);
      const throttle = await page.createCDPSession();
      const rate = Math.max(1, (SLOWER * PLAIN_LOOP) / (await plainLoop(page)));
      const failed: [string, number][] = [];
      for (const path of ["/homes", `/results/${first!.id}?tab=children`, "/results", "/things", "/exercises"]) {
        await open(page, `${web.url}${path}`);
        const taken = await watchPresses(page);
        await throttle.send("Emulation.setCPUThrottlingRate", { rate });
        // Other programs on the machine take their time too: what took longer is done again, a while later.
        for (let round = 0; round < PRESSED && (round === 0 || slow().length > 0); round++) {
          if (round > 0) await sleep(WHILE_MS);
          for (const [name, needs, act] of actions) {
            if (!(await page.$(needs))) continue;
            if (name === "to the next row") await page.focus("tr[data-row='1']");
            await act(page);
            // The rows follow the press.
            await sleep(400);
            least.set(name, Math.min(await taken(), least.get(name) ?? Number.POSITIVE_INFINITY));
          }
        }
        expect(least.size).toBeGreaterThan(6);
        failed.push(...slow().map(([name, ms]) => [`${path}: ${name}`, ms] as [string, number]));
        least.clear();
        await throttle.send("Emulation.setCPUThrottlingRate", { rate: 1 });
      }
      expect(failed).toEqual([]);
    } finally {
      await close();
    }
  });
});
