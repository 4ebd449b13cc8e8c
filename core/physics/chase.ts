import { GRAVITY } from "./floor.ts";

/**
 * Somebody who runs after what they rolled: the time to turn, seconds, and the running speed, m/s. `slows`: the
 * deceleration on the floor, m/s^2.
 */
export interface Chase {
  slows: number;
  turn: number;
  run: number;
}
/** How long the slowest roll that reaches a mark takes, seconds. Nobody has more time than that. */
export const longestRoll = (metres: number, slows: number): number => Math.sqrt((2 * metres) / slows);
/** True if somebody can be at a mark before the slowest roll that reaches it. */
export const canCatchUp = (metres: number, { slows, turn, run }: Chase): boolean =>
  turn + metres / run < longestRoll(metres, slows);
/**
 * The rolls, by the distance they would run, that somebody can reach when they stop: from and to, metres. Null if
 * nobody that fast can reach any.
 */
export function inReach({ slows, turn, run }: Chase): { least: number; most: number } | null {
  // Turn + L / run must be at most the rolling time sqrt(2 L / slows): between the roots of that equation in sqrt(L).
  const s = Math.sqrt(2 / slows);
  const under = s * s - (4 * turn) / run;
  if (under < 0) return null;
  const [least, most] = [-1, 1].map((sign) => ((run / 2) * (s + sign * Math.sqrt(under))) ** 2) as [number, number];
  return { least, most };
}
/**
 * An object tossed up at this angle (radians) from hand height is in the air as long as a roll takes with this
 * deceleration, m/s^2: sqrt(2 L tan(a) / g) seconds for L metres.
 */
export const slowsInAir = (angle: number): number => GRAVITY / Math.tan(angle);

/** When a roll of this speed is this far out, seconds. Null if it never gets there. */
export function timeAt(speed: number, metres: number, slows: number): number | null {
  const left = speed ** 2 - 2 * slows * metres;
  return left < 0 ? null : (speed - Math.sqrt(left)) / slows;
}

/**
 * Where and when somebody catches up with a roll of this speed while it is still rolling. Null if it stops before.
 * The object leaves the line at v m/s at 0 s; the runner leaves it after the turn.
 */
export function fieldedAt(speed: number, { slows, turn, run }: Chase): { seconds: number; metres: number } | null {
  const halved = slows / 2;
  const b = run - speed;
  const seconds = (-b + Math.sqrt(b * b + 4 * halved * run * turn)) / (2 * halved);
  if (seconds > (speed / slows) * (1 + 1e-9)) return null;
  return { seconds, metres: run * (seconds - turn) };
}

/**
 * The rolls, by the distance they would run, that can be fielded while they roll, beyond `near` and not past `far`:
 * from and to, metres. A runner who is there earlier runs beside the object until it is past `near`. Null if nobody
 * that fast can field any.
 */
export function fieldable(near: number, far: number, chase: Chase): { from: number; to: number } | null {
  const { slows } = chase;
  const rolls = inReach(chase);
  if (!rolls) return null;
  const { most } = rolls;
  const from = Math.max(near, rolls.least);
  if (from > most) return null;
  const inTime = (length: number) => {
    const at = fieldedAt(Math.sqrt(2 * slows * length), chase);
    return at !== null && at.metres <= far;
  };
  if (!inTime(from)) return null;
  // The harder it is rolled, the farther out it is fielded.
  let [low, high] = [from, most];
  for (let i = 0; i < 60; i++) {
    const metres = (low + high) / 2;
    if (inTime(metres)) low = metres;
    else high = metres;
  }
  return { from, to: low };
}
