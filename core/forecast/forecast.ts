import type { PlayerModel } from "../aim/player.ts";
import { type Policy, type Scene, type SendChances, sendChances } from "../aim/send-chances.ts";
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

/** Exact while no more states than this are met, and no more cells of time; else sampled. */
export const STATE_CAP = 20_000;
const CELL_CAP = 20_000_000;
/** Chance left in games still going when the expansion stops. */
const LEFT_OVER = 1e-11;
const MOST_PLIES = 5000;
/** Sampled games: a standard error of 0.8 points or better on any chance. */
const SAMPLES = 4000;

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
  /** States already expanded for the same pattern, parameters and setup: several children share one. */
  graph?: Graph;
}

export interface SideForecast {
  players: readonly number[];
  sends: Distribution;
  points: Distribution;
  stage: Distribution;
  /** Chance to reach the top, the total or the end. */
  finish: number;
  /** Chance to win, a tie shared; null where nobody wins. */
  win: number | null;
}
export interface Forecast {
  method: "exact" | "sampled";
  policy: Policy;
  /** Largest standard error of any chance; 0 when exact. */
  standardError: number;
  /** States met, or games sampled. */
  size: number;
  /** Chance of games cut off before their end. */
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

function stepTo(pattern: AnyPattern, from: BaseState, body: Body, at: number): Step {
  const state = take(pattern, from, body, at);
  const ended = pattern.ending(state) !== null;
  return { key: ended ? "" : pattern.key(state), state, ended };
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
      return [{ index: 0, body: next.event, spent: sureTime(next, this.input.players[0]!), share: 1 }];
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
        aimed === null ? (chances[ref] ?? 0) : ref === aimed ? (chances[send.from] ?? chances[ref] ?? 0) : 0,
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

function mapAt(list: Map<number, number>[], i: number): Map<number, number> {
  const m = list[i] ?? new Map<number, number>();
  list[i] = m;
  return m;
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
  sidesOf: (readonly number[])[] = [];
  ended = 0;

  spend(s: Spent, p: number): void {
    this.spent.acting += s.acting * p;
    this.spent.fetching += s.fetching * p;
    this.spent.waiting += s.waiting * p;
  }

  end(pattern: AnyPattern, state: BaseState, p: number): void {
    const put = (m: Map<number, number>, v: number) => m.set(v, (m.get(v) ?? 0) + p);
    const winners = pattern.ending(state)!.winners;
    const tallies = pattern.tally(state);
    this.sidesOf = pattern.score(state).map((s) => s.players);
    tallies.forEach((t, i) => {
      put(mapAt(this.sends, i), t.sends);
      put(mapAt(this.points, i), t.points);
      put(mapAt(this.stage, i), t.stage);
      this.finish[i] = (this.finish[i] ?? 0) + (t.finished ? p : 0);
      this.win[i] = (this.win[i] ?? 0) + (winners.includes(i) ? p / winners.length : 0);
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

  result(input: ForecastInput, book: Book, method: "exact" | "sampled", size: number): Forecast {
    const { acting, fetching, waiting } = this.spent;
    const all = acting + fetching + waiting || 1;
    const each = input.setup.players;
    const contest = input.setup.mode === "against" && this.finish.length > 1;
    const whole = this.ended || 1;
    const clock = this.clockScore(input, book);
    return {
      method,
      policy: input.policy,
      standardError: method === "exact" ? 0 : 0.5 / Math.sqrt(size),
      size,
      cut: Math.max(0, 1 - this.ended),
      sides: this.finish.map((f, i) => ({
        players: this.sidesOf[i]!,
        sends: distribution(this.sends[i]!),
        points: clock ?? distribution(this.points[i]!),
        stage: distribution(this.stage[i]!),
        finish: f / whole,
        win: contest ? this.win[i]! / whole : null,
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
    throw new RangeError(`more than ${input.stateCap ?? STATE_CAP} states: this game can only be sampled`);
  return sample(input);
}

function expand(input: ForecastInput): Forecast | null {
  const { pattern } = input;
  const cap = input.stateCap ?? STATE_CAP;
  const timed = pattern.timed(input.params, input.setup);
  const graph = timed ? null : (input.graph ?? new Graph());
  const book = new Book(input);
  const sums = new Sums();
  const first = pattern.start(input.params, input.setup);
  let front = new Map<string, Node>([
    [pattern.key(first), { state: first, p: 1, at: 0, times: new Times(0, Float64Array.of(1)) }],
  ]);
  let met = 1;
  let cells = 0;
  for (let ply = 0; ply < MOST_PLIES && front.size > 0; ply++) {
    const following = new Map<string, Node>();
    for (const [key, node] of front) {
      const next = graph ? graph.next(pattern, key, node.state) : pattern.next(node.state)!;
      for (const way of waysFrom(pattern, book.ways(next), node.state, node.at)) {
        const takes = total(way.spent);
        const to = graph
          ? graph.step(pattern, key, node.state, way.index, way.body)
          : stepTo(pattern, node.state, way.body, node.at + takes);
        const p = node.p * way.share;
        sums.spend(way.spent, p);
        cells += node.times.mass.length;
        if (to.ended) {
          sums.end(pattern, to.state, p);
          sums.last(node.times, takes, way.share);
          continue;
        }
        const known = following.get(to.key);
        const times = Times.add(known?.times, node.times, takes, way.share);
        if (known) known.p += p;
        else {
          met++;
          following.set(to.key, { state: to.state, p, at: node.at + takes, times });
        }
      }
    }
    if (met > cap || cells > CELL_CAP) return null;
    let left = 0;
    for (const n of following.values()) left += n.p;
    if (left < LEFT_OVER) break;
    front = following;
  }
  return sums.result(input, book, "exact", met);
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

function sample(input: ForecastInput): Forecast {
  const { pattern } = input;
  const games = input.samples ?? SAMPLES;
  const book = new Book(input);
  const sums = new Sums();
  const draw = random(input.setup.seed);
  const one = new Times(0, Float64Array.of(1));
  for (let g = 0; g < games; g++) {
    let state = pattern.start(input.params, input.setup);
    let at = 0;
    let over = false;
    for (let ply = 0; ply < MOST_PLIES && !over; ply++) {
      const ways = waysFrom(pattern, book.ways(pattern.next(state)!), state, at);
      let u = draw();
      let way = ways[ways.length - 1]!;
      for (const w of ways) {
        if (u < w.share) {
          way = w;
          break;
        }
        u -= w.share;
      }
      at += total(way.spent);
      sums.spend(way.spent, 1 / games);
      state = take(pattern, state, way.body, at);
      over = pattern.ending(state) !== null;
    }
    if (!over) continue;
    sums.end(pattern, state, 1 / games);
    sums.last(one, at, 1 / games);
  }
  return sums.result(input, book, "sampled", games);
}
