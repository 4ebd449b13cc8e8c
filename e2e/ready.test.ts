import type { Page } from "puppeteer-core";
import { describe, expect, it } from "vitest";
import { fromPattern } from "../core/formats/activity.ts";
import { base, changed, open, owner, playing, press, sees, tabs, teacherPage, text, title } from "./help.ts";

const browser = tabs();

/** Chooses a filter of the ready-made activities by its words, and waits for its chip. */
const chip = async (page: Page, name: string) => {
  const section = "section[aria-label='Ready-made activities']";
  const found = await page.$$eval(
    `${section} option`,
    (options, words) => {
      const option = options.find((each) => each.textContent === words) as HTMLOptionElement;
      return { field: (option.closest("select") as HTMLSelectElement).name, value: option.value };
    },
    name,
  );
  await page.select(`${section} select[name=${found.field}]`, found.value);
  await page.waitForSelector(`[aria-label="Remove filter: ${name}"]`);
};

describe("ready activities and trying one", () => {
  it("throwing, indoors, alone is two choices away, and what is taken is played at once and sets the mark", async () => {
    const page = await teacherPage(browser);
    await open(page, `${base}/activities`);
    await chip(page, "Throwing");
    await chip(page, "Indoors, alone");
    expect(await text(page, "section[aria-label='Ready-made activities']")).toContain("Clear the shelf");
    await page.click("[aria-label='Use this: Clear the shelf']");
    await page.waitForFunction(() => /\/activities\/[0-9a-f-]{36}/.test(location.pathname));
    await sees(page, "Throws underarm at a target");
    const tryIt = await page.waitForSelector("a[href$='/try']");
    await tryIt!.click();
    await sees(page, "Who is playing?");
    await press(page, "Play");
    await sees(page, "This is practice. It does not count.");
    const those = "[data-targets] button:not(:disabled)";
    for (const left of [3, 2, 1]) {
      await page.waitForFunction((n, words) => document.querySelectorAll(words).length === n, {}, left, those);
      await page.click(those);
    }
    await press(page, "Make 3 throws the score to beat");
    await page.waitForSelector("[name=mark]");
    expect(await page.$eval("[name=mark]", (element) => (element as HTMLInputElement).value)).toBe("3");
    const plays = await page.evaluate(
      () =>
        new Promise<number>((done) => {
          const asked = indexedDB.open("daring-yard");
          asked.onsuccess = () => {
            const all = asked.result.transaction("plays").objectStore("plays").getAll();
            all.onsuccess = () => done(all.result.filter((p: { practice?: boolean }) => !p.practice).length);
          };
        }),
    );
    expect(plays).toBe(0);
    await page.close();
  });

  it("a practice go on a card says that it does not count, is sent nowhere, and the go after it counts", async () => {
    const name = title();
    const climb = changed(fromPattern("climb"), name, { tries: 2 });
    const practise = (givenPage: Page) => press(givenPage, "Practise first");
    const page = await playing(browser, "Umar Z.", climb, 1, undefined, async (givenPage) => {
      await practise(givenPage);
      await sees(givenPage, "This is practice. It does not count.");
      await press(givenPage, "HIT");
      await press(givenPage, "MISS");
      await sees(givenPage, "That was practice. It did not count.");
      await press(givenPage, "Now for real");
      await sees(givenPage, "Who is playing?");
    });
    await sees(page, "Roll 1 of 2");
    expect(await text(page)).not.toContain("Practice");
    await press(page, "MISS");
    const sql = owner();
    const count = () => sql`
      select count(*)::int as n from play p join card k on k.id = p.card_id join card_version v on v.card_id = k.id and v.hash = k.hash
      where v.compiled->'activity'->>'title' = ${name}`;
    await expect.poll(async () => (await count())[0]!.n).toBe(1);
    await sql.end();
    await page.close();
  });
});
