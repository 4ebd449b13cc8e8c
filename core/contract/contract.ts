import type { z } from "zod";
import type { Action } from "../actions/actions.ts";
import type { Ask } from "../asks/ask.ts";
import type { Body, GameEvent } from "../events/events.ts";
import type { Floor } from "../items/floors.ts";
import type { Face } from "../kit/face.ts";
import type { Posture } from "../physics/release.ts";
import type { Part } from "../yard/parts.ts";
import type { Match, MatchField } from "./match.ts";
import type { Setting } from "./setting.ts";
import type { Swap } from "./swaps.ts";

/** A message key with its parameters. The sentence itself is in a catalogue. */
export interface Phrase {
  key: string;
  params?: Record<string, string | number>;
}

/**
 * How the people of a home play: each for themselves, one after another, against each other, or as a team with one
 * score.
 */
export const MODES = ["alone", "turns", "against", "relay"] as const;
export type Mode = (typeof MODES)[number];
export const MAX_PLAYERS = 6;

/** A rectangle to play in, metres. */
export interface Space {
  length: number;
  width: number;
  floor: Floor;
  indoors: boolean;
}

export interface Setup {
  players: number;
  mode: Mode;
  /** Seeds every choice that the rules leave to chance. */
  seed: number;
  /**
   * Which players play together, by number. Left out, each plays alone, or all together in a relay. A player who is
   * on no side only helps.
   */
  sides?: readonly (readonly number[])[];
  /** The number of the side that starts, if each side plays from its own end. The first unless given. */
  starts?: number;
  /** What each player does and how, by number. */
  people?: readonly Role[];
}
/** `feeds`: sends to the others and has no score of their own. */
export const ROLES = ["plays", "feeds", "catches"] as const;
export interface Role {
  role: (typeof ROLES)[number];
  /** Uses the other hand for everything: a handicap. */
  otherHand?: boolean | undefined;
  /** The head start in points, in games where more points are better. */
  head?: number | undefined;
  /** Kneels or sits for everything: a handicap. */
  posture?: Posture | undefined;
  /** How much nearer than everybody's line they stand, metres. Negative: farther back. */
  nearer?: number | undefined;
  /** Their own target: how many times as wide and high as everybody's. */
  wider?: number | undefined;
  /** Their own court, or the goal they guard: how many times as wide as everybody's. */
  court?: number | undefined;
}
/** The size of a wider target of one's own, as a factor. */
export const WIDER = 1.5;
/** The narrowest court or goal of one's own, as a factor of the drawn one. It changes in tenths. */
export const MIN_COURT = 0.5;
export const MAX_HEAD = 50;
/** The farthest that a line of one's own may be from everybody's, metres. */
export const MAX_NEARER = 3;

/** Goes up after this many hits in a row, and down after this many misses. */
export interface UpAndDown {
  up: number;
  down: number;
  /** After this many changes of direction it has found its level and asks nothing more. Null: it never stops. */
  stop?: number | null;
}

export interface Refusal {
  refused: Phrase;
}
export const refuse = (key: string, params?: Phrase["params"]): Refusal => ({
  refused: params ? { key, params } : { key },
});
export function isRefusal(x: unknown): x is Refusal {
  return typeof x === "object" && x !== null && "refused" in x;
}

/** What scores are counted in. Times are in tenths of a second. */
export const UNITS = [
  "points",
  "sends",
  "tenths",
  "touches",
  "hits",
  "laps",
  "rounds",
  "pins",
  "times",
  "stars",
  "marks",
  "passes",
  "letters",
  "words",
  "stages",
  "seconds",
  "steps",
  "games",
  "goals",
  "runs",
  "trips",
  "rows",
] as const;
export type Unit = (typeof UNITS)[number];
export type Better = "more" | "less";
/** Whether more or less of a unit is better. */
export const betterIn = (unit: Unit): Better =>
  unit === "sends" || unit === "tenths" || unit === "rounds" || unit === "trips" ? "less" : "more";

/** One side's score with its working, for example `9 - 5 = 4`. */
export interface Score {
  /** The players on this side. */
  players: readonly number[];
  value: number;
  /** The score including what lies on the floor and is not counted yet. */
  soFar: number;
  unit: Unit;
  /** Whether more is better (points, seconds balanced) or less (a slalom's time). */
  better: Better;
  /** How the value is worked out. Numbers may be followed by a note of what they are for (see core/match/end.ts). */
  working: string;
  /** For comparing scores: higher is better. */
  rank: number;
}

export interface Ending {
  reason: Phrase;
  /**
   * The winning sides by their index in `score`. Empty if nobody wins (alone, taking turns, as a team). Several sides
   * share a tie.
   */
  winners: readonly number[];
}

/** What the forecast and the records keep of a state, for one side. */
export interface Progress {
  sends: number;
  rounds: number;
  points: number;
  /** What a go is compared by with other goes of the same game, in the unit of the score. */
  own: number;
  /** How far the side has come, from 0 to `stages`. */
  stage: number;
  stages: number;
  finished: boolean;
}

/** What one child can score in a whole go, in the unit of the game. */
export interface Possible {
  unit: Unit;
  better: Better;
  least: number;
  /** Null: there is no upper limit. */
  most: number | null;
  /** The only possible values, if they can be listed. */
  values: readonly number[] | null;
  /** The lowest and highest score of a finished go, if the unit is not points. */
  finished: { least: number; most: number | null };
  /** The highest stage that can be reached. 0: the game has no stages. */
  stages: number;
}

export interface BaseState {
  setup: Setup;
  /** The numbers of sides with nobody left. They are not ranked. */
  out?: readonly number[];
}

/** A figure of a forecast that a counter can supply. */
export type Figure = "sends" | "points" | "rounds";
/**
 * Numbers in a state that only grow, and that nothing later depends on. A forecast carries them alongside the states
 * instead of telling states apart by them. That lets it follow a game without a cap to its end.
 */
export interface Counters<S> {
  of(state: S): readonly number[];
  put(state: S, counter: number, count: number): S;
  /** The counter that supplies a side's figure. Null: the figure is in the state. */
  feeds(figure: Figure, side: number, sides: number): number | null;
  /** States with equal keys have equal futures, whatever their counters. */
  key(state: S): string;
  /** From this value on the rules do read a counter, so a game that gets so far cannot be followed in this way. */
  limit?: { counter: number; at: number };
}

/**
 * The rules of a whole match, as the referee, the forecast and the screens run them. A state holds the parameters it
 * started with. A pattern that describes one side's go gets its match rules from `matched` (core/match). A pattern in
 * which sides meet brings its own.
 */
export interface Rules<P = unknown, S extends BaseState = BaseState> {
  start(params: P, match: Match, setup: Setup): S;
  /** Empty once the game is over. */
  asks(state: S): Ask[];
  /**
   * The next state, or a refusal with words. It never throws for an event of the right shape, and never changes its
   * argument.
   */
  step(state: S, event: GameEvent): S | Refusal;
  /** When the bell of the running clock rings, milliseconds since the play began. Null if no clock is running. */
  due(state: S): number | null;
  /**
   * What elapsed time changes. `none`: nothing but the score of a single go. `bell`: when the bell rings. `state`:
   * who wins, so that it is part of the key.
   */
  clock(params: P, match: Match, setup: Setup): "none" | "bell" | "state";
  /**
   * Whether what one side does changes what another may do. If not, each side is forecast alone, and a head start
   * only adds to its score.
   */
  sidesMeet(params: P, match: Match, setup: Setup): boolean;
  /** The same match with another side starting. Left out, the sides take turns and that one is first. */
  starting?(setup: Setup, side: number): Setup;
  /** For sides that play at the same time: whether the first to finish ends the game for all. */
  firstEnds?(params: P, match: Match, setup: Setup): boolean;
  /**
   * States with equal keys have equal futures and equal progress. The one exception is a score in time where `clock`
   * is not `state`: it is all the time spent.
   */
  key(state: S): string;
  /** The counters of a game in which elapsed time changes nothing (see `Counters`). Null or left out: it has none. */
  counters?(params: P, match: Match, setup: Setup): Counters<S> | null;
  turn(state: S): { player: number; side: number; now: Phrase };
  /** Parts that the side whose turn it is has finished with. */
  done(state: S): readonly string[];
  score(state: S): Score[];
  ending(state: S): Ending | null;
  progress(state: S): Progress[];
  /** The state without one player. Their side goes on with those who are left, or is out. */
  leave(state: S, who: number): S;
  /**
   * The state with one more player on a side or, for null, as a side of their own. Null if that is not possible now.
   * Only between goes.
   */
  join(state: S, who: number, side: number | null): S | null;
}

/** The settings that an opened game runs with. */
export interface GameSettings {
  name: string;
  params: unknown;
  match?: Match;
  /** What the family may set before the first send: the field and its allowed values. */
  family?: readonly { field: string; values: readonly (string | number | boolean)[] }[];
  /** The field in which the child sets the targets out before the first send. */
  setOut?: SetOut | null;
  between?: Between | null;
}
/** A short exercise after every few sends of a player. `each`: seconds for one. */
export interface Between {
  exercise: string;
  dose: number;
  every: number;
  each: number;
}
/**
 * The field in which targets are set out: metres from the line and to each side, and whether each target must be
 * farther than the one before.
 */
export interface SetOut {
  near: number;
  far: number;
  width: number;
  farther: boolean;
}
/** The id of the part that shows a propped board. */
export const RAMP_PART = "ramp";
/** The id of the part that shows the field for setting out. */
export const SET_OUT_FIELD = "setOut";

/**
 * A chance that is shown to the teacher: the ask that it is worked out from, and which outcomes count, each as a
 * share from 0 to 1.
 */
export interface Probe {
  id: string;
  /** The peg it belongs to. Null if moving nothing would change it. */
  peg: string | null;
  ask: Extract<Ask, { kind: "send" | "count" }>;
  counts: (event: Body) => number;
  /** Which outcomes are a hit, if only a share of an outcome counts: 0 or 1. */
  hits?: (event: Body) => number;
  /** It is sent at until it is hit. */
  untilHit?: true;
  /** How often it is sent at, relative to the others. The same for all unless given. */
  weight?: number;
  /** The ways of playing in which it is asked. All unless given. */
  modes?: readonly Mode[];
}

/** What lies on the floor: what the plan shows, what can be moved, and which chance belongs where. Metres. */
export interface Ground<P> {
  parts(params: P, space: { length: number; width: number }): Part[];
  /** What can be dragged on the tape. */
  pegs(params: P): Peg[];
  probes(params: P): Probe[];
  /** Spots beside the pegs that are counted out from the line, such as the place of a base. */
  spots?(params: P): { id: string; along: number; across: number; label: string }[];
  /** Whether a challenge is kept by moving pegs one by one, or all together. */
  moves: "each" | "together";
  /**
   * The same layout with a peg moved, metres from the throwing spot. `across` moves it sideways, if it is something
   * that can stand there.
   */
  move(params: P, id: string, to: { along?: number; across?: number }): P;
  /** One more peg where it fits, or one less. Null if the rules need those that are there. */
  add(params: P, space: Space): P | null;
  remove(params: P, id: string): P | null;
  /** The same layout narrowed sideways by a factor. */
  squeeze(params: P, k: number): P;
  /** The same game with another item as that target. */
  swap(params: P, id: string, face: Face): P;
  /** The same game in which touching that target counts. */
  touchCounts(params: P, id: string): P;
}

/** The playable half of a pattern: all that a device needs to run a go. It uses no Zod, so that phones need not load it. */
export interface PlayPattern<P, S extends BaseState = BaseState> {
  /** The name of its folder in camel case. */
  name: string;
  /** Raised whenever the same events could score differently. Stored with every play. */
  rulesVersion: number;
  rules: Rules<P, S>;
  /** Rules of earlier versions, for plays that began with them. */
  earlier?: Readonly<Record<number, Rules<P, BaseState>>>;
  /** What can be set about a match, and how it begins. */
  match: {
    fields: readonly MatchField[];
    /** The moments at which the turn may pass on, with their labels. The usual ones unless given. */
    swaps?: readonly (readonly [swap: Swap, label: string])[];
    initial: Match;
  };
  modes: readonly Mode[];
  ground: Ground<P>;
  /** Whether a match is scored differently from the points by which a child's goes are compared. */
  matchApart(params: P, setup: Setup): boolean;
  needs(params: P, match: Match): Needs;
}

/**
 * A whole game pattern: its playable half, and everything that a teacher needs to design with it. Each has a folder; see
 * docs/architecture.md.
 */
export interface Pattern<P, S extends BaseState = BaseState> extends PlayPattern<P, S> {
  /** Its place in every list of games, from 1. */
  rank: number;
  params: z.ZodType<P>;
  actions: (action: Action) => boolean;
  /** What parameters and match must not combine, by path in the document's pattern or match. */
  problems(params: P, match: Match): { path: readonly (string | number)[]; message: string }[];
  /**
   * What can be written on paper: everything that a go alone can score, and as little else as can be said. Left out, it
   * follows from the states of the game (`referee/possible.ts`), which a game with a clock or very many states cannot do.
   */
  possible?(params: P, match: Match): Possible;
  /** What setting up needs said, beside what is put down at each peg. */
  setUp(params: P): Phrase[];
  /** Where everybody stands while two or more play. At and behind the line unless given. */
  together?(params: P): Phrase;
  /** What a teacher should know about the layout and the object, which is this many metres across. */
  advice?(params: P, width: number): Phrase[];
  /** What the stations let a teacher set, and what a single peg lets them set. */
  knobs(params: P): Knob[];
  pegKnobs(params: P, id: string): Knob[];
  /** The same game with easier or harder content (words, shuffles), easiest first. */
  graded?(params: P): readonly (readonly Setting[])[];
  /** The score station's answer in one line. */
  summary(params: P, match: Match): Phrase;
  /** Every message key that the pattern can return. */
  phrases: readonly string[];
  /** Sentences for rare moments that nobody could guess from the sheet: keys of `sheet.seldom`. */
  seldom?(params: P, modes: readonly Mode[]): readonly string[];
  /** Short exercises that replace it where there is nothing to play with, by their ids in the library. */
  bare: readonly string[];
  /**
   * Returns the game made of exercises alone, one after the other. Exactly one game has this; it is played in homes without any equipment.
   */
  ofExercises?(exercises: readonly { name: string; each: number }[]): { params: P; match: Match };
  /** A game anyone can play in a hallway. */
  example: {
    title: string;
    action: Action;
    send: string;
    implement?: string;
    behind?: "wall";
    space: Space;
    params: P;
    match: Match;
  };
}

/** How long a game lasts, or what a teacher seldom sets. */
export type KnobGroup = "length" | "fine";
interface KnobBase {
  station: "yard" | "score" | "players";
  /** The group that it stands in at its station. Without one it is in the first. */
  group?: KnobGroup;
  /** Where it is set if not in the parameters: in the match, or in what stands on the floor (see standing.ts). */
  of?: "match" | "standing";
  path: readonly (string | number)[];
  /** The message key of its name. `hint`: the key of a further sentence. */
  label: string;
  hint?: string;
  /**
   * The message key for a family, if the teacher may leave the choice to them. `number` tells several of a kind
   * apart.
   */
  family?: { key: string; number?: number };
}
/** One thing that can be set, described so that each station is written once for all patterns. */
export type Knob = KnobBase &
  (
    | {
        kind: "number";
        unit?: "m" | "s";
        least: number;
        most: number;
        step: number /** If given, it can be switched off (null), and starts with `initial` when switched on. */;
        off?: { label: string; initial: number };
      }
    | {
        kind: "choice";
        options: readonly { value: unknown; label: string }[];
        /** The typical child's expected result is shown beside each choice. */
        compared?: true;
      }
    | { kind: "toggle" }
    | { kind: "text"; most: number }
    | { kind: "item" }
    /** A list of what comes in turn. `more` adds the first one again. */
    | {
        kind: "turns";
        options: readonly { value: string; label: string }[];
        least: number;
        most: number;
        more: string;
      }
    /** A list of ways to send, in order. */
    | { kind: "ways"; options: readonly Action[]; least: number; most: number }
  );

/** What a home needs, beside the targets and lines of the layout. */
export interface Needs {
  /** Objects to send, for each player or side. */
  pieces: number;
  blocker: boolean;
  /** Chooses the bat or racket. */
  implement?: boolean;
  /** Items that lie there, and how many of each. */
  kinds?: readonly { item: string; count: number }[];
  /** The objects of two sides lie on the floor together, so they must differ, or one side goes after the other. */
  apart: boolean;
  /** The most sends in a go. Null: no cap, or none that is counted in sends. */
  sends: number | null;
}

export interface Peg {
  id: string;
  label: string;
  /** The item that stands there. A target without a label is called by its name. */
  item?: string;
  distance: number;
  /** Several items stand there as one. */
  many?: number;
  kind: "target" | "line";
  /** It is drawn and moved, but nothing is laid there. */
  drawn?: true;
}

/**
 * A pattern whose parameters and state are known only to itself. The referee, the forecast and the screens work with
 * these.
 */
export type AnyPattern = Pattern<unknown, BaseState>;
/** The playable half of a pattern whose parameters and state are opaque. */
export type AnyPlayPattern = PlayPattern<unknown, BaseState>;
/** True if this is a whole pattern, with its schema, and not only the playable half. */
export const isWhole = (pattern: AnyPlayPattern): pattern is AnyPattern => "params" in pattern;
/**
 * The state after something was seen at that time, milliseconds since the play began. Unchanged if nothing is later
 * than before.
 */
export const seenAt = <S extends { last: number }>(state: S, at: number): S =>
  at === state.last ? state : { ...state, last: at };
