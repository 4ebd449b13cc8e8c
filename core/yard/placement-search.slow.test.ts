import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { layoutOf } from "../forecast/for-activity.ts";
import { fromPattern } from "../formats/activity.ts";
import { troubleOf } from "./fit.reference.ts";
import { fitLayout, type Sent } from "./fit.ts";
import { footprintOf } from "./footprint.ts";
import { areaOf, crossingSides, inside, type Point } from "./geometry.ts";
import { layoutNames } from "./layouts/index.ts";
import { exampleOf } from "./layouts/laid.ts";
import { hullAndPockets, PlacementSearch } from "./placement-search.ts";
import { ell, rectangle } from "./shapes.ts";
import type { Ground } from "./space.ts";
import { OBSTACLES } from "./space-limits.ts";

const cm = (metres: number) => Math.round(metres * 100) / 100;
/** Simple polygons of any shape: corners about a middle, near and far in turn. */
const polygons = fc
  .array(fc.double({ min: 0.5, max: 4, noNaN: true }), { minLength: 4, maxLength: 12 })
  .map((far) =>
    far.map((r, i): Point => {
      const angle = (2 * Math.PI * i) / far.length;
      return { x: cm(4 + r * Math.cos(angle)), y: cm(4 + r * Math.sin(angle)) };
    }),
  )
  .filter((corners) => crossingSides(corners) === null && Math.abs(areaOf(corners)) > 1);
const things = fc.array(
  fc.record({
    kind: fc.constantFrom(...OBSTACLES),
    x: fc.double({ min: 0, max: 7, noNaN: true }),
    y: fc.double({ min: 0, max: 7, noNaN: true }),
    width: fc.double({ min: 0.1, max: 1.5, noNaN: true }),
    depth: fc.double({ min: 0.1, max: 1.5, noNaN: true }),
  }),
  { maxLength: 5 },
);
const sock: Sent = { diameter: 0.08, runOn: 0.4, inAir: false };

describe("a space as a hull and its pockets", () => {
  it("is the same floor, whatever the polygon: areas agree, and so does every point", () => {
    fc.assert(
      fc.property(
        polygons,
        fc.array(fc.tuple(fc.double({ min: 0, max: 8, noNaN: true }), fc.double({ min: 0, max: 8, noNaN: true })), {
          minLength: 20,
          maxLength: 20,
        }),
        (corners, points) => {
          const { hull, pockets } = hullAndPockets(corners);
          const cut = pockets.reduce((sum, pocket) => sum + areaOf(pocket), 0);
          expect(areaOf(hull) - cut).toBeCloseTo(Math.abs(areaOf(corners)), 6);
          for (const [x, y] of points) {
            const p = { x, y };
            const near = (list: readonly Point[]) => inside(list, p);
            if (near(corners)) expect(near(hull)).toBe(true);
            else if (near(hull)) expect(pockets.some(near)).toBe(true);
          }
        },
      ),
      { numRuns: 120 },
    );
  });
  it("has no pockets where it is convex, and one triangle or two in an L", () => {
    expect(hullAndPockets(rectangle(3, 2)).pockets).toEqual([]);
    expect(hullAndPockets(ell(4, 3, 1, 1)).pockets).toHaveLength(1);
    // Corners in a row do not matter, nor which way round they go.
    const row = [
      { x: 0, y: 0 },
      { x: 1, y: 0 },
      { x: 2, y: 0 },
      { x: 2, y: 1 },
      { x: 0, y: 1 },
    ];
    expect(hullAndPockets(row).pockets).toEqual([]);
    expect(hullAndPockets([...row].reverse()).hull).toHaveLength(4);
  });
});

describe("looking for a place", () => {
  it("keeps to the space and clear of things, of any shape and kind, with any layout beside the game", () => {
    let placed = 0;
    fc.assert(
      fc.property(polygons, things, fc.constantFrom(null, ...layoutNames), (corners, obstacles, name) => {
        const a = { ...fromPattern("climb"), layout: name && exampleOf(name) };
        const ground: Ground = { corners, obstacles, indoors: true, ceiling: null };
        const fit = fitLayout(layoutOf(a), ground, { sent: sock, offBy: () => 0 });
        if (!fit.placement) return;
        placed++;
        expect(troubleOf(footprintOf(fit.parts, sock), ground, fit.placement)).toBeNull();
      }),
      { numRuns: 80 },
    );
    expect(placed).toBeGreaterThan(10);
  });
  it("is the same for the same space, whatever was looked for in it before", () => {
    const ground: Ground = { corners: ell(5, 4, 2, 2), obstacles: [], indoors: true, ceiling: null };
    const pieces = footprintOf(layoutOf(fromPattern("climb")), sock);
    const used = new PlacementSearch(ground);
    used.find(footprintOf(layoutOf(fromPattern("bands")), sock));
    expect(used.find(pieces)).toEqual(new PlacementSearch(ground).find(pieces));
  });
});
