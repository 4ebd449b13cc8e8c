import type { Spread } from "../actions/spread.ts";
import type { Doing, Gate, Manner } from "../asks/ask.ts";
import type { Goalkeeper } from "./goalkeeper.ts";
import type { AtGate } from "./performer.ts";
import type { PlayerModel } from "./player.ts";

/** Somebody who plays, as chances and clock see them: how they send and keep something going depends on how it is done. */
export interface Person {
  sends(manner: Manner): PlayerModel;
  keeps(manner: Manner): Goalkeeper;
  /** A task: `failed` is how long it takes where it does not come off. */
  does(task: Doing, manner: Manner): Goalkeeper & { failed: number };
  /** A gate of a course. */
  gate(gate: Gate, manner: Manner): AtGate;
  /** The spread that anybody is taken to have, whatever the age: how much floor is kept clear. */
  typical(manner: Manner): Spread;
  /** Metres a second. */
  walking: number;
  /** Getting anything done beside a child of 8. */
  tempo: number;
}
