import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, inject, it } from "vitest";
import { fromPattern } from "../core/formats/activity.ts";
import { playGo, temper } from "../server/demo/simulated-child.ts";
import { tidewell } from "../server/demo/tidewell.ts";
import { owner } from "./help.ts";

/** The server's own functions on the real database: two schools side by side. */
type Who = { teacherId: string; schoolId: string };
let activities: typeof import("../server/activities/activities.ts");
let send: typeof import("../server/assignments/send.ts");
let results: typeof import("../server/assignments/results.ts");
let corrections: typeof import("../server/assignments/corrections.ts");
let jobs: typeof import("../server/jobs/jobs.ts");
let classes: typeof import("../server/school/classes.ts");
let homes: typeof import("../server/homes/homes.ts");
let family: typeof import("../server/cards/family.ts");
let outbox: typeof import("../server/outbox/outbox.ts");
let hand: typeof import("../server/hand-in/take.ts");
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
  family = await import("../server/cards/family.ts");
  outbox = await import("../server/outbox/outbox.ts");
  hand = await import("../server/hand-in/take.ts");
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
    expect((await classes.classesFor(theirs)).flatMap((c) => c.children).map((c) => c.name)).toEqual(["Pip Q."]);
    expect((await classes.classesFor(ours)).flatMap((c) => c.children)).toHaveLength(54);
    expect((await homes.homesFor(theirs)).map((h) => h.child)).toEqual(["Pip Q."]);
    expect(await activities.activitiesFor(theirs)).toEqual([]);
    expect(await results.assignmentsFor(theirs, "UTC")).toEqual([]);
    expect((await outbox.outboxFor(theirs, 0)).total).toBe(0);
    const [foreign] = await activities.activitiesFor(ours);
    await expect(activities.activityFor(theirs, foreign!.id)).rejects.toThrow("activity");
    await expect(activities.saveActivity(theirs, foreign!.id, 1, fromPattern("climb"))).rejects.toThrow("activity");
    await expect(activities.shelveActivity(theirs, foreign!.id, true)).rejects.toThrow("activity");
    const [sent] = await results.assignmentsFor(ours, "UTC");
    await expect(results.resultsFor(theirs, sent!.id)).rejects.toThrow("assignment");
    const [home] = await homes.homesFor(ours);
    await expect(homes.withdrawLink(theirs, home!.childId, false)).rejects.toThrow("child");
    await expect(homes.saveHome(theirs, home!.childId, home!.homes[0]!.id, { players: 2 })).rejects.toThrow("child");
    const [own] = await classes.classesFor(ours);
    await expect(homes.waitingAnswers(theirs, own!.id)).rejects.toThrow("class");
    await expect(homes.classLink(theirs, own!.id)).rejects.toThrow("class");
    const { schoolItemsFor } = await import("../server/kit/items.ts");
    expect((await schoolItemsFor(ours)).own.map((i) => i.id)).toContain("foamDisc");
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
      hand.takeHandIn({ schoolId: theirs.schoolId, childId: pip!.id }, { ...body, events: [] }),
    ).rejects.toThrow("card");
    await expect(
      hand.takeHandIn({ schoolId: ours.schoolId, childId: pip!.id }, { ...body, events: [] }),
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
    expect(both.filter((s) => s.saved)).toHaveLength(1);
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
    const of = (x: string) => rows.find((r) => r.id === x)!;
    expect(of(one).revision_id).toBe(of(two).revision_id);
    expect(of(three).revision_id).not.toBe(of(one).revision_id);
    expect([of(one).title, of(three).title]).toEqual(["Hallway climb", "Changed since"]);
    expect((await outbox.outboxFor(theirs, 0)).total).toBe(3);
  });

  it.each([
    [{ tries: 0 }, "goes must be 1 or more"],
    [{ tries: Number.NaN }, "goes must be a number"],
    [{ mark: -1 }, "mark to beat must be 0 or more"],
    [{ closesAt: new Date(0) }, "closes must be later than opens"],
    [{ closesAt: null }, "closes: give a date and a time"],
    [{ closesAt: new Date(Date.now() + 400 * DAY) }, "closes must be within 120 days of opens"],
  ])("names what is not allowed (%#)", async (over, message) => {
    const id = await activities.addActivity(theirs, fromPattern("climb"));
    await expect(send.sendActivity(theirs, id, (await order(theirs, over)) as never)).rejects.toThrow(message);
  });
});

describe("goes", () => {
  it("beyond the tries allowed are kept, marked, and stay off boards; a stopped one does not count", async () => {
    const a = fromPattern("climb");
    const id = await activities.addActivity(theirs, a);
    const sent = await send.sendActivity(theirs, id, await order(theirs));
    const [card] = await sql`select id, child_id from card where assignment_id = ${sent}`;
    const link = { schoolId: theirs.schoolId, childId: card!.child_id };
    const setup = { players: 1, mode: "alone", seed: 1 } as const;
    const go = async (seed: number, stops: number, minutes: number) => {
      const events = playGo(a, [8], [temper(seed)], setup, seed, stops);
      const reflection = { before: null, during: null, after: null, answers: [], criteria: [], grownUp: false };
      await hand.takeHandIn(link, {
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
    expect(goes.map((g) => [g.score.stopped, g.beyond, g.counts])).toEqual([
      [true, false, false],
      [false, false, true],
      [false, true, false],
    ]);
    expect(r.rows[0]!.best).toBe(goes[1]);
    // Worked out after sending, and not by looking.
    await jobs.doDue();
    const worked = await results.resultsFor(theirs, sent);
    expect(worked.working).toBe(false);
    expect(worked.expected[8]!.low).toBeLessThanOrEqual(worked.expected[8]!.high);
    const seen = await family.cardsFor(link);
    expect(seen.cards.find((c) => c.id === card!.id)).toMatchObject({
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
    ).rejects.toThrow("not one of this activity");
  });
});

describe("links and sessions", () => {
  it("open, are withdrawn, and open again at another address", async () => {
    const token = async () => (await homes.homesFor(theirs))[0]!.token;
    const first = (await token())!;
    expect(await links.openLink(first)).toMatchObject({ schoolId: theirs.schoolId });
    const { childId } = (await homes.homesFor(theirs))[0]!;
    await homes.withdrawLink(theirs, childId, false);
    expect(await token()).toBeNull();
    expect(await links.openLink(first)).toEqual({ trouble: "withdrawn" });
    await homes.withdrawLink(theirs, childId, true);
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
