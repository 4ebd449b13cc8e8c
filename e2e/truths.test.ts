import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, inject, it } from "vitest";
import { fromPattern } from "../core/formats/activity.ts";
import { base, changed, open, owner, press, sees, sending, tabs, teacherPage, text, title } from "./help.ts";

const browser = tabs();
let sql: ReturnType<typeof owner>;
beforeAll(() => {
  sql = owner();
});
afterAll(() => sql.end());

async function teacher() {
  const [row] =
    await sql`select t.id, t.school_id, c.id as class from teacher t join class c on c.school_id = t.school_id where t.email = ${inject("email")} and c.name = 'Heron class'`;
  return { teacherId: row!.id as string, schoolId: row!.school_id as string, classId: row!.class as string };
}

describe("what a page says is so", () => {
  it("nothing is sent that is closed already: the date is named, and what was typed stays", async () => {
    const { addActivity } = await import("../server/activities/activities.ts");
    const id = await addActivity(await teacher(), changed(fromPattern("climb"), title(), {}));
    const page = await teacherPage(browser);
    await open(page, `${base}/activities/${id}?station=send`);
    // Times are written as the school does, not as the browser does.
    const opens = await page.waitForSelector("xpath///label[starts-with(., 'Opens')]/..//button");
    expect(await opens!.evaluate((button) => button.textContent)).toMatch(/^\w{3} \d+ \w{3}, \d\d:\d\d$/);
    const kept = (name: string) => page.$eval(`input[name=${name}]`, (input) => (input as HTMLInputElement).value);
    const lastMonth = async (label: string, day: string) => {
      await (await page.waitForSelector(`xpath///label[starts-with(., '${label}')]/..//button`))!.click();
      await (await page.waitForSelector("[aria-label='Go to the Previous Month']"))!.click();
      await (await page.waitForSelector(`.floating td:not([data-outside]) button ::-p-text(${day})`))!.click();
      await press(page, "Done");
    };
    const usual = await kept("closesAt");
    await lastMonth("Opens", "15");
    await lastMonth("Closes", "19");
    const [opensAt, closesAt] = [await kept("opensAt"), await kept("closesAt")];
    expect(closesAt < usual && opensAt < closesAt, `${opensAt} ${closesAt} ${usual}`).toBe(true);
    await page.$eval("form button[value=send]", (button) => (button as HTMLElement).click());
    await sees(page, "The closing time has already passed");
    expect(await kept("opensAt")).toBe(opensAt);
    expect(await kept("closesAt")).toBe(closesAt);
    expect(
      await sql`select 1 from assignment a join revision r on r.id = a.revision_id where r.activity_id = ${id}`,
    ).toHaveLength(0);
    await page.close();
  });

  it("a score from paper that was corrected and then taken back reads as it last stood, and counts as not played", async () => {
    const who = await teacher();
    const { paperResult, correctResult } = await import("../server/assignments/corrections.ts");
    const { nextWeekFor } = await import("../server/assignments/next-week.ts");
    const { resultsFor } = await import("../server/assignments/results.ts");
    const { withdraw } = await import("../server/assignments/change.ts");
    const sent = await sending(["Quill F."], changed(fromPattern("tally"), title(), {}));
    const [record] = await sql`select id from card where assignment_id = ${sent}`;
    const orderId = randomUUID();
    await paperResult(who, sent, { orderId, cardId: record!.id, value: 31, reachedTop: false, stage: null });
    expect((await nextWeekFor(who, sent)).rows[0]!.notice).toBeNull();
    const first = randomUUID();
    const order = { playId: orderId, reason: "misread" };
    await correctResult(who, sent, {
      ...order,
      orderId: first,
      replaces: null,
      to: { value: 21, reachedTop: false, stage: null },
    });
    await correctResult(who, sent, { ...order, orderId: randomUUID(), replaces: first, to: "gone" });
    const [row] = (await resultsFor(who, sent)).rows;
    expect(row!.goes[0]!.score.value).toBe(21);
    expect((await nextWeekFor(who, sent)).rows[0]!.notice).toBe("absent");
    // A game whose touches are counted is not told in hits.
    const page = await teacherPage(browser);
    await open(page, `${base}/results/${sent}/next`);
    expect(await text(page)).toContain("Keeps up");
    expect(await text(page)).not.toMatch(/\bHits \d/);
    // Unsent, Week says so, without a closing time or a count of players.
    await withdraw(who, sent, false);
    await open(page, `${base}/week`);
    const unsent = await page.$$eval("section", (all) =>
      all
        .filter((element) => element.querySelector("h2")?.textContent === "Unsent")
        .map((element) => (element as HTMLElement).innerText),
    );
    expect(unsent).toHaveLength(1);
    expect(unsent[0]).toContain("families can't open it");
    expect(unsent[0]).not.toMatch(/closes|0 of/);
    await page.close();
  });

  it("keeping both versions of an activity asks once: the original is as it was elsewhere", async () => {
    const who = await teacher();
    const { addActivity, saveActivity } = await import("../server/activities/activities.ts");
    const activity = changed(fromPattern("climb"), title(), {});
    const id = await addActivity(who, activity);
    const page = await teacherPage(browser);
    await open(page, `${base}/activities/${id}?station=aim`);
    await saveActivity(who, id, 1, { ...activity, minutes: 17 });
    const field = (await page.waitForSelector("input[aria-label='Title']"))!;
    await field.click({ count: 3 });
    await field.type("Mine");
    await sees(page, "This activity was changed somewhere else");
    await press(page, "Keep both, this one as a copy");
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>("input[aria-label='Title']")?.value === "Mine, my copy",
    );
    await open(page, `${base}/activities/${id}`);
    await new Promise((resolve) => setTimeout(resolve, 1500));
    expect(await text(page)).not.toContain("changed somewhere else");
    expect(await text(page)).not.toContain("restored what you typed");
    await page.close();
  });

  it("an empty file is called empty", async () => {
    const page = await teacherPage(browser);
    await open(page, `${base}/homes/import`);
    const answer = await page.evaluate(async () => {
      const body = new FormData();
      body.set("file", new File([], "class.csv", { type: "text/csv" }));
      body.set("intent", "look");
      return (await fetch("/homes/import", { method: "POST", body })).text();
    });
    expect(answer).toContain("The file class.csv is empty.");
    await page.close();
  });
});
