import type { Person } from "../aim/person.ts";
import type { PlayerModel } from "../aim/player.ts";
import type { Aim, Manner } from "../asks/ask.ts";
import type { Body } from "../events/events.ts";
import type { Purpose } from "../physics/send.ts";
import type { Path } from "../physics/sending.ts";
import { type Part, partsOf } from "../yard/parts.ts";

/** `middle`: aims at the middle of what counts. `bestExpected`: aims where the expected worth is highest. */
export const POLICIES = ["middle", "bestExpected"] as const;
export type Policy = (typeof POLICIES)[number];

/** What was seen of a send or a touch. */
export type Seen =
  | { hit: string | null }
  | { rest: string; away?: number }
  | { fell: readonly string[] }
  | { kept: boolean }
  /** What came of a ball that was put into play. */
  | { ran: Omit<Extract<Body, { kind: "run" }>, "kind"> }
  /** The side that won the point. Null: nobody won it, and why. */
  | { point: number | null; why?: string };

/** One send as its chances see it: who sends, how, from where and past what. */
export interface Sight {
  parts: readonly Part[];
  person: Person;
  /** All players by number, if there are several. */
  people?: readonly Person[];
  manner: Manner;
  /** The line that it is sent from. */
  from: string;
  policy: Policy;
}
export interface Outcome {
  ref: string;
  seen: Seen;
  /** From 0 to 1. All outcomes of an aim add up to 1. */
  p: number;
  /** `under`: how far it moved before it met something. `lies`: how far from the line it came to rest. Metres. */
  under: number;
  lies: number;
  /** How long the action takes and when the object is released, seconds. Released at the end unless given. */
  windUp: number;
  released?: number;
  /** The seconds until the next one can begin, not counting the walk there and back. */
  after: number;
}
/**
 * The names that chances given by hand may use: those that must be named, those that may be, the one that takes what
 * is left, and the one that is aimed for (null: each has its own).
 */
export interface Refs {
  named: readonly string[];
  also?: readonly string[];
  /**
   * Any of these may also be named together, joined by spaces in this order. What is named together happens at once.
   */
  sets?: readonly string[];
  rest: string;
  meant: string | null;
}
/** The parts in a combined name. Null if it is not made of parts in `of`. */
export function setOf(ref: string, of: readonly string[] = []): string[] | null {
  const ids = ref.split(" ");
  const places = ids.map((id) => of.indexOf(id));
  return places.every((place, i) => place >= 0 && (i === 0 || place > places[i - 1]!)) ? ids : null;
}

/** What a kind of aim means. */
export interface KindOf<A extends Aim> {
  /** The single aims that a person can choose from. */
  options(aim: A): readonly A[];
  /** Every outcome with its chance, and where it was aimed, metres. */
  outcomes(aim: A, sight: Sight): { list: Outcome[]; distance: number; across: number };
  /**
   * The same aim without anything that cannot change its own chance, for callers who want no other. The aim itself if
   * left out.
   */
  alone?(aim: A, sight: Sight): A;
  /** The names that chances given by hand may use. */
  refs(aim: A, from: string): Refs;
  /** How far the object runs on beyond the target, metres. */
  runsOn(aim: A, sight: Sight): number;
  /** How far away it is aimed, metres. */
  reach(aim: A, parts: readonly Part[], from: string): number;
  /**
   * The height at which an object in the air meets the target, metres, and what it is sent for. Null: nothing is
   * sent.
   */
  meets(aim: A, parts: readonly Part[]): { height: number; purpose: Purpose } | null;
}

/** Putting things straight and getting back to the line, seconds. An assumption. */
export const RESET = 1.5;

/** How far along the yard a line is, metres. */
export const standAt = (parts: readonly Part[], from: string): number =>
  partsOf(parts, "line").find((line) => line.id === from)?.along ?? 0;

/** A send on its way to where it meets something or comes to rest. */
export function underWay(
  player: PlayerModel,
  path: Path,
  meets: number,
  lies: number,
): Omit<Outcome, "ref" | "seen" | "p"> {
  return { under: path.seconds(Math.min(meets, path.ends)), lies, windUp: player.windUp, after: RESET };
}

/** Trial aims across the search range, and rounds of narrowing down. */
const TRIALS = 24;
const NARROWINGS = 18;
/** Finds where `worth` is highest between lo and hi: it scans, then narrows around the best. */
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
