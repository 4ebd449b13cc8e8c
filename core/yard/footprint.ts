import type { HitRule } from "../rules/hit-rule.ts";
import { LINE_DEPTH, type Part, type PartOf, type Place, partsOf, patchOf } from "./parts.ts";

/** The floor that a child takes up behind the line, metres. */
export const STAND = { depth: 0.5, width: 0.6 };
/** Kept clear on either side of what flies past, metres. */
export const LANE_MARGIN = 0.05;
/** The floor that somebody who runs needs on either side, metres. */
const RUN_MARGIN = 0.25;
/** Items narrower than this cannot be aimed at, metres. */
export const NARROWEST = 0.05;

/** A rectangle of the layout in its own coordinates: its middle, half extents, and the `angle` it is turned by. */
export interface FloorArea {
  id: string;
  /**
   * `stand`, `target`, `zone`, `line`, `mark`: must lie in the space. `lane`: the object, or somebody, passes here.
   * `runOut`: where it runs on.
   */
  kind: "stand" | "target" | "zone" | "line" | "mark" | "lane" | "runOut";
  along: number;
  across: number;
  halfAlong: number;
  halfAcross: number;
  angle: number;
  /** It needs a wall behind it. */
  wall?: boolean;
  /** A lane that somebody runs. All of it must lie in the space, not only its middle. */
  run?: boolean;
}

/**
 * Everything that a layout takes up. `diameter` and `runOn` belong to the object, `swing` to what is swung around the
 * player, metres.
 */
export function footprintOf(
  parts: readonly Part[],
  object: { diameter: number; runOn: number; swing?: number },
): FloorArea[] {
  const out: FloorArea[] = [];
  const starts = partsOf(parts, "line").filter((line) => line.role === "start");
  for (const part of parts) {
    // If somebody stands there, the start line lies within the floor they take up.
    const patch = part.kind === "line" && part.role === "start" ? null : patchOf(part);
    if (patch) out.push({ id: part.id, kind: KIND[part.kind] ?? "mark", ...patch, angle: patch.turn, ...hangs(part) });
    if (part.kind === "path") out.push(...runOf(part));
    if (part.kind === "person" && part.role === "receiver") out.push(standAt(`stand ${part.id}`, part, 0));
  }
  for (const start of starts) {
    const stand = standAt(`stand ${start.id}`, start, STAND.depth / 2);
    out.push({ ...stand, along: stand.along + LINE_DEPTH / 4, halfAlong: stand.halfAlong + LINE_DEPTH / 4 });
    // Something long that is swung needs its whole circle. A square around it is kept free.
    if (object.swing)
      out.push({ ...standAt(`swing ${start.id}`, start, 0), halfAlong: object.swing, halfAcross: object.swing });
  }
  const begin = starts.length > 0 ? Math.min(...starts.map((start) => start.along)) : 0;
  const lane = (id: string, to: Place, beyond: number) => {
    const angle = Math.atan2(to.across, to.along - begin);
    const far = Math.hypot(to.along - begin, to.across);
    const half = object.diameter / 2 + LANE_MARGIN;
    const at = (distance: number) => ({
      along: begin + distance * Math.cos(angle),
      across: distance * Math.sin(angle),
    });
    out.push({ id: `lane ${id}`, kind: "lane", ...at(far / 2), halfAlong: far / 2, halfAcross: half, angle });
    if (beyond > 0)
      out.push({
        id: `run ${id}`,
        kind: "runOut",
        ...at(far + beyond / 2),
        halfAlong: beyond / 2,
        halfAcross: half,
        angle,
      });
  };
  for (const target of partsOf(parts, "target")) lane(target.id, target, object.runOn);
  const zones = partsOf(parts, "zone");
  if (zones.length > 0) lane("zones", { along: Math.max(...zones.map((zone) => zone.far)), across: 0 }, object.runOn);
  return out;
}
const hangs = (part: Part) =>
  (part.kind === "target" || part.kind === "obstacle") && part.base !== undefined ? { wall: true } : null;
const KIND: Partial<Record<Part["kind"], FloorArea["kind"]>> = { line: "line", target: "target", zone: "zone" };
/** Where somebody stands: `back` metres behind the point. */
const standAt = (id: string, at: Place, back: number): FloorArea => ({
  id,
  kind: "stand",
  along: at.along - back,
  across: at.across,
  halfAlong: STAND.depth / 2,
  halfAcross: STAND.width / 2,
  angle: 0,
});
/**
 * The floor that a path takes: a strip from point to point. A rolling object needs less room than somebody who runs.
 */
function runOf(p: PartOf<"path">): FloorArea[] {
  const ends = p.closed ? [...p.points, p.points[0]!] : p.points;
  return ends.slice(1).map((to, i) => {
    const from = ends[i]!;
    const [u, value] = [to.along - from.along, to.across - from.across];
    return {
      id: `${p.id} ${i + 1}`,
      kind: "lane",
      along: (from.along + to.along) / 2,
      across: (from.across + to.across) / 2,
      halfAlong: Math.hypot(u, value) / 2,
      halfAcross: p.role === "roll" ? LANE_MARGIN : RUN_MARGIN,
      angle: Math.atan2(value, u),
      ...(p.role !== "roll" && { run: true }),
    };
  });
}
/**
 * The width at which an item is as hard to hit from `k` times the distance. What the middle of the object must stay
 * within grows with the distance. Touching: width + b. Into and through: less what the rim does not forgive.
 */
export function widthAt(k: number, width: number, rule: HitRule, diameter: number): number {
  const r = rule.kind === "anyOf" ? rule.rules[0]! : rule;
  const shift =
    r.kind === "into" ? -diameter * (1 - (r.rimAllowance ?? 0.5)) : r.kind === "through" ? -diameter : diameter;
  return Math.max(NARROWEST, k * (width + shift) - shift);
}

/** The layout at `k` times its distances, with targets narrower or wider so that they stay as hard. */
export function scaledParts(parts: readonly Part[], k: number, diameter: number): Part[] {
  if (k === 1) return [...parts];
  return parts.map((part): Part => {
    switch (part.kind) {
      case "target":
        return {
          ...part,
          along: part.along * k,
          across: part.across * k,
          width: widthAt(k, part.width, part.rule, diameter),
        };
      case "zone":
        return { ...part, near: part.near * k, far: part.far * k, width: part.width * k };
      case "runOn":
        return { ...part, near: part.near * k, far: part.near * k + (part.far - part.near) };
      case "line":
        return {
          ...part,
          along: part.along * k,
          across: part.across * k,
          width: part.role === "start" ? part.width : part.width * k,
        };
      case "path":
        return { ...part, points: part.points.map((point) => ({ along: point.along * k, across: point.across * k })) };
      case "cell":
      case "court":
        return {
          ...part,
          along: part.along * k,
          across: part.across * k,
          depth: part.depth * k,
          width: part.width * k,
        };
      case "spot":
        return { ...part, along: part.along * k, across: part.across * k, radius: part.radius * k };
      default:
        return { ...part, along: part.along * k, across: part.across * k };
    }
  });
}
