import { randomUUID } from "node:crypto";
import { writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { KeyInput, Page } from "puppeteer-core";
import { describe, expect, inject, it } from "vitest";
import {
  base,
  beginPlay,
  cardOf,
  choose,
  handIn,
  itLong,
  linkOf,
  open,
  owner,
  phone,
  press,
  sees,
  tabs,
  teacherPage,
  text,
  title,
} from "./help.ts";

const browser = tabs();

/** A school of its own with one teacher and an empty class, and its sign-in. */
async function emptySchool() {
  const { addSchool } = await import("../server/db/add-school.ts");
  const email = `first-${randomUUID().slice(0, 8)}@example.org`;
  const sql = owner();
  await addSchool(sql, {
    school: "First Hour School",
    zone: "UTC",
    teachers: [{ email, name: "F. Hour", password: "a long password", classes: ["One"] }],
    homes: [],
    classes: [{ name: "One", children: [] }],
  });
  await sql.end();
  return email;
}
async function signedIn(email: string): Promise<Page> {
  const { signIn } = await import("../scripts/lib/browser.mjs");
  const context = await browser.createBrowserContext();
  const page = await context.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await signIn(page, base, email, "a long password");
  return page;
}
const focusIn = (page: Page) => page.evaluate(() => document.activeElement?.textContent ?? "");

describe("an empty school", () => {
  it("is led from no children to the first card, and is told nothing that is not so", async () => {
    const page = await signedIn(await emptySchool());
    await open(page, `${base}/week`);
    await sees(page, "Your first hour");
    await press(page, "Add child");
    await sees(page, "No children in this class yet");
    await press(page, "Invite to the survey");
    await sees(page, "This class has no children yet.");
    expect(await text(page)).not.toContain("Everyone has been asked already");
    await page.waitForSelector("details[open] input[name=name]");
    await page.type("input[name=name]", "Ada Lovelace");
    await page.type("input[name=age]", "7");
    await press(page, "Add child");
    await sees(page, "This looks like a full name. Write Ada L. instead.");
    // Nothing typed is lost, and the focus is where it is to be mended.
    expect(await page.$eval("input[name=name]", (input) => (input as HTMLInputElement).value)).toBe("Ada Lovelace");
    await page.$eval("input[name=name]", (input) => (input as HTMLInputElement).select());
    await page.type("input[name=name]", "Ada L.");
    await press(page, "Add child");
    await sees(page, "Ada L. has been added.");
    await page.waitForFunction(() => {
      const field = document.querySelector<HTMLInputElement>("details[open] input[name=name]");
      return field?.value === "" && document.activeElement === field;
    });
    await page.type("input[name=name]", "ada l.");
    await page.type("input[name=age]", "8");
    await press(page, "Add child");
    await sees(page, "Ada l. is already in this class.");
    await open(page, `${base}/activities`);
    await page.$$eval("button[value=new]", (all) => (all[0] as HTMLElement).click());
    await page.waitForSelector("[data-peg]");
    // Called by what it is, with cues to begin with.
    expect(await page.$eval("input[aria-label=Title]", (input) => (input as HTMLInputElement).value)).toBe(
      "Climb, underarm roll",
    );
    await sees(page, "4 cues, 3 criteria");
    await press(page, "Send");
    await press(page, "Send to the class");
    await sees(page, "to 1 child in One");
    await press(page, "Links and QR codes for One");
    await sees(page, "Links for One");
    await sees(page, "Ada L.");
    await open(page, `${base}/week`);
    await sees(page, "The first card");
    await page.browserContext().close();
  });

  itLong("is loaded from a file with one command; a broken file gives one clear line", async () => {
    const { spawnSync } = await import("node:child_process");
    const { root } = await import("../scripts/lib/root.mjs");
    const run = (content: string, command = [join(root, "node_modules/.bin/tsx"), "server/db/add-school-cli.ts"]) => {
      const file = join(tmpdir(), `school-${randomUUID()}.json`);
      writeFileSync(file, content);
      const done = spawnSync(command[0]!, [...command.slice(1), file], {
        cwd: root,
        encoding: "utf8",
        env: { ...process.env, DATABASE_URL: inject("ownerUrl") },
      });
      return { code: done.status, told: `${done.stdout}${done.stderr}`.trim() };
    };
    const email = `file-${randomUUID().slice(0, 8)}@example.org`;
    const school = {
      school: "By File",
      zone: "Europe/London",
      teachers: [{ email, name: "B. File", password: "a long password", classes: ["One"] }],
      homes: [],
      classes: [{ name: "One", children: [{ name: "Bo T.", age: 8, leftHanded: false, homes: [] }] }],
    };
    const added = run(JSON.stringify(school), [process.execPath, "scripts/school.mjs"]);
    expect(added).toMatchObject({ code: 0 });
    expect(added.told).toContain("By File was added.");
    for (const [content, words] of [
      ["{ not json", "this is not JSON"],
      [JSON.stringify({ ...school, zone: "Mars/Base" }), "zone must be an IANA time zone"],
      [JSON.stringify(school), "e-mail address already exists"],
    ] as const) {
      const { code, told } = run(content);
      expect(code).not.toBe(0);
      expect(told.split("\n")).toHaveLength(1);
      expect(told).toContain(words);
    }
  });
});

describe("ways back", () => {
  it("undo survives closing the tab", async () => {
    const page = await teacherPage(browser);
    await open(page, `${base}/activities`);
    await page.$$eval("button[value=new]", (all) => (all[0] as HTMLElement).click());
    await page.waitForSelector("[data-peg]");
    const at = () => page.$eval("[data-peg=t1]", (element) => Number(element.getAttribute("aria-valuenow")));
    const before = await at();
    await page.$eval("[data-peg=t1]", (element) => (element as SVGElement).focus());
    await page.keyboard.press("ArrowRight");
    await page.waitForFunction(
      (was) => Number(document.querySelector("[data-peg=t1]")!.getAttribute("aria-valuenow")) !== was,
      {},
      before,
    );
    const moved = await at();
    await page.waitForSelector("[data-save=waiting], [data-save=saved]");
    await page.waitForFunction(() => localStorage.getItem("yard-undo") !== null);
    const url = page.url();
    await page.close();
    const again = await teacherPage(browser);
    await open(again, url);
    const now = () => again.$eval("[data-peg=t1]", (element) => Number(element.getAttribute("aria-valuenow")));
    expect(await now()).toBe(moved);
    await again.keyboard.press("u");
    await expect.poll(now).toBe(before);
    // A copy is another activity, from its title to its versions.
    await again.waitForSelector("[data-save=saved]");
    await choose(again, "More for this activity", "Copy activity");
    await again.waitForFunction(
      (was) =>
        location.href !== was &&
        document.querySelector<HTMLInputElement>("input[aria-label=Title]")!.value.endsWith(", copy"),
      {},
      url,
    );
    await again.$eval("[data-peg=t1]", (element) => (element as SVGElement).focus());
    await again.keyboard.press("ArrowRight");
    await again.waitForSelector("[data-save=waiting]");
    await again.waitForSelector("[data-save=saved]");
    expect(await text(again)).not.toContain("changed somewhere else");
    await again.close();
  });

  it("a put-away activity has a shelf, is found, and comes back", async () => {
    const page = await teacherPage(browser);
    await open(page, `${base}/activities`);
    await page.$$eval("button[value=new]", (all) => (all[1] as HTMLElement).click());
    await page.waitForSelector("[data-peg]");
    const title = await page.$eval("input[aria-label=Title]", (input) => (input as HTMLInputElement).value);
    await open(page, `${base}/activities?find=${encodeURIComponent(title)}`);
    await press(page, `Actions for ${title}`);
    await (await page.waitForSelector("[role=menuitem] ::-p-text(Archive)"))!.click();
    await sees(page, "Activity archived.");
    await open(page, `${base}/activities`);
    await page.$$eval("details summary", (all) =>
      (all.find((element) => element.textContent?.startsWith("Archive")) as HTMLElement).click(),
    );
    await press(page, `Restore ${title}`);
    await page.waitForFunction(
      (eachText) =>
        [...document.querySelectorAll("main li a.font-head")].some((element) => element.textContent === eachText),
      {},
      title,
    );
    await open(page, `${base}/activities?find=nothing+is+called+so`);
    await sees(page, "None of your activities matches these words.");
    await page.close();
  });

  it("links go out without a mail service: copied, as CSV, as codes that lead there, and cards of a class on paper", async () => {
    const page = await teacherPage(browser);
    const sql = owner();
    const [row] =
      await sql`select c.id from class c join school s on s.id = c.school_id where c.name = 'Heron class' and s.name = 'Tidewell Bridge School'`;
    const [record] =
      await sql`select a.id from assignment a where a.class_id = ${row!.id} and a.withdrawn_at is null order by a.opens_at limit 1`;
    await sql.end();
    await open(page, `${base}/classes/${row!.id}/links`);
    const link = await linkOf("Ilse P.");
    await sees(page, new URL(link).pathname);
    const csv = await page.evaluate(async (at) => (await fetch(at)).text(), `/classes/${row!.id}/links.csv`);
    expect(csv).toContain(`Heron class,Ilse P.,${link}`);
    // The code holds that very address.
    const { squareCode } = await import("../server/links/qr-code.ts");
    const drawn = await page.$eval("svg[aria-label='QR code for Ilse P.'] path", (element) =>
      element.getAttribute("d"),
    );
    expect(drawn).toBe(squareCode(link).path);
    await open(page, `${base}/results/${record!.id}/sheets`);
    const sheets = await page.$$eval("article.sheet", (all) => all.length);
    expect(sheets).toBeGreaterThan(20);
    // One page each, even with the longest safety check of all homes.
    for (const format of ["A4", "Letter"] as const) {
      const pdf = await page.pdf({ format, preferCSSPageSize: false });
      const pages = Buffer.from(pdf)
        .toString("latin1")
        .match(/\/Type\s*\/Page\b/g);
      expect(pages, format).toHaveLength(sheets);
    }
    await open(page, `${base}/results/${record!.id}?tab=children`);
    await press(page, "Actions for Ilse P.");
    await (await page.waitForSelector("[role=menuitem] ::-p-text(Print the card for Ilse P.)"))!.click();
    await sees(page, "A game for Ilse");
    expect(await page.$$eval("article.sheet", (all) => all.length)).toBe(1);
    await page.close();
  });
});

describe("by keyboard on the teacher's side", () => {
  it("moves the focus into the new page after following a link", async () => {
    const page = await teacherPage(browser);
    await open(page, `${base}/week`);
    await page.focus("main a[href='/how']");
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => document.activeElement?.id === "main" && location.pathname === "/how");
    await page.close();
  });

  it("goes from nothing to a sent activity in at most 25 key actions", async () => {
    const page = await teacherPage(browser);
    await open(page, `${base}/week`);
    let actions = 0;
    const key = (name: KeyInput) => {
      actions++;
      return page.keyboard.press(name);
    };
    const type = (words: string) => {
      actions++;
      return page.keyboard.type(words);
    };
    const focused = (of: string) => page.waitForFunction((s) => document.activeElement?.matches(s), {}, of);
    await key("/");
    await page.waitForSelector("[cmdk-item]");
    await type("new climb");
    await page.waitForFunction(() => document.querySelector("[cmdk-item]")?.textContent?.startsWith("New Climb"));
    await key("Enter");
    await page.waitForSelector("[data-strip=ready]");
    await key("1");
    await focused("h2");
    await key("Tab");
    await key("Tab");
    await focused("textarea");
    const outcome = `Roll so that it stops near ${title()}`;
    await type(outcome);
    await key("Tab");
    await key("8");
    await focused("h2");
    await key("Tab");
    await focused("select[name=classId]");
    await page.waitForSelector("button[value=send]:not(:disabled)");
    actions++;
    await page.keyboard.down("Control");
    await page.keyboard.press("Enter");
    await page.keyboard.up("Control");
    await page.waitForFunction(() => /^\/results\/[0-9a-f-]+$/.test(location.pathname));
    await sees(page, "Climb, underarm roll");
    expect(actions).toBeLessThanOrEqual(25);
    const sql = owner();
    const [sent] =
      await sql`select r.document->'aim'->>'outcome' as outcome from assignment a join revision r on r.id = a.revision_id where a.id = ${page.url().split("/results/")[1]!.slice(0, 36)}`;
    await sql.end();
    expect(sent!.outcome).toBe(outcome);
    await page.close();
  });

  it("the send panel notes a missing outcome, and links to it for the same class", async () => {
    const page = await teacherPage(browser);
    await open(page, `${base}/activities`);
    await page.$$eval("button[value=new]", (all) => (all[0] as HTMLElement).click());
    await page.waitForSelector("[data-peg]");
    const sql = owner();
    const [otter] = await sql`select id from class where name = 'Otter class'`;
    await sql.end();
    const { origin, pathname } = new URL(page.url());
    await open(page, `${origin}${pathname}?class=${otter!.id}&station=send`);
    await sees(page, "This activity has no learning outcome yet.");
    await press(page, "Add one at Aim");
    await page.waitForFunction(() => document.activeElement?.textContent === "Aim");
    expect(new URL(page.url()).searchParams.get("class")).toBe(otter!.id);
    await page.close();
  });

  it("a station leads to its panel, what is chosen moves by arrows, keys of one letter work and are listed", async () => {
    const page = await teacherPage(browser);
    await open(page, `${base}/activities`);
    await page.$$eval("button[value=new]", (all) => (all[0] as HTMLElement).click());
    await page.waitForSelector("[data-peg]");
    await page.$$eval("nav[aria-label=Stations] a", (all) =>
      (all.find((link) => link.textContent?.includes("Score")) as HTMLElement).focus(),
    );
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => document.activeElement?.textContent === "Score");
    await page.keyboard.press("Tab");
    expect(await page.evaluate(() => document.activeElement?.closest("section[aria-label=Score]") !== null)).toBe(true);
    const along = () =>
      page.$$eval("[data-mark]", (all) =>
        all.map((element) => /: ([\d.]+) m/.exec(element.getAttribute("aria-label")!)![1]).map(Number),
      );
    const before = await along();
    await press(page, "Select all");
    await page.keyboard.press("ArrowRight");
    await page.waitForFunction(
      (was) => !document.querySelector("[data-mark]")!.getAttribute("aria-label")!.includes(was),
      {},
      `: ${before[0]!.toFixed(2)} m`,
    );
    for (const [i, metres] of (await along()).entries()) expect(metres).toBeCloseTo(before[i]! + 0.1, 2);
    await page.keyboard.press("?");
    await sees(page, "In the workbench");
    await page.keyboard.press("Escape");
    await page.waitForFunction(() => !document.body.innerText.includes("In the workbench"));
    await page.keyboard.press("g");
    await page.keyboard.press("h");
    await page.waitForFunction(() => location.pathname === "/homes");
    await page.waitForSelector("main input[name=find]");
    await page.keyboard.press("/");
    await page.waitForSelector("[cmdk-input]");
    await page.close();
  });
});

describe("a family", () => {
  it("hears what happened, the score and what comes next; the focus goes to the heading of each step", async () => {
    const page = await phone(browser);
    const card = await cardOf(page, await linkOf("Fenna B."), "Hallway climb");
    await open(page, card);
    await sees(page, "A game for Fenna");
    expect(await page.title()).toBe("Get ready: Hallway climb");
    await press(page, "Next: Set up");
    await page.waitForFunction(() => document.activeElement?.tagName === "H1");
    expect(await page.title()).toBe("Set up: Hallway climb");
    await beginPlay(page, card);
    const heard = () => page.$eval("[data-heard]", (element) => element.textContent);
    // Space is a hit, the right arrow a miss, wherever the focus is.
    await page.keyboard.press("Space");
    await page.waitForFunction(() => document.querySelector("[data-heard]")?.textContent?.startsWith("hit"));
    expect(await heard()).toMatch(/^hit .+\. \d+ points?\. Roll it at the .+\.$/);
    await page.keyboard.press("ArrowRight");
    await page.waitForFunction(() => document.querySelector("[data-heard]")?.textContent?.startsWith("missed"));
    await page.keyboard.press("u");
    await page.waitForFunction(() => document.querySelector("[data-heard]")?.textContent?.startsWith("Undone"));
    await page.$$eval("button", (all) =>
      (all.find((button) => button.textContent?.trim().startsWith("Change a")) as HTMLElement).click(),
    );
    await page.waitForFunction(() => document.activeElement?.textContent?.startsWith("Tap the"));
    await press(page, "Back");
    // Another screen of a held page is drawn without a word of trouble.
    const trouble: string[] = [];
    page.on("pageerror", (e) => trouble.push((e as Error).message));
    page.on("console", (consoleMessage) => consoleMessage.type() === "error" && trouble.push(consoleMessage.text()));
    await open(page, `${card}?screen=look`);
    await sees(page, "Carry on with your game");
    expect(trouble).toEqual([]);
    await press(page, "Carry on with your game");
    await press(page, "End game");
    await handIn(page);
    await sees(page, "Handed in. Well played!");
    // On the same day one tick says that all is still so; a grown-up's yes is a tick of its own.
    await open(page, `${card}?screen=look`);
    await sees(page, "Nothing has changed");
    const boxes = await page.$$("main input[type=checkbox]");
    expect(boxes.length).toBeLessThanOrEqual(2);
    expect(await focusIn(page)).not.toBe("");
    await page.close();
  });

  it("without a script gets through every screen, and to the paper sheet in place of play", async () => {
    const page = await phone(browser);
    const card = await cardOf(page, await linkOf("Umar Z."), "Hallway climb");
    await page.setJavaScriptEnabled(false);
    await page.goto(card);
    await sees(page, "Get these ready");
    await page.goto(`${card}?screen=setup`);
    const steps = Number(/1 of (\d+)/.exec(await text(page))![1]);
    for (let i = 2; i <= steps; i++) {
      await Promise.all([
        page.waitForNavigation(),
        page.evaluate(() => undefined),
        page.$$("main a").then(async (all) => {
          for (const elementHandle of all)
            if ((await elementHandle.evaluate((link) => link.textContent?.trim())) === "Next")
              return elementHandle.click();
        }),
      ]);
      expect(await text(page)).toContain(`${i} of ${steps}`);
    }
    for (const [screen, words] of [
      ["play", "This page needs scripts."],
      ["handin", "Write your score on the sheet."],
    ] as const) {
      await page.goto(`${card}?screen=${screen}`);
      expect(await text(page)).toContain(words);
      expect(await page.$$eval("main a", (all) => all.map((link) => link.getAttribute("href")))).toContainEqual(
        expect.stringMatching(/\/sheet$/),
      );
    }
    await page.close();
  });

  it("a link that was withdrawn leads nowhere, and never to the teachers' sign-in", async () => {
    const page = await phone(browser);
    for (const path of ["/f/nothing-of-ours", "/f/a/b/c/d", "/c/nothing-of-ours"]) {
      await page.goto(`${base}${path}`);
      expect(await page.$$eval("a", (all) => all.map((link) => link.getAttribute("href"))), path).not.toContain("/");
    }
    await page.close();
  });

  it("goes the whole way by keyboard alone, and everything that is reached has a name", async () => {
    const page = await browser.newPage();
    await page.setViewport({ width: 1024, height: 768 });
    await open(page, await linkOf("Wren H."));
    const nameless: string[] = [];
    /** Tab after tab until what has the focus is called so. */
    const reach = async (words: string | RegExp) => {
      for (let i = 0; i < 60; i++) {
        await page.keyboard.press("Tab");
        const at = await page.evaluate(() => {
          const element = document.activeElement as HTMLElement;
          const labels = [...((element as HTMLInputElement).labels ?? [])].map((label) => label.textContent).join(" ");
          return {
            tag: element.tagName,
            name: (element.getAttribute("aria-label") ?? (element.textContent?.trim() || labels)).trim(),
          };
        });
        if (at.tag === "BODY") continue;
        if (at.name === "") nameless.push(at.tag);
        if (typeof words === "string" ? at.name === words : words.test(at.name)) return;
      }
      throw new Error(`${words} is not reached by Tab`);
    };
    await reach(/^Hallway climb/);
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => document.querySelector("h1")?.textContent === "Get these ready");
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 300))));
    await reach(/^To roll, I have it/);
    await page.keyboard.press("Space");
    await reach("Next: Set up");
    await page.keyboard.press("Enter");
    await sees(page, "1 of 6");
    await page.waitForFunction(() => document.activeElement?.tagName === "H1");
    for (let i = 2; i <= 6; i++) {
      await reach("Next");
      await page.keyboard.press("Enter");
      await sees(page, `${i} of 6`);
      await page.waitForFunction(() => document.activeElement?.tagName === "H1");
    }
    await reach("Next: Safety check");
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => document.activeElement?.textContent === "Safety check");
    const ticks = await page.$$eval("main input[type=checkbox]", (all) => all.length);
    for (let i = 0; i < ticks; i++) {
      await page.keyboard.press("Tab");
      await page.keyboard.press("Space");
    }
    expect(await page.$$eval("main input[type=checkbox]:not(:checked)", (all) => all.length)).toBe(0);
    await reach("Next: Play");
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => document.activeElement?.textContent === "Who is playing?");
    await reach("Play");
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => document.activeElement?.textContent?.startsWith("Roll it at"));
    // Keys are listened to once the screen has been drawn.
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 400))));
    for (const key of ["ArrowRight", "Space", "u", "ArrowLeft"]) {
      await page.keyboard.press(key as "Space");
      await page.evaluate(() => new Promise((done) => setTimeout(done, 150)));
    }
    await sees(page, "Roll 3 of");
    await reach("End game");
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => document.activeElement?.textContent === "You ended the game here.");
    await reach("Hand in");
    await page.keyboard.press("Enter");
    await sees(page, "How did it feel?");
    await reach("Hand in");
    await page.keyboard.press("Enter");
    await sees(page, "Handed in. Well played!");
    expect(nameless).toEqual([]);
    // As somebody hears it: headings, buttons and fields of the page, each with its name.
    const tree = await page.accessibility.snapshot();
    const all = (serializedAXNode: typeof tree): { role: string; name: string }[] =>
      serializedAXNode
        ? [
            { role: serializedAXNode.role, name: serializedAXNode.name ?? "" },
            ...(serializedAXNode.children ?? []).flatMap(all),
          ]
        : [];
    expect(all(tree)).toContainEqual({ role: "heading", name: "Handed in. Well played!" });
    expect(
      all(tree).filter((n) => ["button", "link", "textbox", "checkbox"].includes(n.role) && n.name === ""),
    ).toEqual([]);
    await page.close();
  });
});
