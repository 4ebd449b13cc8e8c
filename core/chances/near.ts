import { below } from "../aim/normal.ts";
import type { AimOf } from "../asks/ask.ts";
import { pathTo, reachChance } from "../physics/send.ts";
import { type Part, partsOf } from "../yard/parts.ts";
import { type KindOf, type Sight, standAt, underWay } from "./kind.ts";

/** Distances are grouped into this many bins of equal chance. */
const BINS = 64;
/** The number of angles over which a distance is averaged. */
const ANGLES = 48;
/** Pieces in the same bin get different distances: each takes another share of the bin in turn, spread evenly. */
const GOLDEN = 0.6180339887498949;
const jackAt = (parts: readonly Part[], from: string) =>
  (partsOf(parts, "spot").find((x) => x.id === "jack")?.along ?? 0) - standAt(parts, from);

/** The most steps in the search for a distance, and when it is near enough, as a share of the larger spread. */
const MAX_STEPS = 60;
const NEAR_ENOUGH = 1e-12;
/**
 * The distance within which a share (0 to 1) of all sends with these SDs come to rest, metres: over the angle, exact
 * along it, by Newton's steps, and by halving if a step would leave the bracket.
 */
export function radiusOf(share: number, sx: number, sy: number): number {
  const along = Array.from({ length: ANGLES }, (_, i) => {
    const angle = (Math.PI * (i + 0.5)) / ANGLES;
    return (Math.cos(angle) / sx) ** 2 + (Math.sin(angle) / sy) ** 2;
  });
  const most = Math.max(sx, sy);
  let [lo, hi] = [0, 8 * most];
  let r = Math.sqrt(-2 * Math.log(1 - share) * sx * sy);
  for (let i = 0; i < MAX_STEPS; i++) {
    if (!(r > lo && r < hi)) r = (lo + hi) / 2;
    let [within, slope] = [0, 0];
    for (const g of along) {
      const outside = Math.exp((-r * r * g) / 2);
      within += (1 - outside) / g;
      slope += r * outside;
    }
    const off = within / (ANGLES * sx * sy) - share;
    if (off < 0) lo = r;
    else hi = r;
    const step = (off * ANGLES * sx * sy) / slope;
    r -= step;
    if (Math.abs(step) < NEAR_ENOUGH * most) break;
  }
  return Math.min(r, 8 * most);
}
const kept = new Map<string, readonly number[]>();
/** The ratio of the two spreads is the same for each way of sending. Differences smaller than this are rounding. */
const RATIO = 1e6;
/** The distances in a turn, one for each bin, millimetres: those for a spread of 1 m along, times the spread. */
function binsOf(sx: number, sy: number, turn: number): readonly number[] {
  const off = (turn * GOLDEN + 0.25) % 1;
  const ratio = Math.round((RATIO * sx) / sy) / RATIO;
  const key = `${ratio} ${off}`;
  let bins = kept.get(key);
  if (!bins) {
    bins = Array.from({ length: BINS }, (_, i) => radiusOf((i + off) / BINS, ratio, 1));
    if (kept.size > 500) kept.clear();
    kept.set(key, bins);
  }
  return bins.map((bin) => Math.round(1000 * sy * bin));
}

/**
 * Coming to rest as near as possible to a jack at its middle distance (a named assumption): how far away, in bins of
 * equal chance. An object that does not get there lies half way; beyond the limit, where it is out, by the range
 * alone.
 */
export const near: KindOf<AimOf<"near">> = {
  options: (aim) => [aim],
  refs: () => ({
    named: Array.from({ length: BINS }, (_, i) => `b${i + 1}`),
    also: ["over"],
    rest: "over",
    meant: null,
  }),
  reach: (_, parts, from) => jackAt(parts, from),
  meets: () => ({ height: 0, purpose: "stop" }),
  runsOn: (_, { parts, person, manner, from }: Sight) => person.typical(manner).range * jackAt(parts, from),
  outcomes(aim, { parts, person, manner, from }) {
    const player = person.sends(manner);
    const distance = jackAt(parts, from);
    const [sx, sy] = [player.spread.lateral * distance, player.spread.range * distance];
    const path = pathTo(player.sending, distance, 0, "stop");
    const gets = reachChance(player.sending, distance);
    const past = aim.past === null ? 0 : gets * (1 - below(aim.past - standAt(parts, from) - distance, sy));
    const under = underWay(player, path, distance, distance);
    const list = binsOf(sx, sy, aim.turn).map((away, i) => ({
      ref: `b${i + 1}`,
      seen: { rest: "in", away },
      p: (gets - past) / BINS,
      ...under,
    }));
    const short = { rest: "in", away: Math.round(500 * distance) + Math.round(aim.turn * 7) };
    return {
      list: [
        ...list,
        { ref: "short", seen: short, p: 1 - gets, ...under },
        { ref: "over", seen: { rest: "over" }, p: past, ...under },
      ],
      distance,
      across: 0,
    };
  },
};

/** The jack comes to rest between its limits (a named assumption of the forecast: always, and half way). */
export const jack: KindOf<AimOf<"jack">> = {
  options: (aim) => [aim],
  refs: () => ({ named: ["in"], also: ["short", "over"], rest: "short", meant: null }),
  reach: (_, parts, from) => jackAt(parts, from),
  meets: () => ({ height: 0, purpose: "stop" }),
  runsOn: () => 0,
  outcomes(_, { parts, person, manner, from }) {
    const player = person.sends(manner);
    const distance = jackAt(parts, from);
    const path = pathTo(player.sending, distance, 0, "stop");
    const at = underWay(player, path, distance, distance);
    return { list: [{ ref: "in", seen: { rest: "in" }, p: 1, ...at }], distance, across: 0 };
  },
};
