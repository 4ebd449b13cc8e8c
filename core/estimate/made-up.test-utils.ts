import { below } from "../aim/normal.ts";
import { rates } from "../forecast/for-activity.ts";
import { type Activity, fromPattern, gameSettingsOf } from "../formats/activity.ts";
import { normalDraw, random } from "../random.ts";
import { take } from "../referee/playing.test-utils.ts";
import { openPlay } from "../referee/referee.ts";
import { evidenceOf } from "./evidence.ts";
import { AT, FINE, finer, priorAt } from "./grid.ts";
import { DRIFT, estimateOf, type Observation, posterior } from "./posterior.ts";
import { atLeast, type GoReported } from "./unlikely.ts";

/**
 * Children made up for tests, whose every throw is drawn: where it passes the target beside its middle, in standard deviations of a child that is
 * as the model has it. `usual`: as the model has it. Three kinds that it was not built on: `tails`: Student's t with four degrees of freedom, so
 * that far misses are common; `pull`: half a standard deviation to one side; `learning`: better by a fifth over eight weeks, and worse by a tenth
 * from the first throw of a go to the last. And `wild`: of ten throws one spread three times as wide.
 */
export const KINDS = ["usual", "wild", "tails", "pull", "learning"] as const;
export type Kind = (typeof KINDS)[number];

const AGE = 8;
const PULL = 0.5;
const WILD_THROWS = { share: 0.1, wider: 3 } as const;
const LEARNS = 0.025;
const TIRES = 0.1;

/** One target straight ahead, hit or missed: the same game at four distances. */
function targetAt(distance: number): Activity {
  const activity = fromPattern("board");
  const { layout } = activity.pattern.params as { layout: { targets: object[] } };
  const target = { ...layout.targets[0], id: "t1", across: 0, distance };
  const params = {
    ...(activity.pattern.params as object),
    layout: { ...layout, targets: [target] },
    ways: ["underarmRoll"],
    sends: 12,
  };
  return {
    ...activity,
    aim: { ...activity.aim, action: "underarmRoll" },
    pattern: { ...activity.pattern, params },
  } as Activity;
}
const DISTANCES = [1.5, 2.5, 3.5, 5] as const;
/** What a hit and a miss at it say; how far its edge lies from its middle, in standard deviations of a child of that age; its share of hits by the law. */
function settingOf(activity: Activity) {
  const begun = openPlay(gameSettingsOf(activity), { players: 1, mode: "alone", seed: 1 });
  const [hit, miss] = ["t1", null].map(
    (is) => evidenceOf(activity, take(begun, { kind: "send", hit: is }), AGE)[0]!,
  ) as [ReturnType<typeof evidenceOf>[number], ReturnType<typeof evidenceOf>[number]];
  const chance = rates(activity, { age: AGE }).get("t1")!;
  let [low, high] = [0, 9];
  for (let i = 0; i < 60; i++) {
    const z = (low + high) / 2;
    if (2 * below(z, 1) - 1 < chance) low = z;
    else high = z;
  }
  return { hit: hit.ll, miss: miss.ll, means: hit.means, share: finer(hit.means), edge: low };
}
let kept: ReturnType<typeof settingOf>[] | undefined;
const settings = () => {
  kept ??= DISTANCES.map((distance) => settingOf(targetAt(distance)));
  return kept;
};

/** The chance that Student's t with four degrees of freedom lies within z of nought, in closed form. */
function withinT(z: number): number {
  const q = 1 + (z * z) / 4;
  return 0.75 * (z / Math.sqrt(q)) * (1 - (z * z) / q / 12);
}
const within = (z: number, aside = 0) => below(z - aside, 1) - below(-z - aside, 1);
/** The share of throws within an edge, in standard deviations of the child's own usual throws. */
const SHARE: Record<Kind, (z: number) => number> = {
  usual: (z) => within(z),
  wild: (z) => (1 - WILD_THROWS.share) * within(z) + WILD_THROWS.share * within(z / WILD_THROWS.wider),
  tails: withinT,
  pull: (z) => within(z, PULL),
  learning: (z) => within(z),
};
/** One throw: how far beside the middle, in the same measure. */
function drawn(kind: Kind, draw: () => number): number {
  if (kind === "wild") return normalDraw(draw) * (draw() < WILD_THROWS.share ? WILD_THROWS.wider : 1);
  if (kind === "pull") return PULL + normalDraw(draw);
  if (kind !== "tails") return normalDraw(draw);
  const four = [0, 0, 0, 0].reduce((sum) => sum + normalDraw(draw) ** 2, 0);
  return normalDraw(draw) / Math.sqrt(four / 4);
}

/** One go of a child, rolled at the four distances in turn, with so great a share of its misses told as hits. */
function rolled(
  kind: Kind,
  x: number,
  { tries, draw, dressed = 0 }: { tries: number; draw: () => number; dressed?: number | undefined },
) {
  const ll = AT.spread.map(() => 0);
  const means = AT.spread.map(() => 0);
  let hits = 0;
  for (let i = 0; i < tries; i++) {
    const s = settings()[i % settings().length]!;
    const tired = kind === "learning" ? (TIRES * i) / tries : 0;
    const real = Math.abs(drawn(kind, draw)) < s.edge * Math.exp(-x - tired);
    const hit = real || (dressed > 0 && draw() < dressed);
    if (hit) hits++;
    for (const [k, l] of (hit ? s.hit : s.miss).entries()) {
      ll[k]! += l;
      means[k]! += s.means[k]!;
    }
  }
  return { ll, means, hits };
}

/**
 * The goes of one child as they are told: so many a week, and in the last `dressed` of them so great a share of the misses told as hits. With each go,
 * how often each distance was rolled at.
 */
export function told(
  kind: Kind,
  of: { weeks: number; aWeek: number; tries: number; dressed: number; share: number },
  draw: () => number,
): GoReported[] {
  const { middle, sd } = priorAt("spread", AGE);
  let x = middle + sd * normalDraw(draw);
  const all = of.weeks * of.aWeek;
  return Array.from({ length: all }, (_, go) => {
    const week = Math.floor(go / of.aWeek);
    if (go > 0 && go % of.aWeek === 0) x += kind === "learning" ? -LEARNS : DRIFT.spread * normalDraw(draw);
    const is = rolled(kind, x, { tries: of.tries, draw, dressed: go >= all - of.dressed ? of.share : 0 });
    return { ...is, play: `${go}`, child: "one", age: AGE, axis: "spread", week, tries: of.tries };
  });
}
/**
 * The chance that goes hit at least so often, by every roll and all that earlier goes say of the child: of the law itself, for the very goes that are in
 * doubt. A likelihood-ratio test of misses told as hits follows it.
 */
export function asGood(before: readonly GoReported[], some: readonly GoReported[]): number {
  const { shares } = posterior("spread", AGE, before, some[0]!.week);
  const hits = some.reduce((sum, go) => sum + go.hits, 0);
  const tries = some.reduce((sum, go) => sum + go.tries, 0) / settings().length;
  let chance = 0;
  for (let i = 0; i < shares.length; i++)
    if (shares[i]! > 1e-7)
      chance +=
        shares[i]! *
        atLeast(
          hits,
          settings().map((setting) => ({ tries, share: within(setting.edge * Math.exp(-FINE.spread[i]!)) })),
        );
  return chance;
}

/** How estimates and forecasts did, of children of one kind. */
export interface Did {
  /**
   * Share of 80 % intervals that hold the truth at the end: the spread of a usual child that hits as often as this one does, which is what levels and
   * forecasts need of it.
   */
  inside: number;
  /**
   * How far forecasts came from knowing nothing but the age (0) to knowing every chance (1), in Brier's score of the true chances: from the second week
   * to the last, and after the last.
   */
  onTheWay: number;
  atTheEnd: number;
  /** The Brier skill over the age's prior after the last week, and that of a forecaster who knew every chance. */
  skill: number;
  ceiling: number;
  /** In tenths of what was forecast with at least one forecast a child in four: what came true less what was forecast, the farthest off. */
  off: number;
}

/** So many children of a kind, each so many throws a week at four distances in turn. */
export function madeUp(kind: Kind, of: { children: number; weeks: number; tries: number; seed?: number }): Did {
  const draw = random(of.seed ?? 5);
  const { middle, sd } = priorAt("spread", AGE);
  const is = settings();
  const byAge = posterior("spread", AGE, []).shares;
  const mean = (shares: readonly number[], over: readonly number[]) =>
    FINE.spread.reduce((sum, _, i) => sum + shares[i]! * Math.min(1, Math.max(0, over[i]!)), 0);
  const guesses = is.map((s) => mean(byAge, s.share));
  const bins = Array.from({ length: 10 }, () => ({ n: 0, forecast: 0, true_: 0 }));
  const sums = { way: { ours: 0, guess: 0 }, end: { ours: 0, guess: 0 }, noise: 0 };
  let inside = 0;
  for (let c = 0; c < of.children; c++) {
    let x = middle + sd * normalDraw(draw);
    const goes: Observation[] = [];
    // The true share of hits at each distance, this week; of a go in the middle of it.
    const truth = () => is.map((s) => SHARE[kind](s.edge * Math.exp(-x - (kind === "learning" ? TIRES / 2 : 0))));
    for (let week = 0; week <= of.weeks; week++) {
      if (week > 0) x += kind === "learning" ? -LEARNS : DRIFT.spread * normalDraw(draw);
      if (week > 0) {
        const { shares } = posterior("spread", AGE, goes, week);
        const at = week === of.weeks ? sums.end : sums.way;
        for (const [k, chance] of truth().entries()) {
          const forecast = mean(shares, is[k]!.share);
          at.ours += (forecast - chance) ** 2;
          at.guess += (guesses[k]! - chance) ** 2;
          if (week === of.weeks) sums.noise += chance * (1 - chance);
          const bin = bins[Math.min(9, Math.floor(10 * forecast))]!;
          bin.n++;
          bin.forecast += forecast;
          bin.true_ += chance;
        }
      }
      if (week === of.weeks) break;
      goes.push({ week, ll: rolled(kind, x, { tries: of.tries, draw }).ll });
    }
    const estimate = estimateOf(posterior("spread", AGE, goes, of.weeks));
    // Who hits more often than this child is less spread than it.
    const hits = truth().reduce((sum, p) => sum + p, 0);
    const usual = (metres: number) => is.reduce((sum, s) => sum + within(s.edge / metres), 0);
    if (usual(estimate.low) >= hits && usual(estimate.high) <= hits) inside++;
  }
  const { way, end, noise } = sums;
  return {
    inside: inside / of.children,
    onTheWay: of.weeks > 1 ? 1 - way.ours / way.guess : 0,
    atTheEnd: 1 - end.ours / end.guess,
    skill: 1 - (noise + end.ours) / (noise + end.guess),
    ceiling: 1 - noise / (noise + end.guess),
    off: bins
      .filter((bin) => bin.n >= of.children / 4)
      .map((bin) => (bin.true_ - bin.forecast) / bin.n)
      .reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a), 0),
  };
}
