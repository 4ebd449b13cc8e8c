import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { topples } from "../physics/topple.ts";
import type { HitRule } from "../rules/hit-rule.ts";
import { lineShifts } from "./band-lines.ts";
import { erf } from "./erf.ts";
import { firstTouched, sweep } from "./first-touched.ts";
import { hitChance, type Shot } from "./hit.ts";
import { stopBands } from "./stop-bands.ts";

const shot = (over: Partial<Shot> = {}): Shot => ({
  distance: 4,
  spread: { lateral: 0.08, range: 0.12, vertical: 0.1 },
  object: { diameter: 0.07 },
  ...over,
});

describe("erf", () => {
  it("agrees with published values", () => {
    expect(erf(0.5)).toBeCloseTo(0.5204998778130465, 12);
    expect(erf(2)).toBeCloseTo(0.9953222650189527, 12);
    expect(erf(2.5)).toBeCloseTo(0.9995930479825551, 12);
    expect(erf(-1)).toBeCloseTo(-0.8427007929497149, 12);
  });
  it("is the area under its bell everywhere, between the points it is worked out at too; never falls; is odd; ends at 1", () => {
    // Simpson's rule with steps so small that its own error is below 1e-14.
    const bell = (t: number) => (2 / Math.sqrt(Math.PI)) * Math.exp(-t * t);
    const step = 1 / 1024;
    let area = 0;
    for (let i = 0; i < 6.5 / step; i++) {
      const x = i * step;
      expect(Math.abs(erf(x) - area), `at ${x}`).toBeLessThan(1e-13);
      expect(erf(-x)).toBe(0 - erf(x));
      area += (step / 6) * (bell(x) + 4 * bell(x + step / 2) + bell(x + step));
    }
    for (let x = 0; x < 4; x += 0.0007) expect(erf(x + 0.0007)).toBeGreaterThan(erf(x));
    expect([erf(7), erf(-7), erf(Number.POSITIVE_INFINITY), erf(Number.NaN)]).toEqual([1, -1, 1, Number.NaN]);
  });
});

describe("hit rules", () => {
  it("gives the worked figures of the core model", () => {
    expect(hitChance({ kind: "touch", width: 0.3 }, shot())).toBeCloseTo(0.43682, 6);
    const disc = shot({ distance: 1, spread: { lateral: 0.24, range: 0.36, vertical: 0 }, object: { diameter: 0.1 } });
    expect(hitChance({ kind: "on", radius: 0.2 }, disc)).toBeCloseTo(0.204887, 6);
    const slide = shot({ distance: 4.4, object: { diameter: 0.1 } });
    const band = (lineRule: "lower" | "centre" | "higher") =>
      hitChance({ kind: "band", near: 4, far: 4.5, lineRule }, slide);
    expect(band("centre")).toBeCloseTo(0.350755, 6);
    expect(band("lower")).toBeCloseTo(0.358126, 6);
    expect(band("higher")).toBeCloseTo(0.340691, 6);
  });

  it("sees a rectangular opening as one, its disc as another, and a turned one as narrower", () => {
    const from = shot({ distance: 2.5 });
    const box = { kind: "into", opening: 0.45, depth: 0.35 } as const;
    expect(hitChance(box, from)).toBeCloseTo(0.28, 3);
    expect(hitChance({ kind: "into", opening: 0.35 }, from)).toBeCloseTo(0.185, 3);
    // Both sides alike and a right angle: the same again, by the general way.
    const square = { kind: "into", opening: 0.4, depth: 0.4 } as const;
    expect(hitChance({ ...square, turn: Math.PI / 2 }, from)).toBeCloseTo(hitChance(square, from), 6);
    expect(hitChance({ ...box, turn: Math.PI / 2 }, from)).toBeCloseTo(
      hitChance({ kind: "into", opening: 0.35, depth: 0.45 }, from),
      6,
    );
    const mouth = (turn: number) => hitChance({ kind: "into", opening: 0.26, facing: "mouth", turn }, from);
    expect(mouth(0)).toBeGreaterThan(mouth(0.5));
    expect(mouth(0.5)).toBeCloseTo(
      hitChance({ kind: "into", opening: 0.26 * Math.cos(0.5), facing: "mouth" }, from),
      12,
    );
    expect(mouth(1.4)).toBe(0);
  });
  it("lets nothing into a mouth that is too low, or over a lip that is too high for it or met too slowly", () => {
    const into = (over: object, speed?: number) =>
      hitChance(
        { kind: "into", opening: 0.26, facing: "mouth", ...over },
        shot({ object: { diameter: 0.08, ...(speed !== undefined && { speed }) } }),
      );
    expect(into({})).toBeGreaterThan(0);
    expect(into({ depth: 0.07 })).toBe(0);
    expect(into({ lip: 0.01 }, 1.3)).toBe(into({}));
    expect(into({ lip: 0.01 }, 0.3)).toBe(0);
    expect(into({ lip: 0.04 }, 9)).toBe(0);
  });
  it("never lets a thing into an opening it does not fit, or through such a gap", () => {
    expect(hitChance({ kind: "into", opening: 0.07 }, shot())).toBe(0);
    expect(hitChance({ kind: "through", gap: 0.07 }, shot())).toBe(0);
    expect(hitChance({ kind: "into", opening: 0.3, rimAllowance: 1 }, shot())).toBeGreaterThan(
      hitChance({ kind: "into", opening: 0.3, rimAllowance: 0 }, shot()),
    );
  });

  it("agrees with a plain count of random sends, for every rule and for unions", () => {
    const rules: HitRule[] = [
      { kind: "touch", width: 0.3, height: 0.4 },
      { kind: "into", opening: 0.4 },
      { kind: "into", opening: 0.4, facing: "player" },
      { kind: "on", width: 0.5, depth: 0.6, touching: true },
      { kind: "cell", width: 0.5, depth: 0.5, acrossOffset: 0.2, alongOffset: -0.1 },
      {
        kind: "anyOf",
        rules: [
          { kind: "touch", width: 0.2 },
          { kind: "into", opening: 0.5 },
        ],
      },
      {
        kind: "anyOf",
        rules: [
          { kind: "touch", width: 0.2, height: 0.3 },
          { kind: "on", radius: 0.3 },
        ],
      },
      {
        kind: "anyOf",
        rules: [
          { kind: "through", gap: 0.3 },
          { kind: "touch", width: 0.5 },
        ],
      },
    ];
    const s = shot();
    let seed = 7;
    const u = () => {
      seed = (seed * 48271) % 2147483647;
      return seed / 2147483647;
    };
    const normal = () => Math.sqrt(-2 * Math.log(u())) * Math.cos(2 * Math.PI * u());
    const sends = Array.from({ length: 60_000 }, () => [normal() * 0.32, normal() * 0.48, normal() * 0.4] as const);
    const diameter = s.object.diameter;
    const counts = (rule: HitRule, [x, y, z]: readonly [number, number, number]): boolean => {
      switch (rule.kind) {
        case "anyOf":
          return rule.rules.some((one) => counts(one, [x, y, z]));
        case "touch":
          return (
            Math.abs(x) < rule.width / 2 + diameter / 2 &&
            (rule.height === undefined || Math.abs(z) < rule.height / 2 + diameter / 2)
          );
        case "through":
          return Math.abs(x) < (rule.gap - diameter) / 2;
        case "into":
          return Math.hypot(x, rule.facing === "player" ? z : y) < rule.opening / 2 - diameter / 4;
        case "on":
          return rule.radius === undefined
            ? Math.abs(x) < rule.width! / 2 + diameter / 2 && Math.abs(y) < rule.depth! / 2 + diameter / 2
            : Math.hypot(x, y) < rule.radius;
        case "cell":
          return Math.abs(x - rule.acrossOffset!) < rule.width / 2 && Math.abs(y - rule.alongOffset!) < rule.depth / 2;
        default:
          return false;
      }
    };
    for (const rule of rules) {
      const counted = sends.filter((send) => counts(rule, send)).length / sends.length;
      expect(Math.abs(hitChance(rule, s) - counted), JSON.stringify(rule)).toBeLessThan(0.0085);
    }
  });

  it("a union is at least its largest part and at most their sum", () => {
    const width = fc.double({ min: 0.05, max: 1, noNaN: true });
    fc.assert(
      fc.property(width, width, width, (w, h, r) => {
        const rules = [{ kind: "touch", width: w, height: h } as const, { kind: "on", radius: r } as const];
        const [first, c] = rules.map((one) => hitChance(one, shot())) as [number, number];
        const both = hitChance({ kind: "anyOf", rules }, shot());
        return both >= Math.max(first, c) - 1e-9 && both <= first + c + 1e-9 && both <= 1 + 1e-9;
      }),
    );
  });

  it("bands partition the ground under every line rule", () => {
    fc.assert(
      fc.property(
        fc.constantFrom("lower", "centre", "higher"),
        fc.double({ min: 0.5, max: 6, noNaN: true }),
        (rule, aim) => {
          const shifts = lineShifts([1, 5, 2], rule as "lower", "out", 0.1);
          const all = stopBands([1, 1.5, 2.2, 3], aim, 0.15, shifts);
          return Math.abs(all.reduce((sum, c) => sum + c, 0) - 1) < 1e-12 && all.every((p) => p >= 0);
        },
      ),
    );
  });

  it("an empty bottle falls and a filled one stands", () => {
    const bottle = { width: 0.08, height: 0.28, mass: 0.03, contents: 1 };
    const ball = { diameter: 0.08, mass: 0.07, speed: 2.5 };
    expect(topples({ ...bottle, filling: 0 }, ball)).toBe(true);
    expect(topples({ ...bottle, filling: 1 }, ball)).toBe(false);
  });
});

describe("several targets", () => {
  const target = fc.record({
    distance: fc.double({ min: 0.5, max: 6, noNaN: true }),
    across: fc.double({ min: -1, max: 1, noNaN: true }),
    width: fc.double({ min: 0.05, max: 0.6, noNaN: true }),
    height: fc.double({ min: 0.05, max: 0.6, noNaN: true }),
  });
  it("outcomes sum to 1, on the ground and in the air", () => {
    fc.assert(
      fc.property(fc.array(target, { minLength: 1, maxLength: 6 }), fc.boolean(), (list, inAir) => {
        const targets = list.map((t, i) => ({ ...t, id: `t${i}` }));
        const got = firstTouched(
          targets,
          { across: list[0]!.across, distance: list[0]!.distance, up: 0.1 },
          0.07,
          { lateral: 0.09, vertical: 0.1 },
          { inAir },
        );
        const sum = Object.values(got.byTarget).reduce((eachSum, c) => eachSum + c, got.none);
        return Math.abs(sum - 1) < 1e-9 && Object.values(got.byTarget).every((p) => p >= -1e-12);
      }),
    );
  });
  it("a nearer target takes its part from one behind, and equals split midway", () => {
    const sd = { lateral: 0.08, vertical: 0.1 };
    const far = { id: "far", distance: 4, across: 0, width: 0.3 };
    const near = { id: "near", distance: 2, across: 0, width: 0.3 };
    const hidden = firstTouched([far, near], { across: 0, distance: 4 }, 0.07, sd);
    expect(hidden.byTarget.far).toBeCloseTo(0, 12);
    const twins = firstTouched(
      [
        { id: "a", distance: 3, across: -0.2, width: 0.4 },
        { id: "b", distance: 3, across: 0.2, width: 0.4 },
      ],
      { across: 0, distance: 3 },
      0.07,
      sd,
    );
    expect(twins.byTarget.a).toBeCloseTo(twins.byTarget.b!, 12);
    expect(twins.byTarget.a! + twins.byTarget.b! + twins.none).toBeCloseTo(1, 12);
  });
  it("what a strip sweeps sums to 1 and holds what it touches", () => {
    const pins = [-0.15, 0, 0.15].map((across, i) => ({ id: `p${i + 1}`, distance: 3, across, width: 0.08 }));
    const sets = new Map<string, number>();
    for (const { p: chance, swept } of sweep(pins, { across: 0, distance: 3 }, 0.12, 0.06)) {
      const key = swept.map((t) => t.id).join(" ");
      sets.set(key, (sets.get(key) ?? 0) + chance);
    }
    expect([...sets.values()].reduce((sum, c) => sum + c, 0)).toBeCloseTo(1, 12);
    expect(sets.get("p1 p3")).toBeUndefined();
    expect(sets.get("p1 p2")).toBeCloseTo(sets.get("p2 p3")!, 12);
  });
});
