import type { GameSettings, Setup } from "../contract/contract.ts";
import type { RecordedEvent } from "../events/events.ts";
import { patternOf } from "../patterns/registry.ts";
import { openPlayOf, type Play, type Replayed, replayOf } from "./play.ts";

export * from "./play.ts";

/** Opens a play of any pattern by its name; see `openPlayOf`. */
export const openPlay = (part: GameSettings, setup: Setup, version?: number): Play =>
  openPlayOf(patternOf(part.name), part, setup, version);

/** Replays a whole record of any pattern by its name; see `replayOf`. */
export const replay = (
  part: GameSettings,
  setup: Setup,
  events: readonly RecordedEvent[],
  version?: number,
): Replayed => replayOf(patternOf(part.name), part, { setup, events, version });
