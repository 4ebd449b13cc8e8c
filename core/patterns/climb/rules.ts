import { type AimOf, type Ask, PLAIN } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import { sumOf } from "../../match/end.ts";
import type { Counter, GoRules, StepResult, Sum } from "../../match/go-rules.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import type { ClimbParams } from "./schema.ts";

/** One climb of one side. */
export interface Climber {
  /** Target ids, or `l1`, `l2` for lines, in the order in which they are climbed. */
  rungs: readonly string[];
  rung: number;
  sends: number;
  points: number;
  /** The misses since the last forfeit, and whether one is owed. */
  misses: number;
  owes: boolean;
  /** The forfeits done in this go. */
  paid: number;
  /**
   * The sends at each rung so far, and when each rung was left, milliseconds since the go began. For the working
   * only.
   */
  each: readonly number[];
  laps: readonly number[];
}

export function rungsOf({ ladder }: ClimbParams): string[] {
  if (ladder.kind === "line") return ladder.lines.map((_, i) => `l${i + 1}`);
  const sign = ladder.order === "nearest" ? 1 : ladder.order === "farthest" ? -1 : 0;
  return [...ladder.targets].sort((a, b) => sign * (a.distance - b.distance)).map((target) => target.id);
}

const wanted = ({ ladder }: ClimbParams, climber: Climber) =>
  ladder.kind === "line" ? ladder.target.id : climber.rungs[climber.rung]!;
const targetIds = memoizeByIdentity(({ ladder }: ClimbParams) =>
  ladder.kind === "line" ? [ladder.target.id] : ladder.targets.map((target) => target.id),
);
/** What is aimed at from each rung. */
const aimsOf = memoizeByIdentity((params: ClimbParams): readonly AimOf<"any">[] =>
  rungsOf(params).map((id) => ({
    kind: "any",
    want: [params.ladder.kind === "line" ? params.ladder.target.id : id],
    among: targetIds(params),
  })),
);
export const worthOf = (params: ClimbParams, rung: number) =>
  params.scoring.by === "points" ? params.scoring.first + rung * params.scoring.growth : 0;

/** The time that one repetition of an exercise takes, seconds. */
const PER_DOSE = 1.5;

function asks(params: ClimbParams, climber: Climber, player: number): Ask[] {
  if (climber.owes) {
    const { exercise, dose, second, third, seated } = params.forfeit!;
    const takes = { by: [player], seconds: dose * PER_DOSE, walk: 0, moving: true };
    const others = [second, third].filter((text) => text !== undefined && text !== "") as string[];
    return [
      {
        kind: "task",
        player,
        exercise,
        dose,
        takes,
        ...(others.length > 0 && { others }),
        ...(seated && { seated }),
      },
    ];
  }
  const from = params.ladder.kind === "line" ? climber.rungs[climber.rung]! : "start";
  return [{ kind: "send", player, from, manner: PLAIN, aim: aimsOf(params)[climber.rung]!, fetch: true }];
}

function step(
  params: ClimbParams,
  climber: Climber,
  event: Parameters<GoRules<ClimbParams, Climber>["step"]>[2],
  ms: number,
): StepResult<Climber> | Refusal {
  switch (event.kind) {
    case "task":
      if (!climber.owes) return refuse("refused.noForfeit");
      return { go: { ...climber, owes: false, misses: 0, paid: climber.paid + 1 }, after: "spent" };
    case "send":
      if (climber.owes) return refuse("refused.forfeitFirst", { exercise: params.forfeit!.exercise });
      if (event.hit === undefined) return refuse("refused.notInGame", { kind: event.kind });
      if (event.hit !== null && !targetIds(params).includes(event.hit))
        return refuse("refused.unknownTarget", { target: event.hit });
      return sent(params, climber, event.hit, ms);
    default:
      return refuse("refused.notInGame", { kind: event.kind });
  }
}

function sent(params: ClimbParams, climber: Climber, hit: string | null, ms: number): StepResult<Climber> {
  const sends = climber.sends + 1;
  const spent = params.tries !== null && sends >= params.tries;
  const each = [...climber.each];
  each[climber.rung] = (each[climber.rung] ?? 0) + 1;
  if (hit !== null && hit === wanted(params, climber)) {
    const points = climber.points + worthOf(params, climber.rung);
    const go = { ...climber, rung: climber.rung + 1, sends, points, each, laps: [...climber.laps, ms] };
    return { go, after: go.rung === climber.rungs.length || spent ? "end" : "hit" };
  }
  const missed = { ...climber, sends, misses: climber.misses + 1, each };
  if (spent) return { go: missed, after: "end" };
  if (params.forfeit && missed.misses >= params.forfeit.misses) {
    // Once this many forfeits are done in a go, a miss only costs the turn.
    if (climber.paid < (params.forfeit.cap ?? Number.POSITIVE_INFINITY))
      return { go: { ...missed, owes: true }, after: "on" };
    return { go: { ...missed, misses: 0 }, after: "spent" };
  }
  return { go: missed, after: "miss" };
}

/** Without a number of tries, nothing depends on how many sends there were. */
const counters = (params: ClimbParams): readonly Counter<Climber>[] =>
  params.tries === null
    ? [
        {
          of: (climber) => climber.sends,
          put: (climber, sends) => ({ ...climber, sends }),
          feeds: params.scoring.by === "tries" ? ["sends", "points"] : ["sends"],
        },
      ]
    : [];

const TOP_BY_TRIES = 1_000_000;
const TOP_BY_TIME = 100_000_000;
const RUNG_WORTH = 1000;
function sum(params: ClimbParams, climber: Climber, ms: number): Sum {
  const top = climber.rung === climber.rungs.length;
  const { by } = params.scoring;
  const below = climber.rung * RUNG_WORTH;
  const value = by === "points" ? climber.points : by === "tries" ? climber.sends : Math.round(ms / 100);
  const rank =
    by === "points" ? climber.points : !top ? below : by === "tries" ? TOP_BY_TRIES - climber.sends : TOP_BY_TIME - ms;
  return {
    value,
    rank,
    unit: by === "points" ? "points" : by === "tries" ? "sends" : "tenths",
    better: by === "points" ? "more" : "less",
    get working() {
      return working(params, climber, ms);
    },
    sends: climber.sends,
    stage: climber.rung,
    stages: climber.rungs.length,
    finished: top,
  };
}

function working(params: ClimbParams, climber: Climber, time: number): string {
  switch (params.scoring.by) {
    case "points":
      return sumOf(
        Array.from({ length: climber.rung }, (_, r) => worthOf(params, r)),
        climber.points,
      );
    case "tries":
      return sumOf(climber.each, climber.sends);
    default: {
      if (time === 0) return "";
      // Lap by lap in tenths of a second. What is left after the last rung was the way to the bell.
      const ends = [...climber.laps, ...(climber.laps.at(-1) === time ? [] : [time])].map((ms) => Math.round(ms / 100));
      return sumOf(
        ends.map((end, i) => ((end - (ends[i - 1] ?? 0)) / 10).toFixed(1)),
        (ends.at(-1)! / 10).toFixed(1),
      );
    }
  }
}

function now(params: ClimbParams, climber: Climber): Phrase {
  if (climber.owes)
    return { key: "climb.forfeit", params: { exercise: params.forfeit!.exercise, dose: params.forfeit!.dose } };
  const { ladder } = params;
  if (ladder.kind === "line") {
    const { label, item } = ladder.target;
    return { key: "climb.line", params: { label, item, line: climber.rung + 1, lines: climber.rungs.length } };
  }
  const target =
    ladder.targets.find((eachTarget) => eachTarget.id === climber.rungs[climber.rung]) ?? ladder.targets[0]!;
  return {
    key: "climb.target",
    params: { label: target.label, item: target.item, number: climber.rung + 1, of: climber.rungs.length },
  };
}

/** One climb: a hit on the wanted target moves on and everything else repeats, until the top or the last try. */
export const climbGo: GoRules<ClimbParams, Climber> = {
  begin: (params) => ({
    rungs: rungsOf(params),
    rung: 0,
    sends: 0,
    points: 0,
    misses: 0,
    owes: false,
    paid: 0,
    each: [],
    laps: [],
  }),
  asks,
  step,
  clock: (params, match) =>
    match.seconds !== null || params.scoring.by === "time" ? { limit: match.seconds, rest: 0 } : null,
  sum,
  key: (params, climber) =>
    `${climber.rung} ${climber.sends} ${climber.misses} ${climber.owes ? 1 : 0} ${params.forfeit?.cap ? climber.paid : 0}`,
  counters,
  now,
  done: (_, climber) => climber.rungs.slice(0, climber.rung),
  ended: (_, { finished }) => ({ key: finished ? "climb.end.top" : "climb.end.spent" }),
  together: "share",
};

/** The score range for manual entry, see `Possible`. */
export function possible(params: ClimbParams, match: Match): Possible {
  const count = params.ladder.kind === "line" ? params.ladder.lines.length : params.ladder.targets.length;
  const kept = match.goes.keep === "total" ? match.goes.count : 1;
  const times = (x: number | null) => (x === null ? null : x * kept);
  if (params.scoring.by === "points") {
    const sums = [0];
    for (let r = 0; r < Math.min(count, params.tries ?? count); r++) sums.push(sums[r]! + worthOf(params, r));
    const top = sums[sums.length - 1]!;
    const values = kept === 1 ? sums : null;
    return {
      unit: "points",
      better: "more",
      least: 0,
      most: times(top),
      values,
      finished: { least: times(top)!, most: times(top) },
      stages: count,
    };
  }
  if (params.scoring.by === "tries")
    return {
      unit: "sends",
      better: "less",
      least: 0,
      most: times(params.tries),
      values: null,
      finished: { least: count * kept, most: times(params.tries) },
      stages: count,
    };
  const most = times(match.seconds === null ? null : match.seconds * 10);
  return { unit: "tenths", better: "less", least: 0, most, values: null, finished: { least: 0, most }, stages: count };
}
