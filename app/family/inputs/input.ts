import type { Ask } from "#core/asks/ask.ts";
import type { CardData } from "../card/card-data.ts";

export type Act = (body: Record<string, unknown> & { kind: string }) => void;
/** What every input gets: what is asked, the family's own card, and how to tell what happened. */
export interface InputProps<A extends Ask = Ask> {
  ask: A;
  data: CardData;
  act: Act;
  /** Message key of what is said to do now. */
  now: string;
  sound: (what: "tick") => void;
  name: (player: number) => string;
  /** Targets as they were when there were several to choose from; none: there never were. */
  places?: readonly string[];
  /** An earlier try is mended with it: nothing that only makes sense in play. */
  mending?: boolean;
}
