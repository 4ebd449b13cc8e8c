import { afterAll, describe, expect, it } from "vitest";
import { fromPattern } from "../core/formats/activity.ts";
import { AS_DRAWN } from "../core/levels/levels.ts";
import {
  base,
  beginPlay,
  cardOf,
  changed,
  demoTeacher,
  handIn,
  itLong,
  linkOf,
  open,
  owner,
  press,
  retype,
  sees,
  sending,
  sentTo,
  tabs,
  teacherPage,
  text,
  title,
} from "./help.ts";

const browser = tabs();
const sql = owner();
afterAll(() => sql.end());
const childId = async (name: string) => (await sql`select id from child where name = ${name}`)[0]!.id as string;
/** How far away the first thing of a card stands, as it was compiled for a child. */
const nearest = async (sent: string, name: string) => {
  const [row] =
    await sql`select v.compiled from card k join card_version v on v.card_id = k.id and v.hash = k.hash join child c on c.id = k.child_id where k.assignment_id = ${sent} and c.name = ${name}`;
  return Math.min(...row!.compiled.markers.map((marker: { metres: number }) => marker.metres));
};

describe("another game for some ages", () => {
  it("is sent in one go with the first, each child has one of them, and ages of nobody are refused", async () => {
    const page = await teacherPage(browser);
    const { addActivity } = await import("../server/activities/activities.ts");
    const who = await demoTeacher();
    const [one, two] = [
      { ...fromPattern("climb"), title: title() },
      { ...fromPattern("sweep"), title: title() },
    ];
    const id = await addActivity(who, one);
    const second = await addActivity(who, two);
    const ages = await sql`select k.age from child k join class c on c.id = k.class_id where c.name = 'Heron class'`;
    const youngest = Math.min(...ages.map((age) => age.age));
    await open(page, `${base}/activities/${id}?station=send`);
    await press(page, "Another game for some ages");
    await page.select("select[name='other.activityId']", second);
    for (const [from, to, words] of [
      ["3", "4", "No child you are sending to is of these ages"],
      ["9", "8", "The last age must not be below the first age."],
      ["x", "8", "The other game needs a first age, in years."],
      ["4", "15", "Everyone you are sending to is of these ages"],
    ] as const) {
      await retype((await page.$("[name='other.from']"))! as never, from);
      await retype((await page.$("[name='other.to']"))! as never, to);
      await press(page, "Send to the class");
      await sees(page, words);
      expect(await page.$eval("[name='other.from']", (element) => (element as HTMLInputElement).value)).toBe(from);
    }
    for (const end of ["from", "to"]) await retype((await page.$(`[name='other.${end}']`))! as never, String(youngest));
    await press(page, "Send to the class");
    await sees(page, "Sent by age:");
    const given = await sql`
      select r.document->>'title' as game, k.age from card c join assignment a on a.id = c.assignment_id join revision r on r.id = a.revision_id
      join child k on k.id = c.child_id where r.document->>'title' in (${one.title}, ${two.title})`;
    expect(given).toHaveLength(ages.length);
    for (const eachRow of given) expect(eachRow.game).toBe(eachRow.age === youngest ? two.title : one.title);
    // Who got the other game is not offered this one.
    const offered = await page.$$eval("select[name=childId] option", (all) => all.length);
    expect(offered).toBe(0);
    await press(page, two.title);
    await page.waitForFunction((words) => document.querySelector("h1")?.textContent === words, {}, two.title);
    await sees(page, `got ${one.title} instead`);
    await page.close();
  });
});

describe("levels", () => {
  it("are proposed at their station with the chances of three children, changed by hand, kept, and taken away", async () => {
    const page = await teacherPage(browser);
    const { addActivity } = await import("../server/activities/activities.ts");
    const id = await addActivity(await demoTeacher(), { ...fromPattern("board"), title: title() });
    await open(page, `${base}/activities/${id}?station=levels`);
    await sees(page, "Everyone plays the game as designed");
    await press(page, "Suggest levels");
    await sees(page, "Level 5");
    const rates = () => page.$$eval("[data-level-rates]", (ps) => ps.map((element) => element.textContent ?? ""));
    const before = await rates();
    expect(before).toHaveLength(5);
    for (const role of before) expect(role.match(/\d+%/g)).toHaveLength(3);
    await page.click("ol[aria-label='Levels, easiest first'] details summary");
    const field = await page.$("ol[aria-label='Levels, easiest first'] li input");
    await field!.click({ count: 3 });
    await field!.type("0.5");
    await expect.poll(async () => (await rates())[0]).not.toBe(before[0]);
    await sees(page, "Saved");
    await expect
      .poll(
        async () =>
          (await sql`select document->'levels'->'list'->0->>'line' as line from activity where id = ${id}`)[0]!.line,
      )
      .toBe("0.5");
    await page.select("select[aria-label='Helper at level 1']", "feeds");
    await sees(page, "someone hands each one over");
    await expect
      .poll(
        async () =>
          (await sql`select document->'levels'->'list'->0->>'helper' as who from activity where id = ${id}`)[0]!.who,
      )
      .toBe("feeds");
    await press(page, "Remove levels");
    await sees(page, "Everyone plays the game as designed");
    await page.close();
  });

  itLong(
    "levels of one number by how often the end is reached: suggested in the background, saved, sent to each child, and named for next week",
    async () => {
      const page = await teacherPage(browser);
      const { addActivity } = await import("../server/activities/activities.ts");
      const a = { ...fromPattern("climb"), title: title() };
      const id = await addActivity(await demoTeacher(), a);
      await open(page, `${base}/activities/${id}?station=levels`);
      await page.waitForSelector("option[value='params.scoring.first']");
      const by = (await page.$$eval("select", (all) =>
        all.findIndex((select) => [...select.options].some((option) => option.value === "params.scoring.first")),
      ))!;
      const choose = async (field: string) => (await page.$$("select"))[by]!.select(field);
      await choose("params.scoring.first");
      await press(page, "Suggest levels");
      await sees(page, "Changing this number would make no difference to finishing");
      await choose("params.tries");
      // Given up, nothing comes of it.
      await page.evaluate(async () => {
        const button = (name: string) =>
          [...document.querySelectorAll("button")].find((eachButton) => eachButton.textContent === name);
        button("Suggest levels")!.click();
        while (!button("Stop")) await new Promise(requestAnimationFrame);
        button("Stop")!.click();
        while (button("Stop")) await new Promise(requestAnimationFrame);
      });
      expect(await page.$("[data-level-rates]")).toBeNull();
      await press(page, "Suggest levels");
      await sees(page, "Level 3");
      await sees(page, "finish");
      const first = () => page.$eval("[data-level-rates]", (element) => element.textContent ?? "");
      await expect.poll(first).toMatch(/\d+%/);
      const kept = () => sql`select document->'levels' as levels from activity where id = ${id}`;
      await expect.poll(async () => (await kept())[0]!.levels?.of).toBe("end");
      const { levels } = (await kept())[0]!;
      expect(levels.list.length).toBeGreaterThanOrEqual(3);
      const sent = await sending(["Quill F.", "Umar Z."], { ...a, title: title(), levels });
      const [row] = await sql`select levels from assignment where id = ${sent}`;
      const given = Object.values(row!.levels as Record<string, number>);
      expect(given).toHaveLength(2);
      for (const level of given) expect(levels.list[level]).toBeDefined();
      await open(page, `${base}/results/${sent}/next`);
      await sees(page, "% finished goes");
      await sees(page, /in 100 goes finish now/);
      await page.close();
    },
  );

  it("each child gets its own when it is sent; another one given in Results makes its card anew", async () => {
    const line = (count: number) => ({ ...AS_DRAWN, line: count, helper: "catches" as const });
    const levels = { low: 0.6, high: 0.8, list: [line(-0.6), line(0), line(0.6)], up: 2, down: 1 };
    const a = { ...fromPattern("board"), title: title(), levels };
    const sent = await sending(["Quill F.", "Umar Z."], a);
    const [row] = await sql`select levels from assignment where id = ${sent}`;
    expect(Object.keys(row!.levels)).toHaveLength(2);
    const family = await browser.newPage();
    await open(family, `${await cardOf(family, await linkOf("Quill F."), a.title)}?screen=setup`);
    for (let k = 0; k < 3; k++) await press(family, "Next");
    await sees(family, "Ask someone to catch it and send it back.");
    await family.close();
    const [quill, before] = [await childId("Quill F."), await nearest(sent, "Quill F.")];
    const other = row!.levels[quill] === 0 ? 2 : 0;
    const page = await teacherPage(browser);
    await open(page, `${base}/results/${sent}?tab=children`);
    await page.select("select[aria-label='Level of Quill F.']", String(other));
    await expect.poll(() => nearest(sent, "Quill F.")).not.toBe(before);
    const after = await nearest(sent, "Quill F.");
    expect(other === 0 ? after < before : after > before).toBe(true);
    expect((await sql`select levels from assignment where id = ${sent}`)[0]!.levels[quill]).toBe(other);
    await page.close();
  });
});

describe("what the goes teach", () => {
  it("a game handed in moves what is known of the child, and its page says it in plain words", async () => {
    const activity = changed(fromPattern("climb"), title(), { tries: 6 });
    const { page, card } = await sentTo(browser, "Umar Z.", activity);
    await beginPlay(page, card);
    for (let i = 0; i < 6; i++) await press(page, "MISS");
    await handIn(page);
    const id = await childId("Umar Z.");
    const rows = () =>
      sql`select e.* from evidence e join play p on p.id = e.play_id join card k on k.id = p.card_id join card_version v on v.card_id = k.id and v.hash = k.hash where v.compiled->'activity'->>'title' = ${activity.title}`;
    await expect.poll(async () => (await rows()).length).toBe(1);
    const [row] = await rows();
    expect(row).toMatchObject({ child_id: id, axis: "spread", tries: 6, action: activity.aim.action });
    const teacher = await teacherPage(browser);
    await open(teacher, `${base}/children/${id}`);
    await sees(teacher, "hits a dinner plate from");
    await sees(teacher, activity.title);
    await sees(teacher, /Played \d+ min in the last seven days/);
    await teacher.waitForSelector(".recharts-surface");
    const pdf = Buffer.from(await teacher.pdf({ format: "A4" })).toString("latin1");
    expect(pdf.match(/\/Type\s*\/Page\b/g), "one page for a parents' evening").toHaveLength(1);
    const { childPage } = await import("../server/children/child.ts");
    const who = await demoTeacher();
    const told = await childPage(who, id);
    const roll = told.courses.find((course) => course.action === activity.aim.action && course.axis === "spread")!;
    expect(roll.now.low).toBeLessThan(roll.now.middle);
    expect(roll.now.high).toBeGreaterThan(roll.now.middle);
    for (const week of roll.weeks)
      expect(week.at.getTime(), "no week ends later than now").toBeLessThanOrEqual(Date.now());
    // Nobody of another school sees it.
    await expect(childPage({ ...who, schoolId: "00000000-0000-4000-8000-000000000000" }, id)).rejects.toThrow("child");
    await teacher.close();
    await page.close();
  });

  itLong("shows on the child's page which way pieces drift, from where they came to rest", async () => {
    const game = fromPattern("closest");
    const activity = changed(game, title(), { jack: "placed", pieces: 6, finish: { points: null, rounds: 2 } });
    const sent = await sending(["Umar Z."], activity);
    const [row] =
      await sql`select k.*, c.school_id, c.id as child from card k join child c on c.id = k.child_id where k.assignment_id = ${sent}`;
    const { acceptSubmission } = await import("../server/submissions/accept.ts");
    const { opened } = await import("../core/formats/opened.ts");
    const spot = (i: number) => ({ along: -300 + 60 * ((i % 5) - 2), across: 40 * ((i % 3) - 1) });
    const round = (r: number) => [
      ...Array.from({ length: 6 }, (_, i) => ({ kind: "send", rest: "in", spot: spot(6 * r + i) })),
      { kind: "ready" },
    ];
    const events = [...round(0), ...round(1)].map((event, seq) => ({ seq, event: { at: 6000 * (seq + 1), ...event } }));
    await acceptSubmission(
      { schoolId: row!.school_id, childId: row!.child },
      {
        play: crypto.randomUUID(),
        card: row!.id,
        cardHash: row!.hash,
        device: "a device of a test",
        setup: { players: 1, mode: "alone", seed: 1 },
        rulesVersion: opened(activity).pattern.rulesVersion,
        startedAt: Date.now() - 600_000,
        events: events as never,
        result: {
          events: events.length,
          reflection: { before: 3, during: 3, after: 3, answers: [], criteria: [], grownUp: false },
        },
      },
    );
    const teacher = await teacherPage(browser);
    await expect
      .poll(async () => {
        await open(teacher, `${base}/children/${row!.child}`);
        return text(teacher);
      })
      .toMatch(/The last 12 pieces stopped \d\d cm short on average, and straight\. None went astray\./);
    await teacher.close();
  });

  itLong(
    "moves up and down a level while playing: asks after several in a row, and shows the other level's lines",
    async () => {
      const line = (count: number) => ({ ...AS_DRAWN, line: count, helper: "catches" as const });
      const levels = { low: 0.6, high: 0.8, list: [line(-0.5), line(0), line(0.5)], up: 2, down: 2, stop: 1 };
      const { page, card } = await sentTo(browser, "Maru K.", { ...fromPattern("climb"), title: title(), levels });
      await beginPlay(page, card);
      const offers = () => page.$$eval("main button", (all) => all.map((button) => button.textContent ?? ""));
      await press(page, "HIT");
      await sees(page, "Roll 2");
      expect((await offers()).some((offer) => offer.includes("?"))).toBe(false);
      await press(page, "HIT");
      const asked = await page.waitForFunction(
        () =>
          [...document.querySelectorAll("main button")].find((element) => element.textContent === "2 hits. Harder?"),
        {},
      );
      expect(asked).toBeTruthy();
      await press(page, "2 hits. Harder?");
      await sees(page, "Your line:");
      await press(page, "MISS");
      await press(page, "MISS");
      expect(await text(page)).not.toContain("You have found your line!");
      await press(page, "2 misses. Easier?");
      // Once from harder to easier is all that this ladder is to turn.
      await sees(page, "You have found your line!");
      await press(page, "HIT");
      await press(page, "HIT");
      await sees(page, "Roll 7");
      expect((await offers()).some((offer) => offer.includes("?"))).toBe(false);
      await page.close();
    },
  );

  itLong("a time plan fills the chosen minutes, and the card says how often to play", async () => {
    const page = await teacherPage(browser);
    const { addActivity } = await import("../server/activities/activities.ts");
    const a = { ...fromPattern("climb"), title: title() };
    const id = await addActivity(await demoTeacher(), a);
    await open(page, `${base}/activities/${id}?station=cues`);
    await page.waitForSelector("[aria-label='Time plan'] button:not([disabled])");
    await retype((await page.$("[aria-label='Time plan'] input"))!, "25");
    await page.keyboard.press("Tab");
    await press(page, "Fill the minutes");
    await sees(page, /of 25 min at age/);
    await press(page, "Weekly goal");
    await sees(page, /of 60 active minutes/);
    await page.waitForSelector("[data-save=saved]");
    const [kept] = await sql`select document from activity where id = ${id}`;
    expect(kept!.document).toMatchObject({ minutes: 25, week: { days: 3, goal: 60 } });
    expect(kept!.document.rounds).toBeGreaterThan(1);
    expect(kept!.document.warmUp.length).toBeGreaterThan(0);
    await page.close();
    const { page: family, card } = await sentTo(browser, "Nuri E.", kept!.document);
    await open(family, `${card}/sheet`);
    await sees(family, `Play it ${kept!.document.rounds} times, with short rests.`);
    await sees(family, "Play on 3 days this week.");
    await family.close();
  });

  it("next week: a proposal for each child with its reason; changed, copied and sent in one press, and pressed twice once", async () => {
    const a = { ...fromPattern("board"), title: title() };
    const sent = await sending(["Quill F.", "Kezia O.", "Lorcan T."], a);
    const page = await teacherPage(browser);
    await open(page, `${base}/results/${sent}`);
    await press(page, "Next week");
    await sees(page, "3 children have not played");
    await sees(page, /Hits \d+% now/);
    await page.select("select[aria-label='Level of Kezia O.']", "4");
    await press(page, "Create copy and send");
    await sees(page, `${a.title}, next`);
    const made =
      await sql`select a.id, a.levels from assignment a join revision r on r.id = a.revision_id where r.document->>'title' = ${`${a.title}, next`}`;
    expect(made).toHaveLength(1);
    expect(made[0]!.levels[await childId("Kezia O.")]).toBe(4);
    const { sendNextWeek } = await import("../server/assignments/next-week.ts");
    const who = await demoTeacher();
    const order = {
      orderId: crypto.randomUUID(),
      title: `${a.title} again`,
      opensAt: new Date(),
      closesAt: new Date(Date.now() + 86_400_000),
      tries: 2,
      levels: {},
    };
    const both = await Promise.all([sendNextWeek(who, sent, order), sendNextWeek(who, sent, order)]);
    expect(both[0]).toBe(both[1]);
    expect(await sql`select 1 from activity where document->>'title' = ${order.title}`).toHaveLength(1);
    await expect(sendNextWeek(who, sent, { ...order, title: " " })).rejects.toThrow("title");
    await page.close();
  });
});

describe("a rehearsal of a class", () => {
  it("plays every child once, the same draw alike, stopped and gone through; at its end beside the forecast, and without motion a table", async () => {
    const page = await teacherPage(browser);
    const [row] = await sql`select id from activity where document->>'title' = 'Hallway climb' limit 1`;
    await open(page, `${base}/activities/${row!.id}?station=send`);
    await press(page, "Watch a trial run");
    await sees(page, "Choose a child to pause their game");
    const homes = await page.$$eval("main ul li button[aria-pressed]", (all) => all.length);
    expect(homes).toBeGreaterThanOrEqual(24);
    // On a device that is busy fewer pictures move, and the page says how many.
    const [moving, said] = await page.evaluate(() => [
      document.querySelectorAll("main canvas").length,
      /animate (\d+) of \d+ yards/.exec(document.querySelector("main")?.textContent ?? "")?.[1] ?? null,
    ]);
    expect(moving).toBe(said === null ? homes : Number(said));
    // Thirty pictures a second, on a machine that does nothing else; here a third of it is asked for, some time or other.
    const frames = () =>
      page.evaluate(
        () =>
          new Promise<number>((done) => {
            let count = 0;
            const began = performance.now();
            const frame = () => {
              count++;
              if (performance.now() - began > 2000) done(count / 2);
              else requestAnimationFrame(frame);
            };
            requestAnimationFrame(frame);
          }),
      );
    await expect.poll(frames).toBeGreaterThan(10);
    await page.click("main ul li:nth-child(3) button");
    await press(page, "Pause this one");
    await press(page, "Step on");
    const step = async () => Number(/step (\d+) of/.exec(await text(page, "main section"))?.[1]);
    const before = await step();
    await press(page, "Step back");
    await expect.poll(step).toBe(before - 1);
    const scores = async () => {
      await press(page, "Skip to the end");
      await sees(page, "the forecast is about");
      return page.$$eval("main tbody tr td:nth-child(2)", (all) => all.map((td) => td.textContent));
    };
    const first = await scores();
    expect(first).toHaveLength(homes);
    await press(page, "New run");
    await page.waitForFunction(() => location.search.includes("seed=2"));
    await sees(page, "Choose a child to pause their game");
    expect(await scores()).not.toEqual(first);
    await page.emulateMediaFeatures([{ name: "prefers-reduced-motion", value: "reduce" }]);
    await open(page, `${base}/activities/${row!.id}/rehearsal?seed=1`);
    await sees(page, "the forecast is about");
    expect(await page.$("main canvas")).toBeNull();
    expect(await page.$$eval("main tbody tr td:nth-child(2)", (all) => all.map((td) => td.textContent))).toEqual(first);
    await open(page, `${base}/activities/${row!.id}/rehearsal?seed=none&class=nobody`);
    await sees(page, "the forecast is about");
    expect(page.url()).not.toContain("error");
    await page.close();
  });
});

describe("support", () => {
  it("ticked on the child's page it is on its next card without a name, and the child plays by it", async () => {
    const id = await childId("Lorcan T.");
    const teacher = await teacherPage(browser);
    await open(teacher, `${base}/children/${id}`);
    await teacher.click("input[name='support nearer']");
    await teacher.click("input[name='support withPartner']");
    // Seen on a card before it is kept; nothing of it is.
    const [climb] = await sql`
      select a.id from card k join assignment a on a.id = k.assignment_id join revision r on r.id = a.revision_id
      where k.child_id = ${id} and r.document->>'title' = 'Hallway climb' limit 1`;
    await teacher.select("#of", climb!.id);
    await press(teacher, "Preview card");
    await sees(teacher, "Used on this card: stands two steps nearer, plays with a partner.");
    const [, plain, with_] = /about ([\d.]+) in 10 as standard, ([\d.]+) in 10/.exec(await text(teacher))!;
    expect(Number(with_)).toBeGreaterThan(Number(plain));
    expect((await sql`select adjust from child where id = ${id}`)[0]!.adjust?.supports ?? []).toEqual([]);
    await open(teacher, `${base}/children/${id}/card?of=${climb!.id}`);
    await sees(teacher, "No support ticked");
    await open(teacher, `${base}/children/${id}`);
    await teacher.click("input[name='support nearer']");
    await teacher.click("input[name='support withPartner']");
    await press(teacher, "Save support");
    await sees(teacher, "Saved.");
    await teacher.close();
    const activity = changed(fromPattern("climb"), title(), { tries: 2 });
    const { page, card } = await sentTo(browser, "Lorcan T.", activity);
    await open(page, `${card}?screen=setup`);
    expect(await page.content()).not.toContain("accommodation");
    await beginPlay(page, card);
    await sees(page, "nearer");
    await press(page, "MISS");
    await press(page, "MISS");
    await handIn(page);
    const kept = () =>
      sql`select r.score, p.setup from result r join play p on p.id = r.play_id join card k on k.id = p.card_id join card_version v on v.card_id = k.id and v.hash = k.hash where v.compiled->'activity'->>'title' = ${activity.title}`;
    await expect.poll(async () => (await kept()).length).toBe(1);
    const [row] = await kept();
    expect(row!.setup.people[0]).toMatchObject({ nearer: 0.75 });
    // It compares with goes played alike.
    expect(row!.score.set).toMatchObject({ nearer: 0.75 });
    await sql`update child set adjust = null where id = ${id}`;
    await page.close();
  });
});

describe("a fair match", () => {
  it("is found on the family's device, set for those who play, and played with", async () => {
    const pins = fromPattern("pins");
    const { page, card } = await sentTo(browser, "Kezia O.", { ...pins, title: title() });
    await beginPlay(page, card, 2, "Head to head", async (givenPage) => {
      await press(givenPage, "Make it fair");
      await press(givenPage, "Find what is fair");
      await sees(givenPage, "Wins in 100 games:");
      const said = await text(givenPage);
      const [, before, , after] = /games: (\d+) : (\d+) before, (\d+) : (\d+) now/.exec(said)!;
      expect(Math.abs(Number(after) - 50)).toBeLessThan(Math.abs(Number(before) - 50));
    });
    const plays = await page.evaluate(
      () =>
        new Promise<{ startedAt: number; setup: { people?: { head?: number; nearer?: number }[] } }[]>((done) => {
          const open_ = indexedDB.open("daring-yard");
          open_.onsuccess = () => {
            const all = open_.result.transaction("plays").objectStore("plays").getAll();
            all.onsuccess = () => done(all.result);
          };
        }),
    );
    const play = plays.sort((x, y) => y.startedAt - x.startedAt)[0];
    expect(play!.setup.people!.some((person) => (person.head ?? 0) > 0 || (person.nearer ?? 0) !== 0)).toBe(true);
    await page.close();
  });

  it("stands in the workbench with before and after", async () => {
    const page = await teacherPage(browser);
    const { addActivity } = await import("../server/activities/activities.ts");
    const id = await addActivity(await demoTeacher(), { ...fromPattern("pins"), title: title() });
    await open(page, `${base}/activities/${id}?station=players`);
    await press(page, "Make it fair");
    await sees(page, "Wins in 100 games:");
    await page.close();
  });
});
