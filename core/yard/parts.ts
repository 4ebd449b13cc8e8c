import type { HitRule, LineRule } from "../aim/hit-rule.ts";

/**
 * A part of a layout. `along` runs from the start line to the targets, `across` to the player's right, metres, from the middle
 * of the start line. Plan, tape, set-up script, forecast and export read parts and nothing else.
 */
export type Part =
  | { kind: "line"; id: string; along: number; across: number; width: number; role: "start" | "band"; label?: string }
  | {
      kind: "target";
      id: string;
      along: number;
      across: number;
      width: number;
      height: number;
      item: string;
      label: string;
      rule: HitRule;
    }
  | {
      kind: "zone";
      id: string;
      near: number;
      far: number;
      across: number;
      width: number;
      points: number;
      lineRule: LineRule;
    }
  | { kind: "person"; id: string; along: number; across: number; role: "sender" }
  | { kind: "runOn"; id: string; near: number; far: number; across: number; width: number };

export type PartOf<K extends Part["kind"]> = Extract<Part, { kind: K }>;

export function partsOf<K extends Part["kind"]>(parts: readonly Part[], kind: K): PartOf<K>[] {
  return parts.filter((p): p is PartOf<K> => p.kind === kind);
}

/** Farthest point from the start line that any part but the run-on takes, metres. */
export function reachOfLayout(parts: readonly Part[]): number {
  let far = 0;
  for (const p of parts) {
    if (p.kind === "zone") far = Math.max(far, p.far);
    else if (p.kind === "target" || p.kind === "line" || p.kind === "person") far = Math.max(far, p.along);
  }
  return far;
}

/** Where the run-on ends when nothing stops it, metres from the start line. */
export function endOfRunOn(parts: readonly Part[]): number {
  return partsOf(parts, "runOn").reduce((far, p) => Math.max(far, p.far), reachOfLayout(parts));
}
