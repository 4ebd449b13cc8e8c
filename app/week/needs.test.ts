import { describe, expect, it } from "vitest";
import type { OverviewRow } from "#server/assignments/overview.ts";
import { needsOf } from "./needs.server.ts";

const now = new Date("2026-12-02T12:00:00Z");
const HOUR = 3_600_000;
const child = (name: string) => ({ id: name, name });
const row = (over: Partial<OverviewRow>): OverviewRow => ({
  id: "a1",
  activityId: "g1",
  classId: "c1",
  title: "Hallway climb",
  className: "Heron class",
  pattern: "climb",
  opensAt: new Date(now.getTime() - 48 * HOUR),
  closesAt: new Date(now.getTime() + 48 * HOUR),
  withdrawnAt: null,
  cards: 10,
  opened: 8,
  played: 8,
  byDay: {},
  score: null,
  needs: { toCheck: 0, tooHard: [], noItems: [] },
  ...over,
});
const all = (rows: OverviewRow[], answers: Parameters<typeof needsOf>[1] = []) =>
  needsOf(rows, answers, "Europe/London", now);

describe("what needs the teacher", () => {
  it("is empty while everything goes well", () => {
    expect(all([row({})])).toEqual([]);
  });

  it("ranks what is urgent first, each with its one action", () => {
    const list = all(
      [
        row({ id: "check", needs: { toCheck: 2, tooHard: [], noItems: [] } }),
        row({ id: "hard", needs: { toCheck: 0, tooHard: [child("Ada K.")], noItems: [] } }),
        row({ id: "items", needs: { toCheck: 0, tooHard: [], noItems: ["A", "B", "C", "D"].map(child) } }),
        row({ id: "soon", closesAt: new Date(now.getTime() + 4 * HOUR), played: 3 }),
      ],
      [{ classId: "c1", className: "Heron class", count: 1 }],
    );
    expect(list.map(({ action, text }) => `${action}: ${text}`)).toEqual([
      "Remind families: Closes Wed 2 Dec, 16:00. 7 of 10 have not played.",
      "Change the items: A, B, C and 1 more have nothing at home to play it with.",
      "Give an easier level: Ada K. is finding it too hard.",
      "Match to children: 1 survey answer waits to be matched to a child.",
      "Check results: 2 goes look unusual.",
    ]);
    expect(list[1]!.to).toBe("/activities/g1?station=kit");
  });

  it("leads to the one home that has nothing", () => {
    const [need] = all([row({ needs: { toCheck: 0, tooHard: [], noItems: [child("Ada K.")] } })]);
    expect(need).toMatchObject({ to: "/homes/Ada K.", text: "Ada K. has nothing at home to play it with." });
  });

  it("says nothing of an activity that most have played, that is unsent or has closed", () => {
    const soon = new Date(now.getTime() + HOUR);
    expect(all([row({ closesAt: soon, played: 6 })])).toEqual([]);
    expect(all([row({ closesAt: soon, played: 0, withdrawnAt: now, needs: null })])).toEqual([]);
    const closed = row({
      closesAt: new Date(now.getTime() - HOUR),
      played: 0,
      needs: { toCheck: 1, tooHard: [child("A")], noItems: [child("B")] },
    });
    expect(all([closed]).map(({ action }) => action)).toEqual(["Check results"]);
  });
});
