import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, inject, it } from "vitest";
import { type Activity, fromPattern } from "../core/formats/activity.ts";
import { base, beginPlay, cardOf, handIn, linkOf, openBrowser, owner, phone, press, sees } from "./help.ts";

let opened: Awaited<ReturnType<typeof openBrowser>>;
beforeAll(async () => {
  Object.assign(process.env, inject("webEnv"));
  opened = await openBrowser();
});
afterAll(() => opened.close());

const climb = fromPattern("climb");
const bands = fromPattern("bands");
const of = (a: Activity, title: string, change: object): Activity =>
  ({ ...a, title, pattern: { ...a.pattern, params: { ...(a.pattern.params as object), ...change } } }) as Activity;

/** Sends an activity to Heron class and opens it as one of its children. */
async function playing(child: string, a: Activity, players = 1, mode?: string) {
  const { addActivity } = await import("../server/activities/activities.ts");
  const { sendActivity } = await import("../server/assignments/send.ts");
  const sql = owner();
  const [t] =
    await sql`select t.id, t.school_id, c.id as class from teacher t join class c on c.school_id = t.school_id where t.email = ${inject("email")} and c.name = 'Heron class'`;
  await sql.end();
  const who = { teacherId: t!.id, schoolId: t!.school_id };
  const id = await addActivity(who, a);
  await sendActivity(who, id, {
    orderId: randomUUID(),
    classId: t!.class,
    opensAt: new Date(Date.now() - 60_000),
    closesAt: new Date(Date.now() + 3_600_000),
    tries: 3,
    mark: null,
  });
  const page = await phone(opened.browser);
  const card = await cardOf(page, await linkOf(child), a.title);
  await beginPlay(page, card, players, mode);
  return page;
}
const title = () => `Game ${randomUUID().slice(0, 6)}`;

describe("variants on the play screen", () => {
  it("a forfeit is owed after the misses, and play goes on once it is done", async () => {
    const page = await playing(
      "Rafe J.",
      of(climb, title(), { forfeit: { misses: 2, exercise: "star jumps", dose: 4 }, tries: 4 }),
    );
    await press(page, "MISS");
    await press(page, "MISS");
    await sees(page, "4 star jumps first.");
    await press(page, "Done!");
    await press(page, "MISS");
    await press(page, "HIT");
    await sees(page, "All sends are used.");
    await handIn(page);
    await sees(page, "You got 2 points.");
    await page.close();
  });

  it("a bell ends the go by itself, with the clock running down from the start", async () => {
    const page = await playing("Dao N.", of(climb, title(), { timeLimit: 10, tries: null }));
    await sees(page, "Ready? Press start.");
    await press(page, "Start");
    await sees(page, "time left");
    await press(page, "HIT");
    await sees(page, "All sends are used.", 20_000);
    await press(page, "Undo");
    await sees(page, "All sends are used.");
    await page.close();
  });

  it("the line moves back with every hit", async () => {
    const { distance: _, ...target } = (climb.pattern.params as { ladder: { targets: { distance: number }[] } }).ladder
      .targets[0]!;
    const page = await playing("Fenna B.", of(climb, title(), { ladder: { kind: "line", target, lines: [1, 2] } }));
    await sees(page, "Hit the bucket from line 1.");
    await press(page, "HIT");
    await sees(page, "Hit the bucket from line 2.");
    await sees(page, /4 of your steps \(2\.0 m\)/);
    await press(page, "HIT");
    await sees(page, "You reached the top!");
    await page.close();
  });

  it("a relay shares one climb, and turns go round with the names of the day", async () => {
    const page = await playing("Tamsin Y.", of(climb, title(), {}), 3, "Together");
    await sees(page, "Tamsin, your turn.");
    await press(page, "HIT");
    await sees(page, "Player 2, your turn.");
    await press(page, "HIT");
    await sees(page, "Player 3, your turn.");
    await sees(page, "2 + 3 = 5");
    await page.close();
  });

  it("fewest tries and several goes: the best one is kept", async () => {
    const page = await playing(
      "Yara Q.",
      of(climb, title(), { scoring: { by: "tries" }, goes: { count: 2, keep: "best" } }),
    );
    for (const w of ["MISS", "HIT", "HIT", "HIT", "HIT", "HIT"]) await press(page, w);
    await sees(page, /Send it at the/);
    for (const w of ["HIT", "HIT", "HIT", "HIT", "HIT"]) await press(page, w);
    await sees(page, "5 sends");
    await page.close();
  });

  it("a blocker is asked for, an exact total drops back, and a match is carried to another day", async () => {
    const change = {
      pieces: 1,
      blocker: true,
      counting: "all",
      finish: { rounds: null, total: 10, exact: true, dropTo: 4 },
      lineRule: "higher",
    };
    const page = await playing("Brio D.", of(bands, title(), change));
    await sees(page, "Place a blocker now, or not.");
    await press(page, "No blocker this time");
    await press(page, "6 points");
    await press(page, "Count it");
    await sees(page, "Place a blocker now, or not.");
    await press(page, "Go on another day");
    await sees(page, "Come back any day with this link.");
    await page.reload({ waitUntil: "networkidle0" });
    await sees(page, "Place a blocker now, or not.");
    await press(page, "2 points");
    await press(page, "6 points");
    await press(page, "Count it");
    await sees(page, "6 + 6 = 12; 12 > 10: 4");
    await page.close();
  });

  it("keys do what taps do: arrows for hit and miss, u to undo", async () => {
    const page = await playing("Quill F.", of(climb, title(), {}));
    await page.keyboard.press("ArrowLeft");
    await sees(page, "Send 2 of 16");
    await page.keyboard.press("ArrowRight");
    await sees(page, "Send 3 of 16");
    await page.keyboard.press("u");
    await sees(page, "Send 2 of 16");
    expect(page.url().startsWith(base)).toBe(true);
    await page.close();
  });
});
