import type { Action } from "../actions/actions.ts";
import type { Hand, Posture } from "../physics/release.ts";

/** How something is done: chances, times and estimates read it here, for it may change by word, stage and call. */
export interface Manner {
  /** The activity's own unless given. */
  action?: Action;
  /** Role of the thing it is done with; `send` unless given. */
  thing?: string;
  /** Role of what is held; none unless given. */
  implement?: string;
  /** `alternate`: one after the other; `both`: together. */
  hand?: Hand | "alternate" | "both";
  posture?: Posture;
  /** On the move. */
  moving?: boolean;
  /** It may bounce once on the floor in between. */
  bounce?: boolean;
  /** Sent from so much nearer than the line, metres; below nought: from farther back. */
  nearer?: number;
  /** At a target of their own, so many times as wide and high. */
  wider?: number;
}

/** What may be done with a thing thrown up, or held still, or carried. */
export const DOINGS = ["catch", "clap", "touchFloor", "turn", "balance", "carry"] as const;
/** What a course is made of: ways with a ball, and a shot. */
export const GATES = ["weave", "circle", "gap", "stop", "shot"] as const;
export interface Gate {
  kind: (typeof GATES)[number];
  /** How far it is to its end, metres. */
  metres: number;
}
/** A task: thrown so high above the hand, metres; held so long, seconds; carried so far, metres. */
export interface Doing {
  /** `exercise`: a short exercise, `seconds` long, that always succeeds. */
  id: (typeof DOINGS)[number] | "exercise";
  height?: number;
  seconds?: number;
  metres?: number;
  /** What the exercise is called. */
  exercise?: string;
}

/** Where something lies or stands, metres from the start line and to the right of its middle. */
export interface Spot {
  id: string;
  along: number;
  across: number;
}

/** What a send is for. Chances turn an aim into outcomes (core/aim/kinds); a pattern never lists them. */
export type Aim =
  /** To hit any of `want` among the things that stand there; something else may be hit instead. `worth`: what each brings now; all of `want` the same unless given. */
  | { kind: "any"; want: readonly string[]; among: readonly string[]; worth?: Readonly<Record<string, number>> }
  /** To come to rest in the best of the zones; what each is worth now. */
  | { kind: "zones"; worth: Readonly<Record<string, number>> }
  /**
   * To come to rest in any of the wanted squares of a grid; outside of those that are free it is fetched again. `alike`: each of those wanted is as good
   * as the other, however likely it is hit.
   */
  | { kind: "cells"; want: readonly string[]; among: readonly string[]; free: readonly string[]; alike?: true }
  /**
   * To knock down what stands there, or (`touched`) touch it: points for each, and for all at once. `known`: false where only their number was
   * told; `knocks`: a pin that falls may knock over others.
   */
  | { kind: "fall"; standing: readonly Spot[]; each: number; all: number; known?: false; touched?: true; knocks?: true }
  /** To keep it going by one more touch. */
  | { kind: "keep" }
  /** To do a task that succeeds or does not. */
  | { kind: "skill"; task: Doing }
  /** Rolled, run after, and picked up while it rolls beyond the mark before (the line: null), not past the mark; a turn first, seconds. */
  | { kind: "chase"; mark: string; after: string | null; turn: number }
  /** To somebody at a mark, who catches it. */
  | { kind: "receive"; mark: string; bounce: boolean }
  /** The jack, to rest between its limits. */
  | { kind: "jack" }
  /** As near to the jack as can be; past that line (metres; null: there is none) it is out. `turn`: how many lie already. */
  | { kind: "near"; turn: number; past: number | null }
  /** At a thing at the other end, then run there and send back. */
  | { kind: "shuttle"; to: string }
  /** Once through a course; a gate that is missed is done again, or the lap starts again. */
  | { kind: "course"; gates: readonly Gate[]; miss: "gate" | "lap" }
  /** One touch of a rally that is kept going over something. `area`: what there is to cover, square metres. */
  | { kind: "over"; over: "line" | "net" | "rope" | "wall"; area: number }
  /** A rally for a point: who serves, the people and the court (square metres) of both sides; `again`: a second serve is left. */
  | {
      kind: "point";
      server: number;
      people: readonly (readonly number[])[];
      areas: readonly [number, number];
      over: "line" | "net" | "rope" | "wall";
      again: boolean;
      /** What is told of it. */
      told: "points" | "why" | "touches";
    }
  /**
   * A goal of either side: how wide the goals are that they attack, and how far apart these, metres. `ticks`: a clock runs. `shot`: that side has a free
   * shot first.
   */
  | {
      kind: "goal";
      people: readonly (readonly number[])[];
      widths: readonly [number, number];
      length: number;
      ticks: boolean;
      /** Nobody plays until it goes on after a goal. */
      stopped: boolean;
      shot: number | null;
      /** What is called a foul, and what comes of a ball that is out. */
      fouls: readonly string[];
      out: "other" | "middle" | "again";
    }
  /**
   * A ball is put into play and a circuit is run: the bases that are held, by whom (null: an invisible runner), who stands in the field, and which base is home. `side`: from
   * base to base, metres.
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
  /** Off the wall onto a mark on the floor. */
  | { kind: "rebound"; wall: string; onto: string };
export type AimKind = Aim["kind"];
export type AimOf<K extends AimKind> = Extract<Aim, { kind: K }>;

/** Aims for which a step nearer than the line is another game; the rest is done on the spot, run after, or run through. */
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
/** Whether something is sent from a line that one may stand nearer to. */
export const fromLine = (ask: Ask): ask is AskOf<"send" | "count"> =>
  (ask.kind === "send" || ask.kind === "count") && FROM_A_LINE[ask.aim.kind];
/** The same ask at a target so many times as wide; what has no target to hit stays as it is. */
export const widerBy = (ask: Ask, times: number): Ask =>
  times !== 1 && ask.kind === "send" && ask.aim.kind === "any"
    ? { ...ask, manner: { ...ask.manner, wider: times } }
    : ask;
/** The same ask with courts and goals so many times as wide, by the number of whoever guards them; of several on a side the narrowest. */
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
        : // Each side shoots at the goal of the other.
          { ...ask.aim, widths: [ask.aim.widths[0] * second, ask.aim.widths[1] * first] };
    known.set(courts, aim);
  }
  return { ...ask, aim };
}
const guarded = new WeakMap<Aim, WeakMap<readonly number[], Aim>>();
/** The same ask from so much nearer than it was, metres. */
export const nearerBy = (ask: Ask, metres: number): Ask =>
  metres !== 0 && fromLine(ask)
    ? { ...ask, manner: { ...ask.manner, nearer: Math.round(((ask.manner.nearer ?? 0) + metres) * 1000) / 1000 } }
    : ask;

/** The time something takes that is no send. Of several people the last one done counts. */
export interface Takes {
  by: readonly number[];
  /** Of a child of 8. */
  seconds: number;
  /** Metres walked out, and back. */
  walk: number;
  moving: boolean;
}

interface Asked {
  /** Who is asked, by number. */
  player: number;
  /** It may be passed over: played where it happens, and left out of forecasts. */
  optional?: true;
}
interface Sent extends Asked {
  /** Where the player stands: a line of the layout. */
  from: string;
  manner: Manner;
}
interface Sure extends Asked {
  takes: Takes;
}
/** The word that is being spelled: its signs, the one that comes now, and how it is shown. */
export interface Spelled {
  signs: readonly string[];
  at: number;
  show: "word" | "voice" | "picture" | "prompt";
  prompt: string;
}
/** What may happen now. Each kind has its chances (core/forecast/outcomes.ts), and its input on the play screen. */
export type Ask =
  /** One send; `fetch`: everything is fetched after it. */
  | (Sent & { kind: "send"; aim: Aim; fetch: boolean; spell?: Spelled })
  /** One more of a run that is counted; `soFar` of it, and whether a drop is told at once. */
  /** `each`: one more comes with every second by itself. */
  | (Sent & { kind: "count"; aim: Aim; soFar: number; drops: boolean; each?: "second" })
  /** How many there were in all, at most `most`; `soFar` as they were tapped. */
  | (Sure & { kind: "total"; soFar: number; most: number })
  /** A short exercise, so many times. */
  /** `others`: what may be done instead, as the child likes; `seated`: the same for whoever sits. */
  /** `spell`: the word that is to be written. */
  | (Sure & {
      kind: "task";
      exercise: string;
      dose: number;
      others?: readonly string[];
      seated?: string;
      spell?: Spelled;
    })
  /**
   * A free choice of a place for something, or none; `must`: one of them, before anything else. `leads`: what each is chosen for, and `walks` how far
   * away it is, metres, both in the order of the options.
   */
  | (Sure & {
      kind: "choose";
      of: string;
      options: readonly string[];
      must?: true;
      leads?: readonly Extract<Ask, { kind: "send" }>[];
      walks?: readonly number[];
      /** What each is, and how many of how many times it is done. */
      does?: readonly (Doing & { done: number; times: number })[];
      /** Whom each option is for, by number. */
      who?: readonly number[];
      /** How long each takes, seconds. */
      lasts?: readonly number[];
      /** Forecasts take the first: all of them come in the end, whichever is first, or it is the one that is meant. */
      alike?: true;
      /** The word whose letter is gone to. */
      spell?: Spelled;
    })
  /**
   * The child's own formation inside a field, middles in metres; `spots` as it would be left. `size`: how wide each is, metres; `things`: what they
   * are, where they are not all alike.
   */
  | (Sure & {
      kind: "arrange";
      field: string;
      spots: readonly Spot[];
      size: number;
      things?: readonly { item: string; label: string; size: number }[];
    })
  /** A square is mixed: by the tool so that its fewest trips lie between these, or by somebody. `samples`: squares that forecasts are made over. */
  | (Sure & {
      kind: "mix";
      n: number;
      reach: "next" | "line";
      how: "app" | "hand" | "opponent";
      least: number;
      most: number;
      samples: readonly (readonly number[])[];
      /** What the kinds are, by the list of things. */
      kinds: readonly string[];
    })
  /** A trip to the square, and two of its things swapped; `sensible`: what sensible play would do. */
  | (Sure & {
      kind: "swap";
      n: number;
      reach: "next" | "line";
      cells: readonly number[];
      readonly sensible: readonly [number, number] | null;
      kinds: readonly string[];
    })
  /** What lies there was moved by something else. */
  | (Asked & {
      kind: "move";
      pieces: readonly { piece: number; player: number; place: string | null }[];
      places: readonly string[];
    })
  /** How far what lies there is from the jack: nearer to each other than `near` (millimetres) a look does not tell. `moves`: the jack stays where it was struck. */
  | (Asked & {
      kind: "measure";
      /** What lies, in the order it was sent: the first is piece 1. */
      pieces: readonly {
        player: number;
        away: number | null;
        measured: boolean;
        spot: { along: number; across: number } | null;
        dead: boolean;
      }[];
      near: number;
      /** A piece that everybody plays against, so far away. */
      mark: number | null;
      moves: boolean;
    })
  /** What fell is stood up again: to be done before play goes on, or noted. */
  | (Sure & { kind: "stand"; what: string })
  /** The match goes on another day. */
  | (Asked & { kind: "carry" })
  /** Something within what the family may change: the values that are allowed, by field. */
  | (Asked & {
      kind: "set";
      fields: Readonly<Record<string, readonly (string | number | boolean)[]>>;
      /** What was set so far. */
      now: Readonly<Record<string, string | number | boolean>>;
    })
  /** The clock starts, or what was done is counted, when somebody says so. */
  | (Sure & { kind: "ready" })
  /** The bell goes at `dueAt`, milliseconds since the play began. */
  | (Asked & { kind: "bell"; dueAt: number });
/** Done as it is always done. */
export const PLAIN: Manner = {};
export type AskKind = Ask["kind"];
export type AskOf<K extends AskKind> = Extract<Ask, { kind: K }>;

/** Where pins stand, as an event says it: whole millimetres. */
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
/** What has to happen before anything goes on: asks that cannot be passed over, the bell aside. */
export const mainAsks = (asks: readonly Ask[]): Ask[] => asks.filter((ask) => !ask.optional && ask.kind !== "bell");
/** Where whoever is asked to send stands; null where nobody is. */
export const standsAt = (asks: readonly Ask[]): string | null =>
  mainAsks(asks).flatMap((mainAsk) => (mainAsk.kind === "send" || mainAsk.kind === "count" ? [mainAsk.from] : []))[0] ??
  null;
