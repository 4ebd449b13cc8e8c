import { randomUUID } from "node:crypto";
import postgres from "postgres";
import { afterAll, beforeAll, describe, expect, inject, it } from "vitest";
import { base, linkOf, owner } from "./help.ts";

let link = "";
let card = "";
let sql: ReturnType<typeof owner>;
const token = () => link.split("/f/")[1]!;
const post = (body: unknown, to = token()) =>
  fetch(`${base}/api/hand-in/${to}`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify(body),
  });
const reflection = { before: 3, during: 4, after: 5, answers: ["fine", ""], criteria: [], grownUp: true };
const sends = ["t1", null, "t2", "t3", "t4", "t5"].map((hit, seq) => ({
  seq,
  event: { kind: "send", at: 5000 * (seq + 1), hit },
}));
const go = (over: object = {}) => ({
  play: randomUUID(),
  card,
  device: "test-device-1",
  setup: { players: 1, mode: "alone", seed: 1 },
  rulesVersion: 1,
  startedAt: Date.now() - 60_000,
  events: sends,
  result: { events: sends.length, reflection },
  ...over,
});
const count = async (play: string) => {
  const [row] = await sql`select
    (select count(*)::int from play where id = ${play}) as plays, (select count(*)::int from play_event where play_id = ${play}) as events,
    (select count(*)::int from result where play_id = ${play}) as results, (select count(*)::int from play_conflict where play_id = ${play}) as conflicts`;
  return row!;
};

beforeAll(async () => {
  sql = owner();
  link = await linkOf("Zeb X.");
  const [row] =
    await sql`select k.id from card k join card_version v on v.card_id = k.id and v.hash = k.hash join child c on c.id = k.child_id join assignment a on a.id = k.assignment_id
    where c.name = 'Zeb X.' and v.compiled->'activity'->>'title' = 'Hallway climb'`;
  card = row!.id;
});
afterAll(() => sql.end());

describe("handing in", () => {
  it("keeps a go once, however often and however much at once it is sent", async () => {
    const body = go();
    const answers = await Promise.all(Array.from({ length: 12 }, () => post(body)));
    expect(answers.map((answer) => answer.status)).toEqual(Array.from({ length: 12 }, () => 200));
    const receipts = await Promise.all(answers.map((answer) => answer.json()));
    expect(
      new Set(receipts.map((receipt) => JSON.stringify({ ...receipt, kept: [...receipt.kept].sort() }))).size,
    ).toBe(1);
    expect(await count(body.play)).toEqual({ plays: 1, events: 6, results: 1, conflicts: 0 });
    const [row] = await sql`select score from result where play_id = ${body.play}`;
    expect(row!.score).toMatchObject({ value: 20, sends: 6, finished: true, stopped: false });
  });

  it("takes events one by one as they happen, in any order, and the result only when all are there", async () => {
    const body = go({ events: [], result: null });
    for (const event of [sends[2]!, sends[0]!, sends[1]!])
      expect((await post({ ...body, events: [event] })).status).toBe(200);
    const early = await post({ ...body, result: { events: 6, reflection } });
    expect(early.status).toBe(422);
    expect((await early.json()).message).toContain("Send the rest first");
    expect((await post({ ...body, events: sends.slice(2), result: { events: 6, reflection } })).status).toBe(200);
    expect(await count(body.play)).toMatchObject({ events: 6, results: 1, conflicts: 0 });
  });

  it("keeps different content under a taken key beside the first, never in its place", async () => {
    const body = go();
    const first = await (await post(body)).json();
    const other = { seq: 1, event: { kind: "send", at: 10000, hit: "t5" } };
    const second = await (
      await post({ ...body, events: [other], result: { events: 6, reflection: { ...reflection, after: 1 } } })
    ).json();
    expect(second.conflicts).toEqual([1]);
    expect(second.result).toBe(first.result);
    expect(await count(body.play)).toMatchObject({ events: 6, results: 1, conflicts: 2 });
    const [row] = await sql`select event from play_event where play_id = ${body.play} and seq = 1`;
    expect(row!.event.hit).toBeNull();
  });

  it("says what is wrong: unknown link, another child's card, rules broken, not JSON, a score nobody could have", async () => {
    expect((await post(go(), `${"A".repeat(22)}.${"B".repeat(22)}`)).status).toBe(404);
    expect((await post(go({ card: randomUUID() }))).status).toBe(404);
    const wrong = await post(
      go({ events: [{ seq: 0, event: { kind: "send", at: 1, hit: "t99" } }], result: { events: 1, reflection } }),
    );
    expect(wrong.status).toBe(422);
    expect((await wrong.json()).message).toContain("Number 1 of what happened breaks the rules");
    const bad = await post(go({ setup: { players: 2, mode: "alone", seed: 1 } }));
    expect((await bad.json()).message).toContain("mode: alone is for 1 player");
    const raw = await fetch(`${base}/api/hand-in/${token()}`, { method: "POST", body: "{" });
    expect([raw.status, (await raw.json()).message]).toEqual([400, "This is not JSON."]);
  });

  it("marks a go begun before closing and sent later, one begun too late, and a clock that cannot be right", async () => {
    const [row] =
      await sql`select k.id, a.id as assignment, a.closes_at from card k join card_version v on v.card_id = k.id and v.hash = k.hash join child c on c.id = k.child_id join assignment a on a.id = k.assignment_id
      where c.name = 'Aoife P.' and v.compiled->'activity'->>'title' = 'Stop on the step'`;
    const to = (await linkOf("Aoife P.")).split("/f/")[1]!;
    const zones = Array.from({ length: 5 }, () => [
      ...["z2", "z3", "z1"].map((zone) => ({ kind: "rest", zone })),
      { kind: "ready" },
    ]).flat();
    const events = zones.map((zone, seq) => ({ seq, event: { ...zone, at: seq * 3000 } }));
    const closes = row!.closes_at.getTime();
    const bands = (startedAt: number) =>
      go({ card: row!.id, events, startedAt, result: { events: events.length, reflection } });
    const before = bands(closes - 3_600_000);
    const after = bands(closes + 3_600_000);
    const ahead = bands(Date.now() + 40 * 86_400_000);
    for (const b of [before, after, ahead]) expect((await post(b, to)).status).toBe(200);
    const rows =
      await sql`select r.play_id, r.timing, p.clock_doubt from result r join play p on p.id = r.play_id where r.play_id in ${sql([before.play, after.play, ahead.play])}`;
    const of = (b: { play: string }) => rows.find((eachRow) => eachRow.play_id === b.play)!;
    const inGrace = Date.now() <= closes + 48 * 3_600_000;
    expect(of(before)).toMatchObject({ timing: inGrace ? "sentLater" : "tooLate", clock_doubt: false });
    expect(of(after)).toMatchObject({ timing: "tooLate", clock_doubt: false });
    expect(of(ahead)).toMatchObject({ timing: "tooLate", clock_doubt: true });
  });
});

describe("the database keeps schools apart", () => {
  it("shows the application nothing outside the school it named, and lets nothing played be changed", async () => {
    const app = postgres(inject("appUrl"), { max: 1, onnotice: () => undefined });
    try {
      expect((await app`select * from child`).length).toBe(0);
      const [school] = await sql`select id from school where name = 'Tidewell Bridge School'`;
      const seen = await app.begin(async (tx) => {
        await tx`select set_config('yard.school', ${school!.id}, true)`;
        return tx`select * from child`;
      });
      expect(seen.length).toBe(54);
      const stranger = await app.begin(async (tx) => {
        await tx`select set_config('yard.school', ${randomUUID()}, true)`;
        return tx`select * from child`;
      });
      expect(stranger.length).toBe(0);
      await expect(app`update play_event set event = '{}'`).rejects.toThrow("permission denied");
      await expect(app`delete from result`).rejects.toThrow("permission denied");
      await expect(app`select * from server_secret`).rejects.toThrow("permission denied");
    } finally {
      await app.end();
    }
  });
});
