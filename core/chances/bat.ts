import type { Person } from "../aim/person.ts";
import type { AimOf } from "../asks/ask.ts";
import type { Body } from "../events/events.ts";
import { logistic, logit } from "../log-odds.ts";
import type { KindOf, Outcome, Sight } from "./kind.ts";

/** Log-odds of meeting the ball, relative to keeping an object up. An assumption, like everything below. */
const CONTACT = { tee: 0.8, toss: 0, pitch: -0.6, kick: 1.2, throw: 2.5 } as const;
/**
 * How far a ball that is met well goes, for a child of 8, metres, and its spread as a share of that. Hits are looked
 * at in equal shares.
 */
const FAR = { tee: 6, toss: 5.5, pitch: 6, kick: 8, throw: 9 } as const;
const SPREAD = 0.5;
const SHARES = 12;
/** The speed of running relative to walking, and the time to get away, seconds. */
const RUNS = 2.4;
const AWAY = 0.8;
/** The time to reach the ball and pick it up, seconds, and the speed of a throw back, metres a second. */
const PICK = 1.2;
const THROW = 7;
/** The share of hits through the air near somebody that are caught. */
const CATCH = 0.12;

/** The normal quantile in the middle of each share, to three places, which is enough for an assumption. */
const QUANTILES = [-1.732, -1.15, -0.812, -0.549, -0.319, -0.105, 0.105, 0.319, 0.549, 0.812, 1.15, 1.732];

/** How many bases a hit is worth: as many as can be run before the ball is back. */
export function basesMade(aim: AimOf<"bat">, far: number, batter: Person, fielders: readonly Person[]): number {
  const run = RUNS * batter.walking;
  // Alone, the batter fetches the ball after running. The stop spot stops nobody else.
  if (fielders.length === 0) return Math.max(1, Math.min(aim.home, Math.floor(far / aim.side) + 1));
  const walk = fielders.reduce((sum, fielder) => sum + fielder.walking, 0) / fielders.length;
  // A fielder already stands half way out.
  const back = far / 2 / (RUNS * walk) + PICK + far / THROW;
  const made = Math.floor(Math.max(0, back - AWAY) / (aim.side / run));
  return Math.min(aim.home, made);
}

const reachedBy = (aim: AimOf<"bat">, made: number): number[] => [
  ...aim.runners.map((runner) => Math.min(aim.home, runner + made)),
  made,
];

/** A ball put into play: missed, caught, or good for some bases. Everybody moves as many bases as the batter. */
export const bat: KindOf<AimOf<"bat">> = {
  options: (aim) => [aim],
  refs: (aim) => ({
    named: ["missed", "caught", ...Array.from({ length: aim.home + 1 }, (_, b) => `good${b}`)],
    rest: "good0",
    meant: null,
  }),
  reach: () => 0,
  meets: () => null,
  runsOn: () => 0,
  outcomes(aim, sight: Sight) {
    const { person, people, manner } = sight;
    const fielders = aim.fielders.map((i) => people?.[i] ?? person);
    const contact = logistic(logit(person.keeps(manner).p) + CONTACT[aim.put]);
    const middle = FAR[aim.put] * Math.sqrt(person.walking / 1.05);
    const caught = aim.outs.includes("caught") && fielders.length > 0 ? CATCH : 0;
    const law = Array<number>(aim.home + 1).fill(0);
    for (let i = 0; i < SHARES; i++) {
      const far = Math.max(0.5, middle * (1 + SPREAD * QUANTILES[i]!));
      const made = basesMade(aim, far, person, fielders);
      law[made] = law[made]! + 1 / SHARES;
    }
    const time = { under: 2, windUp: 3 * person.tempo, lies: middle, after: 6 };
    const ran = (body: Omit<Extract<Body, { kind: "run" }>, "kind">, ref: string, chance: number): Outcome => ({
      ref,
      seen: { ran: body },
      p: chance,
      ...time,
    });
    const list = [
      ran({ missed: true }, "missed", 1 - contact),
      ran({ caught: true }, "caught", contact * caught),
      ...law.map((p, made) => ran({ reached: reachedBy(aim, made) }, `good${made}`, contact * (1 - caught) * p)),
    ];
    return { list, distance: 0, across: 0 };
  },
};
