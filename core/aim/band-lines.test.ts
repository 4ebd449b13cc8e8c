import { describe, expect, it } from "vitest";
import { normalDraw, random } from "../random.ts";
import { LINE_RULES } from "../rules/limits.ts";
import { LAST_LINES, lineShifts } from "./band-lines.ts";
import { stopBands } from "./stop-bands.ts";

describe("lines of bands", () => {
  it("inner ones go by points, not by nearer and farther; the last has its own rule", () => {
    expect(lineShifts([1, 2, 5], "lower", "out", 0.1)).toEqual([0.05, 0.05, 0.05, -0.05]);
    expect(lineShifts([5, 2, 1], "lower", "past", 0.1)).toEqual([0.05, -0.05, -0.05, 0.05]);
    expect(lineShifts([5, 2, 2], "higher", "middle", 0.1)).toEqual([-0.05, 0.05, 0, 0]);
    expect(lineShifts([3, 3], "centre", "middle", 0.1)).toEqual([0, 0, 0]);
  });

  it("a thing that touches the last line is out where touching is out: .323, and .496 where only wholly past is", () => {
    // The top band 0.5 m deep, a piece of 0.2 m, aimed at 3 m, the band from 2.75 to 3.25 m.
    const lines = [2.25, 2.75, 3.25];
    const top = (last: (typeof LAST_LINES)[number]) =>
      stopBands(lines, 3, 0.12, lineShifts([1, 2], "lower", last, 0.2))[2]!;
    expect(top("out")).toBeLessThan(top("middle"));
    expect(top("middle")).toBeLessThan(top("past"));
    for (const last of LAST_LINES)
      expect(
        stopBands(lines, 3, 0.12, lineShifts([1, 2], "lower", last, 0.2)).reduce((sum, p) => sum + p, 0),
      ).toBeCloseTo(1, 12);
  });

  it("agrees with pieces drawn and looked at, whatever the points and rules", () => {
    const draw = random(8);
    const b = 0.16;
    const lines = [1, 1.5, 2, 2.4];
    for (const points of [
      [1, 2, 5],
      [5, 2, 1],
      [2, 6, 3],
    ])
      for (const rule of LINE_RULES)
        for (const last of LAST_LINES) {
          const told = stopBands(lines, 2, 0.14, lineShifts(points, rule, last, b));
          const counted = [0, 0, 0, 0, 0];
          const DRAWS = 12_000;
          for (let i = 0; i < DRAWS; i++) {
            const at = 2 * (1 + 0.14 * normalDraw(draw));
            const worth = (band: number) => (band === 0 ? 0 : points[band - 1]!);
            // Looked at: the bands it lies in by front and back, the points decide between two of them.
            let band = lines.filter((line) => at > line).length;
            const on = lines.findIndex((line) => Math.abs(at - line) < b / 2);
            if (on === lines.length - 1) band = last === "out" ? 4 : last === "past" ? 3 : band;
            else if (on >= 0 && rule !== "centre" && worth(on) !== worth(on + 1)) {
              const lower = worth(on) < worth(on + 1) ? on : on + 1;
              band = rule === "lower" ? lower : lower === on ? on + 1 : on;
            }
            counted[band] = counted[band]! + 1 / DRAWS;
          }
          for (const [k, chance] of told.entries())
            expect(Math.abs(chance - counted[k]!), `${points} ${rule} ${last} ${k}`).toBeLessThan(
              4 * (0.5 / Math.sqrt(DRAWS)),
            );
        }
  });
});
