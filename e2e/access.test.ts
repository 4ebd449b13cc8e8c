import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import type { Page } from "puppeteer-core";
import { describe, expect, it } from "vitest";
import { fromPattern } from "../core/formats/activity.ts";
import { base, cardOf, linkOf, open, owner, phone, sending, tabs, teacherPage, title } from "./help.ts";

const axe = readFileSync(createRequire(import.meta.url).resolve("axe-core/axe.min.js"), "utf8");
const browser = tabs();

const ALL = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"];
async function faults(page: Page, rules: readonly string[], within: string): Promise<string[]> {
  return page.evaluate(
    async (rules, within) => {
      const run = (
        window as unknown as {
          axe: {
            run: (
              within: string,
              o: object,
            ) => Promise<{ violations: { id: string; nodes: { target: string[]; failureSummary: string }[] }[] }>;
          };
        }
      ).axe.run;
      const { violations } = await run(within, { runOnly: rules, resultTypes: ["violations"], preload: false });
      return violations.map(
        (violation) =>
          `${violation.id}: ${violation.nodes
            .map((node) => `${node.target.join(" ")} (${node.failureSummary.split("\n").slice(1, 2).join("").trim()})`)
            .slice(0, 4)
            .join("; ")}`,
      );
    },
    rules,
    within,
  );
}

/** Throws with every fault in full. */
function fails(where: string, told: readonly string[]): void {
  expect(told.length, `${where}\n${told.join("\n")}`).toBe(0);
}

/** A page, or a part of it, in the light theme, and its colours in the dark one: nothing else differs. */
async function inBoth(page: Page, where: string, within = "html"): Promise<void> {
  await page.evaluate(axe);
  for (const [value, rules] of [
    ["light", ALL],
    ["dark", ["color-contrast"]],
  ] as const) {
    await page.emulateMediaFeatures([{ name: "prefers-color-scheme", value }]);
    fails(`${where} (${value})`, await faults(page, rules, within));
  }
}

/** How long charts may take to be drawn again at another width, milliseconds. */
const REDRAWN = 30_000;

/** At a width that is less than it was drawn for nothing of a page is beyond its sides, once it is drawn again. */
async function fitsIn(page: Page, width: number, where: string): Promise<void> {
  const usual = page.viewport()!;
  await page.setViewport({ ...usual, width });
  await page.waitForFunction((w) => innerWidth === w, {}, width);
  const fits = (width: number) => document.documentElement.scrollWidth <= width;
  await page.waitForFunction(fits, { timeout: REDRAWN }, width).catch(() => {});
  expect(await page.evaluate(() => document.documentElement.scrollWidth), where).toBeLessThanOrEqual(width);
  await page.setViewport(usual);
}

describe("accessible, light and dark, and nothing scrolls sideways", () => {
  it("teacher's pages", async () => {
    // Thirty sheets are one sheet thirty times: three of them say as much.
    const few = await sending(["Kezia O.", "Lorcan T.", "Quill F."], { ...fromPattern("climb"), title: title() });
    const page = await teacherPage(browser);
    const sql = owner();
    const [row] = await sql`select id from activity where document->>'title' = 'Hallway climb' limit 1`;
    const [record] = await sql`select id, class_id from assignment limit 1`;
    const [k] =
      await sql`select c.id from child c join class s on s.id = c.class_id where s.name = 'Heron class' limit 1`;
    await sql.end();
    for (const path of [
      "/week",
      "/activities",
      "/homes",
      `/homes/${k!.id}`,
      `/homes/${k!.id}?part=space`,
      "/homes/import",
      "/things",
      "/things/new",
      "/things/bucket",
      "/results",
      "/outbox",
      "/settings",
      "/how",
      "/guide",
      `/classes/${record!.class_id}/links`,
      `/classes/${record!.class_id}/truth`,
      `/children/${k!.id}`,
      `/children/${k!.id}/card?support+nearer=on&support+callFirst=on`,
      `/results/${record!.id}/next`,
      `/results/${record!.id}`,
      `/results/${record!.id}?tab=children`,
      `/results/${record!.id}?tab=targets`,
      `/results/${record!.id}?tab=criteria`,
      `/results/${record!.id}?tab=answers`,
      `/results/${few}/sheets`,
      `/activities/${row!.id}/rehearsal`,
    ]) {
      await open(page, base + path);
      await inBoth(page, path);
      // A sheet of paper is as wide as it is.
      if (!/sheets$|\/card/.test(path)) await fitsIn(page, 320, path);
    }
    await page.close();
  });

  it("every component in every state", async () => {
    const page = await teacherPage(browser);
    await open(page, `${base}/gallery`);
    await inBoth(page, "gallery");
    await fitsIn(page, 320, "gallery");
    // What opens over the page is looked at while it is open.
    await page.click("[aria-label='Actions for an example']");
    await page.waitForSelector("[role=menu]");
    await inBoth(page, "menu", "[role=menu]");
    await page.keyboard.press("Escape");
    await page.click("[aria-label='About this example']");
    await page.waitForSelector("[role=dialog]");
    await inBoth(page, "explanation", "[role=dialog]");
    await page.keyboard.press("Escape");
    await page.click("main button ::-p-text(Say something)");
    await page.waitForSelector("[aria-label='Undo the example']");
    await inBoth(page, "message", "[role=region]");
    await page.click("section[aria-label=Fields] button[aria-haspopup=dialog]");
    await page.waitForSelector(".month");
    await inBoth(page, "month", "[role=dialog]");
    await page.close();
  });

  it("components by keyboard alone", async () => {
    const page = await teacherPage(browser);
    await open(page, `${base}/gallery`);
    const focused = () =>
      page.evaluate(() => {
        const element = document.activeElement as HTMLElement;
        return element.getAttribute("aria-label") ?? element.textContent!.trim();
      });
    // A menu opens with Enter on its first entry, moves by arrows, and gives the focus back.
    await page.focus("[aria-label='Actions for an example']");
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => document.activeElement?.textContent === "A page");
    await page.keyboard.press("ArrowDown");
    await expect.poll(focused).toBe("Something the script does");
    await page.keyboard.press("Escape");
    await page.waitForFunction(() => document.activeElement?.getAttribute("aria-label") === "Actions for an example");
    // Tabs move by arrows and open with Enter.
    await page.focus("[role=tab]");
    await page.keyboard.press("ArrowRight");
    await expect.poll(focused).toBe("Two");
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => document.body.innerText.includes("The second tab"));
    // A table is one stop; rows move by arrows, and Enter opens one.
    await page.focus("tr[data-row='0']");
    await page.keyboard.press("ArrowDown");
    await expect.poll(focused).toBe("Row 2");
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => document.body.innerText.includes("More about Row 2"));
    await page.keyboard.press("Space");
    await page.waitForFunction(() => document.body.innerText.includes("1 row chosen"));
    // A list is put in order with Space and the arrows.
    const order = () =>
      page.$$eval("section[aria-label='In order'] li", (all) => all.map((row) => row.textContent!.trim().slice(0, 6)));
    const said = (words: string) =>
      page.waitForFunction(
        (w) => [...document.querySelectorAll("[aria-live]")].some((region) => region.textContent!.includes(w)),
        {},
        words,
      );
    await page.focus("[aria-label='Move First']");
    await page.keyboard.press("Space");
    await said("First at place 1.");
    await page.keyboard.press("ArrowDown");
    await said("First at place 2.");
    await page.keyboard.press("Space");
    await expect.poll(async () => (await order()).slice(0, 2)).toEqual(["Second", "First"]);
    // A changed setting is set back, and the focus goes to it.
    await page.focus("[aria-label='Set A number that was changed back to 5 m']");
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => (document.activeElement as HTMLInputElement).value === "5");
    await page.focus("tr[data-row='1']");
    // Everything that has the focus shows it.
    await page.keyboard.press("End");
    const outline = await page.evaluate(() => getComputedStyle(document.activeElement!).outlineStyle);
    expect(outline).toBe("solid");
    await page.close();
  });

  it("the stations of the workbench", async () => {
    const page = await teacherPage(browser);
    const sql = owner();
    const [row] = await sql`select id from activity where document->>'title' = 'Hallway climb' limit 1`;
    await sql.end();
    await open(page, `${base}/activities/${row!.id}?station=aim`);
    await inBoth(page, "aim");
    // The workbench fills the screen and scrolls within its panels.
    expect(await page.evaluate(() => document.documentElement.scrollHeight - innerHeight)).toBe(0);
    await fitsIn(page, 320, "aim");
    // Around the panel each station is the same page.
    for (const text of ["cues", "kit", "yard", "score", "players", "levels", "send"]) {
      await open(page, `${base}/activities/${row!.id}?station=${text}`);
      await inBoth(page, text, "[data-panel]");
    }
    await page.close();
  });

  it("family's pages", async () => {
    const page = await phone(browser);
    const link = await linkOf("Idris M.");
    const card = await cardOf(page, link, "Hallway climb");
    const home = ["things", "space", "people", "done"].map((part) => `${link}/home?part=${part}`);
    for (const url of [
      link,
      ...home,
      ...["fetch", "setup", "look", "handin"].map((text) => `${card}?screen=${text}`),
    ]) {
      await open(page, url);
      await inBoth(page, url.slice(-14));
      await fitsIn(page, 320, url.slice(-14));
    }
    await page.close();
  });
});
