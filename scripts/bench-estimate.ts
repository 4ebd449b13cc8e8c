import { mainAsks } from "../core/asks/ask.ts";
import { isRefusal } from "../core/contract/contract.ts";
import { evidenceOf } from "../core/estimate/evidence.ts";
import { AT, priorAt } from "../core/estimate/grid.ts";
import { DRIFT, estimateOf, posterior, type Told } from "../core/estimate/posterior.ts";
import { rates } from "../core/forecast/for-activity.ts";
import { fromPattern, gamePartOf } from "../core/formats/activity.ts";
import { levelsNext, nextWeek } from "../core/levels/next-week.ts";
import { normalDraw, random } from "../core/random.ts";
import { openPlay, type Play, referee, view } from "../core/referee/referee.ts";

/**
 * How often the 80 % interval holds the truth, for children whose multipliers are drawn from the prior: 5, 20 and 100 sends at the targets of
 * a Climb; with drift from week to week; with a pull to one side that the model does not know; with a child that logs only its hits. And how
 * long a class of 30 takes, and next week for ten thousand. Prints JSON.
 */
const CHILDREN = 2000;
const a = fromPattern("climb");
const IDS = ["t1", "t2", "t3", "t4"];
const clip = (p: number) => Math.min(1 - 1e-6, Math.max(1e-6, p));
const tables = AT.spread.map((x) => rates(a, { age: 8, multiplier: Math.exp(x) }));
const { middle, sd } = priorAt("spread", 8);

/** Sends in weeks of so many; `pull`: hits fall by so much in log-odds; `only`: misses are not told. */
function child(draw: () => number, tries: number, more: { weeks?: number; pull?: number; only?: boolean } = {}) {
  const { weeks = 1, pull = 0, only = false } = more;
  let x = middle + sd * normalDraw(draw);
  const goes: Told[] = [];
  for (let week = 0; week < weeks; week++) {
    if (week > 0) x += DRIFT.spread * normalDraw(draw);
    const is = rates(a, { age: 8, multiplier: Math.exp(x) });
    const ll = AT.spread.map(() => 0);
    for (let i = 0; i < tries / weeks; i++) {
      const id = IDS[i % IDS.length]!;
      const p = clip(is.get(id)!);
      const hit = draw() < 1 / (1 + Math.exp(-(Math.log(p / (1 - p)) - pull)));
      if (!hit && only) continue;
      for (const [k, t] of tables.entries()) ll[k]! += Math.log(hit ? clip(t.get(id)!) : 1 - clip(t.get(id)!));
    }
    goes.push({ week, ll });
  }
  return { truth: Math.exp(x), e: estimateOf(posterior("spread", 8, goes)) };
}
function coverage(tries: number, more?: Parameters<typeof child>[2]) {
  const draw = random(tries * 31 + (more?.weeks ?? 1));
  let inside = 0;
  let ratio = 0;
  for (let i = 0; i < CHILDREN; i++) {
    const { truth, e } = child(draw, tries, more);
    if (truth >= e.low && truth <= e.high) inside++;
    ratio += Math.log(e.middle / truth);
  }
  return { inside: (100 * inside) / CHILDREN, middleTimes: Math.exp(ratio / CHILDREN) };
}

// A class of 30 with 200 tries each at five settings: the tables of rates are counted. As counts of hits, and as goes as they are handed in.
const draw = random(3);
const settings = [...IDS, "t5"];
const TRIES = 200;
/** Times that each is measured; the quickest counts, the others waited for the machine. */
const ROUNDS = 9;
const quickest = (of: () => void) => {
  const times = Array.from({ length: ROUNDS }, () => {
    const start = performance.now();
    of();
    return performance.now() - start;
  });
  return { best: Math.min(...times), first: times[0]! };
};
/** A document of its own, so that nothing is known of it yet. */
const fresh = () => ({ ...a });

const class30 = Array.from({ length: 30 }, () => settings.map(() => [Math.floor(40 * draw()), 40] as const));
const byCounts = quickest(() => {
  const is = fresh();
  const laid = AT.spread.map((x) => rates(is, { age: 7, multiplier: Math.exp(x) }));
  const logs = laid.map((r) =>
    settings.map((id) => [Math.log(clip(r.get(id)!)), Math.log(1 - clip(r.get(id)!))] as const),
  );
  for (const hits of class30) {
    const ll = logs.map((at) => hits.reduce((sum, [h, n], s) => sum + h * at[s]![0] + (n - h) * at[s]![1], 0));
    estimateOf(posterior("spread", 7, [{ week: 0, ll }]));
  }
});

/** Goes alone till so many were sent, each hitting what was asked for in 6 of 10. */
function goesOf(): Play[] {
  const goes: Play[] = [];
  for (let sent = 0; sent < TRIES; ) {
    let play = openPlay(gamePartOf(a), { players: 1, mode: "alone", seed: 1 });
    while (!view(play).done && sent < TRIES) {
      const ask = mainAsks(view(play).asks).find((x) => x.kind === "send")!;
      const hit = draw() < 0.6 && "want" in ask.aim ? ask.aim.want[0]! : null;
      const next = referee(play, { kind: "send", hit, at: 0 });
      if (isRefusal(next)) throw new Error(`refused: ${JSON.stringify(next)}`);
      play = next;
      sent++;
    }
    goes.push(play);
  }
  return goes;
}
const handedIn = Array.from({ length: 30 }, goesOf);
const byGoes = quickest(() => {
  const is = fresh();
  for (const goes of handedIn) {
    const told = goes.flatMap((play) => evidenceOf(is, play, 7).map(({ ll }) => ({ week: 0, ll })));
    estimateOf(posterior("spread", 7, told));
  }
});
const took = ({ best, first }: typeof byGoes) => `${best.toFixed(0)} ms, the first time ${first.toFixed(0)}`;

const board = fromPattern("board");
const levels = levelsNext(board, { age: 7 });
const many = (n: number) =>
  Array.from({ length: n }, (_, i) => ({
    who: { age: 6 + (i % 6), multiplier: Math.round(20 * Math.exp(0.35 * normalDraw(draw))) / 20 },
    level: i % 5,
    goes: [{ hits: i % 11, sends: 10 }],
  }));
const timed = (n: number) => {
  const list = many(n);
  const t = performance.now();
  nextWeek(board, levels, list);
  return performance.now() - t;
};

const share = (c: { inside: number; middleTimes: number }) =>
  `${c.inside.toFixed(1)} % inside, middle ${c.middleTimes.toFixed(2)} of the truth`;
process.stdout.write(
  JSON.stringify([
    ...[5, 20, 100].map((n) => ({
      what: `80 % interval holds the truth, ${n} tries`,
      goal: "80 ± 2 %",
      measured: [share(coverage(n))],
    })),
    { what: "with drift, 96 tries in 8 weeks", goal: "80 ± 2 %", measured: [share(coverage(96, { weeks: 8 }))] },
    {
      what: "a child that misses by more than the model knows, 100 tries",
      goal: "(reported)",
      measured: [share(coverage(100, { pull: 0.5 }))],
    },
    {
      what: "a child that tells only its hits, 20 tries",
      goal: "(reported)",
      measured: [share(coverage(20, { only: true }))],
    },
    { what: "a class of 30, 200 tries each at five settings", goal: "50 ms", measured: [took(byCounts)] },
    { what: "the same, every send of their goes", goal: "(reported)", measured: [took(byGoes)] },
    ...[1000, 10_000].map((n) => ({
      what: `next week for ${n} children`,
      goal: "10 s for 10,000",
      measured: [`${timed(n).toFixed(0)} ms`],
    })),
  ]),
);
