import { expect, it } from "vitest";
import { pegRates } from "../forecast/for-activity.ts";
import { type Activity, activity, fromPattern, parseActivity } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { boardParams } from "../patterns/board/schema.ts";
import { patternNames } from "../patterns/registry.ts";
import { asSeen, WALL_GAP, WALL_PART } from "./off-wall.ts";
import { partsOf } from "./parts.ts";

const params = fromPattern("board").pattern.params as { layout: { targets: object[] } };
/** One box at that distance, and how it is sent at. */
const one = (distance: number, over: Partial<Activity> = {}, more: object[] = []): Activity =>
  activity.parse({
    ...fromPattern("board"),
    aim: { ...fromPattern("board").aim, action: "underarmRoll" },
    space: { length: 9, width: 3, floor: "boards", indoors: true },
    pattern: {
      name: "board",
      params: boardParams.parse({
        ...params,
        layout: { kind: "targets", targets: [{ ...params.layout.targets[0]!, distance, across: 0 }, ...more] },
      }),
    },
    ...over,
  });
const rate = (givenActivity: Activity, id = "t1") => pegRates(givenActivity, { age: 8 }).get(id)!;

it("off the wall a send is as long as the way passes there and back", () => {
  const off = one(2, { off: "wall", wall: 0.5 });
  const wallAt = partsOf(opened(off).parts, "obstacle").find((p) => p.id === WALL_PART)!.along;
  expect(wallAt).toBeCloseTo(2.5, 9);
  // To the wall and back to the box: 2 * 2.5 - 2 = 3 m.
  expect(rate(off)).toBeCloseTo(rate(one(3)), 9);
  expect(rate(off)).toBeLessThan(rate(one(2)));
});

it("what stands nearer to the wall is met first", () => {
  const behind = { ...params.layout.targets[1]!, id: "t2", distance: 2.6, across: 0 };
  const straight = one(1.6, {}, [behind]);
  const off = one(1.6, { off: "wall", wall: 0.5 }, [behind]);
  // Straight the box in front hides the one behind; off the wall it is the other way round.
  expect(rate(straight)).toBeCloseTo(rate(one(1.6)), 9);
  expect(rate(straight, "t2")).toBeLessThan(rate(one(2.6)) / 2);
  expect(rate(off, "t2")).toBeGreaterThan(rate(off) * 2);
});

it("is for whatever is sent from a line at something, and leaves other layouts as they are", () => {
  for (const name of patternNames) {
    const design = fromPattern(name);
    const read = parseActivity({ ...design, off: "wall", wall: WALL_GAP });
    const can = !["tally", "streak", "checklist", "passLadder", "rally", "goals", "bases", "swapSquare"].includes(name);
    expect(read.ok, `${name} ${read.ok ? "" : JSON.stringify(read.problems)}`).toBe(can);
    const { parts } = opened(design);
    expect(asSeen(parts)).toBe(parts);
  }
  const gap = (wall: number) => parseActivity({ ...fromPattern("board"), off: "wall", wall });
  expect(gap(0.1).ok).toBe(false);
  const far = gap(4.9);
  expect(far.ok ? [] : far.problems.map((problem) => problem.message)).toEqual([
    expect.stringMatching(/^the layout needs .* but the space is/),
  ]);
});
