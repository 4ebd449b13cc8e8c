import type { LastLine } from "../aim/band-lines.ts";
import type { HitRule } from "../rules/hit-rule.ts";
import type { LineRule } from "../rules/limits.ts";

/**
 * A part of a layout. `along` runs from the start line to the targets and `across` to the player's right, in metres
 * from the middle of the start line. `turn`: radians about its own middle, from along towards across. The plan, the
 * tape, the set-up script, the forecast and the export read parts and nothing else.
 */
export type Part =
  | {
      kind: "line";
      id: string;
      along: number;
      across: number;
      width: number;
      role: "start" | "band" | "net" | "mark";
      label?: string;
      /** What a send from there is worth, if that is written beside it. */
      points?: number;
      turn?: number;
      /** A net: the height of its upper edge, metres. */
      height?: number;
    }
  | {
      kind: "target";
      id: string;
      along: number;
      across: number;
      width: number;
      height: number;
      /** Its depth, away from the player. If unknown, as deep as wide, up to 0.3 m. */
      depth?: number;
      item: string;
      label: string;
      rule: HitRule;
      /** On a wall: the height of its lower edge, metres. */
      base?: number;
      /** What hitting it is worth, if that is written on it; and a letter, number or word on it. */
      points?: number;
      sign?: string;
      /** The name of the role, for one of several targets of a kind that share it. */
      group?: string;
    }
  | {
      kind: "zone";
      id: string;
      near: number;
      far: number;
      across: number;
      width: number;
      points: number;
      /** The rule for an object on an inner line. The last line has a rule of its own (in earlier versions: `out`). */
      lineRule: LineRule;
      lastLine?: LastLine;
    }
  /** One square of a grid on the floor. */
  | ({ kind: "cell"; label: string } & Flat)
  /** A round mark on the floor, numbered. */
  | { kind: "spot"; id: string; along: number; across: number; radius: number; label: string }
  /** A path from point to point. */
  | { kind: "path"; id: string; points: readonly Place[]; closed: boolean; role: "run" | "weave" | "roll" }
  /** A field with an outline: one half of it, a goal area, a square to stay in. */
  | ({ kind: "court"; label: string } & Flat)
  /**
   * An item that stands there and is not a target: a gate post, a base, a ramp. `base`: on a wall, the height of its
   * lower edge, metres.
   */
  | ({ kind: "obstacle"; item: string; label: string; base?: number } & Flat)
  | { kind: "person"; id: string; along: number; across: number; role: "sender" | "receiver" }
  | { kind: "runOn"; id: string; near: number; far: number; across: number; width: number };

export type PartOf<K extends Part["kind"]> = Extract<Part, { kind: K }>;
/** A point of a layout, metres. */
export interface Place {
  along: number;
  across: number;
}
/** A rectangle on the floor around a point: `depth` along, `width` across, metres. */
interface Flat extends Place {
  id: string;
  depth: number;
  width: number;
  turn?: number;
}

export function partsOf<K extends Part["kind"]>(parts: readonly Part[], kind: K): PartOf<K>[] {
  return parts.filter((part): part is PartOf<K> => part.kind === kind);
}

/** The depth of a line on the floor, metres. */
export const LINE_DEPTH = 0.04;
/** A target of unknown depth is as deep as wide, but no deeper than this, metres. */
const DEEPEST_TARGET = 0.3;

/**
 * The floor that a part takes up: a rectangle by its middle, half sizes (metres) and turn. Null for a path, the run-
 * on and people.
 */
export interface Patch {
  along: number;
  across: number;
  halfAlong: number;
  halfAcross: number;
  turn: number;
}
export function patchOf(part: Part): Patch | null {
  switch (part.kind) {
    case "line":
      return { ...spot(part), halfAlong: LINE_DEPTH / 2, halfAcross: part.width / 2, turn: part.turn ?? 0 };
    case "target":
      return {
        ...spot(part),
        halfAlong: (part.depth ?? Math.min(part.width, DEEPEST_TARGET)) / 2,
        halfAcross: part.width / 2,
        turn: 0,
      };
    case "zone":
      return {
        along: (part.near + part.far) / 2,
        across: part.across,
        halfAlong: (part.far - part.near) / 2,
        halfAcross: part.width / 2,
        turn: 0,
      };
    case "cell":
    case "court":
    case "obstacle":
      return { ...spot(part), halfAlong: part.depth / 2, halfAcross: part.width / 2, turn: part.turn ?? 0 };
    case "spot":
      return { ...spot(part), halfAlong: part.radius, halfAcross: part.radius, turn: 0 };
    default:
      return null;
  }
}
const spot = (place: Place): Place => ({ along: place.along, across: place.across });

/** The corners of a patch, in order. */
export function cornersOf(patch: Patch): Place[] {
  const [c, s] = [Math.cos(patch.turn), Math.sin(patch.turn)];
  const at = (u: number, value: number) => ({
    along: patch.along + u * c - value * s,
    across: patch.across + u * s + value * c,
  });
  return [
    at(-patch.halfAlong, -patch.halfAcross),
    at(patch.halfAlong, -patch.halfAcross),
    at(patch.halfAlong, patch.halfAcross),
    at(-patch.halfAlong, patch.halfAcross),
  ];
}

/** Every point that matters of a part: corners, nodes of a path, where somebody stands. None for the run-on. */
export function pointsOf(part: Part): readonly Place[] {
  if (part.kind === "path") return part.points;
  if (part.kind === "person") return [part];
  const patch = patchOf(part);
  return patch ? cornersOf(patch) : [];
}

/** The extent of all parts without the run-on, metres. */
export function boundsOf(parts: readonly Part[]): { along: [number, number]; across: [number, number] } {
  const out = { along: [0, 0] as [number, number], across: [0, 0] as [number, number] };
  let first = true;
  for (const part of parts)
    for (const place of pointsOf(part)) {
      out.along = first
        ? [place.along, place.along]
        : [Math.min(out.along[0], place.along), Math.max(out.along[1], place.along)];
      out.across = first
        ? [place.across, place.across]
        : [Math.min(out.across[0], place.across), Math.max(out.across[1], place.across)];
      first = false;
    }
  return out;
}

/**
 * The point farthest from the start line that any part except the run-on reaches, metres: the middles of lines and
 * targets, the ends of everything else.
 */
export function reachOfLayout(parts: readonly Part[]): number {
  let far = 0;
  for (const part of parts) {
    if (part.kind === "target" || part.kind === "line" || part.kind === "person") far = Math.max(far, part.along);
    else for (const place of pointsOf(part)) far = Math.max(far, place.along);
  }
  return far;
}

/** Where the run-on ends when nothing stops it, metres from the start line. */
export function endOfRunOn(parts: readonly Part[]): number {
  return partsOf(parts, "runOn").reduce((far, p) => Math.max(far, p.far), reachOfLayout(parts));
}

/** Where distances are counted from, metres along: the target, if the line moves. Null: from the start. */
export function countedBackFrom(parts: readonly Part[]): number | null {
  const moves = partsOf(parts, "line").some((line) => line.role === "start" && line.id !== "start");
  return moves ? (partsOf(parts, "target")[0]?.along ?? null) : null;
}
