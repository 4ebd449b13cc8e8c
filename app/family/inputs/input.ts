import type { Ask } from "#core/asks/ask.ts";
import type { CardData } from "../card/card-data.ts";

export type Act = (body: Record<string, unknown> & { kind: string }) => void;
/** What every input gets: the ask, the family's own card, and a way to report what happened. */
export interface InputProps<A extends Ask = Ask> {
  ask: A;
  data: CardData;
  act: Act;
  /** The message key of the instruction. */
  now: string;
  sound: (what: "tick") => void;
  name: (player: number) => string;
  /** The targets as they were when there were several to choose from. Left out if there never were. */
  places?: readonly string[];
  /** An earlier attempt is being changed, so controls that only make sense during play are left out. */
  mending?: boolean;
}
