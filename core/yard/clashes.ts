import type { HitRule } from "../aim/hit-rule.ts";
import { OVERLAP_ALLOWED, placed } from "./fit.ts";
import { footprintOf } from "./footprint.ts";
import { overlap } from "./geometry.ts";
import { type Part, type PartOf, partsOf } from "./parts.ts";

/** What is wrong with a layout where it was put, as it happens: two in one place, one beyond the space, one hidden, a gap too small. */
export type Clash =
  | { kind: "together"; ids: [string, string] }
  | { kind: "outside"; ids: [string] }
  /** The nearer one stands in the way of so much of the farther one, a share. */
  | { kind: "hides"; ids: [near: string, far: string]; share: number }
  /** What is sent cannot get in, or through. */
  | { kind: "tooSmall"; ids: [string] };

/** A target that is hidden by more than this share is said to be. */
export const HIDDEN_SHARE = 0.5;

/** Whether something of diameter `b` can count under a rule at all. */
function possible(rule: HitRule, b: number): boolean {
  const rules = rule.kind === "anyOf" ? rule.rules : [rule];
  return rules.some((r) => (r.kind === "into" ? r.opening > b : r.kind === "through" ? r.gap > b : true));
}

/** How much of the farther target's angle the nearer one covers, 0 to 1; `b` is the diameter of what is rolled. */
function covered(near: PartOf<"target">, far: PartOf<"target">, from: number, b: number): number {
  const span = (t: PartOf<"target">, grow: number) => {
    const d = Math.max(1e-6, t.along - from);
    return [(t.across - t.width / 2 - grow) / d, (t.across + t.width / 2 + grow) / d] as const;
  };
  const [lo, hi] = span(far, b / 2);
  const [nl, nh] = span(near, b / 2);
  return Math.max(0, Math.min(hi, nh) - Math.max(lo, nl)) / (hi - lo);
}

/** Everything that clashes in a layout, in a space of that length and width (metres from the start line). */
export function clashesOf(
  parts: readonly Part[],
  space: { length: number; width: number },
  object: { diameter: number; runOn: number; inAir: boolean },
): Clash[] {
  const out: Clash[] = [];
  const targets = partsOf(parts, "target");
  const from = partsOf(parts, "line").find((l) => l.role === "start")?.along ?? 0;
  const boxes = new Map(
    footprintOf(parts, object)
      .filter((p) => p.kind === "target")
      .map((p) => [p.id, placed(p, { x: 0, y: 0, angle: 0, mirrored: false })]),
  );
  targets.forEach((t, i) => {
    if (Math.abs(t.across) + t.width / 2 > space.width / 2 + 1e-9 || t.along > space.length + 1e-9)
      out.push({ kind: "outside", ids: [t.id] });
    if (!possible(t.rule, object.diameter)) out.push({ kind: "tooSmall", ids: [t.id] });
    for (const u of targets.slice(i + 1)) {
      if (overlap(boxes.get(t.id)!, boxes.get(u.id)!) > OVERLAP_ALLOWED)
        out.push({ kind: "together", ids: [t.id, u.id] });
      else if (!object.inAir && t.along !== u.along) {
        const [near, far] = t.along < u.along ? [t, u] : [u, t];
        const share = covered(near, far, from, object.diameter);
        if (share > HIDDEN_SHARE) out.push({ kind: "hides", ids: [near.id, far.id], share });
      }
    }
  });
  return out;
}
