import { farthest, pathTo, purposeOf } from "../physics/send.ts";
import type { Sending as Sends } from "../physics/sending.ts";
import type { HitRule } from "../rules/hit-rule.ts";
import { HEADROOM } from "./fit.ts";
import { footprintOf } from "./footprint.ts";
import { overlap } from "./geometry.ts";
import { type Part, type PartOf, type Place, partsOf } from "./parts.ts";
import { placed } from "./placement.ts";
import { OVERLAP_ALLOWED } from "./placement-search.ts";

/** What is wrong with a layout where it was put, as it happens: two in one place, one beyond the space, one hidden, a gap too small. */
export type Clash =
  | { kind: "together"; ids: [string, string] }
  | { kind: "outside"; ids: [string] }
  /** The nearer one stands in the way of so much of the farther one, a share. */
  | { kind: "hides"; ids: [near: string, far: string]; share: number }
  /** What is sent cannot get in, or through. */
  | { kind: "tooSmall"; ids: [string] }
  /** Something, or somebody, within reach of whoever sends. Metres. */
  | { kind: "swing"; ids: [string]; clear: number }
  /** A thing that stands there is in the way of what is sent at a target. */
  | { kind: "inWay"; ids: [thing: string, target: string] }
  /** What is thrown at it comes up so high, metres, and would touch the ceiling. */
  | { kind: "ceiling"; ids: [string]; height: number }
  /** Nobody of that age gets so far with it: `reach` metres at most. */
  | { kind: "tooFar"; ids: [string]; reach: number };

/** What is sent, by whom and under what: metres. `swing`: reach around whoever sends; `away`: how far others stay. */
export interface Sending {
  diameter: number;
  inAir: boolean;
  swing?: number;
  away?: number;
  /** How whoever sends does it; nothing is said of reach and ceiling without. */
  sends?: Sends;
  ceiling?: number | null;
}

/** A target that is hidden by more than this share is said to be. */
export const HIDDEN_SHARE = 0.5;

/** Whether something of diameter `b` can count under a rule at all. */
function possible(rule: HitRule, b: number, inAir: boolean): boolean {
  const rules = rule.kind === "anyOf" ? rule.rules : [rule];
  return rules.some((r) => {
    if (r.kind === "into") return Math.min(r.opening, r.depth ?? r.opening) > b && (inAir || r.facing !== "up");
    return r.kind === "through" ? r.gap > b : true;
  });
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
export function clashesOf(parts: readonly Part[], space: { length: number; width: number }, object: Sending): Clash[] {
  const out: Clash[] = [];
  const targets = partsOf(parts, "target");
  const from = partsOf(parts, "line").find((l) => l.role === "start")?.along ?? 0;
  const boxes = new Map(
    footprintOf(parts, { diameter: object.diameter, runOn: 0 }).map((p) => [
      p.id,
      placed(p, { x: 0, y: 0, angle: 0, mirrored: false }),
    ]),
  );
  const things = partsOf(parts, "obstacle").filter((o) => o.base === undefined);
  const deep = (a: string, b: string) => overlap(boxes.get(a)!, boxes.get(b)!) > OVERLAP_ALLOWED;
  things.forEach((o, i) => {
    for (const u of things.slice(i + 1)) if (deep(o.id, u.id)) out.push({ kind: "together", ids: [o.id, u.id] });
    for (const t of targets)
      if (deep(o.id, t.id)) out.push({ kind: "together", ids: [o.id, t.id] });
      else if (!object.inAir && deep(o.id, `lane ${t.id}`)) out.push({ kind: "inWay", ids: [o.id, t.id] });
  });
  const reach = (id: string, at: Place, half: number, clear: number) => {
    if (Math.hypot(at.along - from, at.across) - half < clear - 1e-9) out.push({ kind: "swing", ids: [id], clear });
  };
  const { swing, away, sends, ceiling } = object;
  if (swing) for (const t of [...targets, ...things]) reach(t.id, t, Math.min(t.width, 0.3) / 2, swing);
  if (away) for (const p of partsOf(parts, "person")) if (p.role === "receiver") reach(p.id, p, 0, away);
  if (sends?.travel === "air" && typeof ceiling === "number")
    for (const t of targets) {
      const height = pathTo(
        sends,
        Math.hypot(t.along - from, t.across),
        (t.base ?? 0) + t.height / 2,
        purposeOf(t.rule),
      ).apex;
      if (height + HEADROOM > ceiling) out.push({ kind: "ceiling", ids: [t.id], height });
    }
  if (sends) {
    for (const t of targets) {
      const reach = farthest(sends, sends.travel === "air" ? (t.base ?? 0) + t.height / 2 : 0);
      if (t.along - from >= reach) out.push({ kind: "tooFar", ids: [t.id], reach });
    }
    const reach = farthest(sends);
    for (const z of partsOf(parts, "zone"))
      if (z.near - from >= reach) out.push({ kind: "tooFar", ids: [z.id], reach });
  }
  targets.forEach((t, i) => {
    if (Math.abs(t.across) + t.width / 2 > space.width / 2 + 1e-9 || t.along > space.length + 1e-9)
      out.push({ kind: "outside", ids: [t.id] });
    if (!possible(t.rule, object.diameter, object.inAir)) out.push({ kind: "tooSmall", ids: [t.id] });
    for (const u of targets.slice(i + 1)) {
      // Of one formation some always stand before others.
      if (t.group !== undefined && t.group === u.group) continue;
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
