import type { Knob, Phrase } from "../contract/contract.ts";
import { fieldOf, setTo } from "../contract/range.ts";
import { type Activity, parseActivity } from "../formats/activity.ts";
import { adjusted } from "../formats/change.ts";
import { opened } from "../formats/opened.ts";
import { fairPoints, withPoints } from "./fair-points.ts";
import type { Who } from "./for-activity.ts";

/** One change that mends something: in words, and the activity with it. */
export interface Fix {
  phrase: Phrase;
  activity: Activity;
}
type NumberKnob = Extract<Knob, { kind: "number" }>;

/** What a game may be set to, in numbers; what stands on the floor is moved, and not set. */
const numbersOf = (a: Activity): NumberKnob[] =>
  opened(a)
    .knobs()
    .filter((k): k is NumberKnob => k.kind === "number" && k.of !== "standing" && k.station === "score");

function withValue(a: Activity, k: Knob, value: string | number): Activity | null {
  const next = adjusted(a, [{ field: fieldOf(k), value }]);
  return parseActivity(next).ok ? next : null;
}
function set(a: Activity, k: NumberKnob, value: number): Fix | null {
  const next = withValue(a, k, value);
  return (
    next && { phrase: { key: "fix.set", params: { knob: k.label, to: value, unit: k.unit ?? "" } }, activity: next }
  );
}
/** Each rule that is a choice of words, chosen otherwise. */
export const chosen = (a: Activity): (Fix | null)[] =>
  opened(a)
    .knobs()
    .flatMap((k) => {
      if (k.kind !== "choice" || k.station !== "score") return [];
      const is = setTo(k, { params: a.pattern.params, match: a.match });
      return k.options.map(({ value, label }) => {
        const next =
          typeof value === "string" && typeof is === "string" && value !== is ? withValue(a, k, value) : null;
        return next && { phrase: { key: "fix.choose", params: { knob: k.label, option: label } }, activity: next };
      });
    });
/** A number times a factor, in the steps of its knob and within its bounds; null: as it is. */
function times(a: Activity, k: NumberKnob, by: number): Fix | null {
  const is = setTo(k, { params: a.pattern.params, match: a.match });
  if (typeof is !== "number") return null;
  const stepped = Math.round((is * by) / k.step) * k.step;
  const value = Math.max(k.least, Math.min(k.most, Math.round(stepped * 1000) / 1000));
  return value === is ? null : set(a, k, value);
}

/** An end that a game has and that is off: a number of sends, tries or rounds, or a bell. */
export const ends = (a: Activity): (Fix | null)[] =>
  numbersOf(a).flatMap((k) =>
    k.off && setTo(k, { params: a.pattern.params, match: a.match }) === null ? [set(a, k, k.off.initial)] : [],
  );
/** Each number of the game smaller or greater by one of these factors, the nearest to what it is first. */
export const scaled = (a: Activity, factors: readonly number[]): (Fix | null)[] =>
  factors.flatMap((by) => numbersOf(a).map((k) => times(a, k, by)));

/** Targets moved nearer or farther by one of these factors: some of them, or all together. */
export function moved(a: Activity, ids: readonly string[] | null, factors: readonly number[]): (Fix | null)[] {
  const { pegs } = opened(a);
  const which = pegs.filter((p) => ids === null || ids.includes(p.id));
  if (which.length === 0) return [];
  return factors.map((by) => {
    const next = which.reduce((x, p) => {
      const along = Math.round(p.distance * by * 100) / 100;
      return opened(x).move(p.id, { along });
    }, a);
    const farthest = which.reduce((x, p) => (p.distance > x.distance ? p : x));
    const cm = Math.round(Math.abs(farthest.distance * (1 - by)) * 100);
    const way = by < 1 ? "fix.nearer" : "fix.farther";
    return parseActivity(next).ok && next !== a
      ? { phrase: { key: way, params: { cm, n: which.length } }, activity: next }
      : null;
  });
}

/** Points by which every choice is worth the same to somebody. */
export function points(a: Activity, who: Who): (Fix | null)[] {
  const list = fairPoints(a, who);
  return list ? [{ phrase: { key: "fix.points" }, activity: withPoints(a, list) }] : [];
}
/** The minutes that it takes. */
export const minutes = (a: Activity, takes: number): (Fix | null)[] => {
  const next = { ...a, minutes: takes };
  return [
    parseActivity(next).ok ? { phrase: { key: "fix.minutes", params: { minutes: takes } }, activity: next } : null,
  ];
};
