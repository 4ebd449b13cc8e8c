import { describe, expect, it } from "vitest";
import type { PlayScore } from "./play.ts";
import { CHOSEN_WORDS, joinGoes } from "./two-homes.ts";

const go = (value: number, more: Partial<PlayScore> = {}): PlayScore => ({
  value,
  match: null,
  unit: "points",
  rank: 0,
  working: "",
  sends: 5,
  stage: 0,
  stages: 0,
  finished: true,
  stopped: false,
  won: null,
  seconds: 60,
  ...more,
});

describe("two homes in one match", () => {
  it("the better go wins, by what is better in that unit; equal is level", () => {
    expect(joinGoes([go(9), go(12)], false)).toEqual({ state: "played", winner: 1 });
    expect(joinGoes([go(9), go(9)], true)).toEqual({ state: "played", winner: null });
    const sends = (value: number, finished = true) => go(value, { unit: "sends", finished, stage: 2 });
    expect(joinGoes([sends(7), sends(9)], false).winner).toBe(0);
    expect(joinGoes([sends(7, false), sends(20)], false).winner).toBe(1);
  });
  it("waits while it is open, and says what is missing once it is closed", () => {
    expect(joinGoes([go(9), null], false).state).toBe("waits");
    expect(joinGoes([go(9), null], true).state).toBe("missing");
    expect(joinGoes([null, null], true).state).toBe("missing");
  });
  it("goes that were set otherwise, or count otherwise, do not compare", () => {
    expect(joinGoes([go(9), go(12, { set: { "params.sends": 3 } })], false).state).toBe("unlike");
    expect(joinGoes([go(9), go(12, { unit: "touches" })], false).state).toBe("unlike");
  });
  it("no word is there twice", () => expect(new Set(CHOSEN_WORDS).size).toBe(CHOSEN_WORDS.length));
});
