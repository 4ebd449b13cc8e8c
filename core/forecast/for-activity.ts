import { actionFacts } from "../aim/actions.ts";
import { type HitRule, type SingleRule, SMALLEST } from "../aim/hit-rule.ts";
import { type PlayerModel, playerModel } from "../aim/player.ts";
import { type Policy, type Scene, sendChances } from "../aim/send-chances.ts";
import type { Activity } from "../formats/activity.ts";
import type { Item } from "../kit/item.ts";
import { thing } from "../kit/items.ts";
import type { Age } from "../measures/stature.ts";
import type { Setup } from "../patterns/contract.ts";
import { patternOf } from "../patterns/registry.ts";
import { purposeOf, runsOn, type Sending, sendingOf } from "../physics/send.ts";
import { laidParts } from "../yard/layouts/laid.ts";
import { type Part, partsOf } from "../yard/parts.ts";
import { type Forecast, forecast, type Graph } from "./forecast.ts";

export interface Who {
  age: Age;
  /** Spread beside a child of 8, once known better than by age. */
  multiplier?: number;
}

/** What an activity sends; a document that was read always has it. */
export function sentIn(a: Activity): Item {
  const i = thing(a.kit, a.kit.send);
  if (!i) throw new RangeError(`kit.send: "${a.kit.send}" is not a thing of the kit list`);
  return i;
}

/**
 * The layout of an activity in its own space: what the game needs, what is laid out beside it, and the run-on of what is sent, unless a wall
 * or something soft behind the targets stops it.
 */
export function layoutOf(a: Activity): Part[] {
  const parts = patternOf(a.pattern.name)
    .layout(a.pattern.params, a.space)
    .map((p) => deep(a, p));
  const runOn = goesOn(a) ? Math.min(KEPT_CLEAR, runOnIn(a, parts, sendingIn(a, USUAL_AGE))) : 0;
  const far = [...partsOf(parts, "target").map((t) => t.along), ...partsOf(parts, "zone").map((z) => z.far)];
  const from = Math.max(...far);
  // Indoors a wall stops it.
  const stops = (at: number) => (a.space.indoors ? Math.max(from, Math.min(at, a.space.length)) : at);
  const more = a.layout ? laidParts(a.layout) : [];
  return [
    ...parts,
    ...more,
    { kind: "runOn", id: "runOn", near: from, far: stops(from + runOn), across: 0, width: a.space.width },
  ];
}

/** A target with the depth of the thing that stands there; what has no opening or gap lets nothing in or through. */
function deep(a: Activity, p: Part): Part {
  if (p.kind !== "target") return p;
  const is = thing(a.kit, p.item);
  if (!is) return p;
  const rules = (p.rule.kind === "anyOf" ? p.rule.rules : [p.rule]).map((r): SingleRule => {
    if (r.kind === "into" && is.opening === null) return { ...r, opening: SMALLEST };
    return r.kind === "through" && is.gap === null ? { ...r, gap: SMALLEST } : r;
  });
  const rule: HitRule = rules.length === 1 ? rules[0]! : { kind: "anyOf", rules };
  return { ...p, depth: p.depth ?? is.depth, rule };
}

/** Whoever sends is taken to be so old where nobody is named, years. */
export const USUAL_AGE = 8;
/** More floor than this is not kept clear behind the targets, metres: what runs farther is stopped by something. */
export const KEPT_CLEAR = 3;

/** How somebody sends in an activity. */
export const sendingIn = (a: Activity, age: Age): Sending => sendingOf(age, a.aim.action, sentIn(a), a.space.floor);

/**
 * How far what is sent runs on past what it was sent at, metres: the most over all targets; where it is to stop among lines, one SD of its
 * length at the last.
 */
export function runOnIn(a: Activity, parts: readonly Part[], sending: Sending): number {
  const from = partsOf(parts, "line").find((l) => l.role === "start")?.along ?? 0;
  const zones = partsOf(parts, "zone").map((z) => z.far - from);
  if (zones.length > 0) {
    const far = Math.max(...zones);
    return actionFacts[a.aim.action].spread.range * sending.item.handling * far;
  }
  return Math.max(
    ...partsOf(parts, "target").map((t) =>
      runsOn(sending, t.along - from, sending.travel === "air" ? t.height / 2 : 0, purposeOf(t.rule)),
    ),
  );
}

/** Whether nothing behind the targets stops what is sent. Documents kept from before do not say: nothing does. */
export const goesOn = (a: Activity): boolean => a.behind !== "wall" && a.behind !== "soft";

export function sceneOf(a: Activity): Scene {
  return { parts: layoutOf(a), inAir: actionFacts[a.aim.action].travel === "air" };
}

export function modelOf(a: Activity, who: Who): PlayerModel {
  return playerModel(who, a.aim.action, sentIn(a), a.space.floor);
}

/** What will happen when these people play it. */
export function forecastActivity(
  a: Activity,
  people: readonly Who[],
  setup: Setup,
  policy: Policy,
  more: {
    chances?: Record<string, number>;
    method?: "auto" | "exact" | "sampled";
    samples?: number;
    graph?: Graph;
    stop?: () => boolean;
  } = {},
): Forecast {
  const scene = sceneOf(a);
  if (more.chances) checkChances(scene, more.chances);
  return forecast({
    pattern: patternOf(a.pattern.name),
    params: a.pattern.params,
    setup,
    scene,
    players: people.map((w) => modelOf(a, w)),
    policy,
    ...more,
  });
}

/** Chances given by hand: each of something that is there, none beyond 1, all zones together at most 1, and none left out. RangeError names which. */
function checkChances(scene: Scene, chances: Readonly<Record<string, number>>): void {
  const targets = partsOf(scene.parts, "target").map((t) => t.id);
  const zones = partsOf(scene.parts, "zone").map((z) => z.id);
  const lines = partsOf(scene.parts, "line").flatMap((l) => (l.role === "start" && l.id !== "start" ? [l.id] : []));
  const known = zones.length > 0 ? [...zones, "short", "over"] : [...targets, ...lines];
  const wanted =
    zones.length > 0 ? zones : lines.length > 0 && !targets.some((t) => Object.hasOwn(chances, t)) ? lines : targets;
  for (const [id, p] of Object.entries(chances)) {
    if (!known.includes(id))
      throw new RangeError(`chances.${id.slice(0, 40)}: not of this activity; it has ${known.join(", ")}`);
    if (!(p >= 0 && p <= 1)) throw new RangeError(`chances.${id}: must be 0 to 1`);
  }
  const missing = wanted.find((id) => !Object.hasOwn(chances, id));
  if (missing !== undefined) throw new RangeError(`chances.${missing}: is missing`);
  const sum = zones.length > 0 ? Object.values(chances).reduce((n, p) => n + p, 0) : 0;
  if (sum > 1 + 1e-9) throw new RangeError(`chances: the zones together are ${sum.toFixed(3)}, and may be 1 at most`);
}

/**
 * Chance under each peg for one person: to hit that target aimed at its middle; or, for a line that is stood on, the chance
 * from it; or, for a line across the floor, the chance to stop in the band that begins there, aimed at its middle.
 */
export function pegRates(a: Activity, who: Who, scene: Scene = sceneOf(a), only?: string): Map<string, number> {
  const player = modelOf(a, who);
  const pegs = patternOf(a.pattern.name).pegs(a.pattern.params);
  const zones = partsOf(scene.parts, "zone");
  const targets = partsOf(scene.parts, "target");
  const rates = new Map<string, number>();
  for (const peg of pegs) {
    if (only !== undefined && peg.id !== only) continue;
    const zone = zones.find((z) => Math.abs(z.near - peg.distance) < 1e-9);
    if (peg.kind === "line" && targets.length === 0) {
      if (!zone) continue;
      const branches = zones.map((z) => ({
        ref: z.id,
        worth: z.id === zone.id ? 1 : 0,
        event: { kind: "ready" as const },
      }));
      const send = { player: 0, from: "start", shot: { kind: "zones" as const }, branches, fetch: false };
      rates.set(peg.id, sendChances(send, scene, player, "middle").byRef.get(zone.id)!);
    } else {
      const target = peg.kind === "target" ? peg.id : targets[0]!.id;
      const from = peg.kind === "target" ? "start" : peg.id;
      const send = { player: 0, from, shot: { kind: "target" as const, target }, branches: [], fetch: false };
      rates.set(peg.id, sendChances(send, scene, player, "middle").byRef.get(target)!);
    }
  }
  return rates;
}
