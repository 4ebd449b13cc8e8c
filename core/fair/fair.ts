import { MAX_NEARER, MIN_COURT, type Role, type Setup, WIDER } from "../contract/contract.ts";
import { FAIR_KNOBS, type FairKnob } from "../contract/people.ts";
import { hasGuards, lineRange } from "../contract/standing.ts";
import { forecastActivity, type Who } from "../forecast/for-activity.ts";
import { ForecastStopped, Shared, type SoFar } from "../forecast/forecast.ts";
import type { Forecast } from "../forecast/result.ts";
import type { Activity } from "../formats/activity.ts";
import { openedPlay } from "../formats/opened-play.ts";
import { logit } from "../log-odds.ts";
import { mostHead } from "../match/heads.ts";

export { FAIR_KNOBS, type FairKnob };
/** A match is fair if every chance to win is within this of equal. */
export const FAIR_WITHIN = 0.03;
/**
 * Where a game is too large to be exact, games are sampled until the chance is this many standard errors from fair,
 * or until it is known this well. If the match is clearly even, less will do.
 */
const SURE = 2.5;
const ENOUGH = { roughly: 0.03, clearly: 0.02, surely: 0.015 } as const;
/** The most games that are sampled, however unsure the result still is. */
const MAX_GAMES = 2500;
/**
 * The steps that one change may cost, because many changes are tried. An exact forecast gets less where sides meet:
 * it finishes early or not at all.
 */
const EXACT = { apart: 8000, meeting: 1000 } as const;
const STEPS = 150_000;

export interface Fair {
  /** Chances to win before and after the change, one for each player. A tie is shared. */
  before: number[];
  after: number[];
  /** The largest standard error of a chance in `after`. 0 if the forecast was exact. */
  standardError: number;
  /** The share of games that end in a tie after the change. A match can be even because nobody wins. */
  ties: number;
  /** The chance to win for the player who starts, after the change. Null if starting makes no difference. */
  starter: number | null;
  /** How each player plays after the change. Unchanged if nothing was needed. */
  people: Role[];
  /** True if every chance is within 3 points of equal. If not, this is the nearest that was found. */
  fair: boolean;
  /** The number of forecasts that were worked out. */
  tried: number;
}

const PLAYS: Role = { role: "plays" };
const unequal = (wins: readonly number[]) => Math.max(...wins.map((win) => Math.abs(win - 1 / wins.length)));
/** True once it is known well enough whether the match is fair. */
const enoughFor = ({ wins, standardError: e }: SoFar): boolean =>
  e < ENOUGH.surely ||
  (e < ENOUGH.clearly && unequal(wins) < FAIR_WITHIN / 2) ||
  unequal(wins) > FAIR_WITHIN + SURE * e;

/**
 * Finds the smallest change that makes a match fair. The changes are tried in the order given, or in the activity's:
 * a head start for the weakest player; a line farther back for the strongest; a target half as wide again for the
 * weakest; a narrower court or goal for the weakest to guard, with a head start where that alone comes near; the
 * strongest player's other hand; kneeling. The last two may come with a line farther back. Each change is set as near
 * to even as it goes, and the first that brings every chance to win within 3 points of equal is taken. If none does,
 * the nearest is. Everybody plays for themselves. `stop` is asked before every forecast, and once it returns true the
 * best so far is returned.
 */
export function fairMatch(
  activity: Activity,
  who: readonly Who[],
  order: readonly FairKnob[] = activity.players.fair ?? FAIR_KNOBS,
  stop: () => boolean = () => false,
): Fair {
  const count = who.length;
  const setupOf = (people: Role[]): Setup => ({ players: count, mode: "against", seed: 1, people });
  const plain = who.map(() => PLAYS);
  const exactBudget = openedPlay(activity).game.sidesMeet(setupOf(plain)) ? EXACT.meeting : EXACT.apart;
  let tried = 0;
  let method: "auto" | "sampled" = "auto";
  const shared = new Shared();
  const known = new Map<
    string,
    { wins: number[]; error: number; how: "roughly" | "surely"; starts: Forecast["starts"]; ties: number }
  >();
  /** Chances to win. A rough answer is enough to see which way to go on. */
  const winsOf = (people: Role[], how: "roughly" | "surely" = "surely"): number[] => {
    const key = JSON.stringify(people);
    const before = known.get(key);
    if (before && (before.how === "surely" || how === "roughly")) return before.wins;
    if (!before) tried++;
    // A match that seems fair is measured surely at once. How it stands without a change is shown, so it is measured
    // well too.
    const enough = ({ wins, standardError: e }: SoFar) =>
      (enoughFor({ wins, standardError: e }) && (people !== plain || e < ENOUGH.roughly)) ||
      (how === "roughly" && e < ENOUGH.roughly && unequal(wins) > FAIR_WITHIN);
    const forecast = forecastActivity(activity, who, setupOf(people), "middle", {
      method,
      samples: MAX_GAMES,
      exactBudget,
      sampleBudget: STEPS,
      untimed: true,
      enough,
      shared,
      stop,
    });
    // A game that was too large once is too large for other people as well.
    if (forecast.method === "sampled") method = "sampled";
    const wins = Array.from({ length: count }, (_, i) => {
      const side = forecast.sides.find((sideForecast) => sideForecast.players.includes(i));
      return (side?.win ?? 0) / (side?.players.length ?? 1);
    });
    const sure = how === "surely" || enoughFor({ wins, standardError: forecast.standardError });
    known.set(key, {
      wins,
      error: forecast.standardError,
      how: sure ? "surely" : "roughly",
      starts: forecast.starts,
      ties: forecast.tie ?? 0,
    });
    return wins;
  };
  const before = winsOf(plain);
  let best = { people: plain, wins: before };
  const better = (people: Role[]) => {
    const wins = winsOf(people);
    if (unequal(wins) < unequal(best.wins) - 1e-9) best = { people, wins };
    return wins;
  };
  const done = () => unequal(best.wins) <= FAIR_WITHIN;
  const most = mostHead(openedPlay(activity).game);
  const { pattern } = openedPlay(activity);
  const range = lineRange(pattern, activity.pattern.params);
  const guards = hasGuards(pattern, activity.pattern.params);
  const targets = openedPlay(activity).probes.some(
    (probe) => probe.ask.kind === "send" && probe.ask.aim.kind === "any",
  );

  /**
   * For a number that helps the weaker player the more it grows, finds the value that is nearest to even. It
   * interpolates in log-odds, which are roughly linear, and falls back to halving. It stops at once if the stronger
   * player is not ahead without it.
   */
  const evenest = (most: number, strong: number, with_: (k: number) => Role[]) => {
    const off = (w: readonly number[]) => logit(Math.min(0.99, Math.max(0.01, w[strong]!))) - logit(1 / count);
    let lo = { k: 0, off: off(winsOf(with_(0), "roughly")) };
    if (lo.off <= 0) return;
    let hi: { k: number; off: number | null } = { k: most, off: null };
    let slow = 0;
    while (hi.k - lo.k > 1 && !stop()) {
      const wide = hi.k - lo.k;
      const part = slow > 1 || hi.off === null ? 0.5 : lo.off / (lo.off - hi.off);
      const k = Math.min(hi.k - 1, Math.max(lo.k + 1, Math.round(lo.k + part * wide)));
      const now = winsOf(with_(k), "roughly");
      if (unequal(now) <= FAIR_WITHIN) better(with_(k));
      if (done()) return;
      if (off(now) > 0) lo = { k, off: off(now) };
      else hi = { k, off: off(now) };
      slow = 2 * (hi.k - lo.k) > wide ? slow + 1 : 0;
    }
    // The value that is even lies between these two. The one that seems nearer is measured first.
    const ends = [lo.k, hi.k]
      .filter((k) => k > 0)
      .map((k) => ({ k, off: stop() ? 0 : unequal(winsOf(with_(k), "roughly")) }));
    for (const { k } of ends.sort((x, y) => x.off - y.off)) if (!stop() && !done()) better(with_(k));
  };
  const put = (people: readonly Role[], i: number, change: Partial<Role>) =>
    people.map((person, k) => (k === i ? { ...person, ...change } : person));

  // With more than two players, the strongest is held back, one after another.
  const search = () => {
    for (let round = 1; round < count && !done() && !stop(); round++) {
      const from = best.people;
      const wins = best.wins;
      const strong = wins.indexOf(Math.max(...wins));
      const weak = wins.indexOf(Math.min(...wins));
      const by = range?.by ?? MAX_NEARER;
      // Zero is no change, and its chances are known already.
      const back = (k: number) => (k === 0 ? {} : { nearer: -Math.round(k * by * 1000) / 1000 });
      const farthest = Math.floor(-(range?.least ?? 0) / by);
      for (const knob of order) {
        if (done() || stop()) break;
        if (knob === "head" && most > 0) {
          const had = from[weak]!.head ?? 0;
          evenest(most - had, strong, (k) => put(from, weak, had + k === 0 ? {} : { head: had + k }));
        }
        if (knob === "line" && range) evenest(farthest, strong, (k) => put(from, strong, back(k)));
        if (knob === "target" && targets) {
          const wide = put(from, weak, { wider: WIDER });
          better(wide);
          if (!done() && range && !stop()) evenest(farthest, strong, (k) => put(wide, strong, back(k)));
        }
        if (knob === "court" && guards) {
          const narrower = (of: readonly Role[]) =>
            evenest(Math.round(10 * (1 - MIN_COURT)), strong, (k) =>
              put(of, weak, k === 0 ? {} : { court: 1 - k / 10 }),
            );
          // A whole point of head start is a large step. A narrower court makes up the rest.
          const { head = 0 } = best.people[weak]!;
          narrower(from);
          for (const height of [head, head - 1])
            if (height > 0 && !done() && !stop()) narrower(put(from, weak, { head: height }));
        }
        for (const [name, change] of [
          ["hand", { otherHand: true }],
          ["posture", { posture: "kneeling" }],
        ] as const) {
          if (knob !== name) continue;
          const held = put(from, strong, change as Partial<Role>);
          better(held);
          if (!done() && range && !stop()) evenest(farthest, strong, (k) => put(held, strong, back(k)));
        }
      }
    }
  };
  try {
    search();
  } catch (error) {
    if (!(error instanceof ForecastStopped)) throw error;
  }
  const { error: standardError, starts, ties } = known.get(JSON.stringify(best.people))!;
  const starter = starts && starts.reduce((sum, wins, k) => sum + wins[k]!, 0) / starts.length;
  return { before, after: best.wins, standardError, ties, starter, people: best.people, fair: done(), tried };
}
