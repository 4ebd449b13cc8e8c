import type { Page } from "puppeteer-core";
import { describe, expect, it } from "vitest";
import { activity, fromPattern } from "../core/formats/activity.ts";
import {
  base,
  beginPlay,
  choose,
  handIn,
  keptOf,
  open,
  playing,
  press,
  sees,
  sentTo,
  tabs,
  teacherPage,
  title,
} from "./help.ts";

const browser = tabs();
const cookieOf = async (page: Page) => (await page.cookies()).map(({ name, value }) => `${name}=${value}`).join("; ");

describe("short exercises", () => {
  it("a school adds its own, changes it, and puts it into an activity", async () => {
    const page = await teacherPage(browser);
    await open(page, `${base}/exercises/new`);
    await press(page, "Add exercise");
    // Nothing was typed. The browser says so at the field and does not send it.
    await sees(page, "Name must not be empty.");
    expect(page.url()).toContain("/exercises/new");
    const name = `wall sits ${title().slice(5)}`;
    await page.type("input[name=name]", name);
    await page.type("input[name='cues[0]']", "Back flat");
    const young = (value: string) =>
      page.$eval(
        "input[name='dose[0]']",
        (input, v) => {
          (input as HTMLInputElement).value = v;
          input.dispatchEvent(new Event("input", { bubbles: true }));
        },
        value,
      );
    await young("lots");
    await press(page, "Add exercise");
    await sees(page, "The amount for the youngest must be a whole number");
    await young("5");
    await press(page, "Add exercise");
    await sees(page, `${name} saved.`);
    // Another name of the same letters does not replace it.
    await open(page, `${base}/exercises/new`);
    await page.type("input[name=name]", `${name}!`);
    await page.type("input[name='cues[0]']", "Back flat");
    await press(page, "Add exercise");
    await sees(page, `${name}! saved.`);
    await page.waitForSelector(`tr[aria-label='${name}']`);
    await page.waitForSelector(`tr[aria-label='${name}!']`);
    // The same name again is refused by the server, at its field, and what was typed is still there.
    await open(page, `${base}/exercises/new`);
    await page.type("input[name=name]", name);
    await page.type("input[name='cues[0]']", "Back flat");
    await press(page, "Add exercise");
    await sees(page, "There is already an exercise called");
    expect(await page.evaluate(() => document.activeElement?.getAttribute("name"))).toBe("name");
    expect(await page.$eval("input[name='cues[0]']", (input) => (input as HTMLInputElement).value)).toBe("Back flat");
    // Without a script the server marks the fields.
    const plain = await teacherPage(browser);
    await plain.setJavaScriptEnabled(false);
    await plain.goto(`${base}/exercises/new`);
    await plain.type("input[name=name]", "no cue yet");
    await plain.$eval("input[name='cues[0]']", (input) => input.removeAttribute("required"));
    await Promise.all([plain.waitForNavigation(), plain.click("main button[type=submit]")]);
    expect(await plain.$eval("input[name='cues[0]']", (input) => input.getAttribute("aria-invalid"))).toBe("true");
    expect(await plain.$eval("input[name=name]", (input) => (input as HTMLInputElement).value)).toBe("no cue yet");
    await plain.close();
    await open(page, `${base}/activities`);
    await page.$$eval("button[value=new]", (all) =>
      (all.find((button) => button.textContent!.startsWith("Climb")) as HTMLElement).click(),
    );
    await page.waitForSelector("[data-strip=ready]");
    await open(page, `${page.url().split("?")[0]}?station=cues`);
    await page.waitForSelector("[data-strip=ready]");
    await press(page, "Warm-up, cool-down, exercises");
    const id = await page.$$eval(
      "select[aria-label='Add to the warm-up'] option",
      (all, n) => all.find((element) => element.textContent!.startsWith(n))!.getAttribute("value")!,
      name,
    );
    await page.select("select[aria-label='Add to the warm-up']", id);
    await sees(page, "about 1 min at age");
    await page.waitForSelector("[data-save=saved]");
    await open(page, `${base}/exercises`);
    await choose(page, `Actions for ${name}`, `Delete ${name}`);
    await sees(page, "Removed from the list.");
    await press(page, `Undo deleting ${name}`);
    await expect
      .poll(async () =>
        (await (await fetch(`${base}/exercises`, { headers: { cookie: await cookieOf(page) } })).text()).includes(name),
      )
      .toBe(true);
    await page.close();
  });

  it("one between sends is owed, drawn and done, and play goes on", async () => {
    const between = { exercise: "star jumps", dose: 4, every: 2, each: 1.2 };
    const design = activity.parse({ ...fromPattern("climb"), title: title(), between });
    const page = await playing(browser, "Kezia O.", design);
    await press(page, "MISS");
    await press(page, "MISS");
    await sees(page, "4 star jumps now. Then play on.");
    await page.waitForSelector("[data-exercise=starJump]");
    await press(page, "Done!");
    await sees(page, "MISS");
    await page.close();
  });

  it("a home without any of the things counts exercises instead, and the go is told apart", async () => {
    const design = activity.parse({ ...fromPattern("pins"), title: title() });
    const { page, card } = await sentTo(browser, "Lorcan T.", design);
    await open(page, card);
    await press(page, "We have none of these. Play without.");
    await sees(page, "Nothing to get");
    await beginPlay(page, card);
    await press(page, "Start");
    await press(page, "Start now");
    await page.waitForSelector("main button.bg-mint");
    for (const _ of [1, 2]) await page.click("main button.bg-mint");
    // The clock is not waited for: stopping keeps what was counted.
    await press(page, "End game");
    await handIn(page);
    const kept = await keptOf(design.title);
    expect(kept!.score).toMatchObject({ unit: "times", value: 2, set: { bare: true }, stopped: true });
    await page.close();
  });
});
