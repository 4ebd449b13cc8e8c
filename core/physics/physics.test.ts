import { describe, expect, it } from "vitest";
import { catalogueItem } from "../kit/catalogue.ts";
import { FLOORS } from "../kit/floors.ts";
import { flightTo, riseOf } from "./flight.ts";
import { rampDistance, rampHeightFor, rampSpeed } from "./ramp.ts";
import { rollingDistance, speedAfterRolling } from "./rolling.ts";
import { fetchSeconds, keepsOf, runAfterLanding, runOnOf } from "./run-on.ts";
import { slideDistance, slideKeeps, slidingPointless } from "./sliding.ts";
import { falls, speedAt, steadyFrom, tips, waterFor } from "./standing.ts";

const i = (id: string) => catalogueItem(id)!;

describe("does it fall?", () => {
  it("an empty bottle falls to a rolled sock ball, and with water it does not: the figure in between is where it turns", () => {
    const [bottle, ball] = [i("bottle"), i("sockBall")];
    const speed = speedAt(ball, "underarmRoll", 1, "boards");
    expect(falls(bottle, 0, ball, 2)).toBe(true);
    expect(falls(bottle, 1, ball, 2)).toBe(false);
    const w = waterFor(bottle, ball, 2);
    expect(w.standsFrom).toBeGreaterThan(0);
    expect(w.standsFrom).toBeLessThanOrEqual(1);
    expect(falls(bottle, w.standsFrom!, ball, 2)).toBe(false);
    expect(falls(bottle, w.fallsTo!, ball, 2)).toBe(true);
    expect(w.litresToStand).toBeCloseTo(w.standsFrom! * 1.5, 12);
    expect(speed).toBeLessThan(2.6);
  });
  it("the counter-case: a shoe stays up when the same ball meets it, and a paper ball leaves the full bottle alone", () => {
    expect(falls(i("boot"), 0, i("sockBall"), 2)).toBe(false);
    expect(falls(i("chair"), 0, i("smallBall"), 6)).toBe(false);
    expect(waterFor(i("chair"), i("sockBall"), 2)).toMatchObject({ standsFrom: 0, fallsTo: null });
    expect(falls(i("waterBottle"), 0, i("paperBall"), 3)).toBe(false);
  });
  it("farther away a rolled thing is slower, and a thrown one is not", () => {
    const ball = i("sockBall");
    expect(speedAt(ball, "underarmRoll", 1, "carpet")).toBeLessThan(speedAt(ball, "underarmRoll", 0.3, "carpet"));
    expect(speedAt(ball, "underarmRoll", 9, "carpet")).toBe(0);
    expect(speedAt(ball, "underarmThrow", 5, "carpet")).toBe(speedAt(ball, "underarmThrow", 1, "carpet"));
  });
  it("a light bin tips when a ball catches its far rim; with books in it, it does not", () => {
    const bin = i("wasteBin");
    expect(tips(bin, 0, i("softBall"), 4.5)).toBe(true);
    expect(tips(bin, 0.6, i("softBall"), 4.5)).toBe(false);
    expect(tips(i("washBowl"), 0, i("sockBall"), 3)).toBe(false);
    const steady = steadyFrom(bin, i("softBall"), 4.5)!;
    expect(steady).toBeGreaterThan(0);
    expect(tips(bin, steady, i("softBall"), 4.5)).toBe(false);
    expect(steadyFrom(i("washBowl"), i("sockBall"), 3)).toBe(0);
    expect(steadyFrom(i("rollTube"), i("smallBall"), 6)).toBeNull();
  });
});

describe("how far does it run on?", () => {
  it("a ball runs metres on boards and a sock ball does not; grass and carpet hold everything", () => {
    expect(runOnOf(i("softBall"), "boards", "ground")).toBeCloseTo(2.61, 2);
    expect(runOnOf(i("sockBall"), "boards", "ground")).toBeCloseTo(0.348, 3);
    for (const id of ["softBall", "sockBall", "orange", "toyCar"]) {
      const on = (f: (typeof FLOORS)[number]) => runOnOf(i(id), f, "ground");
      expect(on("grass"), id).toBeLessThan(on("carpet"));
      expect(on("carpet"), id).toBeLessThan(on("boards"));
    }
  });
  it("what is thrown and soft stays; what bounces hops away first", () => {
    const land = (id: string) => runAfterLanding(i(id), "boards");
    expect(land("sockBall")).toBeLessThan(0.1);
    expect(land("riceSock")).toBeLessThan(0.25);
    expect(land("bouncyBall")).toBeGreaterThan(land("softBall"));
    expect(land("smallBall")).toBeGreaterThan(1.5);
    // The counter-case: no speed over the ground, no run.
    expect(runAfterLanding(i("bouncyBall"), "boards", 0)).toBe(0);
  });
  it("fetching is there and back, and bending down", () => {
    expect(fetchSeconds(3, 0, 1)).toBe(7);
    expect(fetchSeconds(3, 2.5, 1)).toBe(12);
  });
  it("twice the speed is four times the way, and what is left of it is what is left of the way", () => {
    expect(rollingDistance(2, 1, "tile")).toBeCloseTo(4 * rollingDistance(1, 1, "tile"), 12);
    const all = rollingDistance(2, 3, "carpet");
    const half = speedAfterRolling(2, all / 2, 3, "carpet");
    expect(rollingDistance(half, 3, "carpet")).toBeCloseTo(all / 2, 12);
    expect(speedAfterRolling(2, all + 1, 3, "carpet")).toBe(0);
  });
});

describe("does it slide?", () => {
  it("a lid slides on boards and is pointless on grass; a rubber sole slides nowhere", () => {
    expect(slideDistance(3, "plastic", "boards")).toBeCloseTo(2.085, 2);
    expect(slidingPointless("plastic", "boards", 6)).toBe(false);
    expect(slidingPointless("plastic", "grass", 6)).toBe(true);
    expect(slideKeeps("rubber", "boards")).toBeLessThan(0.3);
    for (const f of FLOORS) expect(slideKeeps("plastic", f)).toBeLessThanOrEqual(1);
    expect(keepsOf(i("jarLid"), "carpet", "slide")).toBeLessThan(keepsOf(i("jarLid"), "tile", "slide"));
    expect(keepsOf(i("jarLid"), "grass", "air")).toBe(1);
  });
});

describe("what does a ramp do?", () => {
  it("speed goes with the root of the height, the stopping place with the height itself", () => {
    expect(rampSpeed(0.2)).toBeCloseTo(1.674, 3);
    expect(rampSpeed(0.8)).toBeCloseTo(2 * rampSpeed(0.2), 12);
    expect(rampDistance(0.4, 1, "boards")).toBeCloseTo(2 * rampDistance(0.2, 1, "boards"), 12);
    expect(rampDistance(rampHeightFor(3, 1, "carpet"), 1, "carpet")).toBeCloseTo(3, 12);
    // A hollow ball spends more on spinning.
    expect(rampSpeed(0.2, "hollow")).toBeLessThan(rampSpeed(0.2));
    expect(rampSpeed(-1)).toBe(0);
  });
});

describe("a flight", () => {
  it("leaves the hand where it should and comes down where it is aimed, whatever the loft", () => {
    for (const loft of [0.3, 0.7, 1])
      for (const d of [1, 3, 6])
        for (const h of [0, 0.4, 1.2]) {
          const f = flightTo({ from: 0.6, loft }, d, h);
          expect(f.at(0)).toBeCloseTo(0.6, 9);
          expect(f.at(d)).toBeCloseTo(h, 6);
          expect(f.apex).toBeGreaterThanOrEqual(Math.max(0.6, h) - 1e-9);
          for (let x = 0; x <= d; x += 0.1) expect(f.at(x)).toBeLessThanOrEqual(f.apex + 1e-9);
        }
  });
  it("has the figure of its formula, and a time of flight that agrees with gravity", () => {
    const f = flightTo({ from: 0.6, loft: (40 * Math.PI) / 180 }, 3, 0);
    expect(f.apex).toBeCloseTo(1.1082, 4);
    const seconds = 3 / (f.speed * Math.cos(f.loft));
    expect(0.6 + f.speed * Math.sin(f.loft) * seconds - (9.81 * seconds ** 2) / 2).toBeCloseTo(0, 2);
  });
  it("goes steeper where a target is higher than its loft reaches, and knows what stays on the floor", () => {
    const up = flightTo({ from: 0.5, loft: 0.2 }, 1, 2);
    expect(up.loft).toBeGreaterThan(Math.atan2(1.5, 1));
    expect(up.at(1)).toBeCloseTo(2, 9);
    expect(riseOf("underarmRoll", 8)).toBeNull();
    expect(riseOf("overarmThrow", 8)!.from).toBeCloseTo(1.05 * 1.27, 9);
  });
});
