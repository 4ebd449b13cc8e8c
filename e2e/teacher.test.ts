import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Page } from "puppeteer-core";
import { beforeAll, describe, expect, inject, it } from "vitest";
import { fromPattern } from "../core/formats/activity.ts";
import {
  base,
  choose,
  drag,
  itLong,
  open,
  owner,
  press,
  ready,
  retype,
  sees,
  tabs,
  teacherPage,
  text,
} from "./help.ts";

const browser = tabs();
let page: Page;
beforeAll(async () => {
  page = await teacherPage(browser);
});

/** What a drag changed begins to be saved once it has paused: until then the page still says that all is saved. */
async function saved(givenPage: Page): Promise<void> {
  await new Promise((done) => setTimeout(done, 500));
  await givenPage.waitForSelector("[data-save=saved]");
}
const peg = (givenPage: Page, id: string) => givenPage.waitForSelector(`[data-peg=${id}]`);
const metresOf = async (givenPage: Page, id: string) =>
  Number(await (await peg(givenPage, id))!.evaluate((element) => element.getAttribute("aria-valuenow")));
const rate = (givenPage: Page, id: string, row: number) =>
  givenPage.$eval(`[data-rate="${id}:${row}"] text`, (element) => Number.parseInt(element.textContent ?? "", 10));

const focusPeg = (givenPage: Page, id: string) =>
  givenPage.$eval(`[data-peg=${id}]`, (element) => (element as SVGElement).focus());

async function fresh(pattern: string): Promise<string> {
  // A page behind another one draws nothing, and takes no drag.
  await page.bringToFront();
  await open(page, `${base}/activities`);
  await page.$$eval(
    "button[value=new]",
    (all, name) => (all.find((button) => button.textContent?.startsWith(name)) as HTMLElement).click(),
    pattern,
  );
  await page.waitForSelector("[data-peg]");
  await ready(page);
  return page.url().split("?")[0]!;
}

describe("signing in", () => {
  it("refuses a wrong password in words, keeps what was typed, and works without a script", async () => {
    const context = await browser.createBrowserContext();
    const p = await context.newPage();
    await p.setJavaScriptEnabled(false);
    await p.goto(`${base}/week`);
    expect(p.url()).toContain("/sign-in?to=%2Fweek");
    await p.type("input[name=email]", inject("email"));
    await p.type("input[name=password]", "not the password");
    await Promise.all([p.waitForNavigation(), p.click("button[type=submit]")]);
    expect(await text(p)).toContain("do not match");
    expect(await p.$eval("input[name=email]", (input) => (input as HTMLInputElement).value)).toBe(inject("email"));
    await p.type("input[name=password]", inject("password"));
    await Promise.all([p.waitForNavigation(), p.click("button[type=submit]")]);
    expect(p.url()).toBe(`${base}/week`);
    const cookies = await context.cookies();
    expect(cookies.find((cooky) => cooky.name === "yard")).toMatchObject({ httpOnly: true, sameSite: "Lax" });
    await context.close();
  });
});

describe("the workbench", () => {
  it("drags a peg: rates, forecast and plan follow, it saves as it goes, and undo takes it back", async () => {
    const url = await fresh("Climb");
    await page.waitForSelector("[data-strip=ready]");
    const before = await rate(page, "t3", 1);
    // Each part of the forecast opens a picture with something drawn in it.
    for (const part of [1, 2, 3, 4]) {
      await page.click(`[data-strip] > button:nth-of-type(${part})`);
      await page.waitForSelector("[role=dialog] .recharts-bar-rectangle path");
      await page.keyboard.press("Escape");
      await page.waitForSelector("[role=dialog]", { hidden: true });
    }
    const strip = await text(page, "[data-strip]");
    await drag(page, "[data-peg=t3]", { dx: 60, dy: 0, down: 14 });
    await expect.poll(() => metresOf(page, "t3")).toBeGreaterThan(3.2);
    await expect.poll(() => rate(page, "t3", 1)).toBeLessThan(before);
    await page.waitForFunction(
      (old) => (document.querySelector("[data-strip]") as HTMLElement).innerText !== old,
      {},
      strip,
    );
    await saved(page);
    await open(page, url);
    const there = await metresOf(page, "t3");
    expect(there).toBeGreaterThan(3.2);
    await focusPeg(page, "t3");
    await page.keyboard.press("ArrowLeft");
    await expect.poll(() => metresOf(page, "t3")).toBeCloseTo(there - 0.1, 5);
    await page.keyboard.press("u");
    await expect.poll(() => metresOf(page, "t3")).toBeCloseTo(there, 5);
    await press(page, "Redo");
    await expect.poll(() => metresOf(page, "t3")).toBeCloseTo(there - 0.1, 5);
    await page.keyboard.down("Shift");
    await focusPeg(page, "t3");
    await page.keyboard.press("ArrowRight");
    await page.keyboard.up("Shift");
    await expect.poll(() => metresOf(page, "t3")).toBeCloseTo(there - 0.1 + 0.5, 1);
    await saved(page);
  });

  it("drags a target on the plan along and aside, tape and plan stay one, clashes are said, arrows move it, undo takes it back", async () => {
    const page = await teacherPage(browser);
    await open(page, `${base}/activities`);
    await page.$$eval("button[value=new]", (all) =>
      all.find((button) => button.textContent?.startsWith("Climb"))!.click(),
    );
    await page.waitForSelector("[data-strip=ready]");
    await page.bringToFront();
    const where = () => page.$eval("[data-mark=t2]", (element) => element.getAttribute("aria-label")!);
    const peg = () => page.$eval("[data-peg=t2]", (element) => Number(element.getAttribute("aria-valuenow")));
    const begun = await where();
    await drag(page, "[data-mark=t2] circle", { dx: 60, dy: -20 });
    await page.waitForFunction(
      (word) => document.querySelector("[data-mark=t2]")!.getAttribute("aria-label") !== word,
      {},
      begun,
    );
    const [, along] = /: (\d\.\d+) m/.exec(await where())!;
    expect(await peg()).toBeCloseTo(Number(along), 6);
    expect(Math.round(Number(along) * 100) % 10).toBe(0);
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("ArrowDown");
    await expect.poll(peg).toBeCloseTo(Number(along) + 0.1, 6);
    for (let i = 0; i < 2; i++) await press(page, "Undo");
    await expect.poll(where).toBe(begun);
    // Pushed to the edge of the space it clashes, and says so.
    for (let i = 0; i < 8; i++)
      await page
        .$eval("[data-mark=t2]", (element) => (element as SVGGElement).focus())
        .then(() => page.keyboard.press("ArrowDown"));
    await sees(page, "2 box is outside the space");
    const arrange = (how: string) => choose(page, "Arrange all targets", how);
    await arrange("In a line");
    await sees(page, /hides \d+% of/);
    await press(page, "Undo");
    const mirrored = await where();
    await arrange("Mirror");
    await expect.poll(where).not.toBe(mirrored);
    await arrange("Spread evenly");
    await page.close();
  });

  itLong("saves an undo that was made while a save was still running", async () => {
    const url = await fresh("Climb");
    await saved(page);
    const there = await metresOf(page, "t2");
    // A slow network: a save waits until it is let through.
    await page.evaluate(() => {
      const real = window.fetch;
      window.fetch = async (...a: Parameters<typeof fetch>) => {
        const box = document.body.dataset;
        if (String(a[0]).endsWith("/save")) {
          box.saves = String(Number(box.saves ?? 0) + 1);
          while (Number(box.through ?? 0) < Number(box.saves)) await new Promise((resolve) => setTimeout(resolve, 20));
        }
        return real(...a);
      };
    });
    const saves = (count: number) => page.waitForSelector(`body[data-saves="${count}"]`);
    const through = (count: number) =>
      page.evaluate((k) => document.body.setAttribute("data-through", String(k)), count);
    await focusPeg(page, "t2");
    await page.keyboard.press("ArrowRight");
    await saves(1);
    await press(page, "Undo");
    await expect.poll(() => metresOf(page, "t2")).toBeCloseTo(there, 5);
    await through(1);
    await saves(2);
    const kept = () =>
      page.evaluate(async (eachUrl) => {
        const doc = await (await fetch(`${eachUrl}/file`)).json();
        return doc.pattern.params.ladder.targets[1].distance as number;
      }, url);
    expect(await kept()).toBeCloseTo(there + 0.1, 5);
    await through(2);
    await expect.poll(kept).toBeCloseTo(there, 5);
  });

  it("drags by touch, and lines of bands never cross", async () => {
    await fresh("Bands");
    const box = (await (await peg(page, "b2"))!.boundingBox())!;
    const x = box.x + box.width / 2;
    await page.touchscreen.touchStart(x, box.y + 12);
    for (let i = 1; i <= 6; i++) await page.touchscreen.touchMove(x + i * 60, box.y + 12);
    await page.touchscreen.touchEnd();
    await expect.poll(async () => (await metresOf(page, "b3")) - (await metresOf(page, "b2"))).toBeCloseTo(0.1, 5);
  });

  it("leaves the family something to set, within what the teacher gives, and takes it back", async () => {
    const url = await fresh("Climb");
    await open(page, `${url}?station=players`);
    const of = async () => {
      await saved(page);
      return page.evaluate(
        async (at) => ((await (await fetch(`${at}/file`)).json()) as { family: unknown }).family,
        url,
      );
    };
    await press(page, "Rolls per go");
    const field = (words: string) =>
      page.waitForSelector(`[aria-label="Rolls per go: what the family may choose"] ::-p-aria(${words})`);
    await retype((await field("from"))!, "12");
    await retype((await field("to"))!, "14");
    await page.waitForFunction(() => document.querySelector("[data-save=saved]"));
    await expect.poll(of).toEqual([{ field: "params.tries", values: [12, 13, 14] }]);
    await press(page, "Rolls per go");
    await expect.poll(of).toEqual([]);
    await page.keyboard.press("u");
    await expect.poll(of).toEqual([{ field: "params.tries", values: [12, 13, 14] }]);
  });

  it("names what is not allowed beside its field, saves nothing broken, and loses nothing typed", async () => {
    const url = await fresh("Climb");
    await focusPeg(page, "t5");
    const field = (await page.waitForSelector(
      "xpath///label[contains(., 'Distance from the start line')]/../..//input",
    ))!;
    await retype(field, "-3");
    await sees(page, "Distance from the start line must be from 0.3 to 30 m.");
    expect(await field.evaluate((element) => (element as HTMLInputElement).value)).toBe("-3");
    await retype(field, "9");
    await sees(page, "arget 5 at 9 m is outside the space, which is 5.6 m long");
    await page.waitForSelector("[data-save=mend]");
    await open(page, url);
    await sees(page, "We have restored what you typed here before.");
    await expect.poll(() => metresOf(page, "t5")).toBe(9);
    await press(page, "Undo");
    await saved(page);
  });

  it("lets a person choose when two tabs changed the same activity", async () => {
    const url = await fresh("Climb");
    const other = await browser.newPage();
    await other.setViewport({ width: 1280, height: 800 });
    await open(other, url);
    await page.bringToFront();
    await focusPeg(page, "t1");
    await page.keyboard.press("ArrowRight");
    await saved(page);
    await new Promise((resolve) => setTimeout(resolve, 900));
    await saved(page);
    await other.bringToFront();
    await focusPeg(other, "t2");
    await other.keyboard.press("ArrowRight");
    await sees(other, "This activity was changed somewhere else");
    await press(other, "Keep this version");
    await saved(other);
    await page.bringToFront();
    await focusPeg(page, "t4");
    await page.keyboard.press("ArrowRight");
    await sees(page, "This activity was changed somewhere else");
    await press(page, "Use the other version");
    await expect.poll(() => metresOf(page, "t2")).toBeCloseTo(2.2, 5);
    await other.close();
    await page.bringToFront();
  });

  it("keeps unsaved work when the session ends, and saves it after signing in on the spot", async () => {
    await fresh("Climb");
    const sql = owner();
    await sql`delete from session`;
    await sql.end();
    await focusPeg(page, "t1");
    await page.keyboard.press("ArrowRight");
    await sees(page, "You were signed out");
    await page.type("[role=dialog] input[name=email]", inject("email"));
    await page.type("[role=dialog] input[name=password]", inject("password"));
    await press(page, "Sign in and save");
    await saved(page);
    await expect.poll(() => metresOf(page, "t1")).toBeCloseTo(1.5, 5);
  });

  itLong("opens its own file, and names what is wrong with any other", async () => {
    const dir = mkdtempSync(join(tmpdir(), "yard-files-"));
    const openFile = async (name: string, content: string) => {
      writeFileSync(join(dir, name), content);
      await open(page, `${base}/activities`);
      await (await page.waitForSelector("input[type=file]"))!.uploadFile(join(dir, name));
      await press(page, "Import");
    };
    await openFile("broken.json", "{");
    await sees(page, "broken.json is not a JSON file");
    await openFile("newer.json", JSON.stringify({ ...fromPattern("climb"), version: 3 }));
    await sees(page, "his document has version 3; this program reads versions 1 and 2");
    const bands = fromPattern("bands");
    await openFile(
      "overlap.json",
      JSON.stringify({
        ...bands,
        pattern: { name: "bands", params: { ...bands.pattern.params, lines: [1.2, 1.1, 2.2, 2.6, 2.9] } },
      }),
    );
    await sees(page, "bands overlap: line 2 (1.1 m)");
    await openFile("good.json", JSON.stringify({ ...bands, title: "From a colleague" }));
    await page.waitForSelector("[data-peg]");
    expect(await page.$eval("input[aria-label=Title]", (input) => (input as HTMLInputElement).value)).toBe(
      "From a colleague",
    );
  });
});

describe("sending and reading", () => {
  it("sends to a class, one private link a child, messages in the outbox, results to mark and to type in, CSV out", async () => {
    const url = await fresh("Bands");
    await retype((await page.waitForSelector("input[aria-label=Title]"))!, "Landing test");
    await press(page, "Send");
    await saved(page);
    await new Promise((resolve) => setTimeout(resolve, 1000));
    await saved(page);
    const tries = (await page.waitForSelector("input[name=tries]"))!;
    await retype(tries, "0");
    await press(page, "Send to the class");
    await sees(page, "At least 1 go must count.");
    expect(await page.$eval("input[name=tries]", (input) => (input as HTMLInputElement).value)).toBe("0");
    await retype((await page.waitForSelector("input[name=tries]"))!, "2");
    await page.type("input[name=mark]", "30");
    await press(page, "Send to the class");
    await sees(page, "0 of 28");
    const results = page.url().split("?")[0]!;
    await open(page, `${base}/outbox`);
    await sees(page, "Landing test: a game for");
    const child = await page.$eval("tr[data-row='0'] th", (element) => element.textContent!);
    await page.click("tr[data-row='0'] a");
    await sees(page, `To the family of ${child}`);
    const link = await page.$eval("main section a[href*='/f/']", (eachLink) => eachLink.getAttribute("href")!);
    expect(link).toMatch(/\/f\/[\w-]{22}\.[\w-]{22}$/);
    const home = await browser.newPage();
    await open(home, link);
    await sees(home, "Landing test");
    await home.close();
    await open(page, results);
    await sees(page, child);
    await page.select(
      "select[name=cardId]",
      await page.$$eval(
        "select[name=cardId] option",
        (os, words) => (os.find((element) => element.textContent === words) as HTMLOptionElement).value,
        child,
      ),
    );
    await page.type("input[name=value]", "12.5");
    await press(page, "Add score");
    await sees(page, "Type the score as the game gives it.");
    await retype((await page.waitForSelector("input[name=value]"))!, "37");
    await press(page, "Add score");
    await sees(page, "The score has been added.");
    await sees(page, "1 of 28");
    await press(page, "By child");
    await sees(page, /37\s+paper/);
    const csv = await page.evaluate(async (eachUrl) => (await fetch(`${eachUrl}/csv`)).text(), results);
    expect(csv.split("\r\n")[0]).toContain("child,age");
    expect(csv).toContain(`${child},`);
    expect(csv).toContain(",37,,points,");
    expect(url).toContain("/activities/");
  });

  it("pressed twice sends once, says to whom, and can be taken back, closed, opened longer and given to one more", async () => {
    const sql = owner();
    await fresh("Climb");
    await retype((await page.waitForSelector("input[aria-label=Title]"))!, "Pressed twice");
    await press(page, "Send");
    await saved(page);
    await new Promise((resolve) => setTimeout(resolve, 1000));
    await saved(page);
    // A mark in another unit than the game's is asked for again, and what was typed stays.
    await page.type("input[name=mark]", "1:30");
    await press(page, "Send to the class");
    await sees(page, "The score to beat must be a score of this game.");
    expect(await page.$eval("input[name=mark]", (input) => (input as HTMLInputElement).value)).toBe("1:30");
    await retype((await page.$("input[name=mark]"))!, "12 points");
    await page.$eval("#send-form details", (element) => {
      (element as HTMLDetailsElement).open = true;
    });
    const boxes = await page.$$("input[name=children]");
    for (const box of boxes.slice(0, 2)) await box.click();
    const button = (await page.waitForSelector("#send-form button[value=send]"))!;
    expect(await button.evaluate((eachButton) => eachButton.textContent)).toBe("Send to 2 children");
    await button.evaluate((eachButton) => {
      (eachButton as HTMLElement).click();
      (eachButton as HTMLElement).click();
    });
    await sees(page, "You sent Pressed twice to 2 children in");
    const count = async () =>
      (
        await sql`select count(*)::int as n, (select count(*)::int from message m where m.assignment_id in (select a.id from assignment a join revision r on r.id = a.revision_id where r.document->>'title' = 'Pressed twice')) as messages
        from assignment a join revision r on r.id = a.revision_id where r.document->>'title' = 'Pressed twice'`
      )[0]!;
    expect(await count()).toEqual({ n: 1, messages: 2 });
    await sees(page, "beat your score of 12 points");
    const unsend = async () => {
      await press(page, "More about this activity");
      await (await page.waitForSelector("[role=menuitem] ::-p-text(Unsend)"))!.click();
      await sees(page, "You have unsent this. Families can't open it");
    };
    await unsend();
    await press(page, "Undo unsending");
    await sees(page, "Close now");
    await unsend();
    await press(page, "Send again");
    await sees(page, "Close now");
    await press(page, "Close now");
    await sees(page, "Reopen until");
    await page.$eval("input[name=closesAt]", (input) => {
      (input as HTMLInputElement).value = "2020-01-01T10:00";
    });
    await press(page, "Save");
    await sees(page, "The closing time must be later than the opening time.");
    const ahead = new Date(Date.now() + 5 * 86_400_000).toISOString().slice(0, 11);
    await page.$eval(
      "input[name=closesAt]",
      (input, value) => {
        (input as HTMLInputElement).value = value;
      },
      `${ahead}16:00`,
    );
    await press(page, "Save");
    await sees(page, "Close now");
    const one = await page.$eval("select[name=childId] option", (element) => element.textContent!);
    await page.$eval("button[value=oneMore]", (eachButton) => (eachButton as HTMLElement).click());
    await sees(page, `${one} has it now.`);
    expect((await count()).messages).toBe(3);
    await sql.end();
  });

  it("a score from paper is asked for as the game gives it, added once, corrected with a reason, and taken back", async () => {
    const title = "Pressed twice";
    await open(page, `${base}/results`);
    await page.$$eval(
      "tbody th a",
      (as, words) => (as.find((link) => link.textContent?.startsWith(words)) as HTMLElement).click(),
      title,
    );
    await page.waitForSelector("input[name=value]");
    const child = await page.$eval("select[name=cardId] option", (element) => element.textContent!);
    await retype((await page.$("input[name=value]"))!, "999");
    await press(page, "Add score");
    await sees(page, "This game gives");
    expect(await page.$eval("input[name=value]", (input) => (input as HTMLInputElement).value)).toBe("999");
    const [, second, third] = (
      await page.$eval("input[name=value]", (input) => input.closest(".field")!.querySelector(".hint")!.textContent!)
    )
      .split(", ")
      .map(Number) as [number, number, number];
    await retype((await page.$("input[name=value]"))!, String(third));
    await page.$eval("button[value=paper]", (button) => {
      (button as HTMLElement).click();
      (button as HTMLElement).click();
    });
    await sees(page, "The score has been added.");
    // What is expected comes a moment later, and moves what stands below it.
    await page.waitForFunction(() => !document.body.innerText.includes("Working out what to expect"));
    expect(
      await page.$eval("section:last-of-type input[name=value]", (input) => (input as HTMLInputElement).value),
    ).toBe("");
    await press(page, "By child");
    await page.waitForSelector("tbody tr[data-row]");
    await press(page, `Open ${child}`);
    await page.waitForSelector("td details summary");
    expect(await page.$$("td details summary[aria-label*='from paper']")).toHaveLength(1);
    const unfold = () =>
      page.$eval("td details:has(summary[aria-label*='from paper'])", (element) => {
        (element as HTMLDetailsElement).open = true;
      });
    await unfold();
    await retype((await page.$("td input[name=value]"))!, `${second} points`);
    await page.type("td form:first-of-type input[name=reason]", "Read it wrong");
    await press(page, "Correct score");
    await sees(page, "paper, corrected");
    await unfold();
    await sees(page, `Noor Fenwick: Read it wrong, ${third} points → ${second} points`);
    await page.type("td form:last-of-type input[name=reason]", "Of another child");
    await press(page, "Remove score");
    await sees(page, "removed");
    await sees(page, "No score counts yet");
    await unfold();
    await page.type("td form:last-of-type input[name=reason]", "It was right");
    await press(page, "Restore score");
    await sees(page, new RegExp(`${child.replace(".", "\\.")}[\\s\\S]*?${second} point`));
  });

  it("marks a criterion, which stays", async () => {
    await open(page, `${base}/results`);
    await page.$$eval("tbody th a", (as) =>
      (as.find((link) => link.textContent?.startsWith("Hallway climb")) as HTMLElement).click(),
    );
    await press(page, "Criteria");
    await page.waitForSelector("tbody select[name=mark]");
    const label = await page.$eval("tbody select[name=mark]", (select) => select.getAttribute("aria-label"));
    await Promise.all([
      // Other things may be asked for by the page itself.
      page.waitForResponse((hTTPResponse) => hTTPResponse.request().postData()?.includes("mark=nearly") ?? false),
      page.select(`select[aria-label="${label}"]`, "nearly"),
    ]);
    await page.reload();
    await ready(page);
    expect(await page.$eval(`select[aria-label="${label}"]`, (select) => (select as HTMLSelectElement).value)).toBe(
      "nearly",
    );
  });

  it("withdraws a link at once, and a new one is another address", async () => {
    await open(page, `${base}/homes`);
    const menuOf = async (entry: string) => {
      await press(page, "Actions for Sabela C.");
      return (await page.waitForSelector(`[role=menuitem] ::-p-text(${entry})`))!;
    };
    const address = async () => {
      const path = await (await menuOf("Open their page")).evaluate((link) => link.closest("a")!.getAttribute("href")!);
      await page.keyboard.press("Escape");
      return path;
    };
    const old = await address();
    await (await menuOf("Turn off link")).click();
    await sees(page, "Link turned off.");
    await sees(page, /Sabela C\.[\s\S]*?link off/i);
    expect((await fetch(base + old)).status).toBe(410);
    await (await menuOf("Turn on link")).click();
    await sees(page, "Link turned on again.");
    expect((await fetch(base + old)).status).toBe(200);
    await (await menuOf("Replace link")).click();
    await sees(page, "Link replaced.");
    // The row follows a moment after the message.
    await expect.poll(address).not.toBe(old);
    const next = await address();
    expect((await fetch(base + next)).status).toBe(200);
    expect((await fetch(base + old)).status).toBe(410);
  });

  it("copies an activity, puts it away and takes it back", async () => {
    await open(page, `${base}/activities`);
    const first = await page.$eval("main li a.font-head", (link) => link.textContent!);
    await press(page, `Actions for ${first}`);
    await (await page.waitForSelector("[role=menuitem] ::-p-text(Copy)"))!.click();
    await page.waitForSelector("input[aria-label=Title]");
    expect(await page.$eval("input[aria-label=Title]", (input) => (input as HTMLInputElement).value)).toBe(
      `${first}, copy`,
    );
    await open(page, `${base}/activities`);
    await press(page, `Actions for ${first}, copy`);
    await (await page.waitForSelector("[role=menuitem] ::-p-text(Archive)"))!.click();
    await sees(page, "Activity archived.");
    await press(page, "Undo archiving the activity");
    await page.waitForFunction((eachText) => document.body.innerText.includes(eachText), {}, `${first}, copy`);
  });
});
