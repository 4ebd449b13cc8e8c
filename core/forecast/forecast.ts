import type { Person } from "../aim/person.ts";
import { type Ask, type AskKind, type AskOf, mainAsks } from "../asks/ask.ts";
import type { Policy } from "../chances/kind.ts";
import { MAX_EXACT } from "../chances/knocks.ts";
import {
  type Cost,
  hasChances,
  optionsOf,
  type Play,
  QUANTUM_MS,
  total,
  type Way,
  waysFrom,
  worthOf,
} from "../chances/outcomes.ts";
import {
  type BaseState,
  type Counters,
  type Figure,
  isRefusal,
  type Progress,
  type Role,
  type Score,
  type Setup,
} from "../contract/contract.ts";
import type { Game } from "../contract/opened-game.ts";
import { asTheyPlay } from "../contract/people.ts";
import type { Body, GameEvent } from "../events/events.ts";
import { random } from "../random.ts";
import { rankOf } from "../records/rank.ts";
import type { Part } from "../yard/parts.ts";
import { type Distribution, distribution, raised } from "./distribution.ts";
import { atLeast, atMost, convolved, shareOfTies, shareOfWins } from "./join.ts";
import type { Choice, Forecast } from "./result.ts";
import { type Order, ordersOf, overStarts } from "./starters.ts";

/** A forecast is exact while it meets no more states than this. Above it, games are sampled. */
export const STATE_CAP = 20_000;
/** A game without a cap is followed until less than this share of all plays is left. */
const LEFT_OVER = 1e-12;
/** With counters, states that hold less than this share of all plays are left out. */
const NOTHING_MUCH = 1e-9;
/** A moment less likely than this counts as impossible. */
const TRIMMED = 1e-17;
/** The longest sampled game, in events. A longer one is cut off and counted as such. */
const MAX_PLIES = 5000;
/** So many games bring the standard error of any chance to 0.9 points or better. */
const SAMPLES = 3000;
/**
 * What a forecast may cost, in steps and not in seconds, so that every machine gives the same answer. Looking at one
 * way on costs one step, and so does a batch of time cells.
 */
const EXACT_BUDGET = 15_000;
/** Games without a cap last longer, so they get this much more. */
const UNCAPPED = 5;
const CELLS_A_STEP = 1000;
/**
 * The states still to come will cost at least this share of what the earlier ones did. If even that is too much, the
 * forecast gives up at once.
 */
const AT_LEAST = 0.5;
const SAMPLE_BUDGET = 88_000;
/**
 * What searching for the best choice over a whole go may cost, in steps. Beyond it, the player takes what is best for
 * the next send alone, and the forecast says so.
 */
const SOLVE_BUDGET = 60_000;
/**
 * The search looks at most this many events ahead, because a game without a cap has no last event to work back from.
 */
const MAX_AHEAD = 600;
/** The most things that are done before a clock starts. */
const MAX_BEFORE = 12;
/** The budget of a single game that somebody looks at. */
const DEAL_BUDGET = 100_000;
/** A step from a state that is known already costs this much of a new one. */
const KNOWN_STEP = 0.1;
/** The sampler asks after this many pairs whether it has enough. */
const PAIRS_A_LOOK = 10;
/**
 * A sampler keeps this many states in case it meets them again. If it has met too few of them after a number of
 * steps, it stops keeping any.
 */
const KEPT_STATES = 40_000;
const TRIAL_STEPS = 12_000;
const MIN_MET_AGAIN = 0.4;

export interface ForecastInput {
  game: Game;
  setup: Setup;
  parts: readonly Part[];
  /** One for each player. */
  people: readonly Person[];
  policy: Policy;
  /** Chances by name, in place of the computed ones. For checking by hand. */
  chances?: Readonly<Record<string, number>>;
  method?: "auto" | "exact" | "sampled";
  samples?: number;
  stateCap?: number;
  /** The steps that an exact forecast may cost. */
  exactBudget?: number;
  /** The steps that sampled games may cost. Left out, all the games that were asked for are played. */
  sampleBudget?: number;
  solveBudget?: number;
  /**
   * Leaves out times, which are then all 0, unless they decide something. This makes an exact forecast much cheaper.
   */
  untimed?: boolean;
  /**
   * Samples games in pairs, the second with the luck of the first turned round, until this returns true. For chances
   * to win.
   */
  enough?: (soFar: SoFar) => boolean;
  /** Shared by several forecasts of one game with the same people, who only play differently each time. */
  shared?: Shared;
  /** Asked now and then. Once it returns true, `ForecastStopped` is thrown. */
  stop?: () => boolean;
  /** The states that are known already for the same game and setup. Several children share one graph. */
  graph?: Graph;
  /** The first side starts. Left out, any side may start, and the figures are averages over that. */
  firstStarts?: boolean;
  /**
   * How each player plays (the other hand, a line of their own …), if the setup does not say so. It changes no state.
   */
  manners?: readonly Role[];
}

/** Each side's chance to win so far, with ties shared, and the largest standard error among them. */
export interface SoFar {
  wins: readonly number[];
  standardError: number;
}

/** Thrown when the caller no longer wants an answer. */
export class ForecastStopped extends Error {}

/** Where one event leads: the key of the next state, or the end. */
interface Step {
  key: string;
  state: BaseState;
  ended: boolean;
  /** How much the event added to each counter. */
  grown: readonly number[];
}
/** A way on. Its name and event are made when first asked for, because most ways are never taken. */
class NamedWay implements Way {
  readonly body: Body;
  readonly share: number;
  readonly spent: Cost;
  readonly released: number | null;
  readonly landed: number | null;
  /** True if an earlier way is the same event at another time. Following it costs nothing more. */
  repeats = false;
  private name: string | null = null;
  private happens: GameEvent | null = null;
  constructor(way: Way, spent: Cost = way.spent) {
    this.body = way.body;
    this.share = way.share;
    this.released = way.released;
    this.landed = way.landed;
    this.spent = spent;
  }
  get id(): string {
    this.name ??= JSON.stringify(this.body);
    return this.name;
  }
  /** The event at time 0, for games in which time changes nothing. */
  get event(): GameEvent {
    this.happens ??= { ...this.body, at: 0 } as GameEvent;
    return this.happens;
  }
}

/** Gives equal names to equal asks. An object that a pattern returns again and again is recognised by identity. */
class Names {
  private readonly ids = new WeakMap<Ask, string>();
  private readonly numbers = new WeakMap<object, number>();
  private readonly texts = new Map<string, number>();

  of(ask: Ask): string {
    let id = this.ids.get(ask) ?? "";
    if (id !== "") return id;
    for (const key in ask) {
      const v = (ask as unknown as Record<string, unknown>)[key];
      id += typeof v === "object" && v !== null ? `${key}#${this.numberOf(v)} ` : `${key} ${v} `;
    }
    this.ids.set(ask, id);
    return id;
  }
  private numberOf(o: object): number | string {
    const known = this.numbers.get(o);
    if (known !== undefined) return known;
    // Patterns often rebuild objects that hold only a few words and numbers.
    let flat = "";
    for (const key in o) {
      const v = (o as Record<string, unknown>)[key];
      if (typeof v === "object" && v !== null) {
        flat = "";
        break;
      }
      flat += `${key} ${v},`;
    }
    if (flat !== "") return flat;
    const text = JSON.stringify(o);
    const count = this.texts.get(text) ?? this.texts.size;
    this.texts.set(text, count);
    this.numbers.set(o, count);
    return count;
  }
}

/** The result of a game at its end. */
interface End {
  winners: readonly number[];
  reached: Progress[];
  scores: Score[];
}

/**
 * The states of one game, and where each event leads. Who plays changes the chances but never the states, so one
 * graph serves every child, as long as elapsed time changes nothing.
 */
export class Graph {
  readonly names = new Names();
  private readonly ends = new WeakMap<BaseState, End>();
  private readonly steps = new Map<string, Map<string, Step>>();
  private readonly asked = new Map<string, Ask[]>();
  /** True once the search for the best choices has cost too much. It is then never tried again. */
  beyond = false;

  get size(): number {
    return this.steps.size;
  }
  has(key: string): boolean {
    return this.steps.has(key);
  }
  knows(key: string, way: NamedWay): boolean {
    return this.steps.get(key)?.has(way.id) ?? false;
  }
  asks(game: Game, key: string, state: BaseState): Ask[] {
    let found = this.asked.get(key);
    if (!found) {
      found = game.asks(state);
      this.asked.set(key, found);
    }
    return found;
  }
  /** Many plays reach the same end, so its result is worked out once. */
  end(game: Game, state: BaseState): End {
    let found = this.ends.get(state);
    if (!found) {
      found = { winners: game.ending(state)!.winners, reached: game.progress(state), scores: game.score(state) };
      this.ends.set(state, found);
    }
    return found;
  }
  step(
    game: Game,
    key: string,
    state: BaseState,
    way: NamedWay,
    ms: number,
    counters?: Counters<BaseState> | null,
  ): Step {
    let row = this.steps.get(key);
    if (!row) {
      row = new Map();
      this.steps.set(key, row);
    }
    let to = row.get(way.id);
    if (!to) {
      to = stepTo(game, state, way, ms, true, counters);
      row.set(way.id, to);
    }
    return to;
  }
}

function take(game: Game, state: BaseState, { event }: NamedWay, ms: number): BaseState {
  const after = game.step(state, ms === 0 ? event : { ...event, at: ms });
  if (isRefusal(after)) throw new Error(`forecast: the rules refused ${event.kind}: ${after.refused.key}`);
  return after;
}
/** Keys with counters differ from keys without, so a graph may hold both. */
const keyOf = (game: Game, state: BaseState, counters?: Counters<BaseState> | null): string =>
  counters ? `~${counters.key(state)}` : game.key(state);
const NONE: readonly number[] = [];
function stepTo(
  game: Game,
  from: BaseState,
  way: NamedWay,
  ms: number,
  keyed = true,
  counters?: Counters<BaseState> | null,
): Step {
  const state = take(game, from, way, ms);
  const ended = game.ending(state) !== null;
  const had = counters?.of(from);
  const grown = counters ? counters.of(state).map((n, i) => n - had![i]!) : NONE;
  return { key: ended || !keyed ? "" : keyOf(game, state, counters), state, ended, grown };
}

/** How ways on are wanted: without their times, or sorted from the luckiest to the unluckiest. */
interface As {
  untimed: boolean;
  byLuck: boolean;
}
/** Higher is luckier: for the player who aims or, where sides play for a point, for the first side. */
const luckOf = ({ body, worth = 0 }: Way): number =>
  body.kind !== "point" ? worth : body.side === null ? 0 : body.side === 0 ? 1 : -1;

const NOTHING: Cost = { acting: 0, fetching: 0, waiting: 0 };
const BELL = new NamedWay({ body: { kind: "bell" }, share: 1, spent: NOTHING, released: null, landed: null });

/** One thing that may be done now. Its ways on are worked out when first asked for. */
class Option {
  private known: readonly NamedWay[] | null = null;
  private value: number | null = null;
  constructor(
    readonly ask: Ask,
    private readonly play: Play,
    private readonly as: As,
  ) {}
  get ways(): readonly NamedWay[] {
    this.known ??= this.worked();
    return this.known;
  }
  private worked(): readonly NamedWay[] {
    const { untimed, byLuck } = this.as;
    const ways = waysFrom(this.ask, this.play)!;
    if (byLuck) ways.sort((a, b) => luckOf(b) - luckOf(a));
    return ways.map((way) => new NamedWay(way, untimed ? NOTHING : way.spent));
  }
  get worth(): number {
    this.value ??= worthOf(this.ask, this.play);
    return this.value;
  }
  /** Picks one of several equally good options, by a number from 0 to 1. */
  one(_draw: () => number): Option {
    return this;
  }
}
/** Several equally good options, each as likely as the others, with all their ways on together. */
class Equals {
  private known: readonly NamedWay[] | null = null;
  constructor(private readonly all: readonly Option[]) {}
  get ways(): readonly NamedWay[] {
    this.known ??= this.merged();
    return this.known;
  }
  /** Ways that lead to the same state in the same time become one. */
  private merged(): readonly NamedWay[] {
    const found = new Map<string, { way: NamedWay; share: number }>();
    for (const { ways } of this.all)
      for (const way of ways) {
        const { acting, fetching, waiting } = way.spent;
        const as = `${way.id} ${acting} ${fetching} ${waiting} ${way.released} ${way.landed}`;
        const known = found.get(as);
        const share = way.share / this.all.length;
        if (known) known.share += share;
        else found.set(as, { way, share });
      }
    const met = new Set<string>();
    return [...found.values()].map(({ way, share }) => {
      const named = new NamedWay({ ...way, body: way.body, share });
      named.repeats = met.has(way.id);
      met.add(way.id);
      return named;
    });
  }
  one(draw: () => number): Option {
    return this.all[Math.min(this.all.length - 1, Math.floor(draw() * this.all.length))]!;
  }
}
/** What each person may do, worked out once. */
class Book {
  private readonly known = new Map<string, readonly Option[]>();
  private readonly same = new WeakMap<readonly Ask[], readonly Option[]>();
  readonly leftOut = new Set<AskKind>();
  /** True if some outcomes are sampled. Then no figure is exact. */
  rough = false;
  private readonly play: Play;
  private readonly as: As;
  private readonly played: Setup | null;
  /** `made`: options worked out earlier for the same people and the same kind of asks. */
  constructor(
    { parts, people, policy, chances, untimed = false, enough, setup, manners }: ForecastInput,
    private readonly names = new Names(),
    private readonly made = new Map<string, readonly Option[]>(),
  ) {
    this.play = { parts, people, policy, ...(chances && { chances }) };
    this.as = { untimed, byLuck: enough !== undefined };
    this.played = manners ? { ...setup, people: [...manners] } : null;
  }

  /** `again`: the same list will be asked for repeatedly, so its options are kept. */
  options(asks: readonly Ask[], again = true): readonly Option[] {
    const same = again && this.same.get(asks);
    if (same) return same;
    // If several people act at once, the first is followed, because they do not affect each other.
    const first: Ask[] = [];
    for (const ask of asks) {
      if (ask.kind === "bell") continue;
      if (ask.optional || !hasChances(ask.kind)) this.leftOut.add(ask.kind);
      else if (first.length === 0 || ask.player === first[0]!.player) first.push(ask);
      const { aim } = ask as Partial<AskOf<"send">>;
      if (aim?.kind === "fall" && aim.knocks && aim.standing.length > MAX_EXACT) this.rough = true;
    }
    let id = "";
    for (const ask of first) id += this.names.of(ask);
    let found = this.known.get(id);
    if (!found) {
      found = this.played ? this.optionsAs(asTheyPlay(this.played, first)) : this.optionsAs(first, id);
      this.known.set(id, found);
    }
    if (again) this.same.set(asks, found);
    return found;
  }
  private optionsAs(asked: readonly Ask[], id = asked.map((ask) => this.names.of(ask)).join("")): readonly Option[] {
    let found = this.made.get(id);
    if (!found) {
      found = asked.flatMap(optionsOf).map((ask) => new Option(ask, this.play, this.as));
      this.made.set(id, found);
    }
    return found;
  }
}

/** Probability over elapsed quanta of time. */
class Times {
  constructor(
    public first: number,
    public mass: Float64Array,
  ) {}

  static at(t: number, chance = 1): Times {
    return new Times(t, Float64Array.of(chance));
  }
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
  get law(): Distribution {
    const at = [...this.mass.keys()].filter((i) => this.mass[i]! > 0);
    return { at: at.map((i) => this.first + i), p: at.map((i) => this.mass[i]!) };
  }
  /** Drops what is next to nothing at either end. */
  trim(): void {
    const { mass } = this;
    let [lo, hi] = [0, mass.length];
    while (lo < hi - 1 && mass[lo]! < TRIMMED) lo++;
    while (hi > lo + 1 && mass[hi - 1]! < TRIMMED) hi--;
    if (hi - lo === mass.length) return;
    this.first += lo;
    this.mass = mass.subarray(lo, hi);
  }
  /** The probability at a quantum and after it. */
  from(first: number): number {
    let sum = 0;
    for (let i = Math.max(0, first - this.first); i < this.mass.length; i++) sum += this.mass[i]!;
    return sum;
  }
  get sum(): number {
    let sum = 0;
    for (let i = 0; i < this.mass.length; i++) sum += this.mass[i]!;
    return sum;
  }
  /** Splits into what lies up to and including a quantum, and what lies beyond. A part is null if it is empty. */
  split(last: number): [Times | null, Times | null] {
    const count = Math.max(0, Math.min(this.mass.length, last - this.first + 1));
    return [
      count === 0 ? null : count === this.mass.length ? this : new Times(this.first, this.mass.slice(0, count)),
      count === this.mass.length ? null : count === 0 ? this : new Times(this.first + count, this.mass.slice(count)),
    ];
  }
}

/** States of one kind at one moment of the forecast. Their times hold their probability. */
interface Node {
  state: BaseState;
  /** When the bell rings, and the time at which the state stands, in quanta. */
  due: number | null;
  at: number;
  times: Times;
  /** The probability of each value, for each counter. */
  counts: readonly Times[];
}
const dueOf = (game: Game, state: BaseState): number | null => {
  const ms = game.due(state);
  return ms === null ? null : Math.ceil(ms / QUANTUM_MS);
};

const put = (m: Map<number, number>, value: number, q: number) => m.set(value, (m.get(value) ?? 0) + q);

class Sums {
  readonly sends: Map<number, number>[] = [];
  readonly points: Map<number, number>[] = [];
  readonly stage: Map<number, number>[] = [];
  /** How a result ranks among all results of the game; higher is better. For sides that do not affect each other. */
  readonly ranks: Map<number, number>[] = [];
  readonly finish: number[] = [];
  readonly win: number[] = [];
  private tied = 0;
  readonly rounds = new Map<number, number>();
  private time: Times | undefined;
  readonly spent: Cost = { acting: 0, fetching: 0, waiting: 0 };
  readonly sidesOf: (readonly number[])[];
  ended = 0;
  /** Ends that were reached with counters: the probability of each, and the counters' values. */
  private readonly counted = new Map<string, { state: BaseState; counts: readonly Times[] }>();

  /**
   * The sides are those of the game, whether or not it ever ends. `ready`: the quanta before the clock starts, if the
   * score is all the time after that.
   */
  constructor(
    first: { game: Game; state: BaseState },
    private readonly ready: number | null,
    private readonly graph: Graph,
    private readonly counters: Counters<BaseState> | null = null,
  ) {
    this.sidesOf = first.game.score(first.state).map((score) => score.players);
    for (const i of this.sidesOf.keys()) {
      this.sends[i] = new Map();
      this.points[i] = new Map();
      this.stage[i] = new Map();
      this.ranks[i] = new Map();
      this.finish[i] = 0;
      this.win[i] = 0;
    }
  }

  spend(spent: Cost, chance: number): void {
    this.spent.acting += spent.acting * chance;
    this.spent.fetching += spent.fetching * chance;
    this.spent.waiting += spent.waiting * chance;
  }

  /** Adds games that ended in a state, `takes` quanta after `times`, with their counters at `counts`. */
  end(game: Game, state: BaseState, times: Times, takes: number, share: number, counts: readonly Times[] = []): void {
    const chance = times.sum * share;
    const { winners, reached, scores } = this.graph.end(game, state);
    if (this.counters) {
      // Ends that differ only in their counters are one.
      const key = `${this.counters.key(state)} ${winners}`;
      const before = this.counted.get(key);
      for (const [i, c] of counts.entries()) Times.add(before?.counts[i], c, 0, 1);
      if (!before) this.counted.set(key, { state, counts });
    }
    const has = (figure: Figure, side: number) =>
      (this.counters?.feeds(figure, side, this.sidesOf.length) ?? null) !== null;
    if (winners.length > 1) this.tied += chance;
    reached.forEach((progress, i) => {
      if (!has("sends", i)) put(this.sends[i]!, progress.sends, chance);
      put(this.stage[i]!, progress.stage, chance);
      this.finish[i] = this.finish[i]! + (progress.finished ? chance : 0);
      this.win[i] = this.win[i]! + (winners.includes(i) ? chance / winners.length : 0);
      if (this.ready === null) {
        if (has("points", i)) return;
        put(this.points[i]!, progress.points, chance);
        put(this.ranks[i]!, scores[i]!.rank, chance);
        return;
      }
      const { unit } = scores[i]!;
      for (let k = 0; k < times.mass.length; k++) {
        const metres = times.mass[k]! * share;
        const value = times.first + k + takes - this.ready;
        if (metres <= 0) continue;
        put(this.points[i]!, value, metres);
        put(this.ranks[i]!, rankOf({ unit, value, finished: progress.finished, stage: progress.stage }), metres);
      }
    });
    if (!has("rounds", 0)) put(this.rounds, Math.max(...reached.map((progress) => progress.rounds)), chance);
    this.ended += chance;
    this.time = Times.add(this.time, times, takes, share);
  }

  /** Adds what the counters bring to every game that ended. */
  private count(game: Game): void {
    const { counters } = this;
    if (!counters) return;
    const bring = (figure: Figure, side: number, to: (state: BaseState, q: number) => void) => {
      const i = counters.feeds(figure, side, this.sidesOf.length);
      if (i === null) return;
      for (const { state, counts } of this.counted.values()) {
        const { first, mass } = counts[i]!;
        for (let k = 0; k < mass.length; k++) if (mass[k]! > 0) to(counters.put(state, i, first + k), mass[k]!);
      }
    };
    for (const i of this.sidesOf.keys()) {
      bring("sends", i, (state, q) => put(this.sends[i]!, game.progress(state)[i]!.sends, q));
      bring("points", i, (state, q) => {
        if (this.ready !== null) return;
        put(this.points[i]!, game.progress(state)[i]!.points, q);
        put(this.ranks[i]!, game.score(state)[i]!.rank, q);
      });
    }
    bring("rounds", 0, (state, q) =>
      put(this.rounds, Math.max(...game.progress(state).map((progress) => progress.rounds)), q),
    );
  }

  result(
    input: ForecastInput,
    book: Book,
    choice: Choice | null,
    size: number,
    stoppedBy: Forecast["stoppedBy"],
  ): Forecast {
    this.count(input.game);
    const method = stoppedBy === "end" ? "exact" : "sampled";
    const { acting, fetching, waiting } = this.spent;
    const all = acting + fetching + waiting || 1;
    const each = input.setup.players;
    const contest = input.setup.mode === "against" && this.finish.length > 1;
    return {
      method,
      policy: input.policy,
      choice,
      leftOut: [...book.leftOut].sort(),
      standardError: method === "exact" ? 0 : 0.5 / Math.sqrt(size),
      size,
      stoppedBy,
      cut: this.ended > 1 - 1e-9 ? 0 : 1 - this.ended,
      sides: this.finish.map((f, i) => ({
        players: this.sidesOf[i]!,
        sends: distribution(this.sends[i]!),
        points: distribution(this.points[i]!),
        stage: distribution(this.stage[i]!),
        finish: f,
        win: contest ? this.win[i]! : null,
      })),
      tie: contest ? this.tied : null,
      starts: null,
      rounds: distribution(this.rounds),
      time: this.time?.law ?? { at: [], p: [] },
      share: {
        acting: acting / all / each,
        fetching: fetching / all / each,
        waiting: 1 - (acting + fetching) / all / each,
      },
    };
  }
}

/**
 * The quanta before the clock starts, if the score is all the time after that and no state holds it. Otherwise null.
 */
function readyOf(input: ForecastInput, book: Book): number | null {
  const { game, setup } = input;
  let state = game.start(setup);
  if (game.clock(setup) === "state" || game.score(state)[0]!.unit !== "tenths") return null;
  // What comes before the clock is always done in the same way, or takes the same time.
  for (let before = 0, steps = 0; steps < MAX_BEFORE; steps++) {
    const asks = game.asks(state);
    const { kind } = mainAsks(asks)[0]!;
    const [way] = book.options(asks)[0]!.ways;
    if (kind === "ready") return before + total(way!.spent);
    if (kind !== "mix") return 0;
    before += total(way!.spent);
    state = take(game, state, way!, 0);
  }
  return 0;
}

/**
 * Forecasts what will happen. It expands the pattern's own `step` with the chance of each outcome, and merges equal
 * states. The result is exact while the states stay under the cap; otherwise seeded games are sampled and the
 * standard error is given. Sides that do not affect each other are expanded separately and then joined. Source: core
 * model, "Forecast".
 */
export function forecast(given: ForecastInput): Forecast {
  // Chances given by hand belong to whoever starts, and to the others in order.
  const all = ordersOf(given.game, given.setup);
  const orders = (given.firstStarts ?? given.chances !== undefined) ? all.slice(0, 1) : all;
  const inputs = orders.map(({ setup }) => ready({ ...given, setup }));
  const [first] = inputs;
  const { method } = given;
  if (method !== "sampled") {
    // If one starting order cannot be followed exactly, all of them are sampled.
    const forecasts: Forecast[] = [];
    for (const input of inputs) {
      const exact = apart(input) ? joined(input, expand) : (expand(input)?.forecast ?? null);
      if (!exact) break;
      forecasts.push(exact);
    }
    if (forecasts.length === inputs.length) return overStarts(forecasts, orders);
  }
  if (method === "exact")
    throw new RangeError(
      `method: more than ${first!.stateCap ?? STATE_CAP} states, or ${first!.exactBudget ?? EXACT_BUDGET} steps: this game can only be sampled`,
    );
  // Where everybody plays at once, each side is sampled separately. Together, only the first would be followed.
  const alone = inputs.length === 1 && apart(first!) && given.game.match.swap === "once";
  if (alone) {
    const drawn = ({ enough: _, shared: __, ...side }: ForecastInput) => sample([side], all);
    return joined(first!, (side) => (method === "sampled" ? null : expand(side)) ?? drawn(side))!;
  }
  return sample(inputs, orders).forecast;
}

/** Adds what other forecasts have found, and takes how people play out of the setup. */
function ready(given: ForecastInput): ForecastInput {
  const { game, setup, graph } = given;
  const clockless = game.clock(setup) === "none";
  const untimed = given.untimed === true && clockless && game.score(game.start(setup))[0]!.unit !== "tenths";
  const played = { ...given, ...plainly(given), untimed };
  return { ...played, ...(clockless && { graph: graph ?? graphIn(played) }) };
}

/**
 * The setup without how each player plays. That changes what they are asked, but no state, so all such setups share
 * one object.
 */
function plainly({ setup, shared }: ForecastInput): Pick<ForecastInput, "setup" | "manners"> {
  const { people, ...rest } = setup;
  const plain = people?.map(({ role, head }): Role => ({ role, ...(head && { head }) }));
  const named = plain?.some((role) => role.role !== "plays" || role.head);
  const bare: Setup = { ...rest, ...(named && { people: plain }) };
  const as = JSON.stringify(bare);
  const known = shared?.setups.get(as) ?? bare;
  shared?.setups.set(as, known);
  const otherwise = people?.some((person) => Object.keys(person).some((key) => key !== "role" && key !== "head"));
  return { setup: known, ...(otherwise && { manners: people }) };
}

const asPlayed = ({ setup, manners }: ForecastInput): string =>
  JSON.stringify([setup.players, setup.sides, setup.starts, setup.people, manners]);
function graphIn({ setup, shared }: ForecastInput): Graph {
  const as = JSON.stringify([setup.players, setup.sides, setup.starts, setup.people]);
  const graph = shared?.graphs.get(as) ?? new Graph();
  shared?.graphs.set(as, graph);
  return graph;
}

/** True if there are several sides and none affects another. */
const apart = ({ game, setup }: ForecastInput): boolean =>
  game.score(game.start(setup)).length > 1 && !game.sidesMeet(setup);

/**
 * What several forecasts of one game share: the same people, asked in the same way, though some of them play
 * differently each time.
 */
export class Shared {
  /** Options and their outcomes, by how everybody plays. */
  readonly books = new Map<string, Book>();
  readonly names = new Names();
  readonly made = new Map<string, readonly Option[]>();
  readonly setups = new Map<string, Setup>();
  /** States, by who plays and with what head starts. */
  readonly graphs = new Map<string, Graph>();
  /** Results of sides that do not affect each other. */
  readonly known = new Map<string, Expanded>();
  /** Sampled games, by who plays and how. More games are added to them. */
  readonly drawn = new Map<string, Drawing>();
  /**
   * The steps of sampled games while states are kept, how many of them met a known state, and whether those were too
   * few.
   */
  steps = 0;
  again = 0;
  scattered = false;
}
/** The same people without head starts. Undefined if they all simply play. */
function headless(people: readonly Role[] | undefined): Role[] | undefined {
  const bare = people?.map(({ head: _, ...rest }) => rest);
  return bare?.some((p) => p.role !== "plays" || Object.keys(p).length > 1) ? bare : undefined;
}
/** Expands each side on its own and joins the results. Null if `by` gives nothing for one of them. */
function joined(input: ForecastInput, by: (side: ForecastInput) => Expanded | null): Forecast | null {
  const { game, setup } = input;
  const scores = game.score(game.start(setup));
  const sides = scores.map((score) => score.players);
  // Where sides do not meet, a head start only changes the sum, so it is added at the end.
  const { people: _, ...rest } = setup;
  const bare = headless(setup.people);
  const without = game.score(game.start({ ...rest, ...(bare && { people: bare }) }));
  const each: Expanded[] = [];
  const { graphs, known } = input.shared ?? new Shared();
  for (const players of sides) {
    const count = players.length;
    const people = bare && headless(players.map((player) => bare[player]!));
    const manners = headless(input.manners && players.map((player) => input.manners![player]!));
    const as = JSON.stringify([players, people, manners]);
    const before = known.get(as);
    if (before) {
      each.push(before);
      continue;
    }
    // The states are the same, however somebody plays.
    const asked = people ? JSON.stringify(people) : `${count}`;
    const graph = graphs.get(asked) ?? (!people && count === 1 && input.graph ? input.graph : new Graph());
    graphs.set(asked, graph);
    const own: ForecastInput = {
      ...input,
      setup: { players: count, mode: count === 1 ? "alone" : "relay", seed: setup.seed, ...(people && { people }) },
      people: players.map((player) => input.people[player]!),
      manners,
      graph,
    };
    const one = by(own);
    if (!one || (one.forecast.method === "exact" && one.forecast.cut > 0)) return null;
    known.set(as, one);
    each.push(one);
  }
  const contest = setup.mode === "against";
  const ranks = each.map((expanded, i) =>
    raised(distribution(expanded.sums.ranks[0]!), scores[i]!.rank - without[i]!.rank),
  );
  const wins = contest ? shareOfWins(ranks) : [];
  const once = game.match.swap === "once";
  const spent = each.map((expanded) => expanded.sums.spent);
  const add = (f: (givenSpent: Cost) => number) => spent.reduce((sum, s) => sum + f(s), 0);
  const [acting, fetching] = [add((givenSpent) => givenSpent.acting), add((givenSpent) => givenSpent.fetching)];
  // Taking turns, everybody waits for everybody. Playing at the same time, they wait for the slowest, and in a race
  // for nobody.
  const race = game.firstEnds(setup);
  const all = race ? add(total) / spent.length : once ? Math.max(...spent.map(total)) : add(total);
  const busy = (x: number) => x / (all || 1) / setup.players;
  return {
    ...(each.find((expanded) => expanded.forecast.method === "sampled") ?? each[0]!).forecast,
    choice:
      each.find((expanded) => expanded.forecast.choice === "mostPoints")?.forecast.choice ?? each[0]!.forecast.choice,
    leftOut: [...new Set(each.flatMap((expanded) => expanded.forecast.leftOut))].sort(),
    tie: contest ? shareOfTies(ranks) : null,
    size: each.reduce((sum, expanded) => sum + expanded.forecast.size, 0),
    sides: each.map((expanded, i) => {
      const one = expanded.forecast.sides[0]!;
      const points = raised(one.points, scores[i]!.value - without[i]!.value);
      return { ...one, ...(race && { finish: wins[i]! }), players: sides[i]!, points, win: contest ? wins[i]! : null };
    }),
    rounds: each.map((expanded) => expanded.forecast.rounds).reduce(atMost),
    time: each.map((expanded) => expanded.forecast.time).reduce(race ? atLeast : once ? atMost : convolved),
    share: { acting: busy(acting), fetching: busy(fetching), waiting: 1 - busy(acting) - busy(fetching) },
  };
}

interface Expanded {
  forecast: Forecast;
  sums: Sums;
}

const bookOf = (input: ForecastInput): Book => {
  const { shared, manners } = input;
  if (!shared) return new Book(input);
  const as = JSON.stringify(manners ?? []);
  const book = shared.books.get(as) ?? new Book(input, shared.names, shared.made);
  shared.books.set(as, book);
  return book;
};

/**
 * Which of several options a player takes: the best over the whole go if that can be found, and otherwise the best
 * for the next send alone.
 */
class Chooser {
  choice: Choice | null = null;
  private readonly best = new Map<string, readonly number[]>();
  private readonly values = new Map<string, number>();
  private readonly taken = new WeakMap<readonly Option[], Map<string, Option | Equals>>();
  private cost = 0;
  private readonly meet: boolean;
  constructor(
    private readonly input: ForecastInput,
    private readonly book: Book,
    private readonly graph: Graph | null,
  ) {
    const { game, setup } = input;
    this.meet = game.score(game.start(setup)).length > 1 && game.sidesMeet(setup);
  }

  /** Equally good options are taken equally often. */
  pick(key: string, state: BaseState, options: readonly Option[]): Option | Equals {
    if (options.length === 1) return options[0]!;
    const { ask } = options[0]!;
    if (ask.kind === "send" && ask.aim.kind === "cells" && ask.aim.alike) {
      this.choice = "winsThenBlocks";
      return this.among(options, () => options.map((_, i) => i), "alike");
    }
    // Where sides meet, the best for one is not the best for all, so each takes what is best for its own next send.
    if (this.graph && !this.graph.beyond && !this.meet) {
      this.choice = "bestOverall";
      if (this.value(key, state) !== null) {
        const best = this.best.get(key)!;
        return best.length === 1 ? options[best[0]!]! : this.among(options, () => best, best.join());
      }
      this.graph.beyond = true;
    }
    // Picking up a piece is not a choice.
    if (this.choice !== "winsThenBlocks") this.choice = "mostPoints";
    return this.among(options, () => bestOf(options.map((option) => option.worth)), "mostPoints");
  }
  private among(options: readonly Option[], which: () => readonly number[], as: string): Option | Equals {
    const known = this.taken.get(options) ?? new Map<string, Option | Equals>();
    this.taken.set(options, known);
    let of = known.get(as);
    if (!of) {
      const all = which().map((i) => options[i]!);
      of = all.length === 1 ? all[0]! : new Equals(all);
      known.set(as, of);
    }
    return of;
  }

  /** The expected worth of a state, if the best choices follow. Null, from then on for good, if it costs too much. */
  private value(key: string, state: BaseState, ahead = 0): number | null {
    if (ahead > MAX_AHEAD) return null;
    const known = this.values.get(key);
    if (known !== undefined) return known;
    const { game } = this.input;
    const graph = this.graph!;
    const options = this.book.options(graph.asks(game, key, state));
    const led = new Map<string, number>();
    const worths: number[] = [];
    // A state that leads back to itself has no best choice that can be found in this way.
    this.values.set(key, Number.NEGATIVE_INFINITY);
    for (const option of options) {
      let sum = 0;
      // Working out an aim costs something too.
      this.cost += option.ways.length * KNOWN_STEP;
      for (const way of option.ways) {
        // Several aims can have the same outcome. Where it leads is looked up once.
        let value = led.get(way.id);
        if (value === undefined) {
          this.cost += graph.knows(key, way) ? KNOWN_STEP : 1;
          if (this.cost > (this.input.solveBudget ?? SOLVE_BUDGET)) return null;
          const to = graph.step(game, key, state, way, 0);
          const of = to.ended ? this.worth(to.state) : this.value(to.key, to.state, ahead + 1);
          if (of === null) return null;
          value = of;
          led.set(way.id, value);
        }
        sum += way.share * value;
      }
      worths.push(sum);
    }
    const best = Math.max(...worths);
    this.values.set(key, best);
    this.best.set(key, bestOf(worths));
    return best;
  }
  /**
   * What the end of a go is worth: its points, or, where fewer is better, the fewer the better. A go that is cut off
   * counts in full.
   */
  private worth(state: BaseState): number {
    const [score] = this.input.game.score(state);
    return score!.better === "less" ? -score!.value : score!.value;
  }
}

/** The indices of the best values. Values within 1e-9 of each other are equal. */
function bestOf(worths: readonly number[]): number[] {
  const best = Math.max(...worths);
  return worths.flatMap((worth, i) => (worth >= best - 1e-9 ? [i] : []));
}

const NO_COUNTS: readonly Times[] = [];
const NO_WAYS: readonly NamedWay[] = [];
/** The counters' probabilities after one step, weighted by the step's share. */
const grownBy = (counts: readonly Times[], to: Step, share: number): readonly Times[] =>
  counts.length === 0 ? NO_COUNTS : counts.map((count, i) => Times.add(undefined, count, to.grown[i]!, share));
/** Follows a game to its end. Null if that is too much. */
function expand(input: ForecastInput): Expanded | null {
  const counters = counted(input);
  const followed = follow(input, counters);
  // If the rules read a counter after all, it becomes part of the state.
  return followed === "limit" ? (follow(input, null) as Expanded | null) : followed;
}
const counted = ({ game, setup }: ForecastInput) => (game.clock(setup) === "none" ? game.counters(setup) : null);
function follow(input: ForecastInput, counters: Counters<BaseState> | null): Expanded | "limit" | null {
  const { game, setup } = input;
  const cap = input.stateCap ?? STATE_CAP;
  const budget = input.exactBudget ?? EXACT_BUDGET * (counted(input) ? UNCAPPED : 1);
  const timing = game.clock(setup);
  const shared = timing === "none" ? (input.graph ?? new Graph()) : null;
  const graph = timing === "state" ? null : (shared ?? new Graph());
  const book = new Book(input, graph?.names);
  // With counters a state may lead back to itself, and then no best choice can be found in this way.
  const chooser = new Chooser(input, book, timing === "none" && !counters ? graph : null);
  const first = game.start(setup);
  const sums = new Sums({ game, state: first }, readyOf(input, book), graph ?? new Graph(), counters);
  const from = (counters?.of(first) ?? NONE).map((n) => Times.at(n));
  let front = new Map<string, Node>([
    [keyOf(game, first, counters), { state: first, due: null, at: 0, times: Times.at(0), counts: from }],
  ]);
  const found = new Set<string>();
  let met = 1;
  let cost = 0;
  let gone = 0;
  while (front.size > 0) {
    const following = new Map<string, Node>();
    let full = false;
    const stepped = (key: string, node: Node, way: NamedWay, at: number) =>
      graph
        ? graph.step(game, key, node.state, way, at * QUANTUM_MS, counters)
        : stepTo(game, node.state, way, at * QUANTUM_MS);
    const arrive = (to: Step, at: number, times: Times, takes: number, share: number, counts = NO_COUNTS) => {
      if (to.ended) {
        sums.end(game, to.state, times, takes, share, grownBy(counts, to, share));
        return;
      }
      const due = dueOf(game, to.state);
      const key = due === null ? to.key : `${to.key}@${due}`;
      const known = following.get(key);
      if (!known) {
        // With counters the same states come again and again.
        if (!counters || !found.has(key)) met++;
        if (counters) found.add(key);
        if (met > cap) full = true;
        const then = Times.add(undefined, times, takes, share);
        following.set(key, { state: to.state, due, at, times: then, counts: grownBy(counts, to, share) });
        return;
      }
      for (let i = 0; i < counts.length; i++) Times.add(known.counts[i], counts[i]!, to.grown[i]!, share);
      // Of equal states, the earliest stands for all.
      if (at < known.at) [known.state, known.at] = [to.state, at];
      Times.add(known.times, times, takes, share);
    };
    for (const [key, node] of front) {
      if (cost > budget || full) return null;
      if (input.stop?.()) throw new ForecastStopped();
      const asks = graph ? graph.asks(game, key, node.state) : game.asks(node.state);
      const option = chooser.pick(key, node.state, book.options(asks));
      if (book.rough) return null;
      // A state that leads back to itself does so until the bell, so all its time is worked out together.
      const { due: bell } = node;
      const round =
        bell === null
          ? NO_WAYS
          : option.ways.filter((way) => leadsBack(way, stepped(key, node, way, node.at), key, bell));
      const times = round.length > 0 ? goneRound(node.times, round, node.due!) : node.times;
      for (const namedWay of round) {
        const [again] = times.split(node.due! - total(namedWay.spent));
        if (again) sums.spend(namedWay.spent, again.sum * namedWay.share);
      }
      for (const way of option.ways) {
        const takes = total(way.spent);
        cost += (way.repeats ? 0 : graph?.knows(key, way) ? KNOWN_STEP : 1) + times.mass.length / CELLS_A_STEP;
        const [inTime, late] = node.due === null ? [times, null] : times.split(node.due - takes);
        if (inTime && !round.includes(way)) {
          sums.spend(way.spent, inTime.sum * way.share);
          if (timing === "state")
            arrive(stepped(key, node, way, node.at + takes), node.at + takes, inTime, takes, way.share);
          else if (timing === "bell" && way.body.kind === "ready") {
            // When the bell rings depends on when the clock started.
            for (let k = 0; k < inTime.mass.length; k++) {
              const t = inTime.first + k;
              if (inTime.mass[k] === 0) continue;
              cost += 1;
              const state = stepTo(game, node.state, way, (t + takes) * QUANTUM_MS);
              arrive(state, t + takes, Times.at(t, inTime.mass[k]), takes, way.share);
            }
          } else arrive(stepped(key, node, way, node.at), node.at, inTime, takes, way.share, node.counts);
        }
        if (!late) continue;
        const due = node.due!;
        const spike = (givenTimes: Times) => Times.at(due, givenTimes.sum);
        // What has landed by the bell counts, whether or not it was fetched.
        const [down, open] = late.split(due - (way.landed ?? takes));
        if (down) {
          const after = stepped(key, node, way, timing === "state" ? node.at + way.landed! : node.at);
          if (after.ended || dueOf(game, after.state) !== due) {
            sums.spend(way.spent, down.sum * way.share);
            arrive(after, node.at + takes, down, takes, way.share);
          } else {
            for (let k = 0; k < down.mass.length; k++)
              sums.spend(untilBell(way, due - down.first - k), down.mass[k]! * way.share);
            const key = `${after.key}@${due}`;
            const rung = graph
              ? graph.step(game, key, after.state, BELL, due * QUANTUM_MS)
              : stepTo(game, after.state, BELL, due * QUANTUM_MS);
            arrive(rung, due, spike(down), 0, way.share);
          }
        }
        if (!open) continue;
        const rung = stepped(key, node, BELL, due);
        for (let k = 0; k < open.mass.length; k++)
          sums.spend({ ...NOTHING, waiting: due - open.first - k }, open.mass[k]! * way.share);
        // What is in the air at the bell may still count.
        const [flying, held] = open.split(due - (way.released ?? 0));
        const landed =
          flying && way.released !== null && !rung.ended ? landsAfter(game, rung.state, way.body, due) : null;
        if (landed && flying) arrive(landed, due, spike(flying), 0, way.share);
        if (!landed) arrive(rung, due, spike(open), 0, way.share);
        else if (held) arrive(rung, due, spike(held), 0, way.share);
      }
    }
    if (full) return null;
    let left = 0;
    let beyond = 0;
    for (const node of following.values()) {
      node.times.trim();
      left += node.times.sum;
      const { limit } = counters ?? {};
      if (limit) beyond += node.counts[limit.counter]!.from(limit.at);
    }
    if (beyond > NOTHING_MUCH) return "limit";
    if (left < LEFT_OVER) break;
    gone += front.size;
    if (cost + (AT_LEAST * following.size * cost) / gone > budget) return null;
    front = following;
  }
  return { forecast: sums.result(input, book, chooser.choice, met, "end"), sums };
}
/** How the time of a throw is spent that had landed by the bell, some quanta after it began. Fetching is cut off. */
function untilBell({ spent, landed }: NamedWay, quanta: number): Cost {
  const acting = Math.min(spent.acting, quanta);
  const fetching = Math.min(spent.fetching, quanta - landed!);
  return { acting, fetching, waiting: quanta - acting - fetching };
}
/** True if a way takes time and leads back to the state it came from. */
function leadsBack(way: NamedWay, to: Step, key: string, due: number): boolean {
  return !to.ended && total(way.spent) > 0 && `${to.key}@${due}` === key;
}
/** When somebody is in a state, including every return to it before the bell. */
function goneRound(from: Times, round: readonly NamedWay[], due: number): Times {
  const mass = new Float64Array(Math.max(from.mass.length, due - from.first + 1));
  mass.set(from.mass);
  for (let t = 0; t < mass.length; t++) {
    const metres = mass[t]!;
    if (metres === 0) continue;
    for (const namedWay of round) {
      const at = t + total(namedWay.spent);
      if (at < mass.length) mass[at] = mass[at]! + metres * namedWay.share;
    }
  }
  return new Times(from.first, mass);
}

/** The state once what was in the air at the bell has landed. Null if the rules no longer accept it. */
function landsAfter(game: Game, state: BaseState, body: Body, due: number): Step | null {
  const after = game.step(state, { ...body, at: due * QUANTUM_MS } as GameEvent);
  if (isRefusal(after)) return null;
  const ended = game.ending(after) !== null;
  return { key: ended ? "" : game.key(after), state: after, ended, grown: NONE };
}

/**
 * One thing that happened in a sampled game: what was asked, what came of it, when it began and ended, and the state
 * after it.
 */
export interface Drawn {
  ask: Ask | null;
  body: Body;
  from: number;
  at: number;
  /** When it was released, in quanta from `from`. Null if nothing was sent. */
  released: number | null;
  spent: Cost;
  state: BaseState;
}

/**
 * Samples games of one forecast, one after another. Where time changes nothing, a known state leads where it led
 * before.
 */
class Dealer {
  cost = 0;
  private readonly met: Shared;
  private readonly graph: Graph | null;
  private keeping: boolean;
  readonly book: Book;
  readonly chooser: Chooser;
  readonly first: BaseState;
  private readonly firstKey: string;
  /** `looked`: somebody looks at this one game, so each state is stepped to at its own time. */
  constructor(
    private readonly input: ForecastInput,
    private readonly budget: number,
    private readonly looked = false,
  ) {
    const { game, setup } = input;
    this.graph = game.clock(setup) !== "none" ? null : (input.graph ?? new Graph());
    this.met = input.shared ?? new Shared();
    this.keeping = this.graph !== null && !looked && !this.met.scattered;
    this.book = bookOf(input);
    this.chooser = new Chooser(input, this.book, this.graph);
    this.first = game.start(setup);
    this.firstKey = this.graph ? game.key(this.first) : "";
  }

  /** Plays one game. It has no end if it is cut off. */
  deal(
    draw: (player: number) => number,
    seen?: (givenDrawn: Drawn) => void,
  ): { end: BaseState | null; at: number; spent: Cost } {
    const { input, graph, book, chooser, met } = this;
    const { game } = input;
    let [state, key, at] = [this.first, this.firstKey, 0];
    const spent: Cost = { acting: 0, fetching: 0, waiting: 0 };
    let over = game.ending(state) !== null;
    for (let ply = 0; ply < MAX_PLIES && !over && this.cost < this.budget; ply++) {
      if (input.stop?.()) throw new ForecastStopped();
      if (this.keeping && ++met.steps === TRIAL_STEPS && met.again < MIN_MET_AGAIN * met.steps) {
        met.scattered = true;
        this.keeping = false;
      }
      const known = this.keeping && graph!.has(key);
      if (known) met.again++;
      const kept = known || (this.keeping && graph!.size < KEPT_STATES);
      this.cost += known ? KNOWN_STEP : 1;
      const asks = kept ? graph!.asks(game, key, state) : game.asks(state);
      const options = book.options(asks, kept);
      // The search for the best choice follows keys as well.
      const looks = key === "" && options.length > 1 && graph !== null && !graph.beyond;
      const { player } = options[0]!.ask;
      const option = chooser.pick(looks ? game.key(state) : key, state, options).one(() => draw(player));
      const way = drawn(option.ways, draw(option.ask.player));
      const takes = total(way.spent);
      const due = dueOf(game, state);
      const from = at;
      if (due !== null && at + takes > due && way.landed !== null && at + way.landed <= due) {
        // What has landed by the bell counts, whether or not it was fetched.
        const lands = at + way.landed;
        const down = stepTo(game, state, way, lands * QUANTUM_MS, this.keeping);
        const rings = !down.ended && dueOf(game, down.state) === due;
        const cut = rings ? untilBell(way, due - at) : way.spent;
        for (const eachKey of ["acting", "fetching", "waiting"] as const) spent[eachKey] += cut[eachKey];
        at += total(cut);
        ({ state, key, ended: over } = down);
        const { ask } = option;
        seen?.({ ask, body: way.body, from, at: rings ? lands : at, released: way.released, spent: cut, state });
        if (!rings) continue;
        ({ state, key, ended: over } = stepTo(game, state, BELL, at * QUANTUM_MS, this.keeping));
        seen?.({ ask: null, body: { kind: "bell" }, from: lands, at, released: null, spent: NOTHING, state });
        continue;
      }
      if (due !== null && at + takes > due) {
        const waits = Math.max(0, due - at);
        spent.waiting += waits;
        const flying = way.released !== null && at + way.released <= due;
        at += waits;
        const rung = stepTo(game, state, BELL, at * QUANTUM_MS, this.keeping);
        const landed = flying && !rung.ended ? landsAfter(game, rung.state, way.body, at) : null;
        ({ state, key, ended: over } = landed ?? rung);
        const { body, released } = landed ? way : { body: { kind: "bell" } as Body, released: null };
        seen?.({
          ask: landed ? option.ask : null,
          body,
          from,
          at,
          released,
          spent: { ...NOTHING, waiting: waits },
          state,
        });
        continue;
      }
      at += takes;
      spent.acting += way.spent.acting;
      spent.fetching += way.spent.fetching;
      spent.waiting += way.spent.waiting;
      const to = kept
        ? graph!.step(game, key, state, way, 0)
        : stepTo(game, state, way, graph && !this.looked ? 0 : at * QUANTUM_MS, this.keeping);
      ({ state, key, ended: over } = to);
      seen?.({ ask: option.ask, body: way.body, from, at, released: way.released, spent: way.spent, state });
    }
    return { end: over ? state : null, at, spent };
  }
}

/**
 * Plays seeded games until their standard error is low enough or the budget is spent. If any side may start, the
 * setups take turns. A game that is under way when the budget is spent is cut off, like one that never ends.
 */
function sample(inputs: readonly ForecastInput[], orders: readonly Order[]): Expanded {
  const [input] = inputs;
  const { enough, shared } = input!;
  const wanted = input!.samples ?? SAMPLES;
  const budget = input!.sampleBudget ?? (input!.samples === undefined ? SAMPLE_BUDGET : Number.POSITIVE_INFINITY);
  const as = asPlayed(input!);
  const begun = shared?.drawn.get(as) ?? drawing(inputs, budget);
  shared?.drawn.set(as, begun);
  const { dealers, draw, pairs } = begun;
  const cost = () => dealers.reduce((sum, dealer) => sum + dealer.dealer.cost, 0);
  let done = enough !== undefined && pairs.size > 0 && enough(pairs.soFar);
  while (!done && begun.size < wanted && cost() < budget) {
    // Whose turn it is to start.
    const start = (enough ? pairs.size : begun.size) % dealers.length;
    const { dealer, counted } = dealers[start]!;
    if (!enough) {
      counted.push(dealer.deal(draw));
      begun.size++;
      continue;
    }
    const luck = new Luck(draw);
    const [one, other] = [dealer.deal((player) => luck.of(player)), dealer.deal((player) => luck.turned(player))];
    counted.push(one, other);
    begun.size += 2;
    pairs.add(one.end, other.end, orders[start]!.places);
    done = pairs.size % PAIRS_A_LOOK === 0 && enough(pairs.soFar);
  }
  const stoppedBy = done || begun.size >= wanted ? "standardError" : "budget";
  // Sampling may stop before every side has started once.
  const played = dealers.filter((dealer) => dealer.counted.length > 0);
  const each = played.map(({ dealer, counted, of }) => {
    const sums = new Sums({ game: of.game, state: dealer.first }, readyOf(of, dealer.book), new Graph());
    for (const g of counted) {
      const chance = 1 / counted.length;
      sums.spend(g.spent, chance);
      if (g.end) sums.end(of.game, g.end, Times.at(g.at), 0, chance);
    }
    return { told: sums.result(of, dealer.book, dealer.chooser.choice, counted.length, stoppedBy), sums };
  });
  const sampledForecast =
    played.length === dealers.length
      ? overStarts(
          each.map((e) => e.told),
          orders,
        )
      : each[0]!.told;
  return {
    forecast: enough ? { ...sampledForecast, standardError: pairs.soFar.standardError } : sampledForecast,
    sums: each[0]!.sums,
  };
}

/** The games sampled so far, those that each side started, and what samples more of them. */
interface Drawing {
  dealers: { of: ForecastInput; dealer: Dealer; counted: ReturnType<Dealer["deal"]>[] }[];
  draw: () => number;
  size: number;
  pairs: Pairs;
}
const drawing = (inputs: readonly ForecastInput[], budget: number): Drawing => {
  const dealers = inputs.map((of) => ({ of, dealer: new Dealer(of, budget), counted: [] }));
  const [{ of: input, dealer }] = dealers as [(typeof dealers)[0]];
  const sides = input.game.score(dealer.first).length;
  return { dealers, draw: random(input.setup.seed), size: 0, pairs: new Pairs(input.game, sides) };
};

/** The luck of everybody in one game, and the same luck turned round for the second game of the pair. */
class Luck {
  private readonly had: number[][] = [];
  private readonly used: number[] = [];
  constructor(private readonly draw: () => number) {}
  private at(player: number, i: number): number {
    this.had[player] ??= [];
    const had = this.had[player]!;
    while (had.length <= i) had.push(this.draw());
    return had[i]!;
  }
  /** A player's next number in the first game. */
  of(player: number): number {
    return this.at(player, this.had[player]?.length ?? 0);
  }
  /** And in the second. */
  turned(player: number): number {
    const i = this.used[player] ?? 0;
    this.used[player] = i + 1;
    return 1 - this.at(player, i);
  }
}

/**
 * Estimates chances to win from pairs of games with opposite luck. A side that was lucky and won was as unlucky in
 * the second game, so a pair varies much less than two independent games. Source: antithetic variates.
 */
class Pairs {
  size = 0;
  private readonly sum: number[];
  private readonly squares: number[];
  constructor(
    private readonly game: Game,
    sides: number,
  ) {
    this.sum = new Array<number>(sides).fill(0);
    this.squares = new Array<number>(sides).fill(0);
  }
  /** `places`: the place of each side in both games, because another side may have started. */
  add(one: BaseState | null, other: BaseState | null, places: readonly number[]): void {
    this.size++;
    const won = [one, other].map((end) => (end && this.game.ending(end)?.winners) ?? []);
    for (const i of this.sum.keys()) {
      const place = places[i]!;
      const both = won.reduce((sum, w) => sum + (w.includes(place) ? 0.5 / w.length : 0), 0);
      this.sum[i] = this.sum[i]! + both;
      this.squares[i] = this.squares[i]! + both * both;
    }
  }
  /** The variance is taken as if one more pair had gone each way, because a few pairs that all agree prove nothing. */
  get soFar(): SoFar {
    const wins = this.sum.map((s) => s / this.size);
    const count = this.size + 2;
    const error = (i: number) => {
      const mean = (this.sum[i]! + 1) / count;
      return Math.sqrt(Math.max(0, (this.squares[i]! + 1) / count - mean * mean) / count);
    };
    return { wins, standardError: Math.max(...wins.map((_, i) => error(i))) };
  }
}

/**
 * Plays one game as the forecast would sample it, with the same rules, chances and choices, and returns everything
 * that happens in order. `seed` decides every chance. The questions are those of `forecast`; a game that goes on too
 * long is cut off and has no end.
 */
export function dealt(input: ForecastInput, seed: number): { events: Drawn[]; end: BaseState | null; at: number } {
  const events: Drawn[] = [];
  const { end, at } = new Dealer(input, DEAL_BUDGET, true).deal(random(seed), (eachDrawn) => events.push(eachDrawn));
  return { events, end, at };
}

/** The way on that a number from 0 to 1 falls on. */
function drawn(ways: readonly NamedWay[], at: number): NamedWay {
  let u = at;
  for (const way of ways) {
    if (u < way.share) return way;
    u -= way.share;
  }
  return ways[ways.length - 1]!;
}
