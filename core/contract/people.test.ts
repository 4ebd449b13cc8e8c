import { expect, it } from "vitest";
import { askOf } from "../asks/ask.ts";
import { fromPattern } from "../formats/activity.ts";
import type { PatternName } from "../patterns/registry.ts";
import { playSetup } from "../records/play.ts";
import { take } from "../referee/playing.test-utils.ts";
import { openPlay, view } from "../referee/referee.ts";
import type { Role, Setup } from "./contract.ts";

const PLAYS: Role = { role: "plays" };
const open = (name: PatternName, setup: Setup, over: object = {}) => {
  const activity = fromPattern(name);
  return openPlay({ name, params: { ...activity.pattern.params, ...over }, match: activity.match }, setup);
};
const against = (...people: Role[]): Setup => ({ players: people.length, mode: "against", seed: 1, people });

it("who only helps has no turn and no score", () => {
  const setup: Setup = { players: 2, mode: "turns", seed: 1, people: [PLAYS, { role: "feeds" }] };
  for (const name of ["climb", "bands", "board", "closest", "threeLine", "tally", "pins"] as const) {
    const now = view(open(name, setup));
    expect(now.score.map((score) => score.players)).toEqual([[0]]);
    expect(now.player).toBe(0);
  }
});

it("a head start is in the score of the match and its sum, decides who wins, and is no part of what compares with other goes", () => {
  const setup = against(PLAYS, { role: "plays", head: 7 });
  const play = take(open("board", setup, { sends: 1 }), { kind: "send", hit: "t3" }, { kind: "send", hit: "t1" });
  const now = view(play);
  expect(now.score.map((score) => score.value)).toEqual([5, 9]);
  expect(now.score[1]!.working).toBe("7 + 2 = 9");
  expect(now.progress.map((progress) => progress.own)).toEqual([5, 2]);
  expect(now.ending!.winners).toEqual([1]);
  const long = take(open("board", setup), { kind: "send", hit: null }, { kind: "send", hit: "t1" });
  const on = take(long, { kind: "send", hit: null }, { kind: "send", hit: "t2" });
  expect(view(on).score[1]!.working).toBe("7 + (2 + 3) = 12");
  for (const name of ["bands", "closest"] as const) {
    const begun = view(open(name, setup));
    expect(begun.score.map((score) => score.value)).toEqual([0, 7]);
    expect(begun.progress.map((progress) => progress.own)).toEqual([0, 0]);
  }
  // Where fewer are better nobody begins with any.
  expect(view(open("sweep", setup)).score.map((score) => score.value)).toEqual([0, 0]);
});

it("uses the other hand is asked for in every game", () => {
  const setup = against(PLAYS, { role: "plays", otherHand: true });
  for (const name of ["climb", "bands", "closest", "threeLine"] as const) {
    const first = open(name, setup);
    expect(askOf(view(first).asks, "send")!.manner.hand).not.toBe("other");
    const body = name === "climb" ? { hit: null } : { rest: { bands: "z1", closest: "in", threeLine: "out" }[name] };
    let second = take(first, { kind: "send", ...body });
    if (name === "closest") second = take(second, { kind: "send", rest: "in", away: 100 });
    expect(view(second).player).toBe(1);
    expect(askOf(view(second).asks, "send")!.manner.hand).toBe("other");
  }
});

it("comes from a device within what is allowed", () => {
  const setup = against(PLAYS, { role: "plays", head: 3 });
  expect(playSetup.safeParse(setup).success).toBe(true);
  expect(playSetup.safeParse(against({ role: "feeds" }, PLAYS)).success).toBe(false);
  expect(playSetup.safeParse(against(PLAYS, { role: "plays", head: 51 })).success).toBe(false);
  expect(playSetup.safeParse(against(PLAYS, { role: "plays", head: -1 })).success).toBe(false);
});
