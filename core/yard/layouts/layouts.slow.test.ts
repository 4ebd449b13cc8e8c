import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { boundsOf, type Part, partsOf, pointsOf } from "../parts.ts";
import { layoutNames, layouts } from "./index.ts";
import { layoutNamed } from "./known-layouts.ts";
import { exampleOf, isLaid, itemsOf, type Laid, laidParts, moveLaid, ownId, scaledLaid } from "./laid.ts";
import { laid } from "./laid-schema.ts";
import type { Field, Fields } from "./layout.ts";
import { schemaOf } from "./layout-schema.ts";
import { cellsOf, marksOf } from "./marks.ts";

/** Any values that a layout's fields allow. */
const valuesOf = (fields: Fields) =>
  fc.record(
    Object.fromEntries(
      Object.entries(fields).map(([key, value]: [string, Field]) => [
        key,
        value.kind === "choice"
          ? fc.constantFrom(...value.options)
          : value.whole
            ? fc.integer({ min: value.least, max: value.most })
            : fc.integer({ min: Math.ceil(value.least * 100), max: Math.floor(value.most * 100) }).map((n) => n / 100),
      ]),
    ),
  ) as fc.Arbitrary<never>;
const at = (part: Part) => ("along" in part ? { along: part.along, across: part.across } : null);

describe.each(layoutNames)("layout %s", (name) => {
  const anyLayout = layoutNamed(name);
  const example = exampleOf(name);

  it("has an example of our own that is a valid document and survives JSON", () => {
    expect(anyLayout.name).toBe(name);
    expect(laid.parse(JSON.parse(JSON.stringify(example)))).toEqual(example);
    expect(laidParts(example).length).toBeGreaterThan(0);
    expect(marksOf(example).length).toBeGreaterThan(0);
  });

  it("makes parts of whole sizes with names of their own, whatever its values", () => {
    fc.assert(
      fc.property(valuesOf(anyLayout.fields), (values) => {
        const parts = anyLayout.parts(values, "shoe");
        expect(new Set(parts.map((part) => part.id)).size).toBe(parts.length);
        for (const part of parts)
          for (const place of pointsOf(part)) {
            expect(Number.isFinite(place.along) && Number.isFinite(place.across)).toBe(true);
          }
        expect(schemaOf(anyLayout.fields).safeParse(values).success).toBe(true);
      }),
      { numRuns: 60, seed: 4 },
    );
  });

  it("is the same figure wherever it is laid: turned, shifted, larger", () => {
    const plain = laidParts({ ...example, along: 0 });
    const moved = laidParts({ ...example, along: 2, across: -1, turn: Math.PI / 3, size: 1.5 });
    const lengths = (parts: readonly Part[]) => {
      const all = parts.flatMap((part) => (at(part) ? [at(part)!] : []));
      return all.flatMap((p) => all.map((q) => Math.hypot(p.along - q.along, p.across - q.across)));
    };
    const [was, is] = [lengths(plain), lengths(moved)];
    was.forEach((d, i) => {
      expect(is[i]).toBeCloseTo(d * 1.5, 8);
    });
    // Things stay as big as they are, lines and fields grow.
    partsOf(moved, "obstacle").forEach((o, i) => {
      expect(o.width).toBe(partsOf(plain, "obstacle")[i]!.width);
    });
    partsOf(moved, "cell").forEach((cell, i) => {
      expect(cell.width).toBeCloseTo(partsOf(plain, "cell")[i]!.width * 1.5, 9);
    });
  });

  it("refuses values out of range, by name", () => {
    for (const [key, value] of Object.entries(anyLayout.fields)) {
      const bad = { ...example, values: { ...example.values, [key]: value.kind === "choice" ? "no" : Number.NaN } };
      const said = laid.safeParse(bad).error?.issues[0]?.message ?? "";
      expect(said).toMatch(new RegExp(`^${key} must be`));
      if (value.kind !== "number") continue;
      const far = laid.safeParse({ ...example, values: { ...example.values, [key]: value.most + 1 } });
      expect(far.error?.issues[0]?.message).toContain(`${key} must be ${value.most} or less`);
    }
  });

  it("lets a mark be put where it is wanted, alone or with all the others", () => {
    const x = { ...example, turn: 0.7, across: 0.2, size: 1.2 };
    const mark = laidParts(x).find(
      (laidPart) => laidPart.kind === "obstacle" || laidPart.kind === "spot" || laidPart.kind === "cell",
    );
    if (!mark) return;
    const to = { along: 2.2, across: -0.4 };
    const now = laidParts(moveLaid(x, ownId(mark.id), to));
    const there = at(now.find((part) => part.id === mark.id)!)!;
    if (anyLayout.rigid) expect(moveLaid(x, ownId(mark.id), to)).toMatchObject(to);
    else {
      expect(there.along).toBeCloseTo(2.2, 3);
      expect(there.across).toBeCloseTo(-0.4, 3);
      const others = now.filter((part) => part.id !== mark.id && part.kind !== "path");
      expect(others).toEqual(laidParts(x).filter((laidPart) => laidPart.id !== mark.id && laidPart.kind !== "path"));
    }
  });
});

describe("layouts", () => {
  it("are all that the sixteen patterns need", () => {
    expect(layoutNames).toHaveLength(17);
  });
  it("tells its parts from those of the game, and counts its things", () => {
    for (const name of layoutNames)
      for (const laidPart of laidParts(exampleOf(name))) expect(isLaid(laidPart.id)).toBe(true);
    expect(itemsOf(exampleOf("slalom"))).toBe(6);
    expect(itemsOf(exampleOf("goals"))).toBe(4);
    expect(itemsOf(exampleOf("grid"))).toBe(0);
  });
  it("never lets pins touch, in any shape", () => {
    for (const shape of ["triangle", "diamond", "line", "own"] as const)
      for (const rows of [1, 2, 3, 4, 5]) {
        const all = partsOf(layouts.pins.parts({ rows, gap: 0.03, shape }, "bottle"), "target");
        for (const [i, target] of all.entries())
          for (const eachTarget of all.slice(i + 1))
            expect(Math.hypot(target.along - eachTarget.along, target.across - eachTarget.across)).toBeGreaterThan(
              0.08 + 0.019,
            );
      }
    expect(partsOf(layouts.pins.parts({ rows: 4, gap: 0.1, shape: "triangle" }, "bottle"), "target")).toHaveLength(10);
    expect(partsOf(layouts.pins.parts({ rows: 3, gap: 0.1, shape: "diamond" }, "bottle"), "target")).toHaveLength(9);
  });
  it("numbers spots higher the farther they are", () => {
    for (const number of ["order", "distance"] as const) {
      const all = partsOf(layouts.spots.parts({ ...layouts.spots.example.values, number }, ""), "spot");
      for (let i = 1; i < all.length; i++) {
        expect(all[i]!.along).toBeGreaterThan(all[i - 1]!.along);
        expect(Number(all[i]!.label)).toBeGreaterThanOrEqual(Number(all[i - 1]!.label));
      }
    }
  });
  it("deals n of each of n kinds into the square, the same for a number and another for the next", () => {
    const dealt = (shuffle: number) =>
      partsOf(layouts.square.parts({ kinds: 4, cell: 0.3, shuffle }, ""), "cell").map((cell) => cell.label);
    for (const kind of "ABCD") expect(dealt(7).filter((text) => text === kind)).toHaveLength(4);
    expect(dealt(7)).toEqual(dealt(7));
    expect(dealt(7)).not.toEqual(dealt(8));
  });
  it("runs bases of equal legs, home again, either way round", () => {
    for (const count of [1, 2, 3, 4, 5]) {
      const [path] = partsOf(layouts.bases.parts({ count, side: 2, way: "left" }, "cushion"), "path");
      const points = path!.points;
      points.forEach((point, i) => {
        const place = points[(i + 1) % points.length]!;
        expect(Math.hypot(point.along - place.along, point.across - place.across)).toBeCloseTo(2, 1);
      });
    }
  });
  it("keeps a ramp's board as long as it is, however high it is propped", () => {
    const [r] = partsOf(layouts.ramp.parts({ board: 1, rise: 0.6, roll: 2, size: 0.5 }, "board"), "obstacle");
    expect(r!.depth).toBeCloseTo(0.8, 9);
  });
  it("weaves from side to side past every marker", () => {
    const parts = layouts.slalom.parts({ markers: 5, gap: 0.6, aside: 0.1, shot: 1 }, "shoe");
    const way = partsOf(parts, "path")[0]!.points;
    partsOf(parts, "obstacle")
      .slice(0, 5)
      .forEach((o, i) => {
        expect(Math.sign(way[i]!.across - o.across)).toBe(i % 2 === 0 ? 1 : -1);
        expect(Math.abs(way[i]!.across - o.across)).toBeGreaterThan(0.3);
      });
  });
  it("scatters far apart: no two things of the example overlap, whatever the shuffle", () => {
    for (let shuffle = 1; shuffle <= 40; shuffle++) {
      const all = partsOf(layouts.scattered.parts({ ...layouts.scattered.example.values, shuffle }, "tin"), "target");
      for (const [i, target] of all.entries())
        for (const eachTarget of all.slice(i + 1))
          expect(Math.hypot(target.along - eachTarget.along, target.across - eachTarget.across)).toBeGreaterThan(0.3);
    }
  });
  it("is drawn together with the distances, never below the least size", () => {
    const x: Laid = { ...exampleOf("goals"), across: 0.5, moved: { g1l: { along: 0.2, across: 0 } } };
    const near = scaledLaid(x, 0.5);
    expect(near).toMatchObject({ along: 0.1, across: 0.25, size: 0.5, moved: { g1l: { along: 0.1, across: 0 } } });
    const [was, is] = [boundsOf(laidParts(x)), boundsOf(laidParts(near))];
    expect(is.along[1]).toBeLessThan(was.along[1] * 0.55);
    expect(scaledLaid(x, 0.01).size).toBe(0.3);
  });
  it("says what to mark: corners of fields, spots, lines, things; a grid by its four corners", () => {
    const grid = marksOf(exampleOf("grid"));
    expect(grid.map((mark) => mark.what)).toEqual(["corner", "corner", "corner", "corner"]);
    expect(grid[0]).toMatchObject({ along: 1.6, across: -0.75 });
    expect(grid[3]!.along).toBeCloseTo(3.1, 9);
    expect(cellsOf(exampleOf("grid"))).toBe(3);
    expect(cellsOf(exampleOf("goals"))).toBeNull();
    expect(marksOf(exampleOf("bands")).every((mark) => mark.what === "line")).toBe(true);
    expect(marksOf(exampleOf("wall")).find((mark) => mark.what === "thing")).toMatchObject({
      up: 0.8,
      item: "paperSheet",
    });
  });
});
