import type { Page } from "puppeteer-core";
import { describe, expect, it } from "vitest";
import { type Activity, fromPattern } from "../core/formats/activity.ts";
import {
  base,
  handIn,
  itLong,
  keptOf,
  changed as of,
  playing as play,
  press,
  ready,
  sees,
  tabs,
  title,
} from "./help.ts";

const browser = tabs();

const playing = (
  child: string,
  activity: Activity,
  ...more: [players?: number, mode?: string, choose?: (page: Page) => Promise<void>]
) => play(browser, child, activity, ...more);
const climb = fromPattern("climb");
const bands = fromPattern("bands");

describe("variants on the play screen", () => {
  itLong("asks for a forfeit after the misses, and goes on once it is done", async () => {
    const page = await playing(
      "Rafe J.",
      of(climb, title(), { forfeit: { misses: 2, exercise: "star jumps", dose: 4 }, tries: 4 }),
    );
    await press(page, "MISS");
    await press(page, "MISS");
    await sees(page, "4 star jumps first.");
    await page.waitForSelector("[data-exercise=starJump] svg");
    await press(page, "Done!");
    await press(page, "MISS");
    await press(page, "HIT");
    await sees(page, "You have used all your");
    await handIn(page);
    await sees(page, "You got 2 points.");
    await page.close();
  });

  itLong("the line moves back with every hit", async () => {
    const { distance: _, ...target } = (climb.pattern.params as { ladder: { targets: { distance: number }[] } }).ladder
      .targets[0]!;
    const page = await playing("Fenna B.", of(climb, title(), { ladder: { kind: "line", target, lines: [1, 2] } }));
    await sees(page, "Roll it at the bucket from line 1.");
    await press(page, "HIT");
    await sees(page, "Roll it at the bucket from line 2.");
    await sees(page, /4 of your steps \(2\.0 m\)/);
    await press(page, "HIT");
    await sees(page, "You reached the top!");
    await page.close();
  });

  itLong("with three players taking turns, the chosen one starts and the others follow in order", async () => {
    const third = (givenPage: Page) => press(givenPage, "Player 3");
    const page = await playing("Priya G.", of(climb, title(), {}), 3, "Take turns", third);
    for (const name of ["Player 3", "Priya", "Player 2", "Player 3"]) {
      await sees(page, `${name}, your turn.`);
      await press(page, "HIT");
    }
    await page.close();
  });

  itLong("a relay shares one climb, and the turns go round by today's names", async () => {
    const page = await playing("Tamsin Y.", of(climb, title(), {}), 3, "As a team");
    await sees(page, "Tamsin, your turn.");
    await press(page, "HIT");
    await sees(page, "Player 2, your turn.");
    await press(page, "HIT");
    await sees(page, "Player 3, your turn.");
    await sees(page, "2 + 3 = 5");
    await page.close();
  });

  itLong("fewest tries over several goes: the best go counts", async () => {
    const page = await playing(
      "Yara Q.",
      of(climb, title(), { scoring: { by: "tries" } }, { goes: { count: 2, keep: "best" } }),
    );
    for (const word of ["MISS", "HIT", "HIT", "HIT", "HIT", "HIT"]) await press(page, word);
    await sees(page, /Roll it at the/);
    for (const word of ["HIT", "HIT", "HIT", "HIT", "HIT"]) await press(page, word);
    await sees(page, "5 rolls");
    await page.close();
  });

  itLong("a blocker is asked for, an exact total drops back, and a match is carried to another day", async () => {
    const change = {
      pieces: 1,
      blocker: true,
      counting: "all",
      finish: { rounds: null, total: 10, exact: true, dropTo: 4 },
      lineRule: "higher",
    };
    const page = await playing("Brio D.", of(bands, title(), change));
    await sees(page, "Place a blocker now, or skip it.");
    await press(page, "No blocker this time");
    await press(page, "6 points");
    await press(page, "Count");
    await sees(page, "Place a blocker now, or skip it.");
    await press(page, "Finish another day");
    await sees(page, "Come back any day with this link.");
    await page.reload();
    await ready(page);
    await sees(page, "Place a blocker now, or skip it.");
    await press(page, "2 points");
    await press(page, "6 points");
    await press(page, "Count");
    await sees(page, "6 + 6 = 12; 12 > 10: 4");
    await page.close();
  });

  itLong("keys do what taps do: arrows for hit and miss, u to undo", async () => {
    const page = await playing("Quill F.", of(climb, title(), {}));
    await page.keyboard.press("ArrowLeft");
    await sees(page, "Roll 2 of 16");
    await page.keyboard.press("ArrowRight");
    await sees(page, "Roll 3 of 16");
    await page.keyboard.press("u");
    await sees(page, "Roll 2 of 16");
    expect(page.url().startsWith(base)).toBe(true);
    await page.close();
  });

  it("pins are tapped, counted, or all of them; stood up again after the frame, and the score arrives", async () => {
    const name = title();
    const page = await playing("Zeb X.", of(fromPattern("pins"), name, { frames: 2 }));
    await sees(page, "6 pins are standing. Roll 1 of 2.");
    const tap = async (count: number) => {
      await page.waitForSelector(`input[aria-label="Pin ${count}"]`);
      await page.$eval(`input[aria-label="Pin ${count}"]`, (input) => (input as HTMLElement).closest("label")!.click());
    };
    await tap(1);
    await tap(3);
    await press(page, "2 fell");
    await sees(page, "4 pins are standing. Roll 2 of 2.");
    await press(page, "Just type the number");
    await press(page, "1");
    await sees(page, "Stand all the pins up again.");
    await press(page, "Undo");
    await press(page, "Change a roll");
    await press(page, "1. 2 fell");
    await tap(2);
    await press(page, "1 fell");
    await sees(page, "5 pins are standing.");
    await press(page, "None fell");
    await press(page, "They are all standing");
    await press(page, "All of them");
    await sees(page, "2 frames played.");
    await sees(page, "2 + 12 (6 pins) + 3 (all at once) = 17");
    await handIn(page);
    await sees(page, "You got 17 points.");
    const kept = await keptOf(name);
    await page.close();
    expect(kept!.score).toMatchObject({ value: 17, unit: "points", better: "more", sends: 3, finished: true });
  });

  itLong(
    "a formation of the family's own is laid out with arrow keys; if pins touch, it says how many cm are missing",
    async () => {
      const formation = { kind: "own", count: 3, depth: 0.6, width: 0.6 };
      const page = await playing("Umar Z.", of(fromPattern("pins"), title(), { formation, frames: 1, rolls: 1 }));
      await sees(page, "Stand 3 pins where you like.");
      const pin = (count: number) => `button[aria-label^="Pin ${count}:"]`;
      await page.waitForSelector(pin(2));
      await page.focus(pin(2));
      for (let i = 0; i < 6; i++) await page.keyboard.press("ArrowLeft");
      await press(page, "They stand like this");
      await sees(page, /Pins 1 and 2 need \d+ cm more\./);
      await page.focus(pin(2));
      for (let i = 0; i < 4; i++) await page.keyboard.press("ArrowRight");
      await press(page, "They stand like this");
      await sees(page, "3 pins are standing.");
      await press(page, "All of them");
      await sees(page, "1 frame played.");
      await page.close();
    },
  );

  itLong(
    "three in a line by touch and by arrow keys: counts squares taken and throws outside, and moves a bumped piece",
    async () => {
      const page = await playing("Kezia O.", of(fromPattern("threeLine"), title(), {}));
      await sees(page, "Land it in a free square. Throw 1.");
      const cell = (count: number) =>
        page.waitForSelector(`button[aria-label^="Square ${count}"]`).then((elementHandle) => elementHandle!.click());
      await cell(1);
      await sees(page, "Throw 2.");
      await press(page, "In a taken square");
      await cell(1);
      await sees(page, "Throw 3.");
      await press(page, "Outside");
      await sees(page, "Throw 4.");
      await page.focus("button[aria-label='Square 4']");
      await page.keyboard.press("ArrowDown");
      await page.keyboard.press("ArrowRight");
      await page.keyboard.press("Enter");
      await page.waitForSelector("button[aria-label='Square 2, taken']");
      await press(page, "A piece moved");
      await press(page, "Piece 2, Kezia");
      await cell(5);
      await page.waitForSelector("button[aria-label='Square 5, taken']");
      await cell(9);
      await sees(page, "3 in a line!");
      await handIn(page);
      await sees(page, "You got 5 throws.");
      await page.close();
    },
  );

  itLong("counts touches by tap and key until the bell; the number given after it is the score", async () => {
    const first = { task: "keepUp", seconds: 10, rest: 0, hand: "usual", moving: false, bounce: false };
    const rounds = [first];
    const page = await playing("Priya G.", of(fromPattern("tally"), title(), { rounds }));
    await sees(page, "Ready? Press start.");
    await press(page, "Start");
    await sees(page, "time left");
    await sees(page, "Keep it up. Count each touch.");
    await page.waitForFunction(() => document.body.innerText.includes("Tap for each one"));
    for (let i = 0; i < 3; i++) await press(page, "Tap for each one");
    await page.keyboard.press("Space");
    await press(page, "Dropped it");
    await press(page, "Tap for each one");
    await sees(page, "Stop! How many was that?", 20_000);
    await page.waitForSelector("main form input");
    expect(await page.$eval("main form input", (input) => (input as HTMLInputElement).value)).toBe("5");
    await press(page, "One more");
    await page.$eval("main form input", (input) => (input as HTMLInputElement).select());
    await page.type("main form input", "999");
    await press(page, "That's it");
    await sees(page, "Give a number from 0 to 40.");
    await page.$eval("main form input", (input) => (input as HTMLInputElement).select());
    await page.type("main form input", "7");
    await press(page, "That's it");
    await sees(page, "Time is up.");
    // The number, and then the bell, which rings again at once.
    await press(page, "Undo");
    await press(page, "Undo");
    await sees(page, "Stop! How many was that?");
    await press(page, "That's it");
    await handIn(page);
    await sees(page, "You got 5 touches.");
    await page.close();
  });

  itLong("two players count at the same time, each with their own counter", async () => {
    const rounds = [{ task: "keepUp", seconds: 10, rest: 0, hand: "usual", moving: false, bounce: false }];
    const page = await playing(
      "Nuri E.",
      of(fromPattern("tally"), title(), { rounds }, { swap: "once" }),
      2,
      "Head to head",
    );
    await press(page, "Start");
    await page.waitForFunction(() => document.body.innerText.includes("Player 2: tap for each one"));
    for (let i = 0; i < 2; i++) await press(page, "Nuri: tap for each one");
    for (let i = 0; i < 3; i++) await press(page, "Player 2: tap for each one");
    await sees(page, "How many did Player 2 get?", 20_000);
    await press(page, "That's it");
    await press(page, "That's it");
    await sees(page, "Player 2 wins!");
    await page.close();
  });

  it("what the teacher leaves to the family is set before the first send, changed until then, and kept with the score", async () => {
    const name = title();
    const page = await playing(
      "Willem U.",
      { ...of(climb, name, { tries: 8 }), family: [{ field: "params.tries", values: [4, 5, 6, 7] }] },
      1,
      undefined,
      async (givenPage) => {
        await sees(givenPage, "You choose");
        for (let i = 0; i < 3; i++) await press(givenPage, "Rolls: less");
      },
    );
    await sees(page, "Roll 1 of 5");
    await press(page, "You choose");
    await press(page, "Rolls: less");
    await sees(page, "Roll 1 of 4");
    await press(page, "Play like this");
    await press(page, "MISS");
    expect(await page.$$eval("button", (all) => all.map((button) => button.textContent))).not.toContain("You choose");
    for (let i = 0; i < 3; i++) await press(page, "MISS");
    await sees(page, "You have used all your");
    await handIn(page);
    await sees(page, "You got 0 points.");
    const kept = await keptOf(name);
    await page.close();
    expect(kept!.score).toMatchObject({ sends: 4, set: { "params.tries": 4 } });
  });

  it("easier and harder are one tap within what the teacher allows, a line of one's own is chosen before, and both are kept", async () => {
    const allowed = { ...climb, family: [{ field: "standing.line", values: [-0.5, 0, 0.25, 0.5] }] };
    const own = async (givenPage: Page) => {
      await press(givenPage, "Make it fair");
      const back = "[aria-label^='Player 2'][aria-label$='own line: farther back']";
      await givenPage.waitForSelector(back);
      await givenPage.click(back);
    };
    const name = title();
    const page = await playing("Kezia O.", of(allowed as Activity, name, {}), 2, "Head to head", own);
    await sees(page, "Kezia, your turn.");
    await press(page, "MISS");
    await sees(page, "Player 2, your turn.");
    await sees(page, /Your line: ½ step back\./);
    await press(page, "MISS");
    await sees(page, "Kezia, your turn.");
    expect(await page.$eval("main", (element) => element.textContent)).not.toContain("Your line:");
    await press(page, "Easier");
    await sees(page, /Your line: ½ step nearer\./);
    await press(page, "Undo");
    await page.waitForFunction(() => !document.body.innerText.includes("Your line:"));
    await press(page, "Harder");
    await sees(page, /Your line: 1 step back\./);
    await press(page, "End game");
    await handIn(page);
    const kept = await keptOf(name);
    expect(kept!.score).toMatchObject({ sends: 1, set: { "standing.line": "changed" } });
    await page.close();
  });

  itLong(
    "board: the target is called first, and each object is thrown once if all are fetched at the end",
    async () => {
      const board = fromPattern("board");
      const kit = { ...board.kit, others: ["sponge"] };
      const change = { choice: "thing", things: ["send", "other1"], fetch: "end", sends: null };
      const page = await playing("Lorcan T.", of({ ...board, kit }, title(), change));
      await sees(page, "Say what you will use.");
      await page.click("[data-targets] button:nth-child(2)");
      await sees(page, /^With the .+\.$/m);
      const choices = (count: number) =>
        page.waitForFunction((k) => document.querySelectorAll("[data-targets] button").length === k, {}, count);
      await choices(3);
      await page.click("[data-targets] button");
      await sees(page, "Say what you will use.");
      await choices(1);
      await page.click("[data-targets] button");
      await choices(3);
      await press(page, "MISS");
      await sees(page, "The go is over.");
      await page.close();
    },
  );

  itLong("speller: the player goes to the letters one by one and writes a word down", async () => {
    const speller = fromPattern("speller");
    const page = await playing("Quill F.", of(speller, title(), { does: ["travel", "write"], list: "sun, sand" }));
    await sees(page, "Word 1 of 2. Hop to S.");
    await press(page, "A");
    await sees(page, "Word 1 of 2. Hop to S.");
    for (const letter of ["S", "U", "N"]) await press(page, letter);
    await sees(page, "Word 2 of 2: write it down.");
    await press(page, "Done!");
    await sees(page, "All words are spelled!");
    await page.close();
  });

  itLong("three or more players can form two sides, chosen before play and shown", async () => {
    const page = await playing("Lorcan T.", of(climb, title(), {}), 3, "Head to head", async (givenPage) => {
      await press(givenPage, "Two sides");
      await press(givenPage, "Player 3: side 1. Tap to change.");
      await press(givenPage, "Player 1: side 1. Tap to change.");
      await sees(givenPage, "Each side needs a player.");
      await press(givenPage, "Player 2: side 2. Tap to change.");
    });
    await sees(page, "Player 2, your turn.");
    await sees(page, "Lorcan and Player 3");
    await page.close();
  });
});
