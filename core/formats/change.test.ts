import { describe, expect, it } from "vitest";
import { familyKnobs, fieldOf, MAX_VALUES, setTo, valuesBetween } from "../contract/range.ts";
import { patternNames } from "../patterns/registry.ts";
import { activity, fromPattern, parseActivity } from "./activity.ts";
import { adjusted, withoutLost } from "./change.ts";
import { opened } from "./opened.ts";

const knobsOf = (givenActivity: ReturnType<typeof fromPattern>) =>
  familyKnobs(opened(givenActivity).knobs(), { params: givenActivity.pattern.params, match: givenActivity.match });

describe.each(patternNames)("what a family may set of %s", (name) => {
  const design = fromPattern(name);
  it("is allowed by the document from least to most, leaves what stands on the floor, and goes by one id", () => {
    const knobs = knobsOf(design);
    expect(knobs.length).toBeGreaterThan(0);
    expect(new Set(knobs.map(fieldOf)).size).toBe(knobs.length);
    for (const knob of knobs) {
      const values = knob.kind === "toggle" ? [false, true] : valuesBetween(knob, knob.least, knob.most);
      expect(values.length).toBeLessThanOrEqual(MAX_VALUES);
      const read = parseActivity({ ...design, family: [{ field: fieldOf(knob), values }] });
      expect(read.ok ? [] : read.problems, fieldOf(knob)).toEqual([]);
      for (const value of values)
        expect(opened(adjusted(design, [{ field: fieldOf(knob), value }])).parts, fieldOf(knob)).toEqual(
          opened(design).parts,
        );
      expect(setTo(knob, { params: design.pattern.params, match: design.match })).toBeTypeOf(
        knob.kind === "toggle" ? "boolean" : "number",
      );
    }
  });
});

describe("a range", () => {
  it("goes in the knob's own steps, or in wider ones where these would be too many, both ends among them", () => {
    expect(valuesBetween({ step: 5 }, 20, 35)).toEqual([20, 25, 30, 35]);
    expect(valuesBetween({ step: 1 }, 4, 4)).toEqual([4]);
    expect(valuesBetween({ step: 1 }, 6, 2)).toEqual([2, 3, 4, 5, 6]);
    const wide = valuesBetween({ step: 1 }, 1, 100);
    expect(wide.length).toBeLessThanOrEqual(MAX_VALUES);
    expect([wide[0], wide.at(-1)]).toEqual([1, 100]);
  });
  it("of a round that is taken away goes with it, and no other", () => {
    const design = fromPattern("tally");
    const rounds = (design.pattern.params as { rounds: object[] }).rounds;
    const two = activity.parse({
      ...design,
      pattern: { ...design.pattern, params: { ...(design.pattern.params as object), rounds: [rounds[0], rounds[0]] } },
      family: [
        { field: "params.rounds.0.seconds", values: [30, 45] },
        { field: "params.rounds.1.seconds", values: [30, 45] },
      ],
    });
    expect(withoutLost(two)).toBe(two);
    const one = {
      ...two,
      pattern: { ...two.pattern, params: { ...(two.pattern.params as object), rounds: [rounds[0]] } },
    };
    expect(withoutLost(one as typeof two).family).toEqual([two.family[0]]);
  });
});
