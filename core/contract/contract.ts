import type { z } from "zod";
import type { Action } from "../actions/actions.ts";
import type { Ask } from "../asks/ask.ts";
import type { Body, GameEvent } from "../events/events.ts";
import type { Face } from "../kit/face.ts";
import type { Posture } from "../physics/release.ts";
import type { Floor } from "../things/floors.ts";
import type { Part } from "../yard/parts.ts";
import type { Match, MatchField } from "./match.ts";
import type { Setting } from "./setting.ts";
import type { Swap } from "./swaps.ts";

/** A message key with its parameters; the sentence lives in a catalogue. */
export interface Phrase {
  key: string;
  params?: Record<string, string | number>;
}

/** How the people of a home play: each for itself, against each other, or one shared total. */
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
  /** Seeds any choice the rules leave to chance. */
  seed: number;
  /** Who plays together, by number; each by itself, or all in a relay, unless given. Who is on no side only helps. */
  sides?: readonly (readonly number[])[];
  /** The side that starts, by number, where each side has its own end to play from; the first unless given. */
  starts?: number;
  /** What somebody does beside sending, or how, by number. */
  people?: readonly Role[];
}
/** `feeds`: sends to the others and has no score. */
export const ROLES = ["plays", "feeds", "catches"] as const;
export interface Role {
  role: (typeof ROLES)[number];
  /** The other hand for everything: a handicap. */
  otherHand?: boolean | undefined;
  /** Points that it begins with, where points are scored and more are better. */
  head?: number | undefined;
  /** Kneeling or sitting for everything: a handicap. */
  posture?: Posture | undefined;
  /** Its own line: so much nearer than the line of all, metres; below nought: farther back. */
  nearer?: number | undefined;
  /** Its own target: so many times as wide and high as that of all. */
  wider?: number | undefined;
  /** Its own court, or the goal it guards: so many times as wide. */
  court?: number | undefined;
}
/** A target of their own is so many times as wide and high. */
export const WIDER = 1.5;
/** A court or a goal of their own is so wide at least, times as drawn, in steps of a tenth. */
export const MIN_COURT = 0.5;
export const MAX_HEAD = 50;
/** A line of their own is so far from the line of all at most, metres. */
export const MAX_NEARER = 3;

/** Up after so many hits in a row, down after so many misses. */
export interface UpAndDown {
  up: number;
  down: number;
  /** Turned round so often it has found its place: then nothing is asked any more; null: never. */
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

/** What scores are counted in; tenths of a second. */
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
/** Which way a unit is better: what something took, or what was gained. */
export const betterIn = (unit: Unit): Better =>
  unit === "sends" || unit === "tenths" || unit === "rounds" || unit === "trips" ? "less" : "more";

/** One side's score with its working, for example `9 - 5 = 4`. */
export interface Score {
  /** Players on this side. */
  players: readonly number[];
  value: number;
  /** The same with what lies on the floor and is not counted yet. */
  soFar: number;
  unit: Unit;
  /** Which way is better: points more, a slalom less, seconds balanced more. */
  better: Better;
  /** How the value comes about; what a number is for may stand beside it as a note (see core/match/end.ts). */
  working: string;
  /** For comparing: more is better. */
  rank: number;
}

export interface Ending {
  reason: Phrase;
  /** Winning sides by index into `score`; empty where nobody wins (alone, in turns, together). Several share a tie. */
  winners: readonly number[];
}

/** What the forecast and the records keep of a state, for one side. */
export interface Progress {
  sends: number;
  rounds: number;
  points: number;
  /** What compares with other goes of the same game, alone or against somebody; in the unit of the score. */
  own: number;
  /** How far up or on; the top is `stages`. */
  stage: number;
  stages: number;
  finished: boolean;
}

/** What a whole go of one child alone can score, in the unit of the game. */
export interface Possible {
  unit: Unit;
  better: Better;
  least: number;
  /** Null: no end to it. */
  most: number | null;
  /** Nothing between these, where they can be listed. */
  values: readonly number[] | null;
  /** Least and most of a go that reached the end, where the unit is not points. */
  finished: { least: number; most: number | null };
  /** How far one can come; 0: the game has no such stages. */
  stages: number;
}

export interface BaseState {
  setup: Setup;
  /** Sides with nobody left, by number: not ranked. */
  out?: readonly number[];
}

/** A figure of a forecast that a counter may bring. */
export type Figure = "sends" | "points" | "rounds";
/**
 * Numbers of a state that grow and that nothing later depends on: a forecast carries them along beside states that are equal without them, and so
 * follows games to their end that have no cap.
 */
export interface Counters<S> {
  of(state: S): readonly number[];
  put(state: S, counter: number, count: number): S;
  /** The counter that a figure of a side, of so many, comes from; null: from the state alone. */
  feeds(figure: Figure, side: number, sides: number): number | null;
  /** Equal keys have equal futures, whatever the counters are. */
  key(state: S): string;
  /** From here on the rules do read a counter: a game that gets so far cannot be followed like this. */
  limit?: { counter: number; at: number };
}

/**
 * The rules of a whole match, as referee, forecast and screens run them. A state holds the parameters that it began with. Patterns that tell
 * one go of one side get theirs from `matched` (core/match); those where sides meet bring their own.
 */
export interface Rules<P = unknown, S extends BaseState = BaseState> {
  start(params: P, match: Match, setup: Setup): S;
  /** Nothing once the game is over. */
  asks(state: S): Ask[];
  /** The next state, or a refusal with words. Never throws on an event of the right shape, never changes its argument. */
  step(state: S, event: GameEvent): S | Refusal;
  /** When the bell of the clock that is running goes, milliseconds since the play began; null without one. */
  due(state: S): number | null;
  /** What elapsed time changes: nothing but the score of a single go; when a bell goes; or who wins, so that it is part of the key. */
  clock(params: P, match: Match, setup: Setup): "none" | "bell" | "state";
  /** Whether what one side does changes what another may; where not, each is forecast by itself, and points to begin with only add to its score. */
  sidesMeet(params: P, match: Match, setup: Setup): boolean;
  /** The same match with another side starting; the sides in turn, that one first, unless given. */
  starting?(setup: Setup, side: number): Setup;
  /** All at once: whether whoever is at the end first ends it for all. */
  firstEnds?(params: P, match: Match, setup: Setup): boolean;
  /** Equal keys have equal futures and equal progress (but for a score in time where `clock` is not `state`: it is all the time spent). */
  key(state: S): string;
  /** Where elapsed time changes nothing: see `Counters`; null, or where not given: there are none. */
  counters?(params: P, match: Match, setup: Setup): Counters<S> | null;
  turn(state: S): { player: number; side: number; now: Phrase };
  /** Parts that the side whose turn it is has done with. */
  done(state: S): readonly string[];
  score(state: S): Score[];
  ending(state: S): Ending | null;
  progress(state: S): Progress[];
  /** Without somebody who is on a side: that side goes on with those who are left, or is out. */
  leave(state: S, who: number): S;
  /** With somebody more on a side, or (null) as a side of its own; null: not now, or not so. Only between goes. */
  join(state: S, who: number, side: number | null): S | null;
}

/** What the rules of an opened game run on. */
export interface GamePart {
  name: string;
  params: unknown;
  match?: Match;
  /** What the family may set before the first send, by field, and to what. */
  family?: readonly { field: string; values: readonly (string | number | boolean)[] }[];
  /** Where the child itself sets the targets out, before the first send. */
  setOut?: SetOut | null;
  between?: Between | null;
}
/** A short exercise after every so many sends of a player; `each`: seconds of one. */
export interface Between {
  exercise: string;
  dose: number;
  every: number;
  each: number;
}
/** The field in which targets are set out, metres from the line and to each side; whether each must stand farther than the one before it. */
export interface SetOut {
  near: number;
  far: number;
  width: number;
  farther: boolean;
}
/** The part that shows a propped board. */
export const RAMP_PART = "ramp";
/** The part that shows that field. */
export const SET_OUT_FIELD = "setOut";

/** One chance that is shown: what is asked to find it, and what of the outcomes counts, each as a share from 0 to 1. */
export interface Probe {
  id: string;
  /** The peg that it stands under; null where nothing can be moved for it. */
  peg: string | null;
  ask: Extract<Ask, { kind: "send" | "count" }>;
  counts: (event: Body) => number;
  /** What of the outcomes is a hit, where a share of them counts: 0 or 1. */
  hits?: (event: Body) => number;
  /** It is sent at until it is hit. */
  untilHit?: true;
  /** How often it is sent at beside the others; alike unless given. */
  weight?: number;
  /** The ways of playing in which it is asked; all unless given. */
  modes?: readonly Mode[];
}

/** What lies on the floor: what the plan shows, what can be moved, and which chance belongs where. Metres. */
export interface Ground<P> {
  parts(params: P, space: { length: number; width: number }): Part[];
  /** What can be dragged on the tape. */
  pegs(params: P): Peg[];
  probes(params: P): Probe[];
  /** Spots that are counted out from the line beside the pegs: where a base goes. */
  spots?(params: P): { id: string; along: number; across: number; label: string }[];
  /** Whether a challenge is held by moving pegs one by one, or all together. */
  moves: "each" | "together";
  /** The same layout with a peg elsewhere, metres from the throwing spot; what `across` names is moved aside where something of that name stands so. */
  move(params: P, id: string, to: { along?: number; across?: number }): P;
  /** One more peg where it fits, and one less; null where the rules need what is there. */
  add(params: P, space: Space): P | null;
  remove(params: P, id: string): P | null;
  /** The same layout drawn together sideways by a factor. */
  squeeze(params: P, k: number): P;
  /** The same game with another thing as that target. */
  swap(params: P, id: string, face: Face): P;
  /** The same game where touching that target counts. */
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
  /** What of a match may be set, and how it begins. */
  match: {
    fields: readonly MatchField[];
    /** After what the next one may send, with the words for it; the usual ones unless given. */
    swaps?: readonly (readonly [swap: Swap, label: string])[];
    initial: Match;
  };
  modes: readonly Mode[];
  ground: Ground<P>;
  /** Whether a match is scored in another way than the points that a child's goes are compared by. */
  matchApart(params: P, setup: Setup): boolean;
  needs(params: P, match: Match): Needs;
}

/**
 * A whole game pattern: its playable half, and everything that a teacher needs to design with it. Each has a folder; see
 * docs/architecture.md.
 */
export interface Pattern<P, S extends BaseState = BaseState> extends PlayPattern<P, S> {
  /** Its place wherever games are listed, from 1. */
  rank: number;
  params: z.ZodType<P>;
  actions: (action: Action) => boolean;
  /** What parameters and match do not allow together, by its path in the document's pattern or match. */
  problems(params: P, match: Match): { path: readonly (string | number)[]; message: string }[];
  /**
   * What can be written on paper: everything that a go alone can score, and as little else as can be said. Left out, it
   * follows from the states of the game (`referee/possible.ts`), which a game with a clock or very many states cannot do.
   */
  possible?(params: P, match: Match): Possible;
  /** What setting up needs said beside what is put down at each peg. */
  setUp(params: P): Phrase[];
  /** Where everybody stands while two or more play; at and behind the line unless given. */
  together?(params: P): Phrase;
  /** What a teacher should know of the layout and what is sent at it, a thing so many metres across. */
  advice?(params: P, width: number): Phrase[];
  /** What the stations let a teacher set, and what one peg lets them set. */
  knobs(params: P): Knob[];
  pegKnobs(params: P, id: string): Knob[];
  /** The same game made easier or harder by what it asks for, the easiest first: words, mixes. */
  graded?(params: P): readonly (readonly Setting[])[];
  /** One-line answer of the score station. */
  summary(params: P, match: Match): Phrase;
  /** Every message key that the pattern can return. */
  phrases: readonly string[];
  /** Sentences for moments that seldom come, which nobody could guess from the sheet: keys of `sheet.seldom`. */
  seldom?(params: P, modes: readonly Mode[]): readonly string[];
  /** Short exercises that stand for it where there is nothing at all to play with, by their ids in the library. */
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

interface KnobBase {
  station: "yard" | "score" | "players";
  /** Where in the parameters, or in the match, or of what stands on the floor (see standing.ts). */
  of?: "match" | "standing";
  path: readonly (string | number)[];
  /** Message key of its name; `hint` a further one. */
  label: string;
  hint?: string;
  /** Message key of what a family reads, where the teacher may leave it to the family; `number` tells several of a kind apart. */
  family?: { key: string; number?: number };
}
/** One thing that can be set, described so that every station is written once for all patterns. */
export type Knob = KnobBase &
  (
    | {
        kind: "number";
        unit?: "m" | "s";
        least: number;
        most: number;
        step: number /** Given: may be off (null), and what on begins with. */;
        off?: { label: string; initial: number };
      }
    | {
        kind: "choice";
        options: readonly { value: unknown; label: string }[];
        /** What the typical child can expect of each is shown beside it. */
        compared?: true;
      }
    | { kind: "toggle" }
    | { kind: "text"; most: number }
    | { kind: "item" }
    /** A list of what comes in turn, in its order; `more` adds the first one. */
    | {
        kind: "turns";
        options: readonly { value: string; label: string }[];
        least: number;
        most: number;
        more: string;
      }
    /** A list of ways to send, in their order. */
    | { kind: "ways"; options: readonly Action[]; least: number; most: number }
  );

/** What a home needs beside the targets and lines of the layout. */
export interface Needs {
  /** Things to send, for each player or side. */
  pieces: number;
  blocker: boolean;
  /** Chooses the bat or racket. */
  implement?: boolean;
  /** Things that lie there, so many of each. */
  kinds?: readonly { item: string; count: number }[];
  /** Pieces of two sides lie on the floor together: they must be told apart, or one side goes after the other. */
  apart: boolean;
  /** Sends allowed in a go; null: no cap, or none that is counted so. */
  sends: number | null;
}

export interface Peg {
  id: string;
  label: string;
  /** The thing that stands there; what a target without a label is called by. */
  item?: string;
  distance: number;
  /** Several things stand there as one. */
  many?: number;
  kind: "target" | "line";
  /** It is drawn and moved, and nothing is laid there. */
  drawn?: true;
}

/** A pattern whose parameters and state are its own business: what referee, forecast and screens work on. */
export type AnyPattern = Pattern<unknown, BaseState>;
/** The playable half of a pattern whose parameters and state are opaque. */
export type AnyPlayPattern = PlayPattern<unknown, BaseState>;
/** True if this is a whole pattern, with its schema, and not only the playable half. */
export const isWhole = (pattern: AnyPlayPattern): pattern is AnyPattern => "params" in pattern;
/** The state with something seen in it at that time, milliseconds since the play began; itself where nothing is later than before. */
export const seenAt = <S extends { last: number }>(state: S, at: number): S =>
  at === state.last ? state : { ...state, last: at };
