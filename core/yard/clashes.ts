import { farthest, pathTo, purposeOf } from "../physics/send.ts";
import type { Sending as Sends } from "../physics/sending.ts";
import type { HitRule } from "../rules/hit-rule.ts";
import { HEADROOM } from "./fit.ts";
import { footprintOf } from "./footprint.ts";
import { overlap } from "./geometry.ts";
import { type Part, type PartOf, type Place, partsOf } from "./parts.ts";
import { placed } from "./placement.ts";
import { OVERLAP_ALLOWED } from "./placement-search.ts";

/**
 * What is wrong with a layout: two items in one place, one beyond the space, one hidden, a gap that is too small, and
 * so on.
 */
export type Clash =
  | { kind: "together"; ids: [string, string] }
  | { kind: "outside"; ids: [string] }
  /** The nearer one hides this share of the farther one. */
  | { kind: "hides"; ids: [near: string, far: string]; share: number }
  /** The object cannot get in or through. */
  | { kind: "tooSmall"; ids: [string] }
  /** Something, or somebody, is within the player's swing. Metres. */
  | { kind: "swing"; ids: [string]; clear: number }
  /** An item stands in the way of what is sent at a target. */
  | { kind: "inWay"; ids: [thing: string, target: string] }
  /** The object rises to this height on its way, metres, and would touch the ceiling. */
  | { kind: "ceiling"; ids: [string]; height: number }
  /** Nobody of that age gets so far with it. `reach`: the most, metres. */
  | { kind: "tooFar"; ids: [string]; reach: number };

/**
 * What is sent, by whom and under what. Metres. `swing`: the reach around the player. `away`: how far others stay
 * away.
 */
export interface Sending {
  diameter: number;
  inAir: boolean;
  swing?: number;
  away?: number;
  /** How the player does it. Without this, reach and ceiling are not checked. */
  sends?: Sends;
  ceiling?: number | null;
}

/** A target is called hidden if more than this share of it is. */
export const HIDDEN_SHARE = 0.5;

/** Whether an object of diameter `b` can count under a rule at all. */
function possible(rule: HitRule, b: number, inAir: boolean): boolean {
  const rules = rule.kind === "anyOf" ? rule.rules : [rule];
  return rules.some((eachRule) => {
    if (eachRule.kind === "into")
      return Math.min(eachRule.opening, eachRule.depth ?? eachRule.opening) > b && (inAir || eachRule.facing !== "up");
    return eachRule.kind === "through" ? eachRule.gap > b : true;
  });
}

/**
 * The share of the farther target's angle that the nearer one covers, 0 to 1. `b`: the diameter of the object that is
 * rolled.
 */
function covered(near: PartOf<"target">, far: PartOf<"target">, from: number, b: number): number {
  const span = (target: PartOf<"target">, grow: number) => {
    const distance = Math.max(1e-6, target.along - from);
    return [
      (target.across - target.width / 2 - grow) / distance,
      (target.across + target.width / 2 + grow) / distance,
    ] as const;
  };
  const [lo, hi] = span(far, b / 2);
  const [nl, nh] = span(near, b / 2);
  return Math.max(0, Math.min(hi, nh) - Math.max(lo, nl)) / (hi - lo);
}

/** Everything that clashes in a layout, in a space of that length and width (metres from the start line). */
export function clashesOf(parts: readonly Part[], space: { length: number; width: number }, object: Sending): Clash[] {
  const out: Clash[] = [];
  const targets = partsOf(parts, "target");
  const from = partsOf(parts, "line").find((line) => line.role === "start")?.along ?? 0;
  const boxes = new Map(
    footprintOf(parts, { diameter: object.diameter, runOn: 0 }).map((piece) => [
      piece.id,
      placed(piece, { x: 0, y: 0, angle: 0, mirrored: false }),
    ]),
  );
  const things = partsOf(parts, "obstacle").filter((o) => o.base === undefined);
  const deep = (action: string, text: string) => overlap(boxes.get(action)!, boxes.get(text)!) > OVERLAP_ALLOWED;
  things.forEach((thing, i) => {
    for (const eachThing of things.slice(i + 1))
      if (deep(thing.id, eachThing.id)) out.push({ kind: "together", ids: [thing.id, eachThing.id] });
    for (const target of targets)
      if (deep(thing.id, target.id)) out.push({ kind: "together", ids: [thing.id, target.id] });
      else if (!object.inAir && deep(thing.id, `lane ${target.id}`))
        out.push({ kind: "inWay", ids: [thing.id, target.id] });
  });
  // The player may stand elsewhere than on the start line: in Goals, in the middle of the field.
  const stands = partsOf(parts, "person").find((person) => person.role === "sender")?.along ?? from;
  const reach = (id: string, at: Place, half: number, clear: number) => {
    if (Math.hypot(at.along - stands, at.across) - half < clear - 1e-9) out.push({ kind: "swing", ids: [id], clear });
  };
  const { swing, away, sends, ceiling } = object;
  if (swing)
    for (const target of [...targets, ...things]) reach(target.id, target, Math.min(target.width, 0.3) / 2, swing);
  if (away) for (const p of partsOf(parts, "person")) if (p.role === "receiver") reach(p.id, p, 0, away);
  if (sends?.travel === "air" && typeof ceiling === "number")
    for (const target of targets) {
      const height = pathTo(
        sends,
        Math.hypot(target.along - from, target.across),
        (target.base ?? 0) + target.height / 2,
        purposeOf(target.rule),
      ).apex;
      if (height + HEADROOM > ceiling) out.push({ kind: "ceiling", ids: [target.id], height });
    }
  if (sends) {
    for (const target of targets) {
      const reach = farthest(sends, sends.travel === "air" ? (target.base ?? 0) + target.height / 2 : 0);
      if (target.along - from >= reach) out.push({ kind: "tooFar", ids: [target.id], reach });
    }
    const reach = farthest(sends);
    for (const zone of partsOf(parts, "zone"))
      if (zone.near - from >= reach) out.push({ kind: "tooFar", ids: [zone.id], reach });
  }
  targets.forEach((target, i) => {
    if (Math.abs(target.across) + target.width / 2 > space.width / 2 + 1e-9 || target.along > space.length + 1e-9)
      out.push({ kind: "outside", ids: [target.id] });
    if (!possible(target.rule, object.diameter, object.inAir)) out.push({ kind: "tooSmall", ids: [target.id] });
    for (const eachTarget of targets.slice(i + 1)) {
      // In a formation some always stand in front of others.
      if (target.group !== undefined && target.group === eachTarget.group) continue;
      if (overlap(boxes.get(target.id)!, boxes.get(eachTarget.id)!) > OVERLAP_ALLOWED)
        out.push({ kind: "together", ids: [target.id, eachTarget.id] });
      else if (!object.inAir && target.along !== eachTarget.along) {
        const [near, far] = target.along < eachTarget.along ? [target, eachTarget] : [eachTarget, target];
        const share = covered(near, far, from, object.diameter);
        if (share > HIDDEN_SHARE) out.push({ kind: "hides", ids: [near.id, far.id], share });
      }
    }
  });
  return out;
}
