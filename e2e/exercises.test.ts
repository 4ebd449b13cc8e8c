import { describe, expect, it } from "vitest";
import { activity, fromPattern } from "../core/formats/activity.ts";
import {
  base,
  beginPlay,
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

describe("short exercises", () => {
  it("a school adds its own, changes it, and puts it into an activity", async () => {
    const page = await teacherPage(browser);
    await open(page, `${base}/exercises`);
    await page.click("#own summary");
    await press(page, "Add exercise");
    // Nothing was typed: the browser holds it back; without it the server does.
    const name = `wall sits ${title().slice(5)}`;
    await page.type("input[name=name]", name);
    await page.type("input[name=cue1]", "Back flat");
    await page.$eval("input[name=young]", (input) => ((input as HTMLInputElement).value = "lots"));
    await press(page, "Add exercise");
    await sees(page, "The amount for the youngest must be a whole number");
    expect(await page.$eval("input[name=name]", (input) => (input as HTMLInputElement).value)).toBe(name);
    await page.$eval("input[name=young]", (input) => ((input as HTMLInputElement).value = "5"));
    await press(page, "Add exercise");
    await sees(page, `${name} saved.`);
    // The same name again is refused.
    await open(page, `${base}/exercises`);
    await page.click("#own summary");
    await page.type("input[name=name]", name);
    await page.type("input[name=cue1]", "Back flat");
    await press(page, "Add exercise");
    await sees(page, "There is already an exercise called");
    await open(page, `${base}/activities`);
    await page.$$eval("button[value=new]", (all) =>
      (all.find((button) => button.textContent!.startsWith("Climb")) as HTMLElement).click(),
    );
    await page.waitForSelector("[data-strip=ready]");
    await open(page, `${page.url().split("?")[0]}?station=cues`);
    await page.waitForSelector("[data-strip=ready]");
    const id = await page.$$eval(
      "select[aria-label='Add to the warm-up'] option",
      (all, n) => all.find((element) => element.textContent!.startsWith(n))!.getAttribute("value")!,
      name,
    );
    await page.select("select[aria-label='Add to the warm-up']", id);
    await sees(page, "about 1 min at age");
    await page.waitForSelector("[data-save=saved]");
    await open(page, `${base}/exercises`);
    await page.click(`button[aria-label='Delete ${name}']`);
    await sees(page, "Removed from the list.");
    await press(page, "Undo");
    await sees(page, "Back in the list.");
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
