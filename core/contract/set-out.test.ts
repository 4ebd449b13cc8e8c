import { describe, expect, it } from "vitest";
import { arranged, askOf, mainAsks } from "../asks/ask.ts";
import { mean } from "../forecast/distribution.ts";
import { forecastActivity } from "../forecast/for-activity.ts";
import { type Activity, activity, canSetOut, fromPattern, gameSettingsOf, parseActivity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { type PatternName, patternNames } from "../patterns/registry.ts";
import { settingOf } from "../records/rank.ts";
import { refusalOf, take } from "../referee/playing.test-utils.ts";
import { openPlay, type Play, view } from "../referee/referee.ts";

const alone = { players: 1, mode: "alone", seed: 1 } as const;
const FIELD = { near: 0.8, far: 3.2, width: 2.4, farther: false };
const game = (name: PatternName, over: Partial<Activity> = {}): Activity =>
  activity.parse({ ...fromPattern(name), setOut: FIELD, ...over });
const begin = (givenActivity: Activity) => openPlay(gameSettingsOf(givenActivity), alone);

describe("targets that the child sets out", () => {
  const play = begin(game("board"));
  const ask = askOf(view(play).asks, "arrange")!;
  const put = (...spots: [along: number, across: number][]) =>
    arranged(spots.map(([along, across], i) => ({ id: `t${i + 1}`, along, across })));

  it("are set out before anything else, and then the game goes on where they stand", () => {
    expect(mainAsks(view(play).asks)).toHaveLength(1);
    expect(view(play).now).toEqual({ key: "setOut.lay", params: { count: 3 } });
    expect(ask.things!.map((thing) => thing.item)).toEqual(["basket", "box", "bucket"]);
    expect(refusalOf(play, { kind: "send", hit: "t1" })).toEqual({ key: "refused.layFirst" });
    const laid = take(play, put([1.2, -0.5], [2.2, 0.4], [2.9, 0]));
    expect(view(laid).laid).toEqual([
      { id: "t1", along: 1.2, across: -0.5 },
      { id: "t2", along: 2.2, across: 0.4 },
      { id: "t3", along: 2.9, across: 0 },
    ]);
    const sent = take(laid, { kind: "send", hit: "t3" });
    expect(view(sent).score[0]!.value).toBe(5);
    expect(view(sent).laid).toHaveLength(3);
    expect(refusalOf(sent, put([1, 0], [2, 0], [3, 0]))).toEqual({
      key: "refused.notInGame",
      params: { kind: "arrange" },
    });
    // Taken back to the start they are to be set out again.
    const back = take(sent, { kind: "undo" }, { kind: "undo" });
    expect(view(back).asks[0]!.kind).toBe("arrange");
  });

  it("compare only with goes set out alike; as they were drawn they compare with all of those", () => {
    const set = (givenPlay: Play) => settingOf(view(givenPlay));
    const [one, other] = [put([1.2, -0.5], [2.2, 0.4], [2.9, 0]), put([1.2, -0.5], [2.2, 0.4], [2.9, 0.1])];
    expect(set(take(play, one))).toBe(set(take(play, one)));
    expect(set(take(play, one))).not.toBe(set(take(play, other)));
    expect(set(take(play, arranged(ask.spots)))).toBe("");
    expect(view(take(play, arranged(ask.spots))).laid).toBeNull();
  });

  it("are refused by number with what is missing: outside, touching, nearer than the one before, one too few", () => {
    expect(refusalOf(play, put([0.9, -0.5], [2.2, 0.4], [2.9, 0]))).toEqual({
      key: "refused.targetOutside",
      params: { number: 1, cm: 13 },
    });
    expect(refusalOf(play, put([1.2, -0.5], [1.2, -0.2], [2.9, 0]))).toEqual({
      key: "refused.targetsTouch",
      params: { one: 1, other: 2, cm: 9 },
    });
    expect(refusalOf(play, put([1.2, -0.5], [2.2, 0.4]))).toEqual({ key: "refused.allTargets", params: { count: 3 } });
    const ordered = begin(game("board", { setOut: { ...FIELD, farther: true } }));
    expect(refusalOf(ordered, put([2, -0.6], [1.4, 0.4], [2.9, 0]))).toEqual({
      key: "refused.targetNearer",
      params: { one: 2, other: 1 },
    });
    expect(refusalOf(ordered, put([1.2, -0.6], [1.4, 0.4], [2.9, 0]))).toBeNull();
  });

  it("go with what the family may set, in either order", () => {
    const design = game("board", { family: [{ field: "params.sends", values: [3, 12] }] });
    const [spots, set] = [put([1.2, -0.5], [2.2, 0.4], [2.9, 0]), { kind: "set", field: "params.sends", value: 3 }];
    const views = [view(take(begin(design), spots, set)), view(take(begin(design), set, spots))];
    for (const eachView of views) {
      expect(eachView.laid).toHaveLength(3);
      expect(eachView.set["params.sends"]).toBe(3);
      expect(mainAsks(eachView.asks)[0]!.kind).toBe("send");
    }
  });

  it.each(patternNames)("%s: can be where each target stands for itself, and is forecast as designed", (name) => {
    const design = fromPattern(name);
    const { length, width } = design.space;
    const read = parseActivity({ ...design, setOut: { near: 0.3, far: length, width, farther: false } });
    expect(read.ok).toBe(canSetOut(design));
    expect(canSetOut(design)).toBe(["climb", "sweep", "board", "speller"].includes(name));
    if (!read.ok) return;
    const spent = (givenActivity: Activity) =>
      mean(forecastActivity(givenActivity, [{ age: 8 }], alone, "middle").sides[0]!.sends);
    expect(spent(read.value)).toBeCloseTo(spent(design), 9);
    expect(opened(read.value).parts[0]).toMatchObject({ kind: "court", id: "setOut" });
  });

  it("names the field where it is beyond the space, or no field at all", () => {
    const told = (setOut: object) => {
      const read = parseActivity({ ...fromPattern("board"), setOut: { ...FIELD, ...setOut } });
      return read.ok ? [] : read.problems.map((problem) => `${problem.field}: ${problem.message}`);
    };
    expect(told({ far: 5 })).toEqual([
      "setOut.far: the farthest distance must be 4 m or less, the length of the space",
    ]);
    expect(told({ width: 3 })).toEqual(["setOut.width: the width must be 2.6 m or less, the width of the space"]);
    expect(told({ near: 3.2 })).toEqual(["setOut.far: the farthest distance must be more than the nearest"]);
  });
});
