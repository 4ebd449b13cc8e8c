import { describe, expect, it } from "vitest";
import { fromPattern, gameSettingsOf } from "../formats/activity.ts";
import { replay } from "../referee/referee.ts";
import { inFull } from "../sample-size.test-utils.ts";
import { behaviorProfile, playGo } from "../simulated-player/child.ts";
import { evidenceOf } from "./evidence.ts";
import { KINDS, madeUp } from "./made-up.test-utils.ts";
import { accuracyOf, forecastedOf, type GoSeen } from "./truth.ts";

/** All of them, or a fifth: then so much more may be chance, two and a half standard errors of a share. */
const ALL = inFull(true, false);
const CHILDREN = ALL ? 2000 : 400;
const CHANCE = ALL ? 0.01 : 0.05;

describe.each(KINDS)("made-up children, %s", (kind) => {
  it.each([
    [20, 1],
    [100, 1],
    [20, 8],
  ])("%i tries a week, %i weeks: 80 ± 3 % of intervals hold the truth", (tries, weeks) => {
    const { inside } = madeUp(kind, { children: CHILDREN, weeks, tries });
    expect(inside).toBeGreaterThan(0.77 - CHANCE);
    // Who learns steadily drifts less by chance than is allowed for: more of them lie inside.
    if (kind !== "learning") expect(inside).toBeLessThan(0.83 + CHANCE);
  });
  it("after eight weeks forecasts are at least 85 % of the way to knowing every chance, and true within 3 points", () => {
    const { atTheEnd, onTheWay, skill, ceiling, off } = madeUp(kind, { children: CHILDREN, weeks: 8, tries: 20 });
    expect(atTheEnd).toBeGreaterThan(0.85);
    expect(onTheWay).toBeGreaterThan(0.75);
    expect(skill).toBeLessThan(ceiling);
    expect(ceiling).toBeGreaterThan(0.07);
    expect(Math.abs(off), `${off}`).toBeLessThan(0.03 + CHANCE / 2);
  });
});

/** The demo school's children pull to one side, send long or short, go wild and tire, each in its own way; so many tries of a tenth are needed to compare. */
const ENOUGH = 500;
describe("the demo school's children", () => {
  it("over eight weeks of whole games: what was forecast came true within 4 points, and much of what is possible was known", () => {
    const weeks = ["climb", "board", "bands", "climb", "board", "bands", "climb", "board"] as const;
    const documents = new Map(weeks.map((name) => [name, fromPattern(name)]));
    const goes: GoSeen[] = [];
    for (let k = 0; k < 60; k++) {
      const age = 7 + (k % 4);
      for (const [week, name] of weeks.entries()) {
        const activity = documents.get(name)!;
        for (const go of [0, 1]) {
          const setup = { players: 1, mode: "alone", seed: go } as const;
          const events = playGo(activity, {
            ages: [age],
            tempers: [behaviorProfile(9000 + 7 * k)],
            setup,
            seed: 1000 * k + 10 * week + go,
          });
          for (const evidence of evidenceOf(activity, replay(gameSettingsOf(activity), setup, events).play, age))
            goes.push({ ...evidence, child: `${k} ${evidence.action}`, age, week });
        }
      }
    }
    const seen = forecastedOf(goes);
    const { bins } = accuracyOf(seen);
    const compared = bins.filter((bin) => bin.tries >= ENOUGH);
    expect(compared.length).toBeGreaterThan(3);
    for (const b of compared) expect(Math.abs(b.forecast - b.seen), `${b.forecast}`).toBeLessThan(0.04);
    // Of the weeks of each game after its first.
    expect(accuracyOf(seen.filter((forecasted) => forecasted.week === 6)).ofPossible!).toBeGreaterThan(0.6);
  });
});
