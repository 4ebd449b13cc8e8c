import { describe, expect, it } from "vitest";
import { isRefusal } from "../contract/contract.ts";
import { fromPattern, gameSettingsOf } from "../formats/activity.ts";
import { hurried } from "../referee/hurried.ts";
import { openPlay, referee } from "../referee/referee.ts";
import { quantile } from "./distribution.ts";
import { forecastActivity } from "./for-activity.ts";
import { childAt, RARE, rareScore } from "./rare.ts";

const ALONE = { players: 1, mode: "alone", seed: 1 } as const;

describe("a score worth a look", () => {
  it("is beyond what the middle child comes to, and what fewer than one in a thousand of all reach", () => {
    const activity = fromPattern("pins");
    const rare = rareScore(activity, 7)!;
    const usual = forecastActivity(activity, [{ age: 7 }], ALONE, "middle").sides[0]!.points;
    expect(rare).toBeGreaterThan(quantile(usual, 0.99));
    const reach = (better: number) => {
      const { at, p } = forecastActivity(activity, [childAt(7, better)], ALONE, "middle").sides[0]!.points;
      return at.reduce((sum, v, i) => sum + (v >= rare ? p[i]! : 0), 0);
    };
    // The typical child reaches it less often than the mixture may, a much better one more often.
    expect(reach(0)).toBeLessThan(RARE);
    expect(reach(2.5)).toBeGreaterThan(reach(0));
  });
  it("goes down where less is better, and is nothing where the best is not rare", () => {
    const climb = fromPattern("climb");
    const rare = rareScore(climb, 6);
    expect(rare === null || rare >= 1).toBe(true);
    const easy = { ...climb, pattern: { ...climb.pattern, params: { ...climb.pattern.params } } };
    expect(rareScore(easy as typeof climb, 15)).toBeNull();
  });
});

describe("a go faster than fetching allows", () => {
  const play = (seconds: number, count = 6) => {
    let game = openPlay(gameSettingsOf(fromPattern("sweep")), ALONE);
    for (let i = 0; i < count; i++) {
      const next = referee(game, { kind: "send", hit: i % 2 ? "t1" : null, at: Math.round(i * seconds * 1000) });
      if (isRefusal(next)) break;
      game = next;
    }
    return game;
  };
  it("is told apart from one that took its time", () => {
    expect(hurried(play(6), 8)).toBe(false);
    expect(hurried(play(0.2, 4), 8)).toBe(true);
    // Nothing sent, or a single send, hurries nobody.
    expect(hurried(play(0, 0), 8)).toBe(false);
    expect(hurried(play(0, 1), 8)).toBe(false);
  });
});
