import type { Piece } from "./footprint.ts";
import { areaOf, between, cornersOfBox, inside, type Point } from "./geometry.ts";
import { type Placement, placed } from "./placement.ts";
import { boxOf } from "./shapes.ts";
import type { Ground, Obstacle } from "./space.ts";

/** Nothing overlaps by more, metres. */
export const OVERLAP_ALLOWED = 0.01;
/** Directions tried at most; the sides of the space and its longest diagonals come first. */
const MOST_HEADINGS = 14;
/** Touching is allowed, and rounding must not make it otherwise, metres. */
const ROUNDING = 1e-6;
const SAME_HEADING = Math.PI / 180;
/** Places looked at along a direction beside those where something touches: as far apart, metres, and so many at most. */
const SAMPLE = 0.12;
const MOST_SAMPLES = 24;
/** What hangs on a wall has it so close behind, metres. */
export const WALL_BEHIND = 0.15;
/** Of a lane that things pass, its middle must lie inside so wide, metres; somebody who runs needs all of it. */
export const THIN = 0.02;

/** What of an obstacle each kind of piece must keep clear of. A wall stops things; nothing may stand in it. */
export function keepsClear(piece: Piece["kind"], o: Obstacle["kind"]): boolean {
  if (piece === "runOut") return o === "breakable" || o === "stairs" || o === "door";
  return true;
}

/** Directions worth trying: as drawn, along the sides, and along the longest lines between corners, both ways. */
function headings(corners: readonly Point[]): number[] {
  const found: { angle: number; by: number }[] = [];
  for (const [i, a] of corners.entries())
    for (const [j, b] of corners.entries()) {
      if (i === j) continue;
      const side = j === (i + 1) % corners.length || i === (j + 1) % corners.length;
      found.push({ angle: Math.atan2(b.y - a.y, b.x - a.x), by: between(a, b) + (side ? 1000 : 0) });
    }
  found.sort((p, q) => q.by - p.by || p.angle - q.angle);
  const out = [0];
  for (const { angle } of found) {
    const near = out.some((x) => Math.abs(Math.atan2(Math.sin(x - angle), Math.cos(x - angle))) < SAME_HEADING);
    if (!near && out.length < MOST_HEADINGS) out.push(angle);
  }
  return out;
}

const leftTurn = (a: Point, b: Point, c: Point) => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);

/**
 * A space as a convex hull and the pockets cut out of it, in triangles: whatever lies in the hull and in no pocket lies in the space.
 * Corners go round to the left.
 */
export function hullAndPockets(corners: readonly Point[]): { hull: Point[]; pockets: [Point, Point, Point][] } {
  const all = areaOf(corners) < 0 ? [...corners].reverse() : [...corners];
  const n = all.length;
  // The lowest, leftmost corner is on the hull; from each corner on it the next one is that with nothing to its right.
  let first = 0;
  all.forEach((p, i) => {
    if (p.y < all[first]!.y || (p.y === all[first]!.y && p.x < all[first]!.x)) first = i;
  });
  const on: number[] = [];
  let at = first;
  do {
    on.push(at);
    let next = (at + 1) % n;
    for (let k = 2; k < n; k++) {
      const j = (at + k) % n;
      const turn = leftTurn(all[at]!, all[next]!, all[j]!);
      if (turn < -1e-12 || (turn <= 1e-12 && between(all[at]!, all[j]!) > between(all[at]!, all[next]!))) next = j;
    }
    at = next;
  } while (at !== first && on.length <= n);
  const pockets = on.flatMap((i, k) => {
    const j = on[(k + 1) % on.length]!;
    const chain: Point[] = [];
    for (let m = i; ; m = (m + 1) % n) {
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
    const ear = left.findIndex((b, i) => {
      const [a, c] = [left[(i + left.length - 1) % left.length]!, left[(i + 1) % left.length]!];
      if (leftTurn(a, b, c) <= 1e-12) return false;
      return !left.some((p) => p !== a && p !== b && p !== c && inside([a, b, c], p));
    });
    const i = Math.max(0, ear);
    out.push([left[(i + left.length - 1) % left.length]!, left[i]!, left[(i + 1) % left.length]!]);
    left.splice(i, 1);
  }
  out.push([left[0]!, left[1]!, left[2]!]);
  return out.filter(([a, b, c]) => leftTurn(a, b, c) > 1e-9);
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
  const n = corners.length;
  const [xs, ys, normals] = [new Float64Array(n), new Float64Array(n), new Float64Array(3 * n)];
  let [lowX, highX, lowY, highY] = [FAR, -FAR, FAR, -FAR];
  for (let i = 0; i < n; i++) {
    const [a, b] = [corners[i]!, corners[(i + 1) % n]!];
    xs[i] = a.x;
    ys[i] = a.y;
    const l = between(a, b) || 1;
    const [nx, ny] = [(b.y - a.y) / l, (a.x - b.x) / l];
    normals[3 * i] = nx;
    normals[3 * i + 1] = ny;
    normals[3 * i + 2] = nx * a.x + ny * a.y;
    lowX = Math.min(lowX, a.x);
    highX = Math.max(highX, a.x);
    lowY = Math.min(lowY, a.y);
    highY = Math.max(highY, a.y);
  }
  return { kind, xs, ys, normals, lowX, highX, lowY, highY };
}
const FAR = Number.POSITIVE_INFINITY;
/** Farthest that a figure reaches in a direction. */
function reachOf(f: Figure, nx: number, ny: number): number {
  let far = Number.NEGATIVE_INFINITY;
  for (let i = 0; i < f.xs.length; i++) far = Math.max(far, f.xs[i]! * nx + f.ys[i]! * ny);
  return far;
}

/** A space seen from one direction, turned so that the layout looks along x. */
interface View {
  angle: number;
  /** Half planes of the hull: inside where nx x + ny y <= d. */
  hull: Float64Array;
  figures: readonly Figure[];
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
  /** The place behind it that must be wall, where it hangs on one. */
  behind: Point | null;
}

/** Sides of two figures together, at most. */
const MOST_SIDES = 8;
/** Room to work in, taken once and used for every direction. */
class Scratch {
  planes = new Float64Array(0);
  ends = new Int32Array(0);
  from = new Float64Array(0);
  to = new Float64Array(0);
  lows = new Float64Array(0);
  highs = new Float64Array(0);
  room(pairs: number): this {
    if (this.ends.length >= pairs) return this;
    this.planes = new Float64Array(pairs * MOST_SIDES * 3);
    this.ends = new Int32Array(pairs);
    [this.from, this.to, this.lows, this.highs] = [0, 0, 0, 0].map(() => new Float64Array(pairs)) as [
      Float64Array<ArrayBuffer>,
      Float64Array<ArrayBuffer>,
      Float64Array<ArrayBuffer>,
      Float64Array<ArrayBuffer>,
    ];
    return this;
  }
}

/** Looks for places in one space, from every direction worth trying; what it has worked out for a direction it keeps. */
export class Seeker {
  private readonly order: number[];
  private readonly views = new Map<number, View>();
  private readonly scratch = new Scratch();
  private readonly parts: ReturnType<typeof hullAndPockets>;
  constructor(private readonly ground: Ground) {
    this.order = headings(ground.corners);
    this.parts = hullAndPockets(ground.corners);
  }

  private view(angle: number): View {
    const known = this.views.get(angle);
    if (known) return known;
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const turn = (p: Point) => ({ x: p.x * c + p.y * s, y: -p.x * s + p.y * c });
    const hull = this.parts.hull.map(turn);
    const figures = [
      ...this.ground.obstacles.map((o) => figureOf(cornersOfBox(boxOf(o)).map(turn), o.kind)),
      ...this.parts.pockets.map((t) => figureOf(t.map(turn), null)),
    ];
    const made: View = {
      angle,
      hull: figureOf(hull, null).normals,
      figures,
      walled: this.ground.indoors,
      marks: [...hull.map((p) => p.x), ...figures.flatMap((f) => [f.lowX, f.highX])],
    };
    this.views.set(angle, made);
    return made;
  }

  /**
   * A place for a layout: for every direction, as drawn and mirrored, the nearest place along it at which there is room across; of the room
   * across, what is nearest to the middle. Deterministic. Along a direction it looks where something touches and every 12 cm (24 places at
   * most); across, all of it. `first`: a direction to try before the others. `hung`: what hangs on a wall must have
   * one behind it; where no such place is found, any place will do.
   */
  find(pieces: readonly Piece[], first: number | null = null, hung = pieces.some((p) => p.wall)): Placement | null {
    const near = (a: number, b: number) => Math.abs(a - b) < 1e-9;
    const alike = pieces.every((p) =>
      pieces.some(
        (q) =>
          q.kind === p.kind &&
          near(q.along, p.along) &&
          near(q.across, -p.across) &&
          near(q.halfAlong, p.halfAlong) &&
          near(q.halfAcross, p.halfAcross) &&
          near(q.angle, -p.angle),
      ),
    );
    // A layout that is its own mirror image need not be mirrored.
    const sides = (alike ? [false] : [false, true]).map((mirrored) => ({ mirrored, seen: seenOf(pieces, mirrored) }));
    const order = first === null ? this.order : [first, ...this.order.filter((a) => a !== first)];
    for (const angle of order) {
      const view = this.view(angle);
      for (const { mirrored, seen } of sides) {
        const t = shiftIn(view, seen, this.scratch, hung);
        if (!t) continue;
        const [c, s] = [Math.cos(angle), Math.sin(angle)];
        return { x: t.x * c - t.y * s, y: t.x * s + t.y * c, angle, mirrored };
      }
    }
    return hung ? this.find(pieces, first, false) : null;
  }
}

function seenOf(pieces: readonly Piece[], mirrored: boolean): Seen[] {
  const at = { x: 0, y: 0, angle: 0, mirrored };
  return pieces.map((p) => {
    const box = placed(p, at);
    const whole = figureOf(cornersOfBox(box), null);
    const back = box.hx + WALL_BEHIND;
    return {
      kind: p.kind,
      behind: p.wall ? { x: box.x + back * Math.cos(box.angle), y: box.y + back * Math.sin(box.angle) } : null,
      whole,
      thin: p.kind === "lane" && !p.run ? figureOf(cornersOfBox({ ...box, hy: Math.min(THIN, box.hy) }), null) : whole,
    };
  });
}

/** Shifts under which a layout overlaps something: for each pair that can, its half planes a x + b y < c, flat for speed. */
interface Forbidden {
  planes: Float64Array;
  /** Where the planes of a pair end, and between which shifts along it matters. */
  ends: Int32Array;
  from: Float64Array;
  to: Float64Array;
  count: number;
}
function forbiddenIn(view: View, seen: readonly Seen[], within: Bounds, scratch: Scratch): Forbidden {
  const { planes, ends, from, to } = scratch.room(view.figures.length * seen.length);
  let [count, n] = [0, 0];
  for (const f of view.figures)
    for (const s of seen) {
      if (f.kind === null ? s.kind === "runOut" : !keepsClear(s.kind, f.kind)) continue;
      const p = f.kind === null ? s.thin : s.whole;
      // Pairs that no shift within the hull brings together need no looking at.
      const [low, high] = [f.lowX - p.highX, f.highX - p.lowX];
      if (high <= within.least || low >= within.most) continue;
      if (f.highY - p.lowY <= within.low || f.lowY - p.highY >= within.high) continue;
      const slack = f.kind === null ? ROUNDING : OVERLAP_ALLOWED - ROUNDING;
      // Shifted by t they overlap by more than the slack where n t < reach of the one + reach of the other - slack, for every side of either.
      for (let i = 0; i < f.normals.length; i += 3) {
        const [nx, ny] = [f.normals[i]!, f.normals[i + 1]!];
        planes[n++] = nx;
        planes[n++] = ny;
        planes[n++] = f.normals[i + 2]! + reachOf(p, -nx, -ny) - slack;
      }
      for (let i = 0; i < p.normals.length; i += 3) {
        const [nx, ny] = [p.normals[i]!, p.normals[i + 1]!];
        planes[n++] = -nx;
        planes[n++] = -ny;
        planes[n++] = p.normals[i + 2]! + reachOf(f, -nx, -ny) - slack;
      }
      from[count] = low;
      to[count] = high;
      ends[count++] = n;
    }
  return { planes, ends, from, to, count };
}

/** Whether a point lies within a figure. */
function holdsPoint(normals: Float64Array, x: number, y: number): boolean {
  for (let i = 0; i < normals.length; i += 3)
    if (normals[i]! * x + normals[i + 1]! * y > normals[i + 2]! + ROUNDING) return false;
  return true;
}
/** Whether a point is in a wall: one that stands there or, where the sides of the space are walls, beyond them. */
function isWall(view: View, x: number, y: number): boolean {
  if (view.figures.some((f) => f.kind === "wall" && holdsPoint(f.normals, x, y))) return true;
  if (!view.walled) return false;
  return !holdsPoint(view.hull, x, y) || view.figures.some((f) => f.kind === null && holdsPoint(f.normals, x, y));
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
  const inner = seen.filter((p) => p.kind !== "runOut").map((p) => p.thin);
  // Every side of the hull keeps out whatever reaches farthest over it: one half plane a side.
  const hull = Float64Array.from(view.hull);
  for (let i = 0; i < hull.length; i += 3) {
    let far = -FAR;
    for (const p of inner) far = Math.max(far, reachOf(p, hull[i]!, hull[i + 1]!));
    hull[i + 2] = hull[i + 2]! - far + ROUNDING;
  }
  const within = boundsIn(hull);
  if (!within) return null;
  const { planes, ends, from, to, count } = forbiddenIn(view, seen, within, scratch);
  const { lows, highs } = scratch;
  const front = Math.max(...inner.map((p) => p.highX));
  const back = Math.min(...inner.map((p) => p.lowX));
  const walls = hung ? seen.flatMap((p) => p.behind ?? []) : [];
  // What hangs on a wall is where the layout meets it, and may not be its farthest end.
  const touching = [front, back, ...seen.flatMap((p) => (p.behind ? [p.whole.highX] : []))];
  for (const tx of triedAlong(view.marks, touching, within.least, within.most)) {
    let [low, high] = [-FAR, FAR];
    for (let i = 0; i < hull.length; i += 3) {
      const ny = hull[i + 1]!;
      const room = hull[i + 2]! - hull[i]! * tx;
      if (ny > FLAT) high = Math.min(high, room / ny);
      else if (ny < -FLAT) low = Math.max(low, room / ny);
      else if (room < 0) high = -FAR;
    }
    if (low > high) continue;
    let n = 0;
    for (let f = 0; f < count; f++) {
      if (tx <= from[f]! || tx >= to[f]!) continue;
      let [begin, end] = [-FAR, FAR];
      for (let i = f === 0 ? 0 : ends[f - 1]!; i < ends[f]!; i += 3) {
        const ny = planes[i + 1]!;
        const room = planes[i + 2]! - planes[i]! * tx;
        if (ny > FLAT) {
          if (room / ny < end) end = room / ny;
        } else if (ny < -FLAT) {
          if (room / ny > begin) begin = room / ny;
        } else if (room <= 0) end = -FAR;
        if (begin >= end) break;
      }
      if (begin >= end || end <= low || begin >= high) continue;
      lows[n] = begin;
      highs[n++] = end;
      if (begin < low && end > high) break;
    }
    // In the middle of the room across; or, for a wall at the side, as near to either end of it as can be.
    for (const wanted of walls.length > 0 ? [(low + high) / 2, low, high] : [(low + high) / 2]) {
      const ty = nearestFree(wanted, low, high, lows, highs, n);
      if (ty !== null && walls.every((w) => isWall(view, w.x + tx, w.y + ty))) return { x: tx, y: ty };
    }
  }
  return null;
}
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
  const steps = Math.min(MOST_SAMPLES, Math.ceil((most - least) / SAMPLE));
  const all = new Float64Array(steps + 2 + ends.length * marks.length);
  let n = 0;
  for (let i = 0; i <= steps; i++) all[n++] = least + ((most - least) * i) / Math.max(1, steps);
  all[n++] = (least + most) / 2;
  for (const m of marks)
    for (const end of ends) {
      const v = m - end;
      if (v >= least - 1e-5 && v <= most + 1e-5) all[n++] = Math.min(most, Math.max(least, v));
    }
  const sorted = all.subarray(0, n).sort();
  let kept = 0;
  for (let i = 0; i < n; i++)
    if (kept === 0 || sorted[i]! - sorted[kept - 1]! > SAME_PLACE) sorted[kept++] = sorted[i]!;
  return sorted.subarray(0, kept);
}
/** Places along nearer to each other are one, metres. */
const SAME_PLACE = 1e-4;

/** The place nearest to `wanted` between `low` and `high` that lies in none of the first `n` open stretches, or null. */
function nearestFree(
  wanted: number,
  low: number,
  high: number,
  lows: Float64Array,
  highs: Float64Array,
  n: number,
): number | null {
  const walk = (up: boolean): number => {
    let at = wanted;
    for (let moved = true; moved; ) {
      moved = false;
      for (let i = 0; i < n; i++)
        if (at > lows[i]! + 1e-9 && at < highs[i]! - 1e-9) {
          at = up ? highs[i]! : lows[i]!;
          moved = true;
        }
      if (at > high || at < low) return Number.NaN;
    }
    return at;
  };
  const [up, down] = [walk(true), walk(false)];
  if (Number.isNaN(up)) return Number.isNaN(down) ? null : down;
  return Number.isNaN(down) || up - wanted <= wanted - down ? up : down;
}
