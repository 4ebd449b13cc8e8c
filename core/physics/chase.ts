import { GRAVITY } from "./floor.ts";

/** Somebody who runs after what they rolled: a turn before, seconds, and how fast, m/s; the floor takes `slows`, m/s^2. */
export interface Chase {
  slows: number;
  turn: number;
  run: number;
}
/** How long the slowest roll takes that reaches a mark, seconds; nobody has more time than that. */
export const longestRoll = (metres: number, slows: number): number => Math.sqrt((2 * metres) / slows);
/** Whether somebody can be at a mark before the slowest roll that reaches it. */
export const canCatchUp = (metres: number, { slows, turn, run }: Chase): boolean =>
  turn + metres / run < longestRoll(metres, slows);
/** The rolls, by how far they would run, at whose rest somebody can be: from and to, metres; null where nobody that fast can at any. */
export function inReach({ slows, turn, run }: Chase): { least: number; most: number } | null {
  // Turn + L / run no more than the sqrt(2 L / slows) that it rolls: between the roots of that in sqrt(L).
  const s = Math.sqrt(2 / slows);
  const under = s * s - (4 * turn) / run;
  if (under < 0) return null;
  const [least, most] = [-1, 1].map((sign) => ((run / 2) * (s + sign * Math.sqrt(under))) ** 2) as [number, number];
  return { least, most };
}
/**
 * What is tossed up at that angle (radians) from hand height is in the air as long as a roll is on its way that the floor slows by so much,
 * m/s^2: sqrt(2 L tan(a) / g) seconds for L metres.
 */
export const slowsInAir = (angle: number): number => GRAVITY / Math.tan(angle);

/** When a roll of that speed is so far out, seconds; null where it never comes there. */
export function timeAt(speed: number, metres: number, slows: number): number | null {
  const left = speed ** 2 - 2 * slows * metres;
  return left < 0 ? null : (speed - Math.sqrt(left)) / slows;
}

/**
 * Where and when somebody comes up with a roll of that speed: it is still rolling there; null where it rests before. A thing at v m/s, from the
 * line at 0 s; the runner leaves the line after the turn.
 */
export function fieldedAt(speed: number, { slows, turn, run }: Chase): { seconds: number; metres: number } | null {
  const halved = slows / 2;
  const b = run - speed;
  const seconds = (-b + Math.sqrt(b * b + 4 * halved * run * turn)) / (2 * halved);
  if (seconds > (speed / slows) * (1 + 1e-9)) return null;
  return { seconds, metres: run * (seconds - turn) };
}

/**
 * The rolls, by how far they would run, that are fielded while they roll, beyond `near` and not past `far`: from and to, metres. Who is sooner
 * there runs beside it until it is past `near`. Null where nobody that fast fields any.
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
