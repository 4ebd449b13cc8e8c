import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { pegRates } from "../forecast/for-activity.ts";
import { type Activity, fromPattern } from "../formats/activity.ts";
import { opened } from "../formats/opened.ts";
import { catalogueItem } from "../kit/catalogue.ts";
import { sendingOf } from "../physics/send.ts";
import { type Fit, findPlace, fitLayout, HEADROOM, highestOf, type Sent } from "./fit.ts";
import { footprintOf, STAND, scaledParts, widthAt } from "./footprint.ts";
import {
  areaOf,
  boxInside,
  cleanCorners,
  cornersOfBox,
  crossingSides,
  diameterOf,
  inside,
  overlap,
  type Point,
} from "./geometry.ts";
import type { Part } from "./parts.ts";
import { placed } from "./placement.ts";
import { OVERLAP_ALLOWED } from "./placement-search.ts";
import { boxOf, ell, outlineOf, rectangle } from "./shapes.ts";
import { type Ground, type Obstacle, outline } from "./space.ts";

const sock: Sent = { diameter: 0.08, runOn: 0.16, inAir: false };
const ground = (corners: Point[], obstacles: Obstacle[] = [], indoors = true): Ground => ({
  corners,
  obstacles,
  indoors,
  ceiling: 2.5,
});
const row = (...at: (readonly [along: number, across: number, width: number])[]): Part[] => [
  { kind: "line", id: "start", along: 0, across: 0, width: 1.2, role: "start" },
  { kind: "person", id: "sender", along: 0, across: 0, role: "sender" },
  ...at.map(
    ([along, across, width], i): Part => ({
      kind: "target",
      id: `t${i + 1}`,
      along,
      across,
      width,
      height: 0.25,
      item: "box",
      label: "",
      rule: { kind: "touch", width },
    }),
  ),
];
const layout = row([1.4, -0.3, 0.28], [2.2, 0.3, 0.3], [3, 0, 0.2]);

/** Whether a fit keeps its word, looked at point by point and not with the search's own tests. */
function holds(fit: Fit, givenGround: Ground, sent: Sent): void {
  for (const piece of footprintOf(fit.parts, sent)) {
    if (piece.kind === "runOut") continue;
    const box = placed(piece, fit.placement!);
    const thin = piece.kind === "lane" ? { ...box, hy: 0.02 } : box;
    const [c, s] = [Math.cos(box.angle), Math.sin(box.angle)];
    for (let u = -1; u <= 1; u += 0.25)
      for (let v = -1; v <= 1; v += 0.25) {
        const [du, dv] = [u * (thin.hx - 0.001), v * (thin.hy - 0.001)];
        const at = { x: thin.x + du * c - dv * s, y: thin.y + du * s + dv * c };
        expect(inside(givenGround.corners, at), `${piece.id} at ${at.x.toFixed(3)} ${at.y.toFixed(3)}`).toBe(true);
        for (const obstacle of givenGround.obstacles) {
          const deep = Math.min(
            at.x - obstacle.x,
            obstacle.x + obstacle.width - at.x,
            at.y - obstacle.y,
            obstacle.y + obstacle.depth - at.y,
          );
          expect(deep, `${piece.id} in ${obstacle.kind}`).toBeLessThanOrEqual(OVERLAP_ALLOWED + 1e-6);
        }
      }
  }
}

describe("an outline with corners that say nothing", () => {
  const told = (corners: Point[]) =>
    fitLayout(layout, ground([...outlineOf({ outline: corners, length: 7, width: 5 })]), { sent: sock });
  const plain = rectangle(7, 5);
  it("fits as the clean one does: repeated, closed again, in the middle of a side", () => {
    const clean = told(plain);
    expect(clean.status).toBe("designed");
    const at = (x: number, y: number): Point => ({ x, y });
    for (const same of [
      [...plain, at(0, 0)],
      [at(0, 0), at(0, 0), at(7, 0), at(7, 5), at(7, 5), at(0, 5)],
      [at(0, 0), at(3.5, 0), at(7, 0), at(7, 2), at(7, 4), at(7, 5), at(0, 5), at(0, 1)],
      [at(3, 0), at(7, 0), at(7, 5), at(0, 5), at(0, 0), at(3, 0)],
    ]) {
      expect(outline.safeParse(same).error?.issues ?? []).toEqual([]);
      expect(told(same)).toEqual(clean);
    }
    // A corner a millimetre off is one.
    expect(cleanCorners([at(0, 0), at(3.5, 0.001), at(7, 0), at(7, 5), at(0, 5)])).toHaveLength(5);
  });
});

describe("geometry", () => {
  it("knows areas, crossings, insides and overlaps", () => {
    expect(areaOf(rectangle(3, 2))).toBeCloseTo(6, 12);
    expect(areaOf(ell(4, 3, 1, 1))).toBeCloseTo(11, 12);
    expect(
      crossingSides([
        { x: 0, y: 0 },
        { x: 1, y: 1 },
        { x: 1, y: 0 },
        { x: 0, y: 1 },
      ]),
    ).toEqual([0, 2]);
    expect(crossingSides(ell(4, 3, 1, 1))).toBeNull();
    expect(inside(ell(4, 3, 1, 1), { x: 3.5, y: 2.5 })).toBe(false);
    expect(inside(ell(4, 3, 1, 1), { x: 2.5, y: 2.5 })).toBe(true);
    const box = { x: 1, y: 1, hx: 0.5, hy: 0.5, angle: 0 };
    expect(overlap(box, { ...box, x: 1.9 })).toBeCloseTo(0.1, 12);
    expect(overlap(box, { ...box, x: 2 })).toBe(0);
    expect(overlap(box, { ...box, x: 2, angle: Math.PI / 4 })).toBeGreaterThan(0.2);
    expect(boxInside(rectangle(2, 2), box)).toBe(true);
    // A box that bridges the missing corner of an L has its own corners inside, and still is not.
    const bridge = { x: 3, y: 2, hx: 0.7, hy: 0.2, angle: -Math.PI / 4 };
    expect(cornersOfBox(bridge).filter((point) => inside(ell(4, 3, 1, 1), point)).length).toBeGreaterThan(0);
    expect(boxInside(ell(4, 3, 1, 1), { x: 3, y: 2, hx: 0.5, hy: 0.5, angle: 0 })).toBe(false);
    expect(diameterOf(rectangle(3, 4))).toBe(5);
  });
  it("refuses an outline that crosses itself or holds no game, by name", () => {
    const told = (corners: unknown) => outline.safeParse(corners).error?.issues[0]?.message ?? "";
    expect(
      told([
        { x: 0, y: 0 },
        { x: 3, y: 3 },
        { x: 3, y: 0 },
        { x: 0, y: 3 },
      ]),
    ).toContain("side 1 crosses side 3");
    expect(
      told([
        { x: 0, y: 0 },
        { x: 3, y: 0 },
        { x: 6, y: 0 },
      ]),
    ).toContain("square metres");
    expect(told([{ x: 0, y: 0 }])).toContain("at least 3 corners");
    expect(
      told([
        { x: Number.NaN, y: 0 },
        { x: 3, y: 0 },
        { x: 3, y: 3 },
      ]),
    ).toContain("x must be a number");
    expect(told(ell(4, 3, 1, 1))).toBe("");
  });
});

describe("fitting", () => {
  it("leaves a layout as designed where it lies in the space, turned where only that helps", () => {
    const g = ground(rectangle(5, 2));
    const fit = fitLayout(layout, g, { sent: sock });
    expect(fit).toMatchObject({ status: "designed", scale: 1, proved: true, backstop: false });
    holds(fit, g, sock);
    const deep = ground(rectangle(2, 5));
    const turned = fitLayout(layout, deep, { sent: sock });
    expect(turned.status).toBe("designed");
    expect(Math.abs(Math.sin(turned.placement!.angle))).toBeCloseTo(1, 9);
    holds(turned, deep, sock);
    // Only along the diagonal: 3.6 m is longer than both sides.
    const square = ground(rectangle(2.9, 2.9));
    const long = row([3, 0, 0.1]);
    const diagonal = fitLayout(long, square, { sent: sock });
    expect(diagonal.status).toBe("designed");
    expect(Math.abs(Math.abs(Math.cos(diagonal.placement!.angle)) - Math.SQRT1_2)).toBeLessThan(0.05);
    holds(diagonal, square, sock);
  });
  it("mirrors where furniture stands on one side, and lies in the longer arm of an L", () => {
    const one = row([2, 0.5, 0.3]);
    const g = ground(rectangle(3, 1.7), [{ kind: "furniture", x: 1.6, y: 1.1, width: 1.4, depth: 0.6 }]);
    const fit = fitLayout(one, g, { sent: sock });
    expect(fit.status).toBe("designed");
    holds(fit, g, sock);
    const bend = ground(ell(3, 5, 1.6, 3.4));
    const arm = fitLayout(layout, bend, { sent: sock });
    expect(arm.status).not.toBe("none");
    holds(arm, bend, sock);
  });
  it("shortens where the space is short, narrowing targets so that the challenge stays within 5 points", () => {
    const activity = fromPattern("climb");
    const { parts } = opened(activity);
    const g = ground(rectangle(3.6, 2.4));
    const was = pegRates(activity, { age: 7 });
    const close = (list: readonly Part[]) => {
      const now = pegRates(activity, { age: 7 }, list);
      return Math.max(...[...was].map(([id, rate]) => Math.abs(now.get(id)! - rate)));
    };
    const fit = fitLayout(parts, g, { sent: sock, offBy: close });
    expect(fit.status).toBe("adapted");
    expect(fit.scale).toBeLessThan(0.9);
    holds(fit, g, sock);
    const now = pegRates(activity, { age: 7 }, fit.parts);
    for (const [id, rate] of was) expect(Math.abs(now.get(id)! - rate), id).toBeLessThanOrEqual(0.05);
  });
  it("says that nothing fits: proved by the longest straight line, or not found, with what would let it in", () => {
    const tiny = fitLayout(layout, ground(rectangle(0.9, 0.6)), { sent: sock });
    expect(tiny).toMatchObject({ status: "none", proved: true, placement: null, trouble: "outside" });
    expect(tiny.shortest).toBeGreaterThan(tiny.longest);
    expect(tiny.lets.at(-1)).toEqual({ kind: "otherSpace", length: Math.ceil(tiny.shortest * 10) / 10 });
    const blocked = fitLayout(
      layout,
      ground(rectangle(4, 1.4), [{ kind: "furniture", x: 1, y: 0, width: 1.6, depth: 1.4 }]),
      { sent: sock },
    );
    expect(blocked).toMatchObject({ status: "none", proved: false, trouble: "furniture" });
    expect(blocked.lets).toContainEqual({ kind: "clearAway" });
    const sending = { ...sendingOf(8, "pushThrow", catalogueItem("sockBall")!, "boards"), most: 8, least: 0.5 };
    const lob: Sent = { ...sock, inAir: true, sending };
    const under = (ceiling: number) => fitLayout(layout, { ...ground(rectangle(6, 3)), ceiling }, { sent: lob });
    expect(under(2.4).status).toBe("designed");
    // Shorter is lower: a lob that would touch the ceiling is brought nearer, as long as it can be.
    const nearer = under(1.5);
    expect(nearer.status).toBe("adapted");
    expect(highestOf(nearer.parts, sending) + HEADROOM).toBeLessThanOrEqual(1.5);
    expect(under(1)).toMatchObject({ status: "none", trouble: "ceiling", proved: true });
  });
  it("keeps the circle of something long that is swung clear of furniture", () => {
    const swinging = { ...sock, swing: 1.2 };
    const lamp: Obstacle = { kind: "breakable", x: 0, y: 0, width: 0.3, depth: 0.3 };
    const wide = fitLayout(layout, ground(rectangle(6, 3), [lamp]), { sent: swinging });
    expect(wide.status).toBe("designed");
    const box = placed(
      { ...footprintOf(layout, swinging).find((piece) => piece.id === "swing start")! },
      wide.placement!,
    );
    expect(box.hx).toBe(1.2);
    expect(overlap(box, boxOf(lamp))).toBeLessThanOrEqual(OVERLAP_ALLOWED);
    expect(fitLayout(layout, ground(rectangle(6, 1.6)), { sent: swinging }).status).toBe("none");
  });
  it("keeps what runs on away from doors and stairs, and asks for a backstop outdoors", () => {
    const ball: Sent = { diameter: 0.12, runOn: 2.6, inAir: false };
    const one = row([2, 0, 0.3]);
    const stairs: Obstacle = { kind: "stairs", x: 4.2, y: 0, width: 0.8, depth: 1.2 };
    const g = ground(rectangle(5, 1.2), [stairs]);
    const turned = fitLayout(one, g, { sent: ball });
    if (turned.status !== "none") {
      const run = footprintOf(turned.parts, ball).filter((piece) => piece.kind === "runOut");
      for (const piece of run)
        expect(overlap(placed(piece, turned.placement!), boxOf(stairs))).toBeLessThanOrEqual(OVERLAP_ALLOWED);
    }
    const yard = fitLayout(one, ground(rectangle(3.4, 3), [], false), { sent: ball });
    expect(yard.backstop).toBe(true);
    const walled = ground(rectangle(3.4, 3), [{ kind: "wall", x: 3.2, y: 0, width: 0.2, depth: 3 }], false);
    const stopped = fitLayout(one, walled, { sent: ball });
    expect(stopped.placement).not.toBeNull();
  });

  const spaces = fc.oneof(
    fc
      .record({ l: fc.double({ min: 1, max: 7, noNaN: true }), w: fc.double({ min: 0.7, max: 4, noNaN: true }) })
      .map(({ l, w: width }) => rectangle(l, width)),
    fc
      .record({
        l: fc.double({ min: 2, max: 6, noNaN: true }),
        w: fc.double({ min: 2, max: 5, noNaN: true }),
        c: fc.double({ min: 0.3, max: 0.7, noNaN: true }),
      })
      .map(({ l, w: width, c }) => ell(l, width, l * c, width * c)),
  );
  const things = fc.array(
    fc.record({
      kind: fc.constantFrom("furniture", "breakable", "door", "stairs") as fc.Arbitrary<Obstacle["kind"]>,
      x: fc.double({ min: 0, max: 5, noNaN: true }),
      y: fc.double({ min: 0, max: 3, noNaN: true }),
      width: fc.double({ min: 0.1, max: 1.2, noNaN: true }),
      depth: fc.double({ min: 0.1, max: 1.2, noNaN: true }),
    }),
    { maxLength: 3 },
  );
  const designs = fc
    .array(
      fc.tuple(
        fc.double({ min: 0.7, max: 4, noNaN: true }),
        fc.double({ min: -0.6, max: 0.6, noNaN: true }),
        fc.double({ min: 0.08, max: 0.4, noNaN: true }),
      ),
      {
        minLength: 1,
        maxLength: 4,
      },
    )
    .map((list) => row(...(list as [number, number, number][])));

  it("never lays anything outside the space or through what stands there, whatever the space", () => {
    fc.assert(
      fc.property(spaces, things, designs, (corners, obstacles, parts) => {
        const g = ground(corners, obstacles);
        const fit = fitLayout(parts, g, { sent: sock });
        if (fit.placement) holds(fit, g, sock);
        else expect(fit.lets.length).toBeGreaterThan(0);
        // What is called proved is so: not even the shortest version is shorter than the longest line.
        if (fit.status === "none" && fit.proved) expect(fit.shortest).toBeGreaterThan(diameterOf(corners));
        expect(fitLayout(parts, g, { sent: sock })).toEqual(fit);
      }),
      { numRuns: 50 },
    );
  });

  it("finds nearly every place that trying a fine grid of places and directions finds", () => {
    let [tried, found] = [0, 0];
    fc.assert(
      fc.property(spaces, things, designs, (corners, obstacles, parts) => {
        const g = ground(corners, obstacles);
        const pieces = footprintOf(parts, sock);
        if (!byGrid(pieces, g)) return;
        tried++;
        if (findPlace(pieces, g)) found++;
      }),
      { numRuns: 40, seed: 20261 },
    );
    expect(tried).toBeGreaterThan(8);
    expect(found / tried).toBeGreaterThanOrEqual(0.95);
  });
  /** Every place on a grid of 15 cm, in 12 directions, both ways round. */
  function byGrid(pieces: ReturnType<typeof footprintOf>, givenGround: Ground): boolean {
    const far = {
      x: Math.max(...givenGround.corners.map((corner) => corner.x)),
      y: Math.max(...givenGround.corners.map((corner) => corner.y)),
    };
    for (let h = 0; h < 12; h++)
      for (const mirrored of [false, true])
        for (let x = 0; x <= far.x; x += 0.15)
          for (let y = 0; y <= far.y; y += 0.15) {
            const at = { x, y, angle: (h * Math.PI) / 6, mirrored };
            const good = pieces.every((piece) => {
              const box = placed(piece, at);
              if (
                piece.kind !== "runOut" &&
                !boxInside(givenGround.corners, piece.kind === "lane" ? { ...box, hy: 0.02 } : box)
              )
                return false;
              return givenGround.obstacles.every(
                (obstacle) =>
                  (piece.kind === "runOut" && obstacle.kind === "furniture") ||
                  overlap(box, boxOf(obstacle)) <= OVERLAP_ALLOWED,
              );
            });
            if (good) return true;
          }
    return false;
  }
});

describe("the same challenge nearer by", () => {
  it("narrows a target so that its hit rate stays, to a thousandth", () => {
    const activity = fromPattern("climb");
    const one = {
      ...activity,
      pattern: {
        name: "climb",
        params: {
          ...(activity.pattern.params as object),
          ladder: {
            kind: "targets",
            order: "nearest",
            targets: [(activity.pattern.params as { ladder: { targets: unknown[] } }).ladder.targets[1]],
          },
        },
      },
    } as Activity;
    const parts = opened(one).parts;
    const was = pegRates(one, { age: 7 }).get("t2")!;
    for (const k of [0.5, 0.7, 0.9, 1.2]) {
      const now = pegRates(one, { age: 7 }, scaledParts(parts, k, 0.08)).get("t2")!;
      expect(Math.abs(now - was), `${k}`).toBeLessThan(0.02);
    }
    expect(widthAt(0.5, 0.3, { kind: "touch", width: 0.3 }, 0.08)).toBeCloseTo(0.11, 12);
    expect(widthAt(0.5, 0.3, { kind: "through", gap: 0.3 }, 0.08)).toBeCloseTo(0.19, 12);
    expect(STAND.depth).toBeGreaterThan(0.3);
  });
});
