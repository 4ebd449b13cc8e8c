import { describe, expect, it } from "vitest";
import { mean } from "../forecast/distribution.ts";
import { forecastActivity } from "../forecast/for-activity.ts";
import { type Activity, fromPattern } from "../formats/activity.ts";
import { random } from "../random.ts";
import { type Knocked, knockChance, withKnocks } from "./knocks.ts";

const pin = (id: string, distance: number, across: number): Knocked => ({
  id,
  distance,
  across,
  width: 0.08,
  height: 0.28,
});
const row = (count: number, gap = 0.08) =>
  Array.from({ length: count }, (_, i) => pin(`p${i + 1}`, 2, i * (0.08 + gap)));
const all = () => true;
const alone = { players: 1, mode: "alone", seed: 1 } as const;
const many = (sets: ReadonlyMap<string, number>) =>
  [...sets].reduce((sum, [key, chance]) => sum + chance * (key === "" ? 0 : key.split(" ").length), 0);

describe("pins that knock over pins", () => {
  it("are likelier to the nearer they stand, and ahead more than aside; never back, and never beyond their height", () => {
    const at = (along: number, across: number) => knockChance(pin("a", 2, 0), pin("b", 2 + along, across));
    expect(at(0.08, 0)).toBeCloseTo(0.6, 12);
    expect(at(0.16, 0)).toBeGreaterThan(at(0.24, 0));
    expect(at(0, 0.16)).toBeCloseTo(at(0.16, 0) / 2, 12);
    expect(at(-0.16, 0)).toBeCloseTo(0, 12);
    expect(at(0.36, 0)).toBeCloseTo(0, 12);
  });

  it("of two it is the chance itself; what cannot fall stays; all sums to one", () => {
    const two = row(2);
    const chance = knockChance(two[0]!, two[1]!);
    const sets = withKnocks(
      new Map([
        ["p1", 0.4],
        ["", 0.6],
      ]),
      two,
      all,
    );
    expect(sets.get("p1 p2")).toBeCloseTo(0.4 * chance, 12);
    expect(sets.get("p1")).toBeCloseTo(0.4 * (1 - chance), 12);
    expect(sets.get("")).toBeCloseTo(0.6, 12);
    expect(withKnocks(new Map([["p1", 1]]), two, (id) => id !== "p2").get("p1")).toBe(1);
    for (const count of [3, 6, 8])
      expect(
        [...withKnocks(new Map([["p1", 1]]), row(count), all).values()].reduce((sum, b) => sum + b, 0),
      ).toBeCloseTo(1, 9);
  });

  it.each([3, 5, 6])(
    "a row of %i from its first pin: the mean number that falls is that of falls drawn one by one",
    (count) => {
      const pins = row(count, 0.04);
      const draw = random(11);
      const games = 60_000;
      let [sum, squares] = [0, 0];
      for (let k = 0; k < games; k++) {
        // Each pin that falls has one attempt at every pin that stands.
        const down = new Set([0]);
        const fresh = [0];
        for (let a = fresh.pop(); a !== undefined; a = fresh.pop())
          for (let b = 0; b < count; b++)
            if (!down.has(b) && draw() < knockChance(pins[a]!, pins[b]!)) {
              down.add(b);
              fresh.push(b);
            }
        sum += down.size;
        squares += down.size ** 2;
      }
      const drawn = sum / games;
      const error = Math.sqrt((squares / games - drawn ** 2) / games);
      expect(Math.abs(many(withKnocks(new Map([["p1", 1]]), pins, all)) - drawn)).toBeLessThan(4 * error);
    },
  );

  it("a full row of five can fall with one ball; without them it never does", () => {
    const activity = fromPattern("stackUp");
    const of = (pinOnPin: boolean): Activity => ({
      ...activity,
      pattern: {
        name: "stackUp",
        params: {
          ...(activity.pattern.params as object),
          full: 5,
          sends: 1,
          rounds: 30,
          grow: "beside",
          gap: 0.03,
          pinOnPin,
        } as never,
      },
    });
    const finish = (givenActivity: Activity) =>
      forecastActivity(givenActivity, [{ age: 9 }], alone, "middle").sides[0]!.finish;
    expect(finish(of(false))).toBe(0);
    expect(finish(of(true))).toBeGreaterThan(0);
  });

  it("exact up to six pins, drawn beyond, and only where what falls untouched counts", () => {
    const activity = fromPattern("pins");
    const of = (change: object): Activity => ({
      ...activity,
      space: { ...activity.space, length: 6 },
      pattern: {
        name: "pins",
        params: { ...(activity.pattern.params as object), frames: 1, rolls: 1, ...change } as never,
      },
    });
    const { formation } = activity.pattern.params as unknown as { formation: object };
    const told = (change: object) => forecastActivity(of(change), [{ age: 8 }], alone, "middle");
    expect(told({}).method).toBe("exact");
    expect(told({ formation: { ...formation, count: 10 } }).method).toBe("sampled");
    const points = (change: object) => mean(told(change).sides[0]!.points);
    expect(points({ pinOnPin: true })).toBeGreaterThan(points({ pinOnPin: false }));
    expect(points({ pinOnPin: true, untouched: "stood" })).toBeCloseTo(points({ pinOnPin: false }), 12);
  });
});
