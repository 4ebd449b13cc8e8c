import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, inject, it } from "vitest";
import { fromPattern } from "../core/formats/activity.ts";
import { behaviorProfile, playGo } from "../core/simulated-player/child.ts";
import { tidewell } from "../server/demo/tidewell.ts";
import { itLong, owner } from "./help.ts";

/** The server's own functions on the real database: two schools side by side. */
type Who = { teacherId: string; schoolId: string };
let activities: typeof import("../server/activities/activities.ts");
let send: typeof import("../server/assignments/send.ts");
let results: typeof import("../server/assignments/results.ts");
let corrections: typeof import("../server/assignments/corrections.ts");
let jobs: typeof import("../server/jobs/jobs.ts");
let classes: typeof import("../server/school/classes.ts");
let homes: typeof import("../server/homes/homes.ts");
let homeLinks: typeof import("../server/homes/links.ts");
let families: typeof import("../server/homes/family-homes.ts");
let editing: typeof import("../server/homes/edit.ts");
let answers: typeof import("../server/homes/answers.ts");
let family: typeof import("../server/cards/family.ts");
let outbox: typeof import("../server/outbox/outbox.ts");
let hand: typeof import("../server/submissions/accept.ts");
let links: typeof import("../server/links/open-link.ts");
let signing: typeof import("../server/auth/sign-in.ts");
let ours: Who;
let theirs: Who;
let sql: ReturnType<typeof owner>;
const DAY = 86_400_000;

beforeAll(async () => {
  Object.assign(process.env, inject("webEnv"));
  activities = await import("../server/activities/activities.ts");
  send = await import("../server/assignments/send.ts");
  results = await import("../server/assignments/results.ts");
  corrections = await import("../server/assignments/corrections.ts");
  jobs = await import("../server/jobs/jobs.ts");
  classes = await import("../server/school/classes.ts");
  homes = await import("../server/homes/homes.ts");
  homeLinks = await import("../server/homes/links.ts");
  families = await import("../server/homes/family-homes.ts");
  editing = await import("../server/homes/edit.ts");
  answers = await import("../server/homes/answers.ts");
  family = await import("../server/cards/family.ts");
  outbox = await import("../server/outbox/outbox.ts");
  hand = await import("../server/submissions/accept.ts");
  links = await import("../server/links/open-link.ts");
  signing = await import("../server/auth/sign-in.ts");
  const { addSchool } = await import("../server/db/add-school.ts");
  sql = owner();
  const [teacher] = await sql`select id, school_id from teacher where email = ${inject("email")}`;
  ours = { teacherId: teacher!.id, schoolId: teacher!.school_id };
  const file = tidewell();
  const home = { label: "A home", space: null, players: null };
  theirs = await addSchool(sql, {
    ...file,
    school: "Lower Marsh School",
    homes: [home],
    teachers: [
      { email: "other@marsh.example", name: "Oona Vale", password: "a long password", classes: ["Wren class"] },
    ],
    classes: [{ name: "Wren class", children: [{ name: "Pip Q.", age: 8, leftHanded: false, homes: ["A home"] }] }],
  });
});
afterAll(async () => {
  await sql`delete from school where name = 'Lower Marsh School'`;
  await sql.end();
});

const order = async (who: Who, over: object = {}) => {
  const [own] = await classes.classesFor(who);
  return {
    orderId: randomUUID(),
    classId: own!.id,
    opensAt: new Date(Date.now() - DAY),
    closesAt: new Date(Date.now() + DAY),
    tries: 2,
    mark: null,
    ...over,
  };
};

describe("a teacher sees only their own school", () => {
  it("classes, homes, activities, sendings and messages", async () => {
    expect((await classes.classesFor(theirs)).flatMap((row) => row.children).map((c) => c.name)).toEqual(["Pip Q."]);
    expect((await classes.classesFor(ours)).flatMap((row) => row.children)).toHaveLength(54);
    expect((await homes.homesFor(theirs)).map((homeRow) => homeRow.child)).toEqual(["Pip Q."]);
    expect(await activities.activitiesFor(theirs)).toEqual([]);
    expect(await results.assignmentsFor(theirs, "UTC")).toEqual([]);
    expect((await outbox.outboxFor(theirs)).total).toBe(0);
    const [foreign] = await activities.activitiesFor(ours);
    await expect(activities.activityFor(theirs, foreign!.id)).rejects.toThrow("activity");
    await expect(activities.saveActivity(theirs, foreign!.id, 1, fromPattern("climb"))).rejects.toThrow("activity");
    await expect(activities.shelveActivity(theirs, foreign!.id, true)).rejects.toThrow("activity");
    const [sent] = await results.assignmentsFor(ours, "UTC");
    await expect(results.resultsFor(theirs, sent!.id)).rejects.toThrow("assignment");
    const [home] = await homes.homesFor(ours);
    await expect(homeLinks.changeLink(theirs, home!.childId, "withdraw")).rejects.toThrow("child");
    await expect(editing.saveHome(theirs, home!.childId, home!.homes[0]!.id, { players: 2 })).rejects.toThrow("child");
    const [own] = await classes.classesFor(ours);
    await expect(answers.waitingAnswers(theirs, own!.id)).rejects.toThrow("class");
    await expect(homeLinks.classLink(theirs, own!.id)).rejects.toThrow("class");
    const { schoolItemsFor } = await import("../server/kit/items.ts");
    expect((await schoolItemsFor(ours)).own.map((item) => item.id)).toContain("foamDisc");
    expect((await schoolItemsFor(theirs)).own).toEqual([]);
  });

  it("cannot send to another school's class, nor hand in to another's card", async () => {
    const id = await activities.addActivity(theirs, fromPattern("climb"));
    const foreign = await order(ours);
    await expect(send.sendActivity(theirs, id, foreign)).rejects.toThrow("class");
    const [card] = await sql`select k.id from card k where k.school_id = ${ours.schoolId} limit 1`;
    const [pip] = await sql`select id from child where name = 'Pip Q.'`;
    const body = {
      play: randomUUID(),
      card: card!.id,
      device: "a-device",
      setup: { players: 1, mode: "alone", seed: 1 },
      rulesVersion: 1,
      startedAt: Date.now(),
      events: [],
      result: null,
    } as const;
    await expect(
      hand.acceptSubmission({ schoolId: theirs.schoolId, childId: pip!.id }, { ...body, events: [] }),
    ).rejects.toThrow("card");
    await expect(
      hand.acceptSubmission({ schoolId: ours.schoolId, childId: pip!.id }, { ...body, events: [] }),
    ).rejects.toThrow("card");
  });
});

describe("saving", () => {
  it("goes by versions: the later of two savings from one version gets the other to choose from", async () => {
    const id = await activities.addActivity(theirs, fromPattern("bands"));
    const kept = await activities.activityFor(theirs, id);
    const first = await activities.saveActivity(theirs, id, kept.version, { ...kept.document, title: "First" });
    expect(first).toMatchObject({ saved: true, version: 2 });
    const second = await activities.saveActivity(theirs, id, kept.version, { ...kept.document, title: "Second" });
    expect(second).toMatchObject({ saved: false, theirs: { version: 2, document: { title: "First" } } });
    const both = await Promise.all(
      ["A", "B", "C"].map((title) => activities.saveActivity(theirs, id, 2, { ...kept.document, title })),
    );
    expect(both.filter((saved) => saved.saved)).toHaveLength(1);
  });
  it("refuses a broken document by field, and keeps the old one", async () => {
    const id = await activities.addActivity(theirs, fromPattern("climb"));
    await expect(activities.saveActivity(theirs, id, 1, { ...fromPattern("climb"), title: " " })).rejects.toThrow(
      "title must not be empty",
    );
    expect((await activities.activityFor(theirs, id)).version).toBe(1);
  });
});

describe("sending", () => {
  it("freezes what was sent: one revision for the same content, another after a change, cards as compiled then", async () => {
    const id = await activities.addActivity(theirs, fromPattern("climb"));
    const one = await send.sendActivity(theirs, id, await order(theirs));
    const two = await send.sendActivity(theirs, id, await order(theirs));
    await activities.saveActivity(theirs, id, 1, { ...fromPattern("climb"), title: "Changed since" });
    const three = await send.sendActivity(theirs, id, await order(theirs));
    const rows =
      await sql`select a.id, a.revision_id, v.compiled->'activity'->>'title' as title from assignment a join card k on k.assignment_id = a.id join card_version v on v.card_id = k.id and v.hash = k.hash where a.id in ${sql([one, two, three])}`;
    const of = (text: string) => rows.find((row) => row.id === text)!;
    expect(of(one).revision_id).toBe(of(two).revision_id);
    expect(of(three).revision_id).not.toBe(of(one).revision_id);
    expect([of(one).title, of(three).title]).toEqual(["Hallway climb", "Changed since"]);
    expect((await outbox.outboxFor(theirs)).total).toBe(3);
  });

  it.each([
    [{ tries: 0 }, "At least 1 go must count."],
    [{ tries: Number.NaN }, "The number of goes must be a number."],
    [{ mark: -1 }, "The score to beat must be 0 or more."],
    [{ closesAt: new Date(0) }, "The closing time must be later than the opening time."],
    [{ closesAt: null }, "The closing time needs a date and a time."],
    [{ closesAt: new Date(Date.now() + 400 * DAY) }, "An activity can stay open for at most 120 days"],
  ])("names what is not allowed (%#)", async (over, message) => {
    const id = await activities.addActivity(theirs, fromPattern("climb"));
    await expect(send.sendActivity(theirs, id, (await order(theirs, over)) as never)).rejects.toThrow(message);
  });
});

describe("once, under any number of clicks", () => {
  it("a sending: the same order twice, at once, and after a restart is one assignment, one card and one message a child", async () => {
    const id = await activities.addActivity(theirs, fromPattern("climb"));
    const one = await order(theirs);
    const before = (await outbox.outboxFor(theirs)).total;
    const sent = await Promise.all(Array.from({ length: 6 }, () => send.sendActivity(theirs, id, one)));
    sent.push(await send.sendActivity(theirs, id, one));
    expect(new Set(sent).size).toBe(1);
    expect((await outbox.outboxFor(theirs)).total).toBe(before + 1);
    expect(await sql`select 1 from card where assignment_id = ${sent[0]!}`).toHaveLength(1);
    await expect(send.sendActivity(theirs, id, { ...one, orderId: "x" })).rejects.toThrow("Load it again");
  });

  it("a first home and another home, by family and teacher", async () => {
    const [kid] = await sql`insert into child (school_id, class_id, name, age)
      select school_id, class_id, 'Wim T.', 8 from child where name = 'Pip Q.' returning id`;
    const to = { schoolId: theirs.schoolId, childId: kid!.id as string };
    const known = async () => (await families.familyHomes(to)).homes.map((home) => home.label);
    // Looking makes nothing.
    await Promise.all(Array.from({ length: 6 }, () => families.familyHomes(to)));
    expect(await known()).toEqual([]);
    const said = await Promise.all(
      Array.from({ length: 6 }, (_, i) => families.answerForHome(to, null, { players: 1 + (i % 3) })),
    );
    expect(new Set(said).size).toBe(1);
    expect(await known()).toEqual(["Wim's home"]);
    const order = randomUUID();
    await Promise.all(Array.from({ length: 5 }, () => families.addFamilyHome(to, order)));
    expect(await known()).toEqual(["Wim's home", "Wim's home 2"]);
    const many = await Promise.allSettled(Array.from({ length: 10 }, () => families.addFamilyHome(to, randomUUID())));
    expect(many.filter((m) => m.status === "fulfilled")).toHaveLength(2);
    expect(await known()).toHaveLength(4);
    await expect(editing.addHomeFor(theirs, to.childId, { order: randomUUID() })).rejects.toThrow("at most 4 homes");
    // Another school's home is not taken by its id: what is asked for under it is a home of their own.
    const [foreign] = await sql`select id from home where school_id = ${ours.schoolId} limit 1`;
    await sql`delete from child_home where child_id = ${to.childId}`;
    const own = await families.addFamilyHome(to, foreign!.id);
    expect(own).not.toBe(foreign!.id);
    expect((await sql`select school_id from home where id = ${own}`)[0]).toMatchObject({ school_id: theirs.schoolId });
    expect(
      await sql`select 1 from child_home where home_id = ${foreign!.id} and child_id = ${to.childId}`,
    ).toHaveLength(0);
    await sql`delete from child where id = ${to.childId}`;
  });

  it("a score from paper: added once, corrected by a row that names the one it replaces, taken back, standing again", async () => {
    const id = await activities.addActivity(theirs, {
      ...fromPattern("climb"),
      pattern: {
        name: "climb",
        params: {
          ...(fromPattern("climb").pattern.params as object),
          scoring: { by: "points", first: 1, growth: 1 },
          tries: 20,
        },
      },
    } as never);
    const sent = await send.sendActivity(theirs, id, await order(theirs));
    const [card] = await sql`select id from card where assignment_id = ${sent}`;
    const typed = { cardId: card!.id as string, reachedTop: false, stage: null };
    // A climb of five rungs gives 0, 1, 3, 6, 10 or 15.
    for (const value of [999, 16, 14])
      await expect(corrections.paperResult(theirs, sent, { ...typed, orderId: randomUUID(), value })).rejects.toThrow(
        "This game gives",
      );
    const paper = { ...typed, orderId: randomUUID(), value: 6 };
    await Promise.all(Array.from({ length: 4 }, () => corrections.paperResult(theirs, sent, paper)));
    const row = async () => (await results.resultsFor(theirs, sent)).rows[0]!;
    expect((await row()).goes.map((go) => go.score.value)).toEqual([6]);
    const change = (to: unknown, replaces: string | null, orderId = randomUUID()) =>
      corrections.correctResult(theirs, sent, {
        orderId,
        playId: paper.orderId,
        replaces,
        reason: "Misread",
        to: to as never,
      });
    const first = randomUUID();
    await Promise.all([
      change({ value: 10, reachedTop: false, stage: null }, null, first),
      change({ value: 10, reachedTop: false, stage: null }, null, first),
    ]);
    expect((await row()).best).toMatchObject({
      score: { value: 10 },
      corrected: { by: "Oona Vale", reason: "Misread", before: { value: 6 } },
    });
    // Somebody who saw the one before is told.
    await expect(change("gone", null)).rejects.toThrow("Someone else has corrected this score");
    await expect(change({ value: 11, reachedTop: false, stage: null }, first)).rejects.toThrow("This game gives");
    const gone = randomUUID();
    await change("gone", first, gone);
    expect((await row()).best).toBeNull();
    expect((await row()).goes[0]).toMatchObject({ counts: false, beyond: false, corrected: { score: null } });
    await change("again", gone);
    expect((await row()).best).toMatchObject({ score: { value: 10 } });
    expect(await sql`select 1 from result_correction where play_id = ${paper.orderId}`).toHaveLength(3);
    expect((await sql`select score from result where play_id = ${paper.orderId}`)[0]!.score).toMatchObject({
      value: 6,
    });
  });

  it("paper and device times stand in one order; an unfinished one is never below nought", async () => {
    const a = {
      ...fromPattern("climb"),
      pattern: {
        name: "climb",
        params: { ...(fromPattern("climb").pattern.params as object), scoring: { by: "time" }, tries: null },
      },
    } as never;
    const id = await activities.addActivity(theirs, a);
    const sent = await send.sendActivity(theirs, id, await order(theirs, { tries: 9 }));
    const [card] = await sql`select id, child_id from card where assignment_id = ${sent}`;
    const events = playGo(a, {
      ages: [8],
      tempers: [behaviorProfile(3)],
      setup: { players: 1, mode: "alone", seed: 3 },
      seed: 3,
    });
    await hand.acceptSubmission(
      { schoolId: theirs.schoolId, childId: card!.child_id },
      {
        play: randomUUID(),
        card: card!.id,
        device: "a-device",
        setup: { players: 1, mode: "alone", seed: 3 },
        rulesVersion: 1,
        startedAt: Date.now() - 3_600_000,
        events: events.map((event, seq) => ({ seq, event })),
        result: {
          events: events.length,
          reflection: { before: null, during: null, after: null, answers: [], criteria: [], grownUp: false },
        },
      },
    );
    const device = (await results.resultsFor(theirs, sent)).rows[0]!.best!;
    expect(device.score.finished).toBe(true);
    const paper = (value: number, reachedTop: boolean, stage: number | null) =>
      corrections.paperResult(theirs, sent, { orderId: randomUUID(), cardId: card!.id, value, reachedTop, stage });
    await paper(device.score.value + 50, true, null);
    expect((await results.resultsFor(theirs, sent)).rows[0]!.best).toMatchObject({ source: "device" });
    await paper(10, false, 2);
    expect((await results.resultsFor(theirs, sent)).rows[0]!.best).toMatchObject({ source: "device" });
    await paper(device.score.value - 1, true, null);
    const { best, goes } = (await results.resultsFor(theirs, sent)).rows[0]!;
    expect(best).toMatchObject({ source: "paper" });
    expect(goes.every((go) => go.score.rank >= 0)).toBe(true);
    await expect(paper(10, false, 5)).rejects.toThrow("how many targets");
  });
});

describe("what is out", () => {
  it("is taken back and put back, closed early, opened longer, given to single children, and to who joins later", async () => {
    const { closeAt, sendToChild, withdraw } = await import("../server/assignments/change.ts");
    const [pip] = await sql`select id, class_id from child where name = 'Pip Q.'`;
    const add = async (name: string) =>
      (
        await sql`insert into child (school_id, class_id, name, age) values (${theirs.schoolId}, ${pip!.class_id}, ${name}, 9) returning id`
      )[0]!.id as string;
    const [una, vic] = [await add("Una F."), await add("Vic G.")];
    const id = await activities.addActivity(theirs, fromPattern("climb"));
    const some = await send.sendActivity(theirs, id, await order(theirs, { children: [una] }));
    const whole = await send.sendActivity(theirs, id, await order(theirs));
    const has = async (sent: string) =>
      (
        await sql`select c.name from card k join child c on c.id = k.child_id where k.assignment_id = ${sent} order by c.name`
      ).map((row) => row.name);
    expect(await has(some)).toEqual(["Una F."]);
    expect((await results.resultsFor(theirs, some)).without.map((child) => child.name)).toContain("Vic G.");
    expect(await sendToChild(theirs, some, vic)).toBe(true);
    expect(await sendToChild(theirs, some, vic)).toBe(false);
    expect(await has(some)).toEqual(["Una F.", "Vic G."]);
    await expect(sendToChild(theirs, some, randomUUID())).rejects.toThrow("Choose a child in this class");
    await expect(send.sendActivity(theirs, id, await order(theirs, { children: [randomUUID()] }))).rejects.toThrow();

    const late = await add("Zac H.");
    await sql`insert into job (school_id, kind, about, due_at) values (${theirs.schoolId}, 'cards', ${late}, now())`;
    await expect
      .poll(
        async () => (await jobs.drainQueue()) + (await has(whole)).filter((value) => value === "Zac H.").length * 100,
      )
      .toBeGreaterThanOrEqual(100);
    expect(await has(some)).not.toContain("Zac H.");
    const got = await sql`select 1 from message where assignment_id = ${whole} and child_id = ${late}`;
    expect(got).toHaveLength(1);

    const link = { schoolId: theirs.schoolId, childId: una };
    const [card] = await sql`select id from card where assignment_id = ${some} and child_id = ${una}`;
    const state = async () => (await family.openCard(link, card!.id)).state;
    expect(await state()).toBe("open");
    await withdraw(theirs, some, false);
    expect(await state()).toBe("withdrawn");
    expect((await family.cardsFor(link)).cards.map((eachCard) => eachCard.id)).not.toContain(card!.id);
    await withdraw(theirs, some, true);
    expect(await state()).toBe("open");
    await closeAt(theirs, some, new Date(Date.now() - 1000));
    expect(await state()).toBe("closed");
    await closeAt(theirs, some, new Date(Date.now() + DAY));
    expect(await state()).toBe("open");
    await expect(closeAt(theirs, some, new Date(Number.NaN))).rejects.toThrow(/date/i);
    await expect(closeAt(theirs, some, new Date(Date.now() + 400 * DAY))).rejects.toThrow("at most 120 days");
    await expect(withdraw(ours, some, false)).rejects.toThrow("assignment");
    // A job may be at work on them at this moment: then once more.
    const gone = async () => {
      try {
        await sql`delete from child where id in ${sql([una, vic, late])}`;
        return "gone";
      } catch (error) {
        return (error as { code?: string }).code;
      }
    };
    await expect.poll(gone).toBe("gone");
  });

  it("has its mark in the unit of the game: another unit, or more than the game gives, asks anew", async () => {
    const id = await activities.addActivity(theirs, fromPattern("climb"));
    const [unit, most] = await (async () => {
      const { opened } = await import("../core/formats/opened.ts");
      const can = opened(fromPattern("climb")).possible;
      return [can.unit, can.most!] as const;
    })();
    const other = unit === "points" ? "sends" : "points";
    await expect(send.sendActivity(theirs, id, await order(theirs, { mark: 5, markUnit: other }))).rejects.toThrow(
      "Type the score to beat again",
    );
    await expect(
      send.sendActivity(theirs, id, await order(theirs, { mark: most + 1, markUnit: unit })),
    ).rejects.toThrow("This game gives");
    const sent = await send.sendActivity(theirs, id, await order(theirs, { mark: most, markUnit: unit }));
    expect((await results.resultsFor(theirs, sent)).mark).toBe(most);
  });
});

describe("which card was played", () => {
  it("is remembered with its version and what was decided; the card may be made anew meanwhile", async () => {
    const activity = fromPattern("climb");
    const [pip] = await sql`select id from child where name = 'Pip Q.'`;
    const to = { schoolId: theirs.schoolId, childId: pip!.id as string };
    const home = (await families.familyHomes(to)).homes[0]!.id;
    await families.answerForHome(to, home, {
      kit: { sock: 8, bucket: 2, box: 2, pan: 1, book: 3, bottle: 4, string: 1 },
      space: { kind: "room", length: 6, width: 4, floor: "carpet", indoors: true } as never,
    });
    const sent = await send.sendActivity(theirs, await activities.addActivity(theirs, activity), await order(theirs));
    const [card] = await sql`select id from card where assignment_id = ${sent} and child_id = ${to.childId}`;
    const seen = await family.openCard(to, card!.id);
    expect(seen.hash).toMatch(/^[0-9a-f]{64}$/);
    // The home says more: the card is another version, and the one that was seen is still there.
    await families.answerForHome(to, home, {
      space: { kind: "corridor", length: 3.2, width: 1.5, floor: "tile", indoors: true } as never,
    });
    // On a busy machine a card that is not made yet is waited for only so long.
    await expect.poll(async () => (await family.openCard(to, card!.id)).hash).not.toBe(seen.hash);
    const now = await family.openCard(to, card!.id);
    expect(now.card.activity.space.floor).toBe("tile");
    const events = playGo(seen.card.activity, {
      ages: [8],
      tempers: [behaviorProfile(5)],
      setup: { players: 1, mode: "alone", seed: 5 },
      seed: 5,
    });
    const go = (over: object) => ({
      play: randomUUID(),
      card: card!.id as string,
      device: "a-device",
      setup: { players: 1, mode: "alone" as const, seed: 5 },
      rulesVersion: 1,
      startedAt: Date.now() - 60_000,
      events: events.map((event, seq) => ({ seq, event })),
      result: {
        events: events.length,
        reflection: { before: null, during: null, after: null, answers: [], criteria: [], grownUp: false },
      },
      ...over,
    });
    const target = seen.card.home!.picks.find((pick) => pick.role === "send")!;
    const { swapOptions } = await import("../core/compile/swap.ts");
    const other = swapOptions(seen.card.making!, { home: null, fixed: {}, also: [] }, "send").here.find(
      (id) => id !== target.item,
    )!;
    expect(other).toBeDefined();
    const plain = go({ cardHash: seen.hash });
    const swapped = go({ cardHash: seen.hash, decided: { home: null, fixed: { send: other }, also: [] } });
    const held = go({});
    const made = go({ cardHash: "0".repeat(64) });
    for (const g of [plain, swapped, held, made]) expect((await hand.acceptSubmission(to, g)).result).not.toBeNull();
    const rows = await sql`select id, card_hash, decided, game from play where card_id = ${card!.id}`;
    const of = (g: { play: string }) => rows.find((row) => row.id === g.play)!;
    expect(of(plain)).toMatchObject({ card_hash: seen.hash, game: { floor: "carpet", send: target.item } });
    expect(of(swapped)).toMatchObject({ card_hash: seen.hash, game: { floor: "carpet", send: other } });
    expect(Object.keys(of(plain).game.distances).length).toBeGreaterThan(2);
    expect(of(held)).toMatchObject({ card_hash: null, game: null });
    expect(of(made)).toMatchObject({ card_hash: null });
    const { goes } = (await results.resultsFor(theirs, sent)).rows.find((row) => row.cardId === card!.id)!;
    expect(goes.filter((eachGo) => eachGo.unversioned)).toHaveLength(2);
    // Made again no more: it was begun.
    const version = (await sql`select hash from card where id = ${card!.id}`)[0]!.hash;
    await families.answerForHome(to, home, { players: 5 });
    await jobs.runNow(theirs.schoolId, "cards", to.childId, 10_000);
    expect((await sql`select hash from card where id = ${card!.id}`)[0]!.hash).toBe(version);
  });
});

describe("goes", () => {
  it("beyond the tries allowed are kept, marked, and stay off boards; a stopped one does not count", async () => {
    const activity = fromPattern("climb");
    const id = await activities.addActivity(theirs, activity);
    const sent = await send.sendActivity(theirs, id, await order(theirs));
    const [card] = await sql`select id, child_id from card where assignment_id = ${sent}`;
    const link = { schoolId: theirs.schoolId, childId: card!.child_id };
    const setup = { players: 1, mode: "alone", seed: 1 } as const;
    const go = async (seed: number, stops: number, minutes: number) => {
      const events = playGo(activity, { ages: [8], tempers: [behaviorProfile(seed)], setup, seed, stops });
      const reflection = { before: null, during: null, after: null, answers: [], criteria: [], grownUp: false };
      await hand.acceptSubmission(link, {
        play: randomUUID(),
        card: card!.id,
        device: "a-device",
        setup,
        rulesVersion: 1,
        startedAt: Date.now() - minutes * 60_000,
        events: events.map((event, seq) => ({ seq, event })),
        result: { events: events.length, reflection },
      });
    };
    await go(1, 1, 50);
    await go(2, 0, 40);
    await go(3, 0, 30);
    const r = await results.resultsFor(theirs, sent);
    const goes = r.rows[0]!.goes;
    expect(goes.map((eachGo) => [eachGo.score.stopped, eachGo.beyond, eachGo.counts])).toEqual([
      [true, false, false],
      [false, false, true],
      [false, true, false],
    ]);
    expect(r.rows[0]!.best).toBe(goes[1]);
    // Worked out after sending, and not by looking.
    await jobs.drainQueue();
    await expect.poll(async () => (await results.resultsFor(theirs, sent)).working).toBe(null);
    const worked = await results.resultsFor(theirs, sent);
    expect(worked.expected[8]!.low).toBeLessThanOrEqual(worked.expected[8]!.high);
    const seen = await family.cardsFor(link);
    expect(seen.cards.find((eachCard) => eachCard.id === card!.id)).toMatchObject({
      used: 3,
      tries: 2,
      state: "open",
      best: { value: goes[1]!.score.value },
    });
  });

  it("from paper are results like others, without events", async () => {
    const id = await activities.addActivity(theirs, {
      ...fromPattern("climb"),
      pattern: {
        name: "climb",
        params: { ...(fromPattern("climb").pattern.params as object), scoring: { by: "time" } },
      },
    } as never);
    const sent = await send.sendActivity(theirs, id, await order(theirs));
    const [card] = await sql`select id from card where assignment_id = ${sent}`;
    const paper = { cardId: card!.id, value: 425, reachedTop: true, stage: null };
    await corrections.paperResult(theirs, sent, { orderId: randomUUID(), ...paper });
    const r = await results.resultsFor(theirs, sent);
    expect(r.unit).toBe("tenths");
    expect(r.rows[0]!.best).toMatchObject({ source: "paper", score: { value: 425, finished: true } });
    await expect(
      corrections.paperResult(theirs, sent, { orderId: randomUUID(), ...paper, cardId: randomUUID() }),
    ).rejects.toThrow("card");
    await expect(
      results.markCriterion(theirs, sent, { cardId: card!.id, criterion: "none", mark: "yes" }),
    ).rejects.toThrow("not one of the activity");
  });
});

describe("signing in is slowed, and nobody is locked out", () => {
  const address = "other@marsh.example";
  const right = "a long password";
  const tried = (error: Error) => (error.message.includes("do not match") ? "looked at" : "told to wait");

  itLong(
    "checks only a handful of sixty sign-ins at once for one address, whatever machine they claim to be",
    async () => {
      const began = performance.now();
      const told = await Promise.all(
        Array.from({ length: 60 }, (_, i) =>
          signing.signIn(address, `guess ${i}`, `10.0.0.${i}`).then(
            () => "in",
            (error) => tried(error),
          ),
        ),
      );
      const looked = told.filter((text) => text === "looked at").length;
      expect(looked).toBeGreaterThanOrEqual(5);
      expect(looked).toBeLessThanOrEqual(12);
      expect(told.filter((text) => text === "told to wait")).toHaveLength(60 - looked);
      expect(performance.now() - began).toBeLessThan(30_000);
      // Meanwhile the teacher's own device is as quick as ever.
      const known = signing.deviceMark(address);
      const then = performance.now();
      expect(await signing.sessionOf(await signing.signIn(address, right, "10.9.9.9", known))).toEqual(theirs);
      expect(performance.now() - then).toBeLessThan(2000);
      // A mark made for somebody else, or made up, is no such device.
      for (const mark of [signing.deviceMark("noor@tidewell.example"), `${known.split(".")[0]}.x`, "x"])
        await expect(
          Promise.race([
            signing.signIn(address, "guess", "10.9.9.8", mark),
            new Promise((_, no) => setTimeout(() => no(new Error("slow")), 500)),
          ]),
        ).rejects.toThrow(/slow|Wait half a minute/);
      // From anywhere else the teacher waits a turn, and gets in.
      await sql`update sign_in_pace set next_at = now() + interval '1 second'`;
      expect(await signing.sessionOf(await signing.signIn(address, right, "10.9.9.7"))).toEqual(theirs);
    },
  );

  it("two who try at once never get the same turn, and a quiet quarter of an hour forgets", async () => {
    const key = `test ${randomUUID()}`;
    const turn = async () =>
      (await sql`select public.yard_sign_in_turn(${key}, 2, interval '1 second', interval '1 hour') as wait`)[0]!
        .wait as number;
    const waits = (await Promise.all(Array.from({ length: 6 }, turn))).sort((a, b) => a - b);
    expect(waits.slice(0, 2)).toEqual([0, 0]);
    for (const [i, least] of [1, 3, 6, 10].entries()) expect(waits[i + 2]! / 1000).toBeCloseTo(least, 0);
    await sql`update sign_in_pace set next_at = now() - interval '16 minutes' where key = ${key}`;
    expect(await turn()).toBe(0);
  });
});

describe("links and sessions", () => {
  it("open, are withdrawn, and open again at another address", async () => {
    const token = async () => (await homes.homesFor(theirs))[0]!.token;
    const first = (await token())!;
    expect(await links.openLink(first)).toMatchObject({ schoolId: theirs.schoolId });
    const { childId } = (await homes.homesFor(theirs))[0]!;
    await homeLinks.changeLink(theirs, childId, "withdraw");
    expect(await token()).toBeNull();
    expect(await links.openLink(first)).toEqual({ trouble: "withdrawn" });
    // Withdrawing is undone by clearing it; only a new link is another address.
    await homeLinks.changeLink(theirs, childId, "restore");
    expect(await token()).toBe(first);
    expect(await links.openLink(first)).toMatchObject({ childId });
    await homeLinks.changeLink(theirs, childId, "withdraw");
    await homeLinks.changeLink(theirs, childId, "renew");
    const second = (await token())!;
    expect(second).not.toBe(first);
    expect(await links.openLink(second)).toMatchObject({ childId });
    expect(await links.openLink(first)).toEqual({ trouble: "withdrawn" });
    expect(await links.openLink(`${second.slice(0, 22)}.${"x".repeat(22)}`)).toEqual({ trouble: "unknown" });
  });

  it("a session ends when it is signed out or has run out", async () => {
    const token = await signing.signIn("Other@Marsh.example", "a long password", "test");
    expect(await signing.sessionOf(token)).toEqual(theirs);
    await signing.signOut(token);
    expect(await signing.sessionOf(token)).toBeNull();
    const old = await signing.signIn("other@marsh.example", "a long password", "test");
    await sql`update session set expires_at = now() - interval '1 minute' where teacher_id = ${theirs.teacherId}`;
    expect(await signing.sessionOf(old)).toBeNull();
    expect(await signing.sessionOf("nonsense")).toBeNull();
  });
});
