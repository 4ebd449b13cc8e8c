import { describe, expect, it } from "vitest";
import { forHome } from "../compile/for-home.ts";
import { fromPattern } from "../formats/activity.ts";
import { catalogue } from "../kit/catalogue.ts";
import { listOf } from "../kit/items.ts";
import { random } from "../random.ts";
import { type HomeSpace, NOTHING_SAID } from "../records/home.ts";
import { troubleOf } from "./fit.reference.ts";
import { fitLayout, type Sent } from "./fit.ts";
import { footprintOf, scaledParts } from "./footprint.ts";
import type { Point } from "./geometry.ts";
import type { Part } from "./parts.ts";
import { PlacementSearch } from "./placement-search.ts";
import { ell, rectangle } from "./shapes.ts";
import type { Ground } from "./space.ts";
import { OBSTACLES } from "./space-limits.ts";

const cm = (metres: number) => Math.round(metres * 100) / 100;
const sock: Sent = { diameter: 0.08, runOn: 0.3, inAir: false };
const target = (id: string, along: number, across: number, width: number): Part => ({
  kind: "target",
  id,
  along,
  across,
  width,
  height: 0.3,
  item: "box",
  label: "",
  rule: { kind: "touch", width },
});
const layout: Part[] = [
  { kind: "line", id: "start", along: 0, across: 0, width: 1.2, role: "start" },
  { kind: "person", id: "sender", along: 0, across: 0, role: "sender" },
  target("a", 1.4, -0.4, 0.3),
  target("b", 2.3, 0.5, 0.3),
  target("c", 3.4, 0.1, 0.2),
];

function groundOf(draw: () => number, things: number): Ground {
  const [length, width] = [cm(1.4 + 3.6 * draw()), cm(0.9 + 2.9 * draw())];
  return {
    corners: draw() < 0.5 ? rectangle(length, width) : ell(length, width, cm(length * 0.35), cm(width * 0.4)),
    obstacles: Array.from({ length: things }, () => ({
      kind: OBSTACLES[Math.floor(draw() * OBSTACLES.length)]!,
      x: cm(draw() * (length - 0.6)),
      y: cm(draw() * (width - 0.5)),
      width: cm(0.2 + 0.5 * draw()),
      depth: cm(0.2 + 0.3 * draw()),
    })),
    indoors: draw() < 0.5,
    ceiling: null,
  };
}
/** The same ground turned, mirrored, moved and begun at another corner. Things stand along the axes, so they only take quarter turns. */
function changed(ground: Ground, angle: number, mirrored: boolean, by: Point, first: number): Ground {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const to = (point: Point): Point => {
    const x = mirrored ? -point.x : point.x;
    return { x: x * c - point.y * s + by.x, y: x * s + point.y * c + by.y };
  };
  const all = ground.corners.map(to);
  const corners = [...all.slice(first), ...all.slice(0, first)];
  const obstacles = ground.obstacles.map((obstacle) => {
    const [point, corner] = [to(obstacle), to({ x: obstacle.x + obstacle.width, y: obstacle.y + obstacle.depth })];
    return {
      kind: obstacle.kind,
      x: Math.min(point.x, corner.x),
      y: Math.min(point.y, corner.y),
      width: Math.abs(point.x - corner.x),
      depth: Math.abs(point.y - corner.y),
    };
  });
  return { ...ground, corners: mirrored ? corners.reverse() : corners, obstacles: obstacles.reverse() };
}

describe("a home however it was drawn", () => {
  it("turned by quarters, mirrored, moved and begun elsewhere, fits the same layout in the same way", () => {
    const draw = random(3);
    const met = { designed: 0, adapted: 0, none: 0 };
    for (let n = 0; n < 60; n++) {
      const ground = groundOf(draw, Math.floor(6 * draw()));
      const was = fitLayout(layout, ground, { sent: sock, offBy: () => 0, anyway: true });
      met[was.status]++;
      for (let k = 0; k < 8; k++) {
        const by = { x: 10 * draw() - 5, y: 10 * draw() - 5 };
        const other = changed(ground, ((k % 4) * Math.PI) / 2, k >= 4, by, Math.floor(ground.corners.length * draw()));
        const now = fitLayout(layout, other, { sent: sock, offBy: () => 0, anyway: true });
        expect([now.status, now.trouble, now.backstop, now.lets.length], `${n} ${k}`).toEqual([
          was.status,
          was.trouble,
          was.backstop,
          was.lets.length,
        ]);
        expect(now.scale, `${n} ${k}`).toBeCloseTo(was.scale, 9);
        if (now.placement) expect(troubleOf(footprintOf(now.parts, sock), other, now.placement)).toBeNull();
      }
    }
    for (const count of Object.values(met)) expect(count).toBeGreaterThan(3);
  });
  it("empty, it may be turned by any angle", () => {
    const draw = random(8);
    for (let n = 0; n < 40; n++) {
      const ground = groundOf(draw, 0);
      const was = fitLayout(layout, ground, { sent: sock, offBy: () => 0, anyway: true });
      for (let k = 0; k < 4; k++) {
        const now = fitLayout(layout, changed(ground, 7 * draw(), k >= 2, { x: 1, y: 2 }, k % 3), {
          sent: sock,
          offBy: () => 0,
          anyway: true,
        });
        expect([now.status, now.trouble], `${n}`).toEqual([was.status, was.trouble]);
        expect(now.scale, `${n}`).toBeCloseTo(was.scale, 6);
      }
    }
  });
  it("makes the same card, the share of shortening included", () => {
    const climb = fromPattern("climb");
    const kit = Object.fromEntries(catalogue.filter((item) => !item.made).map((item) => [item.id, item.count]));
    const outline = ell(3.6, 3, 1.2, 1.1);
    const sofa = { kind: "furniture" as const, x: 0.2, y: 2.2, width: 1.4, depth: 0.6 };
    const base: HomeSpace = { kind: "room", length: 3.6, width: 3, floor: "boards", indoors: true };
    const at = (space: HomeSpace) =>
      forHome(climb, { age: 7 }, { ...NOTHING_SAID, id: "h", label: "", kit, space }, listOf([]));
    const was = at({ ...base, outline, obstacles: [sofa] });
    const ground = changed(
      { corners: outline, obstacles: [sofa], indoors: true, ceiling: null },
      Math.PI / 2,
      true,
      { x: 5, y: -2 },
      2,
    );
    const now = at({ ...base, length: 3, width: 3.6, outline: [...ground.corners], obstacles: [...ground.obstacles] });
    expect(was.place!.status).toBe("adapted");
    expect(now.place!.scale).toBeCloseTo(was.place!.scale, 9);
    expect(now.activity.pattern.params).toEqual(was.activity.pattern.params);
    expect(now.changes).toEqual(was.changes);
  });
});

describe("as little shorter as will do", () => {
  it("holds to two centimetres of the length: that much longer it lies nowhere", () => {
    const draw = random(21);
    let [looked, missed] = [0, 0];
    for (let n = 0; n < 240; n++) {
      const ground = groundOf(draw, Math.floor(5 * draw()));
      const fit = fitLayout(layout, ground, { sent: sock, offBy: () => 0, anyway: true });
      if (fit.status !== "adapted") continue;
      looked++;
      const whole = fitLayout(
        layout,
        { ...ground, corners: rectangle(20, 20), obstacles: [] },
        { sent: sock },
      ).shortest;
      const longer = fit.scale + 0.02 / whole + 1e-6;
      if (longer < 1 && new PlacementSearch(ground).find(footprintOf(scaledParts(layout, longer, sock.diameter), sock)))
        missed++;
    }
    // The search looks at places, not at all of them: now and then one that touches on two sides at once slips through.
    expect(missed / looked).toBeLessThan(0.03);
    expect(looked).toBeGreaterThan(40);
  });
  it("answers whether the challenge is held, and prefers where it is", () => {
    const ground: Ground = { corners: rectangle(3.2, 2), obstacles: [], indoors: true, ceiling: null };
    const byShare = (_: readonly Part[], k: number) => (k >= 0.6 ? 0 : 1 - k);
    expect(fitLayout(layout, ground, { sent: sock, offBy: byShare, anyway: true })).toMatchObject({
      status: "adapted",
      held: true,
      off: 0,
    });
    const tiny = { ...ground, corners: rectangle(2, 1.6) };
    const easier = fitLayout(layout, tiny, { sent: sock, offBy: byShare, anyway: true });
    expect(easier).toMatchObject({ status: "adapted", held: false, proved: false });
    expect(easier.off).toBeCloseTo(1 - easier.scale, 9);
  });
});
