import { describe, expect, it } from "vitest";
import { offSurface, playerModel } from "../aim/player.ts";
import { forecastActivity, rates } from "../forecast/for-activity.ts";
import { type Activity, fromPattern, parseActivity } from "../formats/activity.ts";
import { catalogueItem } from "../kit/catalogue.ts";
import { GRAVITY } from "./floor.ts";
import { farthest, pathTo, reachChance } from "./send.ts";
import type { Sending } from "./sending.ts";

const model = (item: string, age = 9) => playerModel({ age }, "underarmThrow", catalogueItem(item)!, "boards");
const off = (item: string, surface: "floor" | "table" = "floor"): Sending => offSurface(model(item), surface).sending;

describe("off a surface first", () => {
  it.each([
    ["floor", 0],
    ["table", 0.7],
  ] as const)("a bouncy ball touches the %s once, and is at the height where it was aimed", (surface, high) => {
    const sending = off("smallBall", surface);
    for (const metres of [1.5, 2.5]) {
      const path = pathTo(sending, metres, 0.2);
      expect(path.gets).toBe(true);
      expect(path.at(metres)).toBeCloseTo(0.2, 3);
      const spot = 0.6 * metres;
      expect(path.at(spot)).toBeCloseTo(high, 6);
      // On its way there it is nowhere under the surface, and after it never under the floor.
      for (let i = 1; i <= 200; i++) {
        const x = (metres * i) / 200;
        expect(path.at(x)).toBeGreaterThan((x < spot ? high : 0) - 1e-6);
      }
      // Energy: what comes up is the share that its rebound leaves of what went down, and no more.
      const down = Math.tan(path.angleAt(spot)) * path.speedAt(spot);
      const after = Array.from({ length: 100 }, (_, i) => path.at(spot + ((metres - spot) * i) / 99));
      expect(Math.max(...after) - high).toBeLessThanOrEqual((sending.item.rebound * down) ** 2 / (2 * GRAVITY) + 1e-6);
      expect(path.seconds(metres)).toBeGreaterThan(path.seconds(spot));
    }
  });

  it("gets less far the higher it is to be, and what hardly bounces never gets up", () => {
    expect(farthest(off("smallBall"), 0.2)).toBeGreaterThan(3);
    // The higher it is to be, the less far.
    expect(farthest(off("smallBall"), 0.4)).toBeLessThan(farthest(off("smallBall"), 0.2));
    expect(farthest(off("sockBall"), 0.5)).toBe(0);
    expect(reachChance(off("sockBall"), 1, 0.5)).toBe(0);
    expect(pathTo(off("sockBall"), 1, 0.5).gets).toBe(false);
  });

  it("is told in numbers for everybody and everything, also where it never gets up", () => {
    for (const item of ["smallBall", "sockBall", "softBall", "paperBall"])
      for (const age of [4, 8, 15])
        for (const surface of ["floor", "table"] as const) {
          const sending = offSurface(model(item, age), surface).sending;
          for (const metres of [0.4, 1.3, 6]) {
            const path = pathTo(sending, metres, 0.14);
            const all = [path.speed, path.apex, path.ends, path.seconds(metres), path.at(metres), path.angleAt(metres)];
            expect(all.every(Number.isFinite), `${item} ${age} ${surface} ${metres}`).toBe(true);
            expect(path.seconds(metres)).toBeGreaterThan(0);
          }
        }
    const board = { ...fromPattern("board"), off: "floor" } as Activity;
    const forecast = forecastActivity(board, [{ age: 8 }], { players: 1, mode: "alone", seed: 1 }, "middle");
    expect(forecast.time.at.every(Number.isFinite)).toBe(true);
    expect(forecast.share.acting + forecast.share.fetching + forecast.share.waiting).toBeCloseTo(1, 9);
    expect(forecast.share.fetching).toBeGreaterThan(0);
  });

  it("makes every target harder, asks for a throw, and is part of the document", () => {
    const board = fromPattern("board");
    const ball: Activity = { ...board, kit: { ...board.kit, send: "smallBall" } };
    const [plain, bounced] = [rates(ball, { age: 8 }), rates({ ...ball, off: "floor" }, { age: 8 })];
    for (const [id, rate] of bounced) {
      expect(rate, id).toBeLessThan(plain.get(id)!);
      expect(rate, id).toBeGreaterThan(0.02);
    }
    expect(parseActivity({ ...ball, off: "table" }).ok).toBe(true);
    const rolled = parseActivity({ ...fromPattern("climb"), off: "floor" });
    expect(rolled.ok ? [] : rolled.problems).toEqual([
      { field: "off", message: "only a thrown object can touch the floor or a table first" },
    ]);
  });
});
