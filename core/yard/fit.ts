import { flightTo, type Rise } from "../physics/flight.ts";
import { footprintOf, NARROWEST, type Piece, scaledParts } from "./footprint.ts";
import { areaOf, type Box, boxInside, cornersOfBox, diameterOf, EPS, inside, overlap, type Point } from "./geometry.ts";
import type { Part, PartOf, Place } from "./parts.ts";
import { boxOf, type Ground, type Obstacle } from "./space.ts";

/** Nothing overlaps by more, metres. */
export const OVERLAP_ALLOWED = 0.01;
/** A layout shrinks to this share of its distances at most. */
export const SMALLEST_SCALE = 0.4;
const SCALE_STEP = 0.05;
/** Directions tried at most; the sides of the space and its longest diagonals come first. */
const MOST_HEADINGS = 14;
/** Places in between, each way, for directions that no side of the space runs along. */
const SLANT_STEPS = 7;
const SAME_HEADING = Math.PI / 180;
/** What is thrown stays this far below a ceiling, metres. */
export const HEADROOM = 0.2;

/** Where a layout lies in a space: the middle of its start line, the way it looks (radians, 0 along x), and whether it is mirrored. */
export interface Placement {
  x: number;
  y: number;
  angle: number;
  mirrored: boolean;
}
/** What keeps a layout out. */
export type Trouble = "outside" | "furniture" | "breakable" | "door" | "stairs" | "ceiling";
/** What would let it in. */
export type Letting =
  | { kind: "fewer"; target: string }
  | { kind: "clearAway" }
  | { kind: "runsLess" }
  | { kind: "backstop" }
  | { kind: "otherSpace"; length: number };

export interface Fit {
  /** `designed`: as drawn, turned or mirrored at most. `adapted`: shorter, at the same challenge. `none`: it was not found to fit. */
  status: "designed" | "adapted" | "none";
  /** Share of the designed distances. */
  scale: number;
  placement: Placement | null;
  parts: Part[];
  /** `none`: nothing of that length lies in the space at all, which is a proof; otherwise the search found no place. */
  proved: boolean;
  /** Length that the layout takes (where it does not fit: its shortest version), and the longest straight line in the space, metres. */
  shortest: number;
  longest: number;
  /** What is sent may run out of the space here: something must stop it. */
  backstop: boolean;
  trouble: Trouble | null;
  lets: Letting[];
}
export interface Sent {
  diameter: number;
  runOn: number;
  inAir: boolean;
  /** How it flies, where it does. */
  rise?: Rise | null;
  /** How far something long is swung around whoever sends, metres. */
  swing?: number;
}

/** How high what is sent comes on its way to any target or zone, metres above the floor. */
export function highestOf(parts: readonly Part[], rise: Rise): number {
  const start = parts.find((p) => p.kind === "line" && p.role === "start");
  const from = start?.kind === "line" ? start.along : 0;
  const tops = parts.flatMap((p) =>
    p.kind === "target"
      ? [flightTo(rise, Math.hypot(p.along - from, p.across), (p.base ?? 0) + p.height / 2).apex]
      : p.kind === "zone"
        ? [flightTo(rise, (p.near + p.far) / 2 - from, 0).apex]
        : [],
  );
  return Math.max(rise.from, ...tops);
}

/** A point of the layout where a placement puts it. */
export function pointIn(p: Place, at: Placement): Point {
  const across = at.mirrored ? -p.across : p.across;
  const [c, s] = [Math.cos(at.angle), Math.sin(at.angle)];
  return { x: at.x + p.along * c - across * s, y: at.y + p.along * s + across * c };
}

/** A piece where a placement puts it. */
export const placed = (p: Piece, at: Placement): Box => ({
  ...pointIn(p, at),
  hx: p.halfAlong,
  hy: p.halfAcross,
  angle: at.angle + (at.mirrored ? -p.angle : p.angle),
});

/** What of an obstacle each kind of piece must keep clear of. A wall stops things; nothing may stand in it. */
export function keepsClear(piece: Piece["kind"], o: Obstacle["kind"]): boolean {
  if (piece === "runOut") return o === "breakable" || o === "stairs" || o === "door";
  return true;
}

/** Whether something that runs on would leave the space: indoors the walls stop it. */
export function needsBackstop(pieces: readonly Piece[], ground: Ground, at: Placement): boolean {
  if (ground.indoors) return false;
  return pieces.some((p) => {
    if (p.kind !== "runOut") return false;
    const box = placed(p, at);
    const stopped = ground.obstacles.some((o) => o.kind === "wall" && overlap(box, boxOf(o)) > 0);
    return !stopped && !cornersOfBox(box).every((c) => inside(ground.corners, c));
  });
}

/** Directions worth trying: as drawn, along the sides, and along the longest lines between corners, both ways. */
function headings(corners: readonly Point[]): number[] {
  const found: { angle: number; by: number }[] = [];
  for (const [i, a] of corners.entries())
    for (const [j, b] of corners.entries()) {
      if (i === j) continue;
      const side = j === (i + 1) % corners.length || i === (j + 1) % corners.length;
      found.push({ angle: Math.atan2(b.y - a.y, b.x - a.x), by: Math.hypot(b.x - a.x, b.y - a.y) + (side ? 1000 : 0) });
    }
  found.sort((p, q) => q.by - p.by || p.angle - q.angle);
  const out = [0];
  for (const { angle } of found) {
    const near = out.some((x) => Math.abs(Math.atan2(Math.sin(x - angle), Math.cos(x - angle))) < SAME_HEADING);
    if (!near && out.length < MOST_HEADINGS) out.push(angle);
  }
  return out;
}

/** Corners of a piece where it would lie, kept flat for speed: x0, y0 ... x3, y3, then its box. */
interface Held {
  kind: Piece["kind"];
  corners: Float64Array;
  box: Box;
  lowX: number;
  highX: number;
  lowY: number;
  highY: number;
}
const heldOf = (kind: Piece["kind"], box: Box): Held => {
  const all = cornersOfBox(box);
  const corners = new Float64Array(all.flatMap((p) => [p.x, p.y]));
  const [xs, ys] = [all.map((p) => p.x), all.map((p) => p.y)];
  return {
    kind,
    corners,
    box,
    lowX: Math.min(...xs),
    highX: Math.max(...xs),
    lowY: Math.min(...ys),
    highY: Math.max(...ys),
  };
};

/** A space seen from one direction: its corners and what stands in it, turned so that the layout looks along x. */
class Turned {
  readonly corners: Point[];
  readonly things: { kind: Obstacle["kind"]; held: Held }[];
  /** Half planes of a convex space: inside where nx x + ny y <= d. */
  private readonly planes: readonly (readonly [number, number, number])[] | null;
  readonly lowX: number;
  readonly highX: number;
  readonly lowY: number;
  readonly highY: number;
  constructor(ground: Ground, angle: number) {
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const turn = (p: Point) => ({ x: p.x * c + p.y * s, y: -p.x * s + p.y * c });
    this.corners = ground.corners.map(turn);
    this.things = ground.obstacles.map((o) => {
      const box = boxOf(o);
      return { kind: o.kind, held: heldOf("target", { ...box, ...turn(box), angle: -angle }) };
    });
    const [xs, ys] = [this.corners.map((p) => p.x), this.corners.map((p) => p.y)];
    [this.lowX, this.highX] = [Math.min(...xs), Math.max(...xs)];
    [this.lowY, this.highY] = [Math.min(...ys), Math.max(...ys)];
    this.planes = planesOf(this.corners);
  }
  /** Whether a piece, shifted, lies inside: all of it, or for a lane its middle line. */
  private holds(h: Held, tx: number, ty: number): boolean {
    if (h.lowX + tx < this.lowX - EPS || h.highX + tx > this.highX + EPS) return false;
    if (h.lowY + ty < this.lowY - EPS || h.highY + ty > this.highY + EPS) return false;
    if (!this.planes) {
      for (let i = 0; i < 8; i += 2) if (!this.has(h.corners[i]! + tx, h.corners[i + 1]! + ty)) return false;
      return boxInside(this.corners, { ...h.box, x: h.box.x + tx, y: h.box.y + ty });
    }
    for (let i = 0; i < 8; i += 2) {
      const [x, y] = [h.corners[i]! + tx, h.corners[i + 1]! + ty];
      for (const [nx, ny, d] of this.planes) if (nx * x + ny * y > d + EPS) return false;
    }
    return true;
  }
  private has(x: number, y: number): boolean {
    const { corners } = this;
    let odd = false;
    for (let i = 0, j = corners.length - 1; i < corners.length; j = i++) {
      const [a, b] = [corners[i]!, corners[j]!];
      if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) odd = !odd;
    }
    return odd || inside(corners, { x, y });
  }
  /** Whether all pieces do there. */
  free(pieces: readonly { held: Held; thin: Held }[], tx: number, ty: number): boolean {
    for (const { held, thin } of pieces) {
      if (held.kind !== "runOut" && !this.holds(thin, tx, ty)) return false;
      for (const { kind, held: o } of this.things) {
        if (!keepsClear(held.kind, kind)) continue;
        if (
          held.highX + tx <= o.lowX ||
          held.lowX + tx >= o.highX ||
          held.highY + ty <= o.lowY ||
          held.lowY + ty >= o.highY
        )
          continue;
        if (overlap({ ...held.box, x: held.box.x + tx, y: held.box.y + ty }, o.box) > OVERLAP_ALLOWED) return false;
      }
    }
    return true;
  }
}
function planesOf(corners: readonly Point[]): (readonly [number, number, number])[] | null {
  const way = Math.sign(areaOf(corners));
  const out: [number, number, number][] = [];
  for (let i = 0; i < corners.length; i++) {
    const [a, b, c] = [corners[i]!, corners[(i + 1) % corners.length]!, corners[(i + 2) % corners.length]!];
    const turn = (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x);
    if (turn * way < -1e-12) return null;
    const l = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    const [nx, ny] = [(way * (b.y - a.y)) / l, (-way * (b.x - a.x)) / l];
    out.push([nx, ny, nx * a.x + ny * a.y]);
  }
  return out;
}

/** Where along one direction a layout that reaches from `from` to `to` may be shifted so that it touches one of `marks`, or lies between. */
function shifts(
  marks: readonly number[],
  low: number,
  high: number,
  from: number,
  to: number,
  slant: boolean,
): number[] {
  const [least, most] = [low - from, high - to];
  // Where no side runs along or across, corners of the layout meet slanting sides: places in between are tried as well.
  const steps = slant
    ? Array.from({ length: SLANT_STEPS }, (_, n) => least + ((most - least) * (n + 1)) / (SLANT_STEPS + 1))
    : [];
  const all = [(least + most) / 2, ...marks.flatMap((v) => [v - from, v - to]), ...steps];
  const near = new Set(all.map((v) => Math.round(v * 1e6) / 1e6));
  return [...near].filter((v) => v >= least - 1e-6 && v <= most + 1e-6);
}

/**
 * A place for a layout: for every direction, as drawn and mirrored, positions where its outline touches a side of the space or of something
 * in it (or lies in the middle); the first that does is taken. Deterministic.
 */
export function findPlace(
  pieces: readonly Piece[],
  ground: Ground,
  order = headings(ground.corners),
): Placement | null {
  const must = pieces.filter((p) => p.kind !== "runOut" && p.kind !== "lane");
  // What is likeliest in the way is looked at first: the far end, then where the child stands.
  const first = [...pieces].sort((a, b) => rankOf(b) - rankOf(a));
  const same = must.every((p) =>
    must.some(
      (q) =>
        q.kind === p.kind &&
        Math.abs(q.along - p.along) < 1e-9 &&
        Math.abs(q.across + p.across) < 1e-9 &&
        Math.abs(q.halfAcross - p.halfAcross) < 1e-9,
    ),
  );
  for (const angle of order) {
    const seen = new Turned(ground, angle);
    const marks = [...seen.corners, ...seen.things.flatMap((o) => cornersOfBox(o.held.box))];
    const slant = !seen.corners.some((p, i) => {
      const q = seen.corners[(i + 1) % seen.corners.length]!;
      return Math.abs(p.x - q.x) < 1e-6 || Math.abs(p.y - q.y) < 1e-6;
    });
    // A layout that is its own mirror image need not be mirrored.
    for (const mirrored of same ? [false] : [false, true]) {
      const at = { x: 0, y: 0, angle: 0, mirrored };
      const list = first.map((p) => {
        const box = placed(p, at);
        return { held: heldOf(p.kind, box), thin: heldOf(p.kind, p.kind === "lane" ? { ...box, hy: THIN } : box) };
      });
      const inner = list.filter((x) => x.held.kind !== "runOut" && x.held.kind !== "lane").map((x) => x.held);
      const [al, ah] = [Math.min(...inner.map((h) => h.lowX)), Math.max(...inner.map((h) => h.highX))];
      const [cl, ch] = [Math.min(...inner.map((h) => h.lowY)), Math.max(...inner.map((h) => h.highY))];
      if (ah - al > seen.highX - seen.lowX + 1e-9 || ch - cl > seen.highY - seen.lowY + 1e-9) continue;
      const xs = shifts(
        marks.map((p) => p.x),
        seen.lowX,
        seen.highX,
        al,
        ah,
        slant,
      );
      const ys = shifts(
        marks.map((p) => p.y),
        seen.lowY,
        seen.highY,
        cl,
        ch,
        slant,
      );
      const middle = (seen.lowY + seen.highY - cl - ch) / 2;
      xs.sort((p, q) => p - q);
      ys.sort((p, q) => Math.abs(p - middle) - Math.abs(q - middle) || p - q);
      const [c, s] = [Math.cos(angle), Math.sin(angle)];
      for (const tx of xs)
        for (const ty of ys)
          if (seen.free(list, tx, ty)) return { x: tx * c - ty * s, y: tx * s + ty * c, angle, mirrored };
    }
  }
  return null;
}
/** A lane's middle must lie inside so wide, metres. */
export const THIN = 0.02;
const RANK: Record<Piece["kind"], number> = {
  zone: 300,
  target: 200,
  mark: 200,
  stand: 150,
  line: 100,
  lane: 50,
  runOut: 0,
};
const rankOf = (p: Piece) => RANK[p.kind] + p.along;

const lengthOf = (pieces: readonly Piece[]) => {
  const must = pieces.filter((p) => p.kind !== "runOut" && p.kind !== "lane");
  return Math.max(...must.map((p) => p.along + p.halfAlong)) - Math.min(...must.map((p) => p.along - p.halfAlong));
};

/** Whether targets could be narrowed enough: none is at the least width that can be aimed at. */
const notTooNarrow = (parts: readonly Part[]): boolean =>
  !parts.some((p) => p.kind === "target" && p.width <= NARROWEST + 1e-9);

/** The smallest share, from one downwards, up to which the challenge holds. */
function leastScale(parts: readonly Part[], diameter: number, holds: (parts: readonly Part[]) => boolean): number {
  let k = 1;
  const next = () => Math.round((k - SCALE_STEP) * 100) / 100;
  while (next() >= SMALLEST_SCALE - 1e-9 && holds(scaledParts(parts, next(), diameter))) k = next();
  return k;
}

/**
 * Fits a layout into a space: as designed where it can be turned or mirrored to lie there, otherwise as little shorter as will do. Targets
 * narrow with the distance so that they stay as hard to hit; `holds` says of a shortened layout whether the challenge does. Answers with the place, or with what keeps it out and what would let it in.
 */
export function fitLayout(
  parts: readonly Part[],
  ground: Ground,
  sent: Sent,
  holds: (parts: readonly Part[]) => boolean = notTooNarrow,
): Fit {
  const order = headings(ground.corners);
  const low = (list: readonly Part[]) =>
    sent.rise && ground.ceiling !== null && highestOf(list, sent.rise) + HEADROOM > ground.ceiling;
  const at = (k: number) => {
    const list = scaledParts(parts, k, sent.diameter);
    return low(list) ? null : findPlace(footprintOf(list, sent), ground, order);
  };
  const longest = diameterOf(ground.corners);
  const done = (k: number, placement: Placement): Fit => {
    const out = scaledParts(parts, k, sent.diameter);
    const pieces = footprintOf(out, sent);
    return {
      status: k === 1 ? "designed" : "adapted",
      scale: k,
      placement,
      parts: out,
      proved: true,
      shortest: lengthOf(pieces),
      longest,
      backstop: needsBackstop(pieces, ground, placement),
      trouble: null,
      lets: [],
    };
  };
  const whole = at(1);
  if (whole) return done(1, whole);
  const least = leastScale(parts, sent.diameter, holds);
  const short = footprintOf(scaledParts(parts, least, sent.diameter), sent);
  const shortest = lengthOf(short);
  const none = (trouble: Trouble, proved: boolean): Fit => ({
    status: "none",
    scale: least,
    placement: null,
    parts: scaledParts(parts, least, sent.diameter),
    proved,
    shortest,
    longest,
    backstop: false,
    trouble,
    lets: letting(parts, ground, sent, least, trouble),
  });
  if (low(scaledParts(parts, least, sent.diameter))) return none("ceiling", true);
  if (shortest > longest + 1e-9) return none("outside", true);
  // The largest share in steps that fits: from both ends towards each other, since what fits short mostly fits shorter.
  let fits = least;
  let place = least < 1 ? at(least) : null;
  if (!place) return none(worstOf(short, ground), false);
  let high = 1;
  while (high - fits > SCALE_STEP + 1e-9) {
    const mid = Math.round((fits + Math.round((high - fits) / 2 / SCALE_STEP) * SCALE_STEP) * 100) / 100;
    const found = at(mid);
    if (found) {
      fits = mid;
      place = found;
    } else high = mid;
  }
  return done(fits, place);
}

/** What is in the way where the layout would otherwise lie: it fits once that is gone. */
function worstOf(pieces: readonly Piece[], ground: Ground): Trouble {
  for (const kind of ["furniture", "breakable", "door", "stairs"] as const)
    if (
      ground.obstacles.some((o) => o.kind === kind) &&
      findPlace(pieces, { ...ground, obstacles: ground.obstacles.filter((o) => o.kind !== kind) })
    )
      return kind;
  return "outside";
}

/** Single changes after which it fits. */
function letting(parts: readonly Part[], ground: Ground, sent: Sent, least: number, trouble: Trouble): Letting[] {
  const out: Letting[] = [];
  if (trouble === "ceiling") return out;
  const fits = (list: readonly Part[], where: Ground, object: Sent) =>
    findPlace(footprintOf(scaledParts(list, least, object.diameter), object), where) !== null;
  const inWay = ground.obstacles.some((o) => keepsClear("runOut", o.kind));
  if (sent.runOn > 0.3 && inWay && fits(parts, ground, { ...sent, runOn: 0.2 }))
    out.push({ kind: "runsLess" }, { kind: "backstop" });
  const bare = {
    ...ground,
    obstacles: ground.obstacles.filter((o) => o.kind !== "furniture" && o.kind !== "breakable"),
  };
  if (bare.obstacles.length < ground.obstacles.length && fits(parts, bare, sent)) out.push({ kind: "clearAway" });
  const targets = parts.filter((p): p is PartOf<"target"> => p.kind === "target");
  const far = targets.reduce<PartOf<"target"> | null>((x, t) => (x && x.along >= t.along ? x : t), null);
  if (
    far &&
    targets.length > 1 &&
    fits(
      parts.filter((p) => p !== far),
      ground,
      sent,
    )
  )
    out.push({ kind: "fewer", target: far.id });
  const needed = lengthOf(footprintOf(scaledParts(parts, least, sent.diameter), sent));
  out.push({ kind: "otherSpace", length: Math.ceil(needed * 10) / 10 });
  return out;
}
