import { describe, expect, it } from "vitest";
import { askOf } from "../asks/ask.ts";
import { mean } from "../forecast/distribution.ts";
import { forecastActivity } from "../forecast/for-activity.ts";
import { type Activity, activity, fromPattern, gameSettingsOf, parseActivity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { type PatternName, patternNames, patternOf } from "../patterns/registry.ts";
import { playSetup } from "../records/play.ts";
import { settingOf } from "../records/rank.ts";
import { refusedBy, take } from "../referee/playing.test-utils.ts";
import { openPlay, type Play, view } from "../referee/referee.ts";
import type { Setup } from "./contract.ts";
import { fieldOf } from "./range.ts";
import { LINE_FIELD, lineRange, linesIn, standingKnobs, TARGETS_FIELD } from "./standing.ts";

const ALONE: Setup = { players: 1, mode: "alone", seed: 1 };
const leaving = (name: PatternName, family: Activity["family"], more: Partial<Activity> = {}) =>
  activity.parse({ ...fromPattern(name), family, ...more });
const LINES = [-0.5, 0, 0.5];
const at = (value: number) => ({ kind: "set", field: LINE_FIELD, value });
const nearer = (play: Play) => askOf(view(play).asks, "send")!.manner.nearer ?? 0;

describe("a line of one's own", () => {
  it("is for what is sent from a line, and leaves half a metre to the nearest thing", () => {
    const can = patternNames.filter(
      (patternName) => lineRange(patternOf(patternName), fromPattern(patternName).pattern.params) !== null,
    );
    expect([...can].sort()).toEqual([
      "bands",
      "board",
      "climb",
      "closest",
      "pins",
      "speller",
      "stackUp",
      "sweep",
      "threeLine",
    ]);
    for (const name of can) {
      const design = fromPattern(name);
      const range = lineRange(patternOf(name), design.pattern.params)!;
      const nearest = Math.min(...opened(design).pegs.map((peg) => peg.distance));
      expect(nearest - range.most).toBeGreaterThanOrEqual(0.5 - 1e-9);
      expect(linesIn(range)).toContain(0);
    }
  });

  it("gives the same forecast as everything that much nearer to the line", () => {
    for (const name of ["climb", "sweep"] as const) {
      const design = fromPattern(name);
      const near = opened(design).pegs.reduce(
        (eachActivity, peg) => opened(eachActivity).move(peg.id, { along: peg.distance - 0.5 }),
        design,
      );
      const own: Setup = { ...ALONE, people: [{ role: "plays", nearer: 0.5 }] };
      const ask = (givenActivity: Activity, setup: Setup) =>
        forecastActivity(givenActivity, [{ age: 8 }], setup, "middle").sides[0]!;
      const [mine, moved, plain] = [ask(design, own), ask(near, ALONE), ask(design, ALONE)];
      expect(mean(mine.sends)).toBeCloseTo(mean(moved.sends), 9);
      expect(mine.finish).toBeCloseTo(moved.finish, 9);
      expect(mine.finish / mean(mine.sends)).toBeGreaterThan(plain.finish / mean(plain.sends));
    }
  });

  it("is in the forecast of a match, for whoever stands there", () => {
    const design = fromPattern("climb");
    const two = (nearer: number): Setup => ({
      players: 2,
      mode: "against",
      seed: 1,
      people: [{ role: "plays", nearer }, { role: "plays" }],
    });
    const win = (nearer: number) =>
      forecastActivity(design, [{ age: 8 }, { age: 8 }], two(nearer), "middle").sides.map((side) => side.win!);
    expect(win(0)[0]).toBeCloseTo(0.5, 6);
    expect(win(0.5)[0]).toBeGreaterThan(0.52);
    expect(win(-0.5)[0]).toBeLessThan(0.48);
  });

  it("is somebody's own, is kept with the child's score, and another's is not", () => {
    const design = fromPattern("climb");
    const begin = (people: Setup["people"]) =>
      openPlay(gameSettingsOf(design), { players: 2, mode: "against", seed: 1, people: people! });
    const play = begin([{ role: "plays" }, { role: "plays", nearer: -1, otherHand: true }]);
    expect(nearer(play)).toBe(0);
    const theirs = take(play, { kind: "send", hit: null });
    expect(nearer(theirs)).toBe(-1);
    expect(settingOf(view(theirs))).toBe("");
    expect(settingOf(view(begin([{ role: "plays", nearer: 0.5, otherHand: true }, { role: "plays" }])))).toBe(
      "hand=other; nearer=0.5",
    );
    const setup = { players: 2, mode: "against", seed: 1, people: [{ role: "plays", nearer: 4 }, { role: "plays" }] };
    expect(playSetup.safeParse(setup).success).toBe(false);
  });
});

describe("easier and harder, left to the family", () => {
  const design = leaving("climb", [{ field: LINE_FIELD, values: LINES }]);
  const begin = (setup = ALONE) => openPlay(gameSettingsOf(design), setup);

  it("is chosen before play, and compares with goes from that line", () => {
    const play = take(begin(), at(0.5));
    expect(nearer(play)).toBe(0.5);
    expect(settingOf(view(play))).toBe("standing.line=0.5");
    expect(settingOf(view(take(play, at(0))))).toBe("");
    expect(nearer(take(play, { kind: "send", hit: null }))).toBe(0.5);
  });

  it("is changed in the middle, for whoever says so, and undone", () => {
    const two = begin({ players: 2, mode: "against", seed: 1 });
    const play = take(two, { kind: "send", hit: null }, { ...at(0.5), by: 1 });
    expect(view(play).player).toBe(1);
    expect(nearer(play)).toBe(0.5);
    expect(settingOf(view(play))).toBe("");
    const mine = take(play, { kind: "send", hit: null }, { ...at(-0.5), by: 0 });
    expect(nearer(mine)).toBe(-0.5);
    expect(settingOf(view(mine))).toBe("standing.line=changed");
    const back = take(mine, { kind: "undo" });
    expect(nearer(back)).toBe(0);
    expect(settingOf(view(back))).toBe("");
    expect(refusedBy(play, at(2))).toBe("refused.notAllowed");
    expect(refusedBy(play, { ...at(0.5), by: 7 })).toBe("refused.notTheirTurn");
    expect(refusedBy(openPlay(gameSettingsOf(fromPattern("climb")), ALONE), at(0.5))).toBe("refused.notInGame");
  });

  it("is a move within what the document may say", () => {
    const of = (values: number[], name: PatternName = "climb") =>
      parseActivity({ ...fromPattern(name), family: [{ field: LINE_FIELD, values }] }).ok;
    expect(of([-3, 0])).toBe(true);
    expect(of([-3.5, 0])).toBe(false);
    expect(of([0, 3.5])).toBe(false);
    // What there is no room for in a home is not offered there.
    const play = openPlay(gameSettingsOf(leaving("climb", [{ field: LINE_FIELD, values: [0, 0.5, 2.5] }])), ALONE);
    expect(askOf(view(play).asks, "set")!.fields[LINE_FIELD]).toEqual([0, 0.5]);
    expect(refusedBy(play, at(2.5))).toBe("refused.notAllowed");
    expect(of([0, 0.5], "tally")).toBe(false);
  });
});

describe("how many targets are played", () => {
  it("is within what the game allows, and can go back up before play", () => {
    const design = leaving("climb", [{ field: TARGETS_FIELD, values: [2, 3] }]);
    const knob = standingKnobs(patternOf("climb"), design.pattern.params).find(
      (standingKnob) => fieldOf(standingKnob) === TARGETS_FIELD,
    )!;
    expect(knob).toMatchObject({ kind: "number", least: 1, most: opened(design).pegs.length });
    const set = (value: number) => ({ kind: "set", field: TARGETS_FIELD, value });
    const play = openPlay(gameSettingsOf(design), ALONE);
    const two = take(play, set(2));
    expect(view(two).progress[0]!.stages).toBe(2);
    expect(settingOf(view(two))).toBe("standing.targets=2");
    expect(view(take(two, set(3))).progress[0]!.stages).toBe(3);
    const hits = [1, 2].map((i) => ({ kind: "send", hit: `t${i}` }));
    expect(view(take(two, ...hits)).done).toBe("over");
    expect(refusedBy(take(two, { kind: "send", hit: "t1" }), set(3))).toBe("refused.setFirst");
    expect(refusedBy(two, { kind: "send", hit: "t3" })).not.toBeNull();
  });

  it("are set out again where another number of them is chosen after that", () => {
    const setOut = { near: 0.8, far: 3.2, width: 2.4, farther: false };
    const design = leaving("board", [{ field: TARGETS_FIELD, values: [2, 3] }], { setOut });
    const play = openPlay(gameSettingsOf(design), ALONE);
    const spots = [1.2, 2.2, 2.9].map((m, i) => ({ id: `t${i + 1}`, along: m * 1000, across: 0 }));
    const laid = take(play, { kind: "arrange", spots });
    expect(view(laid).laid).toHaveLength(3);
    const fewer = take(laid, { kind: "set", field: TARGETS_FIELD, value: 2 });
    expect(view(fewer).asks[0]!.kind).toBe("arrange");
    expect(settingOf(view(fewer))).toBe("standing.targets=2");
    const again = take(fewer, { kind: "arrange", spots: spots.slice(0, 2) });
    expect(view(again).laid).toHaveLength(2);
  });
});
