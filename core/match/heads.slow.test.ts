import { describe, expect, it } from "vitest";
import { mainAsks } from "../asks/ask.ts";
import { isRefusal, type Role, type Setup } from "../contract/contract.ts";
import { mean } from "../forecast/distribution.ts";
import { forecastActivity } from "../forecast/for-activity.ts";
import { fromPattern, gameSettingsOf } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { patternNames } from "../patterns/registry.ts";
import { random } from "../random.ts";
import { bodiesOf, openPlay, type Play, referee, view } from "../referee/referee.ts";
import { mostHead } from "./heads.ts";

const HEAD = 3;
const against = (head: number): Setup => {
  const people: Role[] = [{ role: "plays", ...(head > 0 && { head }) }, { role: "plays" }];
  return { players: 2, mode: "against", seed: 5, people };
};
/** Games where one side's course is nothing to another, and a head start count. */
const alone = patternNames.filter((name) => {
  const activity = fromPattern(name);
  const { game } = opened(activity);
  return activity.players.modes.includes("against") && !game.sidesMeet(against(0)) && mostHead(game) >= HEAD;
});

describe("a head start, where sides do not meet", () => {
  it("are met in several games", () => {
    expect(alone.length).toBeGreaterThan(2);
  });
  it.each(alone)("%s: only add to the score: the same things are asked and taken to the end", (name) => {
    const part = gameSettingsOf(fromPattern(name));
    let [plain, ahead]: Play[] = [openPlay(part, against(0)), openPlay(part, against(HEAD))];
    const next = random(11);
    let taken = 0;
    for (let i = 0; i < 400 && !view(plain!).done; i++) {
      const asks = view(plain!).asks;
      expect(view(ahead!).asks).toEqual(asks);
      const bodies = mainAsks(asks).flatMap(bodiesOf);
      const body = bodies[Math.floor(next() * bodies.length)]!;
      const after = [plain!, ahead!].map((play) => referee(play, { ...body, at: i * 500 } as never));
      expect(isRefusal(after[0]!)).toBe(isRefusal(after[1]!));
      if (isRefusal(after[0]!)) continue;
      [plain, ahead] = after as Play[];
      taken++;
    }
    expect(taken).toBeGreaterThan(5);
    const [one, other] = [view(plain!), view(ahead!)];
    expect(other.done).toEqual(one.done);
    expect(other.score.map((score) => score.value)).toEqual(
      one.score.map((score, i) => score.value + (i === 0 ? HEAD : 0)),
    );
    expect(other.score.map((score) => score.rank)).toEqual(
      one.score.map((score, i) => score.rank + (i === 0 ? HEAD : 0)),
    );
  });
  it.each(alone)("%s: the forecast of them agrees with games drawn", (name) => {
    const activity = fromPattern(name);
    const who = [{ age: 7 }, { age: 9 }];
    const by = (method: "exact" | "sampled") => {
      try {
        return forecastActivity(activity, who, against(HEAD), "middle", { method, samples: 1500, untimed: true });
      } catch (error) {
        // What cannot be followed to its end has no other forecast to be held against.
        if (error instanceof RangeError) return null;
        throw error;
      }
    };
    const [exact, drawn] = [by("exact"), by("sampled")!];
    // Where a side by itself finds better choices than both together they are two ways to play.
    if (!exact || exact.choice !== drawn.choice) return;
    for (const [i, side] of exact.sides.entries()) {
      expect(Math.abs(side.win! - drawn.sides[i]!.win!), "win").toBeLessThan(4 * drawn.standardError);
      const points = [side, drawn.sides[i]!].map((sideForecast) => mean(sideForecast.points)) as [number, number];
      expect(Math.abs(points[0] - points[1]), "points").toBeLessThan(0.05 * Math.max(4, points[0]));
    }
  });
});
