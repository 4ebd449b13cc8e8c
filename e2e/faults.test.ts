import { randomUUID } from "node:crypto";
import { rmSync } from "node:fs";
import { join } from "node:path";
import postgres from "postgres";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { freePort } from "../scripts/lib/port.mjs";
import { root } from "../scripts/lib/root.mjs";
import { startWeb } from "../scripts/lib/serve.mjs";
import { startTestSchool } from "../scripts/lib/test-school.mjs";

/** Two copies of the server on a database of their own, which is restarted under them. */
const dir = join(root, ".yard-test", "faults");
const RESTARTS = 20;
let database: Awaited<ReturnType<typeof startTestSchool>>["database"];
let sql: postgres.Sql;
let copies: Awaited<ReturnType<typeof startWeb>>[] = [];
let token = "";
let card = "";

beforeAll(async () => {
  const ready = await startTestSchool(dir);
  database = ready.database;
  sql = postgres(database.url, { max: 1, fetch_types: false, onnotice: () => undefined });
  copies = await Promise.all([1, 2].map(async () => startWeb({ port: await freePort(), env: ready.env })));
  token = ready.demo.family;
  const [row] = await sql`
    select k.id from card k join card_version v on v.card_id = k.id and v.hash = k.hash join child c on c.id = k.child_id
    where c.name = 'Ilse P.' and v.compiled->'activity'->>'title' = 'Hallway climb'`;
  card = row!.id;
});
afterAll(async () => {
  await sql?.end();
  await Promise.all(copies.map((copy) => copy.stop()));
  database?.stop();
  rmSync(dir, { recursive: true, force: true });
});

const go = (play: string) => ({
  play,
  card,
  device: "faults-device",
  setup: { players: 1, mode: "alone", seed: 1 },
  rulesVersion: 1,
  startedAt: Date.now() - 60_000,
  events: [{ seq: 0, event: { kind: "send", at: 1000, hit: null } }],
  result: null,
});
const post = (copy: number, body: unknown) =>
  fetch(`${copies[copy]!.url}/api/hand-in/${token}`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify(body),
    signal: AbortSignal.timeout(60_000),
  });
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

describe("a database that goes away and comes back", () => {
  it("ends no copy, loses nothing that was receipted, and doubles nothing", async () => {
    const cards = (await sql`select k.id from card k join child c on c.id = k.child_id where c.name = 'Ilse P.'`).map(
      (row) => row.id as string,
    );
    const receipted = new Set<string>();
    const sent = new Set<string>();
    let ended = false;
    let aged: Promise<unknown> = Promise.resolve();
    const family = async (copy: number) => {
      let play = randomUUID();
      while (!ended) {
        sent.add(play);
        const body = { ...go(play), card: cards[Math.floor(Math.random() * cards.length)]! };
        const answer = await post(copy, body).catch(() => null);
        if (answer?.ok && ((await answer.json()) as { kept: number[] }).kept.includes(0)) {
          receipted.add(play);
          play = randomUUID();
          // The bound of a card and day is about families, not about this.
          aged = aged.then(() => sql`update play set received_at = now() - interval '2 days'`).catch(() => undefined);
        }
        await answer?.body?.cancel().catch(() => undefined);
        await pause(60);
      }
    };
    const families = [0, 1, 0, 1].map((copy) => family(copy));
    for (let n = 0; n < RESTARTS; n++) {
      await pause(250);
      database.restart(n % 2 === 0 ? "fast" : "immediate");
    }
    // A slow machine gets less handed in between two restarts; it is given time to catch up.
    await expect.poll(() => receipted.size).toBeGreaterThan(RESTARTS);
    ended = true;
    await Promise.all(families);
    await aged;
    for (const copy of copies) expect([copy.child.exitCode, copy.child.signalCode]).toEqual([null, null]);
    // Both answer again.
    for (const [i, copy] of copies.entries()) {
      await expect.poll(async () => (await fetch(`${copy.url}/healthz`).catch(() => null))?.status).toBe(200);
      expect((await post(i, go(randomUUID()))).status).toBe(200);
    }
    const kept =
      await sql`select play_id as id, count(*)::int as n from play_event where play_id in ${sql([...sent])} group by 1`;
    const times = new Map(kept.map((row) => [row.id as string, row.n as number]));
    for (const id of receipted) expect([id, times.get(id)]).toEqual([id, 1]);
  });
});

describe("more than a copy can do", () => {
  it("is refused with when to come again; what was taken is answered soon, and nothing of it is lost", async () => {
    await sql`update play set received_at = now() - interval '2 days'`;
    const plays = Array.from({ length: 150 }, () => randomUUID());
    const answers = await Promise.all(plays.map((play) => post(0, go(play))));
    const refused = answers.filter((answer) => answer.status === 503);
    expect(refused.length).toBeGreaterThan(0);
    expect(answers.filter((answer) => answer.status === 200).length).toBeGreaterThan(0);
    for (const response of refused) expect(Number(response.headers.get("retry-after"))).toBeGreaterThan(0);
    const taken = plays.filter((_, i) => answers[i]!.status === 200);
    expect(await sql`select 1 from play where id in ${sql(taken)}`).toHaveLength(taken.length);
    // Afterwards it takes again.
    await sql`update play set received_at = now() - interval '2 days'`;
    expect((await post(0, go(randomUUID()))).status).toBe(200);
  });

  it("of one card and day is a stated number of goes; the next one waits, and is told so in words", async () => {
    await sql`delete from play where card_id = ${card}`;
    const all: Response[] = [];
    for (let n = 0; n < 42; n++) all.push(await post(1, go(randomUUID())));
    expect(all.slice(0, 40).map((response) => response.status)).toEqual(Array.from({ length: 40 }, () => 200));
    const told = (await all[41]!.json()) as { message: string; final: boolean };
    expect([all[41]!.status, told.final]).toEqual([429, false]);
    expect(told.message).toContain("40 goes");
    expect(Number(all[41]!.headers.get("retry-after"))).toBeGreaterThan(60);
    // A go that was begun before goes on.
    const [first] = await sql`select id from play where card_id = ${card} limit 1`;
    const more = { ...go(first!.id), events: [{ seq: 1, event: { kind: "send", at: 2000, hit: null } }] };
    expect((await post(1, more)).status).toBe(200);
    await sql`update play set received_at = now() - interval '25 hours' where card_id = ${card}`;
    expect((await post(1, go(randomUUID()))).status).toBe(200);
  });
});
