import type { PlayerModel } from "../aim/player.ts";
import { type Policy, type Scene, type SendChances, sendChances } from "../aim/send-chances.ts";
import { own } from "../own.ts";
import {
  type BaseState,
  type Body,
  isRefusal,
  type NextSend,
  type NextSure,
  type Setup,
} from "../patterns/contract.ts";
import type { AnyPattern } from "../patterns/registry.ts";
import type { GameEvent } from "../records/events.ts";
import { QUANTUM_MS, type Spent, sendTime, sureTime, total } from "./clock.ts";
import { type Distribution, distribution } from "./distribution.ts";
import { random } from "./random.ts";

/** Exact while no more states than this are met; else sampled. */
export const STATE_CAP = 20_000;
/** Without a cap of its own a game is followed until less than this of all plays is left. */
const LEFT_OVER = 1e-12;
/** Longest sampled game, in events; one that goes on is cut off, and counted as such. */
const MOST_PLIES = 5000;
/** Games that make the standard error of any chance 0.8 points or better. */
const SAMPLES = 4000;
/**
 * What a forecast may cost, in steps: the same on every machine, and so the same answer. A way looked at is one step, and so are so many
 * cells of time.
 */
const EXACT_BUDGET = 30_000;
const CELLS_A_STEP = 120;
const SAMPLE_BUDGET = 88_000;
/** A step from a state that was met before costs so much less. */
const KNOWN_STEP = 0.1;
/** States that a sampler keeps to meet them again; where after so many steps too few were met again, none are kept any more. */
const KEPT_STATES = 40_000;
const TRIAL_STEPS = 3000;
const LEAST_MET_AGAIN = 0.4;

export interface ForecastInput {
  pattern: AnyPattern;
  params: unknown;
  setup: Setup;
  scene: Scene;
  /** One model a player. */
  players: readonly PlayerModel[];
  policy: Policy;
  /** Chances by target or zone that replace the computed ones (for checking by hand); the rest goes to `none`, or `short`. */
  chances?: Readonly<Record<string, number>>;
  method?: "auto" | "exact" | "sampled";
  samples?: number;
  stateCap?: number;
  /** Asked now and then; once it says true, `ForecastStopped` is thrown. */
  stop?: () => boolean;
  /** States already expanded for the same pattern, parameters and setup: several children share one. */
  graph?: Graph;
}

export interface SideForecast {
  players: readonly number[];
  sends: Distribution;
  points: Distribution;
  stage: Distribution;
  /** Chance to reach the top, the total or the end; over all plays, those cut off included. */
  finish: number;
  /** Chance to win, a tie shared, over all plays; null where nobody wins. */
  win: number | null;
}

/** A caller wanted no answer any more. */
export class ForecastStopped extends Error {}

export interface Forecast {
  method: "exact" | "sampled";
  policy: Policy;
  /** Largest standard error of any chance; 0 when exact. */
  standardError: number;
  /** States met, or games sampled. */
  size: number;
  /** What ended the sampling: enough games for the standard error that was meant, or the budget of steps; `end` when exact. */
  stoppedBy: "end" | "standardError" | "budget";
  /** Chance of games cut off before their end: an outcome of its own. Every distribution sums to what is left of 1. */
  cut: number;
  sides: SideForecast[];
  rounds: Distribution;
  /** Tenths of a second. */
  time: Distribution;
  /** Shares of one player's time, summing to 1. */
  share: { acting: number; fetching: number; waiting: number };
}

/** What one event leads to: the next state's key, or the end. */
interface Step {
  key: string;
  state: BaseState;
  ended: boolean;
}

/**
 * The states of one game and where each event leads. Who plays changes the chances, never the states, so one graph serves
 * every child, as long as elapsed time changes nothing.
 */
export class Graph {
  private readonly steps = new Map<string, (Step | undefined)[]>();
  private readonly nexts = new Map<string, NextSend | NextSure>();

  get size(): number {
    return this.steps.size;
  }
  has(key: string): boolean {
    return this.steps.has(key);
  }

  next(pattern: AnyPattern, key: string, state: BaseState): NextSend | NextSure {
    let n = this.nexts.get(key);
    if (!n) {
      n = pattern.next(state)!;
      this.nexts.set(key, n);
    }
    return n;
  }

  step(pattern: AnyPattern, key: string, state: BaseState, way: number, body: Body): Step {
    let row = this.steps.get(key);
    if (!row) {
      row = [];
      this.steps.set(key, row);
    }
    row[way] ??= stepTo(pattern, state, body, 0);
    return row[way];
  }
}

function stepTo(pattern: AnyPattern, from: BaseState, body: Body, at: number, keyed = true): Step {
  const state = take(pattern, from, body, at);
  const ended = pattern.ending(state) !== null;
  return { key: ended || !keyed ? "" : pattern.key(state), state, ended };
}

/** One way on: what happens, the time it takes, its chance. */
interface Way {
  /** Place among the branches. */
  index: number;
  body: Body;
  spent: Spent;
  share: number;
}

/** The ways on from each kind of send, worked out once per player. */
class Book {
  private readonly known = new Map<string, readonly Way[]>();
  constructor(private readonly input: ForecastInput) {}

  ways(next: NextSend | NextSure): readonly Way[] {
    if (!("branches" in next))
      return [{ index: 0, body: next.event, spent: sureTime(next, this.input.players), share: 1 }];
    let id = `${next.player} ${next.from} ${next.shot.kind === "target" ? next.shot.target : ""} ${next.fetch}`;
    for (const b of next.branches) id += ` ${b.worth}`;
    let found = this.known.get(id);
    if (!found) {
      const { byRef, aim } = this.chances(next);
      const player = this.input.players[next.player]!;
      found = next.branches.flatMap(({ event, ref }, index): Way[] => {
        const share = byRef.get(ref) ?? 0;
        return share > 0
          ? [{ index, body: event, spent: sendTime(next, ref, aim.distance, this.input.scene.parts, player), share }]
          : [];
      });
      this.known.set(id, found);
    }
    return found;
  }

  private chances(send: NextSend): SendChances {
    const { scene, players, policy, chances } = this.input;
    const real = sendChances(send, scene, players[send.player]!, policy);
    if (!chances) return real;
    const aimed = send.shot.kind === "target" ? send.shot.target : null;
    const rest = aimed === null ? "short" : "none";
    const byRef = new Map<string, number>();
    for (const { ref } of send.branches)
      byRef.set(
        ref,
        aimed === null
          ? (own(chances, ref) ?? 0)
          : ref === aimed
            ? (own(chances, send.from) ?? own(chances, ref) ?? 0)
            : 0,
      );
    const given = [...byRef.values()].reduce((a, p) => a + p, 0);
    byRef.set(rest, (byRef.get(rest) ?? 0) + Math.max(0, 1 - given));
    return { byRef, aim: real.aim };
  }
}

const dated = (body: Body, quanta: number) => ({ ...body, at: quanta * QUANTUM_MS }) as GameEvent;

/** Chance mass over elapsed quanta. */
class Times {
  constructor(
    public first: number,
    public mass: Float64Array,
  ) {}

  static add(into: Times | undefined, from: Times, shift: number, share: number): Times {
    const first = from.first + shift;
    if (!into) {
      const mass = new Float64Array(from.mass.length);
      for (let i = 0; i < mass.length; i++) mass[i] = from.mass[i]! * share;
      return new Times(first, mass);
    }
    const lo = Math.min(into.first, first);
    const hi = Math.max(into.first + into.mass.length, first + from.mass.length);
    if (lo !== into.first || hi - lo !== into.mass.length) {
      const wider = new Float64Array(hi - lo);
      wider.set(into.mass, into.first - lo);
      into.first = lo;
      into.mass = wider;
    }
    const off = first - lo;
    for (let i = 0; i < from.mass.length; i++) into.mass[off + i] = into.mass[off + i]! + from.mass[i]! * share;
    return into;
  }
}

interface Node {
  state: BaseState;
  p: number;
  at: number;
  times: Times;
}

class Sums {
  readonly sends: Map<number, number>[] = [];
  readonly points: Map<number, number>[] = [];
  readonly stage: Map<number, number>[] = [];
  readonly finish: number[] = [];
  readonly win: number[] = [];
  readonly rounds = new Map<number, number>();
  readonly time = new Map<number, number>();
  readonly spent: Spent = { acting: 0, fetching: 0, waiting: 0 };
  readonly sidesOf: (readonly number[])[];
  ended = 0;

  /** Sides are those of the game, whether anybody ever comes to its end or not. */
  constructor(first: { pattern: AnyPattern; state: BaseState }) {
    this.sidesOf = first.pattern.score(first.state).map((s) => s.players);
    for (const i of this.sidesOf.keys()) {
      this.sends[i] = new Map();
      this.points[i] = new Map();
      this.stage[i] = new Map();
      this.finish[i] = 0;
      this.win[i] = 0;
    }
  }

  spend(s: Spent, p: number): void {
    this.spent.acting += s.acting * p;
    this.spent.fetching += s.fetching * p;
    this.spent.waiting += s.waiting * p;
  }

  end(pattern: AnyPattern, state: BaseState, p: number): void {
    const put = (m: Map<number, number>, v: number) => m.set(v, (m.get(v) ?? 0) + p);
    const winners = pattern.ending(state)!.winners;
    const tallies = pattern.tally(state);
    tallies.forEach((t, i) => {
      put(this.sends[i]!, t.sends);
      put(this.points[i]!, t.points);
      put(this.stage[i]!, t.stage);
      this.finish[i] = this.finish[i]! + (t.finished ? p : 0);
      this.win[i] = this.win[i]! + (winners.includes(i) ? p / winners.length : 0);
    });
    put(this.rounds, Math.max(...tallies.map((t) => t.rounds)));
    this.ended += p;
  }

  /** Mass of games that end `takes` quanta after `times`. */
  last(times: Times, takes: number, share: number): void {
    for (let i = 0; i < times.mass.length; i++) {
      const m = times.mass[i]! * share;
      const t = times.first + i + takes;
      if (m > 0) this.time.set(t, (this.time.get(t) ?? 0) + m);
    }
  }

  /** A score in time that was not part of the states is all the time spent after the start of the clock. */
  private clockScore(input: ForecastInput, book: Book): Distribution | null {
    const { pattern, params, setup } = input;
    const first = pattern.start(params, setup);
    if (pattern.timed(params, setup) || pattern.score(first)[0]!.unit !== "tenths") return null;
    const next = pattern.next(first)!;
    const ready = "branches" in next ? 0 : total(book.ways(next)[0]!.spent);
    const d = distribution(this.time);
    return { at: d.at.map((t) => t - ready), p: d.p };
  }

  result(input: ForecastInput, book: Book, size: number, stoppedBy: Forecast["stoppedBy"]): Forecast {
    const method = stoppedBy === "end" ? "exact" : "sampled";
    const { acting, fetching, waiting } = this.spent;
    const all = acting + fetching + waiting || 1;
    const each = input.setup.players;
    const contest = input.setup.mode === "against" && this.finish.length > 1;
    const clock = this.clockScore(input, book);
    return {
      method,
      policy: input.policy,
      standardError: method === "exact" ? 0 : 0.5 / Math.sqrt(size),
      size,
      stoppedBy,
      cut: this.ended > 1 - 1e-9 ? 0 : 1 - this.ended,
      sides: this.finish.map((f, i) => ({
        players: this.sidesOf[i]!,
        sends: distribution(this.sends[i]!),
        points: clock ?? distribution(this.points[i]!),
        stage: distribution(this.stage[i]!),
        finish: f,
        win: contest ? this.win[i]! : null,
      })),
      rounds: distribution(this.rounds),
      time: distribution(this.time),
      share: {
        acting: acting / all / each,
        fetching: fetching / all / each,
        waiting: 1 - (acting + fetching) / all / each,
      },
    };
  }
}

/**
 * What will happen: the pattern's own `step`, expanded with the chances of each outcome and merged by state. Exact while the
 * states stay under the cap, else seeded games with their standard error. Source: core model, "Forecast".
 */
export function forecast(input: ForecastInput): Forecast {
  const exact = input.method === "sampled" ? null : expand(input);
  if (exact) return exact;
  if (input.method === "exact")
    throw new RangeError(
      `method: more than ${input.stateCap ?? STATE_CAP} states, or ${EXACT_BUDGET} steps: this game can only be sampled`,
    );
  return sample(input);
}

function expand(input: ForecastInput): Forecast | null {
  const { pattern } = input;
  const cap = input.stateCap ?? STATE_CAP;
  const timed = pattern.timed(input.params, input.setup);
  const graph = timed ? null : (input.graph ?? new Graph());
  const book = new Book(input);
  const first = pattern.start(input.params, input.setup);
  const sums = new Sums({ pattern, state: first });
  let front = new Map<string, Node>([
    [pattern.key(first), { state: first, p: 1, at: 0, times: new Times(0, Float64Array.of(1)) }],
  ]);
  let met = 1;
  let cost = 0;
  while (front.size > 0) {
    const following = new Map<string, Node>();
    for (const [key, node] of front) {
      if (cost > EXACT_BUDGET) return null;
      if (input.stop?.()) throw new ForecastStopped();
      const next = graph ? graph.next(pattern, key, node.state) : pattern.next(node.state)!;
      for (const way of waysFrom(pattern, book.ways(next), node.state, node.at)) {
        const takes = total(way.spent);
        const to = graph
          ? graph.step(pattern, key, node.state, way.index, way.body)
          : stepTo(pattern, node.state, way.body, node.at + takes);
        const p = node.p * way.share;
        sums.spend(way.spent, p);
        cost += 1 + node.times.mass.length / CELLS_A_STEP;
        if (to.ended) {
          sums.end(pattern, to.state, p);
          sums.last(node.times, takes, way.share);
          continue;
        }
        const known = following.get(to.key);
        const times = Times.add(known?.times, node.times, takes, way.share);
        if (known) known.p += p;
        else {
          if (++met > cap) return null;
          following.set(to.key, { state: to.state, p, at: node.at + takes, times });
        }
      }
    }
    let left = 0;
    for (const n of following.values()) left += n.p;
    if (left < LEFT_OVER) break;
    front = following;
  }
  return sums.result(input, book, met, "end");
}

/** The ways on from a state, the bell taking the place of those it would come before. */
function waysFrom(pattern: AnyPattern, ways: readonly Way[], state: BaseState, at: number): readonly Way[] {
  const bell = pattern.due(state);
  if (bell === null) return ways;
  const left = Math.max(0, Math.ceil(bell / QUANTUM_MS) - at);
  return ways.map((w) =>
    total(w.spent) > left ? { ...w, body: { kind: "bell" }, spent: { acting: 0, fetching: 0, waiting: left } } : w,
  );
}

function take(pattern: AnyPattern, state: BaseState, body: Body, at: number): BaseState {
  const after = pattern.step(state, dated(body, at));
  if (isRefusal(after)) throw new Error(`forecast: the rules refused ${body.kind}: ${after.refused.key}`);
  return after;
}

/**
 * Seeded games one after the other, until their standard error is what was meant or the budget is spent. A game under way when it is spent is
 * cut off, as one that would not end is. Where time changes nothing, a state that was met before leads where it led.
 */
function sample(input: ForecastInput): Forecast {
  const { pattern } = input;
  const wanted = input.samples ?? SAMPLES;
  const budget = input.samples === undefined ? SAMPLE_BUDGET : Number.POSITIVE_INFINITY;
  const timed = pattern.timed(input.params, input.setup);
  const graph = timed ? null : (input.graph ?? new Graph());
  const book = new Book(input);
  const first = pattern.start(input.params, input.setup);
  const firstKey = graph ? pattern.key(first) : "";
  const counted: { end: BaseState | null; at: number; spent: Spent }[] = [];
  const draw = random(input.setup.seed);
  let cost = 0;
  let steps = 0;
  let again = 0;
  let keeping = graph !== null;
  while (counted.length < wanted && cost < budget) {
    let [state, key, at] = [first, firstKey, 0];
    const spent: Spent = { acting: 0, fetching: 0, waiting: 0 };
    let over = pattern.ending(state) !== null;
    for (let ply = 0; ply < MOST_PLIES && !over && cost < budget; ply++) {
      if (input.stop?.()) throw new ForecastStopped();
      if (++steps === TRIAL_STEPS && again < LEAST_MET_AGAIN * steps) keeping = false;
      const known = keeping && graph!.has(key);
      if (known) again++;
      const kept = known || (keeping && graph!.size < KEPT_STATES);
      cost += known ? KNOWN_STEP : 1;
      const next = kept ? graph!.next(pattern, key, state) : pattern.next(state)!;
      const way = drawn(waysFrom(pattern, book.ways(next), state, at), draw());
      at += total(way.spent);
      spent.acting += way.spent.acting;
      spent.fetching += way.spent.fetching;
      spent.waiting += way.spent.waiting;
      const to = kept
        ? graph!.step(pattern, key, state, way.index, way.body)
        : stepTo(pattern, state, way.body, graph ? 0 : at, keeping);
      ({ state, key, ended: over } = to);
    }
    counted.push({ end: over ? state : null, at, spent });
  }
  const sums = new Sums({ pattern, state: first });
  const one = new Times(0, Float64Array.of(1));
  for (const g of counted) {
    const p = 1 / counted.length;
    sums.spend(g.spent, p);
    if (!g.end) continue;
    sums.end(pattern, g.end, p);
    sums.last(one, g.at, p);
  }
  return sums.result(input, book, counted.length, counted.length >= wanted ? "standardError" : "budget");
}

/** The way that a number from 0 to 1 falls on. */
function drawn(ways: readonly Way[], at: number): Way {
  let u = at;
  for (const w of ways) {
    if (u < w.share) return w;
    u -= w.share;
  }
  return ways[ways.length - 1]!;
}
