import type { Spread } from "../actions/spread.ts";
import type { Path } from "../physics/sending.ts";
import { dropsIn } from "../physics/standing.ts";
import { type Blow, topples } from "../physics/topple.ts";
import type { HitRule, SingleRule } from "../rules/hit-rule.ts";
import { density, within } from "./normal.ts";
import { cornersAcross, facingOf, halfWidth, type Inside, insideOf, mouthOf, spanAt } from "./opening.ts";
import { NODES, WEIGHTS } from "./quadrature.ts";

/**
 * One send past everything that stands there. The law: a send aimed at distance d has three independent normal
 * errors. Sideways and up-and-down they are angles of SD `lateral` and `vertical`, so a straight send passes an item
 * at distance x at `x` times its angle (in the air it flies level from the height it was aimed at, an assumption).
 * Along the ground the error is in metres, of SD `range x d`, and says where the send comes down or to rest. A send
 * meets items in the order of their distance, each by the space it takes up (its body) or by what counts on it. The
 * first one it meets is what happens: that item if it counts there, and otherwise nothing.
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
  /** Where it is aimed: how far out, how far to the right of the middle, and how high above the floor, metres. */
  aim: { distance: number; across: number; up: number };
  spread: Spread;
  object: { diameter: number; mass?: number; speed?: number };
  inAir: boolean;
  /** Its path: the speed over the ground (m/s) and the angle of descent (radians) by distance in metres. */
  path?: Pick<Path, "speedAt" | "angleAt">;
  /** The chance to get as far as a distance, at a height above the floor, metres. */
  reach?: (metres: number, height: number) => number;
}

type Span = readonly [lo: number, hi: number];
/**
 * Where a send meets an item, by its sideways angle: a span of the up-and-down angle, and a span of the error along.
 */
interface Region {
  lo: number;
  hi: number;
  plane: "up" | "along";
  /** Null: the same all over lo..hi. */
  span: Span | ((u: number) => Span);
  /** The angles between which the span is smooth. */
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
/** The height of a flat item met in the air, metres. */
const LOW = 0.02;
/** Halvings in the search for the angle at which two items are touched at once. */
const HALVINGS = 40;

interface Arc {
  lo: number;
  hi: number;
}

/** The sideways angles that an item covers, widened by half of the object. */
const arcOf = (standing: Standing, b: number): Arc => ({
  lo: (standing.across - standing.width / 2 - b / 2) / standing.distance,
  hi: (standing.across + standing.width / 2 + b / 2) / standing.distance,
});

/**
 * How far out a round object of radius `r` is when it touches the front of an item, sent at a sideways angle. It
 * touches an edge that it overlaps by g when its middle is sqrt(r^2 - g^2) short of it. Of two items side by side at
 * one distance, each is touched first up to midway between their facing edges. That point moves steadily as one of
 * them comes nearer, until at `r` the nearer one takes everything.
 */
function contactAt(standing: Standing, u: number, r: number): number {
  const gap = Math.max(0, Math.abs(u * standing.distance - standing.across) - standing.width / 2);
  return standing.distance - Math.sqrt(Math.max(0, r * r - gap * gap));
}
/** The angle between the facing edges of two neighbours at which both are touched at once. */
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
/** How hard and where an item is met: at its middle in the air, low on the floor. */
const blowOn = (standing: Standing, send: JointSend): Blow => ({
  ...send.object,
  ...(send.path && { speed: send.path.speedAt(standing.distance) }),
  ...(send.inAir && { at: standing.height / 2 }),
});

/** The region of one rule on one item. Null: it can never count. */
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
      // On the ground a container lies with its mouth towards the player. If it is said to stand, nothing rolls into
      // it.
      if (!send.inAir) {
        const half =
          rule.facing === "up"
            ? null
            : mouthOf(rule, diameter, send.path?.speedAt(standing.distance) ?? send.object.speed);
        return half === null ? null : { ...between(half), plane: "up", span: ALL };
      }
      // What lies on the ground faces the player.
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

/** Adds a span to disjoint rising spans, and returns disjoint rising spans. */
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

/**
 * The chance of each item to be hit, given the sideways angle. It is called thousands of times, so it allocates
 * almost nothing.
 */
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
 * The chance of each item to be hit by a send, by id. What is left of 1 is a miss. The order of the list does not
 * matter. Source: core model, "Several targets", and the law above. Agrees with `hitChance` for a single item.
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
  // Only neighbours at nearly the same distance can be met in another order.
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
