import { describe, expect, it } from "vitest";
import { activity, fromPattern } from "../core/formats/activity.ts";
import { changed, handIn, keptOf, playing, press, sees, tabs, text, title } from "./help.ts";

const browser = tabs();

describe("games of two sides", () => {
  it("Rally: a fault, a let, points by tap and by key, undone, and a winner", async () => {
    const design = changed(fromPattern("rally"), title(), {
      points: 2,
      told: "why",
      serve: { by: "alternate", every: 1, how: "hand", second: true },
    });
    const page = await playing(browser, "Kezia O.", design, 2, "Head to head");
    await sees(page, "Serve. Who wins the rally?");
    await press(page, "Fault");
    await sees(page, "That was a fault. Serve again.");
    await press(page, "Play it again (let)");
    await sees(page, "That was a fault. Serve again.");
    await press(page, "into the net or rope");
    await press(page, "Point for Player 2");
    await sees(page, "Player 2, your turn.");
    await page.keyboard.press("1");
    await sees(page, "Kezia, your turn.");
    await press(page, "Undo");
    await sees(page, "Player 2, your turn.");
    await press(page, "Point for Kezia");
    await press(page, "Point for Kezia");
    await sees(page, "You did it!");
    await handIn(page);
    const kept = await keptOf(design.title);
    expect(kept!.score).toMatchObject({ unit: "points", value: 2, won: true });
    await page.close();
  });

  it("Rally together: touches in turn, the longest rally is handed in", async () => {
    const design = changed(fromPattern("rally"), title(), { rallies: 2 });
    const page = await playing(browser, "Lorcan T.", design, 2, "As a team");
    await page.waitForSelector("main button.bg-mint");
    for (let i = 0; i < 3; i++) await page.click("main button.bg-mint");
    await press(page, "Dropped it");
    await sees(page, "Start the rally.");
    await page.click("main button.bg-mint");
    await press(page, "Dropped it");
    await sees(page, "The longest rally had 3 touches.");
    await handIn(page);
    expect((await keptOf(design.title))!.score).toMatchObject({ unit: "touches", value: 3 });
    await page.close();
  });

  it("Goals: out of play, a foul with its free shot, and the first to two", async () => {
    const design = changed(fromPattern("goals"), title(), { points: 2, fouls: ["hands"], penalty: "shot" });
    const page = await playing(browser, "Quill F.", design, 2);
    await sees(page, "Start in the middle.");
    await press(page, "Goal for Quill");
    await sees(page, "Player 2, your turn.");
    await press(page, "The ball went out");
    await sees(page, "Who put it out?");
    await press(page, "Player 2");
    await sees(page, "Bring the ball in.");
    await press(page, "Foul: hands");
    await press(page, "Quill");
    await sees(page, "A free shot.");
    await press(page, "It missed");
    await sees(page, "Quill, your turn.");
    await press(page, "Goal for Quill");
    await sees(page, "2 goals: you did it!");
    await handIn(page);
    expect((await keptOf(design.title))!.score).toMatchObject({ unit: "goals", value: 2, won: true });
    await page.close();
  });

  it("Bases: two sides, a runner on a base, a catch, an invisible runner, and a winner", async () => {
    const design = changed(fromPattern("bases"), title(), {
      outs: ["caught"],
      innings: 1,
      turn: { by: "batters", outs: 3, batters: 2 },
    });
    const page = await playing(browser, "Kezia O.", design, 2, "Head to head");
    await sees(page, "Kezia, batting");
    const reach = (words: string, at = 0) =>
      page.$$eval(
        "main fieldset",
        (all, i, word) =>
          (
            [...all[i]!.querySelectorAll("label")].find((element) => element.textContent === word) as HTMLElement
          ).click(),
        at,
        words,
      );
    await page.waitForSelector("main fieldset");
    await reach("base 2");
    await press(page, "That's what happened");
    // Kezia stands on a base and has to bat: somebody waits there instead.
    await press(page, "Invisible runner for Kezia");
    await sees(page, "Invisible runner on base 2");
    await reach("base 2");
    await press(page, "That's what happened");
    await sees(page, "Player 2, batting");
    await press(page, "Caught");
    await reach("home");
    await press(page, "That's what happened");
    await sees(page, "1 inning played.");
    await handIn(page);
    // The invisible runner went home with the batter's two bases: one run each, a draw.
    expect((await keptOf(design.title))!.score).toMatchObject({ unit: "runs", value: 1, won: true });
    await page.close();
  });

  it("Swap square: mixed by the device, a diagonal refused in words, a hint, solved by its swaps", async () => {
    const design = activity.parse(changed(fromPattern("swapSquare"), title(), { n: 2, least: 1, most: 2 }));
    const page = await playing(browser, "Umar Z.", design);
    await press(page, "Shuffle it for me");
    await sees(page, "It takes at least");
    await press(page, "It looks like this");
    await sees(page, "Swap two in one row or column");
    const place = (i: number) => page.click(`[role=group] button:nth-of-type(${i})`);
    await page.waitForSelector("[role=group] button[aria-pressed]");
    await place(1);
    await place(4);
    await sees(page, "Swap two in one row or column.");
    await place(1);
    // What is shown is done until it is done.
    for (let trips = 0; trips < 4 && !(await text(page)).includes("All done!"); trips++) {
      await press(page, "Give me a hint");
      await sees(page, "In the near row:");
      await press(page, "Show me a swap");
      await page.waitForSelector("[role=group] button.border-dashed");
      for (const elementHandle of await page.$$("[role=group] button.border-dashed")) await elementHandle.click();
      await page.waitForFunction(() => !document.querySelector("[role=group] button.border-dashed"));
    }
    await sees(page, "The fewest is");
    await handIn(page);
    expect((await keptOf(design.title))!.score).toMatchObject({ unit: "trips", finished: true });
    await page.close();
  });
});
