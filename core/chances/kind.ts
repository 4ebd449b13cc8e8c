import type { Person } from "../aim/person.ts";
import type { PlayerModel } from "../aim/player.ts";
import type { Aim, Manner } from "../asks/ask.ts";
import type { Body } from "../events/events.ts";
import type { Purpose } from "../physics/send.ts";
import type { Path } from "../physics/sending.ts";
import { type Part, partsOf } from "../yard/parts.ts";

/** `middle`: at the middle of what counts. `bestExpected`: where the expected worth is highest. */
export const POLICIES = ["middle", "bestExpected"] as const;
export type Policy = (typeof POLICIES)[number];

/** What was seen of a send or a touch. */
export type Seen =
  | { hit: string | null }
  | { rest: string; away?: number }
  | { fell: readonly string[] }
  | { kept: boolean }
  /** What came of a ball put into play. */
  | { ran: Omit<Extract<Body, { kind: "run" }>, "kind"> }
  /** For which side; nobody's, for a reason. */
  | { point: number | null; why?: string };

/** One send as the chances see it: who does it, how, from where, past what. */
export interface Sight {
  parts: readonly Part[];
  person: Person;
  /** Everybody who plays, by number, where more than one does. */
  people?: readonly Person[];
  manner: Manner;
  /** The line that it is sent from. */
  from: string;
  policy: Policy;
}
export interface Outcome {
  ref: string;
  seen: Seen;
  /** 0 to 1; all of an aim sum to 1. */
  p: number;
  /** How it was under way: until it met something, and where it lies then, metres from the line. */
  under: number;
  lies: number;
  /** Seconds of doing something, and when it is let go of them: at their end unless given. */
  windUp: number;
  released?: number;
  /** Until the next one can begin beside walking there and back, seconds. */
  after: number;
}
/** Outcomes that chances given by hand name, those that they may name too, the one that takes what is left, and the one that is meant (null: each has its own). */
export interface Refs {
  named: readonly string[];
  also?: readonly string[];
  /** Any of these together, joined by spaces in their order, may be named as well: what of them is there happens at once. */
  sets?: readonly string[];
  rest: string;
  meant: string | null;
}
/** The parts of a set that is named; null where it is none of `of`. */
export function setOf(ref: string, of: readonly string[] = []): string[] | null {
  const ids = ref.split(" ");
  const places = ids.map((id) => of.indexOf(id));
  return places.every((place, i) => place >= 0 && (i === 0 || place > places[i - 1]!)) ? ids : null;
}

/** What one kind of aim means. */
export interface KindOf<A extends Aim> {
  /** The single aims among which a person chooses. */
  options(aim: A): readonly A[];
  /** Every outcome with its chance, and where it was aimed, metres. */
  outcomes(aim: A, sight: Sight): { list: Outcome[]; distance: number; across: number };
  /** The same aim without what cannot change its own chance: for whoever wants no other. As it is where not given. */
  alone?(aim: A, sight: Sight): A;
  /** What chances given by hand may name. */
  refs(aim: A, from: string): Refs;
  /** How far what is sent runs on beyond what is there, metres. */
  runsOn(aim: A, sight: Sight): number;
  /** How far away it is aimed, metres. */
  reach(aim: A, parts: readonly Part[], from: string): number;
  /** How high what is aimed at is met by what flies, metres, and what it is sent for; null: nothing is sent. */
  meets(aim: A, parts: readonly Part[]): { height: number; purpose: Purpose } | null;
}

/** Putting things straight and getting back to the line, seconds: an assumption. */
export const RESET = 1.5;

/** Metres along of the line that somebody stands at. */
export const standAt = (parts: readonly Part[], from: string): number =>
  partsOf(parts, "line").find((line) => line.id === from)?.along ?? 0;

/** A send on its way to where it meets something, or to where it lies. */
export function underWay(
  player: PlayerModel,
  path: Path,
  meets: number,
  lies: number,
): Omit<Outcome, "ref" | "seen" | "p"> {
  return { under: path.seconds(Math.min(meets, path.ends)), lies, windUp: player.windUp, after: RESET };
}

/** Trial aims between the ends of the search, and rounds of narrowing down. */
const TRIALS = 24;
const NARROWINGS = 18;
/** Where the best of `worth` lies between lo and hi: a scan, then narrowing around its best. */
export function bestAim(worth: (x: number) => number, lo: number, hi: number): number {
  let best = lo;
  let most = Number.NEGATIVE_INFINITY;
  for (let i = 0; i <= TRIALS; i++) {
    const x = lo + ((hi - lo) * i) / TRIALS;
    const weight = worth(x);
    if (weight > most + 1e-12) [best, most] = [x, weight];
  }
  let left = Math.max(lo, best - (hi - lo) / TRIALS);
  let b = Math.min(hi, best + (hi - lo) / TRIALS);
  for (let i = 0; i < NARROWINGS; i++) {
    const third = (b - left) / 3;
    if (worth(left + third) < worth(b - third)) left += third;
    else b -= third;
  }
  const x = (left + b) / 2;
  return worth(x) > most ? x : best;
}
