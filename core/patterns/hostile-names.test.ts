import { describe, expect, it } from "vitest";
import { compileFor } from "../compile/card.ts";
import { forecastActivity, pegRates } from "../forecast/for-activity.ts";
import { type Activity, activity, fromPattern, gameSettingsOf } from "../formats/activity.ts";
import { NOTHING_SAID } from "../records/home.ts";
import { aimedBy } from "../referee/aimed.ts";
import { replay, view } from "../referee/referee.ts";
import { behaviorProfile, playGo } from "../simulated-player/child.ts";
import { patternNames } from "./registry.ts";

/** Names that an object without care has already. */
const HOSTILE = [
  "__proto__",
  "constructor",
  "toString",
  "hasOwnProperty",
  "valueOf",
  "isPrototypeOf",
  "toLocaleString",
];

/** Every id that a document gives to something on the ground. */
function idsIn(value: unknown): string[] {
  if (Array.isArray(value)) return value.flatMap(idsIn);
  if (typeof value !== "object" || value === null) return [];
  const own = "id" in value && typeof value.id === "string" ? [value.id] : [];
  return [...own, ...Object.values(value).flatMap(idsIn)];
}
const renamed = (value: unknown, names: ReadonlyMap<string, string>): unknown =>
  typeof value === "string"
    ? (names.get(value) ?? value)
    : Array.isArray(value)
      ? value.map((eachValue) => renamed(eachValue, names))
      : typeof value === "object" && value !== null
        ? Object.fromEntries(Object.entries(value).map(([key, v]) => [names.get(key) ?? key, renamed(v, names)]))
        : value;

describe("things on the ground called as objects' own properties are", () => {
  it.each(patternNames)("%s: it compiles, forecasts, plays and is summed up as under plain names", (name) => {
    const plain = fromPattern(name);
    const ids = [...new Set(idsIn(plain.pattern.params))].slice(0, HOSTILE.length);
    if (ids.length === 0) return;
    const names = new Map(ids.map((id, i) => [id, HOSTILE[i]!]));
    const back = new Map([...names].map(([action, text]) => [text, action]));
    const odd = activity.parse(
      JSON.parse(JSON.stringify({ ...plain, pattern: renamed(plain.pattern, names) })),
    ) as Activity;
    expect(idsIn(odd.pattern.params)).toContain("__proto__");
    const child = { age: 8, step: null, leftHanded: false };
    const home = { ...NOTHING_SAID, id: "h", label: "home" };
    const cardOf = (designed: Activity) =>
      compileFor({ designed, child, homes: [home], items: { own: [], hidden: [] } });
    expect(renamed(cardOf(odd).markers, back)).toEqual(cardOf(plain).markers);
    const told = (givenActivity: Activity) =>
      forecastActivity(givenActivity, [{ age: 8 }], { players: 1, mode: "alone", seed: 3 }, "middle");
    expect(told(odd).sides[0]!.finish).toBeCloseTo(told(plain).sides[0]!.finish, 9);
    const rates = (givenActivity: Activity) => pegRates(givenActivity, { age: 8 });
    expect([...rates(odd)].map(([id, chance]) => [back.get(id) ?? id, chance])).toEqual([...rates(plain)]);
    const setup = { players: 1, mode: "alone", seed: 3 } as const;
    if (!plain.players.modes.includes("alone")) return;
    const goOf = (givenActivity: Activity) => {
      const events = playGo(givenActivity, { ages: [8], tempers: [behaviorProfile(1)], setup, seed: 5 });
      const done = replay(gameSettingsOf(givenActivity), setup, events);
      expect(done.refused).toBeNull();
      return { aimed: aimedBy(done.play, 0), score: view(done.play).score };
    };
    const [x, y] = [goOf(odd), goOf(plain)];
    expect(x.score).toEqual(y.score);
    const kept = JSON.parse(JSON.stringify(x.aimed)) as Record<string, unknown>;
    expect(Object.entries(kept).map(([id, value]) => [back.get(id) ?? id, value])).toEqual(Object.entries(y.aimed));
  });
});
