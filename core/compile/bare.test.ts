import { describe, expect, it } from "vitest";
import { mean } from "../forecast/distribution.ts";
import { forecastActivity } from "../forecast/for-activity.ts";
import { activity, fromPattern } from "../formats/activity.ts";
import { patternNames } from "../patterns/registry.ts";
import { NOTHING_SAID } from "../records/home.ts";
import { bareOf } from "./bare.ts";
import { compileFor, type Making } from "./card.ts";
import { NOTHING_DECIDED, remake } from "./swap.ts";

describe("a game without any things", () => {
  it("is a document that can be played, for every pattern, and takes nothing", () => {
    for (const name of patternNames) {
      const bare = bareOf(fromPattern(name));
      expect(activity.safeParse(bare).error?.issues ?? []).toEqual([]);
      const told = forecastActivity(bare, [{ age: 8 }], { players: 1, mode: "alone", seed: 1 }, "middle").sides[0]!;
      expect(mean(told.points)).toBeGreaterThan(10);
    }
  });

  it("is the card of a home that has nothing of what is asked for, once it says so", () => {
    const making: Making = {
      designed: fromPattern("pins"),
      child: { age: 7, step: null, leftHanded: false } as Making["child"],
      homes: [{ ...NOTHING_SAID, id: "h", label: "Home", kit: {} } as never],
      items: { own: [], hidden: [] },
    };
    const card = remake(making, { ...NOTHING_DECIDED, bare: true });
    expect(card.needs.pieces).toBe(0);
    expect(card.activity.pattern.name).toBe("tally");
    expect(card.home?.picks.filter((pick) => pick.role === "send" || pick.role.startsWith("target"))).toEqual([]);
    expect(card.activity.title).toBe(making.designed.title);
    // And back again it is what was sent.
    expect(remake(making, NOTHING_DECIDED).activity).toEqual(compileFor(making).activity);
  });
});
