import { upright } from "./canonical-orientation.ts";
import type { Piece } from "./footprint.ts";
import { areaOf, type Box, between, inside, type Point } from "./geometry.ts";
import type { Placement } from "./placement.ts";
import { boxOf } from "./shapes.ts";
import type { Ground, Obstacle } from "./space.ts";

/** Nothing overlaps by more, metres. */
export const OVERLAP_ALLOWED = 0.01;
/** Directions tried at most; the sides of the space and its longest diagonals come first. */
const MAX_HEADINGS = 14;
/** Touching is allowed, and rounding must not make it otherwise, metres. */
const ROUNDING = 1e-6;
const SAME_HEADING = Math.PI / 180;
/** Places looked at along a direction beside those where something touches: as far apart, metres, and so many at most. */
const SAMPLE = 0.12;
const MAX_SAMPLES = 24;
/** What depends on a wall has it so close behind, metres. */
export const WALL_BEHIND = 0.15;
/** Of a lane that things pass, its middle must lie inside so wide, metres; somebody who runs needs all of it. */
export const THIN = 0.02;

/** What of an obstacle each kind of piece must keep clear of. A wall stops things; nothing may stand in it. */
export function keepsClear(piece: Piece["kind"], option: Obstacle["kind"]): boolean {
  if (piece === "runOut") return option === "breakable" || option === "stairs" || option === "door";
  return true;
}

/** Directions worth trying: as drawn, along the sides, and along the longest lines between corners, both ways. */
function headings(corners: readonly Point[]): number[] {
  const found: { angle: number; by: number }[] = [];
  for (const [i, point] of corners.entries())
    for (const [j, corner] of corners.entries()) {
      if (i === j) continue;
      const side = j === (i + 1) % corners.length || i === (j + 1) % corners.length;
      // Rounded, so that of two as long the order is that of their angles.
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
 * A space as a convex hull and the pockets cut out of it, in triangles: whatever lies in the hull and in no pocket lies in the space.
 * Corners go round to the left.
 */
export function hullAndPockets(corners: readonly Point[]): { hull: Point[]; pockets: [Point, Point, Point][] } {
  const all = areaOf(corners) < 0 ? [...corners].reverse() : [...corners];
  const count = all.length;
  // The lowest, leftmost corner is on the hull; from each corner on it the next one is that with nothing to its right.
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
/** A simple polygon whose corners go round to the left, in triangles, ear by ear. */
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

/** A convex figure as it is seen from one direction: its corners, and the outward normals of its sides. */
interface Figure {
  xs: Float64Array;
  ys: Float64Array;
  /** Normal by normal: its two directions, and how far the figure itself reaches that way. */
  normals: Float64Array;
  lowX: number;
  highX: number;
  lowY: number;
  highY: number;
  /** What it is, for pieces that need not keep clear of it; null: a pocket of the space. */
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

/** The figure of a rectangle, without going round its corners one by one. */
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
    // Round to the left from the near right corner; the side after each looks outwards.
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

/** Farthest that a figure reaches in a direction. */
function reachOf(figure: Figure, nx: number, ny: number): number {
  let far = Number.NEGATIVE_INFINITY;
  for (let i = 0; i < figure.xs.length; i++) far = Math.max(far, figure.xs[i]! * nx + figure.ys[i]! * ny);
  return far;
}

/** A space seen from one direction, turned so that the layout looks along x. */
interface View {
  angle: number;
  /** Half planes of the hull: inside where nx x + ny y <= d. */
  hull: Float64Array;
  figures: readonly Figure[];
  /** The four directions of the things that stand there; null without any. */
  boxes: Float64Array | null;
  /** The sides of the space are walls. */
  walled: boolean;
  /** Where something begins or ends along the direction. */
  marks: readonly number[];
}

/** One piece of a layout as it is seen from the front, unshifted. */
interface Seen {
  kind: Piece["kind"];
  /** As it must keep clear of things, and as it must lie in the space. */
  whole: Figure;
  thin: Figure;
  /** The place behind it that must be wall, where it depends on one. */
  behind: Point | null;
}

/** Sides of two figures together, at most. */
const MAX_SIDES = 8;
/** Stretches across that may be left free between things, at most: more are taken as one place fewer, never as one more. */
const MAX_FREE = 64;
/** Room to work in, taken once and used for every direction. */
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

/** Looks for places in one space, from every direction worth trying; what it has worked out for a direction it keeps. */
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
   * A place for a layout: for every direction, as drawn and mirrored, the nearest place along it at which there is room across; of the room
   * across, what is nearest to the middle. Deterministic. Along a direction it looks where something touches and every 12 cm (24 places at
   * most); across, all of it. What depends on a wall must have one behind it; where no such place is found, any place will do.
   */
  find(pieces: readonly Piece[]): Placement | null {
    return this.longest(() => pieces, 1, 1, 1)?.placement ?? null;
  }

  /**
   * The largest share of a layout between `from` and `to` that lies somewhere, to a `step`, and its place; null where not even the shortest does.
   * `at`: its pieces at a share, null where that is not allowed. What lies in a direction is taken to lie there shorter as well, so a direction
   * is only looked at for more than is already found; the first one in which all of it lies is taken.
   */
  longest(at: (k: number) => readonly Piece[] | null, from: number, to: number, step: number): Longest | null {
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
    // Round and round, until every direction has been looked at for just more than is found.
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
      // This way has been looked at for more already.
      idle = 0;
    }
    return best;
  }
}
/** A share of a layout's distances and where it lies. */
export interface Longest {
  k: number;
  placement: Placement;
}

/** A layout as drawn or mirrored; one that is its own mirror image need not be mirrored. */
interface Side {
  mirrored: boolean;
  seen: Seen[];
}
function sidesOf(pieces: readonly Piece[]): Side[] {
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
  // The largest first, and last where things only run on.
  const size = (piece: Piece) => (piece.kind === "runOut" ? 0 : piece.halfAlong * piece.halfAcross);
  const sorted = [...pieces].sort((a, b) => size(b) - size(a));
  return (own ? [false] : [false, true]).map((mirrored) => ({ mirrored, seen: seenOf(sorted, mirrored) }));
}

/** Pieces as they are seen from the front: along is x, across y. */
function seenOf(pieces: readonly Piece[], mirrored: boolean): Seen[] {
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
 * Shifts under which a layout overlaps something: for each pair that can, a convex figure, told by lines y = at + slope x that it lies above, and others
 * that it lies below; flat for speed.
 */
interface Forbidden {
  /** Pairs of `at` and `slope`. */
  lines: Float64Array;
  /** Of each pair: where the lines above begin, and where they end. Those below come first. */
  split: Int32Array;
  ends: Int32Array;
  /** Between which shifts along it matters. */
  from: Float64Array;
  to: Float64Array;
  /** Pairs, and how many numbers of `lines` they take; more may be added. */
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
  /** One half plane a x + b y < c of the shifts that overlap. */
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
  // Things that stand in a space lie along its sides, all with the same four directions: what the pieces reach that way is worked out once.
  const { boxes } = view;
  const reaches =
    boxes && seen.map((eachSeen) => [0, 3, 6, 9].map((i) => reachOf(eachSeen.whole, -boxes[i]!, -boxes[i + 1]!)));
  const along = boxes && seen.map((eachSeen) => alike(eachSeen.whole.normals, boxes));
  for (const figure of view.figures)
    for (let j = 0; j < seen.length; j++) {
      const s = seen[j]!;
      if (figure.kind === null ? s.kind === "runOut" : !keepsClear(s.kind, figure.kind)) continue;
      const p = figure.kind === null ? s.thin : s.whole;
      // Pairs that no shift within the hull brings together need no looking at.
      low = figure.lowX - p.highX;
      high = figure.highX - p.lowX;
      if (high <= within.least || low >= within.most) continue;
      if (figure.highY - p.lowY <= within.low || figure.lowY - p.highY >= within.high) continue;
      const slack = figure.kind === null ? ROUNDING : OVERLAP_ALLOWED - ROUNDING;
      over = 0;
      // Shifted by t they overlap by more than the slack where n t < reach of the one + reach of the other - slack, for every side of either.
      const box = figure.kind === null || !reaches ? null : reaches[j]!;
      for (let i = 0; i < figure.normals.length; i += 3) {
        const nx = figure.normals[i]!;
        const ny = figure.normals[i + 1]!;
        add(nx, ny, figure.normals[i + 2]! + (box ? box[i / 3]! : reachOf(p, -nx, -ny)) - slack);
      }
      // A piece that lies along the same directions has no sides of its own to add.
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

/** Whether all sides of one figure look where sides of the other do. */
function alike(normals: Float64Array, others: Float64Array): boolean {
  for (let i = 0; i < normals.length; i += 3) {
    let found = false;
    for (let k = 0; k < others.length && !found; k += 3)
      found = normals[i]! * others[k]! + normals[i + 1]! * others[k + 1]! > 1 - 1e-14;
    if (!found) return false;
  }
  return true;
}

/** Whether a point lies within a figure. */
function holdsPoint(normals: Float64Array, x: number, y: number): boolean {
  for (let i = 0; i < normals.length; i += 3)
    if (normals[i]! * x + normals[i + 1]! * y > normals[i + 2]! + ROUNDING) return false;
  return true;
}
/** Whether a point is in a wall: one that stands there or, where the sides of the space are walls, beyond them. */
function isWall(view: View, x: number, y: number): boolean {
  if (view.figures.some((figure) => figure.kind === "wall" && holdsPoint(figure.normals, x, y))) return true;
  if (!view.walled) return false;
  return (
    !holdsPoint(view.hull, x, y) ||
    view.figures.some((figure) => figure.kind === null && holdsPoint(figure.normals, x, y))
  );
}

/** Which shifts the hull allows at all. */
interface Bounds {
  least: number;
  most: number;
  low: number;
  high: number;
}

/** A shift under which all pieces lie in the space and clear of things, or null. */
function shiftIn(view: View, seen: readonly Seen[], scratch: Scratch, hung: boolean): Point | null {
  const inner = seen.filter((eachSeen) => eachSeen.kind !== "runOut").map((eachSeen) => eachSeen.thin);
  // Every side of the hull keeps out whatever reaches farthest over it: one half plane a side.
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
  // What depends on a wall is where the layout meets it, and may not be its farthest end.
  const touching = [front, back, ...seen.flatMap((eachSeen) => (eachSeen.behind ? [eachSeen.whole.highX] : []))];
  const tried = triedAlong(view.marks, touching, within.least, within.most);
  // Among many things a few large pieces are looked at first: where they have no room, the rest need no looking at.
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
    // In the middle of the room across; or, for a wall at the side, as near to either end of it as can be.
    const middle = (room.low + room.high) / 2;
    for (const wanted of walls.length > 0 ? [middle, room.low, room.high] : [middle]) {
      const ty = nearestFree(wanted, scratch.lows, scratch.highs, room.free);
      if (walls.every((wall) => isWall(view, wall.x + tx, wall.y + ty))) return { x: tx, y: ty };
    }
  }
  return null;
}
/** Among so many things so many of the largest pieces are looked at first. */
const CROWDED = 4;
const FEW = 4;
function inOrder(order: Int32Array, count: number): void {
  for (let i = 0; i < count; i++) order[i] = i;
}

/** How much room there is across at a place along, and in how many free stretches (in `scratch.lows` and `highs`); null: none. */
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
    // What closes a way here mostly closes the next one as well: it is looked at earlier.
    const sooner = k >> 1;
    order[k] = order[sooner]!;
    order[sooner] = f;
    return null;
  }
  return { low, high, free };
}

/** Takes an open stretch out of closed free ones, in place; answers how many are left. Touching ends stay. */
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
/** Free stretches may be so short, metres. */
const TOUCHING = 1e-9;
/** A side this near to level bounds nothing across. */
const FLAT = 1e-9;

/** Least and most shift along and across that half planes leave room for: the corners of what they bound; null where nothing is left. */
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

/** Shifts along to look at: where one of the layout's ends touches something, the middle, and some in between; nearest first. */
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
/** Places along nearer to each other are one, metres. */
const SAME_PLACE = 1e-4;

/** The place nearest to `wanted` in the first `count` free stretches, of which there is one at least; of two as near the higher. */
function nearestFree(wanted: number, lows: Float64Array, highs: Float64Array, count: number): number {
  let best = Number.NaN;
  for (let i = 0; i < count; i++) {
    const y = Math.min(highs[i]!, Math.max(lows[i]!, wanted));
    const nearer = Math.abs(y - wanted) - Math.abs(best - wanted);
    if (i === 0 || nearer < -TOUCHING || (nearer <= TOUCHING && y > best)) best = y;
  }
  return best;
}
