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
import { Graph } from "#core/forecast/forecast.ts";
import { rareScore } from "#core/forecast/rare.ts";
import { type Activity, gamePartOf } from "#core/formats/activity.ts";
import { type Levels, levelsOf, rateWith } from "#core/levels/levels.ts";
import { levelsNext, nextWeek, type Played, type Proposal } from "#core/levels/next-week.ts";
import { supportFor } from "#core/levels/support-for.ts";
import { ready } from "#core/ready/index.ts";
import type { PlayScore, PlaySetup } from "#core/records/play.ts";
import { settingOf } from "#core/records/rank.ts";
import { replay } from "#core/referee/referee.ts";
import { type PlainError, plainError } from "../web/plain-error.ts";

/** Where most goes at an age should end (the likely range), and the middle. */
export interface Expected {
  low: number;
  middle: number;
  high: number;
  /** The share of goes that it really holds; null: not known of a band from earlier versions. */
  holds?: number | null;
  /** The score that one in a thousand reaches; null: none is so rare, or it is not worked out. */
  rare?: number | null;
}

/** One go as it is kept: the activity as this home played it. */
export interface GoTold {
  activity: Activity;
  setup: PlaySetup;
  events: readonly RecordedEvent[];
  version: number;
  age: number;
  score: PlayScore | null;
}

/** Names of ready activities that the same support can be made right in, those of the same action first. */
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

/** Everything heavy that the server works out. Pure, so that it may run in a thread of its own. */
export const computeTasks = {
  /** The card of each child. */
  cards: (makings: readonly Making[]): Card[] => makings.map((making) => compileFor(making)),
  /** Goes of one child beside what was forecast of each. */
  forecasted: (goes: readonly GoSeen[]): Forecasted[] => forecastedOf(goes),
  /** Of the newest goes of one child those that hit more often than its earlier ones let expect; each action and axis by itself, in the order they were played. */
  unlikely: (goes: readonly GoReported[], newest: number): Unlikely[] => {
    const recent = new Set(goes.slice(-newest).map((go) => go.play));
    const of = (go: GoReported) => `${go.child} ${go.axis}`;
    const alike = (key: string) => goes.filter((go) => of(go) === key);
    return [...new Set(goes.map(of))].flatMap((key) => unlikelyOf(alike(key), (play) => recent.has(play)));
  },
  /** A card as its family decided to play it. */
  remade: (making: Making, decided: Decided): Card => remake(making, decided),
  /** What is expected of each age, alone. */
  expected(activity: Activity, ages: readonly number[]): Record<number, Expected> {
    const graph = new Graph();
    const out: Record<number, Expected> = {};
    for (const age of new Set(ages)) {
      const told = forecastActivity(activity, [{ age }], { players: 1, mode: "alone", seed: 1 }, "middle", { graph });
      const distribution = told.sides[0]!.points;
      // Where so many are cut off that half has no score, the farthest that anybody comes is drawn.
      const most = distribution.at[distribution.at.length - 1] ?? 0;
      out[age] = { ...likelyRange(distribution), middle: Math.min(most, quantile(distribution, 0.5)) };
    }
    return out;
  },
  /** From which score on a go at that age is worth a look. */
  rare: (activity: Activity, age: number): number | null => rareScore(activity, age),
  /** The level that suits each of some people. */
  levels: (activity: Activity, people: readonly { who: Who; supports: readonly Support[] }[]): number[] =>
    levelsOf(activity, people),
  /** Levels for next week, and the one proposed for each child. */
  nextWeek(
    activity: Activity,
    middle: Who,
    children: readonly Played[],
    more: { things: readonly string[]; targets: readonly string[] },
  ): { levels: Levels; proposals: Proposal[] } {
    const levels = levelsNext(activity, middle, more);
    return { levels, proposals: nextWeek({ ...activity, levels: null }, levels, children) };
  },
  /** The share of sends that count for a child, without support and with it; null where nothing is aimed at. */
  withSupport: (activity: Activity, who: Who, self: Omit<Role, "role"> | null, supports: readonly Support[]) => ({
    plain: rateWith(activity, who, { self, supports: [] }),
    ...(({ after, held, nearer, fits }) => ({ with: after, held, nearer, fits }))(
      supportFor(activity, supports, who, self),
    ),
    /** Ready activities that the same support fits, nearest to the share that was meant, at most three; asked for only where this one cannot be made right. */
    others: supportFor(activity, supports, who, self).held ? [] : nearestReady(activity, who, self, supports),
  }),
  /** By the way it is sent: the pull and the wild sends that resting places show, of goes of one child; none where too few are told. */
  leans(goes: readonly Pick<GoTold, "activity" | "setup" | "events" | "version">[]): Partial<Record<Action, Lean>> {
    const all = goes.flatMap(({ activity, setup, events, version }) => {
      const { refused, play } = replay(gamePartOf(activity), setup, events, version);
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
  /** What each go says of its child. Goes of one activity share its tables; one that cannot be read holds up none of the others. */
  evidence: (goes: readonly GoTold[]): GoSays[] =>
    goes.map((go) => {
      try {
        return says(go);
      } catch (error) {
        return { told: [], refused: false, broke: plainError(error) };
      }
    }),
};
/** What a go says: nothing where the rules refuse what is told of it, or where it could not be read at all. */
export interface GoSays {
  told: Evidence[];
  refused: boolean;
  broke: PlainError | null;
}
/** Every try of it, or, where only its score is known, that. */
function says({ activity, setup, events, version, age, score }: GoTold): GoSays {
  const { refused, play } = replay(gamePartOf(activity), setup, events, version);
  const tries = refused ? [] : evidenceOf(activity, play, age);
  const plain = setup.players === 1 && score !== null && settingOf(score) === "";
  const told = tries.length > 0 || !plain ? tries : evidenceOfScore(activity, age, score!);
  return { told, refused: refused !== null, broke: null };
}
export type ComputeTasks = typeof computeTasks;
export type WorkName = keyof ComputeTasks;
