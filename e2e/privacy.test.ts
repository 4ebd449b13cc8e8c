import { randomUUID } from "node:crypto";
import type { Page } from "puppeteer-core";
import { UNSAFE_decodeViaTurboStream as decode } from "react-router";
import { afterAll, beforeAll, describe, expect, inject, it } from "vitest";
import { fromPattern } from "../core/formats/activity.ts";
import {
  base,
  changed,
  choose,
  linkOf,
  open,
  owner,
  phone,
  press,
  sees,
  sending,
  tabs,
  teacherPage,
  text,
  title,
} from "./help.ts";

const browser = tabs();
let sql: ReturnType<typeof owner>;
beforeAll(() => {
  sql = owner();
});
afterAll(() => sql.end());

const FORM = { "Content-Type": "application/x-www-form-urlencoded" };
const post = (url: string, fields: Record<string, string>, headers: Record<string, string> = {}) =>
  fetch(url, {
    method: "POST",
    redirect: "manual",
    headers: { ...FORM, Origin: base, ...headers },
    body: new URLSearchParams(fields),
  });

/** Noor Fenwick and one of her classes. */
async function teacher() {
  const [row] =
    await sql`select t.id, t.school_id, c.id as class from teacher t join class c on c.school_id = t.school_id where t.email = ${inject("email")} and c.name = 'Heron class'`;
  return { teacherId: row!.id as string, schoolId: row!.school_id as string, classId: row!.class as string };
}

/** What a route's loader sends, decoded from the stream of `.data`; the bytes beside it. */
async function payload(path: string, route: string): Promise<{ data: unknown; bytes: string }> {
  const [page, search = ""] = path.split("?");
  const url = `${page}.data${search && `?${search}`}`;
  const answer = await fetch(url);
  expect([url, answer.status]).toEqual([url, 200]);
  const bytes = await answer.clone().text();
  const decoded = await decode(answer.body!, globalThis as never);
  const routes = (await decoded.value) as Record<string, { data?: unknown }>;
  const found = routes[route];
  if (!found) throw new Error(`${path} has no route ${route}, but ${Object.keys(routes).join(", ")}`);
  return { data: found.data, bytes };
}

/** Every path of a value, with `*` for the places of a list and for keys that `open` names as keyed by ids; documents named in `whole` are not entered. */
function paths(value: unknown, whole: readonly string[], at = ""): string[] {
  if (value === null || value === undefined || typeof value !== "object" || whole.includes(at)) return [at];
  if (Array.isArray(value)) return value.flatMap((eachValue) => paths(eachValue, whole, `${at}[]`));
  return Object.entries(value).flatMap(([key, v]) => paths(v, whole, at === "" ? key : `${at}.${key}`));
}

/**
 * What each page of a family may carry, path by path. `whole` are documents of their own whose contents the activity format, the list of items or
 * the home survey describe; nothing else may appear.
 */
const MAY: Record<string, { paths: string[]; whole: string[] }> = {
  "routes/family-cards": {
    whole: ["cards[].parts"],
    paths: [
      "token",
      "scripts[]",
      "name",
      "school",
      "answered",
      "ids[]",
      "cards",
      "cards[].id",
      "cards[].title",
      "cards[].action",
      "cards[].minutes",
      "cards[].parts",
      "cards[].space.length",
      "cards[].space.width",
      "cards[].space.floor",
      "cards[].space.indoors",
      "cards[].opensAt",
      "cards[].closesAt",
      "cards[].state",
      "cards[].tries",
      "cards[].used",
      "cards[].best",
      "cards[].best.value",
      "cards[].best.unit",
      "cards[].paired",
    ],
  },
  "routes/family-match": {
    whole: [],
    paths: [
      "scripts[]",
      "match.title",
      "match.child",
      "match.closed",
      "match.mine.word",
      "match.mine.yes",
      "match.mine.score",
      "match.mine.score.value",
      "match.mine.score.unit",
      "match.other.word",
      "match.other.yes",
      "match.other.score",
      "match.other.score.value",
      "match.other.score.unit",
      "match.joined.state",
      "match.joined.winner",
    ],
  },
  "routes/family-home": {
    whole: ["home.kit", "home.space", "items.own", "items.hidden"],
    paths: [
      "scripts[]",
      "another",
      "name",
      "school",
      "familyNote",
      "part",
      "home.id",
      "home.label",
      "home.kit",
      "home.space",
      "home.players",
      "home.quiet",
      "home.noBallsIndoors",
      "homes",
      "homes[].id",
      "homes[].label",
      "joined",
      "items.own",
      "items.hidden",
    ],
  },
  "routes/family-step": { whole: [], paths: ["scripts[]", "name", "step", "guess", "card", "done"] },
  "routes/family-card": {
    whole: [
      "best",
      "items",
      "card.activity",
      "card.parts",
      "card.markers",
      "card.needs",
      "card.cautions",
      "card.making",
    ],
    paths: [
      "items",
      "id",
      "name",
      "school",
      "hash",
      "state",
      "opensAt",
      "closesAt",
      "opens",
      "closes",
      "tries",
      "used",
      "mark",
      "best",
      "token",
      "asked.screen",
      "asked.at",
      "scripts[]",
      "card.model",
      "card.activity",
      "card.step",
      "card.measured",
      "card.leftHanded",
      "card.parts",
      "card.markers",
      "card.cells",
      "card.needs",
      "card.cautions",
      "card.grownUp",
      "card.making",
    ],
  },
};
/** Parts of a compiled card that only some cards have, each a list or document of the card format. */
const CARD_PARTS = ["notes", "self", "ladder", "together", "warmUp", "coolDown", "home", "unaimed"].map(
  (path) => `card.${path}`,
);

function onlyWhatIsListed(route: string, data: unknown) {
  const may = MAY[route]!;
  const extra = route === "routes/family-card" ? CARD_PARTS : [];
  const found = [...new Set(paths(data, [...may.whole, ...extra]))];
  expect(found.filter((path) => ![...may.paths, ...extra].includes(path))).toEqual([]);
}

describe("what a family's pages carry", () => {
  it("is what is listed by hand, and the teacher's note is nowhere in it", async () => {
    const link = await linkOf("Quill F.");
    const secret = "Wobbles when tired, watch the left knee";
    await sql`update child set support = ${secret} where name = 'Quill F.'`;
    await sending(["Quill F."], changed(fromPattern("climb"), title(), { tries: 3 }));
    const cards = await payload(link, "routes/family-cards");
    const [first] = (cards.data as { cards: { id: string; state: string }[] }).cards.filter(
      (card) => card.state === "open",
    );
    const all: [string, string][] = [
      [link, "routes/family-cards"],
      [`${link}/home?part=people`, "routes/family-home"],
      [`${link}/home?part=done`, "routes/family-home"],
      [`${link}/step`, "routes/family-step"],
      [`${link}/${first!.id}`, "routes/family-card"],
      [`${link}/${first!.id}/sheet`, "routes/family-sheet"],
    ];
    for (const [path, route] of all) {
      const { data, bytes } = await payload(path, route);
      if (MAY[route]) onlyWhatIsListed(route, data);
      expect([path, bytes.includes(secret)]).toEqual([path, false]);
      expect([path, (await (await fetch(path)).text()).includes("left knee")]).toEqual([path, false]);
    }
    await sql`update child set support = '' where name = 'Quill F.'`;
  });

  it("a family's words and the teacher's note are two things: neither save touches the other", async () => {
    const link = await linkOf("Quill F.");
    const note = async () =>
      (await sql`select support, family_note from child where name = 'Quill F.'`)[0] as {
        support: string;
        family_note: string;
      };
    await sql`update child set support = 'Teacher only', family_note = '' where name = 'Quill F.'`;
    expect(
      (await post(`${link}/home`, { part: "people", players: "2", familyNote: "Asthma pump in the bag" })).status,
    ).toBe(302);
    expect(await note()).toEqual({ support: "Teacher only", family_note: "Asthma pump in the bag" });
    // A form that does not carry it changes nothing.
    await post(`${link}/home`, { part: "people", players: "3" });
    await post(`${link}/home`, { part: "people", players: "3", support: "overwritten?" });
    expect(await note()).toEqual({ support: "Teacher only", family_note: "Asthma pump in the bag" });
    const page = await teacherPage(browser);
    const [row] = await sql`select id from child where name = 'Quill F.'`;
    await open(page, `${base}/homes/${row!.id}`);
    await sees(page, "Asthma pump in the bag");
    await page.$eval("textarea[name=support]", (input) => {
      (input as HTMLTextAreaElement).value = "";
    });
    await page.type("textarea[name=support]", "Sits near the front");
    await press(page, "Save child");
    await sees(page, "Saved.");
    expect(await note()).toEqual({ support: "Sits near the front", family_note: "Asthma pump in the bag" });
    await sql`update child set support = '', family_note = '' where name = 'Quill F.'`;
    await page.close();
  });

  it("of a match the other home gets a word and a score, and nothing of the child's go", async () => {
    const { pairHomes, sayYes } = await import("../server/assignments/two-homes.ts");
    const { acceptSubmission } = await import("../server/submissions/accept.ts");
    const who = await teacher();
    const activity = changed(fromPattern("climb"), title(), { tries: 2 });
    const sent = await sending(["Quill F.", "Umar Z."], activity);
    const kids =
      await sql`select c.id, c.name, k.id as card, k.hash from child c join card k on k.child_id = c.id where k.assignment_id = ${sent} order by c.name`;
    await pairHomes(who, sent, [kids[0]!.id, kids[1]!.id]);
    const began = Date.now();
    for (const [i, row] of kids.entries())
      await sayYes(
        { schoolId: who.schoolId, childId: row.id },
        row.card,
        (["otter", "heron"] as const)[i]!,
        new Date(began - 5000),
      );
    const missed = { kind: "send", hit: null } as const;
    for (const kid of kids)
      await acceptSubmission({ schoolId: who.schoolId, childId: kid.id }, {
        play: randomUUID(),
        card: kid.card,
        cardHash: kid.hash,
        device: "a-device",
        setup: { players: 1, mode: "alone", seed: 1 },
        rulesVersion: 1,
        startedAt: began,
        events: [
          { seq: 0, at: 500, event: missed },
          { seq: 1, at: 900, event: missed },
        ],
        result: {
          endedAt: 1000,
          reflection: {
            before: 2,
            during: 3,
            after: 4,
            answers: { q1: "My secret thought" },
            criteria: {},
            grownUp: true,
          },
        },
      } as never);
    const link = await linkOf("Quill F.");
    const { data, bytes } = await payload(`${link}/${kids[0]!.card}/match`, "routes/family-match");
    onlyWhatIsListed("routes/family-match", data);
    expect(data).toMatchObject({ match: { mine: { score: {} }, other: { score: {} } } });
    expect(bytes).not.toContain("My secret thought");
    expect(bytes).not.toContain(kids[1]!.id);
    expect(bytes).not.toContain(kids[1]!.card);
    expect(bytes).not.toContain("Umar");
  });
});

describe("joining a home", () => {
  it("an id from a client never links to a home that exists", async () => {
    const link = await linkOf("Quill F.");
    const [theirs] =
      await sql`select h.home_id as id from child_home h join child c on c.id = h.child_id where c.name = 'Umar Z.' limit 1`;
    const mine = async () =>
      (
        await sql`select h.home_id as id from child_home h join child c on c.id = h.child_id where c.name = 'Quill F.'`
      ).map((row) => row.id);
    const before = await mine();
    await post(`${link}/home`, { intent: "another", order: theirs!.id });
    expect(await mine()).not.toContain(theirs!.id);
    const { addHomeFor } = await import("../server/homes/edit.ts");
    const [record] = await sql`select id from child where name = 'Quill F.'`;
    await addHomeFor(await teacher(), record!.id, { order: theirs!.id }).catch(() => undefined);
    expect(await mine()).not.toContain(theirs!.id);
    // The same order twice is still one home.
    const order = randomUUID();
    await post(`${link}/home`, { intent: "another", order });
    await post(`${link}/home`, { intent: "another", order });
    expect((await mine()).length - before.length).toBeLessThanOrEqual(3);
    const [{ n: count }] =
      (await sql`select count(*)::int as n from child_home h join child c on c.id = h.child_id where c.name = 'Quill F.'`) as unknown as [
        { n: number },
      ];
    expect(count).toBe(new Set(await mine()).size);
    // Back to how it was.
    for (const id of await mine()) if (!before.includes(id)) await sql`delete from home where id = ${id}`;
  });

  it("takes an invitation of the other household, which works once", async () => {
    const theirs = await linkOf("Umar Z.");
    const page = await phone(browser);
    await open(page, `${theirs}/home?part=done`);
    await press(page, "Invite another child");
    await sees(page, /[0-9A-Z]{4}-[0-9A-Z]{4}-[0-9A-Z]{4}/);
    const [code] = /[0-9A-Z]{4}-[0-9A-Z]{4}-[0-9A-Z]{4}/.exec(await text(page))!;
    const link = await linkOf("Quill F.");
    await open(page, `${link}/home?part=done`);
    await page.type("input[name=code]", "0000-0000-0000");
    await press(page, "Join that home");
    await sees(page, "This code does not work");
    await page.$eval("input[name=code]", (input) => {
      (input as HTMLInputElement).value = "";
    });
    await page.type("input[name=code]", code.toLowerCase());
    await press(page, "Join that home");
    const shared = () => sql`
      select a.home_id as id from child_home a join child x on x.id = a.child_id and x.name = 'Quill F.'
      join child_home b on b.home_id = a.home_id join child y on y.id = b.child_id and y.name = 'Umar Z.'`;
    await expect.poll(async () => (await shared()).length).toBe(1);
    // It was for one child.
    const other = await linkOf("Kezia O.");
    await open(page, `${other}/home?part=done`);
    await page.type("input[name=code]", code);
    await press(page, "Join that home");
    await sees(page, "This code does not work");
    const [home] = await shared();
    await sql`delete from child_home where home_id = ${home!.id} and child_id = (select id from child where name = 'Quill F.')`;
    await page.close();
  });
});

describe("the link of a whole class", () => {
  const fresh = async () => {
    const { classLink, changeClassLink } = await import("../server/homes/links.ts");
    const who = await teacher();
    await sql`delete from survey_answer where class_id = ${who.classId}`;
    await classLink(who, who.classId);
    await changeClassLink(who, who.classId, "renew");
    return { who, link: `${base}/c/${(await classLink(who, who.classId))!}` };
  };
  const begun = (at: Response) => /\/c\/[^/]+\/([0-9a-f-]{36})/.exec(at.headers.get("location") ?? "")?.[1];

  it("stays open to everybody however often it is posted to", async () => {
    const { link } = await fresh();
    // Two hundred and more begun answers that nobody goes on with.
    await sql`insert into survey_answer (school_id, class_id, answers)
      select school_id, id, '{"kit":null,"space":null,"players":null,"quiet":false,"noBallsIndoors":false}' from class, generate_series(1, 260) where name = 'Heron class'`;
    const id = begun(await post(link, {}));
    expect(id).toBeTruthy();
    expect((await post(`${link}/${id}?part=people`, { part: "people", players: "2", name: "Quill F." })).status).toBe(
      302,
    );
    expect((await sql`select name from survey_answer where id = ${id!}`)[0]!.name).toBe("Quill F.");
  });

  it("goes on with the answer that a device has begun, and slows who begins many", async () => {
    const { link } = await fresh();
    const first = await post(link, {});
    const cookie = first.headers
      .getSetCookie()
      .map((eachText) => eachText.split(";")[0])
      .join("; ");
    expect(cookie).not.toBe("");
    expect(begun(await post(link, {}, { Cookie: cookie }))).toBe(begun(first));
    const { beginAnswer } = await import("../server/homes/answers.ts");
    const { who } = { who: await teacher() };
    const to = { schoolId: who.schoolId, classId: who.classId };
    const flood = await Promise.allSettled(Array.from({ length: 120 }, () => beginAnswer(to, "203.0.113.9")));
    expect(flood.filter((f) => f.status === "rejected").length).toBeGreaterThan(0);
    await expect(beginAnswer(to, "203.0.113.10")).resolves.toBeTruthy();
    await sql`delete from sign_in_pace`;
  });

  it("keeps three answers a child, shows those without a name, and the teacher clears them in one action, with a way back", async () => {
    const { who, link } = await fresh();
    const { beginAnswer, saveAnswer, waitingAnswers } = await import("../server/homes/answers.ts");
    const to = { schoolId: who.schoolId, classId: who.classId };
    for (let n = 1; n <= 5; n++)
      await saveAnswer(to, await beginAnswer(to, `198.51.100.${n}`), { given: { players: n }, name: "Quill F." });
    await saveAnswer(to, await beginAnswer(to, "198.51.100.9"), { given: { kit: { sock: 2 } } });
    const waiting = await waitingAnswers(who, who.classId);
    expect(
      waiting
        .filter((classAnswer) => classAnswer.name === "Quill F.")
        .map((classAnswer) => classAnswer.answers.players),
    ).toEqual([3, 4, 5]);
    expect(waiting.filter((classAnswer) => classAnswer.name === "")).toHaveLength(1);
    const page: Page = await teacherPage(browser);
    await open(page, `${base}/homes?class=${who.classId}`);
    await sees(page, "No name given");
    await press(page, "Clear all 4 answers");
    await sees(page, "4 answers cleared");
    expect(await waitingAnswers(who, who.classId)).toHaveLength(0);
    await press(page, "Restore them");
    await sees(page, "No name given");
    expect(await waitingAnswers(who, who.classId)).toHaveLength(4);
    // A new link starts clean; what came by the old one is gone from the list.
    await open(page, `${base}/classes/${who.classId}/links`);
    await press(page, "Replace class link");
    await sees(page, "Class link replaced.");
    await open(page, `${base}/homes?class=${who.classId}`);
    expect(await text(page)).not.toContain("No name given");
    expect(await waitingAnswers(who, who.classId)).toHaveLength(0);
    expect((await fetch(link)).status).toBe(410);
    await page.close();
  });
});

describe("deleting a child", () => {
  /** Every row of every table as text. */
  async function everything(): Promise<string> {
    const tables = await sql`select tablename as name from pg_tables where schemaname = 'public'`;
    const all: string[] = [];
    for (const { name } of tables)
      for (const row of await sql.unsafe(`select to_jsonb(t)::text as row from public."${name}" t`))
        all.push(`${name} ${row.row}`);
    return all.join("\n");
  }

  it("shows what will go, hides the child at once, brings everything back, and leaves nothing after the thirty days", async () => {
    const { addChild } = await import("../server/children/edit.ts");
    const { beginAnswer, saveAnswer, placeAnswer } = await import("../server/homes/answers.ts");
    const { acceptSubmission } = await import("../server/submissions/accept.ts");
    const { homesFor } = await import("../server/homes/homes.ts");
    const { resultsFor } = await import("../server/assignments/results.ts");
    const { purgeChild } = await import("../server/children/purge.ts");
    const who = await teacher();
    const name = "Xanthippe W.";
    const id = await addChild(who, who.classId, { name, age: 8 });
    const to = { schoolId: who.schoolId, classId: who.classId };
    const answer = await beginAnswer(to, "198.51.100.77");
    await saveAnswer(to, answer, { given: { players: 2, familyNote: "She sleeps in the loft room" }, name });
    await placeAnswer(who, answer, id);
    await saveAnswer(to, await beginAnswer(to, "198.51.100.78"), { given: { players: 5 }, name });
    await sql`update child set support = 'Xanthippe needs the quiet corner' where id = ${id}`;
    const activity = changed(fromPattern("climb"), title(), { tries: 2 });
    const sent = await sending([name], activity);
    await sql`update assignment set levels = ${sql.json({ [id]: 1 })} where id = ${sent}`;
    const [row] = await sql`select id, hash from card where assignment_id = ${sent}`;
    const go = randomUUID();
    await acceptSubmission({ schoolId: who.schoolId, childId: id }, {
      play: go,
      card: row!.id,
      cardHash: row!.hash,
      device: "xanthippes-own-device",
      setup: { players: 1, mode: "alone", seed: 1 },
      rulesVersion: 1,
      startedAt: Date.now(),
      events: [
        { seq: 0, at: 500, event: { kind: "send", hit: null } },
        { seq: 1, at: 900, event: { kind: "send", hit: null } },
      ],
      result: {
        endedAt: 1000,
        reflection: {
          before: 2,
          during: 3,
          after: 4,
          answers: { q1: "Xanthippe wrote this" },
          criteria: {},
          grownUp: true,
        },
      },
    } as never);
    await sql`insert into criterion_mark (school_id, card_id, criterion, mark) values (${who.schoolId}, ${row!.id}, 'look1', 'yes')`;
    await expect
      .poll(async () => (await sql`select 1 from job where about = ${id} and kind <> 'erase'`).length)
      .toBe(0);

    const link = await linkOf(name);
    const page = await teacherPage(browser);
    await open(page, `${base}/homes/${id}`);
    await choose(page, `Actions for ${name}`, `Delete ${name} …`);
    await sees(page, "1 go with 2 recorded steps, on");
    await sees(page, "2 survey answers");
    await sees(page, "where nobody else lives");
    await press(page, `Delete ${name}`);
    await sees(page, "Deleted children");
    // Nobody sees them any more, anywhere.
    expect((await fetch(link)).status).toBe(410);
    expect((await homesFor(who)).map((homeRow) => homeRow.child)).not.toContain(name);
    expect(JSON.stringify(await resultsFor(who, sent))).not.toContain("Xanthippe");
    for (const path of [
      "/week",
      `/results/${sent}`,
      "/results",
      "/outbox",
      `/classes/${who.classId}/links`,
      "/homes/csv",
    ]) {
      await open(page, base + path).catch(() => undefined);
      if (path !== "/homes/csv") expect([path, (await text(page)).includes("Xanthippe")]).toEqual([path, false]);
    }
    // Not before its time.
    await purgeChild(who.schoolId, id);
    expect(await sql`select 1 from child where id = ${id}`).toHaveLength(1);
    await open(page, `${base}/homes?class=${who.classId}`);
    await press(page, `Restore ${name}`);
    await sees(page, `${name} is back.`);
    expect((await fetch(link)).status).toBe(200);
    expect(JSON.stringify(await resultsFor(who, sent))).toContain("Xanthippe");
    // And once more, for good.
    const { eraseChild } = await import("../server/children/erase.ts");
    await eraseChild(who, id);
    await purgeChild(who.schoolId, id, new Date(Date.now() + 31 * 86_400_000));
    const left = await everything();
    for (const trace of ["Xanthippe", id, go, row!.id, "loft room", "xanthippes-own-device"])
      expect([trace, left.split("\n").filter((line) => line.includes(trace))]).toEqual([trace, []]);
    await page.close();
  });
});
