import { randomUUID } from "node:crypto";
import postgres from "postgres";
import type { Browser, ElementHandle, Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, beforeEach, expect, inject, it } from "vitest";
import type { Activity } from "../core/formats/activity.ts";
import { open, PATIENCE, press, ready, signIn, openBrowser as startBrowser, tapOnce } from "../scripts/lib/browser.mjs";

export { open, press, ready, tapOnce };

/** A test of one more case of what others cover, or of an operation that seldom changes: only in `npm run test:long`. */
export const itLong = it.runIf(process.env.YARD_LONG);

/** Where tabs are opened. */
export type Tabs = Pick<Browser, "newPage" | "createBrowserContext">;
let shared: ReturnType<typeof startBrowser> | null = null;
/**
 * Tabs of their own, that know of no others: nobody is signed in, nothing is kept. The browser around them is one for all files of a run; with a
 * profile or flags it is one more.
 */
export async function openBrowser(
  own?: Parameters<typeof startBrowser>[0],
): Promise<{ browser: Tabs; close: () => Promise<void> }> {
  if (own) return startBrowser(own);
  shared ??= startBrowser();
  const { browser } = await shared;
  const context = await browser.createBrowserContext();
  return {
    browser: { newPage: () => context.newPage(), createBrowserContext: () => browser.createBrowserContext() },
    close: () => context.close(),
  };
}
/** Tabs for all tests of a file, and what the server's own code needs where a test calls it; those that a failing test leaves open are closed. */
export function tabs(): Tabs {
  let opened: Awaited<ReturnType<typeof openBrowser>>;
  let since: Page[] = [];
  beforeAll(async () => {
    Object.assign(process.env, inject("webEnv"));
    opened = await openBrowser();
  });
  beforeEach(() => {
    since = [];
  });
  afterEach(async ({ task }) => {
    if (task.result?.state === "fail") await Promise.all(since.map((page) => page.close().catch(() => undefined)));
  });
  afterAll(() => opened.close());
  return {
    newPage: async () => {
      const page = await opened.browser.newPage();
      since.push(page);
      return page;
    },
    createBrowserContext: () => opened.browser.createBrowserContext(),
  };
}
export const base = inject("base");
export const family = inject("family");

/** The database as its owner, for what a test has to look up or bring about behind the application's back. */
export const owner = () => postgres(inject("ownerUrl"), { max: 1, onnotice: () => undefined });

/** Signs in without a browser: the cookie to send with each request. */
export async function signedIn(url: string, { email, password }: { email: string; password: string }): Promise<string> {
  const answer = await fetch(`${url}/sign-in`, {
    method: "POST",
    redirect: "manual",
    headers: { "Content-Type": "application/x-www-form-urlencoded", Origin: url },
    body: new URLSearchParams({ email, password }),
  });
  return answer.headers
    .getSetCookie()
    .map((eachText) => eachText.split(";")[0])
    .join("; ");
}

export async function teacherPage(browser: Tabs, at = base): Promise<Page> {
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await signIn(page, at, inject("email"), inject("password"));
  return page;
}

export async function phone(browser: Tabs): Promise<Page> {
  const page = await browser.newPage();
  await page.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true });
  return page;
}

/** Opens a menu by its name and presses an entry. */
export async function choose(page: Page, menu: string, entry: string): Promise<void> {
  await press(page, menu);
  await (await page.waitForSelector(`[role=menuitem] ::-p-text(${entry})`))!.click();
}

/** The demo school's teacher, as the server's own code asks for them. */
export async function demoTeacher(): Promise<{ teacherId: string; schoolId: string }> {
  const sql = owner();
  const [row] = await sql`select id, school_id from teacher where email = ${inject("email")}`;
  await sql.end();
  return { teacherId: row!.id, schoolId: row!.school_id };
}

export const text = (page: Page, selector = "body"): Promise<string> =>
  page.$eval(selector, (element) => (element as HTMLElement).innerText);

export async function sees(page: Page, words: string | RegExp, timeout = PATIENCE): Promise<void> {
  const [source, flags] =
    typeof words === "string" ? [words.replace(/[.*+?^${}()|[\]\\]/g, "\\$&"), ""] : [words.source, words.flags];
  try {
    await page.waitForFunction(
      (eachText, field) => new RegExp(eachText, field).test(document.body.innerText),
      { timeout, polling: 100 },
      source,
      flags,
    );
  } catch {
    throw new Error(`"${words}" did not appear. The page says:\n${(await text(page)).slice(0, 2000)}`);
  }
}

/** The address of a child's card by its title, from the child's private page. */
export async function cardOf(page: Page, link: string, title: string): Promise<string> {
  await open(page, link);
  const path = await page.$$eval(
    "main a[href*='/f/']",
    // Its picture may have letters on its cards.
    (as, words) =>
      as
        .find((eachLink) =>
          [...eachLink.querySelectorAll("*")].some(
            (element) => element instanceof HTMLElement && element.textContent?.startsWith(words),
          ),
        )
        ?.getAttribute("href"),
    title,
  );
  if (!path) throw new Error(`no card called ${title}`);
  return new URL(path, link).href;
}

/** From the first screen of a card to the first send, alone, as a family would. */
export async function beginPlay(
  page: Page,
  card: string,
  players = 1,
  mode?: string,
  choose?: (page: Page) => Promise<void>,
): Promise<void> {
  await open(page, `${card}?screen=look`);
  for (const box of await page.$$("input[type=checkbox]:not(:checked)")) await box.click();
  await press(page, "Next: Play");
  await sees(page, "Who is playing?");
  if (players > 1) await press(page, String(players));
  if (mode) await press(page, mode);
  if (choose) await choose(page);
  await press(page, "Play");
  await page.waitForFunction(
    () => document.querySelector("main h1") && !document.body.innerText.includes("Who is playing?"),
  );
  // Keys are listened to once the screen has been drawn.
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 250))));
}

export async function handIn(page: Page): Promise<void> {
  await press(page, "Hand in");
  await sees(page, "How did it feel?");
  await press(page, "Hand in");
  // Kept on the device: from here on it follows itself.
  await page.waitForFunction(() => !document.body.innerText.includes("How did it feel?"));
}

/** A private link of any child of a class, straight from the database: `name` and its address. */
export async function linkOf(name: string): Promise<string> {
  const sql = owner();
  try {
    const [row] =
      await sql`select l.id, l.version from link l join child c on c.id = l.child_id where c.name = ${name}`;
    const { createHmac } = await import("node:crypto");
    const check = createHmac("sha256", inject("webEnv").YARD_SECRET!)
      .update(`link ${row!.id} ${row!.version}`)
      .digest()
      .subarray(0, 16)
      .toString("base64url");
    return `${base}/f/${Buffer.from(row!.id.replaceAll("-", ""), "hex").toString("base64url")}.${check}`;
  } finally {
    await sql.end();
  }
}

export async function retype(field: ElementHandle<Element>, value: string): Promise<void> {
  await field.click({ count: 3 });
  await field.press("Backspace");
  await field.type(value);
}

/** An activity of a pattern with other parameters and another match. */
export const changed = (activity: Activity, title: string, change: object, match: object = {}): Activity =>
  ({
    ...activity,
    title,
    pattern: { ...activity.pattern, params: { ...(activity.pattern.params as object), ...change } },
    match: { ...activity.match, ...match },
  }) as Activity;

/** Sends an activity to one child of Heron class, and opens it there, to the first send. */
export async function playing(
  browser: Tabs,
  child: string,
  activity: Activity,
  players = 1,
  mode?: string,
  choose?: (page: Page) => Promise<void>,
) {
  const { page, card } = await sentTo(browser, child, activity);
  await beginPlay(page, card, players, mode, choose);
  return page;
}
/** Sends an activity to children of Heron class: what was sent, by its id. */
export async function sending(children: readonly string[], activity: Activity): Promise<string> {
  const { addActivity } = await import("../server/activities/activities.ts");
  const { sendActivity } = await import("../server/assignments/send.ts");
  const sql = owner();
  const [row] =
    await sql`select t.id, t.school_id, c.id as class from teacher t join class c on c.school_id = t.school_id where t.email = ${inject("email")} and c.name = 'Heron class'`;
  const kids = await sql`select k.id from child k where k.class_id = ${row!.class} and k.name = any(${[...children]})`;
  await sql.end();
  const who = { teacherId: row!.id, schoolId: row!.school_id };
  const id = await addActivity(who, activity);
  const sent = await sendActivity(who, id, {
    orderId: randomUUID(),
    classId: row!.class,
    opensAt: new Date(Date.now() - 60_000),
    closesAt: new Date(Date.now() + 3_600_000),
    tries: 3,
    mark: null,
    children: kids.map((kid) => kid.id),
  });
  return sent;
}
/** A page whose browser has no service worker, so that nothing is kept for later. */
export const keepNothing = (page: Page) =>
  page.evaluateOnNewDocument(() => {
    Reflect.deleteProperty(Navigator.prototype, "serviceWorker");
  });
/**
 * Sends an activity to one child of Heron class: a phone, and the address of the card. The phone keeps no pages for later, which would be
 * fetched beside the game; tests about the network open phones of their own.
 */
export async function sentTo(browser: Tabs, child: string, activity: Activity) {
  const sent = await sending([child], activity);
  const sql = owner();
  const [row] =
    await sql`select k.id from card k join child c on c.id = k.child_id where k.assignment_id = ${sent} and c.name = ${child}`;
  await sql.end();
  const page = await phone(browser);
  await keepNothing(page);
  return { page, card: `${await linkOf(child)}/${row!.id}` };
}
/** The score that reached the school; it follows itself, a moment after the family sees its own. */
export async function keptOf(name: string) {
  const sql = owner();
  const rows = () => sql`
    select r.score, r.reflection, p.started_at, p.clock_doubt from result r join play p on p.id = r.play_id
    join card k on k.id = r.card_id join card_version v on v.card_id = k.id and v.hash = k.hash
    where v.compiled->'activity'->>'title' = ${name}`;
  await expect.poll(async () => (await rows()).length).toBe(1);
  const [kept] = await rows();
  await sql.end();
  return kept;
}
/** A title that no other test uses. */
export const title = () => `Game ${randomUUID().slice(0, 6)}`;

/**
 * Takes something by its middle (or `down` pixels under its top) and drags it so many pixels. It is taken hold of once it lies under the
 * pointer: what is still moving into its place when it is measured is measured again.
 */
export async function drag(
  page: Page,
  selector: string,
  { dx, dy, down }: { dx: number; dy: number; down?: number | undefined },
): Promise<void> {
  const handle = (await page.waitForSelector(selector))!;
  await handle.evaluate((element) => element.scrollIntoView({ block: "center" }));
  let [x, y] = [0, 0];
  await expect
    .poll(async () => {
      const box = (await handle.boundingBox())!;
      [x, y] = [box.x + box.width / 2, box.y + (down ?? box.height / 2)];
      await page.mouse.move(x, y);
      return handle.evaluate(
        (element, px, py) => (element.closest("g") ?? element).contains(document.elementFromPoint(px, py)),
        x,
        y,
      );
    })
    .toBe(true);
  await page.mouse.down();
  await page.mouse.move(x + dx, y + dy, { steps: 6 });
  await page.mouse.up();
}
