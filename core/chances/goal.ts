import type { Person } from "../aim/person.ts";
import type { AimOf } from "../asks/ask.ts";
import { logistic, logit } from "../log-odds.ts";
import type { KindOf, Sight } from "./kind.ts";

/** Between equal sides a goal falls so often, a second, over this length and into goals so wide, metres: assumptions, as all below. */
const RATE = 1 / 18;
const USUAL = { length: 4, width: 0.7 } as const;
/** What a point of log-odds in skill does to the share of goals. */
const EDGE = 0.7;
/** Until play goes on after a goal, seconds, and the chance that a free shot from the middle goes in between goals of the usual width. */
const RESTART = 6;
const SHOT = 0.55;
const TICK = 0.1;

const level = (people: readonly Person[], { manner }: Sight) =>
  people.reduce((sum, person) => sum + logit(person.keeps(manner).p), 0) / Math.max(1, people.length);

/** Goals of either side a second: more skill more of them, a wider goal more, a longer way fewer. */
export function goalRates(aim: AimOf<"goal">, sight: Sight): [number, number] {
  const of = (side: number) => aim.people[side]!.map((i) => sight.people?.[i] ?? sight.person);
  const edge = EDGE * (level(of(0), sight) - level(of(1), sight));
  const share = logistic(edge);
  const both = (2 * RATE * USUAL.length) / Math.max(1, aim.length);
  const rate = (k: number, width: number) => (both * k * width) / USUAL.width;
  return [rate(share, aim.widths[0]), rate(1 - share, aim.widths[1])];
}

/**
 * The next goal of either side. Where a clock runs, each tenth of a second brings one for either side with its chance, or nothing; else whose it is, and the
 * mean time until then. A free shot goes in or does not.
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
    // With a clock the time until play goes on is a step of its own: a goal counts that is scored before the bell.
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
