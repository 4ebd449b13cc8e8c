import { between, type Point } from "./geometry.ts";
import type { Placement } from "./placement.ts";
import type { Ground, Obstacle } from "./space.ts";
import { OBSTACLES } from "./space-limits.ts";

/** A turn, possibly after mirroring across the x axis, and a shift: one way to look at a space. */
interface Motion {
  angle: number;
  mirrored: boolean;
  dx: number;
  dy: number;
}
const SAME = 1e-6;

/** Rounded to a thousandth of a millimetre, so that the same home gives the same digits in every orientation. */
const fine = (metres: number) => Math.round(metres * 1e6) / 1e6;

function moved(point: Point, motion: Motion): Point {
  const [c, s] = [Math.cos(motion.angle), Math.sin(motion.angle)];
  const y = motion.mirrored ? -point.y : point.y;
  return { x: fine(point.x * c - y * s + motion.dx), y: fine(point.x * s + y * c + motion.dy) };
}
/** Obstacles are parallel to the axes, and still are after a quarter turn. */
function movedObstacle(o: Obstacle, motion: Motion): Obstacle {
  const [point, corner] = [moved(o, motion), moved({ x: o.x + o.width, y: o.y + o.depth }, motion)];
  return {
    kind: o.kind,
    x: Math.min(point.x, corner.x),
    y: Math.min(point.y, corner.y),
    width: fine(Math.abs(corner.x - point.x)),
    depth: fine(Math.abs(corner.y - point.y)),
  };
}

/** An angle within half a turn in either direction. */
const within = (angle: number) => {
  const turned = Math.atan2(Math.sin(angle), Math.cos(angle));
  return turned <= -Math.PI + SAME ? Math.PI : turned;
};

/**
 * The ways to look at a space: quarter turns if it has obstacles, otherwise with a longest side along x; each as it
 * is and mirrored.
 */
function motionsFor(ground: Ground): Motion[] {
  const { corners } = ground;
  let angles = [0, Math.PI / 2, Math.PI, -Math.PI / 2];
  if (ground.obstacles.length === 0) {
    const sides = corners.map((corner, i) => [corner, corners[(i + 1) % corners.length]!] as const);
    const longest = Math.max(...sides.map(([point, corner]) => between(point, corner)));
    angles = sides
      .filter(([point, corner]) => between(point, corner) > longest - SAME)
      .flatMap(([point, corner]) => {
        const along = -Math.atan2(corner.y - point.y, corner.x - point.x);
        return [along, along + Math.PI];
      });
  }
  return angles.flatMap((angle) =>
    [false, true].map((mirrored) => {
      // When mirrored first, the side points the other way.
      const turn = within(mirrored ? -angle : angle);
      const at = corners.map((corner) => moved(corner, { angle: turn, mirrored, dx: 0, dy: 0 }));
      const dx = -Math.min(...at.map((point) => point.x));
      const dy = -Math.min(...at.map((point) => point.y));
      return { angle: turn, mirrored, dx, dy };
    }),
  );
}

/** A number that differs for every way to look at a space, unless two look the same. */
function weightOf(ground: Ground, by: Motion): number {
  let sum = 0;
  for (const corner of ground.corners) {
    const point = moved(corner, by);
    sum += point.x * point.y * (1.3 * point.x + 0.7 * point.y) + 0.37 * point.x + 0.61 * point.y;
  }
  for (const obstacle of ground.obstacles) {
    const point = moved({ x: obstacle.x + obstacle.width / 2, y: obstacle.y + obstacle.depth / 2 }, by);
    const kind = 1 + OBSTACLES.indexOf(obstacle.kind);
    sum += kind * (point.x + Math.SQRT2 * point.y + 0.1 * point.x * point.y) * (1 + obstacle.width * obstacle.depth);
  }
  return sum;
}
const lessTurned = (motion: Motion, givenMotion: Motion): boolean =>
  motion.mirrored !== givenMotion.mirrored
    ? givenMotion.mirrored
    : Math.abs(Math.abs(motion.angle) - Math.abs(givenMotion.angle)) > SAME
      ? Math.abs(motion.angle) < Math.abs(givenMotion.angle)
      : motion.angle > givenMotion.angle;

/**
 * A space in the orientation in which it is searched: turned and mirrored so that the same home always looks the
 * same, however it was drawn. `back` converts a place found there to the home's own coordinates. Turning, moving or
 * mirroring a home therefore changes nothing.
 */
export function upright(ground: Ground): { ground: Ground; back: (placement: Placement) => Placement } {
  const all = motionsFor(ground).map((by) => ({ by, weight: weightOf(ground, by) }));
  const least = Math.min(...all.map((m) => m.weight));
  // If several look the same (a room that is its own mirror image), the one with the smallest turn.
  const { by } = all
    .filter((m) => m.weight <= least + SAME * Math.max(1, Math.abs(least)))
    .reduce((x, y) => (lessTurned(y.by, x.by) ? y : x));
  const of = {
    ...ground,
    corners: ground.corners.map((corner) => moved(corner, by)),
    obstacles: ground.obstacles.map((obstacle) => movedObstacle(obstacle, by)),
  };
  // Corners and obstacles get a fixed order too, so that it does not matter where the outline begins.
  const first = of.corners.reduce((sum, corner, i) => {
    const point = of.corners[sum]!;
    return corner.x + corner.y < point.x + point.y - SAME ||
      (Math.abs(corner.x + corner.y - point.x - point.y) <= SAME && corner.x < point.x - SAME)
      ? i
      : sum;
  }, 0);
  const turned = [...of.corners.slice(first), ...of.corners.slice(0, first)];
  const twice = turned.reduce((sum, point, i) => {
    const corner = turned[(i + 1) % turned.length]!;
    return sum + point.x * corner.y - corner.x * point.y;
  }, 0);
  const corners = twice < 0 ? [turned[0]!, ...turned.slice(1).reverse()] : turned;
  const obstacles = [...of.obstacles].sort((a, b) =>
    a.kind !== b.kind ? (a.kind < b.kind ? -1 : 1) : a.x - b.x || a.y - b.y || a.width - b.width || a.depth - b.depth,
  );
  const [c, s] = [Math.cos(by.angle), Math.sin(by.angle)];
  const back = (placement: Placement): Placement => {
    const [x, y] = [placement.x - by.dx, placement.y - by.dy];
    const [u, value] = [x * c + y * s, -x * s + y * c];
    const angle = placement.angle - by.angle;
    return by.mirrored
      ? { x: u, y: -value, angle: -angle, mirrored: !placement.mirrored }
      : { x: u, y: value, angle, mirrored: placement.mirrored };
  };
  return { ground: { ...of, corners, obstacles }, back };
}
