import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, inject, it } from "vitest";
import { type Activity, activity, fromPattern } from "../core/formats/activity.ts";
import type { PlaySetup } from "../core/records/play.ts";
import { owner } from "./help.ts";

/** What the next games need has room already: each from the document through compiling, sending, play and hand-in to the score that is kept. */
let sql: ReturnType<typeof owner>;
let who: { teacherId: string; schoolId: string };
let classId: string;
const alone: PlaySetup = { players: 1, mode: "alone", seed: 1 };
const climb = fromPattern("climb");

beforeAll(async () => {
  Object.assign(process.env, inject("webEnv"));
  sql = owner();
  const { addSchool } = await import("../server/db/add-school.ts");
  const email = `room-${randomUUID().slice(0, 8)}@example.org`;
  const made = await addSchool(sql, {
    school: `Room ${email}`,
    zone: "Europe/London",
    teachers: [{ email, name: "Robin Room", password: "chalk-and-tape", classes: ["One class"] }],
    homes: [],
    classes: [{ name: "One class", children: [{ name: "Ada R.", age: 7, leftHanded: false, homes: [], support: "" }] }],
  });
  who = made;
  const [row] = await sql`select id from class where school_id = ${made.schoolId}`;
  classId = row!.id;
});
afterAll(async () => {
  await sql`delete from school where id = ${who.schoolId}`;
  await sql.end();
});

/** Sends an activity to the one child of the class and answers with its card. */
async function sent(givenActivity: Activity) {
  const { addActivity } = await import("../server/activities/activities.ts");
  const { sendActivity } = await import("../server/assignments/send.ts");
  const id = await sendActivity(who, await addActivity(who, givenActivity), {
    orderId: randomUUID(),
    classId,
    opensAt: new Date(Date.now() - 60_000),
    closesAt: new Date(Date.now() + 3_600_000),
    tries: 3,
    mark: null,
  });
  const [card] = await sql`select k.id, k.child_id, k.hash, v.compiled from card k
    join card_version v on v.card_id = k.id and v.hash = k.hash where k.assignment_id = ${id}`;
  return card!;
}
/** Hands in a go of a card and answers with the score that is kept. */
async function handedIn(card: Awaited<ReturnType<typeof sent>>, setup: PlaySetup, events: readonly object[]) {
  const { acceptSubmission } = await import("../server/submissions/accept.ts");
  const { handIn } = await import("../core/records/play.ts");
  const play = randomUUID();
  const body = handIn.parse({
    play,
    card: card.id,
    cardHash: card.hash,
    device: "a-device",
    setup,
    rulesVersion: 1,
    startedAt: Date.now() - 3_600_000,
    events: events.map((event, seq) => ({ seq, event })),
    result: {
      events: events.length,
      reflection: { before: null, during: null, after: null, answers: [], criteria: [], grownUp: false },
    },
  });
  await acceptSubmission({ schoolId: who.schoolId, childId: card.child_id }, body);
  const [kept] = await sql`select score from result where play_id = ${play}`;
  return kept!.score;
}
const hit = (id: string | null, at: number) => ({ kind: "send", at, hit: id });

describe("room for what comes next", () => {
  it("a family's choice, set before the first send within what it may, is kept with the score", async () => {
    const design = activity.parse({ ...climb, family: [{ field: "params.tries", values: [3, 6] }] });
    const card = await sent(design);
    expect(card.compiled.activity.family).toEqual(design.family);
    const set = (value: unknown) => ({ kind: "set", at: 0, field: "params.tries", value });
    const score = await handedIn(card, alone, [set(3), hit("t1", 1000), hit(null, 2000), hit("t2", 3000)]);
    expect(score).toMatchObject({ value: 5, sends: 3, stopped: false, set: { "params.tries": 3 } });
    // Without it the game is the teacher's own; beyond the range, or once it has begun, it is refused.
    const plain = await handedIn(card, alone, [hit("t1", 1000), { kind: "stop", at: 2000 }]);
    expect(plain.set).toBeUndefined();
    await expect(handedIn(card, alone, [set(9)])).rejects.toThrow("refused.notAllowed");
    await expect(handedIn(card, alone, [hit("t1", 0), set(3)])).rejects.toThrow("refused.setFirst");
    const bad = activity.safeParse({ ...climb, family: [{ field: "params.tries", values: [0] }] });
    expect(bad.error!.issues[0]!.message).toBe("not every value of params.tries is allowed in this game");
  });

  it("two sides of two, and a grown-up who only feeds and has no score", async () => {
    const design = activity.parse({ ...climb, players: { ...climb.players, most: 6 } });
    const card = await sent(design);
    const setup: PlaySetup = {
      players: 5,
      mode: "against",
      seed: 1,
      sides: [
        [0, 1],
        [2, 3],
      ],
      people: [
        { role: "plays" },
        { role: "plays" },
        { role: "catches" },
        { role: "plays", otherHand: true },
        { role: "feeds" },
      ],
    };
    const { replay, view } = await import("../core/referee/referee.ts");
    const events = [hit("t1", 1000), hit(null, 2000), hit("t2", 3000)];
    const game = { ...design.pattern, match: design.match };
    const before = view(replay(game, setup, events as never).play);
    // Side by side, and within a side in turn; uses the other hand for whoever is to use it.
    expect(before.player).toBe(3);
    expect(before.score.map((eachScore) => eachScore.players)).toEqual(setup.sides);
    expect(before.asks[0]).toMatchObject({ kind: "send", manner: { hand: "other" } });
    const score = await handedIn(card, setup, [...events, { kind: "stop", at: 4000 }]);
    expect(score).toMatchObject({ value: 5, sends: 2, stopped: true });
    const { playSetup } = await import("../core/records/play.ts");
    const wrong = [
      {
        ...setup,
        sides: [
          [0, 1],
          [1, 2],
        ],
      },
      { ...setup, sides: [[1], [2]] },
      { ...setup, people: [{ role: "feeds" }] },
    ];
    for (const w of wrong) expect(playSetup.safeParse(w).success).toBe(false);
  });

  it("what one child needs is set in its card, and the device gets only the result", async () => {
    const adjust = {
      settings: [
        { field: "params.tries", value: 30 },
        { field: "params.nothing", value: 1 },
      ],
    };
    await sql`update child set adjust = ${JSON.stringify(adjust)}::jsonb, support = 'Needs more goes.' where class_id = ${classId}`;
    const card = await sent(climb);
    expect(card.compiled.activity.pattern.params.tries).toBe(30);
    const text = JSON.stringify(card.compiled);
    expect(text).not.toContain("Needs more goes");
    expect(text).not.toContain("adjust");
    expect(text).not.toContain("settings");
    const misses = Array.from({ length: 20 }, (_, i) => hit(null, i * 1000));
    const score = await handedIn(card, alone, [...misses, hit("t1", 21_000), { kind: "stop", at: 22_000 }]);
    expect(score).toMatchObject({ value: 2, sends: 21 });
    await sql`update child set adjust = null, support = '' where class_id = ${classId}`;
  });

  it("a child's own spread moves its card, not its score", async () => {
    const plain = await sent(climb);
    await sql`update child set adjust = ${JSON.stringify({ multiplier: 2.5 })}::jsonb where class_id = ${classId}`;
    const card = await sent(climb);
    expect(card.compiled.making.child.multiplier).toBe(2.5);
    const { rates } = await import("../core/forecast/for-activity.ts");
    const { forecastActivity } = await import("../core/forecast/for-activity.ts");
    const { mean } = await import("../core/forecast/distribution.ts");
    const rate = (multiplier?: number) => rates(climb, { age: 7, ...(multiplier && { multiplier }) }).get("t1")!;
    expect(rate(2.5)).toBeLessThan(rate());
    const points = (multiplier?: number) =>
      mean(forecastActivity(climb, [{ age: 7, ...(multiplier && { multiplier }) }], alone, "middle").sides[0]!.points);
    expect(points(2.5)).toBeLessThan(points());
    const events = [hit("t1", 1000), hit("t2", 2000), { kind: "stop", at: 3000 }];
    expect(await handedIn(card, alone, events)).toEqual(await handedIn(plain, alone, events));
    await sql`update child set adjust = null where class_id = ${classId}`;
  });
});
