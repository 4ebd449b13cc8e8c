import { expect, it } from "vitest";
import { mean } from "../forecast/distribution.ts";
import { forecastActivity } from "../forecast/for-activity.ts";
import { activity, fromPattern } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { setOutEnds } from "./set-out-ends.ts";

it("a child that sets out itself meets something between all near and all far", () => {
  const field = { near: 0.8, far: 3.2, width: 2.4, farther: false };
  for (const name of ["board", "sweep", "climb"] as const) {
    const design = activity.parse({ ...fromPattern(name), setOut: field });
    const { near, far } = setOutEnds(design)!;
    for (const peg of opened(near).pegs) expect(peg.distance).toBeLessThan(1.1);
    for (const peg of opened(far).pegs) expect(peg.distance).toBeGreaterThan(2.9);
    expect(opened(near).pegs).toHaveLength(opened(design).pegs.length);
    const one = (givenActivity: typeof design) => {
      const side = forecastActivity(givenActivity, [{ age: 8 }], { players: 1, mode: "alone", seed: 1 }, "middle")
        .sides[0]!;
      return name === "board" ? -mean(side.points) : mean(side.sends) / Math.max(side.finish, 1e-6);
    };
    expect(one(near)).toBeLessThan(one(far));
  }
});

it("a bigger number farther is kept, and where nothing is set out there are no ends", () => {
  const design = activity.parse({
    ...fromPattern("climb"),
    setOut: { near: 0.8, far: 3.2, width: 2.4, farther: true },
  });
  for (const end of Object.values(setOutEnds(design)!)) {
    const at = opened(end).pegs.map((peg) => peg.distance);
    expect(at).toEqual([...at].sort((x, y) => x - y));
    expect(new Set(at).size).toBe(at.length);
  }
  expect(setOutEnds(fromPattern("climb"))).toBeNull();
});
