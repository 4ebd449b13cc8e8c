import { describe, expect, it } from "vitest";
import { patternNames } from "../patterns/registry.ts";
import { random } from "../random.ts";
import { inFull } from "../sample-size.test-utils.ts";
import { fromPattern, parseActivity } from "./activity.ts";
import { MAX_REPEATED, repeated } from "./problems.ts";

const DOCUMENTS = inFull(5_200, 1_000);
const ODD: unknown[] = [
  undefined,
  null,
  true,
  -1,
  1.5,
  Number.NaN,
  "x",
  "y".repeat(500),
  [],
  {},
  [[]],
  { constructor: 1 },
  "constructor",
  "__proto__",
];

/** The same document with one part of it replaced, taken away, or added to. */
function changed(value: unknown, draw: () => number): unknown {
  if (typeof value !== "object" || value === null || draw() < 0.2) return ODD[Math.floor(draw() * ODD.length)];
  const keys = Object.keys(value);
  if (draw() < 0.15) return { ...value, ["strange".repeat(draw() < 0.5 ? 1 : 40)]: 1 };
  if (keys.length === 0) return ODD[Math.floor(draw() * ODD.length)];
  const key = keys[Math.floor(draw() * keys.length)]!;
  const next = changed((value as Record<string, unknown>)[key], draw);
  return Array.isArray(value)
    ? value.map((eachValue, i) => (String(i) === key ? next : eachValue))
    : { ...value, [key]: next };
}

describe("what is wrong with a document", () => {
  it("is said in words for people, never in the library's, and repeats little of what was given", () => {
    const draw = random(3);
    let refused = 0;
    for (let i = 0; i < DOCUMENTS; i++) {
      const read = parseActivity(changed(fromPattern(patternNames[i % patternNames.length]!), draw));
      if (read.ok) continue;
      refused++;
      expect(read.problems.length).toBeGreaterThan(0);
      for (const problem of read.problems) {
        expect(problem.message).not.toMatch(/expected|received|Invalid|Unrecognized|Too (small|big)|\[object/);
        expect(problem.message.length, problem.message).toBeLessThan(400);
        expect(problem.message).not.toContain("y".repeat(MAX_REPEATED + 1));
        expect(problem.message).not.toContain("strange".repeat(13));
        expect(problem.field).not.toBe("");
      }
    }
    expect(refused).toBeGreaterThan(0.6 * DOCUMENTS);
  });
  it("repeats eighty letters at most", () => {
    expect(repeated("a".repeat(500))).toHaveLength(MAX_REPEATED);
    expect(repeated("short")).toBe('"short"');
    expect(repeated(undefined)).toBe("nothing");
  });
});
