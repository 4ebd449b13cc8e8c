import { type AimOf, type Ask, PLAIN } from "../../asks/ask.ts";
import { type Phrase, type Possible, type Refusal, refuse } from "../../contract/contract.ts";
import type { Match } from "../../contract/match.ts";
import { sumOf } from "../../match/end.ts";
import type { Counter, GoRules, StepResult, Sum } from "../../match/matched.ts";
import { memoizeByIdentity } from "../../memoize.ts";
import type { ClimbParams } from "./params.ts";

/** One climb of one side. */
export interface Climber {
  /** Target ids, or `l1`, `l2` for lines, in the order they are climbed. */
  rungs: readonly string[];
  rung: number;
  sends: number;
  points: number;
  /** Misses since the last forfeit, and whether one is owed. */
  misses: number;
  owes: boolean;
  /** Forfeits done in this go. */
  paid: number;
  /** Sends at each rung so far, and when each was left, milliseconds since the go began: for the working alone. */
  each: readonly number[];
  laps: readonly number[];
}

export function rungsOf({ ladder }: ClimbParams): string[] {
  if (ladder.kind === "line") return ladder.lines.map((_, i) => `l${i + 1}`);
  const sign = ladder.order === "nearest" ? 1 : ladder.order === "farthest" ? -1 : 0;
  return [...ladder.targets].sort((a, b) => sign * (a.distance - b.distance)).map((t) => t.id);
}

const wanted = ({ ladder }: ClimbParams, c: Climber) => (ladder.kind === "line" ? ladder.target.id : c.rungs[c.rung]!);
const targetIds = memoizeByIdentity(({ ladder }: ClimbParams) =>
  ladder.kind === "line" ? [ladder.target.id] : ladder.targets.map((t) => t.id),
);
/** What is aimed at from each rung. */
const aimsOf = memoizeByIdentity((p: ClimbParams): readonly AimOf<"any">[] =>
  rungsOf(p).map((id) => ({
    kind: "any",
    want: [p.ladder.kind === "line" ? p.ladder.target.id : id],
    among: targetIds(p),
  })),
);
export const worthOf = (p: ClimbParams, rung: number) =>
  p.scoring.by === "points" ? p.scoring.first + rung * p.scoring.growth : 0;

/** An exercise costs this per dose. Seconds. */
const PER_DOSE = 1.5;

function asks(p: ClimbParams, c: Climber, player: number): Ask[] {
  if (c.owes) {
    const { exercise, dose, second, third, seated } = p.forfeit!;
    const takes = { by: [player], seconds: dose * PER_DOSE, walk: 0, moving: true };
    const others = [second, third].filter((x) => x !== undefined && x !== "") as string[];
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
  const from = p.ladder.kind === "line" ? c.rungs[c.rung]! : "start";
  return [{ kind: "send", player, from, manner: PLAIN, aim: aimsOf(p)[c.rung]!, fetch: true }];
}

function step(
  p: ClimbParams,
  c: Climber,
  e: Parameters<GoRules<ClimbParams, Climber>["step"]>[2],
  ms: number,
): StepResult<Climber> | Refusal {
  switch (e.kind) {
    case "task":
      if (!c.owes) return refuse("refused.noForfeit");
      return { go: { ...c, owes: false, misses: 0, paid: c.paid + 1 }, after: "spent" };
    case "send":
      if (c.owes) return refuse("refused.forfeitFirst", { exercise: p.forfeit!.exercise });
      if (e.hit === undefined) return refuse("refused.notInGame", { kind: e.kind });
      if (e.hit !== null && !targetIds(p).includes(e.hit)) return refuse("refused.unknownTarget", { target: e.hit });
      return sent(p, c, e.hit, ms);
    default:
      return refuse("refused.notInGame", { kind: e.kind });
  }
}

function sent(p: ClimbParams, c: Climber, hit: string | null, ms: number): StepResult<Climber> {
  const sends = c.sends + 1;
  const spent = p.tries !== null && sends >= p.tries;
  const each = [...c.each];
  each[c.rung] = (each[c.rung] ?? 0) + 1;
  if (hit !== null && hit === wanted(p, c)) {
    const points = c.points + worthOf(p, c.rung);
    const go = { ...c, rung: c.rung + 1, sends, points, each, laps: [...c.laps, ms] };
    return { go, after: go.rung === c.rungs.length || spent ? "end" : "hit" };
  }
  const missed = { ...c, sends, misses: c.misses + 1, each };
  if (spent) return { go: missed, after: "end" };
  if (p.forfeit && missed.misses >= p.forfeit.misses) {
    // Once so many are done in a go, misses cost nothing more than the turn.
    if (c.paid < (p.forfeit.cap ?? Number.POSITIVE_INFINITY)) return { go: { ...missed, owes: true }, after: "on" };
    return { go: { ...missed, misses: 0 }, after: "spent" };
  }
  return { go: missed, after: "miss" };
}

/** Without a number of tries nothing depends on how many sends there were. */
const counters = (p: ClimbParams): readonly Counter<Climber>[] =>
  p.tries === null
    ? [
        {
          of: (c) => c.sends,
          put: (c, sends) => ({ ...c, sends }),
          feeds: p.scoring.by === "tries" ? ["sends", "points"] : ["sends"],
        },
      ]
    : [];

const TOP_BY_TRIES = 1_000_000;
const TOP_BY_TIME = 100_000_000;
const RUNG_WORTH = 1000;
function sum(p: ClimbParams, c: Climber, ms: number): Sum {
  const top = c.rung === c.rungs.length;
  const { by } = p.scoring;
  const below = c.rung * RUNG_WORTH;
  const value = by === "points" ? c.points : by === "tries" ? c.sends : Math.round(ms / 100);
  const rank = by === "points" ? c.points : !top ? below : by === "tries" ? TOP_BY_TRIES - c.sends : TOP_BY_TIME - ms;
  return {
    value,
    rank,
    unit: by === "points" ? "points" : by === "tries" ? "sends" : "tenths",
    better: by === "points" ? "more" : "less",
    get working() {
      return working(p, c, ms);
    },
    sends: c.sends,
    stage: c.rung,
    stages: c.rungs.length,
    finished: top,
  };
}

function working(p: ClimbParams, c: Climber, time: number): string {
  switch (p.scoring.by) {
    case "points":
      return sumOf(
        Array.from({ length: c.rung }, (_, r) => worthOf(p, r)),
        c.points,
      );
    case "tries":
      return sumOf(c.each, c.sends);
    default: {
      if (time === 0) return "";
      // Lap by lap in tenths of a second; what is left after the last rung was the way to the bell.
      const ends = [...c.laps, ...(c.laps.at(-1) === time ? [] : [time])].map((ms) => Math.round(ms / 100));
      return sumOf(
        ends.map((end, i) => ((end - (ends[i - 1] ?? 0)) / 10).toFixed(1)),
        (ends.at(-1)! / 10).toFixed(1),
      );
    }
  }
}

function now(p: ClimbParams, c: Climber): Phrase {
  if (c.owes) return { key: "climb.forfeit", params: { exercise: p.forfeit!.exercise, dose: p.forfeit!.dose } };
  const { ladder } = p;
  if (ladder.kind === "line") {
    const { label, item } = ladder.target;
    return { key: "climb.line", params: { label, item, line: c.rung + 1, lines: c.rungs.length } };
  }
  const t = ladder.targets.find((x) => x.id === c.rungs[c.rung]) ?? ladder.targets[0]!;
  return { key: "climb.target", params: { label: t.label, item: t.item, number: c.rung + 1, of: c.rungs.length } };
}

/** One climb: a hit on the wanted target moves on, all else repeats, until the top or the last try. */
export const climbGo: GoRules<ClimbParams, Climber> = {
  begin: (p) => ({
    rungs: rungsOf(p),
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
  clock: (p, m) => (m.seconds !== null || p.scoring.by === "time" ? { limit: m.seconds, rest: 0 } : null),
  sum,
  key: (p, c) => `${c.rung} ${c.sends} ${c.misses} ${c.owes ? 1 : 0} ${p.forfeit?.cap ? c.paid : 0}`,
  counters,
  now,
  done: (_, c) => c.rungs.slice(0, c.rung),
  ended: (_, { finished }) => ({ key: finished ? "climb.end.top" : "climb.end.spent" }),
  together: "share",
};

/** Written on paper: see `Possible`. */
export function possible(p: ClimbParams, m: Match): Possible {
  const n = p.ladder.kind === "line" ? p.ladder.lines.length : p.ladder.targets.length;
  const kept = m.goes.keep === "total" ? m.goes.count : 1;
  const times = (x: number | null) => (x === null ? null : x * kept);
  if (p.scoring.by === "points") {
    const sums = [0];
    for (let r = 0; r < Math.min(n, p.tries ?? n); r++) sums.push(sums[r]! + worthOf(p, r));
    const top = sums[sums.length - 1]!;
    const values = kept === 1 ? sums : null;
    return {
      unit: "points",
      better: "more",
      least: 0,
      most: times(top),
      values,
      finished: { least: times(top)!, most: times(top) },
      stages: n,
    };
  }
  if (p.scoring.by === "tries")
    return {
      unit: "sends",
      better: "less",
      least: 0,
      most: times(p.tries),
      values: null,
      finished: { least: n * kept, most: times(p.tries) },
      stages: n,
    };
  const most = times(m.seconds === null ? null : m.seconds * 10);
  return { unit: "tenths", better: "less", least: 0, most, values: null, finished: { least: 0, most }, stages: n };
}
