import type { Person } from "../aim/person.ts";
import type { AimOf, Manner } from "../asks/ask.ts";
import { logistic, logit } from "../log-odds.ts";
import { type KindOf, RESET, type Sight } from "./kind.ts";

/**
 * The log-odds of one touch in a rally relative to keeping an object up on the spot, by what it goes over. An
 * assumption, like everything below.
 */
const OVER = { line: -0.3, net: -0.6, rope: -0.5, wall: -0.4 } as const;
/** How much one more square metre to cover than this lowers the log-odds, and the most in either direction. */
const AREA = 3;
const COVER = 0.12;
const MAX_COVER = 1;
/** The time from touch to touch, seconds, and how far away the object lies after a rally, metres. */
const TOUCH = 1.1;
const LIES = 2;

const cover = (area: number) => Math.max(-MAX_COVER, Math.min(MAX_COVER, COVER * (AREA - area)));
/** The chance that a side returns one more: the mean of its players, in log-odds. */
export function touchOf(people: readonly Person[], manner: Manner, area: number, over: AimOf<"over">["over"]): number {
  const odds = people.reduce((sum, person) => sum + logit(person.keeps(manner).p), 0) / Math.max(1, people.length);
  return logistic(odds + OVER[over] + cover(area));
}

/** One touch of a rally that everybody plays together, or of one child against a wall. */
export const over: KindOf<AimOf<"over">> = {
  options: (aim) => [aim],
  refs: () => ({ named: ["touch"], rest: "drop", meant: "touch" }),
  reach: () => 0,
  meets: () => null,
  runsOn: () => 0,
  outcomes(aim, { person, manner }) {
    const chance = touchOf([person], manner, aim.area, aim.over);
    const at = { under: 0, windUp: TOUCH, released: 0 };
    return {
      list: [
        { ref: "touch", seen: { kept: true }, p: chance, ...at, lies: 0, after: 0 },
        { ref: "drop", seen: { kept: false }, p: 1 - chance, ...at, lies: LIES, after: RESET },
      ],
      distance: 0,
      across: 0,
    };
  },
};

/** The people of a side. If only one person is given, everybody is like them. */
const sideOf = (aim: { people: readonly (readonly number[])[] }, side: number, { people, person }: Sight): Person[] =>
  aim.people[side]!.map((i) => people?.[i] ?? person);

/**
 * A rally for a point, of which the serve is the first touch. The server wins it with p (1 - q) / (1 - p q), where p
 * and q are the chances of one touch of the two sides. If a second serve is left, a failed first touch is a fault and
 * no point. Source: core model, "Chances that are not a spread".
 */
export const point: KindOf<AimOf<"point">> = {
  options: (aim) => [aim],
  refs: (_, from) => ({ named: ["won"], also: [from], rest: "lost", meant: "won" }),
  reach: () => 0,
  meets: () => null,
  runsOn: () => 0,
  outcomes(aim, sight) {
    const other = 1 - aim.server;
    const chance = touchOf(sideOf(aim, aim.server, sight), sight.manner, aim.areas[aim.server]!, aim.over);
    const touch = touchOf(sideOf(aim, other, sight), sight.manner, aim.areas[other]!, aim.over);
    // Once the serve is in, the other side has to return it first.
    const after = (1 - touch) / (1 - chance * touch);
    const fault = aim.again ? 1 - chance : 0;
    const won = chance * after;
    const touches = (chance * (1 + touch)) / (1 - chance * touch);
    const long = { under: 0, windUp: (1 + touches) * TOUCH, lies: LIES, after: RESET };
    return {
      list: [
        { ref: "won", seen: { point: aim.server }, p: won, ...long },
        { ref: "lost", seen: { point: other }, p: 1 - won - fault, ...long },
        { ref: "fault", seen: { point: null, why: "fault" }, p: fault, ...long, windUp: TOUCH },
      ],
      distance: 0,
      across: 0,
    };
  },
};
