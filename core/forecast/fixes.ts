import type { Knob, Phrase } from "../contract/contract.ts";
import { fieldOf, setTo } from "../contract/range.ts";
import { type Activity, parseActivity } from "../formats/activity.ts";
import { adjusted } from "../formats/change.ts";
import { opened } from "../formats/opened.ts";
import { fairPoints, withPoints } from "./fair-points.ts";
import type { Who } from "./for-activity.ts";

/** One change that fixes something: in words, and the activity with it. */
export interface Fix {
  phrase: Phrase;
  activity: Activity;
}
type NumberKnob = Extract<Knob, { kind: "number" }>;

/** The numbers that a game can be set to. Whatever stands on the floor is moved instead. */
const numbersOf = (activity: Activity): NumberKnob[] =>
  opened(activity)
    .knobs()
    .filter((knob): knob is NumberKnob => knob.kind === "number" && knob.of !== "standing" && knob.station === "score");

function withValue(activity: Activity, knob: Knob, value: string | number): Activity | null {
  const next = adjusted(activity, [{ field: fieldOf(knob), value }]);
  return parseActivity(next).ok ? next : null;
}
function set(activity: Activity, knob: NumberKnob, value: number): Fix | null {
  const next = withValue(activity, knob, value);
  return (
    next && {
      phrase: { key: "fix.set", params: { knob: knob.label, to: value, unit: knob.unit ?? "" } },
      activity: next,
    }
  );
}
/** Each rule with several options, set to another one. */
export const chosen = (activity: Activity): (Fix | null)[] =>
  opened(activity)
    .knobs()
    .flatMap((knob) => {
      if (knob.kind !== "choice" || knob.station !== "score") return [];
      const is = setTo(knob, { params: activity.pattern.params, match: activity.match });
      return knob.options.map(({ value, label }) => {
        const next =
          typeof value === "string" && typeof is === "string" && value !== is ? withValue(activity, knob, value) : null;
        return next && { phrase: { key: "fix.choose", params: { knob: knob.label, option: label } }, activity: next };
      });
    });
/** A number times a factor, in the steps and within the limits of its setting. Null if it does not change. */
function times(activity: Activity, knob: NumberKnob, by: number): Fix | null {
  const is = setTo(knob, { params: activity.pattern.params, match: activity.match });
  if (typeof is !== "number") return null;
  const stepped = Math.round((is * by) / knob.step) * knob.step;
  const value = Math.max(knob.least, Math.min(knob.most, Math.round(stepped * 1000) / 1000));
  return value === is ? null : set(activity, knob, value);
}

/** An end that a game could have and that is off: a number of sends, tries or rounds, or a bell. */
export const ends = (activity: Activity): (Fix | null)[] =>
  numbersOf(activity).flatMap((knob) =>
    knob.off && setTo(knob, { params: activity.pattern.params, match: activity.match }) === null
      ? [set(activity, knob, knob.off.initial)]
      : [],
  );
/** Each number of the game multiplied by one of these factors, the smallest change first. */
export const scaled = (activity: Activity, factors: readonly number[]): (Fix | null)[] =>
  factors.flatMap((by) => numbersOf(activity).map((knob) => times(activity, knob, by)));

/** Targets moved nearer or farther by one of these factors: some of them, or all together. */
export function moved(activity: Activity, ids: readonly string[] | null, factors: readonly number[]): (Fix | null)[] {
  const { pegs } = opened(activity);
  const which = pegs.filter((peg) => ids === null || ids.includes(peg.id));
  if (which.length === 0) return [];
  return factors.map((by) => {
    const next = which.reduce((eachActivity, peg) => {
      const along = Math.round(peg.distance * by * 100) / 100;
      return opened(eachActivity).move(peg.id, { along });
    }, activity);
    const farthest = which.reduce((peg, p) => (p.distance > peg.distance ? p : peg));
    const cm = Math.round(Math.abs(farthest.distance * (1 - by)) * 100);
    const way = by < 1 ? "fix.nearer" : "fix.farther";
    return parseActivity(next).ok && next !== activity
      ? { phrase: { key: way, params: { cm, n: which.length } }, activity: next }
      : null;
  });
}

/** Points that make every choice worth the same to a person. */
export function points(activity: Activity, who: Who): (Fix | null)[] {
  const list = fairPoints(activity, who);
  return list ? [{ phrase: { key: "fix.points" }, activity: withPoints(activity, list) }] : [];
}
/** The minutes that it takes. */
export const minutes = (activity: Activity, takes: number): (Fix | null)[] => {
  const next = { ...activity, minutes: takes };
  return [
    parseActivity(next).ok ? { phrase: { key: "fix.minutes", params: { minutes: takes } }, activity: next } : null,
  ];
};
