import type { HitRule } from "../aim/hit-rule.ts";
import type { Part } from "./parts.ts";

/** A child stands in this much floor behind its line, metres. */
export const STAND = { depth: 0.5, width: 0.6 };
/** What flies past is kept this clear of, on either side, metres. */
export const LANE_MARGIN = 0.05;
/** A target is at least so deep on the floor, whatever it is; a taken-up depth is not known otherwise. */
const DEEPEST_TARGET = 0.3;
/** A line on the floor takes up so much, metres. */
const LINE_DEPTH = 0.04;
/** Things narrower than this cannot be aimed at, metres. */
export const NARROWEST = 0.05;

/** A rectangle of the layout in its own coordinates: middle, half extents, turned by `angle` about its middle. */
export interface Piece {
  id: string;
  /** `stand`, `target`, `zone`, `line`: must lie in the space. `lane`: what is sent passes here. `runOut`: where it runs on. */
  kind: "stand" | "target" | "zone" | "line" | "lane" | "runOut";
  along: number;
  across: number;
  halfAlong: number;
  halfAcross: number;
  angle: number;
}

/** All that a layout takes up: `diameter` and `runOn` of what is sent, metres. */
export function footprintOf(parts: readonly Part[], object: { diameter: number; runOn: number }): Piece[] {
  const out: Piece[] = [];
  const flat = { angle: 0 };
  const starts = parts.filter((p) => p.kind === "line" && p.role === "start");
  const from = Math.min(...starts.map((l) => (l.kind === "line" ? l.along : 0)), Number.POSITIVE_INFINITY);
  for (const p of parts) {
    if (p.kind === "line")
      out.push({
        ...flat,
        id: p.id,
        kind: "line",
        along: p.along,
        across: p.across,
        halfAlong: LINE_DEPTH / 2,
        halfAcross: lineHalf(p),
      });
    else if (p.kind === "zone")
      out.push({
        ...flat,
        id: p.id,
        kind: "zone",
        along: (p.near + p.far) / 2,
        across: p.across,
        halfAlong: (p.far - p.near) / 2,
        halfAcross: p.width / 2,
      });
    else if (p.kind === "target") {
      const depth = Math.min(p.width, DEEPEST_TARGET);
      out.push({
        ...flat,
        id: p.id,
        kind: "target",
        along: p.along,
        across: p.across,
        halfAlong: depth / 2,
        halfAcross: p.width / 2,
      });
    }
  }
  for (const l of starts)
    if (l.kind === "line")
      out.push({
        ...flat,
        id: `stand ${l.id}`,
        kind: "stand",
        along: l.along - STAND.depth / 2,
        across: l.across,
        halfAlong: STAND.depth / 2,
        halfAcross: STAND.width / 2,
      });
  const begin = Number.isFinite(from) ? from : 0;
  const lane = (id: string, to: { along: number; across: number }, beyond: number) => {
    const angle = Math.atan2(to.across, to.along - begin);
    const far = Math.hypot(to.along - begin, to.across);
    const half = object.diameter / 2 + LANE_MARGIN;
    const at = (d: number) => ({ along: begin + d * Math.cos(angle), across: d * Math.sin(angle) });
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
  const zones = parts.filter((p) => p.kind === "zone");
  const targets = parts.filter((p) => p.kind === "target");
  for (const t of targets) if (t.kind === "target") lane(t.id, t, object.runOn);
  if (zones.length > 0) {
    const far = Math.max(...zones.map((z) => (z.kind === "zone" ? z.far : 0)));
    lane("zones", { along: far, across: 0 }, object.runOn);
  }
  return out;
}
/** A start line may be laid shorter where there is little room: as wide as a child stands. */
const lineHalf = (p: Extract<Part, { kind: "line" }>) =>
  (p.role === "start" ? Math.min(p.width, STAND.width) : p.width) / 2;

/**
 * The width of a thing that is as hard to hit from `k` times the distance: what the middle of the thing that is sent must stay within goes with
 * the distance. Touching: width + b; into and through: less what the rim does not forgive.
 */
export function widthAt(k: number, width: number, rule: HitRule, diameter: number): number {
  const r = rule.kind === "anyOf" ? rule.rules[0]! : rule;
  const shift =
    r.kind === "into" ? -diameter * (1 - (r.rimAllowance ?? 0.5)) : r.kind === "through" ? -diameter : diameter;
  return Math.max(NARROWEST, k * (width + shift) - shift);
}

/** The layout at `k` times its distances, targets as much narrower or wider as keeps them as hard. */
export function scaledParts(parts: readonly Part[], k: number, diameter: number): Part[] {
  if (k === 1) return [...parts];
  return parts.map((p): Part => {
    switch (p.kind) {
      case "target":
        return { ...p, along: p.along * k, across: p.across * k, width: widthAt(k, p.width, p.rule, diameter) };
      case "zone":
        return { ...p, near: p.near * k, far: p.far * k, width: p.width * k };
      case "runOn":
        return { ...p, near: p.near * k, far: p.near * k + (p.far - p.near) };
      case "line":
        return { ...p, along: p.along * k, across: p.across * k, width: p.role === "band" ? p.width * k : p.width };
      default:
        return { ...p, along: p.along * k, across: p.across * k };
    }
  });
}
