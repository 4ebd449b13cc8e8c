import { pathTo, purposeOf } from "../physics/send.ts";
import type { Sending } from "../physics/sending.ts";
import { type FloorArea, footprintOf, NARROWEST, scaledParts } from "./footprint.ts";
import { cornersOfBox, diameterOf, inside, overlap } from "./geometry.ts";
import type { Part, PartOf } from "./parts.ts";
import { type Placement, placed, pointIn } from "./placement.ts";
import { keepsClear, PlacementSearch, WALL_BEHIND } from "./placement-search.ts";
import { boxOf } from "./shapes.ts";
import type { Ground } from "./space.ts";

/** A layout is never shortened below this share of its distances. */
export const SMALLEST_SCALE = 0.4;
const SCALE_STEP = 0.05;
/** "As little shorter as possible" is exact to this much of the whole length, metres. */
const WITHIN = 0.02;
/** A challenge is kept if no hit rate is off by more than this, 0 to 1. */
export const HOLDS = 0.05;
/** What is thrown stays this far below a ceiling, metres. */
export const HEADROOM = 0.2;

/** What keeps a layout out of a space. */
export type Trouble = "outside" | "furniture" | "breakable" | "door" | "stairs" | "ceiling";
/** What would let it in. */
export type Letting =
  | { kind: "fewer"; target: string }
  | { kind: "clearAway" }
  | { kind: "runsLess" }
  | { kind: "backstop" }
  | { kind: "otherSpace"; length: number };

export interface Fit {
  /**
   * `designed`: as drawn, perhaps turned or mirrored. `adapted`: shorter, at the same challenge. `none`: no place was
   * found.
   */
  status: "designed" | "adapted" | "none";
  /** The share of the designed distances. */
  scale: number;
  placement: Placement | null;
  parts: Part[];
  /**
   * Whether the challenge is as designed, within 5 points of hit rate at every peg, and by how much the worst peg is
   * off, 0 to 1.
   */
  held: boolean;
  off: number;
  /**
   * True if it fits as designed, or if it is certain that it cannot fit, by its length or by the hand under the
   * ceiling. Everything else was searched and is not proved.
   */
  proved: boolean;
  /**
   * The length of the layout (if it does not fit, of its shortest version), and the longest straight line in the
   * space, metres.
   */
  shortest: number;
  longest: number;
  /** The object may run out of this space, so something must stop it. */
  backstop: boolean;
  /** Something depends on a wall but has none behind it, so it must be leant on something. */
  noWall: boolean;
  trouble: Trouble | null;
  lets: Letting[];
}
export interface Sent {
  diameter: number;
  runOn: number;
  inAir: boolean;
  /** How it is sent. Null if unknown. */
  sending?: Sending | null;
  /** The radius of the circle in which something long is swung around the player, metres. */
  swing?: number;
}

/** The highest point of the object on its way to any target or zone, metres above the floor. */
export function highestOf(parts: readonly Part[], sending: Sending): number {
  const start = parts.find((part) => part.kind === "line" && part.role === "start");
  const from = start?.kind === "line" ? start.along : 0;
  const tops = parts.flatMap((part) =>
    part.kind === "target"
      ? [
          pathTo(
            sending,
            Math.hypot(part.along - from, part.across),
            (part.base ?? 0) + part.height / 2,
            purposeOf(part.rule),
          ).apex,
        ]
      : part.kind === "zone"
        ? [pathTo(sending, (part.near + part.far) / 2 - from, 0, "stop").apex]
        : [],
  );
  return Math.max(sending.height, ...tops);
}

/** True if something that runs on would leave the space. Indoors the walls stop it. */
export function needsBackstop(pieces: readonly FloorArea[], ground: Ground, at: Placement): boolean {
  if (ground.indoors) return false;
  return pieces.some((piece) => {
    if (piece.kind !== "runOut") return false;
    const box = placed(piece, at);
    const stopped = ground.obstacles.some((obstacle) => obstacle.kind === "wall" && overlap(box, boxOf(obstacle)) > 0);
    return !stopped && !cornersOfBox(box).every((point) => inside(ground.corners, point));
  });
}

/**
 * True if something that depends on a wall has none behind it: neither a wall that stands there nor, indoors, a side
 * of the space.
 */
export function lacksWall(pieces: readonly FloorArea[], ground: Ground, at: Placement): boolean {
  return pieces.some((piece) => {
    if (!piece.wall) return false;
    const behind = pointIn(
      {
        along: piece.along + reach(piece) * Math.cos(piece.angle),
        across: piece.across + reach(piece) * Math.sin(piece.angle),
      },
      at,
    );
    const stands = ground.obstacles.some(
      (obstacle) => obstacle.kind === "wall" && inside(cornersOfBox(boxOf(obstacle)), behind),
    );
    return !stands && (!ground.indoors || inside(ground.corners, behind));
  });
}
const reach = (piece: FloorArea) => piece.halfAlong + WALL_BEHIND;

/** A place for a layout in a space. Null if there is none. Deterministic. */
export const findPlace = (pieces: readonly FloorArea[], ground: Ground): Placement | null =>
  new PlacementSearch(ground).find(pieces);

const lengthOf = (pieces: readonly FloorArea[]) => {
  const must = pieces.filter((piece) => piece.kind !== "runOut" && piece.kind !== "lane");
  return (
    Math.max(...must.map((piece) => piece.along + piece.halfAlong)) -
    Math.min(...must.map((piece) => piece.along - piece.halfAlong))
  );
};

/**
 * How far off a shortened layout is, 0 to 1, if hit rates are not worked out: not at all, as long as no target is at
 * the least width.
 */
const narrowed = (parts: readonly Part[]): number =>
  parts.some((part) => part.kind === "target" && part.width <= NARROWEST + 1e-9) ? 1 : 0;

/**
 * The smallest share at which the challenge is kept, found by halving: if it is kept at one share, it is kept at
 * larger ones too.
 */
function leastScale(holds: (k: number) => boolean): number {
  const steps = Math.round((1 - SMALLEST_SCALE) / SCALE_STEP);
  const share = (count: number) => Math.round((1 - count * SCALE_STEP) * 100) / 100;
  let [low, high] = [0, steps];
  while (low < high) {
    const mid = Math.ceil((low + high) / 2);
    if (holds(share(mid))) low = mid;
    else high = mid - 1;
  }
  return share(low);
}

/**
 * Fits a layout into a space: as designed if it can be turned or mirrored to fit, and otherwise as little shorter as
 * possible, to 2 cm of its length. Targets narrow with the distance, to stay as hard to hit. `offBy` returns how far
 * the hit rates at a share of the distances are off, 0 to 1; beyond `enough` it may stop. A place that keeps the
 * challenge comes first. `anyway`: if there is none, shorter still, with whatever challenge is left. Returns the
 * place, or what keeps the layout out and what would let it in.
 */
export function fitLayout(
  parts: readonly Part[],
  ground: Ground,
  {
    sent,
    offBy = narrowed,
    anyway = false,
  }: {
    sent: Sent;
    offBy?: (parts: readonly Part[], k: number, enough?: number) => number;
    anyway?: boolean | undefined;
  },
): Fit {
  const seeker = new PlacementSearch(ground);
  const low = (list: readonly Part[]) =>
    sent.sending?.travel === "air" &&
    ground.ceiling !== null &&
    highestOf(list, sent.sending) + HEADROOM > ground.ceiling;
  const piecesAt = (k: number) => {
    const list = scaledParts(parts, k, sent.diameter);
    return low(list) ? null : footprintOf(list, sent);
  };
  const offs = new Map<number, number>();
  const offAt = (k: number): number => {
    const is = offs.get(k) ?? offBy(scaledParts(parts, k, sent.diameter), k);
    offs.set(k, is);
    return is;
  };
  const holdsAt = (k: number) => (offs.get(k) ?? offBy(scaledParts(parts, k, sent.diameter), k, HOLDS)) <= HOLDS;
  const longest = diameterOf(ground.corners);
  const done = (k: number, placement: Placement): Fit => {
    const out = scaledParts(parts, k, sent.diameter);
    const pieces = footprintOf(out, sent);
    return {
      status: k === 1 ? "designed" : "adapted",
      scale: k,
      placement,
      parts: out,
      held: offAt(k) <= HOLDS,
      off: offAt(k),
      proved: k === 1,
      shortest: lengthOf(pieces),
      longest,
      backstop: needsBackstop(pieces, ground, placement),
      noWall: lacksWall(pieces, ground, placement),
      trouble: null,
      lets: [],
    };
  };
  const lengthAt = (k: number) => lengthOf(footprintOf(scaledParts(parts, k, sent.diameter), sent));
  // Two centimetres of the whole length.
  const fine = Math.max(0.001, WITHIN / lengthAt(1));
  /** The longest version that fits between two shares. */
  const largest = (from: number, to: number): Fit | null => {
    if (lengthAt(from) > longest + 1e-9) return null;
    const found = seeker.longest(piecesAt, from, to, fine);
    return found && done(found.k, found.placement);
  };
  // If the challenge is kept at the bottom, the longest version keeps it too. If not, the longest is the nearest to
  // it.
  const bottom = anyway ? SMALLEST_SCALE : leastScale(holdsAt);
  const found = largest(bottom, 1);
  if (found) return found;
  const shortest = lengthAt(bottom);
  const none = (trouble: Trouble, proved: boolean): Fit => ({
    status: "none",
    scale: bottom,
    placement: null,
    parts: scaledParts(parts, bottom, sent.diameter),
    held: false,
    off: offAt(bottom),
    proved,
    shortest,
    longest,
    backstop: false,
    noWall: false,
    trouble,
    lets: letting(parts, ground, { sent, least: bottom, trouble }),
  });
  // Two proofs: the hand itself is too near the ceiling, or not even the longest straight line is long enough.
  // Everything else was only searched.
  if (low(scaledParts(parts, bottom, sent.diameter)))
    return none("ceiling", ground.ceiling !== null && sent.sending!.height + HEADROOM > ground.ceiling);
  const short = footprintOf(scaledParts(parts, bottom, sent.diameter), sent);
  return shortest > longest + 1e-9 ? none("outside", true) : none(worstOf(short, ground), false);
}

/** The ground without obstacles of some kinds. */
const rid = (ground: Ground, kinds: readonly string[]): Ground => ({
  ...ground,
  obstacles: ground.obstacles.filter((obstacle) => !kinds.includes(obstacle.kind)),
});
const IN_THE_WAY = ["furniture", "breakable", "door", "stairs"] as const;
/** The kind of obstacle that is in the way: without it, the layout fits. */
function worstOf(pieces: readonly FloorArea[], ground: Ground): Trouble {
  const there = IN_THE_WAY.filter((kind) => ground.obstacles.some((obstacle) => obstacle.kind === kind));
  // If it fits nowhere even with all of them gone, none of them alone keeps it out.
  if (there.length > 1 && !findPlace(pieces, rid(ground, there))) return "outside";
  return there.find((kind) => findPlace(pieces, rid(ground, [kind]))) ?? "outside";
}

/** Single changes that would make it fit. */
function letting(
  parts: readonly Part[],
  ground: Ground,
  { sent, least, trouble }: { sent: Sent; least: number; trouble: Trouble },
): Letting[] {
  const out: Letting[] = [];
  if (trouble === "ceiling") return out;
  const fits = (list: readonly Part[], where: Ground, object: Sent) =>
    findPlace(footprintOf(scaledParts(list, least, object.diameter), object), where) !== null;
  const inWay = ground.obstacles.some((obstacle) => keepsClear("runOut", obstacle.kind));
  if (sent.runOn > 0.3 && inWay && fits(parts, ground, { ...sent, runOn: 0.2 }))
    out.push({ kind: "runsLess" }, { kind: "backstop" });
  const bare = rid(ground, ["furniture", "breakable"]);
  // If one of the two alone is in the way, it fits without both.
  const one = trouble === "furniture" || trouble === "breakable";
  if (bare.obstacles.length < ground.obstacles.length && (one || fits(parts, bare, sent)))
    out.push({ kind: "clearAway" });
  const targets = parts.filter((part): part is PartOf<"target"> => part.kind === "target");
  const far = targets.reduce<PartOf<"target"> | null>(
    (target, aim) => (target && target.along >= aim.along ? target : aim),
    null,
  );
  if (
    far &&
    targets.length > 1 &&
    fits(
      parts.filter((part) => part !== far),
      ground,
      sent,
    )
  )
    out.push({ kind: "fewer", target: far.id });
  const needed = lengthOf(footprintOf(scaledParts(parts, least, sent.diameter), sent));
  out.push({ kind: "otherSpace", length: Math.ceil(needed * 10) / 10 });
  return out;
}
