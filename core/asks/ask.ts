import type { Action } from "../actions/actions.ts";
import type { Hand, Posture } from "../physics/release.ts";

/**
 * How something is done. Chances, times and estimates read it here, because it may change with the word, the stage
 * and the call.
 */
export interface Manner {
  /** The activity's own unless given. */
  action?: Action;
  /** The role of the item it is done with. `send` unless given. */
  thing?: string;
  /** The role of the bat or racket. None unless given. */
  implement?: string;
  /** `alternate`: one hand after the other. `both`: together. */
  hand?: Hand | "alternate" | "both";
  posture?: Posture;
  /** On the move. */
  moving?: boolean;
  /** It may bounce once on the floor on the way. */
  bounce?: boolean;
  /** How much nearer than the line it is sent from, metres. Negative: from farther back. */
  nearer?: number;
  /** The player's own target: how many times as wide and high. */
  wider?: number;
}

/** What may be done with an object that is thrown up, held still or carried. */
export const DOINGS = ["catch", "clap", "touchFloor", "turn", "balance", "carry"] as const;
/** What a course is made of: ways with a ball, and a shot. */
export const GATES = ["weave", "circle", "gap", "stop", "shot"] as const;
export interface Gate {
  kind: (typeof GATES)[number];
  /** The distance to its end, metres. */
  metres: number;
}
/** A task: an object is thrown so high above the hand (metres), held so long (seconds) or carried so far (metres). */
export interface Doing {
  /** `exercise`: a short exercise of `seconds` that always succeeds. */
  id: (typeof DOINGS)[number] | "exercise";
  height?: number;
  seconds?: number;
  metres?: number;
  /** The name of the exercise. */
  exercise?: string;
}

/** Where something lies or stands, metres from the start line and to the right of its middle. */
export interface Spot {
  id: string;
  along: number;
  across: number;
}

/** What a send is for. Chances turn an aim into outcomes (core/chances/kinds.ts). A pattern never lists outcomes. */
export type Aim =
  /**
   * To hit any of `want` among the items that stand there. Another may be hit instead. `worth`: what each is worth
   * now; the same for all of `want` unless given.
   */
  | { kind: "any"; want: readonly string[]; among: readonly string[]; worth?: Readonly<Record<string, number>> }
  /** To come to rest in the best of the zones. `worth`: what each is worth now. */
  | { kind: "zones"; worth: Readonly<Record<string, number>> }
  /**
   * To come to rest in any of the wanted squares of a grid. From a square that is not free, it is fetched again.
   * `alike`: all wanted squares are equally good, however likely each is.
   */
  | { kind: "cells"; want: readonly string[]; among: readonly string[]; free: readonly string[]; alike?: true }
  /**
   * To knock down what stands there or, with `touched`, to touch it: points for each, and for all at once. `known`:
   * false if only their number was told. `knocks`: a falling pin may knock over others.
   */
  | { kind: "fall"; standing: readonly Spot[]; each: number; all: number; known?: false; touched?: true; knocks?: true }
  /** To keep it going with one more touch. */
  | { kind: "keep" }
  /** To do a task that either succeeds or fails. */
  | { kind: "skill"; task: Doing }
  /**
   * To roll it, run after it and pick it up while it rolls, beyond the mark `after` (null: the line) but not past
   * `mark`. `turn`: seconds of turning round first.
   */
  | { kind: "chase"; mark: string; after: string | null; turn: number }
  /** To somebody at a mark, who catches it. */
  | { kind: "receive"; mark: string; bounce: boolean }
  /** To let the jack come to rest between its limits. */
  | { kind: "jack" }
  /**
   * To come to rest as near to the jack as possible. Past the line `past` (metres; null: there is none) it is out.
   * `turn`: how many lie there already.
   */
  | { kind: "near"; turn: number; past: number | null }
  /** To send it at something at the other end, then run there and send it back. */
  | { kind: "shuttle"; to: string }
  /** To go once through a course. A missed gate is done again, or the lap starts again. */
  | { kind: "course"; gates: readonly Gate[]; miss: "gate" | "lap" }
  /** One touch of a rally over something. `area`: the floor to cover, square metres. */
  | { kind: "over"; over: "line" | "net" | "rope" | "wall"; area: number }
  /**
   * A rally for a point: who serves, and the people and court (square metres) of both sides. `again`: a second serve
   * is left.
   */
  | {
      kind: "point";
      server: number;
      people: readonly (readonly number[])[];
      areas: readonly [number, number];
      over: "line" | "net" | "rope" | "wall";
      again: boolean;
      /** What is told about the rally. */
      told: "points" | "why" | "touches";
    }
  /**
   * A goal for either side: how wide the goals are that they attack and how far apart, metres. `ticks`: a clock runs.
   * `shot`: this side has a free shot first.
   */
  | {
      kind: "goal";
      people: readonly (readonly number[])[];
      widths: readonly [number, number];
      length: number;
      ticks: boolean;
      /** Nobody plays until the game goes on after a goal. */
      stopped: boolean;
      shot: number | null;
      /** What counts as a foul, and what follows when the ball is out. */
      fouls: readonly string[];
      out: "other" | "middle" | "again";
    }
  /**
   * A ball is put into play and a circuit is run. The bases that are occupied and by whom (null: an invisible
   * runner), who is in the field, and which base is home. `side`: from base to base, metres.
   */
  | {
      kind: "bat";
      runners: readonly number[];
      names: readonly (number | null)[];
      fielders: readonly number[];
      home: number;
      side: number;
      put: "tee" | "toss" | "pitch" | "kick" | "throw";
      outs: readonly string[];
    }
  /** Off the wall onto a landing spot on the floor. */
  | { kind: "rebound"; wall: string; onto: string };
export type AimKind = Aim["kind"];
export type AimOf<K extends AimKind> = Extract<Aim, { kind: K }>;

/**
 * Aims for which a step nearer than the line makes another game. The others are done on the spot, run after, or run
 * through.
 */
const FROM_A_LINE: { [K in AimKind]: boolean } = {
  any: true,
  zones: true,
  cells: true,
  fall: true,
  receive: true,
  jack: true,
  near: true,
  rebound: true,
  keep: false,
  skill: false,
  chase: false,
  shuttle: false,
  course: false,
  over: false,
  point: false,
  goal: false,
  bat: false,
};
/** Whether something is sent from a line that the player may stand nearer to. */
export const fromLine = (ask: Ask): ask is AskOf<"send" | "count"> =>
  (ask.kind === "send" || ask.kind === "count") && FROM_A_LINE[ask.aim.kind];
/** The same ask with a target that is wider by a factor. Unchanged if there is no target to hit. */
export const widerBy = (ask: Ask, times: number): Ask =>
  times !== 1 && ask.kind === "send" && ask.aim.kind === "any"
    ? { ...ask, manner: { ...ask.manner, wider: times } }
    : ask;
/**
 * The same ask with courts and goals wider by a factor, by the number of the player who guards them. If several on a
 * side do, the narrowest counts.
 */
export function guardedBy(ask: Ask, courts: readonly number[]): Ask {
  if (ask.kind !== "send" || (ask.aim.kind !== "point" && ask.aim.kind !== "goal")) return ask;
  if (courts.every((court) => court === 1)) return ask;
  const known = guarded.get(ask.aim) ?? new WeakMap<readonly number[], Aim>();
  guarded.set(ask.aim, known);
  let aim = known.get(courts);
  if (!aim) {
    const [first, second] = ask.aim.people.map((side) => Math.min(1, ...side.map((i) => courts[i] ?? 1))) as [
      number,
      number,
    ];
    aim =
      ask.aim.kind === "point"
        ? { ...ask.aim, areas: [ask.aim.areas[0]! * first, ask.aim.areas[1]! * second] }
        : // Each side shoots at the other's goal.
          { ...ask.aim, widths: [ask.aim.widths[0] * second, ask.aim.widths[1] * first] };
    known.set(courts, aim);
  }
  return { ...ask, aim };
}
const guarded = new WeakMap<Aim, WeakMap<readonly number[], Aim>>();
/** The same ask from nearer, by this many metres. */
export const nearerBy = (ask: Ask, metres: number): Ask =>
  metres !== 0 && fromLine(ask)
    ? { ...ask, manner: { ...ask.manner, nearer: Math.round(((ask.manner.nearer ?? 0) + metres) * 1000) / 1000 } }
    : ask;

/** The time that something takes which is not a send. If several people do it, the last one to finish counts. */
export interface Takes {
  by: readonly number[];
  /** For a child of 8. */
  seconds: number;
  /** Metres walked out, and back again. */
  walk: number;
  moving: boolean;
}

interface Asked {
  /** Who is asked, by number. */
  player: number;
  /** It may be passed over. It is played when it happens, and forecasts leave it out. */
  optional?: true;
}
interface Sent extends Asked {
  /** The line of the layout at which the player stands. */
  from: string;
  manner: Manner;
}
interface Sure extends Asked {
  takes: Takes;
}
/** The word being spelled: its letters, which one is next, and how it is shown. */
export interface Spelled {
  signs: readonly string[];
  at: number;
  show: "word" | "voice" | "picture" | "prompt";
  prompt: string;
}
/** What may happen now. Each kind has its chances (core/chances/outcomes.ts) and its input on the play screen. */
export type Ask =
  /** One send. `fetch`: everything is fetched after it. */
  | (Sent & { kind: "send"; aim: Aim; fetch: boolean; spell?: Spelled })
  /** One more of a run that is counted. `soFar`: the run up to now. `drops`: a drop is told at once. */
  /** `each`: another one comes with every second. */
  | (Sent & { kind: "count"; aim: Aim; soFar: number; drops: boolean; each?: "second" })
  /** How many there were in all, up to `most`. `soFar`: as they were tapped. */
  | (Sure & { kind: "total"; soFar: number; most: number })
  /** A short exercise, done this many times. */
  /** `others`: what the child may do instead. `seated`: the same exercise for someone who sits. */
  /** `spell`: the word to be written. */
  | (Sure & {
      kind: "task";
      exercise: string;
      dose: number;
      others?: readonly string[];
      seated?: string;
      spell?: Spelled;
    })
  /**
   * A choice of one option, or of none. `must`: one has to be chosen before anything else. `leads`: what each is
   * chosen for. `walks`: how far away each is, metres. Both are in the order of the options.
   */
  | (Sure & {
      kind: "choose";
      of: string;
      options: readonly string[];
      must?: true;
      leads?: readonly Extract<Ask, { kind: "send" }>[];
      walks?: readonly number[];
      /** What each option is, and how many of its times are done. */
      does?: readonly (Doing & { done: number; times: number })[];
      /** The player each option is for, by number. */
      who?: readonly number[];
      /** How long each option takes, seconds. */
      lasts?: readonly number[];
      /**
       * Forecasts take the first option, either because all of them come in the end, whatever the order, or because
       * it is the one that is meant.
       */
      alike?: true;
      /** The word whose next letter is fetched. */
      spell?: Spelled;
    })
  /**
   * The child's own formation inside a field, middles in metres. `spots`: where they would be left. `size`: the width
   * of each, metres. `things`: the items, if they are not all alike.
   */
  | (Sure & {
      kind: "arrange";
      field: string;
      spots: readonly Spot[];
      size: number;
      things?: readonly { item: string; label: string; size: number }[];
    })
  /**
   * A grid is shuffled, by the tool so that its fewest trips lie between these bounds, or by somebody. `samples`:
   * grids that forecasts are made over.
   */
  | (Sure & {
      kind: "mix";
      n: number;
      reach: "next" | "line";
      how: "app" | "hand" | "opponent";
      least: number;
      most: number;
      samples: readonly (readonly number[])[];
      /** The items of each kind, by the list of items. */
      kinds: readonly string[];
    })
  /** A trip to the grid on which two of its items are swapped. `sensible`: what sensible play would do. */
  | (Sure & {
      kind: "swap";
      n: number;
      reach: "next" | "line";
      cells: readonly number[];
      readonly sensible: readonly [number, number] | null;
      kinds: readonly string[];
    })
  /** Something moved what lies there. */
  | (Asked & {
      kind: "move";
      pieces: readonly { piece: number; player: number; place: string | null }[];
      places: readonly string[];
    })
  /**
   * The distances from the jack of what lies there. Two that differ by less than `near` (millimetres) cannot be told
   * apart by looking. `moves`: a struck jack stays where it comes to rest.
   */
  | (Asked & {
      kind: "measure";
      /** What lies there, in the order in which it was sent. The first is piece 1. */
      pieces: readonly {
        player: number;
        away: number | null;
        measured: boolean;
        spot: { along: number; across: number } | null;
        dead: boolean;
      }[];
      near: number;
      /** The distance of a piece that everybody plays against. */
      mark: number | null;
      moves: boolean;
    })
  /** What fell is stood up again, either before play goes on or as a note. */
  | (Sure & { kind: "stand"; what: string })
  /** The match goes on another day. */
  | (Asked & { kind: "carry" })
  /** Something that the family may change: the allowed values, by field. */
  | (Asked & {
      kind: "set";
      fields: Readonly<Record<string, readonly (string | number | boolean)[]>>;
      /** What has been set so far. */
      now: Readonly<Record<string, string | number | boolean>>;
    })
  /** Somebody says when the clock starts, or that what was done is now counted. */
  | (Sure & { kind: "ready" })
  /** The bell rings at `dueAt`, milliseconds since the play began. */
  | (Asked & { kind: "bell"; dueAt: number });
/** Done in the usual way. */
export const PLAIN: Manner = {};
export type AskKind = Ask["kind"];
export type AskOf<K extends AskKind> = Extract<Ask, { kind: K }>;

/** Where pins stand, as an event says it, in whole millimetres. */
export const arranged = (spots: readonly Spot[]) => ({
  kind: "arrange" as const,
  spots: spots.map(({ id, along, across }) => ({
    id,
    along: Math.round(along * 1000),
    across: Math.round(across * 1000),
  })),
});
export const askOf = <K extends AskKind>(asks: readonly Ask[], kind: K): AskOf<K> | undefined =>
  asks.find((ask): ask is AskOf<K> => ask.kind === kind);
/** The asks that have to be answered before play goes on: those that cannot be passed over, except the bell. */
export const mainAsks = (asks: readonly Ask[]): Ask[] => asks.filter((ask) => !ask.optional && ask.kind !== "bell");
/** The line at which the player who is to send stands. Null if nobody is. */
export const standsAt = (asks: readonly Ask[]): string | null =>
  mainAsks(asks).flatMap((mainAsk) => (mainAsk.kind === "send" || mainAsk.kind === "count" ? [mainAsk.from] : []))[0] ??
  null;
