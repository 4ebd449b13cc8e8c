import type { Page } from "puppeteer-core";
import { afterAll, describe, expect, it } from "vitest";
import {
  base,
  beginPlay,
  cardOf,
  choose,
  handIn,
  linkOf,
  open,
  owner,
  phone,
  press,
  retype,
  sees,
  tabs,
  teacherPage,
  text,
} from "./help.ts";

const browser = tabs();
const sql = owner();
afterAll(() => sql.end());

const homeOf = async (name: string) =>
  (
    await sql<
      {
        id: string;
        kit: Record<string, number> | null;
        space: { kind: string; length: number; floor: string } | null;
        players: number | null;
        quiet: boolean;
        answered_at: Date | null;
      }[]
    >`select h.* from home h join child_home x on x.home_id = h.id join child c on c.id = x.child_id where c.name = ${name} order by h.label`
  )[0]!;

/** "More from the kitchen", and the other rooms. */
const openAll = (page: Page) =>
  page.$$eval("main details", (all) => {
    for (const element of all as HTMLDetailsElement[]) element.open = true;
  });

/** A thing from a picker of the workbench, by its name. */
const take = async (page: Page, name: string) => {
  await page.waitForSelector(`fieldset input[aria-label^="${name}"]`);
  await page.$eval(`fieldset input[aria-label^="${name}"]`, (input) => (input as HTMLElement).click());
};

describe("the home survey", () => {
  it("is tapped in two minutes, saves itself, is gone on with later, and the cards follow", async () => {
    const name = "Suri V.";
    await sql`update home set kit = null, space = null, players = null, answered_at = null where id = ${(await homeOf(name)).id}`;
    const link = await linkOf(name);
    const page = await phone(browser);
    await open(page, link);
    await press(page, "Tell us what you have. It takes two minutes.");
    await page.waitForSelector("button[aria-label^='One more: sock']");
    for (const _ of [1, 2]) await page.click("button[aria-label^='One more: sock']");
    // The commonest stand first; the others are found by their first letters.
    const find = async (letters: string) => {
      await retype((await page.$("input[type=search]"))!, letters);
      await page.waitForFunction(
        (line) => {
          const shown = [...document.querySelectorAll("main form ul button")].map(
            (element) => element.textContent ?? "",
          );
          return shown.length > 0 && shown.length < 8 && shown.every((eachText) => ` ${eachText}`.includes(` ${line}`));
        },
        {},
        letters,
      );
    };
    await find("bucket");
    await page.click("button[aria-label^='One more: bucket']");
    await find("broom");
    await page.click("button[aria-label^='One more: broom']");
    await page.click("button[aria-label='One fewer: broom']");
    await expect.poll(async () => (await homeOf(name)).kit).toEqual({ sock: 2, bucket: 1 });
    // Closed and opened again: what was tapped is there.
    await open(page, `${link}/home`);
    await page.waitForSelector("button[aria-label='One more: sock. Now 2.']");
    await press(page, "Save and go on");
    await sees(page, "Where can you play?");
    await press(page, "corridor");
    await retype((await page.$("input[name=longSteps]"))!, "5");
    await press(page, "tile");
    await press(page, "Save and go on");
    await sees(page, "How many can play?");
    await press(page, "2");
    await press(page, "We have to be quiet");
    await press(page, "Save");
    await sees(page, "Thank you! Games will fit your home.");
    const told = await homeOf(name);
    expect(told).toMatchObject({ players: 2, quiet: true, space: { kind: "corridor", length: 3.5, floor: "tile" } });
    expect(told.answered_at).not.toBeNull();
    // Once nothing more is said for a while, and outside of any request.
    const cards = () =>
      sql`select v.compiled->'home'->>'guessed' as guessed, v.compiled->'activity'->'space'->>'floor' as floor
      from card k join card_version v on v.card_id = k.id and v.hash = k.hash join child c on c.id = k.child_id join assignment a on a.id = k.assignment_id
      where c.name = ${name} and a.closes_at > now() and not exists (select from play p where p.card_id = k.id)`;
    await expect
      .poll(cards)
      .toSatisfy((all: { guessed: string; floor: string }[]) =>
        all.every((c) => c.guessed === "false" && c.floor === "tile"),
      );
    await page.close();
  });

  it("works before any script loads, and a count that cannot be comes back with its reason and everything typed", async () => {
    const name = "Quill F.";
    const page = await phone(browser);
    await page.setJavaScriptEnabled(false);
    await page.goto(`${await linkOf(name)}/home`, { waitUntil: "load" });
    await openAll(page);
    await retype((await page.$("input[name='kit.bucket']"))!, "1000");
    await retype((await page.$("input[name='kit.cup']"))!, "3");
    await Promise.all([page.waitForNavigation(), page.click("button[type=submit]")]);
    expect(await text(page)).toContain("How many must be 99 or fewer");
    expect(await page.$eval("input[name='kit.cup']", (input) => (input as HTMLInputElement).value)).toBe("3");
    expect(await page.$eval("input[name='kit.bucket']", (input) => (input as HTMLInputElement).value)).toBe("1000");
    await openAll(page);
    await retype((await page.$("input[name='kit.bucket']"))!, "2");
    await Promise.all([page.waitForNavigation(), page.click("button[type=submit]")]);
    expect(await text(page)).toContain("Where can you play?");
    expect((await homeOf(name)).kit).toMatchObject({ bucket: 2, cup: 3 });
    await page.close();
  });

  it("keeps what was tapped while the server is away, says so, and saves it once it is back", async () => {
    const page = await phone(browser);
    await open(page, `${await linkOf("Kezia O.")}/home`);
    await page.waitForSelector("button[aria-label^='One more: colander']");
    await openAll(page);
    const before = (await homeOf("Kezia O.")).kit?.colander ?? 0;
    await page.setRequestInterception(true);
    let away = true;
    page.on(
      "request",
      (request) => void (away && request.method() === "POST" ? request.abort("connectionrefused") : request.continue()),
    );
    await page.click("button[aria-label^='One more: colander']");
    await sees(page, "Not saved yet. Are you online?");
    await press(page, "Save and go on");
    await sees(page, "Not saved yet. Are you online?");
    expect(await text(page)).toContain("Tap the items you have");
    expect((await homeOf("Kezia O.")).kit?.colander ?? 0).toBe(before);
    away = false;
    await page.waitForSelector("[data-saved=yes]");
    expect((await homeOf("Kezia O.")).kit!.colander).toBe(before + 1);
    await page.close();
  });

  it("comes through a class link without a name on it, waits for the teacher, and is put to its home", async () => {
    const teacher = await teacherPage(browser);
    await open(teacher, `${base}/homes`);
    await press(teacher, "More for this class");
    await (await teacher.waitForSelector("[role=menuitem] ::-p-text(Links and QR codes)"))!.click();
    await sees(teacher, "One link for all of Heron class");
    const links = teacher.url();
    const path = await teacher.$eval("a[href*='/c/']", (link) => new URL((link as HTMLAnchorElement).href).pathname);
    const page = await phone(browser);
    await open(page, `${base}${path}`);
    expect(await text(page)).not.toMatch(/Ilse|Heron/);
    await press(page, "Start");
    await sees(page, "Who is this home for?");
    await page.type("input[name=name]", "zeb x");
    await press(page, "3");
    await press(page, "Save");
    await sees(page, "Thank you!");
    await teacher.bringToFront();
    await open(teacher, `${base}/homes`);
    await sees(teacher, "zeb x");
    await teacher.$$eval("form", (forms) => {
      const mine = forms.find((form) => form.textContent?.includes("zeb x"))!;
      (mine.querySelector("button[value=place]") as HTMLButtonElement).click();
    });
    await sees(teacher, "Answer matched to the child's home.");
    expect((await homeOf("Zeb X.")).players).toBe(3);
    await page.bringToFront();
    // Its own address goes on working, and now reaches the home.
    await open(page, `${page.url().split("?")[0]}?part=people`);
    await press(page, "4");
    await page.waitForSelector("[data-saved=yes]");
    expect((await homeOf("Zeb X.")).players).toBe(4);
    await teacher.bringToFront();
    await open(teacher, links);
    await press(teacher, "Turn off class link");
    await sees(teacher, "Class link turned off");
    expect((await fetch(`${base}${path}`)).status).toBe(410);
    await press(teacher, "Turn on class link");
    await sees(teacher, "Class link turned on again.");
    expect((await fetch(`${base}${path}`)).status).toBe(200);
    await press(teacher, "Replace class link");
    await sees(teacher, "Class link replaced.");
    await page.bringToFront();
    expect((await page.goto(`${base}${path}`))!.status()).toBe(410);
    await teacher.close();
    await page.close();
  });
});

describe("homes on the teacher's desk", () => {
  it("invites and reminds through the outbox, filters, and edits for a family", async () => {
    const page = await teacherPage(browser);
    await open(page, `${base}/homes`);
    await press(page, "Invite to the survey");
    await sees(page, /Everyone has been asked already|messages? (is|are) in the outbox/);
    await press(page, "Remind");
    await sees(page, /\d messages? (is|are) in the outbox|There is no one to remind/);
    const [survey] = await sql`select count(*)::int as n from message where kind = 'survey'`;
    expect(survey!.n).toBeGreaterThan(0);
    await open(page, `${base}/homes?show=support`);
    expect(await page.$$eval("tbody tr", (elements) => elements.length)).toBe(2);
    await press(page, "Pell W.");
    await sees(page, "as its family would tap it");
    await retype((await page.$("input[name=age]"))!, "99");
    await press(page, "Save child");
    await sees(page, "The age must be 15 or less.");
    await retype((await page.$("input[name=age]"))!, "6");
    await press(page, "Save child");
    await sees(page, "Saved.");
    await page.click("button[aria-label^='One more: towel']");
    await page.waitForSelector("[data-saved=yes]");
    await press(page, "Another home");
    await sees(page, "Pell's home 2");
    await page.$$eval("button[value=leave]", (buttons) => buttons.at(-1)!.click());
    await page.waitForFunction(() => !document.body.innerText.includes("Pell's home 2"));
    await page.close();
  });

  it("saves roster and homes as CSV and takes them in again: bad rows by line and reason, good ones only after a yes", async () => {
    const page = await teacherPage(browser);
    const csv = await page.evaluate(async () => (await fetch("/homes/csv")).text());
    const [head, ...rows] = csv
      .replace(/^\ufeff/, "")
      .trim()
      .split("\r\n");
    expect(head!.split(",").slice(0, 4)).toEqual(["class", "child", "age", "home"]);
    expect(rows.length).toBeGreaterThanOrEqual(54);
    const lines = [
      "class,child,age,home,space,length_m,width_m,floor,indoors,things",
      "Heron class,Nova T.,7,Nova's home,room,4,3,carpet,yes,bucket 1; sock 4",
      "Heron class,Nova T.,7,Nova's home,room,4,3,carpet,yes,",
      "Swan class,Kit A.,7,A home,,,,,,",
      "Heron class,Mo B.,three,A home,,,,,,",
      "Heron class,Lu C.,7,A home,room,NaN,3,carpet,yes,",
      "Heron class,Jo D.,7,A home,,,,,,unicorn 1",
      "Heron class,Al E.,7,A home,,,,,,bucket 500",
    ];
    await open(page, `${base}/homes/import`);
    await page.$eval(
      "textarea[name=text]",
      (input, value) => {
        (input as HTMLTextAreaElement).value = value;
      },
      lines.join("\n"),
    );
    await press(page, "Check file");
    await sees(page, "6 rows cannot be saved");
    const told = await text(page);
    for (const reason of [
      /Row 3\s+This is the same child and home as in row 2/,
      /Row 4\s+"Swan class" is not one of your classes/,
      /Row 5\s+The age must be a number/,
      /Row 6\s+Length must be a number of metres/,
      /Row 7\s+Items: "unicorn" is not in your school's list/,
      /Row 8\s+How many must be 99 or fewer/,
    ])
      expect(told).toMatch(reason);
    expect(await sql`select 1 from child where name = 'Nova T.'`).toHaveLength(0);
    await press(page, "Save the row that is ready");
    await sees(page, "1 child added");
    expect(await homeOf("Nova T.")).toMatchObject({ kit: { bucket: 1, sock: 4 }, space: { length: 4 } });
    // What could not be kept stays, to be mended: another text looked at is the text that is kept.
    expect(await page.$eval("textarea[name=text]", (input) => (input as HTMLTextAreaElement).value)).not.toContain(
      "Nova T.,7,Nova's home,room,4,3,carpet,yes,bucket",
    );
    await page.$eval("textarea[name=text]", (input) => {
      (input as HTMLTextAreaElement).value = "class,child,age,home\nHeron class,Wrong W.,7,";
    });
    await press(page, "Check file");
    await sees(page, "1 new child");
    await page.$eval("textarea[name=text]", (input) => {
      (input as HTMLTextAreaElement).value = "class,child,age,home\nHeron class,Right R.,7,";
    });
    await press(page, "Check file");
    await sees(page, "Right R.");
    await press(page, "Save the row that is ready");
    await sees(page, "1 child added");
    // The message of the import before may still be there.
    const imported = async () =>
      (await sql`select name from child where name in ('Wrong W.', 'Right R.')`).map((row) => row.name);
    await expect.poll(imported).toEqual(["Right R."]);
    await sql`delete from child where name = 'Right R.'`;
    await open(page, `${base}/homes/import`);
    await page.$eval("textarea[name=text]", (input) => {
      (input as HTMLTextAreaElement).value = "Colour,Forename,Surname,Years old\nred,Zed,Young,7";
    });
    await press(page, "Check file");
    await sees(page, "Choose which column holds the age in years, and which holds the class");
    // The teacher says what a column holds, and chooses one class for all rows.
    await page.select("select[name='column 3']", "age");
    await page.select("select[name=group]", (await sql`select id from class where name = 'Heron class'`)[0]!.id);
    await press(page, "Check file");
    await sees(page, "1 new child");
    await sees(page, "Zed Y.");
    await press(page, "Save the row that is ready");
    await sees(page, "1 child added");
    await press(page, "Undo this import");
    await expect
      .poll(async () => (await sql`select erase_at is not null as gone from child where name = 'Zed Y.'`)[0]?.gone)
      .toBe(true);
    await sql`delete from child where name = 'Zed Y.'`;
    await open(page, `${base}/homes/import`);
    // What was saved comes back in as it is.
    await page.$eval(
      "textarea[name=text]",
      (input, value) => {
        (input as HTMLTextAreaElement).value = value;
      },
      csv,
    );
    await press(page, "Check file");
    await sees(page, /\d+ rows are ready/);
    await sees(page, "Everything in this file is already saved.");
    expect(await text(page)).not.toContain("cannot be saved");
    await sql`delete from child where name = 'Nova T.'`;
    await sql`delete from home where label = 'Nova''s home'`;
    await page.close();
  });
});

describe("the school's list of things", () => {
  it("adds, changes, hides and deletes; an activity that uses a deleted thing keeps its copy", async () => {
    const page = await teacherPage(browser);
    await open(page, `${base}/things/new`);
    const type = async (name: string, value: string) => retype((await page.$(`[name=${name}]`))!, value);
    await type("name", "felt puck");
    for (const [key, value] of Object.entries({ width: "9", depth: "9", height: "2", mass: "-3" }))
      await type(key, value);
    await page.click("input[name=uses][value=send]");
    await page.click("input[name=moves][value=slide]");
    await press(page, "Add item");
    await sees(page, "Weight when empty must be a number from 1 to 80000 g.");
    expect(await page.$eval("[name=width]", (element) => (element as HTMLInputElement).value)).toBe("9");
    await type("mass", "40");
    await press(page, "Add item");
    await sees(page, "felt puck");
    // Far down the list, an item is found by a few letters.
    const menuOf = async (name: string, entry: string) => {
      await retype((await page.$("input[type=search]"))!, name);
      await press(page, `Actions for ${name}`);
      const item = (await page.waitForSelector(`[role=menuitem] ::-p-text(${entry})`))!;
      await item.evaluate((element) => element.closest<HTMLElement>("[role=menuitem]")!.click());
    };
    await menuOf("potato", "Hide");
    await sees(page, "Hidden. Cards no longer use it.");
    await press(page, "Undo this change");
    await page.waitForFunction(() => !document.querySelector("tbody .tag"));
    await menuOf("potato", "Hide");
    await page.waitForFunction(() => document.querySelector("tbody .tag")?.textContent === "hidden");
    await menuOf("potato", "Offer again");
    await sees(page, "Back in use.");
    // A slide that sends the puck.
    await open(page, `${base}/activities`);
    await page.$$eval("button[value=new]", (all) =>
      all.find((button) => button.textContent?.startsWith("Bands"))!.click(),
    );
    await page.waitForSelector("[data-strip=ready]");
    const at = page.url().split("?")[0]!;
    await open(page, `${at}?station=kit`);
    await take(page, "felt puck");
    await page.waitForSelector("[data-save=saved]");
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await open(page, `${base}/things`);
    await menuOf("felt puck", "Delete");
    await sees(page, /felt puck is used in .*They keep their own copy/);
    await press(page, "Remove item");
    await page.waitForFunction(() => !document.querySelector("tbody th")?.textContent?.includes("felt puck"));
    await press(page, "Undo this change");
    await page.waitForFunction(() => document.querySelector("tbody th")?.textContent?.includes("felt puck"));
    await menuOf("felt puck", "Delete");
    await sees(page, /felt puck is used in .*They keep their own copy/);
    await press(page, "Remove item");
    await page.waitForFunction(() => !document.querySelector("tbody th")?.textContent?.includes("felt puck"));
    await open(page, `${at}?station=kit`);
    await sees(page, "No longer in your school's list.");
    const before = page.url();
    await choose(page, "More for this activity", "Copy activity");
    await page.waitForFunction((url) => location.href !== url, {}, before);
    await sees(page, "Saved");
    await page.close();
  });

  it("gives everything typed back before any script loads, boxes and choices too", async () => {
    const page = await teacherPage(browser);
    await page.setJavaScriptEnabled(false);
    await page.goto(`${base}/things/new`, { waitUntil: "load" });
    await page.type("[name=name]", "cork float");
    await page.type("[name=width]", "wide");
    await page.select("[name=room]", "bathroom");
    for (const box of [
      "[name=uses][value=send]",
      "[name=uses][value=token]",
      "[name=moves][value=air]",
      "[name=breakable]",
    ])
      await page.click(box);
    await Promise.all([page.waitForNavigation(), page.click("main button[type=submit]")]);
    expect(await text(page)).toContain("Width must be a number");
    const ticked = await page.$$eval("input:checked", (all) =>
      all.map((input) => `${(input as HTMLInputElement).name} ${(input as HTMLInputElement).value}`),
    );
    expect(ticked).toEqual(["uses send", "uses token", "moves air", "breakable on"]);
    expect(await page.$eval("[name=width]", (element) => (element as HTMLInputElement).value)).toBe("wide");
    expect(await page.$eval("[name=room]", (element) => (element as HTMLSelectElement).value)).toBe("bathroom");
    await page.close();
  });

  it("goes out and comes in as CSV and JSON, all or nothing", async () => {
    const page = await teacherPage(browser);
    await open(page, `${base}/things`);
    const [csv, json] = await page.evaluate(async () => [
      await (await fetch("/things/file?as=csv")).text(),
      await (await fetch("/things/file?as=json")).text(),
    ]);
    const file = JSON.parse(json!) as { items: { id: string; name: string; mass: number }[] };
    expect(file.items.length).toBeGreaterThanOrEqual(120);
    const bring = async (what: string) => {
      await page.$eval(
        "textarea[name=text]",
        (input, value) => {
          (input as HTMLTextAreaElement).value = value;
        },
        what,
      );
      await press(page, "Import");
    };
    const puck = { ...file.items.find((item) => item.id === "coaster")!, id: "corkDisc", name: "cork disc" };
    await bring(
      JSON.stringify({ format: "daring-yard/items", version: 1, items: [puck, { ...puck, id: "bad", mass: 1e9 }] }),
    );
    await sees(page, "ass must be 80 kg or less");
    expect(await sql`select 1 from school_item where id = 'corkDisc'`).toHaveLength(0);
    await bring(JSON.stringify({ format: "daring-yard/items", version: 1, items: [puck] }));
    await sees(page, "1 item is now in your list.");
    await bring("id,name\nx,y");
    await sees(page, "This file has no columns called");
    const lines = csv!.replace(/^\ufeff/, "").split("\r\n");
    const cork = lines.find((line) => line.startsWith("coaster,"))!.replace("coaster,,", "corkMat,cork mat,");
    await bring(`${lines[0]}\n${cork}`);
    await sees(page, "1 item is now in your list.");
    await sql`delete from school_item where id in ('corkDisc', 'corkMat')`;
    await page.close();
  });
});

describe("Kit in the workbench", () => {
  it("shows what a swap does, holds the challenge by moving the line, and says which homes can do it", async () => {
    const page = await teacherPage(browser);
    await open(page, `${base}/activities`);
    await page.$$eval("button[value=new]", (all) =>
      all.find((button) => button.textContent?.startsWith("Climb"))!.click(),
    );
    await page.waitForSelector("[data-strip=ready]");
    await open(page, `${page.url().split("?")[0]}?station=kit`);
    await sees(page, /\d+ of \d+ children have what they need/);
    const rates = () =>
      page.$$eval("[aria-label='What the swap changes'] tr", (rows) =>
        rows.map((row) =>
          [...row.querySelectorAll("td")].map((element) => Number.parseInt(element.textContent ?? "", 10)),
        ),
      );
    await take(page, "large ball");
    await sees(page, "sock ball to large ball");
    for (const [was, , is] of await rates()) expect(is!).toBeGreaterThan(was!);
    await press(page, "Move the line to keep the challenge");
    await page.waitForFunction(() => !document.querySelector("[aria-label='What the swap changes']"));
    await press(page, "Undo");
    await sees(page, "large ball");
    // Something that bounces: homes without a ball drop out, and one change brings them back.
    await press(page, "What a swap must have");
    const count = async () => Number(/(\d+) of \d+ children have what they need/.exec(await text(page))![1]);
    const before = await count();
    await page.select("select[aria-label=Bounces]", "must");
    await page.waitForFunction((n) => !document.body.innerText.includes(`${n} of`), {}, before).catch(() => undefined);
    await expect.poll(count).toBeLessThan(before);
    await page.$eval("details[aria-label=Homes]", (element) => {
      (element as HTMLDetailsElement).open = true;
    });
    await sees(page, "One change makes these homes ready");
    await sees(page, "not requiring bounce");
    await page.$$eval("details[aria-label=Homes] button", (buttons) => buttons[0]!.click());
    await expect.poll(count).toBe(before);
    await page.close();
  });
});

describe("things on the card", () => {
  it("are swapped on the device, the card is made again at once, and the record says what was really sent", async () => {
    const name = "Sabela C.";
    const page = await phone(browser);
    const card = await cardOf(page, await linkOf(name), "Hallway climb");
    await open(page, card);
    await page.click("button[aria-label^='Swap the']");
    await sees(page, "You have this too");
    await press(page, "rolled T-shirt");
    await sees(page, "Your own choice.");
    await sees(page, /as hard as before|makes it (easier|harder)/);
    // It stays so when the page is opened again, without a network too.
    await page.setOfflineMode(true);
    await page.reload({ waitUntil: "load" });
    await sees(page, "rolled T-shirt");
    await page.setOfflineMode(false);
    await beginPlay(page, card);
    await press(page, "HIT");
    await press(page, "Swap it");
    await press(page, "sock ball");
    await sees(page, "Now use the sock ball.");
    await press(page, "MISS");
    await press(page, "Undo");
    await press(page, "End game");
    await handIn(page);
    await sees(page, "Handed in. Well played!");
    const events = await sql<{ event: { kind: string; role?: string; item?: string } }[]>`
      select e.event from play_event e join play p on p.id = e.play_id join card k on k.id = p.card_id join child c on c.id = k.child_id
      where c.name = ${name} and p.id = (select p2.id from play p2 join card k2 on k2.id = p2.card_id join child c2 on c2.id = k2.child_id where c2.name = ${name} order by p2.received_at desc limit 1)
      order by e.seq`;
    expect(events.map((event) => event.event).filter((e) => e.kind === "object")).toMatchObject([
      { role: "send", item: "shirtRoll" },
      { role: "send", item: "sockBall" },
    ]);
    expect(events.map((event) => event.event.kind)).toEqual(["object", "send", "object", "send", "undo", "stop"]);
    await page.close();
  });

  it("change with the home it is played in", async () => {
    const page = await phone(browser);
    const card = await cardOf(page, await linkOf("Wren H."), "Stop on the step");
    await open(page, card);
    await sees(page, "Where will you play?");
    await press(page, "Wren's weekend home");
    await page.waitForFunction(() => !document.body.innerText.includes("Working it out"));
    await open(page, `${card}?screen=look`);
    await sees(page, "We are well away from roads.");
    await page.close();
  });
});
