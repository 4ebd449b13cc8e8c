import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, inject, it } from "vitest";
import { targetName } from "#words/say.ts";
import { type Part, partsOf } from "../core/yard/parts.ts";
import { freePort } from "../scripts/lib/port.mjs";
import { startWeb } from "../scripts/lib/serve.mjs";
import {
  base,
  beginPlay,
  cardOf,
  handIn,
  linkOf,
  open,
  openBrowser,
  owner,
  phone,
  press,
  sees,
  tabs,
  text,
} from "./help.ts";

const browser = tabs();

/** Results of a child for a title, with their event counts. */
async function results(child: string, title: string) {
  const sql = owner();
  try {
    return await sql<
      { play: string; value: number; match: number | null; events: number; stopped: boolean; answers: string[] }[]
    >`
      select r.play_id as play, (r.score->>'match')::int as match, (r.score->>'value')::int as value, (r.score->>'stopped')::bool as stopped, r.reflection->'answers' as answers,
        (select count(*)::int from play_event e where e.play_id = r.play_id) as events
      from result r join card k on k.id = r.card_id join card_version v on v.card_id = k.id and v.hash = k.hash join child c on c.id = k.child_id
      where c.name = ${child} and v.compiled->'activity'->>'title' = ${title} order by r.handed_at`;
  } finally {
    await sql.end();
  }
}

/** What the targets of a child's card are called, in their order. */
async function aimsOf(child: string, title: string): Promise<string[]> {
  const sql = owner();
  try {
    const [row] = await sql<{ parts: Part[] }[]>`
      select v.compiled->'parts' as parts from card k join card_version v on v.card_id = k.id and v.hash = k.hash join child c on c.id = k.child_id
      where c.name = ${child} and v.compiled->'activity'->>'title' = ${title} limit 1`;
    return partsOf(row!.parts, "target").map((target) => targetName(target));
  } finally {
    await sql.end();
  }
}

describe("a family plays", () => {
  it("waits for a grown-up's yes where a thing asks for one", async () => {
    const sql = owner();
    const [row] = await sql<{ name: string }[]>`
      select c.name from card k join card_version v on v.card_id = k.id and v.hash = k.hash join child c on c.id = k.child_id join assignment a on a.id = k.assignment_id
      where (v.compiled->>'grownUp')::bool and v.compiled->'activity'->>'title' = 'Hallway climb' and a.closes_at > now() limit 1`;
    await sql.end();
    const page = await phone(browser);
    const card = await cardOf(page, await linkOf(row!.name), "Hallway climb");
    await open(page, `${card}?screen=play`);
    await sees(page, "A grown-up must say yes first.");
    await page.close();
  });

  it("goes from the private link through all five screens, and the result arrives once", async () => {
    const link = await linkOf("Ilse P.");
    const page = await phone(browser);
    const card = await cardOf(page, link, "Hallway climb");
    await open(page, card);
    await sees(page, "Get these ready");
    const have = "input[aria-label^='To roll, I have it: sock ball']";
    await page.$eval(have, (input) => (input as HTMLElement).click());
    expect(await page.$eval(have, (input) => (input as HTMLInputElement).checked)).toBe(true);
    await press(page, "Next: Set up");
    await sees(page, "Put a line on the floor.");
    await press(page, "Next");
    await sees(page, /of your steps \(\d\.\d m\)/);
    await press(page, "Next: Safety check");
    await open(page, `${card}?screen=play`);
    await sees(page, "Tick them all, then play.");
    await beginPlay(page, card);
    const aims = await aimsOf("Ilse P.", "Hallway climb");
    await sees(page, `Roll it at the ${aims[0]}.`);
    await press(page, "HIT");
    await sees(page, `Roll it at the ${aims[1]}.`);
    await press(page, "MISS");
    await press(page, "Undo");
    await press(page, "Hit another target");
    await press(page, aims[2]!);
    await sees(page, `Roll it at the ${aims[1]}.`);
    await page.keyboard.press("ArrowLeft");
    await sees(page, "2 + 3 = 5");
    await press(page, "Change a roll");
    await press(page, `1. hit ${aims[0]}`);
    await press(page, "MISS");
    await sees(page, `Roll it at the ${aims[0]}.`);
    for (const _ of [1, 2, 3, 4, 5]) await press(page, "HIT");
    await sees(page, "You reached the top!");
    await handIn(page);
    await sees(page, "Handed in. Well played!");
    const [row, ...more] = await results("Ilse P.", "Hallway climb");
    expect(more).toEqual([]);
    expect(row).toMatchObject({ value: 20, stopped: false });
    // The device clears its own after the receipt.
    const left = await page.evaluate(async () => {
      const db: IDBDatabase = await new Promise((done) => {
        const iDBOpenDBRequest = indexedDB.open("daring-yard");
        iDBOpenDBRequest.onsuccess = () => done(iDBOpenDBRequest.result);
      });
      return new Promise<number>((done) => {
        const iDBRequest = db.transaction("events").objectStore("events").count();
        iDBRequest.onsuccess = () => done(iDBRequest.result);
      });
    });
    expect(left).toBe(0);
    await page.close();
  });

  it("plays Bands for two, with the sum of the round, a moved piece and a winner", async () => {
    const page = await phone(browser);
    const card = await cardOf(page, await linkOf("Ilse P."), "Stop on the step");
    await beginPlay(page, card, 2, "Head to head");
    await sees(page, "Ilse, your turn.");
    const zone = (points: number) => press(page, `${points} points`);
    for (const chance of [6, 2, 4, 2, 4, 2]) await zone(chance);
    await sees(page, "All pieces are down. Count the round.");
    await press(page, "A piece moved");
    await press(page, "Piece 1, Ilse");
    await zone(4);
    await press(page, "Count");
    await sees(page, "12 - 6 = 6");
    for (let round = 2; round <= 5; round++) {
      for (const chance of [4, 2, 4, 2, 4, 2]) await zone(chance);
      await press(page, "Count");
    }
    await sees(page, "Ilse wins!");
    await handIn(page);
    await sees(page, "Handed in. Well played!");
    await sees(page, "You got 30 points.");
    expect((await results("Ilse P.", "Stop on the step")).at(-1)).toMatchObject({ value: 60, match: 30 });
    await page.close();
  });

  it("goes on when the network is cut, hands in later, once; and opens cold without a network", async () => {
    const name = "Kezia O.";
    const before = (await results(name, "Hallway climb")).length;
    const context = await browser.createBrowserContext();
    const page = await context.newPage();
    await page.setViewport({ width: 390, height: 844 });
    const card = await cardOf(page, await linkOf(name), "Hallway climb");
    await open(page, card);
    await page.waitForFunction(
      async (url) => (await (await caches.open("cards")).match(url)) !== undefined,
      {},
      new URL(card).pathname,
    );
    await beginPlay(page, card);
    await press(page, "HIT");
    await sees(page, "Roll 2 of 16");
    await page.setOfflineMode(true);
    for (const _ of [1, 2]) await press(page, "MISS");
    for (const _ of [1, 2, 3, 4]) await press(page, "HIT");
    await sees(page, "You reached the top!");
    await handIn(page);
    await sees(page, "Saved on this device.");
    expect((await results(name, "Hallway climb")).length).toBe(before);
    await page.close();
    // The browser is opened again, still without a network: the page comes from the device.
    const again = await context.newPage();
    await again.setOfflineMode(true);
    await again.goto(card, { waitUntil: "load" });
    await sees(again, "Get these ready");
    await again.setOfflineMode(false);
    await again.evaluate(() => dispatchEvent(new Event("online")));
    await expect.poll(async () => (await results(name, "Hallway climb")).length).toBe(before + 1);
    expect((await results(name, "Hallway climb")).at(-1)).toMatchObject({ value: 20, events: 7 });
    await context.close();
  });

  it("outlives the server: killed in the middle of a play and started again", async () => {
    const port = await freePort();
    const env = inject("webEnv");
    let web = await startWeb({ port, env });
    const name = "Lorcan T.";
    const link = (await linkOf(name)).replace(base, web.url);
    const before = (await results(name, "Hallway climb")).length;
    const page = await phone(browser);
    const card = await cardOf(page, link, "Hallway climb");
    await beginPlay(page, card);
    const aims = await aimsOf(name, "Hallway climb");
    await press(page, "HIT");
    await sees(page, `Roll it at the ${aims[1]}.`);
    web.child.kill("SIGKILL");
    await press(page, "HIT");
    await sees(page, `Roll it at the ${aims[2]}.`);
    for (const _ of [1, 2, 3]) await press(page, "HIT");
    await handIn(page);
    await sees(page, "Saved on this device.");
    web = await startWeb({ port, env });
    await page.evaluate(() => dispatchEvent(new Event("online")));
    await sees(page, "Handed in. Well played!");
    const all = await results(name, "Hallway climb");
    expect(all.length).toBe(before + 1);
    expect(all.at(-1)).toMatchObject({ value: 20, events: 5 });
    await page.close();
    await web.stop();
  });

  it("carries on after the browser was closed in the middle", async () => {
    const profile = mkdtempSync(join(tmpdir(), "yard-profile-"));
    const link = await linkOf("Vesna I.");
    const first = await openBrowser({ profile });
    const one = await phone(first.browser);
    const card = await cardOf(one, link, "Hallway climb");
    await beginPlay(one, card);
    await press(one, "HIT");
    await press(one, "HIT");
    await sees(one, "Roll 3 of 16");
    // A tap is on the disk a moment after it is seen.
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await first.close();
    const second = await openBrowser({ profile });
    const two = await phone(second.browser);
    await open(two, card);
    await sees(two, "Your game is saved on this device.");
    await press(two, "Carry on with your game");
    await sees(two, "Roll 3 of 16");
    await sees(two, "2 + 3 = 5");
    await press(two, "End game");
    await handIn(two);
    await sees(two, "Handed in. Well played!");
    expect((await results("Vesna I.", "Hallway climb")).at(-1)).toMatchObject({ value: 5, stopped: true });
    await second.close();
    rmSync(profile, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 });
  });

  it("prints a card on one sheet, A4 or Letter, with the plan to scale and a ruler, and works without a script", async () => {
    const page = await browser.newPage();
    await page.setJavaScriptEnabled(false);
    const link = await linkOf("Ilse P.");
    for (const title of ["Hallway climb", "Stop on the step"]) {
      const card = await cardOf(page, link, title);
      await page.goto(`${card}/sheet`, { waitUntil: "load" });
      const said = await text(page);
      expect(said).toMatch(/1 cm here is \d+ cm at home\./);
      expect(said).toContain("School rules and your care plan come first.");
      expect(said).toContain("My goes");
      const ruler = await page.$eval("footer svg", (element) => element.getBoundingClientRect().width);
      expect((ruler / 96) * 25.4).toBeCloseTo(172, 0);
      for (const format of ["A4", "Letter"] as const) {
        const pdf = Buffer.from(await page.pdf({ format, preferCSSPageSize: false })).toString("latin1");
        expect(pdf.match(/\/Type\s*\/Page[^s]/g), `${title} ${format}`).toHaveLength(1);
      }
    }
    await page.close();
  });

  it("tells a second tab that the game is open already", async () => {
    const link = await linkOf("Wren H.");
    const one = await phone(browser);
    const card = await cardOf(one, link, "Hallway climb");
    await beginPlay(one, card);
    const two = await phone(browser);
    await open(two, `${card}?screen=play`);
    await sees(two, "This game is open in another tab.");
    await one.close();
    // The browser frees what a closed tab held a moment later.
    await expect
      .poll(
        async () => {
          if (await two.$("main [role=alert]")) await press(two, "Try again");
          return text(two);
        },
        { interval: 500 },
      )
      .toContain("Roll 1 of 16");
    await two.close();
  });
});

describe("a link that does not open", () => {
  it("says so: unknown, withdrawn, closed", async () => {
    const page = await phone(browser);
    const unknown = await page.goto(`${base}/f/${"A".repeat(22)}.${"B".repeat(22)}`);
    expect(unknown?.status()).toBe(404);
    await sees(page, "This link does not work.");
    const sql = owner();
    const link = await linkOf("Umar Z.");
    await sql`update link set version = version + 1 where child_id = (select id from child where name = 'Umar Z.')`;
    const gone = await page.goto(link);
    expect(gone?.status()).toBe(410);
    await sees(page, "This link is off.");
    await open(page, await linkOf("Umar Z."));
    await sees(page, "Umar's games");
    const closed = await cardOf(page, await linkOf("Greta S."), "Stop on the step");
    await open(page, closed);
    await sees(page, "This game is closed.");
    expect(await text(page)).toContain("Ask your teacher");
    await sql.end();
    await page.close();
  });
});
