import { describe, expect, it } from "vitest";
import { type Activity, activity, fromPattern } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { type PatternName, patternNames } from "../patterns/registry.ts";
import { ready } from "../ready/index.ts";
import { inFull, sampled } from "../sample-size.test-utils.ts";
import { fairPoints, withPoints } from "./fair-points.ts";
import { alwaysBest, kindsOf, skillOf, WARNINGS, type Warning, warningOf, warningsOf } from "./warnings.ts";

/** Their matches take seconds to forecast. */
const COSTLY: readonly PatternName[] = ["pins", "threeLine", "stackUp"];
const PEOPLE = [{ age: 6 }, { age: 7 }, { age: 8 }] as const;
const of = (name: PatternName, params: object = {}, more: Partial<Activity> = {}): Activity => {
  const design = fromPattern(name);
  return activity.parse({
    ...design,
    ...more,
    pattern: { name, params: { ...(design.pattern.params as object), ...params } },
  });
};
const kinds = (givenActivity: Activity): Warning["kind"][] => kindsOf(givenActivity, PEOPLE);
const board = fromPattern("board").pattern.params as { layout: { targets: { points: number }[] } };
const priced = (points: readonly number[], more: object = {}) =>
  of("board", {
    layout: { kind: "targets", targets: board.layout.targets.map((target, i) => ({ ...target, points: points[i]! })) },
    bonus: 0,
    ...more,
  });

describe("warnings", () => {
  it.each(
    sampled(
      patternNames.filter((name) => inFull(true, !COSTLY.includes(name))),
      2,
    ),
  )("say nothing of %s as it comes", (name) => {
    expect(kinds(of(name))).toEqual([]);
  });
  it("nor of any ready activity, at its own ages", () => {
    // One in twelve of them in every run, all when it is proved.
    const every = inFull(1, 12);
    for (const eachReady of ready.filter((_, i) => i % every === 0))
      for (const eachActivity of [eachReady.activity, eachReady.youngest]) {
        const { from, to } = eachActivity.ages;
        const people = [{ age: from }, { age: Math.round((from + to) / 2) }, { age: to }] as const;
        expect(kindsOf(eachActivity, people), eachActivity.title).toEqual([]);
      }
  }, 200_000);

  it("each offers one change with which it is gone", () => {
    const easy = fromPattern("climb").pattern.params as unknown as { ladder: { targets: object[] } };
    const far = { ...easy.ladder, targets: easy.ladder.targets.map((target, i) => ({ ...target, distance: 24 + i })) };
    const { match } = fromPattern("passLadder");
    // No document is so any more: one that was read with a bell, without it.
    const never = { marks: [2, 3], way: { kind: "chase", turn: 5 }, sends: null };
    const provoked: Record<Warning["kind"], Activity> = {
      nobody: of("climb", { ladder: far }, { space: { length: 30, width: 6, floor: "grass", indoors: false } }),
      cannotEnd: { ...of("passLadder", never, { match: { ...match, seconds: 60 } }), match },
      alwaysBest: priced([1, 1, 1]),
      // Beyond the narrow band it counts as in it: half of all pieces, the player them.
      luck: of("bands", {
        lines: [3, 3.15],
        points: [2],
        overshoot: "last",
        pieces: 1,
        counting: "all",
        finish: { rounds: 1, total: null, exact: false, dropTo: null },
      }),
      level: of("climb", { tries: 60 }),
      tooLong: of("climb", {}, { minutes: 1, rounds: 6 }),
      slow: of("stackUp", { full: 10, sends: 1, rounds: null, grow: "behind" }),
    };
    // That a game cannot end is proved by going through all its states, which takes longest.
    for (const kind of inFull<readonly Warning["kind"][]>(
      WARNINGS,
      WARNINGS.filter((warning) => warning !== "cannotEnd"),
    )) {
      const warning = warningOf(kind, provoked[kind], PEOPLE);
      expect(warning, kind).not.toBeNull();
      expect(warning!.fix, kind).not.toBeNull();
      expect(activity.safeParse(warning!.fix!.activity).success, kind).toBe(true);
      expect(warningOf(kind, warning!.fix!.activity, PEOPLE), kind).toBeNull();
    }
  }, 200_000);

  it("it cannot end where no end can be reached from a place that can come: a mark nobody gets to, without a cap", () => {
    const never = { marks: [2, 3], way: { kind: "chase", turn: 5 }, sends: null };
    const rung = fromPattern("passLadder").match;
    const open = of("passLadder", never, { match: { ...rung, seconds: 60 } });
    // With a bell it ends, though nobody gets anywhere.
    expect(kinds(open)).toContain("nobody");
    expect(kinds(open)).not.toContain("cannotEnd");
    const stuck = { ...open, match: { ...rung, seconds: null } };
    expect(kinds(stuck)).toContain("cannotEnd");
  });

  it("of a game that ends, however late, it is said that it is slow, and never that it goes on for ever", () => {
    // Hard, without a cap: it ends with chance 1.
    const slow = of("climb", { tries: null }, { minutes: 1 });
    expect(kinds(slow)).toContain("tooLong");
    expect(kinds(slow)).not.toContain("cannotEnd");
    // Many states, a bell after two minutes: sure to end.
    const row = Array.from({ length: 4 }, () => ({
      task: "keepUp",
      seconds: 30,
      rest: 0,
      hand: "usual",
      moving: false,
      bounce: false,
    }));
    expect(kinds(of("tally", { rounds: row }))).toEqual([]);
  });

  it("minutes are those of the whole plan: what fits by itself may not with its warm-up", () => {
    const design = of("climb");
    expect(kinds({ ...design, minutes: 4 })).not.toContain("tooLong");
    const around = { ...design, minutes: 4, rounds: 3, warmUp: ["marchOnTheSpot", "starJumps"], coolDown: [] };
    const told = warningOf("tooLong", around as Activity, PEOPLE)!;
    expect(told.phrase.params!.minutes).toBeGreaterThan(4);
  });

  it("one choice is always best where one thing brings the most at every age, and not where the others bring as much", () => {
    expect(alwaysBest(priced([1, 1, 1]), PEOPLE)).toBe("t1");
    expect(kinds(priced([1, 1, 1]))).toContain("alwaysBest");
    const fair = fairPoints(priced([1, 1, 1]), PEOPLE[1])!;
    expect(alwaysBest(withPoints(priced([1, 1, 1]), fair), PEOPLE)).toBeNull();
    // What is used up once leaves the others to be the best.
    expect(alwaysBest(priced([1, 1, 1], { once: true }), PEOPLE)).toBeNull();
    expect(alwaysBest(of("climb"), PEOPLE)).toBeNull();
  });

  it("a game for two in which half the spread wins no more is luck, or ends level", () => {
    const far = skillOf(of("climb"), { age: 8 })!;
    expect(far.more).toBeGreaterThan(0.03);
    // With so many sends both always reach the top.
    const easy = of("climb", { tries: 60 });
    expect(skillOf(easy, { age: 8 })!.level).toBeGreaterThan(0.9);
    expect(kinds(easy)).toContain("level");
    expect(
      skillOf({ ...of("climb"), players: { least: 1, most: 1, modes: ["alone"], call: false, fair: [] } }, { age: 8 }),
    ).toBeNull();
  });

  it("a go that takes longer than was planned is said with both figures", () => {
    const long = of("tally", {
      rounds: Array.from({ length: 4 }, () => ({
        task: "keepUp",
        seconds: 240,
        rest: 20,
        hand: "usual",
        moving: false,
        bounce: false,
      })),
    });
    const told = warningOf("tooLong", long, PEOPLE)!;
    expect(told.phrase.params).toMatchObject({ planned: 10 });
    expect(told.phrase.params!.minutes).toBeGreaterThanOrEqual(16);
  });
});

it("all that there is to warn of is told together, each kind once", () => {
  const easy = priced([1, 1, 1], { sends: 3 });
  const told = warningsOf(easy, PEOPLE);
  expect(told.map((warning) => warning.kind)).toEqual(kinds(easy));
  expect(told.find((warning) => warning.kind === "alwaysBest")?.fix).not.toBeNull();
});

describe("points that make every choice real", () => {
  it("are the dearer the rarer it is hit, from 2, in numbers that a child can add", () => {
    const list = fairPoints(of("board"), { age: 7 })!;
    const byRate = [...list].sort((a, b) => b.rate - a.rate);
    expect(byRate[0]!.points).toBe(2);
    for (const [i, f] of byRate.entries()) {
      expect(f.points).toBeGreaterThanOrEqual(byRate[Math.max(0, i - 1)]!.points);
      expect(f.points <= 10 || f.points % 5 === 0).toBe(true);
      // Within the rounding each is worth the same by the send.
      expect(Math.abs(f.points - (2 * byRate[0]!.rate) / f.rate)).toBeLessThanOrEqual(0.5 + 1e-9);
    }
  });

  it("count the seconds where a bell ends the go, and are put where the points are", () => {
    const spots = of(
      "board",
      {
        layout: {
          kind: "spots",
          target: { id: "box", item: "box", label: "", across: 0, width: 0.6, height: 0.5, counts: ["touch"] },
          spots: [1, 2, 4].map((distance) => ({ distance, points: 1 })),
        },
        sends: null,
      },
      {
        match: { ...fromPattern("board").match, seconds: 60 },
        space: { length: 6, width: 2, floor: "boards", indoors: true },
      },
    );
    const [rung, sent] = [spots, { ...spots, match: { ...spots.match, seconds: null } }].map(
      (eachActivity) => fairPoints(eachActivity, { age: 8 })!,
    );
    // From afar fetching takes longer: by the second it is to bring more.
    expect(rung![2]!.points).toBeGreaterThanOrEqual(sent![2]!.points);
    expect(rung![2]!.seconds).toBeGreaterThan(rung![0]!.seconds);
    const next = opened(withPoints(spots, rung!)).activity.pattern.params as {
      layout: { spots: { points: number }[] };
    };
    expect(next.layout.spots.map((spot) => spot.points)).toEqual(rung!.map((eachFairPoints) => eachFairPoints.points));
    for (const name of patternNames.filter((patternName) => patternName !== "board")) {
      const list = fairPoints(of(name), { age: 8 });
      if (list) expect(list.length, name).toBeGreaterThan(1);
    }
  });
});
