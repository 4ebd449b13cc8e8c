import type { ElementHandle, Page } from "puppeteer-core";
import { describe, expect, it } from "vitest";
import { type Activity, fromPattern } from "../core/formats/activity.ts";
import {
  changed,
  handIn,
  itLong,
  keptOf,
  open,
  owner,
  playing,
  press,
  retype,
  sees,
  sentTo,
  tabs,
  tapOnce,
  title,
} from "./help.ts";

const browser = tabs();

const on = (child: string, activity: Activity, players?: number, mode?: string) =>
  playing(browser, child, activity, players, mode);
/** Taps the nth of the things that may be hit or chosen. */
const tap = async (page: Page, count: number) => {
  const those = "[data-targets] button:not(:disabled)";
  await page.waitForSelector(those);
  const all = await page.$$(those);
  await tapOnce(page, all[count - 1]!);
};
/** Drags the piece to a place of the field about the jack, as shares of it. */
async function lay(page: Page, x: number, y: number) {
  await page.waitForSelector("[role=slider]");
  await page.$eval("[role=slider]", (element) => element.scrollIntoView());
  const box = (await (await page.$("[role=slider]"))!.boundingBox())!;
  const at = { clientX: box.x + x * box.width, clientY: box.y + y * box.height, pointerId: 1, bubbles: true };
  await page.$eval(
    "[role=slider]",
    (element, init) => {
      element.setPointerCapture = () => undefined;
      element.dispatchEvent(new PointerEvent("pointerdown", init));
    },
    at,
  );
}

describe("around a game", () => {
  it("a question is answered once before play; the clock counts in, stands still in a pause; a call nobody agrees on is sent again", async () => {
    const name = title();
    const list = [
      { picture: "bucket", text: "The bucket" },
      { picture: "pic-leftFoot", text: "The left foot" },
    ];
    const sweep = changed(fromPattern("sweep"), name, {}, { seconds: 30 });
    const answers = { list, right: 1, explain: "It is the front one." };
    const { page, card } = await sentTo(browser, "Umar Z.", { ...sweep, question: "Which is it?", answers });
    await open(page, `${card}?screen=look`);
    for (const box of await page.$$("input[type=checkbox]:not(:checked)")) await box.click();
    await press(page, "Next: Play");
    await sees(page, "Which is it?");
    await press(page, "The bucket");
    await sees(page, "The answer is: The left foot.");
    await sees(page, "It is the front one.");
    await press(page, "Now play");
    await sees(page, "Who is playing?");
    await open(page, `${card}?screen=play`);
    await sees(page, "Who is playing?");
    await press(page, "Play");
    await press(page, "Start");
    await sees(page, "Start now");
    await sees(page, "any target. 4 to go.");
    const clock = async () => Number(/0:(\d\d)/.exec(await page.$eval("main", (element) => element.innerText))?.[1]);
    await press(page, "Pause");
    await sees(page, "Paused. The clock has stopped.");
    const stood = await clock();
    await new Promise((resolve) => setTimeout(resolve, 3000));
    expect(await clock()).toBe(stood);
    await press(page, "Go on");
    await tap(page, 1);
    await press(page, "Change a roll");
    await press(page, "We disagree: take it again");
    await sees(page, "It does not count. Take it again.");
    await sees(page, "Roll 2 of 18");
    for (const count of [3, 2]) {
      await tap(page, 1);
      await sees(page, count === 2 ? "the last one" : `${count - 1} to go.`);
    }
    await tap(page, 1);
    await handIn(page);
    await sees(page, "You got 4 rolls.");
    expect((await keptOf(name))!.reflection).toMatchObject({ chose: 0 });
    const sql = owner();
    const kinds = await sql`
      select e.event->>'kind' as kind from play_event e join play p on p.id = e.play_id join card k on k.id = p.card_id
      join card_version v on v.card_id = k.id and v.hash = k.hash
      where v.compiled->'activity'->>'title' = ${name}`;
    await sql.end();
    expect(kinds.map((kind) => kind.kind)).toEqual(expect.arrayContaining(["pause", "goOn", "again"]));
    await page.close();
  });
});

describe("whole games, by touch", () => {
  it("sweep in whatever order, carried back, and one heap of which each keeps what it hits", async () => {
    const name = title();
    const page = await on("Rafe J.", changed(fromPattern("sweep"), name, {}));
    await sees(page, "any target. 4 to go.");
    // What is tapped stays where it is under the thumb, whatever was hit.
    const lie = () =>
      page.$$eval("[data-targets] button", (all) =>
        all.map((button) => `${button.getAttribute("aria-label")} ${JSON.stringify(button.getBoundingClientRect())}`),
      );
    const first = await lie();
    await tap(page, 3);
    await sees(page, "any target. 3 to go.");
    expect(await lie()).toEqual(first);
    expect(
      await page.$$eval("[data-targets] button", (all) => all.map((button) => (button as HTMLButtonElement).disabled)),
    ).toEqual([false, false, true, false]);
    await press(page, "MISS");
    await press(page, "Change a roll");
    await press(page, "Foot over the line");
    await sees(page, "Roll 4 of 18");
    await press(page, "Undo");
    await sees(page, "Roll 3 of 18");
    await tap(page, 1);
    await press(page, "Undo");
    await sees(page, "3 to go.");
    await tap(page, 1);
    await tap(page, 1);
    await sees(page, "the last one");
    await tap(page, 1);
    await sees(page, "You hit them all!");
    await handIn(page);
    await sees(page, "You got 5 rolls.");
    expect((await keptOf(name))!.score).toMatchObject({ value: 5, unit: "sends", finished: true });
    await page.close();
    const heap = { heap: "shared", collect: false, bonus: 2 };
    const two = await on("Rafe J.", changed(fromPattern("sweep"), title(), heap), 2, "Head to head");
    await tap(two, 4);
    await sees(two, "Player 2, your turn.");
    await press(two, "Hit a crossed-out one");
    await tap(two, 1);
    await sees(two, "Rafe, your turn.");
    await tap(two, 1);
    await tap(two, 1);
    await sees(two, "the last one");
    await tap(two, 1);
    await sees(two, "Rafe wins!");
    await two.close();
  });

  itLong("bands: buttons stay where they are when later pieces offer more choices than the first", async () => {
    const page = await on("Rafe J.", changed(fromPattern("bands"), title(), {}));
    const lie = () =>
      page.$$eval("main button", (all) =>
        all.flatMap((button) => (/^(Too|\d point)/.test(button.innerText) ? [button.getBoundingClientRect().top] : [])),
      );
    await sees(page, "piece 1 of 3");
    const first = await lie();
    expect(first.length).toBeGreaterThan(4);
    await press(page, "Too far");
    await sees(page, "A piece moved");
    expect(await lie()).toEqual(first);
    await page.close();
  });

  it("board: called first, from lines with points, and by number keys alone", async () => {
    const called = { choice: "called", sends: 3, bonus: 0 };
    const page = await on("Fenna B.", changed(fromPattern("board"), title(), called));
    await sees(page, "Which target? Say it first.");
    await tap(page, 3);
    await press(page, "Choose again");
    await tap(page, 2);
    await press(page, "HIT");
    await tap(page, 1);
    await press(page, "MISS");
    await tap(page, 3);
    await press(page, "HIT");
    await sees(page, "3 + 5 = 8");
    await handIn(page);
    await sees(page, "You got 8 points.");
    await page.close();

    const keys = await on("Yara Q.", changed(fromPattern("board"), title(), { sends: 4, bonus: 4 }));
    await sees(keys, "any target you like.");
    for (const key of ["1", "2", "0", "3"] as const) await keys.keyboard.press(key);
    await sees(keys, "2 + 3 + 5 + 4 = 14");
    await keys.close();

    const { layout } = fromPattern("board").pattern.params as { layout: { targets: { distance: number }[] } };
    const { distance: _, points: _p, ...target } = layout.targets[0] as Record<string, unknown>;
    const spots = { kind: "spots", target, spots: [1, 2].map((d) => ({ distance: d, points: d })) };
    const lines = await on(
      "Dao N.",
      changed(fromPattern("board"), title(), { layout: spots, sends: 2 }),
      2,
      "As a team",
    );
    await sees(lines, "Which line will you use?");
    await tap(lines, 2);
    await sees(lines, "Line 2.");
    await press(lines, "HIT");
    await sees(lines, "Player 2, your turn.");
    await tap(lines, 1);
    await press(lines, "HIT");
    await sees(lines, "2 + 1 + 4 = 7");
    await lines.close();
  });

  itLong("the action is chosen before each throw; in Speller one word is thrown and the next rolled", async () => {
    const page = await on(
      "Lorcan T.",
      changed(fromPattern("board"), title(), { choice: "action", sends: 2, bonus: 0 }),
    );
    await sees(page, "How will you do it?");
    await press(page, "Throw it overarm");
    await sees(page, "Throw it at any target you like.");
    await press(page, "Choose again");
    await press(page, "Throw it underarm");
    await tap(page, 2);
    await sees(page, "How will you do it?");
    await page.keyboard.press("2");
    await tap(page, 1);
    await sees(page, "3 + 2 = 5");
    await page.close();
    const words = await on(
      "Quill F.",
      changed(fromPattern("speller"), title(), { ways: ["underarmThrow", "underarmRoll"], list: "sun, sand" }),
    );
    for (const sign of ["S", "U", "N"]) {
      await sees(words, `Throw it at ${sign}.`);
      await press(words, sign);
    }
    await sees(words, "Roll it at S.");
    await words.close();
  });

  itLong("sweep with every touched target counting: several at once, none, or all", async () => {
    const name = title();
    const page = await on("Caspian L.", changed(fromPattern("sweep"), name, { touching: "all" }));
    await sees(page, "4 to go.");
    await press(page, "It touched none");
    const boxes = await page.$$("[aria-label='Tap everything it touched.'] input");
    await boxes[0]!.click();
    await boxes[2]!.click();
    await press(page, "It touched 2");
    await sees(page, "2 to go.");
    await press(page, "Undo");
    await sees(page, "4 to go.");
    await press(page, "All of them");
    await sees(page, "You hit them all!");
    await handIn(page);
    await sees(page, "You got 2 rolls.");
    expect((await keptOf(name))!.score).toMatchObject({ value: 2, finished: true });
    await page.close();
  });

  it("targets are targets set out by the child: dragged or typed, refused by number, shown as they stand, and kept", async () => {
    const name = title();
    const activity = changed(fromPattern("board"), name, { sends: 1, bonus: 0 });
    const page = await on("Willem U.", { ...activity, setOut: { near: 0.8, far: 3.2, width: 2.4, farther: false } });
    await sees(page, "Set out all 3 targets.");
    const type = async (field: string, cm: string) => {
      const box = (await page.waitForSelector(
        `xpath///label[contains(., '${field}')]//input`,
      )) as ElementHandle<Element>;
      await retype(box, cm);
      await page.keyboard.press("Tab");
    };
    await type("cm from the line", "200");
    await type("cm to the right", "50");
    await press(page, "They stand like this");
    await sees(page, /Numbers 1 and 2 need \d+ cm more\./);
    await type("cm to the right", "-60");
    const third = await page.waitForSelector("[aria-label^='3, bucket']");
    await third!.focus();
    for (let i = 0; i < 4; i++) await page.keyboard.press("ArrowUp");
    await press(page, "They stand like this");
    await sees(page, "any target you like.");
    await tap(page, 3);
    await handIn(page);
    await sees(page, "You got 5 points.");
    expect((await keptOf(name))!.score.set.laid).toBe("2,-0.6 1.8,0.6 2.5,-0.1");
    await page.close();
  });

  itLong(
    "a grown-up feeds and has no turn; against a grown-up who uses the other hand, with a head start",
    async () => {
      const name = title();
      const helped = async (page: Page) => {
        await press(page, "Make it fair");
        await press(page, "just helps");
      };
      const short = { sends: 2, bonus: 0 };
      const fed = await playing(
        browser,
        "Amina D.",
        changed(fromPattern("board"), name, short),
        2,
        "Take turns",
        helped,
      );
      for (const count of [3, 1]) {
        await sees(fed, "Amina, your turn.");
        await tap(fed, count);
      }
      await sees(fed, "5 + 2 = 7");
      await handIn(fed);
      await sees(fed, "You got 7 points.");
      expect((await keptOf(name))!.score).toMatchObject({ value: 7, match: null });
      await fed.close();

      const fair = async (page: Page) => {
        await press(page, "Make it fair");
        await sees(page, "other hand");
        const boxes = await page.$$("xpath///label[normalize-space()='other hand']/input");
        await boxes[1]!.click();
        for (let i = 0; i < 4; i++) await press(page, "Player 2: bigger head start");
        await press(page, "Player 2: smaller head start");
      };
      const match = title();
      const game = changed(fromPattern("board"), match, { sends: 1, bonus: 0 });
      const page = await playing(browser, "Sabela C.", game, 2, "Head to head", fair);
      await tap(page, 2);
      await sees(page, "Player 2, your turn.");
      await tap(page, 1);
      await sees(page, "3 + 2 = 5");
      await sees(page, "Player 2 wins!");
      await handIn(page);
      expect((await keptOf(match))!.score).toMatchObject({ value: 3, won: false });
      await page.close();
    },
  );

  it("three-line against: who starts is chosen, a taken square is a lost turn, the first line wins", async () => {
    const page = await playing(
      browser,
      "Suri V.",
      changed(fromPattern("threeLine"), title(), {}),
      2,
      "Head to head",
      async (givenPage) => {
        await sees(givenPage, "Who starts?");
        await press(givenPage, "Draw for it");
        await sees(givenPage, /(Suri|Player 2) starts\./);
        await press(givenPage, "Player 2");
      },
    );
    await sees(page, "Player 2, your turn.");
    const cell = (count: number) =>
      page.waitForSelector(`button[aria-label^="Square ${count}"]`).then((elementHandle) => elementHandle!.click());
    await cell(1);
    await sees(page, "Suri, your turn.");
    await press(page, "In a taken square");
    await cell(1);
    await sees(page, "Player 2, your turn.");
    await cell(2);
    await cell(9);
    await cell(3);
    await sees(page, "Player 2 wins!");
    await page.close();
  });

  it("a child that adds it up itself sees the score once its own is typed", async () => {
    const page = await playing(
      browser,
      "Suri V.",
      changed(fromPattern("board"), title(), { sends: 2, bonus: 0 }),
      1,
      undefined,
      (givenPage) => press(givenPage, "I'll add it up myself"),
    );
    await sees(page, "any target you like.");
    await page.keyboard.press("1");
    await page.keyboard.press("3");
    await sees(page, "What is your score?");
    expect(await page.$eval("main", (element) => (element as HTMLElement).innerText)).not.toContain("7 points");
    await page.type("#added", "7");
    await press(page, "That's my score");
    await sees(page, "Just right!");
    await sees(page, "7 points");
    await page.close();
  });

  it("stack-up: a pin more for each row that falls", async () => {
    const page = await on("Zeb X.", changed(fromPattern("stackUp"), title(), { full: 3, score: "rounds" }));
    await sees(page, "1 pin is standing. Roll 1 of 2.");
    await press(page, "All of them");
    await sees(page, "Set up 2 pins.");
    await press(page, "They are all standing");
    await press(page, "Just type the number");
    await press(page, "1");
    await sees(page, "1 pin is standing. Roll 2 of 2.");
    // Nobody knows which stands: only a number can follow.
    await press(page, "0");
    await sees(page, "Set up 1 pin.");
    for (const count of [1, 2, 3]) {
      await press(page, "They are all standing");
      await sees(page, `${count} ${count === 1 ? "pin is standing" : "pins are standing"}`);
      await press(page, "All of them");
    }
    await sees(page, "The full row is down!");
    await handIn(page);
    await sees(page, "You got 5 rounds.");
    await page.close();
  });

  itLong("streak in seconds: the seconds count by themselves until it drops", async () => {
    const { stages } = fromPattern("streak").pattern.params as { stages: object[] };
    const held = { stages: [{ ...stages[0], task: "balance", count: null, inAll: false }], tries: 2, score: "run" };
    const page = await on("Vesna I.", changed(fromPattern("streak"), title(), held));
    await press(page, "Start counting seconds");
    const said = async () =>
      Number(
        await page.$eval("main [aria-label='The seconds count by themselves'] span", (element) => element.textContent),
      );
    await expect.poll(said).toBeGreaterThanOrEqual(2);
    await press(page, "Dropped it");
    await sees(page, "Start counting seconds");
    await new Promise((resolve) => setTimeout(resolve, 1300));
    expect(await page.$eval("main [aria-label='Start counting seconds'] span", (element) => element.textContent)).toBe(
      "0",
    );
    await press(page, "Dropped it");
    await handIn(page);
    await sees(page, /You got [2-9] seconds/);
    await page.close();
  });

  it("streak: stage by stage with keys alone, a run told after the drop", async () => {
    const page = await on("Quill F.", changed(fromPattern("streak"), title(), { tries: 3 }));
    await sees(page, "Stage 1. Keep it up. 5 more in a row.");
    for (let i = 0; i < 3; i++) await page.keyboard.press("Space");
    await sees(page, "2 more in a row.");
    await page.keyboard.press("x");
    await sees(page, "5 more in a row.");
    await press(page, "Type in a run");
    await page.waitForSelector("main form input");
    await page.$eval("main form input", (input) => (input as HTMLInputElement).select());
    await page.type("main form input", "5");
    await press(page, "That's it");
    await sees(page, "Stage 2.");
    for (let i = 0; i < 2; i++) await press(page, "Dropped it");
    await sees(page, "The go is over.");
    await handIn(page);
    await sees(page, "You got 1 stage.");
    await page.close();
  });

  it("checklist: tasks with their picture, ticked, or every one told", async () => {
    const page = await on("Tamsin Y.", changed(fromPattern("checklist"), title(), { how: "tick" }));
    await sees(page, "Do a task. Then tick it.");
    for (const _ of [1, 2]) {
      await page.waitForSelector("main ul button");
      await page.click("main ul button");
    }
    await sees(page, "3");
    await press(page, "That's all for today");
    await sees(page, "The go is over.");
    await handIn(page);
    await sees(page, "You got 8 times.");
    await page.close();
    const told = { order: "fixed", tasks: [{ task: "clap", times: 2, height: 1, seconds: 10, metres: 4 }] };
    const two = await on("Tamsin Y.", changed(fromPattern("checklist"), title(), told), 2, "Head to head");
    await sees(two, "Toss, clap, catch. 2 to go.");
    await press(two, "Tap for each one");
    await press(two, "Not this time");
    await sees(two, "Player 2, your turn.");
    await press(two, "Tap for each one");
    await press(two, "Tap for each one");
    await sees(two, "Player 2 wins!");
    await two.close();
  });

  it("speller: letters lit where they may be read, a wrong one costs, the word heard is hidden", async () => {
    const short = { list: "sun, and", sends: 8, wrong: "costs" };
    const page = await on("Priya G.", changed(fromPattern("speller"), title(), short));
    await sees(page, "Word 1 of 2.");
    for (const letter of ["S", "D", "U", "N"]) await press(page, letter);
    await sees(page, "Word 2 of 2.");
    for (const letter of ["A", "N", "D"]) await press(page, letter);
    await sees(page, "All words are spelled!");
    await handIn(page);
    await sees(page, "You got 5 letters.");
    await page.close();
    const heard = await on("Priya G.", changed(fromPattern("speller"), title(), { ...short, show: "voice" }));
    await sees(heard, "Word 1 of 2. Letter 1.");
    await sees(heard, "Hear the word");
    expect(
      await heard.$$eval("main svg:has(ellipse) > g text", (all) => all.map((element) => element.textContent)),
    ).toEqual([""]);
    await heard.close();
  });

  it("closest: pieces drawn about the jack, a near tie measured, the round counted", async () => {
    const one = { pieces: 1, finish: { points: 1, rounds: null } };
    const page = await on("Kezia O.", changed(fromPattern("closest"), title(), one), 2, "Head to head");
    await sees(page, "the jack first, between the lines.");
    await press(page, "Too short");
    await press(page, "It stopped between the lines");
    await sees(page, "Piece 1 of 1.");
    await lay(page, 0.5, 0.6);
    await press(page, "It lies here: 24 cm");
    await sees(page, "Player 2, your turn.");
    // Moved by arrow keys from where it begins.
    await page.focus("[role=slider]");
    for (let i = 0; i < 15; i++) await page.keyboard.press("ArrowUp");
    await press(page, "It lies here: 25 cm");
    await sees(page, "So close! Measure these.");
    await press(page, "Measure piece 2 of Player 2");
    await page.$$eval("main form input", (all) => {
      (all[0] as HTMLInputElement).select();
    });
    await page.type("main form input", "21");
    await press(page, "That's it");
    await press(page, "Count the round");
    await sees(page, "Player 2 wins!");
    await page.close();
  });

  it("pass ladder: caught, past, still before; to a partner at the spot the sender changes with it", async () => {
    const short = { marks: [1.5, 2.5], passes: 2, sends: 9, drop: "stay" };
    const page = await on("Umar Z.", changed(fromPattern("passLadder"), title(), short));
    await sees(page, "Spot 1: roll, turn, run. 2 to go.");
    await press(page, "Caught it");
    await press(page, "It was lying there already");
    await press(page, "It got past");
    await sees(page, "Spot 1: roll, turn, run. 1 to go.");
    for (let i = 0; i < 3; i++) await press(page, "Caught it");
    await sees(page, "You passed every spot!");
    await handIn(page);
    await sees(page, "You got 2 spots.");
    await page.close();
    const pair = { ...short, way: { kind: "pair", bounce: false }, passes: 1 };
    const two = await on("Umar Z.", changed(fromPattern("passLadder"), title(), pair), 2, "As a team");
    await press(two, "Dropped it");
    await sees(two, "Umar, your turn.");
    await press(two, "Caught it");
    await sees(two, "Player 2, your turn.");
    await two.close();
  });
});
