import { between, type Point } from "./geometry.ts";
import type { Placement } from "./placement.ts";
import { type Ground, OBSTACLES, type Obstacle } from "./space.ts";

/** A turn, and maybe a mirroring across the x axis before it, and a shift: how a space is looked at. */
interface Motion {
  angle: number;
  mirrored: boolean;
  dx: number;
  dy: number;
}
const SAME = 1e-6;

/** To a thousandth of a millimetre, so that the same home is the same to the last digit however it lies. */
const fine = (m: number) => Math.round(m * 1e6) / 1e6;

function moved(p: Point, m: Motion): Point {
  const [c, s] = [Math.cos(m.angle), Math.sin(m.angle)];
  const y = m.mirrored ? -p.y : p.y;
  return { x: fine(p.x * c - y * s + m.dx), y: fine(p.x * s + y * c + m.dy) };
}
/** Obstacles lie along the axes, and still do after a quarter turn. */
function movedObstacle(o: Obstacle, m: Motion): Obstacle {
  const [a, b] = [moved(o, m), moved({ x: o.x + o.width, y: o.y + o.depth }, m)];
  return {
    kind: o.kind,
    x: Math.min(a.x, b.x),
    y: Math.min(a.y, b.y),
    width: fine(Math.abs(b.x - a.x)),
    depth: fine(Math.abs(b.y - a.y)),
  };
}

/** An angle between half a turn either way. */
const within = (angle: number) => {
  const a = Math.atan2(Math.sin(angle), Math.cos(angle));
  return a <= -Math.PI + SAME ? Math.PI : a;
};

/** The ways a space is looked at: quarter turns where things stand in it, else with a longest side along x; each as it is and mirrored. */
function motionsFor(ground: Ground): Motion[] {
  const { corners } = ground;
  let angles = [0, Math.PI / 2, Math.PI, -Math.PI / 2];
  if (ground.obstacles.length === 0) {
    const sides = corners.map((a, i) => [a, corners[(i + 1) % corners.length]!] as const);
    const longest = Math.max(...sides.map(([a, b]) => between(a, b)));
    angles = sides
      .filter(([a, b]) => between(a, b) > longest - SAME)
      .flatMap(([a, b]) => {
        const along = -Math.atan2(b.y - a.y, b.x - a.x);
        return [along, along + Math.PI];
      });
  }
  return angles.flatMap((angle) =>
    [false, true].map((mirrored) => {
      // Mirrored first, the side lies the other way round.
      const turn = within(mirrored ? -angle : angle);
      const at = corners.map((p) => moved(p, { angle: turn, mirrored, dx: 0, dy: 0 }));
      const dx = -Math.min(...at.map((p) => p.x));
      const dy = -Math.min(...at.map((p) => p.y));
      return { angle: turn, mirrored, dx, dy };
    }),
  );
}

/** A figure that is another for every way a space can be looked at, unless they look alike. */
function weightOf(ground: Ground, by: Motion): number {
  let sum = 0;
  for (const c of ground.corners) {
    const p = moved(c, by);
    sum += p.x * p.y * (1.3 * p.x + 0.7 * p.y) + 0.37 * p.x + 0.61 * p.y;
  }
  for (const o of ground.obstacles) {
    const p = moved({ x: o.x + o.width / 2, y: o.y + o.depth / 2 }, by);
    const kind = 1 + OBSTACLES.indexOf(o.kind);
    sum += kind * (p.x + Math.SQRT2 * p.y + 0.1 * p.x * p.y) * (1 + o.width * o.depth);
  }
  return sum;
}
const lessTurned = (a: Motion, b: Motion): boolean =>
  a.mirrored !== b.mirrored
    ? b.mirrored
    : Math.abs(Math.abs(a.angle) - Math.abs(b.angle)) > SAME
      ? Math.abs(a.angle) < Math.abs(b.angle)
      : a.angle > b.angle;

/**
 * A space as it is searched: turned and mirrored so that the same home comes out the same however it was drawn, and how a place found there is told in
 * the home's own coordinates. Turning, moving or mirroring a home thus changes nothing.
 */
export function upright(ground: Ground): { ground: Ground; back: (p: Placement) => Placement } {
  const all = motionsFor(ground).map((by) => ({ by, weight: weightOf(ground, by) }));
  const least = Math.min(...all.map((m) => m.weight));
  // Of ways that look alike (a room that is its own mirror image) the least turned one.
  const { by } = all
    .filter((m) => m.weight <= least + SAME * Math.max(1, Math.abs(least)))
    .reduce((x, y) => (lessTurned(y.by, x.by) ? y : x));
  const of = {
    ...ground,
    corners: ground.corners.map((p) => moved(p, by)),
    obstacles: ground.obstacles.map((o) => movedObstacle(o, by)),
  };
  // Corners and things in one order as well, so that nothing hangs on where the outline was begun.
  const first = of.corners.reduce((f, p, i) => {
    const q = of.corners[f]!;
    return p.x + p.y < q.x + q.y - SAME || (Math.abs(p.x + p.y - q.x - q.y) <= SAME && p.x < q.x - SAME) ? i : f;
  }, 0);
  const turned = [...of.corners.slice(first), ...of.corners.slice(0, first)];
  const twice = turned.reduce((sum, p, i) => {
    const q = turned[(i + 1) % turned.length]!;
    return sum + p.x * q.y - q.x * p.y;
  }, 0);
  const corners = twice < 0 ? [turned[0]!, ...turned.slice(1).reverse()] : turned;
  const obstacles = [...of.obstacles].sort((a, b) =>
    a.kind !== b.kind ? (a.kind < b.kind ? -1 : 1) : a.x - b.x || a.y - b.y || a.width - b.width || a.depth - b.depth,
  );
  const [c, s] = [Math.cos(by.angle), Math.sin(by.angle)];
  const back = (p: Placement): Placement => {
    const [x, y] = [p.x - by.dx, p.y - by.dy];
    const [u, v] = [x * c + y * s, -x * s + y * c];
    const angle = p.angle - by.angle;
    return by.mirrored
      ? { x: u, y: -v, angle: -angle, mirrored: !p.mirrored }
      : { x: u, y: v, angle, mirrored: p.mirrored };
  };
  return { ground: { ...of, corners, obstacles }, back };
}
