import type { z } from "zod";
import type { Action } from "../aim/actions.ts";
import type { Face } from "../kit/face.ts";
import type { Floor } from "../kit/floors.ts";
import type { GameEvent } from "../records/events.ts";
import type { Part } from "../yard/parts.ts";

/** A message key with its parameters; the sentence lives in a catalogue. */
export interface Phrase {
  key: string;
  params?: Record<string, string | number>;
}

/** How the people of a home play: each for itself, against each other, or one shared total. */
export const MODES = ["alone", "turns", "against", "relay"] as const;
export type Mode = (typeof MODES)[number];
export const MOST_PLAYERS = 6;

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
}

/** What can happen now, by event kind; the play screen composes its inputs from these. */
export type Legal =
  /** A send at `want`; any of `targets` may be the one hit. */
  | { kind: "send"; want: string; targets: readonly string[] }
  /** A piece comes to rest in one of the zones, nearest first. */
  | { kind: "rest"; piece: number; zones: readonly string[] }
  /** A resting piece was moved by another; `pieces` by number with the zone it lay in. */
  | {
      kind: "knock";
      pieces: readonly { piece: number; player: number; zone: string | null }[];
      zones: readonly string[];
    }
  /** A blocker may be placed, or not. */
  | { kind: "block"; zones: readonly string[] }
  | { kind: "forfeit"; exercise: string; dose: number }
  | { kind: "stand" }
  | { kind: "carry" }
  /** The clock starts when the player says so. */
  | { kind: "ready" }
  /** The bell goes at `dueAt`, milliseconds since the play began. */
  | { kind: "bell"; dueAt: number };

export interface Refusal {
  refused: Phrase;
}
export const refuse = (key: string, params?: Phrase["params"]): Refusal => ({
  refused: params ? { key, params } : { key },
});
export function isRefusal(x: unknown): x is Refusal {
  return typeof x === "object" && x !== null && "refused" in x;
}

/** A send about to happen, as the chances see it. */
export interface NextSend {
  player: number;
  /** Where the player stands: which start line part. */
  from: string;
  /** Every possible outcome. `ref`: the target or zone it ends in; `short`, `over` or `none`. `worth`: what the aim is for. */
  branches: readonly { ref: string; worth: number; event: Body }[];
  /** `target`: aimed at one target. `zones`: the aim is a distance among zones. */
  shot: { kind: "target"; target: string } | { kind: "zones" };
  /** Whether everything is fetched after it. */
  fetch: boolean;
}
/** What comes next when it is not a send: one sure event, and the seconds it takes a child of 8. */
export interface NextSure {
  event: Body;
  /** Who does it, by number; of several at once the last one done counts. */
  by: readonly number[];
  seconds: number;
  /** Metres walked out, and back. */
  walk: number;
  moving: boolean;
}
export type Body = GameEvent extends infer E ? (E extends { at: number } ? Omit<E, "at"> : never) : never;

/** One side's score with its working, for example `9 - 5 = 4`. */
export interface Score {
  /** Players on this side. */
  players: readonly number[];
  value: number;
  /** The same with what lies on the floor and is not counted yet. */
  soFar: number;
  unit: "points" | "sends" | "tenths";
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
export interface Tally {
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
  unit: Score["unit"];
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
}

/** Everything a game pattern is. One folder each; see docs/architecture.md. */
export interface Pattern<P, S extends BaseState> {
  name: string;
  /** Raised whenever the same events could score differently. Stored with every play. */
  rulesVersion: number;
  params: z.ZodType<P>;
  start(params: P, setup: Setup): S;
  /** Nothing once the game is over. */
  legal(state: S): Legal[];
  /** The next state, or a refusal with words. Never throws on an event of the right shape, never changes its argument. */
  step(state: S, event: GameEvent): S | Refusal;
  /** What may come next, for forecast and simulated children; null once over. */
  next(state: S): NextSend | NextSure | null;
  /** When the bell of the clock that is running goes, milliseconds since the play began; null without one. */
  due(state: S): number | null;
  /** Whether elapsed time changes what may follow or who wins; if so it is part of the key. */
  timed(params: P, setup: Setup): boolean;
  /** Equal keys have equal futures and equal tallies (but for a score in time where `timed` is false: it is all the time spent). */
  key(state: S): string;
  turn(state: S): { player: number; side: number; now: Phrase };
  /** Parts that the side whose turn it is has done with. */
  done(state: S): readonly string[];
  score(state: S): Score[];
  ending(state: S): Ending | null;
  tally(state: S): Tally[];
  /** What may be written on paper: everything that a go alone can score, and as little else as can be said. */
  possible(params: P): Possible;
  /** Whether a match is scored in another way than the points that a child's goes are compared by. */
  matchApart(params: P, setup: Setup): boolean;
  layout(params: P, space: { length: number; width: number }): Part[];
  needs(params: P): Needs;
  /** The same game with another thing as that target. */
  swapTarget(params: P, id: string, face: Face): P;
  /** The same layout drawn together sideways by a factor. */
  squeeze(params: P, k: number): P;
  /** The same game where touching that target counts. */
  touchCounts(params: P, id: string): P;
  /** What can be dragged on the tape, and the same layout with one of them elsewhere (metres from the throwing spot). */
  pegs(params: P): Peg[];
  movePeg(params: P, id: string, metres: number): P;
  /** The same layout with one target moved sideways (metres to the right of the middle); null where nothing of that name stands aside. */
  moveAside(params: P, id: string, across: number): P | null;
  /** One more peg where it fits, and one less; null where the rules need what is there. */
  addPeg(params: P, space: Space): P | null;
  removePeg(params: P, id: string): P | null;
  /** What the stations let a teacher set, and what one peg lets them set. */
  knobs(params: P): Knob[];
  pegKnobs(params: P, id: string): Knob[];
  /** One-line answer of the score station. */
  summary(params: P): Phrase;
  /** Every message key that the pattern can return. */
  phrases: readonly string[];
  /** A game anyone can play in a hallway. */
  example: { title: string; action: Action; send: string; space: Space; params: P };
}

interface KnobBase {
  station: "yard" | "score" | "players";
  /** Where in the parameters. */
  path: readonly (string | number)[];
  /** Message key of its name; `hint` a further one. */
  label: string;
  hint?: string;
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
    | { kind: "choice"; options: readonly { value: unknown; label: string }[] }
    | { kind: "toggle" }
    | { kind: "text"; most: number }
    | { kind: "item" }
  );

/** What a home needs beside the targets and lines of the layout. */
export interface Needs {
  /** Things to send, for each player or side. */
  pieces: number;
  blocker: boolean;
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
  kind: "target" | "line";
}
