import { describe, expect, it } from "vitest";
import type { Person } from "../aim/person.ts";
import type { AimOf, Gate } from "../asks/ask.ts";
import { random } from "../random.ts";
import { course } from "./course.ts";

const GATES: Gate[] = [
  { kind: "weave", metres: 3 },
  { kind: "circle", metres: 2 },
  { kind: "shot", metres: 1.5 },
];
const P = [0.7, 0.85, 0.5];
const SECONDS = [2.5, 1.6, 1.2];
const RETRIEVING = 3.4;
const WALKING = 1.05;
const person = {
  walking: WALKING,
  gate: (gate: Gate) => {
    const i = GATES.indexOf(gate);
    return { p: P[i]!, seconds: SECONDS[i]!, retrieving: RETRIEVING };
  },
} as unknown as Person;
const law = (miss: "gate" | "lap", gates = GATES) => {
  const aim = { kind: "course", gates, miss } satisfies AimOf<"course">;
  return course.outcomes(aim, { parts: [], person, manner: {}, from: "start", policy: "middle" }).list;
};
const seconds = (list: ReturnType<typeof law>) => list.reduce((sum, outcome) => sum + outcome.p * outcome.windUp, 0);

describe("a course, lap by lap", () => {
  it("a gate done again takes its time and the retrieving for each miss: the mean is the sum of each gate's", () => {
    const list = law("gate");
    const mean = P.reduce((sum, p, i) => sum + SECONDS[i]! + ((1 - p) / p) * (SECONDS[i]! + RETRIEVING), 0);
    expect(list.reduce((sum, outcome) => sum + outcome.p, 0)).toBeCloseTo(1, 12);
    expect(seconds(list)).toBeCloseTo(mean, 6);
    // The way back leads over what the gates led away: round something leads nowhere.
    expect((2 * list[0]!.lies) / WALKING).toBeCloseTo(4.5 / WALKING, 12);
    expect(Math.min(...list.map((outcome) => outcome.windUp))).toBeCloseTo(5.3, 9);
  });

  it("a lap begun anew is, time by time, what laps drawn miss by miss are", () => {
    const list = law("lap");
    const draw = random(5);
    const drawn = new Map<number, number>();
    const many = 200_000;
    let sum = 0;
    for (let k = 0; k < many; k++) {
      let tenths = 0;
      for (;;) {
        let [spent, far, missed] = [0, 0, false];
        for (const [i, gate] of GATES.entries()) {
          spent += SECONDS[i]!;
          far += gate.kind === "circle" ? 0 : gate.metres;
          missed = draw() >= P[i]!;
          if (missed) {
            tenths += Math.round(10 * (spent + RETRIEVING + far / WALKING));
            break;
          }
        }
        if (missed) continue;
        tenths += Math.round(10 * spent);
        break;
      }
      sum += tenths / 10;
      drawn.set(tenths, (drawn.get(tenths) ?? 0) + 1 / many);
    }
    for (const outcome of list.filter((eachOutcome) => eachOutcome.p > 0.01)) {
      const error = Math.sqrt((outcome.p * (1 - outcome.p)) / many);
      expect(Math.abs(outcome.p - (drawn.get(Math.round(10 * outcome.windUp)) ?? 0))).toBeLessThan(5 * error);
    }
    expect(Math.abs(seconds(list) - sum / many)).toBeLessThan(0.15);
  });
});
