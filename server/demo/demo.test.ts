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
    expect(new Set(children.map((c) => c.name)).size).toBe(children.length);
    for (const c of children) expect(c.name).toMatch(/^\p{L}+ \p{Lu}\.$/u);
    expect(children.some((c) => c.homes.length === 2)).toBe(true);
    expect(children.some((c) => c.leftHanded)).toBe(true);
    const families = new Map<string, number>();
    for (const c of children) for (const h of c.homes) families.set(h, (families.get(h) ?? 0) + 1);
    expect([...families.values()].filter((n) => n > 1).length).toBeGreaterThan(2);
    expect(new Set(file.homes.map((h) => JSON.stringify(h.space))).size).toBeGreaterThan(6);
    expect(file.homes.some((h) => h.space === null)).toBe(true);
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
      .error?.issues.map((i) => i.message)
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
    const a = fromPattern(name);
    for (const setup of [
      { players: 1, mode: "alone", seed: 1 },
      { players: 2, mode: "against", seed: 1 },
      { players: 3, mode: "relay", seed: 1 },
    ] as const) {
      const tempers = [behaviorProfile(1), behaviorProfile(2)];
      const events = playGo(a, [7, 36], tempers, setup, 9);
      const told = replay({ ...a.pattern, match: a.match }, setup, events);
      expect(told.refused).toBeNull();
      expect(view(told.play).done).toBe("over");
      expect(playGo(a, [7, 36], tempers, setup, 9)).toEqual(events);
      expect(events.every((e, i) => i === 0 || e.at >= events[i - 1]!.at)).toBe(true);
    }
  });
  it("may stop halfway", () => {
    const events = playGo(
      fromPattern("climb"),
      [7],
      [behaviorProfile(3)],
      { players: 1, mode: "alone", seed: 1 },
      4,
      0.9,
    );
    expect(events.at(-1)!.kind).toBe("stop");
  });
  it("miss by another model than the forecast: the means differ, by less than the children do", () => {
    const a = fromPattern("climb");
    const alone = { players: 1, mode: "alone", seed: 1 } as const;
    const sends = Array.from(
      { length: 300 },
      (_, i) => playGo(a, [7], [behaviorProfile(i)], alone, i).filter((e) => e.kind === "send").length,
    );
    const average = sends.reduce((x, y) => x + y, 0) / sends.length;
    const expected = mean(forecastActivity(a, [{ age: 7 }], alone, "middle").sides[0]!.sends);
    expect(Math.abs(average - expected)).toBeGreaterThan(0.1);
    expect(Math.abs(average - expected)).toBeLessThan(4);
    expect(Math.max(...sends) - Math.min(...sends)).toBeGreaterThan(6);
  });
});
