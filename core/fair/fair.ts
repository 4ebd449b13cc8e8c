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
/** Every chance to win within so much of equal is fair. */
export const FAIR_WITHIN = 0.03;
/** Where it cannot be gone through exactly games are drawn: no more once the chance is off by so many standard errors, or known so well; less well where it is even by far (`clearly`). */
const SURE = 2.5;
const ENOUGH = { roughly: 0.03, clearly: 0.02, surely: 0.015 } as const;
/** And no more than so many, however unsure it still is. */
const MAX_GAMES = 2500;
/** Going through a game exactly may cost so many steps (less where sides meet: what is not soon at its end then never is), and playing it out so many for one change: it is done again and again here. */
const EXACT = { apart: 8000, meeting: 1000 } as const;
const STEPS = 150_000;

export interface Fair {
  /** Chances to win as they are, and with the change; a tie is shared. One a player. */
  before: number[];
  after: number[];
  /** The largest standard error of a chance in `after`; 0 where the game could be gone through exactly. */
  standardError: number;
  /** Share of games that end level, with the change: then nobody has won, however even it is. */
  ties: number;
  /** Chance to win of whoever starts, who that is being drawn, with the change; null where it makes no difference. */
  starter: number | null;
  /** What everybody has then; as they are where nothing was needed. */
  people: Role[];
  /** Whether every chance is within 3 points of equal; else it is the nearest that was found. */
  fair: boolean;
  /** Forecasts that were worked out. */
  tried: number;
}

const PLAYS: Role = { role: "plays" };
const unequal = (wins: readonly number[]) => Math.max(...wins.map((win) => Math.abs(win - 1 / wins.length)));
/** Whether it is known well enough that it is fair, or is not. */
const enoughFor = ({ wins, standardError: e }: SoFar): boolean =>
  e < ENOUGH.surely ||
  (e < ENOUGH.clearly && unequal(wins) < FAIR_WITHIN / 2) ||
  unequal(wins) > FAIR_WITHIN + SURE * e;

/**
 * The smallest change, in the order of the activity unless another is given, that makes a match fair: points to begin with for the weakest; a line farther back for the strongest; a target half as wide again for
 * the weakest; a court or a goal to guard that is narrower, for the weakest, with points to begin with where these alone come near; the strongest one's other hand; kneeling; the last two with a line farther back as well. Of each the one that comes nearest to even; the first that brings every chance to win within 3 points of equal is taken,
 * where none does, the nearest. Each plays for itself. `stop` is asked before every forecast; once it says true the best so far is given.
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
  /** Chances to win: roughly, for which way to go on, or as surely as they are told. */
  const winsOf = (people: Role[], how: "roughly" | "surely" = "surely"): number[] => {
    const key = JSON.stringify(people);
    const before = known.get(key);
    if (before && (before.how === "surely" || how === "roughly")) return before.wins;
    if (!before) tried++;
    // What seems fair is looked at surely at once; and as it is is told to all.
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
    // What could not be gone through once cannot with other people either.
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
   * Of a number that helps whoever is behind the more it is: the one that makes it most even. Log-odds are taken to go evenly between what is known, and
   * where that does not lead on quickly, by halves. Nothing is gone on with where with none of it the stronger is not ahead any more.
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
    // Of the two between which it turns the one that seems nearer to even is looked at first.
    const ends = [lo.k, hi.k]
      .filter((k) => k > 0)
      .map((k) => ({ k, off: stop() ? 0 : unequal(winsOf(with_(k), "roughly")) }));
    for (const { k } of ends.sort((x, y) => x.off - y.off)) if (!stop() && !done()) better(with_(k));
  };
  const put = (people: readonly Role[], i: number, change: Partial<Role>) =>
    people.map((person, k) => (k === i ? { ...person, ...change } : person));

  // Of more than two the strongest is held back, one after the other.
  const search = () => {
    for (let round = 1; round < count && !done() && !stop(); round++) {
      const from = best.people;
      const wins = best.wins;
      const strong = wins.indexOf(Math.max(...wins));
      const weak = wins.indexOf(Math.min(...wins));
      const by = range?.by ?? MAX_NEARER;
      // None of it is as it was, and known already.
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
          // A point more or less to begin with is much: what is left over is made up by the court.
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
