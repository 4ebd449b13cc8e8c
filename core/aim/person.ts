import type { Spread } from "../actions/spread.ts";
import type { Doing, Gate, Manner } from "../asks/ask.ts";
import type { Goalkeeper } from "./goalkeeper.ts";
import type { AtGate } from "./performer.ts";
import type { PlayerModel } from "./player.ts";

/** A player as chances and the clock see them. How they send an object or keep it going depends on the manner. */
export interface Person {
  sends(manner: Manner): PlayerModel;
  keeps(manner: Manner): Goalkeeper;
  /** A task. `failed` is how long an unsuccessful one takes. */
  does(task: Doing, manner: Manner): Goalkeeper & { failed: number };
  /** A gate of a course. */
  gate(gate: Gate, manner: Manner): AtGate;
  /** A typical spread at any age, which decides how much floor is kept clear. */
  typical(manner: Manner): Spread;
  /** Metres per second. */
  walking: number;
  /** The time needed for anything else, relative to a child of 8. */
  tempo: number;
}
