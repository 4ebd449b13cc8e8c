import { randomUUID } from "node:crypto";
import type { HTTPRequest, Page } from "puppeteer-core";
import { afterAll, describe, expect, inject, it } from "vitest";
import { inFull } from "../core/sample-size.test-utils.ts";
import {
  base,
  beginPlay,
  cardOf,
  handIn,
  itLong,
  keepNothing,
  linkOf,
  open,
  owner,
  press,
  sees,
  tabs,
  teacherPage,
  text,
} from "./help.ts";

const browser = tabs();
const sql = owner();
afterAll(() => sql.end());

const resultsOf = async (name: string) =>
  (
    await sql`select r.play_id from result r join card k on k.id = r.card_id join child c on c.id = k.child_id where c.name = ${name}`
  ).length;

/** A phone of its own, so that what waits on it is only its own. */
async function ownPhone() {
  const context = await browser.createBrowserContext();
  const page = await context.newPage();
  await page.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true });
  return { page, context };
}
/** Answers hand-ins in place of the server, as long as it says something; null lets them through. */
async function between(page: Page, answer: () => { status: number; contentType: string; body: string } | "cut" | null) {
  await page.setBypassServiceWorker(true);
  await page.setRequestInterception(true);
  page.on("request", (hTTPRequest: HTTPRequest) => {
    const told = hTTPRequest.url().includes("/api/hand-in/") ? answer() : null;
    if (told === "cut") void hTTPRequest.abort();
    else if (told) void hTTPRequest.respond(told);
    else void hTTPRequest.continue();
  });
}
async function playToTheEnd(page: Page, card: string) {
  await beginPlay(page, card);
  await press(page, "End game");
  await handIn(page);
}

describe("a go on the device", () => {
  it("is not given up for a network's own sign-in page: it waits, with its count, and goes once the way is free", async () => {
    const { page, context } = await ownPhone();
    const wifi = "<html><title>Welcome</title>Sign in to this network</html>";
    let says: Parameters<typeof between>[1] = () => ({ status: 403, contentType: "text/html", body: wifi });
    await between(page, () => says());
    const link = await linkOf("Nuri E.");
    const before = await resultsOf("Nuri E.");
    await playToTheEnd(page, await cardOf(page, link, "Hallway climb"));
    await sees(page, "Saved on this device.");
    await sees(page, "1 go waiting");
    // Nor for any other answer that is not ours, whatever it says of itself.
    for (const [status, contentType, body] of [
      [200, "text/html", wifi],
      [200, "application/json", "{}"],
      [410, "application/json", '{"message":"This link is off."}'],
      [422, "application/json", '{"message":"no"}'],
      [204, "text/plain", ""],
    ] as const) {
      let asked = false;
      says = () => {
        asked = true;
        return { status, contentType, body };
      };
      await page.goto(link, { waitUntil: "networkidle0" });
      await sees(page, "1 go is waiting to be handed in.");
      expect(asked).toBe(true);
    }
    says = () => "cut";
    await page.goto(link, { waitUntil: "networkidle0" });
    await sees(page, "1 go is waiting to be handed in.");
    expect(await resultsOf("Nuri E.")).toBe(before);
    says = () => null;
    await page.goto(link, { waitUntil: "networkidle0" });
    await expect.poll(() => resultsOf("Nuri E.")).toBe(before + 1);
    await page.waitForFunction(() => !document.body.innerText.includes("waits"));
    await context.close();
  });

  it("whose link was turned off in the middle of it waits with the school's own words, and goes once the link is on", async () => {
    const { page, context } = await ownPhone();
    const card = await cardOf(page, await linkOf("Idris M."), "Hallway climb");
    const before = await resultsOf("Idris M.");
    const turn = (off: boolean) =>
      sql`update link set withdrawn_at = ${off ? new Date() : null} where child_id = (select id from child where name = 'Idris M.')`;
    await beginPlay(page, card);
    await press(page, "HIT");
    await turn(true);
    await press(page, "End game");
    await handIn(page);
    await sees(page, "It waits here. The school said:");
    await sees(page, "This link is off");
    expect(await text(page)).not.toContain("It is handed in once");
    expect(await resultsOf("Idris M.")).toBe(before);
    await turn(false);
    await page.evaluate(() => dispatchEvent(new Event("online")));
    await expect.poll(() => resultsOf("Idris M.")).toBe(before + 1);
    await context.close();
  });

  it("says so where the game does not come through, and begins once there is a network again", async () => {
    const { page, context } = await ownPhone();
    // As on a first visit, before anything is kept on the device, and the game has not come yet.
    await keepNothing(page);
    await page.evaluateOnNewDocument(() => {
      window.requestIdleCallback = () => 0;
    });
    const card = await cardOf(page, await linkOf("Nuri E."), "Hallway climb");
    await open(page, `${card}?screen=look`);
    for (const box of await page.$$("input[type=checkbox]:not(:checked)")) await box.click();
    await page.setOfflineMode(true);
    await press(page, "Next: Play");
    await sees(page, "The game did not load. Are you online?");
    await page.waitForSelector("[role=alert] + button:disabled");
    await page.setOfflineMode(false);
    await page.waitForSelector("[role=alert] + button:enabled");
    await press(page, "Try again");
    await sees(page, "Who is playing?");
    await context.close();
  });

  it("follows the child's card when the teacher renews the link meanwhile", async () => {
    const name = "Kezia O.";
    const { page, context } = await ownPhone();
    let says: Parameters<typeof between>[1] = () => "cut";
    await between(page, () => says());
    const old = await linkOf(name);
    const before = await resultsOf(name);
    await playToTheEnd(page, await cardOf(page, old, "Hallway climb"));
    await sees(page, "Saved on this device.");
    const { changeLink } = await import("../server/homes/links.ts");
    const [row] =
      await sql`select t.id, t.school_id, c.id as child from teacher t join child c on c.school_id = t.school_id where t.email = ${inject("email")} and c.name = ${name}`;
    await changeLink({ teacherId: row!.id, schoolId: row!.school_id }, row!.child, "renew");
    says = () => null;
    // By the old link the server says no, and the device keeps it.
    await page.evaluate(() => dispatchEvent(new Event("online")));
    await new Promise((resolve) => setTimeout(resolve, 1500));
    expect(await resultsOf(name)).toBe(before);
    await page.goto(await linkOf(name), { waitUntil: "networkidle0" });
    await expect.poll(() => resultsOf(name)).toBe(before + 1);
    await page.waitForFunction(() => !document.body.innerText.includes("waits"));
    await context.close();
  });

  itLong("shows why the server refused a go, there and on the family's page", async () => {
    const { page, context } = await ownPhone();
    await between(page, () => ({
      status: 422,
      contentType: "application/json",
      body: JSON.stringify({
        answer: "daring-yard",
        field: "events",
        message: "Number 1 of what happened breaks the rules.",
        final: true,
      }),
    }));
    const link = await linkOf("Rafe J.");
    await playToTheEnd(page, await cardOf(page, link, "Hallway climb"));
    await sees(page, "One go could not be handed in: Number 1 of what happened breaks the rules.");
    await page.goto(link, { waitUntil: "networkidle0" });
    await sees(page, "One go could not be handed in: Number 1 of what happened breaks the rules.");
    await context.close();
  });

  it("goes on without a network on a page that runs only its own scripts", async () => {
    const { page, context } = await ownPhone();
    const wrong: string[] = [];
    page.on("console", (consoleMessage) => {
      if (/Content Security Policy|Refused to/.test(consoleMessage.text())) wrong.push(consoleMessage.text());
    });
    page.on("pageerror", (e) => wrong.push((e as Error).message));
    const card = await cardOf(page, await linkOf("Fenna B."), "Hallway climb");
    await page.goto(card, { waitUntil: "networkidle0" });
    await page.waitForFunction(
      async (path) => (await (await caches.open("cards")).match(path)) !== undefined,
      {},
      new URL(card).pathname,
    );
    const kept = await page.evaluate(async (path) => {
      const answer = (await (await caches.open("cards")).match(path))!;
      return {
        policy: answer.headers.get("content-security-policy"),
        scripts: [...(await answer.text()).matchAll(/<script\b([^>]*)>/g)].map((match) => match[1]!),
      };
    }, new URL(card).pathname);
    expect(kept.policy).toContain("script-src 'self'");
    // One script of the site itself, and the data that it begins with: nothing that runs stands in the page.
    expect(kept.scripts.map((script) => /type="([^"]+)"/.exec(script)?.[1]).sort()).toEqual([
      "application/json",
      "module",
    ]);
    expect(kept.scripts.find((script) => script.includes("module"))).toContain('src="/assets/');
    await page.setOfflineMode(true);
    await page.goto(`${card}?screen=look`, { waitUntil: "load" });
    await beginPlay(page, card);
    expect(await text(page)).toContain("End game");
    await page.setOfflineMode(false);
    expect(wrong).toEqual([]);
    await context.close();
  });
});

describe("data of children", () => {
  it("is kept by no cache and guessed at by no browser, in every form", async () => {
    const page = await teacherPage(browser);
    const link = new URL(await linkOf("Fenna B.")).pathname;
    const [row] = await sql`select a.id from assignment a order by created_at limit 1`;
    const [act] = await sql`select id from activity where deleted_at is null order by updated_at limit 1`;
    const paths = [
      "/week",
      "/week.data",
      "/homes.data",
      "/homes/csv",
      "/things/file?as=csv",
      "/things/file",
      `/results/${row!.id}.data`,
      `/results/${row!.id}/csv`,
      `/activities/${act!.id}/file`,
      `/activities/${act!.id}/plan.svg`,
      link,
      `${link}.data`,
      `${link}/home`,
    ];
    const told = await page.evaluate(
      (all) =>
        Promise.all(
          all.map(async (path) => {
            const response = await fetch(path);
            return [
              path,
              response.status,
              response.headers.get("cache-control"),
              response.headers.get("x-content-type-options"),
            ];
          }),
        ),
      paths,
    );
    expect(told).toEqual(paths.map((path) => [path, 200, "no-store", "nosniff"]));
    const api = await fetch(`${base}/api/hand-in/${link.slice(3)}`, {
      method: "POST",
      body: JSON.stringify({ play: randomUUID() }),
    });
    expect([api.headers.get("cache-control"), api.headers.get("x-content-type-options")]).toEqual([
      "no-store",
      "nosniff",
    ]);
    await page.close();
  });
});

describe("a device that keeps nothing", () => {
  /** Every event that reached the school of a child's newest go, in its order. */
  const arrived = async (name: string) =>
    sql`select e.seq, e.event->>'kind' as kind from play_event e where e.play_id =
      (select p.id from play p join card k on k.id = p.card_id join child c on c.id = k.child_id where c.name = ${name} order by p.received_at desc limit 1) order by e.seq`;
  /** From a moment that a test chooses on, nothing more fits. */
  const fills = (page: Page) =>
    page.evaluateOnNewDocument(() => {
      const add = IDBObjectStore.prototype.add;
      const put = IDBObjectStore.prototype.put;
      const full = () => {
        (window as unknown as { wroteAt?: number }).wroteAt = performance.now();
        if ((window as unknown as { full?: boolean }).full) throw new DOMException("no room", "QuotaExceededError");
      };
      IDBObjectStore.prototype.add = function (...args) {
        full();
        return add.apply(this, args);
      };
      IDBObjectStore.prototype.put = function (...args) {
        full();
        return put.apply(this, args);
      };
    });
  /** Waits until the device has written nothing for a second. It also keeps a note of what the school has. */
  const settled = (page: Page) =>
    page.waitForFunction(() => performance.now() - ((window as unknown as { wroteAt?: number }).wroteAt ?? 0) > 1000);
  const setFull = (page: Page, is: boolean) =>
    page.evaluate((f) => {
      (window as unknown as { full?: boolean }).full = f;
    }, is);

  it("stops the game at once where it is full, goes on where there is room again, and every throw arrives", async () => {
    const { page, context } = await ownPhone();
    await fills(page);
    await beginPlay(page, await cardOf(page, await linkOf("Nuri E."), "Hallway climb"));
    await press(page, "MISS");
    // It is saved after it is shown, so that the device may fill up only then.
    await expect.poll(async () => (await arrived("Nuri E.")).length).toBe(1);
    await settled(page);
    await setFull(page, true);
    await press(page, "MISS");
    await sees(page, "Stop! This device is full.");
    expect(await page.$$("[data-targets], [aria-label='Pause']")).toHaveLength(0);
    await press(page, "Try again");
    await sees(page, "This device is still full.");
    await press(page, "Show a code for your teacher");
    const code = await page.$eval("[data-code]", (element) => element.textContent!);
    expect(code).toMatch(/^([0-9A-Z]{4}-){5}[0-9A-Z]{3}$/);
    await setFull(page, false);
    await press(page, "Try again");
    await page.waitForFunction(() => !document.querySelector("[data-storage-trouble]"));
    await press(page, "MISS");
    await press(page, "End game");
    await handIn(page);
    await expect.poll(async () => (await arrived("Nuri E.")).filter((row) => row.kind === "send").length).toBe(3);
    const all = await arrived("Nuri E.");
    expect(all.map((row) => row.seq)).toEqual(all.map((_, i) => i));
    await context.close();
    // The teacher adds the score by its code: the one go once, however often it is typed.
    const teacher = await teacherPage(browser);
    const [record] =
      await sql`select a.id from assignment a join card k on k.assignment_id = a.id join child c on c.id = k.child_id join card_version v on v.card_id = k.id and v.hash = k.hash
      where c.name = 'Nuri E.' and v.compiled->'activity'->>'title' = 'Hallway climb'`;
    for (const typed of [code, code.toLowerCase()]) {
      await open(teacher, `${base}/results/${record!.id}`);
      await teacher.type("input[name=code]", typed);
      await press(teacher, "Add result");
      await sees(teacher, "The score of Nuri E. was added.");
    }
    expect(
      await sql`select 1 from play p join card k on k.id = p.card_id join child c on c.id = k.child_id where c.name = 'Nuri E.' and p.source = 'paper'`,
    ).toHaveLength(1);
    await open(teacher, `${base}/results/${record!.id}`);
    await teacher.type("input[name=code]", `${code.slice(0, -1)}${code.endsWith("0") ? "4" : "0"}`);
    await press(teacher, "Add result");
    await sees(teacher, "This code has a wrong or missing letter.");
    await teacher.close();
  });

  it("plays on in memory where the family wants to, and the whole go arrives", async () => {
    const { page, context } = await ownPhone();
    await fills(page);
    await beginPlay(page, await cardOf(page, await linkOf("Fenna B."), "Hallway climb"));
    await press(page, "MISS");
    await expect.poll(async () => (await arrived("Fenna B.")).length).toBe(1);
    await settled(page);
    await setFull(page, true);
    await press(page, "MISS");
    await sees(page, "Stop! This device is full.");
    await press(page, "Play on without saving");
    await sees(page, "Nothing is saved here.");
    await press(page, "MISS");
    await press(page, "End game");
    await handIn(page);
    await expect.poll(async () => (await arrived("Fenna B.")).filter((row) => row.kind === "send").length).toBe(3);
    await context.close();
  });

  const blocked = [
    [
      "IndexedDB is blocked",
      () =>
        Object.defineProperty(window, "indexedDB", {
          get: () => {
            throw new DOMException("no", "SecurityError");
          },
        }),
    ],
    [
      "IndexedDB never opens",
      () => {
        IDBFactory.prototype.open = () => new EventTarget() as never;
      },
    ],
    [
      "localStorage is blocked",
      () =>
        Object.defineProperty(window, "localStorage", {
          get: () => {
            throw new DOMException("no", "SecurityError");
          },
        }),
    ],
    [
      "localStorage is full",
      () => {
        Storage.prototype.setItem = () => {
          throw new DOMException("no room", "QuotaExceededError");
        };
      },
    ],
  ] as const;
  it.each(inFull<readonly (typeof blocked)[number][]>(blocked, [blocked[0]]))(
    "%s: the family plays all the same and hands in over the network",
    async (what, block) => {
      const { page, context } = await ownPhone();
      await page.evaluateOnNewDocument(block);
      const name = "Kezia O.";
      const before = await resultsOf(name);
      await playToTheEnd(page, await cardOf(page, await linkOf(name), "Hallway climb"));
      if (what.startsWith("IndexedDB")) expect(await text(page)).toContain("Nothing is saved here.");
      await expect.poll(() => resultsOf(name)).toBe(before + 1);
      if (what.startsWith("IndexedDB")) expect(await text(page)).not.toContain("Saved on this device");
      await context.close();
    },
  );
});
