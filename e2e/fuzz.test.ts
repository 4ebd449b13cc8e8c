import { randomUUID } from "node:crypto";
import { Agent, request } from "node:http";
import { afterAll, beforeAll, describe, expect, inject, it } from "vitest";
import { fromPattern } from "../core/formats/activity.ts";
import { random } from "../core/random.ts";
import { inFull } from "../core/sample-size.test-utils.ts";
import { PATIENCE } from "../scripts/lib/browser.mjs";
import { freePort } from "../scripts/lib/port.mjs";
import { startWeb } from "../scripts/lib/serve.mjs";
import { tidewell } from "../server/demo/tidewell.ts";
import { wellFormed } from "../server/web/well-formed.ts";
import { owner, signedIn } from "./help.ts";

/** Requests of all kinds, each changed in some way, against a school of its own. None may be a failure of ours. */
const REQUESTS = Number(process.env.YARD_FUZZ ?? inFull(600, 200));
const AT_ONCE = 12;
const SEED = Number(process.env.YARD_FUZZ_SEED ?? 20_261);

let web: Awaited<ReturnType<typeof startWeb>>;
let sql: ReturnType<typeof owner>;
let cookie = "";
let seeds: Seed[] = [];
/** Sends are kept to few, since each makes a class's cards. */
interface Seed {
  method: "GET" | "POST";
  path: string;
  kind?: "form" | "multipart" | "json";
  fields?: Record<string, unknown>;
}

const ODD_TEXTS = [
  "\u0000",
  "a\u0000b",
  "\ud83d",
  "x\udc00y",
  "\ufeff",
  "😀".repeat(40),
  "",
  " ",
  "x".repeat(5000),
  "constructor",
  "__proto__",
  "'; drop table child; --",
  "<script>alert(1)</script>",
  "%00",
  "../../etc/passwd",
  "NaN",
  "-1",
  "1e309",
  "99999999999999999999",
  "0.1",
  "null",
  "[]",
  "{}",
  "2026-13-45T99:99",
  "9999-12-31T23:59",
  "0000-01-01T00:00",
  "=1+1",
  "\r\nSet-Cookie: a=b",
];
const ODD_VALUES: unknown[] = [
  ...ODD_TEXTS,
  null,
  true,
  [],
  {},
  0,
  -0,
  -1,
  1.5,
  1e308,
  -1e308,
  9_007_199_254_740_992,
  2147483648,
  [[[[]]]],
  { a: { b: { c: [null] } } },
  Array.from({ length: 300 }, () => 1),
];

beforeAll(async () => {
  Object.assign(process.env, inject("webEnv"));
  sql = owner();
  const { addSchool } = await import("../server/db/add-school.ts");
  const file = tidewell();
  await addSchool(sql, {
    ...file,
    school: "Fuzz school",
    homes: [{ label: "A home", space: null, players: null }],
    teachers: [{ email: "fuzz@school.example", name: "F. Uzz", password: "a long password", classes: ["Fuzz class"] }],
    classes: [
      {
        name: "Fuzz class",
        children: [
          { name: "Pip Q.", age: 8, leftHanded: false, homes: ["A home"] },
          { name: "Rae S.", age: 7, leftHanded: true, homes: [] },
        ],
      },
    ],
  });
  web = await startWeb({ port: await freePort(), env: { ...inject("webEnv"), YARD_TRUSTED_PROXIES: "loopback" } });
  cookie = await signedIn(web.url, { email: "fuzz@school.example", password: "a long password" });
  const [row] =
    await sql`select t.id, t.school_id, c.class_id from teacher t join class_teacher c on c.teacher_id = t.id where email = 'fuzz@school.example'`;
  const who = { teacherId: row!.id, schoolId: row!.school_id };
  const { addActivity } = await import("../server/activities/activities.ts");
  const { sendActivity } = await import("../server/assignments/send.ts");
  const { homesFor } = await import("../server/homes/homes.ts");
  const { classLink } = await import("../server/homes/links.ts");
  const { beginAnswer } = await import("../server/homes/answers.ts");
  const doc = fromPattern("climb");
  const activity = await addActivity(who, doc);
  const sent = await sendActivity(who, activity, {
    orderId: randomUUID(),
    classId: row!.class_id,
    opensAt: new Date(Date.now() - 86_400_000),
    closesAt: new Date(Date.now() + 86_400_000),
    tries: 3,
    mark: null,
  });
  const [card] =
    await sql`select k.id, k.hash, k.child_id from card k join child c on c.id = k.child_id where k.assignment_id = ${sent} and c.name = 'Pip Q.'`;
  const token = (await homesFor(who)).find((homeRow) => homeRow.childId === card!.child_id)!.token!;
  const group = (await classLink(who, row!.class_id))!;
  const answer = await beginAnswer({ schoolId: who.schoolId, classId: row!.class_id }, "198.51.100.51");
  const id = randomUUID();
  const child = card!.child_id;
  const get = (path: string): Seed => ({ method: "GET", path });
  const form = (path: string, fields: Record<string, unknown>): Seed => ({
    method: "POST",
    path,
    kind: "form",
    fields,
  });
  const survey = {
    part: "things",
    "thing.bucket": "1",
    kind: "room",
    length: "4",
    width: "3",
    floor: "carpet",
    corners: "0 0 | 4 0 | 4 3",
    name: "Pip Q.",
    players: "2",
  };
  seeds = [
    ...[
      "/",
      "/sign-in?to=/week",
      "/about",
      "/healthz",
      "/week",
      "/activities",
      "/activities?away=x",
      "/homes?find=x&show=silent",
      "/homes/import",
      "/things?find=x",
      "/things/new",
      "/things/bucket",
      "/results",
      "/outbox?page=1",
      "/homes/csv",
      "/things/file?as=csv",
    ].map(get),
    get(`/activities/${activity}?station=kit`),
    get(`/activities/${activity}/file`),
    get(`/activities/${activity}/plan.svg`),
    get(`/homes/${child}?part=space&home=${id}`),
    get(`/results/${sent}`),
    get(`/results/${sent}/csv`),
    get(`/f/${token}`),
    get(`/f/${token}/home?part=people`),
    get(`/f/${token}/step?card=${card!.id}`),
    get(`/f/${token}/${card!.id}?screen=play`),
    get(`/f/${token}/${card!.id}/sheet`),
    get(`/c/${group}`),
    get(`/c/${group}/${answer}?part=people`),
    form("/sign-in?to=/week", { email: "nobody@school.example", password: "x" }),
    form("/sign-in-here", { email: "nobody@school.example", password: "x" }),
    form("/sign-out", {}),
    form("/activities", { intent: "new", pattern: "nothing" }),
    {
      method: "POST",
      path: "/activities",
      kind: "multipart",
      fields: { intent: "file", file: { file: JSON.stringify(doc) } },
    },
    form(`/activities/${activity}`, { intent: "mine", document: JSON.stringify({ ...doc, title: "" }) }),
    form(`/activities/${activity}`, {
      intent: "send",
      orderId: id,
      classId: row!.class_id,
      children: id,
      opensAt: "2026-11-01T09:00",
      closesAt: "2026-11-09T09:00",
      tries: "3",
      mark: "12",
      markUnit: "sends",
    }),
    { method: "POST", path: `/activities/${activity}/save`, kind: "json", fields: { version: 1, document: doc } },
    form("/homes", { intent: "place", answer, child }),
    form("/homes", { intent: "remind", class: row!.class_id }),
    form("/homes", { intent: "withdraw", child: id }),
    form(`/homes/${child}`, {
      intent: "child",
      name: "Pip Q.",
      age: "8",
      leftHanded: "on",
      step: "0.5",
      support: "x",
    }),
    form(`/homes/${child}`, { intent: "share", with: id }),
    form(`/homes/${child}?part=space`, survey),
    {
      method: "POST",
      path: "/homes/import",
      kind: "multipart",
      fields: { intent: "look", text: "class,child,age,home\nFuzz class,Ada B.,7,H", shorten: "yes", seen: "x" },
    },
    {
      method: "POST",
      path: "/homes/import",
      kind: "multipart",
      fields: { intent: "keep", file: { file: "class,child,age,home\nFuzz class,Ada B.,7,H" }, seen: "x" },
    },
    form("/things", { intent: "hide", id: "bucket" }),
    form("/things", { intent: "delete", id: "ours", yes: "yes" }),
    { method: "POST", path: "/things", kind: "multipart", fields: { intent: "file", text: "id,name\nours,Ours" } },
    form("/things/new", {
      name: "foam",
      room: "living",
      drawing: "line",
      uses: "send",
      width: "10",
      depth: "10",
      height: "10",
      mass: "50",
      count: "1",
      material: "plastic",
      homes: "50",
      source: "estimated",
      softness: "50",
      rebound: "10",
      noise: "1",
      handling: "1",
      drag: "",
      moves: "roll",
    }),
    form(`/results/${sent}`, {
      intent: "paper",
      orderId: id,
      cardId: card!.id,
      value: "20",
      reachedTop: "on",
      stage: "1",
    }),
    form(`/results/${sent}`, {
      intent: "correct",
      orderId: id,
      playId: id,
      replaces: id,
      reason: "x",
      to: "score",
      value: "20",
    }),
    form(`/results/${sent}`, { intent: "closeAt", closesAt: "2026-12-01T09:00" }),
    form(`/results/${sent}`, { intent: "oneMore", childId: id }),
    form(`/results/${sent}`, { cardId: card!.id, criterion: "look1", mark: "yes" }),
    form(`/f/${token}/home`, survey),
    form(`/f/${token}/home`, { intent: "another", order: id }),
    form(`/f/${token}/step`, { steps: "10", length: "5", unit: "m", card: card!.id }),
    form(`/c/${group}`, {}),
    form(`/c/${group}/${answer}`, { ...survey, part: "people" }),
    {
      method: "POST",
      path: `/api/hand-in/${token}`,
      kind: "json",
      fields: {
        play: id,
        card: card!.id,
        device: "fuzz-device",
        setup: { players: 1, mode: "alone", seed: 1 },
        rulesVersion: 1,
        cardHash: card!.hash,
        decided: { home: null, fixed: { send: "sock" }, also: ["bucket"] },
        startedAt: Date.now(),
        events: [{ seq: 0, event: { kind: "send", at: 5, hit: "t1" } }],
        result: {
          events: 1,
          reflection: { before: 1, during: 2, after: 3, answers: ["x"], criteria: [], grownUp: true },
        },
      },
    },
  ];
});
afterAll(async () => {
  await web.stop();
  await sql`delete from school where name = 'Fuzz school'`;
  await sql.end();
});

const agent = new Agent({ keepAlive: true, maxSockets: AT_ONCE });
interface Wire {
  method: string;
  path: string;
  headers: Record<string, string>;
  body: Buffer;
}
interface Answered {
  status: number;
  body: string;
}
const UNSENDABLE = "unsendable";
/** A connection that was just closing is asked once more, as every browser does; one that is cut again was cut by us. */
async function ask(wire: Wire): Promise<Answered> {
  const first = await askOnce(wire);
  return first.status === 0 && first.body !== UNSENDABLE ? askOnce(wire) : first;
}
const askOnce = (wire: Wire): Promise<Answered> =>
  new Promise((done) => {
    const url = new URL(web.url);
    let sent: ReturnType<typeof request>;
    try {
      sent = request(
        { agent, host: url.hostname, port: url.port, method: wire.method, path: wire.path, headers: wire.headers },
        (incomingMessage) => {
          let text = "";
          incomingMessage.on("data", (value) => {
            if (text.length < 4000) text += value;
          });
          incomingMessage.on("end", () => done({ status: incomingMessage.statusCode!, body: text }));
          incomingMessage.on("error", () => done({ status: 0, body: "cut" }));
        },
      );
    } catch {
      // Node itself would not send it.
      return done({ status: 0, body: UNSENDABLE });
    }
    sent.setTimeout(PATIENCE, () => sent.destroy());
    sent.on("error", (error) => done({ status: 0, body: error.message }));
    sent.end(wire.body);
  });

/** One request out of a seed, changed in some ways. The same draw makes the same request. */
function changed(seed: Seed, draw: () => number): Wire {
  const one = <T>(list: readonly T[]): T => list[Math.floor(draw() * list.length)]!;
  const headers: Record<string, string> = {
    Origin: web.url,
    "X-Forwarded-For": `10.${Math.floor(draw() * 250)}.${Math.floor(draw() * 250)}.${Math.floor(draw() * 250)}`,
  };
  if (draw() < 0.93) headers.Cookie = cookie;
  let { path } = seed;
  const method = draw() < 0.02 ? one(["HEAD", "POST", "GET", "PUT", "DELETE", "OPTIONS", "PATCH"]) : seed.method;
  if (draw() < 0.25) {
    const parts = path.split(/(?=[/?&=])/);
    const i = Math.floor(draw() * parts.length);
    parts[i] = `${parts[i]![0]}${encodeURIComponent(wellFormed(one(ODD_TEXTS))).slice(0, 1500)}`;
    path = parts.join("");
    if (!path.startsWith("/")) path = `/${path}`;
  }
  if (draw() < 0.05)
    path += one([
      "%",
      "%ff",
      "%ED%A0%80",
      "%00",
      "?%00=%00",
      "?a=%ff",
      "#",
      ".data",
      "/",
      "//",
      "?index",
      "?_routes=x",
      "?_routes=%00",
    ]);
  else if (draw() < 0.5 && !path.includes(".")) path = path.replace(/(\?|$)/, ".data$1");
  const fields: Record<string, unknown> = structuredClone(seed.fields ?? {});
  const keys = Object.keys(fields);
  /** All of a document in place of its parts. */
  let whole: unknown;
  for (let n = draw() < 0.2 ? 2 : 1; n > 0 && keys.length > 0; n--) {
    const key = one(keys);
    const how = draw();
    if (how < 0.15) delete fields[key];
    else if (how < 0.25) fields[one(ODD_TEXTS)] = one(ODD_TEXTS);
    else if (seed.kind === "json") {
      whole = deepChanged(fields, draw, one);
      break;
    } else fields[key] = one(ODD_TEXTS);
  }
  let body = Buffer.alloc(0);
  if (method === "POST" || method === "PUT" || method === "PATCH") {
    const kind = draw() < 0.06 ? one(["form", "multipart", "json"] as const) : (seed.kind ?? "form");
    if (kind === "json") {
      headers["Content-Type"] = "application/json";
      // Halves of characters go out as JSON writes them.
      body = Buffer.from(JSON.stringify(whole === undefined ? fields : whole));
      if (draw() < 0.04) body = Buffer.from(`${"[".repeat(30_000)}`);
    } else if (kind === "multipart" || draw() < 0.1) {
      const edge = "----edge";
      headers["Content-Type"] = `multipart/form-data; boundary=${edge}`;
      const parts = Object.entries(fields).map(([key, value]) => {
        const isFile = typeof value === "object" && value !== null && "file" in value;
        // A file where text is meant, now and then.
        const as = isFile || draw() < 0.08 ? `; filename="${one(["a.csv", "\u0000", "x".repeat(300), ""])}"` : "";
        return `--${edge}\r\nContent-Disposition: form-data; name="${key}"${as}\r\n\r\n${isFile ? (value as { file: string }).file : String(value)}\r\n`;
      });
      const close = draw() < 0.85 ? `--${edge}--\r\n` : "";
      body = Buffer.from(parts.join("") + close);
      if (draw() < 0.05) body = body.subarray(0, Math.floor(body.length * draw()));
    } else {
      headers["Content-Type"] = "application/x-www-form-urlencoded";
      body = Buffer.from(
        Object.entries(fields)
          .map(
            ([key, value]) => `${encodeURIComponent(wellFormed(key))}=${encodeURIComponent(wellFormed(String(value)))}`,
          )
          .join("&")
          .replace(/%EF%BF%BD/g, () => one(["%ED%A0%BD", "%ff", "%EF%BF%BD", "%"])),
      );
    }
    if (draw() < 0.05)
      headers["Content-Type"] = one([
        "",
        "text/plain",
        "application/json",
        "multipart/form-data",
        "multipart/form-data; boundary=",
        "application/x-www-form-urlencoded; charset=utf-16",
        "image/png",
      ]);
    if (headers["Content-Type"] === "") delete headers["Content-Type"];
    headers["Content-Length"] = String(body.length);
  }
  if (draw() < 0.03) headers.Accept = one(["*/*", "text/html", "application/json", "x"]);
  return { method, path, headers, body };
}
function deepChanged(value: unknown, draw: () => number, one: <T>(list: readonly T[]) => T): unknown {
  if (typeof value !== "object" || value === null || draw() < 0.15) return one(ODD_VALUES);
  if (Array.isArray(value)) {
    if (value.length === 0) return [one(ODD_VALUES)];
    const i = Math.floor(draw() * value.length);
    return value.map((eachValue, k) => (k === i ? deepChanged(eachValue, draw, one) : eachValue));
  }
  const keys = Object.keys(value);
  if (keys.length === 0) return { x: one(ODD_VALUES) };
  const key = one(keys);
  return { ...value, [key]: deepChanged((value as Record<string, unknown>)[key], draw, one) };
}

describe("requests of any kind", () => {
  it(`${REQUESTS} changed ones are answered or refused, and none fails`, async () => {
    // Nothing of this school optional of it by chance: every seed is asked as it is, first.
    const asIs = await Promise.all(
      seeds
        .filter((seed) => seed.method === "GET")
        .map(
          async (seed) =>
            [
              seed.path,
              (
                await ask({
                  method: "GET",
                  path: seed.path,
                  headers: { Cookie: cookie, Origin: web.url },
                  body: Buffer.alloc(0),
                })
              ).status,
            ] as const,
        ),
    );
    expect(asIs.filter(([, s]) => s >= 400 || s === 0)).toEqual([]);
    const draw = random(SEED);
    const failed: string[] = [];
    const statuses: Record<number, number> = {};
    let left = REQUESTS;
    const cut: string[] = [];
    const caller = async () => {
      while (left-- > 0) {
        const seed = seeds[Math.floor(draw() * seeds.length)]!;
        const wire = changed(seed, draw);
        const { status, body } = await ask(wire);
        statuses[status] = (statuses[status] ?? 0) + 1;
        // What is refused by its method is not read, and the connection may close under it.
        if (status === 0 && body !== UNSENDABLE && (wire.method === "GET" || wire.method === "POST"))
          cut.push(`${wire.method} ${wire.path.slice(0, 200)} ${JSON.stringify(wire.headers)} ${body}`);
        if (status >= 500)
          failed.push(
            `${status} ${wire.method} ${wire.path.slice(0, 160)} ${wire.headers["Content-Type"] ?? ""} ${wire.body.toString("latin1").slice(0, 300)} -> ${body.slice(0, 120)}`,
          );
        // Every hand-in that reached us is answered in our own words.
        else if (
          wire.method === "POST" &&
          wire.path.startsWith("/api/hand-in/") &&
          status !== 0 &&
          status !== 404 &&
          status !== 403 &&
          !wire.path.includes(".data") &&
          status !== 405 &&
          status !== 400
        )
          expect(JSON.parse(body).answer, `${wire.path} ${status} ${body.slice(0, 100)}`).toBe("daring-yard");
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, caller));
    expect(failed.slice(0, 20), `${failed.length} failed; ${JSON.stringify(statuses)}`).toEqual([]);
    expect(cut).toEqual([]);
    expect(statuses[422]! + statuses[400]! + statuses[404]!).toBeGreaterThan(REQUESTS / 10);
    expect((await fetch(`${web.url}/healthz`)).status).toBe(200);
  }, 900_000);
});
