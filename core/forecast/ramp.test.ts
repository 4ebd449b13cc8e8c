import { describe, expect, it } from "vitest";
import { compileCard } from "../compile/card.ts";
import { rolesOf } from "../compile/roles.ts";
import { type Activity, activity, fromPattern } from "../formats/activity.ts";
import { rampSpeed } from "../physics/ramp.ts";
import { pegRates, personOf, sendingIn } from "./for-activity.ts";

// A ball on boards: socks on a carpet stop within two metres of any ramp.
const usual = fromPattern("pins");
const pins: Activity = {
  ...usual,
  kit: { ...usual.kit, send: "softBall" },
  space: { ...usual.space, floor: "boards" },
};
const ramped = (height: number, over: object = {}): Activity =>
  activity.parse({ ...pins, ramp: { height, stand: "behind" }, ...over });
const child = { age: 6, step: null, leftHanded: false };

describe("down a ramp", () => {
  it("it leaves as fast as the height says, whatever the age, and the board's error replaces the arm's", () => {
    const design = ramped(0.6);
    expect(sendingIn(design, 6)!.most).toBeCloseTo(rampSpeed(0.6), 12);
    expect(sendingIn(design, 12)!.most).toBeCloseTo(sendingIn(design, 6)!.most, 12);
    const [by, board] = [pins, design].map(
      (eachActivity) => personOf(eachActivity, { age: 6 }).sends({}).spread.lateral,
    );
    expect(board).toBeLessThan(by! / 2);
    expect(pegRates(design, { age: 6 }).get("pins")).toBeGreaterThan(pegRates(pins, { age: 6 }).get("pins")!);
  });
  it("from too low it does not get there", () => {
    expect(pegRates(ramped(0.1), { age: 8 }).get("pins")).toBeLessThan(pegRates(ramped(0.6), { age: 8 }).get("pins")!);
  });
  it("the card says how high it is propped, asks for what it is made of, and waits for a grown-up's yes", () => {
    const card = compileCard(ramped(0.25), child);
    expect(card.notes![0]).toEqual({ key: "ramp.setUp.behind", params: { cm: 25 } });
    expect(card.cautions).toEqual(expect.arrayContaining(["steady", "grownUpYes"]));
    expect(card.grownUp).toBe(true);
    expect(rolesOf(ramped(0.25), 1).roles.find((role) => role.id === "ramp")).toMatchObject({ use: "ramp", count: 1 });
  });
  it("only what is rolled goes down it, and its height has bounds: said by the field", () => {
    const wrong = (over: object) =>
      activity.safeParse({ ...pins, ...over }).error?.issues.map((issue) => issue.message);
    expect(wrong({ ramp: { height: 0.2, stand: "behind" }, aim: { ...pins.aim, action: "underarmThrow" } })).toEqual([
      "only a rolled object goes down a ramp",
    ]);
    expect(wrong({ ramp: { height: 2, stand: "behind" } })).toEqual(["ramp height must be 0.8 m or less"]);
  });
});
