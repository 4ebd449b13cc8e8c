import type { Spread } from "../actions/spread.ts";
import type { Path } from "../physics/sending.ts";
import { dropsIn } from "../physics/standing.ts";
import { type Blow, topples } from "../physics/topple.ts";
import type { HitRule, SingleRule } from "../rules/hit-rule.ts";
import { density, within } from "./normal.ts";
import { cornersAcross, facingOf, halfWidth, type Inside, insideOf, mouthOf, spanAt } from "./opening.ts";
import { NODES, WEIGHTS } from "./quadrature.ts";

/**
 * One send past everything that stands there.
 *
 * The law: three independent normal errors belong to a send aimed at distance d. Sideways and up-and-down they are angles of SD `lateral`
 * and `vertical`, so that a straight send passes a thing at distance x at `x` times its angle (in the air it flies level from the height
 * aimed at: an assumption); along the ground they are metres of SD `range x d`, and say where it comes down or to rest. A send meets
 * things in the order of their distance, each by what it takes up (its body) or by what counts on it. The first one met is what
 * happens: that one, if it counts there, else nothing.
 */
export interface Standing {
  id: string;
  /** From the throwing spot, metres. */
  distance: number;
  across: number;
  width: number;
  height: number;
  rule: HitRule;
}
export interface JointSend {
  /** Where it is aimed: metres out, to the right of the middle, and above the floor. */
  aim: { distance: number; across: number; up: number };
  spread: Spread;
  object: { diameter: number; mass?: number; speed?: number };
  inAir: boolean;
  /** How it goes on its way: speed over the ground (m/s) and how steeply it comes down (radians) by distance in metres. */
  path?: Pick<Path, "speedAt" | "angleAt">;
  /** Chance to get as far as a distance, at a height above the floor, in metres. */
  reach?: (metres: number, height: number) => number;
}

type Span = readonly [lo: number, hi: number];
/** What of a thing a send meets, as a function of its sideways angle: spans of the up-and-down angle, and of the along error. */
interface Region {
  lo: number;
  hi: number;
  plane: "up" | "along";
  /** Null: the same all over lo..hi. */
  span: Span | ((u: number) => Span);
  /** Angles between which the span is smooth. */
  cuts?: readonly number[];
}
interface Met {
  of: Standing;
  counts: Region[];
  body: Region | null;
}

/** Beyond this many SDs nothing is left. */
const TAIL = 9;
const ALL: Span = [Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY];
/** Height of a flat thing met in the air, metres. */
const LOW = 0.02;
/** Halvings of the search for where two are touched at once. */
const HALVINGS = 40;

interface Arc {
  lo: number;
  hi: number;
}

/** What a thing covers of the sideways angle, grown by half of what is sent. */
const arcOf = (standing: Standing, b: number): Arc => ({
  lo: (standing.across - standing.width / 2 - b / 2) / standing.distance,
  hi: (standing.across + standing.width / 2 + b / 2) / standing.distance,
});

/**
 * How far out a round thing of radius `r` is when it touches the front of another, sent at a sideways angle: it touches an edge that it
 * overlaps by g at sqrt(r^2 - g^2) before its middle is level with it. Of two side by side at one distance each is touched first up to midway
 * between their facing edges, and that moves steadily as one of them is nearer, until by `r` the nearer has all.
 */
function contactAt(standing: Standing, u: number, r: number): number {
  const gap = Math.max(0, Math.abs(u * standing.distance - standing.across) - standing.width / 2);
  return standing.distance - Math.sqrt(Math.max(0, r * r - gap * gap));
}
/** Where one of two neighbours takes over from the other: the angle between their facing edges at which both are touched at once. */
function takesOver(one: Standing, other: Standing, r: number): number {
  const [left, right] = one.across <= other.across ? [one, other] : [other, one];
  if (left.distance === right.distance)
    return (left.across + left.width / 2 + right.across - right.width / 2) / 2 / left.distance;
  let lo = (left.across + left.width / 2 - r) / left.distance;
  let hi = (right.across - right.width / 2 + r) / right.distance;
  for (let i = 0; i < HALVINGS; i++) {
    const u = (lo + hi) / 2;
    if (contactAt(left, u, r) <= contactAt(right, u, r)) lo = u;
    else hi = u;
  }
  return (lo + hi) / 2;
}

const isPlain = (inside: Inside) => !inside.round && inside.turn === 0;
/** How hard and where a thing is met: at its middle in the air, low on the floor. */
const blowOn = (standing: Standing, send: JointSend): Blow => ({
  ...send.object,
  ...(send.path && { speed: send.path.speedAt(standing.distance) }),
  ...(send.inAir && { at: standing.height / 2 }),
});

/** The region of one rule on one thing. Null: it can never count. */
function regionOf(rule: SingleRule, standing: Standing, arc: Arc, send: JointSend): Region | null {
  const diameter = send.object.diameter;
  const up = (z: number) => (z - send.aim.up) / standing.distance;
  const face: Span = send.inAir ? [up(-diameter / 2), up(Math.max(standing.height, LOW) + diameter / 2)] : ALL;
  const offAlong = standing.distance - send.aim.distance;
  const between = (half: number): Arc => ({
    lo: (standing.across - half) / standing.distance,
    hi: (standing.across + half) / standing.distance,
  });
  switch (rule.kind) {
    case "touch":
      return { ...arc, plane: "up", span: face };
    case "topple":
      return topples(rule, blowOn(standing, send)) ? { ...arc, plane: "up", span: face } : null;
    case "through": {
      if (rule.gap <= diameter) return null;
      const clear: Span = send.inAir ? [up(diameter / 2), up(standing.height - diameter / 2)] : ALL;
      return { ...between((rule.gap - diameter) / 2), plane: "up", span: clear };
    }
    case "into": {
      // On the ground a container lies, its mouth towards the player, unless it is said to stand: then nothing rolls into it.
      if (!send.inAir) {
        const half =
          rule.facing === "up"
            ? null
            : mouthOf(rule, diameter, send.path?.speedAt(standing.distance) ?? send.object.speed);
        return half === null ? null : { ...between(half), plane: "up", span: ALL };
      }
      // What lies looks at the player.
      const looks = rule.facing === "player" || rule.facing === "mouth";
      const inside = looks ? facingOf(rule, diameter) : insideOf(rule, diameter);
      if (!inside) return null;
      if (!looks && send.path && !dropsIn(rule.depth ?? rule.opening, diameter, send.path.angleAt(standing.distance)))
        return null;
      const angles = {
        ...between(halfWidth(inside)),
        cuts: cornersAcross(inside).map((x) => (standing.across + x) / standing.distance),
      };
      const at = (u: number) => spanAt(inside, u * standing.distance - standing.across);
      if (looks)
        return {
          ...angles,
          plane: "up",
          span: (u) => [up(standing.height / 2 + at(u)[0]), up(standing.height / 2 + at(u)[1])],
        };
      if (isPlain(inside)) return { ...angles, plane: "along", span: [offAlong - inside.y, offAlong + inside.y] };
      return { ...angles, plane: "along", span: (u) => [offAlong + at(u)[0], offAlong + at(u)[1]] };
    }
    case "on": {
      const grow = rule.touching ? diameter / 2 : 0;
      if (rule.radius === undefined) {
        const deep = rule.depth! / 2 + grow;
        return { ...between(rule.width! / 2 + grow), plane: "along", span: [offAlong - deep, offAlong + deep] };
      }
      const radius = rule.radius + grow;
      const half = (u: number) => Math.sqrt(Math.max(0, radius ** 2 - (u * standing.distance - standing.across) ** 2));
      return { ...between(radius), plane: "along", span: (u) => [offAlong - half(u), offAlong + half(u)] };
    }
    case "band":
    case "cell":
      return null;
  }
}

const rulesOf = (rule: HitRule): readonly SingleRule[] => (rule.kind === "anyOf" ? rule.rules : [rule]);

function metBy(things: readonly Standing[], send: JointSend): Met[] {
  const diameter = send.object.diameter;
  const sorted = [...things].sort((a, c) => a.distance - c.distance || a.across - c.across || (a.id < c.id ? -1 : 1));
  return sorted.map((standing) => {
    const arc = arcOf(standing, diameter);
    const flat = rulesOf(standing.rule).every((rule) => rule.kind === "on");
    const body = flat ? null : regionOf({ kind: "touch", width: standing.width }, standing, arc, send);
    const counts = rulesOf(standing.rule).flatMap((rule) => regionOf(rule, standing, arc, send) ?? []);
    return { of: standing, counts, body };
  });
}

/** Disjoint rising spans with one more, disjoint and rising again. */
function join(spans: readonly Span[], more: Span): readonly Span[] {
  if (more[1] <= more[0]) return spans;
  if (spans.length === 0) return [more];
  const out: [number, number][] = [];
  for (const [lo, hi] of [...spans, more].sort((a, b) => a[0] - b[0])) {
    const last = out[out.length - 1];
    if (last && lo <= last[1]) last[1] = Math.max(last[1], hi);
    else out.push([lo, hi]);
  }
  return out;
}
function measure(spans: readonly Span[], sd: number): number {
  let sum = 0;
  for (const [lo, hi] of spans) sum += within(lo, hi, sd);
  return sum;
}

const spanAtAngle = (region: Region, u: number): Span =>
  typeof region.span === "function" ? region.span(u) : region.span;
const isMet = (region: Region, u: number) => region.lo <= u && u <= region.hi;

/** Chance of each thing to be what happens, given the sideways angle. Asked thousands of times a chance, so that it makes next to nothing. */
function given(
  u: number,
  met: readonly Met[],
  order: readonly number[],
  sdUp: number,
  sdAlong: number,
  out: Float64Array,
): void {
  let up: readonly Span[] = [];
  let along: readonly Span[] = [];
  let free = 1;
  out.fill(0);
  const add = (region: Region) => {
    if (region.plane === "up") up = join(up, spanAtAngle(region, u));
    else along = join(along, spanAtAngle(region, u));
  };
  const left = () => (1 - measure(up, sdUp)) * (1 - measure(along, sdAlong));
  const last = order[order.length - 1];
  for (const i of order) {
    if (free <= 0) break;
    const { counts, body } = met[i]!;
    let counted = false;
    for (const count of counts) {
      if (!isMet(count, u)) continue;
      add(count);
      counted = true;
    }
    if (counted) {
      const now = left();
      out[i] = Math.max(0, free - now);
      free = Math.min(free, now);
    }
    // Nothing is behind the last one.
    if (i !== last && body && isMet(body, u)) {
      add(body);
      free = Math.min(free, left());
    }
  }
}

/**
 * Chance of each thing to be what a send hits, by id; what is left of 1 is none. Order of the list does not matter. Source: core model,
 * "Several targets", and the law above. Agrees with `hitChance` for one thing alone.
 */
export function jointChances(things: readonly Standing[], send: JointSend): Map<string, number> {
  const met = metBy(things, send);
  const aimed = send.aim.across / send.aim.distance;
  const sd = send.spread.lateral;
  const sdAlong = send.spread.range * send.aim.distance;
  const sums = new Float64Array(met.length);
  const here = new Float64Array(met.length);
  const add = (weight: number) => {
    for (let i = 0; i < here.length; i++) sums[i] = sums[i]! + here[i]! * weight;
  };
  const r = send.object.diameter / 2;
  // Only neighbours of nearly one distance can be met in another order than they stand in.
  const near = met.flatMap((eachMet, i) =>
    met.slice(i + 1).flatMap((b) => (b.of.distance - eachMet.of.distance < r ? [[eachMet.of, b.of] as const] : [])),
  );
  const order = met.map((_, i) => i);
  const look = (u: number) => {
    if (near.length > 0) order.sort((i, k) => contactAt(met[i]!.of, u, r) - contactAt(met[k]!.of, u, r) || i - k);
    given(u, met, order, send.spread.vertical, sdAlong, here);
  };
  if (sd === 0) {
    look(aimed);
    add(1);
  } else {
    const regions = met.flatMap((eachMet) => [...eachMet.counts, ...(eachMet.body ? [eachMet.body] : [])]);
    const ends = [aimed - TAIL * sd, aimed + TAIL * sd] as const;
    const cuts = [
      ...new Set([
        ...ends,
        ...regions.flatMap((region) => [region.lo, region.hi, ...(region.cuts ?? [])]),
        ...near.map(([standing, c]) => takesOver(standing, c, r)),
      ]),
    ]
      .filter((u) => u >= ends[0] && u <= ends[1])
      .sort((a, b) => a - b);
    for (let k = 1; k < cuts.length; k++) {
      const [lo, hi] = [cuts[k - 1]!, cuts[k]!];
      const middle = (lo + hi) / 2;
      const changes = regions.some(
        (region) => typeof region.span === "function" && region.lo < middle && middle < region.hi,
      );
      if (!changes) {
        look(middle);
        add(within(lo - aimed, hi - aimed, sd));
        continue;
      }
      const panels = Math.max(1, Math.ceil((hi - lo) / sd));
      const half = (hi - lo) / panels / 2;
      for (let p = 0; p < panels; p++) {
        const mid = lo + (2 * p + 1) * half;
        for (let n = 0; n < NODES.length; n++) {
          const u = mid + half * NODES[n]!;
          look(u);
          add(WEIGHTS[n]! * half * density(u - aimed, sd));
        }
      }
    }
  }
  const gets = send.reach ?? (() => 1);
  return new Map(
    met.map((eachMet, i) => [eachMet.of.id, Math.min(1, sums[i]!) * gets(eachMet.of.distance, eachMet.of.height / 2)]),
  );
}
