import type { Page } from "puppeteer-core";
import { describe, expect, it } from "vitest";
import { type Activity, fromPattern } from "../core/formats/activity.ts";
import { inFull } from "../core/sample-size.test-utils.ts";
import { cardOf, handIn, keptOf, linkOf, changed as of, playing as play, press, sees, tabs, title } from "./help.ts";

const browser = tabs();
const playing = (
  child: string,
  activity: Activity,
  ...more: [players?: number, mode?: string, choose?: (page: Page) => Promise<void>]
) => play(browser, child, activity, ...more);
const game = (name: Parameters<typeof fromPattern>[0], params: Record<string, unknown> = {}) =>
  of(fromPattern(name), title(), params);

/** A round of keeping something up, so many seconds long. */
const keepUp = (seconds: number) => ({ task: "keepUp", seconds, rest: 0, hand: "usual", moving: false, bounce: false });

/** Taps the middle of a button twice, as a thumb does that trembles. */
async function twice(page: Page, selector: string): Promise<void> {
  const button = await page.waitForSelector(selector);
  const { x, y, width, height } = (await button!.boundingBox())!;
  const at = [x + width / 2, y + height / 2] as const;
  await page.mouse.click(...at);
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 60))));
  await page.mouse.click(...at);
}
const says = (page: Page) => page.$eval("[data-heard]", (element) => element.textContent ?? "");
/** What is under the middle of a place now. */
const under = (page: Page, at: { x: number; y: number }) =>
  page.evaluate(({ x, y }) => {
    const on = document.elementFromPoint(x, y)?.closest("button");
    return on && !on.disabled && on.getAttribute("aria-disabled") !== "true" ? on.textContent : null;
  }, at);
const middle = async (page: Page, selector: string) => {
  const boundingBox = (await (await page.waitForSelector(selector))!.boundingBox())!;
  return { x: boundingBox.x + boundingBox.width / 2, y: boundingBox.y + boundingBox.height / 2 };
};

describe("a tap", () => {
  it("on what has just changed does nothing; slower, it is what it says", async () => {
    const page = await playing("Suri V.", game("threeLine"));
    await twice(page, "button[aria-label='Square 1']");
    await sees(page, "Throw 2");
    await page.waitForSelector("button[aria-label='Square 1, taken'][aria-disabled=true]");
    // Where a piece lies already it is asked for beside the squares.
    await press(page, "In a taken square");
    await page.click("button[aria-label='Square 1, taken']");
    await sees(page, "Throw 3");
    await page.close();
  });

  it("never brings the next thing to do under the thumb", async () => {
    const pins = await playing("Caspian L.", game("pins"));
    await pins.click("input[type=checkbox]");
    await sees(pins, "1 fell");
    const told = await middle(pins, "::-p-text(1 fell)");
    await press(pins, "1 fell");
    await sees(pins, "Tap the ones that fell");
    expect(await under(pins, told)).toBeNull();
    await pins.close();

    const bands = await playing("Quill F.", game("bands", { pieces: 1 }));
    const far = await middle(bands, "[role=group] button");
    await bands.mouse.click(far.x, far.y);
    await sees(bands, "Count");
    expect(await under(bands, far)).toBeNull();
    await bands.close();

    const tally = await playing("Dao N.", game("tally", { rounds: [keepUp(60)] }));
    const start = await middle(tally, "::-p-text(Start)");
    await tally.mouse.click(start.x, start.y);
    await sees(tally, "Start now");
    expect(await under(tally, start)).toBeNull();
    await tally.close();
  });
});

describe("what is told", () => {
  it("is read out each time, the same sentence too", async () => {
    const page = await playing("Suri V.", game("speller"));
    const heard: string[] = [];
    for (let i = 0; i < 3; i++) {
      await press(page, "MISS");
      await page.waitForFunction(
        (old) => document.querySelector("[data-heard]")?.textContent !== old,
        {},
        heard.at(-1) ?? "",
      );
      heard.push(await says(page));
    }
    expect(heard.map((hash) => hash.trim()).every((hash) => hash.startsWith("missed"))).toBe(true);
    await page.close();
  });
});

describe("the clock of a game", () => {
  it("does not follow the device's: set back or ahead, it goes on as before", async () => {
    const page = await playing("Dao N.", game("tally", { rounds: [keepUp(30)] }));
    await press(page, "Start");
    await press(page, "Start now");
    await sees(page, /0:2[0-9]/);
    const set = (by: number) =>
      page.evaluate((by) => {
        const real = Date.now.bind(Date);
        Date.now = () => real() + by;
      }, by);
    await set(2 * 3_600_000);
    await sees(page, /0:2[0-7]/);
    await set(-5 * 3_600_000);
    await sees(page, /0:1[0-9]/);
    await sees(page, "Time is up!", 60_000);
    await page.close();
  });

  it("a start two days ahead is marked, and does not put the go into the future", async () => {
    const name = title();
    const page = await play(
      browser,
      "Wren H.",
      of(fromPattern("climb"), name, { tries: 1 }),
      1,
      undefined,
      (givenPage) =>
        givenPage.evaluate(() => {
          const real = Date.now.bind(Date);
          Date.now = () => real() + 2 * 86_400_000;
        }),
    );
    await press(page, "MISS");
    await handIn(page);
    await sees(page, "You got 0 points.");
    const kept = await keptOf(name);
    expect(kept).toMatchObject({ clock_doubt: true });
    expect(new Date(kept!.started_at as string).getTime()).toBeLessThanOrEqual(Date.now() + 60_000);
    await page.close();
  });
});

describe("what is kept for when the network is gone", () => {
  it("is the opened card and its game before anything else, and in the end all of it", async () => {
    const other = await browser.newPage();
    const card = await cardOf(other, await linkOf("Idris M."), "Hallway climb");
    await other.close();
    // A device that has never been here.
    const context = await browser.createBrowserContext();
    const page = await context.newPage();
    await page.goto(card, { waitUntil: "load" });
    const path = new URL(card).pathname;
    await page.waitForFunction(
      async (eachPath) => (await (await caches.open("cards")).match(eachPath)) !== undefined,
      {},
      path,
    );
    const first = await page.evaluate(async () => {
      const kept = new Set((await (await caches.open("assets")).keys()).map((key) => new URL(key.url).pathname));
      const needs = performance
        .getEntriesByType("resource")
        .map((performanceEntry) => new URL(performanceEntry.name).pathname)
        .filter((eachPath) => eachPath.startsWith("/assets/") && eachPath.endsWith(".js"));
      return {
        missing: needs.filter((need) => !kept.has(need)),
        game: needs.some((need) => /\/climb-[^/]*\.js$/.test(need)),
      };
    });
    expect(first).toEqual({ missing: [], game: true });
    // Every other game follows.
    await page.waitForFunction(async () =>
      ["bands", "closest", "speller", "swap-square"].every(
        (
          (kept) => (name: string) =>
            kept.some((url) => url.includes(`/assets/${name}-`))
        )((await (await caches.open("assets")).keys()).map((key) => key.url)),
      ),
    );
    await context.close();
  });
});

/** One thing after the other. */
async function inTurn(...steps: (() => Promise<unknown>)[]): Promise<void> {
  for (const step of steps) await step();
}

/** What of the play screen cannot be reached without scrolling, by its words. */
const outOfSight = (page: Page, only: string) =>
  page.$$eval(only, (all) =>
    all
      .map(
        (element) =>
          [element.textContent || element.getAttribute("aria-label") || "", element.getBoundingClientRect()] as const,
      )
      .filter(
        ([, dOMRect]) =>
          dOMRect.height > 0 &&
          (dOMRect.bottom > innerHeight + 1 || dOMRect.right > innerWidth + 1 || dOMRect.left < -1),
      )
      .map(([text]) => text),
  );

describe("on a small phone, and with large letters", () => {
  const sizes = [
    [360, 640, 100],
    [320, 568, 100],
    [640, 360, 100],
    [390, 844, 130],
    [390, 844, 200],
  ] as const;
  const zone = "[role=group] button";
  const states: [string, () => Activity, (page: Page) => Promise<void>][] = [
    [
      "bands",
      () => game("bands"),
      (page) =>
        inTurn(
          () => page.click(zone),
          () => page.click(zone),
        ),
    ],
    [
      "threeLine",
      () => game("threeLine"),
      (page) =>
        inTurn(
          () => page.click("[aria-label='Square 1']"),
          () => page.click("[aria-label='Square 2']"),
        ),
    ],
    ["closest", () => game("closest"), async (page) => press(page, "It stopped between the lines")],
    ["swapSquare", () => game("swapSquare"), async () => undefined],
    [
      "swapSquare mixed",
      () => game("swapSquare"),
      (page) =>
        inTurn(
          () => press(page, "Shuffle it for me"),
          () => sees(page, "Lay your items"),
        ),
    ],
    ["pins", () => game("pins"), async () => undefined],
    ["tally", () => game("tally", { rounds: [keepUp(60)] }), (page) => press(page, "Start")],
    ["checklist", () => game("checklist"), async () => undefined],
    ["speller", () => game("speller"), async () => undefined],
    ["sweep", () => game("sweep"), async () => undefined],
    ["board", () => game("board"), async () => undefined],
    ["climb", () => game("climb"), async () => undefined],
  ];
  it("what takes back, mends and stops is in sight, and so are what is tapped and the score", async () => {
    const wrong: string[] = [];
    for (const [name, activity, first] of inFull(
      states,
      states.filter((_, i) => i % 3 === 0),
    )) {
      const page = await playing("Suri V.", activity());
      await first(page);
      for (const [width, height, letters] of sizes) {
        await page.setViewport({ width, height, isMobile: true, hasTouch: true });
        await page.evaluate((letters) => {
          document.documentElement.style.fontSize = `${letters}%`;
          scrollTo(0, 0);
        }, letters);
        await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 150))));
        const hidden = await outOfSight(
          page,
          letters > 130
            ? "main h1, main [data-score], main [data-steady] button"
            : "main button, main h1, main label, main [data-score]",
        );
        const first = await page.$$eval("main button, main [role=slider]", (all) => {
          const tapped = all.filter(
            (element) => !element.closest("[data-steady]") && !element.matches("[aria-label=Pause]"),
          );
          const edge = document.querySelector("[data-steady]")!.getBoundingClientRect().top;
          return tapped
            .map((element) => element.getBoundingClientRect())
            .some((dOMRect) => dOMRect.height > 0 && dOMRect.top < edge - 24);
        });
        if (!first) hidden.push("everything that is tapped");
        if (hidden.length > 0) wrong.push(`${name} ${width}x${height} ${letters}%: ${hidden.join(" | ")}`);
      }
      await page.close();
    }
    expect(wrong).toEqual([]);
  });
});
