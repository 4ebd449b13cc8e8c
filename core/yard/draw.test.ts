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
    expect(Math.max(...corners.map((corner) => corner.across))).toBeCloseTo(2, 9);
    expect(Math.max(...corners.map((corner) => corner.along))).toBeCloseTo(2.5, 9);
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
      const drawn = new Set(list.map((stroke) => stroke.id));
      for (const part of parts) {
        const skipped =
          (part.kind === "line" && part.role === "band") || (part.kind === "person" && part.role === "sender");
        expect(drawn.has(part.id), `${name} ${part.id}`).toBe(!skipped);
      }
      const { along, across } = boundsOf(parts);
      for (const stroke of list) {
        if (stroke.kind === "text") expect(stroke.text).not.toBe("");
        for (const place of stroke.kind === "poly" ? stroke.points : [stroke.at]) {
          expect(place.along).toBeGreaterThanOrEqual(along[0] - 0.3);
          expect(place.along).toBeLessThanOrEqual(along[1] + 0.3);
          expect(place.across).toBeGreaterThanOrEqual(across[0] - 0.3);
          expect(place.across).toBeLessThanOrEqual(across[1] + 0.3);
        }
      }
    }
  });
  it("close a way that goes home again, and leave the others open", () => {
    const bases = strokesOf(laidParts(exampleOf("bases"))).find(
      (stroke) => stroke.kind === "poly" && stroke.look === "run",
    );
    expect(bases?.kind === "poly" && bases.points[0]).toEqual(bases?.kind === "poly" && bases.points.at(-1));
    const slalom = strokesOf(laidParts(exampleOf("slalom"))).find(
      (stroke) => stroke.kind === "poly" && stroke.look === "run",
    );
    expect(slalom?.kind === "poly" && slalom.points).toHaveLength(6);
  });
  it("draw what is sent at, the line and the bands of every game, flat things first and words last", () => {
    for (const name of patternNames) {
      const parts = layoutOf(fromPattern(name));
      const list = strokesOf(parts, (part) => part.id);
      const drawn = new Set(list.map((stroke) => stroke.id));
      for (const part of parts) {
        const aside = part.kind === "runOn" || (part.kind === "person" && part.role === "sender");
        const edge = part.kind === "line" && part.role === "band";
        expect(drawn.has(part.id), `${name} ${part.id}`).toBe(!aside && !edge);
      }
      const kinds = list.map((stroke) => stroke.kind);
      expect(kinds.lastIndexOf("poly")).toBeLessThan(Math.max(kinds.indexOf("item"), kinds.indexOf("text")));
      expect(list.filter((stroke) => stroke.kind === "item" && stroke.aimed)).toHaveLength(
        partsOf(parts, "target").length,
      );
      for (const stroke of list) if (stroke.kind === "text") expect(stroke.text).toBe(stroke.id);
      const worth = list.flatMap((stroke) =>
        stroke.kind === "poly" && stroke.worth !== undefined ? [stroke.worth] : [],
      );
      expect(worth).toEqual(partsOf(parts, "zone").map((zone) => zone.points));
    }
  });
  it("tell the game's own line by its look, and a net from a line and a wall from the floor", () => {
    expect(strokesOf([start])).toMatchObject([{ kind: "poly", id: "start", look: "start" }]);
    const looks = (name: "net" | "wall") => strokesOf(laidParts(exampleOf(name)));
    expect(looks("net").some((look) => look.kind === "poly" && look.look === "net")).toBe(true);
    expect(looks("wall").filter((look) => look.kind === "item")).toMatchObject([{ wall: true }]);
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
    expect(ACTIONS.filter((action) => actionFacts[action].travel === "air" && sweeps(action))).toEqual([
      "shortStrike",
      "twoHandStrike",
      "forehand",
      "backhand",
    ]);
  });
});
