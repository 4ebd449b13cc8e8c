import type { Action } from "#core/actions/actions.ts";
import { type Card, compileFor, type Making } from "#core/compile/card.ts";
import type { Support } from "#core/compile/support.ts";
import { type Decided, remake } from "#core/compile/swap.ts";
import type { Role } from "#core/contract/contract.ts";
import { type Evidence, evidenceOf } from "#core/estimate/evidence.ts";
import { evidenceOfScore } from "#core/estimate/from-score.ts";
import { type Lean, leanOf, restingOf } from "#core/estimate/lean.ts";
import { type Forecasted, forecastedOf, type GoSeen } from "#core/estimate/truth.ts";
import { type GoReported, type Unlikely, unlikelyOf } from "#core/estimate/unlikely.ts";
import type { RecordedEvent } from "#core/events/events.ts";
import { likelyRange, quantile } from "#core/forecast/distribution.ts";
import { forecastActivity, type Who } from "#core/forecast/for-activity.ts";
import { rareScore } from "#core/forecast/rare.ts";
import { type Activity, gameSettingsOf } from "#core/formats/activity.ts";
import { type Levels, levelsOf, rateWith } from "#core/levels/levels.ts";
import { levelsNext, nextWeek, type Played, type Proposal } from "#core/levels/next-week.ts";
import { supportFor } from "#core/levels/support-for.ts";
import { ready } from "#core/ready/index.ts";
import type { PlayScore, PlaySetup } from "#core/records/play.ts";
import { settingOf } from "#core/records/rank.ts";
import { replay } from "#core/referee/referee.ts";
import { type PlainError, plainError } from "../web/plain-error.ts";

/** The likely range of a go at an age, and its median. */
export interface Expected {
  low: number;
  middle: number;
  high: number;
  /** The share of goes that the range really holds. Null: a range from earlier versions, for which it is unknown. */
  holds?: number | null;
  /** The score that one in a thousand reaches. Null: no score is so rare, or it was not worked out. */
  rare?: number | null;
}

/** One go as it is stored, with the activity as this home played it. */
export interface GoTold {
  activity: Activity;
  setup: PlaySetup;
  events: readonly RecordedEvent[];
  version: number;
  age: number;
  score: PlayScore | null;
}

/**
 * The most ready activities that are named because the same support works in them, those with the same action first.
 */
const MAX_OFFERED = 3;
function nearestReady(
  activity: Activity,
  who: Who,
  self: Omit<Role, "role"> | null,
  supports: readonly Support[],
): string[] {
  const mine = (givenActivity: Activity) => (givenActivity.aim.action === activity.aim.action ? 0 : 1);
  return ready
    .filter(
      (eachReady) =>
        who.age === "adult" || (eachReady.activity.ages.from <= who.age && who.age <= eachReady.activity.ages.to),
    )
    .map((eachReady) => ({
      title: eachReady.activity.title,
      at: mine(eachReady.activity),
      s: supportFor(eachReady.activity, supports, who, self),
    }))
    .filter(({ s }) => s.held && s.after !== null && s.fits.length > 0)
    .sort((x, y) => x.at - y.at || Math.abs(x.s.after! - 0.7) - Math.abs(y.s.after! - 0.7))
    .slice(0, MAX_OFFERED)
    .map((x) => x.title);
}

/** All heavy computation of the server. It is pure, so it may run in a thread of its own. */
export const computeTasks = {
  /** The card of each child. */
  cards: (makings: readonly Making[]): Card[] => makings.map((making) => compileFor(making)),
  /** The goes of one child, each next to its forecast. */
  forecasted: (goes: readonly GoSeen[]): Forecasted[] => forecastedOf(goes),
  /**
   * Of one child's newest goes, those that hit more often than earlier ones suggest. Each action and axis is taken by
   * itself, in the order of play.
   */
  unlikely: (goes: readonly GoReported[], newest: number): Unlikely[] => {
    const recent = new Set(goes.slice(-newest).map((go) => go.play));
    const of = (go: GoReported) => `${go.child} ${go.axis}`;
    const alike = (key: string) => goes.filter((go) => of(go) === key);
    return [...new Set(goes.map(of))].flatMap((key) => unlikelyOf(alike(key), (play) => recent.has(play)));
  },
  /** A card as its family decided to play it. */
  remade: (making: Making, decided: Decided): Card => remake(making, decided),
  /** What is expected at an age, alone. */
  expected(activity: Activity, age: number): Expected {
    const forecast = forecastActivity(activity, [{ age }], { players: 1, mode: "alone", seed: 1 }, "middle");
    const distribution = forecast.sides[0]!.points;
    // If so many are cut off that half have no score, the farthest that anybody gets is shown.
    const most = distribution.at[distribution.at.length - 1] ?? 0;
    return { ...likelyRange(distribution), middle: Math.min(most, quantile(distribution, 0.5)) };
  },
  /** The score from which a go at that age should be checked. */
  rare: (activity: Activity, age: number): number | null => rareScore(activity, age),
  /** The level that suits each person. */
  levels: (activity: Activity, people: readonly { who: Who; supports: readonly Support[] }[]): number[] =>
    levelsOf(activity, people),
  /** Levels for next week, and the one suggested for each child. */
  nextWeek(
    activity: Activity,
    middle: Who,
    children: readonly Played[],
    more: { things: readonly string[]; targets: readonly string[] },
  ): { levels: Levels; proposals: Proposal[] } {
    const levels = levelsNext(activity, middle, more);
    return { levels, proposals: nextWeek({ ...activity, levels: null }, levels, children) };
  },
  /** The share of sends that count for a child, without support and with it. Null if nothing is aimed at. */
  withSupport: (activity: Activity, who: Who, self: Omit<Role, "role"> | null, supports: readonly Support[]) => ({
    plain: rateWith(activity, who, { self, supports: [] }),
    ...(({ after, held, nearer, fits }) => ({ with: after, held, nearer, fits }))(
      supportFor(activity, supports, who, self),
    ),
    /**
     * Up to three ready activities in which the same support works, nearest to the wanted share first. Only looked
     * for if this one cannot be made to work.
     */
    others: supportFor(activity, supports, who, self).held ? [] : nearestReady(activity, who, self, supports),
  }),
  /**
   * By action: the pull to one side and the wild sends that one child's resting places show. Empty if too few places
   * were reported.
   */
  leans(goes: readonly Pick<GoTold, "activity" | "setup" | "events" | "version">[]): Partial<Record<Action, Lean>> {
    const all = goes.flatMap(({ activity, setup, events, version }) => {
      const { refused, play } = replay(gameSettingsOf(activity), setup, events, version);
      return refused ? [] : restingOf(activity, play);
    });
    const actions = [...new Set(all.map((r) => r.action))];
    return Object.fromEntries(
      actions.flatMap((action) => {
        const lean = leanOf(all.flatMap((r) => (r.action === action ? [r.at] : [])));
        return lean ? [[action, lean]] : [];
      }),
    );
  },
  /**
   * What each go says about its child. Goes of one activity share its tables, and one that cannot be read does not
   * hold up the others.
   */
  evidence: (goes: readonly GoTold[]): GoSays[] =>
    goes.map((go) => {
      try {
        return says(go);
      } catch (error) {
        return { evidence: [], refused: false, broke: plainError(error) };
      }
    }),
};
/** What a go says. Empty if the rules refuse its events, or if it cannot be read. */
export interface GoSays {
  evidence: Evidence[];
  refused: boolean;
  broke: PlainError | null;
}
/** Every try of a go or, if only its score is known, that. */
function says({ activity, setup, events, version, age, score }: GoTold): GoSays {
  const { refused, play } = replay(gameSettingsOf(activity), setup, events, version);
  const tries = refused ? [] : evidenceOf(activity, play, age);
  const plain = setup.players === 1 && score !== null && settingOf(score) === "";
  const evidence = tries.length > 0 || !plain ? tries : evidenceOfScore(activity, age, score!);
  return { evidence: evidence, refused: refused !== null, broke: null };
}
export type ComputeTasks = typeof computeTasks;
export type WorkName = keyof ComputeTasks;
