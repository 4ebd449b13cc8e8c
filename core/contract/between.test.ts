import { describe, expect, it } from "vitest";
import { askOf } from "../asks/ask.ts";
import { mean } from "../forecast/distribution.ts";
import { forecastActivity } from "../forecast/for-activity.ts";
import { activity, fromPattern, gameSettingsOf, parseActivity } from "../formats/activity.ts";
import { type PatternName, patternNames } from "../patterns/registry.ts";
import { refusalOf, take } from "../referee/playing.test-utils.ts";
import { openPlay, view } from "../referee/referee.ts";
import type { Setup } from "./contract.ts";

const ALONE: Setup = { players: 1, mode: "alone", seed: 1 };
const BETWEEN = { exercise: "star jumps", dose: 4, every: 2, each: 1.2 };
const having = (name: PatternName, between: object | null = BETWEEN, more = {}) =>
  activity.parse({ ...fromPattern(name), between, ...more });
const miss = { kind: "send", hit: null };

describe("an exercise between sends", () => {
  it("is owed after every so many, comes before anything else, and counts for nothing", () => {
    const play = take(openPlay(gameSettingsOf(having("climb")), ALONE), miss);
    expect(askOf(view(play).asks, "task")).toBeUndefined();
    const owed = take(play, miss);
    expect(view(owed).asks[0]).toMatchObject({ kind: "task", exercise: "star jumps", dose: 4 });
    expect(view(owed).now.key).toBe("between.now");
    expect(refusalOf(owed, miss)).toEqual({ key: "refused.extraFirst", params: { exercise: "star jumps" } });
    const done = take(owed, { kind: "task" });
    expect(view(done).asks[0]!.kind).toBe("send");
    expect(view(done).progress[0]!.sends).toBe(2);
    // Taken back, it is owed again; nobody owes one that did not send.
    expect(view(take(done, { kind: "undo" })).asks[0]!.kind).toBe("task");
    expect(refusalOf(done, { kind: "task" })).not.toBeNull();
  });

  it("is each player's own", () => {
    const two: Setup = { players: 2, mode: "against", seed: 1 };
    const play = take(openPlay(gameSettingsOf(having("climb")), two), miss, miss);
    expect(view(play).asks[0]!.kind).toBe("send");
    const owed = take(play, miss);
    expect(view(owed).asks[0]).toMatchObject({ kind: "task", player: 0 });
    expect(view(owed).player).toBe(0);
    expect(view(take(owed, { kind: "task" })).asks[0]).toMatchObject({ kind: "send", player: 1 });
  });

  it("does not hold up the bell, nor the end", () => {
    const bell = having("sweep", { ...BETWEEN, every: 1 }, { match: { ...fromPattern("sweep").match, seconds: 20 } });
    const play = take(openPlay(gameSettingsOf(bell), ALONE), { kind: "ready" }, miss);
    expect(view(play).asks.map((ask) => ask.kind)).toEqual(["task", "bell"]);
    expect(view(take(play, { kind: "bell", at: 20_000 })).done).toBe("over");
    const climb = having(
      "climb",
      { ...BETWEEN, every: 1 },
      { family: [{ field: "standing.targets", values: [1, 2] }] },
    );
    const one = take(openPlay(gameSettingsOf(climb), ALONE), { kind: "set", field: "standing.targets", value: 1 });
    expect(view(take(one, { kind: "send", hit: "t1" })).done).toBe("over");
  });

  it("takes its time in the forecast, and changes no score", () => {
    const ask = (between: object | null) => forecastActivity(having("climb", between), [{ age: 8 }], ALONE, "middle");
    const [with_, plain] = [ask({ ...BETWEEN, every: 1 }), ask(null)];
    expect(with_.sides[0]!.finish).toBeCloseTo(plain.sides[0]!.finish, 9);
    expect(mean(with_.sides[0]!.sends)).toBeCloseTo(mean(plain.sides[0]!.sends), 9);
    // After each send but the last one of a go, dose times seconds of one.
    const seconds = (mean(with_.time) - mean(plain.time)) / 10;
    expect(seconds).toBeCloseTo((mean(plain.sides[0]!.sends) - 1) * 4 * 1.2, 0);
    expect(with_.share.acting).toBeGreaterThan(plain.share.acting);
  });

  it("is for every game in which something is sent, and for no other", () => {
    const can = patternNames.filter(
      (patternName) => parseActivity({ ...fromPattern(patternName), between: BETWEEN }).ok,
    );
    for (const name of ["tally", "rally", "goals", "bases", "swapSquare"]) expect(can).not.toContain(name);
    expect(can.length).toBeGreaterThanOrEqual(10);
    const no = parseActivity({ ...fromPattern("tally"), between: BETWEEN });
    expect(no.ok ? [] : no.problems).toMatchObject([{ field: "between" }]);
    expect(parseActivity({ ...fromPattern("climb"), between: { ...BETWEEN, dose: 0 } }).ok).toBe(false);
  });
});
