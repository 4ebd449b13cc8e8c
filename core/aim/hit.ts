import type { Spread } from "../actions/spread.ts";
import { topples } from "../physics/topple.ts";
import type { HitRule, SingleRule } from "../rules/hit-rule.ts";
import type { LineRule } from "../rules/limits.ts";
import { density, within } from "./normal.ts";
import { cornersAcross, facingOf, halfWidth, type Inside, insideOf, mouthOf, spanAt } from "./opening.ts";
import { integrate } from "./quadrature.ts";

/** One send at one target. SI units. */
export interface Shot {
  /** The aimed distance from the throwing spot, metres. */
  distance: number;
  spread: Spread;
  /** The object. Its mass (kg) and its speed at the target (m/s) matter only for `topple`. */
  object: { diameter: number; mass?: number; speed?: number };
  /** The middle of the target minus the point aimed at, metres. 0 if aimed at the middle. */
  off?: { across?: number; along?: number; up?: number };
  /** The object flies, so an upright target is met at a height as well: `height` metres if the rule does not say. */
  inAir?: { height: number };
  /** The chance that the send gets there at all. 1 unless the floor or the child's strength allow less. */
  reach?: number;
}

/** Beyond this many SDs there is nothing left to integrate. */
const TAIL = 9;

/** A region that counts, in one plane of errors. `side`: there is no second coordinate. */
interface Region {
  plane: "side" | "upright" | "ground";
  left: number;
  right: number;
  /** The span of the second coordinate at a sideways error x within left..right. */
  span: (x: number) => readonly [number, number];
  /** The sideways errors between which the span is smooth. */
  cuts?: readonly number[];
}

const everywhere = [Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY] as const;

/**
 * How far both lines of a band move for an object of diameter `b` metres, so that the part of it that decides is its
 * middle.
 */
export function lineShift(rule: LineRule, b: number): number {
  return rule === "lower" ? b / 2 : rule === "higher" ? -b / 2 : 0;
}

function disc(plane: Region["plane"], radius: number, x0: number, y0: number): Region {
  return {
    plane,
    left: x0 - radius,
    right: x0 + radius,
    span: (x) => {
      const height = Math.sqrt(Math.max(0, radius * radius - (x - x0) * (x - x0)));
      return [y0 - height, y0 + height];
    },
  };
}

function opened(plane: Region["plane"], inside: Inside, x0: number, y0: number): Region {
  const half = halfWidth(inside);
  return {
    plane,
    left: x0 - half,
    right: x0 + half,
    cuts: cornersAcross(inside).map((x) => x0 + x),
    span: (x) => {
      const [lo, hi] = spanAt(inside, x - x0);
      return [y0 + lo, y0 + hi];
    },
  };
}

function box(plane: Region["plane"], halfX: number, halfY: number, x0: number, y0: number): Region {
  const span = halfY === Number.POSITIVE_INFINITY ? everywhere : ([y0 - halfY, y0 + halfY] as const);
  return { plane, left: x0 - halfX, right: x0 + halfX, span: () => span };
}

function region(rule: SingleRule, shot: Shot): Region | null {
  const diameter = shot.object.diameter;
  const x0 = shot.off?.across ?? 0;
  const y0 = shot.off?.along ?? 0;
  const z0 = shot.off?.up ?? 0;
  switch (rule.kind) {
    case "touch":
      return rule.height === undefined
        ? box("side", rule.width / 2 + diameter / 2, Number.POSITIVE_INFINITY, x0, 0)
        : box("upright", rule.width / 2 + diameter / 2, rule.height / 2 + diameter / 2, x0, z0);
    case "topple":
      if (!topples(rule, { ...shot.object, ...(shot.inAir && { at: rule.height / 2 }) })) return null;
      return shot.inAir
        ? box("upright", rule.width / 2 + diameter / 2, rule.height / 2 + diameter / 2, x0, z0)
        : box("side", rule.width / 2 + diameter / 2, Number.POSITIVE_INFINITY, x0, 0);
    case "through": {
      if (rule.gap <= diameter) return null;
      if (!shot.inAir) return box("side", (rule.gap - diameter) / 2, Number.POSITIVE_INFINITY, x0, 0);
      return shot.inAir.height <= diameter
        ? null
        : box("upright", (rule.gap - diameter) / 2, (shot.inAir.height - diameter) / 2, x0, z0);
    }
    case "into": {
      if (rule.facing === "mouth") {
        const half = mouthOf(rule, diameter, shot.object.speed);
        return half === null ? null : box("side", half, Number.POSITIVE_INFINITY, x0, 0);
      }
      const inside = rule.facing === "player" ? facingOf(rule, diameter) : insideOf(rule, diameter);
      return (
        inside && (rule.facing === "player" ? opened("upright", inside, x0, z0) : opened("ground", inside, x0, y0))
      );
    }
    case "on": {
      const grow = rule.touching ? diameter / 2 : 0;
      return rule.radius === undefined
        ? box("ground", rule.width! / 2 + grow, rule.depth! / 2 + grow, x0, y0)
        : disc("ground", rule.radius + grow, x0, y0);
    }
    case "band": {
      const shift = lineShift(rule.lineRule ?? "centre", diameter);
      const lo = rule.near + shift - shot.distance;
      const hi = rule.far + shift - shot.distance;
      return { ...box("ground", Number.POSITIVE_INFINITY, 0, 0, 0), span: () => [lo, hi] };
    }
    case "cell":
      return box("ground", rule.width / 2, rule.depth / 2, x0 + (rule.acrossOffset ?? 0), y0 + (rule.alongOffset ?? 0));
  }
}

/**
 * The chance (0 to 1) that a send counts under a rule. Errors are normal and independent: sideways SD lateral x d,
 * along the ground range x d, up and down vertical x d, with d the aimed distance. Several rules on one target count
 * as their union. Source: core model, "Spread". A rolled touch of a 0.30 m target at 4 m, b 0.07, lateral 0.08 is
 * 0.436820.
 */
export function hitChance(rule: HitRule, shot: Shot): number {
  const rules = rule.kind === "anyOf" ? rule.rules : [rule];
  const regions = rules.map((eachRule) => region(eachRule, shot)).filter((eachRegion) => eachRegion !== null);
  return unionChance(regions, shot) * (shot.reach ?? 1);
}

function unionChance(regions: Region[], shot: Shot): number {
  const sx = shot.spread.lateral * shot.distance;
  const sd = { upright: shot.spread.vertical * shot.distance, ground: shot.spread.range * shot.distance };
  const only = regions.length === 1 ? regions[0]! : null;
  if (!only && regions.length === 0) return 0;
  if (only?.plane === "side") return within(only.left, only.right, sx);
  if (sx === 0) return sliceChance(regions, 0, sd);
  if (only && only.span(only.left) === only.span(only.right)) return boxChance(only, sx, sd);
  const edges = new Set([-TAIL * sx, TAIL * sx]);
  for (const eachRegion of regions)
    for (const e of [eachRegion.left, eachRegion.right, ...(eachRegion.cuts ?? [])])
      if (Math.abs(e) < TAIL * sx) edges.add(e);
  const cuts = [...edges].sort((a, b) => a - b);
  let total = 0;
  for (let i = 1; i < cuts.length; i++) {
    const middle = (cuts[i - 1]! + cuts[i]!) / 2;
    const here = regions.filter((eachRegion) => eachRegion.left < middle && middle < eachRegion.right);
    if (here.length === 0) continue;
    if (here.some((eachRegion) => eachRegion.plane === "side")) total += within(cuts[i - 1]!, cuts[i]!, sx);
    else total += integrate((x) => density(x, sx) * sliceChance(here, x, sd), cuts[i - 1]!, cuts[i]!, sx);
  }
  return total;
}

type SecondSd = { upright: number; ground: number };

function boxChance(givenRegion: Region, sx: number, sd: SecondSd): number {
  const [lo, hi] = givenRegion.span(0);
  const across =
    givenRegion.left === Number.NEGATIVE_INFINITY || givenRegion.right === Number.POSITIVE_INFINITY
      ? 1
      : within(givenRegion.left, givenRegion.right, sx);
  return across * within(lo, hi, sd[givenRegion.plane as "upright" | "ground"]);
}

/** The chance over the second coordinates at one sideways error: a union within a plane, independent across planes. */
function sliceChance(regions: Region[], x: number, sd: SecondSd): number {
  let miss = 1;
  for (const plane of ["upright", "ground"] as const) {
    const spans = regions
      .filter((eachRegion) => eachRegion.plane === plane && eachRegion.left <= x && x <= eachRegion.right)
      .map((eachRegion) => eachRegion.span(x))
      .sort((a, b) => a[0] - b[0]);
    let chance = 0;
    let reached = Number.NEGATIVE_INFINITY;
    for (const [lo, hi] of spans) {
      if (hi > reached) chance += within(Math.max(lo, reached), hi, sd[plane]);
      reached = Math.max(reached, hi);
    }
    miss *= 1 - chance;
  }
  return regions.some((eachRegion) => eachRegion.plane === "side" && eachRegion.left <= x && x <= eachRegion.right)
    ? 1
    : 1 - miss;
}
