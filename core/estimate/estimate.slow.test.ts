import { describe, expect, it } from "vitest";
import { mainAsks } from "../asks/ask.ts";
import { isRefusal, type Setup } from "../contract/contract.ts";
import { rates } from "../forecast/for-activity.ts";
import { fromPattern, gameSettingsOf } from "../formats/activity.ts";
import { patternNames } from "../patterns/registry.ts";
import { random } from "../random.ts";
import { take } from "../referee/playing.test-utils.ts";
import { bodiesOf, openPlay, type Play, referee, view } from "../referee/referee.ts";
import { evidenceOf } from "./evidence.ts";
import { evidenceOfScore } from "./from-score.ts";
import { AT, POINTS } from "./grid.ts";
import { estimateOf, posterior, unsteady } from "./posterior.ts";

const ALONE: Setup = { players: 1, mode: "alone", seed: 1 };
const opened = (name: (typeof patternNames)[number], setup = ALONE) =>
  openPlay(gameSettingsOf(fromPattern(name)), setup);
const of = (play: Play, name: (typeof patternNames)[number]) => evidenceOf(fromPattern(name), play, 8);

describe("what tries say", () => {
  it("is the chance of just what was seen: a hit and a miss at the first target of a Climb", () => {
    const activity = fromPattern("climb");
    const play = take(opened("climb"), { kind: "send", hit: "t1" }, { kind: "send", hit: null });
    const [evidence] = of(play, "climb");
    expect([evidence!.action, evidence!.axis, evidence!.tries]).toEqual([activity.aim.action, "spread", 2]);
    const i = 20;
    const who = { age: 8, multiplier: Math.exp(AT.spread[i]!) };
    const hit = rates(activity, who).get("t1")!;
    // The second one was a miss of all that stands there.
    const alone = take(opened("climb"), { kind: "send", hit: "t1" });
    expect(of(alone, "climb")[0]!.ll[i]).toBeCloseTo(Math.log(0.99 * hit + 0.01 / 5), 1);
    expect(evidence!.ll[i]! - of(alone, "climb")[0]!.ll[i]!).toBeLessThan(0);
  });
  it("hits make a child surer, misses wilder; a foot over the line says nothing; what is taken back is gone", () => {
    const start = opened("climb");
    const middle = (play: Play) =>
      estimateOf(
        posterior(
          "spread",
          8,
          of(play, "climb").map((evidence) => ({ week: 0, ll: evidence.ll })),
        ),
      ).middle;
    const none = middle(start);
    expect(none).toBeCloseTo(1, 1);
    const missed = take(start, ...Array(6).fill({ kind: "send", hit: null }));
    expect(middle(missed)).toBeGreaterThan(none * 1.1);
    expect(middle(take(start, { kind: "send", hit: "t1" }, { kind: "send", hit: "t2" }))).toBeLessThan(none);
    expect(of(take(start, { kind: "send", hit: null, foot: true }), "climb")).toEqual([]);
    expect(of(take(missed, ...Array(6).fill({ kind: "undo" })), "climb")).toEqual([]);
  });
  it("what is seen ten times says ten times as much, in whichever go; other goes of the document change nothing", () => {
    const activity = fromPattern("tally");
    const go = (count: number) =>
      take(openPlay(gameSettingsOf(activity), ALONE), { kind: "ready" }, ...Array(count).fill({ kind: "count", n: 1 }));
    const [once] = evidenceOf(activity, go(1), 8);
    const [often] = evidenceOf(activity, go(10), 8);
    const [fresh] = evidenceOf({ ...activity }, go(10), 8);
    expect([once!.tries, often!.tries]).toEqual([1, 10]);
    for (const i of AT.skill.keys()) expect(often!.ll[i]).toBeCloseTo(10 * once!.ll[i]!, 9);
    expect(often).toEqual(fresh);
    // Another age is another child.
    expect(evidenceOf(activity, go(1), 11)[0]!.ll).not.toEqual(once!.ll);
  });
  it("only the child's own: of two that take turns every second send", () => {
    const play = take(
      opened("climb", { players: 2, mode: "turns", seed: 1 }),
      ...Array(6).fill({ kind: "send", hit: null }),
    );
    expect(of(play, "climb")[0]!.tries).toBe(3);
  });
  it("a run is so many that came off; one that the bell cut off has no drop in it", () => {
    const begin = opened("streak");
    const run = take(begin, { kind: "count", n: 5 });
    const dropped = take(begin, { kind: "count", n: 5, drop: true });
    const [evidence, b] = [of(run, "streak")[0]!, of(dropped, "streak")[0]!];
    expect([evidence.axis, evidence.tries, b.tries]).toEqual(["skill", 5, 6]);
    // Without the drop more skill is always likelier; with it there is a best.
    expect(evidence.ll.indexOf(Math.max(...evidence.ll))).toBe(POINTS - 1);
    expect(b.ll.indexOf(Math.max(...b.ll))).toBeLessThan(POINTS - 1);
  });
  it.each(patternNames)(
    "%s: whatever is seen of a go alone, the evidence is finite, and there is some where something is sent or kept up",
    (name) => {
      let play = opened(name);
      let seen = 0;
      const next = random(7);
      for (let i = 0; i < 60 && !view(play).done; i++) {
        const now = view(play);
        const bodies = mainAsks(now.asks).flatMap(bodiesOf);
        const body = bodies[Math.floor(next() * bodies.length)];
        if (!body) break;
        const after = referee(play, { ...body, at: i * 400 } as never);
        if (isRefusal(after)) continue;
        if (["send", "count"].includes(body.kind)) seen++;
        play = after;
      }
      const all = of(play, name);
      for (const evidence of all) for (const x of evidence.ll) expect(Number.isFinite(x)).toBe(true);
      if (seen > 3 && !["bases", "goals", "swapSquare"].includes(name)) expect(all.length, name).toBeGreaterThan(0);
    },
  );
  it("a score alone moves the estimate the same way as the sends it came of, less surely", () => {
    const activity = fromPattern("climb");
    const score = (value: number, stage: number, finished: boolean) =>
      ({ value, unit: "points", finished, stage, stages: 5, sends: 16 }) as never;
    const middle = (s: never) =>
      estimateOf(
        posterior(
          "spread",
          8,
          evidenceOfScore(activity, 8, s).map((evidence) => ({ week: 0, ll: evidence.ll })),
        ),
      ).middle;
    expect(middle(score(5, 1, false))).toBeGreaterThan(middle(score(14, 4, false)));
  });
});

describe("the posterior", () => {
  const law = (x: number, sd: number) => AT.spread.map((g) => -((g - x) ** 2) / (2 * sd * sd));
  it("of a normal law about the prior is the normal law of the textbook", () => {
    const estimate = estimateOf(posterior("spread", 8, [{ week: 3, ll: law(Math.log(0.7), 0.2) }]));
    const weight = 1 / (1 / 0.35 ** 2 + 1 / 0.2 ** 2);
    const metres = weight * (Math.log(0.7) / 0.2 ** 2);
    expect(Math.log(estimate.middle)).toBeCloseTo(metres, 2);
    expect(Math.log(estimate.high / estimate.low) / 2 / 1.281552).toBeCloseTo(Math.sqrt(weight), 2);
  });
  it("in the order of the weeks, whatever order they come in; what is long ago counts less", () => {
    const goes = [
      { week: 0, ll: law(-0.5, 0.1) },
      { week: 30, ll: law(0.3, 0.1) },
    ];
    const one = estimateOf(posterior("spread", 8, goes));
    expect(estimateOf(posterior("spread", 8, [...goes].reverse()))).toEqual(one);
    expect(Math.log(one.middle)).toBeGreaterThan(0.1);
    const later = estimateOf(posterior("spread", 8, goes, 80));
    expect(later.high / later.low).toBeGreaterThan(one.high / one.low);
  });
  it("contradictory days leave a wide interval; days that agree leave it as it is", () => {
    const rate = AT.spread.map((x) => 0.2 + 0.6 / (1 + Math.exp(2 * x)));
    const week = (hits: number, misses: number) => rate.map((p) => hits * Math.log(p) + misses * Math.log(1 - p));
    const of = (weeks: number[][]) => {
      const estimate = estimateOf(
        posterior(
          "spread",
          8,
          weeks.map((ll, i) => ({ week: i, ll })),
        ),
      );
      return Math.log(estimate.high / estimate.low);
    };
    const twenty = Array.from({ length: 20 }, (_, i) => i);
    // All hits one week, all misses the next, and the same hits and misses mixed.
    const against = of(twenty.map((i) => (i % 2 === 0 ? week(20, 0) : week(0, 20))));
    const steady = of(twenty.map(() => week(10, 10)));
    const prior = of([week(0, 0)]);
    expect(against).toBeGreaterThan(2 * steady);
    expect(against).toBeGreaterThan(0.6 * prior);
    expect(unsteady(twenty.map((i) => [i, week(10, 10)] as const))).toBe(1);
    // Chance alone seldom looks like it.
    const next = random(3);
    const drawn = Array.from({ length: 200 }, () =>
      unsteady(
        twenty.map((i) => {
          let hits = 0;
          for (let k = 0; k < 20; k++) if (next() < 0.5) hits++;
          return [i, week(hits, 20 - hits)] as const;
        }),
      ),
    );
    expect(drawn.filter((x) => x > 1.6).length).toBeLessThan(10);
  });
  it("goes of one week are one go, whatever their order", () => {
    const [a, b, c] = [law(-0.5, 0.3), law(0.2, 0.4), law(0, 0.5)];
    const whole = a.map((x, i) => x + b[i]! + c[i]!);
    const [one, three] = [[whole], [c, a, b]].map((all) =>
      posterior(
        "spread",
        8,
        all.map((ll) => ({ week: 2, ll })),
      ),
    );
    for (const [i, chance] of one!.shares.entries()) expect(three!.shares[i]).toBeCloseTo(chance, 12);
  });
  it("holds 80 % of children drawn from the prior, whatever the number of tries", () => {
    const next = random(11);
    const gauss = () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());
    const activity = fromPattern("climb");
    const tables = AT.spread.map((x) => rates(activity, { age: 8, multiplier: Math.exp(x) }));
    const ids = ["t1", "t2", "t3", "t4"];
    for (const tries of [5, 20, 100]) {
      let inside = 0;
      const children = 400;
      for (let c = 0; c < children; c++) {
        const truth = Math.exp(0.35 * gauss());
        const true_ = rates(activity, { age: 8, multiplier: truth });
        const ll = AT.spread.map(() => 0);
        for (let i = 0; i < tries; i++) {
          const id = ids[i % ids.length]!;
          const hit = next() < true_.get(id)!;
          for (const [k, table] of tables.entries()) {
            const chance = Math.min(1 - 1e-6, Math.max(1e-6, table.get(id)!));
            ll[k]! += Math.log(hit ? chance : 1 - chance);
          }
        }
        const estimate = estimateOf(posterior("spread", 8, [{ week: 0, ll }]));
        if (truth >= estimate.low && truth <= estimate.high) inside++;
      }
      // Four standard errors of so few children; the whole figure is measured by the bench.
      expect(Math.abs(inside / children - 0.8), `${tries} tries`).toBeLessThan(0.08);
    }
  });
});
