import type { Person } from "../aim/person.ts";
import type { AimOf } from "../asks/ask.ts";
import { logistic, logit } from "../log-odds.ts";
import type { KindOf, Sight } from "./kind.ts";

/**
 * How often a goal falls between equal sides, per second, for this length and goals of this width, metres. An
 * assumption, like everything below.
 */
const RATE = 1 / 18;
const USUAL = { length: 4, width: 0.7 } as const;
/** How much one unit of log-odds in skill shifts the share of goals. */
const EDGE = 0.7;
/**
 * The time until play goes on after a goal, seconds, and the chance of a free shot from the middle into a goal of the
 * usual width.
 */
const RESTART = 6;
const SHOT = 0.55;
const TICK = 0.1;

const level = (people: readonly Person[], { manner }: Sight) =>
  people.reduce((sum, person) => sum + logit(person.keeps(manner).p), 0) / Math.max(1, people.length);

/** The goals of either side per second. More skill and a wider goal bring more of them, a longer way fewer. */
export function goalRates(aim: AimOf<"goal">, sight: Sight): [number, number] {
  const of = (side: number) => aim.people[side]!.map((i) => sight.people?.[i] ?? sight.person);
  const edge = EDGE * (level(of(0), sight) - level(of(1), sight));
  const share = logistic(edge);
  const both = (2 * RATE * USUAL.length) / Math.max(1, aim.length);
  const rate = (k: number, width: number) => (both * k * width) / USUAL.width;
  return [rate(share, aim.widths[0]), rate(1 - share, aim.widths[1])];
}

/**
 * The next goal of either side. If a clock runs, each tenth of a second brings a goal for either side with its
 * chance, or nothing. Otherwise, the side that scores it, and the mean time until then. A free shot goes in or not.
 */
export const goal: KindOf<AimOf<"goal">> = {
  options: (aim) => [aim],
  refs: (aim) =>
    aim.stopped
      ? { named: [], rest: "on", meant: null }
      : aim.ticks
        ? { named: ["won", "lost"], rest: "on", meant: null }
        : { named: ["won"], also: ["lost"], rest: "lost", meant: "won" },
  reach: () => 0,
  meets: () => null,
  runsOn: () => 0,
  outcomes(aim, sight) {
    const [own, other] = goalRates(aim, sight);
    // With a clock, the time until play goes on is a step of its own, so that a goal before the bell counts.
    const after = { lies: 0, after: aim.ticks ? 0 : RESTART, released: 0 };
    if (aim.shot !== null) {
      const chance = Math.min(0.95, (SHOT * aim.widths[aim.shot]!) / USUAL.width);
      const own = { under: 0, windUp: 2, ...after };
      const list = [
        { ref: aim.shot === 0 ? "won" : "lost", seen: { point: aim.shot }, p: chance, ...own },
        { ref: "on", seen: { point: null, why: "missed" }, p: 1 - chance, ...own },
      ];
      return { list, distance: 0, across: 0 };
    }
    const on = { ref: "on", seen: { point: null, why: "on" }, under: 0, lies: 0, after: 0, released: 0 } as const;
    if (aim.stopped) return { list: [{ ...on, p: 1, windUp: RESTART }], distance: 0, across: 0 };
    const all = own + other;
    const windUp = aim.ticks ? TICK : 1 / all;
    const [pa, pb] = aim.ticks ? [own * TICK, other * TICK] : [own / all, other / all];
    return {
      list: [
        { ref: "won", seen: { point: 0 }, p: pa, under: 0, windUp, ...after },
        { ref: "lost", seen: { point: 1 }, p: pb, under: 0, windUp, ...after },
        { ...on, p: Math.max(0, 1 - pa - pb), windUp },
      ],
      distance: 0,
      across: 0,
    };
  },
};
