import { describe, expect, it } from "vitest";
import { mean } from "#core/forecast/distribution.ts";
import { forecastActivity } from "#core/forecast/for-activity.ts";
import { fromPattern } from "#core/formats/activity.ts";
import { patternNames } from "#core/patterns/registry.ts";
import { replay, view } from "#core/referee/referee.ts";
import { behaviorProfile, playGo } from "#core/simulated-player/child.ts";
import { schoolFile } from "../db/school-file.ts";
import { tidewell } from "./tidewell.ts";

describe("the demo school", () => {
  const file = schoolFile.parse(tidewell());
  it("has two classes of 24 to 30 known by a first name and an initial, siblings, two homes, and homes unlike each other", () => {
    expect(file.classes.map((c) => c.children.length).every((n) => n >= 24 && n <= 30)).toBe(true);
    const children = file.classes.flatMap((c) => c.children);
    expect(new Set(children.map((child) => child.name)).size).toBe(children.length);
    for (const child of children) expect(child.name).toMatch(/^\p{L}+ \p{Lu}\.$/u);
    expect(children.some((child) => child.homes.length === 2)).toBe(true);
    expect(children.some((child) => child.leftHanded)).toBe(true);
    const families = new Map<string, number>();
    for (const child of children) for (const home of child.homes) families.set(home, (families.get(home) ?? 0) + 1);
    expect([...families.values()].filter((family) => family > 1).length).toBeGreaterThan(2);
    expect(new Set(file.homes.map((home) => JSON.stringify(home.space))).size).toBeGreaterThan(6);
    expect(file.homes.some((home) => home.space === null)).toBe(true);
  });
  it("is the same every time", () => {
    expect(tidewell()).toEqual(tidewell());
  });
});

describe("a school file", () => {
  const good = tidewell();
  const told = (over: object) =>
    schoolFile
      .safeParse({ ...good, ...over })
      .error?.issues.map((issue) => issue.message)
      .join(" ") ?? "";
  it("is refused with the field and what is allowed", () => {
    expect(told({ zone: "Mars/Crater" })).toContain("IANA time zone");
    expect(told({ teachers: [{ ...good.teachers[0]!, password: "short" }] })).toContain(
      "password must be 10 letters or more",
    );
    expect(told({ teachers: [{ ...good.teachers[0]!, email: "nobody" }] })).toContain(
      "email must be an e-mail address",
    );
  });
});

describe("simulated children", () => {
  it.each(patternNames)("play %s to its end, each event allowed, the same for the same seed", (name) => {
    const activity = fromPattern(name);
    for (const setup of [
      { players: 1, mode: "alone", seed: 1 },
      { players: 2, mode: "against", seed: 1 },
      { players: 3, mode: "relay", seed: 1 },
    ] as const) {
      const tempers = [behaviorProfile(1), behaviorProfile(2)];
      const events = playGo(activity, { ages: [7, 36], tempers, setup, seed: 9 });
      const told = replay({ ...activity.pattern, match: activity.match }, setup, events);
      expect(told.refused).toBeNull();
      expect(view(told.play).done).toBe("over");
      expect(playGo(activity, { ages: [7, 36], tempers, setup, seed: 9 })).toEqual(events);
      expect(events.every((event, i) => i === 0 || event.at >= events[i - 1]!.at)).toBe(true);
    }
  });
  it("may stop halfway", () => {
    const events = playGo(fromPattern("climb"), {
      ages: [7],
      tempers: [behaviorProfile(3)],
      setup: { players: 1, mode: "alone", seed: 1 },
      seed: 4,
      stops: 0.9,
    });
    expect(events.at(-1)!.kind).toBe("stop");
  });
  it("miss by another model than the forecast: the means differ, by less than the children do", () => {
    const activity = fromPattern("climb");
    const alone = { players: 1, mode: "alone", seed: 1 } as const;
    const sends = Array.from(
      { length: 300 },
      (_, i) =>
        playGo(activity, { ages: [7], tempers: [behaviorProfile(i)], setup: alone, seed: i }).filter(
          (event) => event.kind === "send",
        ).length,
    );
    const average = sends.reduce((sum, y) => sum + y, 0) / sends.length;
    const expected = mean(forecastActivity(activity, [{ age: 7 }], alone, "middle").sides[0]!.sends);
    expect(Math.abs(average - expected)).toBeGreaterThan(0.1);
    expect(Math.abs(average - expected)).toBeLessThan(4);
    expect(Math.max(...sends) - Math.min(...sends)).toBeGreaterThan(6);
  });
});
