import type { Aim } from "../asks/ask.ts";
import { kindOf } from "../chances/loaded-kinds.ts";
import { sightOf } from "../chances/outcomes.ts";
import { fieldOf } from "../contract/range.ts";
import { withSetting } from "../contract/settings.ts";
import type { Activity } from "../formats/activity.ts";
import { opened, withParams } from "../formats/opened.ts";
import { layoutOf, personOf, type Who } from "./for-activity.ts";

/** The points of the easiest target, and the most points of any: what a child can add up. */
const LEAST = 2;
const MOST = 20;
/** Up to here points are whole numbers, above it multiples of five. */
const WHOLE = 10;
const FIVE = 5;
/** A target that is almost never hit is worth no more than one with this chance. */
const RAREST = 0.05;

const roundly = (count: number) => Math.min(MOST, count <= WHOLE ? Math.round(count) : FIVE * Math.round(count / FIVE));

/**
 * One target with points: its peg, a person's chance to hit it, the seconds of a send at it, and the points that make
 * it worth as much as all others.
 */
export interface FairPoints {
  peg: string;
  rate: number;
  seconds: number;
  points: number;
}
/**
 * Points that make every choice worthwhile: for this person, each target with points is worth the same per send, or
 * per second if a bell ends the go, rounded to numbers that a child can add. Null if fewer than two targets have
 * points of their own.
 */
export function fairPoints(activity: Activity, who: Who): FairPoints[] | null {
  const game = opened(activity);
  const scored = game.pegs.filter((peg) => game.pegKnobs(peg.id).some((pegKnob) => pegKnob.path.at(-1) === "points"));
  if (scored.length < 2) return null;
  const [parts, person] = [layoutOf(activity), personOf(activity, who)];
  const each = scored.flatMap(({ id }) => {
    const probe = game.probes.find((eachProbe) => eachProbe.peg === id);
    if (!probe) return [];
    const { aim } = probe.ask;
    const play = { parts, people: [person], policy: "middle" } as const;
    const { list } = kindOf<Aim>(aim).outcomes(aim, sightOf(probe.ask, play));
    const seconds = list.reduce(
      (sum, outcome) =>
        sum + outcome.p * (outcome.windUp + outcome.under + outcome.after + (2 * outcome.lies) / person.walking),
      0,
    );
    const body = (outcome: (typeof list)[number]) => ({ kind: "send", ...outcome.seen }) as never;
    const rate = list.reduce((sum, outcome) => sum + outcome.p * probe.counts(body(outcome)), 0);
    return [{ peg: id, rate, seconds }];
  });
  if (each.length < 2) return null;
  const rings = activity.match.seconds !== null;
  const dear = each.map((e) => (rings ? e.seconds : 1) / Math.max(RAREST, e.rate));
  const cheapest = Math.min(...dear);
  return each.map((e, i) => ({ ...e, points: roundly((LEAST * dear[i]!) / cheapest) }));
}
/** The activity with these points. */
export function withPoints(activity: Activity, list: readonly FairPoints[]): Activity {
  return list.reduce((now, { peg, points }) => {
    const knob = opened(now)
      .pegKnobs(peg)
      .find((pegKnob) => pegKnob.path.at(-1) === "points");
    if (!knob) return now;
    const game = { params: now.pattern.params as unknown, match: now.match };
    return withParams(now, withSetting(game, { field: fieldOf(knob), value: points }).params);
  }, activity);
}
