import { afterAll, beforeAll, describe, expect, inject, it } from "vitest";
import { tidewell } from "../server/demo/tidewell.ts";
import { owner } from "./help.ts";

/** Roster and homes from files, kept in a school of its own. */
let rows: typeof import("../server/homes/keep-rows.ts");
let csv: typeof import("../server/homes/csv.ts");
let homes: typeof import("../server/homes/homes.ts");
let answers: typeof import("../server/homes/answers.ts");
let sql: ReturnType<typeof owner>;
let who: { teacherId: string; schoolId: string };

beforeAll(async () => {
  Object.assign(process.env, inject("webEnv"));
  rows = await import("../server/homes/keep-rows.ts");
  csv = await import("../server/homes/csv.ts");
  homes = await import("../server/homes/homes.ts");
  answers = await import("../server/homes/answers.ts");
  const { addSchool } = await import("../server/db/add-school.ts");
  sql = owner();
  const home = (label: string, kit: Record<string, number> | null) => ({
    label,
    space: { kind: "room", length: 4, width: 3, floor: "carpet", indoors: true } as const,
    players: 2,
    kit,
    quiet: true,
    answered: true,
  });
  const made = await addSchool(sql, {
    ...tidewell(),
    school: "Rows school",
    homes: [home("Amina's home", { sock: 4 }), home("Amina's home 2", { bucket: 1 }), home("Shared", { box: 2 })],
    teachers: [
      {
        email: "rows@school.example",
        name: "R. Ows",
        password: "a long password",
        classes: ["Row class", "Column class"],
      },
    ],
    classes: [
      {
        name: "Row class",
        children: [
          { name: "Amina D.", age: 7, leftHanded: true, homes: ["Amina's home"] },
          { name: "Amina K.", age: 8, leftHanded: false, homes: ["Amina's home 2"] },
          { name: "Ben C.", age: 7, leftHanded: false, homes: ["Shared"], support: "Plays seated" },
          { name: "Cleo C.", age: 9, leftHanded: false, homes: ["Shared"] },
        ],
      },
      { name: "Column class", children: [{ name: "Dot E.", age: 9, leftHanded: false, homes: [] }] },
    ],
  });
  who = { teacherId: made.teacherId, schoolId: made.schoolId };
  // Two homes of one made-up name: only their ids tell them apart.
  await sql`update home set label = 'Amina''s home' where school_id = ${who.schoolId} and label = 'Amina''s home 2'`;
});
afterAll(async () => {
  await sql`delete from school where name = 'Rows school'`;
  await sql.end();
});

/** Everything that is kept of the school, to compare. */
const all = async () =>
  JSON.stringify(
    (await homes.homesFor(who)).map((homeRow) => ({
      ...homeRow,
      homes: homeRow.homes.map((home) => ({ ...home, answeredAt: home.answeredAt !== null })),
    })),
  );
async function keep(text: string, shorten = false) {
  const looked = await rows.lookAtRows(who, text, shorten);
  const done = await rows.keepRows(who, text, shorten, looked.seen);
  return { looked, done };
}
const of = async (name: string) => (await homes.homesFor(who)).find((homeRow) => homeRow.child === name)!;

describe("a roster from a file", () => {
  it("that was exported comes back as it is: nothing changes, nothing merges", async () => {
    const before = await all();
    const { looked, done } = await keep(await csv.homesCsv(who));
    expect(looked.bad).toEqual([]);
    expect(
      looked.planned.filter(
        (planned) => planned.isNew || planned.changes.length > 0 || planned.home?.isNew || planned.home?.joins,
      ),
    ).toEqual([]);
    expect(done!.kept).toEqual({ added: 0, changed: 0, homes: 0 });
    expect(await all()).toBe(before);
    // Without its ids as well: a child's own home of that name is meant, not another's.
    const plain = (await csv.homesCsv(who))
      .split("\r\n")
      .map((line) => line.replace(/,[^,]*,[^,]*$/, ""))
      .join("\r\n");
    expect((await keep(plain)).looked.bad).toEqual([]);
    expect(await all()).toBe(before);
  });

  it("is undone whole: who was added, what changed, and who moved in; what changed since stays", async () => {
    const { undoImport } = await import("../server/homes/undo-rows.ts");
    const before = await all();
    const text = [
      "class,child,age,home,players,quiet,support",
      "Column class,Fay M.,9,Fay's home,2,no,",
      "Row class,Amina D.,8,Amina's home,4,no,Tires soon",
      "Row class,Amina D.,8,Grandad's,1,no,Tires soon",
      "Row class,Ben C.,7,Shared,3,yes,Plays seated",
      "Column class,Dot E.,10,Dot's flat,2,no,",
    ].join("\n");
    const { looked, done } = await keep(text);
    expect(looked.bad).toEqual([]);
    expect(await all()).not.toBe(before);
    const { undo } = done!;
    expect(undo.added).toHaveLength(1);
    // A colleague's school changes nothing with it.
    const [other] = await sql`select id, school_id from teacher where school_id <> ${who.schoolId} limit 1`;
    await undoImport({ teacherId: other!.id, schoolId: other!.school_id }, undo);
    expect(await of("Amina D.")).toMatchObject({ age: 8 });
    await expect(undoImport(who, { ...undo, children: [{ id: "x" }] })).rejects.toThrow("can't be undone");
    expect(await undoImport(who, undo)).toBe(0);
    expect(await all()).toBe(before);
    // Pressed twice: nothing of it is there any more, so nothing is changed back.
    await undoImport(who, undo);
    expect(await all()).toBe(before);
    const again = (await keep("class,child,age,home\nRow class,Amina D.,9,Amina's home")).done!;
    await sql`update child set age = 10 where school_id = ${who.schoolId} and name = 'Amina D.'`;
    expect(await undoImport(who, again.undo)).toBe(1);
    expect((await of("Amina D.")).age).toBe(10);
    await sql`update child set age = 7 where school_id = ${who.schoolId} and name = 'Amina D.'`;
    await sql`delete from child where school_id = ${who.schoolId} and name = 'Fay M.'`;
  });

  it("without survey columns wipes nothing: what has no column stays", async () => {
    const before = await of("Amina D.");
    await keep("class,child,age,home\nRow class,Amina D.,8,Amina's home");
    const after = await of("Amina D.");
    expect(after.age).toBe(8);
    expect({ ...after, age: 7 }).toEqual(before);
    expect(after.homes[0]).toMatchObject({ kit: { sock: 4 }, players: 2, quiet: true });
    expect((await of("Ben C.")).support).toBe("Plays seated");
    await keep("class,child,age,home,players\nRow class,Amina D.,7,Amina's home,5");
    expect((await of("Amina D.")).homes[0]).toMatchObject({ kit: { sock: 4 }, players: 5, quiet: true });
  });

  it("is told before it is kept: new children, changed ones from what to what, new homes", async () => {
    const text = [
      "class,child,age,home,things",
      "Row class,Amina D.,9,Amina's home,sock 4; bucket 2",
      "Row class,Eva Fields,8,Eva's home,box 1",
      "Row class,Gus H.,8,Eva's home,",
      "Column class,Dot E.,9,Dot's home,",
    ].join("\n");
    const plain = await rows.lookAtRows(who, text, false);
    expect(plain.bad).toEqual([
      { line: 3, reason: '"Eva Fields" looks like a full name. Write Eva F., or choose to shorten names.' },
    ]);
    const looked = await rows.lookAtRows(who, text, true);
    expect(looked.bad).toEqual([]);
    const by = (name: string) => looked.planned.find((planned) => planned.child === name)!;
    expect(by("Amina D.")).toMatchObject({
      isNew: false,
      changes: [
        { field: "age", from: 7, to: 9 },
        { field: "kit", from: { sock: 4 }, to: { sock: 4, bucket: 2 } },
      ],
    });
    expect(by("Eva F.")).toMatchObject({ isNew: true, home: { label: "Eva's home", isNew: true, joins: true } });
    // Two rows that write the same home share it.
    expect(by("Gus H.").home).toMatchObject({ id: by("Eva F.").home!.id, isNew: false, joins: true });
    expect(by("Dot E.")).toMatchObject({ isNew: false, home: { isNew: true } });
    expect(await of("Eva F.")).toBeUndefined();

    // Another text than was looked at is not kept, nor the same with another answer about names.
    expect(await rows.keepRows(who, `${text}\nRow class,Ida J.,8,`, true, looked.seen)).toBeNull();
    expect(await rows.keepRows(who, text, false, looked.seen)).toBeNull();
    // Pressed three times at once: once.
    const done = await Promise.all([1, 2, 3].map(() => rows.keepRows(who, text, true, looked.seen)));
    expect(done.map((d) => d!.kept.added).sort()).toEqual([0, 0, 2]);
    expect(
      await sql`select 1 from child where school_id = ${who.schoolId} and name in ('Eva F.', 'Gus H.')`,
    ).toHaveLength(2);
    expect(await sql`select 1 from home where school_id = ${who.schoolId} and label = 'Eva''s home'`).toHaveLength(1);
    expect((await of("Eva F.")).token).not.toBeNull();
  });

  it("names what is ambiguous or not theirs, line by line, and gives those lines back to mend", async () => {
    await sql`insert into child (school_id, class_id, name, age) select school_id, id, 'Ben C.', 8 from class where school_id = ${who.schoolId} and name = 'Row class'`;
    const [foreign] =
      await sql`select c.id as child, h.home_id as home from child c join child_home h on h.child_id = c.id where c.school_id <> ${who.schoolId} limit 1`;
    const text = [
      "class,child,age,home,child_id,home_id",
      "Row class,Ben C.,7,Shared,,",
      `Row class,Cleo C.,9,Shared,${foreign!.child},`,
      `Row class,Cleo C.,9,Shared,,${foreign!.home}`,
      "Row class,Kit L.,9,,,",
    ].join("\n");
    const { looked, done } = await keep(text);
    expect(looked.bad.map((badRow) => `${badRow.line} ${badRow.reason}`)).toEqual([
      "2 2 children called Ben C. are in Row class. Give the child_id.",
      "3 child_id is not one of your children. Leave it empty for a new child.",
      "4 home_id is not a home in your classes. Leave it empty for a new home.",
    ]);
    expect(looked.left.trim().split("\r\n")).toHaveLength(4);
    expect(looked.left).not.toContain("Kit L.");
    expect(done!.kept).toEqual({ added: 1, changed: 0, homes: 0 });
    await sql`delete from child where school_id = ${who.schoolId} and name = 'Ben C.' and age = 8`;
  });

  it("makes the open cards of its children anew, and a child who is new gets what is out", async () => {
    const { addActivity } = await import("../server/activities/activities.ts");
    const { sendActivity } = await import("../server/assignments/send.ts");
    const { fromPattern } = await import("../core/formats/activity.ts");
    const { drainQueue } = await import("../server/jobs/jobs.ts");
    const [row] = await sql`select id from class where school_id = ${who.schoolId} and name = 'Row class'`;
    const sent = await sendActivity(who, await addActivity(who, fromPattern("climb")), {
      orderId: crypto.randomUUID(),
      classId: row!.id,
      opensAt: new Date(Date.now() - 1000),
      closesAt: new Date(Date.now() + 86_400_000),
      tries: 3,
      mark: null,
    });
    const card = async (name: string) =>
      (
        await sql`select k.hash, v.compiled->'activity'->'space'->>'floor' as floor from card k join card_version v on v.card_id = k.id and v.hash = k.hash
        join child c on c.id = k.child_id where k.assignment_id = ${sent} and c.name = ${name}`
      )[0];
    expect((await card("Cleo C."))!.floor).toBe("carpet");
    await keep(
      "class,child,age,home,space,length_m,width_m,floor,indoors\nRow class,Cleo C.,9,Shared,corridor,5,1.5,tile,yes\nRow class,Mo N.,7,,,,,,",
    );
    await expect
      .poll(async () => {
        await drainQueue();
        return [(await card("Cleo C."))?.floor, (await card("Mo N.")) !== undefined];
      })
      .toEqual(["tile", true]);
    // The version before is still there, for who had it open.
    expect(
      await sql`select 1 from card_version v join card k on k.id = v.card_id join child c on c.id = k.child_id where k.assignment_id = ${sent} and c.name = 'Cleo C.'`,
    ).toHaveLength(2);
  });
});

describe("answers through a class link", () => {
  it("go on to the child's open cards once they are placed, as a private link's do", async () => {
    const { drainQueue } = await import("../server/jobs/jobs.ts");
    const [row] = await sql`select id from class where school_id = ${who.schoolId} and name = 'Row class'`;
    const to = { schoolId: who.schoolId, classId: row!.id as string };
    const answer = await answers.beginAnswer(to, "198.51.100.50");
    await answers.saveAnswer(to, answer, { given: { players: 3 }, name: "Mo N." });
    const [mo] = await sql`select id from child where school_id = ${who.schoolId} and name = 'Mo N.'`;
    await answers.placeAnswer(who, answer, mo!.id);
    // The family goes on by the class link: every few taps say something more, and the cards wait until it pauses.
    for (const count of [1, 2, 3, 4])
      await answers.saveAnswer(to, answer, {
        given: {
          kit: { sock: count },
          space: { kind: "garden", length: 6, width: 5, floor: "grass", indoors: false },
        },
      });
    const jobs =
      await sql`select asked, due_at > now() + interval '5 seconds' as later from job where about = ${mo!.id}`;
    expect(jobs).toHaveLength(1);
    expect(jobs[0]!.later).toBe(true);
    await sql`update job set due_at = now() where about = ${mo!.id}`;
    await expect
      .poll(async () => {
        await drainQueue();
        return (
          await sql`select v.compiled->'activity'->'space'->>'floor' as floor from card k join card_version v on v.card_id = k.id and v.hash = k.hash where k.child_id = ${mo!.id}`
        )[0]?.floor;
      })
      .toBe("grass");
  });
});
