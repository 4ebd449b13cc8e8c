import type { Ask } from "../asks/ask.ts";
import type { Better, Figure, Phrase, Refusal, Setup, Unit } from "../contract/contract.ts";
import type { Match } from "../contract/match.ts";
import type { GameEvent } from "../events/events.ts";

/** Whose go it is: the players of the side, in the order of their turns. */
export interface Seat {
  players: readonly number[];
  setup: Setup;
}
/**
 * What an event made of a go. It goes on, after something that went right or wrong, or for the next player in any
 * case (`pass`); or its clock is done and the next part waits; or it is over.
 */
export interface StepResult<G> {
  go: G;
  after: "on" | "hit" | "miss" | "spent" | "pass" | "part" | "end";
}
/** A clock that runs during a go, until its bell or open-ended, and the rest before it, seconds. */
export interface Clock {
  limit: number | null;
  rest: number;
}
/** What a go adds up to. */
export interface Sum {
  value: number;
  unit: Unit;
  better: Better;
  /** For comparing goes of the same game. More is better. */
  rank: number;
  /** Worked out when it is read, because it is needed only where it is shown. */
  readonly working: string;
  sends: number;
  stage: number;
  stages: number;
  finished: boolean;
}

export interface Counter<G> {
  of(go: G): number;
  put(go: G, count: number): G;
  feeds: readonly Figure[];
}

/**
 * One go of one side: everything that a pattern describes if sides do not meet. Times are in milliseconds since the
 * clock, or the go, began.
 */
export interface GoRules<P, G> {
  begin(params: P, seat: Seat): G;
  /** What that player may do. The bell and the start of a clock are added by the match. */
  asks(params: P, go: G, player: number): Ask[];
  step(params: P, go: G, event: GameEvent, ms: number): StepResult<G> | Refusal;
  /**
   * In a team with turns: what an event counts as if the player's turn has not come, and whose turn it is then. Null,
   * or left out: it counts like anybody's.
   */
  outOfTurn?(params: P, go: G, event: GameEvent): { event: GameEvent; turn: "stays" | "theirs" } | null;
  /** The clock that should run now. Null: none. */
  clock(params: P, match: Match, go: G): Clock | null;
  /** The effect of the bell: the go is over unless this says otherwise. `ms`: how long the clock ran. */
  bell?(params: P, go: G, ms: number): StepResult<G>;
  sum(params: P, go: G, ms: number): Sum;
  key(params: P, go: G): string;
  /** Counters of a go, and the figures that they supply; see `Counters`. */
  counters?(params: P, match: Match): readonly Counter<G>[];
  now(params: P, go: G): Phrase;
  done(params: P, go: G): readonly string[];
  /** Why it is over, from the best result of all goes. */
  ended(params: P, reached: { finished: boolean }, goes: readonly G[]): Phrase;
  /** As a team, everybody shares one go, or each player has one and the scores are added. */
  together: "share" | "each";
  /** All at the same time: the first to finish ends the go for all. */
  race?: (params: P) => boolean;
  /**
   * For sides that play for the same targets: what one does is reported to the other's go. There is no clock, and
   * each side has one go.
   */
  meet?: { shared(params: P, setup: Setup): boolean; tell(params: P, other: G, mine: G): StepResult<G> };
}
