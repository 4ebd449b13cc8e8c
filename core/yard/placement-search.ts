import { upright } from "./canonical-orientation.ts";
import type { FloorArea } from "./footprint.ts";
import { areaOf, type Box, between, inside, type Point } from "./geometry.ts";
import type { Placement } from "./placement.ts";
import { boxOf } from "./shapes.ts";
import type { Ground, Obstacle } from "./space.ts";

/** Nothing may overlap by more than this, metres. */
export const OVERLAP_ALLOWED = 0.01;
/** The most directions that are tried. The sides of the space and its longest diagonals come first. */
const MAX_HEADINGS = 14;
/** Touching is allowed. Rounding must not turn it into an overlap, metres. */
const ROUNDING = 1e-6;
const SAME_HEADING = Math.PI / 180;
/**
 * Besides places where something touches, the search looks at places this far apart along a direction (metres), and
 * at this many at most.
 */
const SAMPLE = 0.12;
const MAX_SAMPLES = 24;
/** What depends on a wall must have it this close behind, metres. */
export const WALL_BEHIND = 0.15;
/**
 * For a lane that objects pass, only a middle strip of this width must lie inside, metres. Somebody who runs needs
 * all of the lane.
 */
export const THIN = 0.02;

/** Whether a kind of piece must keep clear of a kind of obstacle. A wall stops objects, but nothing may stand in it. */
export function keepsClear(piece: FloorArea["kind"], option: Obstacle["kind"]): boolean {
  if (piece === "runOut") return option === "breakable" || option === "stairs" || option === "door";
  return true;
}

/** The directions worth trying: as drawn, along the sides, and along the longest lines between corners, both ways. */
function headings(corners: readonly Point[]): number[] {
  const found: { angle: number; by: number }[] = [];
  for (const [i, point] of corners.entries())
    for (const [j, corner] of corners.entries()) {
      if (i === j) continue;
      const side = j === (i + 1) % corners.length || i === (j + 1) % corners.length;
      // Rounded, so that two of equal length are sorted by their angles.
      const by = Math.round((between(point, corner) + (side ? 1000 : 0)) * 1e5);
      found.push({ angle: Math.atan2(corner.y - point.y, corner.x - point.x), by });
    }
  found.sort((p, q) => q.by - p.by || p.angle - q.angle);
  const out = [0];
  for (const { angle } of found) {
    const near = out.some((x) => Math.abs(Math.atan2(Math.sin(x - angle), Math.cos(x - angle))) < SAME_HEADING);
    if (!near && out.length < MAX_HEADINGS) out.push(angle);
  }
  return out;
}

const leftTurn = (point: Point, givenPoint: Point, corner: Point) =>
  (givenPoint.x - point.x) * (corner.y - point.y) - (givenPoint.y - point.y) * (corner.x - point.x);

/**
 * A space as a convex hull and triangular pockets cut out of it. Whatever lies in the hull and in no pocket lies in
 * the space. Corners go counter-clockwise.
 */
export function hullAndPockets(corners: readonly Point[]): { hull: Point[]; pockets: [Point, Point, Point][] } {
  const all = areaOf(corners) < 0 ? [...corners].reverse() : [...corners];
  const count = all.length;
  // The lowest, leftmost corner is on the hull. From each corner on the hull, the next is the one that has nothing to
  // its right.
  let first = 0;
  all.forEach((point, i) => {
    if (point.y < all[first]!.y || (point.y === all[first]!.y && point.x < all[first]!.x)) first = i;
  });
  const on: number[] = [];
  let at = first;
  do {
    on.push(at);
    let next = (at + 1) % count;
    for (let k = 2; k < count; k++) {
      const j = (at + k) % count;
      const turn = leftTurn(all[at]!, all[next]!, all[j]!);
      if (turn < -1e-12 || (turn <= 1e-12 && between(all[at]!, all[j]!) > between(all[at]!, all[next]!))) next = j;
    }
    at = next;
  } while (at !== first && on.length <= count);
  const pockets = on.flatMap((i, k) => {
    const j = on[(k + 1) % on.length]!;
    const chain: Point[] = [];
    for (let m = i; ; m = (m + 1) % count) {
      chain.push(all[m]!);
      if (m === j) break;
    }
    return chain.length > 2 ? triangles(chain.reverse()) : [];
  });
  return { hull: on.map((i) => all[i]!), pockets };
}
/** Cuts a simple polygon with counter-clockwise corners into triangles, ear by ear. */
function triangles(corners: readonly Point[]): [Point, Point, Point][] {
  const left = [...corners];
  const out: [Point, Point, Point][] = [];
  while (left.length > 3) {
    const ear = left.findIndex((point, i) => {
      const [corner, c] = [left[(i + left.length - 1) % left.length]!, left[(i + 1) % left.length]!];
      if (leftTurn(corner, point, c) <= 1e-12) return false;
      return !left.some(
        (eachPoint) =>
          eachPoint !== corner && eachPoint !== point && eachPoint !== c && inside([corner, point, c], eachPoint),
      );
    });
    const i = Math.max(0, ear);
    out.push([left[(i + left.length - 1) % left.length]!, left[i]!, left[(i + 1) % left.length]!]);
    left.splice(i, 1);
  }
  out.push([left[0]!, left[1]!, left[2]!]);
  return out.filter(([point, corner, c]) => leftTurn(point, corner, c) > 1e-9);
}

/** A convex figure seen from one direction: its corners, and the outward normals of its sides. */
interface Figure {
  xs: Float64Array;
  ys: Float64Array;
  /** For each normal: its two components, and how far the figure itself reaches that way. */
  normals: Float64Array;
  lowX: number;
  highX: number;
  lowY: number;
  highY: number;
  /** What it is, for pieces that may overlap it. Null: a pocket of the space. */
  kind: Obstacle["kind"] | null;
}
function figureOf(corners: readonly Point[], kind: Figure["kind"]): Figure {
  const count = corners.length;
  const [xs, ys, normals] = [new Float64Array(count), new Float64Array(count), new Float64Array(3 * count)];
  let [lowX, highX, lowY, highY] = [FAR, -FAR, FAR, -FAR];
  for (let i = 0; i < count; i++) {
    const [point, corner] = [corners[i]!, corners[(i + 1) % count]!];
    xs[i] = point.x;
    ys[i] = point.y;
    const l = between(point, corner) || 1;
    const [nx, ny] = [(corner.y - point.y) / l, (point.x - corner.x) / l];
    normals[3 * i] = nx;
    normals[3 * i + 1] = ny;
    normals[3 * i + 2] = nx * point.x + ny * point.y;
    lowX = Math.min(lowX, point.x);
    highX = Math.max(highX, point.x);
    lowY = Math.min(lowY, point.y);
    highY = Math.max(highY, point.y);
  }
  return { kind, xs, ys, normals, lowX, highX, lowY, highY };
}
const FAR = Number.POSITIVE_INFINITY;

/** The figure of a rectangle, computed without going round its corners. */
function figureOfBox(box: Box, kind: Figure["kind"]): Figure {
  const c = box.angle === 0 ? 1 : Math.cos(box.angle);
  const s = box.angle === 0 ? 0 : Math.sin(box.angle);
  const ux = box.hx * c;
  const uy = box.hx * s;
  const vx = -box.hy * s;
  const vy = box.hy * c;
  const xs = new Float64Array(4);
  const ys = new Float64Array(4);
  const normals = new Float64Array(12);
  const along = box.x * c + box.y * s;
  const across = -box.x * s + box.y * c;
  for (let i = 0; i < 4; i++) {
    // Counter-clockwise from the near right corner. The side after each corner looks outwards.
    const u = i === 1 || i === 2 ? 1 : -1;
    const v = i >= 2 ? 1 : -1;
    xs[i] = box.x + u * ux + v * vx;
    ys[i] = box.y + u * uy + v * vy;
  }
  normals[0] = s;
  normals[1] = -c;
  normals[2] = box.hy - across;
  normals[3] = c;
  normals[4] = s;
  normals[5] = box.hx + along;
  normals[6] = -s;
  normals[7] = c;
  normals[8] = box.hy + across;
  normals[9] = -c;
  normals[10] = -s;
  normals[11] = box.hx - along;
  const wide = Math.abs(ux) + Math.abs(vx);
  const deep = Math.abs(uy) + Math.abs(vy);
  return { kind, xs, ys, normals, lowX: box.x - wide, highX: box.x + wide, lowY: box.y - deep, highY: box.y + deep };
}

/** How far a figure reaches in a direction. */
function reachOf(figure: Figure, nx: number, ny: number): number {
  let far = Number.NEGATIVE_INFINITY;
  for (let i = 0; i < figure.xs.length; i++) far = Math.max(far, figure.xs[i]! * nx + figure.ys[i]! * ny);
  return far;
}

/** A space seen from one direction, turned so that the layout looks along x. */
interface View {
  angle: number;
  /** Half-planes of the hull. Inside is where nx x + ny y <= d. */
  hull: Float64Array;
  figures: readonly Figure[];
  /** The four directions of the obstacles. Null if there are none. */
  boxes: Float64Array | null;
  /** The sides of the space are walls. */
  walled: boolean;
  /** Where something begins or ends along the direction. */
  marks: readonly number[];
}

/** One piece of a layout seen from the front, not yet shifted. */
interface Seen {
  kind: FloorArea["kind"];
  /** The outline that must keep clear of obstacles, and the one that must lie in the space. */
  whole: Figure;
  thin: Figure;
  /** The place behind it that must be wall, if it depends on one. */
  behind: Point | null;
}

/** The most sides that two figures have together. */
const MAX_SIDES = 8;
/** The most free stretches across that are kept. If there are more, places are lost, but none is made up. */
const MAX_FREE = 64;
/** Working memory, allocated once and used for every direction. */
class Scratch {
  lines = new Float64Array(0);
  readonly above = new Float64Array(MAX_SIDES * 2);
  split = new Int32Array(0);
  ends = new Int32Array(0);
  from = new Float64Array(0);
  to = new Float64Array(0);
  order = new Int32Array(0);
  readonly lows = new Float64Array(MAX_FREE);
  readonly highs = new Float64Array(MAX_FREE);
  room(pairs: number): this {
    if (this.ends.length >= pairs) return this;
    this.lines = new Float64Array(pairs * MAX_SIDES * 2);
    [this.split, this.ends, this.order] = [new Int32Array(pairs), new Int32Array(pairs), new Int32Array(pairs)];
    [this.from, this.to] = [new Float64Array(pairs), new Float64Array(pairs)];
    return this;
  }
}

/** Searches one space for places, from every direction worth trying. What it works out for a direction is kept. */
export class PlacementSearch {
  private readonly order: number[];
  private readonly views = new Map<number, View>();
  private readonly scratch = new Scratch();
  private readonly parts: ReturnType<typeof hullAndPockets>;
  private readonly ground: Ground;
  private readonly back: (placement: Placement) => Placement;
  constructor(given: Ground) {
    const { ground, back } = upright(given);
    this.ground = ground;
    this.back = back;
    this.order = headings(ground.corners);
    this.parts = hullAndPockets(ground.corners);
  }

  private view(angle: number): View {
    const known = this.views.get(angle);
    if (known) return known;
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const turn = (point: Point) => ({ x: point.x * c + point.y * s, y: -point.x * s + point.y * c });
    const hull = this.parts.hull.map(turn);
    const figures = [
      ...this.ground.obstacles.map((obstacle) => {
        const box = boxOf(obstacle);
        return figureOfBox({ ...box, ...turn(box), angle: -angle }, obstacle.kind);
      }),
      ...this.parts.pockets.map((pocket) => figureOf(pocket.map(turn), null)),
    ];
    const made: View = {
      angle,
      hull: figureOf(hull, null).normals,
      figures,
      boxes: figures.find((figure) => figure.kind !== null)?.normals ?? null,
      walled: this.ground.indoors,
      marks: [...hull.map((p) => p.x), ...figures.flatMap((figure) => [figure.lowX, figure.highX])],
    };
    this.views.set(angle, made);
    return made;
  }

  /**
   * Finds a place for a layout. For every direction, as drawn and mirrored, it takes the nearest place along it that
   * has room across, and there the place nearest to the middle. The search is deterministic. Along a direction it
   * looks where something touches and every 12 cm (24 places at most); across, everywhere. What depends on a wall
   * must have one behind it; if there is no such place, any place will do.
   */
  find(pieces: readonly FloorArea[]): Placement | null {
    return this.longest(() => pieces, 1, 1, 1)?.placement ?? null;
  }

  /**
   * Finds the largest share of a layout between `from` and `to` that fits, to a `step`, and its place. Null if not
   * even the shortest fits. `at`: the pieces at a share, or null if that share is not allowed. A layout that fits in
   * a direction is assumed to fit there shorter too, so a direction is only tried for more than was found already.
   * The first direction in which all of it fits is taken.
   */
  longest(at: (k: number) => readonly FloorArea[] | null, from: number, to: number, step: number): Longest | null {
    const known = new Map<number, Side[]>();
    const sidesAt = (k: number) => {
      let sides = known.get(k);
      if (!sides) {
        const pieces = at(k);
        sides = pieces ? sidesOf(pieces) : [];
        known.set(k, sides);
      }
      return sides;
    };
    const hangs = at(from)?.some((piece) => piece.wall) ?? false;
    const on = hangs ? this.search(sidesAt, from, to, step, true) : null;
    const loose = on?.k === to ? null : this.search(sidesAt, from, to, step, false);
    const found = on && loose?.k !== to ? on : loose;
    return found && { k: found.k, placement: this.back(found.placement) };
  }

  private search(
    sidesAt: (k: number) => readonly Side[],
    from: number,
    to: number,
    step: number,
    hung: boolean,
  ): (Longest & { n: number }) | null {
    // Whole steps, so that directions are compared at the same shares.
    const steps = Math.max(0, Math.ceil((to - from) / step - 1e-9));
    const share = (count: number) =>
      count === steps ? to : count === 0 ? from : Math.round((to - (steps - count) * step) * 1e6) / 1e6;
    const ways = this.order.flatMap((angle) => [false, true].map((mirrored) => ({ angle, mirrored })));
    const look = ({ angle, mirrored }: (typeof ways)[number], count: number): Placement | null => {
      const side = sidesAt(share(count)).find((eachSide) => eachSide.mirrored === mirrored);
      if (!side) return null;
      const point = shiftIn(this.view(angle), side.seen, this.scratch, hung);
      if (!point) return null;
      const [c, s] = [Math.cos(angle), Math.sin(angle)];
      return { x: point.x * c - point.y * s, y: point.x * s + point.y * c, angle, mirrored };
    };
    let best: (Longest & { n: number }) | null = null;
    // Goes round the directions until each has been tried for a little more than was found.
    let idle = 0;
    for (let i = 0; idle < ways.length; i++, idle++) {
      const way = ways[i % ways.length]!;
      const least: number = best ? best.n + 1 : 0;
      if (least > steps) break;
      const there = look(way, least);
      if (!there) continue;
      const whole = least < steps ? look(way, steps) : there;
      if (whole) return { n: steps, k: to, placement: whole };
      let low = { n: least, k: share(least), placement: there };
      let high = steps;
      while (high - low.n > 1) {
        const count = (low.n + high) >> 1;
        const placement = look(way, count);
        if (placement) low = { n: count, k: share(count), placement };
        else high = count;
      }
      best = low;
      // This direction has been tried for more already.
      idle = 0;
    }
    return best;
  }
}
/** A share of a layout's distances, and where it lies. */
export interface Longest {
  k: number;
  placement: Placement;
}

/** A layout as drawn or mirrored. A layout that is its own mirror image is not mirrored. */
interface Side {
  mirrored: boolean;
  seen: Seen[];
}
function sidesOf(pieces: readonly FloorArea[]): Side[] {
  const near = (one: number, other: number) => Math.abs(one - other) < 1e-9;
  const own = pieces.every((piece) =>
    pieces.some(
      (eachPiece) =>
        eachPiece.kind === piece.kind &&
        near(eachPiece.along, piece.along) &&
        near(eachPiece.across, -piece.across) &&
        near(eachPiece.halfAlong, piece.halfAlong) &&
        near(eachPiece.halfAcross, piece.halfAcross) &&
        near(eachPiece.angle, -piece.angle),
    ),
  );
  // The largest first, and run-outs last.
  const size = (piece: FloorArea) => (piece.kind === "runOut" ? 0 : piece.halfAlong * piece.halfAcross);
  const sorted = [...pieces].sort((a, b) => size(b) - size(a));
  return (own ? [false] : [false, true]).map((mirrored) => ({ mirrored, seen: seenOf(sorted, mirrored) }));
}

/** The pieces seen from the front: x is along, y is across. */
function seenOf(pieces: readonly FloorArea[], mirrored: boolean): Seen[] {
  const way = mirrored ? -1 : 1;
  return pieces.map((piece) => {
    const box = {
      x: piece.along,
      y: way * piece.across,
      hx: piece.halfAlong,
      hy: piece.halfAcross,
      angle: way * piece.angle,
    };
    const whole = figureOfBox(box, null);
    const back = box.hx + WALL_BEHIND;
    return {
      kind: piece.kind,
      behind: piece.wall ? { x: box.x + back * Math.cos(box.angle), y: box.y + back * Math.sin(box.angle) } : null,
      whole,
      thin: piece.kind === "lane" && !piece.run ? figureOfBox({ ...box, hy: Math.min(THIN, box.hy) }, null) : whole,
    };
  });
}

/**
 * The shifts under which a layout overlaps something. For each pair that can overlap, they form a convex figure,
 * given by lines y = at + slope x below it and above it. Stored flat for speed.
 */
interface Forbidden {
  /** Pairs of `at` and `slope`. */
  lines: Float64Array;
  /** For each pair: where the lines above begin and end. The lines below come first. */
  split: Int32Array;
  ends: Int32Array;
  /** The range of shifts along within which the pair matters. */
  from: Float64Array;
  to: Float64Array;
  /** The number of pairs, and how many numbers of `lines` they use. More may be added. */
  count: number;
  n: number;
}
function forbiddenIn(
  view: View,
  seen: readonly Seen[],
  within: Bounds,
  scratch: Scratch,
  { count: before, n: used }: { count: number; n: number } = { count: 0, n: 0 },
): Forbidden {
  const { lines, above, split, ends, from, to } = scratch;
  let count = before;
  let n = used;
  let over = 0;
  let low = 0;
  let high = 0;
  /** Adds one half-plane a x + b y < c of the overlapping shifts. */
  const add = (a: number, b: number, c: number): void => {
    if (b > FLAT) {
      above[over] = c / b;
      above[over + 1] = -a / b;
      over += 2;
    } else if (b < -FLAT) {
      lines[n] = c / b;
      lines[n + 1] = -a / b;
      n += 2;
    } else if (a > 0) high = Math.min(high, c / a);
    else low = Math.max(low, c / a);
  };
  // Obstacles stand parallel to the sides of the space, so all have the same four directions. How far the pieces
  // reach that way is worked out once.
  const { boxes } = view;
  const reaches =
    boxes && seen.map((eachSeen) => [0, 3, 6, 9].map((i) => reachOf(eachSeen.whole, -boxes[i]!, -boxes[i + 1]!)));
  const along = boxes && seen.map((eachSeen) => alike(eachSeen.whole.normals, boxes));
  for (const figure of view.figures)
    for (let j = 0; j < seen.length; j++) {
      const s = seen[j]!;
      if (figure.kind === null ? s.kind === "runOut" : !keepsClear(s.kind, figure.kind)) continue;
      const p = figure.kind === null ? s.thin : s.whole;
      // Pairs that no shift within the hull brings together are skipped.
      low = figure.lowX - p.highX;
      high = figure.highX - p.lowX;
      if (high <= within.least || low >= within.most) continue;
      if (figure.highY - p.lowY <= within.low || figure.lowY - p.highY >= within.high) continue;
      const slack = figure.kind === null ? ROUNDING : OVERLAP_ALLOWED - ROUNDING;
      over = 0;
      // Shifted by t, they overlap by more than the slack where n t < the sum of their reaches - slack, for every
      // side of either.
      const box = figure.kind === null || !reaches ? null : reaches[j]!;
      for (let i = 0; i < figure.normals.length; i += 3) {
        const nx = figure.normals[i]!;
        const ny = figure.normals[i + 1]!;
        add(nx, ny, figure.normals[i + 2]! + (box ? box[i / 3]! : reachOf(p, -nx, -ny)) - slack);
      }
      // A piece parallel to the obstacles has no sides of its own to add.
      if (!(box && along![j]))
        for (let i = 0; i < p.normals.length; i += 3) {
          const nx = p.normals[i]!;
          const ny = p.normals[i + 1]!;
          add(-nx, -ny, p.normals[i + 2]! + reachOf(figure, -nx, -ny) - slack);
        }
      split[count] = n;
      for (let i = 0; i < over; i++) lines[n++] = above[i]!;
      from[count] = low;
      to[count] = high;
      ends[count++] = n;
    }
  return { lines, split, ends, from, to, count, n };
}

/** True if every side of one figure is parallel to a side of the other. */
function alike(normals: Float64Array, others: Float64Array): boolean {
  for (let i = 0; i < normals.length; i += 3) {
    let found = false;
    for (let k = 0; k < others.length && !found; k += 3)
      found = normals[i]! * others[k]! + normals[i + 1]! * others[k + 1]! > 1 - 1e-14;
    if (!found) return false;
  }
  return true;
}

/** True if a point lies within a figure. */
function holdsPoint(normals: Float64Array, x: number, y: number): boolean {
  for (let i = 0; i < normals.length; i += 3)
    if (normals[i]! * x + normals[i + 1]! * y > normals[i + 2]! + ROUNDING) return false;
  return true;
}
/** True if a point is in a wall: one that stands there or, if the sides of the space are walls, beyond them. */
function isWall(view: View, x: number, y: number): boolean {
  if (view.figures.some((figure) => figure.kind === "wall" && holdsPoint(figure.normals, x, y))) return true;
  if (!view.walled) return false;
  return (
    !holdsPoint(view.hull, x, y) ||
    view.figures.some((figure) => figure.kind === null && holdsPoint(figure.normals, x, y))
  );
}

/** The shifts that the hull allows at all. */
interface Bounds {
  least: number;
  most: number;
  low: number;
  high: number;
}

/** A shift under which all pieces lie in the space and clear of obstacles. Null if there is none. */
function shiftIn(view: View, seen: readonly Seen[], scratch: Scratch, hung: boolean): Point | null {
  const inner = seen.filter((eachSeen) => eachSeen.kind !== "runOut").map((eachSeen) => eachSeen.thin);
  // Only the piece that reaches farthest over a side of the hull matters there, so each side gives one half-plane.
  const hull = Float64Array.from(view.hull);
  for (let i = 0; i < hull.length; i += 3) {
    let far = -FAR;
    for (const figure of inner) far = Math.max(far, reachOf(figure, hull[i]!, hull[i + 1]!));
    hull[i + 2] = hull[i + 2]! - far + ROUNDING;
  }
  const within = boundsIn(hull);
  if (!within) return null;
  scratch.room(view.figures.length * seen.length);
  const front = Math.max(...inner.map((figure) => figure.highX));
  const back = Math.min(...inner.map((figure) => figure.lowX));
  const walls = hung ? seen.flatMap((eachSeen) => eachSeen.behind ?? []) : [];
  // What depends on a wall is where the layout touches it, and that may not be its farthest end.
  const touching = [front, back, ...seen.flatMap((eachSeen) => (eachSeen.behind ? [eachSeen.whole.highX] : []))];
  const tried = triedAlong(view.marks, touching, within.least, within.most);
  // Among many obstacles, a few large pieces are tried first. If they have no room, the others need not be tried.
  const crowded = view.figures.length >= CROWDED && seen.length > FEW;
  const large = forbiddenIn(view, crowded ? seen.slice(0, FEW) : seen, within, scratch);
  inOrder(scratch.order, large.count);
  const left = crowded ? tried.filter((tx) => freeAt(tx, hull, large, scratch) !== null) : tried;
  if (left.length === 0) return null;
  const all = crowded ? forbiddenIn(view, seen.slice(FEW), within, scratch, large) : large;
  if (crowded) inOrder(scratch.order, all.count);
  for (const tx of left) {
    const room = freeAt(tx, hull, all, scratch);
    if (!room) continue;
    // In the middle of the room across or, for a wall at the side, as near to either end of it as possible.
    const middle = (room.low + room.high) / 2;
    for (const wanted of walls.length > 0 ? [middle, room.low, room.high] : [middle]) {
      const ty = nearestFree(wanted, scratch.lows, scratch.highs, room.free);
      if (walls.every((wall) => isWall(view, wall.x + tx, wall.y + ty))) return { x: tx, y: ty };
    }
  }
  return null;
}
/** Among at least this many obstacles, this many of the largest pieces are tried first. */
const CROWDED = 4;
const FEW = 4;
function inOrder(order: Int32Array, count: number): void {
  for (let i = 0; i < count; i++) order[i] = i;
}

/**
 * The room across at a place along, and the number of free stretches (in `scratch.lows` and `highs`). Null if there
 * is none.
 */
function freeAt(
  tx: number,
  hull: Float64Array,
  { lines, split, ends, from, to, count }: Forbidden,
  { lows, highs, order }: Scratch,
): { low: number; high: number; free: number } | null {
  let low = -FAR;
  let high = FAR;
  for (let i = 0; i < hull.length; i += 3) {
    const ny = hull[i + 1]!;
    const room = hull[i + 2]! - hull[i]! * tx;
    if (ny > FLAT) high = Math.min(high, room / ny);
    else if (ny < -FLAT) low = Math.max(low, room / ny);
    else if (room < 0) high = -FAR;
  }
  if (low > high) return null;
  lows[0] = low;
  highs[0] = high;
  let free = 1;
  for (let k = 0; k < count; k++) {
    const f = order[k]!;
    if (tx <= from[f]! || tx >= to[f]!) continue;
    let begin = -FAR;
    let end = FAR;
    const mid = split[f]!;
    const last = ends[f]!;
    for (let i = f === 0 ? 0 : ends[f - 1]!; i < mid; i += 2) {
      const y = lines[i]! + lines[i + 1]! * tx;
      if (y > begin) begin = y;
    }
    if (begin >= high) continue;
    for (let i = mid; i < last; i += 2) {
      const y = lines[i]! + lines[i + 1]! * tx;
      if (y < end) end = y;
    }
    if (begin >= end || end <= low) continue;
    free = without(lows, highs, free, begin, end);
    if (free > 0) continue;
    // What blocks one place mostly blocks the next too, so it moves up in the order.
    const sooner = k >> 1;
    order[k] = order[sooner]!;
    order[sooner] = f;
    return null;
  }
  return { low, high, free };
}

/** Removes an open stretch from closed free ones, in place, and returns how many are left. Touching ends stay. */
function without(lows: Float64Array, highs: Float64Array, free: number, begin: number, end: number): number {
  let count = free;
  for (let i = 0; i < count; i++) {
    const [lo, hi] = [lows[i]!, highs[i]!];
    if (end <= lo || begin >= hi) continue;
    const [left, right] = [begin >= lo - TOUCHING, end <= hi + TOUCHING];
    if (left && right && count < MAX_FREE) {
      highs[i] = Math.max(lo, begin);
      lows[count] = Math.min(hi, end);
      highs[count++] = hi;
    } else if (left) highs[i] = Math.max(lo, begin);
    else if (right) lows[i] = Math.min(hi, end);
    else {
      count--;
      lows[i] = lows[count]!;
      highs[i] = highs[count]!;
      i--;
    }
  }
  return count;
}
/** Free stretches may be as short as this, metres. */
const TOUCHING = 1e-9;
/** A side this close to level bounds nothing across. */
const FLAT = 1e-9;

/** The least and greatest shifts, along and across, that the half-planes allow. Null if nothing is left. */
function boundsIn(planes: Float64Array): Bounds | null {
  const out = { least: FAR, most: -FAR, low: FAR, high: -FAR };
  for (let i = 0; i < planes.length; i += 3)
    for (let j = i + 3; j < planes.length; j += 3) {
      const det = planes[i]! * planes[j + 1]! - planes[i + 1]! * planes[j]!;
      if (Math.abs(det) < FLAT) continue;
      const x = (planes[i + 2]! * planes[j + 1]! - planes[i + 1]! * planes[j + 2]!) / det;
      const y = (planes[i]! * planes[j + 2]! - planes[i + 2]! * planes[j]!) / det;
      let all = true;
      for (let k = 0; k < planes.length && all; k += 3)
        all = planes[k]! * x + planes[k + 1]! * y <= planes[k + 2]! + 1e-7;
      if (!all) continue;
      out.least = Math.min(out.least, x);
      out.most = Math.max(out.most, x);
      out.low = Math.min(out.low, y);
      out.high = Math.max(out.high, y);
    }
  return out.least <= out.most ? out : null;
}

/**
 * The shifts along to try, nearest first: where an end of the layout touches something, the middle, and some in
 * between.
 */
function triedAlong(marks: readonly number[], ends: readonly number[], least: number, most: number): Float64Array {
  const steps = Math.min(MAX_SAMPLES, Math.ceil((most - least) / SAMPLE));
  const all = new Float64Array(steps + 2 + ends.length * marks.length);
  let count = 0;
  for (let i = 0; i <= steps; i++) all[count++] = least + ((most - least) * i) / Math.max(1, steps);
  all[count++] = (least + most) / 2;
  for (const mark of marks)
    for (const end of ends) {
      const value = mark - end;
      if (value >= least - 1e-5 && value <= most + 1e-5) all[count++] = Math.min(most, Math.max(least, value));
    }
  const sorted = all.subarray(0, count).sort();
  let kept = 0;
  for (let i = 0; i < count; i++)
    if (kept === 0 || sorted[i]! - sorted[kept - 1]! > SAME_PLACE) sorted[kept++] = sorted[i]!;
  return sorted.subarray(0, kept);
}
/** Places along that are closer than this count as one, metres. */
const SAME_PLACE = 1e-4;

/**
 * The place nearest to `wanted` in the first `count` free stretches; there is at least one. Of two equally near
 * places, the higher.
 */
function nearestFree(wanted: number, lows: Float64Array, highs: Float64Array, count: number): number {
  let best = Number.NaN;
  for (let i = 0; i < count; i++) {
    const y = Math.min(highs[i]!, Math.max(lows[i]!, wanted));
    const nearer = Math.abs(y - wanted) - Math.abs(best - wanted);
    if (i === 0 || nearer < -TOUCHING || (nearer <= TOUCHING && y > best)) best = y;
  }
  return best;
}
