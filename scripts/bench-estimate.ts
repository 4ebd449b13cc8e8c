import { mainAsks } from "../core/asks/ask.ts";
import { isRefusal } from "../core/contract/contract.ts";
import { evidenceOf } from "../core/estimate/evidence.ts";
import { AT } from "../core/estimate/grid.ts";
import { KINDS, madeUp } from "../core/estimate/made-up.test-utils.ts";
import { estimateOf, posterior } from "../core/estimate/posterior.ts";
import { rates } from "../core/forecast/for-activity.ts";
import { fromPattern, gameSettingsOf } from "../core/formats/activity.ts";
import { levelsNext, nextWeek } from "../core/levels/next-week.ts";
import { normalDraw, random } from "../core/random.ts";
import { openPlay, type Play, referee, view } from "../core/referee/referee.ts";

/**
 * How often the 80 % interval contains the true value, how far ahead forecasts reach and how often they come true,
 * for children simulated in five ways. Also the time for a class of 30, and for next week's proposals for ten
 * thousand children. Prints JSON.
 */
const CHILDREN = 2000;
/** Attempts per week and weeks for which coverage is measured. */
const PLAYED = [
  [20, 1],
  [100, 1],
  [20, 8],
] as const;
const activity = fromPattern("climb");
const IDS = ["t1", "t2", "t3", "t4"];
const clip = (chance: number) => Math.min(1 - 1e-6, Math.max(1e-6, chance));

// A class of 30 with 200 attempts each at five settings, both as counts of hits and as goes as they are handed in.
// The time to compute the tables of rates is included.
const draw = random(3);
const settings = [...IDS, "t5"];
const TRIES = 200;
/** How often each is measured. The quickest time counts, because the others waited for the machine. */
const ROUNDS = 9;
const quickest = (of: () => void) => {
  const times = Array.from({ length: ROUNDS }, () => {
    const start = performance.now();
    of();
    return performance.now() - start;
  });
  return { best: Math.min(...times), first: times[0]! };
};
/** A new document each time, so that nothing is cached for it. */
const fresh = () => ({ ...activity });

const class30 = Array.from({ length: 30 }, () => settings.map(() => [Math.floor(40 * draw()), 40] as const));
const byCounts = quickest(() => {
  const is = fresh();
  const laid = AT.spread.map((x) => rates(is, { age: 7, multiplier: Math.exp(x) }));
  const logs = laid.map((r) =>
    settings.map((id) => [Math.log(clip(r.get(id)!)), Math.log(1 - clip(r.get(id)!))] as const),
  );
  for (const hits of class30) {
    const ll = logs.map((at) =>
      hits.reduce((sum, [height, n], s) => sum + height * at[s]![0] + (n - height) * at[s]![1], 0),
    );
    estimateOf(posterior("spread", 7, [{ week: 0, ll }]));
  }
});

/** Goes of one player with this many attempts in all, who hits whatever is asked for 6 times out of 10. */
function goesOf(): Play[] {
  const goes: Play[] = [];
  for (let sent = 0; sent < TRIES; ) {
    let play = openPlay(gameSettingsOf(activity), { players: 1, mode: "alone", seed: 1 });
    while (!view(play).done && sent < TRIES) {
      const ask = mainAsks(view(play).asks).find((mainAsk) => mainAsk.kind === "send")!;
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
const many = (count: number) =>
  Array.from({ length: count }, (_, i) => ({
    who: { age: 6 + (i % 6), multiplier: Math.round(20 * Math.exp(0.35 * normalDraw(draw))) / 20 },
    level: i % 5,
    goes: [{ hits: i % 11, sends: 10 }],
  }));
const timed = (count: number) => {
  const list = many(count);
  const t = performance.now();
  nextWeek(board, levels, list);
  return performance.now() - t;
};

const percent = (share: number) => `${(100 * share).toFixed(1)} %`;
process.stdout.write(
  JSON.stringify([
    ...KINDS.flatMap((kind) => {
      const did = PLAYED.map(([tries, weeks]) => madeUp(kind, { children: CHILDREN, tries, weeks }));
      const last = did[did.length - 1]!;
      return [
        {
          what: `80 % interval holds the truth, ${kind}: ${PLAYED.map(([n, w]) => `${n * w} tries in ${w} weeks`).join(", ")}`,
          goal: kind === "learning" ? "(reported)" : "80 ± 3 %",
          measured: [did.map((eachDid) => percent(eachDid.inside)).join(", ")],
        },
        {
          what: `forecasts, ${kind}: of what is possible on the way and after eight weeks; farthest off`,
          goal: "85 % after eight weeks; 3 points",
          measured: [`${percent(last.onTheWay)}, ${percent(last.atTheEnd)}; ${(100 * last.off).toFixed(1)} points`],
        },
      ];
    }),
    { what: "a class of 30, 200 tries each at five settings", goal: "50 ms", measured: [took(byCounts)] },
    { what: "the same, every send of their goes", goal: "(reported)", measured: [took(byGoes)] },
    ...[1000, 10_000].map((n) => ({
      what: `next week for ${n} children`,
      goal: "10 s for 10,000",
      measured: [`${timed(n).toFixed(0)} ms`],
    })),
  ]),
);
