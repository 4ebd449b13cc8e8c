import type { Page } from "puppeteer-core";
import { describe, expect, it } from "vitest";
import {
  base,
  cardOf,
  choose,
  drag,
  itLong,
  linkOf,
  open,
  owner,
  phone,
  press,
  ready,
  retype,
  sees,
  tabs,
  teacherPage,
} from "./help.ts";

const browser = tabs();

const CHILD = "Jory S.";
const saved = (page: Page) => page.waitForSelector("[data-save=saved]");
const labelOf = (page: Page, mark: string) => page.$eval(mark, (element) => element.getAttribute("aria-label")!);
const focus = (page: Page, mark: string) => page.$eval(mark, (element) => (element as SVGElement).focus());

/** A new climb in the workbench, its address without the query. */
async function climb(): Promise<{ page: Page; url: string }> {
  const page = await teacherPage(browser);
  await page.bringToFront();
  await open(page, `${base}/activities`);
  await page.$$eval("button[value=new]", (all) =>
    all.find((button) => button.textContent?.startsWith("Climb"))!.click(),
  );
  await page.waitForSelector("[data-strip=ready]");
  return { page, url: page.url().split("?")[0]! };
}
async function layOut(page: Page, name: string): Promise<void> {
  await press(page, "Layout beside the game");
  await press(page, name);
  await page.waitForSelector("[data-frame]");
}
const field = async (page: Page, name: string, within = "Layout beside the game") => {
  const found = await page.waitForSelector(
    `xpath///*[@aria-label='${within}']//label[starts-with(normalize-space(),'${name}')]/../following-sibling::span/input`,
  );
  return found!;
};

describe("laying out beside a game", () => {
  it("is chosen from pictures, moved mark by mark, turned and resized by keys and by hand, undone, and kept in the document", async () => {
    const { page, url } = await climb();
    await layOut(page, "Slalom with a shot");
    expect(await page.$$("[data-mark^='x.g']")).toHaveLength(5);
    const top = () => page.$eval("[data-frame]", (element) => element.closest("svg")!.getBoundingClientRect().top);
    const lay = await top();
    await retype((await field(page, "Markers")) as never, "4");
    await page.waitForFunction(() => document.querySelectorAll("[data-mark^='x.g']").length === 4);
    // The plan stays where it is while what was typed is saved.
    expect(await top()).toBe(lay);
    await page.waitForSelector("[data-save=saved]");
    expect(await top()).toBe(lay);
    // One mark goes, the others stay.
    const others = await labelOf(page, "[data-mark='x.g1']");
    const was = await labelOf(page, "[data-mark='x.g3']");
    await drag(page, "[data-mark='x.g3']", { dx: 30, dy: 60 });
    await expect.poll(() => labelOf(page, "[data-mark='x.g3']")).not.toBe(was);
    expect(await labelOf(page, "[data-mark='x.g1']")).toBe(others);
    await press(page, "Put them back in their places");
    await expect.poll(() => labelOf(page, "[data-mark='x.g3']")).toBe(was);
    // All of it: arrows, Shift with arrows, the grips.
    await focus(page, "[data-frame]");
    await page.keyboard.press("ArrowRight");
    await expect.poll(() => labelOf(page, "[data-frame]")).toContain("starts at 0.60 m");
    await page.keyboard.down("Shift");
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("ArrowUp");
    await page.keyboard.up("Shift");
    await expect.poll(() => labelOf(page, "[data-frame]")).toContain("turned 15 degrees");
    expect(await (await field(page, "Size")).evaluate((element) => (element as HTMLInputElement).value)).toBe("105");
    await drag(page, "[data-grip=turn]", { dx: -60, dy: -120 });
    await expect.poll(() => labelOf(page, "[data-frame]")).not.toContain("turned 15 degrees");
    await press(page, "Undo");
    await expect.poll(() => labelOf(page, "[data-frame]")).toContain("turned 15 degrees");
    // A mark where a send must pass is said in words.
    await retype((await field(page, "Turned")) as never, "0");
    await sees(page, /is in the way of \d|are in the same place/);
    await saved(page);
    const document = await page.evaluate(async (eachUrl) => (await fetch(`${eachUrl}/file`)).json(), url);
    expect(document.layout).toMatchObject({ name: "slalom", values: { markers: 4 }, turn: 0 });
    const svg = await page.evaluate(async (eachUrl) => (await fetch(`${eachUrl}/plan.svg`)).text(), url);
    expect(svg.match(/scale\(/g)!.length).toBe(5 + 5);
    await press(page, "Remove");
    await page.waitForFunction(() => !document.querySelector("[data-frame]"));
    await page.close();
  });

  it("says what of it is beyond the space, by name, and keeps what was typed", async () => {
    const { page } = await climb();
    await layOut(page, "Two goals");
    await retype((await field(page, "Distance apart")) as never, "11");
    await sees(page, /ayout goals reaches 11\.\d+ m, but the space is/);
    await page.waitForSelector("[data-save=mend]");
    expect(await (await field(page, "Distance apart")).evaluate((element) => (element as HTMLInputElement).value)).toBe(
      "11",
    );
    await retype((await field(page, "Distance apart")) as never, "99");
    await sees(page, "Distance apart must be from 1 to 12 m.");
    await page.close();
  });

  itLong("shows how it fits in a child's home, and what would make it fit", async () => {
    const { page } = await climb();
    const inTight = "[aria-label^='In a child'] [data-fit]";
    await page.waitForSelector(inTight);
    await expect
      .poll(() => page.$eval(inTight, (element) => element.getAttribute("data-fit")))
      .toMatch(/designed|adapted/);
    await layOut(page, "Bases");
    await retype((await field(page, "Length of a side")) as never, "5");
    await retype((await field(page, "Width", "Yard")) as never, "9");
    await retype((await field(page, "Length", "Yard")) as never, "9");
    await expect.poll(() => page.$eval(inTight, (element) => element.getAttribute("data-fit"))).toBe("none");
    await sees(page, /Does not fit/);
    await sees(page, /It would fit with .*another space of \d/);
    // A home of the class: the select names its size.
    const choice = await page.$$eval("[aria-label^='In a child'] option", (all) =>
      all.map((element) => ({ v: (element as HTMLOptionElement).value, t: element.textContent ?? "" })),
    );
    const large = choice.find((c) => / (9|1\d)(\.\d)? × /.test(c.t)) ?? choice.at(-1)!;
    await page.select("[aria-label^='In a child'] select", large.v);
    await page.waitForFunction(
      (text) => document.querySelector(text) || document.body.innerText.includes("has not told us where it plays"),
      {},
      inTight,
    );
    await page.close();
  });
});

describe("the busiest layout on a card", () => {
  itLong(
    "is sent, set up mark by mark with its items to fetch, drawn in the home, and still prints on one sheet",
    async () => {
      const { page } = await climb();
      await retype((await page.$("input[aria-label=Title]"))!, "Long course");
      await layOut(page, "Slalom with a shot");
      await retype((await field(page, "Markers")) as never, "12");
      await page.waitForFunction(() => document.querySelectorAll("[data-mark^='x.g']").length === 12);
      await retype((await field(page, "Gap between them")) as never, "0.3");
      await saved(page);
      await press(page, "Send");
      await sees(page, "Send to the class");
      await press(page, "Send to the class");
      await page.waitForFunction(() => location.pathname.startsWith("/results/"));
      await page.close();
      const small = await phone(browser);
      const card = await cardOf(small, await linkOf("Odette R."), "Long course");
      await open(small, card);
      await sees(small, "For the layout");
      await open(small, `${card}?screen=setup`);
      await sees(small, /1 of 2\d/);
      await small.close();
      const sheet = await browser.newPage();
      await sheet.goto(`${card}/sheet`, { waitUntil: "load" });
      expect(await sheet.$$eval(".sheet-steps li", (all) => all.length)).toBeGreaterThan(18);
      for (const format of ["A4", "Letter"] as const) {
        const pdf = Buffer.from(await sheet.pdf({ format, preferCSSPageSize: false })).toString("latin1");
        expect(pdf.match(/\/Type\s*\/Page[^s]/g), format).toHaveLength(1);
      }
      await sheet.close();
    },
  );
});

describe("several targets at once", () => {
  it("move, align, turn and spread together; a grip makes one wider; a drag may snap to half steps", async () => {
    const { page } = await climb();
    const along = async (id: string) => Number(/: (-?\d+\.\d+) m/.exec(await labelOf(page, `[data-mark=${id}]`))![1]);
    const ids = ["t1", "t2", "t3", "t4", "t5"];
    const begun = await Promise.all(ids.map(along));
    await press(page, "Select all");
    await sees(page, "5 selected");
    await focus(page, "[data-mark=t3]");
    await page.keyboard.press("ArrowRight");
    await expect.poll(() => along("t1")).toBeCloseTo(begun[0]! + 0.1, 6);
    expect(await along("t5")).toBeCloseTo(begun[4]! + 0.1, 6);
    await choose(page, "Arrange the selected targets", "Same distance");
    await expect.poll(async () => new Set(await Promise.all(ids.map(along))).size).toBe(1);
    await press(page, "Undo");
    await choose(page, "Arrange the selected targets", "Straight ahead");
    await expect.poll(() => labelOf(page, "[data-mark=t4]")).toContain("middle");
    await press(page, "Undo");
    await press(page, "5 selected");
    // Two of them with the keyboard: the others stay.
    await focus(page, "[data-mark=t1]");
    await focus(page, "[data-mark=t2]");
    await page.keyboard.down("Shift");
    await page.keyboard.press("Space");
    await page.keyboard.up("Shift");
    await sees(page, "2 selected");
    const third = await along("t3");
    const first = await along("t1");
    await page.keyboard.press("ArrowRight");
    await expect.poll(() => along("t1")).toBeCloseTo(first + 0.1, 6);
    expect(await along("t3")).toBe(third);
    // Wider by its grip.
    await focus(page, "[data-mark=t2]");
    const width = () => page.$eval("[data-grip='width t2'] title", (element) => element.textContent!);
    const narrow = await width();
    await drag(page, "[data-grip='width t2']", { dx: 0, dy: 12 });
    await expect.poll(width).not.toBe(narrow);
    await page.select("[role=toolbar] select", "steps");
    await drag(page, "[data-mark=t2] circle", { dx: 40, dy: 0 });
    const step = 0.41 * 1.22;
    await expect
      .poll(async () => Math.abs(((await along("t2")) / (step / 2)) % 1) * (step / 2))
      .toSatisfy((off: number) => off < 0.011 || off > step / 2 - 0.011);
    await page.close();
  });

  itLong(
    "shows where one count ends over the class, what to keep clear, and lobs from the side under a ceiling",
    async () => {
      const { page } = await climb();
      await focus(page, "[data-mark=t3]");
      await page.waitForSelector("[data-spread]");
      await sees(page, /For this class, [\d½]+ steps is \d\.\d\d–\d\.\d\d m/);
      await page.$$eval("[role=toolbar] label", (all) =>
        all.find((element) => element.textContent?.includes("Keep clear"))!.click(),
      );
      await page.waitForFunction(() => /others wait \d\.\d m away/.test(document.body.textContent!));
      await page.$$eval("nav[aria-label=Stations] a", (all) => (all[0] as HTMLElement).click());
      await page.waitForSelector("option[value=pushThrow]");
      await page.select("select:has(option[value=pushThrow])", "pushThrow");
      await press(page, "Side");
      await page.waitForSelector("svg[aria-label^='Side view']");
      expect(await labelOf(page, "svg[aria-label^='Side view']")).toMatch(
        /flies up to \d\.\d m under a ceiling of 2\.4 m/,
      );
      await page.close();
    },
  );
});

describe("a space of any shape", () => {
  it("is tapped corner by corner with what stands in it, refused by the corner that is wrong, and kept", async () => {
    const link = await linkOf(CHILD);
    const page = await phone(browser);
    await open(page, `${link}/home?part=space`);
    await page.$eval("input[name=kind][value=room]", (input) => (input as HTMLElement).click());
    await page.$eval("input[name=shape][value=own]", (input) => (input as HTMLElement).click());
    await page.waitForSelector("textarea[name=corners]");
    const sketch = "svg[role=group]";
    const texts = () =>
      page.$$eval("textarea", (all) =>
        Object.fromEntries(all.map((input) => [input.name, (input as HTMLTextAreaElement).value])),
      );
    const tap = async (x: number, y: number) => {
      await page.$eval(sketch, (element) => element.scrollIntoView({ block: "center" }));
      const box = (await (await page.$(sketch))!.boundingBox())!;
      const across = await page.$eval("pattern#steps", (element) => Number(element.getAttribute("width")));
      const k = box.width / 360;
      await page.touchscreen.tap(box.x + (16 + x * across) * k, box.y + (16 + y * across) * k);
    };
    // Whatever was there is taken back first.
    while ((await texts()).corners !== "") await press(page, "Undo the last corner");
    for (const [x, y] of [
      [0, 0],
      [6, 0],
      [6, 2],
      [4, 4],
      [0, 4],
    ] as const)
      await tap(x, y);
    await expect.poll(async () => (await texts()).corners).toBe("0 0\n6 0\n6 2\n4 4\n0 4");
    await page.$eval("input[name=sketchTool][value=furniture]", (input) => (input as HTMLElement).click());
    await tap(1, 3);
    await expect.poll(async () => (await texts()).stands).toMatch(/furniture 1 3 1 1$/);
    // By keys: two steps right, one down, a door.
    await page.$eval("input[name=sketchTool][value=door]", (input) => (input as HTMLElement).click());
    await page.$eval(`${sketch} [role=button]`, (element) => (element as SVGElement).focus());
    for (const key of ["ArrowRight", "ArrowRight", "ArrowDown", "ArrowDown", "Enter"] as const)
      await page.keyboard.press(key);
    await expect.poll(async () => (await texts()).stands).toMatch(/door 1 1 1\.5 0\.5$/);
    await page.waitForSelector("[data-saved=yes]");
    const sql = owner();
    const space = async () => {
      const [row] =
        await sql`select h.space from home h join child_home ch on ch.home_id = h.id join child c on c.id = ch.child_id where c.name = ${CHILD} order by h.id limit 1`;
      return row!.space as { outline?: unknown[]; obstacles?: { kind: string }[] };
    };
    // What was saved before says so until the last key is on its way.
    await expect
      .poll(async () => (await space()).obstacles?.map((obstacle) => obstacle.kind))
      .toEqual(["furniture", "door"]);
    expect((await space()).outline).toHaveLength(5);
    await sql.end();
    // Crossing sides are named; what was tapped stays.
    await page.$$eval("summary", (all) => (all[0] as HTMLElement).click());
    await page.$eval("textarea[name=corners]", (input) => {
      const t = input as HTMLTextAreaElement;
      Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, "value")!.set!.call(t, "0 0\n6 4\n6 0\n0 4");
      t.dispatchEvent(new Event("input", { bubbles: true }));
    });
    await sees(page, "ide 1 crosses side 3");
    expect((await texts()).corners).toBe("0 0\n6 4\n6 0\n0 4");
    await page.close();
  });

  it("can be told in numbers before any script loads", async () => {
    const link = await linkOf(CHILD);
    const page = await phone(browser);
    await page.setJavaScriptEnabled(false);
    await page.goto(`${link}/home?part=space`, { waitUntil: "load" });
    await page.click("input[name=shape][value=own]");
    const set = async (name: string, value: string) => {
      await page.click(`textarea[name=${name}]`, { count: 1 });
      await page.keyboard.down("Control");
      await page.keyboard.press("a");
      await page.keyboard.up("Control");
      await page.keyboard.type(value);
    };
    await set("corners", "0 0\n5 0\n5 x\n0 3");
    await set("stands", "furniture 0 0 2 1");
    await Promise.all([page.waitForNavigation(), page.click("main button[type=submit].btn-main")]);
    const told = await page.$eval("main", (element) => (element as HTMLElement).innerText);
    expect(told).toContain("Corner 3: y must be a number of metres");
    expect(await page.$eval("textarea[name=corners]", (input) => (input as HTMLTextAreaElement).value)).toContain(
      "5 x",
    );
    await set("corners", "0 0\n5 0\n5 3\n0 3");
    await Promise.all([page.waitForNavigation(), page.click("main button[type=submit].btn-main")]);
    expect(page.url()).toContain("part=people");
    await page.close();
  });
});

describe("a child's own step and what is behind", () => {
  it("is measured by the home, refused by name, and its cards count with it", async () => {
    const link = await linkOf(CHILD);
    const page = await phone(browser);
    const card = await cardOf(page, link, "Hallway climb");
    await open(page, `${card}?screen=setup`);
    /** To the last marker. Before its part of the page is there, the link leads to it as a page of its own. */
    const next = async () => {
      for (;;) {
        const from = page.url();
        const there = await page.$$eval("main a", (all) => {
          const b = all.find((eachLink) => eachLink.textContent?.trim() === "Next");
          b?.click();
          return b !== undefined;
        });
        if (!there) return;
        await page.waitForFunction((was) => location.href !== was, {}, from);
        await ready(page);
      }
    };
    await press(page, "Next");
    // One marker at a time, with the way to it.
    await page.waitForSelector("svg[role=img] path[stroke-dasharray='2 8']");
    await next();
    await sees(page, "Look behind it");
    const behind = "section[aria-labelledby=behind] input[type=checkbox]";
    await page.click(behind);
    await open(page, `${card}?screen=look`);
    await sees(page, "We looked behind it.");
    expect(
      await page.$$eval("li label", (all) =>
        all
          .filter((element) => element.textContent?.includes("We looked behind it"))
          .map((element) => element.querySelector("input")!.checked),
      ),
    ).toEqual([true]);
    await open(page, `${card}?screen=setup`);
    await next();
    await page.$$eval("a", (all) =>
      (all.find((eachLink) => eachLink.textContent === "Measure my step") as HTMLElement).click(),
    );
    await page.waitForSelector("[name=length]");
    await ready(page);
    await page.type("[name=length]", "31");
    await press(page, "Save my step");
    await sees(page, "That makes each step 3.10 m. A step is between 0.2 and 1.2 m");
    expect(await page.$eval("[name=length]", (element) => (element as HTMLInputElement).value)).toBe("31");
    await retype((await page.$("[name=length]"))! as never, "6,2");
    await press(page, "Save my step");
    await sees(page, "Your step is 62 cm long");
    const sql = owner();
    const [row] = await sql`select step from child where name = ${CHILD}`;
    const look = () =>
      sql`select v.compiled from card k join card_version v on v.card_id = k.id and v.hash = k.hash join child c on c.id = k.child_id join assignment a on a.id = k.assignment_id
      where c.name = ${CHILD} and a.closes_at > now() and not exists (select 1 from play p where p.card_id = k.id)`;
    await expect.poll(async () => (await look()).every((eachRow) => eachRow.compiled.measured)).toBe(true);
    const cards = await look();
    await sql.end();
    expect(row!.step).toBeCloseTo(0.62, 3);
    expect(cards.length).toBeGreaterThan(0);
    for (const eachCard of cards) expect(eachCard.compiled).toMatchObject({ measured: true });
    for (const eachCard of cards) expect(eachCard.compiled.step).toBeCloseTo(0.62, 3);
    await page.close();
  });
});
