import type { HitRule, SingleRule } from "../rules/hit-rule.ts";
import type { Part } from "../yard/parts.ts";
import type { Target } from "./target-schema.ts";

/** Targets closer than this would be one target, metres. */
export const MIN_GAP = 0.05;
/** The thickness of the rim of a lying container, metres: an assumption. */
const LIP = 0.008;
/** The rim of a container, as part of its outer width. */
const WALL = 0.02;
/** The weight of an item that nobody weighed: an empty bottle, kilograms. */
const LIGHT = { mass: 0.03, contents: 0, filling: 0 };
/** A target without a distance, for games in which the line moves instead. */
export type Standing = Omit<Target, "distance">;

/** What counts at a target, as a rule for the chances. */
export function ruleOf(standing: Standing): HitRule {
  const within = Math.max(0.02, standing.width - WALL);
  const rules = standing.counts.map((count): SingleRule => {
    switch (count) {
      case "touch":
        return { kind: "touch", width: standing.width };
      case "into":
        return {
          kind: "into",
          opening: standing.opening ?? within,
          ...(standing.opening !== undefined &&
            standing.openingDepth !== undefined && { depth: standing.openingDepth }),
          ...(standing.turn && { turn: (standing.turn * Math.PI) / 180 }),
          ...(standing.lies !== undefined && { facing: standing.lies ? "mouth" : "up" }),
          lip: LIP,
        };
      case "through":
        return { kind: "through", gap: standing.gap ?? within };
      default:
        return { kind: "topple", width: standing.width, height: standing.height, ...(standing.weight ?? LIGHT) };
    }
  });
  return rules.length === 1 ? rules[0]! : { kind: "anyOf", rules };
}

/**
 * Checks targets that stand side by side: an id used twice, or one on top of another. `path`: the path of their list.
 */
export function checkTargets(
  targets: readonly Target[],
  path: readonly (string | number)[],
  ctx: { addIssue(issue: { code: "custom"; path: (string | number)[]; message: string }): void },
): void {
  const wrong = (i: number, field: string, message: string) =>
    ctx.addIssue({ code: "custom", path: [...path, i, field], message });
  const seen = new Set<string>();
  for (const [i, aim] of targets.entries()) {
    if (seen.has(aim.id)) wrong(i, "id", `id "${aim.id}" is used twice`);
    seen.add(aim.id);
    if (aim.id === "none") wrong(i, "id", 'id must not be "none"');
    for (const [j, b] of targets.slice(0, i).entries())
      if (Math.abs(aim.distance - b.distance) < MIN_GAP && Math.abs(aim.across - b.across) < (aim.width + b.width) / 2)
        wrong(i, "distance", `target ${i + 1} stands on target ${j + 1}: move one by ${MIN_GAP} m or more`);
  }
}

/** A target on the floor, `along` metres from the start line. */
export function targetPart(standing: Standing, along: number, points?: number): Part {
  const { id, across: aside, width, height, item, label } = standing;
  const worth = points === undefined ? {} : { points };
  return { kind: "target", id, along, across: aside, width, height, item, label, rule: ruleOf(standing), ...worth };
}
