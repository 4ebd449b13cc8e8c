import { describe, expect, it } from "vitest";
import { ACTIONS, actionFacts } from "../actions/actions.ts";
import { layoutOf } from "../forecast/for-activity.ts";
import { fromPattern } from "../formats/activity.ts";
import { stature } from "../measures/stature.ts";
import { patternNames } from "../patterns/registry.ts";
import { awayFrom, sweeps, swingOf } from "./clear.ts";
import { strokesOf } from "./draw.ts";
import { layoutNames } from "./layouts/index.ts";
import { exampleOf, laidParts } from "./layouts/laid.ts";
import {
  boundsOf,
  cornersOf,
  countedBackFrom,
  endOfRunOn,
  type Part,
  partsOf,
  patchOf,
  reachOfLayout,
} from "./parts.ts";

const start: Part = { kind: "line", id: "start", along: 0, across: 0, width: 1, role: "start" };

describe("parts", () => {
  it("know their corners, turned about their own middle", () => {
    const box: Part = { kind: "court", id: "a", along: 2, across: 1, depth: 2, width: 1, label: "", turn: Math.PI / 2 };
    const corners = cornersOf(patchOf(box)!);
    expect(Math.max(...corners.map((c) => c.across))).toBeCloseTo(2, 9);
    expect(Math.max(...corners.map((c) => c.along))).toBeCloseTo(2.5, 9);
    const plain = cornersOf(patchOf({ ...box, turn: 0 })!);
    expect(boundsOf([{ ...box, turn: 0 }])).toEqual({ along: [1, 3], across: [0.5, 1.5] });
    expect(plain).toHaveLength(4);
  });
  it("know how far the layout goes, with the run-on and without, and from where it is counted", () => {
    const run: Part = { kind: "runOn", id: "r", near: 3, far: 5, across: 0, width: 2 };
    const court: Part = { kind: "court", id: "c", along: 3, across: 0, depth: 1, width: 1, label: "" };
    expect(reachOfLayout([start, court, run])).toBe(3.5);
    expect(endOfRunOn([start, court, run])).toBe(5);
    expect(boundsOf([])).toEqual({ along: [0, 0], across: [0, 0] });
    expect(countedBackFrom([start])).toBeNull();
  });
});

describe("strokes", () => {
  it("draw every part of every layout but lines between bands, where they lie, and words only where there are any", () => {
    for (const name of layoutNames) {
      const x = { ...exampleOf(name), turn: 0.4, across: 0.1 };
      const parts = laidParts(x);
      const list = strokesOf(parts);
      const drawn = new Set(list.map((s) => s.id));
      for (const p of parts) {
        const skipped = (p.kind === "line" && p.role === "band") || (p.kind === "person" && p.role === "sender");
        expect(drawn.has(p.id), `${name} ${p.id}`).toBe(!skipped);
      }
      const { along, across } = boundsOf(parts);
      for (const s of list) {
        if (s.kind === "text") expect(s.text).not.toBe("");
        for (const p of s.kind === "poly" ? s.points : [s.at]) {
          expect(p.along).toBeGreaterThanOrEqual(along[0] - 0.3);
          expect(p.along).toBeLessThanOrEqual(along[1] + 0.3);
          expect(p.across).toBeGreaterThanOrEqual(across[0] - 0.3);
          expect(p.across).toBeLessThanOrEqual(across[1] + 0.3);
        }
      }
    }
  });
  it("close a way that goes home again, and leave the others open", () => {
    const bases = strokesOf(laidParts(exampleOf("bases"))).find((s) => s.kind === "poly" && s.look === "run");
    expect(bases?.kind === "poly" && bases.points[0]).toEqual(bases?.kind === "poly" && bases.points.at(-1));
    const slalom = strokesOf(laidParts(exampleOf("slalom"))).find((s) => s.kind === "poly" && s.look === "run");
    expect(slalom?.kind === "poly" && slalom.points).toHaveLength(6);
  });
  it("draw what is sent at, the line and the bands of every game, flat things first and words last", () => {
    for (const name of patternNames) {
      const parts = layoutOf(fromPattern(name));
      const list = strokesOf(parts, (p) => p.id);
      const drawn = new Set(list.map((s) => s.id));
      for (const p of parts) {
        const aside = p.kind === "runOn" || (p.kind === "person" && p.role === "sender");
        const edge = p.kind === "line" && p.role === "band";
        expect(drawn.has(p.id), `${name} ${p.id}`).toBe(!aside && !edge);
      }
      const kinds = list.map((s) => s.kind);
      expect(kinds.lastIndexOf("poly")).toBeLessThan(Math.max(kinds.indexOf("thing"), kinds.indexOf("text")));
      expect(list.filter((s) => s.kind === "thing" && s.aimed)).toHaveLength(partsOf(parts, "target").length);
      for (const s of list) if (s.kind === "text") expect(s.text).toBe(s.id);
      const worth = list.flatMap((s) => (s.kind === "poly" && s.worth !== undefined ? [s.worth] : []));
      expect(worth).toEqual(partsOf(parts, "zone").map((z) => z.points));
    }
  });
  it("tell the game's own line by its look, and a net from a line and a wall from the floor", () => {
    expect(strokesOf([start])).toMatchObject([{ kind: "poly", id: "start", look: "start" }]);
    const looks = (name: "net" | "wall") => strokesOf(laidParts(exampleOf(name)));
    expect(looks("net").some((s) => s.kind === "poly" && s.look === "net")).toBe(true);
    expect(looks("wall").filter((s) => s.kind === "thing")).toMatchObject([{ wall: true }]);
  });
});

describe("what to keep clear", () => {
  it("grows with the child and with what is swung, and others stay farther off", () => {
    for (const action of ACTIONS) {
      expect(swingOf(action, 12)).toBeGreaterThan(swingOf(action, 6));
      expect(awayFrom(action, 8)).toBeCloseTo(swingOf(action, 8) + 0.5, 12);
    }
    expect(swingOf("longStrike", 8)).toBeCloseTo(0.44 * stature(8) + 0.9, 12);
    expect(swingOf("shortStrike", 8)).toBeGreaterThan(swingOf("overarmThrow", 8));
  });
  it("is a whole circle only for what is long and swung", () => {
    expect(ACTIONS.filter(sweeps)).toEqual(["shortStrike", "longStrike", "twoHandStrike", "forehand", "backhand"]);
    expect(ACTIONS.filter((a) => actionFacts[a].travel === "air" && sweeps(a))).toEqual([
      "shortStrike",
      "twoHandStrike",
      "forehand",
      "backhand",
    ]);
  });
});
