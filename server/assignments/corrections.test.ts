import { describe, expect, it } from "vitest";
import { fromPattern } from "#core/formats/activity.ts";
import { opened } from "#core/formats/opened.ts";
import { patternNames } from "#core/patterns/registry.ts";
import { NotAllowed } from "../problem.ts";
import { correctionOrder, paperOrder, paperScore } from "./corrections.ts";

const problemsIn = (run: () => unknown) => {
  try {
    run();
  } catch (error) {
    if (error instanceof NotAllowed) return error.problems;
    throw error;
  }
  return [];
};
const ID = "0b6f2f2e-5a55-4a0f-9d0f-1f5d3d1a8a11";

describe("a score from paper", () => {
  it.each(patternNames)("of %s: the best and the worst that the game can give, and nothing beyond them", (name) => {
    const activity = fromPattern(name);
    const can = opened(activity).possible;
    const { least, most } = can.better === "less" ? can.finished : can;
    const paper = (value: number) => paperScore(activity, { value, reachedTop: can.better === "less", stage: null });
    expect(paper(least)).toMatchObject({ value: least, unit: can.unit, better: can.better, match: null, won: null });
    if (most !== null) {
      expect(paper(most).finished).toBe(true);
      expect(problemsIn(() => paper(most + 1))).toMatchObject([{ field: "value" }]);
    }
    if (least > 0) expect(problemsIn(() => paper(least - 1))).toMatchObject([{ field: "value" }]);
  });

  it("between the values that a game can give is refused, and all of them are named", () => {
    const climb = fromPattern("climb");
    const { values } = opened(climb).possible;
    expect(values).toContain(9);
    expect(values).not.toContain(8);
    const [problem] = problemsIn(() => paperScore(climb, { value: 8, reachedTop: false, stage: 2 }));
    expect(problem).toEqual({ field: "value", message: `This game gives one of these scores: ${values!.join(", ")}.` });
  });

  it("of a race that was not finished says how far it came, and ranks below whoever finished", () => {
    const sweep = fromPattern("sweep");
    const { stages } = opened(sweep).possible;
    const at = (stage: number | null, reachedTop = false) => paperScore(sweep, { value: 18, reachedTop, stage });
    expect(at(stages - 1)).toMatchObject({ stage: stages - 1, finished: false });
    expect(at(null)).toMatchObject({ stage: 0, finished: false });
    // Reaching all of them is the end, which has a checkbox of its own.
    expect(problemsIn(() => at(stages))).toMatchObject([{ field: "stage" }]);
    expect(problemsIn(() => at(stages + 1))).toMatchObject([{ field: "stage" }]);
    expect(at(0, true)).toMatchObject({ stage: stages, finished: true });
    expect(at(0, true).rank).toBeGreaterThan(at(stages - 1).rank);
    expect(at(2).rank).toBeGreaterThan(at(1).rank);
    // Nobody can finish with fewer attempts than there are targets.
    expect(problemsIn(() => paperScore(sweep, { value: stages - 1, reachedTop: true, stage: null }))).toMatchObject([
      { field: "value" },
    ]);
  });
});

describe("what a teacher's forms may send", () => {
  it("names the field of whatever is wrong in a score", () => {
    const wrong = (order: object) =>
      paperOrder
        .safeParse({ orderId: ID, cardId: ID, value: 3, reachedTop: false, stage: null, ...order })
        .error?.issues.map((issue) => issue.path.join("."));
    expect(wrong({})).toBeUndefined();
    expect(wrong({ value: 1.5 })).toEqual(["value"]);
    expect(wrong({ value: -1 })).toEqual(["value"]);
    expect(wrong({ value: Number.NaN, stage: -2 })).toEqual(["value", "stage"]);
    expect(wrong({ cardId: "x" })).toEqual(["cardId"]);
  });

  it("takes a correction only with a reason of a fit length", () => {
    const order = (reason: string, to: unknown = "gone") =>
      correctionOrder.safeParse({ orderId: ID, playId: ID, replaces: null, reason, to }).success;
    expect(order("Read it wrongly")).toBe(true);
    expect(order("   ")).toBe(false);
    expect(order("x".repeat(201))).toBe(false);
    expect(order("Read it wrongly", "forever")).toBe(false);
    expect(order("Read it wrongly", { value: 4, reachedTop: false, stage: null })).toBe(true);
  });
});
