import { flightTo, type Rise } from "../physics/flight.ts";
import { footprintOf, NARROWEST, type Piece, scaledParts } from "./footprint.ts";
import { cornersOfBox, diameterOf, inside, overlap } from "./geometry.ts";
import type { Part, PartOf } from "./parts.ts";
import { type Placement, placed, pointIn } from "./placement.ts";
import { keepsClear, Seeker, WALL_BEHIND } from "./seek.ts";
import { boxOf } from "./shapes.ts";
import type { Ground } from "./space.ts";

/** A layout shrinks to this share of its distances at most. */
export const SMALLEST_SCALE = 0.4;
const SCALE_STEP = 0.05;
/** What is thrown stays this far below a ceiling, metres. */
export const HEADROOM = 0.2;

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
  /** No wall stands behind what hangs on one: it must be leant on something. */
  noWall: boolean;
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

/** Whether something that hangs on a wall has none behind it: a wall that stands there, or indoors a side of the space. */
export function lacksWall(pieces: readonly Piece[], ground: Ground, at: Placement): boolean {
  return pieces.some((p) => {
    if (!p.wall) return false;
    const behind = pointIn(
      { along: p.along + reach(p) * Math.cos(p.angle), across: p.across + reach(p) * Math.sin(p.angle) },
      at,
    );
    const stands = ground.obstacles.some((o) => o.kind === "wall" && inside(cornersOfBox(boxOf(o)), behind));
    return !stands && (!ground.indoors || inside(ground.corners, behind));
  });
}
const reach = (p: Piece) => p.halfAlong + WALL_BEHIND;

/** A place for a layout in a space, or null. Deterministic. */
export const findPlace = (pieces: readonly Piece[], ground: Ground): Placement | null =>
  new Seeker(ground).find(pieces);

const lengthOf = (pieces: readonly Piece[]) => {
  const must = pieces.filter((p) => p.kind !== "runOut" && p.kind !== "lane");
  return Math.max(...must.map((p) => p.along + p.halfAlong)) - Math.min(...must.map((p) => p.along - p.halfAlong));
};

/** Whether targets could be narrowed enough: none is at the least width that can be aimed at. */
const notTooNarrow = (parts: readonly Part[]): boolean =>
  !parts.some((p) => p.kind === "target" && p.width <= NARROWEST + 1e-9);

/** The smallest share, in steps, at which the challenge holds: halved towards, since what holds nearer by holds farther out as well. */
function leastScale(holds: (k: number) => boolean): number {
  const share = (n: number) => Math.round((1 - n * SCALE_STEP) * 100) / 100;
  let [low, high] = [0, Math.round((1 - SMALLEST_SCALE) / SCALE_STEP)];
  while (low < high) {
    const mid = Math.ceil((low + high) / 2);
    if (holds(share(mid))) low = mid;
    else high = mid - 1;
  }
  return share(low);
}

/**
 * Fits a layout into a space: as designed where it can be turned or mirrored to lie there, otherwise as little shorter as will do. Targets
 * narrow with the distance so that they stay as hard to hit; `holds` says of a shortened layout whether the challenge does. `anyway`: where that does not do,
 * shorter still, at whatever challenge is left. Answers with the place, or with what keeps it out and what would let it in.
 */
export function fitLayout(
  parts: readonly Part[],
  ground: Ground,
  sent: Sent,
  holds: (parts: readonly Part[]) => boolean = notTooNarrow,
  anyway = false,
): Fit {
  const seeker = new Seeker(ground);
  const low = (list: readonly Part[]) =>
    sent.rise && ground.ceiling !== null && highestOf(list, sent.rise) + HEADROOM > ground.ceiling;
  const at = (k: number, first: number | null = null) => {
    const list = scaledParts(parts, k, sent.diameter);
    return low(list) ? null : seeker.find(footprintOf(list, sent), first);
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
      noWall: lacksWall(pieces, ground, placement),
      trouble: null,
      lets: [],
    };
  };
  const whole = at(1);
  if (whole) return done(1, whole);
  const known = new Map<number, boolean>();
  const holdsAt = (k: number): boolean => {
    const is = known.get(k) ?? holds(scaledParts(parts, k, sent.diameter));
    known.set(k, is);
    return is;
  };
  const least = leastScale(holdsAt);
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
    noWall: false,
    trouble,
    lets: letting(parts, ground, sent, least, trouble),
  });
  // The largest share in steps that fits: from both ends towards each other, since what fits short mostly fits shorter.
  const largest = (from: number, to: number, allowed: (k: number) => boolean): Fit | null => {
    let fits = from;
    let place: Placement | null = from < to ? at(from) : null;
    if (!place) return null;
    let high = to;
    while (high - fits > SCALE_STEP + 1e-9) {
      const mid = Math.round((fits + Math.round((high - fits) / 2 / SCALE_STEP) * SCALE_STEP) * 100) / 100;
      const found: Placement | null = allowed(mid) ? at(mid, place.angle) : null;
      if (found) {
        fits = mid;
        place = found;
      } else high = mid;
    }
    return done(fits, place);
  };
  const under = !low(scaledParts(parts, least, sent.diameter));
  const held = under && shortest <= longest + 1e-9 ? largest(least, 1, holdsAt) : null;
  if (held) return held;
  const easier = anyway && least > SMALLEST_SCALE ? largest(SMALLEST_SCALE, least, () => true) : null;
  if (easier) return { ...easier, shortest };
  if (!under) return none("ceiling", true);
  return shortest > longest + 1e-9 ? none("outside", true) : none(worstOf(short, ground), false);
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
