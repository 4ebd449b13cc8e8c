import { GRAVITY } from "./floor.ts";
import { runAfterLanding } from "./landing.ts";
import type { Path, Sending } from "./sending.ts";

/**
 * A throw that must touch a surface first: the floor, or a table. Thrown to a spot at a share of the way, it comes up
 * with what the rebound leaves of its speed, and goes on with what the surface leaves. Up to the second landing
 * everything follows from the throw. All figures here are assumptions. See docs/model.md.
 */

/** How far along the way the spot aimed at lies, as a share. */
const SPOT = 0.6;
/** The share of the speed along the surface that is left afterwards. */
const KEEPS = 0.8;
/** The height of a table, metres. */
export const TABLE = 0.7;
/** Every error grows by this factor, because nothing bounces quite regularly. */
export const OFF_SPREAD = 1.3;
/** How many times as long the second part of the way takes as the first. */
const RATIO = (1 - SPOT) / (SPOT * KEEPS);
/**
 * Nobody throws harder at the surface than this, or higher, m/s upwards, and never with more than this share of their
 * greatest speed.
 */
const STEEPEST_DOWN = -8;
const HIGHEST_UP = 6;
const UPWARDS = 0.8;
const STEPS = 56;
const HALVINGS = 40;

/** What follows from the upward speed of the throw (m/s; negative: downwards), whatever the distance. */
function bounced(sending: Sending, surface: number, up: number) {
  const square = up ** 2 + 2 * GRAVITY * (sending.height - surface);
  // Too slow to reach the surface, or thrown downwards from below it.
  if (square < 0 || (up <= 0 && sending.height <= surface)) return { ...NEVER, up };
  const down = Math.sqrt(square);
  const first = (up + down) / GRAVITY;
  const again = sending.item.rebound * down;
  const second = RATIO * first;
  return { up, down, first, again, height: surface + again * second - (GRAVITY * second ** 2) / 2 };
}
const NEVER = { down: 0, first: 1, again: 0, height: Number.NEGATIVE_INFINITY };
type Bounced = ReturnType<typeof bounced>;

/**
 * How to throw so that it is at a height at the end of the way. Of the two possible throws, the higher and slower
 * one. If it never comes up that high: as high as possible, and `comes` is false.
 */
function thrown(sending: Sending, surface: number, height: number): Bounced & { comes: boolean } {
  const at = (up: number) => bounced(sending, surface, up);
  const from = Math.max(STEEPEST_DOWN, -UPWARDS * sending.most);
  const to = Math.min(HIGHEST_UP, UPWARDS * sending.most);
  const all = Array.from({ length: STEPS + 1 }, (_, i) => at(from + ((to - from) * i) / STEPS));
  const highest = all.reduce((a, b) => (b.height > a.height ? b : a));
  // From a table it may drop lower again; from the floor it cannot.
  const wanted = height;
  if (highest.height < wanted) return { ...highest, comes: false };
  // Beyond the highest one, it comes up less and less.
  let [lo, hi] = [highest.up, to];
  if (at(hi).height >= wanted) return { ...at(hi), comes: true };
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (lo + hi) / 2;
    if (at(middle).height >= wanted) lo = middle;
    else hi = middle;
  }
  return { ...at(lo), comes: true };
}
/** The greatest speed over the ground of such a throw, m/s. */
const most = (sending: Sending, b: Bounced) => Math.sqrt(Math.max(0, sending.most ** 2 - b.up ** 2));

/** The farthest that it can be at a height, metres. 0 if it never comes up that high. */
export function bounceFarthest(sending: Sending, surface: number, height: number): number {
  const b = thrown(sending, surface, height);
  return b.comes ? (most(sending, b) * b.first) / SPOT : 0;
}

/** The throw that touches the surface first and is at a height this far away, metres. */
export function bouncePath(sending: Sending, surface: number, metres: number, height: number): Path {
  const b = thrown(sending, surface, height);
  const wanted = (SPOT * Math.max(0.05, metres)) / b.first;
  const gets = b.comes && wanted <= most(sending, b) * (1 + 1e-9);
  const over = Math.min(wanted, most(sending, b));
  const after = KEEPS * over;
  const spot = over * b.first;
  const falls = (b.again + Math.sqrt(b.again ** 2 + 2 * GRAVITY * surface)) / GRAVITY;
  const lands = spot + after * falls;
  const since = (x: number) => (x - spot) / after;
  const seconds = (x: number) => (x <= spot ? x / over : b.first + since(Math.min(x, lands)));
  const at = (x: number) => {
    const t = x <= spot ? x / over : since(x);
    const [from, up] = x <= spot ? [sending.height, b.up] : [surface, b.again];
    return from + up * t - (GRAVITY * t ** 2) / 2;
  };
  const downAt = (x: number) =>
    Math.max(0, x <= spot ? (GRAVITY * x) / over - b.up : GRAVITY * since(Math.min(x, lands)) - b.again);
  const speedAt = (x: number) => (x > lands + 1e-9 ? 0 : x <= spot ? over : after);
  const apexAt = b.up > 0 ? Math.min(spot, (over * b.up) / GRAVITY) : 0;
  return {
    speed: Math.hypot(over, b.up),
    loft: Math.atan2(b.up, over),
    gets,
    apex: Math.max(at(apexAt), surface + b.again ** 2 / (2 * GRAVITY)),
    apexAt,
    at,
    seconds,
    speedAt,
    angleAt: (x) => Math.atan2(downAt(x), speedAt(x)),
    ends: lands + runAfterLanding(sending.item, sending.floor, after, downAt(lands) ** 2 / (2 * GRAVITY)),
  };
}
